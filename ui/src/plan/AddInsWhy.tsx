import type { PlanAnswer, Problem } from "../client/types.gen";
import { addInWays, type Change } from "./wish";

const names = { "by hand": "By hand, at the beep", dispenser: "By the dispenser", "at the start": "With everything else" } as const;

/** When and how the add-ins go in. */
export default function AddInsWhy({
  answer,
  fault,
  change,
}: {
  answer: PlanAnswer;
  fault: Problem | undefined;
  change: (change: Change) => void;
}) {
  const { addIns, lines } = answer.plan;
  if (!addIns) return <p className="mt-2 text-lg text-soft">This loaf has no add-ins.</p>;
  return (
    <>
      <h2 className="mt-2 text-lg font-bold">{names[addIns.way]}</h2>
      <p className="mt-1">{addIns.why}</p>
      {fault?.pointer === "/time/addIns" && (
        <p role="alert" className="mt-1 border-l-4 border-rim pl-3 text-sm">
          {fault.detail}
        </p>
      )}
      <div role="group" aria-label="How the add-ins go in" className="mt-3 grid gap-2">
        {addInWays.map((w) => (
          <button
            key={w}
            type="button"
            aria-pressed={w === addIns.way}
            disabled={w === "dispenser" && !!addIns.noBox}
            onClick={() => change({ "add-ins": w })}
            className="min-h-12 rounded-tray border-2 border-rule px-3 text-left font-semibold disabled:text-soft aria-pressed:border-rim"
          >
            {names[w]}
          </button>
        ))}
      </div>
      {addIns.noBox && <p className="mt-1 text-xs text-soft">Not the dispenser: {addIns.noBox}</p>}
      <ul className="mt-3 space-y-1 text-sm">
        {lines
          .filter((l) => addIns.lines.includes(l.id) && l.tips)
          .map((l) => (
            <li key={l.id}>
              <b>{l.name}.</b> {l.tips?.join(" ")}
            </li>
          ))}
      </ul>
    </>
  );
}

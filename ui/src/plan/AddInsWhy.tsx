import type { PlanAddIns, PlanAnswer, Problem } from "../client/types.gen";
import { Segments } from "../parts/Segments";
import { type AddInWay, waysIn } from "../parts/addIns";
import { PlanAddInWay } from "../client/words.gen";
import { type Change, listed } from "./wish";

const names = (silent: boolean) => ({
  "by hand": silent ? "By hand, by the clock" : "By hand, at the beep",
  dispenser: "By the dispenser",
  "at the start": "With everything else",
});
const short = { "by hand": "hand", dispenser: "dispenser", "at the start": "start" } as const;

/** When and how the add-ins go in, all of them and each by itself. */
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
  const name = (way: AddInWay) => names(!!addIns.silent)[way];
  const ways = waysIn(addIns);
  const alike = new Set(Object.values(ways)).size === 1;
  const keep = (line: string, way: AddInWay) =>
    change({ ways: listed(Object.entries({ ...ways, [line]: way }).map(([l, w]) => `${l}:${w}`)), "add-ins": null });
  return (
    <>
      <h2 className="mt-2 text-lg font-bold">{alike ? name(addIns.way) : "Each in its own way"}</h2>
      <p className="mt-1">{addIns.why}</p>
      {fault?.pointer?.startsWith("/time/") && (
        <p role="alert" className="mt-1 border-l-4 border-rim pl-3 text-sm">
          {fault.detail}
        </p>
      )}
      <div role="group" aria-label="How the add-ins go in" className="mt-3 grid gap-2">
        {PlanAddInWay.map((w) => (
          <button
            key={w}
            type="button"
            aria-pressed={alike && w === addIns.way}
            disabled={w === "dispenser" && !!addIns.noBox}
            onClick={() => change({ "add-ins": w, ways: null })}
            className="min-h-12 rounded-tray border-2 border-rule px-3 text-left font-semibold disabled:text-soft aria-pressed:border-rim"
          >
            {name(w)}
          </button>
        ))}
      </div>
      {addIns.noBox && <p className="mt-1 text-xs text-soft">Not the dispenser: {addIns.noBox}</p>}
      {addIns.each && addIns.each.length > 1 && <Each addIns={addIns} keep={keep} />}
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

/** Each add-in with its own way. */
function Each({ addIns, keep }: { addIns: PlanAddIns; keep: (line: string, way: AddInWay) => void }) {
  return (
    <ul className="mt-3 space-y-2">
      {addIns.each?.map((a) => (
        <li key={a.line}>
          <p className="text-sm font-semibold">{a.name}</p>
          <Segments
            label={`How the ${a.name} goes in`}
            value={a.way}
            pick={(way) => keep(a.line, way)}
            className="min-h-11 px-3 font-semibold"
            segments={PlanAddInWay.filter((w) => w !== "dispenser" || !a.noBox).map((w) => ({
              value: w,
              label: names(!!addIns.silent)[w],
              show: short[w],
            }))}
          />
          {a.noBox && !addIns.noBox && <p className="text-xs text-soft">{a.noBox}</p>}
        </li>
      ))}
    </ul>
  );
}

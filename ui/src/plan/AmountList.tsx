import type { PlanLine, PlanAnswer } from "../client/types.gen";
import { inBox } from "../parts/addIns";
import { Amount } from "../parts/Amount";
import { StuffSwatch } from "../parts/stuff";
import { RoundingStep } from "./RoundingStep";
import type { Why } from "./why";
import { type Change, listed } from "./wish";

interface Props {
  answer: PlanAnswer;
  change: (change: Change) => void;
  changed: Set<string>;
  lit: string[];
  light: (lines: string[]) => void;
  ask: (why: Why) => void;
  beepClock: string | undefined;
}

/** The amounts, in the order in which they go into the pan. */
export function AmountList({ answer, change, changed, lit, light, ask, beepClock }: Props) {
  const { lines, pan, deviations, leftOut } = answer.plan;
  const parts = (["filling", "glaze", "topping"] as const).map((part) => ({ part, lines: lines.filter((l) => l.part === part) }));
  const find = (id: string) => lines.filter((l) => l.id === id);
  const inPan = pan.layers.flatMap((l) => l.lines).flatMap(find);
  const held = (pan.knead ?? []).flatMap(find);
  const boxed = inBox(answer.plan);
  const asides = [
    { where: "Into the dispenser", lines: pan.aside.filter((id) => boxed.includes(id)).flatMap(find) },
    { where: "Set aside for the beep", lines: pan.aside.filter((id) => !boxed.includes(id)).flatMap(find) },
  ].filter((a) => a.lines.length > 0);
  const dense = lines.length > 9; // fourteen lines still fit on the sheet
  const row = (line: PlanLine) => (
    <Row
      dense={dense}
      key={line.id}
      line={line}
      changed={changed.has(line.id)}
      lit={lit.includes(line.id)}
      light={light}
      moved={!!line.miss || deviations.some((d) => d.line === line.id)}
      ask={() => ask({ about: "line", line: line.id })}
    />
  );
  return (
    <section aria-labelledby="amounts" className="min-w-0">
      <div className="flex items-center justify-between">
        <h2 id="amounts" className="text-sm font-semibold text-soft">
          Measure, in this order
        </h2>
        <RoundingStep answer={answer} change={change} ask={ask} />
      </div>
      <ol className="mt-1 divide-y divide-rule border-y border-rule">{inPan.map(row)}</ol>
      {held.length > 0 && (
        <>
          <h2 className="mt-2 text-sm font-semibold text-soft">Hold back for the first knead</h2>
          <ol className="mt-1 divide-y divide-rule border-y border-rule">{held.map(row)}</ol>
        </>
      )}
      {asides.map((a) => (
        <div key={a.where}>
          <h2 className="mt-2 flex items-baseline justify-between text-sm font-semibold text-soft">
            {a.where}
            {beepClock ? `, ${beepClock}` : ""}
            <button type="button" onClick={() => ask({ about: "add-ins" })} className="min-h-6 text-xs font-semibold text-rim underline">
              how
            </button>
          </h2>
          <ol className="mt-1 divide-y divide-rule border-y border-rule">{a.lines.map(row)}</ol>
        </div>
      ))}
      {answer.plan.addIns?.way === "at the start" && (
        <p className="mt-1 text-xs text-soft">
          The add-ins go in with everything else.{" "}
          <button type="button" onClick={() => ask({ about: "add-ins" })} className="min-h-6 font-semibold text-rim underline">
            how
          </button>
        </p>
      )}
      {parts
        .filter((p) => p.lines.length > 0)
        .map((p) => (
          <div key={p.part}>
            <h2 className="mt-2 text-sm font-semibold text-soft">For the {p.part}</h2>
            <ol className="mt-1 divide-y divide-rule border-y border-rule">{p.lines.map(row)}</ol>
          </div>
        ))}
      {leftOut.map((l) => (
        <p key={l.line} className="mt-1 text-xs text-soft">
          Without {l.name}.{" "}
          <button
            type="button"
            onClick={() => change({ without: listed(leftOut.filter((o) => o !== l).map((o) => o.line)) })}
            className="min-h-6 font-semibold text-rim underline"
          >
            Put it back
          </button>
        </p>
      ))}
    </section>
  );
}

interface RowProps {
  dense: boolean;
  line: PlanLine;
  changed: boolean;
  lit: boolean;
  light: (lines: string[]) => void;
  moved: boolean; // not in straight proportion, or not within its tolerance
  ask: () => void;
}

function Row({ dense, line, changed, lit, light, moved, ask }: RowProps) {
  return (
    <li
      data-line={line.id}
      onMouseEnter={() => light([line.id])}
      onMouseLeave={() => light([])}
      className={`flex items-center gap-3 px-1 ${dense ? "py-0" : "py-0.5"} ${lit ? "bg-shelf" : ""}`}
    >
      <StuffSwatch stuff={line.stuff} />
      <div className="min-w-0 flex-1">
        <div className={`w-fit max-w-full ${changed ? "changed" : ""}`} data-amount={line.ingredient}>
          <Amount line={line} />
        </div>
      </div>
      <div
        className={`shrink-0 text-right leading-5 ${dense ? "flex flex-row-reverse items-baseline gap-2 max-sm:w-28 max-sm:flex-wrap" : "w-28 sm:w-36"}`}
      >
        <button
          type="button"
          onClick={ask}
          className="min-h-6 text-right leading-5 font-semibold decoration-rule underline underline-offset-4 hover:decoration-rim max-sm:text-sm"
        >
          {line.name}
        </button>
        <div className="figures text-xs text-soft" data-grams={line.ingredient}>
          {(moved || line.locked) && (
            <span className="mr-2 font-sans font-semibold text-leaf">{line.locked ? "held" : line.miss ? "misses" : "moved"}</span>
          )}
          {line.weight}
          {line.fixed && line.running && !line.pieces && <span title="What a scale under the pan shows then"> · pan {line.running}</span>}
        </div>
      </div>
    </li>
  );
}

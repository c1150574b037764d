import type { PlanLine, PlanAnswer } from "../client/types.gen";
import { Amount, grams } from "../parts/Amount";
import { StuffSwatch } from "../parts/stuff";
import type { Why } from "./why";

interface Props {
  answer: PlanAnswer;
  changed: Set<string>;
  lit: string[];
  light: (lines: string[]) => void;
  ask: (why: Why) => void;
  beepClock: string | undefined;
}

/** The amounts, in the order in which they go into the pan. */
export function AmountList({ answer, changed, lit, light, ask, beepClock }: Props) {
  const { lines, pan, deviations } = answer.plan;
  const find = (id: string) => lines.filter((l) => l.id === id);
  const inPan = pan.layers.flatMap((l) => l.lines).flatMap(find);
  const aside = pan.aside.flatMap(find);
  const row = (line: PlanLine) => (
    <Row
      key={line.id}
      line={line}
      changed={changed.has(line.id)}
      lit={lit.includes(line.id)}
      light={light}
      ask={deviations.some((d) => d.line === line.id) ? () => ask({ about: "line", line: line.id }) : undefined}
    />
  );
  return (
    <section aria-labelledby="amounts" className="min-w-0">
      <h2 id="amounts" className="text-sm font-semibold text-soft">Measure, in this order</h2>
      <ol className="mt-1 divide-y divide-rule border-y border-rule">{inPan.map(row)}</ol>
      {aside.length > 0 && (
        <>
          <h2 className="mt-2 text-sm font-semibold text-soft">Set aside for the beep{beepClock ? ` at ${beepClock}` : ""}</h2>
          <ol className="mt-1 divide-y divide-rule border-y border-rule">{aside.map(row)}</ol>
        </>
      )}
    </section>
  );
}

interface RowProps {
  line: PlanLine;
  changed: boolean;
  lit: boolean;
  light: (lines: string[]) => void;
  ask: (() => void) | undefined;
}

function Row({ line, changed, lit, light, ask }: RowProps) {
  return (
    <li
      data-line={line.id}
      onMouseEnter={() => light([line.id])}
      onMouseLeave={() => light([])}
      className={`flex items-center gap-3 px-1 py-0.5 ${lit ? "bg-shelf" : ""}`}
    >
      <StuffSwatch stuff={line.stuff} />
      <div className="min-w-0 flex-1">
        <div className={`w-fit max-w-full ${changed ? "changed" : ""}`} data-amount={line.ingredient}><Amount line={line} /></div>
      </div>
      <div className="w-28 shrink-0 text-right leading-5 sm:w-36">
        <div className="font-semibold max-sm:text-sm">{line.name}</div>
        <div className="figures text-xs text-soft" data-grams={line.ingredient}>
          {ask && <button type="button" className="mr-2 font-sans font-semibold text-rim underline" onClick={ask}>why<span className="sr-only"> {line.name}</span></button>}
          {grams(line)}
        </div>
      </div>
    </li>
  );
}

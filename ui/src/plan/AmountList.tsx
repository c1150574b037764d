import type { PlanAnswer, PlanLine } from "../client/types.gen";
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

/** How a list of so many lines is set: with fewer lines the rows share the height, and the amounts grow. */
function density(rows: number): Look {
  if (rows > 10) return { amount: "plain", name: "text-[18px] leading-5", grams: "leading-[18px]", high: "max-lg:min-h-12 lg:min-h-8" };
  if (rows > 7) return { amount: "large", name: "text-lg leading-6", grams: "leading-5", high: "min-h-12 lg:min-h-11" };
  return { amount: "larger", name: "text-lg leading-6", grams: "leading-5", high: "min-h-14 lg:min-h-11" };
}

interface Look {
  amount: "plain" | "large" | "larger";
  name: string;
  grams: string;
  high: string;
}

/** The amounts, in the order in which they go into the pan. */
export function AmountList({ answer, change, changed, lit, light, ask, beepClock }: Props) {
  const { lines, pan, deviations, leftOut, addIns } = answer.plan;
  const find = (id: string) => lines.filter((l) => l.id === id);
  const boxed = inBox(answer.plan);
  const groups = [
    {
      title: "",
      lines: pan.layers
        .flatMap((l) => l.lines)
        .flatMap(find)
        .filter((l) => !l.inBag),
    },
    { title: "In the bag", lines: lines.filter((l) => l.inBag) },
    { title: "Hold back for the first knead", lines: (pan.knead ?? []).flatMap(find) },
    { title: "Into the dispenser", how: true, lines: pan.aside.filter((id) => boxed.includes(id)).flatMap(find) },
    {
      title: addIns?.silent ? "Set aside, to go in by the clock" : "Set aside for the beep",
      how: true,
      lines: pan.aside.filter((id) => !boxed.includes(id)).flatMap(find),
    },
    ...(["filling", "glaze", "topping"] as const).map((part) => ({
      title: `For the ${part}`,
      lines: lines.filter((l) => l.part === part),
    })),
  ].filter((g) => g.lines.length > 0);
  const look = density(lines.length + groups.length - 1);
  const how = (
    <button type="button" onClick={() => ask({ about: "add-ins" })} className="min-h-6 text-sm font-semibold text-rim underline">
      how<span className="sr-only"> the add-ins go in</span>
    </button>
  );
  return (
    <section aria-labelledby="amounts" className="flex h-full min-h-0 min-w-0 flex-col">
      <div className="flex flex-wrap items-center justify-between">
        <h2 id="amounts" className="text-sm font-semibold text-soft">
          Measure, in this order
        </h2>
        <RoundingStep answer={answer} change={change} ask={ask} />
      </div>
      <div className="flex min-h-0 flex-1 flex-col lg:overflow-y-auto">
        {groups.map((g) => (
          <div key={g.title} className="contents">
            {g.title && (
              <h2 className="flex items-baseline justify-between pt-1 text-sm leading-5 font-semibold text-soft">
                {g.title}
                {g.how && beepClock ? `, ${beepClock}` : ""}
                {g.how && how}
              </h2>
            )}
            <ol className="flex min-h-0 flex-col divide-y divide-rule border-y border-rule" style={{ flexGrow: g.lines.length }}>
              {g.lines.map((line) => (
                <Row
                  key={line.id}
                  look={look}
                  line={line}
                  changed={changed.has(line.id)}
                  lit={lit.includes(line.id)}
                  light={light}
                  moved={!!line.miss || deviations.some((d) => d.line === line.id)}
                  ask={() => ask({ about: "line", line: line.id })}
                />
              ))}
            </ol>
          </div>
        ))}
        {answer.plan.addIns?.way === "at the start" && <p className="text-sm text-soft">The add-ins go in with everything else. {how}</p>}
        {leftOut.map((l) => (
          <p key={l.line} className="text-sm text-soft">
            Without {l.name}.{" "}
            <button
              type="button"
              onClick={() => change({ without: listed(leftOut.filter((o) => o !== l).map((o) => o.line)) })}
              className="min-h-6 font-semibold text-rim underline"
            >
              Restore this line
            </button>
          </p>
        ))}
      </div>
    </section>
  );
}

interface RowProps {
  look: Look;
  line: PlanLine;
  changed: boolean;
  lit: boolean;
  light: (lines: string[]) => void;
  moved: boolean; // not in straight proportion, or not within its tolerance
  ask: () => void;
}

const marks = {
  held: ["held", "You hold it at this amount"],
  misses: ["misses", "Your measures come no nearer"],
  moved: ["adjusted", "Not in straight proportion: its name tells why"],
} as const;

const opens = "decoration-rule underline underline-offset-4 hover:decoration-rim";

/** One ingredient: what to pick up, its name, and what that weighs. */
function Row({ look, line, changed, lit, light, moved, ask }: RowProps) {
  const mark = line.locked ? marks.held : line.miss ? marks.misses : moved ? marks.moved : null;
  return (
    <li
      data-line={line.id}
      onMouseEnter={() => light([line.id])}
      onMouseLeave={() => light([])}
      className={`flex items-center gap-x-3 px-1 max-sm:flex-wrap lg:max-h-24 lg:flex-1 ${look.high} ${lit ? "bg-shelf" : ""}`}
    >
      <StuffSwatch stuff={line.stuff} />
      <div className={`w-fit max-w-full min-w-0 ${changed ? "changed" : ""}`} data-amount={line.ingredient}>
        <Amount line={line} size={look.amount} />
      </div>
      <div className="ml-auto flex min-w-0 flex-col items-end text-right max-sm:ml-0 max-sm:flex-[1_0_auto] max-sm:flex-row max-sm:items-baseline max-sm:gap-2">
        <button
          type="button"
          onClick={ask}
          className={`text-right font-semibold break-words max-sm:min-h-11 max-sm:text-left ${opens} ${look.name}`}
        >
          {line.name}
        </button>
        <span className={`figures text-sm text-soft max-sm:ml-auto ${look.grams}`}>
          {mark && (
            <span className="mr-2 font-sans font-semibold text-moved" title={mark[1]}>
              {mark[0]}
              <span className="sr-only">: </span>
            </span>
          )}
          <span data-grams={line.ingredient}>
            <span className="whitespace-nowrap">{line.weight}</span>
            {line.fixed && line.running && !line.pieces && <span title="What a scale under the pan shows then"> · pan {line.running}</span>}
          </span>
        </span>
      </div>
    </li>
  );
}

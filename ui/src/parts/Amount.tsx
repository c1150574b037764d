import type { Measure, PlanLine, ScoopScoops } from "../client/types.gen";
import { MeasureGlyph, type UnitKind, unitOf } from "./MeasureGlyph";
import { weight } from "./figures";

/** A number with its fraction set as one figure. */
function Figure({ text }: { text: string }) {
  return <span className="fraction">{text}</span>;
}

const unitColour = { cup: "text-soft", tbsp: "text-tbsp", tsp: "text-tsp", other: "text-soft" } as const;

interface Group {
  kind: UnitKind;
  unit: string;
  parts: { figure: string; count: number }[];
  jug?: boolean; // read off its marks
}

/** Measures of one unit stand together: 1 tsp and 1/4 tsp are read as "1 + 1/4 tsp". */
function grouped(scoops: ScoopScoops[]): Group[] {
  const groups: Group[] = [];
  for (const { measure, count, jug } of scoops) {
    const cut = measure.amount.indexOf(" ", measure.amount.lastIndexOf("/") + 1);
    const unit =
      measure.name ??
      measure.amount
        .slice(cut + 1)
        .trim()
        .replace(/^(metric|australian) /, "");
    const figure = measure.name ? "1" : measure.amount.slice(0, cut).trim();
    const part = { figure, count };
    const last = groups.at(-1);
    if (last?.unit === unit && last.jug === jug) last.parts.push(part);
    else groups.push({ kind: unitOf(unit), unit, parts: [part], jug });
  }
  return groups;
}

/** One number of a group: "3" for three fillings of a whole measure, "2 × 1/3" for two of a third. */
function Part({ figure, count }: Group["parts"][number]) {
  if (count === 1) return <Figure text={figure} />;
  if (figure === "1") return <Figure text={String(count)} />;
  return (
    <>
      {count}
      <span className="text-lg font-normal text-soft"> × </span>
      <Figure text={figure} />
    </>
  );
}

const plus = <span className="px-1 text-lg font-normal text-soft">+</span>;

export type Size = "small" | "plain" | "large" | "larger" | "huge";

const figureLook = {
  small: "text-lg",
  plain: "text-xl leading-8",
  large: "text-xl leading-8 lg:text-[34px] lg:leading-10",
  larger: "text-xl leading-8 lg:text-2xl lg:leading-[48px]",
  huge: "text-[5rem] leading-[5.5rem]",
} as const;
const unitLook = { small: "text-xs", plain: "text-sm", large: "text-sm", larger: "text-sm lg:text-lg", huge: "text-xl" } as const;

function Measures({ group, size = "plain" }: { group: Group; size?: Size }) {
  const { kind, unit, parts } = group;
  const several = kind === "cup" && parts.some((p) => p.figure === "1" && p.count > 1);
  return (
    <span className="inline-flex items-baseline gap-1.5 whitespace-nowrap">
      <MeasureGlyph kind={group.jug ? "jug" : kind} large={size === "huge"} />
      <span className={`figures font-semibold ${figureLook[size]}`}>
        {parts.map((p, n) => (
          <span key={p.figure}>
            {n > 0 && plus}
            <Part {...p} />
          </span>
        ))}
      </span>
      <span className={`font-semibold ${unitColour[kind]} ${unitLook[size]}`}>
        {several ? `${unit}s` : unit}
        {group.jug && <span> in the jug</span>}
      </span>
    </span>
  );
}

/** What to pick up for one ingredient: pieces, or measures joined by plus signs. */
export function Amount({ line, size = "plain" }: { line: PlanLine; size?: Size }) {
  const look = `figures font-semibold ${figureLook[size]}`;
  if (line.locked) return <span className={`fraction font-semibold ${figureLook[size]}`}>{line.locked.replace("metric ", "")}</span>;
  if (line.packets) return <Packets count={line.pieces ?? 1} size={size} />;
  if (line.pieces) return <span className={look}>{line.pieces}</span>;
  if (line.fixed || line.measured.scoops.length === 0)
    return <span className={look}>{line.weight ?? weight(line.exact, !!line.fine)}</span>;
  return <Scoops scoops={line.measured.scoops} spoken={line.spoken} size={size} />;
}

function Packets({ count, size }: { count: number; size: Size }) {
  return (
    <span className="inline-flex items-baseline gap-1.5 whitespace-nowrap">
      <span className={`figures font-semibold ${figureLook[size]}`}>{count}</span>
      <span className={`font-semibold text-soft ${unitLook[size]}`}>{count === 1 ? "packet" : "packets"}</span>
    </span>
  );
}

/** Measures to pick up, joined by plus signs; those who listen hear them as they are said. */
export function Scoops({ scoops, spoken, size = "plain" }: { scoops: ScoopScoops[]; spoken: string | undefined; size?: Size }) {
  return (
    <>
      <span className="sr-only">{spoken}</span>
      <span aria-hidden={spoken ? "true" : undefined} className="flex flex-wrap items-baseline gap-x-1">
        {grouped(scoops).map((g, n) => (
          <span key={`${g.unit} ${g.jug}`} className="inline-flex items-baseline">
            {n > 0 && <span className="mr-2">{plus}</span>}
            <Measures group={g} size={size} />
          </span>
        ))}
      </span>
    </>
  );
}

/** One measure by itself, drawn and named: "1/3 cup", or its own name. */
export function MeasureLabel({ measure }: { measure: Measure }) {
  return grouped([{ measure, count: 1 }]).map((g) => <Measures key={g.unit} group={g} size="small" />);
}

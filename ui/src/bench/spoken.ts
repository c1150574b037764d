import type { BenchStep, PlanLine, ScoopScoops } from "../client/types.gen";

const words: Record<string, string> = {
  tbsp: "tablespoon",
  tsp: "teaspoon",
  "1/2": "half a",
  "1/3": "a third of a",
  "2/3": "two thirds of a",
  "1/4": "a quarter",
  "3/4": "three quarters of a",
  "1/8": "an eighth of a",
};

const say = (s: ScoopScoops) =>
  `${
    s.measure.name ??
    s.measure.amount
      .split(" ")
      .map((w) => words[w] ?? w)
      .join(" ")
  }${s.count > 1 ? `, ${s.count} times` : ""}`;

/** A step as it is read aloud. */
export function spoken(step: BenchStep, line: PlanLine | undefined): string {
  const scoops = step.add?.scoops ?? (line?.fixed ? [] : line?.measured.scoops);
  const amount = line?.pieces ? String(line.pieces) : scoops && scoops.length > 0 ? scoops.map(say).join(", and ") : (line?.weight ?? "");
  return [step.say, step.kind === "measure" || step.kind === "top up" ? amount : "", step.list?.join(", ") ?? ""]
    .filter(Boolean)
    .join(". ");
}

import type { Kitchen } from "../client/types.gen";

type Units = Partial<Pick<Kitchen, "decimal" | "lengths" | "weights" | "degrees">>;

let units: Units = {};

/** How this kitchen writes numbers, and what it weighs, measures and tells warmth in. */
export const setFigures = ({ decimal, lengths, weights, degrees }: Units) => void (units = { decimal, lengths, weights, degrees });

const written = (figures: string) => (units.decimal === "comma" ? figures.replace(".", ",") : figures);

/** A number with so many decimals, as this kitchen writes it; nothing is written as less than nothing. */
export const fixed = (n: number, decimals: number) => written((+n.toFixed(decimals) || 0).toFixed(decimals));

/** A number with as many decimals as it has, but no more than so many. */
export const upTo = (n: number, decimals: number) => written(String(+n.toFixed(decimals)));

/** What this kitchen tells small lengths in, how many millimetres that is, and with how many decimals. */
export const ruler = () => (units.lengths === "inches" ? { unit: "in", mm: 25.4, decimals: 1 } : { unit: "mm", mm: 1, decimals: 0 });

/** A length that is given in millimetres, without its unit. */
export const onRuler = (mm: number) => upTo(mm / ruler().mm, ruler().decimals);

/** A length that is given in millimetres. */
export const length = (mm: number) => `${onRuler(mm)} ${ruler().unit}`;

/** How high something stands, in millimetres over the rim of the pan. */
export const overRim = (mm: number) => (mm === 0 ? "at the rim" : `${length(Math.abs(mm))} ${mm < 0 ? "under" : "over"} the rim`);

/** What this kitchen's scale counts in, how many grams that is, the smallest step that it shows, and what a heap is told in. */
export const scale = () =>
  units.weights === "ounces"
    ? { unit: "oz", name: "ounces", g: 28.349523125, step: 0.05, decimals: 2, heap: { unit: "lb", g: 453.59237 } }
    : { unit: "g", name: "grams", g: 1, step: 1, decimals: 0, heap: { unit: "kg", g: 1000 } };

/**
 * A weight that is given in grams, as this kitchen's scale shows it: of what is weighed finely, to a tenth of its step. Where
 * nobody tells of what, a small one.
 */
export function weight(grams: number, fine = grams < 10): string {
  const { unit, g, step, decimals } = scale();
  const to = fine ? step / 10 : step;
  return `${fixed(Math.round(grams / g / to) * to, fine ? decimals + 1 : decimals)} ${unit}`;
}

/** What was read off this kitchen's scale, in grams; null: nothing was. */
export const inGrams = (read: number | null) => (read === null ? null : read * scale().g);

/** The weight of what a year takes, given in grams. */
export const heap = (grams: number) =>
  grams < scale().heap.g ? weight(grams) : `${fixed(grams / scale().heap.g, 1)} ${scale().heap.unit}`;

/** The degrees that this kitchen tells warmth in, and how many of them a degree Celsius is. */
export const thermometer = () => (units.degrees === "fahrenheit" ? { unit: "°F", per: 1.8, ice: 32 } : { unit: "°C", per: 1, ice: 0 });

/** How warm something is that is given in degrees Celsius. */
export const warmth = (celsius: number) => `${fixed(celsius * thermometer().per + thermometer().ice, 0)} ${thermometer().unit}`;

/** A sum of money: a sign such as £ stands before it, a word such as kr behind it. */
export const price = (sum: string, money: string) => (/^\p{Sc}$/u.test(money) ? money + sum : `${sum} ${money}`.trim());

let comma = false;
let inches = false;

/** What this kitchen writes before the decimals of a number. */
export const setDecimal = (sign: string | undefined) => void (comma = sign === "comma");

/** What this kitchen's ruler counts in. */
export const setLengths = (lengths: string | undefined) => void (inches = lengths === "inches");

const written = (figures: string) => (comma ? figures.replace(".", ",") : figures);

/** A number with so many decimals, as this kitchen writes it. */
export const fixed = (n: number, decimals: number) => written(n.toFixed(decimals));

/** A number with as many decimals as it has, but no more than so many. */
export const upTo = (n: number, decimals: number) => written(String(+n.toFixed(decimals)));

/** What this kitchen tells small lengths in, how many millimetres that is, and with how many decimals. */
export const ruler = () => (inches ? { unit: "in", mm: 25.4, decimals: 1 } : { unit: "mm", mm: 1, decimals: 0 });

/** A length that is given in millimetres, without its unit. */
export const onRuler = (mm: number) => upTo(mm / ruler().mm, ruler().decimals);

/** A length that is given in millimetres. */
export const length = (mm: number) => `${onRuler(mm)} ${ruler().unit}`;

/** How high something stands, in millimetres over the rim of the pan. */
export const overRim = (mm: number) => (mm === 0 ? "at the rim" : `${length(Math.abs(mm))} ${mm < 0 ? "under" : "over"} the rim`);

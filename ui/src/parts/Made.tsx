import type { Plan } from "../client/types.gen";

type Loaf = Pick<Plan, "size" | "sizes" | "batch">;

/** The size at which a loaf is made, as it stands among those that are offered. */
export const madeAt = ({ size, sizes, batch }: Loaf) => sizes.find((s) => s.size === (batch ?? size));

/** How much of a recipe is made, in words: "1 1/2 lb", or "half" of what is made by the batch. */
export const made = (loaf: Loaf) => madeAt(loaf)?.batch ?? loaf.size;

/** How much of a recipe is made. */
export function Made({ loaf }: { loaf: Loaf }) {
  return <span className="fraction">{made(loaf)}</span>;
}

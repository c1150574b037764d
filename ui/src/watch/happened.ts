import type { BakeHappening, BakeView } from "../client/types.gen";

/** What happened in a bake and was not taken back; an undoing may be taken back itself. */
export function standing({ happenings }: BakeView): BakeHappening[] {
  const gone = new Set<number | undefined>();
  return happenings
    .toReversed()
    .filter((h) => {
      if (!gone.has(h.seq) && h.what === "undone") gone.add(h.of);
      return !gone.has(h.seq) && h.what !== "undone";
    })
    .toReversed();
}

/** What went otherwise in a bake or was measured of it, in words. */
export const moved: Partial<Record<BakeHappening["what"], string>> = {
  refused: "it refused to start",
  moved: "minutes moved",
  "stage over": "a stage ended early",
  "power cut": "power cut",
  "started again": "started again",
  resumed: "Start pressed again",
  probed: "a thermometer in the dough",
  otherwise: "what went otherwise",
};

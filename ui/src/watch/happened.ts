import type { BakeHappening, BakeView } from "../client/types.gen";

/** What happened in a bake and was not taken back. */
export function standing({ happenings }: BakeView): BakeHappening[] {
  const gone = new Set(happenings.filter((h) => h.what === "undone").map((h) => h.of));
  return happenings.filter((h) => h.what !== "undone" && !gone.has(h.seq));
}

/** What moves a bake's clock, in words. */
export const moved: Partial<Record<BakeHappening["what"], string>> = {
  refused: "it refused to start",
  moved: "minutes moved",
  "stage over": "a stage ended early",
  "power cut": "power cut",
  resumed: "Start pressed again",
};

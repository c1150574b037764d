import type { MachineSpan } from "../client/types.gen";

/** Each stage's name and paint, wherever a cycle is drawn. */
export const look: Record<MachineSpan["kind"], { name: string; paint: string }> = {
  rest: { name: "rest", paint: "bg-shelf text-ink" },
  knead: { name: "knead", paint: "bg-rim text-on-rim" },
  rise: { name: "rise", paint: "bg-leaf/20 text-ink" },
  "knock-back": { name: "knock-back", paint: "bg-rim text-on-rim" },
  bake: { name: "bake", paint: "bg-ink text-enamel" },
};

import type { MachineSpan } from "../client/types.gen";

/** Each stage's name and paint, wherever a cycle is drawn. */
export const look: Record<MachineSpan["kind"], { name: string; paint: string }> = {
  rest: { name: "rest", paint: "bg-rest text-ink" },
  knead: { name: "knead", paint: "bg-knead text-on-knead" },
  rise: { name: "rise", paint: "bg-rise text-ink" },
  "knock-back": { name: "knock-back", paint: "bg-knead text-on-knead" },
  boil: { name: "boil", paint: "bg-bake text-on-bake" },
  warm: { name: "warm", paint: "bg-rise text-ink" },
  bake: { name: "bake", paint: "bg-bake text-on-bake" },
};

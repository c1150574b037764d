import type { Kitchen } from "./types.gen";

/** How an American kitchen measures and writes, as far as nobody has said otherwise. */
export const american: Partial<Kitchen> = {
  english: "american",
  degrees: "fahrenheit",
  lengths: "inches",
  face: "12 hours",
  week: "sunday",
};

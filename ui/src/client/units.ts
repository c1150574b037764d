import { setFigures } from "../parts/figures";
import { setEnglish } from "../parts/english";
import { setFace } from "../parts/time";
import type { Kitchen } from "./types.gen";

/** Has clock times and figures written as a kitchen writes them. */
export function setUnits(kitchen: Kitchen) {
  setFace(kitchen.face);
  setEnglish(kitchen.english);
  setFigures(kitchen);
}

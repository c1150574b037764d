import { setDecimal, setLengths } from "../parts/figures";
import { setFace } from "../parts/time";
import type { Kitchen } from "./types.gen";

/** Has clock times and numbers written as a kitchen writes them. */
export function setUnits({ face, decimal, lengths }: Kitchen) {
  setFace(face);
  setDecimal(decimal);
  setLengths(lengths);
}

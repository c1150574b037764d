import type { BakeState, Happened } from "../client/types.gen";

/** What is told of a finished loaf. */
export type Verdict = Pick<
  Happened,
  | "mark"
  | "note"
  | "signs"
  | "cutAfter"
  | "weight"
  | "helped"
  | "centre"
  | "sides"
  | "crust"
  | "room"
  | "damp"
  | "core"
  | "liquid"
  | "mishaps"
>;

/** What was told of a loaf already. */
export const toldOf = ({
  mark,
  note,
  signs,
  cutAfter,
  weight,
  helped,
  centre,
  sides,
  crust,
  room,
  damp,
  core,
  liquid,
  mishaps,
}: BakeState): Verdict => ({
  mark,
  note,
  signs,
  cutAfter,
  weight,
  helped,
  centre,
  sides,
  crust,
  room,
  damp,
  core,
  liquid,
  mishaps,
});

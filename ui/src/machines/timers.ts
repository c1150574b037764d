import type { Machine } from "../client/types.gen";

/** What a machine's timer counts to, in words. */
export const timers: Record<NonNullable<Machine["delay"]>["rule"], string> = {
  "finish-based": "timer counts to when the bread is done",
  "start-based": "timer counts to when the cycle starts",
  none: "no timer",
};

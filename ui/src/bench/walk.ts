import { useState } from "react";
import type { BenchStep, BenchView } from "../client/types.gen";

export interface Walk {
  at: number;
  step: BenchStep;
  count: number; // of steps that are done
  last: boolean;
  done: (id: string) => boolean;
  go: (n: number) => void;
  look: (id: string | null) => void; // at a step; null: where the hands are
}

/** Which step a device shows: where the hands are, or the one that it has turned to. A wait goes on by itself, unless what
    comes after needs its end. */
export function useWalk({ steps, session }: BenchView, finished: Set<string>): Walk {
  const [looked, look] = useState<string | null>(null); // the step that the baker went back or on to
  const done = (id: string) => finished.has(id);
  const open = steps.findIndex((s) => !done(s.id) && !(s.wait && !s.holds && session.begun[s.id]));
  const first = open >= 0 ? open : steps.findIndex((s) => !done(s.id));
  const chosen = looked === null ? -1 : steps.findIndex((s) => s.id === looked);
  const at = chosen >= 0 ? chosen : first < 0 ? steps.length - 1 : first;
  const go = (n: number) => look(n === first ? null : (steps[n]?.id ?? null)); // this device follows every other again
  return { at, step: steps[at]!, count: steps.filter((s) => done(s.id)).length, last: at === steps.length - 1, done, go, look };
}

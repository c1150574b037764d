import { useOutbox, useUntold } from "../client/outbox";
import { benchPath } from "../client/bench";
import type { AtBench, BenchView } from "../client/types.gen";

/** The steps that are done, those included that the server has yet to hear of; and how many it could
    not be told, for it does not answer. */
export function useDone(bench: BenchView): { done: Set<string>; untold: number } {
  const { waiting } = useOutbox();
  const presses = useUntold();
  const told = presses.filter((p) => p.path === benchPath(bench.id)).map((p) => p.body as AtBench);
  const done = new Set(bench.session.done);
  for (const { do: what, step } of told) {
    if (step && what === "done") done.add(step);
    if (step && what === "undone") done.delete(step);
  }
  return { done, untold: waiting ? told.length : 0 };
}

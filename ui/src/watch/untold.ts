import { useUntold } from "../client/outbox";
import type { BakeView, Happened } from "../client/types.gen";

/** The bake with the moments ticked that the server has yet to hear of. What follows from other presses it says itself. */
export function useTold(bake: BakeView): BakeView {
  const told = useUntold()
    .filter((p) => p.path === `/bakes/${bake.id}/happenings`)
    .map((p) => p.body as Happened)
    .filter((h) => h.what === "done" || h.what === "skipped");
  if (told.length === 0) return bake;
  const answered = (id: string) => told.some((h) => h.moment === id);
  const moments = bake.state.moments.map((m) => (answered(m.id) ? { ...m, done: true, stays: false } : m));
  const due = bake.state.due && answered(bake.state.due.moment) ? undefined : bake.state.due;
  return { ...bake, state: { ...bake.state, moments, due } };
}

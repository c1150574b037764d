import { Link, useLocation } from "react-router";
import { useNow } from "../client/clock";
import { useLog } from "../client/queries";
import type { BakeSummary } from "../client/types.gen";
import { clock, countdown } from "./time";

/** The newest bake that has not ended. */
export function useRunning(): BakeSummary | undefined {
  const log = useLog();
  return log.data?.bakes.find((b) => b.state.phase !== "out" && b.state.phase !== "abandoned");
}

/** Shows the running bake's next moment on every screen but its own. */
export function RunningStrip() {
  const running = useRunning();
  const zone = useLog().data?.zone;
  const now = useNow();
  const here = useLocation().pathname;
  if (!running || !zone || here.startsWith("/watch")) return null;
  const next = running.state.moments.find((m) => Date.parse(m.at) > now && !m.done);
  return (
    <Link to={`/watch/${running.id}`} className="flex min-h-12 items-center gap-4 px-4 text-lg font-semibold text-ink max-md:bg-shelf md:pb-2">
      <span className="truncate">{running.recipe}</span>
      {next ? (
        <span className="figures whitespace-nowrap">
          {clock(next.at, zone)} · in {countdown(Date.parse(next.at) - now)}
        </span>
      ) : <span>ready: take it out</span>}
      <span className="hidden truncate text-soft md:inline">{next?.say}</span>
    </Link>
  );
}

import { Link, useLocation } from "react-router";
import { useNow } from "../client/clock";
import { useRunning } from "../client/queries";
import { clock, countdown } from "./time";

/** Shows the running bake's next moment on every screen but its own. */
export function RunningStrip() {
  const bakes = useRunning();
  const running = bakes.data?.bakes[0];
  const zone = bakes.data?.zone;
  const now = useNow();
  const here = useLocation().pathname;
  if (!running || !zone || here.startsWith("/watch")) return null;
  const next = running.moments?.find((m) => Date.parse(m.at) > now && !m.done);
  return (
    <aside aria-label="The bake that runs">
      <Link
        to={`/watch/${running.id}`}
        className="flex min-h-12 items-center gap-4 px-4 text-lg font-semibold text-ink max-md:bg-shelf md:pb-2"
      >
        <span className="truncate">{running.recipe}</span>
        {next ? (
          <span className="figures whitespace-nowrap">
            {clock(next.at, zone)} · in {countdown(Date.parse(next.at) - now)}
          </span>
        ) : (
          <span>ready: take it out</span>
        )}
        <span className="hidden truncate text-soft md:inline">{next?.say}</span>
      </Link>
    </aside>
  );
}

import { useNow } from "../client/clock";
import { useNextOfDays, useRunning } from "../client/queries";
import type { BakeSummary, NextOfDays } from "../client/types.gen";
import { clock, countdown } from "./time";

export interface NextMoment {
  id: string; // of the bake; of a loaf that does not run yet, the date of its day
  at: number;
  recipe: string;
  time: string; // until then, or since when
  say: string;
  short: string;
  overdue: boolean;
}

type Kind = NonNullable<BakeSummary["moments"]>[number]["kind"];

const shorts: Partial<Record<Kind, string>> = {
  refused: "try Start",
  begins: "begins",
  look: "look in",
  "held back": "add the rest",
  "add-ins": "add-ins",
  scrape: "scrape",
  paddle: "paddle",
  "last rise": "last rise",
  bakes: "bakes",
  ready: "take out",
  filling: "filling",
  brush: "glaze",
  shaped: "let it rise",
  oven: "oven",
  eaten: "take out",
};

/** What a bake calls for next: what stands ready and was not taken out comes before all that is to come, and a machine that waits before all else. */
function nextOf(bake: BakeSummary, now: number, zone: string): NextMoment {
  const ready = Date.parse(bake.ready);
  const known = { id: bake.id, recipe: bake.recipe };
  const open = bake.moments?.filter((m) => m.stays && Date.parse(m.at) <= now && !m.done && !m.skipped);
  const due = open?.find((m) => m.waits) ?? open?.[0];
  if (due && ready > now)
    return {
      ...known,
      at: Date.parse(due.at),
      time: clock(due.at, zone),
      say: due.say,
      short: due.waits ? "it waits" : (shorts[due.kind] ?? "now"),
      overdue: true,
    };
  const moment = bake.moments?.find((m) => Date.parse(m.at) > now && !m.done);
  if (ready <= now && !(bake.phase === "in hand" && moment))
    return { ...known, at: ready, time: clock(bake.ready, zone), say: "ready: take it out", short: "take out", overdue: true };
  if (!moment) return { ...known, at: ready, time: clock(bake.ready, zone), say: "ready", short: "ready", overdue: false };
  const at = Date.parse(moment.at);
  return { ...known, at, time: countdown(at - now), say: moment.say, short: shorts[moment.kind] ?? "next", overdue: false };
}

/** What a day calls for next, of the loaves that do not run yet. */
function nextOfDay(next: NextOfDays, now: number, zone: string): NextMoment | undefined {
  const m = next.moment;
  if (!m || !next.date) return undefined;
  const at = Date.parse(m.at);
  if (at - now > dayAhead) return undefined;
  const time = at > now ? countdown(at - now) : clock(at, zone);
  return { id: next.date, recipe: m.name, at, time, say: m.say, short: m.does, overdue: at <= now };
}

const dayAhead = 12 * 3_600_000; // ms before which a day's next moment is shown

/** Of all running bakes the most overdue moment or else the soonest. */
export function useNextMoment(): NextMoment | undefined {
  const bakes = useRunning().data;
  const now = useNow();
  return bakes?.bakes.map((b) => nextOf(b, now, bakes.zone)).sort((a, b) => a.at - b.at)[0];
}

/** What the day calls for next of what does not run yet. */
export function useNextPlanned(): NextMoment | undefined {
  const zone = useRunning().data?.zone;
  const planned = useNextOfDays().data;
  const now = useNow();
  return planned && zone ? nextOfDay(planned, now, zone) : undefined;
}

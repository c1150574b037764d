import { language } from "../parts/english";
import type { Day } from "../client/types.gen";

const hour = 3_600_000;

/** The hours that a day's ribbons show, and where in them a time lies. */
export interface Scale {
  from: number;
  to: number;
  hours: number[]; // whole hours that are written above
  left: (t: string | number) => number; // per cent of the width
}

const time = (t: string | number) => (typeof t === "number" ? t : Date.parse(t));

/** All that happens on the day with an hour's quarter round it; of an empty day, from its morning to its evening. */
export function scaleOf(day: Day, width: number, now: number): Scale {
  const times = [
    ...day.loaves.flatMap((l) => (l.load || l.press ? [l.load ?? l.press, l.free ?? l.done] : [])),
    ...day.machines.flatMap((m) => (m.runs ?? []).filter((r) => !r.date && time(r.out) > now - 3 * hour).flatMap((r) => [r.press, r.out])),
    ...day.hands.flatMap((h) => [h.at, h.to]),
  ].flatMap((t) => (t ? [time(t)] : []));
  const whole = 24 * hour;
  const begins = time(day.from);
  const first = times.length > 0 ? Math.min(...times) - hour / 4 : begins + 13 * hour;
  const last = times.length > 0 ? Math.max(...times) + hour / 4 : begins + 13 * hour + whole / 2;
  const from = Math.max(begins, Math.min(first, last - 6 * hour));
  const to = Math.min(time(day.to), Math.max(last, from + 6 * hour));
  const every = Math.ceil(((to - from) / hour) * (64 / Math.max(width, 1))) * hour; // 64 px for each time that is written
  const hours: number[] = [];
  for (let h = Math.ceil(from / hour) * hour; h <= to; h += hour) if ((h / hour) % (every / hour) === 0) hours.push(h);
  return { from, to, hours, left: (t) => ((Math.min(Math.max(time(t), from), to) - from) / (to - from)) * 100 };
}

/** A loaf's letter, by which it is found in the ribbons, the list and the hours. */
export const letter = (n: number) => String.fromCharCode(65 + n);

/** A day, by its name and date: "Saturday 28 November". */
export const dayTitle = (date: string) =>
  new Intl.DateTimeFormat(language(), { timeZone: "UTC", weekday: "long", day: "numeric", month: "long" }).format(new Date(date));

import { language } from "./english";

const formats = new Map<string, Intl.DateTimeFormat>();

/** A format of dates, made once: making one takes longer than all else that a page does with it. */
function format(tongue: string, options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat {
  const key = tongue + JSON.stringify(options);
  const made = formats.get(key) ?? new Intl.DateTimeFormat(tongue, options);
  formats.set(key, made);
  return made;
}

let twelve = false;

/** How this kitchen's clock shows the time of day: in 24 hours, or in twice twelve. */
export const setFace = (face: string | undefined) => void (twelve = face === "12 hours");

/** Whether that clock tells am from pm. */
export const halves = () => twelve;

/** The time of day in the kitchen's zone, in 24 hours: "19:05". */
export function clock24(instant: string | number, zone: string): string {
  return format("en-GB", { timeZone: zone, hour: "2-digit", minute: "2-digit" }).format(new Date(instant));
}

/** A time of day as this kitchen's clock shows it: "19:05" or "7:05 pm". */
export function shown(time: string): string {
  if (!twelve) return time;
  const [hours = 0, minutes] = time.split(":").map(Number);
  return `${((hours + 11) % 12) + 1}:${String(minutes).padStart(2, "0")} ${hours < 12 ? "am" : "pm"}`;
}

/** The time of day in the kitchen's zone, as its clock shows it. */
export const clock = (instant: string | number, zone: string) => shown(clock24(instant, zone));

/** The day of an instant: "2026-03-28". */
export function day(instant: string | number, zone: string): string {
  return format("en-CA", { timeZone: zone }).format(new Date(instant));
}

/** "today", "tomorrow", or "Sat 28 Mar". */
export function dayName(date: string, today: string): string {
  const apart = Math.round((Date.parse(date) - Date.parse(today)) / 86_400_000);
  if (apart === 0) return "today";
  if (apart === 1) return "tomorrow";
  if (apart === -1) return "yesterday";
  return format(language(), { timeZone: "UTC", weekday: "short", day: "numeric", month: "short" }).format(new Date(date));
}

/** A day in full: "2 August 2026". */
export const longDay = (date: string) =>
  format(language(), { timeZone: "UTC", day: "numeric", month: "long", year: "numeric" }).format(new Date(date));

export const addDays = (date: string, days: number) => new Date(Date.parse(date) + days * 86_400_000).toISOString().slice(0, 10);

/** What a timer is set to, written so that nobody takes it for a clock time: "9 h 40". */
export const display = (minutes: number) => `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, "0")}`;

/** A length of time in words: "45 min", "3 h 20 min". */
export function inHours(minutes: number): string {
  const hours = Math.floor(minutes / 60);
  const rest = minutes % 60;
  if (hours === 0) return `${rest} min`;
  return rest === 0 ? `${hours} h` : `${hours} h ${rest} min`;
}

/** A countdown: "12:03" or "1:12:03". */
export function countdown(ms: number): string {
  const seconds = Math.max(0, Math.ceil(ms / 1000));
  const two = (n: number) => String(n).padStart(2, "0");
  const hours = Math.floor(seconds / 3600);
  const minutes = Math.floor(seconds / 60) % 60;
  return hours > 0 ? `${hours}:${two(minutes)}:${two(seconds % 60)}` : `${minutes}:${two(seconds % 60)}`;
}

/** Reads a time of day as typed: "7", "730", "7:30", "19.15". */
export function readClock(text: string): string | null {
  const match = /^\s*(\d{1,2})(?:[:.\s]?(\d{2}))?\s*(am|pm)?\s*$/i.exec(text);
  if (!match) return null;
  let hours = Number(match[1]);
  const minutes = Number(match[2] ?? 0);
  const half = match[3]?.toLowerCase();
  if (half && (hours < 1 || hours > 12)) return null;
  if (half) hours = (hours % 12) + (half === "pm" ? 12 : 0);
  if (hours > 23 || minutes > 59) return null;
  return `${String(hours).padStart(2, "0")}:${String(minutes).padStart(2, "0")}`;
}

/** A length of time in minutes as people write it: "2:30", "150", "2.5 h"; null where it is none. */
export function readLength(text: string): number | null {
  const t = text.trim().toLowerCase();
  const clockwise = /^(\d{1,2}):([0-5]\d)$/.exec(t);
  if (clockwise) return Number(clockwise[1]) * 60 + Number(clockwise[2]);
  const hours = /^(\d+(?:[.,]\d+)?)\s*h(?:ours?)?$/.exec(t);
  if (hours) return Math.round(Number(hours[1]!.replace(",", ".")) * 60);
  return /^\d{1,4}(?:\s*min)?$/.test(t) ? parseInt(t, 10) : null;
}

import { useEffect, useState } from "react";

/** The server's clock: its time at an answer, carried on by this page's steady counter. */
let offset = Date.now() - performance.now();
let met = Infinity; // the server's time at its first answer to this page
const watching = new Set<() => void>();
const apart = 500; // ms by which the page's idea of the time may be off before all that shows it is told

/** Takes the server's time from an answer. */
export function setServerTime(now: string) {
  const before = offset;
  offset = Date.parse(now) - performance.now();
  met = Math.min(met, Date.parse(now));
  if (Math.abs(offset - before) > apart) watching.forEach((tell) => tell());
}

const shelf = "clock off by"; // ms by which this device's clock is behind the server's

/** Remembers how wrong this device's clock is, for a page that opens while the server is out of reach. */
export const keepClock = () => localStorage.setItem(shelf, String(Math.round(serverNow() - Date.now())));

/** Begins with this device's clock as it was found to be wrong. */
export const startClock = () => void (offset += Number(localStorage.getItem(shelf) ?? 0) || 0);

export const serverNow = () => offset + performance.now();

/** The server's time in ms when it first answered this page; no time at all before that. */
export const firstAnswer = () => met;

/** The server's time in ms, renewed every second, and at once where it was wrong. */
export function useNow(): number {
  const [now, setNow] = useState(serverNow);
  useEffect(() => {
    const renew = () => setNow(serverNow());
    renew();
    watching.add(renew);
    const timer = setInterval(renew, 1000);
    return () => {
      watching.delete(renew);
      clearInterval(timer);
    };
  }, []);
  return now;
}

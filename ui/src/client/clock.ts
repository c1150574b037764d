import { useEffect, useState } from "react";

/** The server's clock: its time at an answer, carried on by this page's steady counter. */
let offset = Date.now() - performance.now();

/** Takes the server's time from an answer. */
export function setServerTime(now: string) {
  offset = Date.parse(now) - performance.now();
}

export const serverNow = () => offset + performance.now();

/** The server's time in ms, renewed every second. */
export function useNow(): number {
  const [now, setNow] = useState(serverNow);
  useEffect(() => {
    const timer = setInterval(() => setNow(serverNow()), 1000);
    return () => clearInterval(timer);
  }, []);
  return now;
}

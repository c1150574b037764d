import { useState } from "react";
import { own } from "../client/kitchen";

/** What was being written under a name, where anything was. */
export function drafted<T>(name: string): T | null {
  const text = sessionStorage.getItem(own(name));
  return text ? (JSON.parse(text) as T) : null;
}

/** Something that is being written: it survives a reload until it is kept or forgotten. As long as nothing was written it
    is what it starts from, and follows that. */
export function useDraft<T>(name: string, start: T): [T, (next: (before: T) => T) => void, () => void] {
  const key = own(name);
  const [value, set] = useState<T | null>(() => drafted<T>(name));
  const write = (next: (before: T) => T) =>
    set((before) => {
      const after = next(before ?? start);
      sessionStorage.setItem(key, JSON.stringify(after));
      return after;
    });
  const forget = () => {
    sessionStorage.removeItem(key);
    set(null);
  };
  return [value ?? start, write, forget];
}

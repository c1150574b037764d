import { type ReactNode, useDeferredValue, useEffect } from "react";

const begun = new Set<string>();

/** Puts a large part together piece by piece at its first sight, so that the page answers meanwhile; from then on it is
    there at once. */
export function Unhurried({ part, instead, children }: { part: string; instead?: ReactNode; children: ReactNode }) {
  const there = useDeferredValue(true, begun.has(part));
  useEffect(() => void (there && begun.add(part)), [there, part]);
  return there ? children : instead;
}

import { useEffect, useRef } from "react";
import { useChangeKitchen, useShelf } from "./queries";
import type { Kitchen } from "./types.gen";

const untouched = 1; // the version of a kitchen that nobody has changed yet

/** The zone of this browser's clock. */
export const ownZone = () => Intl.DateTimeFormat().resolvedOptions().timeZone;

/** What a browser's language tells of how its kitchen measures and writes. */
const customs = (): Partial<Kitchen> =>
  navigator.language === "en-US" ? { english: "american", degrees: "fahrenheit", lengths: "inches", face: "12 hours", week: "sunday" } : {};

/** A kitchen that was never set up keeps the clock of the browser that opens it first; an empty one its customs too. */
export function useFirstZone() {
  const shelf = useShelf().data;
  const { change } = useChangeKitchen();
  const asked = useRef(false);
  useEffect(() => {
    if (asked.current || shelf?.version !== untouched) return;
    const empty = shelf.machines.length === 0 && shelf.recipes.length === 0;
    const first = { ...shelf.kitchen, zone: ownZone() || shelf.kitchen.zone, ...(empty && customs()) };
    if (JSON.stringify(first) === JSON.stringify(shelf.kitchen)) return;
    asked.current = true;
    change.mutate(first);
  }, [shelf, change]);
}

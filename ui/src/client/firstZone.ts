import { useEffect, useRef } from "react";
import { useChangeKitchen, useShelf } from "./queries";

const untouched = 1; // the version of a kitchen that nobody has changed yet

/** The zone of this browser's clock. */
export const ownZone = () => Intl.DateTimeFormat().resolvedOptions().timeZone;

/** A kitchen that was never set up keeps the clock of the browser that opens it first; an empty one its customs too. */
export function useFirstZone() {
  const shelf = useShelf().data;
  const { change } = useChangeKitchen();
  const asked = useRef(false);
  useEffect(() => {
    if (asked.current || shelf?.version !== untouched) return;
    const zone = ownZone() || shelf.kitchen.zone;
    const empty = shelf.machines.length + shelf.recipes.length === 0;
    if (empty && navigator.language === "en-US") {
      asked.current = true;
      void import("./customs").then(({ american }) => change.mutate({ ...shelf.kitchen, zone, ...american }));
    } else if (zone !== shelf.kitchen.zone) {
      asked.current = true;
      change.mutate({ ...shelf.kitchen, zone });
    }
  }, [shelf, change]);
}

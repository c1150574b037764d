import { useEffect, useRef } from "react";
import { useChangeKitchen, useShelf } from "./queries";

const untouched = 1; // the version of a kitchen that nobody has changed yet

/** The zone of this browser's clock. */
export const ownZone = () => Intl.DateTimeFormat().resolvedOptions().timeZone;

/** A kitchen that was never set up keeps the clock of the browser that opens it first. */
export function useFirstZone() {
  const shelf = useShelf().data;
  const { change } = useChangeKitchen();
  const asked = useRef(false);
  useEffect(() => {
    if (asked.current || shelf?.version !== untouched) return;
    const zone = ownZone();
    if (!zone || zone === shelf.kitchen.zone) return;
    asked.current = true;
    change.mutate({ ...shelf.kitchen, zone });
  }, [shelf, change]);
}

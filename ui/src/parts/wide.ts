import { useSyncExternalStore } from "react";

const wide = window.matchMedia("(min-width: 48rem)");
const listen = (told: () => void) => {
  wide.addEventListener("change", told);
  return () => wide.removeEventListener("change", told);
};

/** Whether the page is wider than a phone's. */
export const useWide = () => useSyncExternalStore(listen, () => wide.matches);

import { useEffect, useRef } from "react";
import type { Turned } from "./Picker";

/** Takes up, when a part has come, what was begun on the one that stood in its place: the focus, or a press. */
export function useTurned(turned: Turned) {
  const button = useRef<HTMLButtonElement>(null);
  const first = useRef(turned);
  useEffect(() => {
    if (first.current === "") return;
    button.current?.focus();
    if (first.current === "press") button.current?.click();
    first.current = "";
  }, []);
  return button;
}

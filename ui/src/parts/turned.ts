import { useEffect, useRef } from "react";

/** How far somebody has turned to a part that is not here yet. */
export type Turned = "" | "focus" | "press";

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

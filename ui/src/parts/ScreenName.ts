import { useEffect, useRef } from "react";
import { useNextMoment } from "./nextMoment";

/** Every screen has a title of its own, led by what a running bake calls for; a new screen takes the focus. */
export function ScreenName({ name }: { name: string }) {
  const next = useNextMoment();
  const first = useRef(name);
  useEffect(() => {
    document.title = `${next?.overdue ? `${next.short} now · ` : next ? `${next.time} ${next.short} · ` : ""}${name} · Rise Pan`;
  }, [name, next]);
  useEffect(() => {
    if (first.current === name) return;
    first.current = name;
    const here = document.activeElement;
    if (!here || here === document.body || here.closest("nav")) document.getElementById("sheet")?.focus({ preventScroll: true });
  }, [name]);
  return null;
}

import { useEffect, useRef } from "react";
import { useNextMoment } from "./nextMoment";

const names: [RegExp, string][] = [
  [/^\/$/, "Plan"],
  [/^\/bench/, "Bench"],
  [/^\/watch/, "Watch"],
  [/^\/verdict/, "Verdict"],
  [/^\/log\/year/, "The year"],
  [/^\/log/, "Log"],
  [/^\/recipes\/new/, "A new recipe"],
  [/^\/recipes\/.*\/story/, "A recipe's story"],
  [/^\/recipes\/./, "Change a recipe"],
  [/^\/recipes/, "Recipes"],
  [/^\/copy/, "Copy a recipe"],
  [/^\/bring/, "Bring something in"],
  [/^\/bags\/new/, "Make bags"],
  [/^\/bags\/./, "Labels"],
  [/^\/bags/, "Bags"],
  [/^\/day/, "Day"],
  [/^\/paper/, "On paper"],
  [/^\/rehearse/, "Rehearse"],
  [/^\/machines\/.*\/compare/, "Compare cycles"],
  [/^\/machines\/./, "A machine"],
  [/^\/machines/, "Machines"],
  [/^\/kitchen/, "Kitchen"],
];

/** Every screen has a title of its own, led by what a running bake calls for; a new screen takes the focus. */
export function ScreenName({ path }: { path: string }) {
  const name = names.find(([at]) => at.test(path))?.[1] ?? "Plan";
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

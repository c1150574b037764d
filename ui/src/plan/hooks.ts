import { useEffect, useRef, useState } from "react";
import { own } from "../client/kitchen";
import type { PlanAnswer, Wish } from "../client/types.gen";
import { singleKeys, takesKeys } from "../parts/singleKeys";
import type { Why } from "./why";

/** The newest value there was. */
export function useKept<T>(value: T | undefined): T | undefined {
  const [kept, keep] = useState(value);
  if (value !== undefined && value !== kept) keep(value);
  return value ?? kept;
}

/** The lines whose amounts differ from those of the plan shown before. */
export function useChanged(answer: PlanAnswer | undefined): Set<string> {
  const before = useRef<PlanAnswer | undefined>(undefined);
  const [changed, setChanged] = useState(new Set<string>());
  useEffect(() => {
    const old = before.current;
    before.current = answer;
    if (!answer || !old || old.digest === answer.digest || old.plan.recipe !== answer.plan.recipe) return;
    const different = answer.plan.lines.filter((l) => {
      const o = old.plan.lines.find((x) => x.id === l.id);
      return !o || o.exact !== l.exact;
    });
    setChanged(new Set(different.map((l) => l.id)));
    const done = setTimeout(() => setChanged(new Set()), 1600);
    return () => clearTimeout(done);
  }, [answer]);
  return changed;
}

/** What was on the timer when this same plan was last looked at, where time has moved it since. */
export function useRenewed(wish: Wish, answer: PlanAnswer | undefined): number | undefined {
  const key = own(`timer ${JSON.stringify(wish)}`);
  const [before, setBefore] = useState<{ key: string; setting: number } | null>(null);
  const setting = answer?.plan.timer.setting;
  useEffect(() => {
    if (!wish.time?.ready || setting === undefined) return;
    const seen = sessionStorage.getItem(key);
    if (seen === null) sessionStorage.setItem(key, String(setting));
    else if (Number(seen) !== setting) {
      setBefore({ key, setting: Number(seen) });
      sessionStorage.setItem(key, String(setting));
    }
  }, [key, setting, wish.time?.ready]);
  return before?.key === key ? before.setting : undefined;
}

/** 1, 2 and 3 choose the first, second and third size. */
export function useSizeKeys(sizes: string[], pick: (size: string) => void) {
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      if (takesKeys(e.target)) return;
      const size = sizes[Number(e.key) - 1];
      if (size && singleKeys() && !e.ctrlKey && !e.metaKey && !e.altKey) pick(size);
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  });
}

/** Whether something has been waited for so long that it is to be said. */
export function useLate(waiting: boolean): boolean {
  const [late, setLate] = useState(false);
  useEffect(() => {
    if (!waiting) return;
    const timer = setTimeout(() => setLate(true), 1_500);
    return () => {
      clearTimeout(timer);
      setLate(false);
    };
  }, [waiting]);
  return waiting && late;
}

/** Which reason is open. When it is closed again, the focus goes back to what opened it. */
export function useWhy(): [Why | null, (why: Why | null) => void] {
  const [why, set] = useState<Why | null>(null);
  const opener = useRef<Element | null>(null);
  useEffect(() => {
    if (why === null && opener.current instanceof HTMLElement) opener.current.focus({ preventScroll: true });
  }, [why]);
  const ask = (next: Why | null) => {
    const here = document.activeElement;
    if (next && !here?.closest("[aria-label=Why]")) opener.current = here;
    set(next);
  };
  return [why, ask];
}

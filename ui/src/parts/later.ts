import { type ComponentType, createElement, lazy, type ReactNode, useSyncExternalStore } from "react";

const again = 2_000; // ms until what could not be fetched is asked for again

type Load<P> = () => Promise<{ default: ComponentType<P> }>;

const loads: (() => Promise<unknown>)[] = [];

/** Runs something when the page has nothing better to do. It returns how to give that up. */
export function whenIdle(run: () => void): () => void {
  if (!window.requestIdleCallback) {
    const timer = setTimeout(run, 300);
    return () => clearTimeout(timer);
  }
  const idle = window.requestIdleCallback(run, { timeout: 1_500 });
  return () => cancelIdleCallback(idle);
}

const calm = 3_000; // ms after the first sight, in which the page is left to the baker

/** Fetches ahead, one after another while the page is idle, all that its first sight did without. */
export function fetchAhead() {
  const queue = [...loads];
  const next = () => {
    const load = queue.shift();
    if (load)
      whenIdle(() =>
        load()
          .catch(() => undefined)
          .then(next),
      );
  };
  const timer = setTimeout(next, calm);
  return () => clearTimeout(timer);
}

/** A part that is waited for where it is needed before it is there. One that cannot be fetched is asked for
    until it comes; one that is seldom needed is not fetched ahead. */
export function awaited<P>(load: Load<P>, seldom = false) {
  if (!seldom) loads.push(load);
  const persistent: Load<P> = () => load().catch(() => new Promise((resolve) => setTimeout(resolve, again)).then(persistent));
  return Object.assign(lazy(persistent), { fetch: () => void load().catch(() => undefined) }); // who turns to it asks again
}

/** A part in whose place something lighter stands until it is there. */
export function later<P extends object>(load: Load<P>) {
  let part: ComponentType<P> | undefined;
  const waiting = new Set<() => void>();
  const wait = (told: () => void) => {
    waiting.add(told);
    return () => void waiting.delete(told);
  };
  const fetch = async () => {
    if (part) return;
    part = (await load()).default;
    waiting.forEach((told) => told());
  };
  loads.push(fetch);
  return {
    fetch: () => void fetch().catch(() => undefined), // who turns to it next asks again
    Part: ({ instead, ...props }: P & { instead: ReactNode }) => {
      const there = useSyncExternalStore(wait, () => part);
      return there ? createElement(there, props as unknown as P) : instead;
    },
  };
}

import { useSyncExternalStore } from "react";
import { call, isShut, Trouble } from "./api";
import { kitchen } from "./kitchen";
import { newKey } from "./key";

/** One press of a button that adds something: made when the baker presses, kept in the browser's storage
    until the server has answered, and sent in order. Sent again, it counts once. */
export interface Press {
  key: string;
  at: number; // ms of this device's clock, by which presses are told in order
  kitchen: string;
  path: string;
  body: unknown;
  version?: number; // that the press was made from
}

interface State {
  presses: Press[]; // oldest first
  waiting: boolean; // the server did not answer, and is asked again
}

const shelf = "outbox "; // stands before a press's key: each has an entry of its own, so that no tab writes over another's
const again = 1_000; // ms until a server that did not answer is asked again
const orphaned = 5_000; // ms after which a tab sends what another has not sent

interface Waiting {
  took: (value: unknown) => void;
  resolve: (value: unknown) => void;
  reject: (error: unknown) => void;
}
const answers = new Map<string, Waiting>(); // of this tab's own presses, by their keys
const own: Press[] = []; // that have no answer yet: they are sent though the browser's storage is full or was emptied
let sending = false;
takeOver();
let state: State = { presses: read(), waiting: false };
const listeners = new Set<() => void>();

/** The presses of all tabs and this tab's own, in the order in which they were made. */
function read(): Press[] {
  const found = new Map(own.map((p) => [p.key, p]));
  for (const name of Object.keys(localStorage)) {
    if (!name.startsWith(shelf)) continue;
    try {
      const p = JSON.parse(localStorage.getItem(name) ?? "") as Press;
      found.set(p.key, p);
    } catch {
      localStorage.removeItem(name); // no press
    }
  }
  return [...found.values()].sort((a, b) => a.at - b.at);
}

/** Gives each press of the one list that programs before this one kept an entry of its own. */
function takeOver() {
  const list = localStorage.getItem("outbox");
  if (list === null) return;
  localStorage.removeItem("outbox");
  try {
    (JSON.parse(list) as Press[]).forEach((p, n) => localStorage.setItem(shelf + p.key, JSON.stringify({ ...p, at: n })));
  } catch {
    // no list, or no room: nothing more can be done for it
  }
}

function tell(waiting = state.waiting) {
  state = { presses: read(), waiting };
  listeners.forEach((listener) => listener());
}

/** Adds a press. Where the browser's storage is full, it lives as long as this tab. */
function add(p: Press) {
  own.push(p);
  try {
    localStorage.setItem(shelf + p.key, JSON.stringify(p));
  } catch {
    // told none the less: it is among this tab's own
  }
  tell();
}

function done(key: string) {
  const n = own.findIndex((p) => p.key === key);
  if (n >= 0) own.splice(n, 1);
  localStorage.removeItem(shelf + key);
  tell(false);
}

/** What another tab does to the outbox is seen here. A press that it leaves behind is sent by this one: sent by both, it
    counts once. */
window.addEventListener("storage", (e) => {
  if (e.key !== null && !e.key.startsWith(shelf)) return;
  tell();
  if (e.newValue) setTimeout(() => void send(), orphaned);
});

/** Sends a press and gives its answer, however long the server is away. What the answer changes is taken over
    before the press leaves the outbox, so that what it did is never unseen in between. */
export function press<T>(path: string, body: unknown, version?: number, took?: (answer: T) => void): Promise<T> {
  const last = state.presses.at(-1)?.at ?? 0;
  const made: Press = { key: newKey(), at: Math.max(Date.now(), last + 1), kitchen: kitchen(), path, body, version };
  const answer = new Promise<T>((resolve, reject) =>
    answers.set(made.key, { took: (value) => took?.(value as T), resolve: (value) => resolve(value as T), reject }),
  );
  add(made);
  void send();
  return answer;
}

/** What the answer changed reaches those that show it in a turn of its own: only then may the press be forgotten, or what
    it did would be unseen in between. */
const shown = () => new Promise((resolve) => setTimeout(resolve));

const silent = (error: unknown) => error instanceof Trouble && [502, 503, 504].includes(error.problem.status);

/** The first press of this page's kitchen. Those of another wait until a page of that one sends them. */
const first = () => state.presses.find((p) => p.kitchen === kitchen());

async function send() {
  if (sending) return;
  sending = true;
  for (let next = first(); next; next = first()) {
    const { key } = next;
    try {
      const answer = await call(next.path, {
        kitchen: next.kitchen,
        method: "POST",
        body: next.body,
        key,
        version: next.version,
      });
      answers.get(key)?.took(answer);
      await shown();
      done(key);
      answers.get(key)?.resolve(answer);
    } catch (error) {
      if (silent(error)) {
        if (!state.waiting) tell(true);
        await new Promise((resolve) => setTimeout(resolve, again));
        continue;
      }
      if (isShut(error)) {
        answers.get(key)?.reject(error);
        break; // it stays, and is told when this device is let in again
      }
      done(key);
      answers.get(key)?.reject(error);
    }
    answers.delete(key);
  }
  sending = false;
  if (state.waiting) tell(false);
}

/** Sends what a page that was closed too early has left behind; then is called when all of it is told. */
export async function sendLeft(then: () => void) {
  if (!first()) return;
  await send();
  then();
}

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

export const useOutbox = () => useSyncExternalStore(subscribe, () => state);
/** The presses of this page's kitchen that the server has yet to hear of. */
export const useUntold = () => useOutbox().presses.filter((p) => p.kitchen === kitchen());

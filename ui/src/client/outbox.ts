import { useSyncExternalStore } from "react";
import { call, isShut, Trouble } from "./api";
import { kitchen } from "./kitchen";
import { newKey } from "./key";

/** One press of a button that adds something: made when the baker presses, kept in the browser's storage
    until the server has answered, and sent in order. Sent again, it counts once. */
export interface Press {
  key: string;
  kitchen: string;
  path: string;
  body: unknown;
  version?: number; // that the press was made from
}

interface State {
  presses: Press[];
  waiting: boolean; // the server did not answer, and is asked again
}

const shelf = "outbox";
const again = 1_000; // ms until a server that did not answer is asked again

let state: State = { presses: read(), waiting: false };
const listeners = new Set<() => void>();
interface Waiting {
  took: (value: unknown) => void;
  resolve: (value: unknown) => void;
  reject: (error: unknown) => void;
}
const answers = new Map<string, Waiting>();
let sending = false;

function read(): Press[] {
  try {
    return JSON.parse(localStorage.getItem(shelf) ?? "[]") as Press[];
  } catch {
    return [];
  }
}

function set(next: Partial<State>) {
  state = { ...state, ...next };
  localStorage.setItem(shelf, JSON.stringify(state.presses));
  listeners.forEach((listener) => listener());
}

/** Sends a press and gives its answer, however long the server is away. What the answer changes is taken over
    before the press leaves the outbox, so that what it did is never unseen in between. */
export function press<T>(path: string, body: unknown, version?: number, took?: (answer: T) => void): Promise<T> {
  const made: Press = { key: newKey(), kitchen: kitchen(), path, body, version };
  set({ presses: [...state.presses, made] });
  const answer = new Promise<T>((resolve, reject) =>
    answers.set(made.key, { took: (value) => took?.(value as T), resolve: (value) => resolve(value as T), reject }),
  );
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
    const done = () => set({ presses: state.presses.filter((p) => p.key !== key), waiting: false });
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
      done();
      answers.get(key)?.resolve(answer);
    } catch (error) {
      if (silent(error)) {
        if (!state.waiting) set({ waiting: true });
        await new Promise((resolve) => setTimeout(resolve, again));
        continue;
      }
      if (isShut(error)) {
        answers.get(key)?.reject(error);
        break; // it stays, and is told when this device is let in again
      }
      done();
      answers.get(key)?.reject(error);
    }
    answers.delete(key);
  }
  sending = false;
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

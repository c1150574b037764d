import { dehydrate, type DehydratedState, hydrate, type QueryClient } from "@tanstack/react-query";
import { keepClock, startClock } from "./clock";
import { at } from "./kitchen";
import type { Shelf } from "./types.gen";
import { setUnits } from "./units";

/** What a page keeps in the browser, so that bench and watch open and go on while the server is out of reach. */
const kept = ["shelf", "running", "bench", "bake"];
const shelf = "seen";
const often = 5_000; // ms between looks whether anything is to be kept

/** Takes up what the page before has seen. It is shown until the server answers, and is asked for at once. */
export function takeUp(client: QueryClient) {
  startClock();
  const text = localStorage.getItem(shelf);
  if (!text) return;
  try {
    const seen = JSON.parse(text) as DehydratedState;
    for (const q of seen.queries) q.state.dataUpdatedAt = 0; // old, whenever it was seen
    hydrate(client, seen);
    const known = client.getQueryData<Shelf>(at("shelf"));
    if (known) setUnits(known.kitchen);
  } catch {
    localStorage.removeItem(shelf);
  }
}

/** Forgets all that was seen: this device is in no kitchen any more. */
export function forgetSeen(client: QueryClient) {
  client.removeQueries({ predicate: (q) => q.queryKey[0] !== "kitchens" });
  localStorage.removeItem(shelf);
}

/** Keeps what this page sees, at times and when it is left. */
export function keepSeen(client: QueryClient) {
  let before = "";
  const keep = () => {
    const text = JSON.stringify(
      dehydrate(client, { shouldDehydrateQuery: (q) => q.state.status === "success" && kept.includes(String(q.queryKey[1])) }),
    );
    if (text === before) return;
    before = text;
    try {
      localStorage.setItem(shelf, text);
      keepClock();
    } catch {
      localStorage.removeItem(shelf); // it is full: presses come first
    }
  };
  setInterval(keep, often);
  window.addEventListener("pagehide", keep);
  document.addEventListener("visibilitychange", () => document.visibilityState === "hidden" && keep());
}

/** Lets the browser keep the program itself, where the connection allows it: it then opens without the server. A page of
    an older program begins anew when a newer one has taken over. */
export function keepProgram() {
  if (!("serviceWorker" in navigator)) return;
  const older = !!navigator.serviceWorker.controller;
  navigator.serviceWorker.addEventListener("controllerchange", () => older && location.reload(), { once: true });
  void navigator.serviceWorker.register("/sw.js").catch(() => undefined); // it opens with the server alone
}

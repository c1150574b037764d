import { useEffect, useRef, useState } from "react";
import { firstAnswer, useNow } from "../client/clock";
import { useRunning } from "../client/queries";
import { calling, notice, ring } from "./calls";

const stale = 15 * 60_000; // ms after which a moment that was slept through is no longer called for, but shown
const flashes = 2_500; // ms

/** Calls at each moment of every running bake, whatever screen is open: by sound, flash and notice. */
export default function Caller() {
  const bakes = useRunning().data?.bakes;
  const now = useNow();
  const before = useRef(now);
  const [called, call] = useState<string | null>(null);
  useEffect(() => {
    const since = Math.max(before.current, now - stale, firstAnswer());
    before.current = now;
    const come = (bakes ?? []).flatMap((b) =>
      (b.moments ?? [])
        .filter((m) => Date.parse(m.at) > since && Date.parse(m.at) <= now && !m.done && !m.skipped)
        .map((m) => ({ ...m, recipe: b.recipe })),
    );
    const first = come.find((m) => m.person) ?? come[0];
    if (!first) return;
    ring(first.person ? "act" : "know");
    if (!first.person) return;
    notice(first.recipe, first.say);
    if (calling().flash) call(`${first.recipe}: ${first.say}`);
  }, [bakes, now]);
  useEffect(() => {
    if (called === null) return;
    const over = setTimeout(() => call(null), flashes);
    return () => clearTimeout(over);
  }, [called]);
  return (
    <div role="alert" data-call={called ?? undefined}>
      {called && (
        <>
          <span className="sr-only">{called}</span>
          <div aria-hidden="true" className="calls pointer-events-none fixed inset-0 z-50 border-8 border-mark md:border-[24px]" />
        </>
      )}
    </div>
  );
}

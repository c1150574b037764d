import { Hourglass } from "lucide-react";
import { useNow } from "../client/clock";
import type { BenchView } from "../client/types.gen";
import { countdown } from "../parts/time";

/** What is waiting meanwhile, each with its time; other steps go on. */
export function Waits({ bench, go }: { bench: BenchView; go: (step: string) => void }) {
  const now = useNow();
  const waiting = bench.steps.filter((s) => s.wait && bench.session.begun[s.id] && !bench.session.done.includes(s.id));
  if (waiting.length === 0) return null;
  return (
    <ul className="border-b border-rule">
      {waiting.map((s) => {
        const left = Date.parse(bench.session.begun[s.id] ?? "") + (s.wait ?? 0) * 60_000 - now;
        return (
          <li key={s.id}>
            <button
              type="button"
              onClick={() => go(s.id)}
              className={`flex min-h-14 w-full items-center gap-3 px-4 text-left text-lg font-semibold ${left <= 0 ? "bg-rim text-on-rim" : ""}`}
              data-wait={s.id}
            >
              <Hourglass size={24} aria-hidden="true" />
              <span className="figures">{left > 0 ? countdown(left) : "time is up"}</span>
              <span className="min-w-0 wrap-anywhere">{s.say}</span>
            </button>
          </li>
        );
      })}
    </ul>
  );
}

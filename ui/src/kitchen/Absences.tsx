import { PressLink } from "../parts/Button";
import { X } from "lucide-react";
import { useNow } from "../client/clock";
import type { Kitchen } from "../client/types.gen";
import { clock, day, dayName } from "../parts/time";
import type { SetKitchen } from "./set";

/** When nobody is home: read from a calendar, forgotten one by one. */
export function Absences({ kitchen, set }: { kitchen: Kitchen; set: SetKitchen }) {
  const now = useNow();
  const absences = (kitchen.absences ?? []).filter((a) => Date.parse(a.to) > now);
  const today = day(now, kitchen.zone);
  const on = (at: string) => `${dayName(day(at, kitchen.zone), today)} ${clock(at, kitchen.zone)}`;
  return (
    <section aria-labelledby="absences">
      <h2 id="absences" className="text-sm font-semibold text-soft">
        When nobody is home
      </h2>
      {absences.length === 0 ? (
        <p>No hours are noted.</p>
      ) : (
        <ul className="divide-y divide-rule border-y border-rule">
          {absences.map((a) => (
            <li key={`${a.from} ${a.name ?? ""}`} className="flex items-center gap-3">
              <span className="figures flex-1">
                {on(a.from)} to {on(a.to)} <b className="wrap-anywhere">{a.name}</b>
              </span>
              <button
                type="button"
                aria-label={`Forget ${a.name ?? "the absence"}, ${on(a.from)}`}
                onClick={() => set({ absences: kitchen.absences?.filter((o) => o !== a) })}
                className="grid size-11 place-items-center text-rim"
              >
                <X size={20} aria-hidden="true" />
              </button>
            </li>
          ))}
        </ul>
      )}
      <PressLink to="/bring">Import from a calendar</PressLink>
    </section>
  );
}

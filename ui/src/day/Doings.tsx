import type { Day } from "../client/types.gen";
import { clock, day as dayOf, dayName } from "../parts/time";
import { letter } from "./scale";

/** All that is to be done on the day, by the clock. */
export function Doings({ day, zone, today }: { day: Day; zone: string; today: string }) {
  if (day.hands.length === 0) return <p className="mt-2 text-lg text-soft">Nothing yet.</p>;
  const dates = [...new Set(day.hands.map((h) => dayOf(h.at, zone)))];
  return (
    <>
      {dates.map((d) => (
        <section key={d}>
          {dates.length > 1 && <h3 className="mt-2 text-base font-bold text-soft first-letter:uppercase">{dayName(d, today)}</h3>}
          <ol className="divide-y divide-rule border-y border-rule">
            {day.hands
              .filter((h) => dayOf(h.at, zone) === d)
              .map((h) => {
                const n = day.loaves.findIndex((l) => (h.loaf ? l.id === h.loaf : l.bake === h.bake));
                return (
                  <li key={`${h.at} ${h.loaf ?? h.bake} ${h.does} ${h.say}`} className="flex gap-3 py-2">
                    <span className="figures w-24 shrink-0 text-xl leading-8 font-bold whitespace-nowrap">{clock(h.at, zone)}</span>
                    <span className="min-w-0">
                      <b className="block text-lg leading-6">
                        {n >= 0 && `${letter(n)} · `}
                        {h.name}
                      </b>
                      <span className="text-base">{h.say}</span>
                    </span>
                  </li>
                );
              })}
          </ol>
        </section>
      ))}
    </>
  );
}

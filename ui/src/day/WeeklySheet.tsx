import { Button } from "../parts/Button";
import { X } from "lucide-react";
import { Link } from "react-router";
import { useChangeKitchen, useShelf } from "../client/queries";
import type { DayStock, KitchenRegular } from "../client/types.gen";
import { KitchenWeekday } from "../client/words.gen";
import { ownable } from "../parts/ownable";
import { Sheet } from "../parts/Sheet";
import { longDay, shown } from "../parts/time";
import { TroubleNote } from "../parts/Trouble";
import { useRegulars } from "./queries";

/** What there is of an ingredient, and for how long. */
function inTheHouse({ has, until, buy }: DayStock): string {
  const lasts = until ? `: enough until ${longDay(until)}` : ": not enough for the next loaf";
  return `There are ${has}${lasts}.${buy ? ` Buy ${buy} for four weeks.` : ""}`;
}

/** The loaves of every week, on their days, and how long flour and yeast last for them. */
export function WeeklySheet({ close }: { close: () => void }) {
  const kitchen = useShelf().data?.kitchen;
  const regulars = useRegulars();
  const { change } = useChangeKitchen();
  const set = (next: KitchenRegular[]) =>
    kitchen && change.mutate({ ...kitchen, regulars: next }, { onSuccess: () => void regulars.refetch() });
  const all = kitchen?.regulars ?? [];
  const toggle = (r: KitchenRegular, day: KitchenWeekday) => {
    const days = r.days.includes(day) ? r.days.filter((d) => d !== day) : KitchenWeekday.filter((d) => d === day || r.days.includes(d));
    if (days.length > 0) set(all.map((o) => (o.id === r.id ? { ...r, days: [...days] } : o)));
  };
  return (
    <Sheet title="Every week" close={close}>
      <TroubleNote error={regulars.error ?? change.error} />
      {all.length === 0 && (
        <p className="mt-3 max-w-prose text-lg text-soft">
          No loaf yet. Put one on a day, then say that it is baked on that day of every week.
        </p>
      )}
      <ul className="mt-2 divide-y divide-rule border-y border-rule empty:hidden">
        {regulars.data?.loaves.map((r) => (
          <li key={r.id} className="py-2">
            <p className="flex items-center gap-3 text-lg leading-6">
              <span className="min-w-0 flex-1">
                <b>{r.name}</b> <span className="fraction">{r.size}</span> by <b className="figures">{shown(r.by)}</b>
                {r.on && <span className="text-base text-soft"> · {r.on}</span>}
              </span>
              <button
                type="button"
                aria-label={`Do not bake ${r.name} every week`}
                onClick={() => set(all.filter((o) => o.id !== r.id))}
                className="grid size-11 place-items-center text-rim"
              >
                <X size={20} aria-hidden="true" />
              </button>
            </p>
            {r.say && <p className="text-base text-signal">{r.say}</p>}
            <div role="group" aria-label={`Days of ${r.name}`} className="mt-1 flex flex-wrap gap-1">
              {KitchenWeekday.map((d) => (
                <button
                  key={d}
                  type="button"
                  aria-pressed={r.days.includes(d)}
                  onClick={() => toggle(r, d)}
                  className={`min-h-11 min-w-11 px-2 font-semibold aria-pressed:bg-rim aria-pressed:text-on-rim ${ownable}`}
                >
                  {d.charAt(0).toUpperCase() + d.slice(1, 3)}
                  <span className="sr-only">{d.slice(3)}</span>
                </button>
              ))}
            </div>
          </li>
        ))}
      </ul>
      {(regulars.data?.stock.length ?? 0) > 0 && (
        <section className="mt-3">
          <h3 className="border-b-2 border-rim text-lg font-bold">Flour and yeast for them</h3>
          <ul className="divide-y divide-rule">
            {regulars.data?.stock.map((s) => (
              <li key={s.ingredient} className="py-1.5 text-base" data-stock={s.ingredient}>
                <b>{s.name}</b>: <span className="figures">{s.week}</span> a week, <span className="figures">{s.weeks}</span> in four.
                <span className="block text-soft">
                  {s.has ? (
                    inTheHouse(s)
                  ) : (
                    <>
                      Nobody keeps count of it:{" "}
                      <Link to="/kitchen?drawer=Cupboard" className="font-semibold text-rim underline">
                        say what there is
                      </Link>
                    </>
                  )}
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
      <Button onClick={close} look="filled" size="medium" className="mt-4">
        Back to the day
      </Button>
    </Sheet>
  );
}

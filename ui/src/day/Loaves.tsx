import { Button } from "../parts/Button";
import { Plus } from "lucide-react";
import type { DayLoaf, DayView } from "../client/types.gen";
import { LoafRow } from "./LoafRow";

interface Props {
  view: DayView;
  over: boolean; // the day is
  add: () => void;
  open: (loaf: string) => void;
  put: (loaf: DayLoaf) => void;
  everyWeek: (loaf: DayLoaf) => void;
}

/** The loaves of the day, those that are baked on it every week, and the way to put another on it. */
export function Loaves({ view, over, add, open, put, everyWeek }: Props) {
  const { date, book, day, zone } = view;
  return (
    <section aria-labelledby="loaves">
      <div className="flex items-center justify-between gap-4">
        <h2 id="loaves" className="text-lg font-bold">
          Loaves
        </h2>
        <Button
          disabled={over || book.loaves.length >= view.most}
          onClick={add}
          look="filled"
          size="medium"
          className="flex items-center gap-2 text-base"
        >
          <Plus size={20} aria-hidden="true" /> {book.loaves.length >= view.most ? "No more than 12 loaves a day" : "Put a loaf on the day"}
        </Button>
      </div>
      {book.loaves.length === 0 && (
        <p className="mt-2 max-w-prose text-lg text-soft">Add the loaves you want and when; we work out the order, machines and timers.</p>
      )}
      <ul className="mt-2 divide-y divide-rule border-y border-rule empty:hidden">
        {day.loaves.map((l, n) => {
          const of = book.loaves.find((b) => b.id === l.id);
          return (
            of && (
              <LoafRow
                key={l.id}
                date={date}
                loaf={l}
                asked={of}
                nth={n}
                zone={zone}
                over={over}
                open={() => open(l.id)}
                unpin={() => put({ ...of, pin: undefined })}
                weekly={
                  of.when === "by" && !of.id.startsWith("every-week-") ? { day: view.weekday, press: () => everyWeek(of) } : undefined
                }
              />
            )
          );
        })}
      </ul>
      {(view.usual?.length ?? 0) > 0 && (
        <p className="mt-2 text-base">
          Baked every {view.weekday}, and not on this day:{" "}
          {view.usual?.map((l) => (
            <Button key={l.id} onClick={() => put(l)} look="text" className="content-center mr-3">
              put {view.names[l.wish.recipe]} on it
            </Button>
          ))}
        </p>
      )}
    </section>
  );
}

import { useState } from "react";
import { Navigate, useNavigate, useParams, useSearchParams } from "react-router";
import { Trouble } from "../client/api";
import { serverNow } from "../client/clock";
import { newKey } from "../client/key";
import { useChangeKitchen, useShelf } from "../client/queries";
import type { DayBook, DayLoaf, DayView } from "../client/types.gen";
import { addDays, clock24, day as dayOf } from "../parts/time";
import { TroubleNote } from "../parts/Trouble";
import { DayTools, type Open } from "./DayTools";
import { Doings } from "./Doings";
import { HoursSheet } from "./HoursSheet";
import { Lanes } from "./Lanes";
import type { Moved } from "./LoafBar";
import { LoafSheet } from "./LoafSheet";
import { Loaves } from "./Loaves";
import { NeedsSheet } from "./NeedsSheet";
import { useChangeDay, useDay } from "./queries";
import { dayTitle } from "./scale";
import { WeeklySheet } from "./WeeklySheet";
import { WeekStrip } from "./WeekStrip";

/** The day that is opened first: today until its evening begins, then tomorrow. */
export function DayFirst() {
  const [search] = useSearchParams();
  const zone = useShelf().data?.kitchen.zone;
  if (!zone) return null;
  const today = dayOf(serverNow(), zone);
  const late = clock24(serverNow(), zone) >= "17:00";
  return <Navigate to={`/day/${late ? addDays(today, 1) : today}?${search}`} replace />;
}

/** A baking day: several loaves on several machines, planned as one. */
export default function DayScreen() {
  const { date } = useParams();
  if (!date) return <DayFirst />;
  return <TheDay key={date} date={date} />;
}

function TheDay({ date }: { date: string }) {
  const view = useDay(date);
  return (
    <div className="flex w-full flex-col gap-2 px-4 py-3 md:px-6">
      <header className="flex flex-wrap items-center justify-between gap-x-6">
        <h1 className="text-xl font-bold">{dayTitle(date)}</h1>
        <WeekStrip date={date} />
      </header>
      <TroubleNote error={view.error} />
      {!view.data && !view.error && <p className="mt-4 text-lg text-soft">Planning the day …</p>}
      {view.data && <Planned view={view.data} />}
    </div>
  );
}

function Planned({ view }: { view: DayView }) {
  const { date, book, day, zone } = view;
  const { change, undo } = useChangeDay(date);
  const kitchen = useShelf().data?.kitchen;
  const weekly = useChangeKitchen().change;
  const navigate = useNavigate();
  const [search, setSearch] = useSearchParams();
  const [open, setOpen] = useState<Open>("");
  const [edited, edit] = useState(""); // a loaf's id
  const [begun, setBegun] = useState(false); // something was changed here, so that it can be undone
  const adding = search.has("add");
  const put = (next: Partial<DayBook>, then?: () => void) => {
    const { was: _was, ...rest } = book;
    change.mutate(
      { ...rest, ...next },
      {
        onSuccess: () => {
          setBegun(true);
          then?.();
        },
      },
    );
  };
  const putLoaf = (loaf: DayLoaf, then?: () => void) => {
    const there = book.loaves.some((l) => l.id === loaf.id);
    put({ loaves: there ? book.loaves.map((l) => (l.id === loaf.id ? loaf : l)) : [...book.loaves, loaf] }, then);
  };
  const running = (id: string) => day.loaves.find((l) => l.id === id)?.bake;
  const closeAdding = () => setSearch({}, { replace: true });
  const asked = (id: string) => book.loaves.find((l) => l.id === id);
  const move = (id: string, to: Moved) => {
    const loaf = asked(id);
    const done = day.loaves.find((l) => l.id === id)?.done;
    if (!loaf || !done) return;
    const at = Date.parse(done) + to.minutes * 60_000;
    const elsewhere = to.machine !== day.loaves.find((l) => l.id === id)?.machine;
    putLoaf({
      ...loaf,
      ...(to.minutes !== 0 && { pin: wallOf(at, zone) }),
      ...(elsewhere && { only: true, wish: { ...loaf.wish, machine: to.machine } }),
    });
  };
  const everyWeek = (l: DayLoaf) =>
    kitchen &&
    l.by &&
    weekly.mutate(
      {
        ...kitchen,
        regulars: [
          ...(kitchen.regulars ?? []),
          {
            id: l.id,
            recipe: l.wish.recipe,
            machine: l.wish.machine,
            size: day.loaves.find((p) => p.id === l.id)?.size ?? "",
            days: [view.weekday],
            by: l.by.slice(11),
          },
        ],
      },
      // Here it is on the day already: under the name that it has as a loaf of every week.
      {
        onSuccess: () =>
          put({ loaves: book.loaves.map((o) => (o.id === l.id ? { ...o, id: `every-week-${l.id}` } : o)) }, () => setOpen("weekly")),
      },
    );
  const editing = adding ? fresh(date) : asked(edited);
  const fault = change.error instanceof Trouble ? change.error.problem.detail : undefined;
  const over = Date.parse(view.now) > Date.parse(day.to);
  const bad = day.cost.without > 0 || day.cost.late > 0;
  return (
    <>
      <div className="flex flex-wrap items-center gap-x-5 gap-y-1">
        <p role="status" className={`text-lg font-bold ${bad ? "border-l-4 border-signal pl-2" : ""}`} data-sum>
          {change.isPending ? "Planning the day …" : book.loaves.length === 0 ? "No loaves planned for this day yet." : day.say}
        </p>
        <DayTools date={date} planned={day.hands.length > 0} open={setOpen} undo={begun ? undo : undefined} />
      </div>
      {day.off && <p className="text-base text-soft">{day.off}</p>}
      {(view.leftOut?.length ?? 0) > 0 && (
        <p className="text-base text-soft">A day is planned for the five oldest machines: {view.leftOut?.join(", ")} is left out.</p>
      )}
      {!editing && !open && <TroubleNote error={change.error ?? undo.error} />}
      <TroubleNote error={weekly.error} />
      <Lanes view={view} move={move} open={(id) => (running(id) ? navigate(`/watch/${running(id)}`) : edit(id))} />
      <div className="grid gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
        <Loaves
          view={view}
          over={over}
          add={() => setSearch({ add: "1" }, { replace: true })}
          open={edit}
          put={putLoaf}
          everyWeek={everyWeek}
        />
        <section aria-labelledby="hands">
          <h2 id="hands" className="min-h-12 content-center text-lg font-bold">
            What your hands do
          </h2>
          <Doings day={day} zone={zone} today={dayOf(view.now, zone)} />
        </section>
      </div>
      {editing && (
        <LoafSheet
          key={editing.id}
          view={view}
          loaf={editing}
          fresh={adding}
          done={wallOf(day.loaves.find((l) => l.id === editing.id)?.done, zone)}
          busy={change.isPending}
          fault={fault}
          keep={(l) => putLoaf(l, adding ? closeAdding : () => edit(""))}
          takeOff={() => put({ loaves: book.loaves.filter((l) => l.id !== edited) }, () => edit(""))}
          close={() => {
            change.reset();
            if (adding) closeAdding();
            else edit("");
          }}
        />
      )}
      {open === "hours" && <HoursSheet view={view} error={change.error} change={put} close={() => setOpen("")} />}
      {open === "needs" && <NeedsSheet view={view} close={() => setOpen("")} />}
      {open === "weekly" && <WeeklySheet close={() => setOpen("")} />}
    </>
  );
}

/** A time on the kitchen's clock, as a wish has it. */
const wallOf = (instant: string | number | undefined, zone: string) =>
  instant === undefined ? undefined : `${dayOf(instant, zone)}T${clock24(instant, zone)}`;

/** A loaf that is not on the day yet. */
const fresh = (date: string): DayLoaf => ({
  id: newKey(),
  wish: { recipe: "", machine: "", loaf: {} },
  when: "by",
  by: `${date}T12:00`,
});

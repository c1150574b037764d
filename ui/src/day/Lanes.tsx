import { useNow } from "../client/clock";
import type { Day, DayShut, DayView } from "../client/types.gen";
import { useBox } from "../parts/box";
import { clock } from "../parts/time";
import { LoafBar, type Moved } from "./LoafBar";
import { dayTitle, letter, type Scale, scaleOf } from "./scale";

interface Props {
  view: DayView;
  move: (loaf: string, to: Moved) => void;
  open: (loaf: string) => void;
}

/** The day on one clock: a ribbon for each machine, and one for the hands. */
export function Lanes({ view, move, open }: Props) {
  const { day, book, zone } = view;
  const now = useNow();
  const [box, { width }] = useBox<HTMLDivElement>({ width: 1000, height: 28 });
  const scale = scaleOf(day, width, now);
  const machines = day.machines.filter((m) => !m.lent).map((m) => m.id);
  const pinned = new Set(book.loaves.filter((l) => l.pin).map((l) => l.id));
  return (
    <section aria-label="The day on one clock" className="select-none">
      <div className="md:pl-32">
        <div ref={box} className="figures relative h-7 text-sm" aria-hidden="true">
          {scale.hours
            .filter((h) => scale.left(h) > hourEdge && scale.left(h) < 100 - hourEdge)
            .map((h) => (
              <span key={h} className="absolute -translate-x-1/2 whitespace-nowrap" style={{ left: `${scale.left(h)}%` }}>
                {clock(h, zone)}
              </span>
            ))}
        </div>
      </div>
      {day.machines.map((m) => (
        <div key={`${m.id} ${m.lent}`} className="md:flex">
          <h2 className="text-sm leading-5 font-bold md:w-32 md:shrink-0 md:content-center md:pr-2">{m.name}</h2>
          <div data-lane={m.lent ? undefined : m.id} className="relative h-18 min-w-0 flex-1 border-y border-rule bg-shelf">
            <Hours scale={scale} shut={day.shut} />
            {(m.runs ?? [])
              .filter((r) => !r.bake || !day.loaves.some((l) => l.bake === r.bake))
              .map((r) => (
                <span
                  key={r.bake ?? `${r.name} ${r.press}`}
                  title={`${r.name}, ${r.date ? `planned for ${dayTitle(r.date)}` : "baking"}, until ${clock(r.out, zone)}`}
                  className={`absolute top-7 h-10 rounded-tray ${r.date ? "border-2 border-dashed border-rim bg-rest" : "bg-knead"}`}
                  style={{ left: `${scale.left(r.press)}%`, width: `${scale.left(r.out) - scale.left(r.press)}%` }}
                />
              ))}
            {day.loaves.map(
              (l, n) =>
                l.machine === m.id &&
                !!l.lent === !!m.lent &&
                l.press && (
                  <LoafBar
                    key={l.id}
                    loaf={l}
                    nth={n}
                    pinned={pinned.has(l.id)}
                    scale={scale}
                    width={width}
                    room={roomAfter(day, n, scale, width)}
                    machines={machines}
                    zone={zone}
                    move={(to) => move(l.id, to)}
                    open={() => open(l.id)}
                  />
                ),
            )}
            <Now scale={scale} now={now} />
          </div>
        </div>
      ))}
      <div className="md:flex">
        <h2 className="text-sm leading-5 font-bold md:w-32 md:shrink-0 md:content-center md:pr-2">Your tasks</h2>
        <HandsLane day={day} scale={scale} now={now} width={width} />
      </div>
    </section>
  );
}

const hourEdge = 3; // per cent of the width, within which a time would be cut

/** How many px there are from a loaf's left end to the next one on its machine. */
function roomAfter(day: Day, n: number, scale: Scale, width: number): number {
  const loaf = day.loaves[n];
  const here = Date.parse(loaf?.load ?? loaf?.press ?? "");
  const next = day.loaves
    .filter((l) => l.machine === loaf?.machine && !!l.lent === !!loaf?.lent)
    .map((l) => Date.parse(l.load ?? l.press ?? ""))
    .filter((at) => at > here);
  return ((scale.left(next.length > 0 ? Math.min(...next) : scale.to) - scale.left(here)) / 100) * width;
}

const quiet = "bg-[repeating-linear-gradient(45deg,var(--rule)_0_2px,transparent_2px_10px)]";
const away = "bg-[repeating-linear-gradient(-45deg,var(--soft)_0_3px,transparent_3px_9px)]";

/** Whole hours, and those in which nobody is there or nothing may sound. */
function Hours({ scale, shut }: { scale: Scale; shut: DayShut[] }) {
  return (
    <>
      {shut
        .filter((s) => scale.left(s.to) > scale.left(s.from))
        .map((s) => (
          <span
            key={`${s.from} ${s.name}`}
            title={s.quiet ? "quiet hours" : (s.name ?? "nobody is there")}
            className={`absolute inset-y-0 ${s.quiet ? quiet : away}`}
            style={{ left: `${scale.left(s.from)}%`, width: `${scale.left(s.to) - scale.left(s.from)}%` }}
          />
        ))}
      {scale.hours.map((h) => (
        <span key={h} className="absolute inset-y-0 w-px bg-rule" style={{ left: `${scale.left(h)}%` }} />
      ))}
    </>
  );
}

function Now({ scale, now }: { scale: Scale; now: number }) {
  if (now < scale.from || now > scale.to) return null;
  return <span aria-hidden="true" className="absolute inset-y-0 z-20 w-1 bg-ink" style={{ left: `${scale.left(now)}%` }} />;
}

const letterRoom = 16; // px that a letter takes

/** In which of the rows below the hands each letter stands, so that none covers another. */
function rowsOf(day: Day, scale: Scale, width: number): number[] {
  const ends: number[] = [];
  return day.hands.map((h) => {
    const x = (scale.left(h.at) / 100) * width;
    const free = ends.findIndex((end) => end <= x);
    const row = free >= 0 ? free : ends.length;
    ends[row] = x + letterRoom;
    return row;
  });
}

/** The moments for hands, each with its loaf's letter; and the hours in which nobody is there. */
function HandsLane({ day, scale, now, width }: { day: Day; scale: Scale; now: number; width: number }) {
  const rows = rowsOf(day, scale, width);
  const wide = (s: DayShut) => ((scale.left(s.to) - scale.left(s.from)) / 100) * width;
  return (
    <div
      aria-hidden="true"
      className="relative min-w-0 flex-1 border-b border-rule"
      style={{ height: `${48 + 16 * Math.max(0, ...rows)}px` }}
    >
      <Hours scale={scale} shut={day.shut} />
      {day.shut
        .filter((s) => wide(s) > ((s.quiet ? "quiet hours" : (s.name ?? "away")).length + 2) * 8.5)
        .map((s) => (
          <span
            key={s.from}
            className="absolute top-1 rounded bg-enamel px-1 text-sm whitespace-nowrap text-soft"
            style={{ left: `calc(${scale.left(s.from)}% + 4px)` }}
          >
            {s.quiet ? "quiet hours" : (s.name ?? "away")}
          </span>
        ))}
      {day.hands.map((h, k) => {
        const n = day.loaves.findIndex((l) => (h.loaf ? l.id === h.loaf : l.bake === h.bake));
        return (
          <span
            key={`${h.at} ${h.loaf ?? h.bake} ${h.does} ${h.say}`}
            title={`${h.name}: ${h.say}`}
            className="absolute top-1 h-6 min-w-1.5 rounded-sm bg-moment"
            style={{ left: `${scale.left(h.at)}%`, width: `${scale.left(h.to) - scale.left(h.at)}%` }}
          >
            <b className="absolute left-0 rounded-sm bg-enamel text-sm leading-4" style={{ top: `${25 + 16 * (rows[k] ?? 0)}px` }}>
              {n >= 0 ? letter(n) : ""}
            </b>
          </span>
        );
      })}
      <Now scale={scale} now={now} />
    </div>
  );
}

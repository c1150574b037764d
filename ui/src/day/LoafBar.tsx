import { Pin } from "lucide-react";
import { useRef, useState } from "react";
import type { DayPlanned } from "../client/types.gen";
import { look } from "../parts/stages";
import { clock } from "../parts/time";
import { letter, type Scale } from "./scale";

export interface Moved {
  minutes: number;
  machine: string;
}

interface Props {
  loaf: DayPlanned;
  nth: number;
  pinned: boolean;
  scale: Scale;
  width: number; // px of the ribbon
  room: number; // px up to the next loaf, for its name
  machines: string[];
  zone: string;
  move: (to: Moved) => void;
  open: () => void;
}

const step = 5; // minutes that a loaf is moved by
const far = 15; // and by a key

/** One loaf on its machine's ribbon. It is dragged, or moved by the arrow keys and Enter. */
export function LoafBar({ loaf, nth, pinned, scale, width, room, machines, zone, move, open }: Props) {
  const [shift, setShift] = useState<Moved | null>(null);
  const began = useRef<{ x: number; y: number; moved: boolean } | null>(null);
  const { load = "", press = "", begin = "", ready = "", taken = "", free = "", done = "" } = loaf;
  const left = scale.left(load || press);
  const share = (t: string) => scale.left(t) - left;
  const whole = share(free || done);
  const minutes = shift?.minutes ?? 0;
  const pixels = (minutes * 60_000 * width) / (scale.to - scale.from);
  const still = loaf.standing !== "to come" || loaf.lent === true;
  const here = machines.indexOf(loaf.machine ?? "");
  const lane = shift ? machines.indexOf(shift.machine) : here;
  const when = clock(Date.parse(done) + minutes * 60_000, zone);
  const settle = (to: Moved) => {
    setShift(null);
    if (to.minutes !== 0 || to.machine !== loaf.machine) move(to);
  };
  const at = (e: React.PointerEvent): Moved => {
    const by = ((e.clientX - (began.current?.x ?? e.clientX)) / width) * ((scale.to - scale.from) / 60_000);
    const under = document.elementsFromPoint(e.clientX, e.clientY).find((el) => el instanceof HTMLElement && el.dataset.lane);
    return { minutes: Math.round(by / step) * step, machine: (under as HTMLElement | undefined)?.dataset.lane || (loaf.machine ?? "") };
  };
  const keys: Record<string, () => void> = {
    ArrowLeft: () => setShift({ minutes: minutes - far, machine: shift?.machine ?? loaf.machine ?? "" }),
    ArrowRight: () => setShift({ minutes: minutes + far, machine: shift?.machine ?? loaf.machine ?? "" }),
    ArrowUp: () => setShift({ minutes, machine: machines[Math.max(0, lane - 1)] ?? "" }),
    ArrowDown: () => setShift({ minutes, machine: machines[Math.min(machines.length - 1, lane + 1)] ?? "" }),
    Escape: () => setShift(null),
  };
  const name = `${letter(nth)} ${loaf.name}: Start ${clock(press, zone)}, done ${clock(done, zone)}, ${loaf.on ?? ""}`;
  return (
    <>
      <button
        type="button"
        data-loaf={loaf.id}
        onPointerDown={(e) => {
          if (still || e.button !== 0) return;
          began.current = { x: e.clientX, y: e.clientY, moved: false };
          e.currentTarget.setPointerCapture(e.pointerId);
        }}
        onPointerMove={(e) => {
          const from = began.current;
          if (!from) return;
          from.moved ||= Math.hypot(e.clientX - from.x, e.clientY - from.y) > 6;
          if (from.moved) setShift(at(e));
        }}
        onPointerUp={(e) => {
          const from = began.current;
          if (from?.moved) settle(at(e));
          began.current = from?.moved ? from : null;
        }}
        onPointerCancel={() => {
          began.current = null;
          setShift(null);
        }}
        onClick={() => {
          const dragged = began.current?.moved;
          began.current = null;
          if (shift) settle(shift);
          else if (!dragged) open();
        }}
        onKeyDown={(e) => {
          const turn = keys[e.key];
          if (!turn || still || (e.key === "Escape" && !shift)) return;
          e.preventDefault();
          e.stopPropagation();
          turn();
        }}
        onBlur={() => setShift(null)}
        style={{
          left: `${left}%`,
          width: `${whole}%`,
          transform: shift ? `translate(${pixels}px, ${(lane - here) * 72}px)` : undefined,
        }}
        className={`absolute top-1 h-16 min-w-6 touch-pan-y text-left ${shift ? "z-20 opacity-80" : "z-10"}
          ${still ? "" : "cursor-grab active:cursor-grabbing"}`}
      >
        <span className="sr-only">
          {name}
          {pinned ? ", pinned" : ""}
          {still ? "" : ". Arrow keys move it, Enter puts it there"}
        </span>
        <Label loaf={loaf} nth={nth} pinned={pinned} room={room} />
        <span className="absolute inset-x-0 top-6 h-10 overflow-hidden rounded-tray">
          <Part from={0} to={share(press) / whole} paint="bg-moment" />
          <Part from={share(press) / whole} to={share(begin) / whole} paint="border-y-2 border-dashed border-rim bg-enamel" />
          {loaf.stages?.map((s) => {
            const span = (share(ready) - share(begin)) / (loaf.stages?.at(-1)?.to ?? 1);
            const x = (m: number) => (share(begin) + m * span) / whole;
            return <Part key={s.id} from={x(s.from)} to={x(s.to)} paint={look[s.kind].paint} />;
          })}
          {!loaf.stages?.length && <Part from={share(begin) / whole} to={share(ready) / whole} paint="bg-knead text-on-knead" />}
          <Part from={share(ready) / whole} to={share(taken) / whole} paint="bg-mark" />
          {loaf.dough && <Part from={share(taken) / whole} to={share(done) / whole} paint="border-y-2 border-rim bg-enamel" />}
        </span>
      </button>
      {shift && (
        <output
          className="figures pointer-events-none absolute -top-6 z-30 rounded-tray bg-rim px-2 text-lg font-bold whitespace-nowrap text-on-rim"
          style={{ left: `calc(${left}% + ${pixels}px)` }}
        >
          done {when}
        </output>
      )}
    </>
  );
}

/** A part of the bar, by its share of the whole. */
function Part({ from, to, paint }: { from: number; to: number; paint: string }) {
  if (!(to > from)) return null;
  return <span className={`absolute inset-y-0 ${paint}`} style={{ left: `${from * 100}%`, width: `${(to - from) * 100}%` }} />;
}

const letterWidth = 8.6; // px, of the label's type

/** The loaf's letter, and its name where there is room for the whole of it. */
function Label({ loaf, nth, pinned, room }: { loaf: DayPlanned; nth: number; pinned: boolean; room: number }) {
  const fits = (loaf.name.length + 3) * letterWidth + (pinned ? 24 : 0) < room;
  return (
    <span
      aria-hidden="true"
      className="absolute top-0 left-0 flex h-6 items-center gap-1.5 rounded bg-shelf px-1 font-bold whitespace-nowrap text-ink"
    >
      {letter(nth)}
      {fits && <span className="font-semibold">{loaf.name}</span>}
      {pinned && <Pin size={16} aria-hidden="true" className="text-rim" />}
    </span>
  );
}

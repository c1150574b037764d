import { Button, PressLink } from "../parts/Button";
import { X } from "lucide-react";
import { useState } from "react";
import { useShelf } from "../client/queries";
import type { DayBook, DayView } from "../client/types.gen";
import { Segments } from "../parts/Segments";
import { Sheet } from "../parts/Sheet";
import { halves, readClock, shown } from "../parts/time";
import { TroubleNote } from "../parts/Trouble";
import { Typed } from "../parts/Typed";

interface Props {
  view: DayView;
  error: unknown;
  change: (book: Partial<DayBook>) => void;
  close: () => void;
}

const field = "figures h-12 rounded-tray border-2 border-rim bg-enamel text-center text-xl font-bold aria-invalid:border-signal";

/** When nobody's hands are to be had on this day, how many pairs of them there are, and whether somebody gets up at night. */
export function HoursSheet({ view, error, change, close }: Props) {
  const { book, date } = view;
  const kitchen = useShelf().data?.kitchen;
  const away = book.away ?? [];
  const [from, setFrom] = useState("10:00");
  const [to, setTo] = useState("16:00");
  const [name, setName] = useState("");
  const time = (label: string, value: string, set: (t: string) => void) => (
    <Typed
      value={value}
      show={shown}
      parse={readClock}
      live
      label={label}
      say="Write a time such as 7:00 or 19:30."
      keep={set}
      className={`${field} ${halves() ? "w-32" : "w-24"}`}
    />
  );
  return (
    <Sheet title="Hours and hands" close={close}>
      <TroubleNote error={error} />
      <h3 className="mt-3 text-base font-bold">Nobody is there</h3>
      <ul className="divide-y divide-rule border-y border-rule empty:hidden">
        {away.map((h) => (
          <li key={`${h.from} ${h.to} ${h.name ?? ""}`} className="flex items-center gap-3">
            <span className="flex-1 text-lg">
              <b className="figures">
                {shown(h.from.slice(11))} to {shown(h.to.slice(11))}
              </b>{" "}
              {h.name}
            </span>
            <button
              type="button"
              aria-label={`Forget ${h.name || "the absence"} from ${shown(h.from.slice(11))}`}
              onClick={() => change({ away: away.filter((o) => o !== h) })}
              className="grid size-11 place-items-center text-rim"
            >
              <X size={20} aria-hidden="true" />
            </button>
          </li>
        ))}
      </ul>
      <form
        className="mt-2 flex flex-wrap items-center gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          change({ away: [...away, { from: `${date}T${from}`, to: `${date}T${to}`, ...(name.trim() && { name: name.trim() }) }] });
          setName("");
        }}
      >
        {time("Away from", from, setFrom)}
        <span>to</span>
        {time("Nobody is there until", to, setTo)}
        <input
          value={name}
          onChange={(e) => setName(e.target.value)}
          maxLength={80}
          placeholder="why, such as market"
          aria-label="Why"
          className="h-12 min-w-0 flex-1 rounded-tray border-2 border-rim bg-enamel px-2"
        />
        <Button type="submit" size="medium">
          Add absence
        </Button>
      </form>
      {(kitchen?.absences?.length ?? 0) > 0 && <p className="mt-2 text-base text-soft">Times from your imported calendar count too.</p>}
      <PressLink to="/bring">Import from a calendar</PressLink>
      <h3 className="mt-3 text-base font-bold">Your tasks</h3>
      <div className="mt-1 flex">
        <Segments
          label="How many people are helping?"
          value={book.hands}
          pick={(hands) => change({ hands })}
          segments={[
            { value: 1, label: "One pair of hands: one thing at a time", show: "One pair" },
            { value: 2, label: "Two pairs of hands", show: "Two pairs" },
          ]}
          className="min-h-12 content-center px-4 font-semibold"
        />
      </div>
      <h3 className="mt-3 text-base font-bold">Quiet hours{kitchen && `, ${shown(kitchen.quiet.from)} to ${shown(kitchen.quiet.to)}`}</h3>
      <p className="text-base text-soft">No beep falls in them.</p>
      <div className="mt-1 flex">
        <Segments
          label="Who is up in the quiet hours"
          value={book.nights ? "up" : "asleep"}
          pick={(who) => change({ nights: who === "up" })}
          segments={[
            { value: "asleep", label: "Everyone asleep", show: "Everybody sleeps" },
            { value: "up", label: "Someone can get up", show: "Somebody gets up" },
          ]}
          className="min-h-12 content-center px-4 font-semibold"
        />
      </div>
      {book.lent && (
        <Button onClick={() => change({ lent: undefined })} className="mt-3">
          Give the friend’s machine back
        </Button>
      )}
      <div className="mt-4">
        <Button onClick={close} look="filled" size="medium">
          Done
        </Button>
      </div>
    </Sheet>
  );
}

import { Link, useLocation } from "react-router";
import { serverNow } from "../client/clock";
import { addDays, clock24, day, dayName, halves, readClock, shown } from "../parts/time";
import { Typed } from "../parts/Typed";
import { Picker } from "../parts/Picker";

interface Props {
  ready: string | undefined;
  home: boolean; // the time is when somebody comes home
  eaten: boolean; // a dough: the time is when it is eaten
  zone: string;
  earliest: string; // what a first wish starts from, on the kitchen's clock
  change: (change: { ready?: string | null; home?: string | null }) => void;
  fault?: string;
}

/** A time typed for today that has passed is tomorrow's: "7" at eight in the morning. */
function toCome(wished: string, zone: string): string {
  const now = serverNow();
  const today = day(now, zone);
  const [date, time] = wished.split("T") as [string, string];
  return date === today && time <= clock24(now, zone) ? `${addDays(today, 1)}T${time}` : wished;
}

const timeField =
  "figures h-10 max-md:h-11 rounded-tray border-2 border-rim bg-enamel text-center text-xl font-bold aria-invalid:border-signal";

/** "Ready when?": at once, or by a time of a day. */
export function ReadyPicker({ ready, home, eaten, zone, earliest, change, fault }: Props) {
  const { search } = useLocation();
  const today = day(serverNow(), zone);
  const [date, time] = (ready ?? earliest).split("T") as [string, string];
  const days = [...new Set([...Array.from({ length: 7 }, (_, n) => addDays(today, n)), date])].sort();
  const tab = (on: boolean) => `min-h-12 px-2.5 font-semibold whitespace-nowrap ${on ? "bg-rim text-on-rim" : "hover:bg-shelf"}`;
  return (
    <div className="lg:w-88">
      <div className="flex flex-wrap items-center gap-x-2">
        <div role="group" aria-label="Ready when" className="flex overflow-hidden rounded-tray border-2 border-rim">
          <button type="button" aria-pressed={!ready} className={tab(!ready)} onClick={() => change({ ready: null, home: null })}>
            Start now
          </button>
          <button
            type="button"
            aria-pressed={!!ready && !home}
            title="Never later than this"
            className={tab(!!ready && !home)}
            onClick={() => change({ ready: ready ?? earliest, home: null })}
          >
            {eaten ? "Eaten at" : "Ready by"}
          </button>
          <button
            type="button"
            aria-pressed={!!ready && home}
            title="Not before I am home"
            className={tab(!!ready && home)}
            onClick={() => change({ ready: ready ?? earliest, home: "1" })}
          >
            After I’m home
          </button>
        </div>
        {ready ? (
          <div className="flex flex-wrap items-center gap-x-1 max-lg:ml-auto">
            <Typed
              value={time}
              show={shown}
              parse={readClock}
              label="Ready time"
              mode={halves() ? "text" : "numeric"}
              fault={fault}
              say="Write a time such as 7:00 or 19:30."
              keep={(read, kept) => {
                change({ ready: toCome(`${date}T${read}`, zone) });
                kept();
              }}
              className={`${timeField} ${halves() ? "w-30" : "w-22"}`}
              faultClass="order-last w-full text-xs text-signal"
            />
            <Picker
              label="Day"
              value={date}
              pick={(d) => change({ ready: `${d}T${time}` })}
              choices={days.map((d) => ({ id: d, name: dayName(d, today) }))}
            />
          </div>
        ) : (
          <p className="flex min-h-10 items-center text-sm text-soft max-md:hidden">as soon as it is measured</p>
        )}
        <Link
          to={`/day${ready ? `/${ready.slice(0, 10)}` : ""}${search}${search ? "&" : "?"}add=1`}
          className={`min-h-10 max-md:min-h-11 content-center text-sm font-semibold text-rim underline lg:ml-auto ${ready ? "" : "max-md:hidden"}`}
        >
          Put it on a day
        </Link>
      </div>
      {!ready && fault && (
        <p role="status" className="text-xs text-signal">
          {fault}
        </p>
      )}
    </div>
  );
}

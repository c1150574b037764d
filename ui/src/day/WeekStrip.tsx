import { ChevronLeft, ChevronRight } from "lucide-react";
import { Link } from "react-router";
import { addDays } from "../parts/time";
import { useWeek } from "./queries";

const arrow = "grid size-12 shrink-0 place-items-center rounded-tray text-rim hover:bg-shelf";

/** The days of the week, each with how many loaves stand on it. */
export function WeekStrip({ date }: { date: string }) {
  const week = useWeek(date).data;
  return (
    <nav aria-label="Days" className="flex items-center max-md:w-full">
      <Link to={`/day/${addDays(date, -7)}`} aria-label="The week before" className={arrow}>
        <ChevronLeft aria-hidden="true" />
      </Link>
      <ol className="flex min-h-14 min-w-0 flex-1">
        {week?.days.map((d) => (
          <li key={d.date} className="min-w-0 flex-1 md:w-16 md:flex-none">
            <Link
              to={`/day/${d.date}`}
              aria-current={d.date === date ? "date" : undefined}
              className={`block rounded-tray py-1 text-center hover:bg-shelf aria-[current=date]:bg-rim aria-[current=date]:text-on-rim
                ${d.date === week.today ? "ring-2 ring-rim ring-inset" : ""}`}
            >
              <span className="block text-xs first-letter:uppercase">{d.weekday.slice(0, 3)}</span>
              <b className="figures block text-lg leading-5">{Number(d.date.slice(8))}</b>
              <span aria-hidden="true" className="block h-4 text-xs leading-4">
                {"●".repeat(Math.min(d.loaves, 4))}
              </span>
              <span className="sr-only">, {d.loaves === 1 ? "1 loaf" : `${d.loaves} loaves`}</span>
            </Link>
          </li>
        ))}
      </ol>
      <Link to={`/day/${addDays(date, 7)}`} aria-label="The week after" className={arrow}>
        <ChevronRight aria-hidden="true" />
      </Link>
    </nav>
  );
}

import { CalendarPlus, Clock, Printer, Repeat, ShoppingBasket, Undo2 } from "lucide-react";
import { Link } from "react-router";
import { dayCalendar } from "../client/api";

const tool = "flex min-h-11 items-center gap-2 font-semibold text-rim underline";

/** The sheets that a day opens; empty: none. */
export type Open = "" | "hours" | "needs" | "weekly";

interface Props {
  date: string;
  planned: boolean; // something is to be done on it
  open: (sheet: Open) => void;
  undo?: { isPending: boolean; mutate: () => void }; // of the last change that was made here
}

/** What can be done with the whole day. */
export function DayTools({ date, planned, open, undo }: Props) {
  return (
    <>
      <span className="hidden flex-1 md:block" />
      {undo && (
        <button type="button" disabled={undo.isPending} onClick={() => undo.mutate()} className={tool}>
          <Undo2 size={20} aria-hidden="true" /> Undo
        </button>
      )}
      <button type="button" onClick={() => open("hours")} className={tool}>
        <Clock size={20} aria-hidden="true" /> Hours and hands
      </button>
      <button type="button" onClick={() => open("weekly")} className={tool}>
        <Repeat size={20} aria-hidden="true" /> Every week
      </button>
      {planned && (
        <>
          <button type="button" onClick={() => open("needs")} className={tool}>
            <ShoppingBasket size={20} aria-hidden="true" /> Shopping
          </button>
          <a href={dayCalendar(date)} download className={tool}>
            <CalendarPlus size={20} aria-hidden="true" /> Calendar
          </a>
          <Link to={`/paper/day?date=${date}`} className={tool}>
            <Printer size={20} aria-hidden="true" /> Print
          </Link>
        </>
      )}
    </>
  );
}

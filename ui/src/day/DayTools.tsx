import { Button, PressLink } from "../parts/Button";
import { CalendarPlus, Clock, Printer, Repeat, ShoppingBasket, Undo2 } from "lucide-react";
import { dayCalendar } from "../client/api";

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
        <Button disabled={undo.isPending} onClick={() => undo.mutate()} look="text" className="flex items-center gap-2">
          <Undo2 size={20} aria-hidden="true" /> Undo
        </Button>
      )}
      <Button onClick={() => open("hours")} look="text" className="flex items-center gap-2">
        <Clock size={20} aria-hidden="true" /> Hours and hands
      </Button>
      <Button onClick={() => open("weekly")} look="text" className="flex items-center gap-2">
        <Repeat size={20} aria-hidden="true" /> Every week
      </Button>
      {planned && (
        <>
          <Button onClick={() => open("needs")} look="text" className="flex items-center gap-2">
            <ShoppingBasket size={20} aria-hidden="true" /> Shopping
          </Button>
          <a href={dayCalendar(date)} download className="flex min-h-11 items-center gap-2 font-semibold text-rim underline">
            <CalendarPlus size={20} aria-hidden="true" /> Calendar
          </a>
          <PressLink to={`/paper/day?date=${date}`} picture>
            <Printer size={20} aria-hidden="true" /> Print
          </PressLink>
        </>
      )}
    </>
  );
}

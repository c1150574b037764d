import { Button, PressLink } from "../parts/Button";
import { useState } from "react";
import { useNavigate } from "react-router";
import { useAddBench } from "../client/queries";
import type { DayLoaf, DayPlanned } from "../client/types.gen";
import { clock, display, shown } from "../parts/time";
import { TroubleNote } from "../parts/Trouble";
import { MendSheet } from "./MendSheet";
import { letter } from "./scale";
import { cycleTitle } from "../parts/panel";

interface Props {
  date: string;
  loaf: DayPlanned;
  asked: DayLoaf;
  nth: number;
  zone: string;
  over: boolean; // the day is
  open: () => void;
  unpin: () => void;
  weekly?: { day: string; press: () => void }; // to be baked on that day of every week
}

const capital = (s: string) => s.charAt(0).toUpperCase() + s.slice(1);

const wantedAt = (wall: string, date: string) => `${shown(wall.slice(11))}${wall.slice(0, 10) === date ? "" : ` on ${wall.slice(0, 10)}`}`;

/** When a loaf is wanted, in words. */
function wanted(l: DayLoaf, date: string): string {
  if (l.when === "whenever") return "on this day";
  if (l.when === "between") return `from ${wantedAt(l.from ?? "", date)} to ${wantedAt(l.by ?? "", date)}`;
  return `by ${wantedAt(l.by ?? "", date)}`;
}

/** One loaf of the day: when it is wanted, what becomes of it, and why. */
export function LoafRow({ date, loaf, asked, nth, zone, over, open, unpin, weekly }: Props) {
  const bench = useAddBench();
  const navigate = useNavigate();
  const [mending, setMending] = useState(false);
  const toCome = loaf.standing === "to come";
  const late = !over && ((loaf.late ?? 0) > 0 || loaf.standing === "no place");
  const was = loaf.was && loaf.press && loaf.was.press.slice(11) !== "" ? loaf.was : undefined;
  return (
    <li className="flex gap-3 py-3" data-row={loaf.id}>
      <span aria-hidden="true" className="grid size-9 shrink-0 place-items-center rounded-full bg-rim text-lg font-bold text-on-rim">
        {letter(nth)}
      </span>
      <div className="min-w-0 flex-1">
        <p className="text-lg leading-6 font-bold">
          {loaf.name} {loaf.size && <span className="fraction font-semibold">{loaf.size}</span>}
          <span className="text-base font-normal text-soft">
            {" "}
            {asked.when === "by" && loaf.dough ? wanted(asked, date).replace("by", "eaten at") : wanted(asked, date)}
          </span>
        </p>
        {loaf.press && (
          <p className="text-lg leading-7">
            {toCome ? "Start " : "Started "}
            <b className={`figures ${was ? "changed" : ""}`} key={`p${loaf.press}`}>
              {clock(loaf.press, zone)}
            </b>
            {was && toCome && <span className="text-base text-moved"> (was {shown(was.press.slice(11))})</span>}
            {loaf.standing === "finished" ? " · out " : " · out of the machine "}
            <b className={`figures ${was ? "changed" : ""}`} key={`t${loaf.taken}`}>
              {clock(loaf.taken ?? "", zone)}
            </b>
            {loaf.dough && loaf.done !== loaf.taken && (
              <>
                {" · done "}
                <b className="figures">{clock(loaf.done ?? "", zone)}</b>
              </>
            )}
          </p>
        )}
        {loaf.on && (
          <p className="text-base">
            {loaf.on}
            {loaf.cycle?.name && ` · ${cycleTitle(loaf.cycle)}`}
            {toCome && (loaf.timer ? ` · timer ${display(loaf.timer)}` : " · no delay")}
          </p>
        )}
        {loaf.say && (
          <p className={`mt-1 text-base ${late ? "border-l-4 border-signal pl-2 font-semibold" : "text-soft"}`} data-why={loaf.id}>
            {loaf.say}
          </p>
        )}
        <p className="flex flex-wrap gap-x-4">
          {toCome && loaf.wish && !loaf.lent && (
            <Button
              disabled={bench.isPending}
              onClick={() => loaf.wish && bench.mutate(loaf.wish, { onSuccess: (b) => navigate(`/bench/${b.id}`) })}
              look="text"
            >
              To the bench<span className="sr-only">: {loaf.name}</span>
            </Button>
          )}
          {loaf.standing === "running" && (
            <PressLink to={`/watch/${loaf.bake}`}>
              Watch<span className="sr-only">: {loaf.name}</span>
            </PressLink>
          )}
          {loaf.standing === "finished" && (
            <PressLink to={`/verdict/${loaf.bake}`}>
              How it came out<span className="sr-only">: {loaf.name}</span>
            </PressLink>
          )}
          {!over && (toCome || loaf.standing === "no place") && (
            <Button onClick={open} look="text">
              Change<span className="sr-only"> {loaf.name}</span>
            </Button>
          )}
          {asked.pin && toCome && (
            <Button onClick={unpin} look="text">
              Unpin<span className="sr-only"> {loaf.name}</span>
            </Button>
          )}
          {weekly && (
            <Button onClick={weekly.press} look="text">
              Every {capital(weekly.day)}
              <span className="sr-only">: {loaf.name}</span>
            </Button>
          )}
          {loaf.say && !over && (toCome || loaf.standing === "no place") && (
            <Button onClick={() => setMending(true)} look="text">
              What would help?<span className="sr-only"> For {loaf.name}</span>
            </Button>
          )}
        </p>
        <TroubleNote error={bench.error} />
      </div>
      {mending && <MendSheet date={date} loaf={loaf} close={() => setMending(false)} />}
    </li>
  );
}

import {
  BookOpen,
  CircleQuestionMark,
  CalendarRange,
  ClipboardList,
  CookingPot,
  Ellipsis,
  Eye,
  Scale,
  ScrollText,
  SlidersVertical,
} from "lucide-react";
import { Suspense, useEffect, useState } from "react";
import { NavLink, useNavigate } from "react-router";
import { useShelf } from "../client/queries";
import { onHelp } from "../help/open";
import { awaited } from "./later";
import { useNextMoment, useNextPlanned } from "./nextMoment";
import { singleKeys, takesKeys } from "./singleKeys";
import { Sprig } from "./Sprig";

const item =
  "flex min-h-14 flex-1 flex-col items-center justify-center gap-1 rounded-tray px-0 py-2 text-xs font-semibold text-ink " +
  "hover:bg-enamel aria-[current=page]:bg-rim aria-[current=page]:text-on-rim md:flex-none";

// What lies behind More on a phone.
const sheet =
  "max-md:absolute max-md:right-1 max-md:bottom-20 max-md:w-32 max-md:rounded-tray " +
  "max-md:border-2 max-md:border-rim max-md:bg-enamel max-md:p-1";

const Help = awaited(() => import("../help/Help"));

/** A key that leads to a screen. */
export interface ScreenKey {
  key: string;
  to: string;
  says: string;
}

/** The screens, in the order of the job. */
export function Rail({ keys, screen }: { keys: ScreenKey[]; screen: string }) {
  const next = useNextMoment();
  const navigate = useNavigate();
  const [help, setHelp] = useState<string | null>(null); // the word that is asked about; empty: none
  const [more, setMore] = useState(false); // on a phone, where three screens stand behind one
  const open = useShelf().data?.bench;
  const bench = open ? `/bench/${open.id}` : "/bench";
  const watch = next ? `/watch/${next.id}` : "/watch";
  const planned = useNextPlanned();

  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      if (e.key !== "?" && e.key !== "/" && !singleKeys()) return;
      if (takesKeys(e.target) || e.ctrlKey || e.metaKey || e.altKey) return;
      if (e.key === "?" || e.key === "/") {
        e.preventDefault();
        return setHelp("");
      }
      const to = keys.find((k) => k.key === e.key)?.to;
      if (to) navigate({ "/bench": bench, "/watch": watch }[to] ?? to);
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  }, [navigate, bench, watch, keys]);
  useEffect(() => onHelp(setHelp), []);

  return (
    <nav aria-label="Screens" className="z-20 flex bg-shelf p-1 md:gap-1 md:h-dvh md:w-24 md:flex-col md:p-2">
      <NavLink to="/" end className={item}>
        <ClipboardList size={24} aria-hidden="true" />
        Plan
      </NavLink>
      <NavLink to={bench} className={item}>
        <Scale size={24} aria-hidden="true" />
        Bench
      </NavLink>
      <NavLink to={watch} className={item} title={next && `${next.recipe}: ${next.say}`} data-running={next?.id}>
        {next ? (
          <>
            <span className={`figures text-lg leading-6 font-bold ${next.overdue ? "text-signal in-aria-[current=page]:text-on-rim" : ""}`}>
              {next.time}
            </span>
            <span className="text-center leading-4">
              <span className="sr-only">Watch: {next.recipe}, </span>
              {next.short}
            </span>
          </>
        ) : (
          <>
            <Eye size={24} aria-hidden="true" />
            Watch
          </>
        )}
      </NavLink>
      <NavLink to="/log" className={item}>
        <BookOpen size={24} aria-hidden="true" />
        Log
      </NavLink>
      <button type="button" aria-expanded={more} onClick={() => setMore(!more)} className={`${item} md:hidden`}>
        <Ellipsis size={24} aria-hidden="true" />
        More
      </button>
      <div onClick={() => setMore(false)} className={`gap-1 md:contents ${sheet} ${more ? "flex flex-col" : "max-md:hidden"}`}>
        <NavLink to="/day" className={item} title={planned && `${planned.recipe}: ${planned.say}`}>
          {planned ? (
            <>
              <span className="figures text-lg leading-6 font-bold">{planned.time}</span>
              <span className="text-center leading-4">
                <span className="sr-only">Day: {planned.recipe}, </span>
                {planned.short}
              </span>
            </>
          ) : (
            <>
              <CalendarRange size={24} aria-hidden="true" />
              Day
            </>
          )}
        </NavLink>
        <NavLink to="/recipes" className={item}>
          <ScrollText size={24} aria-hidden="true" />
          Recipes
        </NavLink>
        <NavLink to="/machines" className={item}>
          <SlidersVertical size={24} aria-hidden="true" />
          Machines
        </NavLink>
        <NavLink to="/kitchen" className={item}>
          <CookingPot size={24} aria-hidden="true" />
          Kitchen
        </NavLink>
        <HelpButton open={() => setHelp("")} />
      </div>
      <div className="hidden flex-1 md:block" />
      <Sprig className="mx-auto hidden w-16 md:block" />
      <HelpButton wide open={() => setHelp("")} />
      {help !== null && (
        <Suspense>
          <Help screen={screen} keys={keys} word={help} close={() => setHelp(null)} />
        </Suspense>
      )}
    </nav>
  );
}

/** Help stands at the foot of the rail, and on a phone behind More. */
function HelpButton({ open, wide }: { open: () => void; wide?: boolean }) {
  return (
    <button type="button" className={`${item} ${wide ? "max-md:hidden" : "md:hidden"}`} onClick={open}>
      <CircleQuestionMark size={24} aria-hidden="true" />
      Help
    </button>
  );
}

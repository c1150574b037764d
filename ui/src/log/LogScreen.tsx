import { Link } from "react-router";
import { useLog } from "../client/queries";
import type { BakeSummary } from "../client/types.gen";
import { clock, day, dayName } from "../parts/time";
import { More } from "../parts/More";
import { TroubleNote } from "../parts/Trouble";
import { Mark } from "./Mark";

/** All bakes, newest first. */
export default function LogScreen() {
  const log = useLog();
  if (log.error && !log.data)
    return (
      <div className="p-8">
        <TroubleNote error={log.error} />
      </div>
    );
  if (!log.data) return <p className="p-8 text-lg text-soft">Opening the log …</p>;
  const { pages } = log.data;
  const bakes = pages.flatMap((p) => p.bakes);
  const { zone = "UTC", now = "" } = pages[0] ?? {};
  return (
    <div className="w-full px-6 py-4">
      <h1 className="text-xl font-bold">Log</h1>
      {bakes.length === 0 ? (
        <p className="mt-4 text-lg text-soft">
          No bake yet.{" "}
          <Link to="/" className="font-semibold text-rim underline">
            Plan a loaf
          </Link>
          ; once started it is written here.
        </p>
      ) : (
        <ol className="mt-2 divide-y divide-rule border-y border-rule">
          {bakes.map((b) => (
            <Entry key={b.id} bake={b} zone={zone} today={day(now, zone)} />
          ))}
        </ol>
      )}
      <More pages={log} what="older bakes" />
    </div>
  );
}

const standing: Record<BakeSummary["phase"], string> = {
  waiting: "waiting for its delay",
  running: "baking now",
  warm: "ready, kept warm",
  "in hand": "in hand",
  cold: "ready, and cold",
  out: "",
  abandoned: "",
};

const columns = "md:max-lg:grid-cols-[9rem_minmax(0,1fr)_9rem] lg:grid-cols-[9rem_minmax(0,17rem)_12rem_minmax(0,1fr)]";

function Entry({ bake, zone, today }: { bake: BakeSummary; zone: string; today: string }) {
  const over = bake.phase === "out" || bake.phase === "abandoned";
  return (
    <li data-bake={bake.id} className={`grid grid-cols-1 gap-x-6 py-3 md:items-baseline ${columns}`}>
      <p className="figures text-soft">
        {dayName(day(bake.startedAt, zone), today)} <b className="text-ink">{clock(bake.startedAt, zone)}</b>
      </p>
      <p className="min-w-0 text-lg leading-6 font-semibold wrap-anywhere">
        <Link to={over ? `/log/${bake.id}` : `/watch/${bake.id}`} className="text-rim underline decoration-rule underline-offset-4">
          {bake.recipe}
        </Link>
        <span className="block text-sm font-normal text-soft">
          <span className="fraction">{bake.size}</span> · {bake.machine} · {bake.cycle.panel} {bake.cycle.name}
        </span>
      </p>
      <p>
        {over ? (
          bake.phase === "abandoned" && !bake.mark ? (
            <span className="text-soft">ended early</span>
          ) : (
            <Mark mark={bake.mark} />
          )
        ) : (
          <b className="text-leaf">{standing[bake.phase]}</b>
        )}
      </p>
      <p className="min-w-0 wrap-anywhere md:max-lg:col-span-2 md:max-lg:col-start-2">{bake.note}</p>
    </li>
  );
}

import { PressLink } from "../parts/Button";
import { useState } from "react";
import { Link } from "react-router";
import { logTable, photoAt } from "../client/api";
import { useLessons, useLog } from "../client/bakes";
import { useShelf } from "../client/queries";
import type { BakeSummary } from "../client/types.gen";
import { Picker } from "../parts/Picker";
import { asked } from "../parts/asked";
import { useSettled } from "../parts/settled";
import { clock, day, dayName, longDay } from "../parts/time";
import { LessonList } from "../parts/LessonList";
import { More } from "../parts/More";
import { Find } from "../parts/Find";
import { TroubleNote } from "../parts/Trouble";
import { Unhurried } from "../parts/Unhurried";
import { signs } from "../verdict/Signs";
import { LoafPicture } from "../verdict/SignPicture";
import { Mark } from "./Mark";
import { cycleTitle } from "../parts/panel";

const marks = [
  { id: "", name: "Any rating" },
  { id: "good", name: "good loaves" },
  { id: "poor", name: "poor loaves" },
];

/** All bakes by weeks, newest first; found by words, kind and mark. */
export default function LogScreen() {
  const [words, look] = useState(() => asked("find"));
  const [kind, setKind] = useState("");
  const [mark, setMark] = useState("");
  const [sign, setSign] = useState("");
  const [machine, setMachine] = useState("");
  const [year, setYear] = useState("");
  const shelf = useShelf().data;
  const lessons = useLessons().data;
  const days = year ? { from: `${year}-01-01`, to: `${Number(year) + 1}-01-01` } : { from: "", to: "" };
  const looked = { find: useSettled(words.trim()), kind, mark, sign, machine, ...days };
  const log = useLog(looked);
  if (log.error && !log.data)
    return (
      <div className="p-8">
        <TroubleNote error={log.error} />
      </div>
    );
  if (!log.data) return <p className="p-8 text-lg text-soft">Opening the log …</p>;
  const { pages } = log.data;
  const bakes = pages.flatMap((p) => p.bakes);
  const { zone = "UTC", now = "", week = "" } = pages[0] ?? {};
  return (
    <div className="w-full px-6 py-4">
      <header className="flex flex-wrap items-center gap-x-6 gap-y-2">
        <h1 className="text-xl font-bold">Log</h1>
        <Find words={words} look={look} among="recipe or note" kind={kind} pick={setKind} />
        <Picker label="Mark" value={mark} pick={setMark} choices={marks} />
        <Picker
          label="Sign"
          value={sign}
          pick={setSign}
          choices={[{ id: "", name: "every sign" }, ...signs.map((s) => ({ id: s, name: s }))]}
        />
        {shelf && shelf.machines.length > 1 && (
          <Picker label="Machine" value={machine} pick={setMachine} choices={[{ id: "", name: "every machine" }, ...shelf.machines]} />
        )}
        <Picker label="Year" value={year} pick={setYear} choices={[{ id: "", name: "every year" }, ...years(now)]} />
        <PressLink to="/log/year" className="md:ml-auto">
          The year
        </PressLink>
        {bakes.length > 0 && (
          <a href={logTable(looked)} download className="flex min-h-11 items-center font-semibold text-rim underline">
            Download CSV (opens in a spreadsheet)
          </a>
        )}
      </header>
      {lessons && <LessonList {...lessons} />}
      {bakes.length === 0 && (Object.values(looked).some(Boolean) || words.trim()) ? (
        <p role="status" className="mt-4 text-lg text-soft">
          Nothing matches. Clear a filter.
        </p>
      ) : bakes.length === 0 ? (
        <p className="mt-4 text-lg text-soft">
          No bake yet.{" "}
          <Link to="/" className="font-semibold text-rim underline">
            Plan a loaf
          </Link>
          ; once started it is written here.
        </p>
      ) : (
        <Unhurried part="log">
          {weeks(bakes, week).map((w) => (
            <section key={w.name} className="mt-3">
              <h2 className="text-sm font-semibold text-soft">{w.name}</h2>
              <ol className="divide-y divide-rule border-y border-rule">
                {w.bakes.map((b) => (
                  <Entry key={b.id} bake={b} zone={zone} today={day(now, zone)} />
                ))}
              </ol>
            </section>
          ))}
          <More pages={log} what="older bakes" />
        </Unhurried>
      )}
    </div>
  );
}

/** This year and the four before it. */
const years = (now: string) =>
  [0, 1, 2, 3, 4].map((back) => String(Number(now.slice(0, 4)) - back)).map((year) => ({ id: year, name: year }));

/** The bakes of each week under its name; week is the first day of this one. */
function weeks(bakes: BakeSummary[], week: string): { name: string; bakes: BakeSummary[] }[] {
  const named = (first: string) => {
    const back = Math.round((Date.parse(week) - Date.parse(first)) / (7 * 86_400_000));
    if (back <= 0) return "This week";
    return back === 1 ? "Last week" : `Week of ${longDay(first)}`;
  };
  const out: { name: string; bakes: BakeSummary[] }[] = [];
  for (const b of bakes) {
    const name = named(b.week ?? week);
    const last = out.at(-1);
    if (last?.name === name) last.bakes.push(b);
    else out.push({ name, bakes: [b] });
  }
  return out;
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

const columns =
  "grid-cols-[6rem_minmax(0,1fr)] md:max-lg:grid-cols-[7rem_9rem_minmax(0,1fr)_9rem] lg:grid-cols-[7rem_9rem_minmax(0,17rem)_9rem_minmax(0,1fr)]";

function Entry({ bake, zone, today }: { bake: BakeSummary; zone: string; today: string }) {
  const over = bake.phase === "out" || bake.phase === "abandoned";
  const refuses = bake.moments?.some((m) => m.kind === "refused" && !m.done);
  return (
    <li data-bake={bake.id} className={`grid gap-x-6 py-3 md:items-center ${columns}`}>
      <Look bake={bake} />
      <p className="figures self-center text-soft">
        {dayName(day(bake.startedAt, zone), today)} <b className="text-ink">{clock(bake.startedAt, zone)}</b>
      </p>
      <p className="min-w-0 text-lg leading-6 font-semibold wrap-anywhere max-md:col-start-2">
        <Link to={over ? `/log/${bake.id}` : `/watch/${bake.id}`} className="text-rim underline decoration-rule underline-offset-4">
          {bake.recipe}
        </Link>
        <span className="block text-sm font-normal text-soft">
          <span className="fraction">{bake.size}</span> · {bake.machine} · {cycleTitle(bake.cycle)}
        </span>
      </p>
      <p className="max-md:col-start-2">
        {bake.rehearsed && <span className="block text-sm text-soft">practice</span>}
        {over ? (
          bake.phase === "abandoned" && !bake.mark ? (
            <span className="text-soft">ended early</span>
          ) : (
            <Mark mark={bake.mark} />
          )
        ) : (
          <b className="text-leaf">{refuses ? "not started" : standing[bake.phase]}</b>
        )}
      </p>
      <p className="min-w-0 wrap-anywhere max-md:col-start-2 md:max-lg:col-span-2 md:max-lg:col-start-3">{bake.note}</p>
    </li>
  );
}

/** The loaf as it was photographed, else drawn as it was judged. */
function Look({ bake }: { bake: BakeSummary }) {
  const place = "h-16 w-24 shrink-0 max-md:row-span-4 md:w-28";
  if (bake.photo)
    return (
      <img src={photoAt(bake.photo, true)} alt="" loading="lazy" className={`${place} rounded-tray border-2 border-rule object-cover`} />
    );
  if (!bake.mark) return <span className={place} />;
  return <LoafPicture signs={bake.signs ?? []} crust={bake.crust ?? "medium"} className={place} />;
}

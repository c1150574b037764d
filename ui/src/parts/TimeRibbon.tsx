import type { MachineSpan, RecipeFinish, TimetableMoment } from "../client/types.gen";
import { Pins } from "./Pins";
import { look } from "./stages";
import { clock, inHours } from "./time";

const short: Partial<Record<TimetableMoment["kind"], string>> = {
  look: "look at the dough",
  "held back": "add the rest",
  paddle: "paddle out",
  "add-ins": "add-ins in",
  scrape: "scrape the sides",
  ready: "take it out",
  filling: "filling ready",
  brush: "glaze on",
  shaped: "let it rise",
  oven: "into the oven",
  eaten: "out of the oven",
};

const breakShare = 9; // per cent of the width that a long delay takes

interface Props {
  press: string;
  start: string; // what the button is called
  begin: string;
  stages: MachineSpan[];
  moments: TimetableMoment[];
  total: number;
  keepWarm: number;
  finish?: RecipeFinish; // of a dough: what follows the machine
  zone: string;
  now?: number;
}

/** The bake on the clock, to scale; a delay of more than three hours is a marked break. */
export function TimeRibbon({ press, start, begin, stages, moments, total, keepWarm, finish, zone, now }: Props) {
  const wait = Math.max(0, Math.round((Date.parse(begin) - Date.parse(press)) / 60_000));
  const broken = wait > 180;
  const byHand = finish
    ? ([
        ["shape", finish.shape],
        ["rise", finish.rise],
        ["oven", finish.oven],
      ] as const)
    : [];
  const after = total + keepWarm + byHand.reduce((sum, [, minutes]) => sum + minutes, 0);
  const scale = broken ? (100 - breakShare) / after : 100 / (wait + after);
  const lead = broken ? breakShare : wait * scale;
  const x = (minute: number) => lead + minute * scale;
  const at = (minute: number) => clock(Date.parse(begin) + minute * 60_000, zone);
  const sinceBegin = now === undefined ? undefined : (now - Date.parse(begin)) / 60_000;
  // Between two stages the machine may stand still, for hands.
  const gap = (s: MachineSpan, n: number) => {
    const stands = s.from - (stages[n - 1]?.to ?? 0);
    return (
      stands > 0 && (
        <div
          key={`before ${s.from}`}
          style={{ width: `${stands * scale}%` }}
          title={`it waits for your hands, about ${inHours(stands)}`}
          className="grid place-items-center overflow-hidden border-x border-dashed border-rim font-semibold whitespace-nowrap text-ink"
        >
          {stands * scale > 4 ? "hands" : ""}
        </div>
      )
    );
  };
  const heard = [
    `${clock(press, zone)}: press ${start}`,
    ...(wait > 0 ? [`${at(0)}: it begins, after a wait of ${inHours(wait)}`] : []),
    ...stages.map((s) => `${at(s.from)} to ${at(s.to)}: ${look[s.kind].name}, ${inHours(s.to - s.from)}`),
    ...moments.filter((m) => m.person).map((m) => `${at(m.after)}: ${m.say}`),
    ...byHand.map(([name, minutes]) => `then ${name}, ${inHours(minutes)}`),
    ...(keepWarm > 0 ? [`kept warm until ${at(after)}`] : []),
  ];
  return (
    <>
      <ol className="sr-only">
        {heard.map((say) => (
          <li key={say}>{say}</li>
        ))}
      </ol>
      <div aria-hidden="true" className="relative h-28 select-none text-xs">
        <Pins
          pins={[
            { left: 0, time: clock(press, zone), say: `press ${start}` },
            ...moments
              .filter((m) => m.person)
              .map((m) => ({ left: x(m.after), time: m.upTo ? `${at(m.after)}–${at(m.upTo)}` : at(m.after), say: short[m.kind] ?? m.say })),
          ]}
        />
        <div className="absolute inset-x-0 top-12 flex h-8 overflow-hidden rounded-tray border-2 border-rim">
          {wait > 0 && (
            <div
              style={{ width: `${lead}%` }}
              className="grid place-items-center overflow-hidden border-r-2 border-dashed border-rim font-semibold whitespace-nowrap text-soft"
            >
              {broken ? inHours(wait) : lead > 8 ? "wait" : ""}
            </div>
          )}
          {stages.flatMap((s, n) => [
            gap(s, n),
            <div
              key={s.from}
              style={{ width: `${(s.to - s.from) * scale}%` }}
              title={`${look[s.kind].name} ${inHours(s.to - s.from)}, ${at(s.from)} to ${at(s.to)}`}
              className={`grid place-items-center overflow-hidden border-r border-enamel font-semibold whitespace-nowrap ${look[s.kind].paint}`}
            >
              {(s.to - s.from) * scale > 4.5 ? look[s.kind].name : ""}
            </div>,
          ])}
          {byHand.map(([name, minutes]) => (
            <div
              key={name}
              style={{ width: `${minutes * scale}%` }}
              title={`${name} ${inHours(minutes)}`}
              className="grid place-items-center overflow-hidden border-r border-dashed border-rim font-semibold whitespace-nowrap text-ink"
            >
              {minutes * scale > 4 ? name : ""}
            </div>
          ))}
          {keepWarm > 0 && (
            <div style={{ width: `${keepWarm * scale}%` }} className="grid place-items-center overflow-hidden whitespace-nowrap text-soft">
              keep warm
            </div>
          )}
        </div>
        {stages
          .filter((s) => s.kind === "bake")
          .map((s) => (
            <Tick key={s.from} left={x(s.from)} text={`bakes ${at(s.from)}`} />
          ))}
        {wait > 0 && <Tick left={x(0)} text={`begins ${at(0)}`} />}
        {keepWarm > 0 && <Tick left={100} text={`warm until ${at(after)}`} end />}
        {sinceBegin !== undefined && sinceBegin <= after && (
          <div
            aria-hidden="true"
            className="absolute top-10 h-12 w-1.5 -translate-x-1/2 rounded bg-ink ring-2 ring-enamel"
            style={{ left: `${Math.max(0, sinceBegin < 0 ? lead * Math.max(0, 1 + sinceBegin / Math.max(wait, 1)) : x(sinceBegin))}%` }}
          />
        )}
      </div>
    </>
  );
}

/** A moment that needs nobody. */
function Tick({ left, text, end }: { left: number; text: string; end?: boolean }) {
  return (
    <span
      className={`figures absolute top-[84px] whitespace-nowrap text-soft ${end ? "-translate-x-full" : ""}`}
      style={{ left: `${left}%` }}
    >
      {text}
    </span>
  );
}

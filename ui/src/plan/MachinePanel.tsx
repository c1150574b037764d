import { Button } from "../parts/Button";
import { Suspense } from "react";
import type { PlanAnswer, RecipeFinish, Wish } from "../client/types.gen";
import { Link, useLocation } from "react-router";
import { CrustSwatch } from "../parts/CrustSwatch";
import { awaited } from "../parts/later";
import { clock, day, dayName, display, inHours } from "../parts/time";
import { Term } from "../parts/Term";
import { TroubleNote } from "../parts/Trouble";
import { Cautions } from "./Cautions";
import { ToBench, useToBench } from "./ToBench";
import type { Why } from "./why";
import type { Change } from "./wish";
import { startButton } from "../parts/panel";

const NoYeast = awaited(() => import("./NoYeast"));

interface Props {
  answer: PlanAnswer;
  wish: Wish;
  renewed: number | undefined; // what the timer was to show when this plan was last looked at
  stale: boolean;
  ask: (why: Why) => void;
  change: (change: Change) => void;
  start: () => void;
}

/** What to set on the machine, and the press that begins the bake. */
export function MachinePanel({ answer, wish, renewed, stale, ask, change, start }: Props) {
  const { plan, zone, now } = answer;
  const { setting, timer } = plan;
  const bench = useToBench(answer, wish, stale);
  const { refused } = bench;
  const hands = plan.moments.find((m) => m.waits)?.hands ?? 0;
  const pressDay = dayName(day(timer.press, zone), day(now, zone));
  return (
    <section aria-labelledby="panel" className="flex h-full min-h-0 min-w-0 flex-col">
      <div className="min-h-0 flex-1 lg:overflow-y-auto">
        <h2 id="panel" className="text-sm font-semibold text-soft">
          Settings
        </h2>
        <dl className="mt-1 border-y border-rule">
          <Row name="Cycle" word="Cycle" why={() => ask({ about: "cycle" })}>
            <span className="figures mr-2 text-xl leading-8 font-bold" data-cycle={setting.cycle.id}>
              {setting.cycle.panel}
            </span>
            <span className="text-lg font-semibold">{setting.cycle.name !== setting.cycle.panel && setting.cycle.name}</span>
          </Row>
          <Row name="Crust" word="Crust" why={() => ask({ about: "crust" })}>
            <span className="flex items-center gap-2 text-lg font-semibold">
              <CrustSwatch crust={setting.crust} />
              {setting.hasCrust ? setting.crust : "no choice"}
            </span>
          </Row>
          {setting.hasSize && (
            <Row name="Size" word="Loaf size">
              <span className="fraction text-lg font-semibold" data-setting>
                {setting.size}
              </span>
            </Row>
          )}
          <Row name="Timer" word="Delay timer">
            {timer.setting > 0 ? (
              <span className="figures text-xl leading-8 font-bold" data-timer>
                {display(timer.setting)}
              </span>
            ) : (
              <span className="text-lg font-semibold" data-timer>
                no delay
              </span>
            )}
          </Row>
          {plan.eaten && (
            <Row name="Dough">
              <At time={timer.ready} zone={zone} now={now} />
            </Row>
          )}
          <Row name={plan.eaten ? "Eaten" : "Ready"}>
            <At time={plan.eaten ?? timer.ready} zone={zone} now={now} last />
          </Row>
        </dl>
        {!refused && (
          <button
            type="button"
            onClick={() => ask({ about: "presses" })}
            data-presses
            className="mt-1 min-h-6 text-left text-xs leading-5 font-semibold text-rim underline"
          >
            <span className="text-soft">Presses: </span>
            {setting.label}
          </button>
        )}
        {renewed !== undefined && (
          <p role="status" className="text-xs">
            Time has gone by: the timer was to show {renewed > 0 ? display(renewed) : "no delay"}, and is worked out again from now.
          </p>
        )}
        <Cautions cautions={plan.cautions} revision={answer.revision} wish={wish} change={change} />
        {!refused && (
          <p className="mt-2 text-xs text-soft">
            Press {startButton(plan)} at <b className="figures text-ink">{clock(timer.press, zone)}</b>
            {pressDay !== "today" && ` ${pressDay}`}
            {timer.setting > 0 && (
              <>
                : the timer counts{" "}
                {timer.rule === "finish-based"
                  ? `hours until the ${plan.eaten ? "dough" : "bread"} is done`
                  : "hours until the cycle begins"}
              </>
            )}
            . The cycle takes {inHours(setting.total)}
            {plan.finish && `, then ${finishing(plan.finish)}`}
            {hands > 0 && `, and it waits about ${inHours(hands)} for your hands`}.
            {timer.early > 0 && timer.fit !== "too soon" && ` ${inHours(timer.early)} before you asked: the timer goes in steps.`}
            {timer.late > 0 && timer.fit === "delayed" && ` ${inHours(timer.late)} after you are home.`}
            {setting.slack > 0 && ` Its warming up varies: it may be ready up to ${inHours(setting.slack)} sooner.`}
          </p>
        )}
        {answer.noYeast && (
          <Suspense>
            <NoYeast recipes={answer.noYeast} change={change} />
          </Suspense>
        )}
      </div>
      <div className="bg-enamel pt-1">
        <TroubleNote error={bench.error} />
        <ToBench bench={bench} className="w-full px-2 max-md:hidden" />
        <p className="flex flex-wrap items-center gap-x-2 text-sm">
          Loaded already?
          <Button data-start onClick={start} disabled={refused || stale || plan.later} look="text">
            {plan.later ? `Start at ${clock(timer.press, zone)}` : "Start the bake"}
          </Button>
        </p>
        <OnPaper bagged={!!wish.loaf.bag || !!plan.batch} />
        <p className="text-xs text-soft">
          {(plan.allergens ?? []).length > 0 && `Contains ${plan.allergens.join(", ")}${plan.unknown ? ", and maybe more" : ""}. `}
          Your machine’s own booklet comes first.
        </p>
      </div>
    </section>
  );
}

/** This loaf on paper, or measured into bags for later. */
function OnPaper({ bagged }: { bagged: boolean }) {
  const { search } = useLocation();
  const link = "min-h-8 content-center font-semibold text-rim underline";
  return (
    <p className="flex flex-wrap gap-x-4 text-sm">
      <Link to={`/paper/card${search}`} className={link}>
        Card
      </Link>
      <Link to={`/rehearse${search}`} className={link}>
        Practise
      </Link>
      {!bagged && (
        <Link to={`/bags/new${search}`} className={link}>
          Make ready-mix bags
        </Link>
      )}
    </p>
  );
}

const finishing = ({ shape, rise, oven }: RecipeFinish) =>
  [shape > 0 && `${inHours(shape)} to shape it`, rise > 0 && `${inHours(rise)} to rise`, oven > 0 && `${inHours(oven)} in the oven`]
    .filter(Boolean)
    .join(", ");

/** A moment on the clock, with its day. */
function At({ time, zone, now, last }: { time: string; zone: string; now: string; last?: boolean }) {
  return (
    <>
      <span className="figures text-xl leading-8 font-bold" data-ready={last || undefined}>
        {clock(time, zone)}
      </span>
      <span className="ml-2 text-soft">{dayName(day(time, zone), day(now, zone))}</span>
    </>
  );
}

function Row({ name, word, why, children }: { name: string; word?: string; why?: () => void; children: React.ReactNode }) {
  return (
    <div className="flex min-h-10 items-center border-b border-rule py-0.5 last:border-b-0">
      <dt className="w-16 text-xs text-soft">{word ? <Term word={word}>{name}</Term> : name}</dt>
      <dd className="flex min-w-0 flex-1 items-baseline">{children}</dd>
      {why && (
        <dd>
          <Button onClick={why} look="text" size="small" className="px-2 text-xs">
            why<span className="sr-only"> this {name.toLowerCase()}</span>
          </Button>
        </dd>
      )}
    </div>
  );
}

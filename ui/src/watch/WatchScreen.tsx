import { useState } from "react";
import { Navigate, useNavigate, useParams } from "react-router";
import { useNow } from "../client/clock";
import { useAtHand, useAwake } from "../bench/hands";
import { useBake, useTellBake } from "../client/bakes";
import type { BakeView, Happened } from "../client/types.gen";
import { clock, countdown, display } from "../parts/time";
import { Photos } from "../parts/Photos";
import { TimeRibbon } from "../parts/TimeRibbon";
import { TroubleNote } from "../parts/Trouble";
import { DoughBall } from "./DoughBall";
import { DueNow } from "./DueNow";
import { AfterOutage } from "./AfterOutage";
import { Moments } from "./Moments";
import { NextOnTheDay } from "./NextOnTheDay";
import { Otherwise } from "./Otherwise";
import { Rise } from "./Rise";
import { useTold } from "./untold";
import { TakeOut } from "./TakeOut";
import { Troubles } from "./Troubles";
import { cycleTitle, startButton } from "../parts/panel";
import { Made } from "../parts/Made";

const stages = {
  rest: "Resting",
  knead: "Kneading",
  rise: "Rising",
  "knock-back": "Knocking back",
  bake: "Baking",
  boil: "Boiling",
  warm: "Kept warm",
} as const;

// A countdown with hours is set smaller, so that it stays in its half of the screen.
const minutes = "text-[clamp(72px,13vw,152px)]";
const hours = "text-[clamp(56px,8vw,104px)]";
const big = "text-[clamp(48px,6vw,80px)] leading-none font-bold";

function phaseName(bake: BakeView): string {
  const { state, plan } = bake;
  if (state.paused === "refused") return "Not started: it refuses";
  switch (state.phase) {
    case "waiting":
      return "Waiting for the delay";
    case "running":
      if (state.paused) return `Paused: it waits for ${startButton(plan)}`;
      return state.stage && state.ends ? `${stages[state.stage]} until ${clock(state.ends, bake.zone)}` : "Running";
    case "warm":
      return "Ready, kept warm";
    case "cold":
      return "Ready, and no longer warm";
    case "in hand":
      return state.freed ? "Being shaped" : "The dough is ready";
    case "out":
      return plan.eaten ? "Out of the oven" : "Out of the pan";
    case "abandoned":
      return "Stopped early";
  }
}

/** The running bake: the time to the next moment, the stage now, and all that is to come. */
export default function WatchScreen() {
  const { id = "" } = useParams();
  const bake = useBake(id);
  if (bake.error && !bake.data)
    return (
      <div className="p-8">
        <TroubleNote error={bake.error} />
      </div>
    );
  if (!bake.data) return <p className="p-8 text-lg text-soft">Looking at the machine …</p>;
  return <Running bake={bake.data} fresh={bake.dataUpdatedAt > 0} />;
}

/** What the page before has seen is shown until the server answers; nothing is done by it alone. */
function Running({ bake: heard, fresh }: { bake: BakeView; fresh: boolean }) {
  const bake = useTold(heard);
  const now = useNow();
  useAwake();
  useAtHand();
  const tell = useTellBake(bake.id);
  const navigate = useNavigate();
  const [ending, setEnding] = useState(false);
  const { state, plan, zone } = bake;
  const over = state.phase === "out" || state.phase === "abandoned";
  if (over && fresh && !tell.isPending && !ending) return <Navigate to={`/verdict/${bake.id}`} replace />;
  const next = state.moments.find((m) => Date.parse(m.at) > now && !m.done);
  const counted = next ? countdown(Date.parse(next.at) - now) : "";
  const ready = Date.parse(state.ready) <= now;
  const wait = state.moments.find((m) => m.id === state.paused);
  const held = !!wait && Date.parse(wait.at) + (wait.hands ?? 0) * 60_000 <= now; // its hands are done by now
  const dough = !!plan.eaten; // it goes on when the machine is done
  const end = (what: Happened["what"]) => {
    setEnding(true);
    tell.mutate({ what }, { onSuccess: () => navigate(`/verdict/${bake.id}`), onError: () => setEnding(false) });
  };
  return (
    <div className="flex min-h-full flex-col gap-3 px-6 py-3">
      <header className="flex flex-wrap items-baseline gap-x-4">
        <h1 className="text-xl font-bold">{plan.recipe}</h1>
        <p className="text-lg text-soft">
          <Made loaf={plan} /> · {plan.machine} · {cycleTitle(plan.setting.cycle)}
        </p>
      </header>
      <NextOnTheDay before={ready && !dough ? 0 : next && Date.parse(next.at)} />
      <AfterOutage bake={bake} tell={(h) => tell.mutate(h)} wait={tell.isPending} />
      <DueNow bake={bake} now={now} tell={(h) => tell.mutate(h)} wait={tell.isPending} />
      <DoughBall bake={bake} now={now} tell={(h) => tell.mutate(h)} wait={tell.isPending} />
      <Rise bake={bake} tell={(h) => tell.mutate(h)} wait={tell.isPending} />
      <div className="grid flex-1 grid-cols-1 gap-8 lg:grid-cols-2">
        <section aria-label="Now" className="flex flex-col justify-center">
          <p className="text-xl font-semibold text-leaf" data-phase={state.phase}>
            {phaseName(bake)}
          </p>
          {held ? (
            <>
              <p className={big}>Press {startButton(plan)}</p>
              <p className="mt-2 text-xl">What comes after waits for it: the times here move with every minute.</p>
            </>
          ) : next && (!ready || dough) ? (
            <>
              <p role="timer" className={`figures leading-none font-bold ${counted.length > 5 ? hours : minutes}`} data-countdown>
                {counted}
              </p>
              <p className="mt-2 text-xl">
                until <b className="figures">{clock(next.at, zone)}</b> · {next.say}
              </p>
              {!ready && state.paused !== "refused" && (
                <p className="mt-1 text-lg text-soft">
                  The machine still takes <b className="figures text-ink">{display(Math.ceil((Date.parse(state.ready) - now) / 60_000))}</b>{" "}
                  in all.
                </p>
              )}
            </>
          ) : (
            <>
              <p className={big}>{dough ? "Out of the oven" : "Take it out"}</p>
              <p className="mt-2 text-xl">
                Ready since <b className="figures">{clock(plan.eaten ?? state.ready, zone)}</b>.
                {state.hot && now < Date.parse(state.hot) && " Oven gloves: it is hot."}
              </p>
            </>
          )}
          {state.lid && <p className="mt-1 max-w-prose text-soft">{state.lid}</p>}
          <div className="mt-4 flex flex-wrap gap-3">
            {ready && dough && !state.freed ? (
              <Button strong press={() => tell.mutate({ what: "done", moment: "ready" })} wait={tell.isPending}>
                The dough is out of the machine
              </Button>
            ) : ready ? (
              <Button strong press={() => end("taken out")} wait={tell.isPending}>
                {dough ? "It is out of the oven" : "The loaf is out of the pan"}
              </Button>
            ) : (
              <Button press={() => end("abandoned")} wait={tell.isPending}>
                End this bake early
              </Button>
            )}
          </div>
          {ready && !state.freed && <TakeOut out={state.out} ending={plan.ending} />}
          <div className="mt-4">
            <TroubleNote error={tell.error} />
          </div>
        </section>
        <div className="self-center">
          <Moments bake={bake} now={now} tell={(h) => tell.mutate(h)} />
          <Photos bake={bake} ask="Add a photo" />
          <Troubles bake={bake} tell={(h) => tell.mutate(h)} wait={tell.isPending} />
          {!ready && <Otherwise bake={bake} now={now} tell={(h) => tell.mutate(h)} wait={tell.isPending} />}
        </div>
      </div>
      <div role="region" aria-label="Time ribbon" tabIndex={0} className="max-md:overflow-x-auto">
        <div className="max-md:min-w-160">
          <TimeRibbon
            press={bake.startedAt}
            start={startButton(plan)}
            begin={state.begin}
            stages={state.stages}
            moments={state.moments}
            total={state.total}
            keepWarm={plan.setting.keepWarm}
            finish={plan.finish}
            zone={zone}
            now={now}
          />
        </div>
      </div>
    </div>
  );
}

function Button({ strong, press, wait, children }: { strong?: boolean; press: () => void; wait: boolean; children: React.ReactNode }) {
  const look = strong ? "bg-rim text-on-rim" : "border-2 border-rim text-rim";
  return (
    <button type="button" onClick={press} disabled={wait} className={`min-h-14 rounded-tray px-6 text-lg font-bold ${look}`}>
      {children}
    </button>
  );
}

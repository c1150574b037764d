import { Volume2, VolumeOff, X } from "lucide-react";
import { useState } from "react";
import { useNavigate } from "react-router";
import { Trouble } from "../client/api";
import { useStartBake } from "../client/bakes";
import { useAtBench } from "../client/bench";
import type { BenchView } from "../client/types.gen";
import { TroubleNote } from "../parts/Trouble";
import { canSpeak, useAtHand, useAwake, useKeys, useReading, useSwipe } from "./hands";
import { Slip } from "./Slip";
import { useDone } from "./done";
import { StepView } from "./StepView";
import { Waits } from "./Waits";
import { Made } from "../parts/Made";
import { startButton } from "../parts/panel";

/** One step at a time; the whole screen, Space or a swipe goes on. */
export function Bench({ bench }: { bench: BenchView }) {
  const { steps, session, plan } = bench;
  const { tell, error } = useAtBench(bench.id);
  const start = useStartBake();
  const navigate = useNavigate();
  const [looked, look] = useState<string | null>(null); // the step that the baker went back or on to
  const [asked, ask] = useState<string | null>(null); // the step whose question is being answered
  const [slipping, slip] = useState<string | null>(null); // the line of which another amount went in
  const { done: finished, untold } = useDone(bench);
  const done = (id: string) => finished.has(id);
  // A wait goes on by itself, unless what comes after needs its end.
  const open = steps.findIndex((s) => !done(s.id) && !(s.wait && !s.holds && session.begun[s.id]));
  const first = open >= 0 ? open : steps.findIndex((s) => !done(s.id));
  const chosen = looked === null ? -1 : steps.findIndex((s) => s.id === looked);
  const at = chosen >= 0 ? chosen : first < 0 ? steps.length - 1 : first;
  const step = steps[at]!;
  const line = plan.lines.find((l) => l.id === step.line);
  const slipped = plan.lines.find((l) => l.id === slipping);
  const last = at === steps.length - 1;
  const refused = bench.refusal;
  useAwake();
  useAtHand();
  const [reading, read] = useReading([step.say, step.aloud, ...(step.list ?? [])].filter(Boolean).join(". "));

  const go = (n: number) => {
    ask(null);
    look(n === first ? null : (steps[n]?.id ?? null)); // where the hands are, this device follows every other
  };
  const begin = () =>
    start.mutate(
      { wish: bench.wish, digest: bench.digest, bench: bench.id },
      {
        onSuccess: (bake) => navigate(`/watch/${bake.id}`),
        onError: () => tell({ do: "undone", step: "panel" }, () => look("panel")), // time has moved the timer: set it anew
      },
    );
  const clear = () => tell({ do: "cleared" }, () => navigate(`/bench?cleared=${bench.id}`));
  const next = () => {
    if (slipping || start.isPending) return;
    if (step.ask && !done(step.id) && asked !== step.id) return ask(step.id);
    if (last) return begin();
    if (done(step.id)) return go(at + 1);
    ask(null);
    look(null);
    tell({ do: "done", step: step.id });
  };
  const back = () => !slipping && at > 0 && go(at - 1);
  const held = step.holds && !done(step.id); // only its own button says that it is over
  const pass = () => !held && next();
  useKeys({ next: pass, back });
  const swipe = useSwipe({ next: pass, back });
  const count = steps.filter((s) => done(s.id)).length;

  return (
    <div className="flex min-h-full flex-1 flex-col" {...swipe}>
      <header className="flex items-center gap-3 border-b-2 border-rim px-4 py-1">
        <h1 className="min-w-0 flex-1 text-lg font-bold wrap-anywhere">
          {plan.recipe}{" "}
          <span className="font-normal text-soft">
            <Made loaf={plan} />
          </span>
        </h1>
        <p className="figures text-lg" data-count>
          {count} of {steps.length}
        </p>
        <button type="button" onClick={clear} title="Clear the bench" className="grid size-14 place-items-center rounded-tray text-rim">
          <X size={24} aria-hidden="true" />
          <span className="sr-only">Clear the bench</span>
        </button>
        {canSpeak() && (
          <button
            type="button"
            aria-pressed={reading}
            onClick={() => read(!reading)}
            title={reading ? "Stop reading aloud" : "Read each step aloud"}
            className="grid size-14 place-items-center rounded-tray text-rim aria-pressed:bg-rim aria-pressed:text-on-rim"
          >
            {reading ? <Volume2 size={24} aria-hidden="true" /> : <VolumeOff size={24} aria-hidden="true" />}
            <span className="sr-only">Read aloud</span>
          </button>
        )}
      </header>
      <div
        className="h-2 bg-shelf"
        role="progressbar"
        aria-label="Steps done"
        aria-valuenow={count}
        aria-valuemin={0}
        aria-valuemax={steps.length}
      >
        <div className="h-2 bg-leaf" style={{ width: `${(100 * count) / steps.length}%` }} />
      </div>
      <Waits bench={bench} go={(id) => look(id)} />
      {session.slips > 0 && (
        <p className="flex flex-wrap items-center gap-x-4 border-b border-rule px-4 text-lg">
          {session.have ? "The loaf has grown to what went in." : "The rest is measured around what went in."}
          <button type="button" onClick={() => tell({ do: "mended" })} className="min-h-14 font-semibold text-rim underline">
            Take that back
          </button>
        </p>
      )}
      {bench.cautions?.map((c) => (
        <p key={c.say} className={`border-l-4 px-4 py-1 text-lg ${c.level === "ask" ? "border-signal" : "border-rim"}`}>
          {c.say}
        </p>
      ))}
      {untold > 0 && (
        <p role="status" className="border-l-4 border-rim px-4 py-1 text-lg" data-untold>
          The server does not answer. Go on: {untold === 1 ? "one thing waits" : `${untold} things wait`} to be written down, and will be,
          also if this page is closed.
        </p>
      )}
      {bench.changed && (
        <p className="border-l-4 border-rim px-4 py-1 text-lg" data-changed>
          The {bench.changed.join(" and the ")} {bench.changed.length > 1 ? "were" : "was"} changed elsewhere since this loaf was begun. It
          goes on as it was begun.
        </p>
      )}
      {bench.passed && (
        <p className="border-l-4 border-rim px-4 py-1 text-lg">
          The ready time that you wished for has passed: everything is worked out for now.
        </p>
      )}
      {slipped ? (
        <Slip
          key={slipped.id}
          bench={bench.id}
          line={slipped}
          problem={error instanceof Trouble ? error.problem : undefined}
          close={() => slip(null)}
          answer={(amount, exit) => {
            const settled = () => {
              slip(null);
              look(null);
            };
            const measured = () => {
              settled(); // at once: another press may come before the step is told
              tell({ do: "done", step: bench.steps.find((s) => s.kind === "measure" && s.line === slipped.id)?.id });
            };
            if (exit === "lift") measured();
            else if (exit === "again") tell({ do: "emptied" }, settled);
            else tell({ do: "slip", line: slipped.id, amount, way: exit }, measured);
          }}
        />
      ) : (
        <StepView
          bench={bench}
          step={step}
          line={line}
          done={done(step.id)}
          asked={asked === step.id}
          press={pass}
          wrong={slip}
          begin={() => tell({ do: "begun", step: step.id })}
        />
      )}
      <TroubleNote error={error instanceof Trouble && error.problem.pointer === "/amount" ? null : (error ?? start.error)} />
      {last && refused && (
        <p role="alert" className="border-l-4 border-signal px-4 py-2 text-lg">
          {refused.say}
        </p>
      )}
      {!slipping && (
        <footer className="flex gap-2 border-t-2 border-rim p-2">
          <button
            type="button"
            onClick={back}
            disabled={at === 0}
            className="min-h-16 rounded-tray border-2 border-rim px-5 text-lg font-semibold text-rim disabled:border-rule disabled:text-soft"
          >
            Back
          </button>
          {step.kind === "measure" && (
            <button
              type="button"
              onClick={() => slip(step.line ?? null)}
              className="min-h-16 rounded-tray border-2 border-rim px-4 text-lg leading-6 font-semibold text-rim"
            >
              Too much?
            </button>
          )}
          {step.fails && !done(step.id) && (
            <button
              type="button"
              onClick={() => tell({ do: "emptied" }, () => look(null))}
              className="min-h-16 rounded-tray border-2 border-rim px-4 text-lg leading-6 font-semibold text-rim"
            >
              No froth
            </button>
          )}
          {done(step.id) && !last && (
            <button
              type="button"
              onClick={() => tell({ do: "undone", step: step.id })}
              className="min-h-16 rounded-tray border-2 border-rim px-4 text-lg leading-6 font-semibold text-rim"
            >
              Not done after all
            </button>
          )}
          <button
            key={held ? "held" : "next"} // a new one, which the hand that pressed the one before does not hold
            type="button"
            onClick={next}
            disabled={last && (!!refused || start.isPending)}
            data-next
            className="min-h-16 flex-1 rounded-tray bg-rim px-4 text-xl font-bold text-on-rim disabled:bg-shelf disabled:text-soft"
          >
            {last
              ? start.isPending
                ? "Writing it down …"
                : `I have pressed ${startButton(plan)}`
              : asked === step.id
                ? "Yes, I looked"
                : step.kind === "wait" && !done(step.id)
                  ? step.fails
                    ? "It froths"
                    : "It is ready"
                  : "Next"}
          </button>
        </footer>
      )}
    </div>
  );
}

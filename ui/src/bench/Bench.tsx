import { useState } from "react";
import { useNavigate } from "react-router";
import { Trouble } from "../client/api";
import { useStartBake } from "../client/bakes";
import { useAtBench } from "../client/bench";
import type { BenchView } from "../client/types.gen";
import { startButton } from "../parts/panel";
import { TroubleNote } from "../parts/Trouble";
import { BenchFoot } from "./BenchFoot";
import { BenchHead } from "./BenchHead";
import { BenchNotices } from "./BenchNotices";
import { useDone } from "./done";
import { useAtHand, useAwake, useKeys, useReading, useSwipe } from "./hands";
import { Slip } from "./Slip";
import { StepView } from "./StepView";
import { Waits } from "./Waits";
import { useWalk } from "./walk";

/** One step at a time; the whole screen, Space or a swipe goes on. */
export function Bench({ bench }: { bench: BenchView }) {
  const { steps, plan, refusal } = bench;
  const { tell, error } = useAtBench(bench.id);
  const start = useStartBake();
  const navigate = useNavigate();
  const { done: finished, untold } = useDone(bench);
  const { at, step, count, last, done, go, look } = useWalk(bench, finished);
  const [asked, ask] = useState<string | null>(null); // the step whose question is being answered
  const [slipping, slip] = useState<string | null>(null); // the line of which another amount went in
  const slipped = plan.lines.find((l) => l.id === slipping);
  useAwake();
  useAtHand();
  const [reading, read] = useReading([step.say, step.aloud, ...(step.list ?? [])].filter(Boolean).join(". "));

  const turn = (n: number) => {
    ask(null);
    go(n);
  };
  const begin = () =>
    start.mutate(
      { wish: bench.wish, digest: bench.digest, bench: bench.id },
      {
        onSuccess: (bake) => navigate(`/watch/${bake.id}`),
        onError: () => tell({ do: "undone", step: "panel" }, () => look("panel")), // time has moved the timer: set it anew
      },
    );
  const next = () => {
    if (slipping || start.isPending) return;
    if (step.ask && !done(step.id) && asked !== step.id) return ask(step.id);
    if (last) return begin();
    if (done(step.id)) return turn(at + 1);
    ask(null);
    look(null);
    tell({ do: "done", step: step.id });
  };
  const back = () => !slipping && at > 0 && turn(at - 1);
  const held = !!step.holds && !done(step.id);
  const pass = () => !held && next();
  useKeys({ next: pass, back });
  const swipe = useSwipe({ next: pass, back });

  return (
    <div className="flex min-h-full flex-1 flex-col" {...swipe}>
      <BenchHead
        bench={bench}
        count={count}
        reading={reading}
        read={read}
        clear={() => tell({ do: "cleared" }, () => navigate(`/bench?cleared=${bench.id}`))}
      />
      <Waits bench={bench} go={(id) => look(id)} />
      <BenchNotices bench={bench} untold={untold} mend={() => tell({ do: "mended" })} />
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
              tell({ do: "done", step: steps.find((s) => s.kind === "measure" && s.line === slipped.id)?.id });
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
          line={plan.lines.find((l) => l.id === step.line)}
          done={done(step.id)}
          asked={asked === step.id}
          press={pass}
          wrong={slip}
          begin={() => tell({ do: "begun", step: step.id })}
        />
      )}
      <TroubleNote error={error instanceof Trouble && error.problem.pointer === "/amount" ? null : (error ?? start.error)} />
      {last && refusal && (
        <p role="alert" className="border-l-4 border-signal px-4 py-2 text-lg">
          {refusal.say}
        </p>
      )}
      {!slipping && (
        <BenchFoot
          step={step}
          done={done(step.id)}
          last={last}
          asked={asked === step.id}
          held={held}
          start={startButton(plan)}
          starting={start.isPending}
          refused={!!refusal}
          back={at > 0 ? back : undefined}
          next={next}
          slip={() => slip(step.line ?? null)}
          undo={() => tell({ do: "undone", step: step.id })}
          noFroth={() => tell({ do: "emptied" }, () => look(null))}
        />
      )}
    </div>
  );
}

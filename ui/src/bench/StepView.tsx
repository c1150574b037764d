import { Button } from "../parts/Button";
import { Check } from "lucide-react";
import type { BenchStep, BenchView, PlanLine } from "../client/types.gen";
import { inBox } from "../parts/addIns";
import { Amount, Scoops } from "../parts/Amount";
import { StuffSwatch, stuffFill } from "../parts/stuff";
import { PanSection } from "../plan/PanSection";
import { weight } from "../parts/figures";

interface Props {
  bench: BenchView;
  step: BenchStep;
  line: PlanLine | undefined;
  done: boolean;
  asked: boolean;
  press: () => void;
  begin: () => void;
  wrong: (line: string) => void; // another amount of it went in
}

/** One step, to be read from two metres; a press anywhere on it goes on. */
export function StepView({ bench, step, line, done, asked, press, begin, wrong }: Props) {
  const inPan = new Set(bench.session.filled);
  const measuring = step.kind === "measure" || step.kind === "top up";
  const pan = {
    pan: bench.plan.pan,
    lines: bench.plan.lines,
    box: inBox(bench.plan),
    lit: step.line ? [step.line] : [],
    light: () => undefined,
    filling: { done: inPan, next: step.line },
  };
  return (
    <div className="relative flex flex-1 cursor-pointer items-stretch" onClick={press}>
      <section aria-live="polite" data-step={step.id} className="flex flex-1 flex-col justify-center gap-3 px-6 py-6 md:px-12">
        {step.stuff && (
          <svg aria-hidden="true" className="absolute inset-y-0 left-0 h-full w-3 md:w-6">
            <rect width="100%" height="100%" fill={stuffFill(step.stuff)} />
          </svg>
        )}
        {measuring && (
          <div className="h-28 w-40 md:hidden">
            <PanSection {...pan} small />
          </div>
        )}
        {done && (
          <p className="flex items-center gap-2 text-lg font-semibold text-leaf">
            <Check size={24} aria-hidden="true" />
            Done
          </p>
        )}
        {step.kind === "top up" && <p className="text-lg text-soft">The loaf has grown:</p>}
        {measuring && line && (
          <div data-big={line.ingredient}>
            {step.add ? (
              step.add.scoops.length > 0 ? (
                <Scoops scoops={step.add.scoops} spoken={step.aloud} size="huge" />
              ) : (
                <span className="figures text-[5rem] leading-[5.5rem] font-semibold">{weight(step.add.grams, !!line.fine)}</span>
              )
            ) : (
              <Amount line={line} size="huge" />
            )}
          </div>
        )}
        <h2 className={`font-bold ${measuring ? "text-2xl leading-tight" : "text-2xl leading-tight md:max-w-[24ch]"}`}>{step.say}</h2>
        {step.into && <p className="text-xl">into {step.into}</p>}
        {measuring && line && !line.pieces && (
          <p className="figures text-lg text-soft">
            {line.weight}
            {line.running && !step.into && (
              <>
                {" "}
                · scale under the pan then shows <b className="text-ink">{line.running}</b>
              </>
            )}
          </p>
        )}
        {step.list && step.list.length > 0 && (
          <ul className="grid max-w-3xl gap-x-8 text-lg leading-9 sm:grid-cols-2">
            {step.list.map((l) => (
              <li key={l} className="fraction border-b border-rule">
                {l}
              </li>
            ))}
          </ul>
        )}
        {step.kind === "recall" && (
          <ul className="grid max-w-4xl gap-x-8 sm:grid-cols-2">
            {bench.plan.lines
              .filter((l) => !l.part)
              .map((l) => (
                <li key={l.id} className="grid grid-cols-[16px_1fr_auto_auto] items-center gap-3 border-b border-rule">
                  <StuffSwatch stuff={l.stuff} />
                  <span className="text-lg font-semibold">{l.name}</span>
                  <Amount line={l} size="small" />
                  <Button
                    onClick={(e) => {
                      e.stopPropagation();
                      wrong(l.id);
                    }}
                    look="text"
                    className="px-1 text-base"
                  >
                    not so<span className="sr-only">: another amount of {l.name} went in</span>
                  </Button>
                </li>
              ))}
          </ul>
        )}
        {step.why && <p className="fraction max-w-[60ch] text-lg text-soft">{step.why}</p>}
        {step.fails && !done && <p className="max-w-[60ch] text-lg text-soft">{step.fails}</p>}
        {step.wait && !bench.session.begun[step.id] && !done && (
          <Button
            onClick={(e) => {
              e.stopPropagation();
              begin();
            }}
            size="huge"
            className="w-fit"
          >
            Start the {step.wait} minutes
          </Button>
        )}
        {asked && (
          <p role="alert" className="max-w-[40ch] border-l-4 border-signal pl-4 text-xl font-semibold">
            {step.ask}
          </p>
        )}
      </section>
      <div className="hidden min-h-0 w-2/5 max-w-[30rem] shrink-0 py-4 pr-4 md:block">
        <PanSection {...pan} />
      </div>
    </div>
  );
}

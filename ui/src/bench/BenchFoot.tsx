import { Button } from "../parts/Button";
import type { BenchStep } from "../client/types.gen";

interface Props {
  step: BenchStep;
  done: boolean;
  last: boolean;
  asked: boolean;
  held: boolean; // only its own button says that the step is over
  start: string; // what the machine's start button is called
  starting: boolean;
  refused: boolean;
  back: (() => void) | undefined; // none at the first step
  next: () => void;
  slip: () => void;
  undo: () => void;
  noFroth: () => void;
}

/** The presses below a step. */
export function BenchFoot({ step, done, last, asked, held, start, starting, refused, back, next, slip, undo, noFroth }: Props) {
  const says = () => {
    if (last) return starting ? "Saving …" : `I have pressed ${start}`;
    if (asked) return "Yes, I looked";
    if (step.kind === "wait" && !done) return step.fails ? "It froths" : "It is ready";
    return "Next";
  };
  return (
    <footer className="flex gap-2 border-t-2 border-rim p-2">
      <Button onClick={back} disabled={!back} size="huge">
        Back
      </Button>
      {step.kind === "measure" && (
        <Button onClick={slip} size="huge" className="leading-6">
          Too much?
        </Button>
      )}
      {step.fails && !done && (
        <Button onClick={noFroth} size="huge" className="leading-6">
          No froth
        </Button>
      )}
      {done && !last && (
        <Button onClick={undo} size="huge" className="leading-6">
          Not done after all
        </Button>
      )}
      <Button
        key={held ? "held" : "next"} // a new one, which the hand that pressed the one before does not hold
        onClick={next}
        disabled={last && (refused || starting)}
        data-next
        look="filled"
        size="huge"
        className="flex-1"
      >
        {says()}
      </Button>
    </footer>
  );
}

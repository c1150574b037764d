import { Advised } from "./Advised";
import { Button } from "../parts/Button";
import { useState } from "react";
import { DoughStands } from "../client/words.gen";
import type { BakeView, Happened } from "../client/types.gen";

interface Props {
  bake: BakeView;
  tell: (happened: Happened) => void;
  wait: boolean;
}

// How high each stands in the small drawing, 40 high to the rim at 14.
const looks: Record<DoughStands, number> = {
  "a third of the pan": 42,
  "half the pan": 36,
  "two thirds of the pan": 31,
  "four fifths of the pan": 26,
  "a finger below the rim": 22,
  "at the rim": 16,
  "a finger above the rim": 10,
  "touches the lid": 4,
};

/** While it rises: how high it stands, and what to do about it. */
export function Rise({ bake, tell, wait }: Props) {
  const { state } = bake;
  const [open, setOpen] = useState(false);
  const last = state.heights?.at(-1);
  if (state.phase !== "running" || (state.stage !== "rise" && state.stage !== "knock-back" && !last)) return null;
  const say = (stands: DoughStands) => {
    tell({ what: "stood", stands });
    setOpen(false);
  };
  return (
    <section aria-label="How high it stands" className="border-y border-rule py-1">
      {bake.rise && last && (
        <div className="max-w-prose text-lg" data-rise>
          <b className="inline-block first-letter:uppercase">{last.stands}:</b>
          <Advised advice={bake.rise} />
        </div>
      )}
      <Button aria-expanded={open} onClick={() => setOpen(!open)} look="text">
        {last ? "Update the height" : "Too high, too low? Say how high it stands"}
      </Button>
      {open && (
        <div className="grid grid-cols-2 gap-2 pb-2 sm:grid-cols-4 lg:grid-cols-8">
          {DoughStands.map((stands) => (
            <button
              key={stands}
              type="button"
              disabled={wait}
              onClick={() => say(stands)}
              className="rounded-tray border-2 border-rim p-1 text-center text-sm leading-5 font-semibold text-ink hover:bg-shelf"
            >
              <svg viewBox="0 0 96 56" className="mx-auto h-12 w-20" aria-hidden="true">
                <path
                  d={`M18 50V${looks[stands] + 5}Q18 ${looks[stands]} 30 ${looks[stands]}H66Q78 ${looks[stands]} 78 ${looks[stands] + 5}V50Z`}
                  fill="var(--mark)"
                  stroke="currentColor"
                  strokeWidth="2"
                />
                <path
                  d="M10 14H14V52H82V14H86"
                  fill="none"
                  stroke="currentColor"
                  strokeWidth="4"
                  strokeLinecap="round"
                  strokeLinejoin="round"
                />
                <path d="M14 3H82" stroke="currentColor" strokeWidth="3" strokeDasharray="6 4" />
              </svg>
              {stands}
            </button>
          ))}
        </div>
      )}
    </section>
  );
}

import { Volume2, VolumeOff, X } from "lucide-react";
import type { BenchView } from "../client/types.gen";
import { Made } from "../parts/Made";
import { canSpeak } from "./hands";

interface Props {
  bench: BenchView;
  count: number; // of steps that are done
  reading: boolean;
  read: (on: boolean) => void;
  clear: () => void;
}

/** What is measured, how far it is, and what can be done at any time. */
export function BenchHead({ bench, count, reading, read, clear }: Props) {
  const { plan, steps } = bench;
  return (
    <>
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
        <button type="button" onClick={clear} title="Stop measuring" className="grid size-14 place-items-center rounded-tray text-rim">
          <X size={24} aria-hidden="true" />
          <span className="sr-only">Stop measuring</span>
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
    </>
  );
}

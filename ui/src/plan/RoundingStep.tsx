import { Minus, Plus } from "lucide-react";
import type { PlanAnswer } from "../client/types.gen";
import type { Why } from "./why";
import type { Change } from "./wish";

interface Props {
  answer: PlanAnswer;
  change: (change: Change) => void;
  ask: (why: Why) => void;
}

/** Steps along the exact trade-off between less handling and closer amounts. */
export function RoundingStep({ answer, change, ask }: Props) {
  const { rounding } = answer.plan;
  const { chosen, first, choices } = rounding;
  if (choices.length === 0) return null; // each line on its own
  if (rounding.shift.scoops === 0) return <p className="text-xs text-soft">weighed</p>;
  const step = (by: number) => change({ closer: String(chosen + by - first) });
  const button =
    "grid size-8 max-md:size-11 place-items-center rounded-tray border-2 border-rim text-rim disabled:border-rule disabled:text-soft";
  return (
    <div role="group" aria-label="Rounding" className="flex items-center gap-2 text-sm">
      <button
        type="button"
        onClick={() => step(-1)}
        disabled={chosen === 0}
        aria-label="Fewer scoops"
        title="Fewer scoops and fewer different measures"
        className={button}
      >
        <Minus size={16} aria-hidden="true" />
      </button>
      <button
        type="button"
        onClick={() => ask({ about: "rounding" })}
        className="min-h-8 font-semibold text-rim underline"
        data-handling={choices[chosen]?.handling}
      >
        <span className="figures">{rounding.shift.scoops}</span> scoops
      </button>
      <button
        type="button"
        onClick={() => step(1)}
        disabled={chosen === choices.length - 1}
        aria-label="Closer"
        title="More exact"
        className={button}
      >
        <Plus size={16} aria-hidden="true" />
      </button>
    </div>
  );
}

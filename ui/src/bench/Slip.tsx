import { useState } from "react";
import type { PlanLine, Problem } from "../client/types.gen";

interface Props {
  line: PlanLine;
  problem: Problem | undefined;
  close: () => void;
  tell: (amount: string, way: "fit" | "grow") => void;
}

/** Another amount went in: what it was, and whether the rest is to fit or the loaf to grow. */
export function Slip({ line, problem, close, tell }: Props) {
  const [typed, setTyped] = useState("");
  const fault = problem?.pointer === "/amount" ? problem.detail : undefined;
  const choice =
    "min-h-16 rounded-tray border-2 border-rim px-5 text-left text-lg font-bold text-rim disabled:border-rule disabled:text-soft";
  return (
    <section aria-label="What really went in" className="flex flex-1 flex-col justify-center gap-3 px-6 py-6 md:px-12" data-own-keys>
      <h2 className="text-2xl leading-tight font-bold">How much {line.name} is in the pan?</h2>
      <label className="text-lg">
        All of it, as you measured
        <input
          autoFocus
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
          placeholder={line.pieces ? "2" : "2 tbsp"}
          aria-invalid={!!fault}
          className="figures mt-1 block h-16 w-full max-w-sm rounded-tray border-2 border-rim bg-enamel px-4 text-xl font-bold aria-invalid:border-signal"
        />
      </label>
      <p role="alert" className="text-lg text-signal">
        {fault}
      </p>
      <div className="grid max-w-xl gap-2">
        <button type="button" disabled={!typed.trim()} onClick={() => tell(typed.trim(), "fit")} className={choice}>
          Fit the rest to it
          <span className="block text-base font-normal">The other lines are measured around it, as near the recipe as they come.</span>
        </button>
        <button type="button" disabled={!typed.trim()} onClick={() => tell(typed.trim(), "grow")} className={choice}>
          Let the loaf grow to it<span className="block text-base font-normal">Everything follows; what is in already is topped up.</span>
        </button>
        <button type="button" onClick={close} className="min-h-14 text-left text-lg font-semibold text-rim underline">
          It was right after all
        </button>
      </div>
    </section>
  );
}

import { Button } from "../parts/Button";
import { useState } from "react";
import { Trouble } from "../client/api";
import { useWaysOut } from "../client/bench";
import type { BenchOut, PlanLine, Problem } from "../client/types.gen";
import { TroubleNote } from "../parts/Trouble";

interface Props {
  bench: string;
  line: PlanLine;
  problem: Problem | undefined;
  close: () => void;
  answer: (amount: string, exit: BenchOut["exit"]) => void;
}

/** Another amount went in: what it was, and what can be done about it, each with what it makes of the loaf. */
export function Slip({ bench, line, problem, close, answer }: Props) {
  const [typed, setTyped] = useState("");
  const [amount, ask] = useState("");
  const outs = useWaysOut(bench, line.id, amount);
  const refused = outs.error instanceof Trouble ? outs.error.problem : problem;
  const fault = refused?.pointer?.startsWith("/amount") && amount === typed.trim() ? refused.detail : undefined;
  const known = amount !== "" && amount === typed.trim();
  return (
    <section aria-label="What really went in" className="flex flex-1 flex-col justify-center gap-3 px-6 py-6 md:px-12" data-own-keys>
      <h2 className="text-2xl leading-tight font-bold">How much {line.name} is in the pan?</h2>
      <form
        onSubmit={(e) => {
          e.preventDefault();
          ask(typed.trim());
        }}
        className="flex flex-wrap items-end gap-3"
      >
        <label className="text-lg">
          All of it, as you measured
          <input
            autoFocus
            value={typed}
            onChange={(e) => setTyped(e.target.value)}
            placeholder={line.packets ? "2 packets" : line.pieces ? "2" : "2 tbsp"}
            aria-invalid={!!fault}
            className="figures mt-1 block h-16 w-80 max-w-full rounded-tray border-2 border-rim bg-enamel px-4 text-xl font-bold aria-invalid:border-signal"
          />
        </label>
        <Button type="submit" disabled={!typed.trim() || known} look="filled" size="huge">
          {known && outs.isFetching ? "Working it out …" : "What can I do?"}
        </Button>
      </form>
      <p role="alert" className="text-lg text-signal">
        {fault}
      </p>
      {outs.error && !fault && <TroubleNote error={outs.error} />}
      <div className="grid max-w-3xl gap-2">
        {known && outs.data?.ways.map((out) => <WayOut key={out.exit} out={out} press={() => answer(amount, out.exit)} />)}
        <Button onClick={close} look="text" size="large" className="text-left text-lg">
          It was right after all
        </Button>
      </div>
    </section>
  );
}

/** One way out: what is done, what it makes of the dough, and what is then to be feared. */
function WayOut({ out, press }: { out: BenchOut; press: () => void }) {
  return (
    <Button onClick={press} disabled={out.bad} data-out={out.exit} size="huge" className="py-2 text-left">
      <span className="fraction">{out.say}</span>
      {out.worry && (
        <span className="block text-base font-normal text-ink">{out.bad ? `Fix the warning first. ${out.worry}` : out.worry}</span>
      )}
    </Button>
  );
}

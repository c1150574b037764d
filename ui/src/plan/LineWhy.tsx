import { Button } from "../parts/Button";
import { useState } from "react";
import type { PlanAnswer, Wish } from "../client/types.gen";
import { Arrow } from "../parts/Arrow";
import { LineSwaps } from "./LineSwaps";
import { type Change, listed, locked } from "./wish";
import { weight } from "../parts/figures";

interface Props {
  answer: PlanAnswer;
  wish: Wish;
  line: string;
  fault: string | undefined;
  change: (change: Change) => void;
}

/** One line: why its amount is what it is, and what the baker wants instead. */
export function LineWhy({ answer, wish, line, fault, change }: Props) {
  const { plan } = answer;
  const found = plan.lines.find((l) => l.id === line);
  const lock = wish.hands?.locks?.find((l) => l.line === line);
  const have = wish.loaf.have?.line === line ? wish.loaf.have : undefined;
  const [typed, setTyped] = useState(lock?.amount ?? have?.amount ?? "");
  const weigh = wish.hands?.weigh ?? [];
  const others = (wish.hands?.locks ?? []).filter((l) => l.line !== line);
  const hold = () => change({ lock: locked([...others, { line, amount: typed.trim() }]), have: null });
  const follow = () => change({ have: `${line}:${typed.trim()}`, lock: locked(others) });
  const letGo = () => {
    setTyped("");
    change({ lock: locked(others), have: have ? null : undefined });
  };
  const weighed = weigh.includes(line);
  if (!found) return <p className="mt-2 text-lg text-soft">This line is left out.</p>;
  return (
    <>
      <h2 className="mt-2 text-lg font-bold">{found.name}</h2>
      <p className="mt-1 text-soft">
        {found.written && (
          <>
            The recipe says <span className="fraction text-ink">{found.written}</span>.{" "}
          </>
        )}
        {found.wants && (
          <>
            This loaf wants <span className="figures text-ink">{found.wants}</span> exactly.
          </>
        )}
      </p>
      {found.like && <p className="mt-2 border-l-4 border-rim pl-3">Like {found.like}, as you said.</p>}
      {found.miss && <p className="mt-2 border-l-4 border-rim pl-3">{found.miss}.</p>}
      <ul className="mt-2 space-y-3">
        {plan.deviations
          .filter((d) => d.line === line)
          .map((d) => (
            <li key={d.rule}>
              <p>{d.reason}</p>
              <p className="figures text-xs text-soft">
                {weight(d.straight, !!found.fine)} in straight proportion
                <Arrow />
                {weight(d.grams, !!found.fine)}
              </p>
            </li>
          ))}
      </ul>
      {found.tips && (
        <ul className="fraction mt-2 space-y-1 text-sm text-soft">
          {found.tips.map((t) => (
            <li key={t}>{t}</li>
          ))}
        </ul>
      )}
      <label className="mt-4 block text-sm font-semibold">
        I have
        <input
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
          onKeyDown={(e) => e.key === "Enter" && typed.trim() && hold()}
          placeholder="1/2 cup"
          aria-invalid={!!fault}
          aria-describedby="line-fault"
          className="figures mt-1 block h-12 w-full rounded-tray border-2 border-rim bg-enamel px-3 text-lg aria-invalid:border-signal"
        />
      </label>
      <p id="line-fault" role="status" className="text-xs text-signal">
        {fault}
      </p>
      <div className="mt-2 grid gap-2">
        <Choice press={hold} disabled={!typed.trim()}>
          Use this, fit the rest to it
        </Choice>
        <Choice press={follow} disabled={!typed.trim()}>
          Scale the loaf to this amount
        </Choice>
        {(lock || have) && <Choice press={letGo}>Stop holding this amount</Choice>}
        {found.or?.map((o) => (
          <Choice
            key={o.id}
            press={() => change({ instead: listed(Object.entries({ ...wish.loaf.instead, [line]: o.id }).map(([l, id]) => `${l}:${id}`)) })}
          >
            Use {o.name} instead
          </Choice>
        ))}
        {found.optional && <Choice press={() => change({ without: listed([...(wish.loaf.without ?? []), line]) })}>Leave it out</Choice>}
        <Choice press={() => change({ weigh: listed(weighed ? weigh.filter((w) => w !== line) : [...weigh, line]) })}>
          {weighed ? "Measure it by scoops" : "Weigh this"}
        </Choice>
      </div>
      <LineSwaps wish={wish} line={found} change={change} />
    </>
  );
}

function Choice({ press, disabled, children }: { press: () => void; disabled?: boolean; children: React.ReactNode }) {
  return (
    <Button onClick={press} disabled={disabled} className="text-left">
      {children}
    </Button>
  );
}

import type { Advice } from "../client/types.gen";
import { inHours } from "../parts/time";

/** What to do, in steps; what not; what it costs; why. */
export function Advised({ advice }: { advice: Omit<Advice, "until"> }) {
  const { steps, never, costs, later, lost, why } = advice;
  const [only, more] = steps;
  return (
    <div className="space-y-2">
      {only && !more ? (
        <p className="text-xl font-bold">{only.say}</p>
      ) : (
        <ol className="list-decimal space-y-1 pl-7 text-xl font-bold">
          {steps.map((s) => (
            <li key={s.say}>{s.say}</li>
          ))}
        </ol>
      )}
      {never && <p className="border-l-4 border-signal pl-3">{never}</p>}
      {!lost && later && (later.low !== 0 || later.high !== 0) && <p>{shifted(later.low, later.high)}</p>}
      {costs && <p>It costs: {costs.charAt(0).toLowerCase() + costs.slice(1)}</p>}
      <p className="text-soft">{why}</p>
    </div>
  );
}

/** By how much everything later moves, in words. */
function shifted(low: number, high: number): string {
  if (high <= 0) return `It is ready ${range(-high, -low)} sooner.`;
  if (low < 0) return `It is ready up to ${inHours(-low)} sooner, or ${inHours(high)} later.`;
  return `It is ready ${range(low, high)} later.`;
}

const range = (from: number, to: number) => (from === to ? inHours(to) : from === 0 ? `up to ${inHours(to)}` : `${from} to ${inHours(to)}`);

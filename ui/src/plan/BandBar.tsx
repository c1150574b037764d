import type { PlanAgainst } from "../client/types.gen";
import { fixed, upTo } from "../parts/figures";

interface Props {
  name: string;
  against: PlanAgainst;
  swapped: boolean; // tell what it was before
  hint: string | undefined;
}

/** One figure of the formula against what is usual for such bread, told in words too. */
export function BandBar({ name, against, swapped, hint }: Props) {
  const { low, high, was, usual, verdict } = against;
  const known = verdict !== "no usual range";
  const decimals = high < 5 ? 2 : 1;
  const figure = high - low > 0.5 ? `${fixed(low, 0)}–${fixed(high, 0)}` : fixed((low + high) / 2, decimals);
  const top = Math.max(high, known ? usual.high : 0) * 1.15 || 1;
  const bottom = known && usual.low > 30 ? Math.min(low, usual.low) * 0.8 : 0;
  const at = (v: number) => ((v - bottom) / (top - bottom)) * 100;
  return (
    <div className="grid grid-cols-[5.5rem_5rem_1fr] items-center gap-x-3 border-t border-rule py-1.5" data-band={name}>
      <dt className="text-sm">
        {name}
        {hint && <span className="block text-xs leading-4 text-soft">{hint}</span>}
      </dt>
      <dd className="figures text-lg leading-6 font-bold">
        {figure}
        {swapped && <span className="block text-xs font-normal text-soft">was {fixed(was, decimals)}</span>}
      </dd>
      <dd>
        <svg viewBox="0 0 100 14" preserveAspectRatio="none" className="h-3.5 w-full" aria-hidden="true">
          <line x1="0" x2="100" y1="7" y2="7" stroke="var(--rule)" vectorEffect="non-scaling-stroke" />
          {known && (
            <rect
              x={at(usual.low)}
              width={at(usual.high) - at(usual.low)}
              y="2"
              height="10"
              fill="var(--shelf)"
              stroke="var(--leaf)"
              strokeDasharray="2 2"
              vectorEffect="non-scaling-stroke"
            />
          )}
          <rect x={at(low)} width={Math.max(at(high) - at(low), 0.8)} y="0" height="14" fill="var(--rim)" />
        </svg>
        <p className="text-xs leading-4 text-soft">{known ? `usual ${upTo(usual.low, 1)}–${upTo(usual.high, 1)}: ${verdict}` : verdict}</p>
      </dd>
    </div>
  );
}

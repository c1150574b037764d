interface Props {
  name: string;
  low: number;
  high: number; // a range, or the same twice
  was?: number;
  usual?: { low: number; high: number };
  hint?: string;
}

/** One figure of the formula against what is usual for such bread, told in words too. */
export function BandBar({ name, low, high, was, usual, hint }: Props) {
  const known = !!usual && usual.high > 0;
  const decimals = high < 5 ? 2 : 1;
  const figure = high - low > 0.5 ? `${low.toFixed(0)}–${high.toFixed(0)}` : ((low + high) / 2).toFixed(decimals);
  const top = Math.max(high, known ? usual.high : 0) * 1.15 || 1;
  const bottom = known && usual.low > 30 ? Math.min(low, usual.low) * 0.8 : 0;
  const at = (v: number) => ((v - bottom) / (top - bottom)) * 100;
  return (
    <div className="grid grid-cols-[5.5rem_5rem_1fr] items-center gap-x-3 border-t border-rule py-1.5" data-band={name}>
      <dt className="text-sm">{name}{hint && <span className="block text-xs leading-4 text-soft">{hint}</span>}</dt>
      <dd className="figures text-lg leading-6 font-bold">{figure}{was !== undefined && <span className="block text-xs font-normal text-soft">was {was.toFixed(decimals)}</span>}</dd>
      <dd>
        <svg viewBox="0 0 100 14" preserveAspectRatio="none" className="h-3.5 w-full" aria-hidden="true">
          <line x1="0" x2="100" y1="7" y2="7" stroke="var(--rule)" vectorEffect="non-scaling-stroke" />
          {known && <rect x={at(usual.low)} width={at(usual.high) - at(usual.low)} y="2" height="10" fill="var(--shelf)" stroke="var(--leaf)" strokeDasharray="2 2" vectorEffect="non-scaling-stroke" />}
          <rect x={at(low)} width={Math.max(at(high) - at(low), 0.8)} y="0" height="14" fill="var(--rim)" />
        </svg>
        <p className="text-xs leading-4 text-soft">{known ? `usual ${+usual.low.toFixed(1)}–${+usual.high.toFixed(1)}: ${verdict(low, high, usual)}` : "no usual range"}</p>
      </dd>
    </div>
  );
}

function verdict(low: number, high: number, usual: { low: number; high: number }): string {
  if (low > usual.high) return "above it";
  if (high < usual.low) return "below it";
  if (low < usual.low || high > usual.high) return "may be inside";
  return "inside";
}

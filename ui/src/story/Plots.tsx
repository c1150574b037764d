import type { StoryBake } from "../client/types.gen";
import { useBox } from "../parts/box";
import { ruler, upTo } from "../parts/figures";
import { day, dayName } from "../parts/time";
import { ticks } from "./ticks";

interface Plot {
  name: string;
  of: (bake: StoryBake) => number | undefined;
  unit: string;
  digits: number;
  domain?: [number, number];
  line?: number; // that the eye holds the others against
}

const plots = (): Plot[] => [
  { name: "Mark", of: (b) => b.mark || undefined, unit: "of 5", digits: 0, domain: [1, 5] },
  {
    name: "Height of its middle",
    of: (b) => b.centre && b.centre / ruler().mm,
    unit: `${ruler().unit} over the rim`,
    digits: ruler().decimals,
    line: 0,
  },
  { name: "Hydration", of: (b) => b.hydration || undefined, unit: "% of the flour", digits: 1 },
  { name: "Yeast", of: (b) => b.yeast || undefined, unit: "% of the flour", digits: 2 },
];

/** The figures of a recipe's bakes over time, each with its table. */
export default function Plots({ bakes, zone, now }: { bakes: StoryBake[]; zone: string; now: string }) {
  const today = day(now, zone);
  return (
    <section aria-labelledby="plots" className="mt-4">
      <h2 id="plots" className="text-lg font-semibold">
        Charts
      </h2>
      <div className="mt-1 grid gap-x-8 gap-y-4 md:grid-cols-2">
        {plots().map((p) => {
          const points = bakes.flatMap((b) => {
            const value = p.of(b);
            return value === undefined ? [] : [{ id: b.id, day: dayName(day(b.startedAt, zone), today), value }];
          });
          return points.length > 1 && <OnePlot key={p.name} plot={p} points={points} />;
        })}
      </div>
    </section>
  );
}

interface Point {
  id: string;
  day: string;
  value: number;
}

function OnePlot({ plot, points }: { plot: Plot; points: Point[] }) {
  const said = points.map((p) => `${p.day} ${upTo(p.value, plot.digits)}`).join(", ");
  return (
    <figure data-plot={plot.name}>
      <figcaption className="font-semibold">
        {plot.name}, <span className="font-normal text-soft">{plot.unit}</span>
      </figcaption>
      <div role="img" aria-label={`${plot.name}: ${said}`} className="h-44">
        <Drawn plot={plot} points={points} />
      </div>
      <details>
        <summary className="min-h-8 cursor-pointer content-center text-soft">As a table</summary>
        <table className="figures">
          <thead className="sr-only">
            <tr>
              <th scope="col">day</th>
              <th scope="col">{plot.name}</th>
            </tr>
          </thead>
          <tbody>
            {points.map((p) => (
              <tr key={p.id} className="border-t border-rule">
                <th scope="row" className="pr-6 text-left font-normal">
                  {p.day}
                </th>
                <td className="text-right font-semibold">{upTo(p.value, plot.digits)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </figure>
  );
}

const left = 44; // px, for the figures at the side
const right = 44;
const top = 8;
const bottom = 28; // for the days
const dayWide = 72; // that a day's name takes

/** The line itself, drawn to fill its box. */
function Drawn({ plot, points }: { plot: Plot; points: Point[] }) {
  const [box, { width, height }] = useBox<HTMLDivElement>({ width: 480, height: 176 });
  const values = points.map((p) => p.value);
  const side = ticks(plot.line === undefined ? values : [...values, plot.line], 10 ** -plot.digits, plot.domain);
  const [low = 0, high = 1] = [side[0], side.at(-1)];
  const x = (n: number) => left + (n * (width - left - right)) / Math.max(points.length - 1, 1);
  const y = (v: number) => top + ((high - v) * (height - top - bottom)) / (high - low);
  const every = Math.ceil((points.length * dayWide) / Math.max(width - left, dayWide));
  return (
    <div ref={box} className="h-full">
      <svg width={width} height={height} aria-hidden="true" className="figures fill-ink text-sm">
        {side.map((v) => (
          <g key={v}>
            <path d={`M${left} ${y(v)}H${width - right}`} className="stroke-rule" />
            <text x={left - 8} y={y(v)} textAnchor="end" dominantBaseline="middle">
              {upTo(v, plot.digits)}
            </text>
          </g>
        ))}
        {plot.line !== undefined && <path d={`M${left} ${y(plot.line)}H${width - right}`} strokeDasharray="6 4" className="stroke-ink" />}
        <path d={`M${left} ${top}V${height - bottom}H${width - right}`} fill="none" className="stroke-ink" />
        {points.map(
          (p, n) =>
            n % every === 0 && (
              <text key={p.id} x={x(n)} y={height - 8} textAnchor="middle">
                {p.day}
              </text>
            ),
        )}
        <polyline points={points.map((p, n) => `${x(n)},${y(p.value)}`).join(" ")} fill="none" strokeWidth={3} className="stroke-rim" />
        {points.map((p, n) => (
          <circle key={p.id} cx={x(n)} cy={y(p.value)} r={5} strokeWidth={3} className="fill-enamel stroke-rim" />
        ))}
      </svg>
    </div>
  );
}

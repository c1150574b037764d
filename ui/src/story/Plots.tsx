import { CartesianGrid, Line, LineChart, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from "recharts";
import type { StoryBake } from "../client/types.gen";
import { ruler, upTo } from "../parts/figures";
import { day, dayName } from "../parts/time";

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
        Its figures
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
        <ResponsiveContainer width="100%" height="100%">
          <LineChart data={points} margin={{ top: 8, right: 24, bottom: 0, left: 0 }} accessibilityLayer={false}>
            <CartesianGrid stroke="var(--rule)" vertical={false} />
            <XAxis dataKey="day" stroke="var(--ink)" tick={{ fill: "var(--ink)", fontSize: 14 }} />
            <YAxis
              width={44}
              stroke="var(--ink)"
              tick={{ fill: "var(--ink)", fontSize: 14 }}
              domain={plot.domain ?? ["auto", "auto"]}
              allowDecimals={plot.digits > 0}
              tickFormatter={(v: number) => upTo(v, plot.digits)}
            />
            {plot.line !== undefined && <ReferenceLine y={plot.line} stroke="var(--ink)" strokeDasharray="6 4" />}
            <Line
              dataKey="value"
              stroke="var(--rim)"
              strokeWidth={3}
              dot={{ r: 5, fill: "var(--enamel)", stroke: "var(--rim)", strokeWidth: 3 }}
              isAnimationActive={false}
            />
          </LineChart>
        </ResponsiveContainer>
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

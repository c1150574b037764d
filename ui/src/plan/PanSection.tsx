import type { PlanLine, PlanPan } from "../client/types.gen";
import { stuffFill } from "../parts/stuff";

interface Props {
  pan: PlanPan;
  lines: PlanLine[];
  lit: string[];
  light: (lines: string[]) => void;
}

const drawn = 380; // height of the pan's inside, px
const left = 16;
const headroom = 20; // above the rim, px
const gap = 37; // between labels: 24 px and more on a phone

/** The pan in section, its layers to scale by volume, the risen loaf's likely line above them. */
export function PanSection({ pan, lines, lit, light }: Props) {
  const scale = drawn / pan.vessel.depth;
  const width = pan.vessel.width * scale;
  const perMl = (1000 / (pan.vessel.length * pan.vessel.width)) * scale;
  const above = headroom + Math.max(0, pan.fill.high * perMl - drawn);
  const floor = above + drawn;
  const tops: { y: number; height: number }[] = [];
  let y = floor;
  for (const layer of pan.layers) {
    const height = layer.well ? 0 : layer.volume * perMl;
    y -= height;
    tops.push({ y, height });
  }
  const names = (ids: string[]) => ids.map((id) => lines.find((l) => l.id === id)?.name.split(",")[0] ?? "").join(", ");
  const labels = spread(tops.map((t) => t.y + t.height / 2));
  const middle = left + width / 2;
  const labelX = left + width + 30;
  const isLit = (ids: string[]) => ids.some((id) => lit.includes(id));
  return (
    <section aria-labelledby="pan" className="min-w-0">
      <h2 id="pan" className="text-sm font-semibold text-soft">
        In the pan, {pan.order} <span className="font-normal">· risen to {percent(pan.fill.low, pan.fill.pan)}–{percent(pan.fill.high, pan.fill.pan)} % of it</span>
      </h2>
      <div className="relative mx-auto mt-1" style={{ width: labelX + 130, maxWidth: "100%" }}>
        <svg viewBox={`0 0 ${labelX + 130} ${floor + 16}`} className="block w-full" aria-hidden="true">
          <Risen pan={pan} x={left} width={width} floor={floor} perMl={perMl} />
          {pan.layers.map((layer, n) => {
            const t = tops[n]!;
            return layer.well ? (
              <Well key={layer.stuff + n} x={middle} y={t.y} volume={layer.volume * perMl * width} lit={isLit(layer.lines)} fill={stuffFill(layer.stuff)} over={() => light(layer.lines)} out={() => light([])} />
            ) : (
              <path
                key={layer.stuff + n}
                className="level"
                d={`M${left} ${t.y}H${left + width}V${t.y + Math.max(t.height, 1.5)}H${left}Z`}
                fill={stuffFill(layer.stuff)}
                stroke={isLit(layer.lines) ? "var(--ink)" : "var(--soft)"}
                strokeWidth={isLit(layer.lines) ? 3 : 0.75}
                onMouseEnter={() => light(layer.lines)}
                onMouseLeave={() => light([])}
              />
            );
          })}
          <Paddle x={middle} floor={floor} />
          <path d={`M${left - 8} ${above}h8V${floor + 3}H${left + width}V${above}h8`} fill="none" stroke="var(--rim)" strokeWidth="6" strokeLinejoin="round" strokeLinecap="round" />
          {pan.layers.map((layer, n) => (
            <path key={layer.stuff + n} className="level" d={`M${layer.well ? middle + 20 : left + width - 6} ${tops[n]!.y + tops[n]!.height / 2}L${left + width + 12} ${labels[n]!}H${labelX - 4}`} fill="none" stroke="var(--soft)" strokeWidth={isLit(layer.lines) ? 2.5 : 1} />
          ))}
        </svg>
        <ol aria-label="Layers from the floor of the pan upwards" className="absolute inset-0 pointer-events-none">
          {pan.layers.map((layer, n) => (
            <li key={layer.stuff + n} className="absolute" style={{ left: `${(labelX / (labelX + 130)) * 100}%`, right: 0, top: `${((labels[n]! - 12) / (floor + 16)) * 100}%` }}>
              <button
                type="button"
                title={layer.reason}
                onFocus={() => light(layer.lines)}
                onBlur={() => light([])}
                onMouseEnter={() => light(layer.lines)}
                onMouseLeave={() => light([])}
                className={`pointer-events-auto block w-full truncate rounded text-left text-xs leading-[26px] ${isLit(layer.lines) ? "bg-shelf font-bold" : "font-semibold"}`}
              >
                {names(layer.lines)}<span className="sr-only">. {layer.reason}</span>
              </button>
            </li>
          ))}
        </ol>
      </div>
    </section>
  );
}

const percent = (part: number, whole: number) => Math.round((100 * part) / whole);

/** Moves label heights apart so that none covers another; from the floor upwards. */
function spread(wanted: number[]): number[] {
  const out = [...wanted];
  for (let n = 1; n < out.length; n++) out[n] = Math.min(out[n]!, out[n - 1]! - gap);
  return out;
}

/** The likely height of the baked loaf: filled to the low, dashed at the high estimate. */
function Risen({ pan, x, width, floor, perMl }: { pan: PlanPan; x: number; width: number; floor: number; perMl: number }) {
  const dome = (volume: number) => {
    const top = floor - volume * perMl;
    const shoulder = Math.min(top + 26, floor - 4);
    return `M${x} ${floor}V${shoulder}Q${x} ${top - 8} ${x + width / 2} ${top - 8}T${x + width} ${shoulder}V${floor}Z`;
  };
  return (
    <g>
      <path className="level" d={dome(pan.fill.low)} fill="var(--shelf)" opacity="0.700" />
      <path className="level" d={dome(pan.fill.high)} fill="none" stroke="var(--leaf)" strokeWidth="2.500" strokeDasharray="2 7" strokeLinecap="round" />
    </g>
  );
}

interface WellProps {
  x: number;
  y: number;
  volume: number; // px², as the layers' areas
  lit: boolean;
  fill: string;
  over: () => void;
  out: () => void;
}

/** The yeast in its shallow well, its area to scale with the layers'. */
function Well({ x, y, volume, lit, fill, over, out }: WellProps) {
  const half = Math.max(16, Math.sqrt(volume) * 1.6);
  const deep = Math.max(8, volume / half);
  return (
    <g className="level" onMouseEnter={over} onMouseLeave={out}>
      <path d={`M${x - half - 14} ${y - 1}Q${x - half} ${y} ${x - half + 3} ${y + deep}H${x + half - 3}Q${x + half} ${y} ${x + half + 14} ${y - 1}Z`} fill="var(--enamel)" />
      <path d={`M${x - half} ${y + deep * 0.5}Q${x} ${y - deep} ${x + half} ${y + deep * 0.5}L${x + half - 3} ${y + deep}H${x - half + 3}Z`} fill={fill} stroke={lit ? "var(--ink)" : "var(--soft)"} strokeWidth={lit ? 3 : 1} />
    </g>
  );
}

function Paddle({ x, floor }: { x: number; floor: number }) {
  return (
    <g fill="var(--soft)" opacity="0.850">
      <rect x={x - 5} y={floor - 34} width="10" height="34" rx="2" />
      <path d={`M${x - 4} ${floor - 32}L${x + 30} ${floor - 22}V${floor - 8}L${x - 4} ${floor - 6}Z`} />
    </g>
  );
}

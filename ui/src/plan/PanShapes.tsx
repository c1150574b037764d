import type { PanLayer, PlanPan } from "../client/types.gen";

interface LyingProps {
  layer: PanLayer;
  x: number;
  width: number;
  y: number;
  height: number;
  dashed: boolean; // drawn thicker than it is
  lit: boolean;
  fill: string;
  over: () => void;
  out: () => void;
}

/** Where a layer lies across the pan, as shares of its width: all over it, in pieces, in the corners. */
const across: Record<string, [number, number][]> = {
  "in pieces": [
    [0, 0.17],
    [0.21, 0.38],
    [0.42, 0.58],
    [0.62, 0.79],
    [0.83, 1],
  ],
  "in the corners": [
    [0, 0.28],
    [0.72, 1],
  ],
};

/** One layer, to scale; in pieces or in the corners where it is laid so. */
export function Lying({ layer, x, width, y, height, dashed, lit, fill, over, out }: LyingProps) {
  const parts = across[layer.place ?? ""] ?? [[0, 1]];
  const covered = parts.reduce((sum, [a, b]) => sum + b - a, 0);
  const tall = height / covered;
  const bottom = y + height;
  return (
    <path
      className="level"
      d={parts.map(([a, b]) => `M${x + a * width} ${bottom - tall}H${x + b * width}V${bottom}H${x + a * width}Z`).join("")}
      fill={fill}
      stroke={lit || fill === "none" ? "var(--ink)" : "var(--soft)"}
      strokeWidth={lit ? 3 : dashed ? 1.5 : 0.75}
      strokeDasharray={dashed ? "4 3" : undefined}
      onMouseEnter={over}
      onMouseLeave={out}
    />
  );
}

/** The likely height of the baked loaf: filled to the low, dashed at the high estimate. */
export function Risen({ pan, x, width, floor, perMl }: { pan: PlanPan; x: number; width: number; floor: number; perMl: number }) {
  const dome = (volume: number) => {
    const top = floor - volume * perMl;
    const shoulder = Math.min(top + 26, floor - 4);
    return `M${x} ${floor}V${shoulder}Q${x} ${top - 8} ${x + width / 2} ${top - 8}T${x + width} ${shoulder}V${floor}Z`;
  };
  return (
    <g>
      <path className="level" d={dome(pan.fill.low)} fill="var(--shelf)" opacity="0.700" />
      <path
        className="level"
        d={dome(pan.fill.high)}
        fill="none"
        stroke="var(--leaf)"
        strokeWidth="2.500"
        strokeDasharray="2 7"
        strokeLinecap="round"
      />
    </g>
  );
}

interface WellProps {
  x: number;
  y: number;
  volume: number; // px², as the layers' areas
  heap: boolean; // on the flour, not in it
  lit: boolean;
  dashed: boolean;
  fill: string;
  over: () => void;
  out: () => void;
}

/** The yeast in its shallow well, its area to scale with the layers'. */
export function Well({ x, y, volume, heap, lit, dashed, fill, over, out }: WellProps) {
  const half = Math.max(16, Math.sqrt(volume) * 1.6);
  const deep = Math.max(8, volume / half);
  return (
    <g className="level" onMouseEnter={over} onMouseLeave={out}>
      {!heap && (
        <path
          d={`M${x - half - 14} ${y - 1}Q${x - half} ${y} ${x - half + 3} ${y + deep}H${x + half - 3}Q${x + half} ${y} ${x + half + 14} ${y - 1}Z`}
          fill="var(--enamel)"
        />
      )}
      <path
        transform={heap ? `translate(0 ${-deep})` : undefined}
        d={`M${x - half} ${y + deep * 0.5}Q${x} ${y - deep} ${x + half} ${y + deep * 0.5}L${x + half - 3} ${y + deep}H${x - half + 3}Z`}
        fill={fill}
        stroke={lit ? "var(--ink)" : "var(--soft)"}
        strokeWidth={lit ? 3 : dashed ? 2 : 1}
        strokeDasharray={dashed ? "5 4" : undefined}
      />
    </g>
  );
}

export function Paddle({ x, floor }: { x: number; floor: number }) {
  return (
    <g fill="var(--soft)" opacity="0.850">
      <rect x={x - 5} y={floor - 34} width="10" height="34" rx="2" />
      <path d={`M${x - 4} ${floor - 32}L${x + 30} ${floor - 22}V${floor - 8}L${x - 4} ${floor - 6}Z`} />
    </g>
  );
}

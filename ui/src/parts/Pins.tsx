import { useBox } from "./box";

interface Pin {
  left: number; // per cent of the width
  time: string;
  say: string;
}

const labelWidth = 136; // px, of the longest label
const height = 48;

/** The moments that need a person: they stand out above the ribbon, moved aside where they would
    cover one another, each joined to its true place. */
export function Pins({ pins }: { pins: Pin[] }) {
  const [box, { width }] = useBox<HTMLDivElement>({ width: 1100, height });
  const labels = placed(
    pins.map((p) => (p.left / 100) * width),
    width,
  );
  return (
    <div ref={box} className="absolute inset-x-0 top-0 h-12">
      <svg width={width} height={height} className="absolute inset-0" aria-hidden="true">
        {pins.map((p, n) => (
          <path
            key={p.say}
            d={`M${labels[n]! + 1.5} 0V32L${(p.left / 100) * width + 1.5} ${height}`}
            fill="none"
            stroke="var(--moment)"
            strokeWidth="3"
            strokeLinejoin="round"
          />
        ))}
      </svg>
      {pins.map((p, n) => (
        <div key={p.say} className="absolute top-0 pl-2" style={{ left: labels[n] }}>
          <span className="figures block text-lg leading-5 font-bold">{p.time}</span>
          <span className="block leading-4 whitespace-nowrap text-soft">{p.say}</span>
        </div>
      ))}
    </div>
  );
}

/** Label positions: never left of their place's predecessor's end, never out at the right. */
function placed(at: number[], width: number): number[] {
  const out: number[] = [];
  at.forEach((x, n) => out.push(Math.max(x, n > 0 ? out[n - 1]! + labelWidth : 0)));
  let most = width - labelWidth;
  for (let n = out.length - 1; n >= 0; n--) {
    out[n] = Math.max(0, Math.min(out[n]!, most));
    most = out[n]! - labelWidth;
  }
  return out;
}

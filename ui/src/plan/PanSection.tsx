import type { PanLayer, PlanLine, PlanPan } from "../client/types.gen";
import { stuffFill } from "../parts/stuff";
import { Lying, Paddle, Risen, Well } from "./PanShapes";

interface Props {
  pan: PlanPan;
  lines: PlanLine[];
  box: string[]; // lines that the dispenser holds
  lit: string[];
  light: (lines: string[]) => void;
  ask?: () => void; // how the pan is loaded
}

const drawn = 380; // height of the pan's inside, px
const left = 16;
const headroom = 20; // above the rim, px
const gap = 37; // between labels: 24 px and more on a phone
const thin = 30; // ml: a layer of less is drawn thicker than it is
const least = 6; // px

/** Yeast on the flour lies in its well or heap; in a dispenser it is not in the pan at all. */
const apart = (layer: PanLayer) =>
  layer.stuff === "yeast" && (layer.place === "in a well" || layer.place === "in the middle" || layer.place === "in its dispenser");

/** The pan in section, its layers to scale by volume, the risen loaf's likely line above them. */
export function PanSection({ pan, lines, box, lit, light, ask }: Props) {
  const scale = drawn / pan.vessel.depth;
  const width = pan.vessel.width * scale;
  const perMl = (1000 / (pan.vessel.length * pan.vessel.width)) * scale;
  const hoppers = [
    ...pan.layers.filter((l) => l.place === "in its dispenser"),
    ...(box.length > 0 ? [{ stuff: "add-in" as const, lines: box }] : []),
  ];
  const above = headroom + Math.max(hoppers.length > 0 ? 34 : 0, pan.fill.high * perMl - drawn);
  const floor = above + drawn;
  const tops: { y: number; height: number; thin: boolean }[] = [];
  let y = floor;
  for (const layer of pan.layers) {
    const height = apart(layer) ? 0 : Math.max(layer.volume * perMl, least);
    y -= height;
    tops.push({ y: layer.place === "in its dispenser" ? above - 40 : y, height, thin: !apart(layer) && layer.volume < thin });
  }
  const names = (ids: string[]) => ids.map((id) => lines.find((l) => l.id === id)?.name.split(",")[0] ?? "").join(", ");
  const labels = spread(tops.map((t) => t.y + t.height / 2));
  const middle = left + width / 2;
  const labelX = left + width + 30;
  const isLit = (ids: string[]) => ids.some((id) => lit.includes(id));
  return (
    <section aria-labelledby="pan" className="min-w-0">
      <h2 id="pan" className="text-sm font-semibold text-soft">
        In the pan,{" "}
        {ask ? (
          <button type="button" onClick={ask} className="min-h-6 font-semibold text-rim underline">
            {pan.order}
          </button>
        ) : (
          pan.order
        )}{" "}
        <span className="font-normal">· risen to {share(pan)} % of it</span>
      </h2>
      <div className="relative mx-auto mt-1" style={{ width: labelX + 130, maxWidth: "100%" }}>
        <svg viewBox={`0 0 ${labelX + 130} ${floor + 16}`} className="block w-full" aria-hidden="true">
          <Risen pan={pan} x={left} width={width} floor={floor} perMl={perMl} />
          {pan.layers.map((layer, n) => {
            const t = tops[n]!;
            const lies = { lit: isLit(layer.lines), fill: stuffFill(layer.stuff), over: () => light(layer.lines), out: () => light([]) };
            if (layer.place === "in its dispenser") return null;
            if (apart(layer))
              return (
                <Well
                  key={layer.stuff + n}
                  x={middle}
                  y={t.y}
                  volume={layer.volume * perMl * width}
                  heap={layer.place === "in the middle"}
                  {...lies}
                />
              );
            return <Lying key={layer.stuff + n} layer={layer} x={left} width={width} y={t.y} height={t.height} dashed={t.thin} {...lies} />;
          })}
          <Paddle x={middle} floor={floor} />
          <path
            d={`M${left - 8} ${above}h8V${floor + 3}H${left + width}V${above}h8`}
            fill="none"
            stroke="var(--rim)"
            strokeWidth="6"
            strokeLinejoin="round"
            strokeLinecap="round"
          />
          {hoppers.map((h, n) => (
            <path
              key={h.stuff}
              d={`M${middle - 92 + n * 100} ${above - 46}h84l-12 30h-60z`}
              fill={stuffFill(h.stuff)}
              stroke="var(--rim)"
              strokeWidth={isLit(h.lines) ? 4 : 2.5}
              onMouseEnter={() => light(h.lines)}
              onMouseLeave={() => light([])}
            />
          ))}
          {pan.layers.map((layer, n) => (
            <path
              key={layer.stuff + n}
              className="level"
              d={`M${apart(layer) ? middle + 20 : left + width - 6} ${tops[n]!.y + tops[n]!.height / 2}L${left + width + 12} ${labels[n]!}H${labelX - 4}`}
              fill="none"
              stroke="var(--soft)"
              strokeWidth={isLit(layer.lines) ? 2.5 : 1}
            />
          ))}
        </svg>
        <ol aria-label="Layers from the floor of the pan upwards" className="absolute inset-0 pointer-events-none">
          {pan.layers.map((layer, n) => (
            <li
              key={layer.stuff + n}
              className="absolute"
              style={{ left: `${(labelX / (labelX + 130)) * 100}%`, right: 0, top: `${((labels[n]! - 12) / (floor + 16)) * 100}%` }}
            >
              <button
                type="button"
                title={`${names(layer.lines)}. ${layer.reason}`}
                onFocus={() => light(layer.lines)}
                onBlur={() => light([])}
                onMouseEnter={() => light(layer.lines)}
                onMouseLeave={() => light([])}
                className={`pointer-events-auto relative block w-full truncate rounded text-left text-xs leading-[26px] ${isLit(layer.lines) ? "bg-shelf font-bold" : "font-semibold"}`}
              >
                {names(layer.lines)}
                <span className="sr-only">
                  {layer.place ? `, ${layer.place}` : ""}. {layer.reason}
                </span>
              </button>
            </li>
          ))}
        </ol>
      </div>
      {tops.some((t) => t.thin) && <p className="text-xs text-soft">Dashed: less than {thin} ml, drawn thicker than it is.</p>}
      {pan.knead && pan.knead.length > 0 && <p className="text-xs text-soft">Held back until the first knead: {names(pan.knead)}.</p>}
    </section>
  );
}

/** How full the risen loaf makes the pan: "52–58". */
function share({ fill }: PlanPan): string {
  const [low, high] = [fill.low, fill.high].map((v) => Math.round((100 * v) / fill.pan));
  return low === high ? String(low) : `${low}–${high}`;
}

/** Moves label heights apart so that none covers another; from the floor upwards. */
function spread(wanted: number[]): number[] {
  const out = [...wanted];
  for (let n = 1; n < out.length; n++) out[n] = Math.min(out[n]!, out[n - 1]! - gap);
  return out;
}

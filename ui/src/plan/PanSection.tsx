import type { PlanLine, PlanPan } from "../client/types.gen";
import { stuffFill } from "../parts/stuff";
import { Lying, Paddle, Risen, Well } from "./PanShapes";
import { useBox } from "../parts/box";
import { type Drawn, layout } from "./panLayout";

interface Props {
  pan: PlanPan;
  lines: PlanLine[];
  box: string[]; // lines that the dispenser holds
  lit: string[];
  light: (lines: string[]) => void;
  ask?: () => void; // how the pan is loaded
  filling?: { done: Set<string>; next: string | undefined }; // at the bench: what is in, and what goes in now
  small?: boolean; // the drawing alone
}

/** The pan in section, its layers to scale by volume, the risen loaf's likely line against the rim. At the bench
    it fills: what is in is solid, what goes in now is outlined, the rest is not there yet. */
export function PanSection({ pan, lines, box, lit, light, ask, filling, small }: Props) {
  const [frame, size] = useBox<HTMLDivElement>({ width: 400, height: 400 });
  const d = layout({ pan, lines, box, filling, ...size });
  const isLit = (ids: string[]) => ids.some((id) => lit.includes(id));
  const drawing = (
    <svg width={size.width} height={size.height} className="absolute inset-0" aria-hidden="true">
      {!filling && <Risen pan={pan} x={d.left} width={d.width} floor={d.floor} perMl={d.perMl} />}
      {d.layers.map((l) => (
        <Shape key={l.key} l={l} d={d} lit={isLit(l.lines)} light={light} />
      ))}
      <Paddle x={d.middle} floor={d.floor} />
      <path
        d={`M${d.left - 8} ${d.rim}h8V${d.floor + 3}H${d.left + d.width}V${d.rim}h8`}
        fill="none"
        stroke="var(--rim)"
        strokeWidth="6"
        strokeLinejoin="round"
        strokeLinecap="round"
      />
      {d.hoppers.map((h) => (
        <path
          key={h.key}
          d={`M${h.x} ${h.y}h84l-12 30h-60z`}
          fill={h.state === "next" ? "none" : stuffFill(h.stuff)}
          stroke="var(--rim)"
          strokeWidth={isLit(h.lines) ? 4 : 2.5}
          strokeDasharray={h.state === "next" ? "6 4" : undefined}
          onMouseEnter={() => light(h.lines)}
          onMouseLeave={() => light([])}
        />
      ))}
      {(small ? [] : d.labels)
        .filter((l) => !l.inside)
        .map((l) => (
          <path
            key={l.key}
            d={`M${l.from.x} ${l.from.y}L${d.left + d.width + 14} ${l.y + 12}H${d.labelX - 4}`}
            fill="none"
            stroke="var(--soft)"
            strokeWidth={isLit(l.lines) ? 2.5 : 1}
          />
        ))}
    </svg>
  );
  if (small)
    return (
      <div ref={frame} className="relative h-full w-full overflow-hidden" data-small-pan>
        {drawing}
      </div>
    );
  return (
    <section aria-labelledby="pan" className="flex h-full min-h-0 min-w-0 flex-col">
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
      <div ref={frame} className="relative mt-1 min-h-72 flex-1 overflow-hidden">
        {drawing}
        <ol aria-label="Layers from the floor of the pan upwards">
          {d.labels.map((l) => (
            <li
              key={l.key}
              onMouseEnter={() => light(l.lines)}
              onMouseLeave={() => light([])}
              style={{ left: l.x, top: l.y, width: l.width }}
              title={l.layer.reason}
              className={`absolute text-sm leading-6 ${l.inside ? "text-center" : ""}`}
            >
              <span
                className={`rounded font-semibold ${l.inside ? "px-1" : ""} ${isLit(l.lines) ? "bg-rim text-on-rim" : l.inside ? "bg-enamel/90" : ""}`}
              >
                {l.name}
              </span>
              <span className="sr-only">
                {l.layer.place ? `, ${l.layer.place}` : ""}. {l.layer.reason}
              </span>
            </li>
          ))}
        </ol>
      </div>
      {pan.knead && pan.knead.length > 0 && (
        <p className="text-xs text-soft">
          Held back until the first knead: {pan.knead.map((id) => lines.find((l) => l.id === id)?.name ?? "").join(", ")}.
        </p>
      )}
    </section>
  );
}

/** One layer as it lies. */
function Shape({ l, d, lit, light }: { l: Drawn["layers"][number]; d: Drawn; lit: boolean; light: (lines: string[]) => void }) {
  const lies = {
    lit,
    fill: l.state === "next" ? "none" : stuffFill(l.layer.stuff),
    dashed: l.state === "next" || l.thin,
    over: () => light(l.lines),
    out: () => light([]),
  };
  if (l.well)
    return <Well x={d.middle} y={l.y} volume={l.layer.volume * d.perMl * d.width} heap={l.layer.place === "in the middle"} {...lies} />;
  return <Lying layer={l.layer} x={d.left} width={d.width} y={l.y} height={l.height} {...lies} />;
}

/** How full the risen loaf makes the pan: "52–58". */
function share({ fill }: PlanPan): string {
  const [low, high] = [fill.low, fill.high].map((v) => Math.round((100 * v) / fill.pan));
  return low === high ? String(low) : `${low}–${high}`;
}

import type { PlanPan, RehearseState } from "../client/types.gen";
import { BallPicture } from "../watch/BallPicture";
import { fixed, warmth } from "../parts/figures";

interface Props {
  state: RehearseState;
  pan: PlanPan;
}

const browns = { light: "var(--crust-light)", medium: "var(--crust-medium)", dark: "var(--crust-dark)" };
const wide = 300;
const rim = 70; // y of the rim in the drawing
const floor = 260;

/** Through the stand-in's window: the dough's ball while it kneads, how high it stands, and the loaf. */
export function Window({ state, pan }: Props) {
  const { inside, loaf } = state;
  const height = loaf?.height ?? inside?.height ?? 0;
  const top = Math.max(12, floor - height * (floor - rim));
  return (
    <section aria-labelledby="window" className="flex flex-col rounded-tray border-4 border-rim p-4">
      <h2 id="window" className="text-sm font-semibold text-soft">
        What you’d see through the window
      </h2>
      <div className="flex flex-1 items-center justify-center gap-4">
        <svg viewBox={`0 0 ${wide} 280`} className="h-56 w-full max-w-80" role="img" aria-label={told(state)}>
          {height > 0 && (
            <path
              d={shape(top, loaf?.fell ?? false, !!loaf?.raw)}
              fill={loaf ? browns[loaf.crust] : "var(--mark)"}
              stroke="var(--ink)"
              strokeWidth="3"
            />
          )}
          {loaf?.coarse && holes(top)}
          <path
            d={`M40 ${rim - 6} H50 V${floor} H250 V${rim - 6} H260`}
            fill="none"
            stroke="var(--rim)"
            strokeWidth="8"
            strokeLinecap="round"
          />
        </svg>
        {inside?.look && (
          <div className="w-32 shrink-0 text-center text-sm" data-look={inside.look}>
            <BallPicture seen={inside.look} />
            the dough now
          </div>
        )}
      </div>
      <p className="text-base">{told(state)}</p>
      <p className="text-sm text-soft">
        {inside && !loaf && `${warmth(inside.warm)} inside`}
        {!inside && `${fixed(pan.fill.low / 1000, 2)}–${fixed(pan.fill.high / 1000, 2)} litres are expected of it`}
      </p>
    </section>
  );
}

/** A dome, a sunken top, or a heap. */
function shape(top: number, fell: boolean, raw: boolean): string {
  if (raw) return `M54 ${floor - 4} L110 ${floor - 50} L150 ${floor - 20} L200 ${floor - 60} L246 ${floor - 4} Z`;
  const dip = fell ? top + 36 : top - 22;
  return `M54 ${floor - 4} V${top + 10} Q54 ${top} 70 ${top} Q150 ${dip} 230 ${top} Q246 ${top} 246 ${top + 10} V${floor - 4} Z`;
}

const holes = (top: number) =>
  [80, 120, 160, 200, 225].map((x, n) => (
    <ellipse
      key={x}
      cx={x}
      cy={Math.min(floor - 20, top + 40 + (n % 3) * 34)}
      rx={9 + (n % 2) * 5}
      ry="6"
      fill="var(--enamel)"
      stroke="var(--ink)"
    />
  ));

function told({ loaf, inside }: RehearseState): string {
  if (loaf) return loaf.say;
  if (!inside) return "The pan is in, and nothing is mixed yet.";
  return `The dough stands at ${Math.round(inside.height * 100)} % of the pan.`;
}

import { useShelf } from "../client/queries";
import type { PlanAnswer, PlanRoundingShift, Wish } from "../client/types.gen";
import { MeasureLabel } from "../parts/Amount";
import { type Change, listed } from "./wish";
import { fixed } from "../parts/figures";

interface Props {
  answer: PlanAnswer;
  wish: Wish;
  change: (change: Change) => void;
}

/** The jug, as a wish names it. */
const theJug = { amount: "1 cup", name: "the jug" };

const signed = (n: number) => (n > 0 ? `+${fixed(n, 1)}` : fixed(n, 1));

/** How the amounts were rounded, beside what rounding each line alone would have done; and which
    measures are to hand. */
export function RoundingWhy({ answer, wish, change }: Props) {
  const { rounding } = answer.plan;
  const kitchen = useShelf().data?.kitchen;
  const away = wish.hands?.notToHand ?? [];
  const toggle = (name: string) => change({ away: listed(away.includes(name) ? away.filter((a) => a !== name) : [...away, name]) });
  const rows: [string, (s: PlanRoundingShift) => string][] = [
    ["Scoops", (s) => String(s.scoops)],
    ["Water, percentage points", (s) => signed(s.water)],
    ["Yeast, %", (s) => signed(s.yeast)],
    ["Flour, %", (s) => signed(s.flour)],
  ];
  return (
    <>
      <h2 className="mt-2 text-lg font-bold">How the amounts were rounded</h2>
      <p className="mt-1 text-sm">The amounts are chosen so that the dough stays the recipe’s, with as few scoops as that allows.</p>
      {rounding.steady && <p className="mt-1 text-sm">What you changed was measured anew; every other line stays as it was.</p>}
      <table className="mt-3 w-full border-y border-rule text-sm">
        <thead>
          <tr className="text-xs text-soft">
            <th className="text-left font-semibold">off by</th>
            <th className="py-1 text-right font-semibold">together</th>
            <th className="text-right font-semibold">rounded one by one</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(([name, figure]) => (
            <tr key={name} className="border-t border-rule">
              <th scope="row" className="py-1 text-left font-normal">
                {name}
              </th>
              <td className="figures text-right font-bold">{figure(rounding.shift)}</td>
              <td className="figures text-right text-soft">{figure(rounding.alone)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <h3 className="mt-4 text-xs font-semibold text-soft">Measures I can use now</h3>
      <p className="text-xs text-soft">Tap a measure you can’t use right now.</p>
      <ul className="mt-1 flex flex-wrap gap-2">
        {kitchen &&
          [...kitchen.measures, ...(kitchen.jug ? [theJug] : [])].map((m) => {
            const name = m.name ?? m.amount;
            const here = !away.includes(name);
            return (
              <li key={m.amount + (m.name ?? "")}>
                <button
                  type="button"
                  aria-pressed={here}
                  onClick={() => toggle(name)}
                  className="flex min-h-11 items-center rounded-tray border-2 border-rule px-2 aria-pressed:border-rim not-aria-pressed:border-dashed"
                >
                  <span aria-hidden="true" className={here ? "" : "line-through decoration-2"}>
                    <MeasureLabel measure={m} />
                  </span>
                  <span className="sr-only">{name}</span>
                </button>
              </li>
            );
          })}
      </ul>
    </>
  );
}

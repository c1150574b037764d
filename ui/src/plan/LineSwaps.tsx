import { Button } from "../parts/Button";
import { useChangeKitchen, useShelf } from "../client/queries";
import { useOffers } from "../client/recipes";
import type { Formula, PlanLine, SwapOffer, Wish } from "../client/types.gen";
import { TroubleNote } from "../parts/Trouble";
import { type Change, swapped } from "./wish";
import { fixed, weight } from "../parts/figures";

interface Props {
  wish: Wish;
  line: PlanLine;
  change: (change: Change) => void;
}

/** What can stand in for a line, each with the formula before and after; and whether it is in the house. */
export function LineSwaps({ wish, line, change }: Props) {
  const asked = useOffers(wish, line.id);
  const offers = asked.data?.offers ?? [];
  const kitchen = useShelf().data?.kitchen;
  const { change: keep } = useChangeKitchen();
  const stock = kitchen?.stock ?? [];
  const out = stock.some((s) => s.ingredient === line.ingredient && s.grams === 0);
  const others = stock.filter((s) => s.ingredient !== line.ingredient);
  const toggle = () => kitchen && keep.mutate({ ...kitchen, stock: out ? others : [...others, { ingredient: line.ingredient, grams: 0 }] });
  return (
    <>
      {line.ingredient !== "water" && (
        <Button aria-pressed={out} onClick={toggle} disabled={keep.isPending} className="mt-2 w-full text-left">
          {out ? "I have it again" : "I’ve run out"}
        </Button>
      )}
      {asked.isLoading && <p className="mt-4 text-xs text-soft">Looking what could go in instead …</p>}
      <TroubleNote error={asked.error} />
      {offers.length > 0 && <h3 className="mt-4 text-xs font-semibold text-soft">Instead</h3>}
      <ul className="divide-y divide-rule border-b border-rule">
        {offers.map((o) => (
          <Offer
            key={o.swap + (o.share ?? 0)}
            offer={o}
            take={() => change({ swap: swapped([...(wish.loaf.swaps ?? []), { line: o.line, swap: o.swap, share: o.share }]) })}
          />
        ))}
      </ul>
    </>
  );
}

const rows: [keyof Formula, string][] = [
  ["hydration", "Water"],
  ["fat", "Fat"],
  ["sugar", "Sugar"],
  ["salt", "Salt"],
  ["yeast", "Yeast"],
];

function Offer({ offer, take }: { offer: SwapOffer; take: () => void }) {
  return (
    <li className="py-2 text-sm">
      <Button onClick={take} disabled={!!offer.problem} look="text" size="small" className="text-left">
        Use {offer.name}
      </Button>
      {offer.problem ? (
        <p className="text-xs">Not here: {offer.problem}.</p>
      ) : (
        <>
          <p className="text-xs">
            {offer.says} {offer.except}
          </p>
          <p className="figures text-xs text-soft">
            {offer.changes.map((c) => `${c.name} ${weight(c.before, !!c.fine)} to ${weight(c.after, !!c.fine)}`).join(" · ")}
          </p>
          <p className="figures text-xs text-soft">
            {rows.map(([key, name]) => `${name} ${fixed(offer.before[key], 1)} to ${fixed(offer.after[key], 1)}`).join(" · ")}
          </p>
        </>
      )}
    </li>
  );
}

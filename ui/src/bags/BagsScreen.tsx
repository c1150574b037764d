import { Button, PressLink } from "../parts/Button";
import { useBags, useLeaveBags } from "../client/bags";
import type { Bags } from "../client/types.gen";
import { longDay } from "../parts/time";
import { TroubleNote } from "../parts/Trouble";

/** The bags on the shelf, oldest first. */
export default function BagsScreen() {
  const shelf = useBags();
  const bags = shelf.data?.bags;
  return (
    <div className="w-full px-6 py-4">
      <header className="flex flex-wrap items-center justify-between gap-4">
        <h1 className="text-xl font-bold">Ready-mix bags</h1>
        <PressLink to="/recipes">Recipes</PressLink>
      </header>
      <TroubleNote error={shelf.error} />
      {!bags && !shelf.error && <p className="mt-4 text-lg text-soft">Loading recipes …</p>}
      {bags?.length === 0 && (
        <p role="status" className="mt-4 max-w-prose text-lg text-soft">
          No bag yet. All that is dry of a loaf but the yeast, measured once for several loaves: choose a loaf on Plan, then “Make ready-mix
          bags”.
        </p>
      )}
      {bags && bags.length > 0 && (
        <ul className="mt-2 divide-y divide-rule border-y border-rule">
          {bags.map((b) => (
            <Row key={b.id} bags={b} />
          ))}
        </ul>
      )}
    </div>
  );
}

function Row({ bags }: { bags: Bags }) {
  const leave = useLeaveBags(bags.id ?? "");
  const { batch } = bags;
  const from = new URLSearchParams({ recipe: bags.recipeId, machine: bags.machineId, bag: bags.id ?? "" }).toString();
  return (
    <li className="grid items-baseline gap-x-6 py-3 lg:grid-cols-[minmax(0,20rem)_minmax(0,1fr)_auto]" data-bags={bags.id}>
      <p className="min-w-0 text-lg leading-6 font-semibold">
        {batch.recipe}
        <span className="block text-sm font-normal text-soft">
          <span className="fraction">{batch.size}</span> · made {longDay(batch.made)}
        </span>
      </p>
      <p className="min-w-0">
        <b className="figures text-xl">{bags.left}</b> of {bags.made} left ·{" "}
        <span className={bags.old ? "font-bold text-signal" : ""}>
          {bags.old ? "past its date: " : "best before "}
          {longDay(batch.before)}
        </span>
      </p>
      <p className="flex flex-wrap gap-x-4">
        <PressLink to={`/?${from}`}>
          Bake from this bag<span className="sr-only">: {batch.recipe}</span>
        </PressLink>
        <PressLink to={`/day?${from}&size=${batch.size}&add=1`}>
          Put one on a day<span className="sr-only">: {batch.recipe}</span>
        </PressLink>
        <PressLink to={`/bags/${bags.id}`}>
          Labels<span className="sr-only">: {batch.recipe}</span>
        </PressLink>
        <Button disabled={leave.isPending} onClick={() => leave.mutate(bags.left - 1)} look="text" className="content-center">
          One is used<span className="sr-only">: {batch.recipe}</span>
        </Button>
        {bags.left < bags.made && (
          <Button disabled={leave.isPending} onClick={() => leave.mutate(bags.left + 1)} look="text" className="content-center">
            One more is there<span className="sr-only">: {batch.recipe}</span>
          </Button>
        )}
      </p>
      <TroubleNote error={leave.error} />
    </li>
  );
}

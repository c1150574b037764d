import { PressLink } from "../parts/Button";
import { useState } from "react";
import { Link } from "react-router";
import { useYear } from "../client/bakes";
import type { Year } from "../client/types.gen";
import { Picker } from "../parts/Picker";
import { TroubleNote } from "../parts/Trouble";
import { fixed, heap, price } from "../parts/figures";

/** What was baked in a year: loaves, flour, what was loved, what it cost. */
export default function YearScreen() {
  const [chosen, choose] = useState("");
  const year = useYear(chosen);
  if (year.error && !year.data)
    return (
      <div className="p-8">
        <TroubleNote error={year.error} />
      </div>
    );
  if (!year.data) return <p className="p-8 text-lg text-soft">Counting loaves …</p>;
  const { loaves, judged, mark, flour, bread, loved, years } = year.data;
  const figures: [string, string][] = [
    [loaves === 1 ? "loaf" : "loaves", String(loaves)],
    ["of bread, about", heap(bread)],
    ["of flour", heap(flour)],
    ...(mark ? ([[`average rating (${judged} rated)`, fixed(mark, 1)]] satisfies [string, string][]) : []),
  ];
  return (
    <div className="w-full px-6 py-4">
      <header className="flex flex-wrap items-center gap-x-6">
        <h1 className="text-xl font-bold">The year</h1>
        <Picker
          label="Year"
          value={String(year.data.year)}
          pick={choose}
          choices={years.map((y) => ({ id: String(y), name: String(y) }))}
          look="large"
        />
        <PressLink to="/log">Log</PressLink>
      </header>
      {loaves === 0 ? (
        <p className="mt-4 text-lg text-soft">Nothing was baked to its end in {year.data.year}.</p>
      ) : (
        <>
          <dl className="mt-4 grid gap-6 border-y border-rule py-4 sm:grid-cols-2 lg:grid-cols-4">
            {figures.map(([what, figure]) => (
              <div key={what} className="flex flex-col-reverse">
                <dt className="text-soft">{what}</dt>
                <dd className="figures text-2xl leading-none font-bold">{figure}</dd>
              </div>
            ))}
          </dl>
          <div className="mt-4 grid gap-8 lg:grid-cols-2">
            <section aria-labelledby="loved">
              <h2 id="loved" className="text-lg font-semibold">
                Highest rated
              </h2>
              <ol className="mt-1 divide-y divide-rule border-y border-rule">
                {loved.map((r) => (
                  <li key={r.recipeId} className="flex flex-wrap items-baseline gap-x-4 py-2">
                    <Link to={`/recipes/${r.recipeId}/story`} className="text-lg font-semibold text-rim underline">
                      {r.recipe}
                    </Link>
                    <span className="figures ml-auto">
                      {r.mark ? `${fixed(r.mark, 1)} of 5` : "not rated"} · {r.loaves === 1 ? "once" : `${r.loaves} times`}
                    </span>
                  </li>
                ))}
              </ol>
            </section>
            <CostOf year={year.data} />
          </div>
        </>
      )}
    </div>
  );
}

/** What the ingredients cost, as far as their packs have a price. */
function CostOf({ year: { cost, money = "", unpriced } }: { year: Year }) {
  const sum = (n: number) => price(fixed(n, 2), money);
  return (
    <section aria-labelledby="cost">
      <h2 id="cost" className="text-lg font-semibold">
        What it cost
      </h2>
      {cost.sum > 0 ? (
        <p className="mt-1">
          <b className="figures text-xl">{sum(cost.sum)}</b> in all, <b className="figures">{sum(cost.perLoaf ?? 0)}</b> a loaf
          {cost.priced < 0.995 && `, for the ${Math.floor(cost.priced * 100)} % of its weight that has a price`}.
        </p>
      ) : (
        <p className="mt-1 text-soft">No pack has a price yet.</p>
      )}
      {unpriced && (
        <p className="mt-1 text-soft">
          Without a price: {unpriced.join(", ")}.{" "}
          <Link to="/kitchen?drawer=Cupboard" className="font-semibold text-rim underline">
            Add pack prices
          </Link>
        </p>
      )}
    </section>
  );
}

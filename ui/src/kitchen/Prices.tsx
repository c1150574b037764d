import { X } from "lucide-react";
import { useLarder } from "../client/house";
import type { Kitchen, KitchenPrice as Price, Problem } from "../client/types.gen";
import { IngredientPicker } from "../parts/IngredientPicker";
import { readNumber, Typed } from "../parts/Typed";
import { fieldLook, type SetKitchen } from "./set";
import { fixed } from "../parts/figures";
import { Weighed } from "../parts/Weighed";

interface Props {
  kitchen: Kitchen;
  set: SetKitchen;
  fault: Problem | undefined;
}

const usualPack = 1000; // g

/** What packs cost: the year's bread is counted by it. */
export function Prices({ kitchen, set, fault }: Props) {
  const larder = useLarder().data?.ingredients ?? [];
  const prices = kitchen.prices ?? [];
  const name = (id: string) => larder.find((i) => i.id === id)?.name ?? id;
  const change = (p: Price, part: Partial<Price>, kept: () => void) =>
    set({ prices: prices.map((o) => (o === p ? { ...o, ...part } : o)) }, kept);
  const field = `${fieldLook} w-24 text-right text-lg font-bold`;
  return (
    <section aria-labelledby="prices">
      <h2 id="prices" className="text-sm font-semibold text-soft">
        What packs cost
      </h2>
      <label className="flex items-center gap-2 text-sm">
        Currency symbol
        <Typed
          value={kitchen.money ?? ""}
          show={(m) => m}
          parse={(text) => (text.trim().length <= 4 ? text.trim() : null)}
          say="up to four letters"
          keep={(money, kept) => set({ money: money || undefined }, kept)}
          placeholder="–"
          className={`${fieldLook} w-16 text-center`}
        />
      </label>
      <ul className="mt-2 divide-y divide-rule border-y border-rule">
        {prices.map((p, n) => (
          <li key={p.ingredient} className="flex flex-wrap items-center gap-2 py-1" data-price={p.ingredient}>
            <span className="font-semibold max-sm:w-full sm:flex-1">{name(p.ingredient)}</span>
            <Weighed
              what={`A pack of ${name(p.ingredient)}`}
              grams={p.grams}
              keep={(grams, kept) => change(p, { grams }, kept)}
              className={field}
            />
            for
            <Typed
              value={p.cost}
              show={(c) => fixed(c, 2)}
              parse={readNumber}
              say="a price"
              mode="decimal"
              keep={(cost, kept) => change(p, { cost }, kept)}
              label={`What a pack of ${name(p.ingredient)} costs`}
              className={field}
            />
            {kitchen.money}
            <button
              type="button"
              aria-label={`Remove price of ${name(p.ingredient)}`}
              onClick={() => set({ prices: prices.filter((o) => o !== p) })}
              className="grid size-11 place-items-center text-rim"
            >
              <X size={20} aria-hidden="true" />
            </button>
            <p role="status" className="w-full text-sm text-signal">
              {fault?.pointer?.startsWith(`/prices/${n}`) ? fault.detail : ""}
            </p>
          </li>
        ))}
      </ul>
      <IngredientPicker
        label="Add a price for"
        ingredients={larder.filter((i) => i.id !== "water" && !prices.some((p) => p.ingredient === i.id))}
        pick={(i) => set({ prices: [...prices, { ingredient: i.id, grams: usualPack, cost: 0 }] })}
      />
    </section>
  );
}

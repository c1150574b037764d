import { CircleAlert, X } from "lucide-react";
import { useLarder } from "../client/house";
import type { Kitchen, KitchenPack, Problem } from "../client/types.gen";
import { IngredientPicker } from "../parts/IngredientPicker";
import { Typed } from "../parts/Typed";
import { Prices } from "./Prices";
import { fieldLook, type SetKitchen } from "./set";
import { Weighed } from "../parts/Weighed";

interface Props {
  kitchen: Kitchen;
  worries: string[];
  set: SetKitchen;
  fault: Problem | undefined;
}

/** Jars and bags with their dates, and what there is in the house. */
export function Cupboard({ kitchen, worries, set, fault }: Props) {
  return (
    <div className="grid gap-x-10 gap-y-6 xl:grid-cols-[3fr_2fr]">
      <Packs kitchen={kitchen} worries={worries} set={set} fault={fault} />
      <div className="grid content-start gap-6">
        <Stock kitchen={kitchen} set={set} fault={fault} />
        <Prices kitchen={kitchen} set={set} fault={fault} />
      </div>
    </div>
  );
}

function Packs({ kitchen, worries, set, fault }: Props) {
  const larder = useLarder().data?.ingredients ?? [];
  const packs = kitchen.packs ?? [];
  const name = (id: string) => larder.find((i) => i.id === id)?.name ?? id;
  const change = (n: number, part: Partial<KitchenPack>) => set({ packs: packs.map((p, m) => (m === n ? { ...p, ...part } : p)) });
  return (
    <section aria-labelledby="packs">
      <h2 id="packs" className="text-sm font-semibold text-soft">
        Opened packs and dates
      </h2>
      <p className="text-sm">
        An opened jar of yeast keeps about four months in the fridge; wholemeal and mixes turn rancid. The plan warns before you measure.
      </p>
      <ul className="mt-2 divide-y divide-rule border-y border-rule">
        {packs.map((p, n) => (
          <li key={n} className="py-2" data-pack={p.ingredient}>
            <div className="flex flex-wrap items-end gap-3">
              <p className="w-44 self-center text-lg font-bold">{name(p.ingredient)}</p>
              <DateField
                label={`Best before, ${name(p.ingredient)}`}
                say="best before"
                value={p.bestBefore}
                keep={(bestBefore) => change(n, { bestBefore })}
              />
              <DateField label={`Opened, ${name(p.ingredient)}`} say="opened" value={p.opened} keep={(opened) => change(n, { opened })} />
              <button
                type="button"
                aria-label={`Remove the ${name(p.ingredient)}`}
                onClick={() => set({ packs: packs.filter((o) => o !== p) })}
                className="ml-auto grid size-11 place-items-center text-rim"
              >
                <X size={20} aria-hidden="true" />
              </button>
            </div>
            <p role="status" className="text-sm text-signal">
              {fault?.pointer?.startsWith(`/packs/${n}`) ? fault.detail : ""}
            </p>
            {worries[n] && (
              <p className="fraction mt-1 border-l-4 border-rim pl-3 text-sm">
                <CircleAlert size={18} aria-hidden="true" className="mr-1 inline align-text-bottom text-rim" />
                {worries[n]}
              </p>
            )}
          </li>
        ))}
      </ul>
      <IngredientPicker label="Add a jar or bag of" ingredients={larder} pick={(i) => set({ packs: [...packs, { ingredient: i.id }] })} />
    </section>
  );
}

/** A date, sent when it is whole; what is refused stays in the field. */
function DateField({
  label,
  say,
  value,
  keep,
}: {
  label: string;
  say: string;
  value: string | undefined;
  keep: (date: string | undefined) => void;
}) {
  return (
    <label className="block text-xs text-soft">
      {say}
      <Typed
        value={value ?? ""}
        show={(v) => v}
        parse={(text) => text.trim()}
        keep={(date) => keep(date || undefined)}
        label={label}
        placeholder="2027-01-31"
        className={`${fieldLook} block w-36 text-ink`}
      />
    </label>
  );
}

function Stock({ kitchen, set, fault }: Omit<Props, "worries">) {
  const larder = useLarder().data?.ingredients ?? [];
  const stock = kitchen.stock ?? [];
  const name = (id: string) => larder.find((i) => i.id === id)?.name ?? id;
  const open = larder.filter((i) => i.id !== "water" && !stock.some((s) => s.ingredient === i.id));
  return (
    <section aria-labelledby="stock">
      <h2 id="stock" className="text-sm font-semibold text-soft">
        Stock I track
      </h2>
      <p className="text-sm">These are checked for each loaf; we assume you have everything else.</p>
      <ul className="mt-2 divide-y divide-rule border-y border-rule">
        {stock.map((s, n) => (
          <li key={s.ingredient} className="flex flex-wrap items-center gap-3 py-1">
            <span className="flex-1 font-semibold">{name(s.ingredient)}</span>
            <Weighed
              what={`${name(s.ingredient)} in the house`}
              grams={s.grams}
              keep={(grams, kept) => set({ stock: stock.map((o) => (o === s ? { ...o, grams } : o)) }, kept)}
              className={`${fieldLook} w-24 text-right text-lg font-bold`}
            />
            <button
              type="button"
              aria-label={`Stop tracking ${name(s.ingredient)}`}
              onClick={() => set({ stock: stock.filter((o) => o !== s) })}
              className="grid size-11 place-items-center text-rim"
            >
              <X size={20} aria-hidden="true" />
            </button>
            <p role="status" className="w-full text-sm text-signal">
              {fault?.pointer?.startsWith(`/stock/${n}`) ? fault.detail : ""}
            </p>
          </li>
        ))}
      </ul>
      <IngredientPicker
        label="Track stock of"
        ingredients={open}
        pick={(i) => set({ stock: [...stock, { ingredient: i.id, grams: 0 }] })}
      />
    </section>
  );
}

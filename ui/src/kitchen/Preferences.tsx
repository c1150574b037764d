import { X } from "lucide-react";
import { useLarder } from "../client/house";
import type { Kitchen } from "../client/types.gen";
import { IngredientPicker } from "../parts/IngredientPicker";
import { Picker } from "../parts/Picker";
import type { SetKitchen } from "./set";

const called = (m: { name?: string; amount: string }) => m.name ?? m.amount;

/** Measures that this kitchen likes for an ingredient: flour by the half cup, it fits the bin. */
export function Preferences({ kitchen, set }: { kitchen: Kitchen; set: SetKitchen }) {
  const larder = useLarder().data?.ingredients ?? [];
  const open = larder.filter((i) => i.perCup && !kitchen.prefer.some((p) => p.ingredient === i.id));
  const first = kitchen.measures[0];
  if (!first) return null;
  return (
    <section aria-labelledby="liked">
      <h2 id="liked" className="mb-1 text-sm font-semibold text-soft">
        Preferred measure for an ingredient
      </h2>
      <ul className="divide-y divide-rule border-b border-rule empty:hidden">
        {kitchen.prefer.map((p) => (
          <li key={p.ingredient} className="flex min-h-12 items-center gap-4">
            <span className="w-44 font-semibold">{larder.find((i) => i.id === p.ingredient)?.name ?? p.ingredient}</span>
            <span>by</span>
            <Picker
              label={`Measure for ${p.ingredient}`}
              value={called(p.measure)}
              choices={kitchen.measures.map((m) => ({ id: called(m), name: called(m) }))}
              pick={(id) => {
                const measure = kitchen.measures.find((m) => called(m) === id);
                if (measure) set({ prefer: kitchen.prefer.map((o) => (o === p ? { ...o, measure } : o)) });
              }}
            />
            <button
              type="button"
              aria-label={`Remove setting for ${p.ingredient}`}
              onClick={() => set({ prefer: kitchen.prefer.filter((o) => o !== p) })}
              className="ml-auto grid size-11 place-items-center text-rim"
            >
              <X size={20} aria-hidden="true" />
            </button>
          </li>
        ))}
      </ul>
      {open.length > 0 && (
        <IngredientPicker
          label="Add an ingredient"
          ingredients={open}
          pick={(i) => set({ prefer: [...kitchen.prefer, { ingredient: i.id, measure: first }] })}
        />
      )}
    </section>
  );
}

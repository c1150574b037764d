import { X } from "lucide-react";
import { useState } from "react";
import { useLarder } from "../client/queries";
import type { Kitchen, LarderIngredient } from "../client/types.gen";
import { Picker } from "../plan/Pickers";

/** What a cup of something weighs in this kitchen, in place of the larder's usual weight. */
export function OwnFacts({ kitchen, set }: { kitchen: Kitchen; set: (part: Partial<Kitchen>) => void }) {
  const larder = useLarder().data?.ingredients ?? [];
  const own = kitchen.facts ?? [];
  const open = larder.filter((i) => i.perCup && !own.some((o) => o.id === i.id));
  return (
    <section aria-labelledby="own">
      <h2 id="own" className="text-sm font-semibold text-soft">A cup weighs here</h2>
      <ul className="divide-y divide-rule border-b border-rule">
        {own.map((i) => (
          <li key={i.id} className="flex min-h-12 items-center gap-4">
            <span className="w-44 font-semibold">{i.name}</span>
            <CupWeight ingredient={i} keep={(perCup) => set({ facts: own.map((o) => (o.id === i.id ? { ...o, perCup } : o)) })} />
            <button type="button" aria-label={`Forget it for ${i.name}`} onClick={() => set({ facts: own.filter((o) => o.id !== i.id) })} className="ml-auto grid size-11 place-items-center text-rim"><X size={20} aria-hidden="true" /></button>
          </li>
        ))}
      </ul>
      {open.length > 0 && (
        <Picker label="Weigh a cup of" value="" choices={[{ id: "", name: "Weigh a cup of …" }, ...open.map((i) => ({ id: i.id, name: i.name, hint: `usually ${i.perCup} g` }))]} pick={(id) => {
          const row = larder.find((i) => i.id === id);
          if (row) set({ facts: [...own, row] });
        }} />
      )}
    </section>
  );
}

function CupWeight({ ingredient, keep }: { ingredient: LarderIngredient; keep: (grams: number) => void }) {
  const [typed, setTyped] = useState<string | null>(null);
  const value = Number((typed ?? "").replace(",", "."));
  const wrong = typed !== null && !(value >= 1 && value <= 1000);
  const commit = () => {
    if (typed !== null && !wrong && value !== ingredient.perCup) keep(value);
    if (!wrong) setTyped(null);
  };
  return (
    <label className="flex items-center gap-2">
      <span className="sr-only">A cup of {ingredient.name}, in grams</span>
      <input value={typed ?? String(ingredient.perCup ?? "")} onChange={(e) => setTyped(e.target.value)} onBlur={commit} onKeyDown={(e) => e.key === "Enter" && commit()} inputMode="decimal" aria-invalid={wrong} className="figures h-11 w-20 rounded-tray border-2 border-rim bg-enamel px-2 text-right text-lg font-bold aria-invalid:border-signal" />
      g<span role="status" className="text-xs text-signal">{wrong ? "1 to 1000 g" : ""}</span>
    </label>
  );
}

import { X } from "lucide-react";
import { useLarder } from "../client/house";
import type { Kitchen, LarderIngredient, Problem } from "../client/types.gen";
import { IngredientPicker } from "../parts/IngredientPicker";
import { between, Typed } from "../parts/Typed";
import { fieldLook, type SetKitchen } from "./set";
import { upTo, scale, weight } from "../parts/figures";

const shares = ["water", "fat", "sugar", "salt"] as const;

/** What an ingredient is in this kitchen, in place of the larder's usual figures. */
export function OwnFacts({ kitchen, set, fault }: { kitchen: Kitchen; set: SetKitchen; fault: Problem | undefined }) {
  const larder = useLarder().data?.ingredients ?? [];
  const own = kitchen.facts ?? [];
  const open = larder.filter((i) => i.perCup && !own.some((o) => o.id === i.id));
  const replace = (next: LarderIngredient, kept?: () => void) => set({ facts: own.map((o) => (o.id === next.id ? next : o)) }, kept);
  return (
    <section aria-labelledby="own">
      <h2 id="own" className="text-sm font-semibold text-soft">
        My ingredient weights
      </h2>
      <p className="text-sm">Where your packet differs from our figures: the weight of a US cup, and what 100 g hold.</p>
      <ul className="mt-2 divide-y divide-rule border-y border-rule">
        {own.map((i, n) => (
          <li key={i.id} className="py-2">
            <div className="flex items-center">
              <h3 className="font-bold">{i.name}</h3>
              <button
                type="button"
                aria-label={`Remove setting for ${i.name}`}
                onClick={() => set({ facts: own.filter((o) => o.id !== i.id) })}
                className="ml-auto grid size-11 place-items-center text-rim"
              >
                <X size={20} aria-hidden="true" />
              </button>
            </div>
            <div className="flex flex-wrap gap-2">
              <Fact
                label={`A cup of ${i.name}, in ${scale().name}`}
                say={`a cup, ${scale().unit}`}
                value={(i.perCup ?? 0) / scale().g}
                most={Math.floor(1000 / scale().g)}
                least={1}
                keep={(cup, kept) => replace({ ...i, perCup: cup * scale().g }, kept)}
              />
              {shares.map((s) => (
                <Fact
                  key={s}
                  label={`${s} in ${i.name}, per 100 g`}
                  say={`${s}, %`}
                  value={i.shares[s]}
                  most={100}
                  least={0}
                  keep={(v, kept) => replace({ ...i, shares: { ...i.shares, [s]: v } }, kept)}
                />
              ))}
            </div>
            <p role="status" className="text-sm text-signal">
              {fault?.pointer?.startsWith(`/facts/${n}`) ? fault.detail : ""}
            </p>
          </li>
        ))}
      </ul>
      <Readings
        kitchen={kitchen}
        set={set}
        name={(id) => larder.find((i) => i.id === id)?.name ?? own.find((i) => i.id === id)?.name ?? id}
      />
      {open.length > 0 && (
        <IngredientPicker
          label="Change the figures of"
          ingredients={open}
          hint={(i) => `a cup usually weighs ${weight(i.perCup ?? 0)}`}
          pick={(i) => set({ facts: [...own, i] })}
        />
      )}
    </section>
  );
}

interface FactProps {
  label: string;
  say: string;
  value: number;
  least: number;
  most: number;
  keep: (value: number, kept: () => void) => void;
}

function Fact({ label, say, value, least, most, keep }: FactProps) {
  return (
    <label className="block text-xs text-soft">
      {say}
      <Typed
        value={value}
        show={(v) => upTo(v, 2)}
        parse={between(least, most)}
        keep={keep}
        say={`${least} to ${most}`}
        label={label}
        mode="decimal"
        className={`${fieldLook} block w-18 text-right text-lg font-bold text-ink`}
      />
    </label>
  );
}

/** Names on cards that this kitchen reads in a way of its own. */
function Readings({ kitchen, set, name }: { kitchen: Kitchen; set: SetKitchen; name: (id: string) => string }) {
  const readings = kitchen.readings ?? [];
  if (readings.length === 0) return null;
  return (
    <ul aria-label="Ingredient names you taught us" className="divide-y divide-rule border-b border-rule">
      {readings.map((r) => (
        <li key={r.spelling} className="flex min-h-11 items-center gap-2">
          <span>
            “{r.spelling}” means <b>{name(r.ingredient)}</b>
          </span>
          <button
            type="button"
            aria-label={`Forget what ${r.spelling} means`}
            onClick={() => set({ readings: readings.filter((o) => o !== r) })}
            className="ml-auto grid size-11 place-items-center text-rim"
          >
            <X size={20} aria-hidden="true" />
          </button>
        </li>
      ))}
    </ul>
  );
}

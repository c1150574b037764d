import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from "@headlessui/react";
import { useState } from "react";
import type { LarderIngredient } from "../client/types.gen";

interface Props {
  label: string;
  ingredients: LarderIngredient[];
  pick: (ingredient: LarderIngredient) => void;
  placeholder?: string;
  hint?: (ingredient: LarderIngredient) => string;
}

const few = 12; // rows that are shown at once

const plain = (text: string) => text.normalize("NFD").replace(/\p{M}/gu, "").toLowerCase();

/** The rows whose name, or another name, begins with what is typed, and then those that hold it. */
function looked(ingredients: LarderIngredient[], typed: string): LarderIngredient[] {
  const want = plain(typed.trim());
  if (!want) return [];
  const names = (i: LarderIngredient) => [i.name, ...(i.names ?? [])].map(plain);
  const begins = ingredients.filter((i) => names(i).some((n) => n.startsWith(want)));
  const holds = ingredients.filter((i) => !begins.includes(i) && names(i).some((n) => n.includes(want)));
  return [...begins, ...holds].slice(0, few);
}

/** Finds one ingredient of the larder by typing a part of its name. */
export function IngredientPicker({ label, ingredients, pick, placeholder, hint }: Props) {
  const [typed, type] = useState("");
  const found = looked(ingredients, typed);
  return (
    <Combobox
      value={null}
      onChange={(i: LarderIngredient | null) => {
        if (!i) return;
        type("");
        pick(i);
      }}
      immediate
    >
      <ComboboxInput
        aria-label={label}
        value={typed}
        onChange={(e) => type(e.target.value)}
        placeholder={placeholder ?? label}
        autoComplete="off"
        className="h-12 w-full max-w-80 rounded-tray border-2 border-rim bg-enamel px-3 text-lg"
      />
      {typed.trim() !== "" && (
        <ComboboxOptions
          anchor={{ to: "bottom start", gap: 4 }}
          className="z-60 min-w-72 rounded-tray border-2 border-rim bg-enamel p-1 focus:outline-none"
        >
          {found.map((i) => (
            <ComboboxOption
              key={i.id}
              value={i}
              className="min-h-11 cursor-pointer content-center rounded px-3 py-1 data-focus:bg-rim data-focus:text-on-rim"
            >
              {i.name}
              {hint && <span className="block text-sm opacity-90">{hint(i)}</span>}
            </ComboboxOption>
          ))}
          {found.length === 0 && <p className="px-3 py-2 text-soft">Nothing in the larder is called “{typed.trim()}”.</p>}
        </ComboboxOptions>
      )}
    </Combobox>
  );
}

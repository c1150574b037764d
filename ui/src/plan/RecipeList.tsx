import { Combobox, ComboboxButton, ComboboxInput, ComboboxOption, ComboboxOptions } from "@headlessui/react";
import { ChevronDown } from "lucide-react";
import { useState } from "react";
import { useRecipes } from "../client/recipes";
import type { RecipeOnShelf } from "../client/types.gen";
import { useSettled } from "../parts/settled";
import { type Turned, useTurned } from "../parts/turned";
import { RecipeName, type RecipePickerProps } from "./RecipePicker";

/** Chooses a recipe by typing a part of its name, or from the window that the shelf shows. */
export default function RecipeList({ shelf, recipe, pick, turned }: RecipePickerProps & { turned: Turned }) {
  const button = useTurned(turned);
  const [typed, type] = useState("");
  const name = useSettled(typed.trim());
  const found = useRecipes({ find: name }, name !== "" && shelf.more);
  const listed = name !== "" && shelf.more ? (found.data?.recipes ?? []) : shelf.recipes.filter((r) => holds(r.name, typed));
  const more = name !== "" && shelf.more ? found.data?.more : shelf.more;
  return (
    <Combobox value={recipe} by="id" onChange={(r: RecipeOnShelf | null) => r && pick(r.id)} onClose={() => type("")}>
      <div className="relative flex items-center rounded-tray hover:bg-shelf">
        <ComboboxInput
          aria-label="Recipe"
          displayValue={(r: RecipeOnShelf) => r.name}
          title={recipe.name}
          maxLength={120}
          onChange={(e) => type(e.target.value)}
          onFocus={(e) => e.target.select()}
          className="peer absolute inset-0 w-full min-w-0 rounded-tray bg-transparent pr-10 pl-2 text-lg font-bold text-transparent focus:text-ink"
        />
        <RecipeName name={recipe.name} className="peer-focus:invisible" />
        <ComboboxButton ref={button} aria-label="All recipes" className="absolute right-0 grid min-h-12 w-10 place-items-center text-rim">
          <ChevronDown size={20} aria-hidden="true" />
        </ComboboxButton>
      </div>
      <ComboboxOptions
        anchor={{ to: "bottom start", gap: 4 }}
        className="z-30 min-w-72 rounded-tray border-2 border-rim bg-enamel p-1 empty:invisible focus:outline-none"
      >
        {listed.map((r) => (
          <ComboboxOption
            key={r.id}
            value={r}
            className="min-h-12 cursor-pointer rounded px-3 py-2 data-focus:bg-rim data-focus:text-on-rim data-selected:font-bold"
          >
            <span className="block max-w-96 text-base wrap-anywhere">{r.name}</span>
            {r.note && <span className="block max-w-96 text-xs wrap-anywhere opacity-90">{r.note}</span>}
          </ComboboxOption>
        ))}
        {more && <p className="px-3 py-2 text-xs text-soft">There are more: type a part of the name.</p>}
        {listed.length === 0 && !found.isFetching && <p className="px-3 py-2 text-base">No recipe on the shelf is called that.</p>}
      </ComboboxOptions>
    </Combobox>
  );
}

const holds = (name: string, part: string) => name.toLocaleLowerCase().includes(part.trim().toLocaleLowerCase());

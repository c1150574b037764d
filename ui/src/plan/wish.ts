import { useSearchParams } from "react-router";
import type { MachineOnShelf, RecipeOnShelf, Shelf, Wish } from "../client/types.gen";

export interface Chosen {
  wish: Wish;
  recipe: RecipeOnShelf;
  machine: MachineOnShelf;
}

export type Change = Partial<Record<"recipe" | "machine" | "size" | "ready" | "cycle" | "crust", string | null>>;

/** What the address bar wishes for, filled up from the shelf; and how to change it. */
export function useWish(shelf: Shelf | undefined): [Chosen | null, (change: Change) => void] {
  const [search, setSearch] = useSearchParams();
  const change = (changes: Change) =>
    setSearch(
      (before) => {
        const next = new URLSearchParams(before);
        for (const [name, value] of Object.entries(changes)) {
          if (value) next.set(name, value);
          else next.delete(name);
        }
        return next;
      },
      { replace: true },
    );
  return [shelf ? chosen(shelf, search) : null, change];
}

function chosen(shelf: Shelf, search: URLSearchParams): Chosen | null {
  const recipe = shelf.recipes.find((r) => r.id === search.get("recipe")) ?? shelf.recipes[0];
  const machine = shelf.machines.find((m) => m.id === search.get("machine")) ?? shelf.machines[0];
  if (!recipe || !machine) return null;
  const size = [search.get("size"), recipe.size].find((s) => s && machine.sizes.includes(s)) ?? machine.sizes.at(-1) ?? recipe.size;
  const wish: Wish = { recipe: recipe.id, machine: machine.id, size };
  const ready = search.get("ready");
  const cycle = search.get("cycle");
  const crust = search.get("crust");
  if (ready) wish.ready = ready;
  if (cycle) wish.cycle = cycle;
  if (crust === "light" || crust === "medium" || crust === "dark") wish.crust = crust;
  return { wish, recipe, machine };
}

import { useSearchParams } from "react-router";
import type { MachineOnShelf, PanManner, PlanLock, RecipeOnShelf, Shelf, SwapPick, Wish } from "../client/types.gen";

export interface Chosen {
  wish: Wish;
  recipe: RecipeOnShelf;
  machine: MachineOnShelf;
}

const names = ["recipe", "machine", "size", "ready", "cycle", "crust", "closer", "away", "lock", "weigh", "have", "without", "instead", "slices", "eaters", "swap", "room", "flour", "cold", "home", "within", "away-at-beep", "add-ins", "order", "salt-place", "fat-place", "yeast-place"] as const;

export type Change = Partial<Record<(typeof names)[number], string | null>>;

/** What holds for this loaf alone; another recipe forgets it. */
export const forThisLoaf: Change = { size: null, cycle: null, crust: null, closer: null, lock: null, weigh: null, have: null, without: null, instead: null, slices: null, eaters: null, swap: null, cold: null, "add-ins": null, order: null, "salt-place": null, "fat-place": null, "yeast-place": null };

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

export const orders = ["wet first", "dry first", "yeast bloomed", "dry mixed first", "as listed"] as const;
export const saltPlaces = ["under the flour", "in the liquid", "above the flour"] as const;
export const fatPlaces = ["in pieces", "in four corners", "over the bottom", "melted"] as const;
export const yeastPlaces = ["in a well", "on top"] as const;
export const addInWays = ["by hand", "dispenser", "at the start"] as const;

/** Lists stand in the address as "a|b"; an amount of a line as "l3:1/2 cup". */
export const listed = (items: string[]) => (items.length > 0 ? items.join("|") : null);
const list = (text: string | null) => (text ? text.split("|") : []);

export const locked = (locks: PlanLock[]) => listed(locks.map((l) => `${l.line}:${l.amount}`));

function lock(text: string): PlanLock {
  const cut = text.indexOf(":");
  return { line: text.slice(0, cut), amount: text.slice(cut + 1) };
}

/** Swaps stand in the address as "l1:milk>dry-milk:0|l6:bread-flour>wholemeal-flour:25". */
export const swapped = (swaps: SwapPick[]) => listed(swaps.map((s) => `${s.line}:${s.swap}:${s.share ?? 0}`));

function pick(text: string): SwapPick {
  const [line = "", swap = "", share] = text.split(":");
  return Number(share) > 0 ? { line, swap, share: Number(share) } : { line, swap };
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
  const closer = Number(search.get("closer"));
  const have = search.get("have");
  if (ready) wish.ready = ready;
  if (cycle) wish.cycle = cycle;
  if (crust === "light" || crust === "medium" || crust === "dark") wish.crust = crust;
  if (Number.isInteger(closer) && closer !== 0) wish.closer = closer;
  if (search.get("away")) wish.notToHand = list(search.get("away"));
  if (search.get("lock")) wish.locks = list(search.get("lock")).map(lock);
  if (search.get("weigh")) wish.weigh = list(search.get("weigh"));
  const slices = Number(search.get("slices"));
  if (Number.isInteger(slices) && slices > 0) wish.slices = slices;
  const eaters = Number(search.get("eaters"));
  if (Number.isInteger(eaters) && eaters > 0) wish.eaters = eaters;
  if (search.get("swap")) wish.swaps = list(search.get("swap")).map(pick);
  const [room, flour] = [search.get("room"), search.get("flour")];
  const cold = list(search.get("cold"));
  if (room || flour || cold.length > 0) wish.warmth = { ...(room && { room }), ...(flour && { flour }), ...(cold.length > 0 && { cold }) };
  if (search.get("home")) wish.notYet = true;
  const within = Number(search.get("within"));
  if (Number.isInteger(within) && within > 0) wish.within = within;
  if (search.get("away-at-beep")) wish.away = true;
  const addIns = addInWays.find((w) => w === search.get("add-ins"));
  if (addIns) wish.addIns = addIns;
  const loading: PanManner = {};
  loading.order = orders.find((o) => o === search.get("order"));
  loading.salt = saltPlaces.find((o) => o === search.get("salt-place"));
  loading.fat = fatPlaces.find((o) => o === search.get("fat-place"));
  loading.yeast = yeastPlaces.find((o) => o === search.get("yeast-place"));
  if (loading.order || loading.salt || loading.fat || loading.yeast) wish.loading = loading;
  if (have) wish.have = lock(have);
  if (search.get("without")) wish.without = list(search.get("without"));
  const instead = list(search.get("instead")).map(lock); // "l2:oil"
  if (instead.length > 0) wish.instead = Object.fromEntries(instead.map((i) => [i.line, i.amount]));
  return { wish, recipe, machine };
}

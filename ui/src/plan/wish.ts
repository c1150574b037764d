import { useSearchParams } from "react-router";
import { useRecipe } from "../client/queries";
import { MachineCrust, PanFatPlace, PanOrder, PanSaltPlace, PanYeastPlace, PlanAddInWay } from "../client/words.gen";
import type { MachineOnShelf, PanManner, PlanLock, RecipeOnShelf, RecipeRead, Shelf, SwapPick, Wish } from "../client/types.gen";

export interface Chosen {
  wish: Wish;
  recipe: RecipeOnShelf;
  machine: MachineOnShelf;
}

const names = [
  "recipe",
  "machine",
  "size",
  "ready",
  "cycle",
  "crust",
  "closer",
  "away",
  "lock",
  "weigh",
  "have",
  "without",
  "instead",
  "slices",
  "eaters",
  "bag",
  "swap",
  "room",
  "flour",
  "cold",
  "tempered",
  "home",
  "within",
  "away-at-beep",
  "add-ins",
  "ways",
  "order",
  "salt-place",
  "fat-place",
  "yeast-place",
] as const;

export type Change = Partial<Record<(typeof names)[number], string | null>>;

/** What holds for this loaf alone; another recipe forgets it. */
export const forThisLoaf: Change = {
  size: null,
  cycle: null,
  crust: null,
  closer: null,
  lock: null,
  weigh: null,
  have: null,
  without: null,
  instead: null,
  slices: null,
  eaters: null,
  bag: null,
  swap: null,
  cold: null,
  tempered: null,
  "add-ins": null,
  ways: null,
  order: null,
  "salt-place": null,
  "fat-place": null,
  "yeast-place": null,
};

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
  const named = search.get("recipe");
  const onShelf = shelf?.recipes.find((r) => r.id === named);
  const beyond = useRecipe(shelf && named && !onShelf ? named : undefined); // of the window that the shelf shows
  if (!shelf || beyond.isLoading) return [null, change];
  return [chosen(shelf, search, onShelf ?? (beyond.data && row(beyond.data)) ?? shelf.recipes[0]), change];
}

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

const row = ({ id = "", revision = 0, recipe }: RecipeRead): RecipeOnShelf => ({
  id,
  revision,
  name: recipe.name,
  kind: recipe.kind,
  size: recipe.size ?? "",
  note: recipe.note ?? "",
});

function chosen(shelf: Shelf, search: URLSearchParams, recipe: RecipeOnShelf | undefined): Chosen | null {
  const machine = shelf.machines.find((m) => m.id === search.get("machine")) ?? shelf.machines[0];
  if (!recipe || !machine) return null;
  return {
    wish: { recipe: recipe.id, machine: machine.id, loaf: loaf(search), time: time(search), hands: hands(search) },
    recipe,
    machine,
  };
}

/** A whole number above nothing that the address bar holds. */
function count(text: string | null): number | undefined {
  const n = Number(text);
  return Number.isInteger(n) && n > 0 ? n : undefined;
}

/** What is left of a value without what it does not say; nothing where it says nothing. */
function said<T extends object>(value: T): T | undefined {
  const entries = Object.entries(value).filter(
    ([, v]) => v !== undefined && v !== null && v !== "" && !(Array.isArray(v) && v.length === 0),
  );
  return entries.length > 0 ? (Object.fromEntries(entries) as T) : undefined;
}

/** The loaf of the address; without a size it is the loaf as written. */
function loaf(search: URLSearchParams): Wish["loaf"] {
  const have = search.get("have");
  const instead = list(search.get("instead")).map(lock); // "l2:oil"
  return {
    ...said({
      size: search.get("size") ?? undefined,
      slices: count(search.get("slices")),
      eaters: count(search.get("eaters")),
      bag: search.get("bag") ?? undefined,
      have: have ? lock(have) : undefined,
      without: list(search.get("without")),
      instead: instead.length > 0 ? Object.fromEntries(instead.map((i) => [i.line, i.amount])) : undefined,
      swaps: list(search.get("swap")).map(pick),
    }),
  };
}

/** The ways of single add-ins: "l9:dispenser|l10:by hand". */
function ways(search: URLSearchParams): NonNullable<Wish["time"]>["ways"] {
  const each = list(search.get("ways")).flatMap((text) => {
    const { line, amount } = lock(text);
    const way = PlanAddInWay.find((w) => w === amount);
    return way ? [[line, way] as const] : [];
  });
  return each.length > 0 ? Object.fromEntries(each) : undefined;
}

function time(search: URLSearchParams): Wish["time"] {
  return said({
    ready: search.get("ready") ?? undefined,
    notYet: search.get("home") ? true : undefined,
    within: count(search.get("within")),
    away: search.get("away-at-beep") ? true : undefined,
    cycle: search.get("cycle") ?? undefined,
    crust: MachineCrust.find((c) => c === search.get("crust")),
    addIns: PlanAddInWay.find((w) => w === search.get("add-ins")),
    ways: ways(search),
  });
}

function hands(search: URLSearchParams): Wish["hands"] {
  const closer = Number(search.get("closer"));
  return said({
    closer: Number.isInteger(closer) && closer !== 0 ? closer : undefined,
    notToHand: list(search.get("away")),
    locks: list(search.get("lock")).map(lock),
    weigh: list(search.get("weigh")),
    loading: said<PanManner>({
      order: PanOrder.find((o) => o === search.get("order")),
      salt: PanSaltPlace.find((o) => o === search.get("salt-place")),
      fat: PanFatPlace.find((o) => o === search.get("fat-place")),
      yeast: PanYeastPlace.find((o) => o === search.get("yeast-place")),
    }),
    warmth: said({
      room: search.get("room") ?? undefined,
      flour: search.get("flour") ?? undefined,
      cold: list(search.get("cold")),
      tempered: search.get("tempered") ? true : undefined,
    }),
  });
}

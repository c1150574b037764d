import { type ComponentType, lazy } from "react";

const again = 2_000; // ms until a screen that could not be fetched is asked for again

type Screen = () => Promise<{ default: ComponentType }>;

const loads: Screen[] = [];

/** A screen that is fetched when it is needed, or before, when the page is idle. One that cannot be
    fetched is asked for until it comes. */
function screen(load: Screen) {
  loads.push(load);
  const persistent: Screen = () => load().catch(() => new Promise((resolve) => setTimeout(resolve, again)).then(persistent));
  return lazy(persistent);
}

/** Fetches all screens ahead. */
export function fetchAhead() {
  const idle = window.requestIdleCallback ?? ((run: () => void) => setTimeout(run, 1_500));
  idle(() => loads.forEach((load) => void load().catch(() => undefined)));
}

export const WatchScreen = screen(() => import("./watch/WatchScreen"));
export const WatchNone = screen(() => import("./watch/WatchNone"));
export const VerdictScreen = screen(() => import("./verdict/VerdictScreen"));
export const RecipesScreen = screen(() => import("./recipes/RecipesScreen"));
export const RecipeEditor = screen(() => import("./recipes/RecipeEditor"));
export const KitchenScreen = screen(() => import("./kitchen/KitchenScreen"));
export const MachinesScreen = screen(() => import("./machines/MachinesScreen"));
export const MachineEditor = screen(() => import("./machines/MachineEditor"));
export const CompareScreen = screen(() => import("./machines/CompareScreen"));
export const BenchScreen = screen(() => import("./bench/BenchScreen"));
export const LogScreen = screen(() => import("./log/LogScreen"));
export const LoggedBake = screen(() => import("./log/LoggedBake"));

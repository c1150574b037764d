import { matchRoutes } from "react-router";
import { awaited } from "./parts/later";

const WatchScreen = awaited(() => import("./watch/WatchScreen"));
const WatchNone = awaited(() => import("./watch/WatchNone"));
const VerdictScreen = awaited(() => import("./verdict/VerdictScreen"));
const RecipesScreen = awaited(() => import("./recipes/RecipesScreen"));
const RecipeEditor = awaited(() => import("./recipes/RecipeEditor"));
const CopyScreen = awaited(() => import("./recipes/CopyScreen"), true);
const StoryScreen = awaited(() => import("./story/StoryScreen"));
const YearScreen = awaited(() => import("./log/YearScreen"));
const BringScreen = awaited(() => import("./bring/BringScreen"));
const KitchenScreen = awaited(() => import("./kitchen/KitchenScreen"));
const MachinesScreen = awaited(() => import("./machines/MachinesScreen"));
const MachineEditor = awaited(() => import("./machines/MachineEditor"));
const CompareScreen = awaited(() => import("./machines/CompareScreen"));
const BenchScreen = awaited(() => import("./bench/BenchScreen"));
const BagsScreen = awaited(() => import("./bags/BagsScreen"));
const MakeBags = awaited(() => import("./bags/MakeBags"));
const BagLabels = awaited(() => import("./bags/BagLabels"));
const PaperScreen = awaited(() => import("./paper/PaperScreen"));
const RehearseScreen = awaited(() => import("./rehearse/RehearseScreen"));
const LogScreen = awaited(() => import("./log/LogScreen"));
const LoggedBake = awaited(() => import("./log/LoggedBake"));
const DayScreen = awaited(() => import("./day/DayScreen"));
const DayPaper = awaited(() => import("./paper/DayPaper"));

/** Every screen but Plan, by its address. Plan comes with the program. */
export const screens = [
  { path: "/bench", Screen: BenchScreen },
  { path: "/bench/:id", Screen: BenchScreen },
  { path: "/watch", Screen: WatchNone },
  { path: "/watch/:id", Screen: WatchScreen },
  { path: "/verdict/:id", Screen: VerdictScreen },
  { path: "/log", Screen: LogScreen },
  { path: "/log/:id", Screen: LoggedBake },
  { path: "/log/year", Screen: YearScreen },
  { path: "/recipes/:id/story", Screen: StoryScreen },
  { path: "/recipes", Screen: RecipesScreen },
  { path: "/recipes/new", Screen: RecipeEditor },
  { path: "/recipes/:id", Screen: RecipeEditor },
  { path: "/copy", Screen: CopyScreen },
  { path: "/bring", Screen: BringScreen },
  { path: "/bags", Screen: BagsScreen },
  { path: "/bags/new", Screen: MakeBags },
  { path: "/bags/:id", Screen: BagLabels },
  { path: "/rehearse", Screen: RehearseScreen },
  { path: "/rehearse/:id", Screen: RehearseScreen },
  { path: "/day", Screen: DayScreen },
  { path: "/day/:date", Screen: DayScreen },
  { path: "/paper/day", Screen: DayPaper },
  { path: "/paper/:what", Screen: PaperScreen },
  { path: "/machines", Screen: MachinesScreen },
  { path: "/machines/new", Screen: MachineEditor },
  { path: "/machines/:id", Screen: MachineEditor },
  { path: "/machines/:id/compare", Screen: CompareScreen },
  { path: "/kitchen", Screen: KitchenScreen },
];

/** Asks for the screen of an address before anything is drawn, so that it comes beside what it is to show. */
export function fetchScreen(address: string) {
  if (address !== "/") matchRoutes(screens, address)?.at(-1)?.route.Screen.fetch();
}

/** Is no screen: it calls from behind all of them, once the first has been drawn. */
export const Caller = awaited(() => import("./parts/Caller"));
export const HeldOver = awaited(() => import("./parts/HeldOver"));

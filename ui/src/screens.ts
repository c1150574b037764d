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

/** Every screen but Plan, by its address, with its title. Plan comes with the program. */
export const screens = [
  { path: "/bench", title: "Bench", Screen: BenchScreen },
  { path: "/bench/:id", title: "Bench", Screen: BenchScreen },
  { path: "/watch", title: "Watch", Screen: WatchNone },
  { path: "/watch/:id", title: "Watch", Screen: WatchScreen },
  { path: "/verdict/:id", title: "Verdict", Screen: VerdictScreen },
  { path: "/log", title: "Log", Screen: LogScreen },
  { path: "/log/:id", title: "Log", Screen: LoggedBake },
  { path: "/log/year", title: "The year", Screen: YearScreen },
  { path: "/recipes/:id/story", title: "A recipe’s story", Screen: StoryScreen },
  { path: "/recipes", title: "Recipes", Screen: RecipesScreen },
  { path: "/recipes/new", title: "A new recipe", Screen: RecipeEditor },
  { path: "/recipes/:id", title: "Edit a recipe", Screen: RecipeEditor },
  { path: "/copy", title: "Copy a recipe", Screen: CopyScreen },
  { path: "/bring", title: "Import", Screen: BringScreen },
  { path: "/bags", title: "Bags", Screen: BagsScreen },
  { path: "/bags/new", title: "Make bags", Screen: MakeBags },
  { path: "/bags/:id", title: "Labels", Screen: BagLabels },
  { path: "/rehearse", title: "Practise", Screen: RehearseScreen },
  { path: "/rehearse/:id", title: "Practise", Screen: RehearseScreen },
  { path: "/day", title: "Day", Screen: DayScreen },
  { path: "/day/:date", title: "Day", Screen: DayScreen },
  { path: "/paper/day", title: "On paper", Screen: DayPaper },
  { path: "/paper/:what", title: "On paper", Screen: PaperScreen },
  { path: "/machines", title: "Machines", Screen: MachinesScreen },
  { path: "/machines/new", title: "A machine", Screen: MachineEditor },
  { path: "/machines/:id", title: "A machine", Screen: MachineEditor },
  { path: "/machines/:id/compare", title: "Compare cycles", Screen: CompareScreen },
  { path: "/kitchen", title: "Kitchen", Screen: KitchenScreen },
];

/** The screen of an address; none is Plan. */
const screenAt = (address: string) => (address === "/" ? undefined : matchRoutes(screens, address)?.at(-1)?.route);

/** What the screen of an address is called. */
export const titleOf = (address: string) => screenAt(address)?.title ?? "Plan";

/** The keys that lead to a screen, each with where it goes; with `?` for all of them. */
export const screenKeys = [
  { key: "p", to: "/", says: "Plan" },
  { key: "b", to: "/bench", says: "Bench" },
  { key: "w", to: "/watch", says: "Watch the running bake" },
  { key: "l", to: "/log", says: "Log" },
  { key: "d", to: "/day", says: "The baking day" },
  { key: "r", to: "/recipes", says: "Recipes" },
  { key: "m", to: "/machines", says: "Machines" },
  { key: "k", to: "/kitchen", says: "Kitchen" },
];

/** Asks for the screen of an address before anything is drawn, so that it comes beside what it is to show. */
export const fetchScreen = (address: string) => screenAt(address)?.Screen.fetch();

/** Is no screen: it calls from behind all of them, once the first has been drawn. */
export const Caller = awaited(() => import("./parts/Caller"));
export const HeldOver = awaited(() => import("./parts/HeldOver"));

import { awaited } from "./parts/later";

export const WatchScreen = awaited(() => import("./watch/WatchScreen"));
export const WatchNone = awaited(() => import("./watch/WatchNone"));
export const VerdictScreen = awaited(() => import("./verdict/VerdictScreen"));
export const RecipesScreen = awaited(() => import("./recipes/RecipesScreen"));
export const RecipeEditor = awaited(() => import("./recipes/RecipeEditor"));
export const CopyScreen = awaited(() => import("./recipes/CopyScreen"), true);
export const StoryScreen = awaited(() => import("./story/StoryScreen"));
export const YearScreen = awaited(() => import("./log/YearScreen"));
export const BringScreen = awaited(() => import("./bring/BringScreen"));
export const KitchenScreen = awaited(() => import("./kitchen/KitchenScreen"));
export const MachinesScreen = awaited(() => import("./machines/MachinesScreen"));
export const MachineEditor = awaited(() => import("./machines/MachineEditor"));
export const CompareScreen = awaited(() => import("./machines/CompareScreen"));
export const BenchScreen = awaited(() => import("./bench/BenchScreen"));
export const BagsScreen = awaited(() => import("./bags/BagsScreen"));
export const MakeBags = awaited(() => import("./bags/MakeBags"));
export const BagLabels = awaited(() => import("./bags/BagLabels"));
export const PaperScreen = awaited(() => import("./paper/PaperScreen"));
export const RehearseScreen = awaited(() => import("./rehearse/RehearseScreen"));
export const LogScreen = awaited(() => import("./log/LogScreen"));
export const LoggedBake = awaited(() => import("./log/LoggedBake"));
export const DayScreen = awaited(() => import("./day/DayScreen"));
export const DayPaper = awaited(() => import("./paper/DayPaper"));
/** Is no screen: it calls from behind all of them, once the first has been drawn. */
export const Caller = awaited(() => import("./parts/Caller"));
export const HeldOver = awaited(() => import("./parts/HeldOver"));

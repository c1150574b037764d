import { lazy, Suspense } from "react";
import { Navigate, Route, Routes } from "react-router";
import { Rail } from "./parts/Rail";
import { RunningStrip } from "./parts/RunningStrip";
import { StuffPatterns } from "./parts/stuff";
import { PlanScreen } from "./plan/PlanScreen";

const WatchScreen = lazy(() => import("./watch/WatchScreen"));
const WatchNone = lazy(() => import("./watch/WatchNone"));
const VerdictScreen = lazy(() => import("./verdict/VerdictScreen"));
const RecipesScreen = lazy(() => import("./recipes/RecipesScreen"));
const RecipeEditor = lazy(() => import("./recipes/RecipeEditor"));
const KitchenScreen = lazy(() => import("./kitchen/KitchenScreen"));
const MachinesScreen = lazy(() => import("./machines/MachinesScreen"));
const MachineEditor = lazy(() => import("./machines/MachineEditor"));
const CompareScreen = lazy(() => import("./machines/CompareScreen"));
const BenchScreen = lazy(() => import("./bench/BenchScreen"));
const LogScreen = lazy(() => import("./log/LogScreen"));
const LoggedBake = lazy(() => import("./log/LoggedBake"));

/** The enamel tray: a rail of screens and the one sheet beside it. */
export function App() {
  return (
    <div className="flex h-dvh flex-col-reverse md:flex-row">
      <StuffPatterns />
      <Rail />
      <div className="flex min-h-0 min-w-0 flex-1 flex-col md:py-2 md:pr-2">
        <RunningStrip />
        <main className="flex min-h-0 flex-1 flex-col overflow-auto border-rim bg-enamel max-md:border-t-4 md:rounded-tray md:border-4">
          <Suspense fallback={<p className="p-8 text-lg text-soft">One moment …</p>}>
            <Routes>
              <Route path="/" element={<PlanScreen />} />
              <Route path="/bench" element={<BenchScreen />} />
              <Route path="/bench/:id" element={<BenchScreen />} />
              <Route path="/watch" element={<WatchNone />} />
              <Route path="/watch/:id" element={<WatchScreen />} />
              <Route path="/verdict/:id" element={<VerdictScreen />} />
              <Route path="/log" element={<LogScreen />} />
              <Route path="/log/:id" element={<LoggedBake />} />
              <Route path="/recipes" element={<RecipesScreen />} />
              <Route path="/recipes/new" element={<RecipeEditor />} />
              <Route path="/recipes/:id" element={<RecipeEditor />} />
              <Route path="/machines" element={<MachinesScreen />} />
              <Route path="/machines/new" element={<MachineEditor />} />
              <Route path="/machines/:id" element={<MachineEditor />} />
              <Route path="/machines/:id/compare" element={<CompareScreen />} />
              <Route path="/kitchen" element={<KitchenScreen />} />
              <Route path="*" element={<Navigate to="/" replace />} />
            </Routes>
          </Suspense>
        </main>
      </div>
    </div>
  );
}

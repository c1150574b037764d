import { useQueryClient } from "@tanstack/react-query";
import { Suspense, useEffect } from "react";
import { Navigate, Route, Routes, useLocation } from "react-router";
import { ScreenName } from "./parts/ScreenName";
import { useChanges } from "./client/changes";
import { useFirstZone } from "./client/firstZone";
import { sendLeft } from "./client/outbox";
import { Answering } from "./parts/Answering";
import { useDrops, useHeldOver } from "./parts/dropped";
import { ErrorBoundary } from "./parts/ErrorBoundary";
import { fetchAhead } from "./parts/later";
import { Loading } from "./parts/Loading";
import { Rail } from "./parts/Rail";
import { StuffPatterns } from "./parts/stuff";
import { PlanScreen } from "./plan/PlanScreen";
import * as screens from "./screens";

/** The enamel tray: a rail of screens and the one sheet beside it. */
export function App() {
  const client = useQueryClient();
  const here = useLocation().pathname;
  useFirstZone();
  useChanges();
  useDrops();
  const held = useHeldOver();
  useEffect(() => {
    fetchAhead();
    void sendLeft(() => void client.invalidateQueries());
  }, [client]);
  return (
    <div className="flex h-dvh flex-col-reverse md:flex-row">
      <StuffPatterns />
      <ScreenName path={here} />
      <Rail />
      <div className="flex min-h-0 min-w-0 flex-1 flex-col md:py-2 md:pr-2">
        <Answering />
        <Suspense>
          <screens.Caller />
        </Suspense>
        <main
          id="sheet"
          tabIndex={-1}
          className="relative outline-none flex min-h-0 flex-1 flex-col overflow-auto border-rim bg-enamel max-md:border-t-4 md:rounded-tray md:border-4"
        >
          {held && (
            <Suspense>
              <screens.HeldOver />
            </Suspense>
          )}
          <ErrorBoundary key={here}>
            <Suspense fallback={<Loading />}>
              <Routes>
                <Route path="/" element={<PlanScreen />} />
                <Route path="/bench" element={<screens.BenchScreen />} />
                <Route path="/bench/:id" element={<screens.BenchScreen />} />
                <Route path="/watch" element={<screens.WatchNone />} />
                <Route path="/watch/:id" element={<screens.WatchScreen />} />
                <Route path="/verdict/:id" element={<screens.VerdictScreen />} />
                <Route path="/log" element={<screens.LogScreen />} />
                <Route path="/log/:id" element={<screens.LoggedBake />} />
                <Route path="/log/year" element={<screens.YearScreen />} />
                <Route path="/recipes/:id/story" element={<screens.StoryScreen />} />
                <Route path="/recipes" element={<screens.RecipesScreen />} />
                <Route path="/recipes/new" element={<screens.RecipeEditor />} />
                <Route path="/recipes/:id" element={<screens.RecipeEditor />} />
                <Route path="/copy" element={<screens.CopyScreen />} />
                <Route path="/bring" element={<screens.BringScreen />} />
                <Route path="/bags" element={<screens.BagsScreen />} />
                <Route path="/bags/new" element={<screens.MakeBags />} />
                <Route path="/bags/:id" element={<screens.BagLabels />} />
                <Route path="/rehearse" element={<screens.RehearseScreen />} />
                <Route path="/rehearse/:id" element={<screens.RehearseScreen />} />
                <Route path="/day" element={<screens.DayScreen />} />
                <Route path="/day/:date" element={<screens.DayScreen />} />
                <Route path="/paper/day" element={<screens.DayPaper />} />
                <Route path="/paper/:what" element={<screens.PaperScreen />} />
                <Route path="/machines" element={<screens.MachinesScreen />} />
                <Route path="/machines/new" element={<screens.MachineEditor />} />
                <Route path="/machines/:id" element={<screens.MachineEditor />} />
                <Route path="/machines/:id/compare" element={<screens.CompareScreen />} />
                <Route path="/kitchen" element={<screens.KitchenScreen />} />
                <Route path="*" element={<Navigate to="/" replace />} />
              </Routes>
            </Suspense>
          </ErrorBoundary>
        </main>
      </div>
    </div>
  );
}

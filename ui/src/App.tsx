import { useQueryClient } from "@tanstack/react-query";
import { Suspense, useEffect } from "react";
import { Navigate, useLocation, useRoutes } from "react-router";
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
import { Caller, HeldOver, screenKeys, screens, titleOf } from "./screens";

const routes = [
  { path: "/", element: <PlanScreen /> },
  ...screens.map(({ path, Screen }) => ({ path, element: <Screen /> })),
  { path: "*", element: <Navigate to="/" replace /> },
];

/** The screen of the address. */
const Screen = () => useRoutes(routes);

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
      <ScreenName name={titleOf(here)} />
      <Rail keys={screenKeys} screen={titleOf(here)} />
      <div className="flex min-h-0 min-w-0 flex-1 flex-col md:py-2 md:pr-2">
        <Answering />
        <Suspense>
          <Caller />
        </Suspense>
        <main
          id="sheet"
          tabIndex={-1}
          className="relative outline-none flex min-h-0 flex-1 flex-col overflow-auto border-rim bg-enamel max-md:border-t-4 md:rounded-tray md:border-4"
        >
          {held && (
            <Suspense>
              <HeldOver />
            </Suspense>
          )}
          <ErrorBoundary key={here}>
            <Suspense fallback={<Loading />}>
              <Screen />
            </Suspense>
          </ErrorBoundary>
        </main>
      </div>
    </div>
  );
}

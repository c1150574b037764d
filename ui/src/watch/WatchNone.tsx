import { PressLink } from "../parts/Button";
import { Navigate } from "react-router";
import { useRunning } from "../client/queries";
import { NextOnTheDay } from "./NextOnTheDay";

/** Watch without a bake in the address: the running one, or the first step. */
export default function WatchNone() {
  const bakes = useRunning();
  const running = bakes.data?.bakes[0];
  if (running) return <Navigate to={`/watch/${running.id}`} replace />;
  return (
    <div className="m-auto p-8 text-center">
      <h1 className="text-xl font-bold">{bakes.data ? "Nothing is baking" : "Looking …"}</h1>
      <div className="mt-4 text-left">
        <NextOnTheDay />
      </div>
      <p className="mt-2 text-lg text-soft">Plan a loaf and press Start on the machine; its clock then runs here.</p>
      <PressLink to="/" look="filled" size="large" className="mt-6">
        Plan a loaf
      </PressLink>
    </div>
  );
}

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type ReactNode, Suspense, useEffect } from "react";
import { useLocation } from "react-router";
import { fetchKitchens, shut } from "./client/api";
import { kitchen, setKitchen } from "./client/kitchen";
import { awaited } from "./parts/later";
import { Unhurried } from "./parts/Unhurried";

const DoorScreen = awaited(() => import("./auth/DoorScreen"), true);

/** Finds the kitchen that this page works in. The one of last time opens at once; where it may not be entered, another
    takes its place, and without any this page stands at the door. */
export function Gate({ children }: { children: ReactNode }) {
  const client = useQueryClient();
  const here = useLocation().pathname;
  const { data } = useQuery({ queryKey: ["kitchens"], queryFn: ({ signal }) => fetchKitchens(signal), staleTime: Infinity });
  useEffect(() => {
    const look = () => void client.invalidateQueries({ queryKey: ["kitchens"] });
    shut.addEventListener("shut", look);
    return () => shut.removeEventListener("shut", look);
  }, [client]);
  const known = data?.kitchens.some((k) => k.id === kitchen()) ?? kitchen() !== "";
  const first = data?.kitchens[0]?.id;
  if (!known && first) setKitchen(first);
  useEffect(() => {
    document.title = "Rise Pan";
  }, []);
  if ((data && !first) || here === "/door" || here === "/pair")
    return (
      <Suspense>
        <DoorScreen house={data} />
      </Suspense>
    );
  if (kitchen() === "")
    return (
      <p role="status" className="p-8 text-lg text-soft">
        Opening the kitchen …
      </p>
    );
  return (
    <div key={kitchen()} className="contents">
      <Unhurried part="app">{children}</Unhurried>
    </div>
  );
}

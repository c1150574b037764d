import { useQuery } from "@tanstack/react-query";
import { type ReactNode, useEffect } from "react";
import { fetchKitchens } from "./client/api";
import { kitchen, setKitchen } from "./client/kitchen";

/** Finds the kitchen that this page works in. The one of last time opens at once; where it is gone, the
    house's first takes its place. */
export function Gate({ children }: { children: ReactNode }) {
  const { data } = useQuery({ queryKey: ["kitchens"], queryFn: ({ signal }) => fetchKitchens(signal), staleTime: Infinity });
  const known = data?.kitchens.some((k) => k.id === kitchen()) ?? kitchen() !== "";
  const first = data?.kitchens[0]?.id;
  if (!known && first) setKitchen(first);
  useEffect(() => {
    document.title = "Rise Pan";
  }, []);
  if (data && !first) return <p className="p-8 text-lg">This house has no kitchen yet. Start Rise Pan again to make one.</p>;
  if (kitchen() === "")
    return (
      <p role="status" className="p-8 text-lg text-soft">
        Opening the kitchen …
      </p>
    );
  return (
    <div key={kitchen()} className="contents">
      {children}
    </div>
  );
}

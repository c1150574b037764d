import { type QueryClient, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef } from "react";
import { fetchChanges } from "./api";
import { at } from "./kitchen";
import type { Changes } from "./types.gen";

const often = 3_000; // ms between looks

const planned = ["plan", "offers"];
const days = ["day", "week", "next of days", "regulars"];

/** What a page has asked for that a topic's change makes old. A topic that is not here may change anything. */
const old: Record<string, string[]> = {
  kitchen: ["shelf", "larder", "log", ...days, ...planned],
  days: days,
  recipes: [...days, "recipe", "recipes", "shelf", "story", "lessons", "card photos", ...planned],
  machines: [...days, "machine", "machines away", "shelf", "compare", ...planned],
  benches: ["shelf"],
  bakes: [...days, "running", "log", "story", "lessons", "year", "shelf"],
  bags: ["bags"],
  photos: ["card photos"],
  household: ["household"],
  calendar: ["household"],
};

function forget(client: QueryClient, before: Changes, now: Changes) {
  const changed = Object.keys(now.topics).filter((t) => now.topics[t] !== before.topics[t]);
  if (changed.some((t) => !old[t])) return void client.invalidateQueries();
  for (const name of new Set(changed.flatMap((t) => old[t] ?? []))) void client.invalidateQueries({ queryKey: at(name) });
}

/** Sees within seconds what another device has done in this kitchen. */
export function useChanges() {
  const client = useQueryClient();
  const seen = useRef<Changes | undefined>(undefined);
  const { data } = useQuery({
    queryKey: at("changes"),
    refetchInterval: often,
    staleTime: 0,
    queryFn: async ({ signal }): Promise<Changes> => {
      const known = client.getQueryData<Changes>(at("changes"));
      return (await fetchChanges(known?.sum, signal)) ?? (known as Changes);
    },
  });
  useEffect(() => {
    if (!data) return;
    if (seen.current && seen.current.sum !== data.sum) forget(client, seen.current, data);
    seen.current = data;
  }, [client, data]);
}

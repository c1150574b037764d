import {
  type QueryClient,
  type QueryKey,
  keepPreviousData,
  queryOptions,
  useMutation,
  useQuery,
  useQueryClient,
} from "@tanstack/react-query";
import { useEffect } from "react";
import * as api from "./api";
import { setServerTime } from "./clock";
import { at } from "./kitchen";
import { whenIdle } from "../parts/later";
import { setUnits } from "./units";
import { press } from "./outbox";
import type { BenchView, Kitchen, KitchenSettings, MeantOf, RecipeKept, Shelf, Wish } from "./types.gen";

export async function timed<T extends { now: string }>(answer: Promise<T>): Promise<T> {
  const value = await answer;
  setServerTime(value.now);
  return value;
}

/**
 * Asks, and sets the clock by the answer. A press that was answered meanwhile has told the page more than an answer that
 * was on its way: the one that stands later by its number is kept. No answer: nothing is new.
 */
export async function unlessTold<T extends { now: string }>(
  client: QueryClient,
  key: QueryKey,
  ask: () => Promise<T | null>,
  number: (view: T) => number,
): Promise<T> {
  const before = client.getQueryState(key)?.dataUpdatedAt;
  const came = await ask();
  if (came) setServerTime(came.now);
  const known = client.getQueryState<T>(key);
  if (!came) return known?.data as T;
  return known?.data && known.dataUpdatedAt !== before && number(known.data) > number(came) ? known.data : came;
}

export function useShelf() {
  const client = useQueryClient();
  const key = at("shelf");
  return useQuery({
    queryKey: key,
    queryFn: async ({ signal }) => {
      const shelf = await unlessTold(
        client,
        key,
        () => api.fetchShelf(signal),
        (s) => s.version,
      );
      setUnits(shelf.kitchen);
      return shelf;
    },
  });
}

/** A plan holds for the minute that it was made in, so it is made anew every half minute. */
export const planQuery = (wish: Wish) =>
  queryOptions({
    queryKey: at("plan", wish),
    queryFn: ({ signal }) => timed(api.fetchPlan(wish, signal)),
    staleTime: 20_000,
  });

export const nothing: Wish = { recipe: "", machine: "", loaf: {} };

export const usePlan = (wish: Wish | null) =>
  useQuery({
    ...planQuery(wish ?? nothing),
    enabled: wish !== null,
    placeholderData: keepPreviousData,
    refetchInterval: 30_000,
  });

/** Fetches the plans of neighbouring sizes ahead, so that a press on one shows at once. */
export function usePrefetchedSizes(wish: Wish | null, sizes: string[]) {
  const client = useQueryClient();
  const key = JSON.stringify([wish, sizes]);
  useEffect(() => {
    if (!wish) return;
    return whenIdle(() => {
      for (const size of sizes) void client.prefetchQuery(planQuery({ ...wish, loaf: { ...wish.loaf, size } }));
    });
    // oxlint-disable-next-line react/exhaustive-deps -- key stands for wish and sizes
  }, [client, key]);
}

/** The bakes that have not ended. */
export const useRunning = () =>
  useQuery({
    queryKey: at("running"),
    queryFn: ({ signal }) => timed(api.fetchRunning(signal)),
    staleTime: 5_000,
    refetchInterval: 10_000,
  });

/** The next thing to do of the loaves that are planned for today and tomorrow. */
export const useNextOfDays = () =>
  useQuery({
    queryKey: at("next of days"),
    queryFn: ({ signal }) => api.fetchNextOfDays(signal),
    staleTime: 30_000,
    refetchInterval: 60_000,
  });

/** Plans on the screen are made anew; those made ahead for other sizes are forgotten. */
export async function replan(client: QueryClient) {
  client.removeQueries({ queryKey: at("plan"), type: "inactive" });
  client.removeQueries({ queryKey: at("offers"), type: "inactive" });
  await client.invalidateQueries({ queryKey: at("plan") });
}

/** A press: kept until the server has answered, sent once, and then taken in. */
export function usePress<Input, Output>(send: (input: Input) => Promise<Output>, took: (client: QueryClient, output: Output) => unknown) {
  const client = useQueryClient();
  return useMutation({ mutationFn: send, networkMode: "always", onSuccess: (output) => took(client, output) });
}

export const lists = (client: QueryClient, ...names: string[]) =>
  Promise.all(names.map((name) => client.invalidateQueries({ queryKey: at(name) })));

/** Changes the kitchen's settings, and takes the last change back. Plans are made anew. */
export function useChangeKitchen() {
  const client = useQueryClient();
  const done = (settings: KitchenSettings) => {
    setUnits(settings.kitchen);
    client.setQueryData<Shelf>(at("shelf"), (shelf) => shelf && { ...shelf, ...settings });
    void replan(client);
    void lists(client, "larder", "log", "week", "day");
  };
  const stale = () => client.invalidateQueries({ queryKey: at("shelf") });
  const version = () => client.getQueryData<Shelf>(at("shelf"))?.version ?? 0;
  const scope = { id: "kitchen" }; // one after another
  return {
    change: useMutation({ scope, mutationFn: (kitchen: Kitchen) => api.putKitchen(kitchen, version()), onSuccess: done, onError: stale }),
    undo: useMutation({ scope, mutationFn: () => api.undoKitchen(version()), onSuccess: done, onError: stale }),
  };
}

export const useRecipe = (id: string | undefined) =>
  useQuery({
    queryKey: at("recipe", id),
    queryFn: ({ signal }) => api.fetchRecipe(id ?? "", signal),
    enabled: id !== undefined,
    staleTime: 0,
  });

/** A change of a recipe: plans and cards of it are made anew. */
export async function recipeChanged(client: QueryClient) {
  client.removeQueries({ queryKey: at("recipe") });
  await lists(client, "story", "lessons");
  await replan(client);
  await lists(client, "shelf", "recipes");
}

/** Says of a recipe that a figure of its formula is meant. */
export const useMeanIt = (id: string) => usePress((meant: MeantOf) => press<RecipeKept>(`/recipes/${id}/meant`, meant), recipeChanged);

export const useAddBench = () =>
  usePress(
    (wish: Wish) => press<BenchView>("/benches", wish),
    (client, view) => {
      client.setQueryData(at("bench", view.id), view);
      void lists(client, "shelf");
    },
  );

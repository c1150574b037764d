import { keepPreviousData, type QueryClient, queryOptions, useMutation, useMutationState, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef } from "react";
import * as api from "./api";
import { serverNow, setServerTime } from "./clock";
import type { AtBench, BakeView, BenchView, Compare, HabitOf, Happened, Kitchen, KitchenSettings, Machine, MachineRead, RecipeText, Shelf, Start, SwapsKept, Wish } from "./types.gen";

async function timed<T extends { now: string }>(answer: Promise<T>): Promise<T> {
  const value = await answer;
  setServerTime(value.now);
  return value;
}

export const useShelf = () => useQuery({ queryKey: ["shelf"], queryFn: ({ signal }) => timed(api.fetchShelf(signal)) });

/** A plan holds for the minute that it was made in, so it is made anew every half minute. */
export const planQuery = (wish: Wish) =>
  queryOptions({
    queryKey: ["plan", wish],
    queryFn: ({ signal }) => timed(api.fetchPlan(wish, signal)),
    staleTime: 20_000,
  });

export const usePlan = (wish: Wish | null) =>
  useQuery({
    ...planQuery(wish ?? { recipe: "", machine: "", size: "" }),
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
    for (const size of sizes) void client.prefetchQuery(planQuery({ ...wish, size }));
    // eslint-disable-next-line: key stands for wish and sizes
  }, [client, key]);
}

export const useLog = () =>
  useQuery({ queryKey: ["log"], queryFn: ({ signal }) => timed(api.fetchLog(signal)), staleTime: 5_000, refetchInterval: 10_000 });

/** One bake, asked for anew every 2 s while the page is visible, and when the clock alone changes it. */
export function useBake(id: string) {
  const client = useQueryClient();
  const key = ["bake", id];
  return useQuery({
    queryKey: key,
    refetchInterval: 2_000,
    staleTime: 1_000,
    retry: 0, // the next question comes in 2 s anyway
    queryFn: async ({ signal }): Promise<BakeView> => {
      const known = client.getQueryData<BakeView>(key);
      const due = known?.state.changes !== undefined && Date.parse(known.state.changes) <= serverNow();
      if (known && !due) return (await api.fetchBakeAfter(id, known.state.last, signal)) ?? known;
      return timed(api.fetchBake(id, signal));
    },
  });
}

/** Plans on the screen are made anew; those made ahead for other sizes are forgotten. */
async function replan(client: QueryClient) {
  client.removeQueries({ queryKey: ["plan"], type: "inactive" });
  await client.invalidateQueries({ queryKey: ["plan"] });
}

/** A mutation that carries one key through its retries, so that it counts once. */
function useOnce<Input>(send: (input: Input, key: string) => Promise<BakeView>) {
  const client = useQueryClient();
  const key = useRef(api.newKey());
  return useMutation({
    mutationFn: (input: Input) => send(input, key.current),
    retry: (failures, error) => failures < 6 && error instanceof api.Trouble && error.problem.status >= 500,
    retryDelay: 1000,
    onSettled: () => {
      key.current = api.newKey();
    },
    onSuccess: (bake) => {
      setServerTime(bake.now);
      client.setQueryData(["bake", bake.id], bake);
      void client.invalidateQueries({ queryKey: ["log"] });
      void client.invalidateQueries({ queryKey: ["shelf"] }); // whose bench may be over
    },
  });
}

export const useStartBake = () => useOnce<Start>(api.startBake);
export const useTellBake = (id: string) => useOnce<Happened>((happened, key) => api.tellBake(id, happened, key));

export function useLoadDemo() {
  const client = useQueryClient();
  return useMutation({ mutationFn: () => api.loadDemo(api.newKey()), onSuccess: () => client.invalidateQueries() });
}

export const useLarder = () => useQuery({ queryKey: ["larder"], queryFn: ({ signal }) => api.fetchLarder(signal) });

/** Changes the kitchen's settings, and takes the last change back. Plans are made anew. */
export function useChangeKitchen() {
  const client = useQueryClient();
  const done = (settings: KitchenSettings) => {
    client.setQueryData<Shelf>(["shelf"], (shelf) => shelf && { ...shelf, ...settings });
    void replan(client);
    void client.invalidateQueries({ queryKey: ["larder"] });
  };
  const stale = () => client.invalidateQueries({ queryKey: ["shelf"] });
  const version = () => client.getQueryData<Shelf>(["shelf"])?.version ?? 0;
  const scope = { id: "kitchen" }; // one after another
  return {
    change: useMutation({ scope, mutationFn: (kitchen: Kitchen) => api.putKitchen(kitchen, version()), onSuccess: done, onError: stale }),
    undo: useMutation({ scope, mutationFn: () => api.undoKitchen(version()), onSuccess: done, onError: stale }),
  };
}

export const useRecipe = (id: string | undefined) =>
  useQuery({ queryKey: ["recipe", id], queryFn: ({ signal }) => api.fetchRecipe(id ?? "", signal), enabled: id !== undefined, staleTime: 0 });

/** What the server understands of a recipe's text. */
export const useReadRecipe = (recipe: RecipeText) =>
  useQuery({
    queryKey: ["read", recipe],
    queryFn: ({ signal }) => api.readRecipe(recipe, signal),
    enabled: recipe.text.trim() !== "",
    placeholderData: keepPreviousData,
  });

/** A change of a recipe: plans and cards of it are made anew. */
function useRecipeChange<Input, Output>(send: (input: Input) => Promise<Output>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: send,
    onSuccess: async () => {
      client.removeQueries({ queryKey: ["recipe"] });
      await replan(client);
      await client.invalidateQueries({ queryKey: ["shelf"] });
    },
  });
}

export const useKeepRecipe = (id: string | undefined) => useRecipeChange((recipe: RecipeText) => api.keepRecipe(recipe, id, api.newKey()));
/** Makes swaps in a recipe for good, as its next revision. */
export const useKeepSwaps = (id: string) => useRecipeChange((swaps: SwapsKept) => api.keepSwaps(id, swaps, api.newKey()));
/** Brings the revision before the newest back. */
export const useUndoRecipe = (id: string) => useRecipeChange((revision: number) => api.undoRecipe(id, revision, api.newKey()));

/** Remembers the baker's own cycle and crust for a recipe on a machine. */
export function useSetHabit() {
  const client = useQueryClient();
  return useMutation({ mutationFn: (habit: HabitOf) => api.setHabit(habit), onSuccess: () => replan(client) });
}

export const useProfiles = () => useQuery({ queryKey: ["profiles"], queryFn: ({ signal }) => api.fetchProfiles(signal), staleTime: Infinity });
export const useMachine = (id: string | undefined) =>
  useQuery({ queryKey: ["machine", id], queryFn: ({ signal }) => api.fetchMachine(id ?? "", signal), enabled: id !== undefined, staleTime: 0 });
export const useCompared = (id: string, what: Compare) =>
  useQuery({ queryKey: ["compare", id, what], queryFn: ({ signal }) => api.compareCycles(id, what, signal), enabled: what.cycles.length > 1, placeholderData: keepPreviousData });

/** A change of a machine: plans are made anew, past bakes stay as they were. */
function useMachineChange<Input>(send: (input: Input) => Promise<MachineRead>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: send,
    onSuccess: async (machine) => {
      client.setQueryData(["machine", machine.id], machine);
      client.removeQueries({ queryKey: ["compare"] });
      await replan(client);
      await client.invalidateQueries({ queryKey: ["shelf"] });
    },
  });
}

export const useKeepMachine = (id: string | undefined, version: number) =>
  useMachineChange((machine: Machine) => (id ? api.putMachine(id, machine, version) : api.addMachine(machine, api.newKey())));
export const useUndoMachine = (id: string) => useMachineChange((version: number) => api.undoMachine(id, version));

const benchAnew = 30_000; // the plan's clock moves on though nothing happens at the bench

/** One bench, asked for anew every 2 s while the page is visible, so that two devices keep in step. */
export function useBench(id: string | undefined) {
  const client = useQueryClient();
  const made = useRef(0);
  const key = ["bench", id];
  return useQuery({
    queryKey: key,
    enabled: id !== undefined,
    refetchInterval: 2_000,
    staleTime: 1_000,
    retry: 0, // the next question comes in 2 s anyway
    queryFn: async ({ signal }): Promise<BenchView> => {
      const known = client.getQueryData<BenchView>(key);
      const fresh = performance.now() - made.current < benchAnew;
      const view = await api.fetchBench(id ?? "", known && fresh ? known.session.last : undefined, signal);
      const newest = client.getQueryData<BenchView>(key);
      if (!view || (newest && newest.session.last > view.session.last)) return newest as BenchView; // told of more meanwhile
      made.current = performance.now();
      setServerTime(view.now);
      return view;
    },
  });
}

interface Told {
  what: AtBench;
  key: string; // the same through all tries, so that a press counts once
}

/** Tells what happened at the bench, one thing after another. */
export function useAtBench(id: string) {
  const client = useQueryClient();
  const telling = useMutation({
    scope: { id: `bench ${id}` },
    mutationKey: ["at bench", id],
    mutationFn: ({ what, key }: Told) => api.tellBench(id, what, key),
    retry: (_, error) => error instanceof api.Trouble && error.problem.status >= 500, // hands cannot wait: until it is back
    retryDelay: 1000,
    onSuccess: (view, { what }) => {
      setServerTime(view.now);
      client.setQueryData(["bench", id], view);
      if (what.do === "cleared" || what.do === "reopened") void client.invalidateQueries({ queryKey: ["shelf"] });
    },
    onError: () => client.invalidateQueries({ queryKey: ["bench", id] }),
  });
  const tell = (what: AtBench, done?: () => void) => telling.mutate({ what, key: api.newKey() }, { onSuccess: done });
  return { tell, error: telling.error };
}

/** The steps that are done, those included that the server has yet to hear of; and how many it could
    not be told, for it does not answer. */
export function useDone(bench: BenchView): { done: Set<string>; untold: number } {
  const told = useMutationState({
    filters: { mutationKey: ["at bench", bench.id], status: "pending" },
    select: (m) => ({ ...(m.state.variables as Told).what, failed: m.state.failureCount > 0 }),
  });
  const done = new Set(bench.session.done);
  for (const { do: what, step } of told) {
    if (step && what === "done") done.add(step);
    if (step && what === "undone") done.delete(step);
  }
  return { done, untold: told.some((t) => t.failed) ? told.length : 0 };
}

export function useAddBench() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (wish: Wish) => api.addBench(wish, api.newKey()),
    onSuccess: (view) => {
      client.setQueryData(["bench", view.id], view);
      void client.invalidateQueries({ queryKey: ["shelf"] });
    },
  });
}

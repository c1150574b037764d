import {
  keepPreviousData,
  type QueryClient,
  queryOptions,
  useInfiniteQuery,
  useMutation,
  useQuery,
  useQueryClient,
} from "@tanstack/react-query";
import { useEffect, useRef } from "react";
import * as api from "./api";
import { serverNow, setServerTime } from "./clock";
import { at } from "./kitchen";
import { whenIdle } from "../parts/later";
import { setFace } from "../parts/time";
import { press } from "./outbox";
import type {
  AtBench,
  Back,
  Bagging,
  Bags,
  BakeTold,
  BakeView,
  BenchTold,
  BenchView,
  Bringing,
  Compare,
  Declining,
  HabitOf,
  Happened,
  InRehearsal,
  Kitchen,
  KitchenSettings,
  Lessons,
  Loaded,
  Machine,
  MachineRead,
  MeantOf,
  RecipeKept,
  RecipeRead,
  RecipeText,
  RehearsalView,
  Rehearse,
  Rehearsed,
  Shelf,
  Start,
  SwapsKept,
  Taught,
  Wish,
} from "./types.gen";

async function timed<T extends { now: string }>(answer: Promise<T>): Promise<T> {
  const value = await answer;
  setServerTime(value.now);
  return value;
}

export const useShelf = () =>
  useQuery({
    queryKey: at("shelf"),
    queryFn: async ({ signal }) => {
      const shelf = await timed(api.fetchShelf(signal));
      setFace(shelf.kitchen.face);
      return shelf;
    },
  });

/** A plan holds for the minute that it was made in, so it is made anew every half minute. */
export const planQuery = (wish: Wish) =>
  queryOptions({
    queryKey: at("plan", wish),
    queryFn: ({ signal }) => timed(api.fetchPlan(wish, signal)),
    staleTime: 20_000,
  });

const nothing: Wish = { recipe: "", machine: "", loaf: {} };

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

/** The swaps that one line of a loaf could have, asked for when the line is opened. */
export const useOffers = (wish: Wish, line: string) =>
  useQuery({ queryKey: at("offers", wish, line), queryFn: ({ signal }) => api.fetchOffers(wish, line, signal) });

/** Recipes by a part of their name, a window of them. */
export const useRecipes = (looked: api.Looked, enabled = true) =>
  useQuery({
    queryKey: at("recipes", looked),
    queryFn: ({ signal }) => api.fetchRecipes(looked, signal),
    placeholderData: keepPreviousData,
    enabled,
  });

/** All recipes by a part of their name, window after window. */
export const useAllRecipes = (looked: api.Looked) =>
  useInfiniteQuery({
    queryKey: at("recipes", "all", looked),
    queryFn: ({ signal, pageParam }) => api.fetchRecipes({ ...looked, after: pageParam }, signal),
    initialPageParam: "",
    getNextPageParam: (last) => (last.more ? last.recipes.at(-1)?.id : undefined),
    placeholderData: keepPreviousData,
  });

/** The log, page after page. */
export const useLog = (looked: api.LookedInLog) =>
  useInfiniteQuery({
    queryKey: at("log", looked),
    queryFn: ({ signal, pageParam }) => timed(api.fetchLog(looked, pageParam, signal)),
    initialPageParam: "",
    getNextPageParam: (last) => last.next,
    placeholderData: keepPreviousData,
    staleTime: 5_000,
    refetchInterval: 60_000,
  });

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

/** One bake, asked for anew every 2 s while the page is visible, and when the clock alone changes it. */
export function useBake(id: string) {
  const client = useQueryClient();
  const key = at("bake", id);
  return useQuery({
    queryKey: key,
    refetchInterval: 2_000,
    staleTime: 1_000,
    queryFn: async ({ signal }): Promise<BakeView> => {
      const told = client.getQueryState<BakeView>(key);
      const known = told?.dataUpdatedAt ? told.data : undefined; // what the page before has seen is asked for anew
      const due = known?.state.changes !== undefined && Date.parse(known.state.changes) <= serverNow();
      const view = await api.fetchBake(id, known && !due ? known.state.last : undefined, signal);
      const newest = client.getQueryData<BakeView>(key);
      if (!view || (newest && newest.state.last > view.state.last)) return newest as BakeView; // told of more meanwhile
      setServerTime(view.now);
      return view;
    },
  });
}

/** Plans on the screen are made anew; those made ahead for other sizes are forgotten. */
async function replan(client: QueryClient) {
  client.removeQueries({ queryKey: at("plan"), type: "inactive" });
  client.removeQueries({ queryKey: at("offers"), type: "inactive" });
  await client.invalidateQueries({ queryKey: at("plan") });
}

/** A press: kept until the server has answered, sent once, and then taken in. */
function usePress<Input, Output>(send: (input: Input) => Promise<Output>, took: (client: QueryClient, output: Output) => unknown) {
  const client = useQueryClient();
  return useMutation({ mutationFn: send, networkMode: "always", onSuccess: (output) => took(client, output) });
}

const lists = (client: QueryClient, ...names: string[]) =>
  Promise.all(names.map((name) => client.invalidateQueries({ queryKey: at(name) })));

export const useStartBake = () =>
  usePress(
    (start: Start) => press<BakeView>("/bakes", start),
    (client, bake) => {
      setServerTime(bake.now);
      client.setQueryData(at("bake", bake.id), bake);
      void lists(client, "log", "running", "shelf"); // whose bench may be over
    },
  );

function toldBake(client: QueryClient, told: BakeTold) {
  setServerTime(told.now);
  client.setQueryData<BakeView>(at("bake", told.id), (bake) => bake && { ...bake, rise: undefined, why: undefined, ...told });
  void lists(client, "log", "running", "story", "lessons", "year");
}

export function useTellBake(id: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (happened: Happened) => press<BakeTold>(`/bakes/${id}/happenings`, happened, undefined, (told) => toldBake(client, told)),
    networkMode: "always",
  });
}
/** Keeps a photo. It is too large for the outbox: sent again after trouble, it goes under the key that it had. */
export const useSendPhoto = (id: string) =>
  usePress(({ photo, key }: { photo: Blob; key: string }) => api.sendPhoto(id, photo, key), toldBake);

export const useLoadDemo = () =>
  usePress(
    () => press<Loaded>("/demo", {}),
    (client) => client.invalidateQueries(),
  );

export const useLarder = () => useQuery({ queryKey: at("larder"), queryFn: ({ signal }) => api.fetchLarder(signal) });

/** Changes the kitchen's settings, and takes the last change back. Plans are made anew. */
export function useChangeKitchen() {
  const client = useQueryClient();
  const done = (settings: KitchenSettings) => {
    setFace(settings.kitchen.face);
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

/** What the server understands of a recipe's text. */
export const useReadRecipe = (recipe: RecipeText) =>
  useQuery({
    queryKey: at("read", recipe),
    queryFn: ({ signal }) => api.readRecipe(recipe, signal),
    enabled: recipe.text.trim() !== "",
    placeholderData: keepPreviousData,
  });

/** What is unusual about a machine while it is being described. */
export const useDoubts = (machine: Machine) =>
  useQuery({
    queryKey: at("doubts", machine),
    queryFn: ({ signal }) => api.fetchDoubts(machine, signal),
    placeholderData: keepPreviousData,
    gcTime: 0,
  });

/** The likely stages of a cycle of which only the total is known. */
export const useEstimate = () => useMutation({ mutationFn: api.estimateStages });

/** A recipe with lines that were edited one by one: its text is written anew. */
export const useWriteLines = () => useMutation({ mutationFn: (recipe: RecipeText) => api.readRecipe(recipe) });

/** What the baker says that a name means; whatever was read and planned by it is made anew. */
export function useAnswerName() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: api.answerName,
    onSuccess: async () => {
      await Promise.all(["read", "recipe", "larder", "shelf"].map((key) => client.invalidateQueries({ queryKey: at(key) })));
      await replan(client);
    },
  });
}

/** A change of a recipe: plans and cards of it are made anew. */
async function recipeChanged(client: QueryClient) {
  client.removeQueries({ queryKey: at("recipe") });
  await lists(client, "story", "lessons");
  await replan(client);
  await lists(client, "shelf", "recipes");
}

export const useKeepRecipe = (id: string | undefined, revision: number | undefined) =>
  usePress((recipe: RecipeText) => press<RecipeRead>(id ? `/recipes/${id}/revisions` : "/recipes", recipe, revision), recipeChanged);
/** Makes swaps in a recipe for good, as its next revision. */
export const useKeepSwaps = (id: string) => usePress((swaps: SwapsKept) => press<RecipeKept>(`/recipes/${id}/swaps`, swaps), recipeChanged);
/** Says of a recipe that a figure of its formula is meant. */
export const useMeanIt = (id: string) => usePress((meant: MeantOf) => press<RecipeKept>(`/recipes/${id}/meant`, meant), recipeChanged);
/** Keeps an amount that a loaf has taught as the recipe's next revision. */
export const useTeach = (id: string, revision: number) =>
  usePress((taught: Taught) => press<RecipeKept>(`/recipes/${id}/taught`, taught, revision), recipeChanged);
/** Keeps a text over the revision that another device has kept meanwhile; or below it, which then is the newest again. */
export const useSettleRecipe = (id: string, theirs: number, done: () => void) =>
  usePress(
    async ({ mine, onTop }: { mine: RecipeText; onTop: boolean }) => {
      await press<RecipeRead>(`/recipes/${id}/revisions`, mine, theirs);
      if (!onTop) await press<RecipeKept>(`/recipes/${id}/back`, { revision: theirs + 1, to: theirs } satisfies Back);
    },
    (client) => {
      done();
      return recipeChanged(client);
    },
  );

/** Copies the recipe that a link leads to. */
export const useCopyLinked = () => usePress((secret: string) => press<RecipeKept>("/recipes/linked", { secret }), recipeChanged);
/** Brings the revision before the newest back. */
export const useUndoRecipe = (id: string) =>
  usePress((revision: number) => press<RecipeKept>(`/recipes/${id}/undo`, { id, revision }), recipeChanged);

/** Makes an older revision the newest again. */
export const useGoBack = (id: string) => usePress((back: Back) => press<RecipeKept>(`/recipes/${id}/back`, back), recipeChanged);

/** A recipe as it went: its revisions, its bakes and what they teach. */
export const useStory = (id: string) =>
  useQuery({ queryKey: at("story", id), queryFn: ({ signal }) => api.fetchStory(id, signal), staleTime: 0 });
export const useDifference = (id: string, from: number, to: number) =>
  useQuery({
    queryKey: at("difference", id, from, to),
    queryFn: ({ signal }) => api.fetchDifference(id, from, to, signal),
    enabled: from > 0 && to > 0 && from !== to,
    placeholderData: keepPreviousData,
  });

/** What the log teaches. */
export const useLessons = () => useQuery({ queryKey: at("lessons"), queryFn: ({ signal }) => api.fetchLessons(signal), staleTime: 0 });
const learned = (client: QueryClient) => client.invalidateQueries();
export const useTakeLesson = () => usePress((id: string) => press<Lessons>("/lessons", { id }), learned);
export const useDeclineLesson = () => usePress((body: Declining) => api.declineLesson(body), learned);

export const useYear = (year: string) =>
  useQuery({
    queryKey: at("year", year),
    queryFn: ({ signal }) => api.fetchYear(year, signal),
    staleTime: 0,
    placeholderData: keepPreviousData,
  });

/** Writes a rehearsal that came to its end into the log. */
export const useKeepRehearsal = (id: string) =>
  usePress(
    () => press<BakeView>(`/rehearsals/${id}/kept`, {}),
    (client) => void lists(client, "log", "story"),
  );

/** Understands what is brought in, keeps what was chosen of it, and takes all of that back. It is too large for the outbox:
    sent again after trouble, it goes under the key that it had. */
export const useBring = () => useMutation({ mutationFn: (file: Blob) => api.bring(file) });
export const useKeepBrought = () =>
  usePress(
    ({ body, key }: { body: Bringing; key: string }) => api.keepBrought(body, key),
    (client) => client.invalidateQueries(),
  );
export const useUndoBrought = () =>
  usePress(
    (id: string) => api.undoBrought(id),
    (client) => client.invalidateQueries(),
  );

/** Photos of a recipe's card: kept beside it, taken off and brought back. */
export const useCardPhotos = (recipe: string) =>
  useQuery({ queryKey: at("card photos", recipe), queryFn: ({ signal }) => api.fetchCardPhotos(recipe, signal), staleTime: 0 });
const cardsChanged = (client: QueryClient) => lists(client, "card photos");
export const useSendCardPhoto = (recipe: string) =>
  usePress(({ photo, key }: { photo: Blob; key: string }) => api.sendCardPhoto(recipe, photo, key), cardsChanged);
export const usePutAwayPhoto = () =>
  usePress(({ id, away }: { id: string; away: boolean }) => api.putAway(`/photos/${id}`, away), cardsChanged);

/** Puts a recipe, a machine or a bake away, or brings it back; path is such as /recipes/1. */
export function usePutAway(path: string) {
  const client = useQueryClient();
  return useMutation({ mutationFn: (away: boolean) => api.putAway(path, away), onSuccess: () => client.invalidateQueries() });
}

/** Remembers the baker's own cycle and crust for a recipe on a machine. */
export function useSetHabit() {
  const client = useQueryClient();
  return useMutation({ mutationFn: (habit: HabitOf) => api.setHabit(habit), onSuccess: () => replan(client) });
}

export const useProfiles = () =>
  useQuery({ queryKey: at("profiles"), queryFn: ({ signal }) => api.fetchProfiles(signal), staleTime: Infinity });
export const useMachinesAway = () =>
  useQuery({ queryKey: at("machines away"), queryFn: ({ signal }) => api.fetchMachinesAway(signal), staleTime: 0 });
export const useMachine = (id: string | undefined) =>
  useQuery({
    queryKey: at("machine", id),
    queryFn: ({ signal }) => api.fetchMachine(id ?? "", signal),
    enabled: id !== undefined,
    staleTime: 0,
  });
export const useCompared = (id: string, what: Compare) =>
  useQuery({
    queryKey: at("compare", id, what),
    queryFn: ({ signal }) => api.compareCycles(id, what, signal),
    enabled: what.cycles.length > 1,
    placeholderData: keepPreviousData,
  });

/** A change of a machine: plans are made anew, past bakes stay as they were. */
async function machineChanged(client: QueryClient, machine: MachineRead) {
  client.setQueryData(at("machine", machine.id), machine);
  client.removeQueries({ queryKey: at("compare") });
  await replan(client);
  await lists(client, "shelf");
}

export const useKeepMachine = (id: string | undefined, version: number) =>
  usePress((machine: Machine) => (id ? api.putMachine(id, machine, version) : press<MachineRead>("/machines", machine)), machineChanged);
export const useUndoMachine = (id: string) => usePress((version: number) => api.undoMachine(id, version), machineChanged);

const benchAnew = 30_000; // the plan's clock moves on though nothing happens at the bench

/** One bench, asked for anew every 2 s while the page is visible, so that two devices keep in step. */
export function useBench(id: string | undefined) {
  const client = useQueryClient();
  const made = useRef(0);
  const key = at("bench", id);
  return useQuery({
    queryKey: key,
    enabled: id !== undefined,
    refetchInterval: 2_000,
    staleTime: 1_000,
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

export const benchPath = (id: string) => `/benches/${id}/happenings`;

/** Tells what happened at the bench, one thing after another. */
export function useAtBench(id: string) {
  const client = useQueryClient();
  const took = (told: BenchTold) => {
    if (told.bench) setServerTime(told.bench.now);
    client.setQueryData<BenchView>(at("bench", id), (bench) => told.bench ?? (bench && { ...bench, session: told.session }));
  };
  const telling = useMutation({
    mutationFn: (what: AtBench) => press<BenchTold>(benchPath(id), what, undefined, took),
    networkMode: "always",
  });
  const tell = (what: AtBench, done?: () => void) =>
    telling.mutate(what, {
      onSuccess: () => {
        if (what.do === "cleared" || what.do === "reopened") void lists(client, "shelf");
        done?.();
      },
      onError: () => void client.invalidateQueries({ queryKey: at("bench", id) }),
    });
  return { tell, error: telling.error };
}

/** What can be done about a slip, asked for once the amount is said. */
export const useWaysOut = (bench: string, line: string, amount: string) =>
  useQuery({
    queryKey: at("outs", bench, line, amount),
    queryFn: ({ signal }) => api.fetchWaysOut(bench, { line, amount }, signal),
    enabled: amount !== "",
    retry: false,
    gcTime: 0,
  });

export const useAddBench = () =>
  usePress(
    (wish: Wish) => press<BenchView>("/benches", wish),
    (client, view) => {
      client.setQueryData(at("bench", view.id), view);
      void lists(client, "shelf");
    },
  );

/** The same loaf by mixer and oven. */
export const useByOven = (wish: Wish | null) =>
  useQuery({
    queryKey: at("by oven", wish),
    queryFn: ({ signal }) => api.fetchByOven(wish ?? nothing, signal),
    enabled: wish !== null,
    retry: false,
  });

export const useBags = () => useQuery({ queryKey: at("bags"), queryFn: ({ signal }) => timed(api.fetchBags(signal)), staleTime: 5_000 });
export const useBagsOf = (id: string) => useQuery({ queryKey: at("bags", id), queryFn: ({ signal }) => api.fetchBagsOf(id, signal) });
export const usePreviewedBags = (wish: Wish | null, count: number) =>
  useQuery({
    queryKey: at("bags preview", wish, count),
    queryFn: ({ signal }) => api.previewBags({ wish: wish ?? nothing, count }, signal),
    enabled: wish !== null,
    placeholderData: keepPreviousData,
    retry: false,
  });

/** Stores bags that were made. */
export const useMakeBags = () =>
  usePress(
    (of: Bagging) => press<Bags>("/bags", of),
    (client) => void client.invalidateQueries({ queryKey: at("bags") }),
  );

/** Says how many bags of a making are left. */
export function useLeaveBags(id: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (left: number) => api.leaveBags(id, left),
    onSuccess: () => client.invalidateQueries({ queryKey: at("bags") }),
  });
}

export const useRehearsal = (id: string) =>
  useQuery({ queryKey: at("rehearsal", id), queryFn: ({ signal }) => timed(api.fetchRehearsal(id, signal)), staleTime: Infinity });

const often = 400; // ms between looks at a rehearsal whose clock runs fast

/** How a rehearsal stands, asked anew as long as its clock runs. */
export function useRehearsed(id: string) {
  const client = useQueryClient();
  return useQuery({
    queryKey: at("rehearsed", id),
    queryFn: async ({ signal }) => {
      const stands = await timed(api.fetchRehearsed(id, signal));
      const newest = client.getQueryData<Rehearsed>(at("rehearsed", id));
      return newest && Date.parse(newest.now) > Date.parse(stands.now) ? newest : stands; // a press was answered meanwhile
    },
    refetchInterval: (query) => (query.state.data && (query.state.data.state.waits || !query.state.data.state.bake) ? 4_000 : often),
    initialData: () => {
      const whole = client.getQueryData<RehearsalView>(at("rehearsal", id));
      return whole && { state: whole.state, now: whole.now };
    },
  });
}

export const useBeginRehearsal = () =>
  usePress(
    (of: Rehearse) => press<RehearsalView>("/rehearsals", of),
    (client, made) => void client.setQueryData(at("rehearsal", made.id), made),
  );

export const useInRehearsal = (id: string) =>
  usePress(
    (did: InRehearsal) => press<Rehearsed>(`/rehearsals/${id}/happenings`, did),
    (client, stands) => {
      setServerTime(stands.now);
      client.setQueryData(at("rehearsed", id), stands);
    },
  );

import type { AtBench, BakeView, BenchView, Compare, Compared, HabitOf, Happened, Kitchen, KitchenSettings, Larder, Loaded, Log, Machine, MachineRead, PlanAnswer, Problem, Profiles, RecipeKept, RecipeRead, RecipeText, Shelf, Start, SwapsKept, Wish } from "./types.gen";

/** An error that the server put into words. */
export class Trouble extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }
}

const unreachable: Problem = {
  type: "about:blank",
  title: "Unreachable",
  status: 503,
  detail: "The kitchen's server does not answer. Nothing was lost; trying again.",
};

async function call<T>(path: string, init: RequestInit): Promise<T> {
  let response: Response;
  try {
    response = await fetch(`/api/v1${path}`, init);
  } catch (error) {
    if (error instanceof DOMException && error.name === "AbortError") throw error;
    throw new Trouble(unreachable);
  }
  if (response.status === 304) return null as T; // only asked for by calls that can be told "nothing new"
  if (!response.ok) {
    const body: unknown = await response.json().catch(() => null);
    throw new Trouble(isProblem(body) ? body : { ...unreachable, status: response.status });
  }
  return (await response.json()) as T;
}

function isProblem(body: unknown): body is Problem {
  return typeof body === "object" && body !== null && "detail" in body && "status" in body;
}

const get = <T>(path: string, signal?: AbortSignal) => call<T>(path, { signal });

const post = <T>(path: string, body: unknown, headers: Record<string, string> = {}, signal?: AbortSignal) =>
  call<T>(path, { method: "POST", body: JSON.stringify(body), headers: { "Content-Type": "application/json", ...headers }, signal });

const put = <T>(path: string, body: unknown, version?: number) =>
  call<T>(path, { method: "PUT", body: JSON.stringify(body), headers: { "Content-Type": "application/json", ...(version !== undefined && { "If-Match": `"${version}"` }) } });

/** A key for one press of a button: sent again, the press counts once. */
export const newKey = () => crypto.randomUUID();

export const fetchShelf = (signal: AbortSignal) => get<Shelf>("/shelf", signal);
export const fetchLarder = (signal: AbortSignal) => get<Larder>("/larder", signal);
export const putKitchen = (kitchen: Kitchen, version: number) => put<KitchenSettings>("/kitchen", kitchen, version);
export const undoKitchen = (version: number) => post<KitchenSettings>("/kitchen/undo", {}, { "If-Match": `"${version}"` });
export const fetchPlan = (wish: Wish, signal?: AbortSignal) => post<PlanAnswer>("/plan", wish, {}, signal);
export const fetchRecipe = (id: string, signal: AbortSignal) => get<RecipeRead>(`/recipes/${id}`, signal);
export const readRecipe = (recipe: RecipeText, signal?: AbortSignal) => post<RecipeRead>("/recipes/read", recipe, {}, signal);
export const keepRecipe = (recipe: RecipeText, id: string | undefined, key: string) =>
  post<RecipeRead>(id ? `/recipes/${id}/revisions` : "/recipes", recipe, { "Idempotency-Key": key });
export const setHabit = (habit: HabitOf) => put<HabitOf>("/habits", habit);
export const fetchProfiles = (signal: AbortSignal) => get<Profiles>("/machines/profiles", signal);
export const fetchMachine = (id: string, signal: AbortSignal) => get<MachineRead>(`/machines/${id}`, signal);
export const addMachine = (machine: Machine, key: string) => post<MachineRead>("/machines", machine, { "Idempotency-Key": key });
export const putMachine = (id: string, machine: Machine, version: number) => put<MachineRead>(`/machines/${id}`, machine, version);
export const undoMachine = (id: string, version: number) => post<MachineRead>(`/machines/${id}/undo`, {}, { "If-Match": `"${version}"` });
export const compareCycles = (id: string, what: Compare, signal?: AbortSignal) => post<Compared>(`/machines/${id}/compare`, what, {}, signal);
export const addBench = (wish: Wish, key: string) => post<BenchView>("/benches", wish, { "Idempotency-Key": key });
/** The bench, or null when nothing happened after the happening of this number. */
export const fetchBench = (id: string, after: number | undefined, signal: AbortSignal) => call<BenchView | null>(`/benches/${id}${after === undefined ? "" : `?after=${after}`}`, { signal });
export const tellBench = (id: string, what: AtBench, key: string) => post<BenchView>(`/benches/${id}/happenings`, what, { "Idempotency-Key": key });
export const keepSwaps = (id: string, swaps: SwapsKept, key: string) => post<RecipeKept>(`/recipes/${id}/swaps`, swaps, { "Idempotency-Key": key });
export const undoRecipe = (id: string, revision: number, key: string) => post<RecipeKept>(`/recipes/${id}/undo`, { id, revision }, { "Idempotency-Key": key });
export const fetchLog = (signal: AbortSignal) => get<Log>("/bakes", signal);
export const fetchBake = (id: string, signal: AbortSignal) => get<BakeView>(`/bakes/${id}`, signal);
export const startBake = (start: Start, key: string) => post<BakeView>("/bakes", start, { "Idempotency-Key": key });
export const tellBake = (id: string, happened: Happened, key: string) =>
  post<BakeView>(`/bakes/${id}/happenings`, happened, { "Idempotency-Key": key });
export const loadDemo = (key: string) => post<Loaded>("/demo", {}, { "Idempotency-Key": key });

/** The bake, or null when nothing happened after the happening of this number. */
export async function fetchBakeAfter(id: string, after: number, signal: AbortSignal): Promise<BakeView | null> {
  return call<BakeView | null>(`/bakes/${id}?after=${after}`, { signal });
}

import { askedEarly } from "./early";
import { kitchen } from "./kitchen";
import type {
  AnswerOf,
  Bagging,
  Bags,
  BringDone,
  Bringing,
  Brought,
  BagShelf,
  ByOven,
  Facts,
  BakeTold,
  BakeView,
  BenchView,
  CardPhotos,
  Compare,
  Compared,
  DayBook,
  DayNeeds,
  DayRegular,
  DayView,
  Declining,
  Difference,
  Loaded,
  Booklet,
  BookletRead,
  Doubts,
  Estimate,
  Estimated,
  HabitOf,
  Kitchen,
  Kitchens,
  KitchenSettings,
  Larder,
  Lessons,
  Log,
  Machine,
  MachineRead,
  MachinesAway,
  Mends,
  NextOfDays,
  Offers,
  PlanAnswer,
  Problem,
  Profiles,
  PutAway,
  RecipeRead,
  Rehearsed,
  Restored,
  RehearsalView,
  Recipes,
  RecipeText,
  Shelf,
  SlipOf,
  Story,
  Troubles,
  WaysOut,
  Week,
  Wish,
  Year,
  Changes,
  Household,
  Linked,
  NewKitchen,
  Opened,
  Pairing,
  PairingCode,
  Recovery,
  Relocking,
  SecretAddress,
  SignedOut,
  SigningIn,
} from "./types.gen";

/** An error that the server put into words. */
export class Trouble extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }
}

const api = "/api/v1/";
const closed = "urn:rise-pan:closed";
/** Is told when the server says that this page may not come into its kitchen any more. */
export const shut = new EventTarget();

const patience = 20_000; // ms that an answer may take

const unreachable: Problem = {
  type: "about:blank",
  title: "Unreachable",
  status: 503,
  detail: "Rise Pan cannot be reached on this computer. Nothing was lost.",
};

interface Call {
  kitchen?: string; // another than this page's
  method?: "GET" | "POST" | "PUT";
  body?: unknown; // a file goes as it is, all else as JSON
  key?: string;
  version?: number;
  signal?: AbortSignal;
  patience?: number; // ms that it may take
}

const address = (path: string, of = kitchen()) => (path.startsWith(api) ? path : `${api}kitchens/${of}${path}`);

/** Whether it is trouble because this page may not come into its kitchen any more. */
export const isShut = (error: unknown) => error instanceof Trouble && error.problem.type === closed;

/** Calls the server about this kitchen; a path from the API's root is about none. */
export async function call<T>(
  path: string,
  { kitchen: of = kitchen(), method = "GET", body, key, version, signal, patience: most = patience }: Call = {},
): Promise<T> {
  const headers: Record<string, string> = {};
  const file = body instanceof Blob;
  if (body !== undefined) headers["Content-Type"] = file ? body.type : "application/json";
  if (key) headers["Idempotency-Key"] = key;
  if (version !== undefined) headers["If-Match"] = `"${version}"`;
  const late = AbortSignal.timeout(most);
  const url = address(path, of);
  let response: Response;
  try {
    const early = method === "GET" ? askedEarly(url) : undefined;
    response = await (early ??
      fetch(url, {
        method,
        headers,
        body: body === undefined || file ? body : JSON.stringify(body),
        signal: signal ? AbortSignal.any([signal, late]) : late,
      }));
  } catch (error) {
    if (signal?.aborted) throw error;
    throw new Trouble(unreachable);
  }
  if (response.status === 304) return null as T; // only asked for by calls that can be told "nothing new"
  if (!response.ok) {
    const answer: unknown = await response.json().catch(() => null);
    if (isProblem(answer) && answer.type === closed) shut.dispatchEvent(new Event("shut"));
    throw new Trouble(isProblem(answer) ? answer : { ...unreachable, status: response.status });
  }
  return (await response.json()) as T;
}

function isProblem(body: unknown): body is Problem {
  return typeof body === "object" && body !== null && "detail" in body && "status" in body;
}

/** The kitchens that this device may enter. */
export const fetchKitchens = (signal: AbortSignal) => call<Kitchens>(`${api}kitchens`, { signal });

/** Makes a kitchen with its owner, or gives the open one that is named its owner. The same key sent again opens the same. */
export const makeKitchen = (body: NewKitchen, key: string) => call<Opened>(`${api}kitchens`, { method: "POST", body, key });
export const claimKitchen = (body: NewKitchen, key: string) => call<Opened>("/household", { method: "POST", body, key });
export const signIn = (body: SigningIn) => ask<Opened>(`${api}session`, body);
export const recover = (body: SigningIn) => ask<Opened>(`${api}session/recovered`, body);
export const pairWith = (body: Pairing) => ask<Opened>(`${api}session/paired`, body);
export const signOut = () => ask<SignedOut>(`${api}session/ended`, {});

const read =
  <T>(path: string) =>
  (signal?: AbortSignal) =>
    call<T>(path, { signal });
const put = <T>(path: string, body: unknown, version?: number) => call<T>(path, { method: "PUT", body, version });
const ask = <T>(path: string, body: unknown, signal?: AbortSignal) => call<T>(path, { method: "POST", body, signal });

export const fetchChanges = (after: number | undefined, signal: AbortSignal) =>
  call<Changes | null>(`/changes${after === undefined ? "" : `?after=${after}`}`, { signal });
export const fetchHousehold = read<Household>("/household");
export const pairDevice = (whose: "devices" | "people") => ask<PairingCode>(`/household/${whose}`, {});
export const endIn = (what: "ended" | "gone" | "others", id?: string) => ask<Household>(`/household/${what}`, id ? { id } : {});
export const changePassphrase = (body: Relocking) => put<Household>("/household/passphrase", body);
export const newRecovery = (body: Relocking) => ask<Recovery>("/household/recovery", body);
export const shareAt = (path: string, on: boolean) => put<SecretAddress>(path, { on });
export const fetchLinked = (secret: string) => ask<Linked>("/links", { secret });

export const fetchShelf = read<Shelf>("");
export const fetchLarder = read<Larder>("/larder");
export const answerName = (body: AnswerOf) => ask<Facts>("/larder", body);
export const putKitchen = (body: Kitchen, version: number) => put<KitchenSettings>("", body, version);
export const undoKitchen = (version: number) => call<KitchenSettings>("/undo", { method: "POST", body: {}, version });

export const fetchPlan = (wish: Wish, signal?: AbortSignal) => ask<PlanAnswer>("/plan", wish, signal);
export const fetchOffers = (wish: Wish, line: string, signal?: AbortSignal) => ask<Offers>("/plan/offers", { wish, line }, signal);

export const fetchByOven = (wish: Wish, signal?: AbortSignal) => ask<ByOven>("/plan/oven", wish, signal);
export const fetchBags = read<BagShelf>("/bags");
export const fetchBagsOf = (id: string, signal?: AbortSignal) => call<Bags>(`/bags/${id}`, { signal });
export const previewBags = (of: Bagging, signal?: AbortSignal) => ask<Bags>("/bags/preview", of, signal);
export const leaveBags = (id: string, left: number) => put<Bags>(`/bags/${id}`, { left });

export const fetchRehearsal = (id: string, signal?: AbortSignal) => call<RehearsalView>(`/rehearsals/${id}`, { signal });
export const fetchRehearsed = (id: string, signal?: AbortSignal) => call<Rehearsed>(`/rehearsals/${id}?only=state`, { signal });

export interface Looked {
  find?: string; // words, each a part of the name or of an ingredient
  kind?: string;
  away?: boolean;
  after?: string;
}
export const fetchRecipes = ({ find = "", kind = "", away = false, after = "" }: Looked, signal?: AbortSignal) =>
  call<Recipes>(`/recipes?${new URLSearchParams({ find, kind, away: String(away), after })}`, { signal });
export const fetchRecipe = (id: string, signal: AbortSignal) => call<RecipeRead>(`/recipes/${id}`, { signal });
export const fetchStory = (id: string, signal: AbortSignal) => call<Story>(`/recipes/${id}/story`, { signal });
export const fetchDifference = (id: string, from: number, to: number, signal: AbortSignal) =>
  call<Difference>(`/recipes/${id}/difference?from=${from}&to=${to}`, { signal });
export const fetchLessons = read<Lessons>("/lessons");
export const declineLesson = (body: Declining) => put<Lessons>("/lessons", body);
export const fetchYear = (year: string, signal: AbortSignal) => call<Year>(`/year?year=${year}`, { signal });
export const readRecipe = (recipe: RecipeText, signal?: AbortSignal) => ask<RecipeRead>("/recipes/read", recipe, signal);

export const fetchProfiles = read<Profiles>("/machines/profiles");
export const fetchDoubts = (machine: Machine, signal: AbortSignal) => ask<Doubts>("/machines/doubts", machine, signal);
export const estimateStages = (of: Estimate) => ask<Estimated>("/machines/estimate", of);
export const putSamples = (away: boolean) => put<Loaded>("/samples", { away });
export const readBooklet = (of: Booklet, signal: AbortSignal) => ask<BookletRead>("/machines/booklet", of, signal);
export const fetchMachinesAway = read<MachinesAway>("/machines/away");
export const fetchMachine = (id: string, signal: AbortSignal) => call<MachineRead>(`/machines/${id}`, { signal });
export const putMachine = (id: string, body: Machine, version: number) => put<MachineRead>(`/machines/${id}`, body, version);
export const undoMachine = (id: string, version: number) =>
  call<MachineRead>(`/machines/${id}/undo`, { method: "POST", body: {}, version });
export const compareCycles = (id: string, what: Compare, signal?: AbortSignal) => ask<Compared>(`/machines/${id}/compare`, what, signal);
export const setHabit = (habit: HabitOf) => put<HabitOf>("/habits", habit);
export const putAway = (path: string, away: boolean) => put<PutAway>(`${path}/shelf`, { away });

export const fetchWaysOut = (bench: string, slip: SlipOf, signal: AbortSignal) => ask<WaysOut>(`/benches/${bench}/outs`, slip, signal);

/** The bench or bake, or null when nothing happened after the happening of this number. */
const journal = <T>(path: string, after: number | undefined, signal: AbortSignal) =>
  call<T | null>(`${path}${after === undefined ? "" : `?after=${after}`}`, { signal });
export const fetchBench = (id: string, after: number | undefined, signal: AbortSignal) =>
  journal<BenchView>(`/benches/${id}`, after, signal);
export const fetchBake = (id: string, after: number | undefined, signal: AbortSignal) => journal<BakeView>(`/bakes/${id}`, after, signal);
export const fetchTroubles = (bake: string, core: string, signal: AbortSignal) =>
  call<Troubles>(`/bakes/${bake}/troubles?${new URLSearchParams(core ? { core } : {})}`, { signal });
export type LookedInLog = Partial<Record<"find" | "kind" | "mark" | "machine" | "sign" | "recipe" | "from" | "to", string>>;
export const fetchLog = (looked: LookedInLog, before: string, signal: AbortSignal) =>
  call<Log>(`/bakes?${new URLSearchParams({ ...looked, before })}`, { signal });
/** Where the same bakes are had as a table for a spreadsheet. */
export const logTable = (looked: LookedInLog) => address(`/bakes.csv?${new URLSearchParams(looked)}`);

/** What of a planned loaf is carried away as a file: its address below the plan. */
export type PlanPaper =
  | "what=recipe&as=text"
  | "what=recipe&as=markdown"
  | "what=recipe&as=json"
  | "what=timetable"
  | "what=shopping&as=text"
  | "what=shopping&as=markdown";
/** Saves a planned loaf as a file. */
export async function savePlan(wish: Wish, what: PlanPaper): Promise<void> {
  const response = await fetch(address(`/plan/paper?${what}`), {
    method: "POST",
    headers: { "Content-Type": "application/json" },
    body: JSON.stringify(wish),
    signal: AbortSignal.timeout(patience),
  }).catch(() => {
    throw new Trouble(unreachable);
  });
  if (!response.ok) throw new Trouble(((await response.json().catch(() => null)) as Problem | null) ?? unreachable);
  const link = document.createElement("a");
  link.href = URL.createObjectURL(await response.blob());
  link.download = /filename="([^"]+)"/.exec(response.headers.get("Content-Disposition") ?? "")?.[1] ?? "loaf";
  link.click();
  URL.revokeObjectURL(link.href);
}
/** Where a recipe is had as it is written, and the hours of a bake. */
export const recipePaper = (id: string, as: "text" | "markdown" | "json") => address(`/recipes/${id}/paper?as=${as}`);
export const bakeHours = (id: string) => address(`/bakes/${id}/timetable`);

/** Where all of a kitchen is had as one file. */
export const kitchenFile = () => address("/file");
/** Puts the kitchen of a file in the place of this one. The same key sent again restores it once. */
export const restoreKitchen = (file: Blob, key: string) =>
  call<Restored>("/restore", { method: "POST", body: file, key, patience: 600_000 });
export const swapKitchen = (id: string) => ask<Restored>("/swap", { with: id });

/** What is understood of a file or a pasted text. Nothing is kept. */
export const bring = (file: Blob) => call<Brought>("/bring", { method: "POST", body: file });
/** Keeps what was brought in. The same key sent again keeps it once. */
export const keepBrought = (body: Bringing, key: string) => call<BringDone>("/imports", { method: "POST", body, key });
export const undoBrought = (id: string) => ask<BringDone>(`/imports/${id}/undo`, {});

/** Keeps a photo of a bake. The same key sent again keeps it once. */
export const sendPhoto = (bake: string, photo: Blob, key: string) =>
  call<BakeTold>(`/bakes/${bake}/photos`, { method: "POST", body: photo, key });
export const fetchCardPhotos = (recipe: string, signal: AbortSignal) => call<CardPhotos>(`/recipes/${recipe}/photos`, { signal });
export const sendCardPhoto = (recipe: string, photo: Blob, key: string) =>
  call<CardPhotos>(`/recipes/${recipe}/photos`, { method: "POST", body: photo, key });
/** Where a photo is had, whole or small. */
export const photoAt = (id: string, small = false) => address(`/photos/${id}${small ? "?small=1" : ""}`);
export const fetchRunning = read<Log>("/bakes/running");

export const fetchDay = (date: string, signal?: AbortSignal) => call<DayView>(`/days/${date}`, { signal });
export const fetchWeek = (of: string, signal?: AbortSignal) => call<Week>(`/days?of=${of}`, { signal });
export const putDay = (date: string, book: DayBook, version: number) => put<DayView>(`/days/${date}`, book, version);
export const undoDay = (date: string, version: number) => call<DayView>(`/days/${date}/undo`, { method: "POST", body: {}, version });
export const fetchMends = (date: string, loaf: string, signal: AbortSignal) => call<Mends>(`/days/${date}/mends?loaf=${loaf}`, { signal });
export const fetchNeeds = (date: string, signal: AbortSignal) => call<DayNeeds>(`/days/${date}/needs`, { signal });
export const fetchNextOfDays = read<NextOfDays>("/days/next");
export const fetchRegulars = read<DayRegular>("/regulars");
/** Where a day is had as a calendar with alarms. */
export const dayCalendar = (date: string) => address(`/days/${date}/calendar`);

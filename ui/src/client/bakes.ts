import { type QueryClient, keepPreviousData, useInfiniteQuery, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import * as api from "./api";
import { serverNow, setServerTime } from "./clock";
import { at } from "./kitchen";
import { press } from "./outbox";
import { timed, unlessTold, usePress, lists } from "./queries";
import type { BakeTold, BakeView, Declining, Happened, Lessons, Start } from "./types.gen";

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

/** One bake, asked for anew every 2 s while the page is visible, and when the clock alone changes it. */
export function useBake(id: string) {
  const client = useQueryClient();
  const key = at("bake", id);
  return useQuery({
    queryKey: key,
    refetchInterval: 2_000,
    staleTime: 1_000,
    queryFn: ({ signal }) => {
      const told = client.getQueryState<BakeView>(key);
      const known = told?.dataUpdatedAt ? told.data : undefined; // what the page before has seen is asked for anew
      const due = known?.state.changes !== undefined && Date.parse(known.state.changes) <= serverNow();
      return unlessTold(
        client,
        key,
        () => api.fetchBake(id, known && !due ? known.state.last : undefined, signal),
        (b) => b.state.last,
      );
    },
  });
}

/** What can go otherwise with a bake, asked for while the page shows it. */
export const useTroubles = (id: string, shown: boolean, core: string) =>
  useQuery({
    queryKey: at("troubles", id, core),
    queryFn: ({ signal }) => timed(api.fetchTroubles(id, core, signal)),
    enabled: shown,
    placeholderData: keepPreviousData,
    refetchInterval: 30_000,
    staleTime: 10_000,
  });

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

import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import * as api from "../client/api";
import { setServerTime } from "../client/clock";
import { at } from "../client/kitchen";
import { unlessTold } from "../client/queries";
import type { DayBook, DayView } from "../client/types.gen";

const anew = 60_000; // a day is planned anew as time goes by: what was not started in time is later

export function useDay(date: string) {
  const client = useQueryClient();
  const key = at("day", date);
  return useQuery({
    queryKey: key,
    refetchInterval: anew,
    queryFn: ({ signal }) =>
      unlessTold(
        client,
        key,
        () => api.fetchDay(date, signal),
        (d) => d.version,
      ),
  });
}

export const useWeek = (of: string) =>
  useQuery({ queryKey: at("week", of), queryFn: ({ signal }) => api.fetchWeek(of, signal), placeholderData: keepPreviousData });

/** Changes a day, one change after another, and takes the last one back. */
export function useChangeDay(date: string) {
  const client = useQueryClient();
  const took = (view: DayView) => {
    setServerTime(view.now);
    client.setQueryData(at("day", date), view);
    for (const name of ["week", "next of days", "mends", "needs"]) void client.invalidateQueries({ queryKey: at(name) });
  };
  const stale = () => void client.invalidateQueries({ queryKey: at("day", date) });
  const version = () => client.getQueryData<DayView>(at("day", date))?.version ?? 0;
  const scope = { id: `day ${date}` };
  return {
    change: useMutation({ scope, mutationFn: (book: DayBook) => api.putDay(date, book, version()), onSuccess: took, onError: stale }),
    undo: useMutation({ scope, mutationFn: () => api.undoDay(date, version()), onSuccess: took, onError: stale }),
  };
}

export const useMends = (date: string, loaf: string) =>
  useQuery({ queryKey: at("mends", date, loaf), queryFn: ({ signal }) => api.fetchMends(date, loaf, signal), staleTime: 0 });

export const useNeeds = (date: string, enabled: boolean) =>
  useQuery({ queryKey: at("needs", date), queryFn: ({ signal }) => api.fetchNeeds(date, signal), enabled, staleTime: 0 });

export const useRegulars = () => useQuery({ queryKey: at("regulars"), queryFn: ({ signal }) => api.fetchRegulars(signal), staleTime: 0 });

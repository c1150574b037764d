import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import * as api from "./api";
import { at } from "./kitchen";
import { press } from "./outbox";
import { timed, nothing, usePress } from "./queries";
import type { Bagging, Bags, Wish } from "./types.gen";

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

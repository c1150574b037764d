import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import * as api from "./api";
import { at } from "./kitchen";
import { press } from "./outbox";
import { usePress } from "./queries";
import type { Bringing, Loaded } from "./types.gen";

export const useLoadDemo = () =>
  usePress(
    () => press<Loaded>("/demo", {}),
    (client) => client.invalidateQueries(),
  );

/** Puts the sample kitchen's things away, or brings them back. */
export function usePutSamples() {
  const client = useQueryClient();
  return useMutation({ mutationFn: (away: boolean) => api.putSamples(away), onSuccess: () => client.invalidateQueries() });
}

export const useLarder = () => useQuery({ queryKey: at("larder"), queryFn: ({ signal }) => api.fetchLarder(signal) });

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

/** Puts a recipe, a machine or a bake away, or brings it back; path is such as /recipes/1. */
export function usePutAway(path: string) {
  const client = useQueryClient();
  return useMutation({ mutationFn: (away: boolean) => api.putAway(path, away), onSuccess: () => client.invalidateQueries() });
}

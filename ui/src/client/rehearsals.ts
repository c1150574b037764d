import { useQuery, useQueryClient } from "@tanstack/react-query";
import * as api from "./api";
import { setServerTime } from "./clock";
import { at } from "./kitchen";
import { press } from "./outbox";
import { timed, unlessTold, usePress, lists } from "./queries";
import type { BakeView, InRehearsal, RehearsalView, Rehearse, Rehearsed } from "./types.gen";

export const useRehearsal = (id: string) =>
  useQuery({ queryKey: at("rehearsal", id), queryFn: ({ signal }) => timed(api.fetchRehearsal(id, signal)), staleTime: Infinity });

const often = 400; // ms between looks at a rehearsal whose clock runs fast

/** How a rehearsal stands, asked anew as long as its clock runs. */
export function useRehearsed(id: string) {
  const client = useQueryClient();
  const key = at("rehearsed", id);
  return useQuery({
    queryKey: key,
    queryFn: ({ signal }) =>
      unlessTold(
        client,
        key,
        () => api.fetchRehearsed(id, signal),
        (r) => r.state.last,
      ),
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

/** Writes a rehearsal that came to its end into the log. */
export const useKeepRehearsal = (id: string) =>
  usePress(
    () => press<BakeView>(`/rehearsals/${id}/kept`, {}),
    (client) => void lists(client, "log", "story"),
  );

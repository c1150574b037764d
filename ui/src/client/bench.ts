import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef } from "react";
import * as api from "./api";
import { setServerTime } from "./clock";
import { at } from "./kitchen";
import { press } from "./outbox";
import { lists, unlessTold } from "./queries";
import type { AtBench, BenchTold, BenchView } from "./types.gen";

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
    queryFn: ({ signal }) => {
      const known = client.getQueryData<BenchView>(key);
      const fresh = performance.now() - made.current < benchAnew;
      const ask = async () => {
        const view = await api.fetchBench(id ?? "", known && fresh ? known.session.last : undefined, signal);
        if (view) made.current = performance.now();
        return view;
      };
      return unlessTold(client, key, ask, (b) => b.session.last);
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

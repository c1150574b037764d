import { type QueryClient, keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import * as api from "./api";
import { at } from "./kitchen";
import { press } from "./outbox";
import { replan, usePress, lists } from "./queries";
import type { Compare, HabitOf, Machine, MachineRead } from "./types.gen";

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

/** What a booklet's table of programs says. */
export const useBooklet = (text: string, sizes: Machine["sizes"]) =>
  useQuery({
    queryKey: at("booklet", { text, sizes }),
    queryFn: ({ signal }) => api.readBooklet({ text, sizes }, signal),
    enabled: text.trim() !== "",
    placeholderData: keepPreviousData,
    gcTime: 0,
  });

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

/** Remembers the baker's own cycle and crust for a recipe on a machine. */
export function useSetHabit() {
  const client = useQueryClient();
  return useMutation({ mutationFn: (habit: HabitOf) => api.setHabit(habit), onSuccess: () => replan(client) });
}

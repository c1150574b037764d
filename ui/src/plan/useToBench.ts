import { useNavigate } from "react-router";
import { useAddBench } from "../client/queries";
import type { PlanAnswer, Wish } from "../client/types.gen";

/** The press that begins to measure: what it says, and whether the plan lets it be pressed. */
export function useToBench(answer: PlanAnswer, wish: Wish, stale: boolean) {
  const bench = useAddBench();
  const navigate = useNavigate();
  const { cautions } = answer.plan;
  const stopped = cautions.some((c) => c.level === "stop");
  const asks = !stopped && cautions.some((c) => c.level === "ask");
  const refused = stopped || asks;
  return {
    refused,
    error: bench.error,
    disabled: refused || stale || bench.isPending,
    says: asks ? "Answer first" : refused ? "Not like this" : bench.isPending ? "Clearing …" : "To the bench",
    press: () => bench.mutate(wish, { onSuccess: (b) => navigate(`/bench/${b.id}`) }),
  };
}

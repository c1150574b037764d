import { useNavigate } from "react-router";
import { useAddBench } from "../client/queries";
import type { PlanAnswer, Wish } from "../client/types.gen";

/** The press that begins to measure: what it says, and whether the plan lets it be pressed. */
export function useToBench(answer: PlanAnswer, wish: Wish, stale: boolean) {
  const bench = useAddBench();
  const navigate = useNavigate();
  const refused = !!answer.refusal;
  const asks = answer.refusal?.level === "ask";
  return {
    refused,
    error: bench.error,
    disabled: refused || stale || bench.isPending,
    says: asks ? "Answer the question above first" : refused ? "Fix the warning first" : bench.isPending ? "Clearing …" : "To the bench",
    press: () => bench.mutate(wish, { onSuccess: (b) => navigate(`/bench/${b.id}`) }),
  };
}

/** The button of that press, wherever it stands. */
export function ToBench({ bench, className }: { bench: ReturnType<typeof useToBench>; className: string }) {
  return (
    <button
      type="button"
      onClick={bench.press}
      disabled={bench.disabled}
      className={`min-h-14 rounded-tray bg-rim text-lg font-bold text-on-rim disabled:bg-shelf disabled:text-soft ${className}`}
    >
      {bench.says}
    </button>
  );
}

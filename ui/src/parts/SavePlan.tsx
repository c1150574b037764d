import { Button } from "./Button";
import { useMutation } from "@tanstack/react-query";
import { type PlanPaper, savePlan } from "../client/api";
import type { Wish } from "../client/types.gen";
import { TroubleNote } from "./Trouble";

/** Saves a planned loaf as files. */
export function SavePlan({ wish, ways }: { wish: Wish; ways: [PlanPaper, string][] }) {
  const save = useMutation({ mutationFn: (what: PlanPaper) => savePlan(wish, what) });
  return (
    <p className="flex flex-wrap items-center gap-x-4 print:hidden">
      <span className="text-soft">Save</span>
      {ways.map(([what, name]) => (
        <Button key={what} disabled={save.isPending} onClick={() => save.mutate(what)} look="text">
          {name}
        </Button>
      ))}
      <TroubleNote error={save.error} />
    </p>
  );
}

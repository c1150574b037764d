import { ArrowRight, Undo2 } from "lucide-react";
import { useState } from "react";
import { useKeepSwaps, useUndoRecipe } from "../client/recipes";
import type { PlanAnswer, RecipeKept, Wish } from "../client/types.gen";
import { TroubleNote } from "../parts/Trouble";
import type { Why } from "./why";
import { type Change, swapped } from "./wish";

interface Props {
  answer: PlanAnswer;
  wish: Wish;
  recipe: string;
  change: (change: Change) => void;
  ask: (why: Why) => void;
}

/** The swaps of this loaf: compared, undone, or kept in the recipe for good. */
export default function SwapStrip({ answer, wish, recipe, change, ask }: Props) {
  const keep = useKeepSwaps(recipe);
  const undo = useUndoRecipe(recipe);
  const [kept, setKept] = useState<RecipeKept | null>(null);
  const { swaps } = answer.plan;
  const link = "min-h-9 font-semibold text-rim underline";
  if (kept && kept.id === recipe && swaps.length === 0) {
    return (
      <p role="status" className="flex flex-wrap items-center gap-x-4 border-b border-rule text-sm">
        Saved as version {kept.revision}.
        <button type="button" className={link} onClick={() => undo.mutate(kept.revision, { onSuccess: () => setKept(null) })}>
          Undo
        </button>
        <TroubleNote error={undo.error} />
      </p>
    );
  }
  if (swaps.length === 0) return null;
  const save = () =>
    keep.mutate(
      { revision: answer.revision, swaps: wish.loaf.swaps ?? [] },
      {
        onSuccess: (k) => {
          setKept(k);
          change({ swap: null });
        },
      },
    );
  return (
    <section aria-label="Swapped for this loaf" className="border-b border-rule pb-1 text-sm">
      <ul>
        {swaps.map((s, n) => (
          <li key={s.line + s.swap} className="flex flex-wrap items-center gap-x-3">
            <span className="font-semibold">
              {s.says.split(" → ")[0]} <ArrowRight size={16} role="img" aria-label="becomes" className="inline" /> {s.says.split(" → ")[1]}
            </span>
            <button
              type="button"
              className={`${link} inline-flex items-center gap-1`}
              onClick={() => change({ swap: swapped(swaps.slice(0, n)) })}
            >
              <Undo2 size={16} aria-hidden="true" />
              Undo<span className="sr-only"> {s.says}</span>
            </button>
          </li>
        ))}
      </ul>
      <p className="flex flex-wrap gap-x-4">
        <button type="button" className={link} onClick={() => ask({ about: "formula" })}>
          Before and after
        </button>
        <button type="button" className={link} onClick={save} disabled={keep.isPending}>
          {keep.isPending ? "Saving …" : "Save swap to recipe"}
        </button>
      </p>
      <TroubleNote error={keep.error} />
    </section>
  );
}

import { useState } from "react";
import { useTeach, useRecipe, useUndoRecipe } from "../client/queries";
import type { BakeView, Why } from "../client/types.gen";
import { Arrow } from "../parts/Arrow";
import { TroubleNote } from "../parts/Trouble";

const strength: Record<Why["strength"], string> = { likely: "Likely", possible: "Possible", "cannot tell": "Cannot be told apart yet" };

/** Why the loaf came out so: causes with what speaks for and against them, and one change for next time. */
export function WhySo({ bake }: { bake: BakeView }) {
  const { why, state } = bake;
  if (!state.signs || state.signs.length === 0) return null;
  if (!why || why.length === 0)
    return (
      <section aria-labelledby="why" className="mt-6">
        <h2 id="why" className="text-lg font-semibold">
          Why it came out so
        </h2>
        <p className="mt-1">It is simply a good loaf. Change nothing.</p>
      </section>
    );
  return (
    <section aria-labelledby="why" className="mt-6">
      <h2 id="why" className="text-lg font-semibold">
        Why it came out so
      </h2>
      <ol className="mt-1 divide-y divide-rule border-y border-rule">
        {why.map((w, n) => (
          <li key={w.cause} className="py-3">
            <h3 className={n === 0 ? "text-xl font-bold" : "text-lg font-semibold"}>
              <span className="mr-3 text-base font-semibold text-soft">{strength[w.strength]}</span>
              <span className="inline-block first-letter:uppercase">{w.cause}</span>
            </h3>
            {w.for && <p>For it: {w.for.join("; ")}.</p>}
            {w.against && <p>Against it: {w.against.join("; ")}.</p>}
            {!w.for && !w.against && <p className="text-soft">The signs alone speak for it.</p>}
            {n === 0 ? <NextTime bake={bake} why={w} /> : w.tell && <p className="text-soft">To tell it from the first: {w.tell}</p>}
          </li>
        ))}
      </ol>
      <p className="mt-1 text-sm text-soft">One change at a time: only so can the next loaf tell whether it helped.</p>
    </section>
  );
}

/** The one change, kept as the recipe's next revision, and undone. */
function NextTime({ bake, why }: { bake: BakeView; why: Why }) {
  const recipe = useRecipe(bake.recipeId);
  const teach = useTeach(bake.recipeId, recipe.data?.revision ?? 0);
  const undo = useUndoRecipe(bake.recipeId);
  const [kept, keep] = useState(false);
  const { step } = why;
  return (
    <div className="mt-1">
      <p>
        <b>Next time:</b> {step ? step.effect : why.change}
      </p>
      {step && (
        <p className="mt-2 flex flex-wrap items-center gap-4">
          <span className="fraction text-lg font-bold" data-change>
            {step.name} {step.from}
            <Arrow />
            {step.to}
          </span>
          {kept ? (
            <>
              <span role="status">Kept as the recipe’s next revision.</span>
              <button
                type="button"
                disabled={undo.isPending || !recipe.data}
                onClick={() => undo.mutate(recipe.data?.revision ?? 0, { onSuccess: () => keep(false) })}
                className="min-h-11 font-semibold text-rim underline"
              >
                Undo it
              </button>
            </>
          ) : (
            <button
              type="button"
              disabled={teach.isPending || !recipe.data}
              onClick={() =>
                teach.mutate(
                  { line: step.line, amount: step.to, because: `${why.cause}: ${(bake.state.signs ?? []).join(", ")}` },
                  { onSuccess: () => keep(true) },
                )
              }
              className="min-h-12 rounded-tray bg-rim px-6 font-bold text-on-rim"
            >
              Use this amount next time
            </button>
          )}
        </p>
      )}
      <TroubleNote error={teach.error ?? undo.error} />
    </div>
  );
}

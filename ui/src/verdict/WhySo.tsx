import { Button } from "../parts/Button";
import { useState } from "react";
import { useSetHabit } from "../client/machines";
import { useRecipe } from "../client/queries";
import { useTeach, useUndoRecipe } from "../client/recipes";
import type { BakeView, Why } from "../client/types.gen";
import { Arrow } from "../parts/Arrow";
import { TroubleNote } from "../parts/Trouble";

const strength: Record<Why["strength"], string> = { likely: "Likely", possible: "Possible", "cannot tell": "Cannot tell" };

/** Why the loaf came out so: causes with what speaks for and against them, and one change for next time. */
export function WhySo({ bake }: { bake: BakeView }) {
  const { why, state } = bake;
  const [kept, keep] = useState<string[]>([]); // the causes whose change was kept
  if (!why && !state.signs) return null;
  if (!why || why.length === 0)
    return (
      <section aria-labelledby="why" className="mt-6">
        <h2 id="why" className="text-lg font-semibold">
          Why it came out so
        </h2>
        <p className="mt-1">It is simply a good loaf. Change nothing.</p>
      </section>
    );
  if (why[0]?.strength === "cannot tell") return <NobodyCanTell why={why} />;
  return (
    <section aria-labelledby="why" className="mt-6">
      <h2 id="why" className="text-lg font-semibold">
        Why it came out so
      </h2>
      <ol className="mt-1 divide-y divide-rule border-y border-rule">
        {why.map((w, n) => {
          const next = {
            bake,
            why: w,
            first: n === 0,
            kept: kept.includes(w.cause),
            keep: (on: boolean) => keep(on ? [...kept, w.cause] : kept.filter((c) => c !== w.cause)),
          };
          return (
            <li key={w.cause} className="py-3">
              <h3 className={n === 0 ? "text-xl font-bold" : "text-lg font-semibold"}>
                <span className="mr-3 text-base font-semibold text-soft">{strength[w.strength]}</span>
                <span className="inline-block first-letter:uppercase">{w.cause}</span>
              </h3>
              {w.for && <p>For it: {w.for.join("; ")}.</p>}
              {w.against && <p>Against it: {w.against.join("; ")}.</p>}
              {!w.for && !w.against && <p className="text-soft">The signs alone speak for it.</p>}
              {n > 0 && w.tell && <p className="text-soft">To tell it from the first: {w.tell}</p>}
              {w.step ? (
                <OtherAmount {...next} step={w.step} />
              ) : w.choice ? (
                <OtherSetting {...next} choice={w.choice} />
              ) : (
                n === 0 && <Say say={w.change} />
              )}
            </li>
          );
        })}
      </ol>
      <p role="status" className={kept.length > 1 ? "mt-1 border-l-4 border-rim pl-3" : "mt-1 text-sm text-soft"}>
        {kept.length > 1
          ? "Two changes at once: the next loaf cannot tell which of them helped. Undo one, unless you are sure of both."
          : "One change at a time: only so can the next loaf tell whether it helped."}
      </p>
    </section>
  );
}

/** Where nothing of this bake tells why: nothing is changed, and the one thing is named that would tell most next time. */
function NobodyCanTell({ why }: { why: Why[] }) {
  return (
    <section aria-labelledby="why" className="mt-6">
      <h2 id="why" className="text-lg font-semibold">
        Why it came out so
      </h2>
      <p className="mt-1 text-xl font-bold">This bake does not tell.</p>
      <p className="mt-1">
        Its signs fit several causes, and nothing that is known of it speaks for one of them: {why.map((w) => w.cause).join(", ")}. Change
        nothing, and bake it again as it is written.
      </p>
      {why[0]?.tell && (
        <p className="mt-2 border-l-4 border-rim pl-3">
          <b>Next time:</b> {why[0].tell}
        </p>
      )}
    </section>
  );
}

const Say = ({ say }: { say: string }) => (
  <p className="mt-1">
    <b>Next time:</b> {say}
  </p>
);

interface NextProps {
  bake: BakeView;
  why: Why;
  first: boolean; // the likeliest
  kept: boolean;
  keep: (on: boolean) => void;
}

/** One change with the button that keeps it, and the one that takes it back. */
function Next(props: {
  first: boolean;
  effect: string;
  from: React.ReactNode;
  to: string;
  kept: string | null; // what was kept, in words
  press: string;
  busy: boolean;
  take: () => void;
  undo: () => void;
  error: Error | null;
}) {
  const look = props.first ? "min-h-12 rounded-tray bg-rim px-6 font-bold text-on-rim" : "min-h-11 font-semibold text-rim underline";
  return (
    <div className="mt-1">
      {props.first && <Say say={props.effect} />}
      <p className="mt-2 flex flex-wrap items-center gap-x-4">
        <span className={`fraction font-bold ${props.first ? "text-lg" : ""}`} data-change>
          {props.from}
          <Arrow />
          {props.to}
        </span>
        {props.kept ? (
          <>
            <span role="status">{props.kept}</span>
            <Button disabled={props.busy} onClick={props.undo} look="text">
              Undo
            </Button>
          </>
        ) : (
          <button type="button" disabled={props.busy} onClick={props.take} className={look}>
            {props.press}
          </button>
        )}
      </p>
      <TroubleNote error={props.error} />
    </div>
  );
}

/** Another amount, kept as the recipe's next revision, and undone. */
function OtherAmount({ bake, why, first, kept, keep, step }: NextProps & { step: NonNullable<Why["step"]> }) {
  const recipe = useRecipe(bake.recipeId);
  const revision = recipe.data?.revision ?? 0;
  const teach = useTeach(bake.recipeId, revision);
  const undo = useUndoRecipe(bake.recipeId);
  return (
    <Next
      first={first}
      effect={step.effect}
      from={`${step.name} ${step.from}`}
      to={step.to}
      kept={kept ? "Saved as a new version of the recipe." : null}
      press="Use this amount next time"
      busy={teach.isPending || undo.isPending || !recipe.data}
      take={() => teach.mutate({ line: step.line, amount: step.to, cause: why.cause, signs: why.signs }, { onSuccess: () => keep(true) })}
      undo={() => undo.mutate(revision, { onSuccess: () => keep(false) })}
      error={teach.error ?? undo.error}
    />
  );
}

/** Another cycle or crust, kept as the baker's own for this recipe on this machine. */
function OtherSetting({ bake, first, kept, keep, choice }: NextProps & { choice: NonNullable<Why["choice"]> }) {
  const set = useSetHabit();
  const of = { recipe: bake.recipeId, machine: choice.machine };
  return (
    <Next
      first={first}
      effect={choice.effect}
      from={choice.from}
      to={choice.to}
      kept={kept ? "Saved for this recipe and machine." : null}
      press="Set it so next time"
      busy={set.isPending}
      take={() => set.mutate({ ...of, ...choice.becomes }, { onSuccess: () => keep(true) })}
      undo={() => set.mutate({ ...of, ...choice.was }, { onSuccess: () => keep(false) })}
      error={set.error}
    />
  );
}

import type { RecipeRead } from "../client/types.gen";

/** The lines of a recipe as they were understood, with what is guessed or questioned. */
export function ReadLines({ read }: { read: RecipeRead }) {
  return (
    <>
      <ul className="mt-1 divide-y divide-rule border-y border-rule">
        {read.lines.map((l, n) => (
          <li key={n} className="grid grid-cols-[8rem_1fr_auto] items-baseline gap-3 py-1.5">
            <span className="fraction text-lg font-semibold">{l.amount}</span>
            <span>
              <b>{l.name}</b>
              {l.or?.map((o) => ` or ${o}`)}
              <span className="text-sm text-soft">
                {l.optional && " · optional"}
                {l.atBeep && " · at the beep"}
                {l.part && ` · ${l.part}`}
              </span>
              {l.like && <span className="block text-sm text-soft">guessed: taken to be like {l.like}</span>}
            </span>
            <span className="figures text-sm text-soft">{l.grams.toFixed(l.grams < 10 ? 1 : 0)} g</span>
          </li>
        ))}
      </ul>
      <p className="mt-2">
        <span className="fraction font-semibold">{read.recipe.size}</span>
        {read.inferred && " by its flour"} · {Math.round(read.formula.flour)} g flour · water {read.formula.hydration.toFixed(0)}, salt{" "}
        {read.formula.salt.toFixed(1)}, yeast {read.formula.yeast.toFixed(1)} per 100
      </p>
      {read.question && (
        <p className="mt-1 border-l-4 border-rim pl-3">
          Called {read.recipe.size}, but it has flour for {read.question}. Check which is right.
        </p>
      )}
    </>
  );
}

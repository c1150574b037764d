import { Button, PressLink } from "../parts/Button";
import { useState } from "react";
import { usePutAway } from "../client/house";
import { useAllRecipes, useUndoRecipe } from "../client/recipes";
import type { RecipeOnShelf } from "../client/types.gen";
import { More } from "../parts/More";
import { Samples } from "../parts/Samples";
import { said } from "../parts/said";
import { asked } from "../parts/asked";
import { Find } from "../parts/Find";
import { TroubleNote } from "../parts/Trouble";
import { useSettled } from "../parts/settled";

/** All recipes on the shelf: plan one, change one, put one away, write a new one. */
export default function RecipesScreen() {
  const [words, look] = useState(() => asked("find"));
  const [kind, setKind] = useState("");
  const [away, setAway] = useState(false);
  const recipes = useAllRecipes({ find: useSettled(words.trim()), kind, away });
  const all = recipes.data?.pages.flatMap((p) => p.recipes) ?? [];
  return (
    <div className="w-full px-6 py-4">
      <header className="flex flex-wrap items-center justify-between gap-4">
        <h1 className="text-xl font-bold">{away ? "Archived recipes" : "Recipes"}</h1>
        <Find words={words} look={look} among="name or ingredient" kind={kind} pick={setKind} />
        <Button onClick={() => setAway(!away)} look="text" className="content-center">
          {away ? "Current recipes" : "Archived recipes"}
        </Button>
        <PressLink to="/bags">Ready-mix bags</PressLink>
        <PressLink to="/bring">Import</PressLink>
        <PressLink to="/recipes/new" look="filled" size="medium">
          Write a new one
        </PressLink>
      </header>
      {!away && <Samples />}
      <TroubleNote error={recipes.error} />
      {!recipes.data && !recipes.error && <p className="mt-4 text-lg text-soft">Loading recipes …</p>}
      {recipes.data && all.length === 0 && (
        <p role="status" className="mt-4 text-lg text-soft">
          {none(words, kind, away)}
        </p>
      )}
      <ul className="mt-2 divide-y divide-rule border-y border-rule">
        {all.map((r) => (
          <Row key={r.id} recipe={r} />
        ))}
      </ul>
      <More pages={recipes} what="more recipes" />
    </div>
  );
}

function none(words: string, kind: string, away: boolean): string {
  const where = away ? "in the archive" : "on the shelf";
  if (words.trim()) return `No ${kind || ""} recipe ${where} has “${words.trim()}” in its name or among its ingredients.`;
  if (kind) return `No ${kind} recipe ${where}.`;
  return away ? "No archived recipes." : "No recipe yet. Copy one from a card or a page; Rise Pan reads it.";
}

function Row({ recipe }: { recipe: RecipeOnShelf }) {
  const put = usePutAway(`/recipes/${recipe.id}`);
  const of = <span className="sr-only">: {recipe.name}</span>;
  return (
    <li className="grid items-baseline gap-x-6 py-3 md:max-lg:grid-cols-2 lg:grid-cols-[minmax(0,18rem)_minmax(0,1fr)_auto]">
      <p className="min-w-0 text-lg leading-6 font-semibold wrap-anywhere">
        {recipe.name}
        <span className="block text-sm font-normal text-soft">
          {said(recipe.kind)} · written for <span className="fraction">{recipe.size}</span> · version {recipe.revision}
        </span>
      </p>
      <p className="min-w-0 wrap-anywhere">{recipe.note}</p>
      <p className="flex min-w-0 flex-wrap gap-x-4 font-semibold md:max-lg:col-span-2">
        {!recipe.putAway && <PressLink to={`/?recipe=${recipe.id}`}>Plan{of}</PressLink>}
        {!recipe.putAway && recipe.revision > 1 && <UndoChange recipe={recipe} />}
        <PressLink to={`/recipes/${recipe.id}/story`}>Its story{of}</PressLink>
        <PressLink to={`/recipes/${recipe.id}`}>Edit{of}</PressLink>
        <Button disabled={put.isPending} onClick={() => put.mutate(!recipe.putAway)} look="text" className="content-center">
          {recipe.putAway ? "Restore" : "Archive"}
          {of}
        </Button>
      </p>
      <TroubleNote error={put.error} />
    </li>
  );
}

/** Brings the revision before the newest back; pressed again, it undoes that too. */
function UndoChange({ recipe }: { recipe: RecipeOnShelf }) {
  const undo = useUndoRecipe(recipe.id);
  return (
    <>
      <Button disabled={undo.isPending} onClick={() => undo.mutate(recipe.revision)} look="text" className="content-center">
        {undo.isPending ? "Undoing …" : "Undo the last change"}
        <span className="sr-only">: {recipe.name}</span>
      </Button>
      <TroubleNote error={undo.error} />
    </>
  );
}

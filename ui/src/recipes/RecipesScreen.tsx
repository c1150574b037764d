import { useState } from "react";
import { Link } from "react-router";
import { useAllRecipes, usePutAway, useUndoRecipe } from "../client/queries";
import type { RecipeOnShelf } from "../client/types.gen";
import { More } from "../parts/More";
import { TroubleNote } from "../parts/Trouble";
import { useSettled } from "../parts/settled";

const link = "min-h-11 content-center text-rim underline";

/** All recipes on the shelf: plan one, change one, put one away, write a new one. */
export default function RecipesScreen() {
  const [name, look] = useState("");
  const [away, setAway] = useState(false);
  const recipes = useAllRecipes({ name: useSettled(name.trim()), away });
  const all = recipes.data?.pages.flatMap((p) => p.recipes) ?? [];
  return (
    <div className="w-full px-6 py-4">
      <header className="flex flex-wrap items-center justify-between gap-4">
        <h1 className="text-xl font-bold">{away ? "Recipes put away" : "Recipes"}</h1>
        <label className="flex min-h-12 items-center gap-2 font-semibold">
          Find
          <input
            type="search"
            value={name}
            onChange={(e) => look(e.target.value)}
            maxLength={120}
            className="h-11 w-56 rounded-tray border-2 border-rim bg-enamel px-3 text-lg"
          />
        </label>
        <button type="button" onClick={() => setAway(!away)} className={link}>
          {away ? "Those on the shelf" : "Those put away"}
        </button>
        <Link to="/recipes/new" className="grid min-h-12 place-items-center rounded-tray bg-rim px-6 font-semibold text-on-rim">
          Write a new one
        </Link>
      </header>
      <TroubleNote error={recipes.error} />
      {!recipes.data && !recipes.error && <p className="mt-4 text-lg text-soft">Looking on the shelf …</p>}
      {recipes.data && all.length === 0 && (
        <p role="status" className="mt-4 text-lg text-soft">
          {none(name, away)}
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

function none(name: string, away: boolean): string {
  if (name.trim()) return `No recipe ${away ? "that was put away" : "on the shelf"} has “${name.trim()}” in its name.`;
  return away ? "No recipe was put away." : "No recipe yet. Copy one from a card or a page; Rise Pan reads it.";
}

function Row({ recipe }: { recipe: RecipeOnShelf }) {
  const put = usePutAway(`/recipes/${recipe.id}`);
  const of = <span className="sr-only">: {recipe.name}</span>;
  return (
    <li className="grid items-baseline gap-x-6 py-3 md:grid-cols-[18rem_1fr_auto]">
      <p className="text-lg leading-6 font-semibold">
        {recipe.name}
        <span className="block text-sm font-normal text-soft">
          {recipe.kind} · written for <span className="fraction">{recipe.size}</span> · revision {recipe.revision}
        </span>
      </p>
      <p>{recipe.note}</p>
      <p className="flex flex-wrap gap-x-4 font-semibold">
        {!recipe.putAway && (
          <Link to={`/?recipe=${recipe.id}`} className={link}>
            Plan it{of}
          </Link>
        )}
        {!recipe.putAway && recipe.revision > 1 && <UndoChange recipe={recipe} />}
        <Link to={`/recipes/${recipe.id}`} className={link}>
          Change it{of}
        </Link>
        <button type="button" disabled={put.isPending} onClick={() => put.mutate(!recipe.putAway)} className={link}>
          {recipe.putAway ? "Bring it back" : "Put it away"}
          {of}
        </button>
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
      <button type="button" disabled={undo.isPending} onClick={() => undo.mutate(recipe.revision)} className={link}>
        {undo.isPending ? "Undoing …" : "Undo the last change"}
        <span className="sr-only">: {recipe.name}</span>
      </button>
      <TroubleNote error={undo.error} />
    </>
  );
}

import { Link } from "react-router";
import { useShelf, useUndoRecipe } from "../client/queries";
import type { RecipeOnShelf } from "../client/types.gen";
import { TroubleNote } from "../parts/Trouble";

/** All recipes on the shelf: plan one, change one, write a new one. */
export default function RecipesScreen() {
  const shelf = useShelf();
  if (shelf.error && !shelf.data) return <div className="p-8"><TroubleNote error={shelf.error} /></div>;
  if (!shelf.data) return <p className="p-8 text-lg text-soft">Looking on the shelf …</p>;
  return (
    <div className="w-full px-6 py-4">
      <header className="flex flex-wrap items-center justify-between gap-4">
        <h1 className="text-xl font-bold">Recipes</h1>
        <Link to="/recipes/new" className="grid min-h-12 place-items-center rounded-tray bg-rim px-6 font-semibold text-on-rim">Write a new one</Link>
      </header>
      {shelf.data.recipes.length === 0 && <p className="mt-4 text-lg text-soft">No recipe yet. Copy one from a card or a page; Rise Pan reads it.</p>}
      <ul className="mt-2 divide-y divide-rule border-y border-rule">
        {shelf.data.recipes.map((r) => (
          <li key={r.id} className="grid items-baseline gap-x-6 py-3 md:grid-cols-[18rem_1fr_auto]">
            <p className="text-lg leading-6 font-semibold">
              {r.name}
              <span className="block text-sm font-normal text-soft">{r.kind} · written for <span className="fraction">{r.size}</span> · revision {r.revision}</span>
            </p>
            <p>{r.note}</p>
            <p className="flex gap-4 font-semibold">
              <Link to={`/?recipe=${r.id}`} className="min-h-11 content-center text-rim underline">Plan it<span className="sr-only">: {r.name}</span></Link>
              {r.revision > 1 && <UndoChange recipe={r} />}
              <Link to={`/recipes/${r.id}`} className="min-h-11 content-center text-rim underline">Change it<span className="sr-only">: {r.name}</span></Link>
            </p>
          </li>
        ))}
      </ul>
    </div>
  );
}

/** Brings the revision before the newest back; pressed again, it undoes that too. */
function UndoChange({ recipe }: { recipe: RecipeOnShelf }) {
  const undo = useUndoRecipe(recipe.id);
  return (
    <>
      <button type="button" disabled={undo.isPending} onClick={() => undo.mutate(recipe.revision)} className="min-h-11 text-rim underline">
        {undo.isPending ? "Undoing …" : "Undo the last change"}<span className="sr-only">: {recipe.name}</span>
      </button>
      <TroubleNote error={undo.error} />
    </>
  );
}

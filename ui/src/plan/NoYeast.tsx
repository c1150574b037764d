import type { RecipeOnShelf } from "../client/types.gen";
import { type Change, forThisLoaf } from "./wish";

/** Without yeast in the house: loaves that need none. */
export default function NoYeast({ recipes, change }: { recipes: RecipeOnShelf[]; change: (change: Change) => void }) {
  return (
    <div className="mt-2 border-l-4 border-rim pl-3 text-sm">
      <p>Loaves that need no yeast:</p>
      {recipes.map((r) => (
        <button
          key={r.id}
          type="button"
          onClick={() => change({ ...forThisLoaf, recipe: r.id })}
          className="mt-1 mr-2 min-h-9 rounded-tray border-2 border-rim px-3 font-semibold text-rim hover:bg-shelf"
        >
          {r.name}
        </button>
      ))}
    </div>
  );
}

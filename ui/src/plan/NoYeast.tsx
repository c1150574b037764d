import { Button } from "../parts/Button";
import type { RecipeOnShelf } from "../client/types.gen";
import { type Change, forThisLoaf } from "./wish";

/** Without yeast in the house: loaves that need none. */
export default function NoYeast({ recipes, change }: { recipes: RecipeOnShelf[]; change: (change: Change) => void }) {
  return (
    <div className="mt-2 border-l-4 border-rim pl-3 text-sm">
      <p>Loaves that need no yeast:</p>
      {recipes.map((r) => (
        <Button key={r.id} onClick={() => change({ ...forThisLoaf, recipe: r.id })} size="small" className="mt-1 mr-2">
          {r.name}
        </Button>
      ))}
    </div>
  );
}

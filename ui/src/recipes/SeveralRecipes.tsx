import type { RecipePasted } from "../client/types.gen";
import { Button } from "../parts/Button";

interface Props {
  found: readonly RecipePasted[]; // in the text that stands there
  rest: readonly RecipePasted[]; // of an earlier paste, still to come
  take: (one: RecipePasted, others: RecipePasted[]) => void;
  leave: () => void;
}

/** A paste that holds several recipes: they are read one by one, each saved or left. */
export function SeveralRecipes({ found, rest, take, leave }: Props) {
  const all = found.length > 0 ? found : rest;
  if (all.length === 0) return null;
  return (
    <section aria-label="Several recipes" className="mb-3 rounded-tray border-2 border-rim px-4 py-2">
      <p className="font-semibold">
        {found.length > 0 ? `There are ${found.length} recipes in this text. Read them one by one:` : "Still to come from your text:"}
      </p>
      <p className="mt-2 flex flex-wrap gap-2">
        {all.map((one) => (
          <Button
            key={one.text}
            onClick={() =>
              take(
                one,
                all.filter((o) => o !== one),
              )
            }
          >
            Read “{one.name}”
          </Button>
        ))}
        {found.length === 0 && (
          <Button onClick={leave} look="text">
            Leave the rest
          </Button>
        )}
      </p>
    </section>
  );
}

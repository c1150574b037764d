import { Button } from "../parts/Button";
import { useSettleRecipe } from "../client/recipes";
import type { RecipeText } from "../client/types.gen";
import { TroubleNote } from "../parts/Trouble";

interface Props {
  id: string;
  mine: RecipeText;
  theirs: number; // the revision that another device has kept meanwhile
  done: (leave: boolean) => void; // leave: it is kept; else the card is begun anew
}

/** A recipe that was changed on another device while it was being changed here: whose counts. Nothing of either is lost
    but what is let go here. */
export function Meanwhile({ id, mine, theirs, done }: Props) {
  const settle = useSettleRecipe(id, theirs, () => done(true));
  const busy = settle.isPending;
  return (
    <section aria-labelledby="meanwhile" className="mt-6 rounded-tray border-4 border-signal p-4" data-meanwhile>
      <h3 id="meanwhile" className="text-lg font-bold">
        Changed meanwhile on another device
      </h3>
      <p>Version {theirs} was saved there while you were writing here.</p>
      <p className="mt-3 flex flex-wrap gap-3">
        <Button disabled={busy} onClick={() => done(false)} size="medium" className="text-left">
          Take theirs; let mine go
        </Button>
        <Button disabled={busy} onClick={() => settle.mutate({ mine, onTop: true })} size="medium" className="text-left">
          Use mine; theirs stays as the version before
        </Button>
        <Button disabled={busy} onClick={() => settle.mutate({ mine, onTop: false })} size="medium" className="text-left">
          Use theirs; mine stays as the version before
        </Button>
      </p>
      <TroubleNote error={settle.error} />
    </section>
  );
}

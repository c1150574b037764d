import { Undo2 } from "lucide-react";
import { Trouble } from "../client/api";
import { useChangeKitchen, useShelf } from "../client/queries";
import type { Kitchen } from "../client/types.gen";
import { TroubleNote } from "../parts/Trouble";
import { Choices } from "./Choices";
import { Measures } from "./Measures";
import { OwnFacts } from "./OwnFacts";
import { Preferences } from "./Preferences";

/** What this household owns and prefers. Every change is kept at once and shows on the plan. */
export default function KitchenScreen() {
  const shelf = useShelf();
  const { change, undo } = useChangeKitchen();
  if (shelf.error && !shelf.data) return <div className="p-8"><TroubleNote error={shelf.error} /></div>;
  if (!shelf.data) return <p className="p-8 text-lg text-soft">Opening the cupboard …</p>;
  const { kitchen, version } = shelf.data;
  const set = (part: Partial<Kitchen>) => change.mutate({ ...kitchen, ...part });
  const busy = change.isPending || undo.isPending;
  const fault = change.error instanceof Trouble ? change.error.problem : undefined;
  return (
    <div className="w-full px-6 py-4">
      <header className="flex min-h-12 flex-wrap items-center gap-x-6">
        <h1 className="text-xl font-bold">{kitchen.name}</h1>
        <p role="status" className="text-soft">{busy ? "Writing it down …" : version > 1 ? "Kept." : ""}</p>
        {version > 1 && (
          <button type="button" onClick={() => undo.mutate()} disabled={busy} className="flex min-h-11 items-center gap-2 font-semibold text-rim underline">
            <Undo2 size={20} aria-hidden="true" />Undo the last change
          </button>
        )}
      </header>
      {fault && <div className="my-2"><TroubleNote error={change.error} /></div>}
      <TroubleNote error={undo.error} />
      <div className="grid gap-x-10 gap-y-6 lg:grid-cols-[3fr_2fr]">
        <div className="space-y-6">
          <Measures kitchen={kitchen} set={set} />
          <Preferences kitchen={kitchen} set={set} />
          <OwnFacts kitchen={kitchen} set={set} />
        </div>
        <div className="space-y-5">
          <Choices
            label="How do you measure?" value={kitchen.scale ? "scale" : "scoops"} pick={(v) => set({ scale: v === "scale" })}
            choices={[["scoops", "By cups and spoons", "Grams stand beside them."], ["scale", "On a scale", "Grams for every line, and what a scale under the pan shows."]]}
          />
          <Choices
            label="Weights" value={kitchen.weights} pick={(weights) => set({ weights })}
            choices={[["grams", "Grams", "To 1 g; yeast and salt to 0.1 g."], ["ounces", "Ounces", "To 0.05 oz; yeast and salt finer."]]}
          />
          <Choices
            label="Eggs" value={kitchen.eggs} pick={(eggs) => set({ eggs })}
            choices={[["whole", "Whole", "The nearest whole number; the liquid makes up for the rest."], ["part", "Part eggs", "Beaten, and a part used."]]}
          />
          <Choices
            label="Size of your eggs" value={kitchen.eggSize} pick={(eggSize) => set({ eggSize })}
            choices={[["medium", "Medium", "44 g"], ["large", "Large", "50 g"], ["extra large", "Extra large", "56 g"]]}
          />
          <Choices
            label="Yeast in another size" value={kitchen.yeast} pick={(yeast) => set({ yeast })}
            choices={[["eased", "Eased", "A big dough stays warmer: less than in proportion."], ["straight", "Straight", "In proportion to the flour."]]}
          />
          <Choices
            label="Salt" value={kitchen.salt} pick={(salt) => set({ salt })}
            choices={[["booklet", "As booklets have it", "Holds the yeast back and guards against overflow."], ["reduced", "Reduced", "Rises faster: cut the yeast or watch it."]]}
          />
        </div>
      </div>
    </div>
  );
}

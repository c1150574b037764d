import { Button } from "../parts/Button";
import { useState } from "react";
import { useLarder } from "../client/house";
import type { LineText, ReadLine } from "../client/types.gen";
import { IngredientPicker } from "../parts/IngredientPicker";
import { Segments } from "../parts/Segments";
import { Sheet } from "../parts/Sheet";
import { box } from "../parts/Typed";
import { lineText } from "./lineText";
import { warmth } from "../parts/figures";

interface Props {
  line: ReadLine;
  number: number; // of the line, from 0
  keep: (line: LineText | null) => void; // null: it is taken out
  move: (by: number) => void;
  ask: () => void;
  close: () => void;
}

const moments = [
  { value: "", label: "With the rest" },
  { value: "beep", label: "At the beep" },
  { value: "first knead", label: "First knead" },
  { value: "warmed first", label: "Warmed first" },
] as const;
const parts = [
  { value: "", label: "Dough" },
  { value: "filling", label: "Filling" },
  { value: "glaze", label: "Glaze" },
  { value: "topping", label: "Topping" },
] as const;

const field = `${box} mt-1 block h-12 w-full text-lg`;

/** One line of a recipe, field by field. */
export function LineSheet({ line, number, keep, move, ask, close }: Props) {
  const [draft, write] = useState<LineText>(lineText(line, number));
  const change = (part: Partial<LineText>) => write({ ...draft, ...part });
  const larder = useLarder().data?.ingredients ?? [];
  const choices = draft.or ?? [];
  return (
    <Sheet title={line.name} close={close}>
      <p className="text-soft">The card says “{line.written}”.</p>
      <div className="mt-3 grid grid-cols-[10rem_1fr] gap-3">
        <label className="font-semibold">
          Amount
          <input
            value={draft.amount}
            onChange={(e) => change({ amount: e.target.value })}
            placeholder="1 1/2 cups"
            className={`${field} figures`}
          />
        </label>
        <div className="font-semibold">
          Ingredient: {draft.name}
          <div className="mt-1 font-normal">
            <IngredientPicker label="Another ingredient" ingredients={larder} pick={(i) => change({ name: i.name })} />
          </div>
        </div>
      </div>
      <p className="mt-3 mb-1 font-semibold">It goes in</p>
      <Segments
        label="When to add it"
        value={draft.when ?? ""}
        pick={(when) => change({ when: when || undefined })}
        className="min-h-12 flex-1 content-center px-2 text-center"
        segments={moments.map((m) => ({ ...m, show: m.label }))}
      />
      <p className="mt-3 mb-1 font-semibold">It belongs to</p>
      <Segments
        label="The part that it belongs to"
        value={draft.part ?? ""}
        pick={(part) => change({ part: part || undefined })}
        className="min-h-12 flex-1 content-center px-2 text-center"
        segments={parts.map((m) => ({ ...m, show: m.label }))}
      />
      <p className="mt-3 font-semibold">{choices.length > 0 ? `Or: ${choices.join(", ")}` : "No alternatives"}</p>
      <div className="mt-1 flex flex-wrap items-center gap-2">
        <IngredientPicker label="Add a choice" ingredients={larder} pick={(i) => change({ or: [...choices, i.name] })} />
        {choices.length > 0 && (
          <Button onClick={() => change({ or: undefined })} size="medium">
            No choice
          </Button>
        )}
      </div>
      <label className="mt-3 block font-semibold">
        Note
        <input
          value={draft.note ?? ""}
          onChange={(e) => change({ note: e.target.value || undefined })}
          placeholder={`softened, at ${warmth(30)} …`}
          className={field}
        />
      </label>
      <label className="mt-2 flex min-h-11 items-center gap-3 font-semibold">
        <input
          type="checkbox"
          checked={draft.optional ?? false}
          onChange={(e) => change({ optional: e.target.checked || undefined })}
          className="size-6 accent-(--rim)"
        />
        Optional
      </label>
      <div className="mt-4 flex flex-wrap gap-2">
        <Button onClick={() => keep(draft)} look="filled" size="medium">
          Apply
        </Button>
        <Button onClick={() => move(-1)} size="medium">
          Move up
        </Button>
        <Button onClick={() => move(1)} size="medium">
          Move down
        </Button>
        <Button onClick={() => keep(null)} size="medium">
          Remove line
        </Button>
        {line.named && (
          <Button onClick={ask} size="medium">
            “{line.named}” means something else
          </Button>
        )}
        <Button onClick={close} size="medium">
          No change
        </Button>
      </div>
    </Sheet>
  );
}

import { Button } from "../parts/Button";
import { Field, Label, Switch } from "@headlessui/react";
import { useState } from "react";
import { useLarder } from "../client/house";
import { useAnswerName } from "../client/recipes";
import type { LarderAnswer, PlanNamed } from "../client/types.gen";
import { IngredientPicker } from "../parts/IngredientPicker";
import { Sheet } from "../parts/Sheet";
import { TroubleNote } from "../parts/Trouble";
import { between, box, Typed } from "../parts/Typed";
import { Picker } from "../parts/Picker";
import { inGrams, scale, upTo } from "../parts/figures";

interface Props {
  name: string; // as the card has it
  is?: string; // what it is taken for
  near?: PlanNamed[]; // what may be meant
  close: () => void;
}

type Allergen = NonNullable<LarderAnswer["allergens"]>[number];

/** Asks once what a name means; the answer is kept for the kitchen. */
export default function NameSheet({ name, is, near = [], close }: Props) {
  const larder = useLarder().data;
  const tell = useAnswerName();
  const answer = (body: { is?: string; answer?: LarderAnswer }) => tell.mutate({ name, ...body }, { onSuccess: close });
  return (
    <Sheet title={<>What is “{name}”?</>} close={close}>
      {is && <p className="text-soft">It is taken for {is}. Your answer holds for this spelling from now on.</p>}
      {near.length > 0 && (
        <div className="mt-4 flex flex-wrap items-center gap-2">
          <p className="text-lg">Did you mean</p>
          {near.map((n) => (
            <Button key={n.id} onClick={() => answer({ is: n.id })} look="filled" size="medium" className="text-lg">
              {n.name}
            </Button>
          ))}
        </div>
      )}
      <div className="mt-4">
        <p className="font-semibold">It is in the larder</p>
        <IngredientPicker
          label="Find it in the larder"
          ingredients={larder?.ingredients ?? []}
          pick={(i) => answer({ is: i.id })}
          placeholder="type a name"
        />
      </div>
      <SomethingElse
        likenesses={larder?.likenesses ?? []}
        allergens={larder?.allergens ?? []}
        tell={(a) => answer({ answer: a })}
        busy={tell.isPending}
        close={close}
      />
      <div className="mt-3">
        <TroubleNote error={tell.error} />
      </div>
    </Sheet>
  );
}

interface ElseProps {
  likenesses: PlanNamed[];
  allergens: Allergen[];
  tell: (answer: LarderAnswer) => void;
  busy: boolean;
  close: () => void;
}

/** An ingredient of the household's own: what it is like, whether it keeps, what it contains. */
function SomethingElse({ likenesses, allergens, tell, busy, close }: ElseProps) {
  const [like, liken] = useState("");
  const [keeps, setKeeps] = useState(false);
  const [holds, hold] = useState<Allergen[]>([]);
  const [perCup, weigh] = useState(0);
  const { unit, g } = scale();
  return (
    <fieldset className="mt-3 min-w-0 border-t-2 border-rule pt-3">
      <legend className="pr-2 font-semibold">It is something else</legend>
      <div className="flex flex-wrap items-center gap-x-4">
        <span>It behaves like</span>
        <Picker
          label="It behaves like"
          value={like}
          choices={[{ id: "", name: "choose …" }, ...likenesses.map((l) => ({ id: l.id, name: l.name }))]}
          pick={liken}
        />
      </div>
      <Field className="flex min-h-11 items-center gap-3">
        <Switch
          checked={keeps}
          onChange={setKeeps}
          className="group relative h-8 w-14 rounded-full border-2 border-rim bg-enamel data-checked:bg-rim"
        >
          <span className="absolute top-1 left-1 size-5 rounded-full bg-rim group-data-checked:left-7 group-data-checked:bg-on-rim" />
        </Switch>
        <Label>Safe for hours at room temperature</Label>
      </Field>
      <p className="mt-1">It contains</p>
      <div className="flex flex-wrap gap-2">
        {allergens.map((a) => (
          <label
            key={a}
            className="flex min-h-11 cursor-pointer items-center gap-2 rounded-tray border-2 border-rule px-2 has-checked:border-rim"
          >
            <input
              type="checkbox"
              checked={holds.includes(a)}
              onChange={() => hold(holds.includes(a) ? holds.filter((h) => h !== a) : [...holds, a])}
              className="size-5 accent-(--rim)"
            />
            {a}
          </label>
        ))}
      </div>
      <label className="mt-2 flex items-center gap-3">
        Weight of one US cup
        <Typed
          value={perCup}
          show={(grams) => (grams > 0 ? upTo(grams / g, 2) : "")}
          parse={(text) => (text.trim() === "" ? 0 : inGrams(between(1, Math.floor(1000 / g))(text)))}
          keep={(n, kept) => {
            weigh(n);
            kept();
          }}
          say={`1 to ${Math.floor(1000 / g)} ${unit}, or nothing`}
          placeholder="if you know"
          mode="decimal"
          live
          className={`${box} figures h-11 w-32 text-lg`}
        />
        {unit}
      </label>
      <div className="mt-3 flex flex-wrap gap-2">
        <Button
          disabled={busy || !like}
          onClick={() => tell({ like, keeps, allergens: holds, ...(perCup > 0 && { perCup }) })}
          look="filled"
          size="medium"
        >
          {busy ? "Saving …" : "Save"}
        </Button>
        <Button onClick={close} size="medium">
          Not now
        </Button>
      </div>
    </fieldset>
  );
}

import { Button } from "../parts/Button";
import { X } from "lucide-react";
import { useState } from "react";
import { useLarder } from "../client/house";
import type { CupKnown, Kitchen, LarderCup, Problem } from "../client/types.gen";
import { LarderFilling } from "../client/words.gen";
import { IngredientPicker } from "../parts/IngredientPicker";
import { Segments } from "../parts/Segments";
import { readNumber } from "../parts/Typed";
import { fieldLook, type SetKitchen } from "./set";
import { inGrams, scale, upTo, weight } from "../parts/figures";

interface Props {
  kitchen: Kitchen;
  known: CupKnown[];
  set: SetKitchen;
  fault: Problem | undefined;
}

const fullCup = { us: "1 cup", metric: "1 metric cup", australian: "1 metric cup", imperial: "1 metric cup" } as const;

/** The household's own cup of each flour: how it is filled, and what it weighed. */
export function OwnCups({ kitchen, known, set, fault }: Props) {
  const larder = useLarder().data?.ingredients ?? [];
  const cups = kitchen.cups ?? [];
  const open = larder.filter((i) => i.kind === "flour" && !cups.some((c) => c.flour === i.id));
  const replace = (n: number, cup: LarderCup, kept?: () => void) => set({ cups: cups.map((c, m) => (m === n ? cup : c)) }, kept);
  return (
    <section aria-labelledby="cups">
      <h2 id="cups" className="text-sm font-semibold text-soft">
        Your own cup of flour
      </h2>
      <p className="text-sm">
        A cup of flour is the largest doubt in a loaf: {weight(110)} sifted, {weight(150)} scooped. Fill a cup as you always do, level it
        and weigh what is in it; three times or more.
      </p>
      <ul className="mt-2 divide-y divide-rule border-y border-rule">
        {cups.map((cup, n) => (
          <OwnCup
            key={cup.flour}
            cup={cup}
            known={known.find((k) => k.flour === cup.flour)}
            fault={fault?.pointer?.startsWith(`/cups/${n}`) ? fault.detail : undefined}
            keep={(next, kept) => replace(n, next, kept)}
            forget={() => set({ cups: cups.filter((c) => c !== cup) })}
          />
        ))}
      </ul>
      {open.length > 0 && (
        <IngredientPicker
          label="Weigh a cup of flour"
          ingredients={open}
          placeholder="weigh a cup of …"
          pick={(i) => set({ cups: [...cups, { flour: i.id, filling: "spooned", measure: fullCup[kitchen.standard] }] })}
        />
      )}
    </section>
  );
}

const fillings: Record<LarderFilling, string> = {
  sifted: "Sifted in",
  sprinkled: "Fluffed, sprinkled",
  spooned: "Spooned in",
  heaped: "Heaped, levelled",
  scooped: "Scooped",
};

interface CupProps {
  cup: LarderCup;
  known: CupKnown | undefined;
  fault: string | undefined;
  keep: (cup: LarderCup, kept?: () => void) => void;
  forget: () => void;
}

function OwnCup({ cup, known, fault, keep, forget }: CupProps) {
  const [typed, setTyped] = useState("");
  const { unit, name: unitName, g } = scale();
  const weighings = cup.weighings ?? [];
  const name = known?.name ?? cup.flour;
  const add = () => {
    const grams = inGrams(readNumber(typed));
    if (grams !== null && grams > 0) keep({ ...cup, weighings: [...weighings, grams] }, () => setTyped(""));
  };
  return (
    <li className="py-3" data-cup={cup.flour}>
      <div className="flex items-center gap-4">
        <h3 className="text-lg font-bold">{name}</h3>
        <p className="text-soft">
          by <span className="fraction">{cup.measure.replace("metric ", "")}</span>
        </p>
        <button
          type="button"
          aria-label={`Forget the cup of ${name}`}
          onClick={forget}
          className="ml-auto grid size-11 place-items-center text-rim"
        >
          <X size={20} aria-hidden="true" />
        </button>
      </div>
      <div className="mt-1">
        <Segments
          look="apart"
          className="min-h-11 px-3 font-semibold"
          label={`How you fill a cup of ${name}`}
          value={cup.filling}
          pick={(filling) => keep({ ...cup, filling })}
          segments={LarderFilling.map((value) => ({ value, label: fillings[value], show: fillings[value] }))}
        />
      </div>
      <ul className="mt-2 flex flex-wrap items-center gap-2">
        {weighings.map((grams, n) => {
          const odd = known?.outliers?.includes(n);
          return (
            <li
              key={n}
              className={`flex min-h-11 items-center rounded-tray border-2 pl-3 ${odd ? "border-dashed border-rim" : "border-rule"}`}
            >
              <span className="figures font-bold">{weight(grams)}</span>
              {odd && <span className="ml-2 text-sm">Very different – check the weighing</span>}
              <button
                type="button"
                aria-label={`Remove the weighing of ${weight(grams)}`}
                onClick={() => keep({ ...cup, weighings: weighings.filter((_, m) => m !== n) })}
                className="grid size-11 place-items-center text-rim"
              >
                <X size={18} aria-hidden="true" />
              </button>
            </li>
          );
        })}
        <li className="flex items-center gap-2">
          <input
            value={typed}
            onChange={(e) => setTyped(e.target.value)}
            onKeyDown={(e) => e.key === "Enter" && add()}
            inputMode="decimal"
            placeholder={upTo(125 / g, 1)}
            aria-label={`A weighing of ${name}, in ${unitName}`}
            aria-invalid={!!fault}
            className={`${fieldLook} w-20 text-right text-lg font-bold`}
          />
          {unit}
          <Button onClick={add}>Add weighing</Button>
        </li>
      </ul>
      <p role="status" className="text-sm text-signal">
        {fault}
      </p>
      {known && (
        <p className="mt-1 text-sm">
          {known.enough ? (
            <>
              A cup of it is <b className="figures">{weight(known.mean)}</b>, give or take{" "}
              <b className="figures">{weight(Math.max(known.spread, 1))}</b>, from {known.weighed} weighings. Plans reckon with it.
            </>
          ) : (
            <>
              Until it is weighed {known.stillNeed === 3 ? "three times" : known.stillNeed === 2 ? "twice more" : "once more"}, plans reckon
              with <b className="figures">{weight(known.perCup)}</b> to the US cup, by how you fill it.
            </>
          )}
        </p>
      )}
    </li>
  );
}

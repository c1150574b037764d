import { Button } from "../parts/Button";
import { useChangeKitchen, useShelf } from "../client/queries";
import type { PlanAnswer, Wish } from "../client/types.gen";
import { Picker } from "../parts/Picker";
import { PanFatPlace, PanOrder, PanSaltPlace, PanYeastPlace } from "../client/words.gen";
import { type Change } from "./wish";

const names: Record<PanOrder, string> = {
  "wet first": "Liquids first",
  "dry first": "Yeast and flour first",
  "yeast bloomed": "Yeast bloomed in the liquid",
  "dry mixed first": "Dry things mixed in a bowl",
  "as listed": "As the recipe lists it",
  batter: "As a batter",
  "mixed outside": "Mixed outside the pan",
  stirred: "Stirred together",
};

/** Orders that follow from what is made, and cannot be chosen. */
const given: PanOrder[] = ["batter", "mixed outside", "stirred"];

/** The order of loading: why, and another one for this loaf or for good. */
export default function LoadingWhy({ answer, wish, change }: { answer: PlanAnswer; wish: Wish; change: (change: Change) => void }) {
  const { pan } = answer.plan;
  const { manner } = pan;
  const kitchen = useShelf().data?.kitchen;
  const { change: keep } = useChangeKitchen();
  const own = wish.hands?.loading ?? {};
  const mine = Object.keys(own).length > 0;
  const forget: Change = { order: null, "salt-place": null, "fat-place": null, "yeast-place": null };
  const forGood = () =>
    kitchen && keep.mutate({ ...kitchen, loading: { ...kitchen.loading, ...own } }, { onSuccess: () => change(forget) });
  const school = Object.keys(kitchen?.loading ?? {}).length > 0;
  const rows: { label: string; value: string | undefined; all: readonly string[]; name: "salt-place" | "fat-place" | "yeast-place" }[] = [
    { label: "Salt and sugar", value: manner.salt, all: PanSaltPlace, name: "salt-place" },
    { label: "Fat", value: manner.fat, all: PanFatPlace, name: "fat-place" },
    { label: "Yeast", value: manner.yeast, all: PanYeastPlace, name: "yeast-place" },
  ];
  return (
    <>
      <h2 className="mt-2 text-lg font-bold">{names[pan.order]}</h2>
      <p className="mt-1">{pan.why}</p>
      {!given.includes(pan.order) && (
        <>
          <div role="group" aria-label="Order of loading" className="mt-3 grid gap-2">
            {PanOrder.filter((o) => !given.includes(o)).map((o) => (
              <button
                key={o}
                type="button"
                aria-pressed={o === pan.order}
                onClick={() => change({ order: o })}
                className="min-h-11 rounded-tray border-2 border-rule px-3 text-left font-semibold aria-pressed:border-rim"
              >
                {names[o]}
              </button>
            ))}
          </div>
          {rows
            .filter((r) => pan.order === "wet first" || (pan.order === "dry first" && r.name === "fat-place"))
            .map((r) => (
              <div key={r.name} className="mt-1 flex items-center justify-between border-b border-rule text-sm">
                <span className="text-soft">{r.label}</span>
                <Picker
                  look="small"
                  label={r.label}
                  value={r.value ?? ""}
                  choices={(r.value && !r.all.includes(r.value) ? [r.value, ...r.all] : r.all).map((v) => ({ id: v, name: v }))}
                  pick={(v) => change({ [r.name]: v })}
                />
              </div>
            ))}
        </>
      )}
      <div className="mt-2 flex flex-wrap gap-x-4 text-sm font-semibold">
        {mine && (
          <Button onClick={forGood} look="text">
            Always use this order
          </Button>
        )}
        {mine && (
          <Button onClick={() => change(forget)} look="text">
            Not for this loaf after all
          </Button>
        )}
        {school && !mine && (
          <Button onClick={() => kitchen && keep.mutate({ ...kitchen, loading: {} })} look="text">
            Use the booklet’s order
          </Button>
        )}
      </div>
      <ol className="mt-2 text-sm">
        {pan.layers.map((l, n) => (
          <li key={n} className="border-b border-rule py-1 text-soft">
            <b className="text-ink">{l.lines.map((id) => answer.plan.lines.find((x) => x.id === id)?.name).join(", ")}</b>
            {l.place && `, ${l.place}`}. {l.reason}
          </li>
        ))}
      </ol>
    </>
  );
}

import { Term } from "../parts/Term";
import type { PlanAgainst, PlanAnswer, PlanLine } from "../client/types.gen";
import { StuffSwatch } from "../parts/stuff";
import { BandBar } from "./BandBar";
import { fixed, weight } from "../parts/figures";

const sure = {
  weighed: "The flour is weighed, so the water is one figure.",
  "own cup": "A range, by how far your own cup of flour strays from one filling to the next.",
  "unknown cup":
    "A wide range, because a cup of flour holds anything from sifted to scooped. Weigh the flour, or weigh your own cup a few times on the Kitchen screen.",
} as const;

const names: Record<PlanAgainst["of"], string> = {
  hydration: "Water",
  salt: "Salt",
  yeast: "Yeast",
  sugar: "Sugar",
  fat: "Fat",
  "baking powder": "Baking powder",
};

/** The dough as bakers reckon it: every line to 100 of flour, against what is usual, and what a slice
    of it holds. */
export default function FormulaSheet({ answer }: { answer: PlanAnswer }) {
  const { formula, lines, pan, slice, sizes, size } = answer.plan;
  const inOrder = [...pan.layers.flatMap((l) => l.lines), ...(pan.knead ?? []), ...pan.aside].flatMap((id) =>
    lines.filter((l) => l.id === id),
  );
  const dough = inOrder.filter((l) => l.stuff !== "add-in");
  const addIns = inOrder.filter((l) => l.stuff === "add-in");
  const slices = sizes.find((s) => s.size === size)?.slices ?? 0;
  const hints: Partial<Record<PlanAgainst["of"], string>> = {
    yeast: "shown as active dry yeast",
    sugar: "not counting lactose",
    ...(formula.hidden >= 0.005 && { salt: `${fixed(formula.hidden, 2)} of it hidden` }),
  };
  return (
    <div className="grid gap-x-8 xl:grid-cols-[2fr_3fr]">
      <div>
        <h2 className="text-lg font-bold">
          <Term word="Formula">Baker’s percentages</Term>
        </h2>
        <Lines caption={`${weight(formula.flour)} of flour`} lines={dough} />
        {addIns.length > 0 && <Lines caption="Add-ins, apart from the formula" lines={addIns} />}
        <p className="mt-2 text-sm">
          One of {slices} slices holds about <b className="figures">{fixed(slice.netCarbohydrate, 0)} g</b> net carbohydrate,{" "}
          <b className="figures">{fixed(slice.protein, 1)} g</b> protein, <b className="figures">{fixed(slice.fat, 1)} g</b> fat,{" "}
          <b className="figures">{fixed(slice.fibre, 1)} g</b> fibre, <b className="figures">{fixed(slice.salt, 1)} g</b> salt. An estimate.
        </p>
      </div>
      <div>
        <h2 className="text-lg font-bold">Against what is usual</h2>
        <dl className="border-b border-rule">
          {answer.plan.usual.against.map((a) => (
            <BandBar key={a.of} name={names[a.of]} against={a} swapped={!!formula.written} hint={hints[a.of]} />
          ))}
        </dl>
        <p className="mt-2 text-xs text-soft">{sure[formula.sure]} “Usual” is a guide: plenty of loved loaves lie outside.</p>
      </div>
    </div>
  );
}

function Lines({ caption, lines }: { caption: string; lines: PlanLine[] }) {
  return (
    <table className="mt-1 w-full border-y border-rule text-sm">
      <caption className="text-left text-xs text-soft">{caption}</caption>
      <tbody>
        {lines.map((l) => (
          <tr key={l.id} className="border-t border-rule">
            <td className="w-6">
              <StuffSwatch stuff={l.stuff} />
            </td>
            <th scope="row" className="text-left font-normal">
              {l.name}
            </th>
            <td className="figures text-right text-soft">{l.weight}</td>
            <td className="figures w-16 text-right font-bold">{fixed(l.percent, l.percent < 10 ? 2 : 1)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

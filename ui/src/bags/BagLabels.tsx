import { PressLink } from "../parts/Button";
import { useParams } from "react-router";
import { useBagsOf } from "../client/bags";
import type { BagBatch } from "../client/types.gen";
import { Paper } from "../paper/Paper";
import { longDay } from "../parts/time";
import { TroubleNote } from "../parts/Trouble";
import { cycleTitle } from "../parts/panel";

/** A sheet with a label for each bag that is left. */
export default function BagLabels() {
  const { id = "" } = useParams();
  const bags = useBagsOf(id);
  if (bags.error && !bags.data)
    return (
      <div className="p-8">
        <TroubleNote error={bags.error} />
      </div>
    );
  if (!bags.data) return <p className="p-8 text-lg text-soft">Looking for the bags …</p>;
  const { batch, left } = bags.data;
  const sheet = Math.max(1, Math.min(left, perSheet));
  return (
    <Paper
      title={`Labels: ${batch.recipe}`}
      say={left > perSheet ? `The first ${perSheet} of ${left}: one sheet holds no more.` : left === 1 ? "One label" : `${sheet} labels`}
      more={<PressLink to="/bags">All bags</PressLink>}
    >
      <ol className="grid grid-cols-2 gap-3">
        {Array.from({ length: sheet }, (_, n) => (
          <li key={n} className="break-inside-avoid border-2 border-ink p-3">
            <Label batch={batch} />
          </li>
        ))}
      </ol>
    </Paper>
  );
}

const perSheet = 6;

function Label({ batch }: { batch: BagBatch }) {
  const { cycle } = batch;
  return (
    <>
      <h2 className="text-lg leading-6 font-bold">
        {batch.recipe}, <span className="fraction">{batch.size}</span>
      </h2>
      <p className="text-sm">
        made {longDay(batch.made)} · <b>best before {longDay(batch.before)}</b>, in the fridge
      </p>
      <p className="mt-1 text-base leading-5">
        <b>Add, in this order:</b>{" "}
        <span className="fraction">{batch.add.map((a) => (a.amount ? `${a.amount} ${a.name}` : `this bag`)).join("; ")}.</span>
      </p>
      <p className="mt-1 text-sm">
        {batch.machine}: {cycleTitle(cycle)}, {batch.crust} crust.
      </p>
      <p className="text-sm">{batch.allergens.length > 0 ? `Contains ${batch.allergens.join(", ")}.` : "No named allergen."}</p>
    </>
  );
}

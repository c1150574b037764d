import { Button, PressLink } from "../parts/Button";
import { useState } from "react";
import { useLocation, useNavigate } from "react-router";
import { useMakeBags, usePreviewedBags } from "../client/bags";
import { useShelf } from "../client/queries";
import { longDay } from "../parts/time";
import { TroubleNote } from "../parts/Trouble";
import { between, box, Typed } from "../parts/Typed";
import { useWish } from "../plan/wish";

const most = 24;

/** One round of measuring for some bags of a loaf: what goes into each, and what that is in all. */
export default function MakeBags() {
  const shelf = useShelf();
  const [chosen] = useWish(shelf.data);
  const [count, setCount] = useState(4);
  const bags = usePreviewedBags(chosen?.wish ?? null, count);
  const make = useMakeBags();
  const navigate = useNavigate();
  const { search } = useLocation();
  const batch = bags.data?.batch;
  return (
    <div className="mx-auto w-full max-w-4xl px-6 py-4">
      <h1 className="text-xl font-bold">Bags of {chosen?.recipe.name ?? "…"}</h1>
      <div className="mt-2 flex flex-wrap items-center gap-3 text-lg">
        <label className="flex items-center gap-2">
          How many
          <Typed
            value={count}
            show={String}
            parse={between(1, most)}
            keep={(n, kept) => {
              setCount(Math.round(n));
              kept();
            }}
            say={`1 to ${most} bags`}
            mode="numeric"
            className={`figures h-12 w-20 text-center font-bold ${box}`}
          />
        </label>
        {batch && (
          <p>
            for <span className="fraction font-semibold">{batch.size}</span>, best before <b>{longDay(batch.before)}</b> in the fridge
          </p>
        )}
      </div>
      <TroubleNote error={bags.error ?? make.error} />
      {!batch && !bags.error && <p className="mt-4 text-lg text-soft">Working out the bags …</p>}
      {batch && (
        <>
          <table className="mt-3 w-full border-collapse text-lg">
            <thead>
              <tr className="border-b-2 border-rim text-left text-base">
                <th className="py-1">Into each bag</th>
                <th>By your measures</th>
                <th className="text-right">In all</th>
              </tr>
            </thead>
            <tbody>
              {batch.holds.map((h, n) => (
                <tr key={h.line} className="border-b border-rule">
                  <td className="py-2 font-semibold">{h.name}</td>
                  <td className="fraction text-xl font-bold">{h.amount}</td>
                  <td className="figures text-right text-soft">{bags.data?.made === count ? bags.data.inAll?.[n] : "…"}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <h2 className="mt-4 text-lg font-semibold">Add on baking day, in this order</h2>
          <p className="fraction text-lg">{batch.add.map((a) => (a.amount ? `${a.amount} ${a.name}` : a.name)).join(", ")}.</p>
          <p className="mt-1 text-soft">Leave out yeast, fat and liquids.</p>
          <div className="mt-4 flex flex-wrap items-center gap-4">
            <Button
              disabled={make.isPending}
              onClick={() =>
                chosen &&
                make.mutate({ wish: chosen.wish, count }, { onSuccess: (made) => navigate(`/bags/${made.id}`, { replace: true }) })
              }
              look="filled"
              size="large"
            >
              {make.isPending ? "Saving …" : count === 1 ? "Save bag" : `The ${count} bags are filled`}
            </Button>
            <PressLink to={`/${search}`}>Back to the plan</PressLink>
          </div>
        </>
      )}
    </div>
  );
}

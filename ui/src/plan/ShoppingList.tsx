import { Button } from "../parts/Button";
import { Check, Copy } from "lucide-react";
import { useState } from "react";
import type { PlanAnswer, Wish } from "../client/types.gen";
import { SavePlan } from "../parts/SavePlan";

/** What this loaf needs, and what of it the house lacks. */
export default function ShoppingList({ answer, wish }: { answer: PlanAnswer; wish: Wish }) {
  const { shopping } = answer;
  const [copied, setCopied] = useState(false);
  const buy = shopping.filter((s) => s.buy);
  const enough = shopping.filter((s) => s.has && !s.buy);
  const unknown = shopping.filter((s) => !s.has);
  const text = [...buy, ...unknown].map((s) => `${s.name}: ${s.buy ?? s.need}`).join("\n");
  const copy = () =>
    navigator.clipboard.writeText(text).then(
      () => setCopied(true),
      () => setCopied(false),
    );
  return (
    <>
      <h2 className="mt-2 text-lg font-bold">For the shop</h2>
      {buy.length > 0 ? (
        <ul className="mt-1 divide-y divide-rule border-y border-rule">
          {buy.map((s) => (
            <li key={s.ingredient} className="flex justify-between gap-2 py-1.5" data-buy={s.ingredient}>
              <b>{s.name}</b>
              <span className="figures font-bold">{s.buy}</span>
            </li>
          ))}
        </ul>
      ) : (
        <p className="mt-1 text-sm text-soft">You have enough of everything you track.</p>
      )}
      {unknown.length > 0 && <h3 className="mt-3 text-xs font-semibold text-soft">Check you have enough</h3>}
      <ul className="text-sm">
        {unknown.map((s) => (
          <li key={s.ingredient} className="flex justify-between py-0.5">
            <span>{s.name}</span>
            <span className="figures">{s.need}</span>
          </li>
        ))}
      </ul>
      {enough.length > 0 && <h3 className="mt-3 text-xs font-semibold text-soft">In the house</h3>}
      <ul className="text-sm text-soft">
        {enough.map((s) => (
          <li key={s.ingredient} className="flex justify-between py-0.5">
            <span>{s.name}</span>
            <span className="figures">
              {s.need} of {s.has}
            </span>
          </li>
        ))}
      </ul>
      <Button onClick={copy} className="mt-3 flex items-center gap-2">
        {copied ? <Check size={20} aria-hidden="true" /> : <Copy size={20} aria-hidden="true" />}
        {copied ? "Copied" : "Copy the list"}
      </Button>
      <SavePlan
        wish={wish}
        ways={[
          ["what=shopping&as=text", "as text"],
          ["what=shopping&as=markdown", "as a checklist"],
        ]}
      />
      <p className="mt-2 text-xs text-soft">What is in the house is kept count of on the Kitchen screen, under Cupboard.</p>
    </>
  );
}

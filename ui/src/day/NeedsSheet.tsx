import { Button } from "../parts/Button";
import { Check, Copy } from "lucide-react";
import { useState } from "react";
import type { DayView } from "../client/types.gen";
import { Sheet } from "../parts/Sheet";
import { TroubleNote } from "../parts/Trouble";
import { useNeeds } from "./queries";

/** What all loaves of the day want: for the shop, and flour to be weighed once for all. */
export function NeedsSheet({ view, close }: { view: DayView; close: () => void }) {
  const needs = useNeeds(view.date, true);
  const [copied, setCopied] = useState(false);
  const shopping = needs.data?.shopping ?? [];
  const wanted = shopping.filter((s) => !s.has || s.buy);
  const text = wanted.map((s) => `${s.name}: ${s.buy ?? s.need}`).join("\n");
  const copy = () =>
    navigator.clipboard.writeText(text).then(
      () => setCopied(true),
      () => setCopied(false),
    );
  return (
    <Sheet title="For all loaves of the day" close={close}>
      <TroubleNote error={needs.error} />
      {!needs.data && !needs.error && <p className="mt-3 text-lg text-soft">Adding up …</p>}
      {needs.data?.weigh.map((w) => (
        <section key={w.name} className="mt-3">
          <h3 className="flex justify-between gap-4 border-b-2 border-rim text-lg font-bold">
            <span>Weigh {w.name} once for all</span>
            <span className="figures">{w.all}</span>
          </h3>
          <ul className="divide-y divide-rule">
            {w.each.map((e, n) => (
              <li key={`${e.loaf} ${n}`} className="flex justify-between gap-4 py-1 text-base">
                <span>{e.loaf}</span>
                <span className="figures">{e.amount}</span>
              </li>
            ))}
          </ul>
        </section>
      ))}
      {needs.data && (
        <section className="mt-3">
          <h3 className="border-b-2 border-rim text-lg font-bold">Total needed</h3>
          <ul className="divide-y divide-rule">
            {shopping.map((s) => (
              <li key={s.ingredient} className="flex justify-between gap-4 py-1 text-base" data-need={s.ingredient}>
                <span className={s.buy ? "font-bold" : ""}>{s.name}</span>
                <span className="figures text-right">
                  {s.need}
                  {s.buy ? <b> · buy {s.buy}</b> : s.has ? <span className="text-soft"> · there are {s.has}</span> : ""}
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
      <div className="mt-4 flex flex-wrap gap-3">
        <Button onClick={copy} disabled={wanted.length === 0} size="medium" className="flex items-center gap-2">
          {copied ? <Check size={20} aria-hidden="true" /> : <Copy size={20} aria-hidden="true" />}
          {copied ? "Copied" : "Copy the list"}
        </Button>
        <Button onClick={close} look="filled" size="medium">
          Back to the day
        </Button>
      </div>
    </Sheet>
  );
}

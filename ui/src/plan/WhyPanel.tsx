import { ArrowLeft } from "lucide-react";
import { lazy, Suspense } from "react";
import type { PlanAnswer, Problem, Wish } from "../client/types.gen";
import { CrustSwatch } from "../parts/CrustSwatch";
import { inHours } from "../parts/time";
import { LineWhy } from "./LineWhy";
import { RoundingWhy } from "./RoundingWhy";
import { isWide, type Why } from "./why";
import type { Change } from "./wish";

const FormulaSheet = lazy(() => import("./FormulaSheet"));
const HeatSheet = lazy(() => import("./HeatSheet"));
const ShoppingList = lazy(() => import("./ShoppingList"));

interface Props {
  answer: PlanAnswer;
  wish: Wish;
  why: Why;
  fault: Problem | undefined; // of what the baker typed here
  change: (change: Change) => void;
  close: () => void;
}

/** The reason of one choice and the runners-up, in place of the panel. */
export function WhyPanel({ answer, wish, why, fault, change, close }: Props) {
  return (
    <section aria-label="Why" className={`min-w-0 ${isWide(why) ? "lg:col-span-2" : ""}`}>
      <button type="button" autoFocus onClick={close} className="flex min-h-11 items-center gap-2 font-semibold text-rim">
        <ArrowLeft size={20} aria-hidden="true" />Back to the panel
      </button>
      {why.about === "cycle" && <CycleWhy answer={answer} change={change} />}
      {why.about === "crust" && <CrustWhy answer={answer} change={change} />}
      {why.about === "line" && <LineWhy key={why.line} answer={answer} wish={wish} line={why.line} fault={fault?.detail} change={change} />}
      {why.about === "rounding" && <RoundingWhy answer={answer} wish={wish} change={change} />}
      <Suspense fallback={<p className="text-soft">One moment …</p>}>
        {why.about === "formula" && <FormulaSheet answer={answer} />}
        {why.about === "heat" && <HeatSheet answer={answer} wish={wish} fault={fault} change={change} />}
        {why.about === "shopping" && <ShoppingList answer={answer} />}
      </Suspense>
    </section>
  );
}

function CycleWhy({ answer, change }: { answer: PlanAnswer; change: (change: Change) => void }) {
  const { setting } = answer.plan;
  return (
    <>
      <h2 className="mt-2 text-lg font-bold">{setting.cycle.panel} {setting.cycle.name}</h2>
      <p className="mt-1">{setting.why}</p>
      <h3 className="mt-4 text-xs font-semibold text-soft">The machine’s other cycles</h3>
      <ul className="divide-y divide-rule border-y border-rule">
        {setting.options.filter((o) => o.id !== setting.cycle.id).map((o) => (
          <li key={o.id} className="flex items-start gap-2 py-2">
            <div className="min-w-0 flex-1">
              <p className={o.suits ? "font-semibold" : "text-soft"}>{o.panel} {o.name} <span className="figures text-xs font-normal text-soft">{inHours(o.total)}</span></p>
              <p className="text-xs text-soft">{o.reason}</p>
            </div>
            <button type="button" onClick={() => change({ cycle: o.id })} className="min-h-9 px-2 text-xs font-semibold text-rim underline">use<span className="sr-only"> {o.name}</span></button>
          </li>
        ))}
      </ul>
      <button type="button" onClick={() => change({ cycle: null })} className="mt-2 min-h-11 text-sm font-semibold text-rim underline">Go back to the suggestion</button>
    </>
  );
}

function CrustWhy({ answer, change }: { answer: PlanAnswer; change: (change: Change) => void }) {
  const { setting } = answer.plan;
  return (
    <>
      <h2 className="mt-2 text-lg font-bold">Crust: {setting.crust}</h2>
      <p className="mt-1">{setting.crustWhy}</p>
      {setting.hasCrust && (
        <div role="group" aria-label="Choose a crust" className="mt-4 grid gap-2">
          {setting.crusts.map((c) => (
            <button key={c} type="button" aria-pressed={c === setting.crust} onClick={() => change({ crust: c })} className="flex min-h-12 items-center gap-3 rounded-tray border-2 border-rule px-3 font-semibold aria-pressed:border-rim">
              <CrustSwatch crust={c} />{c}
            </button>
          ))}
          <button type="button" onClick={() => change({ crust: null })} className="min-h-11 text-sm font-semibold text-rim underline">Go back to the suggestion</button>
        </div>
      )}
    </>
  );
}

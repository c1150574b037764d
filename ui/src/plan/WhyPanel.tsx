import { Button } from "../parts/Button";
import { ArrowLeft } from "lucide-react";
import { Suspense, useEffect, useRef } from "react";
import { useSetHabit } from "../client/machines";
import type { PlanAnswer, Problem, StoreHabit, Wish } from "../client/types.gen";
import { CrustSwatch } from "../parts/CrustSwatch";
import { awaited } from "../parts/later";
import { CycleWhy } from "./CycleWhy";
import { LineWhy } from "./LineWhy";
import { RoundingWhy } from "./RoundingWhy";
import { isWide, type Why } from "./why";
import type { Change } from "./wish";

const FormulaSheet = awaited(() => import("./FormulaSheet"));
const HeatSheet = awaited(() => import("./HeatSheet"));
const PressesWhy = awaited(() => import("./PressesWhy"));
const LoadingWhy = awaited(() => import("./LoadingWhy"));
const AddInsWhy = awaited(() => import("./AddInsWhy"));
const ShoppingList = awaited(() => import("./ShoppingList"));

interface Props {
  recipe: string;
  machine: string;
  answer: PlanAnswer;
  wish: Wish;
  why: Why;
  fault: Problem | undefined; // of what the baker typed here
  change: (change: Change) => void;
  close: () => void;
}

// On a phone a why is a sheet from below; beside the amounts it scrolls within itself.
const fromBelow =
  "max-md:fixed max-md:inset-x-0 max-md:bottom-0 max-md:z-30 max-md:max-h-[80dvh] max-md:overflow-y-auto " +
  "max-md:rounded-t-tray max-md:border-t-4 max-md:border-rim max-md:bg-enamel max-md:px-4 max-md:pb-4";
const within = "md:max-lg:col-span-2 lg:min-h-0 lg:overflow-y-auto";

/** The reason of one choice and the runners-up, in place of the panel. */
export default function WhyPanel({ recipe, machine, answer, wish, why, fault, change, close }: Props) {
  const habit = useSetHabit();
  useEscape(close);
  const keep = (h: StoreHabit) => habit.mutate({ recipe, machine, ...h });
  return (
    <section aria-label="Why" className={`min-w-0 ${fromBelow} ${within} ${isWide(why) ? "lg:col-span-2" : ""}`}>
      <button
        type="button"
        autoFocus
        onClick={close}
        className="sticky top-0 z-10 flex min-h-11 w-full items-center gap-2 bg-enamel font-semibold text-rim"
      >
        <ArrowLeft size={20} aria-hidden="true" />
        Back to the panel
      </button>
      {why.about === "cycle" && (
        <CycleWhy answer={answer} wish={wish} recipe={recipe} machine={machine} fault={fault} keep={keep} change={change} />
      )}
      {why.about === "crust" && <CrustWhy answer={answer} keep={keep} change={change} />}
      {why.about === "line" && <LineWhy key={why.line} answer={answer} wish={wish} line={why.line} fault={fault?.detail} change={change} />}
      {why.about === "rounding" && <RoundingWhy answer={answer} wish={wish} change={change} />}
      <Suspense fallback={<p className="text-soft">One moment …</p>}>
        {why.about === "formula" && <FormulaSheet answer={answer} />}
        {why.about === "heat" && <HeatSheet answer={answer} wish={wish} fault={fault} change={change} />}
        {why.about === "presses" && <PressesWhy answer={answer} />}
        {why.about === "loading" && <LoadingWhy answer={answer} wish={wish} change={change} />}
        {why.about === "add-ins" && <AddInsWhy answer={answer} fault={fault} change={change} />}
        {why.about === "shopping" && <ShoppingList answer={answer} wish={wish} />}
      </Suspense>
    </section>
  );
}

/** Esc closes a why. */
function useEscape(close: () => void) {
  const closing = useRef(close);
  useEffect(() => {
    closing.current = close;
  });
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      const inList = e.target instanceof HTMLElement && e.target.closest("[role=listbox], [role=dialog], [aria-expanded=true]");
      if (e.key === "Escape" && !inList) closing.current();
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  }, []);
}

function CrustWhy({ answer, keep, change }: { answer: PlanAnswer; keep: (habit: StoreHabit) => void; change: (change: Change) => void }) {
  const choose = (crust: StoreHabit["crust"]) => {
    change({ crust: null });
    keep({ ...answer.habit, crust });
  };
  const { setting } = answer.plan;
  return (
    <>
      <h2 className="mt-2 text-lg font-bold">Crust: {setting.crust}</h2>
      <p className="mt-1">{setting.crustWhy}</p>
      {setting.hasCrust && (
        <div role="group" aria-label="Choose a crust" className="mt-4 grid gap-2">
          {setting.crusts.map((c) => (
            <button
              key={c}
              type="button"
              aria-pressed={c === setting.crust}
              onClick={() => choose(c)}
              className="flex min-h-12 items-center gap-3 rounded-tray border-2 border-rule px-3 font-semibold aria-pressed:border-rim"
            >
              <CrustSwatch crust={c} />
              {c}
            </button>
          ))}
          <Button onClick={() => choose(undefined)} look="text" className="text-sm">
            Use suggestion
          </Button>
        </div>
      )}
    </>
  );
}

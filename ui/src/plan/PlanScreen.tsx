import { ChevronDown } from "lucide-react";
import { Suspense, useState } from "react";
import { Trouble } from "../client/api";
import { usePlan, usePrefetchedSizes, useShelf } from "../client/queries";
import type { PlanAnswer, Shelf, Wish } from "../client/types.gen";
import { clock } from "../parts/time";
import { TimeRibbon } from "../parts/TimeRibbon";
import { inBox } from "../parts/addIns";
import { TroubleNote } from "../parts/Trouble";
import { Unhurried } from "../parts/Unhurried";
import { useWide } from "../parts/wide";
import { AmountList } from "./AmountList";
import { Dock } from "./Dock";
import { DoughFacts } from "./DoughFacts";
import { useChanged, useKept, useLate, useRenewed, useSizeKeys, useWhy } from "./hooks";
import { MachinePanel } from "./MachinePanel";
import { PanSection } from "./PanSection";
import { PlanHead } from "./PlanHead";
import { awaited } from "../parts/later";
import { isWide } from "./why";
import { type Change, type Chosen, useWish } from "./wish";
import { made, madeAt } from "../parts/Made";
import { startButton } from "../parts/panel";

const EmptyShelf = awaited(() => import("./EmptyShelf"));
const StartDialog = awaited(() => import("./StartDialog"));
const SwapStrip = awaited(() => import("./SwapStrip"));
const WhyPanel = awaited(() => import("./WhyPanel"));

/** One loaf, one sheet: amounts, pan, panel and time. */
export function PlanScreen() {
  const shelf = useShelf();
  const [chosen, change] = useWish(shelf.data);
  if (shelf.error && !shelf.data)
    return (
      <div className="p-8">
        <TroubleNote error={shelf.error} />
      </div>
    );
  if (!shelf.data) return <p className="p-8 text-lg text-soft">Loading recipes …</p>;
  if (!chosen) return <EmptyShelf shelf={shelf.data} />;
  return <Sheet shelf={shelf.data} chosen={chosen} change={change} />;
}

interface SheetProps {
  shelf: Shelf;
  chosen: Chosen;
  change: (change: Change) => void;
}

// Amounts, pan and panel, each with its share of the width.
const columns =
  "md:grid-cols-[minmax(0,11fr)_minmax(0,9fr)] " +
  "lg:grid-cols-[minmax(0,40fr)_minmax(0,35fr)_minmax(0,25fr)] lg:grid-rows-[minmax(0,1fr)]";

function Sheet({ shelf, chosen, change }: SheetProps) {
  const { wish, recipe, machine } = chosen;
  const plan = usePlan(wish);
  const answer = useKept(plan.data); // a wish that is refused leaves the plan before it in sight
  const [why, ask] = useWhy();
  const [lit, light] = useState<string[]>([]);
  const [starting, setStarting] = useState(false);
  const [swapped, swap] = useState(false); // this loaf, since the page was opened: what was kept of it is still told
  if (!swapped && (answer?.plan.swaps.length ?? 0) > 0) swap(true);
  const [panOpen, setPanOpen] = useState(false); // on a phone, where the pan is a strip that opens
  const wide = useWide();
  const changed = useChanged(answer);
  const renewed = useRenewed(wish, plan.isPlaceholderData ? undefined : plan.data);
  const sizes = (answer?.plan.sizes ?? []).filter((s) => !s.whyNot).map((s) => s.size);
  usePrefetchedSizes(wish, sizes);
  useSizeKeys(sizes, (size) => change({ size, slices: null, eaters: null, have: null, closer: null }));

  const late = useLate(plan.isPlaceholderData);
  const zone = shelf.kitchen.zone;
  const fault = (at: RegExp) =>
    plan.error instanceof Trouble && at.test(plan.error.problem.pointer ?? "") ? plan.error.problem : undefined;
  const readyFault = fault(/^\/time\/ready/)?.detail;
  const lineFault = fault(/^\/(hands\/locks|loaf\/have)/);
  const wishFault = fault(/^\/(hands\/warmth|time\/addIns|time\/ways|time\/within)/);
  const faded = (plan.error && !lineFault && !wishFault) || plan.isPlaceholderData;
  const beep = answer?.plan.moments.find((m) => m.kind === "add-ins");
  const beepAt = (after: number) => clock(Date.parse(answer?.plan.timer.begin ?? "") + after * 60_000, zone);
  const beepClock = beep && (beep.upTo ? `${beepAt(beep.after)}–${beepAt(beep.upTo)}` : beepAt(beep.after));

  return (
    <div className="flex h-full min-h-0 flex-col">
      <div className="flex min-h-0 flex-1 flex-col overflow-y-auto lg:overflow-hidden">
        <PlanHead shelf={shelf} chosen={chosen} plan={answer?.plan} fault={readyFault} change={change} />
        {shelf.unreadable?.map((say) => (
          <p key={say} role="alert" className="border-l-4 border-signal px-4 py-2">
            {say}
          </p>
        ))}
        {plan.error && !readyFault && !(lineFault && why?.about === "line") && !(wishFault && why) && (
          <div className="p-4">
            <TroubleNote error={plan.error} />
          </div>
        )}
        {late && !plan.error && (
          <p role="status" className="border-l-4 border-rim px-4 py-1">
            The new plan is not here yet: the amounts and times below are those of the one before.
          </p>
        )}
        <p role="status" className="sr-only">
          {answer && !plan.isPlaceholderData && told(answer, wish)}
        </p>
        {answer && (
          <Unhurried part="plan">
            <div className={`grid grid-cols-1 gap-x-6 gap-y-4 px-4 pt-2 lg:min-h-0 lg:flex-1 ${columns} ${faded ? "opacity-60" : ""}`}>
              <div className="flex min-h-0 min-w-0 flex-col">
                {swapped && (
                  <Suspense>
                    <SwapStrip answer={answer} wish={wish} recipe={recipe.id} change={change} ask={ask} />
                  </Suspense>
                )}
                <AmountList answer={answer} change={change} changed={changed} lit={lit} light={light} ask={ask} beepClock={beepClock} />
              </div>
              <div className={`flex min-h-0 min-w-0 flex-col ${isWide(why) ? "lg:hidden" : ""}`}>
                <button
                  type="button"
                  aria-expanded={panOpen}
                  onClick={() => setPanOpen(!panOpen)}
                  className="flex min-h-12 w-full items-center justify-between border-y border-rule font-semibold text-rim md:hidden"
                >
                  The pan in section
                  <ChevronDown size={20} aria-hidden="true" className={panOpen ? "rotate-180" : ""} />
                </button>
                {(wide || panOpen) && (
                  <div className="min-h-0 flex-1 max-md:pt-2">
                    <PanSection
                      pan={answer.plan.pan}
                      lines={answer.plan.lines}
                      box={inBox(answer.plan)}
                      lit={lit}
                      light={light}
                      ask={() => ask({ about: "loading" })}
                    />
                  </div>
                )}
                <DoughFacts answer={answer} ask={ask} />
              </div>
              <Suspense>
                {why && (
                  <WhyPanel
                    recipe={recipe.id}
                    machine={machine.id}
                    answer={answer}
                    wish={wish}
                    why={why}
                    fault={lineFault ?? wishFault}
                    change={change}
                    close={() => ask(null)}
                  />
                )}
              </Suspense>
              <div className={`min-h-0 min-w-0 md:max-lg:col-span-2 ${why ? "md:hidden" : ""}`}>
                <MachinePanel
                  renewed={renewed}
                  answer={answer}
                  wish={wish}
                  stale={plan.isPlaceholderData || !!plan.error}
                  ask={ask}
                  change={change}
                  start={() => setStarting(true)}
                />
              </div>
            </div>
            <div
              role="region"
              aria-label="Time ribbon"
              tabIndex={0}
              className="mt-1 border-t border-rule bg-enamel px-4 pt-1 max-md:overflow-x-auto"
            >
              <div className="max-md:min-w-160">
                <TimeRibbon {...ribbon(answer)} />
              </div>
            </div>
          </Unhurried>
        )}
        {!answer && !plan.error && <p className="p-8 text-lg text-soft">Working out the loaf …</p>}
      </div>
      {answer && <Dock answer={answer} wish={wish} stale={plan.isPlaceholderData || !!plan.error} />}
      <Suspense>{starting && <StartDialog wish={wish} close={() => setStarting(false)} />}</Suspense>
    </div>
  );
}

/** What a change has led to, for those who listen. */
function told({ plan, zone }: PlanAnswer, wish: Wish): string {
  const slices = madeAt(plan)?.slices;
  const ready = wish.time?.ready ? ` Ready ${clock(plan.eaten ?? plan.timer.ready, zone)}.` : "";
  return `Amounts for ${made(plan)}${slices ? `, ${slices} slices` : ""}.${ready}`;
}

const ribbon = ({ plan, zone }: PlanAnswer) => ({
  press: plan.timer.press,
  start: startButton(plan),
  begin: plan.timer.begin,
  stages: plan.stages,
  moments: plan.moments,
  total: plan.stages.at(-1)?.to ?? plan.setting.total,
  keepWarm: plan.setting.keepWarm,
  finish: plan.finish,
  zone,
});

import { PressLink } from "../parts/Button";
import { Switch } from "@headlessui/react";
import type { PlanAnswer, Problem, StoreHabit, Wish } from "../client/types.gen";
import { Typed } from "../parts/Typed";
import { inHours, readLength } from "../parts/time";
import type { Change } from "./wish";
import { cycleTitle } from "../parts/panel";

interface Props {
  answer: PlanAnswer;
  wish: Wish;
  recipe: string;
  machine: string;
  fault: Problem | undefined;
  keep: (habit: StoreHabit) => void;
  change: (change: Change) => void;
}

/** Why this cycle, what the baker wishes of it, and the machine's others. */
export function CycleWhy({ answer, wish, recipe, machine, fault, keep, change }: Props) {
  const { setting } = answer.plan;
  const choose = (cycle: string | undefined) => {
    change({ cycle: null });
    keep({ ...answer.habit, cycle });
  };
  const compared = setting.options
    .filter((o) => o.suits || o.id === setting.cycle.id)
    .slice(0, 4)
    .map((o) => o.id);
  return (
    <>
      <h2 className="mt-2 text-lg font-bold">{cycleTitle(setting.cycle)}</h2>
      <p className="mt-1">{setting.why}</p>
      <Within
        value={wish.time?.within}
        fault={fault?.pointer === "/time/within" ? fault.detail : undefined}
        keep={(m) => change({ within: m ? String(m) : null })}
      />
      {answer.plan.addIns && (
        <label className="mt-1 flex min-h-11 items-center justify-between gap-2 text-sm font-semibold">
          Nobody is there at the beep
          <Switch
            checked={!!wish.time?.away}
            onChange={(on) => change({ "away-at-beep": on ? "1" : null, "add-ins": null })}
            className="relative inline-block h-7 w-12 shrink-0 rounded-full border-2 border-rim data-checked:bg-rim"
          >
            <span className="sr-only">Nobody is there at the beep</span>
            <span
              aria-hidden="true"
              className={`block size-5 rounded-full ${wish.time?.away ? "translate-x-5 bg-on-rim" : "translate-x-0.5 bg-rim"}`}
            />
          </Switch>
        </label>
      )}
      <h3 className="mt-3 text-xs font-semibold text-soft">The machine’s other cycles</h3>
      <ul className="mt-1 divide-y divide-rule border-y border-rule">
        {setting.options
          .filter((o) => o.id !== setting.cycle.id)
          .map((o) => (
            <li key={o.id} className="py-2 text-sm">
              <button type="button" onClick={() => choose(o.id)} className="font-semibold text-rim underline">
                {cycleTitle(o)}
              </button>
              <span className="figures ml-2 text-soft">{inHours(o.total)}</span>
              <p className="text-xs text-soft">{o.reason}</p>
            </li>
          ))}
      </ul>
      {answer.habit.cycle && (
        <p className="mt-2 text-xs text-soft">
          Your choice is remembered for this recipe on this machine.{" "}
          <button type="button" onClick={() => choose(undefined)} className="min-h-6 font-semibold text-rim underline">
            Use suggestion
          </button>
        </p>
      )}
      {compared.length > 1 && (
        <PressLink
          to={`/machines/${machine}/compare?${new URLSearchParams({ cycles: compared.join("|"), size: setting.size ?? "", crust: setting.crust, recipe })}`}
          className="mt-2"
        >
          Compare cycles
        </PressLink>
      )}
    </>
  );
}

/** The time that there is, as "2:30" or "2 1/2 h". */
function Within({ value, fault, keep }: { value: number | undefined; fault: string | undefined; keep: (minutes: number) => void }) {
  return (
    <label className="mt-3 flex flex-wrap items-center justify-between gap-2 text-sm font-semibold">
      I have this much time
      <Typed
        value={value ?? 0}
        show={(m) => (m ? `${Math.floor(m / 60)}:${String(m % 60).padStart(2, "0")}` : "")}
        parse={(text) => (text.trim() === "" ? 0 : readLength(text))}
        keep={(m, kept) => {
          keep(m);
          kept();
        }}
        say="Write hours and minutes, such as 2:30."
        fault={fault}
        placeholder="any"
        faultClass="w-full text-xs font-normal text-signal"
        className="figures h-11 w-20 rounded-tray border-2 border-rim bg-enamel text-center text-lg font-bold aria-invalid:border-signal"
      />
    </label>
  );
}

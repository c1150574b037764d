import type { PlanAnswer, Shelf } from "../client/types.gen";
import { Picker } from "../parts/Picker";
import { ReadyPicker } from "./ReadyPicker";
import { RecipePicker } from "./RecipePicker";
import { SizeSwitch } from "./SizeSwitch";
import { type Change, type Chosen, forThisLoaf } from "./wish";

interface Props {
  shelf: Shelf;
  chosen: Chosen;
  plan: PlanAnswer["plan"] | undefined;
  fault: string | undefined; // of the time
  change: (change: Change) => void;
}

// Name, sizes and time side by side.
const heads = "md:max-lg:grid-cols-[auto_1fr] lg:grid-cols-[minmax(0,1fr)_auto_auto]";

/** Which loaf, in which machine, of what size, and when. */
export function PlanHead({ shelf, chosen, plan, fault, change }: Props) {
  const { wish, recipe, machine } = chosen;
  const pickMachine = (id: string) => {
    const next = shelf.machines.find((m) => m.id === id);
    change({ machine: id, cycle: null, crust: null, size: next?.sizes.includes(wish.loaf.size ?? "") ? wish.loaf.size : null });
  };
  return (
    <header className={`grid items-start gap-x-6 gap-y-1 border-b-2 border-rim px-4 py-2 ${heads}`}>
      <h1 className="sr-only">Plan: {recipe.name}</h1>
      <div className="min-w-0 md:max-lg:col-span-2">
        <RecipePicker shelf={shelf} recipe={recipe} pick={(id) => change({ ...forThisLoaf, recipe: id })} />
        <div className="flex min-w-0 items-center text-sm text-soft">
          <span className="pl-2 whitespace-nowrap">in the</span>
          <Picker
            look="small"
            label="Machine"
            value={machine.id}
            pick={pickMachine}
            choices={shelf.machines.map((m) => ({ id: m.id, name: m.name, hint: `bakes ${m.sizes.join(", ")}` }))}
          />
        </div>
      </div>
      {plan && (
        <SizeSwitch
          sizes={plan.sizes}
          value={plan.batch ?? plan.size}
          slices={wish.loaf.slices}
          eaters={wish.loaf.eaters}
          pick={(size) => change({ size, slices: null, eaters: null, have: null, closer: null })}
          ask={change}
        />
      )}
      <ReadyPicker
        ready={wish.time?.ready}
        home={!!wish.time?.notYet}
        zone={shelf.kitchen.zone}
        eaten={!!plan?.eaten}
        earliest={shelf.meal}
        change={change}
        fault={fault}
      />
    </header>
  );
}

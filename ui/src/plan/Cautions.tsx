import { Button } from "../parts/Button";
import { CircleAlert, CircleQuestionMark, Hand, Info } from "lucide-react";
import { Suspense, useState } from "react";
import type { PlanCaution, PlanRemedy, Wish } from "../client/types.gen";
import { useMeanIt } from "../client/queries";
import { awaited } from "../parts/later";
import { TroubleNote } from "../parts/Trouble";
import { type Change, locked, swapped } from "./wish";

const look = {
  stop: { icon: Hand, name: "Stop", tone: "border-signal", mark: "text-signal" },
  ask: { icon: CircleQuestionMark, name: "A question", tone: "border-rim border-l-8 text-base font-semibold", mark: "text-rim" },
  care: { icon: CircleAlert, name: "Take care", tone: "border-rim", mark: "text-rim" },
  note: { icon: Info, name: "Note", tone: "border-rule", mark: "text-soft" },
} as const;

const NameSheet = awaited(() => import("../recipes/NameSheet"));

interface Props {
  cautions: PlanCaution[];
  revision: number; // of the recipe
  wish: Wish;
  change: (change: Change) => void;
}

/** What stands against the plan, each with its ways out; what is only good to know folds away beside it. */
export function Cautions({ cautions, revision, wish, change }: Props) {
  const mean = useMeanIt(wish.recipe);
  const grave = cautions.filter((c) => c.level !== "note");
  const notes = cautions.filter((c) => c.level === "note");
  const take = (way: PlanRemedy) => {
    if (way.meant) return mean.mutate({ revision, figure: way.meant });
    const { lock } = way;
    change({
      ...(lock && { lock: locked([...(wish.hands?.locks ?? []).filter((l) => l.line !== lock.line), lock]) }),
      ...(way.now && { ready: null, home: null }),
      ...(way.ready && { ready: way.ready }),
      ...(way.cycle && { cycle: way.cycle }),
      ...(way.tempered && { tempered: "yes" }),
      ...(way.order && { order: way.order }),
      ...(way.addIns && { "add-ins": way.addIns }),
      ...(way.swaps && { swap: swapped([...(wish.loaf.swaps ?? []), ...way.swaps]) }),
    });
  };
  const folded = notes.length > (grave.length > 0 ? 0 : 2);
  return (
    <div aria-live="polite" className="mt-2 space-y-2">
      <ul className="space-y-2">
        {(folded ? grave : [...grave, ...notes]).map((c) => (
          <Said key={c.about + c.say} caution={c} take={take} />
        ))}
      </ul>
      <TroubleNote error={mean.error} />
      {folded && (
        <details>
          <summary className="min-h-6 cursor-pointer text-sm font-semibold text-rim">Good to know: {notes.length}</summary>
          <ul className="mt-1 space-y-2">
            {notes.map((c) => (
              <Said key={c.about + c.say} caution={c} take={take} />
            ))}
          </ul>
        </details>
      )}
    </div>
  );
}

function Said({ caution, take }: { caution: PlanCaution; take: (way: PlanRemedy) => void }) {
  const { icon: Icon, name, tone, mark } = look[caution.level];
  const [asked, ask] = useState(false);
  return (
    <li data-caution={caution.about} className={`fraction border-l-4 pl-3 text-sm leading-5 ${tone}`}>
      <p>
        <Icon size={18} aria-hidden="true" className={`mr-1 inline align-text-bottom ${mark}`} />
        <span className="sr-only">{name}: </span>
        {caution.say}
      </p>
      {caution.ways?.map((w) => (
        <Button key={w.say} onClick={() => take(w)} size="small" className="mt-1 mr-2">
          {w.say}
        </Button>
      ))}
      {caution.name && (
        <Button onClick={() => ask(true)} size="small" className="mt-1 mr-2">
          Say what it is
        </Button>
      )}
      {asked && caution.name && (
        <Suspense fallback={null}>
          <NameSheet name={caution.name} close={() => ask(false)} />
        </Suspense>
      )}
    </li>
  );
}

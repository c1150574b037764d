import { CircleAlert, Hand, Info } from "lucide-react";
import type { PlanCaution, PlanWay, Wish } from "../client/types.gen";
import { type Change, swapped } from "./wish";

const look = {
  stop: { icon: Hand, name: "Stop", tone: "border-signal", mark: "text-signal" },
  care: { icon: CircleAlert, name: "Take care", tone: "border-rim", mark: "text-rim" },
  note: { icon: Info, name: "Note", tone: "border-rule", mark: "text-soft" },
} as const;

/** What stands against the plan, each with its ways out. */
export function Cautions({ cautions, wish, change }: { cautions: PlanCaution[]; wish: Wish; change: (change: Change) => void }) {
  const take = (way: PlanWay) => change(way.swaps ? { swap: swapped([...(wish.swaps ?? []), ...way.swaps]) } : { ready: way.ready || null });
  return (
    <ul className="mt-2 space-y-2" aria-live="polite">
      {cautions.map((c) => {
        const { icon: Icon, name, tone, mark } = look[c.level];
        return (
          <li key={c.about + c.say} data-caution={c.about} className={`border-l-4 pl-3 text-sm leading-5 ${tone}`}>
            <p><Icon size={18} aria-hidden="true" className={`mr-1 inline align-text-bottom ${mark}`} /><span className="sr-only">{name}: </span>{c.say}</p>
            {c.ways?.map((w) => (
              <button key={w.say} type="button" onClick={() => take(w)} className="mt-1 mr-2 min-h-9 rounded-tray border-2 border-rim px-3 font-semibold text-rim hover:bg-shelf">
                {w.say}
              </button>
            ))}
          </li>
        );
      })}
    </ul>
  );
}

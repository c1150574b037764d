import { ArrowDown, ArrowUp, Copy, Plus, X } from "lucide-react";
import { useState } from "react";
import type { Machine, MachineCycle, Problem } from "../client/types.gen";
import { CycleForm } from "./CycleForm";
import { Fault, type FaultAt } from "./fields";

/** The first number that no cycle has on the panel. */
function freeNumber(cycles: MachineCycle[]): string {
  for (let n = 1; ; n++) if (!cycles.some((c) => c.panel === String(n))) return String(n);
}

interface Props {
  machine: Machine;
  change: (part: Partial<Machine>) => void;
  at: FaultAt;
  doubt: FaultAt; // what is unusual
  problem: Problem | undefined;
}

/** The machine's cycles, in the order of its panel; one of them open. */
export function CyclesForm({ machine, change, at, doubt, problem }: Props) {
  const { cycles } = machine;
  const [chosen, choose] = useState(0);
  const faulty = /^\/cycles\/(\d+)/.exec(problem?.pointer ?? "");
  const [shown, setShown] = useState<Problem | undefined>(undefined);
  if (problem !== shown) {
    setShown(problem);
    if (faulty) choose(Number(faulty[1]));
  }
  const open = Math.min(chosen, cycles.length - 1);
  const cycle = cycles[open];
  const set = (next: MachineCycle[]) => change({ cycles: next });
  const fresh = () => {
    for (let n = cycles.length + 1; ; n++) if (!cycles.some((c) => c.id === `c${n}`)) return { id: `c${n}`, panel: freeNumber(cycles) };
  };
  const add = (c: MachineCycle) => {
    set([...cycles, c]);
    choose(cycles.length);
  };
  const move = (by: number) => {
    const next = [...cycles];
    const [c] = next.splice(open, 1);
    if (c) next.splice(open + by, 0, c);
    set(next);
    choose(open + by);
  };
  const icon = "grid size-11 place-items-center rounded-tray border-2 border-rim text-rim disabled:border-rule disabled:text-soft";
  return (
    <div className="grid gap-x-8 gap-y-4 lg:grid-cols-[15rem_1fr]">
      <div>
        <ul className="divide-y divide-rule border-y border-rule">
          {cycles.map((c, n) => (
            <li key={c.id}>
              <button
                type="button"
                aria-current={n === open}
                onClick={() => choose(n)}
                className="flex min-h-12 w-full items-center gap-2 px-2 text-left font-semibold aria-[current=true]:bg-rim aria-[current=true]:text-on-rim"
              >
                <span className="figures w-6">{c.panel} </span>
                {c.name || "no name yet"}
                {c.own && <span className="text-xs font-normal"> own</span>}
              </button>
            </li>
          ))}
        </ul>
        <Fault text={at("/cycles")} />
        <div className="mt-2 flex flex-wrap gap-2">
          <button
            type="button"
            onClick={() =>
              add({
                ...fresh(),
                name: "",
                character: "basic",
                delay: true,
                hasCrust: true,
                keepsWarm: true,
                stages: [
                  { kind: "knead", minutes: 25 },
                  { kind: "rise", minutes: 60 },
                  { kind: "rise", minutes: 50 },
                  { kind: "bake", minutes: 55 },
                ],
              })
            }
            className={icon}
            aria-label="Add a cycle"
            title="Add a cycle"
          >
            <Plus size={20} aria-hidden="true" />
          </button>
          {cycle && (
            <>
              <button
                type="button"
                onClick={() => add({ ...cycle, ...fresh(), name: `${cycle.name}, own`, own: true })}
                className={icon}
                aria-label={`Copy ${cycle.name} as a cycle of your own`}
                title="Copy as your own"
              >
                <Copy size={20} aria-hidden="true" />
              </button>
              <button type="button" onClick={() => move(-1)} disabled={open === 0} className={icon} aria-label={`Move ${cycle.name} up`}>
                <ArrowUp size={20} aria-hidden="true" />
              </button>
              <button
                type="button"
                onClick={() => move(1)}
                disabled={open === cycles.length - 1}
                className={icon}
                aria-label={`Move ${cycle.name} down`}
              >
                <ArrowDown size={20} aria-hidden="true" />
              </button>
              <button
                type="button"
                onClick={() => set(cycles.filter((_, n) => n !== open))}
                className={icon}
                aria-label={`Remove ${cycle.name}`}
              >
                <X size={20} aria-hidden="true" />
              </button>
            </>
          )}
        </div>
      </div>
      {cycle ? (
        <CycleForm
          key={cycle.id}
          cycle={cycle}
          machine={machine}
          at={(pointer) => at(`/cycles/${open}${pointer}`)}
          doubt={(pointer) => doubt(`/cycles/${open}${pointer}`)}
          change={(part) => set(cycles.map((c, n) => (n === open ? { ...c, ...part } : c)))}
        />
      ) : (
        <p className="text-lg text-soft">Add the first cycle.</p>
      )}
    </div>
  );
}

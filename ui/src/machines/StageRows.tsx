import { Button } from "../parts/Button";
import { Plus, X } from "lucide-react";
import { useState } from "react";
import type { Machine, MachineStage, MachineVariation } from "../client/types.gen";
import { look } from "../parts/stages";
import { Picker } from "../parts/Picker";
import { Doubt, type FaultAt, NumberField } from "./fields";

const kinds: MachineStage["kind"][] = ["rest", "knead", "rise", "knock-back", "bake", "boil", "warm"];

interface Props {
  stages: MachineStage[];
  sizes: Machine["sizes"];
  crusts: Machine["crusts"];
  change: (stages: MachineStage[]) => void;
  at: FaultAt;
  doubt: FaultAt;
}

/** The stages as rows, with the minutes of other sizes and crusts where they differ. */
export function StageRows({ stages, sizes, crusts, change, at, doubt }: Props) {
  const [opened, open] = useState<number[]>([]);
  const set = (n: number, part: Partial<MachineStage>) => change(stages.map((s, m) => (m === n ? { ...s, ...part } : s)));
  const vary = (n: number, key: Omit<MachineVariation, "minutes">, minutes: number) => {
    const others = (stages[n]?.vary ?? []).filter((v) => v.size !== key.size || v.crust !== key.crust);
    set(n, { vary: [...others, { ...key, minutes }].sort((a, b) => Number(!a.size || !a.crust) - Number(!b.size || !b.crust)) });
  };
  const minutesOf = (s: MachineStage, key: Omit<MachineVariation, "minutes">) =>
    s.vary?.find((v) => v.size === key.size && v.crust === key.crust)?.minutes ?? s.minutes;
  return (
    <>
      <ol className="mt-2 divide-y divide-rule border-y border-rule">
        {stages.map((s, n) => {
          const differs = opened.includes(n) || !!s.vary?.length || !!s.least;
          return (
            <li key={n} className="flex flex-wrap items-start gap-x-3 py-1">
              <span className="figures w-6 self-center text-soft">{n + 1}</span>
              <div className="w-36">
                <Picker
                  label={`Stage ${n + 1}`}
                  value={s.kind}
                  choices={kinds.map((k) => ({ id: k, name: look[k].name }))}
                  pick={(k) => set(n, { kind: k as MachineStage["kind"] })}
                />
              </div>
              <NumberField
                hidden
                label={`Minutes of stage ${n + 1}`}
                unit="min"
                value={s.minutes}
                change={(minutes) => set(n, { minutes })}
                fault={at(`/stages/${n}/minutes`)}
              />
              <Doubt text={doubt(`/stages/${n}/minutes`)} />
              {!differs && s.kind !== "knock-back" && (
                <Button onClick={() => open([...opened, n])} look="text" className="text-sm">
                  differs by size, crust or day<span className="sr-only">: stage {n + 1}</span>
                </Button>
              )}
              {differs && s.kind !== "knock-back" && (
                <>
                  <NumberField
                    label="Minimum"
                    value={s.least ?? s.minutes}
                    change={(least) => set(n, { least: least < s.minutes ? least : undefined })}
                    fault={at(`/stages/${n}/least`)}
                  />
                  {sizes.map((size) => (
                    <NumberField key={size} label={size} value={minutesOf(s, { size })} change={(m) => vary(n, { size }, m)} />
                  ))}
                  {s.kind === "bake" &&
                    crusts
                      .filter((c) => c !== "medium")
                      .map((crust) => (
                        <NumberField key={crust} label={crust} value={minutesOf(s, { crust })} change={(m) => vary(n, { crust }, m)} />
                      ))}
                </>
              )}
              <button
                type="button"
                aria-label={`Remove stage ${n + 1}, ${look[s.kind].name}`}
                onClick={() => change(stages.filter((_, m) => m !== n))}
                className="ml-auto grid size-11 place-items-center text-rim"
              >
                <X size={20} aria-hidden="true" />
              </button>
            </li>
          );
        })}
      </ol>
      <Button onClick={() => change([...stages, { kind: "bake", minutes: 10 }])} look="text" className="flex items-center gap-1">
        <Plus size={18} aria-hidden="true" />
        Add a stage
      </Button>
    </>
  );
}

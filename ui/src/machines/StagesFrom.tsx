import { Button } from "../parts/Button";
import { useState } from "react";
import { useEstimate } from "../client/machines";
import type { Machine, MachineCycle } from "../client/types.gen";
import { inHours, readLength } from "../parts/time";
import { TroubleNote } from "../parts/Trouble";
import { box, Typed } from "../parts/Typed";
import { Picker } from "../parts/Picker";
import { cycleTitle } from "../parts/panel";

interface Props {
  cycle: MachineCycle;
  machine: Machine;
  change: (part: Partial<MachineCycle>) => void;
}

const total = (c: MachineCycle) => c.stages.reduce((sum, s) => sum + s.minutes, 0);

/** Where a cycle's stages come from when the booklet does not list them: its total alone, or another cycle. */
export function StagesFrom({ cycle, machine, change }: Props) {
  const estimate = useEstimate();
  const [asking, ask] = useState(false);
  const others = machine.cycles.filter((c) => c.id !== cycle.id);
  const ofTotal = (minutes: number, kept: () => void) =>
    estimate.mutate(
      { character: cycle.character, total: minutes },
      {
        onSuccess: ({ stages }) => {
          change({ stages, estimated: true, beeps: (cycle.beeps ?? []).filter((b) => b.by !== "after the start" || b.minutes < minutes) });
          ask(false);
          kept();
        },
      },
    );
  return (
    <div className="mt-2">
      {cycle.estimated && (
        <p className="border-l-4 border-rim pl-3 text-sm" data-estimated>
          Estimated from its total alone. Put each stage right when you have seen it.{" "}
          <Button onClick={() => change({ estimated: undefined })} look="text" size="small">
            These times are correct
          </Button>
        </p>
      )}
      <div className="flex flex-wrap items-center gap-x-5">
        {asking ? (
          <label className="flex items-center gap-2 text-sm font-semibold">
            It takes
            <Typed
              value={0}
              show={(m) => (m > 0 ? inHours(m) : "")}
              parse={readLength}
              keep={ofTotal}
              say="such as 3:20"
              placeholder="3:20"
              className={`${box} figures h-11 w-24 text-lg font-bold`}
            />
          </label>
        ) : (
          <Button onClick={() => ask(true)} look="text" className="text-sm">
            I only know the total time
          </Button>
        )}
        {others.length > 0 && (
          <Picker
            look="small"
            label="Copy stages from another cycle"
            value=""
            choices={[
              { id: "", name: "Copy stages from another cycle" },
              ...others.map((c) => ({ id: c.id, name: cycleTitle(c), hint: inHours(total(c)) })),
            ]}
            pick={(id) => {
              const from = others.find((c) => c.id === id);
              if (from) change({ stages: from.stages, beeps: from.beeps, estimated: from.estimated });
            }}
          />
        )}
      </div>
      <TroubleNote error={estimate.error} />
    </div>
  );
}

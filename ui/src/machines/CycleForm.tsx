import { Button } from "../parts/Button";
import type { Machine, MachineBeep, MachineCycle } from "../client/types.gen";
import { MachineCharacter } from "../client/words.gen";
import { said } from "../parts/said";
import { Picker } from "../parts/Picker";
import { StagesFrom } from "./StagesFrom";
import { Doubt, Fault, type FaultAt, NumberField, TextField, Tick } from "./fields";
import { StageRibbon } from "./StageRibbon";
import { StageRows } from "./StageRows";
import { cycleTitle } from "../parts/panel";

const calls: MachineBeep["for"][] = ["add-ins", "paddle out", "scrape the sides"];
const anchors: MachineBeep["by"][] = ["before the last knead ends", "after the start", "before the last rise"];

interface Props {
  cycle: MachineCycle;
  machine: Machine;
  change: (part: Partial<MachineCycle>) => void;
  at: FaultAt;
  doubt: FaultAt;
}

/** One cycle: what the panel calls it, its stages on the ribbon and in rows, its beeps. */
export function CycleForm({ cycle, machine, change, at, doubt }: Props) {
  const beeps = cycle.beeps ?? [];
  const setBeep = (n: number, part: Partial<MachineBeep>) => change({ beeps: beeps.map((b, m) => (m === n ? { ...b, ...part } : b)) });
  return (
    <div className="min-w-0">
      <div className="flex flex-wrap items-end gap-3">
        <TextField label="Number on the panel" value={cycle.panel} change={(panel) => change({ panel })} />
        <TextField wide label="Its name" value={cycle.name} change={(name) => change({ name })} fault={at("/name")} />
        <Picker
          label="Made for"
          value={cycle.character}
          choices={MachineCharacter.map((c) => ({ id: c, name: said(c) }))}
          pick={(c) => change({ character: c as MachineCycle["character"] })}
        />
      </div>
      <div className="flex flex-wrap gap-x-5">
        <Tick label="Delay timer" on={cycle.delay} change={(delay) => change({ delay })} />
        <Tick label="Choice of crust" on={cycle.hasCrust} change={(hasCrust) => change({ hasCrust })} />
        <Tick label="Choice of size" on={!cycle.noSize} change={(size) => change({ noSize: !size })} />
        <Tick label="Keeps warm after" on={cycle.keepsWarm} change={(keepsWarm) => change({ keepsWarm })} />
        <Tick label="Pauses and waits for Start" on={!!cycle.restart} change={(restart) => change({ restart })} />
      </div>
      <OnCrust cycle={cycle} machine={machine} change={change} at={at} />
      <StagesFrom cycle={cycle} machine={machine} change={change} />
      <StageRibbon stages={cycle.stages} change={(stages) => change({ stages, typical: undefined })} />
      <Fault text={at("/stages")} />
      <Doubt text={doubt("/stages")} />
      <StageRows
        stages={cycle.stages}
        sizes={machine.sizes}
        crusts={machine.crusts}
        change={(stages) => change({ stages, typical: undefined })}
        at={at}
        doubt={doubt}
      />
      <h2 className="mt-4 text-sm font-semibold text-soft">Beeps</h2>
      <ul className="divide-y divide-rule border-y border-rule">
        {beeps.map((b, n) => (
          <li key={n} className="flex flex-wrap items-center gap-2 py-1">
            <Picker
              label={`Beep ${n + 1} calls for`}
              value={b.for}
              choices={calls.map((c) => ({ id: c, name: c }))}
              pick={(c) => setBeep(n, { for: c as MachineBeep["for"] })}
            />
            <NumberField
              hidden
              label={`Minutes of beep ${n + 1}`}
              unit="min"
              value={b.minutes}
              change={(minutes) => setBeep(n, { minutes })}
              fault={at(`/beeps/${n}/minutes`) ?? at(`/beeps/${n}/by`)}
            />
            <Picker
              label={`Beep ${n + 1} counts`}
              value={b.by}
              choices={anchors.map((a) => ({ id: a, name: a }))}
              pick={(a) => setBeep(n, { by: a as MachineBeep["by"], upTo: undefined })}
            />
            {b.by === "after the start" && (
              <NumberField
                hidden
                label={`Latest minute of beep ${n + 1}`}
                unit="at the latest"
                value={b.upTo ?? b.minutes}
                change={(upTo) => setBeep(n, { upTo: upTo > b.minutes ? upTo : undefined })}
              />
            )}
            <Button onClick={() => change({ beeps: beeps.filter((_, m) => m !== n) })} look="text" className="ml-auto">
              Remove beep<span className="sr-only">: beep {n + 1}</span>
            </Button>
          </li>
        ))}
      </ul>
      <Button onClick={() => change({ beeps: [...beeps, { for: "add-ins", by: "before the last knead ends", minutes: 5 }] })} look="text">
        Add a beep
      </Button>
    </div>
  );
}

/** Some machines choose a rapid loaf by the crust button, at another cycle's place on the menu. */
function OnCrust({ cycle, machine, change, at }: Omit<Props, "doubt">) {
  const others = machine.cycles.filter((c) => c.id !== cycle.id && !c.with);
  const base = others.find((c) => c.id === cycle.with);
  if (others.length === 0) return null;
  return (
    <div className="flex flex-wrap items-center gap-x-3">
      <span className="text-sm text-soft">It is chosen by</span>
      <Picker
        label="It is chosen by"
        value={cycle.with ?? ""}
        choices={[{ id: "", name: "Its own number" }, ...others.map((c) => ({ id: c.id, name: `the crust button, at ${cycleTitle(c)}` }))]}
        pick={(id) =>
          change(
            id
              ? {
                  with: id,
                  onCrust: cycle.onCrust ?? "rapid",
                  hasCrust: false,
                  panel: others.find((c) => c.id === id)?.panel ?? cycle.panel,
                }
              : { with: undefined, onCrust: undefined },
          )
        }
      />
      {base && (
        <TextField
          label="The crust button then says"
          value={cycle.onCrust ?? ""}
          change={(onCrust) => change({ onCrust })}
          fault={at("/onCrust")}
        />
      )}
      <Fault text={at("/with")} />
    </div>
  );
}

import type { Machine, MachineDelay } from "../client/types.gen";
import { Choices } from "../kitchen/Choices";
import { Picker } from "../parts/Picker";
import { MachineCrust, PanFatPlace, PanSaltPlace } from "../client/words.gen";
import { PanSides } from "./PanSides";
import { Fault, type FaultAt, NumberField, TextField, Tick, Toggles } from "./fields";
import { thermometer } from "../parts/figures";

const sizes = ["1 lb", "1 1/2 lb", "2 lb", "2 1/2 lb", "500 g", "750 g", "1000 g"] as const;

const paddles = [
  ["1 fixed", "one paddle, fixed"],
  ["1 folding", "one paddle that folds down"],
  ["2 fixed", "two paddles, fixed"],
  ["2 folding", "two paddles that fold down"],
  ["0 fixed", "no paddle"],
] as const;

interface Props {
  machine: Machine;
  change: (part: Partial<Machine>) => void;
  at: FaultAt;
}

/** The machine itself: its pan, paddles, dispensers and timer. */
export function MachineForm({ machine, change, at }: Props) {
  const { delay } = machine;
  const timer = (part: Partial<MachineDelay>) => change({ delay: { ...delay, ...part } });
  const rule = delay.rule === "finish-based" || delay.rule === "start-based" ? delay.rule : "none";
  return (
    <div className="grid gap-x-10 gap-y-4 lg:grid-cols-2">
      <div className="space-y-4">
        <TextField
          wide
          label="Your own name for it"
          value={machine.name}
          change={(name) => change({ name })}
          fault={at("/name")}
          hint="Galley machine"
        />
        <Toggles
          label="Loaf sizes"
          all={sizes}
          on={machine.sizes.filter((s): s is (typeof sizes)[number] => (sizes as readonly string[]).includes(s))}
          change={(on) => change({ sizes: on })}
          fault={at("/sizes")}
        />
        <Toggles label="Crusts" all={MachineCrust} on={machine.crusts} change={(on) => change({ crusts: on })} fault={at("/crusts")} />
        <PanSides vessel={machine.vessel} change={(vessel) => change({ vessel })} at={at} />
        <div className="flex flex-wrap items-end gap-4">
          <Picker
            label="Paddles"
            value={`${machine.paddles.count} ${machine.paddles.folding ? "folding" : "fixed"}`}
            choices={paddles.map(([id, name]) => ({ id, name }))}
            pick={(p) => change({ paddles: { count: Number(p.slice(0, 1)), folding: p.endsWith("folding") } })}
          />
          <Fault text={at("/paddles/count")} />
          <Tick label="It has a window" on={machine.window} change={(window) => change({ window })} />
        </div>
        <div className="flex flex-wrap items-end gap-4">
          <NumberField
            label="Fruit and nut dispenser (0 = none)"
            unit="ml"
            value={machine.dispenser}
            change={(dispenser) => change({ dispenser })}
            fault={at("/dispenser")}
          />
          <Tick label="Yeast has a dispenser of its own" on={!!machine.yeastBox} change={(yeastBox) => change({ yeastBox })} />
        </div>
      </div>
      <div className="space-y-4">
        <Choices
          label="What its booklet puts in first"
          value={machine.loading}
          pick={(loading) => change({ loading })}
          choices={[
            ["wet first", "Liquids first", "Yeast on top, in a well."],
            ["dry first", "Yeast and flour first", "Liquids on top."],
          ]}
        />
        <div className="flex flex-wrap items-center gap-x-5">
          <span className="text-sm">
            Its booklet puts salt and sugar
            <Picker
              label="Salt and sugar"
              value={machine.salt ?? ""}
              choices={[{ id: "", name: "nowhere in particular" }, ...PanSaltPlace.map((p) => ({ id: p, name: p }))]}
              pick={(p) => change({ salt: PanSaltPlace.find((s) => s === p) })}
            />
          </span>
          <span className="text-sm">
            and the fat
            <Picker
              label="The fat"
              value={machine.fat ?? ""}
              choices={[{ id: "", name: "nowhere in particular" }, ...PanFatPlace.map((p) => ({ id: p, name: p }))]}
              pick={(p) => change({ fat: PanFatPlace.find((s) => s === p) })}
            />
          </span>
        </div>
        <Choices
          label="The delay timer shows"
          value={rule}
          pick={(r) =>
            timer(r === "none" ? { rule: r, step: 0, largest: 0 } : { rule: r, step: delay.step || 10, largest: delay.largest || 780 })
          }
          choices={[
            ["finish-based", "Hours until done", "The cycle is counted in."],
            ["start-based", "Hours until it begins", "The cycle comes after."],
            ["none", "No timer", "Start by hand."],
          ]}
        />
        <Fault text={at("/delay/rule")} />
        {rule !== "none" && (
          <>
            <div className="flex flex-wrap items-start gap-4">
              <NumberField
                label="It goes in steps of"
                unit="min"
                value={delay.step}
                change={(step) => timer({ step })}
                fault={at("/delay/step")}
              />
              <NumberField
                label="Maximum"
                unit="min"
                value={delay.largest}
                change={(largest) => timer({ largest })}
                fault={at("/delay/largest")}
              />
            </div>
            {rule === "finish-based" && (
              <Choices
                label="From 3 h 22, the first press of + shows"
                value={delay.first ?? "next whole step"}
                pick={(first) => timer({ first })}
                choices={[
                  ["next whole step", "On to 3 h 30", "The next whole step."],
                  ["one step on", "On to 3 h 32", "One step more."],
                ]}
              />
            )}
          </>
        )}
        <div className="flex flex-wrap items-start gap-4">
          <NumberField
            label="Keeps warm for"
            unit="min"
            value={machine.keepWarm}
            change={(keepWarm) => change({ keepWarm })}
            fault={at("/keepWarm")}
          />
          <NumberField
            label="Cools down for"
            unit="min"
            value={machine.coolDown}
            change={(coolDown) => change({ coolDown })}
            fault={at("/coolDown")}
          />
          <NumberField
            label="Kneading warms the dough by (0 if unsure)"
            unit={thermometer().unit}
            value={(machine.kneadRise ?? 0) * thermometer().per}
            change={(warmer) => change({ kneadRise: +(warmer / thermometer().per).toFixed(4) })}
            fault={at("/kneadRise")}
          />
          <NumberField
            label="Loaf height compared with usual, % (0 if unsure)"
            unit="%"
            value={Math.round(100 * (machine.fills ?? 0))}
            change={(percent) => change({ fills: percent / 100 || undefined })}
            fault={at("/fills")}
          />
          <NumberField
            label="Own cycles it can store"
            value={machine.memory ?? 0}
            change={(memory) => change({ memory })}
            fault={at("/memory")}
          />
        </div>
        <Choices
          label="Its crusts come out"
          value={String(machine.browns ?? 0)}
          pick={(shades) => change({ browns: Number(shades) || undefined })}
          choices={[
            ["0", "as they are set", "As the booklet has it."],
            ["1", "a shade darker", "The plan suggests one lighter."],
            ["-1", "a shade paler", "The plan suggests one darker."],
          ]}
        />
      </div>
    </div>
  );
}

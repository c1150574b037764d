import { Button } from "../parts/Button";
import { useState } from "react";
import { useBooklet, useEstimate } from "../client/machines";
import type { Doubts, Machine, MachineCycle } from "../client/types.gen";
import { MachineCharacter } from "../client/words.gen";
import { said } from "../parts/said";
import { Picker } from "../parts/Picker";
import { readLength } from "../parts/time";
import { useSettled } from "../parts/settled";
import { TroubleNote } from "../parts/Trouble";
import { box, Typed } from "../parts/Typed";

const clock = (minutes: number) => `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, "0")}`;

interface Props {
  machine: Machine;
  totals: Doubts["totals"] | undefined;
  change: (part: Partial<Machine>) => void;
}

/** The cycles as the booklet lists them: number, name, what each is for, and how long it takes at each size. */
export function CyclesTable({ machine, totals, change }: Props) {
  const { cycles, sizes } = machine;
  const estimate = useEstimate();
  const typical = cycles.some((c) => c.typical);
  const set = (n: number, part: Partial<MachineCycle>) => change({ cycles: cycles.map((c, m) => (m === n ? { ...c, ...part } : c)) });
  const setTotal = (n: number, size: number, minutes: number, kept: () => void) => {
    const cycle = cycles[n]!;
    const all = cycle.noSize ? [minutes] : sizes.map((_, s) => (s === size ? minutes : (totals?.[n]?.[s] ?? minutes)));
    estimate.mutate(
      { character: cycle.character, total: 0, sizes: cycle.noSize ? sizes.slice(0, 1) : sizes, totals: all },
      {
        onSuccess: ({ stages }) => {
          set(n, { stages, estimated: true, typical: undefined });
          kept();
        },
      },
    );
  };
  return (
    <>
      <p className="text-lg">
        Copy the table of cycles (programs) from your booklet: number, name, and the total time for each size.
        {typical && <span className="text-soft"> Times in grey are a typical machine’s: type yours over them.</span>}
      </p>
      <FromBooklet machine={machine} change={change} />
      <div className="mt-4 overflow-x-auto">
        <table className="w-full min-w-4xl border-y border-rule text-left">
          <thead className="text-sm text-soft">
            <tr>
              <th scope="col">Number</th>
              <th scope="col">Name</th>
              <th scope="col">Made for</th>
              {sizes.map((s) => (
                <th scope="col" key={s} className="fraction">
                  {s}
                </th>
              ))}
              <th scope="col">Delay timer</th>
              <th scope="col">Keeps warm</th>
            </tr>
          </thead>
          <tbody className="divide-y divide-rule">
            {cycles.map((c, n) => (
              <tr key={c.id}>
                <td className="py-1">
                  <input
                    aria-label={`Number of ${c.name}`}
                    value={c.panel}
                    onChange={(e) => set(n, { panel: e.target.value })}
                    className={`${box} figures h-11 w-14 text-center text-lg font-bold`}
                  />
                </td>
                <td>
                  <input
                    aria-label={`Name of cycle ${c.panel}`}
                    value={c.name}
                    onChange={(e) => set(n, { name: e.target.value })}
                    className={`${box} h-11 w-40 text-lg font-semibold`}
                  />
                </td>
                <td>
                  <Picker
                    label={`${c.name} is made for`}
                    value={c.character}
                    choices={MachineCharacter.map((m) => ({ id: m, name: said(m) }))}
                    pick={(m) => set(n, { character: m as MachineCycle["character"] })}
                  />
                </td>
                {(c.noSize ? sizes.slice(0, 1) : sizes).map((s, at) => (
                  <td key={s} colSpan={c.noSize ? sizes.length : 1}>
                    <Typed
                      value={totals?.[n]?.[at] ?? 0}
                      show={(m) => (m > 0 ? clock(m) : "")}
                      parse={readLength}
                      keep={(minutes, kept) => setTotal(n, at, minutes, kept)}
                      say="such as 3:20"
                      label={c.noSize ? `Total of ${c.name}` : `Total of ${c.name}, ${s}`}
                      placeholder="3:20"
                      className={`${box} figures h-11 w-20 text-right text-lg font-bold ${c.typical ? "text-soft" : ""}`}
                    />
                  </td>
                ))}
                <td>
                  <Yes label={`Delay timer with ${c.name}`} on={c.delay} change={(delay) => set(n, { delay })} />
                </td>
                <td>
                  <Yes label={`${c.name} keeps warm`} on={c.keepsWarm} change={(keepsWarm) => set(n, { keepsWarm })} />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <TroubleNote error={estimate.error} />
      {typical && (
        <Button className="mt-3" onClick={() => change({ cycles: cycles.map((c) => ({ ...c, typical: undefined })) })}>
          All these times are correct
        </Button>
      )}
    </>
  );
}

function Yes({ label, on, change }: { label: string; on: boolean; change: (on: boolean) => void }) {
  return (
    <span className="grid size-11 place-items-center">
      <input type="checkbox" aria-label={label} checked={on} onChange={(e) => change(e.target.checked)} className="size-6 accent-rim" />
    </span>
  );
}

/** The table as it is typed or pasted, a cycle a row, and what was read of it. */
function FromBooklet({ machine, change }: Omit<Props, "totals">) {
  const [text, write] = useState("");
  const [before, remember] = useState<MachineCycle[] | null>(null);
  const settled = useSettled(text);
  const { data, error } = useBooklet(settled, machine.sizes);
  const read = settled.trim() !== "" ? data : undefined;
  const [asked, ask] = useState(false);
  const many = (n: number) => (n === 1 ? "1 cycle" : `${n} cycles`);
  const hidden = !asked && text === "" && !machine.cycles.some((c) => c.typical);
  return (
    <div className="mt-2 max-w-3xl">
      {hidden ? (
        <Button look="text" onClick={() => ask(true)}>
          Paste a table
        </Button>
      ) : (
        <label className="block text-sm font-semibold">
          Type or paste the table, one cycle on each line
          <textarea
            rows={Math.min(14, Math.max(4, text.split("\n").length + 1))}
            value={text}
            onChange={(e) => write(e.target.value)}
            placeholder={"1 Basic 3:20 3:25 3:30\n2 French 3 h 50\n3 Whole wheat 3:40 3:45 3:50"}
            className={`${box} figures mt-1 block w-full py-2 text-lg`}
          />
        </label>
      )}
      <TroubleNote error={error} />
      {read && (
        <div role="status">
          {read.unread.length > 0 && (
            <ul className="mt-1 border-l-4 border-signal pl-3">
              {read.unread.map((u) => (
                <li key={u.row}>
                  Line {u.row}, “{u.text}”: {u.say}
                </li>
              ))}
            </ul>
          )}
          {read.cycles.length > 0 && (
            <Button
              look="filled"
              size="medium"
              className="mt-2"
              onClick={() => {
                remember(machine.cycles);
                change({ cycles: read.cycles });
                write("");
                ask(false);
              }}
            >
              Use {read.cycles.length === 1 ? "this cycle" : `these ${many(read.cycles.length)}`}
            </Button>
          )}
        </div>
      )}
      {before && (
        <Button
          look="text"
          className="ml-4"
          onClick={() => {
            change({ cycles: before });
            remember(null);
          }}
        >
          Undo: put the {many(before.length)} from before back
        </Button>
      )}
    </div>
  );
}

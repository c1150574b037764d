import type { Machine, MachinePanel, MachineRing } from "../client/types.gen";
import { Picker } from "../parts/Picker";
import { Fault, type FaultAt, TextField, Tick } from "./fields";

interface Props {
  machine: Machine;
  full: MachinePanel | undefined; // with what follows from the machine
  change: (part: Partial<Machine>) => void;
  at: FaultAt;
}

/** The buttons: what each is called, what it steps through, and where it stands when plugged in. */
export function PanelForm({ machine, full, change, at }: Props) {
  const panel = machine.panel ?? {};
  const set = (part: Partial<MachinePanel>) => change({ panel: { ...panel, ...part } });
  const ids = machine.cycles.map((c) => c.id);
  const rings: { key: "menu" | "crust" | "size"; name: string; usual: string; values: string[]; say: (v: string) => string }[] = [
    {
      key: "menu",
      name: "Chooses the cycle",
      usual: "Menu",
      values: ids,
      say: (v) => {
        const c = machine.cycles.find((m) => m.id === v);
        return c ? `${c.panel} ${c.name}` : v;
      },
    },
    { key: "crust", name: "Chooses the crust", usual: "Crust", values: machine.crusts, say: (v) => v },
    { key: "size", name: "Chooses the size", usual: "Size", values: machine.sizes, say: (v) => v },
  ];
  return (
    <div className="grid gap-x-10 gap-y-4 lg:grid-cols-2">
      <div className="space-y-4">
        {rings.map((r) => (
          <RingForm
            key={r.key}
            name={r.name}
            usual={r.usual}
            ring={panel[r.key] ?? {}}
            full={full?.[r.key]}
            values={r.values}
            say={r.say}
            change={(ring) => set({ [r.key]: ring })}
            fault={at(`/panel/${r.key}/default`) ?? at(`/panel/${r.key}/values`) ?? at(`/panel/${r.key}/only`)}
          />
        ))}
      </div>
      <div className="space-y-4">
        <div className="flex flex-wrap gap-3">
          <TextField label="Timer, later" hint="Timer +" value={panel.later ?? ""} change={(later) => set({ later })} />
          <TextField label="Timer, sooner" hint="none" value={panel.sooner ?? ""} change={(sooner) => set({ sooner })} />
        </div>
        <div className="flex flex-wrap gap-3">
          <TextField label="Start" hint="Start" value={panel.start ?? ""} change={(start) => set({ start })} />
          <TextField label="Lock" hint="none" value={panel.lock ?? ""} change={(lock) => set({ lock })} />
        </div>
        <TextField
          label="Add-ins on or off"
          hint="none"
          value={panel.addIns?.button ?? ""}
          change={(button) => set({ addIns: button ? { ...panel.addIns, button } : undefined })}
          fault={at("/panel/addIns/default")}
        />
        <Tick label="Holding the timer button keeps counting" on={!!panel.hold} change={(hold) => set({ hold })} />
        <p className="text-xs text-soft">Leave blank if the button has this usual name, or if your machine hasn’t one.</p>
      </div>
    </div>
  );
}

interface RingProps {
  name: string;
  usual: string;
  ring: MachineRing;
  full: MachineRing | undefined;
  values: string[];
  say: (value: string) => string;
  change: (ring: MachineRing) => void;
  fault: string | undefined;
}

function RingForm({ name, usual, ring, full, values, say, change, fault }: RingProps) {
  const own = (ring.values ?? []).filter((v) => values.includes(v) || v === "rapid");
  const order = own.length > 0 ? [...own, ...values.filter((v) => !own.includes(v))] : values;
  const stands =
    ring.default && order.includes(ring.default) ? ring.default : full?.default && order.includes(full.default) ? full.default : order[0];
  const later = (v: string) => {
    const n = order.indexOf(v);
    const next = order.filter((o) => o !== v);
    next.splice((n + 1) % order.length, 0, v);
    change({ ...ring, values: next });
  };
  return (
    <fieldset className="border-b border-rule pb-3">
      <legend className="text-sm font-semibold text-soft">{name}</legend>
      <div className="flex flex-wrap items-end gap-3">
        <TextField label="Button" hint={usual} value={ring.button ?? ""} change={(button) => change({ ...ring, button })} />
        <TextField label="Button for going back" hint="none" value={ring.back ?? ""} change={(back) => change({ ...ring, back })} />
        <div className="text-xs text-soft">
          Setting when switched on
          <Picker
            label={`${name}: stands at`}
            value={stands ?? ""}
            choices={order.map((v) => ({ id: v, name: say(v) }))}
            pick={(v) => change({ ...ring, default: v })}
          />
        </div>
      </div>
      <p className="mt-1 text-xs text-soft">Order of choices (tap one to move it later):</p>
      <ol className="flex flex-wrap gap-1">
        {order.map((v) => (
          <li key={v}>
            <button
              type="button"
              onClick={() => later(v)}
              className="fraction min-h-9 rounded-tray border-2 border-rule px-2 text-sm font-semibold"
            >
              {say(v)}
            </button>
          </li>
        ))}
      </ol>
      <Fault text={fault} />
    </fieldset>
  );
}

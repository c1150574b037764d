import type { Machine, MachineRing } from "../client/types.gen";

/** A ring without what the machine no longer has, and with what it has since got. */
function ringOf(ring: MachineRing | undefined, values: string[]): MachineRing | undefined {
  if (!ring) return undefined;
  const { only, ...rest } = ring;
  const kept = (ring.values ?? []).filter((v) => values.includes(v) || v === "rapid");
  const next: MachineRing = { ...rest, ...(only && { only }) };
  if (kept.length > 0) next.values = [...kept, ...values.filter((v) => !kept.includes(v))];
  else delete next.values;
  if (next.default && !(next.values ?? values).includes(next.default)) delete next.default;
  return next;
}

/** The machine with buttons that step through its present cycles, crusts and sizes. */
export function tidy(machine: Machine): Machine {
  const { panel } = machine;
  if (!panel) return machine;
  return {
    ...machine,
    panel: {
      ...panel,
      menu: ringOf(
        panel.menu,
        machine.cycles.map((c) => c.id),
      ),
      crust: ringOf(panel.crust, machine.crusts),
      size: ringOf(panel.size, machine.sizes),
    },
  };
}

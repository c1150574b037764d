import type { Kitchen, Problem } from "../client/types.gen";
import { readClock, shown } from "../parts/time";
import { Typed } from "../parts/Typed";
import { Absences } from "./Absences";
import { fieldLook, type SetKitchen } from "./set";

/** When nobody should be woken, when nobody is there, and by which clock. */
export function Hours({ kitchen, set, fault }: { kitchen: Kitchen; set: SetKitchen; fault: Problem | undefined }) {
  return (
    <div className="grid gap-x-10 gap-y-5 lg:grid-cols-2">
      <QuietHours kitchen={kitchen} set={set} />
      <Absences kitchen={kitchen} set={set} />
      <label className="block">
        <span className="text-sm font-semibold text-soft">Time zone</span>
        <Typed
          value={kitchen.zone}
          show={(v) => v}
          parse={(text) => text.trim() || null}
          fault={fault?.pointer === "/zone" ? fault.detail : undefined}
          keep={(zone, kept) => set({ zone }, kept)}
          say="a time zone such as Europe/London"
          className={`${fieldLook} mt-1 block w-64 max-w-full text-lg font-bold`}
          faultClass="block text-sm text-signal"
        />
      </label>
    </div>
  );
}

/** Hours in which no beep should wake anybody. */
function QuietHours({ kitchen, set }: { kitchen: Kitchen; set: SetKitchen }) {
  const { from, to } = kitchen.quiet;
  return (
    <fieldset>
      <legend className="text-sm font-semibold text-soft">Quiet hours, when no beep should wake anybody</legend>
      <div className="mt-1 flex items-center gap-2">
        <ClockField label="Quiet from" value={from} keep={(v, kept) => set({ quiet: { from: v, to } }, kept)} />
        to
        <ClockField label="Quiet until" value={to} keep={(v, kept) => set({ quiet: { from, to: v } }, kept)} />
        <span className="text-sm text-soft">{from === to ? "none" : ""}</span>
      </div>
    </fieldset>
  );
}

function ClockField({ label, value, keep }: { label: string; value: string; keep: (clock: string, kept: () => void) => void }) {
  return (
    <Typed
      value={value}
      show={shown}
      parse={readClock}
      keep={keep}
      label={label}
      say="such as 22:30"
      className={`${fieldLook} w-28 text-center text-lg font-bold`}
    />
  );
}

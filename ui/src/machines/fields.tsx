import type { Problem } from "../client/types.gen";
import { box, readNumber, Typed } from "../parts/Typed";
import { ownable } from "../parts/ownable";
import { upTo } from "../parts/figures";

/** What the server says is wrong at a field, by its pointer. */
export type FaultAt = (pointer: string) => string | undefined;

export const faultsOf =
  (problem: Problem | undefined): FaultAt =>
  (pointer) =>
    problem?.pointer === pointer ? problem.detail : undefined;

/** A question beside a field, which forbids nothing. */
export function Doubt({ text }: { text: string | undefined }) {
  return text ? (
    <span role="status" className="block border-l-4 border-rim pl-2 text-sm font-normal text-ink">
      {text}
    </span>
  ) : null;
}

export function Fault({ text }: { text: string | undefined }) {
  return text ? (
    <span role="alert" className="block text-sm font-normal text-signal">
      {text}
    </span>
  ) : null;
}

interface NumberProps {
  label: string;
  value: number;
  change: (value: number) => void;
  unit?: string;
  fault?: string;
  hidden?: boolean; // the label is for those who listen
}

/** A whole number; what is no number stays in the field until it is one. */
export function NumberField({ label, value, change, unit, fault, hidden }: NumberProps) {
  return (
    <label className="block text-xs text-soft">
      <span className={hidden ? "sr-only" : ""}>{label}</span>
      <span className="flex items-center gap-1">
        <Typed
          live
          value={value}
          show={(v) => upTo(v, 3)}
          parse={readNumber}
          keep={change}
          fault={fault}
          mode="numeric"
          className={`${box} figures h-11 w-18 text-right text-lg font-bold text-ink`}
          faultClass="order-last block text-sm font-normal text-signal"
        />
        {unit}
      </span>
    </label>
  );
}

interface TextProps {
  label: string;
  value: string;
  change: (value: string) => void;
  fault?: string;
  wide?: boolean;
  hint?: string;
}

export function TextField({ label, value, change, fault, wide, hint }: TextProps) {
  return (
    <label className="block text-xs text-soft">
      {label}
      <input
        value={value}
        onChange={(e) => change(e.target.value)}
        placeholder={hint}
        aria-invalid={!!fault}
        className={`${box} block h-11 text-lg font-semibold text-ink ${wide ? "w-72 max-w-full" : "w-36"}`}
      />
      <Fault text={fault} />
    </label>
  );
}

interface TogglesProps<T extends string> {
  label: string;
  all: readonly T[];
  on: T[];
  change: (on: T[]) => void;
  fault?: string;
}

/** Several of a list; they keep the list's order. */
export function Toggles<T extends string>({ label, all, on, change, fault }: TogglesProps<T>) {
  return (
    <fieldset>
      <legend className="text-xs text-soft">{label}</legend>
      <div className="mt-1 flex flex-wrap gap-2">
        {all.map((v) => (
          <button
            key={v}
            type="button"
            aria-pressed={on.includes(v)}
            onClick={() => change(all.filter((o) => (o === v ? !on.includes(v) : on.includes(o))))}
            className={`fraction min-h-11 px-3 font-semibold aria-pressed:bg-rim aria-pressed:text-on-rim ${ownable}`}
          >
            {v}
          </button>
        ))}
      </div>
      <Fault text={fault} />
    </fieldset>
  );
}

/** Yes or no. */
export function Tick({ label, on, change }: { label: string; on: boolean; change: (on: boolean) => void }) {
  return (
    <label className="flex min-h-11 items-center gap-2 text-sm font-semibold">
      <input type="checkbox" checked={on} onChange={(e) => change(e.target.checked)} className="size-6 accent-rim" />
      {label}
    </label>
  );
}

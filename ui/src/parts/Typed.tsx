import { useId, useState } from "react";

interface Props<T> {
  value: T;
  show: (value: T) => string;
  parse: (text: string) => T | null; // null: it cannot be read
  keep: (value: T, kept: () => void) => void; // kept lets the field go back to showing the value
  say?: string; // what would be right, where it cannot be read
  fault?: string; // why the server refuses it
  label?: string; // for those who listen, where no label stands round the field
  live?: boolean; // each stroke that can be read is kept, not the whole when the field is left
  placeholder?: string;
  mode?: "numeric" | "decimal" | "text";
  className: string;
  faultClass?: string;
}

export const box = "rounded-tray border-2 border-rim bg-enamel px-2 aria-invalid:border-signal";

/** A field for something that is typed and read: what cannot be read stays in it, and is not kept. */
export function Typed<T>({ value, show, parse, keep, say, fault, label, live, placeholder, mode, className, faultClass }: Props<T>) {
  const [typed, type] = useState<string | null>(null);
  const id = useId();
  const read = typed === null ? null : parse(typed);
  const wrong = typed !== null && read === null;
  const settled = () => type(null);
  const change = (text: string) => {
    type(text);
    const now = parse(text);
    if (live && now !== null) keep(now, () => undefined);
  };
  const commit = () => {
    if (typed === null || read === null) return;
    if (live || show(read) === show(value)) settled();
    else keep(read, settled);
  };
  const problem = wrong ? say : fault;
  return (
    <>
      <input
        value={typed ?? show(value)}
        onChange={(e) => change(e.target.value)}
        onFocus={(e) => e.target.select()}
        onBlur={commit}
        onKeyDown={(e) => e.key === "Enter" && commit()}
        inputMode={mode}
        placeholder={placeholder}
        aria-label={label}
        aria-invalid={wrong || !!fault}
        aria-describedby={problem ? id : undefined}
        className={className}
      />
      {problem && (
        <span id={id} role="status" className={faultClass ?? "block text-xs font-normal text-signal"}>
          {problem}
        </span>
      )}
    </>
  );
}

/** A number as it is typed, with a point or a comma. */
export function readNumber(text: string): number | null {
  const n = text.trim() === "" ? Number.NaN : Number(text.replace(",", "."));
  return Number.isNaN(n) ? null : n;
}

/** A number within bounds. */
export const between = (least: number, most: number) => (text: string) => {
  const n = readNumber(text);
  return n !== null && n >= least && n <= most ? n : null;
};

/** A temperature as it is typed: without a unit, in the kitchen's own. */
export const degrees = (unit: string) => (text: string) => {
  const said = text.trim();
  return said === "" || /[a-z]/i.test(said) ? said : `${said} ${unit}`;
};

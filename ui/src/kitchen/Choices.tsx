import { Radio, RadioGroup } from "@headlessui/react";

interface Props<T extends string> {
  label: string;
  value: T;
  choices: [T, string, string][]; // value, name, what it does
  pick: (value: T) => void;
}

/** One of a few ways, each saying what it does. */
export function Choices<T extends string>({ label, value, choices, pick }: Props<T>) {
  return (
    <section>
      <h2 className="text-sm font-semibold text-soft">{label}</h2>
      <RadioGroup value={value} onChange={pick} aria-label={label} className="mt-1 flex overflow-hidden rounded-tray border-2 border-rim">
        {choices.map(([v, name, what]) => (
          <Radio key={v} value={v} aria-label={`${name}: ${what}`} className="min-h-12 flex-1 cursor-pointer border-r-2 border-rim px-3 py-2 last:border-r-0 data-checked:bg-rim data-checked:text-on-rim">
            <span className="block leading-5 font-semibold">{name}</span>
            <span className="block text-xs leading-4">{what}</span>
          </Radio>
        ))}
      </RadioGroup>
    </section>
  );
}

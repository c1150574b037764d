import { Radio, RadioGroup } from "@headlessui/react";
import type { ReactNode } from "react";

interface Segment<T> {
  value: T;
  label: string; // for those who listen
  show: ReactNode;
  title?: string;
  disabled?: boolean;
}

interface Props<T> {
  label: string;
  value: T;
  segments: Segment<T>[];
  pick: (value: T) => void;
  look?: keyof typeof looks;
  className?: string;
}

const chosen = "cursor-pointer data-checked:bg-rim data-checked:text-on-rim";
const looks = {
  joined: {
    group: "flex overflow-hidden rounded-tray border-2 border-rim",
    one: `relative border-r-2 border-rim last:border-r-0 ${chosen}`,
  },
  apart: { group: "flex flex-wrap gap-2", one: `flex items-center rounded-tray border-2 border-rule data-checked:border-rim ${chosen}` },
} as const;

/** One of a few, side by side. */
export function Segments<T extends string | number>({ label, value, segments, pick, look = "joined", className = "" }: Props<T>) {
  return (
    <RadioGroup value={value} onChange={pick} aria-label={label} className={looks[look].group}>
      {segments.map((s) => (
        <Radio
          key={s.value}
          value={s.value}
          disabled={s.disabled}
          aria-label={s.label}
          title={s.title}
          className={`${looks[look].one} data-disabled:cursor-not-allowed data-disabled:text-soft data-disabled:line-through ${className}`}
        >
          {s.show}
        </Radio>
      ))}
    </RadioGroup>
  );
}

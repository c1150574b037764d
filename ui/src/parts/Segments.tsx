import { type ReactNode, useId } from "react";

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

const one =
  "has-checked:bg-rim has-checked:text-on-rim has-disabled:cursor-not-allowed has-disabled:text-soft has-disabled:line-through " +
  "has-focus-visible:outline-3 has-focus-visible:outline-rim cursor-pointer";
const looks = {
  joined: {
    group: "flex rounded-tray border-2 border-rim",
    one:
      "relative border-r-2 border-rim last:border-r-0 first:rounded-l-md last:rounded-r-md " +
      "has-focus-visible:-outline-offset-6 has-focus-visible:has-checked:outline-on-rim",
  },
  apart: {
    group: "flex flex-wrap gap-2",
    one: "relative flex items-center rounded-tray border-2 border-rule has-checked:border-rim has-focus-visible:outline-offset-2",
  },
} as const;

/** One of a few, side by side: the browser's own radio buttons, which every key and every reader knows. */
export function Segments<T extends string | number>({ label, value, segments, pick, look = "joined", className = "" }: Props<T>) {
  const group = useId();
  return (
    <div role="radiogroup" aria-label={label} className={looks[look].group}>
      {segments.map((s) => (
        <label key={s.value} title={s.title} className={`${one} ${looks[look].one} ${className}`}>
          <input
            type="radio"
            name={group}
            checked={s.value === value}
            disabled={s.disabled}
            aria-label={s.label}
            onChange={() => pick(s.value)}
            className="absolute inset-0 cursor-[inherit] appearance-none outline-none"
          />
          {s.show}
        </label>
      ))}
    </div>
  );
}

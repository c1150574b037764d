import { Segments } from "../parts/Segments";

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
      <div className="mt-1">
        <Segments
          label={label}
          value={value}
          pick={pick}
          className="min-h-12 flex-1 px-3 py-2"
          segments={choices.map(([v, name, what]) => ({
            value: v,
            label: `${name}: ${what}`,
            show: (
              <>
                <span className="block leading-5 font-semibold">{name}</span>
                <span className="block text-xs leading-4">{what}</span>
              </>
            ),
          }))}
        />
      </div>
    </section>
  );
}

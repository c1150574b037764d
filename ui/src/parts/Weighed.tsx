import { inGrams, scale, upTo } from "./figures";
import { readNumber, Typed } from "./Typed";

interface Props {
  what: string; // for those who listen, without the unit
  grams: number;
  keep: (grams: number, kept: () => void) => void;
  className: string;
}

/** A weight that is typed by this kitchen's scale, and its unit. */
export function Weighed({ what, grams, keep, className }: Props) {
  const { unit, name, g } = scale();
  return (
    <span className="flex items-center gap-1">
      <Typed
        value={grams}
        show={(v) => upTo(v / g, 2)}
        parse={(text) => inGrams(readNumber(text))}
        keep={keep}
        label={`${what}, in ${name}`}
        mode="decimal"
        say={`a number of ${name}`}
        className={className}
      />
      {unit}
    </span>
  );
}

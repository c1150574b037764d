import { useState } from "react";
import type { Machine } from "../client/types.gen";
import { Segments } from "../parts/Segments";
import { between, box, Typed } from "../parts/Typed";
import { Fault, type FaultAt } from "./fields";
import { ruler as inKitchen, upTo } from "../parts/figures";

/** What a ruler may count in, in millimetres. */
const rulers = { cm: 10, inches: 25.4, mm: 1 } as const;
type Ruler = keyof typeof rulers;

/** The pan's inside, by the ruler that is at hand. */
export function PanSides({ vessel, change, at }: { vessel: Machine["vessel"]; change: (vessel: Machine["vessel"]) => void; at: FaultAt }) {
  const [ruler, use] = useState<Ruler>(inKitchen().unit === "in" ? "inches" : "cm");
  const mm = rulers[ruler];
  return (
    <fieldset>
      <legend className="text-xs text-soft">The pan inside</legend>
      <div className="flex flex-wrap items-end gap-3">
        {(["length", "width", "depth"] as const).map((side) => (
          <label key={side} className="block text-xs text-soft">
            {side}
            <Typed
              live
              value={vessel[side]}
              show={(v) => upTo(v / mm, ruler === "mm" ? 0 : 2)}
              parse={(text) => {
                const read = between(0, 500 / mm)(text);
                return read === null ? null : Math.round(read * mm);
              }}
              keep={(v) => change({ ...vessel, [side]: v })}
              say={`a number up to ${Math.floor(500 / mm)}`}
              fault={at(`/vessel/${side}`)}
              mode="decimal"
              className={`${box} figures block h-11 w-18 text-right text-lg font-bold text-ink`}
            />
          </label>
        ))}
        <Segments
          label="The ruler counts in"
          value={ruler}
          pick={use}
          className="min-h-11 px-3 font-semibold"
          segments={(Object.keys(rulers) as Ruler[]).map((r) => ({ value: r, label: r, show: r }))}
        />
      </div>
      <Fault text={at("/vessel")} />
    </fieldset>
  );
}

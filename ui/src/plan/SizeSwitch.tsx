import { useState } from "react";
import type { PlanSizeOffer } from "../client/types.gen";
import { Segments } from "../parts/Segments";
import { between, Typed } from "../parts/Typed";
import type { Change } from "./wish";

/** "1 1/2 lb" without its unit. */
const pounds = (size: string) => size.replace(/ lb$/, "");

interface SizeProps {
  sizes: PlanSizeOffer[];
  value: string;
  slices: number | undefined; // asked for in place of a size
  eaters: number | undefined; // so many slices for each
  pick: (size: string) => void;
  ask: (change: Change) => void;
}

/** The loaf sizes, or so many slices; sizes that the machine does not bake say why. */
export function SizeSwitch({ sizes, value, slices, eaters, pick, ask }: SizeProps) {
  const refused = sizes.find((s) => s.whyNot);
  const written = sizes.find((s) => s.written);
  const batch = sizes.some((s) => s.batch);
  const chosen = sizes.find((s) => s.size === value);
  const [counting, count] = useState(false);
  const few = counting || !!slices || !!eaters;
  return (
    <div>
      <Segments
        label={batch ? "How much" : "Loaf size"}
        value={value}
        pick={pick}
        className="grid min-h-12 min-w-14 flex-1 place-items-center px-2"
        segments={sizes.map((s) => ({
          value: s.size,
          disabled: s.whyNot !== undefined,
          label: `${s.batch ?? s.size}${s.written ? ", as written" : ""}${s.whyNot ? `, not offered: ${s.whyNot}` : ""}`,
          title:
            s.whyNot ?? s.yields ?? (s.slices > 0 ? `About ${s.slices} slices${s.written ? "; as the recipe is written" : ""}` : s.batch),
          show: s.batch ? (
            <span className="text-center text-sm leading-4 font-bold">{s.batch}</span>
          ) : (
            <span className="fraction text-lg leading-6 font-bold whitespace-nowrap">
              {pounds(s.size)}
              <span className="text-xs font-semibold"> {s.size.endsWith("lb") ? "lb" : ""}</span>
            </span>
          ),
        }))}
      />
      {batch && chosen?.yields && <p className="text-sm leading-7 text-soft">{chosen.yields}</p>}
      {refused && <p className="max-w-64 text-xs leading-4 text-soft">{refused.whyNot}</p>}
      <p className={`min-h-7 items-center gap-1 text-sm whitespace-nowrap text-soft ${refused || batch ? "hidden" : "flex max-md:hidden"}`}>
        {few ? (
          <>
            for
            <Few
              label="Eaters"
              value={eaters}
              keep={(n) => ask({ eaters: n, slices: n && !slices ? "2" : slices ? String(slices) : null })}
            />
            people,
            <Few label="Slices wanted" value={slices} keep={(n) => ask({ slices: n, eaters: n && eaters ? String(eaters) : null })} />
            slices each
          </>
        ) : (
          <>
            <button type="button" onClick={() => count(true)} className="min-h-6 font-semibold text-rim underline">
              {chosen?.slices ?? 0} slices
              <span className="sr-only">: choose by people and slices</span>
            </button>
            {written && <span className="fraction">· written for {written.size}</span>}
          </>
        )}
      </p>
    </div>
  );
}

/** A small number, kept when the field is left. */
function Few({ label, value, keep }: { label: string; value: number | undefined; keep: (n: string | null) => void }) {
  return (
    <Typed
      value={value ?? 0}
      show={(n) => (n > 0 ? String(n) : "")}
      parse={(text) => (text.trim() === "" ? 0 : between(0, 999)(text))}
      label={label}
      placeholder="–"
      mode="numeric"
      keep={(n, kept) => {
        keep(n > 0 ? String(n) : null);
        kept();
      }}
      className="figures h-7 w-10 rounded border border-rim bg-enamel text-center font-bold text-ink"
    />
  );
}

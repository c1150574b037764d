import { useId } from "react";
import type { BakeState } from "../client/types.gen";

export type Sign = NonNullable<BakeState["signs"]>[number];

// A loaf in a 96 × 64 drawing, its foot at 56: the outline, and what is drawn on it.
const loaf = "M18 56V30Q18 14 48 14T78 30V56Z";
const low = "M18 56V44Q20 40 48 40T78 44V56Z";
const outline: Partial<Record<Sign, string>> = {
  "sunken top": "M18 56V24Q20 18 30 22Q48 42 66 22Q76 18 78 24V56Z",
  "bulges over the rim": "M22 56V34Q4 32 10 18Q24 4 48 6T86 18Q92 32 74 34V56Z",
  "did not rise": "M18 56V48H78V56Z",
  unmixed: "M18 56L30 42L38 50L52 38L60 50L72 44L78 56Z",
  "short and dense": low,
  "lumpy, rough outside": "M18 56V34L24 26L30 30L38 20L46 26L54 18L62 26L70 22L78 34V56Z",
  "too small for the house": "M34 56V42Q34 32 48 32T62 42V56Z",
  "lopsided, a dry lump": "M18 56V20Q22 14 36 20L78 44V56Z",
  "torn or holed top": "M18 56V30Q18 16 36 15L42 22L48 14L54 22L62 16Q78 18 78 30V56Z",
};
const marks: Partial<Record<Sign, string>> = {
  "coarse, holey": "M28 40a4 4 0 108 0 4 4 0 10-8 0M44 30a5 5 0 1010 0 5 5 0 10-10 0M58 44a4 4 0 108 0 4 4 0 10-8 0",
  "gummy middle": "M38 40Q48 30 58 40T48 52T38 40Z",
  "floury corners": "M18 56V46L28 56ZM78 56V46L68 56Z",
  "soggy, wrinkled sides": "M20 34q4 3 0 6t0 6M76 34q-4 3 0 6t0 6",
  "add-ins mashed": "M30 36h8M44 32h6M56 40h9M36 46h7",
  "add-ins at the bottom": "M28 52h4M38 52h4M48 52h4M58 52h4M66 52h3",
  "big hole, torn base": "M38 56Q40 38 48 38T58 56",
  "too salty": "M48 22v10M43 27h10M34 34v8M30 38h8M62 34v8M58 38h8",
  "sounds hollow": "M40 30q8 -6 16 0M36 24q12 -9 24 0",
  "fine, even crumb": "M30 32h1M40 28h1M50 30h1M60 32h1M34 40h1M44 38h1M54 40h1M64 42h1M38 48h1M48 46h1M58 48h1",
};
const paint: Partial<Record<Sign, string>> = { "too pale": "var(--enamel)", "too dark": "var(--crust-dark)", "too bland": "var(--enamel)" };

interface Props {
  signs: Sign[];
  crust: string; // light, medium or dark
  className: string;
}

/** A loaf as it came out: its shape by the first sign that tells of it, its crust, and what else was seen. */
export function LoafPicture({ signs, crust, className }: Props) {
  const shape = signs.find((s) => outline[s]);
  const painted = signs.find((s) => paint[s]);
  const d = (shape && outline[shape]) ?? loaf;
  const inside = useId();
  return (
    <svg viewBox="0 0 96 64" className={className} aria-hidden="true">
      <path
        d={d}
        fill={(painted && paint[painted]) ?? `var(--crust-${crust})`}
        stroke="currentColor"
        strokeWidth="2.5"
        strokeLinejoin="round"
      />
      <clipPath id={inside}>
        <path d={d} />
      </clipPath>
      {signs
        .filter((s) => marks[s])
        .map((s) => (
          <path
            key={s}
            clipPath={`url(#${inside})`}
            d={marks[s]}
            fill={s === "floury corners" ? "var(--enamel)" : "none"}
            stroke={crust === "light" ? "var(--crust-dark)" : "var(--enamel)"}
            strokeWidth="3"
            strokeLinecap="round"
          />
        ))}
      <path d="M8 58H88" stroke="currentColor" strokeWidth="2.5" strokeLinecap="round" />
    </svg>
  );
}

/** One sign of a finished loaf, in a few lines. */
export const SignPicture = ({ sign }: { sign: Sign }) => <LoafPicture signs={[sign]} crust="light" className="mx-auto h-12 w-20" />;

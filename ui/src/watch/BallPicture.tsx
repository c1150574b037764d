import type { BakeBall } from "../client/types.gen";

export type Seen = NonNullable<BakeBall["seen"]>;

// The dough in the pan's section, 96 × 64, its floor at 58: how it lies, and what it leaves behind.
const dough: Record<Seen, string> = {
  pours: "M8 58V44C18 38 30 42 40 40S64 44 72 40S86 40 88 44V58Z",
  smears: "M22 58C16 44 26 26 46 25S80 40 74 58Z",
  smooth: "M26 52C20 36 32 20 48 20S76 36 70 52Q66 58 48 58T26 52Z",
  torn: "M25 56L29 44L23 40L33 32L34 24L45 27L52 19L58 27L69 26L66 36L75 42L69 48L72 57L56 55L48 59L38 54Z",
  knocks: "M30 58L27 44L36 30L54 27L66 34L70 48L66 58Z",
  corners: "M28 54C22 38 34 22 49 22S76 38 69 54Q64 58 48 58T28 54Z",
  lumps: "M26 54C20 38 32 24 48 23S76 38 70 54Q64 58 48 58T26 54Z",
};
// How it moves while the paddle turns, by its keyframes.
const moves: Record<Seen, string> = {
  pours: "pours",
  smears: "smears",
  smooth: "circles",
  torn: "jerks",
  knocks: "knocks",
  corners: "circles",
  lumps: "jerks",
};
const left: Partial<Record<Seen, string>> = {
  pours: "M8 44V30Q12 34 12 44ZM88 44V26Q83 34 84 44Z",
  smears: "M10 58Q16 52 24 58ZM72 58Q82 51 88 58Z",
  knocks: "M14 58l5 -9 7 5 -2 4ZM74 58l3 -8 8 3 2 5ZM20 46l4 -4 4 4 -4 4Z",
  corners: "M8 58V44Q14 52 22 58ZM88 58V44Q82 52 74 58Z",
};

/** How a dough looks and moves in the pan, for the question what the baker sees. */
export function BallPicture({ seen }: { seen: Seen }) {
  return (
    <svg viewBox="0 0 96 64" className="mx-auto h-12 w-20" aria-hidden="true">
      {left[seen] && (
        <path
          d={left[seen]}
          fill={seen === "corners" ? "var(--rule)" : "var(--mark)"}
          stroke="currentColor"
          strokeWidth="1.5"
          strokeLinejoin="round"
        />
      )}
      <g className="dough" style={{ animationName: moves[seen] }}>
        <path d={dough[seen]} fill="var(--mark)" stroke="currentColor" strokeWidth="2" strokeLinejoin="round" />
        {seen === "lumps" && (
          <path d="M36 34h7v6h-7ZM52 30h7v6h-7ZM44 44h7v6h-7ZM58 44h6v5h-6Z" fill="var(--enamel)" stroke="currentColor" />
        )}
        {seen === "smooth" && <path d="M38 32Q44 26 52 27" fill="none" stroke="currentColor" strokeWidth="2" strokeLinecap="round" />}
      </g>
      <path d="M4 10V60H92V10" fill="none" stroke="currentColor" strokeWidth="4" strokeLinejoin="round" strokeLinecap="round" />
    </svg>
  );
}

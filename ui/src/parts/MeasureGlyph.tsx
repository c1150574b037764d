export type UnitKind = "cup" | "tbsp" | "tsp" | "other";

export function unitOf(unit: string): UnitKind {
  if (unit.endsWith("cup") || unit.endsWith("cups")) return "cup";
  if (unit.endsWith("tbsp")) return "tbsp";
  if (unit.endsWith("tsp")) return "tsp";
  return "other";
}

/** The measure drawn small: a cup with a handle, a broad tablespoon, a slim teaspoon, a jug with marks. */
export function MeasureGlyph({ kind, large }: { kind: UnitKind | "jug"; large?: boolean }) {
  const by = large ? 3 : 1;
  const stroke = { fill: "none", stroke: "currentColor", strokeWidth: 2, strokeLinecap: "round", strokeLinejoin: "round" } as const;
  if (kind === "tbsp") {
    return (
      <svg width={26 * by} height={16 * by} viewBox="0 0 26 16" className="self-center text-tbsp" aria-hidden="true">
        <ellipse cx="8" cy="8" rx="7" ry="6.500" fill="currentColor" />
        <path d="M15 8h10" {...stroke} strokeWidth={3} />
      </svg>
    );
  }
  if (kind === "tsp") {
    return (
      <svg width={24 * by} height={16 * by} viewBox="0 0 24 16" className="self-center text-tsp" aria-hidden="true">
        <ellipse cx="5" cy="8" rx="4" ry="3" {...stroke} />
        <path d="M9 8h14" {...stroke} />
      </svg>
    );
  }
  if (kind === "jug") {
    return (
      <svg width={24 * by} height={16 * by} viewBox="0 0 24 16" className="self-center text-soft" aria-hidden="true">
        <path d="M3 1l2 2v11h11V1zM16 4h4v7h-4M8 6h3M8 9h3M8 12h3" {...stroke} />
      </svg>
    );
  }
  return (
    <svg width={24 * by} height={16 * by} viewBox="0 0 24 16" className="self-center text-soft" aria-hidden="true">
      <path d="M2 2h13l-1.500 12h-10zM14.500 5h8" {...stroke} />
    </svg>
  );
}

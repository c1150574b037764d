/** A mark of 1 to 5 as filled leaves, with its number. */
export function Mark({ mark }: { mark: number | undefined }) {
  if (!mark) return <span className="text-soft">not rated</span>;
  return (
    <span className="inline-flex items-center gap-2">
      <svg width="96" height="20" viewBox="0 0 96 20" aria-hidden="true">
        {[0, 1, 2, 3, 4].map((n) => (
          <path
            key={n}
            d="M2 16C3 7 9 2 17 3c1 8-5 14-15 13z"
            transform={`translate(${n * 19} 0)`}
            fill={n < mark ? "var(--leaf)" : "none"}
            stroke="var(--leaf)"
            strokeWidth="1.500"
          />
        ))}
      </svg>
      <span className="figures font-bold">
        {mark}
        <span className="sr-only"> of 5</span>
      </span>
    </span>
  );
}

/** One of the three toasted browns, with a slice's outline. */
export function CrustSwatch({ crust }: { crust: string }) {
  return (
    <svg width="28" height="24" viewBox="0 0 28 24" aria-hidden="true">
      <path
        d="M5 22V11C1 9 2 2 9 2h10c7 0 8 7 4 9v11z"
        fill={`var(--crust-${crust})`}
        stroke="var(--ink)"
        strokeWidth="1.500"
        strokeLinejoin="round"
      />
    </svg>
  );
}

/** A painted sprig of leaves, as on narrowboat tin: ornament only. */
export function Sprig({ className }: { className?: string }) {
  const leaf = "M0 0C6-9 18-11 26-4 19 4 8 6 0 0z";
  return (
    <svg viewBox="0 0 84 34" className={className} aria-hidden="true">
      <path d="M4 24C24 30 52 26 80 8" fill="none" stroke="var(--leaf)" strokeWidth="2" strokeLinecap="round" />
      <g fill="var(--leaf)">
        <path d={leaf} transform="translate(16 25) rotate(-42) scale(.7)" />
        <path d={leaf} transform="translate(30 26) rotate(22) scale(.62)" />
        <path d={leaf} transform="translate(42 22) rotate(-52) scale(.7)" />
        <path d={leaf} transform="translate(54 20) rotate(8) scale(.58)" />
        <path d={leaf} transform="translate(64 15) rotate(-44) scale(.52)" />
      </g>
      <circle cx="6" cy="20" r="2.500" fill="var(--fat)" />
      <circle cx="11" cy="17" r="2" fill="var(--fat)" />
    </svg>
  );
}

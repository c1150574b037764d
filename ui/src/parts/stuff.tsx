import { PanStuff } from "../client/words.gen";

export type Stuff = PanStuff;

/** A stuff's name in CSS: "sugar and salt" is --sugar-salt. */
export const stuffToken = (s: Stuff) => s.replace(" and ", "-").replace(" ", "-");

/** The texture of each layer, so that no layer is told by colour alone. */
function Texture({ stuff, grain }: { stuff: Stuff; grain: string }) {
  const line = { stroke: grain, strokeWidth: 1.2, fill: "none" } as const;
  switch (stuff) {
    case "liquid":
      return <path d="M0 4q3-3 6 0t6 0M0 10q3-3 6 0t6 0" {...line} />;
    case "fat":
      return <path d="M2 3h4v4h-4zM8 8h3v3h-3z" fill={grain} />;
    case "sugar and salt":
      return <path d="M0 12 12 0M0 0 12 12" {...line} />;
    case "flour":
      return (
        <g fill={grain}>
          <circle cx="2" cy="3" r="0.900" />
          <circle cx="8" cy="6" r="0.900" />
          <circle cx="4" cy="10" r="0.900" />
        </g>
      );
    case "dry extra":
      return <path d="M1 3h4M7 9h4" {...line} strokeWidth={1.8} />;
    case "yeast":
      return (
        <g {...line}>
          <circle cx="3" cy="3" r="2" />
          <circle cx="9" cy="9" r="2" />
        </g>
      );
    case "add-in":
      return (
        <g fill={grain}>
          <circle cx="4" cy="4" r="2.500" />
          <circle cx="10" cy="10" r="2" />
        </g>
      );
  }
}

/** The patterns of all layers; stands once in the page and is used by every drawing. */
export function StuffPatterns() {
  return (
    <svg width="0" height="0" className="absolute" aria-hidden="true">
      <defs>
        {PanStuff.map((s) => (
          <pattern key={s} id={`stuff-${stuffToken(s)}`} width="12" height="12" patternUnits="userSpaceOnUse">
            <rect width="12" height="12" fill={`var(--${stuffToken(s)})`} />
            <Texture stuff={s} grain={`var(--${stuffToken(s)}-grain)`} />
          </pattern>
        ))}
      </defs>
    </svg>
  );
}

export const stuffFill = (s: Stuff) => `url(#stuff-${stuffToken(s)})`;

/** A small field in a layer's colour and texture. */
export function StuffSwatch({ stuff }: { stuff: Stuff }) {
  return (
    <svg width="16" height="24" aria-hidden="true" className="shrink-0">
      <rect x="0.500" y="0.500" width="15" height="23" rx="3" fill={stuffFill(stuff)} stroke="var(--soft)" />
    </svg>
  );
}

import type { ReactNode } from "react";
import { openHelp } from "../help/open";

/** A word that opens its meaning. */
export function Term({ word, children }: { word: string; children?: ReactNode }) {
  return (
    <button
      type="button"
      onClick={() => openHelp(word)}
      aria-label={`${word}: what it means`}
      className="cursor-help underline decoration-dotted decoration-2 underline-offset-4"
    >
      {children ?? word}
    </button>
  );
}

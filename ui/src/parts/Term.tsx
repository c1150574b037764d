import type { ReactNode } from "react";
import { openHelp } from "../help/open";

/** A word that opens its meaning. */
export function Term({ word, children }: { word: string; children: ReactNode }) {
  return (
    <button type="button" onClick={() => openHelp(word)} title="What does this mean?" className="term">
      {children}
    </button>
  );
}

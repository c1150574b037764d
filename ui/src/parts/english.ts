import type { Kitchen } from "../client/types.gen";

let american = false;

/** Whose English this kitchen speaks. */
export function setEnglish(english: Kitchen["english"]) {
  american = english === "american";
  document.documentElement.lang = language();
}

/** The language in which dates are written. */
export const language = () => (american ? "en-US" : "en-GB");

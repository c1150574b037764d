import type { Kitchen } from "../client/types.gen";

let american = false;

/** Whose English this kitchen speaks. */
export function setEnglish(english: Kitchen["english"]) {
  american = english === "american";
  document.documentElement.lang = language();
}

/** The language in which dates are written. */
export const language = () => (american ? "en-US" : "en-GB");

// What this program calls otherwise for American kitchens.
const others: Record<string, string> = {
  wholemeal: "whole wheat",
  yoghurt: "yogurt",
  "knock-back": "punch-down",
  "packet mix": "bread mix",
};

/** A word of the program, as this kitchen says it. */
export const said = (word: string) => (american ? (others[word] ?? word) : word);

import { language } from "./english";

// What Rise Pan calls otherwise for American kitchens.
const others: Record<string, string> = {
  wholemeal: "whole wheat",
  yoghurt: "yogurt",
  "knock-back": "punch-down",
  "packet mix": "bread mix",
};

/** A word of the screens, as this kitchen says it. */
export const said = (word: string) => (language() === "en-US" ? (others[word] ?? word) : word);

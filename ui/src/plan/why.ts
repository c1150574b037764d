/** What a baker asked the reason of, or wants to change. */
export type Why = { about: "cycle" } | { about: "crust" } | { about: "line"; line: string } | { about: "formula" } | { about: "rounding" };

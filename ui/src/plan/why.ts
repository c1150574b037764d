/** What a baker asked the reason of. */
export type Why = { about: "cycle" } | { about: "crust" } | { about: "line"; line: string } | { about: "formula" };

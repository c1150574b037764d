/** What a baker asked the reason of, or wants to change. */
export type Why =
  | { about: "cycle" }
  | { about: "crust" }
  | { about: "line"; line: string }
  | { about: "rounding" }
  | { about: "shopping" }
  | { about: "presses" }
  | { about: "add-ins" }
  | { about: "loading" }
  | { about: "formula" }
  | { about: "heat" };

/** What needs the room of the pan too. */
export const isWide = (why: Why | null) => why?.about === "formula" || why?.about === "heat";

import type { RecipeText } from "../client/types.gen";

/** The kinds of things that a machine makes. */
export const kinds: NonNullable<RecipeText["kind"]>[] = [
  "white",
  "wholemeal",
  "crusty",
  "sweet",
  "gluten-free",
  "low-carb",
  "quick bread",
  "dough",
];

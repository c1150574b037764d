import type { RecipeText } from "../client/types.gen";

/** The kinds of things that a machine makes. */
export const kinds: NonNullable<RecipeText["kind"]>[] = [
  "white",
  "wholemeal",
  "crusty",
  "sweet",
  "rapid",
  "gluten-free",
  "low-carb",
  "rye",
  "sprouted grain",
  "quick bread",
  "packet mix",
  "dough",
  "filled",
  "starter",
  "pasta dough",
  "preserve",
  "yoghurt",
  "bake only",
];

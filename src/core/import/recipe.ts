// A recipe between a page of somebody else's and a dish of ours: lines as they were written, in sections. It is what the preview shows
// and lets the cook correct; to-dish.ts makes the dish from it.

export interface RecipeSection {
  /** "" where the page has no sections. */
  readonly name: string;
  /** Ingredient lines as written. */
  readonly ingredients: readonly string[];
  /** Instructions as written, one a step of the page. */
  readonly instructions: readonly string[];
}

export interface Recipe {
  readonly name: string;
  readonly description: string;
  /** For how many, where it says so. */
  readonly serves: number | undefined;
  /** The yield as written: "Makes 24 rolls". */
  readonly yieldText: string;
  /** What the page says that it takes in all, minutes. */
  readonly totalMinutes: number | undefined;
  readonly sections: readonly RecipeSection[];
  /** What was seen and has no place here: nothing is dropped in silence. */
  readonly aside: readonly string[];
}

/** Longest text and most lines that are looked at. */
export const RECIPE_LIMITS = { text: 4_000, lines: 600, recipes: 20 } as const;

export type ReadRecipes =
  | { readonly status: "read"; readonly recipes: readonly Recipe[]; readonly from: "json-ld" | "text" }
  | { readonly status: "nothing"; readonly because: string };

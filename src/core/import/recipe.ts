// A recipe between somebody else's page or text and a dish of ours: lines as they were written, each with its place in the source, in
// sections. It is what the preview shows and lets the cook correct; to-dish.ts makes the dish from it.
import type { Language } from "../entry/lexicon/lexicon";

/** What a file was: plain text, recipe data in JSON-LD or microdata, or a page without any. */
export type SourceKind = "text" | "json-ld" | "microdata" | "html";

/** What a line of the source is. */
export type Role =
  | "title"
  | "serves"
  | "time"
  | "description"
  | "list-head"
  | "section"
  | "ingredient"
  | "number"
  | "instruction"
  | "note"
  | "unread";

/** A stretch of the source's text, `[from, to)`. */
export interface Stretch {
  readonly from: number;
  readonly to: number;
  readonly text: string;
}

export interface SourceLine extends Stretch {
  /** Known from the data of a page; undefined where it is told from how the line looks. */
  readonly role?: Role;
  /** Within the markup: a heading, an item of a list, an item of a numbered list. */
  readonly hint?: "heading" | "item" | "numbered";
  /** A blank line stands before it. */
  readonly gap: boolean;
  /** Beyond the data of a page: what its readable part has besides. */
  readonly beyond?: true;
}

export interface Source {
  readonly kind: SourceKind;
  /** What all offsets count in. */
  readonly text: string;
  readonly lines: readonly SourceLine[];
  /** What it takes in all by the data of a page. */
  readonly totalMinutes?: number;
}

export interface RecipeLine extends Stretch {
  /** Why it is in its section, where nothing says so. */
  readonly guess?: string;
}

export interface RecipeSection {
  /** "" where the recipe has no sections. */
  readonly name: string;
  readonly headings: readonly RecipeLine[];
  /** Ingredient lines as written. */
  readonly ingredients: readonly RecipeLine[];
  /** Instructions as written, one a paragraph of the source. */
  readonly instructions: readonly RecipeLine[];
}

/** What was seen and is neither ingredient nor step. */
export interface Aside extends RecipeLine {
  readonly role: "title" | "serves" | "time" | "description" | "list-head" | "number" | "note" | "unread";
  /** Under a heading about keeping: "3 days in the fridge" is how long it keeps. */
  readonly storage?: true;
  /** Title of the part that it is said of. */
  readonly of?: string;
}

export interface Recipe {
  readonly name: string;
  readonly language: Language;
  /** For how many, where it says so. */
  readonly serves: number | undefined;
  /** The yield as written: "Makes 24 rolls". */
  readonly yieldText: string;
  /** The yield counts pieces, not people: it is taken as the number of portions. */
  readonly yieldGuessed: boolean;
  /** What the page says that it takes in all, minutes. */
  readonly totalMinutes: number | undefined;
  readonly sections: readonly RecipeSection[];
  /** In the order of the source. */
  readonly aside: readonly Aside[];
  readonly source: Source;
}

/** Longest text and most lines that are looked at. */
export const RECIPE_LIMITS = { text: 20_000, lines: 1_500, recipes: 20 } as const;

export type ReadRecipes =
  | { readonly status: "read"; readonly recipes: readonly Recipe[] }
  | { readonly status: "nothing"; readonly because: string; readonly source: Source };

/** Portions where a recipe does not say for how many it is. */
export const GUESSED_SERVES = 4;

/** A line, or a part of one, and what it is. */
export interface RoledLine {
  readonly from: number;
  readonly to: number;
  readonly text: string;
  readonly role: Role;
  /** Of a section heading: among ingredients or among steps. */
  readonly among?: "ingredients" | "method";
  /** Of a section heading: its list and its steps stand in its own line. */
  readonly whole?: true;
  /** Of a section heading: a part of that name that began before goes on. */
  readonly again?: true;
  /** Notes of how something is kept. */
  readonly storage?: true;
}

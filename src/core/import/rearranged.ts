// A recipe rearranged by the cook before it is a dish: lines rewritten and moved, parts joined and split.
import type { Recipe, RecipeLine, RecipeSection } from "./recipe";

export type Rows = "ingredients" | "instructions";

const withSections = (recipe: Recipe, sections: readonly RecipeSection[]): Recipe => ({ ...recipe, sections });
const changed = (recipe: Recipe, at: number, change: (s: RecipeSection) => RecipeSection) =>
  withSections(
    recipe,
    recipe.sections.map((s, i) => (i === at ? change(s) : s)),
  );
/** What the cook has seen and put where it is is no guess any more. */
const settled = ({ guess: _, ...line }: RecipeLine): RecipeLine => line;

export const renamed = (recipe: Recipe, at: number, name: string): Recipe => changed(recipe, at, (s) => ({ ...s, name }));

/** A line with other words; without any it goes. */
export const rewritten = (recipe: Recipe, at: number, rows: Rows, row: number, text: string): Recipe =>
  changed(recipe, at, (s) => ({
    ...s,
    [rows]: s[rows].flatMap((l, i) => (i !== row ? [l] : text === "" ? [] : [{ ...settled(l), text }])),
  }));

/** A line moved to another part, behind its last. */
export function moved(recipe: Recipe, at: number, rows: Rows, row: number, to: number): Recipe {
  const line = recipe.sections[at]?.[rows][row];
  if (!line || at === to || !recipe.sections[to]) return recipe;
  return withSections(
    recipe,
    recipe.sections.map((s, i) =>
      i === at ? { ...s, [rows]: s[rows].filter((_, j) => j !== row) } : i === to ? { ...s, [rows]: [...s[rows], settled(line)] } : s,
    ),
  );
}

/** A line a place up or down; at the edge of its part it goes into the next. */
export function shifted(recipe: Recipe, at: number, rows: Rows, row: number, by: -1 | 1): Recipe {
  const lines = recipe.sections[at]?.[rows] ?? [];
  const line = lines[row];
  const to = row + by;
  if (!line) return recipe;
  if (to >= 0 && to < lines.length) {
    const order = [...lines];
    order.splice(row, 1);
    order.splice(to, 0, settled(line));
    return changed(recipe, at, (s) => ({ ...s, [rows]: order }));
  }
  const next = recipe.sections[at + by];
  if (!next) return recipe;
  return withSections(
    recipe,
    recipe.sections.map((s, i) =>
      i === at
        ? { ...s, [rows]: s[rows].filter((_, j) => j !== row) }
        : i === at + by
          ? { ...s, [rows]: by === 1 ? [settled(line), ...s[rows]] : [...s[rows], settled(line)] }
          : s,
    ),
  );
}

/** A part joined to the one before it. */
export function merged(recipe: Recipe, at: number): Recipe {
  const [before, part] = [recipe.sections[at - 1], recipe.sections[at]];
  if (!before || !part) return recipe;
  const both: RecipeSection = {
    name: before.name || part.name,
    headings: [...before.headings, ...part.headings],
    ingredients: [...before.ingredients, ...part.ingredients],
    instructions: [...before.instructions, ...part.instructions],
  };
  return withSections(
    recipe,
    recipe.sections.flatMap((s, i) => (i === at - 1 ? [both] : i === at ? [] : [s])),
  );
}

/** A part split before one of its instructions: what stands from there on is a part of its own. */
export function split(recipe: Recipe, at: number, row: number, name: string): Recipe {
  const part = recipe.sections[at];
  if (!part || row <= 0 || row >= part.instructions.length) return recipe;
  const first: RecipeSection = { ...part, instructions: part.instructions.slice(0, row) };
  const second: RecipeSection = { name, headings: [], ingredients: [], instructions: part.instructions.slice(row) };
  return withSections(
    recipe,
    recipe.sections.flatMap((s, i) => (i === at ? [first, second] : [s])),
  );
}

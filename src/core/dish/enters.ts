// At which step of a method an ingredient comes in: the one that it says, else the first that names it, else the first.
import type { DishComponent } from "./schema";

type Method = DishComponent["methods"][number];
type Ingredient = NonNullable<Method["ingredients"]>[number];

/** Words that say how a thing is, not what it is. */
const COMMON: ReadonlySet<string> = new Set(
  "fresh dried with from whole large small medium fine finely coarse coarsely warm cold white black green brown dark light ground sliced chopped grated plain good strong soft free range double single extra virgin unsalted salted smoked cooked frozen tinned melted peeled boned skin bones kept each about some more".split(
    " ",
  ),
);
const ALSO_VERBS: ReadonlySet<string> = new Set(["roast", "mince", "fillet", "shell"]);
/** "Onions", "onion": one word, whatever its ending. */
const stem = (word: string) => word.replace(/(?:ies|es|s|y)$/, "");

/**
 * @param also what cooks call the kind that it is ("fish", "meat", "bird"), for steps that do not name it by its own name
 * @returns index into the method's steps; 0 for a method without steps
 */
export function entersAt(
  ingredient: Pick<Ingredient, "name" | "step">,
  steps: readonly Pick<Method["steps"][number], "id" | "name" | "note" | "done">[],
  also: readonly string[] = [],
): number {
  const said = ingredient.step === undefined ? -1 : steps.findIndex((s) => s.id === ingredient.step);
  return said >= 0 ? said : Math.max(0, namedAt(ingredient, steps, also));
}

/** Ingredients as they are typed or imported: each says its step where a later one than the first names it, so that it stays there. */
export function withTheirSteps<I extends Pick<Ingredient, "name" | "step">>(
  ingredients: readonly I[],
  steps: Parameters<typeof entersAt>[1],
): I[] {
  return ingredients.map((i) => {
    const step = i.step === undefined ? steps[namedAt(i, steps, [])] : undefined;
    return step && step !== steps[0] ? { ...i, step: step.id } : i;
  });
}

/** Verbs of work on an ingredient, which a step may not name. */
const WORKED_ON = /\b(?:slice|slices|sliced|cut|dice|diced|cube|shape|roll|top|dress|cure|marinate|fillet|skin|trim)\b/i;

/**
 * Where a raw food comes in that no step names: at the first step by default, unless that is about something else and a later one cuts, shapes
 * or cures what it does not name ("cook the rice", "slice and shape": the fish is not cooked with the rice).
 * @param others names of the other ingredients
 * @returns index into the method's steps
 */
export function entersUnnamed(
  ingredient: Pick<Ingredient, "name" | "step">,
  steps: Parameters<typeof entersAt>[1],
  also: readonly string[],
  others: readonly string[],
): number {
  if (ingredient.step !== undefined || namedAt(ingredient, steps, also) >= 0) return entersAt(ingredient, steps, also);
  const namesOther = (step: (typeof steps)[number]) => others.some((name) => namedAt({ name }, [step], []) >= 0);
  if (!steps[0] || !namesOther(steps[0])) return 0;
  return Math.max(
    0,
    steps.findIndex((s) => WORKED_ON.test(s.name ?? s.id) && !namesOther(s)),
  );
}

/** @returns index of the first step that names it; -1 where none does */
function namedAt({ name }: Pick<Ingredient, "name">, steps: Parameters<typeof entersAt>[1], also: readonly string[]): number {
  // What stands behind a comma says how it is wanted.
  const words = (name.split(/[,(]/)[0] || name)
    .toLowerCase()
    .split(/[^\p{L}]+/u)
    .filter((w) => w.length > 2 && !COMMON.has(w))
    .map(stem)
    .filter((w) => w.length > 2);
  const texts = steps.map((s) =>
    `${s.name ?? s.id} ${s.note ?? ""} ${s.done?.cue ?? ""}`
      .toLowerCase()
      .split(/[^\p{L}]+/u)
      .map(stem),
  );
  // The last word says what it is ("olive oil"): a step that names it goes before one that names another of its words.
  const last = words.at(-1);
  const byLast = texts.findIndex((t) => last !== undefined && t.includes(last));
  if (byLast >= 0) return byLast;
  const byWord = texts.findIndex((t) => words.some((w) => t.includes(w)));
  if (byWord >= 0) return byWord;
  // "Roast" at the head of a step is what is done, and not the joint.
  return texts.findIndex((t) => also.some((w) => (ALSO_VERBS.has(w) ? t.slice(1) : t).includes(stem(w))));
}

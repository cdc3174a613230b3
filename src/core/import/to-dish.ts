// A recipe made a dish: each section a component, what a section makes taken by the one that speaks of it, the last led to the table.
// What was guessed or not understood is listed, line by line, for the preview.

import { ingredientOf, kindOfName, newDish } from "../dish/edit/components";
import { freeId } from "../dish/edit/places";
import { withTheirSteps } from "../dish/enters";
import { methodWithPuts } from "../dish/puts";
import type { DishComponent, DishFile } from "../dish/schema";
import { readIngredient } from "../entry/ingredient-line";
import { allergensOfName } from "../foods/allergens";
import { allOnOneLine } from "../plain-text";
import { spokenDuration } from "../time/duration";
import { type ReadInstruction, stepsOfInstructions } from "./instructions";
import type { Recipe, RecipeSection } from "./recipe";

interface PreviewIngredient {
  readonly line: string;
  readonly read: ReturnType<typeof readIngredient>;
}

interface PreviewComponent {
  readonly id: string;
  readonly name: string;
  readonly kind: DishComponent["kind"];
  readonly ingredients: readonly PreviewIngredient[];
  readonly steps: readonly ReadInstruction[];
  /** Whose output it takes. */
  readonly takes: readonly string[];
}

export interface ImportedDish {
  readonly document: DishFile;
  readonly components: readonly PreviewComponent[];
  /** What should be looked at before it is kept. */
  readonly doubts: readonly string[];
}

export interface Serving {
  readonly serves: number;
  readonly serveAt: string;
  readonly timezone: string;
}

/** For how many a recipe is taken to be where it does not say. */
export const GUESSED_SERVES = 4;

/** The dish that a recipe comes to, served to so many at that hour. Amounts stay those of the recipe, for its own number. */
export function dishOfRecipe(pasted: Recipe, serving: Serving): ImportedDish {
  const recipe = allOnOneLine(pasted);
  const doubts: string[] = [];
  const base = recipe.serves ?? GUESSED_SERVES;
  if (recipe.serves === undefined)
    doubts.push(`It does not say for how many it is${recipe.yieldText ? ` (“${recipe.yieldText}”)` : ""}; ${base} is assumed.`);
  else if (recipe.yieldText && !/serv|portion|people|person|guest|^\s*\d+\s*$/i.test(recipe.yieldText))
    doubts.push(`It makes “${recipe.yieldText}”; that is read as the number of portions. Set how many it feeds.`);
  const name = recipe.name.slice(0, 200);
  const empty = newDish({ name, ...serving });
  const dish = { ...empty.dish, baseServes: base, ...(recipe.description ? { note: recipe.description.slice(0, 2000) } : {}) };
  const sections = recipe.sections.length ? recipe.sections : [{ name: "", ingredients: [], instructions: [] }];
  const taken = ["table"];
  let ovenC: number | undefined;
  const components = sections.map((section): PreviewComponent => {
    const title = (titleOf(section.name) || (sections.length === 1 ? name : section === sections.at(-1) ? name : "Part")).slice(0, 120);
    const id = freeId(title, taken);
    taken.push(id);
    const read = stepsOfInstructions(section.instructions, ovenC);
    ovenC = read.ovenC;
    return {
      id,
      name: title,
      kind: kindOfName(title) === "other" ? kindOfName(name) : kindOfName(title),
      ingredients: section.ingredients.map((line) => ({ line, read: readIngredient(line) })),
      steps: read.steps.length ? read.steps : [emptyStep(title)],
      takes: [],
    };
  });
  const linked = linkParts(components, sections);
  for (const c of linked) {
    if (c.steps[0]?.step.id === "make") doubts.push(`No steps were found for ${c.name}; one step of 30 min was added.`);
    if (c.ingredients.length === 0 && linked.length > 1 && c.takes.length === 0)
      doubts.push(`No ingredients were found for ${c.name}: check whether some of another part belong there.`);
  }
  const found = linked.flatMap((c) => c.steps).reduce((sum, s) => sum + likelyMinutes(s), 0);
  if (recipe.totalMinutes && (found < recipe.totalMinutes * 0.6 || found > recipe.totalMinutes * 2.5))
    doubts.push(`The page says ${spokenDuration(recipe.totalMinutes)} in all; the steps found add up to ${spokenDuration(found)}.`);
  const document: DishFile = { ...empty, dish, components: [...linked.map(componentOf), ...tableOf(empty, linked)] };
  return { document, components: linked, doubts };
}

const titleOf = (text: string) => {
  const clean = text
    .replace(/^(?:for|to make|make|making|prepare|preparing|to prepare) (?:the )?/i, "")
    .replace(/:$/, "")
    .trim();
  return clean.charAt(0).toUpperCase() + clean.slice(1).toLowerCase();
};

function emptyStep(title: string): ReadInstruction {
  return {
    step: { id: "make", name: `Make ${title.toLowerCase()}`.slice(0, 120), time: "30m" },
    says: ["no time said: 30 min assumed"],
    unclear: "The page has no steps for it.",
  };
}

const likelyMinutes = ({ step }: ReadInstruction): number => {
  const text = typeof step.time === "string" ? step.time : step.time.likely;
  const m = /^(?:(\d+)d)?(?:(\d+)h)?(?:(\d+)m)?$/.exec(text);
  return Number(m?.[1] ?? 0) * 1440 + Number(m?.[2] ?? 0) * 60 + Number(m?.[3] ?? 0);
};

/** Each part goes into the first later one that speaks of it by a word of its name, or else into the last. */
function linkParts(parts: readonly PreviewComponent[], sections: readonly RecipeSection[]): PreviewComponent[] {
  const takes = new Map<string, string[]>();
  parts.forEach((part, i) => {
    if (i === parts.length - 1) return;
    const words = part.name
      .toLowerCase()
      .split(/[^\p{L}]+/u)
      .filter((w) => w.length > 3);
    const speaks = parts.findIndex(
      (_, j) => j > i && (sections[j]?.instructions ?? []).some((t) => words.some((w) => t.toLowerCase().includes(w.replace(/s$/, "")))),
    );
    const taker = parts[speaks >= 0 ? speaks : parts.length - 1];
    if (taker) takes.set(taker.id, [...(takes.get(taker.id) ?? []), part.id]);
  });
  return parts.map((p) => ({ ...p, takes: takes.get(p.id) ?? [] }));
}

const outputRef = (c: PreviewComponent) => `${c.id}.${c.id}`;

function componentOf(c: PreviewComponent): DishComponent {
  const steps = methodWithPuts(
    c.steps.map((s, i) => ({
      ...s.step,
      ...(i === 0 && c.takes.length ? { takes: c.takes.map((id) => ({ from: `${id}.${id}` })) } : {}),
      ...(i === c.steps.length - 1 ? { makes: [{ id: c.id, name: c.name }] } : {}),
    })),
  );
  // What is taken is taken by the first step that could: the last one takes all where there is only one.
  const ids: string[] = [];
  const ingredients = c.ingredients.map(({ read }) => {
    const made = ingredientOf(read, ids);
    ids.push(made.id);
    const brings = allergensOfName(read.name)?.filter((a) => a !== "wheat");
    return brings?.length ? { ...made, allergens: brings.map((a) => WORDS[a] ?? a) } : made;
  });
  return {
    id: c.id,
    name: c.name,
    kind: c.kind,
    methods: [
      { id: "usual", name: "Original text", ...(ingredients.length ? { ingredients: withTheirSteps(ingredients, steps) } : {}), steps },
    ],
  };
}

const WORDS: Readonly<Record<string, string>> = { gluten_cereals: "gluten", eggs: "egg", soybeans: "soya", tree_nuts: "nuts" };

function tableOf(empty: DishFile, parts: readonly PreviewComponent[]): DishComponent[] {
  const last = parts.at(-1);
  const taken = new Set(parts.flatMap((p) => p.takes));
  const free = parts.filter((p) => !taken.has(p.id));
  return empty.components.map((c) => ({
    ...c,
    methods: c.methods.map((m) => ({
      ...m,
      steps: m.steps.map((s) => ({ ...s, takes: (free.length ? free : last ? [last] : []).map((p) => ({ from: outputRef(p) })) })),
    })),
  }));
}

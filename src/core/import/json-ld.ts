// schema.org Recipe in JSON-LD, in the shapes that pages have: alone, in a list, in a graph, nested; types as text or list; yields as
// text, number or list; instructions as one text, a list of texts, HowToStep, HowToSection.
// Only own properties of known names are read, so that no odd key of a hostile file means anything.

import { LIMITS, readJson } from "../dish/read";
import { readIngredient } from "../entry/ingredient-line";
import { numberAt } from "../entry/numbers";
import { isHtml, plainText, sound, textOfHtml } from "./html";
import { isoMinutes } from "./iso-duration";
import { RECIPE_LIMITS, type Recipe, type RecipeSection } from "./recipe";

type Node = Record<string, unknown>;
const isNode = (value: unknown): value is Node => typeof value === "object" && value !== null && !Array.isArray(value);
const own = (node: Node, key: string): unknown => (Object.hasOwn(node, key) ? node[key] : undefined);
const listOf = (value: unknown): readonly unknown[] =>
  value === undefined || value === null ? [] : Array.isArray(value) ? value : [value];
const short = (text: string) => text.slice(0, RECIPE_LIMITS.text);

const typesOf = (node: Node): readonly string[] =>
  listOf(own(node, "@type"))
    .filter((t): t is string => typeof t === "string")
    .map((t) => t.replace(/^https?:\/\/schema\.org\//i, "").toLowerCase());

/** JSON as pages have it: comments around it, raw line breaks in texts, commas too many. */
export function looseJson(source: string): unknown {
  const trimmed = source
    .trim()
    .replace(/^(?:<!--|\/\/\s*<!\[CDATA\[|<!\[CDATA\[)/, "")
    .replace(/(?:-->|\/\/\s*\]\]>|\]\]>)\s*;?$/, "")
    .replace(/;\s*$/, "")
    .trim();
  const first = readJson(trimmed);
  if (first.status === "read") return first.value;
  const mended = readJson(trimmed.replace(/\p{Cc}+/gu, " ").replace(/,(\s*[\]}])/g, "$1"));
  return mended.status === "read" ? mended.value : undefined;
}

/** All recipe nodes of a value, wherever they stand. */
export function recipeNodes(root: unknown): Node[] {
  const found: Node[] = [];
  const seen = new Set<unknown>();
  const walk = (value: unknown, depth: number): void => {
    if (depth > LIMITS.depth || found.length >= RECIPE_LIMITS.recipes || seen.has(value)) return;
    if (Array.isArray(value)) {
      seen.add(value);
      for (const v of value.slice(0, 2000)) walk(v, depth + 1);
      return;
    }
    if (!isNode(value)) return;
    seen.add(value);
    if (typesOf(value).includes("recipe")) {
      found.push(value);
      return;
    }
    for (const key of Object.keys(value).slice(0, 200)) walk(own(value, key), depth + 1);
  };
  walk(root, 0);
  return found;
}

/** The text of a field that may be a text, a number, a list or a node with a text in it. */
function textIn(value: unknown): string {
  if (typeof value === "string") return short(plainText(value));
  if (typeof value === "number" && Number.isFinite(value)) return String(value);
  if (Array.isArray(value)) return textIn(value.find((v) => textIn(v) !== ""));
  if (!isNode(value)) return "";
  for (const key of ["text", "@value", "name", "description", "itemListElement"]) {
    const text = textIn(own(value, key));
    if (text) return text;
  }
  return "";
}

/** For how many a yield is, and how it was written. */
export function yieldOf(value: unknown): { readonly serves: number | undefined; readonly text: string } {
  const texts = listOf(value).flatMap((v): string[] => {
    if (isNode(v)) {
      const amount = own(v, "value") ?? own(v, "minValue");
      const unit = textIn(own(v, "unitText"));
      return amount === undefined ? [] : [`${textIn(amount)} ${unit}`.trim()];
    }
    const text = textIn(v);
    return text ? [text] : [];
  });
  // The one that speaks of people says more than the one that counts pieces.
  const best = texts.find((t) => /serv|portion|people|person|guest/i.test(t)) ?? texts.find((t) => /[a-z]/i.test(t)) ?? texts[0] ?? "";
  const number = /(\d+(?:[.,]\d+)?)(?:\s*(?:-|–|to)\s*(\d+(?:[.,]\d+)?))?/.exec(best);
  const word = /\b(?:one|two|three|four|five|six|seven|eight|nine|ten|twelve|a dozen|dozen)\b/i.exec(best)?.[0];
  const low = number ? Number((number[1] as string).replace(",", ".")) : word ? numberAt(word, 0, true)?.value : undefined;
  const high = number?.[2] ? Number(number[2].replace(",", ".")) : undefined;
  const serves = low === undefined ? undefined : high && high > low ? Math.round((low + high) / 2) : low;
  // Litres and kilos feed nobody in particular.
  if (
    /\b(?:litres?|liters?|l|ml|kg|kilos?|g|grams?|cups?|quarts?|lbs?|pounds?)\b/i.test(best) &&
    !/serv|portion|people|person|guest/i.test(best)
  )
    return { serves: undefined, text: best };
  return { serves: serves && serves > 0 && serves <= 1000 ? serves : undefined, text: best };
}

/** Instructions as sections of steps; a section without a name is the recipe's own. */
function instructionsOf(value: unknown): { name: string; steps: string[] }[] {
  const sections: { name: string; steps: string[] }[] = [];
  let loose: { name: string; steps: string[] } | undefined;
  const put = (text: string) => {
    if (!text) return;
    if (!loose) {
      loose = { name: "", steps: [] };
      sections.push(loose);
    }
    if (loose.steps.length < RECIPE_LIMITS.lines) loose.steps.push(text);
  };
  const walk = (v: unknown, depth: number): void => {
    if (depth > 12) return;
    if (typeof v === "string") {
      for (const line of linesOf(v)) put(line);
      return;
    }
    if (Array.isArray(v)) {
      for (const each of v.slice(0, RECIPE_LIMITS.lines)) walk(each, depth + 1);
      return;
    }
    if (!isNode(v)) return;
    const types = typesOf(v);
    if (types.includes("howtosection")) {
      const section = { name: textIn(own(v, "name")), steps: [] as string[] };
      sections.push(section);
      const before = loose;
      loose = section;
      walk(own(v, "itemListElement") ?? own(v, "steps") ?? own(v, "text"), depth + 1);
      loose = before;
      // What stands behind a section without one of its own begins anew.
      loose = undefined;
      return;
    }
    const inner = own(v, "itemListElement") ?? own(v, "item");
    const text = textIn(own(v, "text")) || (typeof inner === "string" ? textIn(inner) : "");
    if (text) {
      const title = textIn(own(v, "name"));
      put(
        title && !text.toLowerCase().startsWith(title.toLowerCase().slice(0, 20)) && title.length < 60 && !/^step \d+$/i.test(title)
          ? `${title}: ${text}`
          : text,
      );
      return;
    }
    if (inner !== undefined) return walk(inner, depth + 1);
    put(textIn(own(v, "name")) || textIn(own(v, "description")));
  };
  walk(value, 0);
  return sections.filter((s) => s.steps.length > 0);
}

/** One text of instructions as its paragraphs or numbered steps. */
function linesOf(value: string): string[] {
  const text = isHtml(value) ? textOfHtml(value) : /[<&]/.test(value) ? textOfHtml(value) : value;
  return text
    .split(/\r?\n+|(?<=[.!?])\s+(?=(?:step\s*)?\d{1,2}[.)]\s+\S)/i)
    .map((l) =>
      short(
        sound(l)
          .replace(/^(?:step\s*)?\d{1,2}[.):]\s+/i, "")
          .replace(/\s+/g, " ")
          .trim(),
      ),
    )
    .filter(Boolean);
}

/** A recipe from its node. */
export function recipeOfNode(node: Node): Recipe {
  const aside: string[] = [];
  const lines = listOf(own(node, "recipeIngredient") ?? own(node, "ingredients") ?? own(node, "supply"))
    .flatMap((v) => (typeof v === "string" ? linesOf(v) : [textIn(v)]))
    .filter(Boolean)
    .slice(0, RECIPE_LIMITS.lines);
  const instructions = instructionsOf(own(node, "recipeInstructions") ?? own(node, "step"));
  const { serves, text } = yieldOf(own(node, "recipeYield") ?? own(node, "yield"));
  const minutes = (key: string) => {
    const value = own(node, key);
    const written =
      typeof value === "string" ? value : isNode(value) ? textIn(own(value, "@value") ?? own(value, "value") ?? own(value, "name")) : "";
    const read = written ? isoMinutes(written) : undefined;
    if (written && read === undefined && !/^P(?:T0[HMS]|0D)?/i.test(written))
      aside.push(`${key}: “${short(sound(written)).slice(0, 80)}” was not understood.`);
    return read;
  };
  const [prep, cook, total] = [minutes("prepTime"), minutes("cookTime"), minutes("totalTime")];
  for (const [key, label] of [
    ["recipeCategory", "Category"],
    ["author", "By"],
    ["tool", "Tools"],
  ] as const) {
    const said = listOf(own(node, key)).map(textIn).filter(Boolean).slice(0, 12).join(", ");
    if (said) aside.push(`${label}: ${said}`);
  }
  return {
    name: textIn(own(node, "name") ?? own(node, "headline")) || "A recipe without a name",
    description: textIn(own(node, "description")),
    serves,
    yieldText: text,
    totalMinutes: total ?? (prep !== undefined || cook !== undefined ? (prep ?? 0) + (cook ?? 0) : undefined),
    sections: intoSections(lines, instructions),
    aside,
  };
}

/** Ingredient lines, headings among them, shared out to the sections of the instructions. */
export function intoSections(
  lines: readonly string[],
  instructions: readonly { readonly name: string; readonly steps: readonly string[] }[],
): RecipeSection[] {
  const sections = instructions.map((s) => ({ name: s.name, ingredients: [] as string[], instructions: [...s.steps] }));
  if (sections.length === 0) sections.push({ name: "", ingredients: [], instructions: [] });
  const wordsOf = (name: string) =>
    name
      .toLowerCase()
      .split(/[^\p{L}]+/u)
      .filter((w) => w.length > 3 && !["with", "make", "making", "assemble", "prepare", "cook"].includes(w));
  let heading: (typeof sections)[number] | undefined;
  for (const line of lines) {
    const read = readIngredient(line);
    if (read.heading) {
      const words = wordsOf(read.name);
      heading = sections.find((s) => words.some((w) => s.name.toLowerCase().includes(w)));
      if (!heading) {
        heading = { name: read.name.charAt(0).toUpperCase() + read.name.slice(1), ingredients: [], instructions: [] };
        sections.push(heading);
      }
      continue;
    }
    if (heading) {
      heading.ingredients.push(line);
      continue;
    }
    // The first section that speaks of it; a word of two letters more or less decides nothing.
    const words = wordsOf(read.name).reverse();
    const speaks = words.length
      ? sections.find((s) => s.instructions.some((t) => words.some((w) => t.toLowerCase().includes(w.replace(/(?:es|s)$/, "")))))
      : undefined;
    (speaks ?? sections[0])?.ingredients.push(line);
  }
  // A heading of the list that no section of the instructions took up: its lines go where the steps are.
  const idle = sections.filter((s) => s.instructions.length === 0 && s.ingredients.length > 0);
  const working = sections.filter((s) => s.instructions.length > 0);
  if (working.length === 1 && idle.length > 0 && working[0]) {
    const split = splitBySections(working[0], idle);
    return split;
  }
  return sections.filter((s) => s.ingredients.length > 0 || s.instructions.length > 0);
}

/** Steps of one list handed to the groups of the ingredient list that they speak of, in runs; what speaks of none stays with the last. */
function splitBySections(all: RecipeSection, groups: readonly RecipeSection[]): RecipeSection[] {
  const namesOf = (g: RecipeSection) =>
    g.name
      .toLowerCase()
      .split(/[^\p{L}]+/u)
      .filter((w) => w.length > 3);
  const taken = new Map<RecipeSection, string[]>();
  const rest: string[] = [];
  for (const step of all.instructions) {
    const opening = step.toLowerCase().slice(0, 70);
    const group = groups.find((g) =>
      namesOf(g).some((w) =>
        new RegExp(`(?:for|make|prepare|mix|start with|begin with) (?:the )?(?:\\w+ ){0,2}${escaped(w)}`).test(opening),
      ),
    );
    const open =
      group ??
      (rest.length === 0 && taken.size > 0 && !/assembl|to serve|finish|combine the/i.test(opening) ? [...taken.keys()].at(-1) : undefined);
    if (open) taken.set(open, [...(taken.get(open) ?? []), step]);
    else rest.push(step);
  }
  const parts = groups.map((g) => ({ ...g, instructions: taken.get(g) ?? [] }));
  const working = parts.filter((p) => p.instructions.length > 0);
  const lost = parts.filter((p) => p.instructions.length === 0).flatMap((p) => p.ingredients);
  const last = { name: all.name, ingredients: [...all.ingredients, ...lost], instructions: rest };
  if (rest.length === 0 && working.length > 0) {
    const end = working.at(-1) as (typeof working)[number];
    return [...working.slice(0, -1), { ...end, ingredients: [...end.ingredients, ...last.ingredients] }];
  }
  return [...working, last].filter((s) => s.ingredients.length > 0 || s.instructions.length > 0);
}

const escaped = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, "\\$&");

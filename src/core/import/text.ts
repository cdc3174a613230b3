// Pasted text: a title, a list of ingredients, numbered steps or paragraphs. Which line is what is told by how it looks.

import { findDurations } from "../entry/durations";
import { readIngredient } from "../entry/ingredient-line";
import { intoSections, yieldOf } from "./json-ld";
import { RECIPE_LIMITS, type Recipe } from "./recipe";

const INGREDIENTS = /^(?:ingredients?|you(?:'|’)?ll need|you will need|what you need|shopping list)\b[^\d]{0,40}:?$/i;
const METHOD = /^(?:method|directions?|instructions?|preparation|steps?|how to (?:make|do) it|what to do)\s*:?$/i;
const SERVES = /^(?:serves|servings?|makes|yields?|portions?|for)\b[^.]{0,60}\d+[^.]{0,40}$|^\d+\s+(?:servings?|portions?)$/i;
const TIMES = /^(?:prep(?:aration)?|cook(?:ing)?|total|active|rest(?:ing)?)(?: time)?\s*:/i;
const NUMBERED = /^(?:step\s*)?\d{1,2}[.):]\s+(?=\S)/i;
const VERB =
  /^(?:pre-?heat|heat|mix|stir|whisk|beat|combine|knead|add|put|place|pour|cook|bake|roast|boil|simmer|fry|let|leave|cover|remove|take|cut|chop|slice|peel|wash|rinse|soak|drain|roll|shape|fold|spread|sprinkle|season|serve|bring|reduce|strain|cool|chill|refrigerate|freeze|rest|make|prepare|set|transfer|return|meanwhile|when|once|the next day|next|then|in a|on a|using|toss|rub|brush|melt|turn|divide|arrange|layer|fill|form|press|grind|blend|puree|dissolve|sift|cream|line|grease|brown|sear|deglaze|skim|marinate|brine|cure|proof|prove|ferment|steam|poach|grill|smoke|after|before|while|to (?:make|serve|assemble))\b/i;

const clean = (line: string) => line.replace(/\s+/g, " ").trim();
const isHeading = (line: string) =>
  line.length <= 60 &&
  !/[.!?]$/.test(line) &&
  (/:$/.test(line) || /^(?:for|to make) the\b/i.test(line) || (line === line.toUpperCase() && /[A-Z]{3}/.test(line)));

function looksLikeIngredient(line: string): boolean {
  if ((/[.!?]$/.test(line) && !/\d/.test(line)) || line.length > 120 || /[.!?]\s+[A-Z]/.test(line) || NUMBERED.test(line)) return false;
  const read = readIngredient(line);
  const bulleted = /^[-–•*·▢☐]\s*/.test(line);
  return (
    (read.amount !== undefined && !VERB.test(line)) ||
    (bulleted && !VERB.test(line.replace(/^[-–•*·▢☐]\s*/, "")) && line.length < 80) ||
    read.asNeeded
  );
}

/** A recipe from pasted text; undefined where neither ingredients nor steps can be made out. */
export function recipeOfText(source: string): Recipe | undefined {
  const lines = source
    .split(/\r?\n/)
    .map(clean)
    .filter(Boolean)
    .slice(0, RECIPE_LIMITS.lines)
    .map((l) => l.slice(0, RECIPE_LIMITS.text));
  if (lines.length === 0) return undefined;
  let name = "";
  let yieldText = "";
  let totalMinutes: number | undefined;
  const aside: string[] = [];
  const description: string[] = [];
  const ingredients: string[] = [];
  const instructions: { name: string; steps: string[] }[] = [];
  let mode: "top" | "ingredients" | "method" = "top";
  const section = (title: string) => instructions.push({ name: title, steps: [] });
  const put = (text: string) => {
    if (instructions.length === 0) section("");
    (instructions.at(-1) as { steps: string[] }).steps.push(text);
  };
  lines.forEach((line, i) => {
    if (INGREDIENTS.test(line)) mode = "ingredients";
    else if (METHOD.test(line)) mode = "method";
    else if (SERVES.test(line) && mode !== "method") yieldText ||= line;
    else if (TIMES.test(line)) {
      const minutes = findDurations(line).reduce((sum, f) => sum + f.value.likely, 0);
      if (/^total/i.test(line) && minutes) totalMinutes = minutes;
      else aside.push(line);
    } else if (i === 0 && !looksLikeIngredient(line) && !NUMBERED.test(line)) name = line.replace(/:$/, "");
    else if (mode === "method" && isHeading(line) && !NUMBERED.test(line))
      section(line.replace(/:$/, "").replace(/^(?:for|to make) (?:the )?/i, ""));
    else if (NUMBERED.test(line)) {
      mode = "method";
      put(line.replace(NUMBERED, ""));
    } else if (mode === "method") put(line.replace(/^[-–•*·▢☐]\s*/, ""));
    else if (isHeading(line) && mode === "ingredients") ingredients.push(/:$/.test(line) ? line : `${line}:`);
    else if (looksLikeIngredient(line)) {
      mode = "ingredients";
      ingredients.push(line);
    } else if (isHeading(line)) {
      mode = "ingredients";
      ingredients.push(/:$/.test(line) ? line : `${line}:`);
    } else if (mode === "ingredients" && !VERB.test(line) && line.length < 60 && !/[.!?]$/.test(line)) ingredients.push(line);
    else if (mode === "top" && !VERB.test(line)) description.push(line);
    else {
      mode = "method";
      put(line);
    }
  });
  const steps = instructions.filter((s) => s.steps.length > 0);
  const named = ingredients.filter((l) => !readIngredient(l).heading);
  if (named.length === 0 && steps.length === 0) return undefined;
  const read = yieldOf(yieldText || undefined);
  return {
    name: name || "A recipe without a name",
    description: description.join(" ").slice(0, RECIPE_LIMITS.text),
    serves: read.serves,
    yieldText,
    totalMinutes,
    sections: intoSections(ingredients, steps),
    aside,
  };
}

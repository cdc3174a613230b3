// Whatever is brought in: a dish of our own, a saved page, a JSON-LD file, or a page of text.

import { LIMITS } from "../dish/read";
import { isHtml, jsonLdOf, sound, textOfHtml } from "./html";
import { looseJson, recipeNodes, recipeOfNode } from "./json-ld";
import type { ReadRecipes } from "./recipe";
import { recipeOfText } from "./text";

/**
 * Recipes in a text of whatever kind. Never throws, whatever stands in it.
 * @param source at most 8 MB
 */
export function readRecipes(source: string): ReadRecipes {
  if (source.length > LIMITS.bytes)
    return { status: "nothing", because: `It is larger than ${LIMITS.bytes / 1e6} MB: is it the right file?` };
  const text = source.replace(/^\uFEFF/, "");
  if (text.trim() === "") return { status: "nothing", because: "There is nothing in it." };
  const json = /^\s*[[{]/.test(text) ? looseJson(text) : undefined;
  const values = json !== undefined ? [json] : isHtml(text) ? jsonLdOf(text).map(looseJson) : [];
  const recipes = values.flatMap((v) => recipeNodes(v)).map(recipeOfNode);
  const whole = recipes.filter((r) => r.sections.some((s) => s.ingredients.length > 0 || s.instructions.length > 0));
  if (whole.length > 0) return { status: "read", recipes: whole, from: "json-ld" };
  if (json !== undefined)
    return {
      status: "nothing",
      because: "It is JSON, but neither a Rondeau dish nor a schema.org recipe with ingredients or steps.",
    };
  const read = recipeOfText(sound(isHtml(text) ? textOfHtml(text) : text));
  if (read) return { status: "read", recipes: [read], from: "text" };
  return {
    status: "nothing",
    because: "Neither ingredients nor steps were found in it. Put each ingredient and each step on a line of its own.",
  };
}

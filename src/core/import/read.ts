// Whatever is brought in: a saved page, a JSON-LD file, or a page of text.
import { LIMITS } from "../dish/read";
import type { Language } from "../entry/lexicon/lexicon";
import { looseJson } from "./json-ld";
import type { ReadRecipes, Recipe } from "./recipe";
import { recipeOf } from "./sections";
import { sourcesOf, textSource } from "./source";

/**
 * Recipes in a text of whatever kind. Never throws, whatever stands in it.
 * @param file at most 8 MB
 * @param language told from the text where it is not given
 */
export function readRecipes(file: string, language?: Language): ReadRecipes {
  if (file.length > LIMITS.bytes)
    return { status: "nothing", because: `It is larger than ${LIMITS.bytes / 1e6} MB: is it the right file?`, source: textSource("") };
  if (file.trim() === "") return { status: "nothing", because: "There is nothing in it.", source: textSource(file) };
  const sources = sourcesOf(file);
  // JSON that is no recipe is none, whatever its texts look like.
  const other = sources.length === 1 && sources[0]?.kind === "text" && isJson(file);
  const recipes = (other ? [] : sources).map((s) => recipeOf(s, language)).filter((r): r is Recipe => r !== undefined);
  if (recipes.length > 0) return { status: "read", recipes };
  return {
    status: "nothing",
    because: other
      ? "It is JSON, but neither a Rondeau dish nor a schema.org recipe with ingredients or steps."
      : "Neither ingredients nor steps were found in it. Put each ingredient and each step on a line of its own.",
    source: sources[0] ?? textSource(file),
  };
}

const isJson = (file: string): boolean => /^\uFEFF?\s*[[{]/.test(file) && looseJson(file.replace(/^\uFEFF/, "")) !== undefined;

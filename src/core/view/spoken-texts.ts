// Texts of plan views, of the planner and of the log, with measures and times as this cook reads them. Ids, kinds and numbers are not changed.
import type { Conventions } from "../spoken/conventions";
import { inConventions } from "../spoken/in-conventions";
import { isWeighedInGrams } from "../spoken/in-measures";

/** Fields that hold a sentence, a name or an amount. */
const TEXTS = new Set([
  "name",
  "note",
  "cue",
  "amount",
  "text",
  "what",
  "method",
  "gone",
  "equipment",
  "said",
  "because",
  "left",
  "packs",
  "atHome",
  "warmUp",
  "for",
  "prompt",
  "where",
  "why",
  "label",
  "stepName",
  "ingredient",
  "more",
  "each",
]);

/** Fields that say how much of a thing. */
const AMOUNTS = new Set(["amount", "each", "packs", "left", "atHome"]);

/** What an amount beside it is of. */
function nameOf(value: object): string {
  const { ingredient, name } = value as { readonly ingredient?: unknown; readonly name?: unknown };
  return [ingredient, name].find((n): n is string => typeof n === "string") ?? "";
}

/** The same value; the very same object where nothing would be said differently. An amount of salt and the like stays in grams. */
export function spokenTexts<T>(value: T, c: Conventions): T {
  if (c.units === "metric" && c.decimal === "." && c.clock === 24 && c.dayFirst) return value;
  const told = (inner: unknown, key: string): unknown => {
    if (typeof inner === "string") return TEXTS.has(key) ? inConventions(inner, c) : inner;
    if (Array.isArray(inner)) return inner.map((v) => told(v, key));
    if (typeof inner !== "object" || inner === null) return inner;
    const keepsGrams = isWeighedInGrams(nameOf(inner));
    return Object.fromEntries(Object.entries(inner).map(([k, v]) => [k, AMOUNTS.has(k) && keepsGrams ? v : told(v, k)]));
  };
  return told(value, "") as T;
}

// What is cured, by the limits that hold for it.

/** What is cured, by the limits of nitrite that hold for it. */
export type CuredProduct = "dry" | "bacon_dry" | "immersion" | "bacon_immersion" | "comminuted";

/**
 * Which limits hold for a cure.
 * @param words names of the component, its method and what goes in
 * @param wet whether it lies in a brine
 */
export function curedAs(words: string, wet: boolean): CuredProduct {
  if (/sausage|mince|terrine|p[aâ]t[eé]|salami/i.test(words)) return "comminuted";
  const bacon = /bacon|belly/i.test(words);
  return wet ? (bacon ? "bacon_immersion" : "immersion") : bacon ? "bacon_dry" : "dry";
}
/** What makes of a cure a brine. */
export const CURE_LIQUID = /water|beer|brine/i;

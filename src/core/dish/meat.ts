// Meat and fish by their names, for whatever weighs, cures or heats them. English words: a name in none of them is not taken for meat.

/** Names of meat and fish, and of their cuts. */
export const MEAT =
  /\b(?:pork|beef|veal|lamb|mutton|venison|goat|chicken|duck|goose|turkey|fowl|quail|rabbit|hare|mince|sausage ?meat|oxtail|trotters?|cheeks?|shoulder|loin|legs?|breasts?|shin|shank|belly|liver|bones?|fish|trout|salmon|cod|haddock|mackerel|herring|prawns?|shrimps?|crab|lobster|mussels?|squid)\b/i;
/** Words that make of such a name something that is not raw any more, or never was. */
export const NOT_RAW_MEAT =
  /stock|broth|sauce|lard|dripping|\bfat\b|gelatine?|bacon|ham\b|cured|smoked|cooked|tinned|canned|noodle|paste|powder|dried|casings?|confit|stock cube|bouillon|\broe\b/i;

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

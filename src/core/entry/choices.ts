// A doubt of a line answered: the choice written into the line, so that it says it from now on.
import type { Doubt, Field } from "./step/reading";

const ATTENTION_TEXT: Readonly<Record<string, string>> = { hands: "by hand", nearby: "nearby", unattended: "alone" };
const PLACE_TEXT: Readonly<Record<string, string>> = { counter: "on the counter", fridge: "fridge", freezer: "freezer", cellar: "cellar" };
const ATTENTION_SHOWN: Readonly<Record<string, string>> = { hands: "hands-on", nearby: "somebody near", unattended: "unattended" };

/** A choice as it stands on its button. */
export function choiceText(field: Field, choice: string): string {
  if (field === "minutes") return `${choice} min`;
  if (field === "attention") return ATTENTION_SHOWN[choice] ?? choice;
  if (field === "batches") return `${choice} batches`;
  return choice;
}

/**
 * The line with a doubt answered.
 * @example answered("simmer the stock", { field: "minutes", why: "no time said" }, "45") // "simmer the stock, 45m"
 */
export function answered(line: string, doubt: Pick<Doubt, "field">, choice: string): string {
  const said = {
    minutes: `${choice}m`,
    attention: ATTENTION_TEXT[choice],
    place: PLACE_TEXT[choice],
    heat: /°C$/.test(choice) ? `oven ${choice}` : choice === "oven" ? "oven 180C" : choice,
    batches: `in ${choice} batches`,
  } as Readonly<Partial<Record<Field, string>>>;
  const more = doubt.field === "keeps" ? (choice === "counter" ? "on the counter" : choice) : said[doubt.field];
  if (!more) return line;
  // Where something is kept belongs right behind how long: it is the last clause that says so.
  if (doubt.field === "keeps") return line.replace(/((?:keeps?|lasts?|holds?|stores?)\b[^,;]*)/i, (kept) => `${kept.trimEnd()} ${more}`);
  return `${line.trim().replace(/[,.;]+$/, "")}, ${more}`;
}

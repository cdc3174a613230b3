// One line of an ingredient list: "1 1/2 cups all-purpose flour, sifted", "500g pork shoulder (boneless)", "juice of 1 lemon", "salt to taste".
// Nothing of the line is lost: what is neither amount nor name stands in the note, and what is not understood is said.
import { quantityOf } from "../dish/units";
import { amountAt, type ReadAmount } from "./amounts";
import { shortNumber } from "./numbers";

interface IngredientLine {
  readonly name: string;
  readonly amount: ReadAmount | undefined;
  readonly note: string | undefined;
  /** Settled by feel: "to taste", "for frying". */
  readonly asNeeded: boolean;
  readonly optional: boolean;
  /** The line is the heading of a group ("For the dough:"). */
  readonly heading: boolean;
  /** Why somebody should look at it again; undefined where all is clear. */
  readonly unclear: string | undefined;
}

const BULLET = /^(?:[-–—•*·▢☐□◦]\s*|\d{1,2}[.)]\s+(?=[^\d]))+/u;
const ABOUT =
  /^(?:about|approximately|approx\.?|around|roughly|ca\.?|circa|~|a (?:generous|scant|heaped|heaping|level)|generous|scant|heaped|heaping|rounded|level|good|at least|up to)\s+/i;
const AS_NEEDED =
  /\b(?:to taste|as (?:needed|required|you like)|as desired|for (?:frying|deep[- ]frying|greasing|dusting|rolling|brushing|serving|garnish(?:ing)?|the (?:tin|pan|pot|tray|board|work surface)|sprinkling|drizzling)|plus (?:more|extra).*$)/i;
const OPTIONAL = /\(?\boptional\b\)?/i;
const HEADING = /^(?:for (?:the )?[^,\d]{2,50}|[^,\d]{2,50}):$/i;
/** Sizes and states that stand before a counted thing and are not its unit. */
const SIZE = /^(?:(?:extra[- ])?(?:large|small|medium)(?:-sized)?|big)\s+/i;
const PART_OF =
  /^(?:(?:the )?(?:(?:finely |freshly )?(?:grated |squeezed )?)(juice|zest|rind|peel|juice and zest|zest and juice)(?: of)?)\s+/i;

/**
 * Reads one line of an ingredient list.
 * @example readIngredient("2 lb 3 oz chicken thighs, bone in").name // "chicken thighs"
 */
export function readIngredient(line: string): IngredientLine {
  const text = line.replace(/\s+/g, " ").trim().replace(BULLET, "").trim();
  const none = { amount: undefined, note: undefined, asNeeded: false, optional: false, heading: false, unclear: undefined };
  if (HEADING.test(text)) return { ...none, name: text.replace(/:$/, "").replace(/^for (?:the )?/i, ""), heading: true };
  const notes: string[] = [];
  let rest = text;
  const optional = OPTIONAL.test(rest);
  if (optional)
    rest = rest
      .replace(OPTIONAL, " ")
      .replace(/\s+/g, " ")
      .replace(/[\s,]+$/, "")
      .trim();

  const about = ABOUT.exec(rest);
  if (about) {
    notes.push(about[0].trim().replace(/^a /, ""));
    rest = rest.slice(about[0].length);
  }
  const part = PART_OF.exec(rest);
  if (part && /\d|½|¼|\bone\b|\ban?\b|\bhalf\b/i.test(rest)) {
    notes.push(`the ${(part[1] as string).toLowerCase()}`);
    rest = rest.slice(part[0].length);
  }
  let found = amountAt(rest, 0, true);
  // "a" before a word that is no unit is an article as much as a number; "a chicken" is one.
  let amount = found?.value;
  if (found) rest = rest.slice(found.end).trim();
  else {
    // "Butter 200 g", "Flour: 500 g": the amount behind the name.
    const behind = /^(\p{L}[\p{L}' -]*?)\s*[:,–-]?\s+(\d.*)$/u.exec(rest);
    const there = behind && amountAt(behind[2] as string, 0);
    if (behind && there && there.value.unit !== "piece" && (behind[2] as string).slice(there.end).trim() === "") {
      found = there;
      amount = there.value;
      rest = behind[1] as string;
    }
  }
  if (amount?.range)
    notes.push(`${shortNumber(amount.range[0])} to ${shortNumber(amount.range[1])} ${amount.unit === "piece" ? "" : amount.unit}`.trim());

  // The same amount in other units: "1 kg/2 lb 4 oz flour", "250 ml (1 cup) milk", "1 (14 oz) can".
  const slash = /^\/\s*/.exec(rest);
  const other = slash && amountAt(rest, slash[0].length);
  if (slash && other) {
    notes.push(rest.slice(slash[0].length, other.end));
    rest = rest.slice(other.end).trim();
  }
  const inBrackets = /^\(([^()]*)\)\s*/.exec(rest);
  if (inBrackets && amount) {
    notes.push((inBrackets[1] as string).trim());
    rest = rest.slice(inBrackets[0].length);
    const container = amount.unit === "piece" && amountAt(`1 ${rest}`, 0);
    if (container && container.value.unit !== "piece" && container.value.amount === 1) {
      amount = { ...amount, unit: container.value.unit };
      rest = rest.slice(container.end - 2).trim();
    }
  }
  rest = rest.replace(/^of (?:the )?/i, "");
  const size = amount?.unit === "piece" ? SIZE.exec(rest) : null;
  if (size) {
    notes.push(size[0].trim().toLowerCase());
    rest = rest.slice(size[0].length);
  }
  const asNeeded =
    AS_NEEDED.test(rest) || (!amount && /^(?:salt|pepper|salt and pepper|ice|flour for|oil for)\b/i.test(rest) && AS_NEEDED.test(text));
  // The name ends at the first comma, bracket, dash or "for …"; what follows says how it is wanted.
  const cut =
    /\s*(?:,|\(|;|\s[-–—]\s|\s(?=(?:to taste|as needed|as required|for (?:frying|deep|greasing|dusting|rolling|brushing|serving|garnish|the|sprinkling)|plus (?:more|extra))\b))/i.exec(
      rest,
    );
  let name = cut ? rest.slice(0, cut.index) : rest;
  const tail = cut ? rest.slice(cut.index).replace(/^[\s,;–—-]+/, "") : "";
  if (tail)
    notes.push(
      tail
        .replace(/^\(([^()]*)\)$/, "$1")
        .replace(/^\(/, "(")
        .trim(),
    );
  name = name.replace(/\.$/, "").trim();
  const note = notes.filter(Boolean).join("; ") || undefined;
  // "5 cloves" is a spice by itself: the word that counts is what is counted.
  if (name === "" && amount && amount.unit !== "piece" && quantityOf(amount).dimension === "count") {
    name = `${amount.unit}s`;
    amount = { ...amount, unit: "piece" };
  }
  if (name === "") {
    return {
      ...none,
      name: text === "" ? "?" : text,
      amount: undefined,
      note: undefined,
      optional,
      unclear: "What is it? No name was found in this line.",
    };
  }
  const unclear = amount || asNeeded ? leftover(name) : /\d/.test(text) ? "It has an amount that was not understood." : "No amount.";
  return { name, amount, note, asNeeded: asNeeded && !amount, optional, heading: false, unclear };
}

/** A name that still holds figures has probably swallowed part of the amount. */
function leftover(name: string): string | undefined {
  return /\d\s?(?:g|kg|ml|l|oz|lb|cups?|tbsp|tsp)\b/i.test(name) ? "It has two amounts; the first was used." : undefined;
}

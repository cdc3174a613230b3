// What becomes of the lines that are neither ingredient nor step: title, yield, notes, and how long a part keeps.
import { findDurations } from "../entry/durations";
import { lexiconOf } from "../entry/lexicon";
import { fold } from "../entry/lexicon/fold";
import type { Language } from "../entry/lexicon/lexicon";
import { readStep } from "../entry/step/read";
import type { Keep } from "../entry/step/reading";
import { singleSpaced } from "../plain-text";
import type { Item } from "./accounting";
import { type Aside, GUESSED_SERVES, type Recipe, type Stretch } from "./recipe";
import { names, tellingWords } from "./sections";
import { sentencesOf } from "./sentences";

/** An item before it has its text. */
export type Draft = Omit<Item, "text">;
/** Records how long a component keeps, with the sentence that says so where it is not part of a step. */
export type KeepFn = (stretch: Stretch | undefined, component: number, keeps: readonly Keep[], guess: string | undefined) => void;

const LONGEST_KEEP = 400;
const KEEP_VERBS: Readonly<Record<Language, string>> = {
  en: "keeps",
  de: "hält sich",
  fr: "se conserve",
  it: "si conserva",
  es: "se conserva",
};
/** "…; keep covered in the fridge": the place of what the sentence before it says. */
const placeIn = (text: string | undefined, language: Language) => {
  const place = text === undefined ? null : readStep(singleSpaced(text), { language }).place;
  return place === "fridge" || place === "freezer" || place === "cellar" ? place : null;
};
/** How long something keeps, by a sentence of a note. Under "Storage" a length is that, whatever the words. */
function keepsOfNote(text: string, stored: boolean, language: Language): { readonly found: readonly Keep[]; readonly placeless: boolean } {
  const plain = singleSpaced(text)
    .replace(/^\(|\)$/g, "")
    .replace(/^[^:]{0,24}:\s*/, (lead) => (/^(?:to store|storage|keeps?|tip|note)/i.test(lead) ? "" : lead));
  const reading = readStep(plain, { language });
  const placeless = reading.doubts.some((d) => d.field === "keeps");
  if (reading.keeps.length > 0) return { found: reading.keeps, placeless };
  if (stored) {
    // "The stock 2 days in the fridge or 3 months in the freezer": from its first length on.
    const first = findDurations(plain, lexiconOf(language))[0];
    const said = first ? readStep(`${KEEP_VERBS[language]} ${plain.slice(first.start)}`, { language }).keeps : [];
    if (said.length > 0 && said.every((k) => k.max !== null)) return { found: said, placeless: said.some((k) => k.place === null) };
  }
  if (/\b(?:freez|frozen|einfrier|eingefror|congel)/i.test(text) && reading.said.minutes)
    return { found: [{ place: "freezer", min: null, max: reading.minutes.max }], placeless };
  if (!stored) return { found: [], placeless };
  // A length alone under such a heading: said with the verb of its language, or in English units.
  const said = readStep(`${KEEP_VERBS[language]} ${plain}`, { language }).keeps;
  return { found: said.length > 0 ? said : readStep(`keeps ${plain}`, { language: "en" }).keeps, placeless };
}

/** What became of a line that is neither ingredient nor step. */
export function accountAside(
  aside: Aside,
  recipe: Recipe,
  parts: readonly { readonly name: string }[],
  items: Draft[],
  keep: KeepFn,
  notes: string[],
): void {
  const { from, to, role, text } = aside;
  const put = (state: Item["state"], became: string, why?: string) => items.push({ from, to, state, became, ...(why ? { why } : {}) });
  if (role === "title") {
    if (fold(singleSpaced(text)).includes(fold(singleSpaced(recipe.name)))) return void put("read", "/dish/name");
    notes.push(singleSpaced(text));
    return void put("note", "/dish/note");
  }
  if (role === "serves") {
    if (singleSpaced(text) !== recipe.yieldText || recipe.yieldGuessed) notes.push(singleSpaced(text));
    return void put(
      recipe.yieldGuessed || recipe.serves === undefined ? "guess" : "read",
      "/dish/baseServes",
      recipe.serves === undefined
        ? `no number of people: ${GUESSED_SERVES} is assumed`
        : recipe.yieldGuessed
          ? "pieces, taken as portions"
          : undefined,
    );
  }
  if (role === "list-head" || role === "number") return void put("note", `/components/0/methods/0/steps`);
  // A note that says how long something keeps is a hold of the part that it names, or else of the last.
  if (role === "note") {
    const sentences = sentencesOf(text, from, recipe.language);
    const kept = sentences.map((s) => ({ ...s, keeps: keepsOfNote(s.text, aside.storage === true, recipe.language) }));
    if (kept.some((s) => s.keeps.found.length > 0)) {
      for (const [i, s] of kept.entries()) {
        if (s.keeps.found.length === 0 || s.text.length >= LONGEST_KEEP) {
          notes.push(singleSpaced(s.text));
          items.push({ from: s.from, to: s.to, state: "note", became: "/dish/note" });
          continue;
        }
        const next = kept[i + 1];
        const own = s.keeps.placeless ? placeIn(s.text, recipe.language) : null;
        const where = own ?? (s.keeps.placeless && next?.keeps.found.length === 0 ? placeIn(next.text, recipe.language) : null);
        const named = parts.findIndex((p) => p.name === aside.of || names(s.text, tellingWords(p.name)));
        const why =
          named < 0 && parts.length > 1
            ? "it does not say which part keeps this long"
            : s.keeps.placeless && own === null
              ? "no place said"
              : undefined;
        const keeps = s.keeps.found.map((k) => ({ ...k, place: k.place ?? where }));
        keep({ from: s.from, to: s.to, text: s.text }, named >= 0 ? named : parts.length - 1, keeps, why);
      }
      return;
    }
  }
  notes.push(singleSpaced(text));
  put(role === "unread" ? "unread" : "note", "/dish/note");
}

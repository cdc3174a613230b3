// The five languages, and which of them a text is written in.
import { ENGLISH } from "./english";
import { fold } from "./fold";
import { FRENCH } from "./french";
import { GERMAN } from "./german";
import { ITALIAN } from "./italian";
import type { Language, Lexicon } from "./lexicon";
import { SPANISH } from "./spanish";

/** Verbs with the pronouns that stand at their end in Italian and Spanish: "dejarlo", "tritatela". */
const withPronouns = (lexicon: Lexicon): Lexicon => ({
  ...lexicon,
  verbs: lexicon.verbs.map(([words, sense]) => [`(?:${words})(?:l[aeio]s?|s[ei]|ne|ci)?`, sense] as const),
});

const LEXICONS: Readonly<Record<Language, Lexicon>> = {
  en: ENGLISH,
  de: GERMAN,
  fr: FRENCH,
  it: withPronouns(ITALIAN),
  es: withPronouns(SPANISH),
};

/** What a language says. */
export const lexiconOf = (language: Language): Lexicon => LEXICONS[language];

const tellers = new Map<Language, RegExp>();

/**
 * The language of a text: the one most of whose telling words stand in it; English where none is ahead.
 * @example languageOf("Teig 10 Min. kneten und über Nacht gehen lassen") // "de"
 */
export function languageOf(text: string): Language {
  const folded = fold(text.slice(0, 40_000));
  let best: Language = "en";
  let most = 0;
  for (const lexicon of Object.values(LEXICONS)) {
    const { language } = lexicon;
    let pattern = tellers.get(language);
    if (!pattern) {
      // Verbs, places and nights tell as well: a line of three words may have no other sign. Signs that all share ("h", "min") tell nothing.
      const units = lexicon.units
        .map(([words]) =>
          words
            .split("|")
            .filter((w) => w.length > 4)
            .join("|"),
        )
        .filter(Boolean);
      const words = [
        lexicon.telling,
        ...lexicon.verbs.map(([w]) => w),
        ...lexicon.bare.map(([w]) => w),
        ...lexicon.places.map(([w]) => w),
        ...units,
        lexicon.night,
      ];
      pattern = new RegExp(`(?<![\\p{L}])(?:${words.join("|")})(?![\\p{L}])`, "gu");
      tellers.set(language, pattern);
    }
    const count = folded.match(pattern)?.length ?? 0;
    if (count > most || (count === most && language === "en")) {
      most = count;
      best = language;
    }
  }
  return best;
}

// Headings, yields and times of recipes in five languages: words that say what the lines below them are.

import { lexiconOf } from "../entry/lexicon";
import { ENGLISH } from "../entry/lexicon/english";
import { fold } from "../entry/lexicon/fold";
import { LANGUAGES, type Language } from "../entry/lexicon/lexicon";
import { numberAt } from "../entry/numbers";

export type Head = "ingredients" | "method" | "notes" | "nutrition" | "equipment" | "storage";

const HEADS: readonly (readonly [Head, RegExp])[] = [
  [
    "ingredients",
    /^(?:the )?(?:ingredients?(?: list)?|you(?:'|’)?ll need|you will need|what you need|what (?:do|will) (?:i|you|we) need|what you(?:'|’)ll need|what to (?:get|buy)|to (?:get|buy)|shopping(?: list)?|(?:man|ihr|du|wir|sie) (?:braucht|brauchst|brauchen|nehme|nimmt)|zutaten(?:liste)?|das brauchst du|ingredients|(?:ce qu')?il (?:vous |nous |te )?faut|was man braucht|man nehme|cosa serve|(?:che )?cosa (?:ti |vi )?serve|ci vuole|hace falta|(?:lo que|que) (?:se )?necesit(?:as|a|amos|aremos)|ingredienti|gli ingredienti|occorrente|ingredientes|necesitas)$/,
  ],
  [
    "method",
    /^(?:the )?(?:methods?|directions?|instructions?|preparation(?: steps)?|steps?|how to (?:make|do|cook) (?:it|them|this)|what (?:to do|i do|we do|you do)|(?:game |cooking )?plan|time ?(?:table|line)|schedule|ablauf|zeitplan|how|how (?:i|we|you) (?:make|do|cook) it|how (?:do|did|does) (?:i|we|you|one) (?:make|do|cook) (?:it|this|them)|how it goes|how it(?:'s| is) (?:done|made)|here(?:'s| is) how|the process|process|procedure|let's cook|zubereitung(?:sschritte)?|anleitung|so (?:geht's|geht es|wird's gemacht)|arbeitsschritte|etapes?(?: de (?:la )?preparation)?|realisation|preparation|la preparation|marche a suivre|deroule(?:ment)?|progression|on s'y met|c'est parti|en cuisine|mise en oeuvre|vorgehen|los geht(?:'s| es)|so wird(?:'s| es) gemacht|und so geht(?:'s| es)|esecuzione|come procedere|si comincia|manos a la obra|asi se hace|el proceso|preparazione|procedimento|come si fa|svolgimento|(?:preparacion|elaboracion)(?: paso a paso)?|paso a paso|pasos|modo de (?:preparacion|hacer(?:lo)?)|instrucciones|como se hace)$/,
  ],
  [
    "notes",
    /^(?:(?:cook|chef|baker|kitchen|recipe|my|a few|some|our)(?:'s|’s|s)? )?(?:notes?|tips?|tips? (?:and|&) (?:tricks|notes|variations)|hints?|variations?|serving suggestions?|to serve with|substitutions?|good to know|faq|make[- ]ahead(?: tips?)?|hinweise?|tipps?|tips|anmerkungen?|variante[ns]?|astuces?|conseils?(?: du chef)?|remarques?|le conseil|bon a savoir|variantes?|note|consigli(?:o)?|suggerimenti|curiosita|varianti|notas?|consejos?|trucos?|sugerencias|trucos y consejos|about(?: this recipe)?|introduction|the story|comments?|reviews?|related(?: recipes)?|you may also like|more recipes|kommentare?|ahnliche rezepte|mehr rezepte|commentaires?|avis|commenti|ricette correlate|comentarios|recetas relacionadas)$/,
  ],
  [
    "nutrition",
    /^(?:nutrition(?:al)?(?: (?:facts|information|info|values?))?(?: \(?per (?:serving|portion)\)?)?|per serving|nahrwerte?(?:angaben)?(?: pro portion)?|valeurs? nutritionnelles?|valori nutrizionali|informacion nutricional|valor nutricional)$/,
  ],
  [
    "equipment",
    /^(?:(?:special )?equipment(?: needed)?|tools?(?: needed)?|you(?:'|’)?ll also need|utensils|kit|ausstattung|gerate|das brauchst du auch|materiel|ustensiles|attrezzatura|utensili|utensilios|equipo)$/,
  ],
  [
    "storage",
    /^(?:storage|leftovers?|reste|les restes|gli avanzi|avanzi|sobras|to store|storing|how to store|how long (?:does it|do they|will it) keep|keeping|shelf life|aufbewahrung|haltbarkeit|lagerung|conservation|conservazione|conservacion)$/,
  ],
];

/** "What do I need?", "How long does it keep? Two days.": a heading that asks. */
const QUESTION = /^(?:what|how|wie|was|comment|que faut|come|cosa|c[oó]mo|qu[eé])\b[^?.!:]{4,40}\?/iu;
/** "Ingredienti per la pasta", "Zutaten für den Teig": the list of a part, named behind an article. */
const PART_OF_LIST =
  /^(?:ingredients?|method|directions|instructions|zutaten|zubereitung|ingredienti|procedimento|preparazione|preparation|ingredientes|elaboracion|preparacion)\s+(?:for the|of the|fur (?:den|die|das)|pour (?:la |le |les |l')|per (?:la |il |lo |le |i |gli |l')|para (?:la|el|los|las))/;
/** What a line that is a heading of the whole recipe's parts is about; with what follows its colon. */
export function headOf(text: string): { readonly head: Head; readonly rest: string; readonly restAt: number } | undefined {
  const bare = text.replace(/^[#*_=\s>~–—-]+|[#*_=\s~–—-]+$/g, "").replace(QUESTION, (q) => `${q.slice(0, -1)}:`);
  const offset = text.search(/[^#*_=\s>~–—-]/);
  const folded = fold(bare);
  const colon = folded.indexOf(":");
  const first = (colon >= 0 ? folded.slice(0, colon) : folded).replace(/\((?:[^()]*)\)\s*$/, "").trim();
  // "Zutaten für 6 Personen", "Ingredients (serves 4)", "Ingredients for 6".
  if (PART_OF_LIST.test(first)) return undefined;
  const plain = first.replace(/\s+(?:for|fur|pour|per|para)\s+(?:about )?(?:\d+|[\p{L}]+)(?:[\s-]+\d+)?(?:\s+[\p{L}]+)?$/u, "");
  for (const [head, pattern] of HEADS) {
    if (!pattern.test(first) && !pattern.test(plain)) continue;
    const rest = colon >= 0 ? bare.slice(colon + 1) : "";
    const lead = rest.length - rest.trimStart().length;
    return { head, rest: rest.trim(), restAt: colon >= 0 ? offset + colon + 1 + lead : text.length };
  }
  return undefined;
}

const PEOPLE =
  "of us|people|ppl|pax|port\\.|pers\\.?|persons?|guests?|servings?|portions?|serves|diners|eaters|hungry|covers|plates|couverts|coperti|cubiertos|personen|leute|gaste|esser|portionen|person|personnes?|convives|parts|persone|porzioni|commensali|personas|raciones|porciones|comensales|adults?|cooks";
const SERVES =
  /(?:^|[^\p{L}])(?:servings|serving|reicht (?:etwa )?fur|genug fur|suffit pour|suffisent? pour|(?:nombre de )?couverts|anzahl (?:der )?(?:personen|portionen|gaste)|numero (?:di|de) (?:porzioni|persone|raciones|comensales)|serves|serve|feeds|fed|(?<=(?:will|to|can|should|ll) )feed|enough for|portions|portionen|porzioni|raciones|porciones|personen|personnes|persone|personas)(?!\p{L})\s*[:(]?\s*(?:about |around |approx\.? |ca\.? )?(?:(?:an? )?(?:party|table|crowd|company|gathering|family) of )?(\d+|(?:(?:a|one|half a|two) )?dozen|(?!an?\b|the\b|one\b)\p{L}+)(?:\s*(?:-|to|bis|a|or|\/)\s*(\d+))?/u;
const TIMES =
  "seconds?|secs?|minutes?|mins?|hours?|hrs?|h|days?|nights?|weeks?|months?|years?|stunden?|std|minuten?|tage?n?|wochen?|monate?n?|jours?|heures?|semaines?|mois|ore|ora|giorni|settimane|mesi|horas?|dias?|semanas?|meses|times";
const FOR = new RegExp(
  `(?:^|[^\\p{L}])(?:for|fur|pour|per|para|dosi per|menge fur|rezept fur|^x)\\s*(?:una (?:cena|comida|mesa) de |un (?:diner|repas) (?:de|pour) |una cena (?:di|per) |an? (?:dinner|lunch|supper|table|party) (?:of|for) )?(?:about |ca\\.? |etwa |environ |circa |unas )?(\\d+|[\\p{L}]+)(?:\\s*(?:-|to|bis|a|o|ou|oder|or)\\s*(\\d+|[\\p{L}]+))?\\s*(?:${PEOPLE})?(?![\\p{L}\\p{N}]|[.,]\\d)(?!\\s*(?:more |further |full |long )*(?:${TIMES})(?!\\p{L}))`,
  "u",
);
const COUNT = new RegExp(
  `(\\d+)(?:\\s*(?:-|to|bis|a|or|/)\\s*(\\d+))?\\s*(?:large |small |hungry |generous |grosse |kleine )?(?:${PEOPLE})(?![\\p{L}])`,
  "u",
);
const MAKES =
  /(?:^|[^\p{L}])(?:makes|yields?|yield|gives|quantity|ergibt|menge|ausbeute|donne|quantite|rendement|resa|rende|quantita|salen|rinde|cantidad)\s*[:(]?\s*(?:about |abt\.? |around |approx\.? |ca\.? |etwa |environ |circa |unos |unas )?(\d+|[\p{L}]+)(?:\s*(?:-|to|bis|a|or)\s*(\d+))?\s*(\p{L}*)/u;
/** "It will do eight." */
const WILL_DO = new RegExp(
  `(?:^|[^\\p{L}])(?:it|this|that|which) (?:(?:will|would|should) do|does)\\s+(?:for )?(\\d+|\\p{L}+)(?:\\s*(?:-|to|or)\\s*(\\d+|\\p{L}+))?\\s*(?:${PEOPLE})?\\s*(?:[.!,;)]|$)`,
  "u",
);
/** Litres and kilos feed nobody in particular. */
const BULK = /^(?:litres?|liters?|l|ml|kg|kilos?|g|grams?|cups?|quarts?|lbs?|pounds?|litri|litros|gramm|pints?)$/;

interface SaidServes {
  readonly serves: number | undefined;
  /** Pieces, not people. */
  readonly pieces: boolean;
}

const figure = (text: string | undefined): number | undefined => {
  if (text === undefined) return undefined;
  if (/^\d+$/.test(text)) return Number(text);
  for (const language of LANGUAGES) {
    const number = numberAt(text, 0, true, lexiconOf(language));
    if (number && number.end === text.length && Number.isInteger(number.value)) return number.value;
  }
  return numberAt(text, 0, true, ENGLISH)?.end === text.length ? numberAt(text, 0, true, ENGLISH)?.value : undefined;
};

/** For how many a line says that the recipe is; undefined where it says nothing of the kind. */
export function servesIn(text: string): SaidServes | undefined {
  const folded = fold(text);
  for (const [pattern, pieces] of [
    [SERVES, false],
    [COUNT, false],
    [MAKES, true],
    [FOR, false],
    [WILL_DO, false],
  ] as const) {
    const m = pattern.exec(folded);
    if (!m) continue;
    const low = figure(m[1]);
    if (low === undefined || low <= 0 || low > 1000) continue;
    // "For a cold day": an article counts nobody.
    if ((pattern === FOR || pattern === WILL_DO) && !/^\d/.test(m[1] ?? "") && low < 2) continue;
    if (pieces && m[3] && BULK.test(m[3])) return { serves: undefined, pieces: true };
    // "Makes 1 side, for 10": who eats it says more.
    const eaters = pieces ? servesIn(folded.slice(m.index + m[0].length)) : undefined;
    if (eaters?.serves !== undefined && !eaters.pieces) return eaters;
    const people = pieces && new RegExp(`^(?:${PEOPLE})$`).test(m[3] ?? "");
    const high = figure(m[2]);
    return { serves: high && high > low ? Math.round((low + high) / 2) : low, pieces: pieces && !people };
  }
  return undefined;
}

/** The yield of a page's data, where a bare number counts as well: "8", "1 loaf", "about 3 jars". */
export function yieldIn(text: string): SaidServes | undefined {
  const said = servesIn(text);
  const bare = said ? null : /(\d+(?:[.,]\d+)?)(?:\s*(?:-|–|to)\s*(\d+))?\s*(\p{L}*)/u.exec(text);
  if (!bare) return said;
  const [low, high, unit] = [Number(bare[1]), Number(bare[2] ?? 0), bare[3] ?? ""];
  if (!(low > 0 && low <= 1000) || BULK.test(fold(unit))) return { serves: undefined, pieces: true };
  return { serves: high > low ? Math.round((low + high) / 2) : low, pieces: unit !== "" };
}

/** A line that only says for how many: "Serves 6–8", "Für 4 Personen", "Makes about 24 rolls". */
export function isServesLine(text: string): boolean {
  const folded = fold(text.replace(/^[#*_\s•·-]+|[*_\s]+$/g, ""));
  if (/^x\s?\d{1,2}$/.test(folded)) return true;
  if (folded.length > 90 || /[.!?]\s+\p{L}/u.test(folded)) return false;
  return /^(?:nombre de couverts|couverts|anzahl|numero d[ei]|serves?|servings?|serving size|feeds|makes|yields?|portions?|for|fur|portionen|ergibt|menge|personen|pour|donne|personnes|quantite|per|dosi|porzioni|resa|para|raciones|porciones|rinde|salen|recipe for|enough for|rezept fur)\b/.test(
    folded,
  )
    ? servesIn(text)?.serves !== undefined &&
        (/^(?:for|pour|per|para|fur)\b/.test(folded)
          ? /^(?:for|pour|per|para|fur)\s+(?:about )?(?:\d|\p{L}+\s+(?:people|person|guests|personnes|persone|personas))/u.test(folded)
          : true)
    : /^\d+(?:\s*-\s*\d+)?\s+(?:servings?|portions?|portionen|personen|personnes|people|porzioni|persone|raciones|porciones|personas|parts|pers)\b/.test(
        folded,
      );
}

const TIME_WORDS =
  "prep(?:aration)?|cook(?:ing)?|bak(?:e|ing)|total|active|hands-on|rest(?:ing)?|chill(?:ing)?|wait(?:ing)?|inactive|marinat(?:e|ing)|ris(?:e|ing)|ready in|time|zubereitungszeit|arbeitszeit|backzeit|kochzeit|gesamtzeit|ruhezeit|wartezeit|dauer|vorbereitung(?:szeit)?|temps de (?:preparation|cuisson|repos)|temps total|preparation|cuisson|repos|tempo(?: totale| di (?:preparazione|cottura|riposo))?|cottura|riposo|tiempo(?: total| de (?:preparacion|coccion|reposo))?|coccion|difficulty|level|schwierigkeit(?:sgrad)?|niveau|difficulte|cost|difficolta|dificultad|cuisine|course|category|author|by|source|tags?|keywords|rating|quelle|schlagworter|stichworter|fonte|fuente|mots-cles";
const TIME_LINE = new RegExp(`^(?:${TIME_WORDS})(?: time)?(?: \\([^)]*\\))?\\s*[:=|–-]`);

const LENGTH_ONLY =
  /^(?:(?:about|ca\.?|circa|environ|etwa|unos|unas|approx\.?|~)\s*)?(?:[\d½¼¾][\d½¼¾.,:/\s–-]*(?:h|hrs?|hours?|m|mins?|minutes?|std\.?|stunden?|minuten?|ore|ora|minuti|heures?|horas?|minutos|days?|tage?n?|jours?|giorni|dias?|nights?)(?!\p{L})[\s,+&]*(?:(?:and|und|et|e|y|plus)\s+)?)+(?:overnight|[0-5]?\d)?$/u;
/** "2 hours", "1 Std. 15 Min.": a length and nothing else. */
export const isLengthOnly = (text: string): boolean => LENGTH_ONLY.test(fold(text).trim());
const LABEL = new RegExp(`^(?:${TIME_WORDS})(?: time)?\\s+`);
const bareLine = (text: string) => fold(text.replace(/^[#*_\s•·-]+/, "")).replace(/\*+/g, "");

/** A line that says what the recipe takes in all, or another of its labels. */
export const isTimeLine = (text: string): boolean => TIME_LINE.test(bareLine(text));
/** "Cook 3 hrs 30 mins": such a line without its colon, which may be a step as well. */
export function mayBeTimeLine(text: string): boolean {
  const folded = bareLine(text);
  const label = LABEL.exec(folded);
  return label !== null && isLengthOnly(folded.slice(label[0].length));
}

export const isTotal = (text: string): boolean => /\b(?:total|gesamt|totale|ready in)/.test(fold(text));

/** "Tip: …", "Note: …", "NB" at the head of a line. */
export const isTip = (text: string): boolean =>
  /^[*_(]*(?:get|work|prep) ahead\b/i.test(fold(text)) ||
  /^[*_(]*(?:(?:cook|chef|baker)(?:'s|’s) )?(?:tips?|notes?|nb|n\.b\.|p\.?s\.?|variation|hint|tipp|hinweis|achtung|astuce|conseil|remarque|attention|consiglio|nota|attenzione|consejo|truco|sugerencia|serving suggestion|make ahead|to make ahead|good to know|get ahead|work ahead|prep ahead|vorbereiten|s'organiser|organisez-vous)\b[*_)]*\s*(?:\d+)?\s*[:.–-]/i.test(
    fold(text),
  );

const SECTION_LEADS: Readonly<Record<Language, RegExp>> = {
  en: /^(?:serve (?:it |them )?with (?:the |an? |some )?|for (?:the |a |an |your )?|of the |to make (?:the )?|make (?:the )?|making (?:the )?|preparing (?:the )?|prepare (?:the )?|to prepare (?:the )?|the )/i,
  de: /^(?:f[üu]r (?:den |die |das |dem )?|den |die |das |der )/i,
  fr: /^(?:pour (?:la |le |les |l['’])?|la |le |les |l['’])/i,
  it: /^(?:per (?:la |il |lo |l['’]|i |le |gli )?|la |il |lo |l['’]|i |le |gli )/i,
  es: /^(?:para (?:la |el |los |las )?|la |el |los |las )/i,
};

/** The name in a heading: "For the dough:" is "Dough". */
export function sectionName(heading: string, language: Language): string {
  const bare = heading
    .replace(/^[#*_=;[\s>•~–—-]+|[#*_=\]\s:.~–—-]+$/g, "")
    .replace(/^(?:step|part|mise|prep|stage|phase|component|schritt|teil|etape|étape|partie|passo|fase|paso|parte)\s+\d+\s*[:.–—-]\s*/i, "")
    .replace(
      /^(?:ingredients?|method|directions|instructions|zutaten|zubereitung|ingredienti|procedimento|preparazione|ingr[ée]dients|pr[ée]paration|ingredientes|elaboraci[óo]n|preparaci[óo]n)\s+(?=(?:for|of|f[üu]r|pour|per|para)\s)/i,
      "",
    )
    .replace(/^\p{Lu}{4,}\s\d{1,2}(?:\s*(?:OF|\/|VON|DE|DI|SUR)\s*\d{1,2})?\s*[-–—:.]\s*/u, "")
    .replace(/^\d{1,2}[.)]\s+/, "")
    .replace(/\s*\([^()]*\)$/, "")
    .trim();
  const name =
    bare
      .replace(SECTION_LEADS[language], "")
      .replace(language === "en" ? /$^/ : SECTION_LEADS.en, "")
      .trim() || bare;
  const plain = name === name.toUpperCase() ? name.toLowerCase() : name;
  return plain.charAt(0).toUpperCase() + plain.slice(1);
}

/** Pictures and stars at the head of a line say nothing of it; a figure behind them stays with them ("1️⃣"). */
export const PICTURES_BEFORE = /^(?:\p{Extended_Pictographic}|\uFE0F|\u200D|[★☆\s])+(?=[^\s\d])/u;
const PICTURES_BEHIND = /(?:\s*(?:\p{Extended_Pictographic}|\uFE0F|\u200D|[★☆]))+$/u;
export const withoutPictures = (text: string): string => text.replace(PICTURES_BEFORE, "").replace(PICTURES_BEHIND, "");

import { lexiconOf } from "../entry/lexicon";
import { fold } from "../entry/lexicon/fold";
import type { Language } from "../entry/lexicon/lexicon";
import { SENSES } from "../entry/lexicon/senses";
import { saidAt } from "../entry/patterns";
import { readStep } from "../entry/step/read";
import type { Keep, StepReading } from "../entry/step/reading";
import { isSurelyFood } from "../foods/match";
import { singleSpaced } from "../plain-text";
import { isDay, withoutMoment } from "./days";
import { isLengthOnly, isServesLine, isTip, PICTURES_BEFORE } from "./heads";
import { gatheredStep, type ReadInstruction, stepOf, withLength, withRounds, withWords } from "./instruction-step";
import { withoutNumber } from "./line-looks";
import type { RecipeLine, Stretch } from "./recipe";
import {
  BESIDE,
  BESIDE_HEAT,
  BEST_AFTER,
  FORBIDS,
  HEATS_SMOKER,
  isOnlyIf,
  KEEP_SENTENCE,
  MADE_AHEAD,
  OPENS_KEEP,
  PREHEAT,
  STORES,
  TAKES_SO_LONG,
  WISH,
  YIELDS,
} from "./sentence-words";
import { sentencesOf, timedParts } from "./sentences";

/** What a sentence says that is no step: how long something keeps, or words to be kept. */
interface SaidBeside {
  readonly stretch: Stretch;
  readonly keeps?: readonly Keep[];
  readonly guess?: string;
}

export interface ReadMethod {
  readonly steps: readonly ReadInstruction[];
  readonly beside: readonly SaidBeside[];
  /** Sentences that only heat the oven: they belong to the step that has its heat. */
  readonly heating: readonly { readonly stretch: Stretch; readonly step: number }[];
  readonly ovenC: number | undefined;
  /** Sentences that heat the oven for a part that comes later. */
  readonly pending: readonly Stretch[];
}

const COVER_AND = /^(?:(?:cover|wrap|seal)(?: (?:it|them|well|tightly))?(?: and |, ))?(chill|refrigerate|freeze|keep (?:chilled|cold))\.?$/;
/** "It should read 74 °C": words around a figure of the probe. */
const MOST_PROBE_WORDS = 4;
/** The steps of a part's instructions. An oven that was heated gives its heat to the next thing that bakes. */
export function methodOf(
  instructions: readonly RecipeLine[],
  language: Language,
  oven?: number,
  pending: readonly Stretch[] = [],
): ReadMethod {
  const steps: ReadInstruction[] = [];
  const beside: SaidBeside[] = [];
  const heating: { stretch: Stretch; step: number }[] = [];
  const taken = new Map<string, number>();
  let ovenC = oven;
  let idle: Stretch[] = [...pending];
  /** A smoker or grill that was heated for a later step. */
  let smoker: { readonly tempC: number; readonly stretch: Stretch } | undefined;
  for (const line of instructions) {
    // Sentences of hands without a time, gathered into one step.
    let gathered: { stretch: Stretch; reading: StepReading }[] = [];
    const flush = () => {
      if (gathered.length > 0) steps.push(gatheredStep(gathered, taken, line.guess));
      gathered = [];
    };
    const sentences = sentencesOf(line.text, line.from, language).map((s) => within(s, line));
    for (const sentence of sentences) {
      // Marks of emphasis, and those that open a Spanish cry, are no words: blanks in their place, so that places stay.
      const unmarked = sentence.text
        .replace(/\*{1,2}|(?<![\p{L}\p{N}])_{1,2}|_{1,2}(?![\p{L}\p{N}])|^>|[¡¿]/gu, (marks) => " ".repeat(marks.length))
        .trimStart();
      const plain = withoutMoment(
        withoutNumber(unmarked)
          .replace(/^[-–•*·#]\s+/, "")
          .replace(PICTURES_BEFORE, ""),
      );
      const folded = fold(plain);
      const last = beside.at(-1);
      // "… can be made 2 days ahead; cover and chill": where it waits.
      const where =
        last?.keeps?.some((k) => k.place === null) && last.stretch.to <= sentence.from ? COVER_AND.exec(folded)?.[1] : undefined;
      if (where !== undefined && last?.keeps) {
        const place = /^freez/.test(where) ? "freezer" : "fridge";
        beside[beside.length - 1] = { stretch: last.stretch, keeps: last.keeps.map((k) => ({ ...k, place: k.place ?? place })) };
        beside.push({ stretch: sentence });
        continue;
      }
      // "Store in a tin, keep for 3 weeks": at the head of a line it is a step, in a recipe it says how long.
      const tip = isTip(plain);
      const stores = STORES.test(folded);
      const whole = readStep(stores ? `it will ${plain.charAt(0).toLowerCase()}${plain.slice(1)}` : plain, { language });
      const opening = saidAt(lexiconOf(language).verbs, folded, 0);
      const works = opening !== undefined && SENSES[opening.value].attention === "hands";
      const opensKeep = OPENS_KEEP.test(folded);
      const madeAhead = MADE_AHEAD.test(folded);
      if (
        whole.keeps.length > 0 &&
        (!whole.said.minutes || opensKeep || madeAhead) &&
        (tip || madeAhead || whole.verb === null || (KEEP_SENTENCE.test(folded) && (!works || opensKeep)))
      ) {
        const stands = gathered.length > 0 ? null : steps.at(-1)?.reading.place;
        const where = stands === "fridge" || stands === "freezer" || stands === "cellar" ? stands : null;
        // "Fridge, good for a week": the place is in the same sentence.
        const said = whole.place === "fridge" || whole.place === "freezer" || whole.place === "cellar" ? whole.place : null;
        const doubtful = said === null && whole.doubts.some((d) => d.field === "keeps");
        beside.push({
          stretch: sentence,
          // Where it stood last is where it goes on standing.
          keeps: whole.keeps.map((k) => ({ ...k, place: k.place ?? said ?? where })),
          ...(doubtful ? { guess: where ? `no place said: where it stood, the ${where}` : "no place said" } : {}),
        });
        continue;
      }
      if (
        tip ||
        isDay(plain.replace(/[.!]$/, "")) ||
        /\?$/.test(plain) ||
        /^(?:yes|no|ok|ja|nein|oui|non|s[iì]|done|fertig|voil[aà])[.!]*$/i.test(plain) ||
        WISH.test(folded) ||
        (sentence === sentences[0] && sentences.length > 1 && onlyNames(plain, whole)) ||
        (madeAhead && whole.keeps.length === 0) ||
        (YIELDS.test(folded) && isServesLine(plain.replace(/\.$/, ""))) ||
        (BEST_AFTER.test(folded) && whole.keeps.length === 0)
      ) {
        beside.push({ stretch: sentence });
        continue;
      }
      // "Core 58 °C.": how far the step before it goes.
      if (
        whole.probeC !== null &&
        whole.name.split(/\s+/).length <= MOST_PROBE_WORDS &&
        whole.verb === null &&
        !whole.said.minutes &&
        steps.length > 0
      ) {
        flush();
        const before = steps.at(-1) as ReadInstruction;
        const step = { ...before.step, done: { ...before.step.done, probeC: before.step.done?.probeC ?? whole.probeC } };
        steps[steps.length - 1] = withWords({ ...before, step }, sentence);
        continue;
      }
      // "This takes 15 minutes", "7 hours.": the length of what stands before it.
      const onlyLength = isLengthOnly(plain.replace(/[.!;,]+$/, ""));
      if ((TAKES_SO_LONG.test(folded) || onlyLength) && whole.said.minutes) {
        flush();
        const before = steps.at(-1);
        if (before && !before.reading.said.minutes) {
          const longer = withLength(before, sentence, whole, line.guess);
          // "Oven 140. Goat in, foil on. 7 hours.": it is in what was heated for it.
          const bakes =
            onlyLength && idle.length > 0 && ovenC !== undefined && !longer.step.uses?.length && whole.minutes.min >= LEAST_IN_OVEN;
          if (bakes) {
            heating.push(...idle.map((stretch) => ({ stretch, step: steps.length - 1 })));
            idle = [];
          }
          steps[steps.length - 1] = bakes
            ? { ...longer, step: { ...longer.step, uses: [{ what: "oven", tempC: ovenC, racks: 1 }], attention: "nearby" } }
            : longer;
          continue;
        }
      }
      // Work that is done only if something goes so takes no place in the plan; its words stay with the step before.
      if (
        (isOnlyIf(folded, language) || FORBIDS.test(folded)) &&
        !whole.said.minutes &&
        whole.keeps.length === 0 &&
        !PREHEAT.test(folded) &&
        (gathered.length > 0 || steps.length > 0)
      ) {
        flush();
        steps[steps.length - 1] = withWords(steps.at(-1) as ReadInstruction, sentence);
        continue;
      }
      if (HEATS_SMOKER.test(folded) && !whole.said.minutes && whole.heat?.tempC) {
        smoker = { tempC: whole.heat.tempC, stretch: sentence };
        continue;
      }
      if (PREHEAT.test(folded)) {
        const heat = whole.heat?.tempC ?? undefined;
        if (heat !== undefined) ovenC = heat;
        const rest = BESIDE_HEAT.exec(plain)?.[1];
        const more = rest ? readStep(rest, { language }) : undefined;
        const folds = fold(rest ?? "");
        const works =
          more?.verb && !PREHEAT.test(folds) && !/^(?:set|place|put) (?:a|the) rack|^(?:fan|still|umluft|chaleur|ventilato)/.test(folds);
        if (!more || !works) {
          idle.push(sentence);
          continue;
        }
        gathered.push({ stretch: sentence, reading: { ...more, heat: null } });
        continue;
      }
      const parts = timedParts({ from: Math.max(sentence.to - plain.length, sentence.from), to: sentence.to, text: plain }, language);
      parts.forEach((part, i) => {
        const stretch = i === 0 ? { ...part, from: sentence.from } : part;
        const said = part.text === whole.line ? whole : readStep(part.text, { language });
        // "Heat the oven to 160. Brown the lamb; cover and braise": what was heated is there for it.
        const smoked = smoker && (said.heat?.by === "smoker" || said.heat?.by === "grill") && said.heat.tempC === null ? smoker : undefined;
        if (smoked) {
          heating.push({ stretch: smoked.stretch, step: steps.length + (gathered.length > 0 ? 1 : 0) });
          smoker = undefined;
        }
        const warmed = smoked && said.heat ? { ...said, heat: { ...said.heat, tempC: smoked.tempC } } : said;
        const reading = idle.length > 0 && ovenC !== undefined && isOvenWork(said) ? { ...said, heat: OVEN } : warmed;
        // "Every 45 min baste": a round of the step before.
        const last = steps.at(-1);
        if (
          last &&
          gathered.length === 0 &&
          parts.length === 1 &&
          reading.rounds.length > 0 &&
          !reading.said.minutes &&
          last.step.attention !== undefined &&
          part.text.split(/\s+/).length <= 7
        ) {
          steps[steps.length - 1] = withRounds(last, stretch, reading);
          return;
        }
        const hands =
          !reading.said.minutes &&
          reading.attention === "hands" &&
          !reading.place &&
          reading.cue === null &&
          reading.probeC === null &&
          reading.batches === null &&
          !BESIDE.test(fold(part.text));
        if (hands && parts.length === 1) {
          gathered.push({ stretch, reading });
          return;
        }
        flush();
        const read = stepOf(stretch, part.text, reading, ovenC, taken, line.guess, BESIDE.test(fold(part.text)) && steps.length > 0);
        if (read.step.uses?.some((u) => u.what === "oven")) {
          heating.push(...idle.map((stretch) => ({ stretch, step: steps.length })));
          idle = [];
        }
        steps.push(parts.length > 1 ? { ...read, sentence: singleSpaced(sentence.text) } : read);
      });
    }
    flush();
  }
  if (smoker) idle.push(smoker.stretch);
  return { steps: withHeating(steps, heating), beside, heating, ovenC, pending: idle };
}

const MOST_NAME_WORDS = 3;
/** "Duxelles.", "For the rice." before the sentences that say what to do. */
const onlyNames = (plain: string, read: StepReading): boolean =>
  /^\p{Lu}[\p{L}\s'’-]+\.$/u.test(plain) &&
  plain.split(/\s+/).length <= MOST_NAME_WORDS &&
  !read.said.minutes &&
  (read.verb === null || (read.attention === "hands" && isSurelyFood(plain.slice(0, -1))));

const OVEN = { by: "oven", tempC: null, level: null, mode: null } as const;
/** Browning that takes this long, min, right after the oven was heated is done in the oven. */
const LEAST_IN_OVEN = 20;
/** Work for an oven that has just been heated, where nothing else says what heats it. */
const isOvenWork = (r: StepReading) =>
  // "Backofen auf 220 vorheizen. 30 Minuten anbraten".
  (r.heat?.by === "burner" &&
    r.heat.level === null &&
    /^(?:an)?(?:brat|brown|sear)/.test(r.verb ?? "") &&
    r.minutes.min >= LEAST_IN_OVEN) ||
  (r.heat === null && r.doubts.some((d) => d.field === "heat" && d.why === "it does not say what heats it"));

/** A line that the cook rewrote may be longer than its place in the source: what is beyond it has none. */
function within(stretch: Stretch, line: RecipeLine): Stretch {
  return { ...stretch, from: Math.min(stretch.from, line.to), to: Math.min(stretch.to, line.to) };
}

/** The words that heat the oven stand in the note of the step that has its heat. */
function withHeating(
  steps: readonly ReadInstruction[],
  heating: readonly { readonly stretch: Stretch; readonly step: number }[],
): ReadInstruction[] {
  return steps.map((s, i) => {
    const words = heating.filter((h) => h.step === i).map((h) => singleSpaced(h.stretch.text));
    if (words.length === 0) return s;
    return { ...s, step: { ...s.step, note: [...words, s.step.note ?? ""].filter(Boolean).join(" ") } };
  });
}

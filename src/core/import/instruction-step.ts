// Sentences as steps of the file: with their words, their guessed length and the stretches of the source that they came from.
import type { DishStep } from "../dish/schema";
import { slug } from "../entry/names";
import type { StepReading } from "../entry/step/reading";
import { lineStepOf } from "../entry/step-line";
import { singleSpaced } from "../plain-text";
import type { Stretch } from "./recipe";

/** A step of the dish, with the stretches of the source that it came from. */
export interface ReadInstruction {
  readonly step: DishStep;
  readonly reading: StepReading;
  readonly from: readonly Stretch[];
  /** What was concluded and not said; undefined where all was said. */
  readonly guess: string | undefined;
  /** The whole sentence, where the step is a part of one. */
  readonly sentence?: string;
  /** It runs beside the step before it ("meanwhile"). */
  readonly beside: boolean;
}

const LONGEST_NAME = 64;

function whyGuessed(reading: StepReading): string | undefined {
  if (!reading.said.minutes) return `no time said: ${reading.minutes.likely} min`;
  const doubt = reading.doubts.find((d) => d.field !== "attention");
  return doubt && `${doubt.field === "minutes" ? "time" : doubt.field}: ${doubt.why}`;
}

/** All kinds that may give heat or be used: what the kitchen lacks is added to it. */
const ANY_KIND = {
  outputs: [],
  steps: [],
  kinds: ["smoker", "steamer", "fryer", "proofer", "dehydrator", "churn", "grinder", "pan", "stone", "vacuum-sealer", "stuffer", "mill"],
};
/** Things that every kitchen has enough of. */
const EVERYWHERE = new Set(["bowl", "tub", "sink", "mortar", "mandoline"]);
const STORES_ROOM = new Set(["fridge", "freezer", "cellar"]);
/** Room that a thing takes in one of them where nothing is said, litres. */
const GUESSED_LITRES = 2;
/** The heat of an oven that nobody said. */
const UNSAID_OVEN_C = 180;

/** A reading as a step of the file: its own name, and the words that it came from as its note. */
function fileStep(reading: StepReading, name: string, words: string, taken: Map<string, number>): DishStep {
  // What it makes and takes is known by the parts, not by the sentence.
  const { takes: _takes, makes: _makes, note: _note, uses, ...rest } = lineStepOf(reading, ANY_KIND);
  const used = uses
    ?.filter((u) => !EVERYWHERE.has(u.what))
    .map((u) => (STORES_ROOM.has(u.what) && u.litres === undefined ? { ...u, litres: GUESSED_LITRES } : u));
  return {
    ...rest,
    id: idOf(name, taken),
    name,
    ...(used?.length ? { uses: used } : {}),
    ...(name === words.replace(/\.$/, "") ? {} : { note: words }),
  };
}

export function stepOf(
  stretch: Stretch,
  text: string,
  reading: StepReading,
  ovenC: number | undefined,
  taken: Map<string, number>,
  sectionGuess: string | undefined,
  beside: boolean,
): ReadInstruction {
  const inherits = reading.heat?.by === "oven" && reading.heat.tempC === null;
  const heated: StepReading = inherits && reading.heat ? { ...reading, heat: { ...reading.heat, tempC: ovenC ?? UNSAID_OVEN_C } } : reading;
  return {
    step: fileStep(heated, nameOf(text, reading.cue), singleSpaced(stretch.text), taken),
    reading: heated,
    from: [stretch],
    guess: sectionGuess ?? (inherits && ovenC === undefined ? `no heat said: ${UNSAID_OVEN_C} °C` : whyGuessed(reading)),
    beside,
  };
}

/** A step with a sentence behind it in its note. */
export function withWords(step: ReadInstruction, stretch: Stretch): ReadInstruction {
  const words = singleSpaced(stretch.text);
  const note = step.step.note?.includes(words) ? step.step.note : `${step.step.note ?? step.step.name ?? ""} ${words}`.trim();
  return { ...step, from: [...step.from, stretch], step: { ...step.step, note } };
}

/** A step with the length that a sentence behind it says. */
export function withLength(step: ReadInstruction, stretch: Stretch, said: StepReading, sectionGuess: string | undefined): ReadInstruction {
  const { time } = lineStepOf(said, ANY_KIND);
  const reading = {
    ...step.reading,
    minutes: said.minutes,
    said: { ...step.reading.said, minutes: true },
    doubts: [...step.reading.doubts.filter((d) => d.field !== "minutes"), ...said.doubts.filter((d) => d.field === "minutes")],
  };
  const longer = withWords({ ...step, reading, guess: sectionGuess ?? whyGuessed(reading) }, stretch);
  return time === undefined ? longer : { ...longer, step: { ...longer.step, time } };
}

/** A step with the rounds that a sentence behind it says. */
export function withRounds(step: ReadInstruction, stretch: Stretch, reading: StepReading): ReadInstruction {
  const { tend } = lineStepOf(reading, ANY_KIND);
  const longer = withWords(step, stretch);
  return { ...longer, step: { ...longer.step, ...(tend ? { tend: [step.step.tend ?? [], tend].flat() } : {}) } };
}

/** Sentences of hands without a time as one step: its time is the sum of what each would take, within bounds. */
export function gatheredStep(
  parts: readonly { readonly stretch: Stretch; readonly reading: StepReading }[],
  taken: Map<string, number>,
  sectionGuess: string | undefined,
): ReadInstruction {
  const [first] = parts as [(typeof parts)[number]];
  const likely = Math.min(
    30,
    Math.max(
      5,
      parts.reduce((n, p) => n + Math.min(10, p.reading.minutes.likely), 0),
    ),
  );
  const reading: StepReading = { ...first.reading, minutes: { min: Math.ceil(likely * 0.6), likely, max: Math.ceil(likely * 1.7) } };
  return {
    step: fileStep(reading, nameOf(first.reading.line, null), parts.map((p) => singleSpaced(p.stretch.text)).join(" "), taken),
    reading,
    from: parts.map((p) => p.stretch),
    guess: sectionGuess ?? `no time said: ${likely} min`,
    beside: false,
  };
}

/** The first words of an instruction, up to where it goes on about something else. */
function nameOf(text: string, cue: string | null): string {
  let name = singleSpaced(text).replace(/[.!?;:]+$/, "");
  if (cue && name.includes(cue))
    name = name
      .slice(0, name.indexOf(cue))
      .replace(
        /,?\s*(?:until|till|when|bis|jusqu'à(?: ce que)?|fino a(?: quando)?|finché|hasta(?: que)?)\s*(?:the |it |they |la |le |les )?$/i,
        "",
      );
  name = name
    .replace(/,?\s*(?:for |pendant |per |durante )?(?:about |at least |approximately |etwa |environ |circa )?$/i, "")
    .replace(/^(?:for|to make) the [^,]{2,30},\s+/i, "")
    .replace(/[,\s]+$/, "")
    .trim();
  name = name.charAt(0).toUpperCase() + name.slice(1);
  if (name.length > LONGEST_NAME) {
    // Where it goes on about something else, or else at a word's end.
    const cut = name.slice(0, LONGEST_NAME);
    const turn = Math.max(cut.lastIndexOf(","), cut.lastIndexOf(" and "));
    name = cut.slice(0, turn > 20 ? turn : cut.lastIndexOf(" ") > 10 ? cut.lastIndexOf(" ") : LONGEST_NAME).replace(/[,\s]+$/, "");
  }
  return name || singleSpaced(text).slice(0, LONGEST_NAME) || "Step";
}

/** An id that no step of the part has; ids that end in a number count on from the last of their name. */
function idOf(name: string, taken: Map<string, number>): string {
  const wish = slug(name.split(" ").slice(0, 3).join(" "));
  for (let n = (taken.get(wish) ?? 0) + 1; ; n++) {
    const id = n === 1 ? wish : `${wish}-${n}`;
    taken.set(wish, n);
    if (n === 1 || !taken.has(id)) {
      taken.set(id, taken.get(id) ?? 1);
      return id;
    }
  }
}

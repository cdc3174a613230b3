// Putting right in bulk: which guesses an imported dish stands on, which of them the time of serving turns on, and the dish with the cook's
// corrections: a length for a step, whose hands a verb wants everywhere.
import type { Attention } from "../entry/lexicon/senses";
import { durationText } from "../time/duration";
import type { ReadInstruction } from "./instruction-step";
import type { ImportedDish } from "./to-dish";

export interface Guess {
  /** `component.step`. */
  readonly ref: string;
  readonly component: string;
  readonly name: string;
  readonly field: "minutes" | "place" | "heat" | "part";
  readonly why: string;
  readonly minutes: number;
  /** On the longest way to the table: another length moves the whole plan. */
  readonly decisive: boolean;
}

/** What a verb was taken to want, and in how many steps. */
interface VerbGuess {
  readonly verb: string;
  readonly attention: Attention;
  readonly steps: readonly string[];
}

export interface Corrections {
  /** Minutes by `component.step`. */
  readonly minutes: Readonly<Record<string, number>>;
  readonly attention: Readonly<Record<string, Attention>>;
}

export const NO_CORRECTIONS: Corrections = { minutes: {}, attention: {} };

const likelyOf = (s: ReadInstruction, ref: string, corrections: Corrections) => corrections.minutes[ref] ?? s.reading.minutes.likely;

/** The steps on the longest way to the table: through each component's steps and what they take of others. */
function longestWay({ components }: Pick<ImportedDish, "components">, corrections: Corrections = NO_CORRECTIONS): ReadonlySet<string> {
  const ways = new Map<string, { readonly minutes: number; readonly refs: readonly string[] }>();
  // A part takes only of parts before it, so that their ways are known.
  let longest: { readonly minutes: number; readonly refs: readonly string[] } = { minutes: 0, refs: [] };
  for (const c of components) {
    let way: { minutes: number; refs: readonly string[] } = { minutes: 0, refs: [] };
    c.steps.forEach((s, k) => {
      const ref = `${c.id}.${s.step.id}`;
      for (const take of c.takes.filter((t) => t.step === k)) {
        const taken = ways.get(take.from);
        if (taken && taken.minutes > way.minutes) way = { minutes: taken.minutes, refs: taken.refs };
      }
      // What runs beside another step lengthens nothing unless it is longer; that is left to the planner.
      if (s.beside) return;
      way = { minutes: way.minutes + likelyOf(s, ref, corrections), refs: [...way.refs, ref] };
    });
    ways.set(c.id, way);
    if (way.minutes > longest.minutes) longest = way;
  }
  return new Set(longest.refs);
}

/** Every guess that the plan could turn on, in the order of the dish. */
export function guessesOf(imported: Pick<ImportedDish, "components">, corrections: Corrections = NO_CORRECTIONS): Guess[] {
  const decisive = longestWay(imported, corrections);
  return imported.components.flatMap((c) =>
    c.steps.flatMap((s): Guess[] => {
      const ref = `${c.id}.${s.step.id}`;
      const of = (field: Guess["field"], why: string): Guess => ({
        ref,
        component: c.name,
        name: s.step.name ?? s.step.id,
        field,
        why,
        minutes: likelyOf(s, ref, corrections),
        decisive: decisive.has(ref),
      });
      const found: Guess[] = [];
      const minutes = s.reading.doubts.find((d) => d.field === "minutes");
      if ((minutes || !s.reading.said.minutes) && corrections.minutes[ref] === undefined)
        found.push(of("minutes", minutes?.why ?? "no time said"));
      const place = s.reading.doubts.find((d) => d.field === "place");
      if (place) found.push(of("place", place.why));
      const heat = s.reading.doubts.find((d) => d.field === "heat");
      if (heat) found.push(of("heat", heat.why));
      return found;
    }),
  );
}

/** The verbs whose attention was concluded, with the steps that have them; the commonest first. */
export function verbGuesses({ components }: Pick<ImportedDish, "components">, corrections: Corrections = NO_CORRECTIONS): VerbGuess[] {
  const found = new Map<string, { attention: Attention; steps: string[] }>();
  for (const c of components)
    for (const s of c.steps) {
      const { verb, said } = s.reading;
      if (!verb || said.attention) continue;
      const at = found.get(verb) ?? { attention: corrections.attention[verb] ?? s.step.attention ?? "hands", steps: [] };
      at.steps.push(s.step.name ?? s.step.id);
      found.set(verb, at);
    }
  return [...found].map(([verb, g]) => ({ verb, ...g })).sort((a, b) => b.steps.length - a.steps.length);
}

/** The dish as the cook put it right. */
export function corrected(imported: ImportedDish, corrections: Corrections): ImportedDish {
  const readings: ReadonlyMap<string, ReadInstruction["reading"]> = new Map(
    imported.components.flatMap((c) => c.steps.map((s) => [`${c.id}.${s.step.id}`, s.reading] as const)),
  );
  const components = imported.document.components.map((c) => ({
    ...c,
    methods: c.methods.map((m) => ({
      ...m,
      steps: m.steps.map((step) => {
        const ref = `${c.id}.${step.id}`;
        const reading = readings.get(ref);
        const minutes = corrections.minutes[ref];
        const wished = reading?.verb && !reading.said.attention ? corrections.attention[reading.verb] : undefined;
        if (minutes === undefined && wished === undefined) return step;
        const { attention: _, ...rest } = step;
        const attention = wished ?? step.attention;
        return {
          ...rest,
          ...(minutes === undefined ? {} : { time: durationText(minutes) }),
          ...(attention && attention !== "hands" ? { attention } : {}),
        };
      }),
    })),
  }));
  return { ...imported, document: { ...imported.document, components } };
}

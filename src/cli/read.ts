// rondeau read: what lines of typing are understood to say, for steps or for ingredients.
import { readFileSync } from "node:fs";
import { readIngredient } from "../core/entry/ingredient-line";
import { languageOf } from "../core/entry/lexicon";
import { LANGUAGES, type Language } from "../core/entry/lexicon/lexicon";
import { readStep } from "../core/entry/step/read";
import { bad } from "./input";

/** A language named on the command line. */
export function languageFlag(value: string | undefined): Language {
  const language = LANGUAGES.find((l) => l === value);
  if (!language) throw bad("--lang", `"${(value ?? "").slice(0, 40)}" is none of ${LANGUAGES.join(", ")}.`);
  return language;
}

export function readCommand(args: readonly string[]): { readonly data: unknown; readonly exit: number } {
  let language: Language | undefined;
  let ingredients = false;
  let flags = true;
  const lines: string[] = [];
  for (let i = 0; i < args.length; i++) {
    const arg = args[i] as string;
    if (flags && arg === "--") flags = false;
    else if (flags && arg === "--ingredients") ingredients = true;
    else if (flags && arg === "--lang") language = languageFlag(args[++i]);
    else if (flags && arg.startsWith("--lang=")) language = languageFlag(arg.slice("--lang=".length));
    else if (flags && /^--\p{L}/u.test(arg))
      throw bad(arg.slice(0, 80), "There is no such flag. Known: --lang, --ingredients; -- ends the flags.");
    else if (flags && arg === "-") lines.push(...standardInput());
    else lines.push(arg);
  }
  if (lines.length === 0) throw bad("", "Give a line to read, or - to take lines from standard input.");
  return { data: lines.map((line) => (ingredients ? ingredientData(line, language) : stepData(line, language))), exit: 0 };
}

function standardInput(): string[] {
  const text = readFileSync(0, "utf8");
  const lines = text.replace(/^\uFEFF/, "").split(/\r?\n/);
  // A last line break ends the last line; it begins none.
  if (lines.at(-1) === "" && lines.length > 1) lines.pop();
  return lines;
}

function stepData(line: string, language: Language | undefined) {
  const r = readStep(line, { language: language ?? languageOf(line) });
  return {
    line,
    name: r.name,
    minutes: line.trim() === "" ? null : { min: r.minutes.min, likely: r.minutes.likely, max: r.minutes.max },
    heat: r.heat,
    place: r.place,
    equipment: r.equipment,
    rounds: r.rounds.map(({ every, what, takes }) => ({ every, what, takes })),
    batches: r.batches,
    cue: r.cue,
    probeC: r.probeC,
    attention: r.attention,
    makes: r.makes.map(({ name, amount }) => ({ name, amount })),
    keeps: r.keeps.map(({ place, min, max }) => ({ place, min, max })),
    takes: r.takes.map(({ name, amount }) => ({ name, amount })),
    words: r.words,
    doubts: r.doubts,
  };
}

function ingredientData(line: string, language: Language | undefined) {
  const r = readIngredient(line, language ?? languageOf(line));
  return {
    line,
    name: r.name,
    amount: r.amount ? { amount: Number(r.amount.amount.toPrecision(6)), unit: r.amount.unit } : null,
    range: r.amount?.range ? [...r.amount.range] : null,
    also: r.also,
    note: r.note ?? null,
    asNeeded: r.asNeeded,
    optional: r.optional,
    heading: r.heading,
    words: r.words,
    doubts: r.doubts,
  };
}

// One instruction of a page as steps: what is done, for how long, at what heat, with or without hands, until when. The sentence itself
// stands in the note, so that nothing of it is lost.

import type { DishStep } from "../dish/schema";
import { findDurations, type Length, OVERNIGHT, rhythmAt } from "../entry/durations";
import { slug } from "../entry/names";
import type { Found } from "../entry/numbers";
import { findTemperatures } from "../entry/temperatures";
import { durationText, spokenDuration } from "../time/duration";

export interface ReadInstruction {
  readonly step: DishStep;
  /** What was understood, in words. */
  readonly says: readonly string[];
  /** What should be looked at again; undefined where all is clear. */
  readonly unclear: string | undefined;
}

/** Hands for a sentence that says no time: chopping, mixing, filling. */
const UNSAID_MINUTES = 8;
const ALONE =
  /\b(?:let (?:it |them |the \w+ )?(?:rise|rest|stand|sit|cool|prove|proof|ferment|steep|soak|marinate|infuse|hang|dry|set)|leave|rest(?:ing)?|rise|prove|proof|ferment|soak|chill(?:ing|ed)?|refrigerat\w*|marinat\w*|cure|brine|steep|infuse|freeze|cool(?: completely| down)?|stand|set aside|hang|dry out|ripen|age|overnight|refrigerator|fridge|freezer)\b/i;
const NEARBY =
  /\b(?:simmer|boil|bake|roast|braise|poach|steam|smoke|stew|grill|toast|reduce|oven|slow[- ]cook|cook|fry|render|confit|heat|warm|bubble)\b/i;
const HANDS =
  /\b(?:knead|whisk|stir(?:ring)?|beat|roll|shape|chop|slice|dice|peel|fold|mix|form|fill|brush|spread|toss|saut[eé]|sear|brown|deep-fry|stir-fry)\b/i;
const FRIDGE = /\b(?:fridge|refrigerat\w*|chill\w*)\b/i;
const FREEZER = /\b(?:freezer|freeze)\b/i;
const OVEN = /\b(?:oven|bake|roast|broil)\b/i;
const BURNER =
  /\b(?:simmer|boil|poach|steam|fry|sear|brown(?! sugar)|saut[eé]|sweat|reduce|render|blanch|scald|stovetop|over (?:low|medium|high|a (?:low|medium|high|gentle)) heat)\b/i;
const PREHEAT = /\bpre-?heat\b|\bheat (?:the|your|an) oven\b|\bturn (?:on )?the oven\b/i;
const PROBE = /\b(?:internal|registers?|reads?|thermometer|core|in the (?:middle|centre|center|thickest))\b/i;
const EVERY = /\bevery\s+$/i;

/** The sentences of an instruction, and within one what follows "then" with a time of its own. */
function sentencesOf(text: string): string[] {
  return text
    .split(/(?<=[.!?;])\s+(?=[A-Z“"(])|;\s+/)
    .flatMap(timedParts)
    .map((s) => s.trim())
    .filter(Boolean);
}

const JOIN = /,?\s+(?:and then|then|and|before)\s+|,\s+/gi;

/** A sentence with several times, cut at the last joining word before each of them. */
function timedParts(sentence: string): string[] {
  const times = timesOf(sentence);
  const parts: string[] = [];
  let from = 0;
  times.slice(1).forEach((time, i) => {
    const end = times[i]?.end ?? 0;
    const joins = [...sentence.slice(end, time.start).matchAll(JOIN)];
    const last = joins.at(-1);
    if (!last) return;
    parts.push(sentence.slice(from, end + last.index));
    from = end + last.index + last[0].length;
  });
  parts.push(sentence.slice(from));
  return parts.map((p) => p.charAt(0).toUpperCase() + p.slice(1));
}

/** Lengths of time in a sentence that are its own: rounds ("every 30 minutes") are told apart. */
function timesOf(sentence: string): Found<Length>[] {
  return findDurations(sentence).filter((f) => {
    const before = sentence.slice(0, f.start);
    if (EVERY.test(before)) return false;
    // "Take it out an hour before" sets no length; "chill 1 hour before cutting" does.
    if (/^\s*(?:before|ahead|earlier)\b/i.test(sentence.slice(f.end)) && /\b(?:take|remove|bring)\b/i.test(before)) return false;
    return !/\b(?:keeps?|store[sd]?|up to|within)\s+(?:for\s+)?(?:up to\s+)?(?:about\s+)?$/i.test(before);
  });
}

/** What the instructions of one section say, step by step. An oven that was preheated gives its heat to the next thing that bakes. */
export function stepsOfInstructions(
  instructions: readonly string[],
  oven?: number,
): { readonly steps: readonly ReadInstruction[]; readonly ovenC: number | undefined } {
  const read: ReadInstruction[] = [];
  let ovenC = oven;
  const taken: string[] = [];
  for (const instruction of instructions) {
    let waiting: string[] = [];
    const flush = () => {
      if (waiting.length === 0) return;
      read.push(stepOf(waiting.join(" "), undefined, ovenC, taken, waiting.length));
      waiting = [];
    };
    for (const sentence of sentencesOf(instruction)) {
      const heats = findTemperatures(sentence);
      if (PREHEAT.test(sentence) && heats[0])
        ovenC = ovenTemperature(
          sentence,
          heats.map((h) => h.value),
        );
      const times = timesOf(sentence);
      if (times.length === 0) {
        waiting.push(sentence);
        continue;
      }
      // Hands before the wait belong to a step of their own; a sentence of hands with a time takes them along.
      if (attentionIn(sentence, times[0] as Found<Length>) !== "hands") flush();
      const text = [...waiting, sentence].join(" ");
      const extra = waiting.length;
      waiting = [];
      read.push(stepOf(text, sentence, ovenC, taken, extra));
    }
    flush();
  }
  return { steps: read, ovenC };
}

/** "180°C/160°C fan", "350 °F (175 °C)": the first that is meant for a still oven. */
function ovenTemperature(sentence: string, heats: readonly number[]): number | undefined {
  const [first, second] = heats;
  return /fan[^\d]{0,6}\d/i.test(sentence) && second !== undefined && second > (first ?? 0) ? second : first;
}

function attentionIn(sentence: string, time: Found<Length>): "hands" | "nearby" | "unattended" {
  // The part of the sentence that the time belongs to decides; the whole only where that says nothing.
  const before = sentence.slice(0, time.start);
  const cut = Math.max(before.lastIndexOf(","), before.lastIndexOf(" and "), before.lastIndexOf("."));
  const behind = /^[^,.;]*/.exec(sentence.slice(time.end))?.[0] ?? "";
  const own = `${before.slice(cut + 1)} ${behind}`;
  for (const text of [own, sentence]) {
    if (ALONE.test(text)) return "unattended";
    if (HANDS.test(text) && !/\b(?:bake|simmer|roast|braise|boil)\b/i.test(text)) return "hands";
    if (NEARBY.test(text)) return "nearby";
    if (HANDS.test(text)) return "hands";
  }
  return time.value.min >= 6 * 60 ? "unattended" : "hands";
}

function stepOf(text: string, timed: string | undefined, ovenC: number | undefined, taken: string[], untimed: number): ReadInstruction {
  const says: string[] = [];
  const times = timed ? timesOf(timed) : [];
  const time = times[0];
  const length = time?.value ?? {
    min: UNSAID_MINUTES * Math.max(1, untimed),
    likely: UNSAID_MINUTES * Math.max(1, untimed),
    max: UNSAID_MINUTES * Math.max(1, untimed),
  };
  const attention = time && timed ? attentionIn(timed, time) : "hands";
  says.push(
    time
      ? length.min === length.max
        ? spokenDuration(length.likely)
        : `${spokenDuration(length.min)} to ${spokenDuration(length.max)}`
      : `no time said: ${spokenDuration(length.likely)} assumed`,
  );
  if (attention !== "hands") says.push(attention === "nearby" ? "nearby" : "unattended");
  const heats = findTemperatures(timed ?? text).map((h) => h.value);
  const uses: NonNullable<DishStep["uses"]> = [];
  const here = timed ?? text;
  let probeC: number | undefined;
  const baked = time && OVEN.test(here) && !PREHEAT.test(here.replace(/\boven\b/gi, "")) && attention !== "unattended";
  if (baked) {
    const own = heats.find((h) => h >= 50 && !(PROBE.test(here) && h < 100));
    const tempC = own ?? ovenC;
    if (tempC !== undefined) {
      uses.push({ what: "oven", tempC, racks: 1 });
      says.push(`oven at ${tempC} °C`);
    }
  } else if (time && BURNER.test(here) && attention !== "unattended") {
    uses.push({ what: "burner" });
    says.push("a burner");
  }
  if (PROBE.test(here)) probeC = heats.find((h) => h < 105);
  if (probeC !== undefined) says.push(`${probeC} °C in the middle`);
  if (attention === "unattended" && time) {
    const place = FREEZER.test(here) ? "freezer" : FRIDGE.test(here) ? "fridge" : undefined;
    if (place) {
      uses.push({ what: place, litres: 2 });
      says.push(`in the ${place}`);
    }
  }
  const every = /\bevery\s+/i.exec(here);
  const round = every ? rhythmAt(here, every.index + every[0].length) : undefined;
  const what = every && /\b(turn|baste|stir|skim|fold|flip|rotate|brush|spray|top up)\w*\b/i.exec(here)?.[0];
  if (round && attention !== "hands") says.push(`${what ?? "check it"} every ${spokenDuration(round.value.likely)}`);
  const cue = /\buntil\s+([^.;,]{3,90})/i
    .exec(text)?.[1]
    ?.replace(/\s+(?:about|for)\s*$/i, "")
    .trim();
  const usable = cue && !/^\d/.test(cue) && !/^(?:ready|needed|serving|use)\b/i.test(cue) ? cue : undefined;
  if (usable) says.push(`until ${usable}`);
  const name = nameOf(text, usable);
  const id = idOf(name, taken);
  const step: DishStep = {
    id,
    name,
    time:
      length.min === length.max
        ? durationText(length.likely)
        : { min: durationText(length.min), likely: durationText(length.likely), max: durationText(length.max) },
    ...(attention === "hands" ? {} : { attention }),
    ...(uses.length ? { uses } : {}),
    ...(round && attention !== "hands" && round.value.likely > 0
      ? { tend: { every: durationText(round.value.likely), takes: "2m", what: what ?? "check it" } }
      : {}),
    ...(usable || probeC !== undefined
      ? { done: { ...(usable ? { cue: usable } : {}), ...(probeC !== undefined ? { probeC } : {}) } }
      : {}),
    ...(name === text.replace(/\.$/, "") ? {} : { note: text }),
  };
  const unclear =
    times.length > 1
      ? `It has ${times.length} times; the first was used.`
      : !time && /\b(?:until|overnight|hours?|minutes?)\b/i.test(text) && !/until (?:smooth|combined|needed)/i.test(text)
        ? "No time in it was understood."
        : undefined;
  if (length === OVERNIGHT) says.push("overnight");
  return { step, says, unclear };
}

/** The first words of the instruction, up to where it goes on about something else. */
function nameOf(text: string, cue: string | undefined): string {
  const first = text.split(/(?<=[.!?])\s/)[0] ?? text;
  let name = first.replace(/[.!?]+$/, "");
  if (cue) name = name.replace(/,?\s*until\s.*$/i, "");
  name = name.replace(/,?\s*(?:for )?(?:about |at least |approximately )?$/i, "").trim();
  name = name.replace(/^for the [^,]{2,30},\s+/i, "");
  name = name.charAt(0).toUpperCase() + name.slice(1);
  if (name.length > 64) {
    // Where it goes on about something else, or else at a word's end.
    const cut = name.slice(0, 64);
    const turn = Math.max(cut.lastIndexOf(","), cut.lastIndexOf(" and "));
    name = cut.slice(0, turn > 20 ? turn : cut.lastIndexOf(" ")).replace(/[,\s]+$/, "");
  }
  return name || text.slice(0, 64) || "Step";
}

function idOf(name: string, taken: string[]): string {
  const wish = slug(name.split(" ").slice(0, 3).join(" "));
  let id = wish;
  for (let n = 2; taken.includes(id); n++) id = `${wish}-${n}`;
  taken.push(id);
  return id;
}

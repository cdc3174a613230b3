// One line of typing read as a step: "simmer 3-4h, nearby, 10 L pot, skim every 45m, until it coats a spoon, keeps 3d fridge".
// The first part is the name with its time; each part behind a comma says one thing more, in any order. What is not understood is kept
// as the step's note and said, so that nothing typed is lost. `writeStepLine` (step-line-text.ts) writes such a line from a step.
import { findDurations, OVERNIGHT } from "./durations";
import { slug } from "./names";
import { READERS, readEquipmentClause } from "./step-clauses";
import { type Draft, type LineContext, type LineStep, NO_CONTEXT, type StepLine, say, spreadOf, type Tend, type Use } from "./step-draft";
import { findTemperatures } from "./temperatures";
import { attentionOf, isInOven, isOnBurner } from "./verbs";
import { lengthWords, saidOfUse } from "./words-said";

/** The time of a step whose line says none. */
export const UNSAID_MINUTES = 15;

/**
 * Reads a line as a step.
 * @param context what it may name; without it "takes" and "after" stay unclear
 * @example readStepLine("simmer 3-4h, nearby").step.time // { min: "3h", likely: "3h30m", max: "4h" }
 */
export function readStepLine(line: string, context: LineContext = NO_CONTEXT): StepLine {
  const clauses = clausesOf(line.replace(/\s+/g, " "));
  const draft: Draft = {
    name: "",
    uses: [],
    tends: [],
    done: {},
    makes: [],
    holds: [],
    takes: [],
    after: [],
    tags: [],
    notes: [],
    understood: [],
  };
  const unclear: string[] = [];
  clauses.forEach((clause, i) => {
    if (i === 0) return readName(clause, draft, context);
    if (READERS.some((read) => read(clause, draft, context))) return;
    draft.notes.push(clause);
    unclear.push(clause);
  });
  return { step: finish(draft), understood: draft.understood, unclear };
}

/** The parts between commas and semicolons; within quotation marks, and before a digit, a comma ends nothing. */
function clausesOf(line: string): string[] {
  const parts = line.match(/(?:[“"][^”"]*[”"]|,(?=\d)|[^;,])+/g) ?? [];
  return parts.map((c) => c.trim()).filter(Boolean);
}

/** The name and the time, and what else the first part says by the way: a heat, a place. */
function readName(clause: string, draft: Draft, context: LineContext): void {
  // A name in quotation marks says nothing but itself: "“Salt, rinse overnight” 2h".
  const quoted = /^[“"]([^”"]+)[”"]\s*(.*)$/.exec(clause);
  if (quoted) {
    readName(`x ${quoted[2]}`, draft, context);
    draft.name = [quoted[1], draft.name.replace(/^x\b\s*/, "")].filter(Boolean).join(" ");
    return;
  }
  const times = findDurations(clause).filter((f) => !/every\s*$/i.test(clause.slice(0, f.start)));
  // "Dry overnight 12-24h": the figure says how long, the word stays in the name.
  // Of several figures the last is the time: "Boil hard ten minutes 15m".
  const time = times.findLast((f) => !/night/i.test(clause.slice(f.start, f.end))) ?? times[0];
  let name = clause;
  if (time) {
    draft.time = time.value;
    const words = clause.slice(time.start, time.end);
    say(draft, words, lengthWords(time.value));
    if (!/night/i.test(words))
      name = `${clause.slice(0, time.start).replace(/(?:\bfor(?: about)?|\babout|~|,)\s*$/i, "")} ${clause.slice(time.end)}`;
  }
  const until = /\buntil\s+(\S.*)$/i.exec(name.trim());
  if (until && !findTemperatures(until[1] as string)[0]) {
    draft.done.cue = (until[1] as string).trim();
    say(draft, until[0], `done when ${draft.done.cue}`);
  }
  const [heat] = findTemperatures(name);
  const oven = /\b(oven|grill|bath)\b/i.exec(name)?.[1]?.toLowerCase();
  if (heat && (oven || isInOven(name))) {
    const what = oven ?? "oven";
    draft.uses.push({ what, tempC: heat.value, ...(what === "bath" ? {} : { racks: 1 }) });
    say(draft, name.slice(heat.start, heat.end), saidOfUse(draft.uses.at(-1) as Use));
    name = `${name.slice(0, heat.start).replace(/\b(?:at|in)(?: the)?\s*$/i, "")} ${name.slice(heat.end)}`;
  }
  const place = /\b(?:in|into) the (fridge|freezer|cellar)\b/i.exec(name);
  if (place) readEquipmentClause(place[1] as string, draft, context);
  draft.name = name
    .replace(/\s+/g, " ")
    .replace(/\s+([.:])/g, "$1")
    .trim();
  if (draft.name === "") draft.name = clause;
}

/** Fills in what a word implies where nothing was said, and says that it did. */
function finish(draft: Draft): LineStep {
  const { name } = draft;
  if (!draft.time) {
    const length = { min: UNSAID_MINUTES, likely: UNSAID_MINUTES, max: UNSAID_MINUTES };
    draft.time = length;
    say(draft, "no time", `${lengthWords(length)} until you change it`, true);
  }
  let { attention } = draft;
  if (!attention) {
    const night = draft.time === OVERNIGHT || draft.time.min >= OVERNIGHT.min;
    attention = attentionOf(name);
    // Nobody kneads for eight hours.
    if (attention === "hands" && night) attention = "unattended";
    const first = name.split(" ")[0] ?? name;
    if (attention !== "hands") say(draft, first, attention === "nearby" ? "somebody awake and at home" : "unattended", true);
  }
  const heated = draft.uses.some((u) => ["burner", "oven", "bath", "grill", "slow-pot", "pressure-pot"].includes(u.what));
  if (!heated && attention !== "unattended" && isOnBurner(name)) {
    draft.uses.unshift({ what: "burner" });
    say(draft, name.split(" ")[0] ?? name, "one burner", true);
  }
  const output = draft.makes[0] ?? (draft.holds.length ? { id: slug(name), name } : undefined);
  const makes = output ? [draft.holds.length ? { ...output, holds: draft.holds } : output, ...draft.makes.slice(1)] : [];
  const done = Object.keys(draft.done).length ? draft.done : undefined;
  return {
    name,
    time: spreadOf(draft.time),
    ...(attention === "hands" ? {} : { attention }),
    ...(draft.handsStart && attention !== "hands" ? { handsStart: draft.handsStart } : {}),
    ...(draft.handsEnd && attention !== "hands" ? { handsEnd: draft.handsEnd } : {}),
    ...(draft.uses.length ? { uses: draft.uses } : {}),
    ...(draft.tends.length ? { tend: draft.tends.length === 1 ? (draft.tends[0] as Tend) : draft.tends } : {}),
    ...(done ? { done } : {}),
    ...(makes.length ? { makes } : {}),
    ...(draft.takes.length ? { takes: draft.takes } : {}),
    ...(draft.after.length ? { after: draft.after } : {}),
    ...(draft.batches ? { batches: draft.batches } : {}),
    ...(draft.split && attention === "hands" ? { split: draft.split } : {}),
    ...(draft.sleepOk === undefined ? {} : { sleepOk: draft.sleepOk }),
    ...(draft.awayOk === undefined ? {} : { awayOk: draft.awayOk }),
    ...(draft.tags.length ? { tags: draft.tags } : {}),
    ...(draft.boils ? { boils: true } : {}),
    ...(draft.notes.length ? { note: draft.notes.join(", ") } : {}),
  };
}

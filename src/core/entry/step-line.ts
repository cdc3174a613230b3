// One line of typing as a step of the dish file: "simmer 3-4h, nearby, 10 L pot, skim every 45m, until it coats a spoon, keeps 3d fridge".
// The reading of the line (step/read.ts) says what each word means; here it becomes the fields of a step, and is said back.
// `writeStepLine` (step-line-text.ts) writes such a line from a step.
import { durationText, LONGEST_DURATION_MINUTES } from "../time/duration";
import type { Length } from "./durations";
import { holdOf, holdSaid } from "./hold-line";
import { slug } from "./names";
import { readStep } from "./step/read";
import type { StepReading } from "./step/reading";
import {
  type LineContext,
  type LineStep,
  type Link,
  NO_CONTEXT,
  type Output,
  type StepLine,
  spreadOf,
  type Tend,
  type Understood,
  type Use,
} from "./step-draft";
import { amountWords, kindWords, lengthWords, saidOfUse } from "./words-said";

/**
 * Reads a line as a step.
 * @param context what it may name; without it "takes" and "after" stay unclear
 * @example readStepLine("simmer 3-4h, nearby").step.time // { min: "3h", likely: "3h30m", max: "4h" }
 */
export function readStepLine(line: string, context: LineContext = NO_CONTEXT): StepLine {
  const reading = readStep(line.replace(/\s+/g, " ").trim(), { context });
  return { step: lineStepOf(reading, context), understood: understoodOf(reading, context), reading };
}

const within = (minutes: number) => Math.min(minutes, LONGEST_DURATION_MINUTES);
const lengthWithin = (l: Length): Length => ({ min: within(l.min), likely: within(l.likely), max: within(l.max) });

/** What gives heat in a kitchen that lacks the special thing. */
const STAND_IN: Readonly<Record<string, string>> = { smoker: "grill", steamer: "burner", fryer: "burner" };
const HEATING = new Set(["oven", "grill", "bath", "slow-pot", "pressure-pot", "burner"]);
/** What "under the grill" is taken as where no heat is said. */
const UNDER_THE_GRILL_C = 240;
const STORES = new Set(["fridge", "freezer", "cellar"]);

function usesOf(reading: StepReading, context: LineContext): Use[] {
  const { heat, plan } = reading;
  const uses: Use[] = [];
  const has = (kind: string) => context.kinds?.includes(kind) === true;
  const own = new Set(plan.uses.map((u) => u.what));
  // A heat that only the verb tells gives way to one that is said as a thing: "poach 2h, 8 L bath 65".
  const heated = plan.uses.some((u) => HEATING.has(u.what));
  if (heat?.by && !own.has(heat.by) && !(heated && !reading.said.heat)) {
    const what = STAND_IN[heat.by] && !has(heat.by) ? (STAND_IN[heat.by] as string) : heat.by;
    // An oven whose heat nobody said is left to the cook: a use of it wants a temperature.
    const oven = what === "oven" || what === "grill";
    const hot = ["oven", "grill", "bath", "proofer", "fryer", "smoker"].includes(what);
    if (what === "burner" || what === "slow-pot" || what === "pressure-pot" || what === "iron" || what === "steamer") uses.push({ what });
    else if (what === "oven" && heat.mode === "grill" && heat.tempC === null)
      uses.push({ what, tempC: UNDER_THE_GRILL_C, racks: 1, mode: "grill" });
    else if (hot && heat.tempC !== null)
      uses.push({ what, tempC: heat.tempC, ...(oven ? { racks: 1 } : {}), ...(heat.mode ? { mode: heat.mode } : {}) });
    else if (!hot) uses.push({ what });
  }
  if (reading.place && STORES.has(reading.place) && (reading.said.place || reading.doubts.every((d) => d.field !== "place"))) {
    const litres = plan.uses.find((u) => u.what === reading.place)?.litres ?? reading.litres;
    if (!own.has(reading.place)) uses.push({ what: reading.place, ...(litres !== undefined ? { litres } : {}) });
  }
  for (const t of reading.equipment) {
    const what = t.what === "pan" && !has("pan") ? "pot" : t.what;
    if (own.has(what)) continue;
    uses.push({
      what,
      ...(t.count > 1 ? { count: t.count } : {}),
      ...(t.litres !== null ? { litres: t.litres } : {}),
      ...(t.pieces !== null ? { pieces: t.pieces } : {}),
    });
  }
  for (const { keptUntil, ...use } of plan.uses) {
    const until =
      keptUntil === undefined
        ? undefined
        : context.steps.find(
            (s) => s.name.toLowerCase() === keptUntil.toLowerCase().replace(/[“”"]/g, "") || s.ref.endsWith(`.${keptUntil.toLowerCase()}`),
          );
    uses.push(until ? { ...use, until: until.ref } : use);
  }
  return uses;
}

function tendsOf(reading: StepReading): Tend[] {
  return reading.rounds.map((r) => ({
    every: spreadOf(lengthWithin(r.spread ?? { min: r.every, likely: r.every, max: r.every })),
    ...(r.takes !== null ? { takes: durationText(r.takes) } : {}),
    ...(r.what ? { what: r.what } : {}),
    ...(r.first !== undefined ? { first: durationText(within(r.first)) } : {}),
    ...(r.until !== undefined ? { until: durationText(within(r.until)) } : {}),
  }));
}

function linksOf(reading: StepReading): Link[] {
  return reading.plan.after.map((a) => ({
    step: a.step,
    ...(a.min !== undefined ? { min: durationText(within(a.min)) } : {}),
    ...(a.max !== undefined ? { max: durationText(within(a.max)), limit: "quality" as const } : {}),
    ...(a.place ? { place: a.place } : {}),
    ...(a.litres !== undefined ? { litres: a.litres } : {}),
  }));
}

/** The fields of a step that a reading fills. */
export function lineStepOf(reading: StepReading, context: LineContext): LineStep {
  const { plan, cue, probeC } = reading;
  const attention = reading.attention;
  const name = reading.name || reading.line.slice(0, 120);
  const uses = usesOf(reading, context);
  const tends = tendsOf(reading);
  const done = {
    ...(cue ? { cue } : {}),
    ...(probeC !== null ? { probeC } : {}),
    ...(plan.restToC !== undefined ? { restToC: plan.restToC } : {}),
    ...(plan.checkFrom !== undefined ? { checkFrom: durationText(plan.checkFrom) } : {}),
    ...(plan.checkEvery !== undefined ? { checkEvery: durationText(plan.checkEvery) } : {}),
  };
  const holds = reading.keeps.map(holdOf);
  const outputs: Output[] = reading.makes.map((m) => ({
    id: slug(m.name || name),
    name: m.name || name,
    ...(m.amount ? { amount: m.amount } : {}),
    ...(m.raw ? { raw: true } : {}),
  }));
  const first = outputs[0] ?? (holds.length > 0 ? { id: slug(name), name } : undefined);
  const makes = first ? [holds.length > 0 ? { ...first, holds } : first, ...outputs.slice(1)] : [];
  const takes = reading.takes.flatMap((t) => (t.from ? [{ from: t.from, ...(t.amount ? { amount: t.amount } : {}) }] : []));
  const after = linksOf(reading);
  return {
    name,
    time: spreadOf(lengthWithin(reading.minutes)),
    ...(attention === "hands" ? {} : { attention }),
    ...(plan.handsStart !== undefined && attention !== "hands" ? { handsStart: durationText(plan.handsStart) } : {}),
    ...(plan.handsEnd !== undefined && attention !== "hands" ? { handsEnd: durationText(plan.handsEnd) } : {}),
    ...(uses.length ? { uses } : {}),
    ...(tends.length ? { tend: tends.length === 1 ? (tends[0] as Tend) : tends } : {}),
    ...(Object.keys(done).length ? { done } : {}),
    ...(makes.length ? { makes } : {}),
    ...(takes.length ? { takes } : {}),
    ...(after.length ? { after } : {}),
    ...(reading.batches !== null ? { batches: reading.batches } : {}),
    ...(plan.split !== undefined && attention === "hands" ? { split: { minPiece: durationText(plan.split) } } : {}),
    ...(plan.sleepOk === undefined ? {} : { sleepOk: plan.sleepOk }),
    ...(plan.awayOk === undefined ? {} : { awayOk: plan.awayOk }),
    ...(plan.tags.length ? { tags: [...plan.tags] } : {}),
    ...(plan.boils ? { boils: true } : {}),
  };
}

/** What was read, said back in words, field by field; guesses are told apart. */
function understoodOf(reading: StepReading, context: LineContext): Understood[] {
  const said: Understood[] = [];
  const doubtOf = (field: string) => reading.doubts.find((d) => d.field === field);
  const words = (field: string) =>
    reading.words
      .filter((p) => p.as === field)
      .map((p) => reading.line.slice(p.from, p.to))
      .join(" … ");
  const say = (field: string, says: string, guess = doubtOf(field) !== undefined) =>
    said.push({ field, words: words(field) || reading.name.split(" ")[0] || reading.line, says, ...(guess ? { guess: true } : {}) });
  if (reading.line === "") return said;
  say("minutes", reading.said.minutes ? lengthWords(reading.minutes) : `no time said: ${lengthWords(reading.minutes)}`);
  if (reading.attention !== "hands" || reading.said.attention) say("attention", ATTENTION_SAID[reading.attention], !reading.said.attention);
  for (const use of usesOf(reading, context)) {
    const field =
      use.what === reading.place
        ? "place"
        : reading.heat?.by === use.what || STAND_IN[reading.heat?.by ?? ""] === use.what
          ? "heat"
          : "equipment";
    say(field, saidOfUse(use), field === "heat" ? !reading.said.heat || doubtOf("heat") !== undefined : doubtOf(field) !== undefined);
  }
  if (reading.heat && (reading.heat.by === null || (reading.heat.by === "oven" && reading.heat.tempC === null)))
    say("heat", reading.heat.by === null ? `${reading.heat.tempC} °C: of what?` : "oven: how hot?", true);
  if (reading.heat?.level && reading.heat.by !== "oven") say("heat", `${reading.heat.level.replace("-", " to ")} heat`, false);
  if (reading.place && !STORES.has(reading.place)) say("place", reading.place === "hot" ? "kept hot" : "on the counter");
  else if (!reading.place && doubtOf("place")) say("place", "where? no place said", true);
  for (const r of reading.rounds)
    say(
      "rounds",
      `round: ${r.what || "check it"} every ${lengthWords({ min: r.every, likely: r.every, max: r.every })}${r.takes !== null ? `, ${lengthWords({ min: r.takes, likely: r.takes, max: r.takes })} each` : ""}`,
    );
  if (reading.batches !== null) say("batches", `${reading.batches} batches, one after another`);
  else if (doubtOf("batches")) say("batches", "how many batches?", true);
  if (reading.cue) say("cue", `done when ${reading.cue}`);
  if (reading.probeC !== null) say("probeC", `done at ${reading.probeC} °C in the middle`);
  for (const m of reading.makes) say("makes", `makes ${m.amount ? `${amountWords(m.amount)} ` : ""}${m.name}`);
  for (const k of reading.keeps) say("keeps", `may wait: ${holdSaid(holdOf(k))}`);
  for (const t of reading.takes)
    say(
      "takes",
      t.from ? `takes ${t.amount ? `${amountWords(t.amount)} of ` : ""}${t.name}` : `takes ${t.name}: no component of that name`,
      t.from === undefined,
    );
  for (const a of reading.plan.after)
    say("note", a.max === 0 ? "starts the minute the step before ends" : `after ${a.name ?? "the step before"}`);
  if (reading.plan.split !== undefined) say("note", `can be paused and continued, ${reading.plan.split} min at a time`);
  if (reading.plan.sleepOk !== undefined) say("note", reading.plan.sleepOk ? "can run while everyone sleeps" : "not while everyone sleeps");
  if (reading.plan.awayOk !== undefined) say("note", reading.plan.awayOk ? "can run while nobody is home" : "not while nobody is home");
  if (reading.plan.boils) say("note", "comes to a full boil");
  for (const tag of reading.plan.tags) say("note", kindWords(tag));
  return said;
}

const ATTENTION_SAID = { hands: "hands-on throughout", nearby: "somebody awake and at home", unattended: "unattended" } as const;

// One line of typing read as a step: "simmer 3-4h, nearby, 10 L pot, skim every 45m, until it coats a spoon, keeps 3d fridge".
// The first part is the name with its time; each part behind a comma says one thing more, in any order. What is not understood is kept
// as the step's note and said, so that nothing typed is lost. `writeStepLine` (step-line-text.ts) writes such a line from a step.
import type { Amount, DishStep, Hold } from "../dish/schema";
import { durationText } from "../time/duration";
import { amountAt } from "./amounts";
import { durationAt, findDurations, type Length, OVERNIGHT, rhythmAt } from "./durations";
import { type EquipmentUse, readEquipment } from "./equipment-words";
import { numberAt, shortNumber } from "./numbers";
import { findTemperatures, temperatureAt } from "./temperatures";
import { attentionOf, isInOven, isOnBurner } from "./verbs";
import { lengthWords, saidOfUse } from "./words-said";

/** What a line can say of a step; everything else is left to the fields. */
export type LineStep = Pick<
  DishStep,
  | "name"
  | "time"
  | "attention"
  | "handsStart"
  | "handsEnd"
  | "uses"
  | "tend"
  | "done"
  | "makes"
  | "takes"
  | "after"
  | "batches"
  | "split"
  | "sleepOk"
  | "awayOk"
  | "tags"
  | "boils"
  | "note"
>;

export interface Understood {
  readonly words: string;
  readonly says: string;
  /** Concluded from a word, not said: it can be wrong. */
  readonly guess?: boolean;
}

export interface StepLine {
  readonly step: LineStep;
  readonly understood: readonly Understood[];
  /** Parts that were not understood; they stand in the note. */
  readonly unclear: readonly string[];
}

/** What a line may name: outputs that can be taken, steps that can be waited for, kinds of things in the kitchen. */
export interface LineContext {
  readonly outputs: readonly { readonly ref: string; readonly name: string }[];
  readonly steps: readonly { readonly ref: string; readonly name: string }[];
  /** Kinds of the kitchen beyond the common ones. */
  readonly kinds?: readonly string[];
}

export const NO_CONTEXT: LineContext = { outputs: [], steps: [] };
type Tend = Exclude<NonNullable<DishStep["tend"]>, readonly unknown[]>;
type Use = NonNullable<DishStep["uses"]>[number];
type Take = NonNullable<DishStep["takes"]>[number];
type Link = Exclude<NonNullable<DishStep["after"]>[number], string>;
type Output = NonNullable<DishStep["makes"]>[number];

interface Draft {
  name: string;
  time?: Length;
  attention?: NonNullable<DishStep["attention"]>;
  handsStart?: string;
  handsEnd?: string;
  uses: Use[];
  tends: Tend[];
  done: { cue?: string; probeC?: number; restToC?: number; checkFrom?: string; checkEvery?: string };
  makes: Output[];
  holds: Hold[];
  takes: Take[];
  after: Link[];
  batches?: DishStep["batches"];
  split?: { minPiece: string };
  sleepOk?: boolean;
  awayOk?: boolean;
  tags: string[];
  boils?: boolean;
  notes: string[];
  understood: Understood[];
}

type Reader = (clause: string, draft: Draft, context: LineContext) => boolean;

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

/** A text without the quotation marks around it. */
const unquoted = (text: string) => text.replace(/[“”"]/g, "").replace(/\s+/g, " ").trim();

const say = (draft: Draft, words: string, says: string, guess = false) =>
  draft.understood.push(guess ? { words, says, guess } : { words, says });

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

const READERS: readonly Reader[] = [
  // "skim every 45m", "every 12h turn for 5m from 2h until 3d"
  (clause, draft) => {
    const m = /\bevery\s+/i.exec(clause);
    if (!m) return false;
    const every = rhythmAt(clause, m.index + m[0].length);
    if (!every) return false;
    if (/^check/i.test(clause)) {
      const from = /\bfrom\s+/i.exec(clause);
      const first = from && durationAt(clause, from.index + from[0].length);
      draft.done = {
        ...draft.done,
        ...(first ? { checkFrom: durationText(first.value.likely) } : {}),
        checkEvery: durationText(every.value.likely),
      };
      say(draft, clause, `check${first ? ` from ${lengthWords(first.value)} on` : ""}, then every ${lengthWords(every.value)}`);
      return true;
    }
    let rest = `${clause.slice(0, m.index)} ${clause.slice(every.end)}`;
    const part = (word: RegExp): Length | undefined => {
      const at = word.exec(rest);
      const found = at && durationAt(rest, at.index + at[0].length);
      if (!at || !found) return undefined;
      rest = `${rest.slice(0, at.index)} ${rest.slice(found.end)}`;
      return found.value;
    };
    const takes = part(/\b(?:for|takes|taking)\s+/i);
    const first = part(/\b(?:from|after|first at)\s+/i);
    const until = part(/\buntil\s+/i);
    const times = /\b(\d{1,3}|once|twice|three times|four times|six times)(?:\s*(?:times|x|×))?\b/i.exec(rest);
    const count =
      times && /times|x|×|once|twice/i.test(times[0])
        ? ({ once: 1, twice: 2, "three times": 3, "four times": 4, "six times": 6 }[times[0].toLowerCase().trim()] ?? Number(times[1]))
        : undefined;
    if (times && count) rest = rest.replace(times[0], " ");
    const likely = every.value.likely;
    if (likely < 1) return false;
    const last = until?.likely ?? (count ? (first?.likely ?? likely) + (count - 1) * likely : undefined);
    const what = unquoted(rest);
    draft.tends.push({
      every: spreadOf(every.value),
      ...(takes ? { takes: durationText(takes.likely) } : {}),
      ...(what ? { what } : {}),
      ...(first ? { first: durationText(first.likely) } : {}),
      ...(last !== undefined ? { until: durationText(last) } : {}),
    });
    say(
      draft,
      clause,
      `round: ${what || "see to it"} every ${lengthWords(every.value)}${takes ? `, ${lengthWords(takes)} each` : ""}${first ? `, first after ${lengthWords(first)}` : ""}${last !== undefined ? `, the last by ${lengthWords({ min: last, likely: last, max: last })}` : ""}`,
    );
    return true;
  },
  (clause, draft) => {
    const m = /^(?:(?:it )?(?:keeps|keep|holds|hold)|needs|stands)\s+(?:for\s+)?/i.exec(clause);
    if (!m || (/^needs/i.test(clause) && !/fridge|counter|freezer|cellar|hot\b/i.test(clause))) return false;
    const hold = readHold(clause.slice(m[0].length), /^needs/i.test(clause));
    if (!hold) return false;
    draft.holds.push(hold);
    say(draft, clause, `may wait: ${holdSaid(hold)}`);
    return true;
  },
  (clause, draft) => {
    const m = /^(?:makes|gives|yields|leaves)\s+/i.exec(clause);
    if (!m) return false;
    const amount = amountAt(clause, m[0].length, true);
    let name = clause
      .slice(amount?.end ?? m[0].length)
      .replace(/^\s*(?:of )?/, "")
      .trim();
    name = unquoted(name);
    const raw = /\braw$/i.test(name);
    if (raw) name = name.replace(/,?\s*raw$/i, "");
    if (!amount && name === "") return false;
    const value = amount && amountFile(amount.value);
    const shown = name || draft.name;
    draft.makes.push({ id: slug(shown), name: shown, ...(value ? { amount: value } : {}), ...(raw ? { raw: true } : {}) });
    say(draft, clause, `makes ${value ? `${shortNumber(value.amount)} ${value.unit} of ` : ""}${shown}${raw ? ", raw" : ""}`);
    return true;
  },
  (clause, draft, context) => {
    const m = /^(?:takes|uses|with|adds?)\s+/i.exec(clause);
    if (!m) return false;
    const amount = amountAt(clause, m[0].length);
    const name = clause
      .slice(amount?.end ?? m[0].length)
      .replace(/^\s*(?:of )?(?:the )?/, "")
      .trim();
    const output = named(unquoted(name), context.outputs);
    if (!output) return false;
    draft.takes.push({ from: output.ref, ...(amount ? { amount: amountFile(amount.value) } : {}) });
    say(draft, clause, `takes ${amount ? clause.slice(m[0].length, amount.end) : "all"} of ${output.name}`);
    return true;
  },
  (clause, draft) => {
    if (!/^(?:at once|straight away|immediately|right after)$/i.test(clause)) return false;
    draft.after.push({ step: "", max: "0m", limit: "quality" });
    say(draft, clause, "begins the minute that the step before ends");
    return true;
  },
  (clause, draft, context) => {
    const m = /^within\s+/i.exec(clause);
    const found = m && durationAt(clause, m[0].length);
    if (!m || !found) return false;
    const of = clause
      .slice(found.end)
      .replace(/^\s*(?:of|after)\s+(?:the )?/i, "")
      .trim();
    const step = of === "" ? undefined : named(of, context.steps);
    if (of !== "" && !step) return false;
    draft.after.push({ step: step?.ref ?? "", max: durationText(found.value.max), limit: "quality" });
    say(draft, clause, `begins at most ${lengthWords({ ...found.value, min: found.value.max })} after ${step?.name ?? "the step before"}`);
    return true;
  },
  (clause, draft, context) => {
    const m = /^after\s+/i.exec(clause);
    if (!m) return false;
    const wait = durationAt(clause, m[0].length);
    const rest = clause.slice(wait?.end ?? m[0].length).trim();
    if (wait) {
      const place = /\b(fridge|counter|freezer|cellar)\b/i.exec(rest)?.[1]?.toLowerCase() as Hold["place"] | undefined;
      const litres = /(\d[\d.,]*)\s*l(?:itres?|iters?)?\b/i.exec(rest)?.[1];
      const range = wait.value.min !== wait.value.max;
      draft.after.push({
        step: "",
        min: durationText(wait.value.min),
        ...(range ? { max: durationText(wait.value.max), limit: "quality" as const } : {}),
        ...(place ? { place } : {}),
        ...(litres ? { litres: Number(litres.replace(",", ".")) } : {}),
      });
      say(draft, clause, `waits ${lengthWords(wait.value)} behind the step before${place ? `, in the ${place}` : ""}`);
      return true;
    }
    const step = named(unquoted(rest), context.steps);
    if (!step) return false;
    draft.after.push({ step: step.ref });
    say(draft, clause, `begins once “${step.name}” is done`);
    return true;
  },
  (clause, draft) => {
    const m =
      /^(?:until|till|done when|when)\s+/i.exec(clause) ??
      /^(?=(?:pull(?:ed)?|out|core|done) (?:at|of) )|^(?=\d+\s?°?[CF]?\b.*\bin the (?:middle|thickest|centre))/i.exec(clause);
    if (!m) return false;
    const text = clause.slice(m[0].length);
    const [heat, rest] = findTemperatures(text);
    let cue = text;
    if (heat) {
      draft.done.probeC = heat.value;
      if (rest && /rest|climb/i.test(text.slice(heat.end, rest.start))) draft.done.restToC = rest.value;
      cue = text
        .replace(text.slice(heat.start, rest ? rest.end : heat.end), " ")
        .replace(/\b(?:pull(?:ed)?|out|core|done|at|of|in the (?:middle|centre|thickest part)|inside)\b/gi, " ")
        .replace(/\s+/g, " ")
        .replace(/^(?:and|or)\s|\s(?:and|or)$/g, "")
        .trim();
    }
    cue = unquoted(cue);
    if (cue) draft.done.cue = draft.done.cue ? `${draft.done.cue}, ${cue}` : cue;
    say(
      draft,
      clause,
      `done ${[cue && `when ${cue}`, heat && `at ${heat.value} °C in the middle`].filter(Boolean).join(", ")}${draft.done.restToC ? `, resting to ${draft.done.restToC} °C` : ""}`,
    );
    return true;
  },
  (clause, draft) => {
    const m = /^(?:check|look|start checking|begin checking)\s+from\s+/i.exec(clause);
    const from = m && durationAt(clause, m[0].length);
    if (!from) return false;
    draft.done.checkFrom = durationText(from.value.likely);
    say(draft, clause, `look at it from ${lengthWords(from.value)} on`);
    return true;
  },
  (clause, draft) => {
    const word = (
      [
        ["hands", /^(?:by hand|hands(?: on)?|hands-on|all by hand)$/i, "a cook's hands throughout"],
        ["nearby", /^(?:(?:stay |somebody |keep )?near(?:by)?|watch(?:ed)?|stay by it|stay at home)$/i, "somebody awake and at home"],
        ["unattended", /^(?:alone|unattended|by itself|on its own|leave(?: it)?(?: alone)?)$/i, "nobody needs to be there"],
      ] as const
    ).find(([, pattern]) => pattern.test(clause));
    if (!word) return false;
    draft.attention = word[0];
    say(draft, clause, word[2]);
    return true;
  },
  (clause, draft) => {
    const found = findDurations(clause)[0];
    if (!found || !/\bhands?\b/i.test(clause)) return false;
    const text = durationText(found.value.likely);
    const end = /\b(?:end|after|last)\b/i.test(clause);
    if (end) draft.handsEnd = text;
    else draft.handsStart = text;
    say(draft, clause, `${lengthWords(found.value)} by hand at the ${end ? "end" : "start"}`);
    return true;
  },
  (clause, draft) => {
    const m = /^(?:in\s+)?(\d{1,3}|two|three|four|five|six)\s+batch(?:es)?$/i.exec(clause);
    const number = m && numberAt(m[1] as string, 0, true);
    if (!number || number.value < 1) return false;
    draft.batches = number.value;
    say(draft, clause, `done ${number.value} times over, one after another`);
    return true;
  },
  (clause, draft) => {
    const m = /^(?:may|can) be (?:put down|interrupted|split)(?:\s*(?:in|into)?\s*(?:pieces?|parts?)?(?:\s*of)?\s*)?/i.exec(clause);
    if (!m) return false;
    const piece = durationAt(clause, m[0].length);
    draft.split = { minPiece: durationText(piece?.value.likely ?? 15) };
    say(draft, clause, `may be put down and taken up again, ${lengthWords(piece?.value ?? { min: 15, likely: 15, max: 15 })} at a time`);
    return true;
  },
  (clause, draft) => {
    const rules: readonly (readonly [RegExp, () => void, string])[] = [
      [/^(?:not|never) (?:at|over|by) night$|^only (?:while )?awake$/i, () => (draft.sleepOk = false), "not while all sleep"],
      [
        /^(?:(?:may|can) (?:run|go on|stay on) )?(?:at|over|by|through the) night(?: is fine)?$|^overnight is fine$/i,
        () => (draft.sleepOk = true),
        "may run while all sleep",
      ],
      [/^(?:not|never) (?:while|when) (?:out|away)$|^only at home$/i, () => (draft.awayOk = false), "not while nobody is home"],
      [/^(?:may|can) be left alone at home$|^(?:fine )?while (?:out|away)$/i, () => (draft.awayOk = true), "may run while nobody is home"],
      [/^(?:comes? to )?(?:a |the )?(?:full |rolling )?boils?$/i, () => (draft.boils = true), "comes to a full boil"],
      [/^noisy$/i, () => draft.tags.push("noisy"), "noisy: kept out of quiet hours"],
      [/^smells?|^smelly$/i, () => draft.tags.push("smell"), "smells"],
      [/^(?:open )?flame|^smoky$/i, () => draft.tags.push("flame"), "open flame"],
    ];
    const rule = rules.find(([pattern]) => pattern.test(clause));
    if (!rule) return false;
    rule[1]();
    say(draft, clause, rule[2]);
    return true;
  },
  readEquipmentClause,
  (clause, draft) => {
    const found = durationAt(clause, 0);
    if (!found || found.end !== clause.length || draft.time) return false;
    draft.time = found.value;
    say(draft, clause, lengthWords(found.value));
    return true;
  },
  (clause, draft) => {
    const heat = temperatureAt(clause.replace(/^at /i, ""), 0);
    if (!heat || heat.end !== clause.replace(/^at /i, "").length || !isInOven(draft.name)) return false;
    draft.uses.push({ what: "oven", tempC: heat.value, racks: 1 });
    say(draft, clause, saidOfUse(draft.uses.at(-1) as Use));
    return true;
  },
];

function readEquipmentClause(clause: string, draft: Draft, context: LineContext): boolean {
  const found: EquipmentUse | undefined = readEquipment(clause, context.kinds ?? []);
  if (!found) {
    if (!/^(?:(?:on|at) )?(?:the )?(?:counter|room temperature|cool place)$/i.test(clause)) return false;
    draft.attention ??= "unattended";
    say(draft, clause, "stands on the counter");
    return true;
  }
  const { keptUntil, ...use } = found;
  const until = keptUntil === undefined ? undefined : named(unquoted(keptUntil), context.steps);
  if (keptUntil !== undefined && !until) return false;
  // "In the fridge" and "fridge 2 L" are one fridge.
  const same = draft.uses.findIndex(
    (u) => u.what === use.what && ["fridge", "freezer", "cellar"].includes(u.what) && u.litres === undefined,
  );
  if (same >= 0) draft.uses.splice(same, 1);
  draft.uses.push(until ? { ...use, until: until.ref } : use);
  if (["fridge", "freezer", "cellar"].includes(use.what)) draft.attention ??= "unattended";
  say(draft, clause, saidOfUse(use) + (until ? `, kept until “${until.name}” is done` : ""));
  return true;
}

const PLACE = /\b(?:in (?:the )?|on (?:the )?|at )?(fridge|freezer|counter|room temperature|cellar|larder|hot|warm)\b/i;
const PLACES: Readonly<Record<string, Hold["place"]>> = { "room temperature": "counter", larder: "cellar", warm: "hot" };

/** "3d fridge", "at least 8h, best 12h-2d, up to 3d fridge 2 L safety". */
export function readHold(text: string, least = false): Hold | undefined {
  const placed = PLACE.exec(text);
  const word = placed?.[1]?.toLowerCase();
  const place = word === undefined ? "none" : (PLACES[word] ?? (word as Hold["place"]));
  let rest = placed ? text.replace(placed[0], " ") : text;
  const litres = /(\d[\d.,]*)\s*l(?:itres?|iters?)?\b/i.exec(rest);
  if (litres) rest = rest.replace(litres[0], " ");
  const limit = /\bsafety\b/i.test(rest) ? "safety" : /\bquality\b/i.test(rest) ? "quality" : undefined;
  rest = rest.replace(/\b(?:safety|quality)\b/i, " ").trim();
  let min: number | undefined;
  let max: number | undefined;
  let best: readonly [number, number] | undefined;
  const take = (pattern: RegExp): Length | undefined => {
    const m = pattern.exec(rest);
    const found = m && durationAt(rest, m.index + m[0].length);
    if (!m || !found) return undefined;
    rest = `${rest.slice(0, m.index)} ${rest.slice(found.end)}`;
    return found.value;
  };
  const bestOf = take(/\bbest(?: between| after| from| at)?\s+/i);
  if (bestOf) best = [bestOf.min, bestOf.max];
  min = take(/\b(?:at )?least\s+/i)?.min;
  max = take(/\b(?:up to|at most|most|no longer than)\s+/i)?.max;
  const bare = findDurations(rest)[0];
  if (bare) {
    if (least && min === undefined) min = bare.value.min;
    else if (bare.value.min !== bare.value.max && min === undefined && max === undefined) [min, max] = [bare.value.min, bare.value.max];
    else max ??= bare.value.max;
    if (least && bare.value.min !== bare.value.max) max ??= bare.value.max;
  }
  if (min === undefined && max === undefined && !best && place === "none") return undefined;
  if (min !== undefined && max !== undefined && min > max) return undefined;
  return {
    place,
    ...(litres ? { litres: Number((litres[1] as string).replace(",", ".")) } : {}),
    ...(min !== undefined ? { min: durationText(min) } : {}),
    ...(best ? { best: [durationText(best[0]), durationText(best[1])] as [string, string] } : {}),
    ...(max !== undefined ? { max: durationText(max) } : {}),
    ...(limit && max !== undefined ? { limit } : {}),
  };
}

function holdSaid(hold: Hold): string {
  return [
    hold.min && `at least ${hold.min}`,
    hold.best && `best ${hold.best[0]} to ${hold.best[1]}`,
    hold.max && `at most ${hold.max}${hold.limit === "safety" ? ", a limit of safety" : ""}`,
    hold.place === "none"
      ? undefined
      : hold.place === "counter"
        ? "on the counter"
        : hold.place === "hot"
          ? "kept hot"
          : `in the ${hold.place}`,
  ]
    .filter(Boolean)
    .join(", ");
}

const amountFile = (a: { amount: number; unit: string }): Amount => ({ amount: Number(a.amount.toPrecision(6)), unit: a.unit });

/** An identifier from a name: lower case, digits, hyphens. */
export function slug(name: string): string {
  const plain = name
    .normalize("NFKD")
    .replace(/[̀-ͯ]/g, "")
    .toLowerCase()
    .replace(/['’]/g, "")
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-+|-+$/g, "");
  return plain.slice(0, 40).replace(/-+$/, "") || "part";
}

/** The thing of that name: by its whole name, its reference, or the only one whose name or component has the word in it. */
export function named<T extends { readonly ref: string; readonly name: string }>(text: string, things: readonly T[]): T | undefined {
  const wish = text.toLowerCase().trim();
  if (wish === "") return undefined;
  const exact = things.find((t) => t.ref === wish || t.name.toLowerCase() === wish) ?? things.find((t) => t.ref.endsWith(`.${wish}`));
  if (exact) return exact;
  const like = things.filter((t) => t.name.toLowerCase().includes(wish) || t.ref.startsWith(`${slug(wish)}.`));
  // Several outputs of one component: its last is what is meant by its name.
  return like.length && new Set(like.map((t) => t.ref.split(".")[0])).size === 1 ? like.at(-1) : undefined;
}

const spreadOf = (l: Length): DishStep["time"] =>
  l.min === l.max ? durationText(l.min) : { min: durationText(l.min), likely: durationText(l.likely), max: durationText(l.max) };

/** Fills in what a word implies where nothing was said, and says that it did. */
function finish(draft: Draft): LineStep {
  const { name } = draft;
  if (!draft.time) {
    const length = { min: UNSAID_MINUTES, likely: UNSAID_MINUTES, max: UNSAID_MINUTES };
    draft.time = length;
    say(draft, "no time", `${lengthWords(length)} until you say`, true);
  }
  let { attention } = draft;
  if (!attention) {
    const night = draft.time === OVERNIGHT || draft.time.min >= OVERNIGHT.min;
    attention = attentionOf(name);
    // Nobody kneads for eight hours.
    if (attention === "hands" && night) attention = "unattended";
    const first = name.split(" ")[0] ?? name;
    if (attention !== "hands") say(draft, first, attention === "nearby" ? "somebody awake and at home" : "nobody needs to be there", true);
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

// What a line says in all: lengths brought together, heats merged, and what it leaves open concluded from its verb. A conclusion that
// the plan could turn on is a doubt, with the choices.
import { exactly, OVERNIGHT, type SaidLength } from "../durations";
import type { Attention, Place, Sense } from "../lexicon/senses";
import { storeOfCold } from "../temperatures";
import type { Doubt, Heat, StepReading } from "./reading";
import type { Scan } from "./scan";
import { governing, type Verb, verbsOf } from "./verbs";

/** The time of a step whose line says none, and whose verb tells nothing either. */
const UNSAID_MINUTES = 15;
const ATTENTION_WORDS: Readonly<Record<Attention, string>> = { hands: "hands-on", nearby: "somebody near", unattended: "unattended" };
/** From this on nobody works with their hands without a break. */
const LONGEST_HANDS_MINUTES = 4 * 60;

/** Where things stand by themselves when nothing is said, as a guess. */
const GUESSED_PLACE: Partial<Record<string, Place>> = {
  prove: "counter",
  ferment: "counter",
  soak: "counter",
  cool: "counter",
  infuse: "counter",
  marinate: "fridge",
  cure: "fridge",
  brine: "fridge",
  set: "fridge",
  rest: "counter",
  stand: "counter",
  macerate: "counter",
  thaw: "fridge",
  leave: "counter",
};

/** Heats over which somebody works with their hands for as long as it takes: sauces, caramels, chocolate over a water bath. */
const STIRRED_OVER: ReadonlySet<string> = new Set(["burner", "fryer", "iron", "bath"]);

/** Food that keeps at least this long after it was frozen is meant to keep frozen, min. */
const LEAST_FROZEN = 14 * 1440;

export function conclude(scan: Scan): StepReading {
  const { found, line } = scan;
  const verbs = verbsOf(scan);
  const first = found.lengths[0];
  const verb = governing(scan, verbs, first?.at);
  const doubts: Doubt[] = [];
  const minutes = lengthOf(scan, verb, doubts);
  doubtWaits(scan, verbs, doubts);
  placesOfCold(scan);
  coldOfPlaces(scan);
  const heat = heatOf(scan, verbs, verb, doubts);
  const place = placeOf(scan, verbs, verb, heat, minutes, doubts);
  const attention = attentionOf(scan, verb, heat, place, minutes, doubts);
  const name = nameOf(scan);
  // "Freeze overnight, then bag; good for 4 months": it is in the freezer already.
  const frozen =
    place === "freezer" && found.keeps.length > 0 && found.keeps.every((k) => k.place === null && (k.max ?? 0) >= LEAST_FROZEN);
  const keeps = frozen ? found.keeps.map((k) => ({ ...k, place: "freezer" as const })) : found.keeps;
  doubts.push(...(frozen ? found.doubts.filter((d) => d.field !== "keeps") : found.doubts));
  const makes = found.makes.map((m) => (m.name === "" ? { ...m, name: name } : m));
  return {
    line,
    name,
    minutes,
    heat,
    place,
    equipment: found.things,
    rounds: found.rounds,
    batches: found.batches ?? null,
    cue: found.cue ?? null,
    probeC: found.probeC ?? null,
    attention,
    verb: verb ? scan.folded.slice(verb.from, verb.to) : null,
    makes,
    keeps,
    takes: found.takes,
    words: scan.pieces(),
    doubts,
    plan: found.plan,
    litres: found.placeLitres,
    said: {
      minutes: found.lengths.length > 0,
      attention: found.attention !== undefined,
      heat: found.heats.length > 0,
      place: found.places.length > 0,
    },
  };
}

/** "The night before, rub it with salt and put it in the fridge": it is there until the next day. */
const staysIn = (found: Scan["found"]) => found.places.some((p) => p === "fridge" || p === "cellar" || p === "counter");

function lengthOf(scan: Scan, verb: Verb | undefined, doubts: Doubt[]): SaidLength {
  const { found, line } = scan;
  const [first, ...others] = found.lengths;
  // "4 hours, or in a pressure cooker 1 hour": the second length belongs to another method and is not added.
  const either = first?.end !== undefined && scan.end(scan.lexicon.either, scan.past(",", scan.blanks(first.end))) !== undefined;
  const more = either ? others.slice(1) : others;
  if (either && others.length > 0) doubts.push({ field: "minutes", why: "another method is given; the first is used" });
  if (!first) {
    if (line.trim() === "") return exactly(0);
    if (found.nightBefore && (verb?.sense.wait || staysIn(found))) {
      doubts.push({ field: "minutes", why: "no time said: overnight, as it begins the night before" });
      return OVERNIGHT;
    }
    const [min, likely, max] = verb?.sense.minutes ?? [UNSAID_MINUTES, UNSAID_MINUTES, UNSAID_MINUTES];
    doubts.push({ field: "minutes", why: "no time said", choices: [...new Set([min, likely, max])].map(String) });
    return verb ? { min, likely, max } : exactly(UNSAID_MINUTES);
  }
  let sum = first.length;
  if (more.length > 0) {
    // "Overnight 12-24h": the night is said again in figures.
    const figures = [first, ...more].filter((l) => l.length.min !== OVERNIGHT.min || l.length.max !== OVERNIGHT.max);
    if (figures.length === 1 && figures[0] && figures[0].length.max >= 6 * 60) sum = figures[0].length;
    else {
      sum = more.reduce((s, { length: l }) => ({ min: s.min + l.min, likely: s.likely + l.likely, max: s.max + l.max }), first.length);
      doubts.push({
        field: "minutes",
        why: `${more.length + 1} times in one line, added up`,
        choices: [first, ...more].map((l) => String(l.length.likely)),
      });
    }
  }
  if (first.eachSide) {
    const { min, likely, max } = sum;
    doubts.push({ field: "minutes", why: "for each side, counted twice", choices: [String(likely), String(2 * likely)] });
    return { min: 2 * min, likely: 2 * likely, max: 2 * max };
  }
  if (first.length.vague) doubts.push({ field: "minutes", why: "no figure said" });
  if (first.length.open === "min") doubts.push({ field: "minutes", why: "no longest time said" });
  if (first.length.open === "max") doubts.push({ field: "minutes", why: "no shortest time said" });
  return { min: sum.min, likely: sum.likely, max: sum.max };
}

/** Waits that the line names behind its length, or between rounds of work, without saying how long they take. */
function doubtWaits({ found, folded }: Scan, verbs: readonly Verb[], doubts: Doubt[]): void {
  const last = found.lengths.at(-1);
  if (!last) return;
  const untimed = verbs.find((v) => v.sense.wait && v.opens && v.from > last.at && verbs.some((w) => w.from < last.at));
  if (untimed && !/^(?:cool(?:ing)?|stand|rest|set)\b.*\bbefore\b/.test(folded.slice(untimed.from)))
    doubts.push({ field: "minutes", why: `no time given for “${folded.slice(untimed.from, untimed.to)}”` });
  if (
    /\b(?:dazwischen|zwischendurch)\b|\bentre (?:chaque|cada)\b|\bbetween (?:each|every|folds?|turns?|coats?|layers?|them|batch(?:es)?|rounds?)\b/.test(
      folded.slice(Math.max(0, last.at - 18)),
    )
  )
    doubts.push({ field: "minutes", why: "the wait between rounds is counted once" });
}

/** How cold a store of food is at most, °C: "in the fridge (5 °C)" says nothing of heat. */
const COLD_C: Partial<Record<Place, number>> = { fridge: 10, freezer: 0, cellar: 18 };

/** "Hold at 4 °C", "store at -18 °C": what is kept so cold stands in the fridge or the freezer. */
function placesOfCold({ found }: Scan): void {
  if (found.places.length > 0) return;
  const store = found.heats.map((h) => (h.by || h.tempC === undefined ? undefined : storeOfCold(h.tempC))).find((p) => p !== undefined);
  if (store) found.places.push(store);
}

function coldOfPlaces(scan: Scan): void {
  const limit = Math.max(...scan.found.places.map((p) => COLD_C[p] ?? Number.NEGATIVE_INFINITY));
  scan.found.heats = scan.found.heats.filter((h) => h.sure || h.tempC === undefined || h.tempC > limit);
}

const OVEN_FIGURE = { from: 90, to: 300 } as const;
/** Waits that take an oven where a figure for one stands by them: "dry at 90 °C". Anything that is done or watched does. */
const WAITS_IN_OVEN = new Set(["dry", "rest", "cool", "set", "leave"]);
/** Verbs for which an oven is what a figure means, without a doubt. */
const MEANS_OVEN = new Set(["braise", "confit", "toast", "dry"]);

const BOILING_WATER =
  /(?:boiling|simmering|salted) (?:salted )?water|acqua (?:bollente|salata|in ebollizione)|(?:salz|kochende[mn]? )wasser|eau (?:bouillante|salee|fremissante)|agua (?:hirviendo|con sal|salada)/;
const IN_BOILING = /\bin (?:gently )?(?:boiling|simmering) (?:salted )?water/;
/** Minutes for which seeds and nuts are roasted in a pan. */
const LONGEST_IN_PAN = 20;
/** German "braten" is done in a pan and in an oven: a figure that only ovens have tells which. */
const ROAST_OR_FRY = /^brat/;

function heatOf({ found, folded }: Scan, verbs: readonly Verb[], verb: Verb | undefined, doubts: Doubt[]): Heat | null {
  const giver = verb?.sense.by ? verb : verbs.find((v) => v.sense.by && !v.sense.weak);
  if (found.heats.length === 0) {
    // "In einer Pfanne ohne Fett rösten": where it says a pan, it is one.
    const inPan =
      giver?.sense.by === "oven" && found.things.some((t) => t.what === "pan") && (found.lengths[0]?.length.max ?? 0) <= LONGEST_IN_PAN;
    if (giver)
      return { by: inPan ? "burner" : (giver.sense.by ?? null), tempC: null, level: null, mode: inPan ? null : (giver.sense.mode ?? null) };
    // "Cook 4 min in boiling water", "process 12 min in boiling water".
    if ((verb?.name === "cook" && BOILING_WATER.test(folded)) || ((!verb || verb.name === "put") && IN_BOILING.test(folded)))
      return { by: "burner", tempC: null, level: null, mode: null };
    if (verb && ["cook", "toast"].includes(verb.name) && found.things.some((t) => t.what === "pan"))
      return { by: "burner", tempC: null, level: null, mode: null };
    if (verb && ["cook", "braise", "confit", "toast"].includes(verb.name)) {
      doubts.push({ field: "heat", why: "it does not say what heats it", choices: ["burner", "oven", "grill"] });
    }
    return null;
  }
  // "In a bain-marie, oven 150": the one that the figure belongs to.
  const sure = found.heats.find((h) => h.sure && h.tempC !== undefined && !h.concluded) ?? found.heats.find((h) => h.sure);
  const figures = found.heats.filter((h) => h.tempC !== undefined);
  // A figure that is said goes before one that a word only suggests.
  const temps = figures.some((h) => !h.concluded) ? figures.filter((h) => !h.concluded) : figures;
  const tempC = temps[0]?.tempC ?? null;
  if (new Set(temps.map((t) => t.tempC)).size > 1)
    doubts.push({
      field: "heat",
      why: `${temps.length} temperatures in one line; the first is taken`,
      choices: temps.map((t) => `${t.tempC} °C`),
    });
  if (temps[0]?.concluded)
    doubts.push({
      field: "heat",
      why: `“${temps[0].concluded}” is taken as ${tempC} °C`,
      choices: ["140 °C", "160 °C", "180 °C", "200 °C", "220 °C"],
    });
  const level = found.heats.find((h) => h.level)?.level ?? null;
  const mode = found.heats.find((h) => h.mode)?.mode ?? null;
  // "In a bain-marie and bake at 150": the bath stands in the oven.
  const bakes = sure?.by === "bath" && (tempC ?? 0) >= OVEN_FIGURE.from && verbs.some((v) => v.sense.by === "oven");
  if (sure?.by) return { by: bakes ? "oven" : sure.by, tempC, level, mode };
  if (tempC === null) return { by: giver?.sense.by ?? "burner", tempC, level, mode };
  // The verb nearest before the figure that gives heat.
  const at = temps[0]?.at ?? 0;
  const near = verbs.findLast((v) => v.from < at && v.sense.by && !v.sense.weak) ?? giver;
  const inOven = tempC >= OVEN_FIGURE.from && tempC <= OVEN_FIGURE.to;
  if (near?.sense.by && !(near.sense.by === "burner" && near.name === "warm" && mode)) {
    // A burner has no such figures but for fat: a sear at 220 °C is in the oven.
    if (near.name === "fry" && ROAST_OR_FRY.test(folded.slice(near.from)) && tempC >= 120) return { by: "oven", tempC, level, mode };
    if (near.sense.by === "burner" && (tempC > 200 || (tempC > 110 && !["fry", "sear", "caramelise", "melt"].includes(near.name)))) {
      doubts.push({ field: "heat", why: `${tempC} °C is taken as the oven`, choices: ["oven", "burner", "grill"] });
      return { by: "oven", tempC, level, mode };
    }
    return { by: near.sense.by, tempC, level, mode: mode ?? near.sense.mode ?? null };
  }
  const ovenVerb = verb?.sense.attention !== "unattended" || WAITS_IN_OVEN.has(verb.name);
  if (mode || (inOven && ovenVerb)) {
    if (!verb || !MEANS_OVEN.has(verb.name))
      doubts.push({ field: "heat", why: `${tempC} °C is taken as the oven`, choices: ["oven", "burner", "grill", "smoker"] });
    return { by: "oven", tempC, level, mode };
  }
  doubts.push({ field: "heat", why: `it does not say what is at ${tempC} °C`, choices: ["oven", "bath", "burner", "proofer"] });
  return { by: null, tempC, level, mode };
}

function placeOf(
  scan: Scan,
  verbs: readonly Verb[],
  verb: Verb | undefined,
  heat: Heat | null,
  minutes: SaidLength,
  doubts: Doubt[],
): Place | null {
  const { found } = scan;
  const said = found.places.find((p) => p !== "counter") ?? found.places[0];
  // "Place on a rack, refrigerate": it is the fridge that it stands in.
  if (said === "counter" && (verb?.sense.place === "fridge" || verb?.sense.place === "freezer")) return verb.sense.place;
  if (said) {
    if (new Set(found.places).size > 1)
      doubts.push({ field: "place", why: "two places in one line; one is taken", choices: [...new Set(found.places)] });
    return said;
  }
  // "Chill over ice": not in the fridge, whatever the verb says.
  if (/\bice[- ]?bath|\b(?:over|on|in|into) (?:the |an? (?:bowl|sink) of )?(?:ice(?:d|-cold)?[- ]?water|ice)\b/.test(scan.folded))
    return null;
  const byVerb = verb?.sense.place ?? verbs.find((v) => v.sense.place)?.sense.place;
  if (byVerb) return byVerb;
  const sense: Sense | undefined = verb?.sense;
  const waits = sense?.wait || verbs.some((v) => v.sense.wait && !v.sense.weak);
  // What drains or is pressed for half an hour stands somewhere.
  const stands = scan.found.lengths.length > 0 && minutes.likely >= 30 && (verb?.name === "drain" || verb?.name === "press");
  if ((!waits && !stands) || heat?.by) return null;
  const name = sense?.wait ? verb?.name : verbs.find((v) => v.sense.wait)?.name;
  doubts.push({ field: "place", why: "no place said", choices: ["counter", "fridge", "cellar", "freezer"] });
  return (name && GUESSED_PLACE[name]) ?? null;
}

function attentionOf(
  { found, line }: Scan,
  verb: Verb | undefined,
  heat: Heat | null,
  place: Place | null,
  minutes: SaidLength,
  doubts: Doubt[],
): Attention {
  if (found.attention) return found.attention;
  if (line.trim() === "") return "hands";
  let concluded: Attention = verb?.sense.attention ?? (heat ? "nearby" : place || minutes.min >= 6 * 60 ? "unattended" : "hands");
  const why = verb ? `“${line.slice(verb.from, verb.to)}” is taken as` : "taken as";
  if (verb?.sense.weak || verb?.name === "cook")
    concluded = heat?.by || verb.name === "cook" ? "nearby" : found.places.length > 0 ? "unattended" : concluded;
  // "Wash and dry, 10 min" is work with a cloth.
  if (verb?.name === "dry" && found.lengths.length > 0 && minutes.max <= 15) concluded = "hands";
  // Nobody kneads for eight hours; and what stands in the fridge needs nobody.
  if (concluded === "hands" && (found.lengths.length > 0 || minutes.min >= LONGEST_HANDS_MINUTES)) {
    if (minutes.min >= LONGEST_HANDS_MINUTES) concluded = "unattended";
    else if ((place === "fridge" || place === "freezer") && minutes.likely >= 20) concluded = "unattended";
    else if (heat?.by && !STIRRED_OVER.has(heat.by) && minutes.likely >= 20) concluded = "nearby";
    else if (verb?.name === "press" && minutes.likely >= 30) concluded = "unattended";
    else if (found.rounds.length > 0 && minutes.likely >= 45) concluded = "nearby";
  }
  if (concluded === "unattended" && heat?.by && !found.places.length && !verb?.sense.wait) concluded = "nearby";
  doubts.push({
    field: "attention",
    why: `${why}: ${ATTENTION_WORDS[concluded]}`,
    choices: (["hands", "nearby", "unattended"] as const).filter((a) => a !== concluded),
  });
  return concluded;
}

/** The words that became nothing else, in their order, with the commas that stand between two of them. */
function nameOf(scan: Scan): string {
  const { line, marks } = scan;
  let name = "";
  let gap = "";
  let broken = false;
  for (let i = 0; i < line.length; i++) {
    const char = line.charAt(i);
    if (/\s/.test(char)) {
      gap = gap === "," ? ", " : gap || " ";
      continue;
    }
    const mark = marks[i];
    if (mark === undefined || mark === "name") {
      name += name === "" ? char : `${broken ? " " : gap}${char}`;
      gap = "";
      broken = false;
    } else if (mark === "join" && char === "," && !broken && name !== "") gap = ",";
    else if (mark !== "join") broken = true;
    else gap = gap || " ";
  }
  return name.replace(/[“”"]/g, "").replace(/\s+/g, " ").replace(/\s+,/g, ",").trim();
}

// A solid piece that cools: a pie, a terrine, a rolled or stuffed joint. Heat leaves its middle by conduction alone, so its size decides. A whole
// cut of meat is left out: its middle was never touched.
import { numberAt } from "../../entry/numbers";
import { conductionTimes } from "../../measures/heat/conduction";
import { equivalentHalf } from "../../measures/heat/roast";
import { spokenDuration } from "../../time/duration";
import { cautioned, type Finding } from "../finding";
import { type Item, isOf, litresOf, outputOfPart, type Part, type PartStep } from "../part";
import { isRawFlesh, killsGerms, type SafetyScene } from "../scene";

/** One body of many: minced, packed, rolled or filled. */
const PACKED =
  /\b(?:pies?|terrines?|p[aâ]t[eé]s?|meat ?loa(?:f|ves)|loa(?:f|ves)|galantines?|ballotines?|roulades?|stuffed|filled|rolled|brawn|head ?cheese|haslet|faggots?|pudding|haggis)\b/i;
/** Flat, small or liquid: the middle is near. */
const SMALL =
  /\b(?:pasty|pasties|patt(?:y|ies)|meatballs?|rissoles?|hand pies?|dumplings?|sliced|diced|sauce|soup|stew|rago[uû]t?|broth)\b/i;
const PIECES =
  /\b(\d{1,2}|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve)\s+(?:\w+\s+){0,2}?(?:pies|terrines|loaves|tins|moulds|dishes|rolls|joints|puddings|pieces)\b/i;

/** Meat and pastry with their water. Source: the heat tables of the calculations, pork minced. */
const BODY = { k: 0.45, rho: 1050, cp: 3400 } as const;
/** Still air of a fridge at 4 °C about a piece on a rack, and water about its tin or bag, W/m²K, radiation counted. */
const [FRIDGE, ICE_WATER, COLD_WATER] = [
  { h: 9, tEnv: 4, said: "in the fridge" },
  { h: 60, tEnv: 2, said: "in ice water" },
  { h: 60, tEnv: 14, said: "in cold water" },
] as const;
type Around = typeof FRIDGE | typeof ICE_WATER | typeof COLD_WATER;
const aroundOf = (step: PartStep): Around =>
  /\bice\b/i.test(step.words) ? ICE_WATER : /\bcold water\b|\bsink\b/i.test(step.words) ? COLD_WATER : FRIDGE;
/** From here on the two stages are counted, and what is cooked is hotter. */
const FROM_C = 57;
const MARK_C = 21;
/** The rule asks for 2 h; twice that is left to the judgement of whoever bakes small pies and terrines. */
const LONGEST_MIN = 240;
const KG = { low: 0.3, high: 20 };

/** How many pieces it is: tins that it is baked in, or what its words say; undefined where it is several and nobody says how many. */
function piecesOf(part: Part): number | undefined {
  const tins = part.steps.flatMap((s) => s.step.uses ?? []).find((u) => /tin|mould|terrine|loaf/.test(u.what));
  if (tins) return Math.max(1, tins.count ?? 1);
  const words = [part.component.name, part.method.name ?? "", outputOfPart(part)?.name ?? "", ...part.steps.map((s) => s.words)].join(". ");
  const said = PIECES.exec(words);
  if (said) return numberAt(words, said.index, true)?.value;
  return /\b(?:pies|terrines|loaves|galantines|ballotines|roulades|puddings)\b/i.test(words) ? undefined : 1;
}

/** Put so thin that its middle is near. */
const SPREAD =
  /\b(?:shallow|flat|thin(?:ly)?)\b|\b(?:small|individual|single) (?:moulds?|tins?|terrines?|pots?|dishes|jars|portions)\b|\bramekins?\b/i;
/** The meat is taken out of what it was cooked in. */
const PICKS = /\b(?:pick|lift(?:ed)? out|drain|take (?:it|them|the meat) out|strip|pull)\b/i;

/** Baked in a long tin, or rolled: three times as long as it is thick. */
const LONG = /\b(?:terrines?|p[aâ]t[eé]s?|loa(?:f|ves)|galantines?|ballotines?|roulades?|rolled|haslet)\b/i;
const SLENDER = 3;

/** Pages ask for the same pieces again and again, and conduction takes some milliseconds. */
const known = new Map<string, number>();
const MOST_KNOWN = 64;
/** Minutes until the middle of a piece is down from 57 to 21 °C. */
function minutesFor(kg: number, isLong: boolean, around: Around): number {
  const key = `${kg} ${isLong} ${around.said}`;
  const kept = known.get(key);
  if (kept !== undefined) return kept;
  if (known.size >= MOST_KNOWN) known.clear();
  const minutes = cooledIn(kg, isLong, around);
  known.set(key, minutes);
  return minutes;
}

function cooledIn(kg: number, isLong: boolean, { h, tEnv }: Around): number {
  const halfM = isLong ? (kg / BODY.rho / (2 * SLENDER * Math.PI)) ** (1 / 3) : equivalentHalf({ massKg: kg, shape: "sphere" }).value;
  const { timesS } = conductionTimes({
    geometry: isLong ? "cylinder" : "sphere",
    halfM,
    t0: FROM_C,
    ...BODY,
    h,
    tEnv,
    marks: [MARK_C],
    stepS: 60,
  });
  return (timesS[MARK_C] ?? Number.POSITIVE_INFINITY) / 60;
}

/** The last step that cooks it, where it goes cold afterwards. */
function cooledAfter(part: Part): PartStep | undefined {
  const at = part.steps.findLastIndex(killsGerms);
  const later = part.steps.slice(at);
  const cold = later.some((s) => /\b(?:cool|chill)/i.test(s.name) || s.step.makes?.some((o) => o.holds?.some((h) => h.place === "fridge")));
  return at >= 0 && cold ? (later.find((s) => /\b(?:cool|chill)/i.test(s.name)) ?? part.steps[at]) : undefined;
}

export function solidCooling({ parts, journeys }: SafetyScene): Finding[] {
  return parts.flatMap((part): Finding[] => {
    const name = `${part.component.name} ${part.method.name ?? ""}`;
    const step = cooledAfter(part);
    if (!step || !PACKED.test(`${name} ${part.steps.map((s) => s.name).join(" ")}`) || SMALL.test(name)) return [];
    const ofFlesh = journeys.some(
      (j) => (isRawFlesh(j.item) || isOf("mince", "poultry-mince", "sausage")(j.item)) && j.visits.some((v) => v.part === part),
    );
    if (!ofFlesh || part.steps.slice(part.steps.findLastIndex(killsGerms)).some((s) => SPREAD.test(s.words))) return [];
    const pieces = piecesOf(part);
    const picked = part.steps.some((s) => PICKS.test(s.name));
    const isLeft = (i: Item) => !(picked && isOf("water", "stock")(i));
    const out = part.steps.slice(part.steps.indexOf(step)).flatMap((s) => s.step.makes ?? [])[0] ?? outputOfPart(part);
    const kilos = litresOf(out, part.k) ?? part.items.reduce((sum, i) => sum + (isLeft(i) ? Math.max(i.grams, i.mL) : 0), 0) / 1000;
    if (pieces === undefined || kilos / pieces < KG.low || kilos / pieces > KG.high) return [];
    const each = kilos / pieces;
    const around = aroundOf(step);
    const isLong = LONG.test(`${name} ${part.steps.map((s) => s.name).join(" ")}`);
    const minutes = minutesFor(each, isLong, around);
    if (minutes <= LONGEST_MIN) return [];
    const rounded = (m: number) => spokenDuration(Math.round(m / 15) * 15);
    const weight = (kg: number) => (kg < 1 ? `${Math.round(kg * 100) * 10} g` : `${Number(kg.toPrecision(2))} kg`);
    return [
      cautioned("large-pot-cooling", step.ref, {
        component: part.component.id,
        step: step.ref,
        severity: "warn",
        title: `${part.component.name} cools too slowly in the middle`,
        computed: `${pieces > 1 ? `Each of the ${pieces} pieces weighs ${weight(each)}` : `In one piece of ${weight(each)}`}: about ${rounded(minutes)} ${around.said} from ${FROM_C} to ${MARK_C} °C in the middle. It should be 2 hours.`,
        way: `Make smaller ones: a piece of ${weight(each / 4)} takes about ${rounded(minutesFor(each / 4, isLong, around))}. Or put it into the fridge as soon as it stops steaming, on a rack, with a fan or ice packs round it`,
      }),
    ];
  });
}

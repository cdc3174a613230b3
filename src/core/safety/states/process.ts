// What a step does to the food in it: which heat and how far it reaches, and what else is done that matters to safety.
// Taken from what the step says with figures (probe, temperature, minutes, equipment), and from its words where it says none.
import type { FoodClass } from "../../foods/table";
import { CalculationError } from "../../measures/calculation-error";
import { bagPasteurise } from "../../measures/heat/pasteurise";
import { likelyMinutes, type PartStep } from "../part";

type Medium = "boil" | "simmer" | "steam" | "pressure" | "oven" | "grill" | "deep-fry" | "pan" | "bath" | "slow" | "smoke" | "warm";

export interface Heat {
  readonly medium: Medium;
  /** Of oven, bath, grill or smoker. */
  readonly tempC?: number;
  readonly minutes: number;
  /** What the probe is taken to in the middle, by the dish; the rest's warmth counts. */
  readonly coreC?: number;
  /** Browned outside, and said to be no more than that. */
  readonly surfaceOnly: boolean;
  /** Said to be cooked in part. */
  readonly partly: boolean;
  /** Thickness of what lies in a bath, mm, where the words say it. */
  readonly thicknessMm?: number;
}

const SLOW = /slow[- ]?cooker|slow pot|crock|haybox|hay box|thermos|flask/i;
const PRESSURE = /pressure/i;
const BATH = /\b(?:water[- ]bath|sous[- ]?vide|circulator)\b/i;
const DEEP_FRY =
  /\bdeep[- ]?fr|\bfr(?:y|ied|ying)\b[^.]*\b(?:deep|hot) (?:oil|fat|lard|dripping)|\bin (?:deep|hot) (?:oil|fat)\b|\bfryer\b/i;
const BOIL = /\b(?:boil(?!ed\b|ing (?:hot )?water)|rolling boil|parboil|par-boil|blanch|scald|bubbl(?:e|ing)|reduce)/i;
const SIMMER =
  /\b(?:simmer|poach|stew|braise|blip|seethe|coddle|cook (?:gently|slowly|down|until|the|in|on|over)|trembl|shiver|murmur|tick(?:ing)? over|(?:low|gentle|medium|high|moderate) heat\b|on the (?:hob|stove)\b|infuse over heat|render|confit|caramelis|caramelize)/i;
const STEAM = /(?<!\ba )(?<!\bthe )\bsteam(?:s|ed)?\b(?! (?:hole|vent|escape|out))/i;
const OVEN = /\b(?:bake|roast|oven|gratin|blind[- ]bake|dehydrat|baked|roasted)\b/i;
const GRILL = /\b(?:grill|griddle|barbecue|bbq|coals?|embers?|broil|spit)/i;
const PAN =
  /\b(?:fry|fried|frying|saut|stir-?fry|sear|brown|pan-|toast(?! ?s?$)(?= (?:the|in|on|until|dry|them|it)|ed\b|ing\b)|sweat|colour|crisp|sizzle|cook|heat|wilt|soften|wok\b|char(?:s|red|ring)?\b|in (?:hot|foaming|melted|browned) butter|over (?:a |the |an open )?flames?|blow-?torch)/i;
const SMOKE = /\b(?:smoke|smoker|smoking)\b/i;
const WARM = /\b(?:warm|melt|temper|infuse|blood heat|lukewarm|bloom|loosen|keep hot|keep warm)\b/i;
/** What only warms may stand beside what cooks: "melt the butter and fry the chicken". */
const COOKS =
  /(?<!\b(?:the|a|your) )\b(?:fry|fries|frying|saut\S*|stir-?fry\w*|simmer\w*|poach\w*|stew\w*|brais\w*|bak(?:e|es|ing)|roast(?:s|ing)?|grill(?:s|ing)?|cook (?:through|until|the|for))\b/i;
const SURFACE = /\b(?:sear|brown|char|scorch|torch|blister|flash-?fry|flame|colour|seal (?:the|in|all))/i;
const PARTLY =
  /\b(?:half|par|part|partly|partially|two thirds)[- ]?(?:cook|roast|boil|bake|fry|fried|grill|smoke|braise|done)|\bunder-?cook|\bhalf[- ]?way\b|\bfor half (?:the|its) time|\bcoddl/i;
const NO_HEAT = /\b(?:(?:switched|turned)[- ]off|without heat|off the heat|no heat|cold[- ]smok|no-?cook|uncooked|raw)\b/i;
/** A probe shows what the food has, not what it is kept at, where a step only keeps or rests it. */
const KEEPS = /\b(?:keep(?:s|ing)? (?:it |them )?(?:warm|hot|at)\b|rest(?:s|ing)?\b|hold)/i;

const millimetres = (words: string): number | undefined => {
  const [, number, unit] = /(\d+(?:\.\d+)?)\s*(mm|cm)\b/i.exec(words) ?? [];
  return number === undefined ? undefined : Number(number) * (unit?.toLowerCase() === "cm" ? 10 : 1);
};

/** A spoonful fried to taste the seasoning cooks none of the rest. */
const SAMPLE = /\bfry (?:a|one) (?:small |little )?(?:piece|bit|spoonful|sample|taste|patty|pinch)/i;
const THAW = /\b(?:thaw(?!ed)|defrost(?!ed)|un-?freeze)/i;

/** Words of heat that heat no food here: an oven that is made ready, a roast that is tied, sugar that is brown. */
const NO_WORK =
  /\b(?:pre-?heat|heat|heat up|light|fire up|warm) (?:up )?(?:the |a |your )?(?:oven|grill|barbecue|bbq|coals?|charcoal|fryer|smoker|water bath|plates?|serving \w+)\b|(?<!\b(?:begin|start|continue|finish|resume|with) )\b(?:the|a|an|your|each|every|pot) (?:roast|braise|stew|fry|bake|simmer)\b|\b(?:brown|toasted|roasted|baked|fried|grilled|smoked|crisp) (?:sugar|rice|bread|paper|lentils?|beans?|flour|shrimps?|mushrooms?|crumbs?|breadcrumbs?|apples?|lettuce|leaves|salad|onions?)\b|\b(?:roasting|baking|frying|grilling|cooking) (?:tins?|trays?|dish|pan|sheet|paper|parchment|juices|foil|rack)\b|\boven[- ](?:ready|proof|safe)\b|\bfor (?:the )?colour\b/gi;
const atWork = (name: string): string => name.replaceAll(NO_WORK, " ").trim();

function mediumOf({ step, name: said, words }: PartStep): { medium: Medium; tempC?: number } | undefined {
  if (THAW.test(said) || SAMPLE.test(said)) return undefined;
  const name = atWork(said);
  // Nothing is left of it but the making ready.
  if (name !== said && !/[a-z]{3}/i.test(name.replaceAll(/\b(?:and|the|for|until|very|hot|up|to)\b/gi, ""))) return undefined;
  const uses = step.uses ?? [];
  const use = (...kinds: string[]) => uses.find((u) => kinds.includes(u.what));
  const kinds = uses.map((u) => u.what.replaceAll("-", " ")).join(" ");
  const at = (u: { readonly tempC?: number | undefined } | undefined) => (u?.tempC === undefined ? {} : { tempC: u.tempC });
  const bath = use("bath");
  if (bath || (BATH.test(name) && !use("oven") && !/bain[- ]marie/i.test(name))) return { medium: "bath", ...at(bath) };
  if (SLOW.test(`${kinds} ${name}`)) return { medium: "slow" };
  if (PRESSURE.test(`${kinds} ${name}`)) return { medium: "pressure" };
  if (step.boils) return { medium: "boil" };
  const tools = `${kinds} ${name}`;
  if (/air ?-?fryer/i.test(tools)) return { medium: "oven" };
  if (/rice cooker|multi-?cooker|microwave|kettle/i.test(tools)) return { medium: "simmer" };
  if (/dehydrator|yogh?urt maker|proofer|proving (?:box|drawer)/i.test(tools)) return { medium: "warm", ...at(uses[0]) };
  if (/griddle|plancha|comal|tawa|waffle iron|skillet/i.test(kinds)) return { medium: "pan" };
  if (DEEP_FRY.test(words) || /fryer/.test(kinds)) return { medium: "deep-fry" };
  const smoker = use("smoker");
  if (smoker || (SMOKE.test(name) && !/smok(?:ed|y|ing) /.test(name)))
    return NO_HEAT.test(words) ? undefined : { medium: "smoke", ...at(smoker ?? use("oven", "grill")) };
  const oven = use("oven") ?? uses.find((u) => /oven|tandoor|kiln/.test(u.what));
  if (oven) return KEEPS.test(name) && !COOKS.test(name) ? { medium: "warm", ...at(oven) } : { medium: "oven", ...at(oven) };
  const grill = use("grill") ?? uses.find((u) => /grill|barbecue|coals|fire/.test(u.what));
  if (grill) return { medium: "grill", ...at(grill) };
  if (/steamer/.test(kinds) || STEAM.test(name)) return { medium: "steam" };
  const burner = use("burner") ?? uses.find((u) => /hob|stove|ring|wok|pan|induction/.test(u.what));
  if (NO_HEAT.test(name)) return undefined;
  if (WARM.test(name) && !BOIL.test(name) && !COOKS.test(name)) return { medium: "warm" };
  if (BOIL.test(name)) return { medium: "boil" };
  if (SIMMER.test(name)) return { medium: "simmer" };
  if (burner) return { medium: PAN.test(name) ? (/\bcook\b|\bheat\b/i.test(name) ? "simmer" : "pan") : "simmer" };
  if (OVEN.test(name)) return { medium: "oven" };
  if (GRILL.test(name)) return { medium: "grill" };
  if (PAN.test(name)) return { medium: "pan" };
  if ((step.done?.probeC ?? 0) >= 45) return { medium: "simmer" };
  return undefined;
}

/** Rules ask for the same steps again and again. */
const KNOWN = new WeakMap<PartStep, Heat | null>();
/** The heat of a step, if it has any. */
export function heatOf(step: PartStep): Heat | undefined {
  const known = KNOWN.get(step);
  if (known !== undefined) return known ?? undefined;
  const heat = readHeat(step);
  KNOWN.set(step, heat ?? null);
  return heat;
}

function readHeat(step: PartStep): Heat | undefined {
  const medium = mediumOf(step);
  if (!medium) return undefined;
  const probe = Math.max(step.step.done?.probeC ?? 0, step.step.done?.restToC ?? 0);
  const thicknessMm = millimetres(step.words);
  return {
    ...medium,
    minutes: likelyMinutes(step.step),
    ...(probe > 0 ? { coreC: probe } : {}),
    surfaceOnly:
      SURFACE.test(step.name) &&
      !/\bthrough\b|until (?:cooked|done)/i.test(step.words) &&
      (medium.medium === "pan" || medium.medium === "grill"),
    partly: PARTLY.test(step.words),
    ...(thicknessMm === undefined ? {} : { thicknessMm }),
  };
}

/** A chop or a breast: what lies in a bath where nothing says how thick it is, mm. */
const THICK_MM = 35;
/** Things so small that a few minutes reach their middle. */
const SMALL: ReadonlySet<FoodClass> = new Set([
  "egg",
  "crustacean",
  "bivalve",
  "cephalopod",
  "fish",
  "fish-freshwater",
  "fish-scombroid",
  "flour",
  "vegetable",
  "allium",
  "mushroom",
  "pulse",
  "sausage",
  "offal",
  "poultry-offal",
]);

/**
 * About how hot the middle of a food gets, °C: by the probe where one is said, else by what the heat and its minutes are known to do.
 * Of a bath it is the bath's own where its time is enough for the food's logs, and less where it is not.
 */
export function coreReached(heat: Heat, kind: FoodClass): number {
  if (heat.coreC !== undefined) return heat.coreC;
  if (heat.partly) return 50;
  if (heat.surfaceOnly) return kind === "bivalve" && heat.minutes >= 3 ? 62 : 35;
  const { minutes, tempC } = heat;
  const few = SMALL.has(kind);
  switch (heat.medium) {
    case "boil":
      return minutes >= (few ? 3 : 8) ? 96 : 60;
    case "simmer":
      return minutes >= (few ? 4 : 8) ? 90 : 60;
    case "steam":
      return minutes >= (few ? 4 : 12) ? 92 : 60;
    case "pressure":
      return 110;
    case "slow":
      return minutes >= 180 ? 85 : 55;
    case "deep-fry":
      return minutes >= 3 ? 85 : 50;
    case "pan":
      return minutes >= (few ? 3 : 8) ? 78 : 50;
    case "grill":
      return minutes >= (few ? 4 : 8) ? 78 : 50;
    case "oven":
      if (tempC === undefined || tempC >= 100) return minutes >= (few ? 6 : 12) ? 90 : 45;
      if (tempC >= 80) return minutes >= 60 ? tempC - 5 : 50;
      return minutes >= 240 ? tempC - 5 : Math.min(tempC, 45);
    case "smoke":
      return tempC !== undefined && tempC >= 100 && minutes >= 60 ? 75 : 25;
    case "warm":
      return Math.min(tempC ?? 45, 45);
    case "bath":
      return bathReached(heat, kind);
    default:
      return 0;
  }
}

const ORGANISM = (kind: FoodClass): string =>
  kind.startsWith("poultry")
    ? "salmonellaPoultry"
    : kind === "egg"
      ? "salmonellaEgg"
      : kind === "mince" || kind === "sausage"
        ? "ecoliMince"
        : "salmonellaRedMeat";
/** In a bath all turns on time: as hot as what is wanted where the logs are reached, as cool as the bath where they are not. */
function bathReached({ tempC = 60, minutes, thicknessMm = THICK_MM }: Heat, kind: FoodClass): number {
  const needed = bathMinutes(tempC, thicknessMm, kind);
  return minutes >= needed ? 75 : Math.min(tempC, 54);
}

/** Minutes that a food of such a thickness needs in a bath; Infinity where it never gets there in time. */
export function bathMinutes(tempC: number, thicknessMm: number, kind: FoodClass): number {
  try {
    return bagPasteurise({
      thicknessMm: Math.min(150, Math.max(3, thicknessMm)),
      tStart: 5,
      tBath: Math.min(100, Math.max(30, tempC)),
      organism: ORGANISM(kind),
    }).minutes;
  } catch (error) {
    if (error instanceof CalculationError) return Number.POSITIVE_INFINITY;
    throw error;
  }
}

/** Whether a heat cooks whatever it holds all through: enough for soups, sauces, doughs, vegetables. */
export const cooksThrough = (heat: Heat): boolean => coreReached(heat, "vegetable") >= 63;

/** What the core of a food must reach, °C; undefined where a browned outside is enough or nothing is asked. Source: USDA FSIS and FDA Food Code 3-401.11, 2022. */
export function coreNeeded(kind: FoodClass, species: string | undefined): number | undefined {
  switch (kind) {
    case "poultry":
    case "poultry-mince":
    case "poultry-offal":
    case "frog":
      return 74;
    case "mince":
    case "sausage":
    case "offal":
    case "blood":
    case "egg":
      return 71;
    case "meat":
      return species === "pork" ? 63 : species === "rabbit" ? 71 : undefined;
    case "bivalve":
    case "gastropod":
    case "crustacean":
      return 60;
    default:
      return undefined;
  }
}

const MEAT_WORD = "(?:beef|steak|meat|veal|lamb|mutton|venison|pork|fillet|tenderloin|chuck|chicken|turkey|duck)";
/** The meat itself is chopped fine, whatever stands beside it. */
const CHOPS_MEAT = new RegExp(
  `\\b(?:chop|cut|hack|hand-?chop|mince|grind)\\w* (?:up )?(?:the |half the |a third of the )?(?:\\w+ )?${MEAT_WORD}\\b[^.,;]*\\b(?:fine|finely|mincer)\\b|\\b(?:finely (?:chop|cut)|mince|grind|hand-?chop) (?:the )?(?:\\w+ )?${MEAT_WORD}\\b`,
  "i",
);
const MINCES =
  /\b(?:mince|minced|mincer|grind|ground|process(?:or)? (?:the )?meat|tartare)\b|\b(?:chop|cut|hack)\b[^.,;]*\b(?:(?:very|extra) fine|finely)|\bchop fine\b|\bhand-?chop/i;
/** What is chopped fine beside meat. */
const PLANT =
  /\b(?:garlic|onions?|herbs?|shallots?|parsley|chives|chillies|chilies|chilli|ginger|peel|zest|capers|olives|mushrooms?|carrots?|celery|leeks?|cabbage|vegetables?|nuts|almonds|dill|coriander|tomato(?:es)?|pepper|apples?)\b/i;
/** "Pass the lamb twice through the grinder". */
const THROUGH_A_PLATE = new RegExp(
  `\\b(?:pass|put|run|push|feed|send)\\b[^.,;]*\\bthrough (?:the |a )?(?:\\w+ )?(?:grinder|mincer|mincing plate|plate)\\b|\\b${MEAT_WORD}\\b[^.,;]*\\bto a (?:smooth )?paste\\b`,
  "i",
);
/** Words of work that matter to safety, of a step's name. */
export const does = {
  minces: (s: PartStep) => CHOPS_MEAT.test(s.name) || THROUGH_A_PLATE.test(s.name) || (MINCES.test(s.name) && !PLANT.test(s.name)),
  cures: (s: PartStep) =>
    /\b(?:cur(?:e|es|ed|ing)|gravad|salt (?:the|and|it)|dry-?salt|brin(?:e|ed|ing)|ceviche|souse|marinat\w* in (?:the )?(?:lime|lemon|vinegar|citrus)|cold[- ]smok)/i.test(
      s.name,
    ),
  boilsHard: (s: PartStep) =>
    (s.step.boils === true || /\b(?:boil|rolling boil|full boil)/i.test(s.words)) &&
    !/\b(?:without|never|not|no|nor|before it|don't let it|avoid) (?:a |a hard |hard |full )?(?:boil|bubbl)|\b(?:do not|don't) (?:let it )?boil|\bbelow (?:the |a )?boil|\boff the boil/i.test(
      s.words,
    ),
};

// Waits over a limit of safety of the table of holds, as the dish allows them or as the plan has them; rice that waits; things under oil, in jars, in bags.
import { withStep } from "../../dish/edit/places";
import type { DishFile, Hold } from "../../dish/schema";
import { HOLDS_SOURCE, longestMinutes } from "../../foods/holds";
import { pickleAcidity } from "../../measures/pickle";
import { durationText, minutesOf, spokenDuration } from "../../time/duration";
import { cautioned, doublings, type Finding } from "../finding";
import { gramsOf, type Item, isOf, likelyMinutes, mLOf, type Part, type PartStep } from "../part";
import { DRY, isPotato, isRawFlesh, killsGerms, type SafetyScene } from "../scene";
import { heatOf } from "../states/process";

type Place = "counter" | "fridge" | "freezer" | "hot" | "cellar" | "none";
const WHERE: Readonly<Record<string, string>> = {
  counter: "on the counter",
  fridge: "in the fridge",
  freezer: "in the freezer",
  hot: "kept hot",
  cellar: "in the cellar",
};

interface Kept {
  readonly part: Part;
  readonly step: PartStep;
  readonly output: string;
  readonly name: string;
  readonly place: Place;
  /** The longest that the dish allows; undefined for no limit. */
  readonly max: number | undefined;
  /** The longest that the plan has it there. */
  readonly planned: number | undefined;
}

function keptOf({ parts, view }: SafetyScene): readonly Kept[] {
  return parts.flatMap((part) =>
    part.steps.flatMap((step) =>
      (step.step.makes ?? []).flatMap((o) =>
        (o.holds ?? []).map((h): Kept => {
          const waits = (view?.waits ?? []).filter(
            (w) => w.component === part.component.id && w.fromStep === step.ref && w.place === h.place && w.name === (o.name ?? o.id),
          );
          return {
            part,
            step,
            output: o.id,
            name: o.name ?? o.id,
            place: h.place,
            max: h.max === undefined ? undefined : minutesOf(h.max),
            planned: waits.length ? Math.max(...waits.map((w) => w.to - w.from)) : undefined,
          };
        }),
      ),
    ),
  );
}

/** The holds of the output changed. */
const rehold = (k: Kept, change: (holds: readonly Hold[]) => readonly Hold[]) => (d: DishFile) =>
  withStep(d, k.step.place, (s) => ({
    ...s,
    makes: (s.makes ?? []).map((o) => (o.id === k.output ? { ...o, holds: [...change(o.holds ?? [])] } : o)),
  }));
const limited = (k: Kept, minutes: number) => ({
  label: `${spokenDuration(minutes)} at most ${WHERE[k.place] ?? ""}`.trim(),
  apply: rehold(k, (holds) => holds.map((h) => (h.place === k.place ? { ...h, max: durationText(minutes), limit: "safety" as const } : h))),
});
const moved = (k: Kept, to: "fridge" | "freezer", minutes: number) => ({
  label: `In the ${to}, ${spokenDuration(minutes)} at most`,
  apply: rehold(k, (holds) => [
    ...holds.filter((h) => h.place !== k.place && h.place !== to),
    { place: to, litres: holds.find((h) => h.place === k.place)?.litres ?? 1, max: durationText(minutes), limit: "safety" as const },
  ]),
});
const at = (k: Kept) => ({
  component: k.part.component.id,
  step: k.step.ref,
  basis: (k.planned ?? 0) >= (k.max ?? Number.POSITIVE_INFINITY) ? ("planned" as const) : ("allowed" as const),
});
/** What the dish allows, and what the plan has: the longer of both is the hazard, for what is left over waits as long as it may. */
const longest = (k: Kept) => Math.max(k.planned ?? 0, k.max ?? Number.POSITIVE_INFINITY);
/** "waits 3 days" by the plan, "may wait 21 days" by the dish. */
const waits = (k: Kept) => ((k.planned ?? 0) >= longest(k) ? `waits ${spoken(longest(k))}` : `can wait ${spoken(longest(k))}`);
const spoken = (minutes: number) => (Number.isFinite(minutes) ? spokenDuration(minutes) : "as long as you like");

const RAW_ROWS: ReadonlySet<string> = new Set(
  "pastaFresh dumplingsRaw minceRaw sausageFreshRaw drySalted wetBrined curedNitrite marinatedOther fishCured doughYeastBulk doughYeastShaped doughLaminated doughEnriched batterPancake preferment sourdoughStarter pastryShort".split(
    " ",
  ),
);
const POTATO_ROWS: ReadonlySet<string> = new Set(["mash", "boiledPotato"]);

/** What the table of holds forbids for safety's sake, by the words of the output's name. */
export function heldTooLong(scene: SafetyScene): Finding[] {
  return keptOf(scene).flatMap((k): Finding[] => {
    if (k.place !== "counter" && k.place !== "fridge" && k.place !== "hot") return [];
    const known = longestMinutes(k.name, k.place);
    if (!known?.safety) return [];
    // What a row says of raw food says nothing of it cooked, and the name of one food nothing of another.
    const cooked = k.part.steps.slice(0, k.part.steps.indexOf(k.step) + 1).some(killsGerms);
    if (cooked && RAW_ROWS.has(known.id)) return [];
    if (POTATO_ROWS.has(known.id) && !k.part.items.some((i) => /potato/.test(i.food?.food.id ?? ""))) return [];
    // A mayonnaise without an egg is none of raw egg.
    if (known.id === "mayonnaiseRaw" && !k.part.items.some((i) => isOf("egg")(i) || /mayonnaise|aioli/i.test(i.ingredient.name))) return [];
    const allowed = k.max ?? Number.POSITIVE_INFINITY;
    const planned = k.planned ?? 0;
    if (allowed <= known.minutes && planned <= known.minutes) return [];
    const inPlan = planned > known.minutes;
    return [
      {
        ...cautioned("cooked-then-warm", `hold:${k.part.component.id}.${k.output}:${k.place}`, {
          ...at(k),
          basis: inPlan ? "planned" : "allowed",
          severity: inPlan || (k.place === "counter" && known.minutes > 0 && allowed > Math.max(240, 2 * known.minutes)) ? "stop" : "warn",
          title: `${k.name} can wait too long`,
          known: doublings(inPlan ? planned : allowed),
          computed: `${inPlan ? `It waits ${spokenDuration(planned)}` : `It can wait ${spoken(allowed)}`} ${WHERE[k.place]}; ${known.minutes === 0 ? `${known.row.toLowerCase()} is not kept there` : `${known.row.toLowerCase()} keeps ${spokenDuration(known.minutes)} there`}.`,
          way: "a shorter wait, or a colder place",
          mends: known.minutes > 0 ? [limited(k, known.minutes)] : [],
        }),
        caution: "Past a safety limit, food can be unsafe without smelling or tasting bad.",
        source: HOLDS_SOURCE,
      },
    ];
  });
}

const DAY = 1440;
/** Warm standing of cooked food, min: two hours are told, four hours are a danger. Source: USDA FSIS two-hour rule, 2020. */
const [WARM_TOLD, WARM_MOST] = [120, 240];
/** Food of flesh, stock, rice or pulses: wet, hardly sour, with nothing that keeps it. */
function isMoist(part: Part): boolean {
  if (["cure", "dry", "ferment", "pickle", "dough", "oil", "sausage"].includes(part.component.kind)) return false;
  const all = gramsOf(part, (i) => !isOf("water")(i));
  const moist = gramsOf(
    part,
    (i) =>
      isRawFlesh(i) ||
      isPotato(i) ||
      isOf("stock", "rice", "pasta", "egg", "pulse", "pulse-lectin", "pulse-canned", "milk", "cream", "cured-cooked")(i),
  );
  return all > 0 && moist >= 0.3 * all && gramsOf(part, isOf("sugar", "flour", "flour-free", "chocolate", "nut")) < 0.25 * all;
}
/** Cooked food that the dish lets stand in the warm, whatever it is called. */
export function standsWarm(scene: SafetyScene): Finding[] {
  return keptOf(scene).flatMap((k): Finding[] => {
    if (k.place !== "counter" && k.place !== "cellar" && k.place !== "none") return [];
    // Where the table of holds knows it by its name, that says it.
    if (DRY.test(k.name) || (k.place === "counter" && longestMinutes(k.name, k.place)?.safety)) return [];
    const cooked = k.part.steps.slice(0, k.part.steps.indexOf(k.step) + 1).some(killsGerms);
    const minutes = longest(k);
    if (!cooked || minutes <= WARM_TOLD || !isMoist(k.part) || acidPct(k.part) >= SOUR_PCT) return [];
    // Sealed in jars it is judged as a jar.
    if (SEALED.test(k.part.steps.map((s) => s.words).join(" ")) && minutes > DAY) return [];
    return [
      cautioned("cooked-then-warm", `stands:${k.part.component.id}.${k.output}:${k.place}`, {
        ...at(k),
        severity: minutes > WARM_MOST ? "stop" : "warn",
        title: `${k.name} can be warm too long`,
        known: doublings(minutes),
        computed: `It ${waits(k)} ${WHERE[k.place] ?? "in the warm"} after it is cooked; two hours at most if it is kept, four if it is eaten.`,
        way: "a shorter wait, the fridge, or kept hot above 60 °C",
        mends: [limited(k, WARM_TOLD), moved(k, "fridge", 2 * DAY)],
      }),
    ];
  });
}

/** Cooked rice in the warm, min (Food Standards Agency, rice: within the hour). */
const RICE_WARM_MIN = 60;
const isCookedRice = (part: Part) => part.items.some(isOf("rice")) && part.steps.some(killsGerms) && part.component.kind !== "dry";
/** The step after its cooking in which it cools by itself for longer than it may be warm. */
const coolingSlowly = (part: Part) =>
  part.steps
    .slice(part.steps.findLastIndex(killsGerms) + 1)
    .find(
      (s) =>
        /\b(?:cool|leave|stand|rest)/i.test(s.name) &&
        !/fridge|refrigerat|\bice\b|chill|cold|freez/i.test(s.words) &&
        !(s.step.uses ?? []).some((u) => u.what === "fridge" || u.what === "freezer") &&
        heatOf(s) === undefined &&
        likelyMinutes(s.step) > RICE_WARM_MIN,
    );
export function rice(scene: SafetyScene): Finding[] {
  const cooling = scene.parts.filter(isCookedRice).flatMap((part): Finding[] => {
    const slow = coolingSlowly(part);
    if (!slow) return [];
    return [
      cautioned("rice-cooling", slow.ref, {
        component: part.component.id,
        step: slow.ref,
        computed: `Cooked rice is warm for ${spokenDuration(likelyMinutes(slow.step))} in “${slow.name}”; ${spokenDuration(RICE_WARM_MIN)} at most, then the fridge.`,
        mends: [
          {
            label: "Spread it on a tray and put it in the fridge within an hour",
            apply: (d) => withStep(d, slow.place, (s) => ({ ...s, name: `${s.name ?? ""}, spread on a tray`, time: "45m" })),
          },
        ],
      }),
    ];
  });
  const kept = keptOf(scene).flatMap((k): Finding[] => {
    // Short of a limit nothing is asked of grains that are toasted, ground or dry.
    if (!isCookedRice(k.part)) return [];
    const limit = k.place === "fridge" ? DAY : k.place === "counter" || k.place === "cellar" ? RICE_WARM_MIN : undefined;
    if (limit === undefined || longest(k) <= limit) return [];
    return [
      cautioned("rice-cooling", `${k.part.component.id}.${k.output}:${k.place}`, {
        ...at(k),
        computed: `Cooked rice ${waits(k)} ${WHERE[k.place]}; ${spokenDuration(limit)} at most.`,
        mends: k.place === "fridge" ? [limited(k, limit)] : [moved(k, "fridge", DAY)],
      }),
    ];
  });
  return [...cooling, ...kept];
}

/** What a spoonful of lemon juice does not reach: acid of all that is in the jar, as vinegar or lemon of 5 % bring it. */
const SOUR_PCT = 1;
function acidPct(part: Part): number {
  const sours = part.items.filter((i) => i.food?.food.acid !== undefined);
  const vinegar = mLOf(part, (i) => sours.includes(i));
  if (!(vinegar > 0)) return 0;
  const strength = sours.reduce((sum, i) => sum + mLOf(part, (x) => x === i) * (i.food?.food.acid ?? 0), 0) / vinegar;
  const produceG = gramsOf(part, (i) => !sours.includes(i) && !isOf("water", "salt", "sugar", "oil", "spice")(i));
  return pickleAcidity({
    vinegar_mL: vinegar,
    vinegarPct: Math.min(20, Math.max(3, strength)),
    water_mL: mLOf(part, isOf("water")),
    produceG,
  }).equilibriumAcidPct;
}

const UNDER =
  /\b(?:cover|submerge|under|confit|steep|infus|pack|top up|drown|bury|layer|preserve)\w*\b.*\b(?:oil|honey|fat|butter)\b|\b(?:oil|honey)\b.*\b(?:cover|submerge|over it|and strain|on top)|\bconfit\b|\bin (?:the |its )?(?:oil|honey)\b|\b(?:garlic|herb|basil|chilli|wild garlic|parsley|infused) oil\b|\bdown in (?:oil|honey)\b/i;
/** Plants of little acid and much water: what grows where no air comes. */
const isLowAcidPlant = (i: Item) =>
  isOf("allium", "vegetable", "chilli", "mushroom", "mushroom-wild", "herb", "tomato", "pulse", "pulse-lectin")(i) &&
  i.food?.dried !== true &&
  !/\bdried|powder|flakes?\b/i.test(i.ingredient.name);
/** An oil made with a plant in it, or a plant put up under one. */
const BLENDED = /\b(?:blitz|blend|pur[eé]e|pound|grind|process|whizz|crush)/i;
const isUnder = (part: Part, name: string, place: string, minutes: number) => {
  // A pesto in a cupboard is a plant under oil, whatever it is called; in the fridge it is a sauce.
  if (place !== "fridge" && minutes > DAY && part.steps.some((s) => BLENDED.test(s.words))) return true;
  const words = `${part.component.name} ${part.method.name ?? ""} ${name} ${part.steps.map((s) => s.words).join(". ")}`;
  return UNDER.test(words) || (part.component.kind === "oil" && part.items.some(isLowAcidPlant));
};
const COVERS = /\b(?:cover|submerge|under|top up|confit)\w*\b[^.]*\boil\b/i;
export function underOil(scene: SafetyScene): Finding[] {
  return keptOf(scene).flatMap((k): Finding[] => {
    const { part } = k;
    if (acidPct(part) >= SOUR_PCT) return [];
    const cover = part.items.find((i) => isOf("oil", "honey")(i) && !/fry|tin\b|greas/i.test(i.ingredient.name));
    const plant = part.items.find(isLowAcidPlant);
    // The oil of a deep fryer is not what the food is kept in.
    if (part.steps.some((s) => heatOf(s)?.medium === "deep-fry") && !part.steps.some((s) => COVERS.test(s.words))) return [];
    const enough = cover !== undefined && gramsOf(part, (i) => i === cover) >= 0.25 * gramsOf(part, isLowAcidPlant);
    if (!cover || !plant || !enough || !isUnder(part, k.name, k.place, longest(k)) || part.component.kind === "ferment") return [];
    const limit = k.place === "fridge" ? 3 * DAY : k.place === "counter" || k.place === "cellar" ? 120 : undefined;
    if (limit === undefined || longest(k) <= limit) return [];
    return [
      cautioned("oil-garlic-herb", `${part.component.id}.${k.output}:${k.place}`, {
        ...at(k),
        ...(isOf("honey")(cover) ? { title: "Garlic or vegetables under honey" } : {}),
        computed: `${plant.ingredient.name} under ${isOf("honey")(cover) ? "honey" : "oil"} ${waits(k)} ${WHERE[k.place]}; ${spokenDuration(limit)} at most.`,
        mends: k.place === "fridge" ? [limited(k, limit)] : [moved(k, "fridge", 3 * DAY)],
      }),
    ];
  });
}

const SEALED = /\b(?:seal|jars?\b(?! of)|bottle|canning\b|to can\b|preserv|water.?bath|lids? on)/i;
const SWEET = isOf("sugar", "syrup", "honey", "fruit");
/** Set by sugar: more than about a third of all of it. */
const isPreserve = (part: Part) => {
  const sugar = gramsOf(part, isOf("sugar", "syrup", "honey"));
  // Sour and sweet together, boiled down: a chutney.
  if (acidPct(part) >= SOUR_PCT && sugar >= 0.18 * gramsOf(part, (i) => !isOf("water")(i))) return true;
  return (
    sugar > 0 &&
    sugar >= 0.4 * gramsOf(part, (i) => !SWEET(i) && !isOf("water")(i)) &&
    sugar >= 0.3 * gramsOf(part, (i) => !isOf("water")(i))
  );
};
/** Jars that stand outside the fridge: nothing computed here makes one safe, and low acid never is. */
export function jars(scene: SafetyScene): Finding[] {
  return keptOf(scene).flatMap((k): Finding[] => {
    if ((k.place !== "counter" && k.place !== "cellar") || longest(k) <= DAY) return [];
    const { part } = k;
    const kind = part.component.kind;
    if (["dry", "dough", "ferment"].includes(kind) || isPreserve(part) || !SEALED.test(part.steps.map((s) => s.words).join(" "))) return [];
    const acid = acidPct(part);
    // No dish file can say that it follows a tested recipe to the letter, so none of its jars is good for a shelf (shelfStableClaim).
    if (acid >= SOUR_PCT)
      return [
        cautioned("low-acid-jar", `${part.component.id}.${k.output}:${k.place}`, {
          ...at(k),
          severity: "warn",
          title: "A pickle outside the fridge",
          computed: `The jar settles at ${acid.toFixed(1)} % acid, which keeps it in the fridge. ${(WHERE[k.place] ?? "").replace(/^./, (c) => c.toUpperCase())} only a tested recipe, followed exactly, keeps.`,
          way: "the fridge, or a tested recipe for the shelf",
          mends: [moved(k, "fridge", 30 * DAY)],
        }),
      ];
    // Dried pulses are dry no more once they were boiled.
    const pulses = part.steps.some(killsGerms) ? isOf("pulse", "pulse-lectin") : () => false;
    const food = part.items.some(
      (i) => isLowAcidPlant(i) || isRawFlesh(i) || pulses(i) || isOf("stock", "pulse-canned", "milk", "cream", "egg")(i),
    );
    if (!food) return [];
    return [
      cautioned("low-acid-jar", `${part.component.id}.${k.output}:${k.place}`, {
        ...at(k),
        computed: `Jars of ${part.component.name.toLowerCase()} can stay ${spoken(longest(k))} ${WHERE[k.place]} ${acid > 0 ? `at ${acid.toFixed(1)} % acid, which is too little` : "without enough acid to keep them"}.`,
        mends: [moved(k, "fridge", 3 * DAY), moved(k, "freezer", 60 * DAY)],
      }),
    ];
  });
}

/** Outside the fridge nothing raw lies for as long as this, whatever holds it. */
const MOST_OUT_MIN = 4 * 60;
const BAGGED = /vacuum|vac-?pac|sous[- ]vide|sealed? (?:\w+ )*(?:in )?(?:a )?bags?\b|bag(?:ged)? and seal|\bpouch(?:es)?\b/i;
/** Cooked and chilled in its sealed bag, 5 °C or colder. Source: FDA Food Code 2022, 3-502.12 (D). */
const COOK_CHILL_DAYS = 7;
/** A bath has cooked it through in its bag, which was not opened before it waits. */
function cookedInBag(part: Part, bagged: number, k: Kept): boolean {
  const last = part.steps.indexOf(k.step);
  const cooked = part.steps.findIndex((s, i) => i >= bagged && i <= last && heatOf(s)?.medium === "bath" && killsGerms(s));
  return cooked >= 0 && !part.steps.slice(cooked, last + 1).some((s) => OPENS_BAG.test(s.name));
}
const OPENS_BAG = /\b(?:open|unwrap|unbag|out of the bag)/i;

export function vacuumBags(scene: SafetyScene): Finding[] {
  return keptOf(scene).flatMap((k): Finding[] => {
    const { part } = k;
    if (!BAGGED.test(part.steps.map((s) => s.words).join(" "))) return [];
    // A step that is the wait itself counts as well.
    const bagged = part.steps.findIndex((s) => BAGGED.test(s.words));
    const opened = part.steps.findIndex((s, i) => i >= bagged && (heatOf(s) !== undefined || OPENS_BAG.test(s.name)));
    const lies = part.steps.slice(bagged, opened < 0 ? undefined : opened).some((s) => {
      const kinds = (s.step.uses ?? []).map((u) => u.what).join(" ");
      if (/freez/i.test(`${s.words} ${kinds}`)) return false;
      const cold = /fridge|refrigerat|chill|cold/i.test(`${BAGGED.test(s.words) ? s.words : ""} ${kinds}`);
      return likelyMinutes(s.step) > (cold ? 2 * DAY : MOST_OUT_MIN);
    });
    const mostDays = cookedInBag(part, bagged, k) ? COOK_CHILL_DAYS : 2;
    if (!lies && (k.place !== "fridge" || longest(k) <= mostDays * DAY)) return [];
    if (part.items.some(isOf("curing-salt"))) return [];
    // What is cooked in its bag after the wait, and what is put up in small pots, is judged by its own rules.
    const food = part.items.find((i) => isRawFlesh(i) || isLowAcidPlant(i));
    if (!food) return [];
    return [
      cautioned("vacuum-raw", `${part.component.id}.${k.output}`, {
        ...at(k),
        computed: lies
          ? `${food.ingredient.name} lies without air for longer than it may: 2 days in the fridge at most, and no time outside it.`
          : `${food.ingredient.name} without air ${waits(k)} in the fridge; ${mostDays} days at most.`,
        mends: lies ? [] : [limited(k, mostDays * DAY), moved(k, "freezer", 60 * DAY)],
      }),
    ];
  });
}

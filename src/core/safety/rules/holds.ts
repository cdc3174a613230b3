// Waits over a limit of safety of the table of holds, as the dish allows them or as the plan has them; rice that waits; things under oil, in jars, in bags.
import { withStep } from "../../dish/edit/places";
import { MEAT, NOT_RAW_MEAT } from "../../dish/meat";
import type { DishFile, Hold } from "../../dish/schema";
import { HOLDS_SOURCE, longestMinutes } from "../../foods/holds";
import { pickleAcidity } from "../../measures/pickle";
import { durationText, minutesOf, spokenDuration } from "../../time/duration";
import { cautioned, doublings, type Finding } from "../finding";
import { gramsOf, killsGerms, mLOf, type Part, type PartStep, type SafetyScene } from "../scene";

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
  label: `Into the ${to}, ${spokenDuration(minutes)} at most`,
  apply: rehold(k, (holds) => [
    ...holds.filter((h) => h.place !== k.place && h.place !== to),
    { place: to, litres: holds.find((h) => h.place === k.place)?.litres ?? 1, max: durationText(minutes), limit: "safety" as const },
  ]),
});
const at = ({ part, step }: Kept) => ({ component: part.component.id, step: step.ref });
const longest = (k: Kept) => k.planned ?? k.max ?? Number.POSITIVE_INFINITY;
const spoken = (minutes: number) => (Number.isFinite(minutes) ? spokenDuration(minutes) : "as long as one likes");

/** What the table of holds forbids for safety's sake, by the words of the output's name. */
export function heldTooLong(scene: SafetyScene): Finding[] {
  return keptOf(scene).flatMap((k): Finding[] => {
    if (k.place !== "counter" && k.place !== "fridge" && k.place !== "hot") return [];
    const known = longestMinutes(k.name, k.place);
    if (!known?.safety) return [];
    const allowed = k.max ?? Number.POSITIVE_INFINITY;
    const planned = k.planned ?? 0;
    if (allowed <= known.minutes && planned <= known.minutes) return [];
    const inPlan = planned > known.minutes;
    return [
      {
        ...cautioned("cooked-then-warm", `hold:${k.part.component.id}.${k.output}:${k.place}`, {
          ...at(k),
          severity: inPlan ? "stop" : "warn",
          title: `${k.name} may wait too long`,
          known: doublings(inPlan ? planned : allowed),
          computed: `${inPlan ? `It waits ${spokenDuration(planned)}` : `It may wait ${spoken(allowed)}`} ${WHERE[k.place]}; ${known.minutes === 0 ? `${known.row.toLowerCase()} is not held there` : `${known.row.toLowerCase()} keeps ${spokenDuration(known.minutes)} there`}.`,
          way: "a shorter wait, or a colder place",
          mends: known.minutes > 0 ? [limited(k, known.minutes)] : [],
        }),
        caution: "Past a limit of safety food may be unsafe without smelling or tasting of it.",
        source: HOLDS_SOURCE,
      },
    ];
  });
}

const DAY = 1440;
export function rice(scene: SafetyScene): Finding[] {
  return keptOf(scene).flatMap((k): Finding[] => {
    if (!k.part.ingredients.some((i) => /\brice\b(?! (?:flour|vinegar|paper|wine|noodle))/i.test(i.name)) || !k.part.steps.some(killsGerms))
      return [];
    const limit = k.place === "fridge" ? DAY : k.place === "counter" || k.place === "cellar" ? 60 : undefined;
    if (limit === undefined || longest(k) <= limit) return [];
    return [
      cautioned("rice-cooling", `${k.part.component.id}.${k.output}:${k.place}`, {
        ...at(k),
        computed: `Cooked rice waits ${spoken(longest(k))} ${WHERE[k.place]}; ${spokenDuration(limit)} is the most.`,
        mends: k.place === "fridge" ? [limited(k, limit)] : [moved(k, "fridge", DAY)],
      }),
    ];
  });
}

/** What a spoonful of lemon juice does not reach: acid of all that is in the jar, as vinegar or lemon of 5 % bring it. */
const SOUR_PCT = 1;
function acidPct(part: Part): number {
  const sour = /vinegar|lemon juice/i;
  const vinegar = mLOf(part, sour);
  if (!(vinegar > 0)) return 0;
  const produceG = gramsOf(part, /./, /vinegar|lemon juice|water|salt|sugar|oil/i);
  return pickleAcidity({ vinegar_mL: vinegar, vinegarPct: 5, water_mL: mLOf(part, /water/i), produceG }).equilibriumAcidPct;
}

const OIL = /\b(?:oil|confit)\b/i;
const UNDER =
  /\b(?:cover|submerge|under|confit|steep|infus|pack)\w*\b.*\boil\b|\boil\b.*\b(?:cover|submerge|over it)|\bconfit\b|\bin oil\b|\bgarlic oil\b|\bherb oil\b/i;
const LOW_ACID_PLANT =
  /garlic|shallot|onion|pepper|chill?i|tomato|aubergine|courgette|mushroom|herb|basil|rosemary|thyme|sage|parsley|bean|carrot|beet|squash|artichoke|fennel/i;
export function underOil(scene: SafetyScene): Finding[] {
  return keptOf(scene).flatMap((k): Finding[] => {
    const { part } = k;
    if (acidPct(part) >= SOUR_PCT) return [];
    const oil = part.ingredients.some((i) => OIL.test(i.name) && !/fry/i.test(i.name));
    const plant = part.ingredients.find((i) => LOW_ACID_PLANT.test(i.name));
    if (
      !oil ||
      !plant ||
      !UNDER.test(`${part.component.name} ${part.method.name ?? ""} ${k.name} ${part.steps.map((s) => s.words).join(" ")}`)
    )
      return [];
    const limit = k.place === "fridge" ? 3 * DAY : k.place === "counter" || k.place === "cellar" ? 120 : undefined;
    if (limit === undefined || longest(k) <= limit) return [];
    return [
      cautioned("oil-garlic-herb", `${part.component.id}.${k.output}:${k.place}`, {
        ...at(k),
        computed: `${plant.name} under oil waits ${spoken(longest(k))} ${WHERE[k.place]}; ${spokenDuration(limit)} is the most.`,
        mends: k.place === "fridge" ? [limited(k, limit)] : [moved(k, "fridge", 3 * DAY)],
      }),
    ];
  });
}

const SEALED = /\b(?:seal|jar(?!s? of)|bottle|can(?:ning)?\b|preserv|water.?bath)/i;
const SWEET_OR_SOUR = /jam|marmalade|jelly of|candied|syrup|honey/i;
/** Jars that stand outside the fridge: nothing computed here makes one safe, and low acid never is. */
export function jars(scene: SafetyScene): Finding[] {
  return keptOf(scene).flatMap((k): Finding[] => {
    if ((k.place !== "counter" && k.place !== "cellar") || longest(k) <= DAY) return [];
    const { part } = k;
    const kind = part.component.kind;
    if (
      ["dry", "dough", "ferment"].includes(kind) ||
      SWEET_OR_SOUR.test(`${part.component.name} ${k.name}`) ||
      !SEALED.test(part.steps.map((s) => s.words).join(" "))
    )
      return [];
    const acid = acidPct(part);
    // No dish file can say that it follows a tested recipe to the letter, so none of its jars is good for a shelf (shelfStableClaim).
    if (acid >= SOUR_PCT)
      return [
        cautioned("low-acid-jar", `${part.component.id}.${k.output}:${k.place}`, {
          ...at(k),
          severity: "warn",
          title: "A pickle outside the fridge",
          computed: `The jar settles at ${acid.toFixed(1)} % acid, which keeps it in the fridge. ${(WHERE[k.place] ?? "").replace(/^./, (c) => c.toUpperCase())} only a tested recipe followed to the letter keeps.`,
          way: "the fridge, or a tested recipe for the shelf",
          mends: [moved(k, "fridge", 30 * DAY)],
        }),
      ];
    const food = part.ingredients.some((i) => LOW_ACID_PLANT.test(i.name) || MEAT.test(i.name) || /stock|bean|pulse/i.test(i.name));
    if (!food) return [];
    return [
      cautioned("low-acid-jar", `${part.component.id}.${k.output}:${k.place}`, {
        ...at(k),
        computed: `Jars of ${part.component.name.toLowerCase()} wait ${spoken(longest(k))} ${WHERE[k.place]} ${acid > 0 ? `at ${acid.toFixed(1)} % acid, which is too little` : "with no acid that would keep them"}.`,
        mends: [moved(k, "fridge", 3 * DAY), moved(k, "freezer", 60 * DAY)],
      }),
    ];
  });
}

const BAGGED = /vacuum|vac-?pac|sous|sealed? (?:in )?(?:a )?bag|bag(?:ged)? and seal/i;
export function vacuumBags(scene: SafetyScene): Finding[] {
  return keptOf(scene).flatMap((k): Finding[] => {
    const { part } = k;
    if (k.place !== "fridge" || longest(k) <= 2 * DAY) return [];
    if (!BAGGED.test(part.steps.map((s) => s.words).join(" "))) return [];
    if (part.ingredients.some((i) => /nitrite|curing salt/i.test(i.name))) return [];
    const food = part.ingredients.find((i) => (MEAT.test(i.name) && !NOT_RAW_MEAT.test(i.name)) || LOW_ACID_PLANT.test(i.name));
    if (!food) return [];
    return [
      cautioned("vacuum-raw", `${part.component.id}.${k.output}`, {
        ...at(k),
        computed: `${food.name} without air waits ${spoken(longest(k))} in the fridge; 2 days are the most.`,
        mends: [limited(k, 2 * DAY), moved(k, "freezer", 60 * DAY)],
      }),
    ];
  });
}

// Who eats: allergens, alcohol, honey, and the things that guests who need care go without.

import { allergenSheet, howItBrings } from "../../foods/allergens";
import { understand } from "../../foods/match";
import { alcoholRetained } from "../../measures/serving";
import { cautioned, type Finding } from "../finding";
import { type Item, isOf, likelyMinutes, mLOf, type Part } from "../part";
import { careOf, type SafetyScene } from "../scene";
import { hottest } from "../states/journey";
import { heatOf } from "../states/process";
import { withoutThem } from "./swaps";

export function allergens({ document, parts }: SafetyScene): Finding[] {
  const chosen = Object.fromEntries(parts.map((p) => [p.component.id, p.method.id]));
  return allergenSheet(document, chosen).clashes.map((clash) => {
    const culprits = clash.brought.flatMap((b) => {
      const part = parts.find((p) => p.component.id === b.component);
      return (part?.ingredients ?? []).flatMap((ingredient) =>
        part && b.ingredients.includes(ingredient.name) ? [{ part, ingredient }] : [],
      );
    });
    return cautioned("allergens", clash.avoided, {
      ...(clash.brought[0] ? { component: clash.brought[0].component } : {}),
      title: `A guest avoids ${clash.avoided}`,
      computed: `${clash.brought.map((b) => `${b.name} has it in ${b.ingredients.join(", ")}${b.guessed ? " (from its name)" : ""}`).join("; ")}.`,
      mends: withoutThem(culprits, (name, s) => howItBrings({ name, allergens: s.allergens }, clash.avoided) === undefined),
    });
  });
}

const NONE_FOR = /child|pregnan|toddler|infant|baby|alcohol|teen/i;
const TRACE_G = 0.2;

export function alcohol({ document, parts }: SafetyScene): Finding[] {
  const guests = document.dish.guests;
  const young = Object.entries(guests?.eaters ?? {}).some(([kind, n]) => /child|toddler|teen/.test(kind) && n > 0);
  const care = [...(guests?.care ?? []), ...(guests?.avoid ?? [])].some((c) => NONE_FOR.test(c));
  if (!young && !care) return [];
  const found = parts.flatMap((part) =>
    part.items.flatMap((item) => {
      const abv = item.food?.class === "soft-drink" ? 0 : (item.food?.food.abv ?? 0);
      const mL = mLOf(part, (i) => i === item);
      if (!(mL > 0) || abv <= 0.5) return [];
      const simmer = part.steps
        .slice(item.enters)
        .filter((s) => heatOf(s) !== undefined)
        .reduce((sum, s) => sum + likelyMinutes(s.step), 0);
      const servings = Math.min(500, Math.max(1, document.dish.serves));
      const left = alcoholRetained(
        simmer > 0
          ? { mode: "simmered", minutes: Math.min(1440, simmer), mL, abvPct: abv, servings }
          : { mode: "raw", mL, abvPct: abv, servings },
      );
      return left.perServingG >= TRACE_G ? [{ part, item, name: item.ingredient.name, left, simmer }] : [];
    }),
  );
  return found.map(({ part, item, name, left, simmer }) =>
    cautioned("alcohol", `${part.component.id}:${name}`, {
      component: part.component.id,
      severity: "warn",
      title: "Alcohol, and a guest should have none",
      computed: `${name} in ${part.component.name.toLowerCase()}: ${simmer > 0 ? `after ${Math.round(simmer)} min of cooking ` : ""}about ${Math.round(left.retainedPct)} % of its alcohol stays, ${left.perServingG.toFixed(1)} g for each guest.`,
      mends: withoutThem(
        [{ part, ingredient: item.ingredient }],
        (other) => understand(other)?.class === "soft-drink" || (understand(other)?.food.abv ?? 0) === 0,
      ),
    }),
  );
}

const INFANT = /infant|baby|babies|under (?:one|1|12 months)|newborn/i;
export function honey(scene: SafetyScene): Finding[] {
  const eaters = Object.entries(scene.document.dish.guests?.eaters ?? {});
  const infants = careOf(scene).some((c) => INFANT.test(c)) || eaters.some(([kind, n]) => INFANT.test(kind) && n > 0);
  if (!infants) return [];
  return scene.parts.flatMap((part) => {
    const honeys = part.items.filter(isOf("honey"));
    const found = honeys[0];
    return found
      ? [
          cautioned("honey-infants", part.component.id, {
            component: part.component.id,
            computed: `${found.ingredient.name} in ${part.component.name.toLowerCase()}.`,
            mends: withoutThem(
              honeys.map(({ ingredient }) => ({ part, ingredient })),
              (other) => understand(other)?.class !== "honey",
            ),
          }),
        ]
      : [];
  });
}

const AT_RISK = /pregnan|expect|immuno|weak|old|65|elder|frail|chemo|transplant|under[- ]?(?:5|five)|toddler|infant|baby|small child/i;
const PREGNANT = /pregnan|expect/i;
/** What guests who fall ill more easily go without, where nothing cooks it: by class, and up to which heat it stays so. */
export function guestsAtRisk(scene: SafetyScene): Finding[] {
  const care = careOf(scene).filter((c) => AT_RISK.test(c));
  if (care.length === 0) return [];
  const byPart = new Map<Part, { readonly item: Item; readonly why: string }[]>();
  for (const j of scene.journeys) {
    if (!j.served) continue;
    const { core } = hottest(j);
    const risky = RISKY.find((r) => r.is(j.item) && core < r.safeFromC && (!r.only || care.some((c) => r.only?.test(c))));
    const told = byPart.get(j.part) ?? [];
    if (risky && !told.some((t) => t.item === j.item)) byPart.set(j.part, [...told, { item: j.item, why: risky.why }]);
  }
  return [...byPart].map(([part, told]) =>
    cautioned("guests-at-risk", part.component.id, {
      component: part.component.id,
      computed: `${told.map((t) => t.item.ingredient.name).join(", ")} in ${part.component.name.toLowerCase()}: ${[...new Set(told.map((t) => t.why))].join("; ")}. ${care.join(", ")} will eat it.`,
      mends: withoutThem(
        told.map((t) => ({ part, ingredient: t.item.ingredient })),
        (other) => {
          const food = understand(other);
          return food !== undefined && !told.some((t) => t.item.food?.class === food.class);
        },
      ),
    }),
  );
}
const RISKY: readonly { readonly is: (i: Item) => boolean; readonly safeFromC: number; readonly why: string; readonly only?: RegExp }[] = [
  { is: isOf("cheese-soft", "cheese-blue", "cheese-raw-milk"), safeFromC: 70, why: "soft and blue cheeses can carry listeria" },
  { is: isOf("fish-smoked", "fish-cured"), safeFromC: 70, why: "cold-smoked and cured fish can carry listeria" },
  { is: isOf("cured-raw"), safeFromC: 65, why: "cured raw meat can carry parasites and listeria" },
  { is: (i) => i.food?.food.id === "pate" || i.food?.food.id.startsWith("pate.") === true, safeFromC: 70, why: "pâté can carry listeria" },
  {
    is: isOf("offal", "poultry-offal"),
    safeFromC: Number.POSITIVE_INFINITY,
    why: "liver has more vitamin A than is safe in pregnancy",
    only: PREGNANT,
  },
  { is: (i) => i.food?.food.id === "sprouts", safeFromC: 70, why: "raw sprouts can carry bacteria inside the seed" },
  {
    // Any other raw fish has a caution of its own.
    is: (i) =>
      isOf("fish", "fish-freshwater", "fish-scombroid", "cephalopod")(i) &&
      (i.food?.farmed === true || i.food?.frozen === true || /\b(?:tuna|sushi|sashimi)/i.test(i.ingredient.name)),
    safeFromC: 63,
    why: "raw fish can carry listeria, even if it was frozen",
  },
  { is: isOf("meat"), safeFromC: 63, why: "meat that is pink inside can carry toxoplasmosis and bacteria" },
];
/** Sprouts as they are bought, and seeds or pulses that a step lets sprout. */
const SPROUTS = /^(?:let\b.*\b)?(?:sprout(?:ing)?\b(?! lea)|germinat)/i;
const CAN_SPROUT =
  /\b(?:seeds?|alfalfa|mung|lentils?|chickpeas?|beans?|peas?|radish|mustard|fenugreek|cress|clover|wheat|rye|barley|buckwheat|quinoa)\b/i;
const isSprouts = ({ item, part }: SafetyScene["journeys"][number]): boolean =>
  item.food?.food.id === "sprouts" || (CAN_SPROUT.test(item.ingredient.name) && part.steps.some((s) => SPROUTS.test(s.name)));
export function sprouts(scene: SafetyScene): Finding[] {
  const care = careOf(scene).length > 0;
  const raw = scene.journeys.filter((j) => isSprouts(j) && j.served && hottest(j).core < 70);
  const parts = [...new Set(raw.map((j) => j.part))];
  return parts.map((part) => {
    const items = [...new Set(raw.filter((j) => j.part === part).map((j) => j.item))];
    return cautioned("sprouts", part.component.id, {
      component: part.component.id,
      severity: care ? "warn" : "note",
      computed: `${items.map((i) => i.ingredient.name).join(", ")}: served raw.`,
      mends: withoutThem(
        items.map(({ ingredient }) => ({ part, ingredient })),
        (other) => understand(other)?.food.id !== "sprouts",
      ),
    });
  });
}

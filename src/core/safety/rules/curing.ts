// Curing salt by its nitrite, salt of a ferment, acidity: figures of the dish held against the limits of the calculations.

import { written } from "../../bench/write-into";
import { HARD_STOPS } from "../../catalogue";
import { withMethod } from "../../dish/edit/places";
import { type CuredProduct, curedAs } from "../../dish/meat";
import type { DishFile } from "../../dish/schema";
import { gramsTakenOff } from "../../dish/weights";
import { isCured } from "../../foods/groups";
import { SAFE_SALT_PCT } from "../../measures/brine";
import { CalculationError } from "../../measures/calculation-error";
import { CURING_SALT_PCT, curingSaltDose, nitritePpm } from "../../measures/curing-salt";
import { cautioned, type Finding, type Mend } from "../finding";
import { gramsOf, type Item, isOf, litresOf, outputOfPart, type Part } from "../part";
import type { SafetyScene } from "../scene";

const { strong: REFERENCE_PCT, weak: WEAK_PCT } = CURING_SALT_PCT;
/** Below this much the salt does not do what it is there for. */
const LEAST_PPM = 40;
/** What a mend aims at: enough for the cure and below every limit. */
const MENDED_PPM = 120;
/** What a ferment is mended to, % of all that is in the jar. */
const MENDED_PCT = 2.2;

const isLiquid = isOf("water", "beer");
/** Meat with its fat: the nitrite is dissolved in all of it. */
const isMeat = (i: Item) => isCured(i.food);

const productOf = (part: Part): CuredProduct =>
  curedAs(
    `${part.component.name} ${part.component.kind} ${part.method.name ?? ""} ${part.ingredients.map((i) => i.name).join(" ")}`,
    gramsOf(part, isLiquid) > 0,
  );

/** % of nitrite of a curing salt: as its name says it, else by its kind; undefined where the name leaves it open. */
function strengthOf({ ingredient, food }: Item): number | undefined {
  const said = /(\d+(?:[.,]\d+)?)\s*%/.exec(ingredient.name)?.[1];
  const value = said === undefined ? food?.food.nitrite : Number(said.replace(",", "."));
  return value !== undefined && value > 0 && value <= 10 ? value : undefined;
}

export function curingSalt({ parts }: SafetyScene): Finding[] {
  return parts.flatMap((part): Finding[] => {
    const salts = part.items.filter(isOf("curing-salt"));
    const [first] = salts;
    if (!first) return [];
    const place = { component: part.component.id, method: part.method.id };
    const product = productOf(part);
    const step = part.steps.find((s) => /weigh|cure|rub|salt|mix/i.test(s.name)) ?? part.steps[0];
    const at = { component: part.component.id, ...(step ? { step: step.ref } : {}) };
    const meatG = Math.max(0, gramsOf(part, isMeat) - gramsTakenOff(part.method, part.component.id, first.enters, part.k));
    const liquidG = product.includes("immersion") ? gramsOf(part, isLiquid) : 0;
    const grams = (g: number) => `${Number(g.toPrecision(3))} g`;
    const saltG = gramsOf(part, (i) => salts.includes(i));
    const nitrate = salts.find((i) => (i.food?.food.nitrate ?? 0) > 0);
    if (nitrate && (nitrate.food?.food.nitrite ?? 0) === 0)
      return [
        cautioned("curing-salt", part.component.id, {
          ...at,
          title: "Saltpetre cannot be dosed in a kitchen",
          computed: `${grams(gramsOf(part, (i) => i === nitrate))} of ${nitrate.ingredient.name.toLowerCase()} on ${grams(meatG + liquidG)}: nobody can say beforehand how much of it turns to nitrite.`,
          way: "curing salt with nitrite, weighed by the cure calculation",
          mends: meatG >= 50 ? [dosed(nitrate, REFERENCE_PCT, "Curing salt #1")] : [],
        }),
      ];
    if (!(saltG > 0) || !(meatG >= 50))
      return [
        cautioned("curing-salt", part.component.id, {
          ...at,
          computed: "How much nitrite this gives cannot be calculated: the curing salt or the meat has no weight. Give both in grams.",
        }),
      ];

    /** As much of that salt as gives what the cure needs. */
    function dosed(item: Item, strengthPct: number, name: string): Mend {
      const { cureG } = curingSaltDose({ product, meatG, liquidG, targetPpm: MENDED_PPM });
      const dose = (cureG * REFERENCE_PCT) / strengthPct;
      return {
        label: `${grams(dose)} of ${name.toLowerCase()}: ${MENDED_PPM} ppm`,
        apply: (d) => weighed(d, place, item, name, dose),
      };
    }
    /** Nitrite as if all were the salt of the calculation. */
    const asReference = (unknownPct: number) =>
      salts.reduce((sum, i) => sum + (gramsOf(part, (x) => x === i) * (strengthOf(i) ?? unknownPct)) / REFERENCE_PCT, 0);
    const open = salts.find((i) => strengthOf(i) === undefined);
    const strength = strengthOf(first) ?? REFERENCE_PCT;
    try {
      if (open) {
        const ppmAt = (pct: number) => Math.round((asReference(pct) * (REFERENCE_PCT / 100) * 1e6) / (meatG + liquidG));
        const cap = nitritePpm({ product, cureG: 0, meatG, liquidG }).homeCapPpm;
        const [strong, weak] = [ppmAt(REFERENCE_PCT), ppmAt(WEAK_PCT)];
        return [
          cautioned("curing-salt", part.component.id, {
            ...at,
            severity: strong > cap ? "stop" : "warn",
            hard: weak > cap,
            title: weak > cap ? "Too much curing salt" : "Which curing salt is it?",
            computed: `${open.ingredient.name} is sold with ${REFERENCE_PCT} % of nitrite and with ${WEAK_PCT} %: ${grams(saltG)} on ${grams(meatG + liquidG)} give ${strong} ppm or ${weak}. The rules for its kind allow ${cap} at most.`,
            way: "its strength in its name, such as “curing salt, 0.5 % nitrite”",
            mends: [
              {
                label: `It has ${WEAK_PCT} % of nitrite`,
                apply: (d) =>
                  weighed(
                    d,
                    place,
                    open,
                    `Curing salt, ${WEAK_PCT} % nitrite`,
                    gramsOf(part, (i) => i === open),
                  ),
              },
              dosed(open, REFERENCE_PCT, `Curing salt, ${REFERENCE_PCT} % nitrite`),
            ],
          }),
        ];
      }
      const cureG = asReference(0);
      // A cure of meat that is trimmed first is weighed for what is left; what dries away later is no reason for less.
      const trims = part.steps.find((s) => /\btrim/i.test(s.name)) !== undefined;
      const leftG = (litresOf(outputOfPart(part), part.k) ?? 0) * 1000;
      const trimmedG = trims && leftG > 50 && leftG < meatG * 0.97 ? leftG : undefined;
      const { ppm, limitPpm, homeCapPpm, withinHomeCap } = nitritePpm({ product, cureG, meatG, liquidG });
      const computed = `${grams(saltG)} of curing salt${strength === REFERENCE_PCT ? "" : ` with ${strength} % of nitrite`} on ${grams(meatG + liquidG)}: ${Math.round(ppm)} ppm of nitrite. The rules for its kind allow ${homeCapPpm} at most.`;
      const trimmed = trimmedG === undefined ? undefined : ppm * ((meatG + liquidG) / (trimmedG + liquidG));
      const also = trimmed === undefined ? "" : ` On the ${grams(trimmedG ?? 0)} that are left of it: ${Math.round(trimmed)} ppm.`;
      const mend = dosed(first, strength, first.ingredient.name);
      if (!withinHomeCap || ppm > limitPpm)
        return [
          cautioned("curing-salt", part.component.id, {
            ...at,
            hard: true,
            title: "Too much curing salt",
            computed: computed + also,
            mends: [mend],
          }),
        ];
      if (trimmed !== undefined && trimmed > homeCapPpm)
        return [
          cautioned("curing-salt", part.component.id, {
            ...at,
            title: "Perhaps too much curing salt",
            computed: `${computed}${also} If it is weighed for the trimmed meat, that is past the limit.`,
            mends: [mend],
          }),
        ];
      const little = ppm < LEAST_PPM;
      return [
        cautioned("curing-salt", part.component.id, {
          ...at,
          ...(little ? {} : { severity: "note" as const }),
          title: little ? "Too little curing salt to protect" : "Curing salt, within its limit",
          computed: `${computed}${also}${little ? ` Below ${LEAST_PPM} it does not protect.` : ""}`,
          mends: little ? [mend] : [],
        }),
      ];
    } catch (error) {
      if (!(error instanceof CalculationError)) throw error;
      const hard = HARD_STOPS.includes(error.code);
      return [
        cautioned("curing-salt", part.component.id, {
          ...at,
          hard,
          title: hard ? "Too much curing salt" : "Curing salt, and its nitrite not calculated",
          computed: error.message.replace(/^\w+: /, ""),
          mends: hard ? [dosed(first, strength, first.ingredient.name)] : [],
        }),
      ];
    }
  });
}

/** An ingredient under another name, at so many grams for the guests that come; the amount of the file is as much less as it serves fewer. */
const weighed = (
  document: DishFile,
  place: { readonly component: string; readonly method: string },
  item: Item,
  name: string,
  grams: number,
): DishFile =>
  written(
    withMethod(document, place, (m) => ({
      ...m,
      ingredients: (m.ingredients ?? []).map(({ food: _, ...i }) => (i.id === item.ingredient.id ? { ...i, name } : i)),
    })),
    place,
    { kind: "ingredient", name, find: `^${name.replaceAll(/[.*+?^${}()|[\]\\]/g, "\\$&")}$`, grams },
  );

/** Vegetables that sour; what is no vegetable sours by other rules. */
export const isGreen = isOf("allium", "vegetable", "chilli", "tomato", "mushroom");
/** What brings so much salt that it sours by it: soy sauce, miso, anchovies, a live brine. */
const saltOfOthers = (part: Part) =>
  part.items
    .filter((i) => (i.food?.food.salt ?? 0) >= 2 && !isOf("salt", "curing-salt")(i))
    .reduce((sum, i) => sum + (gramsOf(part, (x) => x === i) * (i.food?.food.salt ?? 0)) / 100, 0);

const salted = (part: Part, saltG: number): Mend => ({
  label: `${saltG} g of salt: ${MENDED_PCT} %`,
  apply: (d) =>
    written(d, { component: part.component.id, method: part.method.id }, { kind: "ingredient", name: "salt", find: "salt", grams: saltG }),
});

/** Ginger beer, tepache: sugared water that yeast sours, with a little of something in it. */
const isSweetDrink = (part: Part): boolean => {
  const all = gramsOf(part, () => true);
  const wet = gramsOf(part, isOf("water", "juice", "coffee-tea"));
  return wet >= 0.6 * all && gramsOf(part, isOf("sugar", "honey", "syrup")) >= 0.03 * all;
};

export function fermentSalt({ parts }: SafetyScene): Finding[] {
  return parts.flatMap((part): Finding[] => {
    if (part.component.kind !== "ferment") return [];
    const step = part.steps.find((s) => /ferment|sour|stand/i.test(s.name)) ?? part.steps.at(-1);
    const isSalt = isOf("salt");
    const salt = gramsOf(part, isSalt) > 0 ? gramsOf(part, isSalt) + saltOfOthers(part) : 0;
    const all = gramsOf(part, (i) => !isSalt(i));
    if (!(all > 0)) return [];
    const at = { component: part.component.id, ...(step ? { step: step.ref } : {}) };
    const saltG = Number(((all * MENDED_PCT) / 100).toFixed(1));
    if (!(salt > 0)) {
      const named = part.items.some(isSalt);
      if (!named && (saltOfOthers(part) > 0 || !part.items.some(isGreen) || isSweetDrink(part))) return [];
      return [
        cautioned("ferment-acid", `unweighed:${part.component.id}`, {
          ...at,
          title: named ? "The salt of a ferment has no weight" : "This vegetable ferment has no salt",
          computed: `${named ? "Its salt has no weight" : "No salt is listed"}, so how salty it is cannot be calculated. Below ${SAFE_SALT_PCT} % harmful germs can grow first.`,
          way: "2 % or more of all that is in the jar, weighed",
          mends: [salted(part, saltG)],
        }),
      ];
    }
    const pct = (salt / all) * 100;
    if (pct >= SAFE_SALT_PCT) return [];
    return [
      cautioned("ferment-acid", `salt:${part.component.id}`, {
        ...at,
        hard: true,
        title: "Too little salt for a ferment",
        computed: `${Number(salt.toPrecision(3))} g of salt on ${Number(all.toPrecision(3))} g: ${pct.toFixed(1)} %. Below ${SAFE_SALT_PCT} % harmful germs can grow first.`,
        way: "2 % or more of all that is in the jar",
        mends: [salted(part, saltG)],
      }),
    ];
  });
}

// Curing salt by its nitrite, salt of a ferment, acidity: figures of the dish held against the limits of the calculations.

import { written } from "../../bench/write-into";
import { HARD_STOPS } from "../../catalogue";
import { CURE_LIQUID, type CuredProduct, curedAs, MEAT, NOT_RAW_MEAT } from "../../dish/meat";
import { SAFE_SALT_PCT } from "../../measures/brine";
import { CalculationError } from "../../measures/calculation-error";
import { curingSaltDose, nitritePpm } from "../../measures/curing-salt";
import { cautioned, type Finding, type Mend } from "../finding";
import { gramsOf, litresOf, outputOfPart, type Part, type SafetyScene } from "../scene";

const CURING = /curing salt|nitrite|pink salt|cure ?(?:#|no\.? ?)?1\b/i;
/** Below this much the salt does not do what it is there for. */
const LEAST_PPM = 40;
/** What a ferment is mended to, % of all that is in the jar. */
const MENDED_PCT = 2.2;

const productOf = (part: Part): CuredProduct =>
  curedAs(
    `${part.component.name} ${part.component.kind} ${part.method.name ?? ""} ${part.ingredients.map((i) => i.name).join(" ")}`,
    gramsOf(part, CURE_LIQUID) > 0,
  );

export function curingSalt({ parts }: SafetyScene): Finding[] {
  return parts.flatMap((part): Finding[] => {
    const salts = part.ingredients.filter((i) => CURING.test(i.name));
    if (salts.length === 0) return [];
    const place = { component: part.component.id, method: part.method.id };
    const product = productOf(part);
    const step = part.steps.find((s) => /weigh|cure|rub|salt|mix/i.test(s.name)) ?? part.steps[0];
    const at = { component: part.component.id, ...(step ? { step: step.ref } : {}) };
    const cureG = gramsOf(part, CURING);
    const meatG = gramsOf(part, MEAT, NOT_RAW_MEAT);
    // What is weighed for the cure is often the trimmed meat: by what comes out the same salt is more.
    const leftG = (litresOf(outputOfPart(part), part.k) ?? 0) * 1000;
    const trimmedG = leftG > 50 && leftG < meatG * 0.97 ? leftG : undefined;
    const liquidG = product.includes("immersion") ? gramsOf(part, CURE_LIQUID) : 0;
    const grams = (g: number) => `${Number(g.toPrecision(3))} g`;
    if (!(cureG > 0) || !(meatG >= 50))
      return [
        cautioned("curing-salt", part.component.id, {
          ...at,
          computed: "How much nitrite goes in cannot be reckoned: curing salt or meat has no weight here. Give both in grams.",
        }),
      ];
    const dosed = (ppm: number) => {
      const { cureG: dose } = curingSaltDose({ product, meatG, liquidG, targetPpm: ppm });
      return {
        label: `${grams(dose)} of curing salt: ${ppm} ppm`,
        apply: (d: Parameters<typeof written>[0]) =>
          written(d, place, { kind: "ingredient", name: "curing salt", find: CURING.source, grams: dose }),
      };
    };
    try {
      const { ppm, limitPpm, homeCapPpm, withinHomeCap } = nitritePpm({ product, cureG, meatG, liquidG });
      const computed = `${grams(cureG)} of curing salt on ${grams(meatG + liquidG)}: ${Math.round(ppm)} ppm of nitrite go in. The rules for its kind allow ${homeCapPpm} at most.`;
      const trimmed = trimmedG === undefined ? undefined : ppm * ((meatG + liquidG) / (trimmedG + liquidG));
      const also = trimmed === undefined ? "" : ` On the ${grams(trimmedG ?? 0)} that come of it: ${Math.round(trimmed)} ppm.`;
      if (!withinHomeCap || ppm > limitPpm)
        return [
          cautioned("curing-salt", part.component.id, {
            ...at,
            hard: true,
            title: "Too much curing salt",
            computed: computed + also,
            mends: [dosed(120)],
          }),
        ];
      if (trimmed !== undefined && trimmed > homeCapPpm)
        return [
          cautioned("curing-salt", part.component.id, {
            ...at,
            title: "Perhaps too much curing salt",
            computed: `${computed}${also} If it is weighed for the trimmed meat, that is past the limit.`,
            mends: [dosed(120)],
          }),
        ];
      const little = (trimmed ?? ppm) < LEAST_PPM;
      return [
        cautioned("curing-salt", part.component.id, {
          ...at,
          title: little ? "Too little curing salt to protect" : "Curing salt",
          computed: `${computed}${also}${little ? ` Below ${LEAST_PPM} it does not protect.` : ""}`,
          mends: little ? [dosed(120)] : [],
        }),
      ];
    } catch (error) {
      if (!(error instanceof CalculationError)) throw error;
      const hard = HARD_STOPS.includes(error.code);
      return [
        cautioned("curing-salt", part.component.id, {
          ...at,
          hard,
          title: hard ? "Too much curing salt" : "Curing salt, and its nitrite not reckoned",
          computed: error.message.replace(/^\w+: /, ""),
          mends: hard ? [dosed(120)] : [],
        }),
      ];
    }
  });
}

/** Vegetables that sour; what is no vegetable sours by other rules. */
const GREENS =
  /cabbage|kale|turnip|radish|carrot|cucumber|gherkin|beet|celery|celeriac|bean|pepper|chill?i|tomato|garlic|onion|cauliflower|mustard leaves|greens/i;
const SALTED_BY_OTHERS = /soy|fish sauce|miso|brine|shrimp paste|anchov|kelp|oyster sauce|olive/i;

const salted = (part: Part, saltG: number): Mend => ({
  label: `${saltG} g of salt: ${MENDED_PCT} %`,
  apply: (d) =>
    written(d, { component: part.component.id, method: part.method.id }, { kind: "ingredient", name: "salt", find: "salt", grams: saltG }),
});

export function fermentSalt({ parts }: SafetyScene): Finding[] {
  return parts.flatMap((part): Finding[] => {
    if (part.component.kind !== "ferment") return [];
    const step = part.steps.find((s) => /ferment|sour|stand/i.test(s.name)) ?? part.steps.at(-1);
    const salt = gramsOf(part, /salt/i);
    const all = gramsOf(part, /./, /salt/i);
    if (!(all > 0)) return [];
    const at = { component: part.component.id, ...(step ? { step: step.ref } : {}) };
    const saltG = Number(((all * MENDED_PCT) / 100).toFixed(1));
    if (!(salt > 0)) {
      const named = part.ingredients.some((i) => /salt/i.test(i.name));
      if (
        !named &&
        (SALTED_BY_OTHERS.test(part.ingredients.map((i) => i.name).join(" ")) ||
          !GREENS.test(part.ingredients.map((i) => i.name).join(" ")))
      )
        return [];
      return [
        cautioned("ferment-acid", `unweighed:${part.component.id}`, {
          ...at,
          title: named ? "Salt of a ferment without a weight" : "A vegetable ferment without salt",
          computed: `${named ? "Its salt has no weight here" : "No salt is named"}, so how salty it is cannot be reckoned. Below ${SAFE_SALT_PCT} % other things grow first.`,
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
        computed: `${Number(salt.toPrecision(3))} g of salt on ${Number(all.toPrecision(3))} g: ${pct.toFixed(1)} %. Below ${SAFE_SALT_PCT} % other things grow first.`,
        way: "2 % or more of all that is in the jar",
        mends: [salted(part, saltG)],
      }),
    ];
  });
}

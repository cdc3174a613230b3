// Who eats: allergens, alcohol, honey, and the things that guests who need care go without.

import { allergenSheet, howItBrings } from "../../foods/allergens";
import { alcoholRetained } from "../../measures/serving";
import { cautioned, type Finding } from "../finding";
import { likelyMinutes, mLOf, type SafetyScene } from "../scene";
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
      computed: `${clash.brought.map((b) => `${b.name} brings it by ${b.ingredients.join(", ")}${b.guessed ? " (by its name)" : ""}`).join("; ")}.`,
      mends: withoutThem(culprits, (name, s) => howItBrings({ name, allergens: s.allergens }, clash.avoided) === undefined),
    });
  });
}

/** Strength by volume, where a drink is used. */
const DRINKS: readonly (readonly [RegExp, number])[] = [
  [/\bbrandy|calvados|rum\b|whisk|vodka|\bgin\b|kirsch|liqueur/i, 40],
  [/\bport\b|sherry|madeira|vermouth|marsala/i, 18],
  [/\bwine\b(?! vinegar)/i, 12.5],
  [/\bcider\b(?! vinegar)/i, 5],
  [/\bbeer\b|\bale\b|stout|lager/i, 5],
];
const NO_ALCOHOL = /vinegar|alcohol[- ]free|non[- ]alcoholic/i;
const NONE_FOR = /child|pregnan|toddler|infant|baby|alcohol|teen/i;
const TRACE_G = 0.2;

export function alcohol({ document, parts }: SafetyScene): Finding[] {
  const guests = document.dish.guests;
  const young = Object.entries(guests?.eaters ?? {}).some(([kind, n]) => /child|toddler|teen/.test(kind) && n > 0);
  const care = [...(guests?.care ?? []), ...(guests?.avoid ?? [])].some((c) => NONE_FOR.test(c));
  if (!young && !care) return [];
  const found = parts.flatMap((part) =>
    DRINKS.flatMap(([drink, abv]) => {
      const mL = mLOf(part, drink, NO_ALCOHOL);
      if (!(mL > 0)) return [];
      const simmer = part.steps
        .filter((s) => (s.step.uses ?? []).some((u) => u.what === "burner" || u.what === "oven"))
        .reduce((sum, s) => sum + likelyMinutes(s.step), 0);
      const servings = Math.min(500, Math.max(1, document.dish.serves));
      const left = alcoholRetained(
        simmer > 0
          ? { mode: "simmered", minutes: Math.min(1440, simmer), mL, abvPct: abv, servings }
          : { mode: "raw", mL, abvPct: abv, servings },
      );
      const drinks = part.ingredients.filter((i) => drink.test(i.name) && !NO_ALCOHOL.test(i.name));
      return left.perServingG >= TRACE_G ? [{ part, drinks, name: drinks[0]?.name ?? "Alcohol", left, simmer }] : [];
    }),
  );
  return found.map(({ part, drinks, name, left, simmer }) =>
    cautioned("alcohol", `${part.component.id}:${name}`, {
      component: part.component.id,
      severity: "warn",
      title: "Alcohol, and somebody takes none",
      computed: `${name} in ${part.component.name.toLowerCase()}: ${simmer > 0 ? `after ${Math.round(simmer)} min of cooking ` : ""}about ${left.retainedPct} % of its alcohol stays, ${left.perServingG.toFixed(1)} g for each guest.`,
      mends: withoutThem(
        drinks.map((ingredient) => ({ part, ingredient })),
        (other) => NO_ALCOHOL.test(other) || !DRINKS.some(([drink]) => drink.test(other)),
      ),
    }),
  );
}

const HONEY = /\bhoney\b/i;
export function honey({ document, parts }: SafetyScene): Finding[] {
  const infants = (document.dish.guests?.care ?? []).some((c) => /infant|baby|under (?:one|12 months)/i.test(c));
  if (!infants) return [];
  return parts.flatMap((part) => {
    const honeys = part.ingredients.filter((i) => HONEY.test(i.name));
    const found = honeys[0];
    return found
      ? [
          cautioned("honey-infants", part.component.id, {
            component: part.component.id,
            computed: `${found.name} in ${part.component.name.toLowerCase()}.`,
            mends: withoutThem(
              honeys.map((ingredient) => ({ part, ingredient })),
              (other) => !HONEY.test(other),
            ),
          }),
        ]
      : [];
  });
}

// All rules of safety over a dish, its plan and what has been done of it: the severe first, in the order in which one comes to them.

import { cautionOf } from "../foods/cautions";
import { CalculationError } from "../measures/calculation-error";
import { cautioned, type Finding, type Severity } from "./finding";
import { coolingDeadlines } from "./rules/cooling";
import { curingSalt, fermentSalt } from "./rules/curing";
import { dangerTime } from "./rules/danger-time";
import { alcohol, allergens, guestsAtRisk, honey, sprouts } from "./rules/guests";
import { brownedAndKept, partlyCooked } from "./rules/half-cooked";
import { blades, hotChillies } from "./rules/handling";
import { fireIndoors, heatAtNight, unattendedHeat } from "./rules/heat";
import { heldTooLong, jars, rice, standsWarm, underOil, vacuumBags } from "./rules/holds";
import { counterThaw, fermentedMeat, fermentGas, inFilm, keptLukewarm, refreezing, scombroid, stuffing } from "./rules/keeping";
import { nutmeg, poisonousPlants, pulses, rawRunnerBeans, wildMushrooms } from "./rules/poisons";
import { CAREFUL, hotBlender, hotFat, pressure, slowCookerStart } from "./rules/pots";
import { marinadeReuse, rawContact, sameBoard } from "./rules/raw";
import { shutShells } from "./rules/shut-shells";
import { solidCooling } from "./rules/solid-cooling";
import { bathTime, rawEgg, rawFish, rawFlour, rawMilk, rawMince, reheating, shellfish, undercooked } from "./rules/uncooked";
import { unknownFoods } from "./rules/unknown";
import { whileCooking } from "./rules/while-cooking";
import type { SafetyScene } from "./scene";

const RULES: readonly ((scene: SafetyScene) => Finding[])[] = [
  curingSalt,
  fermentSalt,
  rawContact,
  coolingDeadlines,
  solidCooling,
  dangerTime,
  heldTooLong,
  standsWarm,
  underOil,
  jars,
  vacuumBags,
  pulses,
  rawRunnerBeans,
  wildMushrooms,
  poisonousPlants,
  nutmeg,
  rice,
  undercooked,
  rawMince,
  rawEgg,
  rawFish,
  shellfish,
  shutShells,
  rawMilk,
  rawFlour,
  bathTime,
  partlyCooked,
  brownedAndKept,
  stuffing,
  counterThaw,
  refreezing,
  scombroid,
  keptLukewarm,
  fermentGas,
  fermentedMeat,
  inFilm,
  reheating,
  marinadeReuse,
  sameBoard,
  hotFat,
  pressure,
  hotBlender,
  slowCookerStart,
  unattendedHeat,
  heatAtNight,
  fireIndoors,
  allergens,
  alcohol,
  honey,
  guestsAtRisk,
  sprouts,
  hotChillies,
  blades,
  unknownFoods,
  whileCooking,
];

/** A rule that cannot calculate says so, severely: what was not calculated is not known to be safe, and no page may fall over it. */
function ruled(rule: (scene: SafetyScene) => Finding[], scene: SafetyScene): Finding[] {
  try {
    return rule(scene);
  } catch (error) {
    if (!(error instanceof CalculationError)) throw error;
    return [
      {
        id: `not-calculated:${rule.name}`,
        severity: "stop",
        title: "Something could not be calculated",
        computed: `${error.message} What depends on it was not checked.`,
        caution:
          "An amount or a time in the dish is outside the range of the calculations, so a safety rule could not check it. That does not mean it is safe.",
        way: "a usual kitchen amount, or the judgement of someone who knows the food",
        mends: [],
        source: "the ranges of the calculations, docs/formulas.md",
      },
    ];
  }
}

/** The first sentence of a caution: what there is to say where nothing was calculated. */
const firstOf = (text: string): string => /^.*?[.!?](?=\s|$)/s.exec(text)?.[0] ?? text;

/** Cautions that the dish file itself names on a step, where no rule has said more of the same. */
function said({ parts }: SafetyScene, found: readonly Finding[]): Finding[] {
  const told = new Set(found.map((f) => `${f.id.split(":")[0]} ${f.component}`));
  return parts.flatMap((part) =>
    part.steps.flatMap((step) =>
      (step.step.danger ?? []).flatMap((id): Finding[] => {
        const row = cautionOf(id);
        return row && !told.has(`${id} ${part.component.id}`)
          ? [
              cautioned(id, step.ref, {
                // The cook has marked it and the rules find nothing missing: said once, and kept on the step. Hot fat asks for its precautions.
                ...(id === "hot-fat" && !CAREFUL.test(step.words) ? {} : { severity: "note" as const }),
                component: part.component.id,
                step: step.ref,
                computed: firstOf(row.text),
              }),
            ]
          : [];
      }),
    ),
  );
}

const ORDER: Readonly<Record<Severity, number>> = { stop: 0, warn: 1, note: 2 };

/** @returns no two with the same id; hard ones first, then by severity, then by the hour of their step */
export function safetyFindings(scene: SafetyScene): Finding[] {
  const found = RULES.flatMap((rule) => ruled(rule, scene));
  const all = [...found, ...said(scene, found)];
  const begins = new Map(scene.view?.steps.map((s) => [s.ref, s.start]));
  const when = (f: Finding) => (f.step === undefined ? Number.POSITIVE_INFINITY : (begins.get(f.step) ?? Number.POSITIVE_INFINITY));
  return [...new Map(all.map((f) => [f.id, f])).values()].sort(
    (a, b) =>
      Number(b.hard ?? false) - Number(a.hard ?? false) ||
      ORDER[a.severity] - ORDER[b.severity] ||
      (when(a) < when(b) ? -1 : when(a) > when(b) ? 1 : 0),
  );
}

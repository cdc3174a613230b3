// What only the cook can judge, and only while it is made: asked at its hour on the step, not acknowledged before it. A Note each.
import { spokenDuration } from "../../time/duration";
import { checkText, type StepCheck } from "../../view/step-check";
import { cautioned, type Finding } from "../finding";
import { gramsOf, isOf, likelyMinutes, type Part, type PartStep } from "../part";
import { isRawFlesh, type SafetyScene } from "../scene";
import { coreNeeded, heatOf } from "../states/process";
import { cooledPart } from "./cooling";
import { isGreen } from "./curing";

/** A vegetable ferment is at pH 4.6 by then, or it will not get there. Source: the caution's own. */
const SOUR_BY_MIN = 5 * 1440;
/** The two stages of cooling. Source: FDA Food Code 2022, 3-501.14. */
const [STAGE_1_MIN, STAGE_2_MIN] = [120, 360];
/** A small pot needs no thermometer twice. */
const POT_L = 2;

const asked = (caution: string, about: string, part: Part, step: PartStep, title: string, check: StepCheck): Finding =>
  cautioned(caution, `check:${about}`, {
    component: part.component.id,
    step: step.ref,
    severity: "note",
    title,
    computed: `${check.afterMinutes > 0 ? `${spokenDuration(check.afterMinutes)} after the start of “${step.name}”` : `When “${step.name}” starts`}: ${checkText(check)}`,
    check,
  });

function sour(part: Part): Finding[] {
  if (part.component.kind !== "ferment" || !(gramsOf(part, isGreen) > 0)) return [];
  const step = part.steps.find((s) => /ferment|sour|stand|leave/i.test(s.name) && likelyMinutes(s.step) >= 2 * 1440);
  if (!step) return [];
  const afterMinutes = Math.min(SOUR_BY_MIN, likelyMinutes(step.step));
  return [
    asked("ferment-acid", step.ref, part, step, "Measure the pH", {
      afterMinutes,
      ask: "pH 4.6 or less, with a strip or a meter",
      otherwise: "do not taste it, and throw it away if it is no lower two days later",
    }),
  ];
}

function cold(part: Part): Finding[] {
  const cooled = cooledPart(part);
  if (!cooled || cooled.litres < POT_L) return [];
  const check = (afterMinutes: number, ask: string, otherwise: string, n: number) =>
    asked("large-pot-cooling", `${cooled.step.ref}:${n}`, part, cooled.step, "Measure the temperature", { afterMinutes, ask, otherwise });
  return [
    check(STAGE_1_MIN, "21 °C or less in the middle", "stir it in ice water now, or bring it to the boil and cool it faster", 1),
    check(STAGE_2_MIN, "5 °C or less in the middle", "throw it away", 2),
  ];
}

/** Flesh that has a heat to reach, cooked by the clock alone. */
function hot({ parts, journeys }: SafetyScene): Finding[] {
  return parts.flatMap((part) => {
    const last = part.steps.findLast((s) => {
      const heat = heatOf(s);
      return heat !== undefined && ["oven", "grill", "pan", "deep-fry", "smoke"].includes(heat.medium) && heat.coreC === undefined;
    });
    if (!last) return [];
    const needs = journeys
      .filter((j) => isRawFlesh(j.item) && j.visits.some((v) => v.step === last) && !j.visits.some((v) => (v.heat?.coreC ?? 0) > 0))
      .map((j) => coreNeeded(j.food.class, j.food.food.species) ?? 0);
    const tempC = Math.max(0, ...needs);
    if (tempC < 63) return [];
    return [
      asked("undercooked", last.ref, part, last, "Measure the core temperature", {
        afterMinutes: likelyMinutes(last.step),
        ask: `${tempC} °C or more in the thickest part`,
        otherwise: "back into the heat until it is",
      }),
    ];
  });
}

function open({ parts, journeys }: SafetyScene): Finding[] {
  return parts.flatMap((part) => {
    const step = part.steps.find(
      (s) => heatOf(s) && journeys.some((j) => isOf("bivalve")(j.item) && !j.food.cooked && j.visits.some((v) => v.step === s)),
    );
    return step
      ? [
          asked("shellfish", step.ref, part, step, "Look at the shells", {
            afterMinutes: likelyMinutes(step.step),
            ask: "every shell has opened",
            otherwise: "throw away the ones that stay shut",
          }),
        ]
      : [];
  });
}

export const whileCooking = (scene: SafetyScene): Finding[] => [
  ...scene.parts.flatMap((part) => [...sour(part), ...cold(part)]),
  ...hot(scene),
  ...open(scene),
];

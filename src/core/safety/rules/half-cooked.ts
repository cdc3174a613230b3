// Flesh that is cooked in part or only browned, kept cold, and cooked through later. Its middle was warm for hours and never hot.
import { withMethod, withStep } from "../../dish/edit/places";
import type { DishStep } from "../../dish/schema";
import { minutesOf, spokenDuration } from "../../time/duration";
import { cautioned, type Finding, type Mend } from "../finding";
import { isOf, likelyMinutes, type Part, type PartStep } from "../part";
import { isRawFlesh, type SafetyScene } from "../scene";
import { coreNeeded, coreReached, heatOf } from "../states/process";
import { COLD_WAIT_MIN } from "./keeping";

const COOLS_DOWN = /\b(?:cool|chill|fridge|refrigerat|cold room|larder|overnight|next day|tomorrow)/i;
const isCold = (s: PartStep) => COOLS_DOWN.test(s.words) || (s.step.uses ?? []).some((u) => u.what === "fridge");
/** Heat that cooks, however shortly; warming, baths and smoke have rules of their own. */
const COOKING: ReadonlySet<string> = new Set(["pan", "grill", "oven", "simmer", "boil", "deep-fry", "steam"]);

/** Poultry, pork and mince that were browned and no more, then kept cold for more than an hour, then cooked through. Source: USDA FSIS, Partial Cooking, 2013. */
export function brownedAndKept({ journeys }: SafetyScene): Finding[] {
  const found = new Map<string, Finding>();
  for (const j of journeys) {
    const needed = isRawFlesh(j.item) ? coreNeeded(j.food.class, j.food.food.species) : undefined;
    if (needed === undefined || isOf("bones", "bivalve", "gastropod", "crustacean")(j.item)) continue;
    const core = j.visits.map((v) => (v.heat ? coreReached(v.heat, j.food.class) : 0));
    const through = core.findIndex((c) => c >= needed);
    const browned = j.visits.findIndex((v) => v.heat !== undefined && !v.heat.partly && COOKING.has(v.heat.medium));
    if (browned < 0 || through <= browned) continue;
    const kept = j.visits.slice(browned + 1, through).find((v) => !v.heat && isCold(v.step) && likelyMinutes(v.step.step) > COLD_WAIT_MIN);
    const { part, step } = j.visits[browned] as (typeof j.visits)[number];
    if (!kept || found.has(step.ref)) continue;
    found.set(
      step.ref,
      cautioned("partly-cooked", step.ref, {
        component: part.component.id,
        step: step.ref,
        computed: `${j.item.ingredient.name} is browned in “${step.name}”, stands in “${kept.step.name}” for ${spokenDuration(likelyMinutes(kept.step.step))} and is cooked through only after that.`,
        mends: kept.part === part ? brownedLater(part, step, kept.step) : [],
      }),
    );
  }
  return [...found.values()];
}

/** A step does what another one did; its id and what it waits for stay, so that whatever names it still does. */
const doing = (step: DishStep, work: DishStep): DishStep => {
  const { id: _, after: __, ...rest } = work;
  return { id: step.id, ...(step.after ? { after: step.after } : {}), ...rest };
};

/** The food is chilled raw and browned right before it is cooked through. */
function brownedLater(part: Part, { step: browned }: PartStep, { step: kept }: PartStep): Mend[] {
  // What one of them makes would be made too early or too late.
  if (browned.makes?.length || kept.makes?.length) return [];
  return [
    {
      label: `“${browned.name ?? browned.id}” after “${kept.name ?? kept.id}”`,
      apply: (d) =>
        withMethod(d, { component: part.component.id, method: part.method.id }, (m) => ({
          ...m,
          steps: m.steps.map((s) => (s.id === browned.id ? doing(s, kept) : s.id === kept.id ? doing(s, browned) : s)),
        })),
    },
  ];
}

export function partlyCooked({ parts }: SafetyScene): Finding[] {
  return parts.flatMap((part): Finding[] => {
    const flesh = part.items.find((i) => isRawFlesh(i) && !isOf("bones")(i));
    if (!flesh) return [];
    return part.steps.flatMap((step, i): Finding[] => {
      const heat = heatOf(step);
      if (!heat?.partly) return [];
      const held = (step.step.makes ?? []).some((o) =>
        (o.holds ?? []).some((h) => h.place !== "hot" && (h.max === undefined || minutesOf(h.max) > COLD_WAIT_MIN)),
      );
      const cooled = part.steps.slice(i + 1).find((s) => isCold(s) && heatOf(s) === undefined);
      if (!held && !cooled) return [];
      return [
        cautioned("partly-cooked", step.ref, {
          component: part.component.id,
          step: step.ref,
          computed: `${flesh.ingredient.name} is partly cooked in “${step.name}”${heat.coreC ? ` (${heat.coreC} °C)` : ""} and then kept before it is cooked through.`,
          mends: [
            {
              label: `“${step.name}” cooks it through`,
              apply: (d) =>
                withStep(d, step.place, (s) => ({
                  ...s,
                  name: (s.name ?? "").replace(/\b(?:half|par|part|partly|partially)[- ]?/i, "").replace(/^./, (c) => c.toUpperCase()),
                  done: { ...s.done, probeC: 75 },
                })),
            },
          ],
        }),
      ];
    });
  });
}

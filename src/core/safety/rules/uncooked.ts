// What has to be cooked and perhaps is not: pulses, egg, mince, flour; and food warmed up again.
import { withMethod, withStep } from "../../dish/edit/places";
import { spokenDuration } from "../../time/duration";
import { cautioned, type Finding, type Mend } from "../finding";
import { gramsOf, killsGerms, likelyMinutes, type Part, type PartStep, type SafetyScene, whole } from "../scene";

const RED_BEANS = /\b(?:kidney|borlotti|cannellini|haricot|white|black|red|pinto|runner|dried) beans?\b|\bbeans?, (?:dried|dry)\b/i;
const READY = /tinned|canned|jarred|cooked|paste|sauce|sprout|green beans/i;
const BOILS = /\bboil/i;
const [ROLLING_MIN, SOAK_MIN] = [10, 300];

const boilsFor = (s: PartStep) => (s.step.boils || BOILS.test(s.words) ? likelyMinutes(s.step) : 0);

export function pulses({ parts }: SafetyScene): Finding[] {
  return parts.flatMap((part): Finding[] => {
    const beans = part.ingredients.find((i) => RED_BEANS.test(i.name) && !READY.test(i.name));
    if (!beans) return [];
    const boiled = Math.max(0, ...part.steps.map(boilsFor));
    const slow = part.steps.some((s) => /slow cooker|low oven/i.test(s.words));
    const soaked = Math.max(0, ...part.steps.filter((s) => /soak/i.test(s.name)).map((s) => likelyMinutes(s.step)));
    if (boiled >= ROLLING_MIN && soaked >= SOAK_MIN) return [];
    const cook = part.steps.find(killsGerms) ?? part.steps.at(-1);
    if (!cook) return [];
    const missing = boiled < ROLLING_MIN;
    return [
      cautioned("kidney-beans", part.component.id, {
        component: part.component.id,
        step: cook.ref,
        severity: missing ? "stop" : "warn",
        computed: missing
          ? `${beans.name} ${boiled > 0 ? `boil for ${spokenDuration(boiled)}` : slow ? "cook slowly, and nothing boils them first" : "come to no boil that is written down"}; ten minutes at a rolling boil are needed.`
          : `${beans.name} are soaked ${soaked > 0 ? spokenDuration(soaked) : "not at all, as it is written"}; five hours are usual.`,
        mends: missing
          ? [
              {
                label: `“${cook.name}” begins with ten minutes at a rolling boil`,
                apply: (d) =>
                  withStep(d, cook.place, (s) => ({
                    ...s,
                    boils: true,
                    note: `${s.note ? `${s.note} ` : ""}Ten minutes at a rolling boil first.`,
                  })),
              },
            ]
          : [],
      }),
    ];
  });
}

const EGG = /\beggs?\b|\byolks?\b|egg whites?\b/i;
const EGG_SAFE = /pasteuri|powder|noodle|\bwash\b|boiled/i;
const MINCE = /\bminced?\b|ground (?:beef|pork|lamb|veal|meat)|sausage ?meat|forcemeat/i;

const takesFrom = (step: PartStep, taker: Part, part: Part) =>
  (step.step.takes ?? []).some((t) => whole(t.from, taker.component.id).startsWith(`${part.component.id}.`));
const takersOf = (part: Part, parts: readonly Part[]) => parts.filter((p) => p !== part && p.steps.some((s) => takesFrom(s, p, part)));

/** Whether what a component makes is cooked on its way: by itself, or in whatever takes it. */
function cookedOnTheWay(part: Part, parts: readonly Part[]): boolean {
  if (part.steps.some(killsGerms)) return true;
  const takers = takersOf(part, parts);
  const seen = new Set([part.component.id]);
  return takers.length > 0 && takers.every((p) => cookedFromTaking(p, part, parts, seen));
}

function cookedFromTaking(taker: Part, part: Part, parts: readonly Part[], seen: Set<string>): boolean {
  const from = taker.steps.findIndex((s) => takesFrom(s, taker, part));
  if (taker.steps.slice(from).some(killsGerms)) return true;
  if (seen.has(taker.component.id)) return false;
  seen.add(taker.component.id);
  const next = takersOf(taker, parts);
  return next.length > 0 && next.every((p) => cookedFromTaking(p, taker, parts, seen));
}

const careOf = ({ document }: SafetyScene) => document.dish.guests?.care ?? [];

/** Every egg of a component bought pasteurised. */
const pasteurised = (part: Part): Mend => ({
  label: "Pasteurised egg",
  apply: (d) =>
    withMethod(d, { component: part.component.id, method: part.method.id }, (m) => ({
      ...m,
      ingredients: (m.ingredients ?? []).map((i) =>
        EGG.test(i.name) && !EGG_SAFE.test(i.name) ? { ...i, name: `Pasteurised ${i.name.toLowerCase()}` } : i,
      ),
    })),
});

export function eggAndMince(scene: SafetyScene): Finding[] {
  const care = careOf(scene);
  const who = care.length ? ` ${care.join(", ")} will eat of it.` : "";
  return scene.parts.flatMap((part): Finding[] => {
    const found: Finding[] = [];
    const egg = part.ingredients.find((i) => EGG.test(i.name) && !EGG_SAFE.test(i.name));
    if (egg && !cookedOnTheWay(part, scene.parts)) {
      const step = part.steps[0];
      found.push(
        cautioned("raw-egg", part.component.id, {
          component: part.component.id,
          ...(step ? { step: step.ref } : {}),
          severity: care.length ? "stop" : "warn",
          computed: `${egg.name} in ${part.component.name.toLowerCase()} and no step that cooks it.${who}`,
          mends: [pasteurised(part)],
        }),
      );
    }
    const mince =
      part.ingredients.find((i) => MINCE.test(i.name)) ??
      (part.steps.some((s) => /\bmince\b|\bgrind\b|processor/i.test(s.name))
        ? part.ingredients.find((i) => /pork|beef|veal|lamb|venison/i.test(i.name))
        : undefined);
    if (mince) {
      const cooking = part.steps.filter(killsGerms);
      const probes = cooking.flatMap((s) => (s.step.done?.probeC === undefined ? [] : [s.step.done.probeC]));
      const low = probes.length > 0 && Math.max(...probes) < 70;
      if (!cookedOnTheWay(part, scene.parts) || low) {
        const step = cooking.at(-1) ?? part.steps.at(-1);
        found.push(
          cautioned("raw-mince", part.component.id, {
            component: part.component.id,
            ...(step ? { step: step.ref } : {}),
            severity: care.length ? "stop" : "warn",
            computed: low
              ? `The middle is taken to ${Math.max(...probes)} °C; mince wants 71 °C.${who}`
              : `${mince.name}, minced, and no step that cooks it through.${who}`,
            mends: step
              ? [
                  {
                    label: low ? "71 °C in the middle" : `“${step.name}” takes it to 71 °C in the middle`,
                    apply: (d) => withStep(d, step.place, (s) => ({ ...s, done: { ...s.done, probeC: 71 } })),
                  },
                ]
              : [],
          }),
        );
      }
    }
    return found;
  });
}

const FLOUR = /\bflour\b/i;
export function rawFlour(scene: SafetyScene): Finding[] {
  return scene.parts.flatMap((part): Finding[] => {
    const flour = part.ingredients.find((i) => FLOUR.test(i.name) && !/toasted|roasted|rice flour/i.test(i.name));
    if (!flour || gramsOf(part, FLOUR) <= 0 || cookedOnTheWay(part, scene.parts)) return [];
    const step = part.steps.at(-1);
    return [
      cautioned("raw-flour", part.component.id, {
        component: part.component.id,
        ...(step ? { step: step.ref } : {}),
        severity: "warn",
        computed: `${flour.name} in ${part.component.name.toLowerCase()}, and nothing bakes or boils it before it is eaten.`,
        mends: step
          ? [
              {
                label: `“${step.name}” boils it`,
                apply: (d) => withStep(d, step.place, (s) => ({ ...s, boils: true })),
              },
            ]
          : [],
      }),
    ];
  });
}

const REHEATS = /\b(?:reheat|warm (?:up|through|again)|heat through|bring back)/i;
const HOT_ENOUGH = 74;
/** Food that was cold is taken to 74 °C in the middle. Bread and pastry are freshened, not reheated. */
export function reheating({ parts }: SafetyScene): Finding[] {
  return parts.flatMap((part): Finding[] =>
    part.steps.flatMap((step): Finding[] => {
      if (!REHEATS.test(step.name) || ["dough", "batter", "sweet", "pastry"].includes(part.component.kind)) return [];
      const probe = step.step.done?.probeC;
      if (step.step.boils || (probe !== undefined && probe >= HOT_ENOUGH)) return [];
      return [
        {
          ...cautioned("reheat-twice", `74:${step.ref}`, {
            component: part.component.id,
            step: step.ref,
            severity: "warn",
            title: "Warmed up, but how hot?",
            computed: probe === undefined ? `“${step.name}” says no temperature.` : `“${step.name}” stops at ${probe} °C.`,
            way: "74 °C in the middle, within two hours, and only once",
            mends: [
              {
                label: `${HOT_ENOUGH} °C in the middle`,
                apply: (d) => withStep(d, step.place, (s) => ({ ...s, done: { ...s.done, probeC: HOT_ENOUGH } })),
              },
            ],
          }),
          caution:
            "Food that was cold is heated to 74 °C all through, within two hours and only once; what lingers lukewarm grows what cooking does not undo.",
          source: "FDA Food Code 2022, 3-403.11",
        },
      ];
    }),
  );
}

// Raw contact, followed: what has touched raw meat, fish or egg, through liquors, glazes, brushes and boards, until something boils or bakes it.
// `raw` and `boils` of the dish file say it; where a component's own ingredients are raw meat nobody has to.
import { withStep } from "../../dish/edit/places";
import { insertStepBefore } from "../../dish/edit/steps";
import { cautioned, type Finding, type Mend } from "../finding";
import { type Item, isOf, type Part, type PartStep, whole } from "../part";
import { isRawFlesh, killsGerms, type SafetyScene } from "../scene";
import { coreNeeded, does, heatOf } from "../states/process";

interface Trail {
  /** What it began with. */
  readonly what: string;
  /** Names of the steps it went through since. */
  readonly through: readonly PartStep[];
  /** The dish file says it, in place of the names of ingredients. */
  readonly stated: boolean;
  /** Cured or pickled on the way: eaten raw on purpose, perhaps. */
  readonly cured: boolean;
}

/** Of any raw flesh, poultry and mince too. */
const SAFE_CORE_C = 74;

const CURES = /\b(?:cure|pickle|souse|marinate in (?:lime|vinegar|lemon))/i;
const TOUCHED = /liquor|marinade|glaze|brine|drip|juice|baste|brush|board/i;

/** Trails of raw contact at the end of each step, and on each output. */
function followed(parts: readonly Part[]) {
  const outputs = new Map<string, Trail>();
  const steps = new Map<string, Trail>();
  // As many rounds as there are components: a trail crosses each at most once.
  for (let round = 0; round <= parts.length; round++) {
    let changed = false;
    for (const part of parts) {
      const rawMeat = part.items.find((i) => isRawFlesh(i) && !isOf("bivalve")(i));
      let trail: Trail | undefined;
      for (const [at, step] of part.steps.entries()) {
        if (rawMeat && at === rawMeat.enters) trail = { what: rawMeat.ingredient.name, through: [], stated: false, cured: false };
        const taken = (step.step.takes ?? []).map((t) => outputs.get(whole(t.from, part.component.id))).find((t) => t !== undefined);
        if (taken) trail = taken;
        trail = trail && { ...trail, through: [...trail.through, step].slice(-6), cured: trail.cured || CURES.test(step.name) };
        if (killsGerms(step) || (rawMeat && isWholeCut(rawMeat) && isRealHeat(step))) trail = undefined;
        if (trail) steps.set(step.ref, trail);
        for (const o of step.step.makes ?? []) {
          const ref = `${part.component.id}.${o.id}`;
          const cured = part.component.kind === "cure" || CURES.test(part.steps.map((x) => x.name).join(" "));
          const now = o.raw ? { what: o.name ?? o.id, through: [step], stated: true, cured } : trail;
          if (now && !outputs.has(ref)) {
            outputs.set(ref, now);
            changed = true;
          }
        }
      }
    }
    if (!changed) break;
  }
  return { outputs, steps };
}

/** A liquid is boiled. */
const boiledBefore = (step: PartStep): Mend => ({
  label: `Bring it to a full boil for a minute before “${step.name}”`,
  apply: (d) =>
    insertStepBefore(d, step.place, { name: "Bring to a full boil for a minute", time: "10m", boils: true, uses: [{ what: "burner" }] }),
});

/** What can not be boiled is cooked through, measured in the middle. */
const cookedBefore = (step: PartStep): Mend => ({
  label: `Cook it through, to ${SAFE_CORE_C} °C in the middle, before “${step.name}”`,
  apply: (d) =>
    insertStepBefore(d, step.place, {
      name: `Cook through, to ${SAFE_CORE_C} °C in the middle`,
      time: { min: "20m", likely: "30m", max: "45m" },
      attention: "nearby",
      uses: [{ what: "oven", tempC: 180, toleranceC: 10 }],
      done: { probeC: SAFE_CORE_C },
    }),
});

export function rawContact({ parts, document }: SafetyScene): Finding[] {
  const { outputs } = followed(parts);
  const served = new Set([document.dish.serve, ...(document.dish.courses ?? []).map((c) => c.serve)]);
  const found: Finding[] = [];
  for (const part of parts) {
    for (const [i, step] of part.steps.entries()) {
      const takes = (step.step.takes ?? []).map((t) => whole(t.from, part.component.id));
      const raw = takes.flatMap((ref) => {
        const trail = outputs.get(ref);
        return trail ? [{ ref, trail }] : [];
      });
      const first = raw[0];
      if (!first || killsGerms(step)) continue;
      // Heated later in the same component: then it is not finished food that it meets.
      const later = part.steps.slice(i + 1);
      if (later.some(killsGerms)) continue;
      const atTable = served.has(step.ref);
      const meetsCooked = takes.some((ref) => !outputs.has(ref) && isCooked(ref, parts)) || part.steps.slice(0, i).some(killsGerms);
      if (!atTable && !meetsCooked) continue;
      const liquor = TOUCHED.test(first.trail.what) || TOUCHED.test(takes.join(" "));
      const eaten = first.trail.cured && !meetsCooked;
      // What comes to the table by itself is judged by how far it was cooked; here it is what it meets.
      if (!meetsCooked && !first.trail.stated && !liquor) continue;
      // Cured fish or meat that is eaten as it is may lie beside what was cooked; how raw it is has rules of its own.
      if (first.trail.cured && !first.trail.stated && !liquor) continue;
      found.push(
        cautioned(liquor ? "marinade-reuse" : "cross-contamination", `${step.ref}:${first.ref}`, {
          component: part.component.id,
          step: step.ref,
          severity: eaten ? "warn" : "stop",
          title: eaten ? "It is served raw" : "Something that touched raw food touches finished food",
          computed: `${first.trail.what} is raw, goes through ${first.trail.through.map((s) => `“${s.name}”`).join(", ")} to “${step.name}”, and is not boiled or baked before it is eaten.`,
          mends: eaten ? [] : [liquor ? boiledBefore(step) : cookedBefore(step)],
        }),
      );
    }
  }
  return found;
}

/** A browned outside is enough for a whole cut of beef, lamb or game, and for fish that may be eaten raw. */
const isWholeCut = (i: Item) => coreNeeded(i.food?.class ?? "other", i.food?.food.species) === undefined;
const isRealHeat = (s: PartStep) => {
  const heat = heatOf(s);
  return heat !== undefined && heat.medium !== "warm" && heat.medium !== "bath" && (heat.medium !== "smoke" || (heat.coreC ?? 0) >= 50);
};

const isCooked = (ref: string, parts: readonly Part[]) => {
  const part = parts.find((p) => p.component.id === ref.split(".")[0]);
  return part?.steps.some(killsGerms) === true;
};

const POURS = /\b(?:pour|spoon|baste|brush|glaze|serve|drizzle|dress|toss|coat|finish|reduce to|use)/i;
const LIQUOR =
  /\b(?:marinade|brine|souse|soaking liquid|liquor it was in|juices? (?:of|from) the raw|(?:left-?over|remaining|rest of the) (?:\w+ )?(?:paste|sauce|rub|liquid|liquor|mixture|glaze|yogh?urt))\b/i;
const TO_THE_END =
  /\b(?:to|till|until|up to) the (?:very )?(?:end|last)\b|\b(?:until|till) (?:they|it) (?:comes? off|(?:is|are) (?:done|ready|cooked))\b|\bthroughout\b|\blast (?:minute|moment)\b|\bjust before (?:it|they|serving)\b/i;
/** What raw flesh has lain in, poured over it or served by a later step that does not boil it. */
export function marinadeReuse({ parts }: SafetyScene): Finding[] {
  return parts.flatMap((part): Finding[] => {
    const flesh = part.items.find(isRawFlesh);
    const lay = part.steps.findIndex((s) =>
      /\b(?:marinat|brine|brining|souse|soak|steep|macerat|(?:leave|lie|lay|turn|bathe|coat) (?:\w+ ){0,4}in the )/i.test(s.name),
    );
    if (!flesh || lay < 0) return [];
    const at = part.steps.findIndex(
      (s, i) => i > lay && LIQUOR.test(s.name) && POURS.test(s.name) && !/\b(?:pour (?:off|away)|discard|throw)/i.test(s.name),
    );
    const step = part.steps[at];
    if (!step || does.boilsHard(step) || part.steps.slice(lay + 1, at).some((s) => LIQUOR.test(s.name) && does.boilsHard(s))) return [];
    // Poured on before or while it cooks, it is cooked with it; what is brushed on until the last moment is not.
    const later = part.steps.slice(at + 1).some(killsGerms);
    const late = TO_THE_END.test(step.words);
    if (later || (killsGerms(step) && !late)) return [];
    return [
      cautioned("marinade-reuse", step.ref, {
        component: part.component.id,
        step: step.ref,
        severity: late ? "warn" : "stop",
        computed: late
          ? `${flesh.ingredient.name} lay raw in what “${step.name}” puts on until the end, and it is not boiled first.`
          : `${flesh.ingredient.name} was raw in what “${step.name}” serves, and that is not boiled.`,
        mends: [
          {
            label: "Bring it to a full boil for a minute first",
            apply: (d) =>
              insertStepBefore(d, step.place, {
                name: "Bring the marinade to a full boil for a minute",
                time: "10m",
                boils: true,
                uses: [{ what: "burner" }],
              }),
          },
        ],
      }),
    ];
  });
}

/** Raw flesh and finished food on one board, said in so many words. */
export function sameBoard({ parts }: SafetyScene): Finding[] {
  return parts.flatMap((part) => {
    const flesh = part.items.find(isRawFlesh);
    if (!flesh) return [];
    return part.steps
      .filter(
        (s) => /\bsame (?:board|knife|bowl|plate|tray|tongs|dish|cloth)\b/i.test(s.words) && !/\b(?:wash|clean|scrub|scald)/i.test(s.words),
      )
      .map((step) =>
        cautioned("cross-contamination", `board:${step.ref}`, {
          component: part.component.id,
          step: step.ref,
          computed: `“${step.name}” uses what has touched ${flesh.ingredient.name.toLowerCase()}, and it is not washed in between.`,
          mends: [
            {
              label: "Another board, washed hands",
              apply: (d) =>
                withStep(d, step.place, (s) => ({
                  ...s,
                  name: (s.name ?? "").replace(/\bthe same\b/i, "another, clean"),
                  note: s.note?.replace(/\bthe same\b/i, "another, clean"),
                })),
            },
          ],
        }),
      );
  });
}

// Raw contact, followed: what has touched raw meat, fish or egg, through liquors, glazes, brushes and boards, until something boils or bakes it.
// `raw` and `boils` of the dish file say it; where a component's own ingredients are raw meat nobody has to.
import { withStep } from "../../dish/edit/places";
import { MEAT, NOT_RAW_MEAT } from "../../dish/meat";
import { cautioned, type Finding } from "../finding";
import { killsGerms, type Part, type PartStep, type SafetyScene, whole } from "../scene";

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
      const rawMeat = part.ingredients.find((i) => MEAT.test(i.name) && !NOT_RAW_MEAT.test(i.name));
      let trail: Trail | undefined = rawMeat && { what: rawMeat.name, through: [], stated: false, cured: false };
      for (const step of part.steps) {
        const taken = (step.step.takes ?? []).map((t) => outputs.get(whole(t.from, part.component.id))).find((t) => t !== undefined);
        if (taken) trail = taken;
        trail = trail && { ...trail, through: [...trail.through, step].slice(-6), cured: trail.cured || CURES.test(step.name) };
        if (killsGerms(step)) trail = undefined;
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
      const liquor = TOUCHED.test(first.trail.what) || TOUCHED.test(first.trail.through.map((s) => s.name).join(" "));
      const eaten = first.trail.cured && !meetsCooked;
      found.push(
        cautioned(liquor ? "marinade-reuse" : "cross-contamination", `${step.ref}:${first.ref}`, {
          component: part.component.id,
          step: step.ref,
          severity: eaten ? "warn" : "stop",
          title: eaten ? "It comes to the table raw" : "What touched raw food meets finished food",
          computed: `${first.trail.what} is raw, comes by ${first.trail.through.map((s) => `“${s.name}”`).join(", ")} to “${step.name}”, and nothing boils or bakes it before it is eaten.`,
          mends: [
            { label: `“${step.name}” brings it to a full boil`, apply: (d) => withStep(d, step.place, (s) => ({ ...s, boils: true })) },
          ],
        }),
      );
    }
  }
  return found;
}

const isCooked = (ref: string, parts: readonly Part[]) => {
  const part = parts.find((p) => p.component.id === ref.split(".")[0]);
  return part?.steps.some(killsGerms) === true;
};

// References to steps and outputs wherever they stand in a document: renamed, or taken out with what they name.

import type { DishComponent, DishFile, DishStep } from "./schema";
import { isStepPin } from "./wishes";

/** Fields that hold references to steps and outputs, wherever they stand in a component. */
const REFERENCES = new Set(["from", "step", "within", "until", "of", "output"]);

/**
 * A component with its references to other components renamed.
 * @param ids old component id to new; references to components that are not in it stay
 */
export function withRenamedRefs(component: DishComponent, ids: ReadonlyMap<string, string>): DishComponent {
  const rename = (ref: string) => {
    const [head = "", ...rest] = ref.split(".");
    return [ids.get(head) ?? head, ...rest].join(".");
  };
  const walk = (value: unknown, key: string): unknown => {
    if (typeof value === "string") return (REFERENCES.has(key) || key === "after") && value.includes(".") ? rename(value) : value;
    if (Array.isArray(value)) return value.map((v) => walk(v, key));
    if (typeof value === "object" && value !== null) return Object.fromEntries(Object.entries(value).map(([k, v]) => [k, walk(v, k)]));
    return value;
  };
  return walk(component, "") as DishComponent;
}

/**
 * A document without the references to what is gone; what is gone itself has been taken out already.
 * @param gone of a whole reference, "component.step" or "component.output"
 */
export function withoutReferences(document: DishFile, gone: (ref: string, kind: "step" | "output") => boolean): DishFile {
  const step = (s: DishStep, component: string): DishStep => {
    const lost = (ref: string, kind: "step" | "output") => gone(ref.includes(".") ? ref : `${component}.${ref}`, kind);
    const kept: Record<string, unknown> = { ...s };
    const after = s.after?.filter((l) => !lost(typeof l === "string" ? l : l.step, "step"));
    // Where all that it waited for is gone, it follows the step before it again.
    if (s.after && s.after.length > 0 && after?.length === 0) delete kept.after;
    else if (after) kept.after = after;
    const takes = s.takes?.filter((t) => !lost(t.from, "output"));
    if (s.takes && takes?.length === 0) delete kept.takes;
    else if (takes) kept.takes = takes;
    if (s.within !== undefined && lost(s.within, "step")) delete kept.within;
    if (s.uses)
      kept.uses = s.uses.map((u) => {
        if (u.until === undefined || !lost(u.until, "step")) return u;
        const { until: _, ...rest } = u;
        return rest;
      });
    if (typeof s.batches === "object" && lost(s.batches.of, "output")) delete kept.batches;
    return kept as DishStep;
  };
  const { plate, courses, ...dish } = document.dish;
  const plates = plate?.filter((p) => !gone(p.output, "output"));
  const kept = courses?.filter((c) => !gone(c.serve, "step"));
  const pins = document.wishes?.pins?.filter((p) => !isStepPin(p) || !gone(p.step, "step"));
  return {
    ...document,
    dish: { ...dish, ...(kept?.length ? { courses: kept } : {}), ...(plates?.length ? { plate: plates } : {}) },
    components: document.components.map((c) => ({
      ...c,
      methods: c.methods.map((m) => ({ ...m, steps: m.steps.map((s) => step(s, c.id)) })),
    })),
    ...(document.wishes ? { wishes: { ...document.wishes, ...(pins ? { pins } : {}) } } : {}),
  };
}

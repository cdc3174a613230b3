// Questions about the table: what one guest gets, who may not eat what, and what is done if a component fails.
import { readLength } from "../../entry/durations";
import { durationText } from "../../time/duration";
import { withFallback } from "../edit/components";
import { EditRefused } from "../edit/refused";
import type { DishFile } from "../schema";
import type { Question } from "./question";
import { spanOf, stepsOf } from "./walk";

/** A component that takes so long, or is so unsure, is asked for a way out. */
const LONG_MINUTES = 24 * 60;

/** "Nothing is planned if this fails: what would you buy?", "Is there a quicker way?" */
export function fallbackQuestions(document: DishFile): Question[] {
  return document.components.flatMap((c): Question[] => {
    const method = c.methods[0];
    if (!method || c.onHand?.length || c.kind === "assembly") return [];
    const spans = method.steps.map(spanOf);
    const total = spans.reduce((sum, s) => sum + s.likely, 0);
    const unsure = spans.reduce((sum, s) => sum + s.max - s.min, 0);
    const found: Question[] = [];
    const risky = total >= LONG_MINUTES || unsure >= 4 * 60;
    if (risky && !c.fallback && c.methods.length === 1) {
      found.push({
        id: `fallback:${c.id}`,
        component: c.id,
        about: undefined,
        text: `Nothing is planned if ${c.name.toLowerCase()} fails: what would you buy or make instead?`,
        why: "The plan then has a last moment to decide, and tells you in time.",
        weight: 32,
        answers: [],
        typed: {
          prompt: "Replacement, how soon ready",
          example: "a bought one, 1h",
          apply: (d, text) => {
            const [name = "", ...rest] = text.split(/,(?!\d)/);
            const lead = readLength(rest.join(",").trim() || "1h");
            if (name.trim() === "" || !lead)
              throw new EditRefused("Write the replacement and how soon it is ready, such as “bought loaf, 1h”.");
            return withFallback(d, c.id, { name: name.trim(), lead: durationText(lead.likely), quality: 0.5 });
          },
        },
      });
    }
    return found;
  });
}

/** "What does one guest get of it?", "Is there anything that somebody may not eat?" */
export function tableQuestions(document: DishFile): Question[] {
  const found: Question[] = [];
  const { guests } = document.dish;
  // An empty list is an answer: nobody.
  if (guests?.avoid === undefined && !guests?.care?.length) {
    const put = (avoid: readonly string[], care: readonly string[]) => (d: DishFile) => ({
      ...d,
      dish: {
        ...d.dish,
        guests: { ...d.dish.guests, ...(avoid.length ? { avoid: [...avoid] } : {}), ...(care.length ? { care: [...care] } : {}) },
      },
    });
    found.push({
      id: "guests",
      component: undefined,
      about: undefined,
      text: "Does a guest have an allergy, or need special care?",
      why: "Every component is then checked for allergens, and for raw egg, mince and alcohol where there are children, pregnant or frail guests.",
      weight: 68,
      answers: [
        { label: "Nobody", apply: (d) => ({ ...d, dish: { ...d.dish, guests: { ...d.dish.guests, avoid: [] } } }) },
        { label: "There are children", apply: put([], ["children"]) },
        { label: "A guest avoids nuts", apply: put(["nuts"], []) },
      ],
      typed: {
        prompt: "Guests avoid",
        example: "gluten, milk",
        apply: (d, text) => {
          const avoid = text
            .split(",")
            .map((t) => t.trim().toLowerCase())
            .filter(Boolean);
          if (avoid.length === 0) throw new EditRefused("Write what is avoided, such as “nuts, milk”.");
          return put(avoid, [])(d);
        },
      },
    });
  }
  const before = stepsOf(document).filter((s) => s.ref === document.dish.serve);
  if (before[0] && !before[0].step.takes?.length && document.components.length > 1) {
    found.push({
      id: "nothing-served",
      component: before[0].component.id,
      about: document.dish.serve,
      text: "What is served? The last step uses nothing yet.",
      why: "Only what leads to serving is planned.",
      weight: 95,
      answers: [],
    });
  }
  return found;
}

// What the page says of a rule that something begun cannot keep: what happens, in a cook's words. One sentence each.
import type { Dish, Step } from "../core/dish/model";
import type { Plan, PlanException } from "../core/planner";
import { spokenDuration } from "../core/time/duration";

const two = (n: number) => String(n).padStart(2, "0");

/** The plan with a sentence for each exception and for each step that is planned shorter. */
export function withWords(dish: Dish, plan: Plan): Plan {
  if (!plan.exceptions?.length) return plan;
  return { ...plan, exceptions: plan.exceptions.map((e) => ({ ...e, text: exceptionWords(dish, plan, e) })) };
}

/**
 * One exception as a sentence.
 * @example "Tilly works until 23:47 for “Smoke”, 17 min past her hours."
 */
export function exceptionWords(dish: Dish, plan: Plan, e: PlanException): string {
  const steps = dish.components.flatMap((c) => c.methods.flatMap((m) => m.steps));
  const step = steps.find((s) => s.ref === e.step);
  const name = step ? `“${step.name}”` : "this step";
  const at = (minute: number) => {
    const { hour, minute: m } = dish.zone.wall(minute);
    return `${two(hour)}:${two(m)}`;
  };
  const length = spokenDuration(e.to - e.from);
  const cook = dish.cooks.find((c) => c.id === e.cook)?.name;
  switch (e.rule) {
    case "H3":
      return `${followerOf(plan, steps, e)} starts ${length} later after ${name} than is best.`;
    case "H4":
      return e.output === undefined
        ? `Part of a step runs after ${name} has ended, from ${at(e.from)} to ${at(e.to)}.`
        : `“${outputName(steps, e.output)}” waits ${length} longer than is best for it.`;
    case "H6": {
      const other = plan.steps.find((s) => s.step !== e.step && s.hands.some((h) => h.cook === e.cook && h.from < e.to && e.from < h.to));
      const second = steps.find((s) => s.ref === other?.step);
      if (second) return `${cook ?? "A cook"} has two things to do from ${at(e.from)} to ${at(e.to)}: ${name} and “${second.name}”.`;
      return `${cook ?? "A cook"} works from ${at(e.from)} to ${at(e.to)} for ${name}, outside their hours.`;
    }
    case "H7":
      return `Somebody stays up or at home until ${at(e.to)} for ${name}.`;
    case "H8":
      return `Somebody has to look after ${name} at ${at(e.from)}, when nobody is up and at home.`;
    case "H9":
      return `${name} needs equipment that is taken or missing from ${at(e.from)} to ${at(e.to)}.`;
    case "H10":
      return `The oven, bath or grill does not suit ${name} from ${at(e.from)} to ${at(e.to)}.`;
    case "H11":
      return `There is too little room for ${name} from ${at(e.from)} to ${at(e.to)}.`;
    case "H12":
      return `${name} goes on from ${at(e.from)} to ${at(e.to)}, in a quiet time.`;
  }
}

/** The step that comes too late after the one named, by when it starts. */
function followerOf(plan: Plan, steps: readonly Step[], e: PlanException): string {
  const late = plan.steps.find((s) => s.start === e.to && steps.find((x) => x.ref === s.step)?.links.some((l) => l.step === e.step));
  const step = steps.find((s) => s.ref === late?.step);
  return step ? `“${step.name}”` : "The next step";
}

const outputName = (steps: readonly Step[], ref: string): string => steps.flatMap((s) => s.makes).find((o) => o.ref === ref)?.name ?? ref;

// What a run has made and not used up: by its log, its plan and the holds of the dish file. While it goes on, with the steps that take of it yet.
import type { Dish, Hold, Output, Step } from "../dish/model";
import { comparable, type Quantity } from "../dish/units";
import type { Plan } from "../planner/plan";
import type { Progress } from "../record/progress";
import { stepsInForce } from "../view/plan-view";
import { LARDER_PLACES, type LarderPlace } from "./events";
import type { LarderItem } from "./items";

interface RunMade {
  readonly runId: string;
  readonly slug: string;
  readonly name: string;
  readonly dish: Dish;
  readonly plan: Plan;
  readonly progress: Progress;
  /** The run has ended: what nothing took is left over. */
  readonly ended: boolean;
}

/** What sticks to the bowl. */
const LEAST_SHARE = 0.01;

/** The outputs of a run that are there, each with its place and its limit; what no hold says how long it keeps is not kept. */
export function itemsOfRun(run: RunMade): LarderItem[] {
  const { dish, plan, progress } = run;
  const steps = stepsInForce(dish, plan);
  const planned = new Map(plan.steps.map((s) => [s.step, s]));
  const served = new Set([dish.serve, ...dish.courses.map((c) => c.serve)]);
  return steps.flatMap((maker) => {
    const event = progress.get(maker.ref);
    if (event?.ended === undefined || event.skipped || served.has(maker.ref)) return [];
    const made = event.ended;
    return maker.makes.flatMap((output): LarderItem[] => {
      const takers = steps.filter((s) => s.takes.some((t) => t.from === output.ref));
      const gone = takers.filter((s) => run.ended || progress.has(s.ref));
      const left = leftAfter(output, gone, progress);
      if (left === undefined) return [];
      const coming = takers
        .filter((s) => !gone.includes(s))
        .map((s) => ({ step: s.name, at: planned.get(s.ref)?.start ?? Number.POSITIVE_INFINITY, quantity: takenBy(s, output) }))
        .sort((a, b) => a.at - b.at);
      // What is taken all at once, and was, is gone, whatever its amount.
      const hold = holdOf(output, plan, run.ended);
      if (!hold) return [];
      return [
        {
          id: `run ${run.runId} ${output.ref}`,
          name: output.name,
          quantity: left === "some" ? undefined : left,
          about: undefined,
          place: hold.place as LarderPlace,
          made,
          best: hold.best && [made + hold.best[0], made + hold.best[1]],
          until: hold.max === undefined ? undefined : made + hold.max,
          limit: hold.max === undefined ? undefined : (hold.limit ?? "quality"),
          opened: undefined,
          reserved: coming.length ? run.name : undefined,
          source: {
            slug: run.slug,
            dish: run.name,
            output: output.ref,
            component: componentOf(dish, output.ref)?.name ?? output.ref,
            kind: componentOf(dish, output.ref)?.kind ?? "",
            takers: coming,
            underway: !run.ended,
          },
        },
      ];
    });
  });
}

const componentOf = (dish: Dish, ref: string) => dish.components.find((c) => ref.startsWith(`${c.id}.`));

function takenBy(step: Step, output: Output): Quantity | undefined {
  const take = step.takes.find((t) => t.from === output.ref);
  return take?.quantity;
}

/** What is left of an output after the steps that took of it: undefined for nothing, "some" where no amount says how much. */
function leftAfter(output: Output, gone: readonly Step[], progress: Progress): Quantity | "some" | undefined {
  const really = gone.filter((s) => progress.get(s.ref)?.skipped !== true);
  if (!output.quantity) return really.length ? undefined : "some";
  let { value } = output.quantity;
  for (const step of really) {
    const quantity = takenBy(step, output);
    if (!quantity) return undefined;
    if (comparable(output.quantity, quantity)) value -= quantity.value;
  }
  return value > output.quantity.value * LEAST_SHARE ? { ...output.quantity, value } : undefined;
}

const isPlace = (hold: Hold) => (LARDER_PLACES as readonly string[]).includes(hold.place);

/** The hold that the plan has it under; of what is left over, the one that keeps it longest where it stands. */
function holdOf(output: Output, plan: Plan, ended: boolean): Hold | undefined {
  const [held] = plan.holds.filter((h) => h.output === output.ref).sort((a, b) => b.to - a.to);
  const own = held && output.holds[held.hold];
  if (own && isPlace(own)) {
    const there = output.holds.filter((h) => h.place === own.place);
    return ended ? there.reduce((a, b) => ((b.max ?? Number.POSITIVE_INFINITY) > (a.max ?? Number.POSITIVE_INFINITY) ? b : a)) : own;
  }
  return output.holds.find(isPlace);
}

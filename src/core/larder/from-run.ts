// What a run has made and not used up: by its log, its plan and the holds of the dish file. While it goes on, with the steps that take of it yet.
import { balanceOf } from "../dish/balance";
import type { Dish, Hold, Output, Step } from "../dish/model";
import type { Quantity } from "../dish/units";
import type { Plan } from "../planner/plan";
import type { Progress } from "../record/progress";
import { stepsInForce } from "../view/plan-view";
import { LARDER_PLACES, type LarderPlace } from "./events";
import { type LarderItem, USED_UP_SHARE } from "./items";

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

/** The outputs of a run that are there, each with its place and its limit; what no hold says how long it keeps is not kept. */
export function itemsOfRun(run: RunMade): LarderItem[] {
  const { dish, plan, progress } = run;
  const steps = stepsInForce(dish, plan);
  const planned = new Map(plan.steps.map((s) => [s.step, s]));
  const served = new Set([dish.serve, ...dish.courses.map((c) => c.serve)]);
  const serving = steps.find((s) => s.ref === dish.serve);
  const serve = progress.get(dish.serve);
  const eaten = serve?.ended !== undefined && !serve.skipped;
  return steps.flatMap((maker) => {
    const event = progress.get(maker.ref);
    if (event?.ended === undefined || event.skipped || served.has(maker.ref)) return [];
    const made = event.ended;
    return maker.makes.flatMap((output): LarderItem[] => {
      const own = { run, output, steps, eaten };
      const left = leftOf(own);
      if (left === undefined) return [];
      const coming = comingTakers(own).map(({ step, quantity }) => {
        const taker = steps.find((s) => s.ref === step) ?? serving;
        return { step: taker?.name ?? step, at: planned.get(taker?.ref ?? step)?.start ?? Number.POSITIVE_INFINITY, quantity };
      });
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
            methods: plan.methods,
            takers: coming.toSorted((a, b) => a.at - b.at),
            underway: !run.ended,
          },
        },
      ];
    });
  });
}

const componentOf = (dish: Dish, ref: string) => dish.components.find((c) => ref.startsWith(`${c.id}.`));

interface Own {
  readonly run: RunMade;
  readonly output: Output;
  readonly steps: readonly Step[];
  /** It has been served: what stood on the plate is gone. */
  readonly eaten: boolean;
}

/** What is left of an output: undefined for nothing, "some" where no amount says how much. The plate takes of it too, once it was served. */
function leftOf({ run, output, steps, eaten }: Own): Quantity | "some" | undefined {
  const gone = steps.filter((s) => run.progress.has(s.ref) && run.progress.get(s.ref)?.skipped !== true);
  const { takers, taken, open } = balanceOf(eaten ? run.dish : { ...run.dish, plate: [] }, output.ref, output.quantity, gone);
  if (takers.length === 0) return output.quantity ?? "some";
  // What is taken without an amount is taken whole; amounts of another kind leave nobody knows how much.
  if (!output.quantity || takers.some((t) => t.quantity === undefined)) return undefined;
  if (open) return eaten ? undefined : "some";
  const value = output.quantity.value - taken;
  return value > output.quantity.value * USED_UP_SHARE ? { ...output.quantity, value } : undefined;
}

/** Steps that take of it yet, and the plate; none once the run has ended. */
function comingTakers({ run, output, steps, eaten }: Own) {
  if (run.ended) return [];
  const { takers } = balanceOf(eaten ? { ...run.dish, plate: [] } : run.dish, output.ref, output.quantity, steps);
  return takers.filter((t) => !run.progress.has(t.step));
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

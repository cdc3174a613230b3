// What has waited past its safe time: told as gone, with the steps that make it again. For those alone the log's events are passed over.
import type { Dish, Step } from "../../dish/model";
import type { Log } from "../log";
import type { Gone, Plan } from "../plan";

/** Steps of the methods in force of a plan. */
const stepsInForce = (dish: Dish, methods: Readonly<Record<string, string>>): Step[] =>
  dish.components.flatMap((c) =>
    c.onHand.length ? [] : (c.methods.find((m) => m.id === (methods[c.id] ?? c.methods[0]?.id))?.steps ?? []).slice(),
  );

/** Steps of the methods that were begun where a stand-in has taken their place: what they made is gone all the same. */
const stepsReplaced = (dish: Dish, methods: Readonly<Record<string, string>>, log: Log): Step[] =>
  dish.components.flatMap((c) => {
    if (methods[c.id] !== "fallback" || c.onHand.length) return [];
    const begun = [...log.events.keys()].filter((ref) => ref.startsWith(`${c.id}.`));
    return (c.methods.find((m) => begun.every((ref) => m.steps.some((s) => s.ref === ref)))?.steps ?? []).slice();
  });

/**
 * Outputs that were made, are still to be taken, and have waited longer than every one of their holds allows, the longest for safety.
 * @param now nothing is taken before
 */
export function goneBy(dish: Dish, methods: Readonly<Record<string, string>>, log: Log, now: number): Gone[] {
  const steps = stepsInForce(dish, methods);
  return [...steps, ...stepsReplaced(dish, methods, log)].flatMap((maker) => {
    const ended = log.events.get(maker.ref)?.ended;
    if (ended === undefined || log.events.get(maker.ref)?.skipped) return [];
    return maker.makes.flatMap((output): Gone[] => {
      const waiting = steps.some((s) => !log.events.has(s.ref) && s.takes.some((t) => t.from === output.ref));
      const longest = output.holds.reduce(
        (most, h) => (h.max === undefined || h.max > (most.max ?? Number.POSITIVE_INFINITY) ? h : most),
        output.holds[0] ?? { max: undefined, limit: undefined },
      );
      if (!waiting || output.holds.length === 0 || longest.max === undefined || longest.limit !== "safety") return [];
      return ended + longest.max < now ? [{ output: output.ref, since: ended + longest.max }] : [];
    });
  });
}

/** The steps that make an output again: its maker and what comes before it in the same component. */
export function againSteps(dish: Dish, methods: Readonly<Record<string, string>>, gone: readonly Gone[]): ReadonlySet<string> {
  const steps = stepsInForce(dish, methods);
  const again = new Set(gone.flatMap((g) => steps.filter((s) => s.makes.some((o) => o.ref === g.output)).map((s) => s.ref)));
  for (let grew = true; grew; ) {
    grew = false;
    for (const step of steps.filter((s) => again.has(s.ref))) {
      const before = [
        ...step.links.map((l) => l.step),
        ...step.takes.flatMap((t) => steps.filter((s) => s.makes.some((o) => o.ref === t.from)).map((s) => s.ref)),
      ];
      for (const ref of before) {
        if (again.has(ref) || ref.slice(0, ref.indexOf(".")) !== step.ref.slice(0, step.ref.indexOf("."))) continue;
        again.add(ref);
        grew = true;
      }
    }
  }
  return again;
}

/** The log as a plan may read it: without the events of steps that it says are done again, where that is so by the log. */
export function logForPlan(
  dish: Dish,
  plan: Plan,
  log: Log,
  now: number,
): { readonly log: Log; readonly gone: readonly Gone[]; readonly unfounded: readonly string[] } {
  const said = plan.steps.filter((s) => s.again).map((s) => s.step);
  const gone = goneBy(dish, plan.methods, log, now);
  const listed = gone.filter((g) => plan.gone?.some((p) => p.output === g.output && p.since === g.since));
  const allowed = againSteps(dish, plan.methods, listed);
  const unfounded = [
    ...said.filter((ref) => !allowed.has(ref)),
    ...(plan.gone ?? []).filter((p) => !gone.some((g) => g.output === p.output && g.since === p.since)).map((p) => p.output),
  ];
  const events = new Map([...log.events].filter(([ref]) => !(said.includes(ref) && allowed.has(ref))));
  return { log: { ...log, events }, gone: listed, unfounded };
}

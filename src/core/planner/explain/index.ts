// Why there is no plan and what would make one possible: the refusal of the planner, made small and given repairs.
import type { Dish } from "../../dish/model";
import { dishModel } from "../../dish/read-model";
import type { DishFile } from "../../dish/schema";
import { choicesOfMethods } from "../choices";
import { type PlanOptions, planningNow } from "../index";
import { EMPTY_LOG, type Log, withWishes } from "../log";
import { boughtBefore } from "../options";
import type { Clashing, Infeasible } from "../plan";
import { smallestConflict } from "./conflict";
import type { Fact } from "./fact";
import { folded, MOST_FACTS } from "./fold";
import { pinOf } from "./kitchen-facts";
import { findRepairs, type Repair } from "./repairs";

export type { Repair } from "./repairs";

export interface Diagnosis extends Infeasible {
  readonly repairs: readonly Repair[];
}

/** How an explanation is hurried along and followed. */
interface Telling {
  /** True once the smallest conflict has been looked for long enough: the planner's own words then stand, and repairs get the time. */
  readonly enough?: () => boolean;
  /** True once something has to be told: the planner's own words, where the smallest conflict is not there yet. */
  readonly hurry?: () => boolean;
  /** Told what is known so far: why, then each time that more repairs are found. */
  readonly tell?: (sofar: Diagnosis) => void;
}

/**
 * The smallest conflict in place of the first that was met, and repairs that have each been planned with.
 * @param refusal what the planner said of this document with these options
 */
export function diagnose(document: DishFile, options: PlanOptions, refusal: Infeasible, telling: Telling = {}): Diagnosis {
  const { enough = () => false, hurry = () => false, tell = () => {} } = telling;
  const dish = dishModel(document);
  const log = withWishes(dish, options.log ?? EMPTY_LOG);
  const methods = choicesOfMethods(dish, { ...options, log }).list[0] ?? {};
  const scene = {
    dish,
    now: planningNow(dish, options),
    serveAt: options.serveAt ?? dish.serveAt,
    planAt: options.planAt ?? dish.wishes.planAt ?? "cautious",
    methods,
    log,
    bought: boughtBefore(options),
  };
  let told = false;
  const conflict = smallestConflict(scene, () => {
    if (!told && hurry()) {
      told = true;
      tell({ ...refusal, conflict: refusal.conflict.slice(0, MOST_FACTS).map(plain), repairs: [] });
    }
    return enough() || options.stop?.() === true;
  });
  const facts = conflict?.facts ?? pinnedIn(refusal, dish, log);
  const why: Infeasible = {
    ...refusal,
    ...(facts.length
      ? { conflict: [...(conflict ? [] : refusal.conflict), ...folded(facts, dish, stepsInForce(dish, methods), scene.planAt)].map(plain) }
      : {}),
  };
  const found = (repairs: readonly Repair[]) => tell({ ...why, repairs });
  found([]);
  return { ...why, repairs: findRepairs({ document, options, facts, stop: options.stop, found }) };
}

/** Steps of a choice of methods. */
const stepsInForce = (dish: Dish, methods: Readonly<Record<string, string>>) =>
  dish.components.flatMap((c) =>
    c.onHand.length ? [] : (c.methods.find((m) => m.id === (methods[c.id] ?? c.methods[0]?.id))?.steps ?? []).slice(),
  );

const plain = ({ rule, steps, text, kind, about }: Clashing): Clashing => ({
  rule,
  steps,
  text,
  ...(kind === undefined ? {} : { kind }),
  ...(about === undefined ? {} : { about }),
});

/** What the cook has fixed of the steps that a refusal names: the planner's own words do not speak of it. */
function pinnedIn(refusal: Infeasible, dish: Dish, log: Log): Fact[] {
  const named = new Set(refusal.conflict.flatMap((c) => c.steps));
  const nameOf = (ref: string) => dish.components.flatMap((c) => c.methods.flatMap((m) => m.steps)).find((s) => s.ref === ref)?.name ?? ref;
  return log.pins.filter((p) => named.has(p.step)).map((p) => pinOf(p, dish, nameOf));
}

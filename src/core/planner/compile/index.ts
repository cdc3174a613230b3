// Compile: a dish, a choice of methods, a moment and a log become activities, time lags and lists of permitted starts.
// Every list is of intervals, so the cost follows the number of events and never the length of the horizon.
// Needs a dish that passed check.ts; leaves behind a Model (model.ts) for network.ts and search.ts.

import { type Dish, type Method, STORES } from "../../dish/model";
import type { PlanAt } from "../../dish/planned-length";
import type { Log } from "../log";
import type { Because, Model } from "../model";
import { addFallback, addStep } from "./activities";
import { addLinks, addServing, addTakes } from "./links";
import { type Lenience, STRICT, Workspace } from "./workspace";

export { type Lenience, STRICT } from "./workspace";

export interface CompileInput {
  readonly dish: Dish;
  readonly now: number;
  readonly serveAt: number;
  readonly planAt: PlanAt;
  /** Component to method, "fallback" included; components left out take their first method. */
  readonly methods: Readonly<Record<string, string>>;
  readonly log: Log;
  /** Minutes of one batch of steps that are planned shorter than `planAt` says. */
  readonly lengths?: ReadonlyMap<string, number> | undefined;
  /** How far what has begun, and what may not wait for it, may go past hours and quality waits; default: not at all. */
  readonly lenience?: Lenience | undefined;
  /** Replacements that were decided on before now, by component: when. They have no step that could be pressed. */
  readonly bought?: ReadonlyMap<string, number> | undefined;
}

type Compiled = { readonly status: "compiled"; readonly model: Model } | { readonly status: "impossible"; readonly because: Because };

/** Builds the model for one choice of methods. */
export function compile(input: CompileInput): Compiled {
  const { dish, now, serveAt, planAt, log } = input;
  const last = Math.max(serveAt, ...dish.courses.map((c) => serveAt + c.after));
  const chosen = new Map<string, Method | "fallback">();
  for (const component of dish.components) {
    if (component.onHand.length) continue;
    const wanted = input.methods[component.id] ?? component.methods[0]?.id;
    const method = wanted === "fallback" && component.fallback ? "fallback" : component.methods.find((m) => m.id === wanted);
    if (!method)
      return { status: "impossible", because: { rule: "H1", steps: [], text: `"${component.name}" has no method "${wanted}".` } };
    chosen.set(component.id, method);
  }
  const inForce = [...chosen.values()].flatMap((m) => (m === "fallback" ? [] : m.steps));
  const w = new Workspace(dish, now, serveAt, last, planAt, log, chosen, inForce, input.lengths ?? new Map(), input.lenience ?? STRICT);
  return run(w, input.bought ?? new Map());
}

function run(w: Workspace, bought: ReadonlyMap<string, number>): Compiled {
  for (const step of w.inForce) {
    const impossible = addStep(w, step);
    if (impossible) return { status: "impossible", because: impossible };
  }
  for (const component of w.dish.components) {
    if (w.chosen.get(component.id) === "fallback" && component.fallback)
      addFallback(w, component.id, component.name, component.fallback.lead, bought.get(component.id));
  }
  for (const step of w.inForce) {
    addLinks(w, step);
    const impossible = addTakes(w, step);
    if (impossible) return { status: "impossible", because: impossible };
  }
  addServing(w);
  const storeLitres = new Map<string, number>();
  for (const place of STORES) {
    storeLitres.set(
      place,
      w.dish.equipment.filter((e) => e.kind === place).reduce((sum, e) => sum + (e.litres ?? Number.POSITIVE_INFINITY), 0),
    );
  }
  const methods: Record<string, string> = {};
  for (const [id, method] of w.chosen) methods[id] = method === "fallback" ? "fallback" : method.id;
  return {
    status: "compiled",
    model: {
      dish: w.dish,
      now: w.now,
      serveAt: w.serveAt,
      last: w.last,
      planAt: w.planAt,
      methods,
      inForce: w.inForce,
      activities: w.activities,
      lags: w.lags,
      takings: w.takings,
      waitings: w.waitings,
      first: w.first,
      lastOf: w.lastOf,
      units: w.units,
      storeLitres,
      here: w.hours.here,
      roundMinutes: (step, takes) => w.hours.roundMinutes(step, takes),
      warmth: w.warmth,
      closed: (word, step) => w.hours.closed(word, step),
      fallbacks: w.fallbacks,
      lengths: w.lengths,
      lenience: w.lenience,
      tied: w.tied,
      worked: new Map([...w.log.events].flatMap(([ref, e]) => (e.pieces && e.ended === undefined ? [[ref, e.pieces] as const] : []))),
    },
  };
}

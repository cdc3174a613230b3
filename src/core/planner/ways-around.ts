// Ways around the exceptions of a plan under way: what else could be done about what it cannot keep. Somebody else stays with it, it is taken as it
// is, a stand-in, served a little later or earlier. Each is planned, and says which exceptions it does without.
import { DEFAULT_KITCHEN } from "../dish/default-kitchen";
import { applyPatch, type PatchOperation } from "../dish/patch";
import { dishModel } from "../dish/read-model";
import type { DishFile } from "../dish/schema";
import { pinCookChange } from "../dish/wishes";
import type { PlanOptions } from "./index";
import { planDish } from "./index";
import type { Plan, PlanException } from "./plan";
import { feasible, type Scene, sceneOf, servingAt, standIn, takenNow, type WayOn } from "./ways-on";

export interface WayAround extends WayOn {
  /** Which of the plan's exceptions it does without, by their places in its list. */
  readonly spares: readonly number[];
}

/** Exceptions that each get ways of their own; a plan with more is asked about as a whole. */
const MOST_APART = 4;
const OTHER_SERVINGS = [15, 30, 60, -15];
const MOST_WAYS = 6;

/**
 * What else could be done about the exceptions of a plan. Each way is planned, has fewer exceptions, and does without at least one of them.
 * @param options as for the plan, with its log and the plan so far
 */
export function waysAround(document: DishFile, options: PlanOptions, plan: Plan, most = MOST_WAYS): WayAround[] {
  const scene = sceneOf(document, options);
  const exceptions = plan.exceptions ?? [];
  const found: WayAround[] = [];
  const done = new Set<number>();
  for (const way of candidates(scene, exceptions, done)) {
    if (options.stop?.() || found.length >= most) break;
    if ((way.plan.exceptions?.length ?? 0) >= exceptions.length) continue;
    const left = new Set(way.plan.exceptions?.map(keyOf));
    const spares = exceptions.flatMap((e, i) => (left.has(keyOf(e)) ? [] : [i]));
    if (spares.length === 0 || found.some((f) => sameWay(f, way) && f.spares.join() === spares.join())) continue;
    found.push({ ...way, spares });
    for (const i of spares) done.add(i);
  }
  return found;
}

/** Of the same kind two say nothing more than one, unless another cook is asked. */
const sameWay = (a: WayOn, b: WayOn) => a.kind === b.kind && (a.kind !== "stay-up" || a.text === b.text);
/** Whoever it falls to: handed to another cook it is still there. */
const keyOf = (e: PlanException) => [e.rule, e.step, e.output].join(" ");

/** @param done places of exceptions for which there is a way already */
function* candidates(scene: Scene, exceptions: readonly PlanException[], done: ReadonlySet<number>): Generator<WayOn> {
  yield* takenNow(scene);
  for (const e of exceptions.slice(0, MOST_APART)) yield* somebodyElse(scene, e);
  const replaced = standIn(scene);
  if (replaced) yield replaced;
  for (const minutes of OTHER_SERVINGS) {
    if (done.size === exceptions.length && minutes !== OTHER_SERVINGS[0]) break;
    const plan = feasible(planDish(scene.dish, { ...scene.options, serveAt: scene.serveAt + minutes }));
    if (plan) yield servingAt(scene, minutes, plan);
  }
}

/** Rules that a pair of eyes or hands more would keep. */
const FOR_SOMEBODY: ReadonlySet<string> = new Set(["H6", "H7", "H8"]);

/** Another cook stays up, or works, for as long as the exception lasts; where there is none, somebody who comes for it. */
function* somebodyElse(scene: Scene, e: PlanException): Generator<WayOn> {
  if (!FOR_SOMEBODY.has(e.rule)) return;
  const { document, dish, options } = scene;
  const { zone } = dish;
  const clock = (minute: number) => zone.toWallInstant(minute).slice(11, 16);
  const step = dish.components.flatMap((c) => c.methods.flatMap((m) => m.steps)).find((s) => s.ref === e.step);
  const cooks = document.kitchen?.cooks ?? DEFAULT_KITCHEN.cooks ?? [];
  const value = { from: zone.toWallInstant(e.from), to: zone.toWallInstant(Math.max(e.to, e.from + 1)) };
  const own: PatchOperation[] = document.kitchen?.cooks
    ? []
    : [{ op: "add", path: "/kitchen", value: { ...DEFAULT_KITCHEN, ...document.kitchen } }];
  const what = step ? ` for “${step.name}”` : "";
  const says = (name: string) =>
    e.rule === "H6"
      ? `${name} works from ${clock(e.from)} to ${clock(e.to)}${what}.`
      : e.rule === "H7"
        ? `${name} stays${what} until ${clock(e.to)}.`
        : `${name} looks in at ${clock(e.from)}${what}.`;
  // Work that may be given to somebody else is; what runs already stays whose it is.
  const given = (cook: string): PatchOperation[] =>
    e.rule === "H6" && step && !scene.log?.events.has(step.ref) ? pinCookChange(document, [step.ref], cook) : [];
  type Offer = { readonly text: string; readonly change: PatchOperation[] };
  const ofTheHouse: Offer[] = cooks.flatMap((cook, c) =>
    cook.id === e.cook || cooks.length === 1
      ? []
      : [
          {
            text: says(cook.name ?? cook.id),
            change: [
              ...own,
              {
                op: "add",
                path: `/kitchen/cooks/${c}/awake`,
                value: [...(cook.awake ?? [{ days: "all", from: "07:00", to: "23:00" }]), value],
              },
              ...(cook.hours ? [{ op: "add" as const, path: `/kitchen/cooks/${c}/hours/-`, value }] : []),
              ...given(cook.id),
            ],
          },
        ],
  );
  const id = ["helper", "helper-2", "helper-3"].find((wish) => !cooks.some((cook) => cook.id === wish)) ?? `helper-${cooks.length + 1}`;
  const comes: Offer = {
    text: says("Somebody else"),
    change: [
      ...own,
      { op: "add", path: "/kitchen/cooks/-", value: { id, name: "Somebody else", hours: [value], awake: [value] } },
      ...given(id),
    ],
  };
  const planned = ({ text, change }: Offer): WayOn | undefined => {
    const plan = feasible(planDish(dishModel(applyPatch(document, change) as DishFile), options));
    return plan && { kind: "stay-up", text, change, plan };
  };
  let found = false;
  for (const offer of ofTheHouse) {
    const way = planned(offer);
    if (!way) continue;
    found = true;
    yield way;
  }
  // Somebody has to come only where nobody of the house can.
  const way = found ? undefined : planned(comes);
  if (way) yield way;
}

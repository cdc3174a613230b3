// The planner at the cook's side: one dish as it stands now, and questions about it that change nothing. What would it be like if this
// step began there, if that were otherwise, and if it cannot be, why, and what would help. Plain data in and out: a thread runs it.
import { documentChange, joinDishes, leaveOut } from "../core/dish/feast";
import type { Dish } from "../core/dish/model";
import { applyPatch, type PatchOperation } from "../core/dish/patch";
import { readDishValue } from "../core/dish/read";
import { dishModel } from "../core/dish/read-model";
import type { DishFile } from "../core/dish/schema";
import { pinStepChange, wishChange } from "../core/dish/wishes";
import { type Log, type Plan, type PlanFile, type PlanOptions, type Progress, planDish, planToFile } from "../core/planner";
import type { Diagnosis } from "../core/planner/explain";
import type { Repair } from "../core/planner/explain/repairs";
import { type HeavyPlace, lightenLoad } from "../core/planner/lighten";
import { Mover } from "../core/planner/move";
import { type Choice, type Reach, reachOf } from "../core/planner/reach";
import { type Told, withTold } from "../core/planner/told";
import { defaultPlan } from "../core/rehearse/default-plan";
import type { Conflict } from "../core/sheets/conflict";
import { Zone } from "../core/time/zone";
import { type PlanView, planView } from "../core/view/plan-view";
import { changeOfView, type ViewChange } from "../core/view/view-change";
import { explainWithin } from "./explain";
import { type Rehearsed, rehearse } from "./rehearse";
import { openScene } from "./scene";

export type Dragged =
  | { readonly status: "moved"; readonly at: number; readonly change: ViewChange; readonly moved: readonly string[] }
  | { readonly status: "stuck"; readonly at: number; readonly because: string };

/** What a change would come to: a plan that can be kept as it is, or why there is none. */
export type Tried =
  | {
      readonly status: "ready";
      readonly change: readonly PatchOperation[];
      readonly file: PlanFile;
      readonly view: PlanView;
      readonly rehearsed: Rehearsed;
      /** What has to be said of it before it is kept. */
      readonly note?: string;
    }
  | ({ readonly status: "refused"; readonly change: readonly PatchOperation[]; readonly repairs: readonly Repair[] } & Pick<
      Conflict,
      "proved" | "facts" | "looking"
    >)
  /** The change itself does not fit the dish. */
  | { readonly status: "unfit"; readonly because: string };

export type LighterPlan = Pick<Repair, "kind" | "text" | "change" | "leadMinutes">;

export interface Reached extends Pick<Reach, "earliestServing" | "latestStart"> {
  readonly choices: readonly (Choice & { readonly names: readonly string[]; readonly current: boolean })[];
}

/** Rounds of improvement near the plan in force, and for a plan made anew: half a second and about two for the lunch. */
const ROUNDS_NEAR = 80;
const ROUNDS_AFRESH = 320;
/** Why there is none and what would help is looked for so long at most. */
const EXPLAINING_MS = 10_000;
/** As long as somebody with wet hands waits for one of three. */
const WAY_MS = 6_000;
const MOST_REACHING_ROUNDS = 40;

export class PlanDesk {
  readonly #document: DishFile;
  readonly #dish: Dish;
  readonly #log: Log;
  readonly #now: number;
  readonly #plan: Plan | undefined;
  #mover: Mover | undefined;
  /** The plan in force as it is drawn. */
  #base: PlanView | undefined;

  /** @param scene as GET /api/dishes/…/scene gives it */
  constructor(scene: unknown) {
    const { document, dish, now, log, plan } = openScene(scene);
    this.#document = document;
    this.#dish = dish;
    this.#now = now;
    this.#log = log;
    this.#plan = plan;
  }

  /** The quick answer while a step is under the pointer. Undefined where there is no plan to move in. */
  drag(step: string, at: number): Dragged | undefined {
    if (!this.#plan) return undefined;
    this.#mover ??= new Mover({ dish: this.#dish, plan: this.#plan, now: this.#now, log: this.#log });
    const move = this.#mover.drag(step, at);
    if (move.status === "stuck") return { status: "stuck", at, because: move.because };
    this.#base ??= this.#view(this.#dish, this.#plan);
    return { status: "moved", at, change: changeOfView(this.#base, this.#view(this.#dish, move.plan)), moved: move.moved };
  }

  /** The step let go of there: held at that minute, the rest with the fewest moves. */
  settle(step: string, at: number): Tried {
    const pin = { at: this.#dish.zone.toInstant(at), ...this.#cookOf(step) };
    const change = pinStepChange(this.#document, step, pin);
    if (!this.#plan) return this.try(change);
    const move = new Mover({ dish: this.#dish, plan: this.#plan, now: this.#now, log: this.#log }).settle(step, at);
    const document = this.#patched(change);
    if (move.status === "stuck" || typeof document === "string") return this.try(change);
    return this.#ready(change, dishModel(document), move.plan);
  }

  /**
   * What the dish would be like with a change: near the plan in force where hour, style and lengths stay, else anew.
   * @param words told why there is none while what would help is still looked for
   */
  try(change: readonly PatchOperation[], onProgress?: (progress: Progress) => void, words?: (tried: Tried) => void): Tried {
    const document = this.#patched(change);
    if (typeof document === "string") return { status: "unfit", because: document };
    const dish = dishModel(document);
    const style = dish.wishes.style ?? "late";
    const planAt = dish.wishes.planAt ?? "cautious";
    const near = this.#plan && this.#plan.serveAt === dish.serveAt && this.#plan.style === style && this.#plan.planAt === planAt;
    const options: PlanOptions = {
      now: this.#now,
      log: this.#log,
      previous: near ? this.#plan : undefined,
      rounds: near ? ROUNDS_NEAR : ROUNDS_AFRESH,
      onProgress,
    };
    const planned = planDish(dish, options);
    if (planned.status === "feasible") return this.#ready(change, dish, planned.plan);
    // The plan in force is known to be one: a way back to it is found at once.
    const refused = ({ proved, conflict, repairs }: Diagnosis) => ({
      status: "refused" as const,
      change,
      proved,
      facts: conflict,
      repairs,
    });
    return refused(
      explainWithin(EXPLAINING_MS, document, { ...options, previous: this.#plan }, planned, (sofar) =>
        words?.({ ...refused(sofar), looking: true }),
      ),
    );
  }

  /**
   * One of several ways on from something that happened: as near the plan in force as can be found soon, and no looking for why there is none.
   * @param told what would be written into the log with it
   */
  way(change: readonly PatchOperation[], told: readonly Told[]): Tried {
    const document = this.#patched(change);
    if (typeof document === "string") return { status: "unfit", because: document };
    const dish = dishModel(document);
    const began = Date.now();
    const log = withTold(this.#log, told);
    const planned = planDish(dish, {
      now: this.#now,
      log,
      previous: this.#plan,
      rounds: ROUNDS_NEAR,
      stop: () => Date.now() - began > WAY_MS,
    });
    if (planned.status === "feasible") return this.#ready(change, dish, planned.plan, log);
    return { status: "unfit", because: planned.proved ? "" : "It was not found out in time whether there is one." };
  }

  /** Ways to make a heavy place lighter, each tried. */
  lighten(place: HeavyPlace): LighterPlan[] {
    if (!this.#plan) return [];
    const began = Date.now();
    const options = { ...this.#options(), stop: () => Date.now() - began > EXPLAINING_MS };
    return lightenLoad(this.#document, options, this.#plan, place).map(({ kind, text, change, leadMinutes }) => ({
      kind,
      text,
      change,
      leadMinutes,
    }));
  }

  /** Can it still be made, and what do quicker methods buy. */
  reach(): Reached {
    const reach = reachOf(this.#dish, { ...this.#options(), rounds: MOST_REACHING_ROUNDS });
    const nameOf = (component: string, method: string) => {
      const known = this.#dish.components.find((c) => c.id === component);
      const first = known?.methods[0]?.id;
      const name = method === "fallback" ? known?.fallback?.name : known?.methods.find((m) => m.id === method)?.name;
      return method === first || !known ? [] : [`${known.name}: ${name ?? method}`];
    };
    // What stands can be served when it is to be, whatever a shorter search finds.
    const stands = this.#plan?.serveAt;
    const found = reach.earliestServing;
    return {
      earliestServing: stands !== undefined && (found === undefined || found > stands) ? stands : found,
      latestStart: reach.latestStart,
      choices: reach.choices.map((c) => ({
        ...c,
        names: Object.entries(c.methods).flatMap(([component, method]) => nameOf(component, method)),
        current: Object.entries(c.methods).every(([component, method]) => (this.#plan?.methods[component] ?? method) === method),
      })),
    };
  }

  /** The plan that is on time as often as wished, or the one that comes nearest. */
  sure(wish: number): Tried & { readonly reached?: boolean } {
    const time = { clock: () => Date.now(), ms: EXPLAINING_MS };
    const found = defaultPlan(this.#document, wish, { now: this.#now, log: this.#log, rounds: ROUNDS_AFRESH, time });
    if (found.status === "infeasible") return this.try([]);
    const change = wishChange(this.#document, { planAt: found.plan.planAt });
    const document = this.#patched(change);
    if (typeof document === "string") return { status: "unfit", because: document };
    const reached = found.status === "reached";
    const note = reached
      ? "Uncertain steps are planned longer, so that serving is not late."
      : "No plan that was tried is that likely to be on time; this one comes nearest.";
    return { ...this.#ready(change, dishModel(document), found.plan), note, reached };
  }

  /**
   * Another dish on the same table.
   * @param added a dish file
   * @param after minutes from the serving of this dish to that of the added one; undefined: at the hour that it has itself
   */
  join(added: unknown, after: number | undefined): Tried {
    const read = readDishValue(added);
    if (read.status === "refused") return { status: "unfit", because: "The other dish has errors. Open it and fix them first." };
    const own = () => new Zone(read.document.dish.timezone).toMinute(read.document.dish.serveAt) - this.#dish.serveAt;
    try {
      return this.try(documentChange(this.#document, joinDishes(this.#document, read.document, { after: after ?? own() })));
    } catch (error) {
      return { status: "unfit", because: error instanceof Error ? error.message.replace(/^feast: /, "") : "The two do not fit together." };
    }
  }

  /** The table without one of its courses. */
  without(course: string): Tried {
    const left = leaveOut(this.#document, course);
    if (!left) return { status: "unfit", because: "What is left would have nothing to serve." };
    return this.try(documentChange(this.#document, left));
  }

  #options(): PlanOptions {
    const plan = this.#plan;
    return { now: this.#now, log: this.#log, style: plan?.style, planAt: plan?.planAt };
  }

  #cookOf(step: string): { cook?: string } {
    const cook = this.#dish.wishes.pins.find((p) => p.step === step)?.cook;
    return cook === undefined ? {} : { cook };
  }

  /** The document with a change, or what is wrong with it. */
  #patched(change: readonly PatchOperation[]): DishFile | string {
    try {
      const read = readDishValue(applyPatch(this.#document, change));
      if (read.status === "read") return read.document;
      const problem = read.problems.find((p) => p.severity === "error");
      return problem ? `${problem.path}: ${problem.message}` : "The change does not fit this dish.";
    } catch (error) {
      return error instanceof Error ? error.message : "The change does not fit this dish.";
    }
  }

  #ready(change: readonly PatchOperation[], dish: Dish, plan: Plan, log = this.#log): Extract<Tried, { status: "ready" }> {
    const rehearsed = rehearse(dish, plan, log);
    return {
      status: "ready",
      change,
      file: { ...planToFile(plan, dish.zone), rehearsed },
      view: planView(dish, plan, log.events),
      rehearsed,
    };
  }

  #view(dish: Dish, plan: Plan): PlanView {
    return planView(dish, plan, this.#log.events);
  }
}

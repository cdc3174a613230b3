// Trying a change: the document with a patch applied is read and planned; what works is offered, what does not is forgotten.
import { DEFAULT_KITCHEN } from "../../../dish/default-kitchen";
import type { Dish } from "../../../dish/model";
import { applyPatch, type PatchOperation } from "../../../dish/patch";
import { readDishValue } from "../../../dish/read";
import { dishModel } from "../../../dish/read-model";
import type { DishFile } from "../../../dish/schema";
import { type PlanOptions, planDish, planningNow } from "../../index";
import type { Plan, Regret } from "../../plan";
import { leastLead } from "../../reach";

export interface Repair {
  readonly kind:
    | "another-day"
    | "serve-later"
    | "serve-earlier"
    | "take-now"
    | "work-longer"
    | "hours"
    | "helper"
    | "equipment"
    | "longer-wait"
    | "method"
    | "stand-in"
    | "let-go"
    | "quiet-time"
    | "fit"
    | "stay-up"
    | "layout";
  readonly text: string;
  /** JSON Patch on the dish document: applied and planned again, it gives a plan. */
  readonly change: readonly PatchOperation[];
  readonly leadMinutes: number;
  readonly regret: Regret;
  /** A step that is pressed as done instead of a change of the dish. */
  readonly press?: string;
}

/** A repair with the minutes of trouble beyond the plan's own regret: what it asks of people. */
export interface Tried extends Repair {
  readonly trouble: number;
}

/** A change that might do, said in advance; it becomes a repair if a plan comes of it. */
export interface Proposal {
  readonly kind: Repair["kind"];
  readonly text: string;
  readonly change: readonly PatchOperation[];
  readonly trouble: number;
  readonly options?: Partial<PlanOptions>;
}

export class Trial {
  readonly dish: Dish;
  readonly serveAt: number;
  #missingLead: number | undefined;

  constructor(
    readonly document: DishFile,
    readonly options: PlanOptions,
    readonly stop: () => boolean,
  ) {
    this.dish = dishModel(document);
    this.serveAt = options.serveAt ?? this.dish.serveAt;
  }

  /** Minutes by which the time to serving is shorter than the dish takes by links and waits alone; less than 0 where it is longer. */
  get missingLead(): number {
    this.#missingLead ??= leastLead(this.dish, this.options) - (this.serveAt - planningNow(this.dish, this.options));
    return this.#missingLead;
  }

  /** The plan that a change gives, by a quick search; undefined where it gives none. */
  plan(change: readonly PatchOperation[], options: Partial<PlanOptions> = {}): Plan | undefined {
    if (this.stop()) return undefined;
    const read = readDishValue(applyPatch(this.document, change));
    if (read.status === "refused") return undefined;
    const planned = planDish(dishModel(read.document), {
      ...this.options,
      onProgress: undefined,
      rounds: 0,
      conflicts: 400,
      stop: this.stop,
      ...options,
    });
    return planned.status === "feasible" ? planned.plan : undefined;
  }

  /** The first proposal that works, as a list of one; empty where none does. */
  first(proposals: Iterable<Proposal>): Tried[] {
    for (const { kind, text, change, trouble, options } of proposals) {
      const plan = this.plan(change, options);
      if (plan) return [{ kind, text, change, trouble, leadMinutes: plan.leadMinutes, regret: plan.regret }];
    }
    return [];
  }

  /** What must be added first so that a list of the kitchen can be added to: where the document leaves it to the default. */
  kitchen(part: "cooks" | "equipment"): PatchOperation[] {
    const { kitchen } = this.document;
    if (!kitchen) return [{ op: "add", path: "/kitchen", value: DEFAULT_KITCHEN }];
    return kitchen[part] ? [] : [{ op: "add", path: `/kitchen/${part}`, value: DEFAULT_KITCHEN[part] }];
  }

  /** The bought stand-in of a component, on hand from a minute on: what every output of it is replaced by. */
  standIn(component: number, ready: number): PatchOperation {
    const outputs = (this.document.components[component]?.methods ?? []).flatMap((m) => m.steps.flatMap((s) => s.makes ?? []));
    const value = [...new Map(outputs.map((o) => [o.id, o])).values()].map((o) => ({
      output: o.id,
      amount: o.amount,
      madeAt: this.dish.zone.toWallInstant(ready),
      place: o.holds?.[0]?.place ?? "counter",
    }));
    return { op: "add", path: `/components/${component}/onHand`, value };
  }

  /** An id that the kitchen has not: the wish, or that with a number. */
  freshId(part: "cooks" | "equipment", wish: string): string {
    const taken = new Set(this.dish[part].map((e) => e.id));
    let id = wish;
    for (let n = 2; taken.has(id); n++) id = `${wish}-${n}`;
    return id;
  }
}

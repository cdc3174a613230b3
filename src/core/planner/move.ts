// Moving a step by hand: what the plan becomes if that step begins at that minute and as little else as possible moves with it; or, in a
// cook's words, what it runs into. Quick enough to be asked while the step is being dragged; settling asks again with more patience.
import type { Dish } from "../dish/model";
import type { StepPin } from "../dish/wishes";
import { type Why, whyHere } from "./explain/why";
import { momentText } from "./explain/words";
import { type PlanOptions, planDish } from "./index";
import type { Log } from "./log";
import type { Plan } from "./plan";

interface MoveScene {
  readonly dish: Dish;
  /** The plan in force. */
  readonly plan: Plan;
  readonly now: number;
  readonly log: Log;
}

export type Move =
  | {
      readonly status: "moved";
      readonly plan: Plan /** Steps that begin at another minute, the dragged one first. */;
      readonly moved: readonly string[];
    }
  | { readonly status: "stuck"; readonly because: string; readonly steps: readonly string[] };

/** Rounds in which a plan that was let go of is brought nearer to the one before it. */
const SETTLING_ROUNDS = 40;

/** Moves steps of one plan. Why each step stands where it stands is worked out once, when it is first asked for. */
export class Mover {
  #whys: ReadonlyMap<string, Why> | undefined;

  constructor(readonly scene: MoveScene) {}

  /** The quick answer: nothing is proved, and a move that a longer search would find may be refused. */
  drag(step: string, at: number): Move {
    return this.#plan(step, at, { quick: true, rounds: 0, conflicts: 60 });
  }

  /** The answer that is kept: near the plan so far, with the fewest moves that can be found in so many rounds. */
  settle(step: string, at: number, stop?: () => boolean): Move {
    const settled = this.#plan(step, at, { rounds: SETTLING_ROUNDS, conflicts: 600, stop });
    return settled.status === "moved" ? settled : this.drag(step, at);
  }

  #plan(step: string, at: number, options: Partial<PlanOptions>): Move {
    const { dish, plan, now, log } = this.scene;
    const before = dish.wishes.pins.find((p) => p.step === step);
    const pin: StepPin = { step, at, notBefore: undefined, notAfter: undefined, cook: before?.cook };
    const wishes = { ...dish.wishes, pins: [...dish.wishes.pins.filter((p) => p.step !== step), pin] };
    const planned = planDish(
      { ...dish, wishes },
      {
        now,
        log,
        previous: plan,
        methods: plan.methods,
        style: plan.style,
        planAt: plan.planAt,
        serveAt: plan.serveAt,
        seed: plan.seed,
        ...options,
      },
    );
    if (planned.status === "feasible") return { status: "moved", plan: planned.plan, moved: movedSteps(plan, planned.plan, step) };
    return { status: "stuck", ...this.#reason(step, at, planned.conflict[0]) };
  }

  /** The bound that it runs into in the plan's own order, if it is past one; else what the planner says. */
  #reason(step: string, at: number, said: { readonly text: string; readonly steps: readonly string[] } | undefined) {
    const { dish, plan, log, now } = this.scene;
    this.#whys ??= new Map(whyHere(dish, plan, log, now).map((w) => [w.step, w]));
    const why = this.#whys.get(step);
    if (why && at > why.latest) return { because: `Not later than ${why.notLater}`, steps: why.laterChain.map((h) => h.step) };
    if (why && at < why.earliest) return { because: `Not earlier than ${why.notEarlier}`, steps: why.earlierChain.map((h) => h.step) };
    if (said?.steps[0] === step && said.text.includes("has no time"))
      return { because: `Not ${momentText(dish, at)}: hours, sleep, absence or a quiet time leave nobody free for it then.`, steps: [] };
    return { because: said?.text ?? "No plan works with it there.", steps: said?.steps ?? [] };
  }
}

/** Steps that begin at another minute than before, `first` in front. */
export function movedSteps(before: Plan, after: Plan, first?: string): string[] {
  const was = new Map(before.steps.map((s) => [s.step, s.start]));
  const moved = after.steps.filter((s) => was.get(s.step) !== s.start).map((s) => s.step);
  return first === undefined ? moved : [...moved.filter((s) => s === first), ...moved.filter((s) => s !== first)];
}

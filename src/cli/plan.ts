// rondeau plan DISH: a plan, or why there is none.

import { quoted } from "../core/dish/problem";
import type { DishFile } from "../core/dish/schema";
import { EMPTY_LOG, PLAN_ATS, type Planned, type PlanOptions, planDish, planToFile, STYLES } from "../core/planner";
import { diagnose } from "../core/planner/explain";
import { defaultPlan } from "../core/rehearse/default-plan";
import { withWords } from "../words/exceptions";
import { bad, choiceFlag, instantFlag, loadDish, loadLog, loadPlan, numberFlag, readFlags, type Tell } from "./input";

/** Conflict and repairs are looked for so long at most. */
const SECONDS_TO_EXPLAIN = 30;

/** Executed runs behind --sure where the clock does not end them. */
const RUNS_EXECUTED = 40;

/** Rounds of improvement where no time is given: a fraction of a second. */
const ROUNDS_UNASKED = 15;

type Writable<T> = { -readonly [K in keyof T]: T[K] };

const FLAGS = ["--now", "--serve", "--style", "--plan-at", "--method", "--log", "--seconds", "--seed", "--sure", "--near"];

/** The plan that is on time as often as wished; how often it is goes to standard error, since a plan file has no place for it. */
function sure(document: DishFile, wish: number, options: PlanOptions, seconds: number | undefined, tell: Tell): Planned {
  const { planAt: _, stop: __, ...rest } = options;
  const more = seconds === undefined ? { runs: RUNS_EXECUTED } : { time: { clock: () => Date.now(), ms: seconds * 1000 } };
  const found = defaultPlan(document, wish, { ...rest, ...more });
  if (found.status === "infeasible") return found;
  const often = `within 15 min in ${Math.round(found.within15 * 100)} of 100 runs, on time in ${Math.round(found.onTime * 100)}, lengths planned ${found.plan.planAt}`;
  tell(found.status === "reached" ? `${often}.` : `no plan is that likely to be on time; this one comes nearest: ${often}.`);
  return { status: "feasible", plan: found.plan };
}

export function planCommand(args: readonly string[], tell: Tell) {
  const flags = readFlags(args, FLAGS, ["DISH"], ["--exact"]);
  const { dish, document } = loadDish(flags.files[0] as string);
  const methods: Record<string, string> = {};
  for (const text of flags.values.get("--method") ?? []) {
    const [component = "", method = ""] = text.split("=");
    const known = dish.components.find((c) => c.id === component);
    if (!known) throw bad("--method", `There is no component "${quoted(component)}". Write component=method.`);
    if (!known.methods.some((m) => m.id === method) && !(method === "fallback" && known.fallback)) {
      throw bad(
        "--method",
        `"${quoted(component)}" has no method "${quoted(method)}". Known: ${known.methods.map((m) => m.id).join(", ")}${known.fallback ? ", fallback" : ""}.`,
      );
    }
    methods[component] = method;
  }
  const seconds = numberFlag(flags, "--seconds", 0, 3600);
  const began = Date.now();
  const logFile = flags.values.get("--log")?.at(-1);
  const log = logFile === undefined ? EMPTY_LOG : loadLog(logFile, dish);
  const options: Writable<PlanOptions> = {
    now: instantFlag(flags, "--now", dish.zone),
    serveAt: instantFlag(flags, "--serve", dish.zone),
    style: choiceFlag(flags, "--style", STYLES),
    planAt: choiceFlag(flags, "--plan-at", PLAN_ATS) ?? dish.wishes.planAt ?? "likely",
    methods,
    log,
    exact: flags.switches.has("--exact"),
    seed: numberFlag(flags, "--seed", 0, 2 ** 31),
    ...(seconds === undefined ? { rounds: ROUNDS_UNASKED } : { rounds: 1_000_000, stop: () => Date.now() - began > seconds * 1000 }),
  };
  const percent = numberFlag(flags, "--sure", 0, 100);
  if (percent !== undefined && flags.values.has("--plan-at"))
    throw bad("--sure", "It chooses how lengths are planned. Leave out --plan-at.");
  const near = flags.values.get("--near")?.at(-1);
  const previous = near === undefined ? undefined : loadPlan(near, dish.zone);
  if (previous) {
    options.previous = previous;
    options.planAt = choiceFlag(flags, "--plan-at", PLAN_ATS) ?? previous.planAt;
    options.style = options.style ?? previous.style;
    options.serveAt = options.serveAt ?? (log.events.size ? previous.serveAt : undefined);
  }
  const planned = percent === undefined ? planDish(dish, options) : sure(document, percent / 100, options, seconds, tell);
  if (planned.status === "feasible") return { data: planToFile(withWords(dish, planned.plan), dish.zone), exit: 0 };
  const diagnosis = diagnose(document, { ...options, stop: () => Date.now() - began > (seconds ?? SECONDS_TO_EXPLAIN) * 1000 }, planned);
  return { data: { format: "rondeau-plan/1", ...diagnosis }, exit: 3 };
}

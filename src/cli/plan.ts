// rondeau plan DISH: a plan, or why there is none.

import { quoted } from "../core/dish/problem";
import { EMPTY_LOG, PLAN_ATS, type PlanOptions, planDish, planToFile, STYLES } from "../core/planner";
import { diagnose } from "../core/planner/explain";
import { bad, choiceFlag, instantFlag, loadDish, loadLog, numberFlag, readFlags } from "./input";

/** Conflict and repairs are looked for so long at most. */
const SECONDS_TO_EXPLAIN = 30;

const FLAGS = ["--now", "--serve", "--style", "--plan-at", "--method", "--log", "--seconds", "--seed"];

export function planCommand(args: readonly string[]) {
  const flags = readFlags(args, FLAGS, ["DISH"]);
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
  const options: PlanOptions = {
    now: instantFlag(flags, "--now", dish.zone),
    serveAt: instantFlag(flags, "--serve", dish.zone),
    style: choiceFlag(flags, "--style", STYLES),
    planAt: choiceFlag(flags, "--plan-at", PLAN_ATS) ?? "likely",
    methods,
    log: logFile === undefined ? EMPTY_LOG : loadLog(logFile, dish),
    seed: numberFlag(flags, "--seed", 0, 2 ** 31),
    ...(seconds === undefined ? {} : { rounds: 1_000_000, stop: () => Date.now() - began > seconds * 1000 }),
  };
  const planned = planDish(dish, options);
  if (planned.status === "feasible") return { data: planToFile(planned.plan, dish.zone), exit: 0 };
  const diagnosis = diagnose(document, { ...options, stop: () => Date.now() - began > (seconds ?? SECONDS_TO_EXPLAIN) * 1000 }, planned);
  return { data: { format: "rondeau-plan/1", ...diagnosis }, exit: 3 };
}

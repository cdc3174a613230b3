// rondeau risk DISH PLAN: how sure a plan is, by many runs of it.
import { riskOf } from "../core/planner/risk";
import { loadDish, loadLog, loadPlan, numberFlag, readFlags } from "./input";

export function riskCommand(args: readonly string[]) {
  const flags = readFlags(args, ["--runs", "--seed", "--log"], ["DISH", "PLAN"]);
  const { dish } = loadDish(flags.files[0] as string);
  const plan = loadPlan(flags.files[1] as string, dish.zone);
  const logFile = flags.values.get("--log")?.at(-1);
  const risk = riskOf(dish, plan, {
    runs: Math.round(numberFlag(flags, "--runs", 1, 1_000_000) ?? 10_000),
    seed: numberFlag(flags, "--seed", 0, 2 ** 31),
    log: logFile === undefined ? undefined : loadLog(logFile, dish),
  });
  const at = (minute: number) => dish.zone.toInstant(minute);
  return {
    data: {
      ...risk,
      components: risk.components.map((c) => ({ ...c, planned: at(c.planned), p50: at(c.p50), p80: at(c.p80), p95: at(c.p95) })),
      fallbacks: risk.fallbacks.map((f) => ({ ...f, decideBy: at(f.decideBy) })),
    },
    exit: 0,
  };
}

// rondeau rehearse DISH: a plan followed press by press, many times over, with the real re-plan at each press.
import { EMPTY_LOG, PLAN_ATS, planDish } from "../core/planner";
import { FOLLOW, policyOf } from "../core/planner/policy";
import { riskOf } from "../core/planner/risk";
import { rehearse } from "../core/rehearse";
import { bad, choiceFlag, instantFlag, loadDish, loadLog, loadPlan, numberFlag, readFlags, type Tell } from "./input";

const FLAGS = ["--plan", "--plan-at", "--runs", "--seed", "--policy", "--now", "--log", "--style"];
const RUNS = 60;
/** Rounds of improvement of the plan that is followed, where none is given. */
const ROUNDS = 40;

export function rehearseCommand(args: readonly string[], tell: Tell) {
  const flags = readFlags(args, FLAGS, ["DISH"]);
  const { dish, document } = loadDish(flags.files[0] as string);
  const last = (flag: string) => flags.values.get(flag)?.at(-1);
  const written = last("--policy");
  const policy = written === undefined ? FOLLOW : policyOf(written);
  if (!policy) throw bad("--policy", "Write follow, slow=1.1, late=20m, forget=1/8, rounds=1/8 or probe, several joined by commas.");
  const seed = numberFlag(flags, "--seed", 0, 2 ** 31) ?? 1;
  const logFile = last("--log");
  const log = logFile === undefined ? EMPTY_LOG : loadLog(logFile, dish);
  const planFile = last("--plan");
  const planned =
    planFile === undefined
      ? planDish(dish, {
          now: instantFlag(flags, "--now", dish.zone),
          style: choiceFlag(flags, "--style", ["late", "ahead", "even"] as const),
          planAt: choiceFlag(flags, "--plan-at", PLAN_ATS) ?? dish.wishes.planAt ?? "likely",
          log,
          seed,
          rounds: ROUNDS,
        })
      : { status: "feasible" as const, plan: loadPlan(planFile, dish.zone) };
  if (planned.status === "infeasible") return { data: { format: "rondeau-plan/1", ...planned }, exit: 3 };
  const { plan } = planned;
  const missed = new Map<string, { step: string; what: string; times: number }>();
  const rehearsed = rehearse(document, plan, {
    onRun: (run) => {
      for (const { step, what } of run.missed) {
        const key = `${step} ${what}`;
        missed.set(key, { step, what, times: (missed.get(key)?.times ?? 0) + 1 });
      }
    },
    runs: Math.round(numberFlag(flags, "--runs", 1, 100_000) ?? RUNS),
    seed,
    policy,
    log,
    clock: () => performance.now(),
  });
  const { safetyBroken, replanMs, ...figures } = rehearsed;
  const risk = riskOf(dish, plan, { runs: 4000, seed, log });
  tell(`a re-plan took ${replanMs.p50.toFixed(0)} ms at the median, ${replanMs.p95.toFixed(0)} ms at the 95th percentile.`);
  const forgotten = [...missed.values()].map(({ step, what, times }) => ({ step, what, perRun: times / Math.max(1, rehearsed.runs) }));
  return {
    data: {
      ...figures,
      safetyBroken,
      ...(forgotten.length ? { missed: forgotten } : {}),
      predicted: { onTime: risk.onTime, within15: risk.within15 },
    },
    exit: 0,
  };
}

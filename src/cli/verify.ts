// rondeau verify DISH PLAN: every hard rule that a plan breaks, and its figures counted anew.
import { EMPTY_LOG, verifyPlan } from "../core/planner";
import { instantFlag, loadDish, loadLog, loadPlan, readFlags } from "./input";

export function verifyCommand(args: readonly string[]) {
  const flags = readFlags(args, ["--now", "--serve", "--log"], ["DISH", "PLAN"]);
  const { dish } = loadDish(flags.files[0] as string);
  const plan = loadPlan(flags.files[1] as string, dish.zone);
  const logFile = flags.values.get("--log")?.at(-1);
  const verdict = verifyPlan(dish, plan, {
    now: instantFlag(flags, "--now", dish.zone),
    serveAt: instantFlag(flags, "--serve", dish.zone),
    log: logFile === undefined ? EMPTY_LOG : loadLog(logFile, dish),
  });
  const at = (minute: number) => dish.zone.toInstant(minute);
  return {
    data: {
      broken: verdict.broken.map(({ excuse: _, ...b }) => ({ ...b, from: at(b.from), to: at(b.to) })),
      exceptions: verdict.exceptions.map((e) => ({ ...e, from: at(e.from), to: at(e.to) })),
      shortened: verdict.shortened,
      ...(verdict.gone.length ? { gone: verdict.gone.map((g) => ({ ...g, since: at(g.since) })) } : {}),
      leadMinutes: verdict.leadMinutes,
      regret: verdict.regret,
    },
    exit: verdict.broken.length ? 1 : 0,
  };
}

// rondeau reach DISH: the earliest serving from now, the latest start, and what other methods would buy.
import { PLAN_ATS } from "../core/planner";
import { reachOf } from "../core/planner/reach";
import { choiceFlag, instantFlag, loadDish, readFlags } from "./input";

export function reachCommand(args: readonly string[]) {
  const flags = readFlags(args, ["--now", "--serve", "--plan-at"], ["DISH"]);
  const { dish } = loadDish(flags.files[0] as string);
  const reach = reachOf(dish, {
    now: instantFlag(flags, "--now", dish.zone),
    serveAt: instantFlag(flags, "--serve", dish.zone),
    planAt: choiceFlag(flags, "--plan-at", PLAN_ATS) ?? "likely",
  });
  const at = (minute: number | undefined) => (minute === undefined ? null : dish.zone.toInstant(minute));
  const latest = reach.latestStart && { found: at(reach.latestStart.found), bound: at(reach.latestStart.bound) };
  return { data: { earliestServing: at(reach.earliestServing), latestStart: latest ?? null, choices: reach.choices }, exit: 0 };
}

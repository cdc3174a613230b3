// rondeau sheet | shop | ics DISH PLAN: the run sheet, the shopping list, the calendar.
import type { Dish } from "../core/dish/model";
import { type Plan, verifyPlan } from "../core/planner";
import { findingViews } from "../core/safety/view";
import { planCalendar } from "../core/sheets/calendar";
import { runSheet } from "../core/sheets/run-sheet";
import { shoppingRows } from "../core/sheets/shopping";
import { shoppingCsv } from "../core/sheets/shopping-csv";
import { offsetsOf, WallClock } from "../core/time/wall-clock";
import { planView } from "../core/view/plan-view";
import { bad, loadDish, loadPlan, numberFlag, readFlags } from "./input";

function read(args: readonly string[], flags: readonly string[] = []) {
  const asked = readFlags(args, flags, ["DISH", "PLAN"]);
  const { files } = asked;
  const { dish, document } = loadDish(files[0] as string);
  const plan = loadPlan(files[1] as string, dish.zone);
  belongs(dish, plan, files[1] as string);
  return { dish, document, plan, view: planView(dish, plan), asked };
}

/** A plan of another dish would print as an empty page; what it lacks is said instead. */
function belongs(dish: Dish, plan: Plan, file: string): void {
  const missing = verifyPlan(dish, plan, { now: plan.now, serveAt: plan.serveAt }).broken.find((b) => b.rule === "H1");
  if (missing) throw bad(file, `This plan does not fit the dish: ${missing.why} Make a new plan.`);
}

export function sheetCommand(args: readonly string[]) {
  const { dish, document, plan, view } = read(args);
  const clock = new WallClock(offsetsOf(dish.zone, view.begins - 1440, Math.max(plan.serveAt, view.ends) + 1440));
  const found = findingViews({ document, dish, chosen: plan.methods, view, acknowledged: new Map() });
  const severe = found.filter((f) => f.severity === "stop");
  return { text: runSheet(document.dish.name, document.dish.serves, view, clock, severe), exit: 0 };
}

/** Most trips that can be asked for: one a day for two months. */
const MOST_TRIPS = 60;

export function shopCommand(args: readonly string[]) {
  const { dish, document, plan, asked } = read(args, ["--trips"]);
  const most = numberFlag(asked, "--trips", 1, MOST_TRIPS);
  return { text: shoppingCsv(shoppingRows(document, dish, plan), dish, most), exit: 0 };
}

export function icsCommand(args: readonly string[]) {
  const { dish, document, plan, view } = read(args);
  return { text: planCalendar(dish.id, document.dish.name, view, plan), exit: 0 };
}

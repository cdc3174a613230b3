// rondeau safety DISH [--plan PLAN]: what the rules of safety find in a dish and, with a plan, in its hours. Exit 4 where something is past a hard limit.
import { foodsOf } from "../core/safety/foods";
import { findingViews } from "../core/safety/view";
import { planView } from "../core/view/plan-view";
import { loadDish, loadPlan, readFlags, type Tell } from "./input";

export function safetyCommand(args: readonly string[], tell: Tell) {
  const flags = readFlags(args, ["--plan"], ["DISH"]);
  const { dish, document } = loadDish(flags.files[0] as string);
  const file = flags.values.get("--plan")?.at(-1);
  const plan = file === undefined ? undefined : loadPlan(file, dish.zone);
  const found = findingViews({
    document,
    dish,
    chosen: plan?.methods ?? {},
    view: plan && planView(dish, plan),
    acknowledged: new Map(),
  });
  const hard = found.filter((f) => f.hard);
  for (const f of hard) tell(`${f.title}: ${f.computed}`);
  const foods = foodsOf(document, plan?.methods ?? {});
  return {
    data: {
      findings: found.map(({ acknowledged: _, print: __, basis, ...f }) => ({
        ...f,
        basis: basis ?? "allowed",
        foods: foods.filter((x) => x.component === f.component).map(({ component: ___, ...food }) => food),
      })),
      foods,
    },
    exit: hard.length ? 4 : 0,
  };
}

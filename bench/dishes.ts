// Random dishes with every feature together, planned in all four styles: every plan verified, no bound above a plan, nothing given up unsaid.
// ./rondeau bench dishes [from] [to]

import { readDish } from "../src/core/dish/read";
import { dishModel } from "../src/core/dish/read-model";
import { planDish, STYLES, verifyPlan } from "../src/core/planner";
import { richDish } from "../tests/core/generate-rich";

const [from, to] = [Number(process.argv[2] ?? 0), Number(process.argv[3] ?? 1_000)];
const counts = { plans: 0, "proved none": 0, "gave up": 0, broken: 0, "bound above the plan": 0, "shortest proved": 0, "over 3 s": 0 };
for (let seed = from; seed < to; seed++) {
  const read = readDish(JSON.stringify(richDish(seed)));
  if (read.status === "refused") throw new Error(`dish ${seed}: ${read.problems[0]?.message}`);
  const dish = dishModel(read.document);
  const style = STYLES[seed % STYLES.length] as (typeof STYLES)[number];
  const began = performance.now();
  const planned = planDish(dish, { rounds: 6, style });
  if (performance.now() - began > 3_000) counts["over 3 s"]++;
  if (planned.status === "infeasible") {
    counts[planned.proved ? "proved none" : "gave up"]++;
    if (!planned.proved) console.error(`dish ${seed}: ${planned.conflict[0]?.text}`);
    continue;
  }
  const { plan } = planned;
  counts.plans++;
  const [broken] = verifyPlan(dish, plan).broken;
  if (broken) {
    counts.broken++;
    console.error(`dish ${seed}: ${broken.rule} ${broken.why}`);
  }
  if (plan.boundMinutes > plan.leadMinutes) counts["bound above the plan"]++;
  if (style === "shortest" && plan.boundMinutes === plan.leadMinutes) counts["shortest proved"]++;
}
console.table([{ dishes: to - from, ...counts }]);
if (counts.broken || counts["bound above the plan"]) process.exitCode = 1;

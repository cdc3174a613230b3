// How far the search for least regret gets: ./rondeau bench search [DISHES] [LONG SECONDS]. Random 60-step dishes with one cook and with two,
// style `late`, two seeds for 3 s and 10 s of processor time each, against the best of these and of one long run, and against the bound below
// which no plan with these methods lies (what is within 1 % of the bound is within 1 % of the best of any number of runs).

import { readDish } from "../src/core/dish/read";
import { dishModel } from "../src/core/dish/read-model";
import { planDish } from "../src/core/planner";
import { randomDish } from "../tests/core/generate";

const [count, long] = [Number(process.argv[2] ?? 10), Number(process.argv[3] ?? 60)];
const dishOf = (document: unknown) => {
  const read = readDish(JSON.stringify(document));
  if (read.status === "refused") throw new Error(read.problems[0]?.message);
  return dishModel(read.document);
};

/** Regret found in so many seconds of processor time, and the regret below which there is none. */
function searched(dish: ReturnType<typeof dishOf>, seed: number, seconds: number): { regret: number; bound: number } | undefined {
  const used = () => {
    const { user, system } = process.cpuUsage();
    return (user + system) / 1e6;
  };
  const began = used();
  const methods = Object.fromEntries(dish.components.map((c) => [c.id, c.methods[0]?.id ?? ""]));
  const planned = planDish(dish, { rounds: 1e6, seed, style: "late", methods, stop: () => used() - began > seconds });
  return planned.status === "feasible" ? { regret: planned.plan.regret.total, bound: planned.plan.boundRegret ?? 0 } : undefined;
}

const percent = (n: number) => Number((100 * n).toFixed(2));
for (const cooks of [1, 2]) {
  const rows: Record<string, number>[] = [];
  for (let seed = 1; rows.length < count && seed < 200; seed++) {
    const dish = dishOf(randomDish(seed + 60_000, { steps: 60, cooks }));
    const short = [1, 2].map((s) => searched(dish, s, 3));
    if (short.some((s) => s === undefined)) continue;
    const ten = [1, 2].map((s) => searched(dish, s, 10));
    const far = searched(dish, 3, long);
    const all = [...short, ...ten, far].flatMap((r) => (r ? [r] : []));
    const best = Math.min(...all.map((r) => r.regret));
    const bound = Math.max(...all.map((r) => r.bound));
    const worst = (runs: typeof short) => Math.max(...runs.map((r) => (r?.regret ?? Number.POSITIVE_INFINITY) / best - 1));
    rows.push({
      dish: seed,
      best: Math.round(best),
      "worst of two after 3 s, %": percent(worst(short)),
      "after 10 s, %": percent(worst(ten)),
      "best above the bound, %": percent(best / bound - 1),
    });
  }
  console.log(`\n${cooks} cook${cooks > 1 ? "s" : ""}`);
  console.table(rows);
}

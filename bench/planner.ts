// Figures of the planner on this machine: ./rondeau bench. Times are of one warm process; machines differ, so look at ratios too.
import { readFileSync } from "node:fs";
import { dishModel } from "../src/core/dish/model";
import { readDish } from "../src/core/dish/read";
import { EMPTY_LOG, type Plan, planDish, planningNow, verifyPlan } from "../src/core/planner";
import { smallestConflict } from "../src/core/planner/explain/conflict";
import { whyHere } from "../src/core/planner/explain/why";
import { riskOf } from "../src/core/planner/risk";
import { randomDish } from "../tests/core/generate";

const dishOf = (document: unknown) => {
  const read = readDish(JSON.stringify(document));
  if (read.status === "refused") throw new Error(read.problems[0]?.message);
  return dishModel(read.document);
};
const demo = (name: string) => dishOf(JSON.parse(readFileSync(`demo/${name}.json`, "utf8")));
const timed = <T>(work: () => T): { ms: number; value: T } => {
  const began = process.cpuUsage();
  const value = work();
  const used = process.cpuUsage(began);
  return { ms: (used.user + used.system) / 1000, value };
};
const at = (list: readonly number[], q: number) =>
  [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(q * list.length))] ?? 0;
const round = (n: number) => (n >= 100 ? Math.round(n) : Number(n.toPrecision(3)));
const table = (title: string, rows: Record<string, string | number>[]) => {
  console.log(`\n${title}`);
  console.table(rows);
};

for (let i = 0; i < 25; i++) planDish(dishOf(randomDish(i + 1)), { rounds: 5 }); // warms up

const first = [10, 30, 60, 120].flatMap((steps) =>
  [1, 2].map((cooks) => {
    const times: number[] = [];
    const gaps: number[] = [];
    const counts = { feasible: 0, "proved none": 0, "gave up": 0, rejected: 0 };
    for (let seed = 1; seed <= (steps > 60 ? 15 : 40); seed++) {
      const dish = dishOf(randomDish(seed + 1000 * steps, { steps, cooks }));
      const { ms, value } = timed(() => planDish(dish, { rounds: 0, style: "shortest" }));
      times.push(ms);
      if (value.status === "infeasible") {
        counts[value.proved ? "proved none" : "gave up"]++;
        continue;
      }
      counts.feasible++;
      if (verifyPlan(dish, value.plan).broken.length) counts.rejected++;
      gaps.push((100 * (value.plan.leadMinutes - value.plan.boundMinutes)) / value.plan.boundMinutes);
    }
    return {
      steps,
      cooks,
      ...counts,
      "first p50 ms": round(at(times, 0.5)),
      "p95 ms": round(at(times, 0.95)),
      "gap to bound p50 %": round(at(gaps, 0.5)),
      "at the bound": gaps.filter((g) => g < 0.01).length,
    };
  }),
);
table("First plan of random dishes, and how far its lead is from the bound of the root network", first);

const lunch = demo("harvest-lunch");
const improved = [0, 60, 150, 300, 600, 1200].map((rounds) => {
  const runs = [1, 2, 3].map((seed) => timed(() => planDish(lunch, { rounds, seed })));
  const regrets = runs.map((r) => (r.value.status === "feasible" ? r.value.plan.regret.total : Number.NaN));
  return {
    rounds,
    "ms p50": round(
      at(
        runs.map((r) => r.ms),
        0.5,
      ),
    ),
    "regret best": round(Math.min(...regrets)),
    "regret worst": round(Math.max(...regrets)),
  };
});
table("Regret of the harvest lunch (style late, cautious) by rounds of improvement, three seeds", improved);

const plan = planDish(lunch, { rounds: 0 });
if (plan.status === "feasible") {
  const whys = Array.from({ length: 15 }, () => timed(() => whyHere(lunch, plan.plan as Plan)).ms);
  const risk = timed(() => riskOf(lunch, plan.plan, { runs: 20_000 }));
  const verify = Array.from({ length: 15 }, () => timed(() => verifyPlan(lunch, plan.plan)).ms);
  const drags: number[] = [];
  for (const step of plan.plan.steps.filter((s) => s.hands.length).slice(0, 30)) {
    const pin = { step: step.step, at: undefined, notBefore: undefined, notAfter: step.start - 60, cook: undefined };
    drags.push(timed(() => planDish(lunch, { rounds: 0, conflicts: 60, previous: plan.plan, log: { ...EMPTY_LOG, pins: [pin] } })).ms);
  }
  table("The harvest lunch", [
    { what: "why here, all steps, ms p50", figure: round(at(whys, 0.5)) },
    { what: "verify, ms p50", figure: round(at(verify, 0.5)) },
    { what: "a step an hour earlier, planned around, ms p50", figure: round(at(drags, 0.5)) },
    { what: "the same, ms p95", figure: round(at(drags, 0.95)) },
    { what: "rehearsed runs a second", figure: round((20_000 / risk.ms) * 1000) },
  ]);
}

const conflicts: number[] = [];
for (let seed = 1; seed <= 60 && conflicts.length < 12; seed++) {
  const dish = dishOf(randomDish(seed + 500, { steps: 30 }));
  if (planDish(dish, { rounds: 0 }).status === "feasible") continue;
  const methods = Object.fromEntries(dish.components.map((c) => [c.id, c.methods[0]?.id ?? ""]));
  conflicts.push(
    timed(() => smallestConflict({ dish, now: planningNow(dish, {}), serveAt: dish.serveAt, planAt: "cautious", methods, log: EMPTY_LOG }))
      .ms,
  );
}
table("A smallest conflict of 30 steps", [
  { dishes: conflicts.length, "ms p50": round(at(conflicts, 0.5)), "ms max": round(Math.max(...conflicts)) },
]);

const hostile: [string, string][] = [
  [
    "5 MB of wrong contents",
    JSON.stringify({
      format: "rondeau/1",
      components: Array.from({ length: 40_000 }, (_, i) => ({ id: i, name: null, kind: "x", methods: {}, more: [1, 2] })),
    }).padEnd(5_000_000),
  ],
  ["10,000 levels", `{"format":"rondeau/1","dish":${"[".repeat(10_000)}${"]".repeat(10_000)}}`],
  ["9 MB", `{"format":"rondeau/1","x":"${"a".repeat(9_000_000)}"}`],
];
table(
  "Hostile files refused (two seconds are promised)",
  hostile.map(([file, text]) => ({ file, ms: round(timed(() => readDish(text)).ms) })),
);

const horizons = [6, 40, 200].map((days) => {
  const times = Array.from({ length: 5 }, () => timed(() => planDish(lunch, { rounds: 0, now: lunch.serveAt - days * 1440 })).ms);
  return { "days from now to serving": days, "first plan ms p50": round(at(times, 0.5)) };
});
table("The length of the horizon", horizons);

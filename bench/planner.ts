// Figures of the planner on this machine: ./rondeau bench. Times are of one warm process; machines differ, so look at ratios too.
import { readFileSync } from "node:fs";
import { readDish } from "../src/core/dish/read";
import { dishModel } from "../src/core/dish/read-model";
import { EMPTY_LOG, type Plan, planDish, planningNow, verifyPlan } from "../src/core/planner";
import { diagnose } from "../src/core/planner/explain";
import { smallestConflict } from "../src/core/planner/explain/conflict";
import { whyHere } from "../src/core/planner/explain/why";
import { riskOf } from "../src/core/planner/risk";
import { randomDish } from "../tests/core/generate";
import { jobShops } from "./job-shops";

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

const shortest = [20, 40, 60, 120, 300].flatMap((steps) =>
  [1, 2].map((cooks) => {
    const row = { steps, cooks, dishes: 0, proved: 0, "gap % max": 0, none: 0, "gave up": 0, "ms p50": 0, "ms p95": 0 };
    const times: number[] = [];
    const count = steps > 120 ? 3 : steps > 60 ? 10 : 40;
    for (let seed = 1; seed <= count; seed++) {
      const dish = dishOf(randomDish(seed + 1000 * steps, { steps, cooks }));
      const methods = Object.fromEntries(dish.components.map((c) => [c.id, c.methods[0]?.id ?? ""]));
      const began = Date.now();
      const stop = () => Date.now() - began > (steps > 60 ? 10_000 : 5_000);
      const { ms, value } = timed(() => planDish(dish, { rounds: 100_000, style: "shortest", methods, stop }));
      row.dishes++;
      if (value.status === "infeasible") {
        row[value.proved ? "none" : "gave up"]++;
        continue;
      }
      times.push(ms);
      const gap = (100 * (value.plan.leadMinutes - value.plan.boundMinutes)) / value.plan.boundMinutes;
      if (gap === 0) row.proved++;
      row["gap % max"] = Math.max(row["gap % max"], round(gap));
    }
    return { ...row, "ms p50": round(at(times, 0.5)), "ms p95": round(at(times, 0.95)) };
  }),
);
table("Style shortest, 5 s a dish up to 60 steps, 10 s above: proved shortest, the first methods", shortest);

const shops = jobShops().map(({ name, optimum, dish }) => {
  const { ms, value } = timed(() => planDish(dishOf(dish), { style: "shortest", planAt: "likely", rounds: 12_000 }));
  const [found, bound] = value.status === "feasible" ? [value.plan.leadMinutes, value.plan.boundMinutes] : [0, 0];
  return { shop: name, optimum, found, bound, ms: round(ms) };
});
table("Classical job shops as dishes", shops);

const lunch = demo("harvest-lunch");
const improved = (["late", "ahead", "even"] as const).flatMap((style) =>
  [0, 40, 120, 400, 1200].map((rounds) => {
    const runs = [1, 2, 3].map((seed) => timed(() => planDish(lunch, { rounds, seed, style })));
    const regrets = runs.map((r) => (r.value.status === "feasible" ? r.value.plan.regret.total : Number.NaN));
    const ms = runs.map((r) => r.ms);
    return {
      style,
      rounds,
      "ms p50": round(at(ms, 0.5)),
      "regret best": round(Math.min(...regrets)),
      "regret worst": round(Math.max(...regrets)),
    };
  }),
);
table("Regret of the harvest lunch (cautious) by rounds of improvement, three seeds", improved);

const plan = planDish(lunch, { rounds: 0 });
if (plan.status === "feasible") {
  const whys = Array.from({ length: 15 }, () => timed(() => whyHere(lunch, plan.plan as Plan)).ms);
  const risk = timed(() => riskOf(lunch, plan.plan, { runs: 20_000 }));
  const verify = Array.from({ length: 15 }, () => timed(() => verifyPlan(lunch, plan.plan)).ms);
  const drags: number[] = [];
  for (const step of plan.plan.steps.filter((s) => s.hands.length).slice(0, 30)) {
    const pin = { step: step.step, at: undefined, notBefore: undefined, notAfter: step.start - 60, cook: undefined };
    drags.push(
      timed(() =>
        planDish(lunch, {
          rounds: 0,
          conflicts: 60,
          quick: true,
          methods: plan.plan.methods,
          previous: plan.plan,
          log: { ...EMPTY_LOG, pins: [pin] },
        }),
      ).ms,
    );
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
const late = { now: lunch.serveAt - 100 * 60 };
const refusal = planDish(lunch, { ...late, rounds: 0 });
if (refusal.status === "infeasible") {
  const whole = timed(() => diagnose(JSON.parse(readFileSync("demo/harvest-lunch.json", "utf8")), late, refusal));
  table("The harvest lunch a hundred hours before", [
    {
      what: "its conflict and repairs, ms",
      figure: round(whole.ms),
      facts: whole.value.conflict.length,
      repairs: whole.value.repairs.length,
    },
  ]);
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

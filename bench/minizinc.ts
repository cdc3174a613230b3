// Optima of an independent solver: the same random dishes, written for bench/dish.mzn and solved by Gecode through MiniZinc.
// What is compared: the planner's proven shortest lead and its bound. ./rondeau bench optima [dishes] [seconds a dish]
import { spawnSync } from "node:child_process";
import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { HEATED } from "../src/core/dish/model";
import { readDish } from "../src/core/dish/read";
import { dishModel } from "../src/core/dish/read-model";
import { EMPTY_LOG, planDish, planningNow } from "../src/core/planner";
import { compile } from "../src/core/planner/compile";
import { isUnitLike, type Model } from "../src/core/planner/model";
import { shift, startsFitting } from "../src/core/time/interval";
import { randomDish } from "../tests/core/generate";

const list = (items: readonly (number | boolean | string)[]) => `[${items.join(",")}]`;
const setOf = (intervals: readonly (readonly [number, number])[]) =>
  intervals.length ? intervals.map(([a, b]) => `${a}..${b - 1}`).join(" union ") : "{}";

/** The data of a compiled dish for dish.mzn, or undefined where it uses what that model leaves out. */
function dataOf(model: Model): string | undefined {
  const { activities, dish } = model;
  if (activities.some((a) => a.stretch > 0 || (a.minPiece !== undefined && a.minutes >= 2 * a.minPiece) || a.step.each)) return undefined;
  if (model.takings.some((t) => t.maker === undefined || t.during !== undefined || t.batchEnd !== undefined)) return undefined;
  if (model.fallbacks.size || dish.cooks.length === 0) return undefined;
  const base = model.serveAt;
  const before = (intervals: readonly (readonly [number, number])[]) => setOf(shift(intervals, -base));
  const lines: string[] = [
    `n=${activities.length};`,
    `minutes=${list(activities.map((a) => a.minutes))};`,
    `starts=${list(activities.map((a) => before(a.starts)))};`,
  ];
  const lags = model.lags.filter((l) => l.from >> 1 !== l.to >> 1);
  lines.push(`lags=${lags.length};`);
  lines.push(`lagFrom=${list(lags.map((l) => (l.from >> 1) + 1))};`, `lagFromEnd=${list(lags.map((l) => (l.from & 1) === 1))};`);
  lines.push(`lagTo=${list(lags.map((l) => (l.to >> 1) + 1))};`, `lagToEnd=${list(lags.map((l) => (l.to & 1) === 1))};`);
  lines.push(`lag=${list(lags.map((l) => l.lag))};`);
  const pieces = activities.flatMap((a) => {
    const parts = a.minPiece === undefined ? a.parts : [{ offset: 0, minutes: a.minutes, atEnd: false }];
    return parts.filter((p) => p.minutes > 0).map((p) => ({ a, offset: p.atEnd ? a.minutes - p.minutes : p.offset, minutes: p.minutes }));
  });
  lines.push(`cooks=${dish.cooks.length};`, `pieces=${pieces.length};`, `pieceOf=${list(pieces.map((p) => p.a.index + 1))};`);
  lines.push(`pieceOffset=${list(pieces.map((p) => p.offset))};`, `pieceMinutes=${list(pieces.map((p) => p.minutes))};`);
  const may = pieces.flatMap((p) =>
    dish.cooks.map((_, c) => {
      const at = p.a.cooks.indexOf(c);
      return at < 0 ? "{}" : before(startsFitting(p.a.works[at] ?? [], p.minutes, [base - 50_000, base]));
    }),
  );
  lines.push(`pieceStarts=array2d(1..${pieces.length},1..${dish.cooks.length},${list(may)});`);
  const ids: { kind: string; index: number; clean: number }[] = [];
  for (const [kind, units] of model.units) units.forEach((u, index) => ids.push({ kind, index, clean: u.clean }));
  const stepNumber = new Map(model.inForce.map((s, i) => [s.ref, i]));
  const spans = activities.flatMap((a) =>
    a.needs
      .filter((n) => isUnitLike(n.use.what))
      .flatMap((n) => {
        const until = typeof n.span === "object" ? n.span.until : a.index;
        const fitting = ids.flatMap((u, i) => (u.kind === n.use.what && n.fitting.includes(u.index) ? [i + 1] : []));
        return Array.from({ length: n.use.count }, () => ({ from: a.index + 1, to: until + 1, step: stepNumber.get(a.step.ref), fitting }));
      }),
  );
  if (activities.some((a) => a.needs.some((n) => n.span === "hands"))) return undefined;
  lines.push(`spans=${spans.length};`, `spanFrom=${list(spans.map((s) => s.from))};`, `spanTo=${list(spans.map((s) => s.to))};`);
  lines.push(`spanStep=${list(spans.map((s) => s.step ?? 0))};`, `spanUnits=${list(spans.map((s) => `{${s.fitting.join(",")}}`))};`);
  lines.push(`clean=${list(ids.map((u) => u.clean))};`);
  const heaters = dish.equipment.filter((e) => (HEATED as readonly string[]).includes(e.kind));
  if (new Set(heaters.map((h) => h.kind)).size < heaters.length) return undefined;
  const inTenths = (e: (typeof heaters)[number], n: number) => Math.round(n * (e.kind === "bath" ? 1000 : 1));
  const users = activities.flatMap((a) =>
    a.needs
      .filter((n) => (HEATED as readonly string[]).includes(n.use.what))
      .map((n) => ({ a, use: n.use, heater: heaters.find((h) => h.kind === n.use.what) })),
  );
  if (users.some((u) => !u.heater || u.use.ramp)) return undefined;
  const modes = ["any", ...new Set(users.map((u) => u.use.mode).filter((m) => m !== "any"))];
  lines.push(`users=${users.length};`, `userOf=${list(users.map((u) => u.a.index + 1))};`);
  lines.push(`userHeat=${list(users.map((u) => heaters.indexOf(u.heater as (typeof heaters)[number]) + 1))};`);
  lines.push(`userLow=${list(users.map((u) => Math.ceil(u.use.tempC - u.use.toleranceC)))};`);
  lines.push(`userHigh=${list(users.map((u) => Math.floor(Math.min(u.heater?.maxC ?? 0, u.use.tempC + u.use.toleranceC))))};`);
  lines.push(`userMode=${list(users.map((u) => modes.indexOf(u.use.mode)))};`);
  lines.push(
    `userSize=${list(users.map((u) => inTenths(u.heater as (typeof heaters)[number], u.heater?.kind === "bath" ? u.use.litres : u.use.racks)))};`,
  );
  lines.push(`heatRoom=${list(heaters.map((h) => inTenths(h, h.kind === "bath" ? (h.litres ?? 1e3) : h.racks)))};`);
  lines.push(
    `heatUp=${list(heaters.map((h) => Math.round(10 * h.heatCPerMin)))};`,
    `heatDown=${list(heaters.map((h) => Math.round(10 * h.coolCPerMin)))};`,
  );
  const holds: { min: number; max: number; ml: number }[] = [];
  const rows = new Map<string, number[]>();
  for (const t of model.takings) {
    if (rows.has(t.output)) continue;
    rows.set(
      t.output,
      (t.holds.length ? t.holds : [{ min: 0, max: undefined, place: "none", litres: 0 }]).map((h) =>
        holds.push({ min: h.min, max: h.max ?? 60_000, ml: h.place === "fridge" ? Math.round(1000 * h.litres) : 0 }),
      ),
    );
  }
  lines.push(`takes=${model.takings.length};`, `takeMaker=${list(model.takings.map((t) => (t.maker ?? 0) + 1))};`);
  lines.push(`takeTaker=${list(model.takings.map((t) => t.taker + 1))};`);
  lines.push(`takeHolds=${list(model.takings.map((t) => `{${rows.get(t.output)?.join(",")}}`))};`);
  lines.push(
    `holdMin=${list(holds.map((h) => h.min))};`,
    `holdMax=${list(holds.map((h) => h.max))};`,
    `holdLitres=${list(holds.map((h) => h.ml))};`,
  );
  const kept = [
    ...activities.flatMap((a) =>
      a.needs
        .filter((n) => n.use.what === "fridge")
        .map((n) => ({ from: 2 * a.index, to: 2 * a.index + 1, ml: Math.round(1000 * n.use.litres) })),
    ),
    ...model.waitings
      .filter((w) => w.place === "fridge" && w.litres > 0)
      .map((w) => ({ from: w.from, to: w.to, ml: Math.round(1000 * w.litres) })),
  ];
  lines.push(
    `kept=${kept.length};`,
    `keptFrom=${list(kept.map((k) => (k.from >> 1) + 1))};`,
    `keptFromEnd=${list(kept.map((k) => (k.from & 1) === 1))};`,
  );
  lines.push(`keptTo=${list(kept.map((k) => (k.to >> 1) + 1))};`, `keptToEnd=${list(kept.map((k) => (k.to & 1) === 1))};`);
  lines.push(`keptMl=${list(kept.map((k) => k.ml))};`, `fridge=${Math.round(1000 * (model.storeLitres.get("fridge") ?? 1e6))};`);
  return `${lines.join("\n")}\n`;
}

const [wanted, seconds] = [Number(process.argv[2] ?? 200), Number(process.argv[3] ?? 20)];
const folder = mkdtempSync(join(tmpdir(), "rondeau-optima-"));
const counts = {
  compared: 0,
  same: 0,
  "planner proved": 0,
  "planner shorter": 0,
  "planner longer": 0,
  "bound above the optimum": 0,
  "both say none": 0,
  "say differently": 0,
  "solver out of time": 0,
};
const spent = { planner: 0, solver: 0 };
for (let seed = 1; counts.compared + counts["both say none"] < wanted && seed < 40 * wanted; seed++) {
  const read = readDish(JSON.stringify(randomDish(seed + 700_000, { steps: 6 + (seed % 35), cooks: 1 + (seed % 2), plain: true })));
  if (read.status === "refused") throw new Error(read.problems[0]?.message);
  const dish = dishModel(read.document);
  const methods = Object.fromEntries(dish.components.map((c) => [c.id, c.methods[0]?.id ?? ""]));
  const compiled = compile({ dish, now: planningNow(dish, {}), serveAt: dish.serveAt, planAt: "likely", methods, log: EMPTY_LOG });
  const data = compiled.status === "compiled" ? dataOf(compiled.model) : undefined;
  if (!data) continue;
  const file = join(folder, `${seed}.dzn`);
  writeFileSync(file, data);
  let began = performance.now();
  const planned = planDish(dish, { methods, planAt: "likely", style: "shortest", rounds: 2_000 });
  spent.planner += performance.now() - began;
  began = performance.now();
  const run = spawnSync("minizinc", ["--solver", "gecode", "--time-limit", String(1000 * seconds), "bench/dish.mzn", file], {
    encoding: "utf8",
  });
  spent.solver += performance.now() - began;
  if (run.error) throw new Error(`minizinc is not here: ${run.error.message}`);
  if (run.stdout.includes("UNSATISFIABLE")) {
    counts[planned.status === "infeasible" ? "both say none" : "say differently"]++;
    if (planned.status === "feasible") console.error(`dish ${seed}: the solver finds none, the planner ${planned.plan.leadMinutes}`);
    continue;
  }
  if (!run.stdout.includes("==========")) {
    if (!run.stdout)
      console.error(
        run.stderr
          .split("\n")
          .filter((l) => l.startsWith("Error"))
          .slice(0, 3)
          .join("\n"),
      );
    counts["solver out of time"]++;
    continue;
  }
  const optimum = Number(
    run.stdout
      .trim()
      .split("\n")
      .filter((l) => /^\d+$/.test(l))
      .at(-1),
  );
  if (planned.status === "infeasible") {
    counts["say differently"]++;
    console.error(`dish ${seed}: the solver finds ${optimum}, the planner none (${planned.conflict[0]?.text})`);
    continue;
  }
  counts.compared++;
  const { leadMinutes, boundMinutes } = planned.plan;
  if (leadMinutes === boundMinutes) counts["planner proved"]++;
  if (leadMinutes === optimum) counts.same++;
  else counts[leadMinutes < optimum ? "planner shorter" : "planner longer"]++;
  if (boundMinutes > optimum) counts["bound above the optimum"]++;
  if (leadMinutes !== optimum || boundMinutes !== optimum)
    console.error(`dish ${seed}: solver ${optimum}, planner ${leadMinutes}, bound ${boundMinutes}`);
}
console.table([{ ...counts, "planner s": Math.round(spent.planner / 1000), "solver s": Math.round(spent.solver / 1000) }]);

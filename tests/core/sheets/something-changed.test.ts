// What can be done once something has happened: every way is planned, and what the planner makes of it keeps every rule.
import { describe, expect, test } from "vitest";
import { applyPatch } from "../../../src/core/dish/patch";
import { readDishValue } from "../../../src/core/dish/read";
import { dishModel } from "../../../src/core/dish/read-model";
import { type Log, logToFile, planDish, planFromFile, planToFile, verifyPlan } from "../../../src/core/planner";
import { withTold } from "../../../src/core/planner/told";
import { logOf, progressOf, type RunEvent } from "../../../src/core/record/progress";
import { type Mishap, waysOn } from "../../../src/core/sheets/something-changed";
import { standsUntil } from "../../../src/core/sheets/stands-until";
import { intervalsOfHours } from "../../../src/core/time/calendar";
import { planView } from "../../../src/core/view/plan-view";
import { PlanDesk } from "../../../src/workers/plan-desk";
import { demoDocument, type Loose } from "../../support/dishes";
import { at, step, viewOf, wait } from "../../support/plan-views";

/** The lunch, followed as planned until some of its steps have been done. */
function followed(share: number) {
  const read = readDishValue(demoDocument("harvest-lunch"));
  if (read.status === "refused") throw new Error("not read");
  const document = read.document;
  const dish = dishModel(document);
  const first = planDish(dish, { rounds: 0 });
  if (first.status !== "feasible") throw new Error("no plan");
  const steps = [...first.plan.steps].sort((a, b) => a.start - b.start);
  const now = (steps[Math.floor(steps.length * share)] as (typeof steps)[number]).start + 1;
  const events: RunEvent[] = [];
  for (const s of steps) {
    if (s.start <= now) events.push({ sequence: events.length + 1, kind: "started", step: s.step, at: s.start });
    if (s.end <= now) events.push({ sequence: events.length + 1, kind: "ended", step: s.step, at: s.end });
  }
  const log: Log = logOf(progressOf(events));
  const again = planDish(dish, { now, log, previous: first.plan, rounds: 0 });
  if (again.status !== "feasible") throw new Error("no plan on the way");
  return { document, dish, now, log, plan: again.plan, view: planView(dish, again.plan, log.events), zone: dish.zone };
}
const lunch = followed(0.6);
const desk = new PlanDesk({
  version: 1,
  document: lunch.document,
  now: lunch.now,
  log: logToFile(lunch.log, lunch.zone),
  plan: planToFile(lunch.plan, lunch.zone),
});
const ways = (mishap: Mishap) => waysOn({ document: lunch.document, plan: lunch.view, zone: lunch.zone, now: lunch.now }, mishap);
/** Plans a way as the page does, and holds what comes of it against the verifier. */
function planned(way: ReturnType<typeof ways>[number]) {
  const tried = desk.way(way.change, way.told);
  if (tried.status !== "ready") throw new Error(`${way.title}: ${JSON.stringify(tried).slice(0, 300)}`);
  const read = readDishValue(applyPatch(lunch.document, way.change));
  if (read.status === "refused") throw new Error(JSON.stringify(read.problems));
  const dish = dishModel(read.document);
  const plan = planFromFile(tried.file, dish.zone);
  expect(verifyPlan(dish, plan, { now: lunch.now, log: withTold(lunch.log, way.told) }).broken, way.title).toEqual([]);
  return { plan, view: tried.view, dish };
}
const running = lunch.view.steps.filter((s) => s.state === "running");
const done = lunch.view.steps.filter((s) => s.state === "done");

describe("the lunch, more than half done", () => {
  test("there is something to go wrong", () => {
    expect(running.length).toBeGreaterThan(0);
    expect(done.length).toBeGreaterThan(5);
  });
  test("a step that takes longer ends later, and serving stays or moves as chosen", () => {
    const slow = running[0] as (typeof running)[number];
    const [follow, later] = ways({ kind: "longer", step: slow.ref, minutes: 20 });
    if (!follow || !later) throw new Error("ways are missing");
    const kept = planned(follow);
    expect(kept.plan.serveAt).toBe(lunch.plan.serveAt);
    expect(kept.view.steps.find((s) => s.ref === slow.ref)?.end).toBe(Math.max(slow.end, lunch.now) + 20);
    expect(planned(later).plan.serveAt).toBe(lunch.plan.serveAt + 20);
  });
  test("what failed and was done is made again, or replaced by what the dish names, which is then not made", () => {
    const component = lunch.document.components.find(
      (c) => c.fallback && c.id !== "serve" && lunch.view.steps.some((s) => s.component === c.id && s.state === "planned"),
    );
    if (!component) throw new Error("nothing with a fallback is left");
    const list = ways({ kind: "failed", component: component.id });
    expect(list.map((w) => w.key)).toEqual(expect.arrayContaining(["instead", "again"]));
    expect(list.length).toBeLessThanOrEqual(3);
    const instead = planned(list.find((w) => w.key === "instead") as (typeof list)[number]);
    expect(instead.plan.methods[component.id]).toBe("fallback");
  });
  test("made again, nothing of it counts as done", () => {
    const first = done.find((s) => s.component !== running[0]?.component) as (typeof done)[number];
    const again = ways({ kind: "failed", component: first.component }).find((w) => w.key === "again");
    expect(again?.told.every((t) => t.kind === "void")).toBe(true);
    expect(again?.told.map((t) => t.step)).toContain(first.ref);
    const log = withTold(lunch.log, again?.told ?? []);
    expect(log.events.has(first.ref)).toBe(false);
    expect(lunch.log.events.has(first.ref)).toBe(true);
  });
  test("without the oven nothing is planned in it from now on; a neighbour's takes its place", () => {
    const [without, borrow] = ways({ kind: "stopped", equipment: "oven" });
    expect(without?.title).toBe("Do without the oven");
    const { view } = planned(borrow as NonNullable<typeof borrow>);
    for (const s of view.steps.filter((x) => x.state === "planned")) expect(s.equipment, s.ref).not.toContain("Oven");
    expect(view.steps.some((s) => s.equipment.includes("Neighbour's oven"))).toBe(true);
    // For the next dish of this kitchen the oven is there again, and the neighbour's is not.
    const read = readDishValue(applyPatch(lunch.document, (borrow as NonNullable<typeof borrow>).change));
    if (read.status === "refused") throw new Error(JSON.stringify(read.problems));
    const week = lunch.plan.serveAt + 7 * 1440;
    const there = (id: string) => {
      const hours = read.document.kitchen?.equipment?.find((e) => e.id === id)?.available as never;
      return [...intervalsOfHours(hours, lunch.zone, week, week + 60)].length > 0;
    };
    expect([there("oven"), there("borrowed-oven")]).toEqual([true, false]);
  });
  test("a cook who goes away does nothing until she is back", () => {
    const cook = lunch.document.kitchen?.cooks?.[0]?.id as string;
    const until = lunch.now + 240;
    const list = ways({ kind: "help", cook, until });
    expect(list.map((w) => w.key)).toEqual(["without", "helper", "later"]);
    const helped = planned(list[1] as (typeof list)[number]);
    const hers = helped.view.steps
      .filter((s) => s.state === "planned")
      .flatMap((s) => s.hands.filter((h) => h.cook === cook && h.from < until));
    expect(hers).toEqual([]);
    expect(ways({ kind: "help", cook, until: lunch.now })).toEqual([]);
  });
  test("guests who come later are served later; more guests get more of what is not made yet", () => {
    const [later] = ways({ kind: "late", minutes: 45 });
    expect(planned(later as NonNullable<typeof later>).plan.serveAt).toBe(lunch.plan.serveAt + 45);
    const [more] = ways({ kind: "guests", serves: 9 });
    expect(planned(more as NonNullable<typeof more>).view.steps.length).toBeGreaterThan(0);
  });
  test("a step left out takes no time", () => {
    const last = lunch.view.steps.filter((s) => s.state === "planned" && s.makes.length === 0 && s.ref !== lunch.view.serveStep)[0];
    if (!last) throw new Error("no step to leave out");
    const [skip] = ways({ kind: "skip", step: last.ref });
    expect(skip?.told).toEqual([{ kind: "skipped", step: last.ref, at: lunch.now }]);
    expect(withTold(lunch.log, skip?.told ?? []).events.get(last.ref)).toMatchObject({ skipped: true, ended: lunch.now });
  });
  test("what is not of the dish has no way", () => {
    expect(ways({ kind: "failed", component: "nothing" })).toEqual([]);
    expect(ways({ kind: "stopped", equipment: "nothing" })).toEqual([]);
    expect(ways({ kind: "help", cook: "nobody", until: lunch.now + 60 })).toEqual([]);
  });
});

test("what waits now has until its own limit, the first to give way in front", () => {
  const window = (max: number) => ({ min: undefined, best: undefined, max, limit: "safety" }) as Loose;
  const plan = viewOf(
    [step("a.b", "08:00", "09:00")],
    [
      wait("a", "Soup", "09:00", "13:00", { window: window(300) }),
      wait("b", "Cream", "10:00", "13:00", { window: window(180) }),
      wait("c", "Bread", "12:30", "13:00", { window: window(600) }),
      wait("d", "Salt", "08:00", "13:00"),
    ],
  );
  expect(standsUntil(plan, at("11:00"))).toEqual([
    { name: "Cream", until: at("13:00") },
    { name: "Soup", until: at("14:00") },
  ]);
});

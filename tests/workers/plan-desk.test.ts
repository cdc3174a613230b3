// The desk that answers in the page: what it says can be kept holds, what it refuses says why, and asking changes nothing.
import { describe, expect, onTestFinished, test, vi } from "vitest";
import { applyPatch } from "../../src/core/dish/patch";
import { readDishValue } from "../../src/core/dish/read";
import { dishModel } from "../../src/core/dish/read-model";
import { wishChange } from "../../src/core/dish/wishes";
import { EMPTY_LOG, logToFile, planDish, planFromFile, planToFile, verifyPlan } from "../../src/core/planner";
import { PlanDesk, type Tried } from "../../src/workers/plan-desk";
import { demoDocument, type Loose } from "../support/dishes";
import { addTin, smallDish } from "../support/small-dish";

function sceneOf(value: Loose, withPlan = true) {
  const read = readDishValue(value);
  if (read.status === "refused") throw new Error(JSON.stringify(read.problems));
  const dish = dishModel(read.document);
  const planned = planDish(dish, { rounds: 10 });
  const plan = planned.status === "feasible" ? planned.plan : undefined;
  return {
    version: 1,
    document: read.document,
    now: plan?.now ?? dish.serveAt - 5 * 1440,
    log: logToFile(EMPTY_LOG, dish.zone),
    plan: withPlan && plan ? planToFile(plan, dish.zone) : null,
  };
}
/** A plan that can be kept: it holds for the document with its change. */
function holds(scene: ReturnType<typeof sceneOf>, tried: Tried) {
  if (tried.status !== "ready") throw new Error(JSON.stringify(tried).slice(0, 400));
  const read = readDishValue(applyPatch(scene.document, tried.change));
  if (read.status === "refused") throw new Error(JSON.stringify(read.problems));
  const dish = dishModel(read.document);
  const plan = planFromFile(tried.file, dish.zone);
  expect(verifyPlan(dish, plan, { now: scene.now }).broken).toEqual([]);
  expect(tried.view.steps.length).toBe(plan.steps.length);
  return plan;
}

describe("the desk", () => {
  const scene = sceneOf(smallDish());
  const before = structuredClone(scene);
  const desk = new PlanDesk(scene);
  const simmer = planFromFile(scene.plan as Loose, dishModel(scene.document).zone).steps.find((s) => s.step === "stock.simmer")?.start ?? 0;

  test("a step let go of is held there, in a plan that holds", () => {
    const tried = desk.settle("stock.simmer", simmer - 120);
    expect(holds(scene, tried).steps.find((s) => s.step === "stock.simmer")?.start).toBe(simmer - 120);
  });
  test("dragged: what moves, or why not; without a plan there is nothing to drag", () => {
    expect(desk.drag("stock.simmer", simmer - 60)).toMatchObject({
      status: "moved",
      at: simmer - 60,
      moved: ["stock.simmer", "stock.chop"],
    });
    expect(desk.drag("plate.put", simmer)).toMatchObject({ status: "stuck", because: expect.stringMatching(/^Not earlier than/) });
    expect(new PlanDesk(sceneOf(smallDish(), false)).drag("stock.simmer", 0)).toBeUndefined();
  });
  test("another style is another plan; another hour is one at that hour", () => {
    expect(holds(scene, desk.try(wishChange(scene.document, { style: "ahead" }))).style).toBe("ahead");
    const later = holds(scene, desk.try([{ op: "replace", path: "/dish/serveAt", value: "2026-10-18T15:00" }]));
    expect(later.serveAt).toBe(dishModel(scene.document).zone.toMinute("2026-10-18T15:00"));
  });
  test("what cannot be is refused with facts, and each way out leads to a plan that holds", () => {
    const change = [{ op: "replace" as const, path: "/components/0/methods/0/steps/1/uses/1/litres", value: 14 }];
    const refused = desk.try(change);
    if (refused.status !== "refused") throw new Error(refused.status);
    expect(refused.facts.map((f) => f.text).join()).toMatch(/14/);
    expect(refused.repairs.length).toBeGreaterThan(0);
    for (const repair of refused.repairs) holds(scene, desk.try([...change, ...repair.change]));
  });
  test("a change that does not fit the dish is told as such", () => {
    expect(desk.try([{ op: "replace", path: "/components/7/name", value: "x" }])).toMatchObject({ status: "unfit" });
    expect(desk.try([{ op: "replace", path: "/dish/serves", value: -1 }])).toMatchObject({
      status: "unfit",
      because: expect.stringContaining("dish.serves"),
    });
  });
  test("why comes before what helps, and what helps as it is found", () => {
    const change = [{ op: "replace" as const, path: "/components/0/methods/0/steps/1/uses/1/litres", value: 14 }];
    const told: Tried[] = [];
    const tried = desk.try(change, undefined, (words) => told.push(words));
    if (tried.status !== "refused") throw new Error(tried.status);
    const [first] = told;
    if (first?.status !== "refused") throw new Error("nothing was told first");
    expect(first).toMatchObject({ looking: true, repairs: [] });
    expect(first.facts.length).toBeGreaterThan(0);
    expect(tried.looking).toBeUndefined();
    for (const words of told) if (words.status === "refused") for (const r of words.repairs) expect(tried.repairs).toContainEqual(r);
  });

  test("a faulty scene is refused before anything is asked", () => {
    expect(() => new PlanDesk({ ...scene, now: "soon" })).toThrow();
  });
  test("the table is joined and left again", () => {
    const soup = smallDish((d) => Object.assign(d.dish, { id: "soup", name: "Soup" }));
    const joined = desk.join(soup, 60);
    const plan = holds(scene, joined);
    expect(plan.steps.some((s) => s.step === "soup-plate.put")).toBe(true);
    expect(desk.join({ format: "rondeau/1" }, 60)).toMatchObject({ status: "unfit" });
    expect(
      desk.join(
        smallDish((d) => (d.dish.timezone = "Asia/Tokyo")),
        60,
      ),
    ).toMatchObject({ status: "unfit", because: expect.stringContaining("time zones") });
    expect(desk.without("Soup")).toMatchObject({ status: "unfit" });
  });
  test("whether it can still be made: the earliest table is one, the choices are named", () => {
    const reach = new PlanDesk(sceneOf(smallDish(addTin))).reach();
    expect(reach.earliestServing).toBeDefined();
    expect(reach.choices.map((c) => c.names)).toEqual([[], ["Stock: From the tin"]]);
    expect(reach.choices[0]?.current).toBe(true);
  });
  test("as sure as asked, or as near as it comes, and it says which", () => {
    const sure = desk.sure(0.95);
    holds(scene, sure);
    expect(sure).toMatchObject({ reached: true, note: expect.stringMatching(/planned longer/) });
    expect(sure.status === "ready" && sure.rehearsed.onTime).toBeGreaterThanOrEqual(0.95);
  });
  test("nothing that was asked has changed what it was asked of", () => {
    expect(scene).toEqual(before);
  });
});

test("every way to lighten the lunch's heavy places gives a plan that holds", () => {
  // It is looked for as long as a page may wait; a slow machine gets four times as long.
  const began = Date.now();
  const real = Date.now.bind(Date);
  const slow = vi.spyOn(Date, "now").mockImplementation(() => began + (real() - began) / 4);
  onTestFinished(() => slow.mockRestore());
  const scene = sceneOf(demoDocument("harvest-lunch"));
  const desk = new PlanDesk(scene);
  const zone = dishModel(scene.document).zone;
  const ways = desk.lighten({ kind: "full-day", at: zone.toMinute("2026-10-17T10:00") });
  expect(ways.map((w) => w.kind)).toEqual(expect.arrayContaining(["helper", "layout"]));
  for (const way of ways.slice(0, 3)) holds(scene, desk.try(way.change));
});

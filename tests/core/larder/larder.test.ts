// What is kept: worked out from runs and from what was written, with the limits that go with the place.
import { describe, expect, test } from "vitest";
import { dishModel } from "../../../src/core/dish/read-model";
import type { DishFile } from "../../../src/core/dish/schema";
import { larderAxis } from "../../../src/core/larder/axis";
import { decisionsOf } from "../../../src/core/larder/decisions";
import { LarderBody, type LarderEvent } from "../../../src/core/larder/events";
import { itemsOfRun } from "../../../src/core/larder/from-run";
import { freeOf, type LarderItem, larderItems } from "../../../src/core/larder/items";
import { roomOf } from "../../../src/core/larder/room";
import { usesOf } from "../../../src/core/larder/uses";
import { planDish } from "../../../src/core/planner";
import type { LogEvent } from "../../../src/core/planner/log";
import { occupancyOf } from "../../../src/core/view/occupancy";
import type { Loose } from "../../support/dishes";
import { smallDish, stepOf } from "../../support/small-dish";

const NOW = 30_000_000;
const DAY = 1440;
const events = (...bodies: readonly (readonly [item: string, body: Loose, at?: number])[]): LarderEvent[] =>
  bodies.map(([item, body, at = NOW], i) => ({ id: i + 1, item, at, body: LarderBody.parse(body) }));
const jam = { kind: "added", name: "Plum jam", amount: { amount: 2, unit: "jar" }, place: "cellar", until: NOW + 90 * DAY };
const mince = { kind: "added", name: "Mince", amount: { amount: 500, unit: "g" }, place: "fridge", until: NOW + DAY, limit: "safety" };
const only = (list: readonly LarderItem[]): LarderItem => {
  expect(list).toHaveLength(1);
  return list[0] as LarderItem;
};

describe("items", () => {
  test("taking some leaves the rest, all of it nothing, another kind of amount all", () => {
    const left = only(larderItems([], events(["a", jam], ["a", { kind: "taken", amount: { amount: 0.5, unit: "jar" } }])));
    expect(left.quantity).toEqual({ dimension: "count", value: 1.5, piece: "jar" });
    expect(larderItems([], events(["a", jam], ["a", { kind: "taken" }]))).toEqual([]);
    expect(larderItems([], events(["a", jam], ["a", { kind: "taken", amount: { amount: 2, unit: "jar" } }]))).toEqual([]);
    expect(only(larderItems([], events(["a", jam], ["a", { kind: "taken", amount: { amount: 100, unit: "g" } }]))).quantity?.value).toBe(2);
  });
  test("what was taken back did not happen", () => {
    const list = events(["a", jam], ["a", { kind: "discarded" }], ["a", { kind: "withdrawn", of: 2 }]);
    expect(only(larderItems([], list)).name).toBe("Plum jam");
    expect(larderItems([], events(["a", jam], ["a", { kind: "withdrawn", of: 1 }]))).toEqual([]);
  });
  test("opening shortens, never lengthens", () => {
    const open = (until: number) => only(larderItems([], events(["a", jam], ["a", { kind: "opened", until }])));
    expect(open(NOW + 7 * DAY)).toMatchObject({ until: NOW + 7 * DAY, opened: NOW });
    expect(open(NOW + 200 * DAY).until).toBe(NOW + 90 * DAY);
  });
  test("frozen it keeps; thawed two days, whatever it was; on the counter no longer than in the fridge", () => {
    const frozen = ["a", { kind: "moved", place: "freezer" }] as const;
    expect(only(larderItems([], events(["a", mince], frozen))).until).toBeUndefined();
    const thawed = only(larderItems([], events(["a", mince], frozen, ["a", { kind: "moved", place: "fridge" }, NOW + 30 * DAY])));
    expect(thawed).toMatchObject({ until: NOW + 32 * DAY, limit: "safety", place: "fridge" });
    const out = only(larderItems([], events(["a", mince], ["a", { kind: "moved", place: "counter", until: NOW + 9 * DAY }])));
    expect(out).toMatchObject({ until: NOW + DAY, limit: "safety", place: "counter" });
  });
  test("some of it goes to another place, with the limit of that place, and the rest stays where it is", () => {
    const frozen = { kind: "split", amount: { amount: 300, unit: "g" }, place: "freezer", into: "part" };
    const [rest, part] = larderItems([], events(["a", mince], ["a", frozen]));
    expect(rest).toMatchObject({ id: "a", place: "fridge", quantity: { value: 200 }, until: NOW + DAY, limit: "safety" });
    expect(part).toMatchObject({ id: "part", name: "Mince", place: "freezer", quantity: { value: 300 }, until: undefined });
    // Thawed in two turns, each has its own two days.
    const thawed = { kind: "split", amount: { amount: 100, unit: "g" }, place: "fridge", into: "thawed" };
    const all = larderItems([], events(["a", mince], ["a", frozen], ["part", thawed, NOW + 9 * DAY]));
    expect(all.map((i) => [i.id, i.quantity?.value, i.until])).toEqual([
      ["a", 200, NOW + DAY],
      ["part", 200, undefined],
      ["thawed", 100, NOW + 11 * DAY],
    ]);
    // Taken back, it is one again; what was done with the part is void then.
    const back = events(["a", mince], ["a", frozen], ["part", { kind: "discarded" }], ["a", { kind: "withdrawn", of: 2 }]);
    expect(only(larderItems([], back)).quantity?.value).toBe(500);
  });
  test("all of it, or more, moves as it is; the same name a second time changes nothing", () => {
    const more = { kind: "split", amount: { amount: 5, unit: "jar" }, place: "fridge", into: "part" };
    expect(only(larderItems([], events(["a", jam], ["a", more])))).toMatchObject({ id: "a", place: "fridge", quantity: { value: 2 } });
    const one = { ...more, amount: { amount: 1, unit: "jar" } };
    expect(larderItems([], events(["a", jam], ["a", one], ["a", one])).map((i) => i.quantity?.value)).toEqual([1, 1]);
  });
  test("freezing what is past its safe time brings nothing back", () => {
    const late = only(larderItems([], events(["a", mince], ["a", { kind: "moved", place: "freezer" }, NOW + 2 * DAY])));
    expect(late).toMatchObject({ place: "freezer", until: NOW + DAY, limit: "safety" });
  });
  test("an open amount is kept as it was said", () => {
    const counted = only(larderItems([], events(["a", jam], ["a", { kind: "counted", about: "about half a jar" }])));
    expect(counted).toMatchObject({ about: "about half a jar", quantity: undefined });
  });
  test("what is written of an item that is not there changes nothing", () => {
    expect(larderItems([], events(["b", { kind: "taken" }]))).toEqual([]);
  });
});

/** The small dish, planned, with the steps done that are named; each ended when the plan has it. */
function runOf(done: readonly string[], ended = false, change: (d: Loose) => void = () => {}) {
  const document = smallDish(change) as DishFile;
  const dish = dishModel(document);
  const answer = planDish(dish, { now: dish.serveAt - 3 * DAY, rounds: 5 });
  if (answer.status !== "feasible") throw new Error("no plan");
  const { plan } = answer;
  const progress = new Map(
    plan.steps
      .filter((s) => done.includes(s.step))
      .map((s): [string, LogEvent] => [s.step, { step: s.step, started: s.start, ended: s.end, estimate: undefined }]),
  );
  return { dish, plan, items: itemsOfRun({ runId: "r", slug: "small", name: "Small", dish, plan, progress, ended }) };
}

describe("what a run made", () => {
  test("stands in the larder from the moment it is made, with what takes of it and what nobody does", () => {
    expect(runOf(["stock.chop"]).items).toEqual([]);
    const { items, plan } = runOf(["stock.chop", "stock.simmer"]);
    const stock = only(items);
    expect(stock).toMatchObject({ id: "run r stock.stock", place: "fridge", limit: "safety", reserved: "Small" });
    expect(stock.quantity).toMatchObject({ dimension: "volume", value: 2000 });
    expect(freeOf(stock)).toMatchObject({ value: 500 });
    const simmered = plan.steps.find((s) => s.step === "stock.simmer");
    expect(stock.until).toBe((simmered?.end ?? 0) + 3 * DAY);
  });
  test("is gone by what was taken; what is left over stays after the run", () => {
    const during = runOf(["stock.chop", "stock.simmer", "sauce.reduce"]).items;
    expect(during.map((i) => [i.name, i.quantity?.value])).toEqual([
      ["stock", 500],
      ["sauce", 400],
    ]);
    const after = only(runOf(["stock.chop", "stock.simmer", "sauce.reduce", "plate.put"], true).items);
    expect(after).toMatchObject({ name: "stock", reserved: undefined, quantity: { value: 500 } });
    expect(after.source).toMatchObject({ underway: false, takers: [] });
  });
  test("is nothing where all of it was used", () => {
    const all = runOf(["stock.chop", "stock.simmer", "sauce.reduce", "plate.put"], true, (d) => {
      stepOf(d, "sauce.reduce").takes = [{ from: "stock.stock" }];
    });
    expect(all.items).toEqual([]);
  });
});

describe("what the plate takes", () => {
  const ALL = ["stock.chop", "stock.simmer", "sauce.reduce", "plate.put"];
  const pickles = (d: Loose) => {
    stepOf(d, "stock.chop").makes = [
      { id: "pickles", name: "Pickles", amount: { amount: 1000, unit: "g" }, holds: [{ place: "fridge", litres: 1, max: "60d" }] },
    ];
    d.dish.plate = [{ output: "stock.pickles", perServing: { amount: 150, unit: "g" } }];
  };
  const left = (done: readonly string[], ended: boolean, change = pickles) =>
    runOf(done, ended, change).items.find((i) => i.name === "Pickles");
  test("is eaten with the rest once it was served, and promised before", () => {
    const before = left(["stock.chop"], false);
    expect(before).toMatchObject({
      quantity: { value: 1000 },
      reserved: "Small",
      source: { takers: [{ step: "Put together", quantity: { value: 600 } }] },
    });
    expect(freeOf(before as LarderItem)?.value).toBe(400);
    expect(left(ALL, true)).toMatchObject({ quantity: { value: 400 }, reserved: undefined });
  });
  test("leaves nobody knows how much where it is counted otherwise", () => {
    const whole = (d: Loose) => {
      pickles(d);
      d.dish.plate = [{ output: "stock.pickles", perServing: { amount: 2, unit: "piece" } }];
    };
    expect(left(ALL, true, whole)).toBeUndefined();
    expect(left(["stock.chop"], false, whole)).toBeDefined();
  });
  test("is there still where the run ended and nothing was served", () => {
    expect(left(["stock.chop"], true)).toMatchObject({ quantity: { value: 1000 }, reserved: undefined, source: { takers: [] } });
    const { items } = runOf(["stock.chop", "stock.simmer"], true);
    expect(only(items)).toMatchObject({ name: "stock", quantity: { value: 2000 } });
  });
});

describe("room and decisions", () => {
  const from = NOW;
  const room = (litres: number, everyday = 0, items: readonly LarderItem[] = []) => {
    const { dish, plan } = runOf([]);
    const start = plan.steps[0]?.start ?? 0;
    return roomOf({
      place: "fridge",
      litres,
      everyday,
      plans: [{ dish: "Small", places: occupancyOf(dish, plan) }],
      items,
      from: start - 60,
      to: start + 3 * DAY,
    });
  };
  test("what plans, kept things and everyday food take together is told where it is more than there is", () => {
    expect(room(3.1).tooFull).toEqual([]);
    expect(room(3.1).layers.length).toBeGreaterThan(1);
    expect(room(20, 19).tooFull.map((t) => t.by)).toEqual([expect.closeTo(1, 5)]);
    const kept = larderItems([], events(["a", { ...mince, amount: { amount: 18, unit: "kg" }, until: undefined }]));
    expect(room(19.5, 0, kept).tooFull[0]?.by).toBeGreaterThan(0.4);
  });
  test("what a run under way has made is not counted twice", () => {
    const [stock] = runOf(["stock.chop", "stock.simmer"]).items;
    expect(room(3, 0, [stock as LarderItem]).tooFull).toEqual([]);
  });
  test("past a safety limit comes first and is thrown away, not frozen; what is free and spoils soon may be frozen", () => {
    const items = larderItems(
      [],
      events(
        ["a", { ...jam, until: NOW - 10 }],
        ["b", mince],
        ["c", { ...mince, name: "Fish", until: NOW - 5 }],
        ["d", { ...jam, name: "Chutney" }],
      ),
    );
    const decisions = decisionsOf(items, undefined, NOW);
    expect(decisions.map((d) => [d.name, d.kind, d.safety, d.freezable])).toEqual([
      ["Fish", "past", true, false],
      ["Plum jam", "past", false, false],
      ["Mince", "soon", true, true],
    ]);
  });
  test("what a plan takes in time needs no decision; its free rest does", () => {
    const [stock] = runOf(["stock.chop", "stock.simmer"]).items;
    const at = (stock?.until ?? 0) - DAY;
    const [decision] = decisionsOf([stock as LarderItem], undefined, at);
    expect(decision).toMatchObject({ name: "stock", free: "500 mL", rest: { amount: 500, unit: "mL" }, freezable: true });
    // The rest is frozen; what the sauce takes stays in the fridge.
    const frozen = { kind: "split", amount: decision?.rest, place: "freezer", into: "part" };
    const [kept, part] = larderItems([stock as LarderItem], events([stock?.id ?? "", frozen, at]));
    expect(kept).toMatchObject({ place: "fridge", quantity: { value: 1500 }, source: { underway: true } });
    expect(freeOf(kept as LarderItem)?.value).toBe(0);
    expect(part).toMatchObject({
      place: "freezer",
      quantity: { value: 500 },
      reserved: undefined,
      source: { takers: [], underway: false },
    });
    const whole = runOf(["stock.chop", "stock.simmer"], false, (d) => {
      stepOf(d, "sauce.reduce").takes = [{ from: "stock.stock" }];
    }).items;
    expect(decisionsOf(whole, undefined, at)).toEqual([]);
  });
  test("the axis gives half of its width to the first two days", () => {
    const x = larderAxis(from, from + 8 * DAY);
    expect(x(from)).toBe(0);
    expect(x(from + 2 * DAY)).toBe(0.5);
    expect(x(from + 8 * DAY)).toBe(1);
    expect(x(from + 80 * DAY)).toBe(1);
    expect(larderAxis(from, from + DAY)(from + DAY)).toBe(1);
  });
});

test("everyday food leaves the planner the rest of a fridge", () => {
  const capacity = (everyday?: number) => {
    const document = smallDish((d) => {
      const fridge = d.kitchen.equipment.find((e: Loose) => e.kind === "fridge");
      if (everyday !== undefined) fridge.everydayLitres = everyday;
    });
    return dishModel(document as DishFile).equipment.find((e) => e.kind === "fridge")?.litres;
  };
  expect([capacity(), capacity(22), capacity(99)]).toEqual([30, 8, 0]);
});

describe("what it goes into", () => {
  const all = [
    { name: "Scones", href: undefined, ingredients: ["Self-raising flour", "Live buttermilk"] },
    { name: "Curry", href: "/d/curry/dish", ingredients: ["Coconut milk", "Dark sugar"] },
    { name: "Sunday pancakes", href: "/d/pancakes/dish", ingredients: ["Buttermilk", "Eggs"] },
  ];
  test("is found by the food and not by a word of it; own dishes come before the library", () => {
    expect(usesOf("Buttermilk", all).map((u) => u.name)).toEqual(["Sunday pancakes", "Scones"]);
    expect(usesOf("Butter", all)).toEqual([]);
    expect(usesOf("Milk", all)).toEqual([]);
    expect(usesOf("White sugar", all)).toEqual([]);
    expect(usesOf("Sugar", all).map((u) => u.name)).toEqual(["Curry"]);
    expect(usesOf("Something odd", all)).toEqual([]);
  });
});

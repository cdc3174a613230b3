// After a run: how long something may wait, and by which way it is made, by what happened and what the cook said of it.
import { describe, expect, test } from "vitest";
import { likedMethod } from "../../../src/core/dish/edit/liked-methods";
import { realWait } from "../../../src/core/dish/edit/real-waits";
import { applyPatch } from "../../../src/core/dish/patch";
import { DishFile } from "../../../src/core/dish/schema";
import type { Loose } from "../../support/dishes";
import { smallDish, stepOf } from "../../support/small-dish";

const dish = (change: (d: Loose) => void = () => {}) => DishFile.parse(smallDish(change));
const HOUR = 60;
const FRIDGE = 0;
const FREEZER = 1;
const withHold = (hold: Loose) => dish((d) => Object.assign(stepOf(d, "stock.simmer").makes[0].holds[FRIDGE], hold));

describe("how long it waited", () => {
  test("longer than the dish allows and liked: as long as it waited, in whole hours", () => {
    const found = realWait(withHold({ limit: "quality" }), "stock.stock", FRIDGE, 80.2 * HOUR, "again");
    expect(found).toMatchObject({ saidMinutes: 72 * HOUR, nextMinutes: 81 * HOUR });
    const after = applyPatch(withHold({ limit: "quality" }), found?.change ?? []) as Loose;
    expect(after.components[0].methods[0].steps[1].makes[0].holds[FRIDGE].max).toBe("3d9h");
  });
  test("a short wait goes by five minutes", () => {
    const found = realWait(withHold({ limit: "quality", max: "30m" }), "stock.stock", FRIDGE, 42, "again");
    expect(found?.nextMinutes).toBe(45);
  });
  test("a limit of safety is never made longer", () => {
    expect(realWait(dish(), "stock.stock", FRIDGE, 100 * HOUR, "again")).toBeUndefined();
    expect(realWait(dish(), "stock.stock", FREEZER, 61 * 24 * HOUR, "again")?.nextMinutes).toBe(61 * 24 * HOUR);
  });
  test("past its best and not liked: no longer than it is at its best", () => {
    const document = withHold({ best: ["4h", "1d"] });
    for (const liked of ["change", "drop"] as const)
      expect(realWait(document, "stock.stock", FRIDGE, 40 * HOUR, liked)).toMatchObject({ saidMinutes: 24 * HOUR, nextMinutes: 24 * HOUR });
    const open = dish((d) => {
      const [hold] = stepOf(d, "stock.simmer").makes[0].holds;
      delete hold.max;
      hold.best = ["4h", "1d"];
    });
    const found = realWait(open, "stock.stock", FRIDGE, 40 * HOUR, "change");
    expect((applyPatch(open, found?.change ?? []) as Loose).components[0].methods[0].steps[1].makes[0].holds[FRIDGE].max).toBe("1d");
  });
  test("says nothing where nobody judged it, within ten minutes of the limit, or of what is not there", () => {
    const document = withHold({ limit: "quality", best: ["4h", "1d"] });
    expect(realWait(document, "stock.stock", FRIDGE, 100 * HOUR, undefined)).toBeUndefined();
    expect(realWait(document, "stock.stock", FRIDGE, 72 * HOUR + 10, "again")).toBeUndefined();
    expect(realWait(document, "stock.stock", FRIDGE, 72 * HOUR + 11, "again")).toBeDefined();
    expect(realWait(document, "stock.stock", FRIDGE, 24 * HOUR + 10, "change")).toBeUndefined();
    expect(realWait(document, "stock.stock", FRIDGE, 24 * HOUR + 11, "change")).toBeDefined();
    expect(realWait(withHold({ best: ["4h", "3d"] }), "stock.stock", FRIDGE, 100 * HOUR, "change")).toBeUndefined();
    expect(realWait(document, "stock.stock", 7, 100 * HOUR, "again")).toBeUndefined();
    expect(realWait(document, "soup.soup", FRIDGE, 100 * HOUR, "again")).toBeUndefined();
  });
});

describe("by which way", () => {
  const two = (pins?: Loose[]) =>
    dish((d) => {
      d.components[0].methods.push({ ...structuredClone(d.components[0].methods[0]), id: "quick", name: "In the pressure cooker" });
      if (pins) d.wishes = { style: "ahead", pins };
    });
  const pinned = (document: DishFile, found: ReturnType<typeof likedMethod>) => (applyPatch(document, found?.change ?? []) as Loose).wishes;
  test("liked: this way; not at all: the only other", () => {
    const again = likedMethod(two(), "stock", "quick", "again");
    expect(again).toMatchObject({ name: "Stock", was: "In the pressure cooker", next: "In the pressure cooker" });
    expect(pinned(two(), again).pins).toEqual([{ component: "stock", method: "quick" }]);
    expect(likedMethod(two(), "stock", "quick", "drop")?.next).toBe("slow");
    expect(likedMethod(two(), "stock", "quick", "change")).toBeUndefined();
  });
  test("what else is wished stays, and what is fixed so already is not proposed", () => {
    const pins = [
      { component: "stock", method: "slow" },
      { step: "plate.put", cook: "ada" },
    ];
    const found = likedMethod(two(pins), "stock", "quick", "again");
    expect(pinned(two(pins), found)).toEqual({ style: "ahead", pins: [pins[1], { component: "stock", method: "quick" }] });
    expect(likedMethod(two(pins), "stock", "slow", "again")).toBeUndefined();
  });
  test("nothing where there is no choice, or too much of it", () => {
    expect(likedMethod(dish(), "stock", "slow", "again")).toBeUndefined();
    expect(likedMethod(two(), "stock", "unknown", "again")).toBeUndefined();
    const three = two();
    three.components[0]?.methods.push({ ...(three.components[0].methods[0] as never as Loose), id: "third" } as never);
    expect(likedMethod(three, "stock", "slow", "drop")).toBeUndefined();
    expect(likedMethod(three, "stock", "slow", "again")?.next).toBe("slow");
  });
});

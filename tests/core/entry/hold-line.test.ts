// Waits as they are typed: a time, a place, the bounds between which it is best, and which kind of limit it is.
import { describe, expect, test } from "vitest";
import { holdSaid, readHold } from "../../../src/core/entry/hold-line";
import { named, slug } from "../../../src/core/entry/names";
import { holdText } from "../../../src/core/entry/step-line-text";

describe("a wait", () => {
  test.each([
    ["3d fridge", { place: "fridge", max: "3d" }],
    ["up to 3 days in the fridge", { place: "fridge", max: "3d" }],
    ["8h-3d fridge 2 L safety", { place: "fridge", litres: 2, min: "8h", max: "3d", limit: "safety" }],
    ["at least 8h, best 12h-2d, up to 3d fridge", { place: "fridge", min: "8h", best: ["12h", "2d"], max: "3d" }],
    ["2h on the counter", { place: "counter", max: "2h" }],
    ["2 hours at room temperature", { place: "counter", max: "2h" }],
    ["a week in the larder", { place: "cellar", max: "7d" }],
    ["60d freezer 1,5 l quality", { place: "freezer", litres: 1.5, max: "60d", limit: "quality" }],
    ["at most 90 min warm", { place: "hot", max: "1h30m" }],
    ["no longer than 1h30", { place: "none", max: "1h30m" }],
    ["overnight in the fridge", { place: "fridge", max: "14h" }],
    ["fridge", { place: "fridge" }],
    ["best 10h-30h fridge", { place: "fridge", best: ["10h", "1d6h"] }],
  ])("“%s”", (text, wanted) => expect(readHold(text)).toEqual(wanted));

  test.each(["", "soon", "in a bag", "at least 3d, at most 1d fridge"])("“%s” is none", (text) => expect(readHold(text)).toBeUndefined());

  test("where a least is asked for, a bare time is the least", () => {
    expect(readHold("8h fridge", true)).toEqual({ place: "fridge", min: "8h" });
    expect(readHold("8h-2d fridge", true)).toEqual({ place: "fridge", min: "8h", max: "2d" });
  });

  test("a kind of limit without a limit is nothing", () =>
    expect(readHold("safety, at least 2h fridge")).toEqual({ place: "fridge", min: "2h" }));

  test("is written so that it comes back as it was, and said in words", () => {
    for (const text of [
      "3d fridge",
      "8h-3d fridge 2 L safety",
      "at least 8h, best 12h-2d, up to 3d fridge",
      "2h counter",
      "best 10h-30h fridge 4 L",
      "60d freezer 1.5 L",
    ]) {
      const hold = readHold(text);
      if (!hold) throw new Error(text);
      expect(readHold(holdText(hold)), holdText(hold)).toEqual(hold);
    }
    expect(holdSaid({ place: "fridge", min: "8h", best: ["12h", "2d"], max: "3d", limit: "safety" })).toBe(
      "at least 8h, best 12h to 2d, at most 3d, a limit of safety, in the fridge",
    );
    expect(holdSaid({ place: "counter", max: "2h" })).toBe("at most 2h, on the counter");
    expect(holdSaid({ place: "hot", max: "1h" })).toBe("at most 1h, kept hot");
  });
});

describe("names", () => {
  test.each([
    ["Crème pâtissière", "creme-patissiere"],
    ["The baker's 2nd dough", "the-bakers-2nd-dough"],
    ["  –  ", "part"],
    ["x".repeat(60), "x".repeat(40)],
    ["Œufs à la neige", "oeufs-a-la-neige"],
  ])("“%s” becomes “%s”", (name, id) => expect(slug(name)).toBe(id));

  const things = [
    { ref: "stock.stock", name: "Brown stock" },
    { ref: "stock.fat", name: "Skimmed fat" },
    { ref: "lard.lard", name: "Rendered lard" },
    { ref: "pork.fat", name: "Back fat" },
  ];
  test.each([
    ["brown stock", "stock.stock"],
    ["stock.fat", "stock.fat"],
    ["lard", "lard.lard"],
    ["rendered", "lard.lard"],
    ["back", "pork.fat"],
    // The first that is called so by itself.
    ["fat", "stock.fat"],
    ["a", undefined],
    ["", undefined],
    ["butter", undefined],
  ])("“%s” means %s", (text, ref) => expect(named(text, things)?.ref).toBe(ref));
});

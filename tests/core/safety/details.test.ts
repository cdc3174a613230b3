// Details of the rules that small changes had passed unnoticed (./rondeau test mutants src/core/safety): what is left out, what is said, and
// heat that a step has by its words alone.
import { describe, expect, test } from "vitest";
import { readDishValue } from "../../../src/core/dish/read";
import type { Finding } from "../../../src/core/safety/finding";
import { safetyFindings } from "../../../src/core/safety/findings";
import { safetyScene } from "../../../src/core/safety/scene";
import type { Loose } from "../../support/dishes";
import { caseOf } from "../../support/safety-dishes";

function found(lines: string, kind = "other", change: (d: Loose) => void = () => {}): readonly Finding[] {
  const { dish } = caseOf(`== | Dish | ${kind}\n${lines}`);
  change(dish);
  const read = readDishValue(dish);
  if (read.status === "refused") throw new Error(JSON.stringify(read.problems));
  return safetyFindings(safetyScene(read.document));
}
const of = (list: readonly Finding[], id: string) => list.find((f) => f.id.startsWith(id));

test("what is in the larder already has been made: its steps are not looked at", () => {
  const pink = "in: 4 chicken breasts\ndo: Roast | 18m | oven 180 | probe 60 | makes chicken: fridge 2d";
  expect(of(found(pink), "undercooked")).toBeDefined();
  const onHand = (d: Loose) => {
    d.components[0].onHand = [{ output: "chicken", amount: { amount: 4, unit: "piece" }, madeAt: "2026-10-18T09:00" }];
  };
  expect(of(found(pink, "other", onHand), "undercooked")).toBeUndefined();
});

test("without a plan a wait is one that may come", () => {
  expect(of(found("in: 400 g rice\ndo: Boil | 20m | burner | makes rice: counter 5h"), "rice-cooling")?.computed).toMatch(/can wait/);
});

describe("rice", () => {
  test.each([
    ["cellar", true],
    ["counter", true],
    ["hot", false],
    ["freezer", false],
  ])("for three days in the %s: %s", (place, is) => {
    expect(of(found(`in: 400 g rice\ndo: Boil | 20m | burner | makes rice: ${place} 3d`), "rice-cooling") !== undefined).toBe(is);
  });
});

test("a bag with curing salt may lie for its days, one without may not", () => {
  const bag = (more: string) =>
    found(`in: 1 kg pork belly; 20 g salt${more}\ndo: Vacuum pack and keep in the fridge | 7d | | makes belly: fridge 2d`, "cure");
  expect(of(bag(""), "vacuum-raw")).toMatchObject({ severity: "stop" });
  expect(of(bag("; 2.4 g curing salt #1"), "vacuum-raw")).toBeUndefined();
});

describe("heat by the words of a step, without a thing that it uses", () => {
  test.each([
    ["Grill over the fire", 15, true],
    ["Barbecue", 15, true],
    ["Fry in the wok", 12, true],
    ["Stir-fry", 12, true],
    ["Bake", 40, true],
    ["Simmer", 30, true],
    ["Let it murmur", 30, true],
    ["Thread onto skewers", 20, false],
    ["Preheat the oven", 30, false],
    ["Tie the roast", 20, false],
    ["Season and rest", 30, false],
  ])("%s for %i min cooks a chicken breast: %s", (words, minutes, cooks) => {
    const list = found(`in: 4 chicken breasts\ndo: ${words} | ${minutes}m | | makes chicken: counter 10m`);
    expect(of(list, "undercooked:main") === undefined).toBe(cooks);
  });
});

test("a thickness in centimetres and in millimetres is the same, and the minutes that are missing are said", () => {
  const bath = (thick: string) =>
    of(
      found(`in: 1 kg beef fillet\ndo: Cook in the bath, ${thick} thick | 20m | bath 55 | makes beef: counter 10m`),
      "low-temperature-cook",
    );
  const said = bath("50 mm")?.computed ?? "";
  expect(said).toContain("50 mm thick");
  expect(bath("5 cm")?.computed).toBe(said);
  const needed = Number(/about (\d+) min/.exec(said)?.[1]);
  expect(needed % 5).toBe(0);
  expect(needed).toBeGreaterThan(60);
  expect(needed).toBeLessThan(1000);
});

test("a big pie that may go into the fridge or the freezer goes cold in either", () => {
  const pie = "in: 3 kg minced pork; 500 g flour\ndo: Bake one raised pie | 2h | oven 160 | probe 75 | makes pie: fridge 2d, freezer 30d";
  expect(of(found(pie), "large-pot-cooling")).toMatchObject({ severity: "warn" });
  expect(of(found(pie.replace("fridge 2d, freezer 30d", "counter 1h")), "large-pot-cooling")).toBeUndefined();
});

describe("meat that the cook chops fine is mince, whatever stands beside it", () => {
  test.each([
    ["Chop the beef very finely with the capers", true],
    ["Finely chop the beef fillet and the shallots", true],
    ["Hand-chop the beef", true],
    ["Chop the capers and shallots finely", false],
    ["Chop the garlic finely and rub it into the meat", false],
    ["Cut the beef into steaks", false],
  ])("%s: %s", (words, minced) => {
    const list = found(
      `in: 600 g beef fillet; 20 g capers; 2 shallots\ndo: ${words} | 20m\ndo: Sear | 2m | burner | makes beef: counter 20m`,
    );
    expect(of(list, "raw-mince") !== undefined).toBe(minced);
  });
});

describe("a sealed bag", () => {
  const level = (steps: string, max: string) =>
    of(found(`in: 2 kg beef short ribs\n${steps} | | makes ribs: fridge ${max}`), "vacuum-raw")?.severity;
  const BAGGED = "do: Vacuum-pack | 15m\ndo: Cook in the bath overnight | 24h | bath 68\ndo: Chill in ice water | 40m";
  test("cooked through by a bath keeps a week in the fridge, and no longer", () => {
    expect(level(BAGGED, "7d")).toBeUndefined();
    expect(level(BAGGED, "8d")).toBe("stop");
  });
  test("opened after the bath, or never in one, keeps two days", () => {
    expect(level(`${BAGGED}\ndo: Open the bag and pour off the juice | 5m`, "3d")).toBe("stop");
    expect(level("do: Braise | 3h | burner\ndo: Vacuum-pack | 15m", "3d")).toBe("stop");
    expect(level("do: Braise | 3h | burner\ndo: Vacuum-pack | 15m", "2d")).toBeUndefined();
  });
});

describe("cooked food that stands", () => {
  const level = (minutes: number, attention: "unattended" | "hands") =>
    of(
      found(`in: 1 kg beef shin; 1 L stock\ndo: Simmer | 3h | burner | boils\ndo: Stand | ${minutes}m | counter`, "braise", (d) => {
        d.components[0].methods[0].steps[1].attention = attention;
      }),
      "cooked-then-warm",
    )?.severity;
  // It takes sixty-nine minutes to come down to 60 °C: what stands below that is counted.
  test.each([
    [185, undefined],
    [195, "warn"],
    [305, "warn"],
    [315, "stop"],
  ])("for %i minutes by itself: %s", (minutes, expected) => {
    expect(level(minutes, "unattended")).toBe(expected);
  });
  test("with hands on it four hours are the most", () => {
    expect([level(305, "hands"), level(315, "hands")]).toEqual([undefined, "stop"]);
  });
});

describe("shells that stay shut", () => {
  const level = (name: string) => of(found(`in: 1.5 kg mussels\ndo: ${name} | 8m | burner | boils`), "shellfish")?.severity;
  test.each([
    ["Steam, and keep the ones that stay closed", "stop"],
    ["Steam, the unopened mussels go in too", "stop"],
    ["Add the unopened clams to the pot", "stop"],
    ["Keep the lid closed and steam", "note"],
    ["Steam, discard any that stay closed", "note"],
    ["Steam with the lid closed", "note"],
  ])("%s: %s", (name, expected) => {
    expect(level(name)).toBe(expected);
  });
});

test("seeds that a step lets sprout are sprouts, unless they are cooked", () => {
  const grown = "in: 40 g alfalfa seeds\ndo: Sprout, rinsing | 4d | counter";
  expect(of(found(grown), "sprouts")?.severity).toBe("note");
  expect(of(found(`for: pregnant\n${grown}`), "sprouts")?.severity).toBe("warn");
  expect(of(found(`${grown}\ndo: Boil | 10m | burner | boils`), "sprouts")).toBeUndefined();
  expect(of(found("in: 400 g rye flour\ndo: Knead | 10m"), "sprouts")).toBeUndefined();
  expect(of(found("in: 500 g cabbage; 10 g mustard seeds\ndo: Sprouts and cabbage, shredded | 10m"), "sprouts")).toBeUndefined();
});

test("rice spread out cools in a layer, and in a heap it does not", () => {
  const cooled = (how: string) =>
    of(
      found(
        `in: 800 g long-grain rice; 1 L water\ndo: Cook | 20m | burner | boils\ndo: ${how} | 25m | counter\ndo: Chill | 3h | fridge | makes rice: fridge 1d`,
      ),
      "large-pot-cooling:main",
    )?.severity;
  expect([cooled("Spread it out to cool"), cooled("Leave to cool")]).toEqual([undefined, "warn"]);
});

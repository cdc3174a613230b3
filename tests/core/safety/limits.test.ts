// Each limit of a rule of safety: what lies at it passes, what lies one step past it is found.
import { describe, expect, test } from "vitest";
import { readDishValue } from "../../../src/core/dish/read";
import { safetyFindings } from "../../../src/core/safety/findings";
import { safetyScene } from "../../../src/core/safety/scene";
import { caseOf } from "../../support/safety-dishes";

const dish = (lines: string, kind = "other", more = "") => `== | Dish | ${kind}\n${more}${lines}`;
function found(text: string) {
  const read = readDishValue(caseOf(text).dish);
  if (read.status === "refused") throw new Error(JSON.stringify(read.problems));
  return safetyFindings(safetyScene(read.document));
}
const levelOf = (text: string, id: string): string => {
  const f = found(text).find((x) => x.id.startsWith(id));
  return f === undefined ? "nothing" : f.hard ? "hard" : f.severity;
};

const roast = (food: string) => (core: number) =>
  dish(`in: 1000 g ${food}\ndo: Roast | 2h | oven 160 | probe ${core} | makes it: counter 30m`);
const boiled = (soak: number, boil: number) =>
  dish(`in: 500 g dried kidney beans\ndo: Soak | ${soak}m\ndo: Boil | ${boil}m | burner | boils | makes it: counter 30m`);
const heated = (food: string) => (minutes: number) => dish(`in: 500 g ${food}\ndo: Boil | ${minutes}m | burner | makes it: fridge 1d`);
const kept =
  (ingredients: string, work: string, place: string, kind = "other") =>
  (max: string) =>
    dish(`in: ${ingredients}\ndo: ${work} | makes it: ${place} ${max}`, kind);
const fat = (litres: number, pot: number) =>
  dish(`in: 500 g courgettes; ${litres} L sunflower oil\ndo: Fry in hot oil | 20m | burner, pot ${pot} | makes it: counter 20m`);
const nutmeg = (grams: number) => dish(`in: ${grams} g nutmeg; 500 g flour\ndo: Bake | 30m | oven 180 | makes it: counter 2d`);
const ferment = (salt: number) =>
  dish(`in: 1000 g white cabbage; ${salt} g salt\ndo: Ferment, lid loose | 7d | | makes it: fridge 30d`, "ferment");
const cure = (grams: number) =>
  dish(
    `in: 1000 g pork belly; ${grams} g curing salt #1\ndo: Cure in the fridge | 7d\ndo: Bake | 1h | oven 160 | probe 75 | makes it: fridge 2d`,
    "cure",
  );
const fish = (minutes: number) =>
  dish(`in: 800 g mackerel\ndo: Leave standing on the counter | ${minutes}m\ndo: Bake | 20m | oven 200 | makes it: counter 10m`);
const warm = (minutes: number, tempC: number) =>
  dish(`in: 1 chicken\ndo: Roast | 80m | oven 190 | probe 76\ndo: Keep warm | ${minutes}m | oven ${tempC} | makes it: counter 10m`);
const bath = (tempC: number, minutes: number) =>
  dish(`in: 1000 g beef fillet\ndo: Cook in the bath, 30 mm thick | ${minutes}m | bath ${tempC} | makes it: counter 20m`);
const piece = (name: string, where: string) => (grams: number) =>
  `== | ${name} | other\nin: ${grams} g minced pork\ndo: Bake | 2h | oven 140 | probe 75\ndo: Cool ${where} | 2h | | makes it: fridge 3d`;
const keptWarm = (minutes: number) =>
  dish(`in: 1 chicken\ndo: Roast | 80m | oven 190 | probe 76\ndo: Keep warm under foil | ${minutes}m | burner | makes it: counter 10m`);
const goulash = (grams: number) =>
  dish(
    `in: ${grams} g beef shin; 1000 g beef stock\ndo: Braise | 3h | oven 150\ndo: Stand on the side to cool | 5h | | makes it: fridge 2d`,
    "braise",
  );
const pressure = (grams: number) =>
  dish(`in: ${grams} g beef shin\ndo: Cook under pressure | 40m | pressure-cooker 6 | makes it: counter 20m`);
const coppa = (salt: number, tempC: number, hours: number) =>
  dish(
    `in: 1000 g pork neck; ${salt} g salt\ndo: Cure | ${hours}h | fridge\ndo: Hang at ${tempC} °C | 5d | counter | makes it: fridge 20d`,
  );
const driedAt = (tempC: number) => dish(`in: 500 g cassava\ndo: Bake the slices | 30m | oven ${tempC} | makes it: counter 2d`);
const mussels = (time: string) => dish(`in: 1000 g mussels\ndo: Boil in the shells | ${time} | burner | boils | makes it: counter 10m`);
const soaked = (minutes: number) =>
  dish(`in: 500 g dried lupins\ndo: Boil | 90m | burner | boils\ndo: Soak in changed water | ${minutes}m | | makes it: fridge 2d`);

describe.each<[what: string, id: string, (n: never) => string, ok: unknown, past: unknown, level: string, atLimit?: string]>([
  ["chicken, °C in the middle", "undercooked", roast("chicken thighs") as never, 74, 73, "stop"],
  ["pork, °C", "undercooked", roast("pork loin") as never, 63, 62, "stop"],
  ["liver, °C", "undercooked", roast("pork liver") as never, 71, 70, "stop"],
  ["minced beef, °C", "raw-mince", roast("minced beef") as never, 70, 69, "warn"],
  ["minced chicken, °C", "raw-mince", roast("minced chicken") as never, 70, 69, "stop"],
  ["egg, °C", "raw-egg", roast("eggs") as never, 71, 70, "warn"],
  ["wild cod, °C", "raw-fish", roast("cod") as never, 55, 54, "warn"],
  ["nutmeg for six, g", "toxic-amount", nutmeg as never, 9, 9.1, "stop"],
  ["salt of a ferment, g in a kilo", "ferment-acid:salt", ferment as never, 15, 14.9, "hard"],
  ["curing salt for belly, g in a kilo", "curing-salt", cure as never, 3.2, 3.3, "hard", "note"],
  ["curing salt that protects, g in a kilo", "curing-salt", cure as never, 0.7, 0.6, "stop", "note"],
  ["one terrine in the fridge, g", "large-pot-cooling", piece("Terrine", "in the fridge") as never, 1760, 1780, "warn"],
  ["one terrine in ice water, g", "large-pot-cooling", piece("Terrine", "in ice water") as never, 8500, 8560, "warn"],
  ["one pie in cold water, g", "large-pot-cooling", piece("Raised pie", "in cold water") as never, 2020, 2040, "warn"],
  ["kept warm, nobody says how warm, min", "cooked-then-warm:lukewarm", keptWarm as never, 120, 121, "warn"],
  ["a braise with little liquid, g", "large-pot-cooling", goulash as never, 3990, 4000, "stop"],
  ["mackerel on the counter, min", "scombroid", fish as never, 30, 31, "warn"],
  ["elderberries boiled, min", "bitter-cassava-lupin", heated("elderberries") as never, 20, 19, "stop"],
  ["cassava boiled, min", "bitter-cassava-lupin", heated("cassava") as never, 25, 24, "stop"],
  ["cassava in an oven for half an hour, °C", "bitter-cassava-lupin", driedAt as never, 90, 89, "stop"],
  ["a coppa that hangs, g of salt in a kilo", "undercooked", ((n: number) => coppa(n, 13, 48)) as never, 20, 19.9, "stop"],
  ["a coppa that hangs, °C", "undercooked", ((n: number) => coppa(30, n, 48)) as never, 18, 19, "stop"],
  ["a coppa that hangs, h in its salt", "undercooked", ((n: number) => coppa(30, 13, n)) as never, 12, 11, "stop"],
  ["mussels at the boil, s", "shellfish:main", ((n: string) => mussels(n)) as never, "2m", "1m", "warn"],
  ["lupins in water, min", "bitter-cassava-lupin", soaked as never, 2880, 2879, "stop"],
  [
    "basil oil in the fridge",
    "oil-garlic-herb",
    kept("50 g basil; 300 ml olive oil", "Steep the basil in oil | 20m |", "fridge", "oil") as never,
    "3d",
    "73h",
    "stop",
  ],
  [
    "basil oil on the counter",
    "oil-garlic-herb",
    kept("50 g basil; 300 ml olive oil", "Steep the basil in oil | 20m |", "counter", "oil") as never,
    "2h",
    "121m",
    "stop",
  ],
  [
    "cooked rice in the fridge",
    "rice-cooling",
    kept("400 g rice", "Boil the rice | 20m | burner", "fridge") as never,
    "24h",
    "1441m",
    "warn",
  ],
  [
    "cooked rice on the counter",
    "rice-cooling",
    kept("400 g rice", "Boil the rice | 20m | burner", "counter") as never,
    "1h",
    "61m",
    "warn",
  ],
  [
    "cooked lamb on the counter, told",
    "cooked-then-warm",
    kept("1000 g lamb shoulder", "Roast | 3h | oven 150", "counter") as never,
    "2h",
    "121m",
    "warn",
  ],
  [
    "cooked lamb on the counter, a danger",
    "cooked-then-warm",
    kept("1000 g lamb shoulder", "Roast | 3h | oven 150", "counter") as never,
    "4h",
    "241m",
    "stop",
    "warn",
  ],
  ["trout in a vacuum bag", "vacuum-raw", kept("600 g trout", "Seal in a vacuum bag | 10m |", "fridge") as never, "2d", "49h", "stop"],
  ["beef in the pressure cooker of six litres, g", "pressure-cooker", pressure as never, 4000, 4001, "warn", "note"],
])("%s", (_what, id, make, ok, past, level, atLimit = "nothing") => {
  test(`${ok} passes, ${past} does not`, () => {
    expect(levelOf(make(ok as never), id)).toBe(atLimit);
    expect(levelOf(make(past as never), id)).toBe(level);
  });
});

test("kidney beans: ten minutes at a rolling boil, and five hours of soaking", () => {
  expect(levelOf(boiled(300, 10), "kidney-beans")).toBe("nothing");
  expect(levelOf(boiled(300, 9), "kidney-beans")).toBe("stop");
  expect(levelOf(boiled(299, 10), "kidney-beans")).toBe("warn");
});
test("deep fat: half the pot", () => {
  expect(found(fat(1.5, 3)).find((f) => f.id.startsWith("hot-fat"))?.title).toBe("Hot fat");
  expect(found(fat(1.6, 3)).find((f) => f.id.startsWith("hot-fat"))?.title).toBe("A pan too full of hot fat");
  expect(levelOf(fat(0.5, 3), "hot-fat")).toBe("stop");
});
test("kept warm: sixty degrees, or two hours below", () => {
  expect(levelOf(warm(300, 60), "cooked-then-warm:lukewarm")).toBe("nothing");
  expect(levelOf(warm(121, 59), "cooked-then-warm:lukewarm")).toBe("warn");
  expect(levelOf(warm(120, 59), "cooked-then-warm:lukewarm")).toBe("nothing");
});
test("a bath: its time for the thickness, and 54.5 °C", () => {
  expect(levelOf(bath(60, 180), "low-temperature-cook")).toBe("nothing");
  expect(levelOf(bath(60, 30), "low-temperature-cook")).toBe("warn");
  expect(levelOf(bath(54, 900), "low-temperature-cook")).toBe("warn");
  expect(levelOf(bath(55, 900), "low-temperature-cook")).toBe("nothing");
});
test("guests who need care make a danger of a raw egg, and a caution of ripe cheese", () => {
  const mousse = "in: 4 eggs; 200 g dark chocolate\ndo: Fold | 20m | | makes it: fridge 1d";
  expect(levelOf(dish(mousse), "raw-egg")).toBe("warn");
  expect(levelOf(dish(mousse, "sweet", "for: pregnant\n"), "raw-egg")).toBe("stop");
  const cheese = "in: 300 g brie\ndo: Unwrap | 5m | | makes it: counter 1h";
  expect(levelOf(dish(cheese), "guests-at-risk")).toBe("nothing");
  expect(levelOf(dish(cheese, "other", "for: over 65\n"), "guests-at-risk")).toBe("warn");
});
test("what the rules take an ingredient for goes by the cook's own word, and by the step that it says", () => {
  const text = dish("in: 500 g grandfather's special\ndo: Season | 10m | | makes it: fridge 2h");
  const made = caseOf(text).dish;
  const look = () => {
    const read = readDishValue(made);
    if (read.status === "refused") throw new Error("refused");
    return safetyFindings(safetyScene(read.document)).map((f) => f.id.split(":")[0]);
  };
  expect(look()).toEqual(["unknown-food"]);
  made.components[0].methods[0].ingredients[0].food = "beef.mince";
  expect(look()).toContain("raw-mince");
  expect(look()).not.toContain("unknown-food");
});

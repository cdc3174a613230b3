// Foods by their names in other languages: what a German, French, Italian or Spanish recipe puts in is taken for what it is.
import { readFileSync } from "node:fs";
import { describe, expect, test } from "vitest";
import { foreignNames, inEnglish } from "../../../src/core/foods/abroad";
import { allergensOfName } from "../../../src/core/foods/allergens";
import { understand } from "../../../src/core/foods/match";
import { compact, recordsOf } from "../../support/records";

const records = recordsOf("foods-abroad");

test("every row is understood, and each of its names as its English one", () => {
  const names = foreignNames();
  expect(names.size).toBeGreaterThan(700);
  for (const [name, english] of names) {
    const as = understand(english);
    expect(as, english).toBeDefined();
    expect(inEnglish(name), name).toContain(english);
  }
  records.check(
    "names",
    [...names.keys()]
      .map((name) => {
        const u = understand(name);
        return `${name}: ${u?.food.id} ${u?.class} ${compact([u?.confidence, u?.cooked, u?.frozen, u?.dried])}`;
      })
      .join("\n"),
  );
});

describe("as recipes write them", () => {
  test.each([
    ["500 g Mehl (Type 550)", "flour"],
    ["mehlige Kartoffeln, geschält", "vegetable"],
    ["Entenkeulen", "poultry"],
    ["Schweinehack vom Metzger", "mince"],
    ["gekochte Kichererbsen", "pulse-canned"],
    ["Nitritpökelsalz", "curing-salt"],
    ["beurre froid en dés", "butter"],
    ["jaunes d'œufs", "egg"],
    ["chair de canard", "poultry"],
    ["pâte feuilletée", "bread"],
    ["crevettes surgelées", "crustacean"],
    ["pulpo congelado", "cephalopod"],
    ["harina de fuerza", "flour"],
    ["fagioli rossi", "pulse-lectin"],
    ["uova fresche", "egg"],
    ["tonno", "fish-scombroid"],
  ])("%s is %s", (name, kind) => expect(understand(name)?.class).toBe(kind));

  test("its state is kept, and what is left out or made of plants is not taken for the thing itself", () => {
    expect(understand("crevettes surgelées")?.frozen).toBe(true);
    expect(understand("gekochte Eier")?.cooked).toBe(true);
    expect(inEnglish("glutenfreies Mehl")).toBeUndefined();
    expect(inEnglish("vegane Sahne")).toBeUndefined();
    // English words that look like it.
    for (const english of ["pan drippings", "sale leftovers", "fond of the pan"]) expect(inEnglish(english)).toBeUndefined();
    // Milk without its sugar has its protein.
    expect(allergensOfName("laktosefreie Milch")).toContain("milk");
    expect(allergensOfName("poudre d'amandes")).toContain("tree_nuts");
  });
});

test("of the ingredients of the imported pages in other languages nine in ten are known", () => {
  const text = readFileSync(new URL("../../data/records/pages.txt", import.meta.url), "utf8");
  const named = text
    .split("\n== ")
    .filter((page) => /"language":"(?:de|fr|it|es)"/.test(page))
    .flatMap((page) => [...page.matchAll(/^- (\{.*\})$/gm)].map((m) => (JSON.parse(m[1] as string) as { name: string }).name));
  const unknown = named.filter((n) => understand(n) === undefined);
  expect(named.length).toBeGreaterThan(80);
  expect(unknown.length / named.length, unknown.join("; ")).toBeLessThan(0.1);
});

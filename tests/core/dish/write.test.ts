// The exported file: the same bytes again, the same dish again, the schema that others check against.
import { readFileSync } from "node:fs";
import { describe, expect, test } from "vitest";
import { schemaText } from "../../../src/core/dish/json-schema";
import type { Dish } from "../../../src/core/dish/model";
import { readDish } from "../../../src/core/dish/read";
import { dishModel } from "../../../src/core/dish/read-model";
import { DishFile } from "../../../src/core/dish/schema";
import { shiftDates } from "../../../src/core/dish/shift-dates";
import { writeDish } from "../../../src/core/dish/write";
import { DEMO, demoDish, demoText } from "../../support/dishes";
import { smallDish, stepOf } from "../../support/small-dish";

const read = (text: string) => {
  const found = readDish(text);
  if (found.status !== "read") throw new Error(JSON.stringify(found.problems));
  return found.document;
};

const linksOf = (dish: Dish) => dish.components.flatMap((c) => c.methods.flatMap((m) => m.steps.map(({ file: _, ...step }) => step)));

describe("export", () => {
  test.each(DEMO)("%s is written as it was read", (name) => {
    const once = writeDish(read(demoText(name)));
    expect(writeDish(read(once))).toBe(once);
    expect(linksOf(dishModel(read(once)))).toEqual(linksOf(demoDish(name)));
  });
  test("a link given as a name is written out, and everything unknown is kept", () => {
    const text = writeDish(read(JSON.stringify(smallDish((d) => (stepOf(d, "stock.chop").note2 = { any: ["thing", 1.5] })))));
    expect(text).toContain('"note2"');
    expect(JSON.parse(text).components[0].methods[0].steps[1].after).toEqual([{ step: "chop" }]);
    expect(text.endsWith("}\n")).toBe(true);
  });
  test("dates move by whole days, wall-clock hours and weekdays by weeks stay", () => {
    const document = read(demoText("harvest-lunch"));
    const moved = shiftDates(document, 7);
    expect(moved.dish.serveAt).toBe("2026-10-25T13:00");
    expect(dishModel(moved).zone.wall(dishModel(moved).serveAt)).toMatchObject({ hour: 13, weekday: 7 });
    expect(shiftDates(moved, -7)).toEqual(document);
  });
});

describe("the JSON Schema that ships", () => {
  test("is the one that the program checks by", () => {
    expect(readFileSync(new URL("../../../schema/rondeau-1.schema.json", import.meta.url), "utf8")).toBe(schemaText());
  });
  test("describes what it asks for", () => {
    const schema = JSON.parse(schemaText());
    expect(schema.$schema).toContain("json-schema.org");
    expect(schema.required).toEqual(expect.arrayContaining(["format", "dish", "components"]));
    expect(JSON.stringify(schema).match(/"description"/g)?.length).toBeGreaterThan(20);
    expect(DishFile.safeParse(JSON.parse(demoText("spiced-duck"))).success).toBe(true);
  });
});

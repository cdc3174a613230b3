// Dishes that are remembered as they were read: never an older one, never one that was taken back, and none that anybody can change.
import { fileURLToPath } from "node:url";
import { afterAll, expect, test } from "vitest";
import { openDatabase } from "../../src/db/open";
import { findDish, insertDish, insertKitchen, stepHistory, updateDocument } from "../../src/db/queries/dishes";
import { forgetRemembered, remembered } from "../../src/db/remembered";
import { smallDish } from "../support/small-dish";

const db = await openDatabase({ directory: "memory", migrations: fileURLToPath(new URL("../../src/db/migrations", import.meta.url)) });
afterAll(() => db.close());

const { kitchen, ...document } = smallDish();
const called = (name: string) => ({ ...document, dish: { ...document.dish, name } });
const slug = await db.transaction(async (tx) => insertDish(tx, "small", "Small", document, await insertKitchen(tx, "Home", kitchen)));
const found = async () => {
  const dish = await findDish(db, slug);
  if (!dish) throw new Error("gone");
  return dish;
};
const write = async (name: string) => {
  const { id, version } = await found();
  await db.transaction((tx) => updateDocument(tx, "dish", id, version, called(name), name));
};

test("is read once, and again after a change, an undo and a change of its kitchen", async () => {
  const first = await found();
  expect(await found()).toBe(first);
  await write("Changed");
  expect((await found()).document.dish.name).toBe("Changed");
  await db.transaction((tx) => stepHistory(tx, "dish", first.id, "undo"));
  expect((await found()).document.dish.name).toBe(document.dish.name);
  const other = { ...kitchen, cooks: kitchen.cooks.map((c: object) => ({ ...c, name: "Somebody else" })) };
  await db.transaction((tx) => updateDocument(tx, "kitchen", first.kitchenId, first.kitchenVersion, other, "Cook"));
  expect((await found()).document.kitchen?.cooks?.[0]?.name).toBe("Somebody else");
});

test("what a transaction wrote and took back is not taken for what comes under the same number", async () => {
  const { id, version } = await found();
  await expect(
    db.transaction(async (tx) => {
      await updateDocument(tx, "dish", id, version, called("Taken back"), "Taken back");
      expect((await findDish(tx, slug))?.document.dish.name).toBe("Taken back");
      throw new Error("no");
    }),
  ).rejects.toThrow("no");
  expect((await found()).document.dish.name).not.toBe("Taken back");
  await write("Kept");
  expect((await found()).document.dish.name).toBe("Kept");
});

test("of many things the last ones are remembered, and none once the database is closed", () => {
  const map = remembered<string, number>(2);
  for (const [n, key] of ["a", "b", "b", "c"].entries()) map.set(key, n);
  expect([...map]).toEqual([
    ["b", 2],
    ["c", 3],
  ]);
  forgetRemembered();
  expect(map.size).toBe(0);
});

test("cannot be changed by whoever reads it", async () => {
  const dish = await found();
  expect(() => Object.assign(dish.document.dish, { name: "Mine" })).toThrow(TypeError);
  expect(() => (dish.document.components as unknown[]).pop()).toThrow(TypeError);
  expect((await found()).document.dish.name).toBe("Kept");
});

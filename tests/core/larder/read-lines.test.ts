// A list of what is in the house, as people write it.
import { describe, expect, test } from "vitest";
import { readLarderLines } from "../../../src/core/larder/read-lines";

const NOW = 1_000_000;
const DAY = 1440;
const read = (text: string) => readLarderLines(text, NOW, "fridge");

describe("a list", () => {
  test("has what, how much, where and how long, in any order behind commas", () => {
    const { items, unread } = read(`2 jars of plum jam, cellar, keeps 6 months
- 600 g lard, keeps 3 weeks, in the fridge
1.5 l chicken stock, freezer

sauerkraut`);
    expect(unread).toEqual([]);
    expect(items).toMatchObject([
      { name: "plum jam", amount: { amount: 2, unit: "jar" }, place: "cellar", made: NOW },
      { name: "lard", amount: { amount: 600, unit: "g" }, place: "fridge", until: NOW + 21 * DAY },
      { name: "chicken stock", amount: { amount: 1.5, unit: "L" }, place: "freezer" },
      { name: "sauerkraut", place: "fridge" },
    ]);
    expect(items[0]?.until).toBeGreaterThan(NOW + 170 * DAY);
    expect(items[3]).not.toHaveProperty("amount");
    expect(items[3]).not.toHaveProperty("until");
  });
  test("from a spreadsheet reads by its cells, quoted or not", () => {
    expect(read('"300 g butter"\tfreezer\t2 months\n"1 jar honey";pantry').items).toMatchObject([
      { name: "butter", place: "freezer" },
      { name: "honey", place: "cellar" },
    ]);
  });
  test("keeps what belongs to the name, and a decimal comma", () => {
    expect(read("1,5 kg beetroot, cooked and peeled").items).toMatchObject([
      { amount: { amount: 1.5, unit: "kg" }, name: expect.stringMatching(/beetroot/) },
    ]);
  });
  test("tells which lines name nothing", () => {
    expect(read("2 jars of jam\n12\n, fridge").unread.map((u) => u.line)).toEqual([2, 3]);
  });
});

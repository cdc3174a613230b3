// The salt of a whole dish for one guest, and dates that move with it: figures by hand.
import { describe, expect, test } from "vitest";
import { saltOfDish } from "../../../src/core/dish/salt";
import type { DishFile } from "../../../src/core/dish/schema";
import { shiftDates } from "../../../src/core/dish/shift-dates";
import type { Loose } from "../../support/dishes";
import { smallDish } from "../../support/small-dish";

const g = (name: string, amount: number, unit = "g") => ({ id: name.toLowerCase().replace(/\W/g, "-"), name, amount: { amount, unit } });
/** The stock is all used, so that all of its salt is served. */
const salted = (alter: (d: Loose) => void, chosen = {}) =>
  saltOfDish(
    smallDish((d: Loose) => {
      d.components[1].methods[0].steps[0].takes[0].amount.amount = 2;
      alter(d);
    }) as DishFile,
    chosen,
  );
const into =
  (...ingredients: Loose[]) =>
  (d: Loose) => {
    d.components[0].methods[0].ingredients = ingredients;
  };

describe("salt for each guest", () => {
  test.each([
    ["eight grams of salt for four", [g("Fine sea salt", 8)], 2, 40],
    ["a spoon of soy sauce is a sixth of salt", [g("Soy sauce", 100)], 3.75, 75],
    ["butter brings a little", [g("Salted butter", 200)], 0.85, 17],
    ["what is not salted brings none beside what is", [g("Carrots", 900), g("Salt", 4)], 1, 20],
    ["curing salt is mostly salt", [g("Curing salt, 6.25 % nitrite", 4)], 0.94, 19],
  ])("%s", (_, ingredients, perGuest, pct) => {
    const got = salted(into(...ingredients));
    expect(got?.perGuestG).toBeCloseTo(perGuest, 2);
    expect(got?.pctOf5g).toBeCloseTo(pct, 0);
    expect(got?.sodiumMg).toBeCloseTo(perGuest * 393.4, -1);
  });
  test("counts what is made for the guests that come, not for those of the file", () => {
    const twice = salted((d) => {
      into(g("Salt", 8))(d);
      d.dish.serves = 8;
    });
    expect(twice?.rows[0]?.saltG).toBe(16);
    expect(twice?.perGuestG).toBe(2);
  });
  test("of a brine only what the meat takes with it; of water that is poured off hardly any", () => {
    const brine = salted((d) => {
      d.components[0].kind = "cure";
      into(g("Pork", 1000), g("Water", 1000), g("Salt", 40))(d);
    });
    expect(brine?.rows[0]).toMatchObject({ eaten: 0.5, because: "the rest stays in the brine" });
    // From three tenths of water on it is a brine; with less the salt is rubbed in, and all of it stays.
    const rubbed = (water: number) =>
      salted((d) => {
        d.components[0].kind = "cure";
        into(g("Pork", 1000), g("Water", water), g("Salt", 40))(d);
      })?.rows[0]?.eaten;
    expect([rubbed(290), rubbed(300)]).toEqual([1, 1]);
    expect(rubbed(310)).toBeCloseTo(1000 / 1310, 6);
    const boiled = salted(into(g("Pasta", 400), { ...g("Salt", 30), note: "for the boiling water" }));
    expect(boiled?.rows[0]?.eaten).toBe(0.03);
  });
  test("of what is made more than is taken, only what is taken counts, through every component on the way", () => {
    const taken = (stock: number, sauce: number) =>
      salted((d) => {
        into(g("Salt", 8))(d);
        d.components[1].methods[0].steps[0].takes[0].amount.amount = stock;
        d.components[2].methods[0].steps[0].takes[0].amount.amount = sauce;
      })?.rows[0];
    expect(taken(1, 400)).toMatchObject({ saltG: 8, eaten: 0.5, because: "50 % of this is served" });
    expect(taken(2, 100)?.eaten).toBeCloseTo(0.25, 6);
    expect(taken(1, 100)?.eaten).toBeCloseTo(0.125, 6);
  });
  test("of a dry cure that is rinsed, what the meat can take up: most of a weighed one, 3 % of a bed of salt", () => {
    const rinsed = (salt: number) =>
      salted((d) => {
        d.components[0].kind = "cure";
        into(g("Pork", 1000), g("Salt", salt))(d);
        d.components[0].methods[0].steps[0].name = "Rinse and dry";
      })?.rows[0]?.eaten;
    expect(rinsed(20)).toBeCloseTo(0.9, 6);
    expect(rinsed(300)).toBeCloseTo(0.1, 6);
  });
  test("leaves out what is left out, and says nothing of a dish without salt", () => {
    expect(salted(into({ ...g("Salt", 8), leftOut: true }))).toBeUndefined();
    expect(salted(into(g("Carrots", 500)))).toBeUndefined();
  });
});

describe("dates moved by whole days", () => {
  const dated = smallDish((d) => {
    d.dish.startNotBefore = "2026-10-10T18:00";
    d.components[0].onHand = [{ output: "stock", madeAt: "2026-10-12T09:30" }];
    d.dish.name = "A dish of 2026-10-18";
  }) as DishFile;
  test("keep their hours, over months and a leap year", () => {
    const moved = shiftDates(dated, 7) as Loose;
    expect([moved.dish.serveAt, moved.dish.startNotBefore, moved.components[0].onHand[0].madeAt]).toEqual([
      "2026-10-25T13:00",
      "2026-10-17T18:00",
      "2026-10-19T09:30",
    ]);
    expect((shiftDates({ ...dated, dish: { ...dated.dish, serveAt: "2028-02-28T13:00" } }, 1) as Loose).dish.serveAt).toBe(
      "2028-02-29T13:00",
    );
  });
  test("leave words alone, and come back", () => {
    const moved = shiftDates(dated, 21) as Loose;
    expect(moved.dish.name).toBe("A dish of 2026-10-18");
    expect(shiftDates(moved, -21)).toEqual(dated);
  });
});

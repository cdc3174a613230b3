// A dish to be cooked again: the same recipe for another day.
import type { DishFile } from "../schema";
import { shiftDates } from "../shift-dates";
import { freeId } from "./places";

const DAY_MS = 86_400_000;
const WEEK = 7;
const dayOf = (instant: string) => Date.parse(`${instant.slice(0, 10)}T00:00Z`);

/**
 * The document under another name, on the same weekday and at the same time of some later week, in the same kitchen. Its other dates move with it. What
 * was on hand then, and steps that were fixed to a time then, are left behind; methods that were chosen stay chosen.
 * @param by the last day that it may be, "2026-12-13T13:00"; only its date counts
 */
export function copyOf(document: DishFile, name: string, by: string): DishFile {
  const days = Math.floor((dayOf(by) - dayOf(document.dish.serveAt)) / DAY_MS / WEEK) * WEEK;
  // Hours of the kitchen are those of the house: they do not move with a dish.
  const { kitchen, ...recipe } = document;
  const moved = shiftDates(recipe, days);
  const { pins, ...wishes } = moved.wishes ?? {};
  const methods = (pins ?? []).filter((p) => "component" in p);
  return {
    ...moved,
    dish: { ...moved.dish, id: freeId(name, []), name },
    components: moved.components.map(({ onHand: _, ...c }) => c),
    wishes: { ...wishes, ...(methods.length ? { pins: methods } : {}) },
    ...(kitchen ? { kitchen } : {}),
  } as DishFile;
}

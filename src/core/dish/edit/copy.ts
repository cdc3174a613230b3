// A dish to be cooked again: the same recipe for another day.
import type { DishFile } from "../schema";
import { shiftDates } from "../shift-dates";
import { freeId } from "./places";

const DAY_MS = 86_400_000;
const dayOf = (instant: string) => Date.parse(`${instant.slice(0, 10)}T00:00Z`);

/**
 * The document under another name, served on another day at its own hour; its other dates move with it. What was on hand then, and steps that were
 * fixed to an hour then, are left behind.
 * @param serveAt the day that is meant, "2026-12-13T13:00"; only its date counts
 */
export function copyOf(document: DishFile, name: string, serveAt: string): DishFile {
  const days = Math.round((dayOf(serveAt) - dayOf(document.dish.serveAt)) / DAY_MS);
  const { kitchen: _, pins, ...rest } = shiftDates(document, days);
  const methods = ((pins ?? []) as readonly object[]).filter((p) => "component" in p);
  return {
    ...rest,
    dish: { ...rest.dish, id: freeId(name, []), name },
    components: rest.components.map(({ onHand: _onHand, ...c }) => c as DishFile["components"][number]),
    ...(methods.length ? { pins: methods } : {}),
  } as DishFile;
}

// A dish on the workbench, as its page shows it.
import { type ComponentProps, createElement } from "react";
import { readDishValue } from "../../src/core/dish/read";
import type { DishFile } from "../../src/core/dish/schema";
import { Workbench } from "../../src/ui/dish/Workbench";

export const PLAN = { begins: undefined, stale: false, impossible: undefined };

/** A document that the reader of dish files takes. */
export function sound(value: unknown): DishFile {
  const read = readDishValue(value);
  if (read.status === "refused") throw new Error(read.problems.map((p) => `${p.path} ${p.message}`).join("\n"));
  return read.document;
}

export const workbench = (document: DishFile, more: Partial<ComponentProps<typeof Workbench>> = {}) =>
  createElement(Workbench, {
    slug: "small",
    version: 1,
    document,
    chosen: {},
    plan: PLAN,
    others: [],
    component: undefined,
    calculation: undefined,
    findings: [],
    ...more,
  });

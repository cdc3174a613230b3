// The demo dishes and small ones made on the spot, read as the program reads them.
import { readFileSync } from "node:fs";
import path from "node:path";
import type { Dish } from "../../src/core/dish/model";
import { readDish } from "../../src/core/dish/read";
import { dishModel } from "../../src/core/dish/read-model";

export const DEMO = ["harvest-lunch", "spiced-duck", "saturday-pastries"] as const;

export const demoText = (name: string): string => readFileSync(path.resolve("demo", `${name}.json`), "utf8");

// biome-ignore lint/suspicious/noExplicitAny: tests reach into documents and break them on purpose
export type Loose = any;

export const demoDocument = (name: string): Loose => JSON.parse(demoText(name));

/** The model of a document that must be sound. */
export function dishOf(document: unknown): Dish {
  const read = readDish(JSON.stringify(document));
  if (read.status === "refused") throw new Error(read.problems.map((p) => `${p.path}: ${p.message}`).join("\n"));
  return dishModel(read.document);
}

export const demoDish = (name: string): Dish => dishOf(demoDocument(name));

import "server-only";
// The library of ready components: dish files of one or two components each, in library/, with an index worked out once.
import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { type LibraryEntry, libraryEntry } from "../core/dish/edit/library";
import { readDish } from "../core/dish/read";
import type { DishFile } from "../core/dish/schema";
import { root } from "./database";

let files: ReadonlyMap<string, DishFile> | undefined;
let entries: readonly LibraryEntry[] | undefined;

function library(): ReadonlyMap<string, DishFile> {
  files ??= new Map(
    readdirSync(path.join(/*turbopackIgnore: true*/ root(), "library"), { recursive: true, encoding: "utf8" })
      .filter((f) => f.endsWith(".json"))
      .sort()
      .map((file) => {
        const read = readDish(readFileSync(path.join(/*turbopackIgnore: true*/ root(), "library", file), "utf8"));
        if (read.status === "refused") throw new Error(`library: ${file}: ${read.problems[0]?.path} ${read.problems[0]?.message}`);
        return [read.document.dish.id, read.document] as const;
      }),
  );
  return files;
}

/** All entries, by kind and name. */
export function listLibrary(): readonly LibraryEntry[] {
  entries ??= [...library().values()]
    .map(libraryEntry)
    .sort((a, b) => (a.kind === b.kind ? (a.name < b.name ? -1 : 1) : a.kind < b.kind ? -1 : 1));
  return entries;
}

/** Each entry with the names of what goes into it. */
export function libraryIngredients(): { readonly name: string; readonly ingredients: readonly string[] }[] {
  return [...library().values()].map((d) => ({
    name: d.dish.name,
    ingredients: d.components.flatMap((c) => c.methods.flatMap((m) => (m.ingredients ?? []).map((i) => i.name))),
  }));
}

/** Undefined for an id that the library does not have. */
export function findLibraryDish(id: string): DishFile | undefined {
  return library().get(id);
}

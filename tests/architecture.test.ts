// What may know what. The linter refuses named imports; this walks the tree and sees every one.
import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { fileURLToPath } from "node:url";
import { describe, expect, test } from "vitest";

const source = fileURLToPath(new URL("../src", import.meta.url));
const files = readdirSync(source, { recursive: true, encoding: "utf8" }).filter((f) => /\.tsx?$/.test(f));
/** Static imports and re-exports, dynamic imports, and files named by URL as workers are. */
const IMPORTS = [
  /^(?:import|export) (?:[^"';]*? from )?"([^"]+)"/gms,
  /\bimport\("([^"]+)"\)/g,
  /new URL\("([^"]+)", import\.meta\.url\)/g,
];
const importsOf = (file: string) => {
  const text = readFileSync(path.join(source, file), "utf8");
  return IMPORTS.flatMap((pattern) => [...text.matchAll(pattern)]).map((m) => {
    const name = m[1] as string;
    if (name.startsWith("@/")) return name.slice(2);
    return name.startsWith(".") ? path.join(path.dirname(file), name) : `package:${name}`;
  });
};
const under = (folder: string) => files.filter((f) => f.startsWith(`${folder}/`));
const strangers = (folder: string, allowed: RegExp) =>
  under(folder).flatMap((f) =>
    importsOf(f)
      .filter((i) => !allowed.test(i))
      .map((i) => `${f} → ${i}`),
  );

describe("dependence runs one way", () => {
  test("the core knows itself, Zod and, in one file each, time zones, JSON Patch, calendars, CSV and HTML", () => {
    expect(under("core").length).toBeGreaterThan(30);
    expect(strangers("core", /^core\/|^package:(zod|temporal-polyfill|rfc6902|ical\.js|csv-stringify\/sync|htmlparser2)$/)).toEqual([]);
    expect(under("core").filter((f) => importsOf(f).includes("package:temporal-polyfill"))).toEqual(["core/time/zone.ts"]);
    expect(under("core").filter((f) => importsOf(f).includes("package:rfc6902"))).toEqual(["core/dish/patch.ts"]);
    expect(under("core").filter((f) => importsOf(f).includes("package:ical.js"))).toEqual(["core/sheets/calendar.ts"]);
    expect(under("core").filter((f) => importsOf(f).includes("package:csv-stringify/sync"))).toEqual(["core/sheets/shopping.ts"]);
    expect(under("core").filter((f) => importsOf(f).includes("package:htmlparser2"))).toEqual(["core/import/html.ts"]);
  });
  test("the verifier shares no code with the search", () => {
    const shared = under("core/planner/verify")
      .flatMap((f) => importsOf(f))
      .filter((i) => /planner\/(compile|network|engine|search|extract|explain|heat-settings|learn)/.test(i));
    expect(shared).toEqual([]);
  });
  test("database, command line and workers stand on the core and its words", () => {
    expect(
      strangers("db", /^(core|db|words)\/|^package:(node:|@electric-sql\/pglite(\/nodefs)?$|zod$|yazl$|yauzl$|csv-stringify\/sync$)/),
    ).toEqual([]);
    // The data directory is worked on by one command only; all others are the core without a database.
    expect(strangers("cli", /^(core|cli|words)\/|^package:(node:|zod$)/).filter((s) => !s.startsWith("cli/data.ts → db/"))).toEqual([]);
    expect(strangers("words", /^(core|words)\//)).toEqual([]);
    expect(strangers("workers", /^(core|workers|words)\/|^package:(node:|zod$|comlink$)/)).toEqual([]);
  });
  test("the interface reaches no database and no server code", () => {
    expect(
      under("ui").flatMap((f) =>
        importsOf(f)
          .filter((i) => /^(db|server|cli)\/|^package:node:/.test(i))
          .map((i) => `${f} → ${i}`),
      ),
    ).toEqual([]);
  });
});

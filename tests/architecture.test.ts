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

/** Who an import is of: a file of ours, or a package. */
const fileOf = (name: string): string | undefined =>
  [name, `${name}.ts`, `${name}.tsx`, `${name}/index.ts`].find((candidate) => files.includes(candidate));
const graph = new Map(files.map((f) => [f, [...new Set(importsOf(f).flatMap((i) => fileOf(i) ?? []))]] as const));

test("what the browser tests import reaches no JSON: their loader cannot read it", () => {
  const tests = fileURLToPath(new URL(".", import.meta.url));
  const own = readdirSync(tests, { recursive: true, encoding: "utf8" }).filter((f) => /^(?:e2e|support)\/.*\.ts$/.test(f));
  const textOf = (file: string) => readFileSync(path.join(tests, file), "utf8");
  const importsIn = (file: string) =>
    [...textOf(file).matchAll(/^import (?!type )(?:[^"';]*? from )?"(\.[^"]+)"/gms)].map((m) => m[1] as string);
  const reached = new Set<string>();
  const walk = (file: string): void => {
    if (reached.has(file)) return;
    reached.add(file);
    for (const other of valuesOf(file)) walk(other);
  };
  const seen = new Set<string>();
  const visit = (file: string): void => {
    if (seen.has(file)) return;
    seen.add(file);
    for (const name of importsIn(file)) {
      const at = path.join(path.dirname(file), name);
      if (at.startsWith("../src/")) walk(fileOf(at.slice("../src/".length)) ?? at);
      else if (own.includes(`${at}.ts`)) visit(`${at}.ts`);
    }
  };
  for (const file of own.filter((f) => f.endsWith(".spec.ts"))) visit(file);
  expect(reached.size).toBeGreaterThan(10);
  expect([...reached].filter((f) => files.includes(f) && importsOf(f).some((i) => i.endsWith(".json")))).toEqual([]);
});
/** What a file needs to run: types are gone by then. */
const valuesOf = (file: string): string[] => {
  if (!files.includes(file)) return [];
  const text = readFileSync(path.join(source, file), "utf8").replaceAll(/^(?:import|export) type [^;]*;/gm, "");
  return [...text.matchAll(IMPORTS[0] as RegExp)].flatMap((m) => {
    const name = m[1] as string;
    return fileOf(name.startsWith("@/") ? name.slice(2) : path.join(path.dirname(file), name)) ?? [];
  });
};

/** The core, from what stands on nothing to what stands on all: each knows itself and what is named before it. Single files are at its foot. */
const ORDER = [
  "time",
  "measures",
  "devices",
  "dish",
  "foods",
  "entry",
  "dish/edit",
  "dish/fit",
  "dish/questions",
  "import",
  "catalogue",
  "bench",
  "spoken",
  "planner",
  "record",
  "rehearse",
  "view",
  "larder",
  "safety",
  "sheets",
];
/** @returns the place in the order, and 0 for what lies at the foot; -1 for what has none */
const levelOf = (file: string): number => {
  const [, ...parts] = file.split("/");
  if (parts.length === 1) return 0;
  const two = ORDER.indexOf(`${parts[0]}/${parts[1]}`);
  const one = ORDER.indexOf(parts[0] as string);
  return two >= 0 ? two + 1 : one >= 0 ? one + 1 : -1;
};

/** Groups of files that know each other in a circle (strongly connected components; Tarjan 1972). */
function circles(): string[][] {
  const [index, low] = [new Map<string, number>(), new Map<string, number>()];
  const stack: string[] = [];
  const found: string[][] = [];
  const visit = (file: string): void => {
    index.set(file, index.size);
    low.set(file, index.get(file) as number);
    stack.push(file);
    for (const other of graph.get(file) ?? []) {
      if (!index.has(other)) visit(other);
      if (stack.includes(other)) low.set(file, Math.min(low.get(file) as number, low.get(other) as number));
    }
    if (low.get(file) !== index.get(file)) return;
    const circle = stack.splice(stack.indexOf(file));
    if (circle.length > 1) found.push(circle.sort());
  };
  for (const file of files) if (!index.has(file)) visit(file);
  return found;
}

describe("dependence runs one way", () => {
  test("no file knows itself by way of others", () => {
    expect([...graph.values()].flat().length).toBeGreaterThan(800);
    expect(circles()).toEqual([]);
  });
  test("every part of the core has its place, and knows only what stands before it", () => {
    const core = under("core");
    expect(core.filter((f) => levelOf(f) < 0)).toEqual([]);
    const upwards = core.flatMap((f) =>
      (graph.get(f) ?? []).filter((other) => levelOf(other) > levelOf(f)).map((other) => `${f} → ${other}`),
    );
    expect(upwards).toEqual([]);
  });
  test("what docs/architecture.md says of the order is this order", () => {
    const text = readFileSync(path.join(source, "../docs/architecture.md"), "utf8");
    const said = [...text.matchAll(/^\| `([\w/]+)\/` \|/gm)].map((m) => m[1]);
    expect(said).toEqual(ORDER);
  });
  test("the core knows itself, Zod and, in one file each, time zones, JSON Patch, calendars, CSV, HTML and plurals", () => {
    expect(under("core").length).toBeGreaterThan(30);
    expect(
      strangers("core", /^core\/|^package:(zod|temporal-polyfill|rfc6902|ical\.js|csv-stringify\/sync|htmlparser2|pluralize)$/),
    ).toEqual([]);
    expect(under("core").filter((f) => importsOf(f).includes("package:temporal-polyfill"))).toEqual(["core/time/zone.ts"]);
    expect(under("core").filter((f) => importsOf(f).includes("package:rfc6902"))).toEqual(["core/dish/patch.ts"]);
    expect(under("core").filter((f) => importsOf(f).includes("package:ical.js"))).toEqual(["core/sheets/calendar.ts"]);
    expect(under("core").filter((f) => importsOf(f).includes("package:csv-stringify/sync"))).toEqual(["core/sheets/shopping-csv.ts"]);
    expect(under("core").filter((f) => importsOf(f).includes("package:htmlparser2"))).toEqual(["core/import/html.ts"]);
    expect(under("core").filter((f) => importsOf(f).includes("package:pluralize"))).toEqual(["core/plurals.ts"]);
  });
  test("the verifier shares no code with the search", () => {
    const shared = under("core/planner/verify")
      .flatMap((f) => importsOf(f))
      .filter((i) => /planner\/(compile|network|engine|resources|search|extract|explain|heat-settings|learn)/.test(i));
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

describe("what a file exports", () => {
  const roots = ["src", "tests", "bench"].map((folder) => fileURLToPath(new URL(`../${folder}`, import.meta.url)));
  const everywhere = roots.flatMap((folder) =>
    readdirSync(folder, { recursive: true, encoding: "utf8" })
      .filter((f) => /\.tsx?$/.test(f))
      .map((f) => path.join(folder, f)),
  );
  const wordsOf = new Map(everywhere.map((f) => [f, new Set(readFileSync(f, "utf8").match(/[A-Za-z_]\w*/g))] as const));
  test("is used by another file", () => {
    const alone: string[] = [];
    for (const file of files) {
      // Pages and routes are looked for by their file.
      if (/^app\/|^(proxy|instrumentation)/.test(file)) continue;
      const own = path.join(source, file);
      for (const m of readFileSync(own, "utf8").matchAll(/^export (?:async )?(?:const|function\*?|class|interface|type) (\w+)/gm)) {
        const name = m[1] as string;
        if (!everywhere.some((f) => f !== own && wordsOf.get(f)?.has(name))) alone.push(`${file}: ${name}`);
      }
    }
    expect(alone).toEqual([]);
  });
});

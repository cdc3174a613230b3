// Every route, found by its file: whatever it is sent, it answers with a sentence as JSON and no 500, and what it refuses changes nothing.

import fc from "fast-check";
import { afterAll, beforeAll, describe, expect, test, vi } from "vitest";
import { POST as bringIn } from "../../src/app/api/dishes/route";
import { TABLES } from "../../src/db/backup/tables";
import { DiskFull } from "../../src/db/faults";
import { database } from "../../src/server/database";
import { route } from "../../src/server/route";
import { DEEP, deep } from "../support/deep";
import { call, planned, withServer } from "../support/server";
import { smallDish } from "../support/small-dish";

const NOW = "2026-10-16T08:00:30Z";
withServer(NOW);

type Handler = (request: Request, context: { params: Promise<Record<string, string>> }) => Promise<Response>;
const METHODS = ["GET", "HEAD", "POST", "PUT", "PATCH", "DELETE"] as const;
const files = import.meta.glob("../../src/app/api/**/route.ts") as Record<string, () => Promise<Record<string, Handler>>>;
const ROUTES = Object.keys(files).map((file) => ({
  file,
  path: file.replace("../../src/app", "").replace("/route.ts", ""),
  names: [...file.matchAll(/\[(\w+)\]/g)].map((m) => m[1] as string),
}));

/** What is in the tables that somebody typed: plans come and go by themselves. */
async function contents(): Promise<string> {
  const db = await database();
  const all: unknown[] = [];
  for (const { name, order } of TABLES.filter((t) => t.name !== "plan"))
    all.push(await db.query(`select to_jsonb(t)::text as line from ${name} t order by ${order}`));
  return JSON.stringify(all);
}

const BAD_TEXTS = [
  "\0",
  "a\0b",
  "\ud800",
  "x\udfff",
  "../../etc/passwd",
  "'; drop table dish; --",
  "__proto__",
  "constructor",
  "%E0%A4%A",
  "a".repeat(20_000),
  "",
  " ",
  "‮evil",
  "<script>alert(1)</script>",
  "\n\r\t",
  "NaN",
  "-1",
  "1e400",
];
const BODIES: (string | undefined)[] = [
  undefined,
  "",
  "null",
  "[]",
  "{}",
  "7",
  '"text"',
  "{",
  '{"version":1e400}',
  '{"version":null,"change":{}}',
  "[".repeat(5_000),
  `{"a":${'{"a":'.repeat(300)}1${"}".repeat(300)}}`,
  ...BAD_TEXTS.map((text) =>
    JSON.stringify({
      version: 1,
      kitchenVersion: 1,
      change: [{ op: "add", path: `/dish/${text.slice(0, 50)}`, value: text }],
      label: text || "x",
    }),
  ),
  ...BAD_TEXTS.map((text) =>
    JSON.stringify({ key: text, kind: text, step: text, inMinutes: text, what: text, direction: text, answer: text, index: 0 }),
  ),
  ...BAD_TEXTS.map((text) =>
    JSON.stringify({ key: "3f2504e0-4f89-41d3-9a0c-0305e82c3301", kind: "started", step: `a.${text}`, by: text.slice(0, 70) }),
  ),
  ...BAD_TEXTS.map((text) => JSON.stringify({ acknowledge: [{ id: text.slice(0, 300), print: text.slice(0, 10) }] })),
  ...BAD_TEXTS.map((text) => JSON.stringify({ directory: text })),
  ...BAD_TEXTS.map((text) => JSON.stringify({ version: 1, kitchen: { cooks: [{ id: text }] }, label: text, serves: text, serveAt: text })),
  JSON.stringify({
    version: 1,
    kitchenVersion: 1,
    label: "x",
    change: [{ op: "replace", path: "/components/length", value: 1_000_000_000 }],
  }),
  JSON.stringify({ version: 1, serves: 1e308 }),
  JSON.stringify({ version: 9_007_199_254_740_991, kitchenVersion: -1, label: "x", change: [] }),
  JSON.stringify({ version: 99_999_999_999, serves: 3 }),
  JSON.stringify({ answer: "99999999999999999999", index: 2 ** 53 }),
  JSON.stringify(smallDish((d) => (d.dish.name = "with\0nul"))),
  JSON.stringify(smallDish((d) => (d.components[0].name = "half \ud83d"))),
];

let slug = "";
beforeAll(async () => {
  vi.spyOn(console, "error").mockImplementation(() => {});
  slug = (
    await call(
      bringIn,
      {},
      smallDish((d) => (d.dish.id = "fuzzed")),
    )
  ).said.value.slug;
  await planned(slug, Math.floor(Date.parse(NOW) / 60_000));
});
afterAll(() => vi.restoreAllMocks());

async function ask(handler: Handler, method: string, path: string, params: Record<string, string>, body: string | undefined) {
  const abort = new AbortController();
  const request = new Request(`http://localhost${path}`, {
    method,
    signal: abort.signal,
    ...(body === undefined || method === "GET" || method === "HEAD" ? {} : { body }),
  });
  const response = await handler(request, { params: Promise.resolve(params) });
  const stream = /event-stream|ndjson|zip/.test(response.headers.get("content-type") ?? "");
  if (stream) {
    await response.body?.cancel().catch(() => {});
    abort.abort();
  }
  return { status: response.status, said: stream ? "" : await response.text(), type: response.headers.get("content-type") ?? "" };
}

describe.each(ROUTES.map((r, turn) => ({ ...r, turn })))("$path", ({ file, path, names, turn }) => {
  test("answers whatever it is sent, and what it refuses leaves everything as it was", { timeout: 240_000 }, async () => {
    const handlers = await (files[file] as () => Promise<Record<string, Handler>>)();
    expect(Object.keys(handlers)).toEqual(expect.arrayContaining([...METHODS]));
    const params = [slug, "no-such", ...BAD_TEXTS].map((value) => Object.fromEntries(names.map((name) => [name, value])));
    const faults: string[] = [];
    let current = await contents();
    const missing = new Set<string>();
    const look = async (method: (typeof METHODS)[number], given: Record<string, string>, body: string | undefined) => {
      const got = await ask(handlers[method] as Handler, method, path, given, body);
      const what = `${method} ${JSON.stringify(given).slice(0, 60)} ${String(body).slice(0, 120)}: ${got.status}`;
      const now = method === "GET" || method === "HEAD" ? current : await contents();
      if (got.status >= 400 && now !== current) faults.push(`${what}: refused, and yet something was written`);
      current = now;
      if (got.status === 405) missing.add(method);
      if (got.status >= 500) faults.push(`${what} ${got.said.slice(0, 200)}`);
      if (got.status >= 400 && method !== "HEAD") {
        if (!got.type.includes("json")) faults.push(`${what}: not JSON`);
        else {
          const { message, problems } = JSON.parse(got.said);
          if (!(typeof message === "string" && message.length > 8) && !problems?.length) faults.push(`${what}: says nothing`);
        }
      }
    };
    for (const method of METHODS) {
      // What is known to be taken is not sent to the real dish; a backup is no refusal.
      await look(method, params[1] as Record<string, string>, method === "GET" ? undefined : "{}");
      // A method that is not there is not there whatever is sent.
      if (missing.has(method)) continue;
      for (const given of params.slice(2)) await look(method, given, method === "GET" ? undefined : "{}");
      if (method === "GET" || path === "/api/backup") continue;
      // Each body goes to every fourth route, and to all of them in a deep run.
      for (const body of BODIES.filter((_, i) => DEEP || i % 4 === turn % 4))
        await look(method, names.length ? (params[0] as Record<string, string>) : {}, body);
    }
    expect(faults).toEqual([]);
    const dishes = (await (await database()).query("select slug from dish")) as { slug: string }[];
    expect(dishes.map((d) => d.slug)).toContain(slug);
  });
});

test("random JSON is answered by every route that takes a body", { timeout: 240_000 }, async () => {
  const handlers = await Promise.all(
    ROUTES.map(async (r) => ({ ...r, on: await (files[r.file] as () => Promise<Record<string, Handler>>)() })),
  );
  await fc.assert(
    fc.asyncProperty(
      fc.constantFrom(...handlers.filter((h) => h.path !== "/api/backup")),
      fc.constantFrom("POST", "PUT", "PATCH"),
      fc.jsonValue(),
      async ({ on, path, names }, method, value) => {
        const got = await ask(
          on[method] as Handler,
          method,
          path,
          Object.fromEntries(names.map((n) => [n, "no-such"])),
          JSON.stringify(value),
        );
        expect(got.status).toBeLessThan(500);
      },
    ),
    { numRuns: deep(60, 150) },
  );
});

describe("a fault", () => {
  const answerTo = async (error: unknown) => {
    const failing = () => {
      throw error;
    };
    const response = await route({ GET: failing }).GET(new Request("http://localhost/"), { params: Promise.resolve({}) });
    return { status: response.status, said: await response.json() };
  };
  test("of the disk says that nothing was saved, and what becomes of what was typed", async () => {
    expect(await answerTo(new DiskFull("x"))).toEqual({
      status: 507,
      said: { message: "Not saved: the disk is full. What you typed is kept in this window." },
    });
  });
  test("of the program has a number that is in the log too", async () => {
    const log = vi.spyOn(console, "error").mockImplementation(() => {});
    const { status, said } = await answerTo(new Error("boom"));
    expect(status).toBe(500);
    expect(said.message).toContain(said.fault);
    expect(log.mock.calls.some((c) => String(c[0]).includes(said.fault))).toBe(true);
  });
});

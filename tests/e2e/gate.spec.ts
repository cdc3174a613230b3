// Who may speak to the kitchen, what an answer carries, how heavy the first page is, who may open the data.
import { request as plain } from "node:http";
import { gzipSync } from "node:zlib";
import { Server } from "./server";
import { expect, test } from "./test";

const server = new Server(4331, "2026-11-25T19:00:00Z");
test.beforeAll(() => server.start());
test.afterAll(() => server.kill());

/** A request as another program would send it, with headers that a browser would not let a page set. */
function send(path: string, headers: Record<string, string>, method = "GET"): Promise<number> {
  return new Promise((resolve, reject) => {
    const sent = plain({ host: "127.0.0.1", port: server.port, path, method, headers }, (answer) => {
      answer.resume();
      resolve(answer.statusCode ?? 0);
    });
    sent.on("error", reject);
    sent.end();
  });
}

test("a foreign Host, Origin or site is refused, reading and writing", async () => {
  expect(await send("/", {})).toBe(200);
  expect(await send("/", { host: "evil.example" })).toBe(421);
  expect(await send("/", { host: `evil.example:${server.port}` })).toBe(421);
  expect(await send("/api/dishes/harvest-lunch", { origin: "http://evil.example" })).toBe(403);
  expect(await send("/api/dishes/harvest-lunch/run", { origin: "http://127.0.0.1:9" }, "POST")).toBe(403);
  expect(await send("/api/dishes/harvest-lunch/run", { "sec-fetch-site": "cross-site" }, "DELETE")).toBe(403);
});

test("answers carry a content security policy with a nonce of their own, and the other headers", async () => {
  const [first, second] = [await fetch(server.url), await fetch(server.url)];
  const policy = first.headers.get("content-security-policy") ?? "";
  expect(policy).toContain("default-src 'self'");
  expect(policy).toContain("frame-ancestors 'none'");
  expect(policy).not.toContain("unsafe-eval");
  expect(policy).not.toBe(second.headers.get("content-security-policy"));
  expect(first.headers.get("x-content-type-options")).toBe("nosniff");
  expect(first.headers.get("cross-origin-opener-policy")).toBe("same-origin");
  expect(first.headers.get("x-powered-by")).toBeNull();
});

test("what comes in is checked before anything is kept", async () => {
  const dishes = async () => (await (await fetch(server.url)).text()).match(/\/d\/[a-z0-9-]+\/timetable/g)?.length;
  const before = await dishes();
  for (const body of [null, 1, "x", [], {}, { format: "rondeau/1" }]) expect((await server.post("/api/dishes", body)).status).toBe(422);
  expect((await server.post("/api/dishes/harvest-lunch/events", { kind: "burnt" })).status).toBeGreaterThanOrEqual(400);
  expect((await server.post("/api/dishes/nothing/plan", {})).status).toBe(404);
  expect((await server.post("/api/dishes/harvest-lunch/plan", { style: "lazy" })).status).toBeGreaterThanOrEqual(400);
  expect(await dishes()).toBe(before);
});

test("a second process on the same directory is refused by name", async () => {
  const { code, said } = await server.second();
  expect(code).toBe(1);
  expect(said).toContain(`The data directory ${server.directory} is already open in process`);
  expect(said).toContain("RONDEAU_DATA_DIR");
});

test("the timetable's first load ships under 250 kB of compressed script", async () => {
  await server.plan("harvest-lunch");
  const html = await (await fetch(`${server.url}/d/harvest-lunch/timetable`)).text();
  const scripts = [...new Set([...html.matchAll(/\/_next\/static\/[^"'\\ ]+\.js/g)].map((m) => m[0]))];
  expect(scripts.length).toBeGreaterThan(2);
  const sizes = await Promise.all(
    scripts.map(async (s) => gzipSync(Buffer.from(await (await fetch(server.url + s)).arrayBuffer())).length),
  );
  const kilobytes = sizes.reduce((sum, size) => sum + size, 0) / 1000;
  console.log(`script of the timetable, compressed: ${kilobytes.toFixed(0)} kB in ${scripts.length} files`);
  expect(kilobytes).toBeLessThan(250);
});

// How long each page and route is waited for, found by its file: ./rondeau bench routes [TIMES]. Bad requests are asked too.
// Then Home with 30 and with 300 dishes. Starts a server of its own on 127.0.0.1.
import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { demoServer } from "./server";

const times = Number(process.argv[2] ?? 20);
const { url, post, stop } = await demoServer(4396);

/** Both of them answer for as long as somebody listens, or plan. */
const ENDLESS = /\/(stream|plan)$/;
const BAD = [
  "",
  "{",
  "[]",
  '{"version":1,"change":[{"op":"add","path":"/dish/name","value":"\\u0000"}],"label":"x"}',
  `{"a":"${"x".repeat(60_000)}"}`,
];

function files(directory: string): string[] {
  return readdirSync(directory, { recursive: true, encoding: "utf8" }).filter((f) => /(^|\/)(page\.tsx|route\.ts)$/.test(f));
}
const addressOf = (file: string) =>
  `/${path.dirname(file)}`
    .replace("/.", "/")
    .replaceAll("[dish]", "harvest-lunch")
    .replaceAll("[panel]", "brine")
    .replaceAll(/\[\w+\]/g, "x");

async function took(where: string, init: RequestInit = {}): Promise<{ ms: number; bytes: number; status: number }> {
  const began = performance.now();
  const answer = await fetch(url + where, init);
  const bytes = (await answer.arrayBuffer()).byteLength;
  return { ms: performance.now() - began, bytes, status: answer.status };
}
const quantile = (all: readonly number[], q: number) =>
  all.toSorted((a, b) => a - b)[Math.min(all.length - 1, Math.floor(q * all.length))] ?? 0;
const row = (name: string, all: readonly { ms: number; bytes: number; status: number }[]) => {
  const ms = all.map((a) => a.ms);
  const statuses = [...new Set(all.map((a) => a.status))].sort().join(" ");
  return { name, p50: quantile(ms, 0.5), max: Math.max(...ms), kilobytes: (all[0]?.bytes ?? 0) / 1000, statuses };
};
const line = (r: ReturnType<typeof row>) =>
  `| ${r.name} | ${r.p50.toFixed(0)} | ${r.max.toFixed(0)} | ${r.kilobytes.toFixed(0)} | ${r.statuses} |\n`;

try {
  for (const slug of ["harvest-lunch", "spiced-duck", "saturday-pastries"])
    await post(`/api/dishes/${slug}/plan`, {}).then((r) => r.text());
  const rows: ReturnType<typeof row>[] = [];
  for (const file of files("src/app")) {
    const where = addressOf(file);
    const source = readFileSync(path.join("src/app", file), "utf8");
    const all: Awaited<ReturnType<typeof took>>[] = [];
    if (file.endsWith("page.tsx") || (/GET: /.test(source) && !ENDLESS.test(where))) {
      // The first one warms what is remembered; it counts all the same.
      for (let i = 0; i < times; i++) all.push(await took(where));
      rows.push(row(`GET ${where}`, all));
    }
    for (const method of ["POST", "PUT", "PATCH", "DELETE"] as const) {
      if (!source.includes(`${method}: `) || /\/run$/.test(where)) continue;
      const bad: typeof all = [];
      for (const body of BAD) bad.push(await took(where, { method, body, headers: { "content-type": "application/json" } }));
      rows.push(row(`${method} ${where}, bad`, bad));
    }
  }
  rows.sort((a, b) => b.max - a.max);
  process.stdout.write(`| asked ${times} times | median ms | longest ms | kB | answers |\n| --- | --- | --- | --- | --- |\n`);
  for (const r of rows) process.stdout.write(line(r));
  const document = (await (await fetch(`${url}/api/dishes/harvest-lunch`)).json()) as { dish: { id: string; name: string } };
  for (const [many, from] of [
    [30, 3],
    [300, 30],
  ] as const) {
    for (let n = from; n < many; n++)
      await post("/api/dishes", { ...document, dish: { ...document.dish, id: `copy-${n}`, name: `Copy ${n}` } });
    const all: Awaited<ReturnType<typeof took>>[] = [];
    for (let i = 0; i < times; i++) all.push(await took("/"));
    process.stdout.write(line(row(`Home with ${many} dishes`, all)));
  }
} finally {
  stop();
  process.exit(0);
}

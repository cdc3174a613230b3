// A house that has cooked for years: 100 dishes, 1,000 runs, 200,000 events and entries, 2,000 photographs. How long its lists, a page of the
// notebook and a search take, and with --soak MINUTES how memory goes while it is read and written: ./rondeau bench notebook [--soak 60]
// Starts a server of its own on 127.0.0.1.
import { randomUUID } from "node:crypto";
import { readFileSync, writeFileSync } from "node:fs";
import path from "node:path";
import sharp from "sharp";
import { minutesOf } from "../src/core/time/duration";
import { openDatabase } from "../src/db/open";
import { keepPhotograph } from "../src/db/photographs";
import { demoServer, startDirectory, wait } from "./server";

const [DISHES, RUNS, EVENTS, PHOTOGRAPHS] = [100, 1000, 200_000, 2000];
const soak = process.argv.includes("--soak") ? Number(process.argv[process.argv.indexOf("--soak") + 1]) : 0;
const REPEATS = 9;
const PORT = 4397;
/** Between two rounds of a soak: somebody reads. */
const PAUSE_MS = 500;
const WORDS = "crust pale salt sharper longer softer glaze thicker oven shelf lower rest chill sour sweet crisp".split(" ");
const DAY = 86_400_000;

type Step = { id: string; time?: string | { likely: string } };
type File = { dish: Record<string, unknown>; components: { id: string; methods: { steps: Step[] }[] }[] };
const lunch = JSON.parse(readFileSync("demo/harvest-lunch.json", "utf8")) as File;
/** Every step of the first ways of making, and how long it is to take in minutes. */
const lengths = lunch.components.flatMap((c) =>
  (c.methods[0]?.steps ?? []).map((s) => ({ step: `${c.id}.${s.id}`, minutes: likelyOf(s.time) })),
);
const steps = lengths.map((t) => t.step);
const words = (i: number) => Array.from({ length: 6 }, (_, k) => WORDS[(i * 7 + k * 5 + ((i * k) % 11)) % WORDS.length]).join(" ");

function likelyOf(time: Step["time"]): number {
  return minutesOf(typeof time === "string" ? time : (time?.likely ?? "10m"));
}

/** A small picture of its own; what follows the end of a JPEG is not looked at. */
async function pictures(directory: string): Promise<string[]> {
  const base = await sharp({
    create: { width: 1600, height: 1200, channels: 3, background: "#8a5a3c", noise: { type: "gaussian", mean: 128, sigma: 30 } },
  })
    .jpeg({ quality: 70 })
    .toBuffer();
  return Array.from({ length: PHOTOGRAPHS }, (_, i) => keepPhotograph(directory, Buffer.concat([base, Buffer.from(`picture ${i}`)])));
}

/** Writes the years into a directory that a server has made and left. */
async function fill(directory: string): Promise<string[]> {
  const db = await openDatabase({ directory, migrations: "src/db/migrations" });
  const sums = await pictures(directory);
  const [{ kitchen_id: kitchen }] = (await db.query("select kitchen_id from dish limit 1")) as [{ kitchen_id: string }];
  const perRun = EVENTS / RUNS;
  const runs: string[] = [];
  for (let d = 0; d < DISHES; d++) {
    const document = { ...lunch, dish: { ...lunch.dish, id: `dish-${d}`, name: `Lunch ${d}` } };
    const [{ id: dish }] = (await db.query(
      "insert into dish (slug, name, version, document, kitchen_id) values ($1, $2, 1, $3::jsonb, $4) returning id",
      [`dish-${d}`, `Lunch ${d}`, JSON.stringify(document), kitchen],
    )) as [{ id: string }];
    await db.query("insert into dish_history (dish_id, version, document, change) values ($1, 1, $2::jsonb, 'made')", [
      dish,
      JSON.stringify(document),
    ]);
    for (let r = 0; r < RUNS / DISHES; r++) {
      const n = d * (RUNS / DISHES) + r;
      const from = Date.UTC(2026, 10, 20) - n * DAY;
      const run = randomUUID();
      runs.push(run);
      await db.query("insert into run (id, dish_id, started_at, ended_at) values ($1, $2, $3, $4)", [
        run,
        dish,
        new Date(from),
        new Date(from + 2 * DAY),
      ]);
      // A cook who is a little slower or faster each time.
      const pace = 0.9 + 0.03 * (n % 7);
      const events = lengths.flatMap(({ step, minutes }, i) => [
        { sequence: 2 * i + 1, key: randomUUID(), kind: "started", step, at: new Date(from + i * 1_200_000) },
        {
          sequence: 2 * i + 2,
          key: randomUUID(),
          kind: "ended",
          step,
          at: new Date(from + i * 1_200_000 + Math.round(minutes * pace) * 60_000),
        },
      ]);
      await db.query(
        `insert into run_event (run_id, sequence, key, kind, step, at)
         select $1, * from jsonb_to_recordset($2::jsonb) as x (sequence int, key uuid, kind text, step text, at timestamptz)`,
        [run, JSON.stringify(events)],
      );
      const step = (i: number) => steps[i % steps.length];
      const photographs = Array.from({ length: PHOTOGRAPHS / RUNS }, (_, i) => ({
        kind: "photograph",
        step: step(i),
        data: { sum: sums[n * (PHOTOGRAPHS / RUNS) + i], width: 1600, height: 1200 },
      }));
      const notes = Array.from({ length: 8 }, (_, i) => ({ kind: "note", step: step(n + i), data: { text: words(n * 8 + i) } }));
      const readings = Array.from({ length: Math.max(0, perRun - events.length - 8 - photographs.length) }, (_, i) => ({
        kind: "reading",
        step: step(Math.floor(i / 20)),
        data: { quantity: "core", value: 20 + (i % 60) },
      }));
      const entries = [...notes, ...photographs, ...readings].map((e, i) => ({
        ...e,
        key: randomUUID(),
        at: new Date(from + i * 600_000),
      }));
      await db.query(
        `insert into record_entry (dish_id, run_id, key, kind, step, at, data, recorded_at)
         select $1, $2, key, kind, step, at, data, at from jsonb_to_recordset($3::jsonb) as x (key uuid, kind text, step text, at timestamptz, data jsonb)`,
        [dish, run, JSON.stringify(entries)],
      );
    }
    if (d % 10 === 9) process.stderr.write(`${d + 1} dishes written\n`);
  }
  await db.query("analyze");
  const counted = await db.query(
    "select (select count(*) from run_event)::int as presses, (select count(*) from record_entry)::int as entries, (select count(*) from run)::int as runs",
  );
  process.stdout.write(`${JSON.stringify(counted[0])}, ${DISHES} dishes, ${PHOTOGRAPHS} photographs\n`);
  await db.close();
  return runs;
}

const first = await demoServer(PORT, { RONDEAU_DEMO: "0" });
await (await first.post("/api/dishes", lunch)).text();
const directory = await first.leave();
const runs = await fill(directory);
const { url, post, stop, pid } = await startDirectory(PORT, directory, { RONDEAU_DEMO: "0" });
const residentMb = () => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, "utf8"))?.[1] ?? 0) / 1024;

async function timed(name: string, where: (n: number) => string): Promise<void> {
  const took: number[] = [];
  let size = 0;
  await (await fetch(url + where(0))).text();
  for (let n = 1; n <= REPEATS; n++) {
    const from = performance.now();
    const answer = await fetch(url + where(n));
    size = (await answer.arrayBuffer()).byteLength;
    took.push(performance.now() - from);
    if (!answer.ok) throw new Error(`${where(n)}: ${answer.status}`);
  }
  took.sort((a, b) => a - b);
  process.stdout.write(
    `${name.padEnd(34)} median ${(took[REPEATS >> 1] ?? 0).toFixed(0)} ms, worst ${(took.at(-1) ?? 0).toFixed(0)} ms, ${(size / 1000).toFixed(0)} kB\n`,
  );
}

/** @throws Error that names the page, where it is not there within a minute */
async function pageOf(where: string): Promise<void> {
  try {
    await (await fetch(url + where, { signal: AbortSignal.timeout(60_000) })).arrayBuffer();
  } catch (error) {
    throw new Error(`no answer: ${where}`, { cause: error });
  }
}

/** How long a backup takes, and how long the list of the notebook is waited for meanwhile. */
async function whileBackingUp(): Promise<void> {
  const from = performance.now();
  const backup = post("/api/backup", {}).then((r) => r.arrayBuffer());
  let [done, longest] = [false, 0];
  const ended = backup.finally(() => {
    done = true;
  });
  while (!done) {
    const asked = performance.now();
    await pageOf("/notebook");
    longest = Math.max(longest, performance.now() - asked);
    await wait(PAUSE_MS);
  }
  await ended;
  process.stdout.write(
    `a backup took ${((performance.now() - from) / 1000).toFixed(1)} s; a page was waited for at most ${longest.toFixed(0)} ms\n`,
  );
}

/** Reads and writes as a house does, and tells the memory of the server once a minute. */
async function soaked(minutes: number): Promise<void> {
  const told = path.join("test-results", "soak.txt");
  const until = Date.now() + minutes * 60_000;
  let [n, asked] = [0, Date.now()];
  while (Date.now() < until) {
    const run = runs[(n * 37) % runs.length];
    const slug = `dish-${Math.floor(((n * 37) % runs.length) / (RUNS / DISHES))}`;
    for (const where of ["/", "/notebook", `/notebook?q=${WORDS[n % WORDS.length]}`, `/notebook/${run}`, "/larder", `/d/${slug}`])
      await pageOf(where);
    const body = { kind: "note", step: steps[n % steps.length], text: words(n) };
    const answer = await post(`/api/dishes/${slug}/entries`, { run, entries: [{ key: randomUUID(), body }] });
    if (!answer.ok) throw new Error(await answer.text());
    n++;
    await wait(PAUSE_MS);
    if (Date.now() - asked < 60_000) continue;
    asked = Date.now();
    const line = `${((minutes * 60_000 - (until - asked)) / 60_000).toFixed(0)} min, ${n * 6} pages and ${n} notes: ${residentMb().toFixed(0)} MB`;
    process.stdout.write(`${line}\n`);
    writeFileSync(told, `${line}\n`, { flag: "a" });
  }
}

try {
  await timed("Home", () => "/");
  await timed("Notebook, its list", () => "/notebook");
  await timed("Larder", () => "/larder");
  await timed("Shopping", () => "/shopping");
  await timed("a page of the notebook", (n) => `/notebook/${runs[n * 97]}`);
  await timed("search: a word in many notes", (n) => `/notebook?q=${WORDS[n % WORDS.length]}`);
  await timed("search: three words together", (n) => `/notebook?q=${WORDS[n % 8]}+${WORDS[(n + 3) % 16]}+thicker`);
  await timed("search: a word that nobody wrote", (n) => `/notebook?q=quince${n}`);
  await whileBackingUp();
  process.stdout.write(`memory ${residentMb().toFixed(0)} MB\n`);
  if (soak > 0) await soaked(soak);
} finally {
  stop();
}

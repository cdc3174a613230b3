// Dragging on the chart, measured with the browser's own tracing: ./rondeau bench drag [SLUG or dish file].
// A server of its own on an empty directory, Debian's Chromium without a screen, the pointer moved 60 times a second.
import { spawn } from "node:child_process";
import { mkdtempSync, readFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { chromium, type Page } from "@playwright/test";

const PORT = 4790;
const URL = `http://127.0.0.1:${PORT}`;
const SECONDS_A_DRAG = 4;
const [target = "harvest-lunch", wanted = "4"] = process.argv.slice(2);

const server = spawn(process.execPath, ["node_modules/next/dist/bin/next", "start", "-p", String(PORT), "-H", "127.0.0.1"], {
  stdio: "ignore",
  env: {
    ...process.env,
    NODE_ENV: "production",
    RONDEAU_DATA_DIR: mkdtempSync(path.join(tmpdir(), "rondeau-bench-")),
    RONDEAU_DEMO: "1",
    RONDEAU_CLOCK: "manual",
    RONDEAU_NOW: "2026-11-25T19:00:00Z",
  },
});
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
const at = (list: readonly number[], q: number) =>
  [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(q * list.length))] ?? Number.NaN;

interface TraceEvent {
  readonly name: string;
  readonly ts: number;
  readonly dur?: number;
  readonly ph: string;
  readonly pid?: number;
  readonly tid?: number;
  readonly args?: { readonly name?: string };
}

/** Draws of a page while a pointer swings about, from Chromium's trace. */
async function trace(page: Page, work: () => Promise<void>): Promise<TraceEvent[]> {
  const session = await page.context().newCDPSession(page);
  const events: TraceEvent[] = [];
  session.on("Tracing.dataCollected", ({ value }) => {
    events.push(...(value as unknown as TraceEvent[]));
  });
  await session.send("Tracing.start", {
    transferMode: "ReportEvents",
    traceConfig: {
      includedCategories: [
        "devtools.timeline",
        "disabled-by-default-devtools.timeline",
        "toplevel",
        "__metadata",
        "disabled-by-default-devtools.timeline.frame",
      ],
    },
  });
  await work();
  const done = new Promise((resolve) => session.once("Tracing.tracingComplete", resolve));
  await session.send("Tracing.end");
  await done;
  return events;
}

async function main() {
  for (
    let tries = 0;
    tries < 300 &&
    !(await fetch(URL).then(
      (r) => r.ok,
      () => false,
    ));
    tries++
  )
    await pause(200);
  let slug = target;
  if (target.endsWith(".json")) {
    const answer = await fetch(`${URL}/api/dishes`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: readFileSync(target),
    });
    slug = (await answer.json()).value.slug;
    await (
      await fetch(`${URL}/api/dishes/${slug}/plan`, { method: "POST", headers: { "content-type": "application/json" }, body: "{}" })
    ).text();
  }
  for (let tries = 0; tries < 300; tries++) {
    const plan = await fetch(`${URL}/api/dishes/${slug}/plan`).then((r) => (r.ok ? r.json() : undefined));
    if (plan?.rehearsed) break;
    await pause(300);
  }
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM_PATH ?? "/usr/bin/chromium",
    args: ["--no-sandbox", "--disable-gpu"],
  });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${URL}/d/${slug}/timetable`, { waitUntil: "networkidle" });
  const refs = await page.locator("[data-step]").evaluateAll((all) => all.map((e) => e.getAttribute("data-step") as string));
  const chosen = Array.from({ length: Number(wanted) }, (_, i) => refs[Math.floor(((i + 0.5) / Number(wanted)) * refs.length)] as string);
  const rows: Record<string, string | number>[] = [];
  for (const ref of chosen) {
    const box = await page.locator(`[data-step="${ref}"]`).boundingBox();
    if (!box) continue;
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x + 6, y);
    await pause(1200);
    await page.evaluate(() => performance.clearMeasures("rondeau drag"));
    // Moved inside the page: 60 a second, whatever the line to the driver does meanwhile; to and fro at one speed, two pixels a frame, since
    // a frame in which nothing moved is not drawn and would not be counted.
    const events = await trace(page, () =>
      page.evaluate(
        ([x0, y0, seconds, swing]) =>
          new Promise<void>((resolve) => {
            const svg = document.querySelector("svg[role=application]") as SVGElement;
            const began = performance.now();
            const timer = setInterval(() => {
              const t = (performance.now() - began) / 1000;
              const clientX = (x0 as number) + (swing as number) * (Math.abs(((((2 * t + 1) % 4) + 4) % 4) - 2) - 1);
              svg.dispatchEvent(
                new PointerEvent("pointermove", { pointerId: 1, pointerType: "mouse", clientX, clientY: y0 as number, bubbles: true }),
              );
              if (t > (seconds as number)) {
                clearInterval(timer);
                resolve();
              }
            }, 1000 / 60);
          }),
        [x, y, SECONDS_A_DRAG, Number(process.env.SWING ?? 70)] as const,
      ),
    );
    if (process.env.SPENT) {
      const spent = new Map<string, [number, number]>();
      for (const e of events)
        if (e.ph === "X" && e.dur) spent.set(e.name, [(spent.get(e.name)?.[0] ?? 0) + e.dur / 1000, (spent.get(e.name)?.[1] ?? 0) + 1]);
      console.log(
        [...spent]
          .sort((a, b) => b[1][0] - a[1][0])
          .slice(0, 14)
          .map(([n, [ms, c]]) => `${n} ${ms.toFixed(0)} ms in ${c}`)
          .join("; "),
      );
    }
    const answers = await page.evaluate(() => performance.getEntriesByName("rondeau drag").map((e) => e.duration));
    const draws = events
      .filter((e) => e.name === "DrawFrame")
      .map((e) => e.ts / 1000)
      .sort((a, b) => a - b);
    const gaps = draws.slice(1).map((t, i) => t - (draws[i] as number));
    const span = ((draws.at(-1) ?? 0) - (draws[0] ?? 0)) / 1000;
    if (process.env.SPENT) {
      const threads = new Map<string, number>();
      const names = new Map(events.filter((e) => e.name === "thread_name").map((e) => [`${e.pid}.${e.tid}`, String(e.args?.name)]));
      for (const e of events)
        if (e.name === "RunTask" || e.name === "ThreadControllerImpl::RunTask")
          threads.set(
            names.get(`${e.pid}.${e.tid}`) ?? "?",
            (threads.get(names.get(`${e.pid}.${e.tid}`) ?? "?") ?? 0) + (e.dur ?? 0) / 1000,
          );
      console.log(
        [...threads]
          .sort((a, b) => b[1] - a[1])
          .slice(0, 8)
          .map(([n, ms]) => `${n} ${ms.toFixed(0)}`)
          .join("; "),
      );
    }
    const tasks = events.filter((e) => e.name === "RunTask" && (e.dur ?? 0) > 0).map((e) => (e.dur as number) / 1000);
    rows.push({
      step: ref,
      "frames a second": Number(((draws.length - 1) / span).toFixed(1)),
      "frame p95 ms": Number(at(gaps, 0.95).toFixed(1)),
      "longest frame ms": Number(Math.max(...gaps).toFixed(1)),
      "longest task ms": Number(Math.max(...tasks).toFixed(1)),
      answers: answers.length,
      "answer p50 ms": Number(at(answers, 0.5).toFixed(1)),
      "answer p95 ms": Number(at(answers, 0.95).toFixed(1)),
    });
    await page.evaluate(() =>
      document.querySelector("svg[role=application]")?.dispatchEvent(new PointerEvent("pointercancel", { pointerId: 1, bubbles: true })),
    );
    await page.mouse.up();
    await pause(800);
  }
  console.log(`Dragging on ${slug} (${refs.length} steps), ${SECONDS_A_DRAG} s each, traced by ${browser.version()}`);
  console.table(rows);
  await browser.close();
}

main().finally(() => server.kill());

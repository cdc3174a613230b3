// Twenty devices at one reading a second: how long a press is waited for, and how much memory and disk they take: ./rondeau bench devices [SECONDS].
// Starts a server of its own on 127.0.0.1, with its clock running on.
import { execFileSync } from "node:child_process";
import { readFileSync } from "node:fs";
import { demoServer, startRun, wait } from "./server";

const seconds = Number(process.argv[2] ?? 180);
const DEVICES = 20;
const PRESS_EVERY = 5;
const { url, post, stop, directory, pid } = await demoServer(4396, { RONDEAU_NOW: "2026-11-30T18:30:00Z" });

const residentMb = () => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, "utf8"))?.[1] ?? 0) / 1024;
const diskKb = () => Number(execFileSync("du", ["-sk", directory], { encoding: "utf8" }).split(/\s/)[0]);

try {
  const slug = "harvest-lunch";
  await startRun(url, post, slug);
  const plan = (await (await fetch(`${url}/api/dishes/${slug}/plan`)).json()) as { steps: { step: string }[] };
  const names = Array.from({ length: DEVICES }, (_, i) => `bench-${i + 1}`);
  await post(`/api/dishes/${slug}/entries`, {
    entries: names.map((device, i) => ({
      key: crypto.randomUUID(),
      body: { kind: "device", step: plan.steps[i % plan.steps.length]?.step, device, on: true },
    })),
  });
  await wait(3000);
  const [memory, disk] = [residentMb(), diskKb()];
  const took: number[] = [];
  for (let second = 0; second < seconds; second++) {
    const began = performance.now();
    // Each at its own moment of the second: devices know nothing of each other.
    const sending = names.map(async (device, i) => {
      await wait((i * 1000) / DEVICES);
      return post("/api/devices", {
        device,
        quantity: "temperature",
        value: 20 + i + Math.sin(second / 30),
        at: new Date().toISOString(),
      }).then((r) => r.text());
    });
    await wait(Math.random() * 900);
    if (second % PRESS_EVERY === 0) {
      const step = plan.steps[((second / PRESS_EVERY / 2) % plan.steps.length) | 0]?.step;
      const pressed = performance.now();
      const kind = (second / PRESS_EVERY) % 2 ? "ended" : "started";
      const answer = await post(`/api/dishes/${slug}/events`, { key: crypto.randomUUID(), kind, step });
      took.push(performance.now() - pressed);
      if (!answer.ok) throw new Error(await answer.text());
    }
    await Promise.all(sending);
    await wait(Math.max(0, 1000 - (performance.now() - began)));
  }
  took.sort((a, b) => a - b);
  const at = (q: number) => (took[Math.min(took.length - 1, Math.floor(q * took.length))] ?? 0).toFixed(0);
  process.stdout.write(
    `${DEVICES} devices at one a second over ${seconds} s: ${took.length} presses, p50 ${at(0.5)} ms, p95 ${at(0.95)} ms, max ${at(1)} ms; memory ${memory.toFixed(0)} to ${residentMb().toFixed(0)} MB; disk ${disk} to ${diskKb()} kB\n`,
  );
} finally {
  stop();
  process.exit(0);
}

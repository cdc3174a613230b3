// How long a press is waited for while the planner has both cores: ./rondeau bench presses [PRESSES]. Starts a server of its own on 127.0.0.1.
import { demoServer, startRun, wait } from "./server";

const count = Number(process.argv[2] ?? 80);
const { url, post, stop } = await demoServer(4395, { RONDEAU_CLOCK: "manual", RONDEAU_NOW: "2026-11-25T19:00:00Z" });

try {
  const slug = "harvest-lunch";
  await startRun(url, post, slug);
  let busy = true;
  const load = ["spiced-duck", "saturday-pastries"].map(async (other) => {
    while (busy) await post(`/api/dishes/${other}/plan`, { fresh: true }).then((r) => r.text());
  });
  const plan = (await (await fetch(`${url}/api/dishes/${slug}/plan`)).json()) as { steps: { step: string; start: string }[] };
  const took: number[] = [];
  for (let i = 0; i < count; i++) {
    const step = plan.steps[(i >> 1) % plan.steps.length] as { step: string; start: string };
    if (i % 2 === 0) await post("/api/clock", { now: new Date(step.start).toISOString() });
    const began = performance.now();
    const answer = await post(`/api/dishes/${slug}/events`, {
      key: crypto.randomUUID(),
      kind: i % 2 ? "ended" : "started",
      step: step.step,
    });
    took.push(performance.now() - began);
    if (!answer.ok) throw new Error(await answer.text());
    await wait(600);
  }
  busy = false;
  took.sort((a, b) => a - b);
  const at = (q: number) => (took[Math.min(took.length - 1, Math.floor(q * took.length))] ?? 0).toFixed(0);
  process.stdout.write(
    `${count} presses while the planner works on two other dishes: p50 ${at(0.5)} ms, p95 ${at(0.95)} ms, max ${at(1)} ms\n`,
  );
  await Promise.race([Promise.all(load), wait(15_000)]);
} finally {
  stop();
  process.exit(0);
}

// Threads that plan: one that has answered takes the next question, and none that is stopped or lost keeps anybody waiting.
import type { Worker as NodeWorker } from "node:worker_threads";
import { afterAll, expect, test, vi } from "vitest";
import type { PlanTask } from "../../src/workers/plan-task";

const { threads } = vi.hoisted(() => ({ threads: [] as NodeWorker[] }));
/** In place of the planner: what it does stands in the task, and its answer says which thread it was. */
const SCRIPT = `
  const { parentPort, threadId } = require("node:worker_threads");
  const answer = () => parentPort.postMessage({ answer: { status: "feasible", file: threadId } });
  parentPort.on("message", ({ task, flag }) => {
    const stopped = new Int32Array(flag);
    if (task.does === "dies") process.exit(1);
    if (task.does === "fails") return parentPort.postMessage({ failed: new Error("no such dish") });
    if (task.does === "tells") parentPort.postMessage({ progress: { round: 1 } });
    if (task.does === "waits") Atomics.wait(stopped, 0, 0, 50), setTimeout(function look() { Atomics.load(stopped, 0) === 1 ? answer() : setTimeout(look, 5); });
    else if (task.does === "is deaf") for (;;);
    else answer();
  });`;
vi.mock("node:worker_threads", async (original) => {
  const real = await original<typeof import("node:worker_threads")>();
  class Scripted extends real.Worker {
    constructor() {
      super(SCRIPT, { eval: true });
      threads.push(this);
    }
  }
  return { ...real, Worker: Scripted };
});
afterAll(() => Promise.all(threads.map((t) => t.terminate())));

const { inThread } = await import("../../src/server/planner-thread");
const ask = async (does: string, signal?: AbortSignal, progress?: (p: unknown) => void): Promise<number> => {
  const answer = await inThread({ does } as unknown as PlanTask, progress ? { progress } : {}, signal);
  return (answer as unknown as { file: number }).file;
};

test("one that has answered takes the next question, and tells of it to whoever asked", async () => {
  const told: unknown[] = [];
  const first = await ask("tells", undefined, (p) => told.push(p));
  expect(await ask("answers")).toBe(first);
  expect(told).toEqual([{ round: 1 }]);
});

test("questions at once each have one of their own; two of them stay", async () => {
  const stop = new AbortController();
  const three = [1, 2, 3].map(() => ask("waits", stop.signal));
  setTimeout(() => stop.abort(), 100);
  const used = await Promise.all(three);
  expect(new Set(used).size).toBe(3);
  const before = threads.length;
  const again = new AbortController();
  const two = [1, 2].map(() => ask("waits", again.signal));
  setTimeout(() => again.abort(), 100);
  for (const thread of await Promise.all(two)) expect(used).toContain(thread);
  expect(threads.length).toBe(before);
});

test("one that is stopped answers with what it has, and is kept; a planner's error is told, and the thread goes on", async () => {
  const stopped = AbortSignal.abort();
  const thread = await ask("waits", stopped);
  await expect(ask("fails")).rejects.toThrow("no such dish");
  expect(await ask("answers")).toBe(thread);
});

test("one that does not listen is ended after it was stopped; the next question has another", async () => {
  const before = await ask("answers");
  await expect(ask("is deaf", AbortSignal.abort())).rejects.toThrow("ended without an answer");
  const after = await ask("answers");
  expect(after).not.toBe(before);
});

test("one that dies is told of, and not asked again", async () => {
  const before = await ask("answers");
  await expect(ask("dies")).rejects.toThrow("ended without an answer");
  expect(await ask("answers")).not.toBe(before);
});

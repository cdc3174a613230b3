// Planning in a worker thread of the server: a thin shell around the core. A shared flag stops it from outside.
import { readlinkSync } from "node:fs";
import { setPriority } from "node:os";
import { parentPort, workerData } from "node:worker_threads";
import { PlanTask, runPlanTask } from "./plan-task";

/** Planning gives way to whoever is pressing: on Linux a thread has a priority of its own. */
const POLITE = 10;
try {
  setPriority(Number(readlinkSync("/proc/thread-self").split("/").at(-1)), POLITE);
} catch {
  // Elsewhere it plans at the server's own priority.
}

const { task, flag } = workerData as { task: unknown; flag: SharedArrayBuffer };
const stopped = new Int32Array(flag);
const answer = runPlanTask(
  PlanTask.parse(task),
  () => Atomics.load(stopped, 0) === 1,
  (progress) => parentPort?.postMessage({ progress }),
  (words) => parentPort?.postMessage({ words }),
);
parentPort?.postMessage({ answer });

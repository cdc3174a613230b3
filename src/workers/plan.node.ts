// Planning in a worker thread of the server: a thin shell around the core, one question after the other. A shared flag stops it from outside.
import { readlinkSync } from "node:fs";
import { setPriority } from "node:os";
import { parentPort } from "node:worker_threads";
import { type PlanTask, runPlanTask } from "./plan-task";

/** Planning gives way to whoever is pressing: on Linux a thread has a priority of its own. */
const POLITE = 10;
try {
  setPriority(Number(readlinkSync("/proc/thread-self").split("/").at(-1)), POLITE);
} catch {
  // Elsewhere it plans at the server's own priority.
}

/** A question comes from the server itself, which has read its dish and plan: it is not checked once more. */
parentPort?.on("message", ({ task, flag }: { readonly task: PlanTask; readonly flag: SharedArrayBuffer }) => {
  const stopped = new Int32Array(flag);
  try {
    const answer = runPlanTask(
      task,
      () => Atomics.load(stopped, 0) === 1,
      (progress) => parentPort?.postMessage({ progress }),
      (words) => parentPort?.postMessage({ words }),
    );
    parentPort?.postMessage({ answer });
  } catch (failed) {
    parentPort?.postMessage({ failed });
  }
});

// Planning in a worker thread of the server: a thin shell around the core. A shared flag stops it from outside.
import { parentPort, workerData } from "node:worker_threads";
import { PlanTask, runPlanTask } from "./plan-task";

const { task, flag } = workerData as { task: unknown; flag: SharedArrayBuffer };
const stopped = new Int32Array(flag);
const answer = runPlanTask(
  PlanTask.parse(task),
  () => Atomics.load(stopped, 0) === 1,
  (progress) => parentPort?.postMessage({ progress }),
);
parentPort?.postMessage({ answer });

import "server-only";
// The planner off the main thread. A thread that has answered is kept for the next question: starting one and loading the planner takes
// longer than planning again near a plan.
import { Worker } from "node:worker_threads";
import type { Progress } from "../core/planner";
import type { PlanAnswer, PlanTask } from "../workers/plan-task";

interface Told {
  readonly progress?: (p: Progress) => void;
  /** Why there is none, before what would help is known. */
  readonly words?: (answer: PlanAnswer) => void;
}

interface Message {
  readonly progress?: Progress;
  readonly words?: PlanAnswer;
  readonly answer?: PlanAnswer;
  readonly failed?: unknown;
}

/** A thread that was stopped and has not answered after so long is ended. */
const LAST_WORD_MS = 2_000;
/** As many threads wait for the next question as dishes are planned at once in a usual house; one that nobody asks ends after a while. */
const MOST_WAITING = 2;
const WAITS_MS = 60_000;

const waiting: PlannerThread[] = [];

/** One thread, and the question that it works on. */
class PlannerThread {
  readonly #worker = new Worker(new URL("../workers/plan.node.ts", import.meta.url));
  #hear: ((message: Message) => void) | undefined;
  #fail: ((error: unknown) => void) | undefined;
  #rest: ReturnType<typeof setTimeout> | undefined;

  constructor() {
    this.#worker.on("message", (message: Message) => this.#hear?.(message));
    this.#worker.on("error", (error) => this.#gone(error));
    this.#worker.on("exit", () => this.#gone(new Error("planning: the worker ended without an answer")));
  }

  ask(task: PlanTask, tell: Told, flag: SharedArrayBuffer): Promise<PlanAnswer> {
    clearTimeout(this.#rest);
    this.#worker.ref();
    return new Promise((resolve, reject) => {
      this.#fail = reject;
      this.#hear = ({ progress, words, answer, failed }) => {
        if (progress) tell.progress?.(progress);
        if (words) tell.words?.(words);
        if (answer) resolve(answer);
        if (failed) reject(failed);
        if (answer || failed) this.#wait();
      };
      this.#worker.postMessage({ task, flag });
    });
  }

  end(): void {
    this.#leave();
    void this.#worker.terminate();
  }

  /** Nobody asks it any more. */
  #leave(): void {
    clearTimeout(this.#rest);
    const at = waiting.indexOf(this);
    if (at >= 0) waiting.splice(at, 1);
  }

  /** Neither the thread nor its clock keeps the server from ending. */
  #wait(): void {
    this.#hear = this.#fail = undefined;
    if (waiting.length >= MOST_WAITING) return this.end();
    this.#worker.unref();
    this.#rest = setTimeout(() => this.end(), WAITS_MS).unref();
    waiting.push(this);
  }

  #gone(error: unknown): void {
    this.#leave();
    this.#fail?.(error);
    this.#hear = this.#fail = undefined;
  }
}

/** Runs the planner in a thread of its own. Aborting the signal ends it with the best plan so far, or without one where it does not answer. */
export async function inThread(task: PlanTask, tell: Told, signal?: AbortSignal): Promise<PlanAnswer> {
  const flag = new SharedArrayBuffer(4);
  const thread = waiting.pop() ?? new PlannerThread();
  let patience: ReturnType<typeof setTimeout> | undefined;
  const stop = () => {
    Atomics.store(new Int32Array(flag), 0, 1);
    patience ??= setTimeout(() => thread.end(), LAST_WORD_MS);
  };
  signal?.addEventListener("abort", stop);
  if (signal?.aborted) stop();
  try {
    return await thread.ask(task, tell, flag);
  } finally {
    clearTimeout(patience);
    signal?.removeEventListener("abort", stop);
  }
}

// The planner in the page: two web workers over one scene. One answers while something is dragged; the other takes the long questions, and
// is thrown away and made anew when a question is given up.

import { proxy, type Remote, wrap } from "comlink";
import type { Progress } from "@/core/planner";
import { DESK } from "@/words/planning";
import type { PlanShell } from "@/workers/plan.web";
import type { Tried } from "@/workers/plan-desk";

class Seat {
  #worker: Worker | undefined;
  #shell: Promise<Remote<PlanShell>> | undefined;

  constructor(readonly scene: () => Promise<unknown>) {}

  shell(): Promise<Remote<PlanShell>> {
    this.#shell ??= this.#open();
    return this.#shell;
  }

  async #open(): Promise<Remote<PlanShell>> {
    const worker = new Worker(new URL("../../workers/plan.web.ts", import.meta.url), { type: "module" });
    this.#worker = worker;
    const broken = new Promise<never>((_, reject) => {
      worker.onerror = (event) => reject(new Error(event.message || DESK.thePlannerCouldNotBe));
    });
    const shell = wrap<PlanShell>(worker);
    await Promise.race([shell.open(await this.scene()), broken]);
    return shell;
  }

  close(): void {
    this.#worker?.terminate();
    this.#worker = undefined;
    this.#shell = undefined;
  }
}

export class Desk {
  #scene: Promise<unknown> | undefined;
  readonly #hand: Seat;
  readonly #mind: Seat;

  constructor(slug: string) {
    const scene = () => {
      this.#scene ??= fetch(`/api/dishes/${slug}/scene`).then((answer) => {
        if (!answer.ok) throw new Error(DESK.theKitchensServerDoesNot);
        return answer.json();
      });
      return this.#scene;
    };
    this.#hand = new Seat(scene);
    this.#mind = new Seat(scene);
  }

  /** For what is being dragged. */
  hand(): Promise<Remote<PlanShell>> {
    return this.#hand.shell();
  }

  /** For what takes longer. */
  mind(): Promise<Remote<PlanShell>> {
    return this.#mind.shell();
  }

  /** Ends what is being thought about. */
  giveUp(): void {
    this.#mind.close();
  }

  close(): void {
    this.#hand.close();
    this.#mind.close();
  }
}

export const wordsOf = (tell: (tried: Tried) => void) => proxy(tell);
export const listener = <T>(tell: (value: T) => void) => proxy(tell);
export const progressOf = (tell: (progress: Progress) => void) => proxy(tell);

"use client";
// Something tried on the plan: planned in the page, looked at on the chart, and kept or left. Nothing changes before it is kept.
import type { Remote } from "comlink";
import { useRouter } from "next/navigation";
import { useCallback, useEffect, useRef, useState } from "react";
import { toast } from "sonner";
import type { PatchOperation } from "@/core/dish/patch";
import { USE_TRIAL } from "@/words/planning";
import type { PlanShell } from "@/workers/plan.web";
import type { Tried } from "@/workers/plan-desk";
import { ask, reason } from "../shell/ask";
import { type Desk, progressOf, wordsOf } from "./desk";

export type Ready = Extract<Tried, { status: "ready" }>;
type Refused = Extract<Tried, { status: "refused" }>;

/** `auto`: kept as soon as there is a plan, so that there is nothing to look at and choose. */
export type Trial =
  | { readonly status: "working"; readonly label: string; readonly done: number | undefined; readonly auto: boolean }
  | (Ready & { readonly label: string; readonly keeping: boolean; readonly auto: boolean })
  | { readonly status: "failed"; readonly label: string; readonly because: string };

/** A change that gives no plan, with why and what would help. Its repairs can be tried one after another. */
export type Problem = Refused & { readonly label: string };

export type Ask = (shell: Remote<PlanShell>, tell: (done: number) => void) => Promise<Tried>;

export interface How {
  readonly keep?: boolean;
  /** It is a way out of the problem shown, which stays beside it. */
  readonly repair?: boolean;
}

export interface Trials {
  readonly trial: Trial | undefined;
  readonly problem: Problem | undefined;
  /** Tries a change. With `keep` it is kept as soon as there is a plan. */
  readonly attempt: (label: string, change: readonly PatchOperation[] | Ask, how?: How) => Promise<void>;
  readonly keep: () => Promise<void>;
  readonly leave: () => void;
}

/** The versions of dish and kitchen in a stamp: what a change was made for. */
const documentOf = (stamp: string) => stamp.split(".", 2).join(".");

const kitchenOf = (stamp: string) => Number(stamp.split(".")[1]);

/** @param stamp what is shown belongs to the dish at this stamp: with another one a trial is over */
export function useTrial(slug: string, version: number, stamp: string, desk: () => Desk): Trials {
  const router = useRouter();
  const [trial, setTrial] = useState<Trial>();
  const [problem, setProblem] = useState<Problem>();
  const turn = useRef(0);
  /** What is being tried or looked at, to be tried once more where only the plan has changed beneath it. */
  const asked = useRef<{ readonly again: () => Promise<void>; readonly document: string }>(undefined);

  const store = useCallback(
    async (label: string, ready: Ready, auto: boolean) => {
      const mine = turn.current;
      asked.current = undefined;
      setTrial({ ...ready, label, keeping: true, auto });
      const kitchenVersion = kitchenOf(stamp);
      const got = await ask(`/api/dishes/${slug}/change`, "POST", {
        version,
        kitchenVersion,
        change: ready.change,
        label,
        plan: ready.file,
      });
      if (turn.current !== mine) return;
      if (!got.ok) setTrial({ status: "failed", label, because: reason(got) });
      else toast(USE_TRIAL.savedCtrlZUndoesIt(label));
      router.refresh();
    },
    [slug, version, stamp, router],
  );

  const attempt = useCallback<Trials["attempt"]>(
    async (label, change, how = {}) => {
      const mine = ++turn.current;
      const current = () => turn.current === mine;
      const auto = how.keep === true;
      asked.current = { again: () => attempt(label, change, how), document: documentOf(stamp) };
      setTrial({ status: "working", label, done: undefined, auto });
      if (!how.repair) setProblem(undefined);
      const tell = (done: number) => current() && setTrial({ status: "working", label, done, auto });
      try {
        const shell = await desk().mind();
        const tried =
          typeof change === "function"
            ? await change(shell, tell)
            : ((await shell.try(
                change,
                progressOf((p) => tell(p.done)),
                wordsOf((words) => current() && words.status === "refused" && setProblem({ ...words, label })),
              )) as Tried);
        if (!current()) return;
        if (tried.status === "unfit") setTrial({ status: "failed", label, because: tried.because });
        else if (tried.status === "refused") {
          setTrial(undefined);
          setProblem({ ...tried, label });
        } else if (how.keep) await store(label, tried, true);
        else setTrial({ ...tried, label, keeping: false, auto });
      } catch (error) {
        if (current())
          setTrial({ status: "failed", label, because: error instanceof Error ? error.message : USE_TRIAL.thisCouldNotBeTried });
      }
    },
    [desk, store, stamp],
  );

  // A better plan of the same dish may arrive while something is tried: it is tried again from there. With another dish it is over.
  useEffect(() => {
    const waiting = asked.current;
    turn.current++;
    asked.current = undefined;
    if (waiting?.document === documentOf(stamp)) {
      void waiting.again();
      return;
    }
    setTrial(undefined);
    setProblem(undefined);
  }, [stamp]);

  const keep = useCallback(async () => {
    if (trial?.status === "ready" && !trial.keeping) await store(trial.label, trial, false);
  }, [trial, store]);

  const leave = useCallback(() => {
    if (trial?.status === "working") desk().giveUp();
    turn.current++;
    asked.current = undefined;
    setTrial(undefined);
    // Leaving a way out leads back to the problem; leaving the problem, to the plan.
    if (!trial) setProblem(undefined);
  }, [trial, desk]);

  return { trial, problem, attempt, keep, leave };
}

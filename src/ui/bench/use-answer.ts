"use client";
// A panel's answer as its fields change: at once where that is a matter of a frame, else from a worker, the latest question only.
import { type Remote, wrap } from "comlink";
import { useEffect, useMemo, useRef, useState } from "react";
import { type BenchAnswer, type BenchQuestion, benchAnswer } from "@/core/bench/ask";
import { panelOf } from "@/core/bench/panels";
import type { BenchShell } from "@/workers/bench.web";

/** What takes longer than this says that it works. */
const SLOW_MS = 300;

export function useAnswer(question: BenchQuestion, first: BenchAnswer): { readonly got: BenchAnswer; readonly busy: boolean } {
  const heavy = panelOf(question.panel)?.heavy === true;
  const key = JSON.stringify(question);
  const [late, setLate] = useState({ key, got: first });
  const [busy, setBusy] = useState(false);
  const worker = useRef<Worker>(undefined);
  const shell = useRef<Remote<BenchShell>>(undefined);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the key is the question
  const direct = useMemo(() => (heavy ? undefined : benchAnswer(question)), [key, heavy]);
  const waiting = useRef<{ key: string; question: BenchQuestion }>(undefined);
  const running = useRef(false);

  useEffect(() => {
    if (!heavy || late.key === key) return;
    const inWorker = async (asked: BenchQuestion): Promise<BenchAnswer> => {
      if (!shell.current) {
        worker.current = new Worker(new URL("../../workers/bench.web.ts", import.meta.url), { type: "module" });
        shell.current = wrap<BenchShell>(worker.current);
      }
      return shell.current.answer(asked);
    };
    waiting.current = { key, question: JSON.parse(key) as BenchQuestion };
    if (running.current) return;
    running.current = true;
    void (async () => {
      const slow = setTimeout(() => setBusy(true), SLOW_MS);
      while (waiting.current) {
        const asked = waiting.current;
        waiting.current = undefined;
        // Where no worker is to be had the page calculates itself: slower, but not silent.
        const got = await inWorker(asked.question).catch(() => benchAnswer(asked.question));
        setLate({ key: asked.key, got });
      }
      clearTimeout(slow);
      setBusy(false);
      running.current = false;
    })();
  }, [heavy, key, late.key]);
  useEffect(
    () => () => {
      worker.current?.terminate();
      worker.current = undefined;
      shell.current = undefined;
      running.current = false;
    },
    [],
  );

  return { got: direct ?? late.got, busy };
}

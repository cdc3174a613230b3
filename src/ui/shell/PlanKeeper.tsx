"use client";
import { useRouter } from "next/navigation";
import { useCallback, useEffect, useRef, useState } from "react";
import { PLAN_KEEPER } from "@/words/shell";

interface PlanKeeperProps {
  readonly slug: string;
  readonly stale: boolean;
  /** A run is open: presses and plans of other devices are listened for. */
  readonly running: boolean;
  /** The last news that the page knew of as it was drawn. */
  readonly news: string;
  /** What the plan must be made for: a change of it is a reason to plan again. */
  readonly version: string;
}

interface Working {
  readonly done: number;
  readonly phase: string;
}

/** Plans again where the plan is older than what it was made for; shows how far it is, and can be stopped. */
export function PlanKeeper({ slug, stale, running, news: known, version }: PlanKeeperProps) {
  const router = useRouter();
  const [working, setWorking] = useState<Working>();
  const [failed, setFailed] = useState<string>();
  const abort = useRef<AbortController>(undefined);
  const asked = useRef("");

  const plan = useCallback(
    async (body: { fresh?: boolean }) => {
      abort.current?.abort();
      const control = new AbortController();
      abort.current = control;
      setFailed(undefined);
      setWorking({ done: 0, phase: "first" });
      try {
        for await (const line of linesOf(
          await fetch(`/api/dishes/${slug}/plan`, { method: "POST", body: JSON.stringify(body), signal: control.signal }),
        )) {
          if (line.progress) setWorking(line.progress);
          if (line.first) router.refresh();
          if (line.status === "failed") setFailed(PLAN_KEEPER.thePlannerFailedThePlan);
        }
      } catch {
        if (!control.signal.aborted) setFailed(PLAN_KEEPER.thePlannerCouldNotBe);
      }
      if (abort.current === control) {
        setWorking(undefined);
        router.refresh();
      }
    },
    [router, slug],
  );

  const seen = useRef(known);
  useEffect(() => {
    seen.current = known;
  }, [known]);
  // New answers of the planner, and presses on other devices, arrive by themselves; what was missed while the line was down, once it is back.
  useEffect(() => {
    if (!running || typeof EventSource === "undefined") return;
    const news = new EventSource(`/api/dishes/${slug}/stream?since=${encodeURIComponent(seen.current)}`);
    news.onmessage = () => router.refresh();
    return () => news.close();
  }, [router, slug, running]);

  useEffect(() => {
    if (!stale || asked.current === version) return;
    asked.current = version;
    void plan({});
  }, [stale, version, plan]);

  useEffect(() => {
    const again = (event: Event) => void plan((event as CustomEvent).detail ?? {});
    window.addEventListener("rondeau:plan", again);
    return () => window.removeEventListener("rondeau:plan", again);
  }, [plan]);

  if (failed)
    return (
      <p role="alert" className="border-b border-rule px-7 py-1.5 text-[13.5px] text-beet">
        {failed}
      </p>
    );
  if (!working) return null;
  const stop = () => {
    // The server keeps the best plan it has when the line goes dead; give it a moment to write it down.
    abort.current?.abort();
    setWorking(undefined);
    setTimeout(() => router.refresh(), 600);
  };
  return (
    <div role="status" className="flex items-center gap-4 border-b border-rule px-7 py-1.5 text-[13.5px]" data-screen>
      <span>{working.phase === "first" ? PLAN_KEEPER.planningBackFromServing : PLAN_KEEPER.lookingForABetterPlan}</span>
      <progress
        value={working.phase === "first" ? undefined : working.done}
        className="h-1.5 w-40 accent-(--saffron)"
        aria-label={PLAN_KEEPER.planning}
      />
      <button type="button" className="link" onClick={stop}>
        {PLAN_KEEPER.stopAndUseTheBest}
      </button>
    </div>
  );
}

/** Asks the keeper of this page for a new plan. */
export function requestPlan(detail: { fresh?: boolean }): void {
  window.dispatchEvent(new CustomEvent("rondeau:plan", { detail }));
}

async function* linesOf(response: Response): AsyncGenerator<{ progress?: Working; first?: boolean; status?: string }> {
  if (!response.ok || !response.body) throw new Error(`plan: ${response.status}`);
  const reader = response.body.pipeThrough(new TextDecoderStream()).getReader();
  let rest = "";
  for (;;) {
    const { done, value } = await reader.read();
    if (done) return;
    const lines = (rest + value).split("\n");
    rest = lines.pop() ?? "";
    for (const line of lines) if (line) yield JSON.parse(line);
  }
}

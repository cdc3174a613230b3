"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { toast } from "sonner";
import type { Conflict } from "@/core/sheets/conflict";
import { spokenDuration } from "@/core/time/duration";
import { REPAIRS } from "@/words/shell";
import { ask, reason } from "./ask";

interface RepairsProps {
  readonly slug: string;
  readonly answer: string;
  readonly repairs: Conflict["repairs"];
  /** The run is on: how long before serving it all began is no news. */
  readonly underWay?: boolean;
  readonly title?: string;
  /** Only these, by their places; all where it is not given. */
  readonly only?: readonly number[];
}

/** What would make a plan possible, each tried by the planner; one press does it, Ctrl+Z takes it back. */
export function Repairs({ slug, answer, repairs, underWay = false, title = REPAIRS.waysToFixItEach, only }: RepairsProps) {
  const router = useRouter();
  const [problem, setProblem] = useState<string>();
  const [busy, setBusy] = useState(false);
  const take = async (index: number) => {
    setBusy(true);
    const { press } = repairs[index] as Conflict["repairs"][number];
    const got = press
      ? await ask(`/api/dishes/${slug}/events`, "POST", { key: crypto.randomUUID(), kind: "ended", step: press })
      : await ask(`/api/dishes/${slug}/repair`, "POST", { answer, index });
    setBusy(false);
    setProblem(got.ok ? undefined : reason(got));
    if (got.ok) toast(REPAIRS.done(repairs[index]?.text));
    router.refresh();
  };
  return (
    <div className="mt-3">
      <h3 className="mb-1 font-sans text-[15px] font-semibold">{title}</h3>
      <ul className="max-w-[70ch]">
        {repairs.map((repair, i) =>
          only && !only.includes(i) ? null : (
            <li key={repair.text} className="flex items-baseline justify-between gap-4 border-t border-rule py-1.5">
              <span>
                {repair.text}{" "}
                {!underWay && (
                  <span className="text-[13px] text-quiet">
                    {REPAIRS.starts} {spokenDuration(repair.leadMinutes)} {REPAIRS.beforeServing}
                  </span>
                )}
              </span>
              <button
                type="button"
                className="act shrink-0 whitespace-nowrap max-sm:min-h-[56px]"
                disabled={busy}
                onClick={() => take(i)}
                aria-label={REPAIRS.doItNamed(repair.text)}
              >
                {REPAIRS.doIt}
              </button>
            </li>
          ),
        )}
      </ul>
      {problem && (
        <p role="alert" className="text-[14px] text-beet">
          {problem}
        </p>
      )}
    </div>
  );
}

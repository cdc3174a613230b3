"use client";
import type { FindingView } from "@/core/safety/view";
import { TO_MIND } from "@/words/safety";
import { FindingCard } from "./FindingCard";
import { useSafety } from "./use-safety";

interface ToMindProps {
  readonly slug: string;
  readonly version: number;
  readonly findings: readonly FindingView[];
}

/** What the rules of safety find in the dish and its plan: the severe to be acknowledged by name, the rest to be read once. */
export function ToMind({ slug, version, findings }: ToMindProps) {
  const { trouble, known, mend } = useSafety(slug, version);
  const severe = findings.filter((f) => f.severity === "stop");
  const open = severe.filter((f) => !f.acknowledged);
  const rest = findings.filter((f) => f.severity !== "stop");
  return (
    <section aria-label={TO_MIND.safety} id="mind" className="mx-5 mt-4 scroll-mt-4 border-t border-rule pt-4 sm:mx-7">
      <h2 className="text-[22px]">{TO_MIND.safety}</h2>
      <p className="mb-2 text-[13.5px] text-quiet">
        {findings.length === 0
          ? TO_MIND.noSafetyFindingsTheRules
          : open.length
            ? TO_MIND.toReadBeforeYouStart(open.length, open.length === 1 ? "danger" : "dangers")
            : TO_MIND.youHaveReadEveryDanger}
      </p>
      {trouble && (
        <p role="alert" className="mb-2 border-l-[3px] border-beet pl-3">
          {trouble}
        </p>
      )}
      <div className="grid max-w-[76rem] gap-x-10 md:grid-cols-2">
        {severe.length > 0 && (
          <div>
            {severe.map((f) => (
              <FindingCard key={f.id} finding={f} onMend={mend} onKnown={known} />
            ))}
          </div>
        )}
        {rest.length > 0 && (
          <div>
            {rest.slice(0, 6).map((f) => (
              <FindingCard key={f.id} finding={f} onMend={mend} />
            ))}
            {rest.length > 6 && (
              <details>
                <summary className="cursor-pointer text-[14px] text-rim">
                  {rest.length - 6} {TO_MIND.more}
                </summary>
                {rest.slice(6).map((f) => (
                  <FindingCard key={f.id} finding={f} onMend={mend} />
                ))}
              </details>
            )}
          </div>
        )}
      </div>
    </section>
  );
}

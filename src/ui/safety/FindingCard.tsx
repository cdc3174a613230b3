"use client";
import { OctagonAlert, TriangleAlert } from "lucide-react";
import { useEffect, useState } from "react";
import type { PatchOperation } from "@/core/dish/patch";
import type { FindingView } from "@/core/safety/view";
import { FINDING_CARD } from "@/words/safety";
import { useSpoken } from "../shell/conventions";

interface FindingCardProps {
  readonly finding: FindingView;
  readonly onMend: ((label: string, change: readonly PatchOperation[]) => void) | undefined;
  /** Says that the cook knows it; undefined where it is not asked here. */
  readonly onKnown?: ((finding: FindingView) => void) | undefined;
  /** Where the place is plain from what stands around it. */
  readonly here?: boolean;
  /** The caution stands open, for who has no hand free to open it. */
  readonly open?: boolean;
}

/** Where the server did not take it, it can be said again. */
const AGAIN_MS = 4000;
const WEIGHT = { stop: FINDING_CARD.danger, warn: FINDING_CARD.caution, note: FINDING_CARD.note } as const;

/** One finding: what was computed, the usual caution, what would mend it, whose word it is. */
export function FindingCard({ finding: f, onMend, onKnown, here, open }: FindingCardProps) {
  const spoken = useSpoken();
  const loud = f.severity === "stop";
  const [writing, setWriting] = useState(false);
  useEffect(() => {
    if (f.acknowledged) setWriting(false);
  }, [f.acknowledged]);
  return (
    <article
      aria-label={`${WEIGHT[f.severity]}: ${f.title}`}
      className={`my-1.5 max-w-[64ch] border-l-[3px] py-0.5 pl-3 ${loud ? "border-l-[6px] border-beet text-[15px]" : f.severity === "warn" ? "border-copper text-[14px]" : "border-rule text-[13.5px]"}`}
      data-finding={f.id}
    >
      <p>
        {loud && <OctagonAlert size={17} className="mr-1.5 inline -translate-y-px text-beet" aria-hidden="true" />}
        {f.severity === "warn" && <TriangleAlert size={15} className="mr-1.5 inline -translate-y-px text-copper" aria-hidden="true" />}
        <span className={`caps mr-2 ${loud ? "font-semibold text-beet!" : ""}`}>
          {f.hard ? FINDING_CARD.pastALimit : WEIGHT[f.severity]}
        </span>
        <b className="font-semibold">{spoken(f.title)}</b>
        {!here && f.where && <span className="text-quiet"> {spoken(f.where)}</span>}
      </p>
      <p>{spoken(f.computed)}</p>
      {f.mends.length > 0 && onMend && (
        <p className="flex flex-wrap gap-x-4 gap-y-1 py-0.5">
          {f.mends.map((m) => (
            <button key={m.label} type="button" className="link text-left" onClick={() => onMend(`${f.title}: ${m.label}`, m.change)}>
              {spoken(m.label)}
            </button>
          ))}
        </p>
      )}
      <details className="text-[13.5px]" open={open}>
        <summary className="cursor-pointer text-quiet">{FINDING_CARD.cautionAndSource}</summary>
        <p className="pt-0.5">{spoken(f.caution)}</p>
        <p className="text-quiet">
          {FINDING_CARD.waysToFixIt} {spoken(f.way)}
          {FINDING_CARD.source} {f.source}
          {FINDING_CARD.localCodesAndTheAdvice}
        </p>
      </details>
      {onKnown && loud && !f.hard && (
        <label className="flex min-h-14 cursor-pointer items-center gap-2.5 py-0.5 md:min-h-9">
          <input
            type="checkbox"
            className="size-5 accent-(--rim)"
            checked={f.acknowledged}
            disabled={f.acknowledged || writing}
            onChange={() => {
              setWriting(true);
              onKnown(f);
              setTimeout(() => setWriting(false), AGAIN_MS);
            }}
          />
          <span className="wrap-anywhere">
            {FINDING_CARD.iUnderstand} <span className="font-medium">{f.title.toLowerCase()}</span>
            {writing && <span className="text-quiet"> {FINDING_CARD.saving}</span>}
          </span>
        </label>
      )}
      {f.hard && <p className="text-[13.5px]">{FINDING_CARD.youCannotStartUntilThis}</p>}
    </article>
  );
}

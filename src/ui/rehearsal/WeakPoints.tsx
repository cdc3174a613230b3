"use client";
// What rehearsals showed, the worst first, each with a change that is tried on all of them before it can be kept.
import { useRouter } from "next/navigation";
import { useState } from "react";
import { toast } from "sonner";
import { missedMeans } from "@/words/record";
import { REHEARSAL } from "@/words/rehearsal";
import type { TriedFix } from "@/workers/rehearsal-desk";
import { type Desk, listener } from "../planning/desk";
import { ask, reason } from "../shell/ask";
import { Spoken } from "../shell/conventions";
import type { Rehearsed } from "./rehearsed";

interface WeakPointsProps {
  readonly slug: string;
  readonly version: number;
  readonly kitchenVersion: number;
  readonly desk: () => Desk;
  readonly done: Rehearsed;
}

const MOST_SHOWN = 8;

export function WeakPoints({ done, ...props }: WeakPointsProps) {
  const weak = (done.weak ?? []).slice(0, MOST_SHOWN);
  const [busy, setBusy] = useState<string>();
  return (
    <section aria-label={REHEARSAL.weak} className="pt-5">
      <div className="flex flex-wrap items-baseline justify-between gap-x-6 border-b-2 border-rim pb-1">
        <h2 className="text-[21px]">{REHEARSAL.weak}</h2>
        <span className="text-[13px] text-quiet">{REHEARSAL.weakHelp}</span>
      </div>
      {weak.length === 0 && <p className="py-3">{REHEARSAL.nothingWeak}</p>}
      <ol>
        {weak.map((w, i) => (
          <Row key={`${w.kind} ${w.about}`} number={i + 1} weak={w} done={done} {...props} {...{ busy, setBusy }} />
        ))}
      </ol>
    </section>
  );
}

interface RowProps extends WeakPointsProps {
  readonly number: number;
  readonly weak: NonNullable<Rehearsed["weak"]>[number];
  readonly busy: string | undefined;
  readonly setBusy: (key: string | undefined) => void;
}

function Row({ number, weak, done, slug, version, kitchenVersion, desk, busy, setBusy }: RowProps) {
  const router = useRouter();
  const [trying, setTrying] = useState("");
  const [tried, setTried] = useState<TriedFix>();
  const [trouble, setTrouble] = useState<string>();
  const key = `${weak.kind} ${weak.about}`;
  const count = done.runs.length;
  const often = (share: number) => Math.round(share * count);
  const find = async () => {
    setBusy(key);
    setTrouble(undefined);
    setTrying(REHEARSAL.looking);
    try {
      const shell = await desk().mind();
      setTried(
        (await shell.fix(
          done.policy,
          count,
          weak,
          listener((text: string) => setTrying(REHEARSAL.trying(text))),
        )) as TriedFix,
      );
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : String(error));
    }
    setTrying("");
    setBusy(undefined);
  };
  const keep = async (fix: Extract<TriedFix, { status: "helps" }>) => {
    setBusy(key);
    const got = await ask(`/api/dishes/${slug}/change`, "POST", {
      version,
      kitchenVersion,
      change: fix.change,
      label: REHEARSAL.label(fix.text),
      plan: fix.file,
    });
    setBusy(undefined);
    if (!got.ok) return setTrouble(reason(got));
    toast(REHEARSAL.kept(fix.text));
    router.push(`/d/${slug}/timetable`);
  };
  return (
    <li className="grid items-baseline gap-x-5 gap-y-1 border-b border-rule py-2.5 md:grid-cols-[1.6rem_minmax(0,1fr)_6.5rem_minmax(0,1fr)]">
      <b className="grid h-[22px] w-[22px] place-items-center rounded-full bg-beet text-[12px] text-paper">{number}</b>
      <span className="text-[16px] font-medium">
        <Spoken>{weak.text}</Spoken>
      </span>
      <span className="clock text-[14px]">{REHEARSAL.ofRuns(often(weak.share), count)}</span>
      <span aria-live="polite" className="text-[14px]">
        {trying ? (
          <span className="text-quiet">
            <Spoken>{trying}</Spoken>
          </span>
        ) : weak.kind === "round" ? (
          <span className="text-quiet">{missedMeans(weak.what ?? "")}</span>
        ) : tried === undefined ? (
          <button type="button" className="link min-h-[28px]" disabled={busy !== undefined} onClick={() => void find()}>
            {REHEARSAL.tryFix}
          </button>
        ) : tried.status === "none" ? (
          REHEARSAL.noFix
        ) : (
          <>
            <span className="block font-medium">
              <Spoken>{tried.text}</Spoken>
            </span>
            <span className="block text-quiet">
              {REHEARSAL.fixHelps(often(tried.onTime.before), often(tried.onTime.after), count)};{" "}
              {REHEARSAL.seenStill(often(tried.share.before), often(tried.share.after), count)}
            </span>
            <button type="button" className="act mt-1" data-main disabled={busy !== undefined} onClick={() => void keep(tried)}>
              {REHEARSAL.keep}
            </button>
          </>
        )}
        {trouble && (
          <span role="alert" className="block text-beet">
            {trouble}
          </span>
        )}
      </span>
    </li>
  );
}

"use client";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useCallback, useEffect, useMemo, useState } from "react";
import { toast } from "sonner";
import type { Wished } from "@/core/dish/wishes";
import type { Why } from "@/core/planner/explain/why";
import type { Entry } from "@/core/record/entries";
import type { LogLine } from "@/core/record/log-lines";
import type { FindingView } from "@/core/safety/view";
import { lower } from "@/core/sentence";
import type { Conflict } from "@/core/sheets/conflict";
import { type Offsets, WallClock } from "@/core/time/wall-clock";
import { freeWindow } from "@/core/view/fill-window";
import type { PlanView, StepView } from "@/core/view/plan-view";
import { BEDTIME } from "@/words/bedtime";
import { COOK_VIEW, LOG, PLAN } from "@/words/cook";
import { LAST_HOUR } from "@/words/last-hour";
import { CHANGED } from "@/words/something-changed";
import { FindingCard } from "../safety/FindingCard";
import { useSafety } from "../safety/use-safety";
import { ask, reason } from "../shell/ask";
import { Choice } from "../shell/Choice";
import { useNow } from "../shell/StatusLine";
import { leftOpen } from "../shell/status-line";
import { useEntries } from "../shell/use-entries";
import { agendaAt, onlyOf, stepsToCheck } from "./agenda";
import { askForNotices } from "./alerts";
import { Call } from "./Call";
import { Dial } from "./Dial";
import { FreeWindowPart } from "./FreeWindowPart";
import { LaterList } from "./LaterList";
import { MorningCard } from "./MorningCard";
import { MovedNote } from "./MovedNote";
import { PlanNotes } from "./PlanNotes";
import { addPress, forgetPresses, type Press, waitingPresses } from "./press-queue";
import { ReadyToStart } from "./ReadyToStart";
import { RoundsCard } from "./RoundsCard";
import { RunLog } from "./RunLog";
import { AloneRow, CheckCard, DueCard, RunningCard } from "./StepCards";
import { NewTimer, Timers } from "./Timers";
import { useMoves, useWakeLock, useWho } from "./use-cook";
import { usePressQueue } from "./use-press-queue";
import { WriteDown } from "./WriteDown";

interface CookViewProps {
  readonly slug: string;
  readonly plan: PlanView;
  readonly offsets: Offsets;
  readonly now: number;
  readonly running: boolean;
  readonly version: number;
  readonly findings: readonly FindingView[];
  readonly log: readonly LogLine[];
  /** What was written down beside the presses. */
  readonly entries: readonly Entry[];
  /** The server's clock in milliseconds, for timers. */
  readonly clockMs: number;
  /** How early each step could start. */
  readonly whys?: readonly Why[];
  /** What was noted at each step the last time. */
  readonly lastNotes?: Readonly<Record<string, readonly string[]>>;
  /** What is fixed of the dish: who does what is changed in it. */
  readonly wishes?: Wished["wishes"];
  /** What else could be done about what the plan cannot keep. */
  readonly around?: Pick<Conflict, "answer" | "repairs"> | undefined;
}

const MORE_PAGES = [
  ["changed", CHANGED.open],
  ["bedtime", BEDTIME.open],
  ["last-hour", LAST_HOUR.open],
] as const;

/** What now, what next, for somebody with wet hands. */
export function CookView({
  slug,
  plan,
  offsets,
  now: serverNow,
  running,
  version,
  findings,
  log,
  entries: stored,
  clockMs,
  whys = [],
  lastNotes = {},
  wishes,
  around,
}: CookViewProps) {
  const router = useRouter();
  const now = useNow(serverNow);
  const clock = useMemo(() => new WallClock(offsets), [offsets]);
  const { by, setBy, mine, setMine } = useWho(slug, plan);
  const everything = agendaAt(plan, now, findings);
  const agenda = mine && by !== undefined ? onlyOf(everything, by) : everything;
  // What runs on for hours without hands stands in a list of its own, out of the way of what is at hand.
  const alone = agenda.running.filter((s) => s.attention === "unattended" && s.end > now + 60);
  const atHand = agenda.running.filter((s) => !alone.includes(s));
  const free = running && agenda.due.length === 0 ? freeWindow(plan, whys, now) : undefined;
  const { busy, setBusy, trouble, setTrouble, withheld, send } = usePressQueue(slug);
  const [goingOn, setGoingOn] = useState(false);
  const moved = useMoves(plan);

  // What was acknowledged or mended lets go of the presses that waited for it.
  // biome-ignore lint/correctness/useExhaustiveDependencies: the findings are what it waits for
  useEffect(() => {
    if (withheld.length && waitingPresses(slug).length) void send();
  }, [findings]);
  useWakeLock(running);

  const { entries, write: writeDown, trouble: unwritten } = useEntries(slug, stored, clockMs);
  const write = useCallback(
    (kind: Press["kind"], step: string, more: { inMinutes?: number; of?: number } = {}) => {
      addPress(slug, { key: crypto.randomUUID(), kind, step, inMinutes: 0, by, ...more, pressedAt: Date.now() });
    },
    [slug, by],
  );
  const press = (kind: Press["kind"], step: StepView, inMinutes = 0) => {
    write(kind, step.ref, { inMinutes });
    setBusy(step.ref);
    void send();
  };
  const undo = useCallback(
    (line: LogLine) => {
      write("withdrawn", line.step, { of: line.sequence });
      toast(LOG.undone(line));
      void send();
    },
    [write, send],
  );
  const correct = (line: LogLine, at: number) => {
    write("withdrawn", line.step, { of: line.sequence });
    write(line.kind, line.step, { inMinutes: at - now });
    void send();
  };
  // Ctrl+Z here takes back the last press of this run and nothing else: the keys of the shell come after and do not hear it.
  const newest = log[0];
  useEffect(() => {
    if (!running) return;
    const key = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT)$/.test(event.target.tagName);
      if (!(event.ctrlKey || event.metaKey) || event.shiftKey || event.key.toLowerCase() !== "z" || typing) return;
      event.preventDefault();
      event.stopImmediatePropagation();
      if (newest) undo(newest);
      else toast(LOG.nothing);
    };
    window.addEventListener("keydown", key, { capture: true });
    return () => window.removeEventListener("keydown", key, { capture: true });
  }, [running, newest, undo]);
  const served = running && plan.steps.length > 0 && plan.steps.every((s) => s.state === "done");
  const start = async () => {
    askForNotices();
    const answer = await ask(`/api/dishes/${slug}/run`, "POST");
    setTrouble(answer.ok ? undefined : reason(answer));
    router.refresh();
  };
  const end = async () => {
    const answer = await ask(`/api/dishes/${slug}/run`, "DELETE");
    setTrouble(answer.ok ? undefined : reason(answer));
    if (answer.ok) toast(COOK_VIEW.theRunHasEndedIts);
    router.refresh();
  };
  const safety = useSafety(slug, version);
  const componentName = (id: string) => plan.components.find((c) => c.id === id)?.name ?? id;
  const kindOf = (id: string) => plan.components.find((c) => c.id === id)?.kind ?? "other";

  const stepName = (ref: string) => plan.steps.find((s) => s.ref === ref)?.name;
  const card = (step: StepView) => ({
    step,
    component: componentName(step.component),
    now,
    clock,
    busy: busy === step.ref,
    findings: findings.filter((f) => f.step === step.ref),
    onKnown: safety.known,
    onPress: (kind: Press["kind"], minutes?: number) => press(kind, step, minutes),
    lastNotes: lastNotes[step.ref] ?? [],
    children: (
      <WriteDown
        step={step}
        entries={entries}
        write={writeDown}
        now={now}
        clock={clock}
        checks={findings.flatMap((f) => (f.step === step.ref && f.check ? [f.check] : []))}
        slug={slug}
        onPhotograph={() => router.refresh()}
        onExpect={(inMinutes) => press("estimate", step, inMinutes)}
      />
    ),
  });

  return (
    <>
      {running && leftOpen(plan, now) && !goingOn && (
        <section aria-label={PLAN.leftOpen} className="mx-auto max-w-[70rem] px-4 pt-5 sm:px-7">
          <div className="border-l-[3px] border-saffron pl-4">
            <h2 className="text-[22px]">{PLAN.leftOpenTitle(clock.date(plan.serveAt))}</h2>
            <p className="max-w-[52ch] pt-1 pb-3 text-[16px]">{PLAN.leftOpenText}</p>
            <div className="flex flex-wrap gap-4">
              <button type="button" className="act min-h-[56px] px-7 text-[18px]" data-main onClick={end}>
                {COOK_VIEW.endTheRun}
              </button>
              <button type="button" className="act min-h-[56px] px-7 text-[18px]" onClick={() => setGoingOn(true)}>
                {PLAN.goOn}
              </button>
            </div>
          </div>
        </section>
      )}
      {running && <PlanNotes plan={plan} slug={slug} around={around} />}
      <div className="mx-auto grid max-w-[70rem] gap-x-12 gap-y-5 px-4 pt-5 pb-14 sm:px-7 md:grid-cols-[minmax(0,400px)_minmax(0,1fr)] md:grid-rows-[auto_1fr]">
        <Call plan={plan} now={now} listening={running} findings={findings} />
        <h1 className="sr-only">{COOK_VIEW.cook}</h1>
        <section aria-label={COOK_VIEW.theDial}>
          <Dial marks={agenda.marks} now={now} kindOf={kindOf} clock={clock} />
        </section>
        <section aria-label={COOK_VIEW.theNextHour} className="max-md:order-3">
          <ul>
            {agenda.marks.slice(0, 7).map((mark) => (
              <li
                key={`${mark.at} ${mark.kind} ${mark.step.ref}`}
                className="grid grid-cols-[max-content_1fr] items-baseline border-t border-rule py-2.5"
              >
                <span className="clock clock-column text-[18px]">{clock.time(mark.at)}</span>
                <span className="text-[17px]">
                  {mark.what} <span className="text-[14px] text-quiet">{lower(componentName(mark.step.component))}</span>
                </span>
              </li>
            ))}
          </ul>
          {agenda.marks.length === 0 && agenda.later[0] && (
            <p className="mt-4 text-center text-[16px] text-quiet">
              {COOK_VIEW.next} {lower(agenda.later[0].name)}, {clock.dayTime(agenda.later[0].start)}.
            </p>
          )}
        </section>
        <section aria-label={COOK_VIEW.atHand} aria-live="polite" className="md:col-start-2 md:row-span-2 md:row-start-1">
          {unwritten && (
            <p role="alert" className="mb-3 border-l-[3px] border-beet pl-3">
              {unwritten}
            </p>
          )}
          {trouble && (
            <p role="alert" className="mb-3 border-l-[3px] border-beet pl-3">
              {trouble}
              {withheld.length > 0 && (
                <span className="block pt-1 text-[15px]">
                  {COOK_VIEW.yourPressIsSavedWith}{" "}
                  <button
                    type="button"
                    className="link min-h-[44px]"
                    onClick={() => {
                      forgetPresses(slug, withheld);
                      void send();
                    }}
                  >
                    {COOK_VIEW.discard}
                  </button>
                </span>
              )}
            </p>
          )}
          {running && <MorningCard {...{ plan, entries, now, clock }} write={writeDown} onPress={press} />}
          {running &&
            findings
              .filter(
                (f) => f.severity === "stop" && !f.acknowledged && withheld.some((s) => s === f.step || f.component === s.split(".")[0]),
              )
              .map((f) => <FindingCard key={f.id} finding={f} onMend={safety.mend} onKnown={safety.known} />)}
          {!running ? (
            <ReadyToStart plan={plan} findings={findings} safety={safety} clock={clock} onStart={start} />
          ) : (
            <>
              {served && (
                <div className="mb-4 border-l-[3px] border-saffron pl-4">
                  <h2 className="text-[26px]">{PLAN.allDone}</h2>
                  <p className="max-w-[46ch] pt-1 pb-3 text-[16px]">{PLAN.allDoneText}</p>
                  <button type="button" className="act min-h-[56px] px-7 text-[18px]" data-main onClick={end}>
                    {COOK_VIEW.endTheRun}
                  </button>
                </div>
              )}
              <MovedNote moved={moved} clock={clock} />
              <Timers entries={entries} write={writeDown} clockMs={clockMs} stepName={stepName} />
              <RoundsCard steps={agenda.running} entries={entries} now={now} clock={clock} write={writeDown} />
              {/* What is at hand says its checks itself. */}
              {stepsToCheck(plan, now, findings)
                .filter((step) => !atHand.includes(step))
                .map((step) => (
                  <CheckCard key={`check ${step.ref}`} {...card(step)} />
                ))}
              {(agenda.due.length ? agenda.due : agenda.running.length ? [] : agenda.later.slice(0, 1)).map((step) => (
                <DueCard key={step.ref} {...card(step)} />
              ))}
              {atHand.map((step) => (
                <RunningCard key={step.ref} {...card(step)} />
              ))}
              {alone.length > 0 && (
                <>
                  <h2 className="caps mt-6 mb-1 font-sans font-normal">{COOK_VIEW.runningByItself}</h2>
                  <ul>
                    {alone.map((step) => (
                      <AloneRow key={step.ref} {...card(step)} />
                    ))}
                  </ul>
                </>
              )}
              {free && <FreeWindowPart window={free} now={now} clock={clock} onStart={(step) => press("started", step)} />}
              <LaterList {...{ slug, version, wishes, plan, clock }} steps={agenda.later} onStart={(step) => press("started", step)} />
              <NewTimer write={writeDown} />
              <RunLog
                lines={log}
                entries={entries}
                onWithdraw={(of) => writeDown({ kind: "withdrawn", of })}
                steps={plan.steps}
                components={plan.components}
                clock={clock}
                now={now}
                onUndo={undo}
                onCorrect={correct}
                onAdd={(kind, step, at) => {
                  write(kind, step, { inMinutes: at - now });
                  void send();
                }}
              />
              {plan.cooks.length > 1 && (
                <p className="mt-3 text-[15px]">
                  {LOG.who}{" "}
                  <Choice
                    label={LOG.who}
                    className="min-h-[44px]"
                    value={by ?? ""}
                    none={LOG.nobody}
                    options={plan.cooks.map((c) => [c.id, c.name])}
                    onChange={setBy}
                  />
                  {by !== undefined && (
                    <label className="ml-4 inline-flex min-h-[44px] cursor-pointer items-center gap-2">
                      <input type="checkbox" className="size-6 accent-(--rim)" checked={mine} onChange={(e) => setMine(e.target.checked)} />
                      {COOK_VIEW.onlyMine(plan.cooks.find((c) => c.id === by)?.name ?? "")}
                    </label>
                  )}
                </p>
              )}
              {!served && (
                <p className="mt-4 flex flex-wrap gap-x-6 border-t border-rule pt-2">
                  {MORE_PAGES.map(([page, text]) => (
                    <Link key={page} href={`/d/${slug}/${page}`} className="link inline-flex min-h-[56px] items-center text-[16px]">
                      {text}
                    </Link>
                  ))}
                </p>
              )}
              {!served && (
                <p className="border-t border-rule pt-3 text-[15px]">
                  {COOK_VIEW.finishedOrCancelled}{" "}
                  <button type="button" className="link min-h-[44px] px-1" onClick={end}>
                    {COOK_VIEW.endTheRun}
                  </button>
                </p>
              )}
            </>
          )}
        </section>
      </div>
    </>
  );
}

import dynamic from "next/dynamic";
import Link from "next/link";
import { type ReactNode, useState } from "react";
import { freeAllChange, pinMethodsChange, type StepPin, type Wished, wishChange } from "@/core/dish/wishes";
import { lower } from "@/core/sentence";
import { spokenDuration } from "@/core/time/duration";
import { spokenInstant, type WallClock } from "@/core/time/wall-clock";
import type { PlanView } from "@/core/view/plan-view";
import { REHEARSAL } from "@/words/rehearsal";
import { PLAN_PANEL } from "@/words/route-chart";
import { SUMMARY } from "@/words/timetable";
import type { Tried } from "@/workers/plan-desk";
import type { Rehearsed } from "@/workers/rehearse";
import type { Desk } from "../planning/desk";
import type { Trials } from "../planning/use-trial";
import { MomentField } from "../shell/MomentField";
import { colourOf } from "./colours";
import { WorkByDay, workByDay } from "./WorkByDay";
import { hundred } from "./words";

/** It stands in a part that opens later, and brings a list to choose from with it. */
const ReachPanel = dynamic(() => import("./ReachPanel").then((m) => m.ReachPanel), { ssr: false });
const FeastPanel = dynamic(() => import("./FeastPanel").then((m) => m.FeastPanel), { ssr: false });

const STYLES = [
  ["late", PLAN_PANEL.late, PLAN_PANEL.asFreshAndShortAsPossible],
  ["ahead", PLAN_PANEL.ahead, PLAN_PANEL.littleLeftForTheLastHours],
  ["even", PLAN_PANEL.even, PLAN_PANEL.noDayTooFull],
] as const;

interface PlanPanelProps {
  readonly plan: PlanView;
  readonly clock: WallClock;
  readonly serveAt: number;
  readonly wished: Wished;
  readonly pins: readonly StepPin[];
  readonly rehearsed: Rehearsed | undefined;
  readonly stamp: string;
  readonly courses: readonly string[];
  readonly slug: string;
  readonly others: readonly { readonly slug: string; readonly name: string }[];
  readonly quieted: ReadonlySet<string>;
  readonly desk: () => Desk;
  readonly trials: Trials;
  readonly onQuiet: (course: string) => void;
  readonly onSelect: (component: string) => void;
}

/** Minutes of hands of what is not done. */
const leftOf = (plan: PlanView): number =>
  plan.steps.filter((s) => s.state !== "done").reduce((sum, s) => sum + s.hands.reduce((m, h) => m + h.to - h.from, 0), 0);

/** What the whole plan is like, and what could be otherwise: its layout, its hour, its ways, its table. */
export function PlanPanel(props: PlanPanelProps) {
  const { plan, clock, wished, trials, rehearsed } = props;
  const days = workByDay(plan, clock);
  const begun = plan.steps.some((s) => s.state !== "planned");
  const total = days.reduce((sum, d) => sum + d.minutes, 0);
  const style = wished.wishes?.style ?? "late";
  return (
    <div className="pt-4 pb-6">
      <h2 className="text-[20px]">
        {begun ? PLAN_PANEL.left(spokenDuration(leftOf(plan))) : `${spokenDuration(total)} ${PLAN_PANEL.ofWork}`}
      </h2>
      <p className="pb-3 text-[13.5px] text-quiet">
        {begun && PLAN_PANEL.of(spokenDuration(total))} {PLAN_PANEL.over}{" "}
        {days.length === 1 ? PLAN_PANEL.oneDay : PLAN_PANEL.days(days.length)}.
        {begun ? "" : PLAN_PANEL.noPlanCanStartLaterThan(clock.dayTime(plan.serveAt - plan.boundMinutes))}
      </p>
      <WorkByDay plan={plan} clock={clock} />
      <fieldset className="mb-3">
        <legend className="caps mb-1.5">{PLAN_PANEL.scheduleStyle}</legend>
        <div className="flex flex-col gap-1 text-[14px]">
          {STYLES.map(([id, name, what]) => (
            <label key={id} className="flex cursor-pointer items-baseline gap-2">
              <input
                type="radio"
                name="style"
                checked={style === id}
                onChange={() => void trials.attempt(PLAN_PANEL.laidOut(lower(name), what), wishChange(wished, { style: id }))}
                className="accent-(--rim)"
              />
              <span>
                <b className="font-semibold">{name}</b>, <span className="text-quiet">{what}</span>
              </span>
            </label>
          ))}
        </div>
      </fieldset>
      <Fixed {...props} />
      <Section
        title={PLAN_PANEL.chanceOfBeingOnTime}
        line={rehearsed ? SUMMARY.onTime(hundred(rehearsed.onTime)) : SUMMARY.notRehearsed}
        open={false}
      >
        <Sureness rehearsed={rehearsed} plan={plan} trials={trials} />
        <p className="pt-1">
          <Link className="link inline-flex min-h-[28px] items-center text-[14px]" href={`/d/${props.slug}/rehearsal`}>
            {REHEARSAL.open}
          </Link>
        </p>
      </Section>
      <Section title={PLAN_PANEL.serveAtAnotherTime} line={SUMMARY.serve(clock.dateTime(props.serveAt))} open={false}>
        <AnotherHour serveAt={props.serveAt} clock={clock} trials={trials} />
      </Section>
      <Section
        title={PLAN_PANEL.canIStillMakeIt}
        line={begun ? SUMMARY.begun : SUMMARY.reach(clock.dayTime(plan.serveAt - plan.boundMinutes))}
        open={false}
      >
        <ReachPanel
          serveAt={props.serveAt}
          wished={wished}
          plan={plan}
          clock={clock}
          stamp={props.stamp}
          desk={props.desk}
          trials={trials}
        />
      </Section>
      <Section title={PLAN_PANEL.otherDishesAtThisMeal} line={SUMMARY.courses(props.courses)} open={false}>
        <FeastPanel others={props.others} courses={props.courses} quieted={props.quieted} onQuiet={props.onQuiet} trials={trials} />
      </Section>
      <h3 className="caps mt-4 mb-1 font-sans font-normal">{PLAN_PANEL.components}</h3>
      <ul>
        {plan.components.map((c) => {
          const first = Math.min(...plan.steps.filter((s) => s.component === c.id).map((s) => s.start));
          return (
            <li key={c.id} className="flex items-baseline justify-between border-t border-rule py-[3px]">
              <button
                type="button"
                onClick={() => props.onSelect(c.id)}
                className="cursor-pointer text-left text-[14px] font-medium hover:underline"
                style={{ color: colourOf(c.kind) }}
              >
                {c.name}
              </button>
              <span className="clock text-[12px] text-quiet">{clock.dayTime(first)}</span>
            </li>
          );
        })}
      </ul>
    </div>
  );
}

/** @param line what it holds, in a line that is read without opening it */
function Section({ title, line, open, children }: { title: string; line: string | undefined; open: boolean; children: ReactNode }) {
  return (
    <details className="border-t border-rule py-1.5" open={open}>
      <summary className="min-h-6 cursor-pointer py-0.5 text-[14.5px] font-medium">
        {title}
        {line && <span className="block pl-[1.05rem] text-[13px] font-normal text-quiet">{line}</span>}
      </summary>
      <div className="pt-1.5 pb-2">{children}</div>
    </details>
  );
}

/** What the cook has fixed by hand. */
function Fixed({ plan, clock, wished, pins, trials }: PlanPanelProps) {
  const methods = (wished.wishes?.pins ?? []).flatMap((p) => ("component" in p && typeof p.component === "string" ? [p.component] : []));
  if (pins.length + methods.length === 0) return null;
  const nameOf = (ref: string) => plan.steps.find((s) => s.ref === ref)?.name ?? ref;
  const said = (pin: StepPin) =>
    [
      pin.at !== undefined && clock.dayTime(pin.at),
      pin.notBefore !== undefined && PLAN_PANEL.notBefore(clock.dayTime(pin.notBefore)),
      pin.notAfter !== undefined && PLAN_PANEL.notAfter(clock.dayTime(pin.notAfter)),
      pin.cook !== undefined && PLAN_PANEL.by(plan.cooks.find((c) => c.id === pin.cook)?.name ?? pin.cook),
    ]
      .filter(Boolean)
      .join(", ");
  return (
    <section aria-label={PLAN_PANEL.fixedByYou} className="mb-3">
      <h3 className="caps mb-1 font-sans font-normal">{PLAN_PANEL.fixedByYou}</h3>
      <ul className="text-[14px]">
        {pins.map((pin) => (
          <li key={pin.step} className="border-t border-rule py-0.5">
            {nameOf(pin.step)} <span className="text-quiet">{said(pin)}</span>
          </li>
        ))}
        {methods.map((id) => {
          const c = plan.components.find((x) => x.id === id);
          return (
            <li key={id} className="flex items-baseline justify-between gap-2 border-t border-rule py-0.5">
              <span>
                {c?.name ?? id} <span className="text-quiet">{c ? lower(c.method) : ""}</span>
              </span>
              <button
                type="button"
                className="link text-[12.5px]"
                aria-label={PLAN_PANEL.leaveTheMethodOfOpen(c?.name ?? id)}
                onClick={() =>
                  void trials.attempt(PLAN_PANEL.theMethodOfLeftOpen(lower(c?.name ?? id)), pinMethodsChange(wished, { [id]: undefined }))
                }
              >
                {PLAN_PANEL.leaveOpen}
              </button>
            </li>
          );
        })}
      </ul>
      {pins.length > 1 && (
        <button
          type="button"
          className="link text-[13px]"
          onClick={() => void trials.attempt(PLAN_PANEL.nothingFixed, freeAllChange(wished))}
        >
          {PLAN_PANEL.releaseAll}
        </button>
      )}
    </section>
  );
}

const WISHED_SURENESS = 0.95;

/** How often it was on time, what it hangs on, and what would bring it to 95 of 100. */
function Sureness({ rehearsed, plan, trials }: { rehearsed: Rehearsed | undefined; plan: PlanView; trials: Trials }) {
  if (!rehearsed) return <p className="text-[14px] text-quiet">{PLAN_PANEL.itIsRehearsedOnceThe}</p>;
  const late = (rehearsed.ready ?? [])
    .map((r) => ({ ...r, by: r.late - r.planned }))
    .filter((r) => r.by >= 5)
    .sort((a, b) => b.by - a.by)
    .slice(0, 4);
  return (
    <div className="text-[14px]">
      <p>
        {PLAN_PANEL.onTimeIn} {hundred(rehearsed.onTime)} {PLAN_PANEL.of100WithinHalfAn} {hundred(rehearsed.within30 ?? rehearsed.within15)}
        .{rehearsed.buffer ? PLAN_PANEL.withToSpareItWould(spokenDuration(rehearsed.buffer)) : ""}
      </p>
      {late.length > 0 && (
        <ul className="mt-1 text-[13.5px] text-quiet">
          {late.map((r) => (
            <li key={r.component}>
              {plan.components.find((c) => c.id === r.component)?.name ?? r.component}
              {PLAN_PANEL.upTo} {spokenDuration(r.by)} {PLAN_PANEL.lateAtServing}
            </li>
          ))}
        </ul>
      )}
      {rehearsed.onTime < WISHED_SURENESS && (
        <button
          type="button"
          className="act mt-2"
          onClick={() => void trials.attempt(PLAN_PANEL.onTimeIn95Of100, async (shell) => (await shell.sure(WISHED_SURENESS)) as Tried)}
        >
          {PLAN_PANEL.whatWouldBringItTo95}
        </button>
      )}
    </div>
  );
}

/** The same dish at another hour, looked at before it is kept. */
function AnotherHour({ serveAt, clock, trials }: { serveAt: number; clock: WallClock; trials: Trials }) {
  const now = new Date(clock.wallMinute(serveAt) * 60_000).toISOString().slice(0, 16);
  const [when, setWhen] = useState(now);
  return (
    <form
      className="flex flex-wrap items-end gap-2 text-[13px]"
      onSubmit={(event) => {
        event.preventDefault();
        void trials.attempt(PLAN_PANEL.serve(spokenInstant(when)), [{ op: "replace", path: "/dish/serveAt", value: when }]);
      }}
    >
      <span className="flex flex-col text-quiet">
        {PLAN_PANEL.serveAt}
        <MomentField label={PLAN_PANEL.serveAt} className="mt-0.5 flex" value={when} onChange={setWhen} live required />
      </span>
      <button type="submit" className="act" disabled={when === now}>
        {PLAN_PANEL.tryIt}
      </button>
    </form>
  );
}

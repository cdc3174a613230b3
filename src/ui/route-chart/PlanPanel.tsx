import dynamic from "next/dynamic";
import { type ReactNode, useState } from "react";
import { freeAllChange, pinMethodsChange, type StepPin, type Wished, wishChange } from "@/core/dish/wishes";
import { lower } from "@/core/sentence";
import { spokenDuration } from "@/core/time/duration";
import { spokenInstant, type WallClock } from "@/core/time/wall-clock";
import type { PlanView } from "@/core/view/plan-view";
import { SUMMARY } from "@/words/timetable";
import type { Tried } from "@/workers/plan-desk";
import type { Rehearsed } from "@/workers/rehearse";
import type { Desk } from "../planning/desk";
import type { Trials } from "../planning/use-trial";
import { MomentField } from "../shell/MomentField";
import { colourOf } from "./colours";
import { ReachPanel } from "./ReachPanel";
import { WorkByDay, workByDay } from "./WorkByDay";
import { hundred } from "./words";

/** It stands in a part that opens later, and brings a list to choose from with it. */
const FeastPanel = dynamic(() => import("./FeastPanel").then((m) => m.FeastPanel), { ssr: false });

const STYLES = [
  ["late", "Late", "as fresh and short as possible"],
  ["ahead", "Ahead", "little left for the last hours"],
  ["even", "Even", "no day too full"],
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
  readonly others: readonly { readonly slug: string; readonly name: string }[];
  readonly quieted: ReadonlySet<string>;
  readonly desk: () => Desk;
  readonly trials: Trials;
  readonly onQuiet: (course: string) => void;
  readonly onSelect: (component: string) => void;
}

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
        {spokenDuration(total)} of work{begun ? " left" : ""}
      </h2>
      <p className="pb-3 text-[13.5px] text-quiet">
        over {days.length === 1 ? "one day" : `${days.length} days`}.
        {begun ? "" : ` No plan can start later than ${clock.dayTime(plan.serveAt - plan.boundMinutes)}.`}
      </p>
      <WorkByDay plan={plan} clock={clock} />
      <fieldset className="mb-3">
        <legend className="caps mb-1.5">Schedule style</legend>
        <div className="flex flex-col gap-1 text-[14px]">
          {STYLES.map(([id, name, what]) => (
            <label key={id} className="flex cursor-pointer items-baseline gap-2">
              <input
                type="radio"
                name="style"
                checked={style === id}
                onChange={() => void trials.attempt(`Laid out ${lower(name)}: ${what}`, wishChange(wished, { style: id }))}
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
        title="Chance of being on time"
        line={rehearsed ? SUMMARY.onTime(hundred(rehearsed.onTime)) : SUMMARY.notRehearsed}
        open={false}
      >
        <Sureness rehearsed={rehearsed} plan={plan} trials={trials} />
      </Section>
      <Section title="Serve at another time" line={SUMMARY.serve(clock.dateTime(props.serveAt))} open={false}>
        <AnotherHour serveAt={props.serveAt} clock={clock} trials={trials} />
      </Section>
      <Section
        title="Can I still make it?"
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
      <Section title="Other dishes at this meal" line={SUMMARY.courses(props.courses)} open={false}>
        <FeastPanel others={props.others} courses={props.courses} quieted={props.quieted} onQuiet={props.onQuiet} trials={trials} />
      </Section>
      <h3 className="caps mt-4 mb-1 font-sans font-normal">Components</h3>
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
      pin.notBefore !== undefined && `not before ${clock.dayTime(pin.notBefore)}`,
      pin.notAfter !== undefined && `not after ${clock.dayTime(pin.notAfter)}`,
      pin.cook !== undefined && `by ${plan.cooks.find((c) => c.id === pin.cook)?.name ?? pin.cook}`,
    ]
      .filter(Boolean)
      .join(", ");
  return (
    <section aria-label="Fixed by you" className="mb-3">
      <h3 className="caps mb-1 font-sans font-normal">Fixed by you</h3>
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
                aria-label={`Leave the method of ${c?.name ?? id} open`}
                onClick={() =>
                  void trials.attempt(`The method of ${lower(c?.name ?? id)} left open`, pinMethodsChange(wished, { [id]: undefined }))
                }
              >
                Leave open
              </button>
            </li>
          );
        })}
      </ul>
      {pins.length > 1 && (
        <button type="button" className="link text-[13px]" onClick={() => void trials.attempt("Nothing fixed", freeAllChange(wished))}>
          Release all
        </button>
      )}
    </section>
  );
}

const WISHED_SURENESS = 0.95;

/** How often it was on time, what it hangs on, and what would bring it to 95 of 100. */
function Sureness({ rehearsed, plan, trials }: { rehearsed: Rehearsed | undefined; plan: PlanView; trials: Trials }) {
  if (!rehearsed) return <p className="text-[14px] text-quiet">It is rehearsed once the plan is ready.</p>;
  const late = (rehearsed.ready ?? [])
    .map((r) => ({ ...r, by: r.late - r.planned }))
    .filter((r) => r.by >= 5)
    .sort((a, b) => b.by - a.by)
    .slice(0, 4);
  return (
    <div className="text-[14px]">
      <p>
        On time in {hundred(rehearsed.onTime)} of 100, within half an hour in {hundred(rehearsed.within30 ?? rehearsed.within15)}.
        {rehearsed.buffer ? ` With ${spokenDuration(rehearsed.buffer)} to spare it would be 95 of 100.` : ""}
      </p>
      {late.length > 0 && (
        <ul className="mt-1 text-[13.5px] text-quiet">
          {late.map((r) => (
            <li key={r.component}>
              {plan.components.find((c) => c.id === r.component)?.name ?? r.component}: up to {spokenDuration(r.by)} late
            </li>
          ))}
        </ul>
      )}
      {rehearsed.onTime < WISHED_SURENESS && (
        <button
          type="button"
          className="act mt-2"
          onClick={() => void trials.attempt("On time in 95 of 100", async (shell) => (await shell.sure(WISHED_SURENESS)) as Tried)}
        >
          What would bring it to 95
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
        void trials.attempt(`Serve ${spokenInstant(when)}`, [{ op: "replace", path: "/dish/serveAt", value: when }]);
      }}
    >
      <span className="text-quiet">
        Serve at
        <MomentField label="Serve at" className="mt-0.5 flex" value={when} onChange={setWhen} live required />
      </span>
      <button type="submit" className="act" disabled={when === now}>
        Try it
      </button>
    </form>
  );
}

"use client";
import dynamic from "next/dynamic";
import { usePathname, useSearchParams } from "next/navigation";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { PatchOperation } from "@/core/dish/patch";
import type { DishFile } from "@/core/dish/schema";
import { type StepPin, wishChange } from "@/core/dish/wishes";
import type { Why } from "@/core/planner/explain/why";
import { lower } from "@/core/sentence";
import { condense } from "@/core/sheets/condense";
import type { Conflict } from "@/core/sheets/conflict";
import type { LoadNote } from "@/core/sheets/load";
import { spokenDuration } from "@/core/time/duration";
import { type Offsets, WallClock } from "@/core/time/wall-clock";
import type { Occupancy } from "@/core/view/occupancy";
import type { PlanView, ViewPlace } from "@/core/view/plan-view";
import { spokenTexts } from "@/core/view/spoken-texts";
import { TIMETABLE } from "@/words/route-chart";
import type { Tried } from "@/workers/plan-desk";
import type { Rehearsed } from "@/workers/rehearse";
import { useDesk } from "../planning/use-desk";
import { useTrial } from "../planning/use-trial";
import { useConventions } from "../shell/conventions";
import { requestPlan } from "../shell/PlanKeeper";
import { useNow } from "../shell/StatusLine";
import { useAddress } from "../shell/use-address";
import { useNarrow } from "../shell/use-narrow";
import { ComponentPanel } from "./ComponentPanel";
import { LoadNotes } from "./LoadNotes";
import { PlaceStrip } from "./PlaceStrip";
import { PlanPanel } from "./PlanPanel";
import { PLACE_NAMES } from "./place-names";
import { RouteChart } from "./RouteChart";
import { hundred } from "./words";
import { ZoomRow, zoomWindow } from "./ZoomRow";

interface TimetableProps {
  readonly slug: string;
  readonly version: number;
  /** Changes with the plan in force and all that it is made from. */
  readonly stamp: string;
  /** Undefined where the dish has no plan and never had one. */
  readonly plan: PlanView | undefined;
  readonly serveAt: number;
  readonly wishes: DishFile["wishes"];
  readonly pins: readonly StepPin[];
  readonly offsets: Offsets;
  readonly now: number;
  readonly reasons: Reasons;
  readonly notes: readonly LoadNote[];
  /** The planner's newest answer was that there is no plan. */
  readonly conflict: Conflict | undefined;
  readonly critical: readonly string[];
  readonly courses: readonly string[];
  readonly others: readonly { readonly slug: string; readonly name: string }[];
}

/** Why each step stands where it stands, how the plan went when it was rehearsed, how full the kitchen is. */
export interface Reasons {
  readonly whys: readonly Why[];
  readonly rehearsed: Rehearsed | undefined;
  readonly occupancy: readonly Occupancy[];
}

/** Only what is tried, and a dish without a plan, need these. */
const TrialBar = dynamic(() => import("./TrialBar").then((m) => m.TrialBar), { ssr: false });
const ImpossiblePanel = dynamic(() => import("./ImpossiblePanel").then((m) => m.ImpossiblePanel));
/** Only a phone needs it. */
const UprightChart = dynamic(() => import("./UprightChart").then((m) => m.UprightChart), { ssr: false });

const NONE: ReadonlySet<string> = new Set();

/** The Timetable: chart, and beside it what the selected component does, what the plan is like, or why there is none. */
export function Timetable(props: TimetableProps) {
  const { slug, version, stamp, plan, reasons, conflict } = props;
  const clock = useMemo(() => new WallClock(props.offsets), [props.offsets]);
  const now = useNow(props.now);
  const narrow = useNarrow();
  const desk = useDesk(slug, stamp);
  const trials = useTrial(slug, version, stamp, desk);
  const { trial } = trials;
  const { params, show } = useShown();
  const selected = plan?.components.some((c) => c.id === params.get("c")) ? (params.get("c") ?? undefined) : undefined;
  const trueScale = params.get("scale") === "true";
  const place = params.get("place") ?? undefined;
  const [focused, setFocused] = useState<string | undefined>(params.get("s") ?? undefined);
  const zoom = params.get("zoom") ?? undefined;
  const chain = params.get("chain") === "true";
  const quietCourses = useMemo(() => new Set((params.get("quiet") ?? "").split("|").filter(Boolean)), [params]);

  const problem = trials.problem ?? (conflict && { ...conflict, label: "", change: NO_CHANGE });
  useFirstRepair(plan, conflict, trials);
  useAskedLayout(params.get("layout"), props, trials, show);
  const ready = trial?.status === "ready" ? trial : undefined;
  const conventions = useConventions();
  const tried = useMemo(() => spokenTexts(ready?.view, conventions), [ready, conventions]);
  const shown = tried ?? plan;
  const groups = problem ? condense(problem.facts, (ref) => shown?.steps.find((s) => s.ref === ref)?.name ?? ref) : [];
  const part = useMemo(() => shown && zoomWindow(zoom, shown, clock), [zoom, shown, clock]);

  const select = useCallback(
    (component: string | undefined, step: string | undefined) => {
      setFocused(step);
      show({ c: component, s: step });
    },
    [show],
  );
  const hand = useRef<(step: string) => void>(undefined);
  const release = useCallback(
    async (step: string, at: number) => {
      const name = plan?.steps.find((s) => s.ref === step)?.name ?? step;
      setFocused(step);
      await trials.attempt(TIMETABLE.fixedAt(lower(name), clock.dayTime(at)), async (shell) => (await shell.settle(step, at)) as Tried, {
        keep: true,
      });
    },
    [plan, trials, clock],
  );

  useEffect(() => {
    const key = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT)$/.test(event.target.tagName);
      if (typing || event.ctrlKey || event.metaKey || event.altKey) return;
      const name = event.key.toLowerCase();
      const step = plan?.steps.find((s) => s.ref === focused);
      if (name === "f") show({ scale: trueScale ? undefined : "true" });
      else if (name === "l") show({ zoom: zoom === "last" ? undefined : "last" });
      else if (name === "z" && (zoom || step)) show({ zoom: zoom || !step ? undefined : String(clock.dayNumber(step.start)) });
      else if (name === "c") show({ chain: chain ? undefined : "true" });
    };
    window.addEventListener("keydown", key);
    return () => window.removeEventListener("keydown", key);
  }, [show, trueScale, zoom, chain, plan, focused, clock]);

  const quieted = useMemo(
    () =>
      quietCourses.size ? new Set(shown?.components.flatMap((c) => (c.course && quietCourses.has(c.course) ? [c.id] : [])) ?? []) : NONE,
    [quietCourses, shown],
  );
  const opened = reasons.occupancy.find((o) => o.place === place);
  const openPlace = useCallback(
    (name: ViewPlace) => show({ place: place === name || name === "counter" ? undefined : name }),
    [show, place],
  );
  const onDay = useCallback((minute: number) => show({ zoom: zoom ? undefined : String(clock.dayNumber(minute)) }), [show, zoom, clock]);
  const begins = shown && clock.dayTime(shown.begins);

  return (
    <>
      <div className="grid gap-x-6 px-5 pt-3 sm:px-7 lg:grid-cols-[minmax(0,1fr)_290px]" data-timetable>
        <section aria-label={TIMETABLE.routeChart} className="min-w-0">
          {(trials.trial || trials.problem) && <TrialBar trials={trials} plan={plan} onTime={reasons.rehearsed?.onTime} clock={clock} />}
          {conflict && plan && !ready && <p className="pb-2 pl-[74px] text-[13.5px] text-quiet">{TIMETABLE.belowIsTheLastPlan}</p>}
          {shown ? (
            <>
              {narrow !== false && (
                <div className="md:hidden">
                  <UprightChart plan={shown} clock={clock} now={now} selected={selected} focused={focused} onSelect={select} />
                </div>
              )}
              {narrow !== true && (
                <div className="max-md:hidden">
                  <RouteChart
                    plan={shown}
                    before={ready && !ready.auto && plan ? plan : undefined}
                    clock={clock}
                    now={now}
                    selected={selected}
                    focused={focused}
                    trueScale={trueScale}
                    window={part}
                    whys={ready ? [] : reasons.whys}
                    pins={ready && !ready.auto ? [] : props.pins}
                    lastMoments={(ready ? ready.rehearsed.fallbacks : reasons.rehearsed?.fallbacks) ?? []}
                    quieted={quieted}
                    lit={chain && !ready ? props.critical : undefined}
                    clash={groups}
                    wishedAt={problem && wishedServing(problem.change, props.serveAt, clock)}
                    desk={desk}
                    hand={hand}
                    onSelect={select}
                    onRelease={release}
                    onDay={onDay}
                    onPlace={openPlace}
                    strip={(geometry) =>
                      opened && <PlaceStrip geometry={geometry} occupancy={opened} name={PLACE_NAMES[opened.place]} clock={clock} />
                    }
                  />
                </div>
              )}
            </>
          ) : (
            <p className="py-10 text-quiet">{TIMETABLE.nothingToShowYetChoose}</p>
          )}
          {shown && (
            <>
              <div className="max-md:hidden">
                <ZoomRow plan={shown} clock={clock} zoom={zoom} onZoom={(to) => show({ zoom: to })} />
              </div>
              <p className="flex flex-wrap gap-x-4 gap-y-1 pb-1 text-[13px] max-md:pt-3 md:pl-[74px]">
                <span>
                  {TIMETABLE.starts} {begins}, {spokenDuration(shown.leadMinutes)} {TIMETABLE.beforeServing}
                </span>
                {!ready && reasons.rehearsed && <span>{rehearsal(reasons.rehearsed, shown)}</span>}
                <span className="flex flex-wrap gap-x-4" data-screen>
                  <button type="button" className="link max-md:hidden" onClick={() => show({ scale: trueScale ? undefined : "true" })}>
                    {trueScale ? TIMETABLE.hideQuietHours : TIMETABLE.showToScale}
                  </button>
                  <button
                    type="button"
                    className="link max-md:hidden"
                    aria-pressed={chain}
                    onClick={() => show({ chain: chain ? undefined : "true" })}
                  >
                    {chain ? TIMETABLE.showAllSteps : TIMETABLE.showCriticalSteps}
                  </button>
                  <button type="button" className="link" onClick={() => requestPlan({ fresh: true })}>
                    {TIMETABLE.replan}
                  </button>
                </span>
              </p>
              <p className="flex flex-wrap gap-x-3 pb-3 pl-[74px] text-[13px] max-md:hidden" data-screen>
                <span className="text-quiet">{TIMETABLE.open}</span>
                {reasons.occupancy.map((o) => (
                  <button
                    key={o.place}
                    type="button"
                    className="link"
                    aria-pressed={place === o.place}
                    onClick={() => show({ place: place === o.place ? undefined : o.place })}
                  >
                    {PLACE_NAMES[o.place]}
                  </button>
                ))}
              </p>
            </>
          )}
        </section>
        <aside
          // On a phone what belongs to the selected line comes up from below.
          className={
            narrow && selected && !problem
              ? "fixed inset-x-0 bottom-0 z-30 max-h-[56vh] overflow-y-auto border-t-2 border-rim bg-paper px-5 shadow-lg"
              : "border-rule lg:border-l lg:pl-6"
          }
          aria-label={problem ? TIMETABLE.conflict : selected ? TIMETABLE.theSelectedComponent : TIMETABLE.thePlan}
          data-screen
        >
          {problem ? (
            <ImpossiblePanel problem={problem} groups={groups} trials={trials} />
          ) : selected && plan ? (
            <ComponentPanel
              plan={plan}
              component={selected}
              focused={focused}
              clock={clock}
              whys={reasons.whys}
              wished={props}
              trials={trials}
              onTake={(step) => hand.current?.(step)}
              onSelect={select}
            />
          ) : plan ? (
            <PlanPanel
              slug={slug}
              plan={plan}
              clock={clock}
              serveAt={props.serveAt}
              wished={props}
              pins={props.pins}
              rehearsed={reasons.rehearsed}
              stamp={stamp}
              courses={props.courses}
              others={props.others}
              quieted={quietCourses}
              desk={desk}
              trials={trials}
              onQuiet={(course) => {
                const next = new Set(quietCourses);
                if (!next.delete(course)) next.add(course);
                show({ quiet: next.size ? [...next].join("|") : undefined });
              }}
              onSelect={(component) => select(component, undefined)}
            />
          ) : null}
        </aside>
      </div>
      {!problem && <LoadNotes notes={props.notes} plan={plan} clock={clock} stamp={stamp} desk={desk} trials={trials} />}
    </>
  );
}

/** The minute of serving that a change asks for, by the wall clock of the one that stands. */
function wishedServing(change: readonly PatchOperation[], serveAt: number, clock: WallClock): number | undefined {
  const asked = change.find((op) => op.path === "/dish/serveAt" && "value" in op);
  const wall =
    asked && "value" in asked && typeof asked.value === "string" ? Date.parse(`${asked.value.slice(0, 16)}Z`) / 60_000 : Number.NaN;
  return Number.isFinite(wall) ? wall - (clock.wallMinute(serveAt) - serveAt) : undefined;
}

const NO_CHANGE: readonly PatchOperation[] = [];

/** What is seen stands in the address, so that a link reopens it; moving the focus is not worth an entry in the history. */
function useShown() {
  const params = useSearchParams();
  const path = usePathname();
  const put = useAddress(params);
  const show = useCallback(
    (changes: Record<string, string | undefined>) => {
      const next = new URLSearchParams(window.location.search);
      for (const [key, value] of Object.entries(changes)) {
        if (value === undefined) next.delete(key);
        else next.set(key, value);
      }
      put(next.size ? `${path}?${next}` : path);
    },
    [path, put],
  );
  return { params, show };
}

/** Where there is nothing to draw at all, the first way out is tried at once, so that what clashes can be seen on it. */
function useFirstRepair(plan: PlanView | undefined, conflict: Conflict | undefined, { attempt, trial }: ReturnType<typeof useTrial>) {
  const tried = useRef(false);
  useEffect(() => {
    const first = conflict?.repairs[0];
    if (!first) tried.current = false;
    // Once: ways are found one after another, and what the cook looks at meanwhile stays.
    if (plan || !first || tried.current || trial) return;
    tried.current = true;
    void attempt(first.text, first.change, { repair: true });
  }, [plan, conflict, attempt, trial]);
}

/** Another layout, asked for by an address (the palette does so). */
function useAskedLayout(
  layout: string | null,
  wished: Pick<TimetableProps, "wishes">,
  { attempt }: ReturnType<typeof useTrial>,
  show: (changes: Record<string, undefined>) => void,
) {
  const style = STYLES.find((s) => s === layout);
  useEffect(() => {
    if (!style) return;
    show({ layout: undefined });
    void attempt(TIMETABLE.scheduleStyle(style), wishChange(wished, { style }));
  }, [style, attempt, show, wished]);
}

const STYLES = ["late", "ahead", "even", "shortest"] as const;

/** "On time in 93 of 100 rehearsals; the cultured butter decides." */
function rehearsal({ onTime, within15, blame }: Rehearsed, plan: PlanView): string {
  const culprit = blame && plan.components.find((c) => blame.startsWith(`${c.id}.`))?.name;
  const late = hundred(within15) > hundred(onTime) ? TIMETABLE.withAQuarterOfAnHour(hundred(within15)) : "";
  return TIMETABLE.onTimeInOf100Rehearsals(
    hundred(onTime),
    late,
    culprit && onTime < 0.995 ? `; the ${lower(culprit.replace(/^The /, ""))} decides` : "",
  );
}

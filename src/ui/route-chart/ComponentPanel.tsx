"use client";
import dynamic from "next/dynamic";
import { useEffect, useRef } from "react";
import { pinMethodsChange, type Wished } from "@/core/dish/wishes";
import type { Why } from "@/core/planner/explain/why";
import { lower } from "@/core/sentence";
import { spokenDuration } from "@/core/time/duration";
import type { WallClock } from "@/core/time/wall-clock";
import type { ComponentView, PlanView, StepView, WaitView } from "@/core/view/plan-view";
import { COMPONENT_PANEL } from "@/words/route-chart";
import type { Trials } from "../planning/use-trial";
import { Spoken } from "../shell/conventions";
import { HoldWindow } from "./HoldWindow";
import { PLACE_NAMES } from "./place-names";
import { handsWords, placeWords, roundsWords } from "./words";

/** Wanted once a step is chosen. */
const StepTools = dynamic(() => import("./StepTools").then((m) => m.StepTools), { ssr: false });

interface ComponentPanelProps {
  readonly plan: PlanView;
  readonly component: string;
  readonly focused: string | undefined;
  readonly clock: WallClock;
  readonly whys: readonly Why[];
  readonly wished: Wished;
  readonly trials: Trials;
  readonly onTake: (step: string) => void;
  readonly onSelect: (component: string | undefined, step: string | undefined) => void;
}

type Row = { readonly at: number; readonly order: number } & ({ readonly step: StepView } | { readonly wait: WaitView });

/** One component from its first step to where it is taken: steps and waits in their order. */
export function ComponentPanel(props: ComponentPanelProps) {
  const { plan, component, focused, clock, whys, onSelect } = props;
  const view = plan.components.find((c) => c.id === component);
  const rows: Row[] = [
    ...plan.steps.filter((s) => s.component === component).map((step) => ({ at: step.start, order: 1, step })),
    ...plan.waits
      .filter((w) => w.component === component && (w.to - w.from >= 20 || toOther(w)))
      .map((wait) => ({ at: wait.from, order: 0, wait })),
  ].sort((a, b) => a.at - b.at || a.order - b.order);
  const here = useRef<HTMLLIElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: scrolls when the focus moves
  useEffect(() => here.current?.scrollIntoView({ block: "nearest" }), [focused]);
  const nameOf = (ref: string) => plan.components.find((c) => c.id === ref.split(".")[0])?.name ?? ref;

  return (
    <div className="pt-4 pb-6">
      <div className="flex items-baseline justify-between gap-3">
        <h2 className="text-[20px]">{view?.name}</h2>
        <button type="button" className="link text-[13px]" onClick={() => onSelect(undefined, undefined)}>
          {COMPONENT_PANEL.showAll}
        </button>
      </div>
      {view && <Ways view={view} wished={props.wished} trials={props.trials} />}
      <ol className="max-h-[64vh] overflow-y-auto" tabIndex={-1}>
        {rows.map((row) =>
          "step" in row ? (
            <li
              key={row.step.ref}
              ref={row.step.ref === focused ? here : undefined}
              className={`grid grid-cols-[78px_1fr] gap-x-2 border-t border-rule px-1.5 py-1.5 ${row.step.ref === focused ? "bg-saffron-wash" : ""}`}
            >
              <span className="clock text-[13px] whitespace-nowrap">{clock.dayTime(row.step.start)}</span>
              <span>
                <button
                  type="button"
                  className="cursor-pointer text-left text-[14.5px] leading-snug hover:underline"
                  onClick={() => onSelect(component, row.step.ref)}
                >
                  {row.step.name}
                </button>
                <span className="block text-[12.5px] text-quiet">
                  {spokenDuration(row.step.pieces.reduce((sum, [a, b]) => sum + b - a, 0))}, <Spoken>{placeWords(row.step)}</Spoken>;{" "}
                  {handsWords(row.step, plan)}
                </span>
                {row.step.ref === focused && (
                  <>
                    <StepDetails step={row.step} plan={plan} why={whys.find((w) => w.step === row.step.ref)} clock={clock} />
                    {row.step.state === "planned" && (
                      <StepTools
                        key={row.step.ref}
                        step={row.step}
                        plan={plan}
                        wished={props.wished}
                        clock={clock}
                        trials={props.trials}
                        onTake={() => props.onTake(row.step.ref)}
                      />
                    )}
                  </>
                )}
              </span>
            </li>
          ) : (
            <li key={`${row.wait.fromStep} ${row.wait.toStep} ${row.wait.name}`} className="border-t border-rule px-1.5 py-1.5">
              <div className="grid grid-cols-[78px_1fr] gap-x-2">
                <span className="clock text-[13px] text-quiet">{spokenDuration(row.wait.to - row.wait.from)}</span>
                <span className="text-[13.5px] text-quiet italic">
                  {row.wait.to > row.wait.from
                    ? `${row.wait.place === "counter" ? COMPONENT_PANEL.onTheCounter : COMPONENT_PANEL.inThe(PLACE_NAMES[row.wait.place])}`
                    : COMPONENT_PANEL.atOnce}
                  {toOther(row.wait) ? COMPONENT_PANEL.forIt(lower(nameOf(row.wait.toStep))) : ""}
                </span>
              </div>
              <div className="pl-[86px]">
                <HoldWindow wait={row.wait} />
              </div>
            </li>
          ),
        )}
      </ol>
    </div>
  );
}

const toOther = (w: WaitView) => w.fromStep.split(".")[0] !== w.toStep.split(".")[0];

/** The ways of making it: the one in force, the others to be looked at. */
function Ways({ view, wished, trials }: { view: ComponentView; wished: Wished; trials: Trials }) {
  const ways = [
    ...view.methods.map((m) => ({ id: m.id, name: m.name, quality: m.quality })),
    ...(view.fallback ? [{ id: "fallback", name: view.fallback, quality: undefined }] : []),
  ];
  if (ways.length < 2) return <p className="pb-2 text-[13.5px] text-quiet">{view.method}</p>;
  return (
    <fieldset className="pb-2 text-[13.5px]">
      <legend className="sr-only">{COMPONENT_PANEL.methods}</legend>
      {ways.map((way) => (
        <label key={way.id} className="flex cursor-pointer items-baseline gap-2">
          <input
            type="radio"
            name={`method ${view.id}`}
            className="accent-(--rim)"
            checked={way.id === view.methodId}
            onChange={() => void trials.attempt(`${view.name}: ${lower(way.name)}`, pinMethodsChange(wished, { [view.id]: way.id }))}
          />
          <span>
            {way.name}
            <span className="text-quiet">
              {way.id === "fallback"
                ? COMPONENT_PANEL.bought
                : way.quality !== undefined && way.quality < 1
                  ? COMPONENT_PANEL.of100AsGood(Math.round(way.quality * 100))
                  : ""}
            </span>
          </span>
        </label>
      ))}
    </fieldset>
  );
}

function StepDetails({ step, plan, why, clock }: { step: StepView; plan: PlanView; why: Why | undefined; clock: WallClock }) {
  return (
    <span className="mt-1 block text-[13px]">
      {step.cue && (
        <span className="block">
          {COMPONENT_PANEL.doneWhen} {step.cue}
          {step.probeC !== undefined && <Spoken>{`, ${step.probeC} °C`}</Spoken>}.
        </span>
      )}
      {step.uncertain && (
        <span className="block text-quiet">
          {COMPONENT_PANEL.between} {spokenDuration(step.uncertain[0])} {COMPONENT_PANEL.and} {spokenDuration(step.uncertain[2])}
          {COMPONENT_PANEL.mostOften} {spokenDuration(step.uncertain[1])}.
        </span>
      )}
      {step.rounds.length > 0 && <span className="block text-quiet">{roundsWords(step)}</span>}
      {step.equipment.length > 0 && (
        <span className="block text-quiet">
          {COMPONENT_PANEL.withIt} {step.equipment.map((e) => e.toLowerCase()).join(", ")}.
        </span>
      )}
      {step.note && <span className="block text-quiet">{step.note}</span>}
      {why && (
        <>
          <span className="mt-1.5 block border-l-[3px] border-rim pl-2">
            <b className="font-semibold">{COMPONENT_PANEL.notLaterThan}</b> {why.notLater}
          </span>
          <span className="mt-1 block border-l-[3px] border-saffron pl-2">
            {why.latest > why.earliest
              ? COMPONENT_PANEL.canStartBetweenAndIf(clock.dayTime(why.earliest), clock.dayTime(why.latest))
              : COMPONENT_PANEL.cannotMoveServingOnTime}
          </span>
          <ChainList title={COMPONENT_PANEL.towardsServing} chain={why.laterChain} plan={plan} clock={clock} />
          {why.notEarlier && (
            <span className="mt-1 block border-l-[3px] border-rule pl-2">
              <b className="font-semibold">{COMPONENT_PANEL.notEarlierThan}</b> {why.notEarlier}
            </span>
          )}
        </>
      )}
    </span>
  );
}

/** The tight chain in words: each step with what ties it to the one before. */
function ChainList({ title, chain, plan, clock }: { title: string; chain: Why["laterChain"]; plan: PlanView; clock: WallClock }) {
  const links = chain.flatMap((hold) => {
    const step = plan.steps.find((s) => s.ref === hold.step);
    return step ? [{ ...hold, name: step.name, at: step.start }] : [];
  });
  if (links.length === 0) return null;
  return (
    <details className="mt-1 pl-2.5">
      <summary className="cursor-pointer text-quiet">
        {title}, {links.length === 1 ? COMPONENT_PANEL.oneStepHoldsIt : COMPONENT_PANEL.stepsHoldOneAnother(links.length)}
      </summary>
      <ol className="mt-0.5">
        {links.map((link) => (
          <li key={link.step} className="py-0.5">
            <span className="clock text-[12px] text-quiet">{clock.dayTime(link.at)}</span> {link.name}
            <span className="block text-[12.5px] text-quiet">{link.text}</span>
          </li>
        ))}
      </ol>
    </details>
  );
}

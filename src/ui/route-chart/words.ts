// What the chart says in words of a step, for the live line, the panel and whoever cannot see the lines.

import { lower } from "@/core/sentence";
import { spokenDuration } from "@/core/time/duration";
import type { WallClock } from "@/core/time/wall-clock";
import type { PlanView, StepView, WaitView } from "@/core/view/plan-view";
import { CHART_WORDS } from "@/words/route-chart";
import type { Held } from "../planning/use-drag";

/** A share as so many of a hundred; what is not all is not called all. */
export const hundred = (share: number) => (share > 0.995 && share < 1 ? 99 : Math.round(share * 100));

export function handsWords(step: StepView, plan: Pick<PlanView, "cooks">): string {
  if (step.hands.length === 0) return step.attention === "nearby" ? CHART_WORDS.somebodyNearby : "unattended";
  const minutes = step.hands.reduce((sum, h) => sum + h.to - h.from, 0);
  const names = [...new Set(step.hands.map((h) => plan.cooks.find((c) => c.id === h.cook)?.name ?? h.cook))].join(CHART_WORDS.and);
  const all = minutes === step.pieces.reduce((sum, [a, b]) => sum + b - a, 0);
  return CHART_WORDS.byHand(
    spokenDuration(minutes),
    all ? "" : `, the rest ${step.attention === "nearby" ? "with somebody nearby" : "unattended"}`,
    names,
  );
}

export function placeWords(step: StepView): string {
  if (step.place === "oven") return CHART_WORDS.ovenAtC(step.tempC);
  if (step.place === "bath" || step.place === "grill") return CHART_WORDS.atC(step.place, step.tempC);
  if (step.place === "cellar") return "larder";
  return step.place;
}

/** "4 rounds: skim." */
export const roundsWords = ({ rounds }: StepView): string =>
  `${rounds.length === 1 ? CHART_WORDS.oneRound : CHART_WORDS.rounds(rounds.length)}: ${rounds[0]?.what ?? ""}.`;

export function stepWords(step: StepView, plan: PlanView, clock: WallClock): string {
  const component = plan.components.find((c) => c.id === step.component)?.name;
  const rounds = step.rounds.length ? ` ${roundsWords(step)}` : "";
  const state = step.state === "done" ? " Done." : step.state === "running" ? " Running." : "";
  return CHART_WORDS.to(
    component,
    step.name,
    clock.dayTime(step.start),
    clock.near(step.end, step.start),
    placeWords(step),
    handsWords(step, plan),
    rounds,
    state,
  );
}

/** "Scalded milk in the fridge for 9 h: least 8 h; best 12 h to 1 day; longest 3 days, for safety." */
export function waitWords(wait: WaitView): string {
  const where =
    wait.place === "counter" ? CHART_WORDS.onTheCounter : wait.place === "cellar" ? CHART_WORDS.inTheLarder : CHART_WORDS.inThe(wait.place);
  const words = windowWords(wait);
  return CHART_WORDS.forIt(wait.name, where, spokenDuration(wait.to - wait.from), words ? `: ${words}` : "");
}

export function windowWords({ window }: WaitView): string {
  if (!window) return "";
  return [
    window.min ? CHART_WORDS.least(spokenDuration(window.min)) : undefined,
    window.best ? CHART_WORDS.bestTo(spokenDuration(window.best[0]), spokenDuration(window.best[1])) : undefined,
    window.max !== undefined
      ? CHART_WORDS.longest(spokenDuration(window.max), window.limit === "safety" ? "for safety" : "for quality")
      : undefined,
  ]
    .filter((w) => w !== undefined)
    .join("; ");
}

/** The waits on either side of a step that have a window. */
export function waitsWords(step: StepView, plan: PlanView): string {
  const before = plan.waits.filter((w) => w.toStep === step.ref && w.window && w.to > w.from);
  const after = plan.waits.filter((w) => w.fromStep === step.ref && w.window && w.to > w.from);
  return [
    ...before.slice(0, 2).map((w) => CHART_WORDS.beforeIt(lower(waitWords(w)))),
    ...after.slice(0, 1).map((w) => CHART_WORDS.afterIt(lower(waitWords(w)))),
  ].join(" ");
}

/** What is said while a step is picked up. */
export function heldWords(held: Held, plan: PlanView, clock: WallClock): string {
  const name = plan.steps.find((s) => s.ref === held.step)?.name ?? held.step;
  // Under a pointer the note beside it says the rest, twenty times a second: too often to be read out.
  if (held.by === "pointer") return CHART_WORDS.isPickedUpDropIt(name);
  const keys = CHART_WORDS.arrowKeysMoveItWith;
  if (held.stuck) return CHART_WORDS.staysAt(name, clock.dayTime(held.at ?? held.wanted), held.stuck);
  if (held.at === undefined) return CHART_WORDS.isPickedUp(name, keys);
  const others = held.moved.filter((s) => s !== held.step).length;
  return CHART_WORDS.at(
    name,
    clock.dayTime(held.at),
    others === 0 ? "nothing else moves" : `${others} other ${others === 1 ? "step moves" : "steps move"} with it`,
  );
}

// What the chart says in words of a step, for the live line, the panel and whoever cannot see the lines.
import type { PlanView, StepView } from "@/core/sheets/plan-view";
import { spokenDuration } from "@/core/time/duration";
import type { WallClock } from "@/core/time/wall-clock";

export function handsWords(step: StepView, plan: Pick<PlanView, "cooks">): string {
  if (step.hands.length === 0) return step.attention === "nearby" ? "somebody nearby" : "works alone";
  const minutes = step.hands.reduce((sum, h) => sum + h.to - h.from, 0);
  const names = [...new Set(step.hands.map((h) => plan.cooks.find((c) => c.id === h.cook)?.name ?? h.cook))].join(" and ");
  const all = minutes === step.pieces.reduce((sum, [a, b]) => sum + b - a, 0);
  return `${spokenDuration(minutes)} by hand${all ? "" : `, the rest ${step.attention === "nearby" ? "with somebody nearby" : "alone"}`} (${names})`;
}

export function placeWords(step: StepView): string {
  if (step.place === "oven") return `oven at ${step.tempC} °C`;
  if (step.place === "bath" || step.place === "grill") return `${step.place} at ${step.tempC} °C`;
  if (step.place === "cellar") return "larder";
  return step.place;
}

export function stepWords(step: StepView, plan: PlanView, clock: WallClock): string {
  const component = plan.components.find((c) => c.id === step.component)?.name;
  const rounds = step.rounds.length ? ` ${step.rounds.length} rounds: ${step.rounds[0]?.what}.` : "";
  const state = step.state === "done" ? " Done." : step.state === "running" ? " Running." : "";
  return `${component}: ${step.name}, ${clock.dayTime(step.start)} to ${clock.near(step.end, step.start)}, ${placeWords(step)}; ${handsWords(step, plan)}.${rounds}${state}`;
}

// What may help against a weak point that rehearsals show: changes of the dish or the kitchen, to be tried on all of them before one is kept.
import type { PatchOperation } from "../dish/patch";
import type { DishFile } from "../dish/schema";
import { wishChange } from "../dish/wishes";
import { PLAN_ATS, type Plan, type PlanOptions } from "../planner";
import { Trial } from "../planner/explain/repairs/trial";
import { holdPlaces } from "../planner/explain/repairs/waits";
import { type HeavyPlace, lightenLoad } from "../planner/lighten";
import { durationText, spokenDuration } from "../time/duration";
import type { WeakPoint } from "./rehearsed-plan";

interface WeakPointFix {
  readonly text: string;
  readonly change: readonly PatchOperation[];
}

const COOL_BOX_LITRES = 10;
const WAIT_LONGER_BY = 1.5;
const LENGTHS: Record<(typeof PLAN_ATS)[number], string> = {
  likely: "Plan with likely lengths",
  cautious: "Plan uncertain steps longer",
  longest: "Plan every step with its longest length",
};

/** Changes that may help, the least trouble first; none of them is tried yet. A safety limit is never widened. */
export function fixesOf(document: DishFile, options: PlanOptions, plan: Plan, weak: WeakPoint): WeakPointFix[] {
  const lighten = (kind: HeavyPlace["kind"]) =>
    weak.at === undefined
      ? []
      : lightenLoad(document, options, plan, { kind, at: weak.at }).map(({ text, change }) => ({ text: text.replace(/\.$/, ""), change }));
  if (weak.kind === "place") return [coolBox(new Trial(document, options, () => false), weak.about), ...otherStyles(document, plan)];
  if (weak.kind === "hands") return [...lighten("full-day"), ...otherStyles(document, plan)];
  if (weak.kind === "wait") return [...longerWait(document, weak.about), ...moreTime(document, plan), ...otherStyles(document, plan)];
  return [...moreTime(document, plan), ...otherStyles(document, plan)];
}

/** The next more careful length of uncertain steps. */
function moreTime(document: DishFile, plan: Plan): WeakPointFix[] {
  return PLAN_ATS.slice(PLAN_ATS.indexOf(plan.planAt) + 1).map((planAt) => ({
    text: LENGTHS[planAt],
    change: wishChange(document, { planAt }),
  }));
}

function otherStyles(document: DishFile, plan: Plan): WeakPointFix[] {
  const styles = [
    ["ahead", "Schedule style Ahead: little left for the last hours"],
    ["even", "Schedule style Even: no day too full"],
    ["late", "Schedule style Late: everything as fresh as possible"],
  ] as const;
  return styles.filter(([style]) => style !== plan.style).map(([style, text]) => ({ text, change: wishChange(document, { style }) }));
}

function coolBox(trial: Trial, kind: string): WeakPointFix {
  const value = { id: trial.freshId("equipment", "cool-box"), kind, name: "Cool box with ice", litres: COOL_BOX_LITRES };
  return {
    text: `A cool box with ice, ${COOL_BOX_LITRES} L`,
    change: [...trial.kitchen("equipment"), { op: "add", path: "/kitchen/equipment/-", value }],
  };
}

/** A wait that only quality limits, half as long again. */
function longerWait(document: DishFile, output: string): WeakPointFix[] {
  const places = holdPlaces(document, output).filter((p) => p.limit !== "safety");
  if (places.length === 0) return [];
  const longer = (minutes: number) => Math.ceil((minutes * WAIT_LONGER_BY) / 15) * 15;
  const longest = Math.max(...places.map((p) => longer(p.minutes)));
  const change = places.map((p) => ({ op: "replace" as const, path: p.path, value: durationText(longer(p.minutes)) }));
  return [{ text: `Let it wait up to ${spokenDuration(longest)}, with some loss of quality`, change }];
}

// Findings as they cross to a page: mends as patches, and whether the cook has said by name that the thing is known.
import type { Dish } from "../dish/model";
import { applyPatch, type PatchOperation, patchBetween } from "../dish/patch";
import type { DishFile } from "../dish/schema";
import { intervalsOfHours } from "../time/calendar";
import { subtract, union } from "../time/interval";
import type { PlanView } from "../view/plan-view";
import type { Finding } from "./finding";
import { safetyFindings } from "./findings";
import { safetyScene } from "./scene";

export interface FindingView extends Omit<Finding, "mends" | "known"> {
  readonly where: string;
  readonly mends: readonly { readonly label: string; readonly change: readonly PatchOperation[] }[];
  /** Changes with what was computed and with the step that it is about: an acknowledgement holds for one of them. */
  readonly print: string;
  readonly acknowledged: boolean;
}

/** FNV-1a, 32 bits: to tell one state of a thing from another, not to keep a secret. */
function printOf(text: string): string {
  let hash = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193);
  return (hash >>> 0).toString(16).padStart(8, "0");
}

/** Stretches of the plan in which no cook is awake. */
export const asleepIn = (dish: Dish, view: PlanView): readonly (readonly [number, number])[] =>
  subtract([[view.begins, view.ends]], union(dish.cooks.flatMap((c) => intervalsOfHours(c.awake, dish.zone, view.begins, view.ends))));

interface Looked {
  readonly document: DishFile;
  readonly dish: Dish;
  /** Methods in force, by component. */
  readonly chosen: Readonly<Record<string, string>>;
  readonly view: PlanView | undefined;
  /** Prints of what was acknowledged, by finding. */
  readonly acknowledged: ReadonlyMap<string, string>;
}

const weightOf = (f: Pick<Finding, "severity" | "hard">) => (f.hard ? 4 : { stop: 3, warn: 2, note: 1 }[f.severity]);
/** Whether a change mends: the finding is gone or weighs less, and nothing as heavy has come in its place. */
function mendsIt(finding: Pick<Finding, "id" | "severity" | "hard">, before: readonly Finding[], after: readonly Finding[]): boolean {
  const same = after.find((f) => f.id === finding.id);
  if (same && weightOf(same) >= weightOf(finding)) return false;
  return worsened(before, after, Math.max(weightOf({ severity: "warn" }), weightOf(finding))) === undefined;
}

/** A finding of at least this weight that was not there before, or weighed less. */
function worsened(before: readonly Finding[], after: readonly Finding[], least: number): Finding | undefined {
  const known = new Map(before.map((f) => [f.id, weightOf(f)]));
  return after.find((f) => weightOf(f) >= least && weightOf(f) > (known.get(f.id) ?? 0));
}

/**
 * Looks at changes of a dish before they are offered.
 * @returns for a change: the title of a Caution or Danger that it brings; undefined where it brings none
 */
function hazardOf(document: DishFile): (change: readonly PatchOperation[]) => string | undefined {
  const before = findingsWithoutPlan(document);
  return (change) => worsened(before, findingsWithoutPlan(applyPatch(document, change)), CAUTION)?.title;
}

const CAUTION = weightOf({ severity: "warn" });
const findingsWithoutPlan = (document: DishFile) => safetyFindings(safetyScene(document, {}));

/** The title of a Caution or Danger that a dish has and did not have before; undefined where there is none. */
export const hazardBetween = (before: DishFile, after: DishFile): string | undefined =>
  worsened(findingsWithoutPlan(before), findingsWithoutPlan(after), CAUTION)?.title;

/**
 * The hazards of many changes, by bisection: a group that together brings none is not split. Two changes that cancel each other out are missed here,
 * so a change is checked again by itself when it is accepted (`hazardBetween`).
 */
export function hazardsOf(document: DishFile, changes: readonly (readonly PatchOperation[])[]): (string | undefined)[] {
  if (changes.length === 0) return [];
  const hazard = hazardOf(document);
  const found: (string | undefined)[] = changes.map(() => undefined);
  const look = (from: number, to: number): void => {
    const title = from < to ? hazard(changes.slice(from, to).flat()) : undefined;
    if (title === undefined) return;
    if (to - from === 1) {
      found[from] = title;
      return;
    }
    const middle = (from + to) >> 1;
    look(from, middle);
    look(middle, to);
  };
  look(0, changes.length);
  return found;
}

type MendView = FindingView["mends"][number];
/** So many dishes are remembered with the mends that were tried on them. */
const MOST_TRIED = 8;
const tried = new Map<string, Map<string, readonly MendView[]>>();

/**
 * Tries mends on a dish. A mend changes the dish and not its plan, so it is tried without one: what it came to holds until the dish changes,
 * however often it is planned.
 */
function mendsTried(document: DishFile, chosen: Looked["chosen"]): (finding: Finding) => readonly MendView[] {
  const key = JSON.stringify([document, chosen]);
  const known = tried.get(key) ?? new Map<string, readonly MendView[]>();
  if (!tried.has(key) && tried.size >= MOST_TRIED) tried.delete(tried.keys().next().value as string);
  tried.set(key, known);
  let before: readonly Finding[] | undefined;
  return (finding) => {
    if (finding.mends.length === 0) return [];
    const of = JSON.stringify([finding.id, finding.severity, finding.hard, finding.mends.map((m) => m.label)]);
    const kept = known.get(of);
    if (kept) return kept;
    before ??= safetyFindings(safetyScene(document, chosen));
    const mends = finding.mends.flatMap((m): MendView[] => {
      const after = m.apply(document);
      const mended = mendsIt(finding, before as readonly Finding[], safetyFindings(safetyScene(after, chosen)));
      return mended ? [{ label: m.label, change: patchBetween(document, after) }] : [];
    });
    known.set(of, mends);
    return mends;
  };
}

/** What the rules find in a dish and its plan. */
export function findingViews({ document, dish, chosen, view, acknowledged }: Looked): FindingView[] {
  const scene = safetyScene(document, chosen, view, view ? asleepIn(dish, view) : []);
  const mendsOf = mendsTried(document, chosen);
  const steps = new Map(scene.parts.flatMap((p) => p.steps.map((s) => [s.ref, s] as const)));
  return safetyFindings(scene).map((found): FindingView => {
    const { mends: _, known, ...finding } = found;
    const step = finding.step === undefined ? undefined : steps.get(finding.step);
    const component = document.components.find((c) => c.id === finding.component);
    const print = printOf(JSON.stringify([finding.severity, finding.hard ?? false, known ?? finding.computed, step?.step ?? null]));
    return {
      ...finding,
      where: [step?.name, component?.name].filter(Boolean).join(", "),
      mends: mendsOf(found),
      print,
      acknowledged: finding.hard !== true && acknowledged.get(finding.id) === print,
    };
  });
}

/** What stands in the way of a run, or of one step of it: of what is past a limit no further step is begun, whichever step it stands at. */
export const unacknowledged = (findings: readonly FindingView[], step?: string): readonly FindingView[] =>
  findings.filter(
    (f) =>
      f.severity === "stop" &&
      !f.acknowledged &&
      (step === undefined || f.step === step || (f.hard === true && f.component === step.split(".")[0])),
  );

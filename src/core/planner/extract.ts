// From committed activities to a plan: steps, hands, rounds, equipment, holds, settings.
import type { Step } from "../dish/model";
import { plannedLength } from "../dish/planned-length";
import type { Engine } from "./engine";
import type { Model } from "./model";
import type { EquipmentSpan, HandsSpan, Plan, PlannedHold, PlannedStep, Style } from "./plan";
import { priceOf } from "./regret";
import type { Placement } from "./resources/commitments";

export interface PlanFrame {
  readonly style: Style;
  readonly seed: number;
  readonly boundMinutes: number;
}

/** Undefined where the rounds of some step cannot be dealt out: the domains allowed each one, not all in order. */
export function extractPlan(model: Model, engine: Engine, frame: PlanFrame): Plan | undefined {
  const equipment = equipmentByStep(model, engine);
  const steps: PlannedStep[] = [];
  for (const step of model.inForce) {
    const first = model.first.get(step.ref) as number;
    const last = model.lastOf.get(step.ref) as number;
    const placements = Array.from({ length: last - first + 1 }, (_, i) => engine.placements[first + i] as Placement);
    const start = (placements[0] as Placement).start;
    const end = (placements.at(-1) as Placement).end;
    const activity = model.activities[first] as Model["activities"][number];
    const rounds = engine.hands.roundsOf(activity, { start, end, pieces: [] });
    if (!rounds) return undefined;
    const worked = activity.fact?.done ? [] : (model.worked.get(step.ref) ?? []);
    const before = worked.flatMap(([a, b]) => (b === undefined ? [] : [[a, b] as const]));
    const open = worked.at(-1);
    const placed = placements.flatMap((p) => p.pieces);
    // A split step that hands are on goes on from where this piece of it began.
    const rest = open && open[1] === undefined ? [[open[0], end] as const] : placed.filter(([a, b]) => before.length === 0 || a < b);
    const pieces = [...before, ...(step.minPiece === undefined ? rest : touching(rest))];
    const hands = placements.flatMap((_, i): HandsSpan[] =>
      engine.hands.of(first + i).map((h) => ({ cook: (model.dish.cooks[h.cook] as { id: string }).id, from: h.from, to: h.to })),
    );
    const one = model.lengths.get(step.ref);
    steps.push({
      step: step.ref,
      start: before[0]?.[0] ?? start,
      end: before.length ? (pieces.at(-1)?.[1] as number) : end,
      pieces,
      rounds,
      minutes: pieces.reduce((sum, [a, b]) => sum + b - a, 0),
      hands: activity.fact?.done ? [] : mergeHands(hands, step),
      equipment: equipment.get(step.ref) ?? [],
      ...(one === undefined ? {} : { shortenedFrom: plannedLength(step.time, model.planAt, step.k, step.grows) * step.batches }),
    });
  }
  const holds = holdsOf(engine);
  const fallbacks = [...model.fallbacks].map(([component, index]) => {
    const placement = engine.placements[index] as Placement;
    return { component, decidedAt: placement.start, readyAt: placement.end };
  });
  const body = {
    steps: steps.sort((a, b) => a.start - b.start || a.end - b.end),
    holds,
    settings: engine.heat.settings(),
    methods: model.methods,
    serveAt: model.serveAt,
  };
  return {
    dish: model.dish.id,
    style: frame.style,
    planAt: model.planAt,
    now: model.now,
    seed: frame.seed,
    boundMinutes: frame.boundMinutes,
    fallbacks,
    ...priceOf(body, model.dish, model.inForce, frame.style),
    ...body,
  };
}

/** Pieces of a split step that touch are one. */
function touching(pieces: readonly (readonly [number, number])[]): (readonly [number, number])[] {
  const merged: (readonly [number, number])[] = [];
  for (const piece of pieces) {
    const last = merged.at(-1);
    if (last && last[1] === piece[0]) merged[merged.length - 1] = [last[0], piece[1]];
    else merged.push(piece);
  }
  return merged;
}

/** Batches of one cook that touch read as one stretch of work. */
function mergeHands(hands: readonly HandsSpan[], step: Step): HandsSpan[] {
  const merged: HandsSpan[] = [];
  for (const span of hands) {
    const last = merged.at(-1);
    if (last && last.cook === span.cook && last.to === span.from && step.attention === "hands" && !step.each)
      merged[merged.length - 1] = { ...last, to: span.to };
    else merged.push(span);
  }
  return merged;
}

function equipmentByStep(model: Model, engine: Engine): Map<string, EquipmentSpan[]> {
  const found = new Map<string, EquipmentSpan[]>();
  const add = (step: string, span: EquipmentSpan) => {
    const list = found.get(step) ?? [];
    const same = list.findIndex((s) => s.use === span.use && s.id === span.id && s.from === span.from && s.to === span.to);
    if (same >= 0) list[same] = { ...(list[same] as EquipmentSpan), count: (list[same] as EquipmentSpan).count + 1 };
    else list.push(span);
    found.set(step, list);
  };
  for (const span of engine.units.spans()) {
    const activity = model.activities[span.activity] as Model["activities"][number];
    const kind = activity.step.uses[span.useIndex]?.what ?? "";
    add(span.step, { use: span.useIndex, id: model.units.get(kind)?.[span.unit]?.id ?? "", from: span.from, to: span.to, count: 1 });
  }
  for (const [id, users] of engine.heat.users()) {
    for (const user of users) {
      const use = (model.activities[model.first.get(user.step) as number] as Model["activities"][number]).step.uses.indexOf(user.use);
      add(user.step, { use, id, from: user.from, to: user.to, count: 1 });
    }
  }
  for (const [step, list] of found) {
    list.sort((a, b) => a.use - b.use || (a.id < b.id ? -1 : a.id > b.id ? 1 : a.from - b.from));
    found.set(step, joined(list));
  }
  return found;
}

/** Spans of one thing that touch read as one. */
function joined(list: readonly EquipmentSpan[]): EquipmentSpan[] {
  const merged: EquipmentSpan[] = [];
  for (const span of list) {
    const last = merged.at(-1);
    if (last && last.use === span.use && last.id === span.id && last.count === span.count && last.to === span.from)
      merged[merged.length - 1] = { ...last, to: span.to };
    else merged.push(span);
  }
  return merged.sort((a, b) => a.use - b.use || a.from - b.from || (a.id < b.id ? -1 : 1));
}

function holdsOf(engine: Engine): PlannedHold[] {
  const holds: PlannedHold[] = [];
  for (const [t, hold] of engine.holdOf) {
    const taker = engine.placements[t.taker] as Placement;
    const maker = t.maker === undefined ? undefined : engine.placements[t.maker];
    const from =
      t.maker === undefined
        ? (t.readyAt as number)
        : t.batchEnd === undefined
          ? (maker as Placement).end
          : (maker as Placement).start + t.batchEnd;
    const chosen = t.holds[hold];
    const wait = taker.start - from;
    const best = chosen?.best;
    holds.push({
      output: t.output,
      taker: t.takerStep,
      hold,
      place: chosen?.place ?? "none",
      from,
      to: taker.start,
      state: best && wait < best[0] ? "early" : best && wait > best[1] ? "late" : "best",
    });
  }
  return holds.sort((a, b) => a.from - b.from || (a.output < b.output ? -1 : 1));
}

// H9 counted equipment, machines and vessels; H11 space in fridge, freezer and cellar.
import { HEATED, type Hold, isUnit, isWare, STORES, type Step, type Use } from "../../dish/model";
import { covers, type Interval, subtract } from "../../time/interval";
import type { PlannedStep } from "../plan";
import { type Break, type Context, isDone, workOf } from "./context";
import { handsIntervals } from "./hands";

const TOLERANCE = 1e-6;

interface Demand {
  readonly step: string;
  readonly from: number;
  readonly to: number;
  readonly size: number;
}

export function checkEquipment(ctx: Context, breaks: Break): void {
  const held = new Map<string, Demand[]>();
  for (const step of ctx.inForce) {
    const planned = ctx.planned(step.ref);
    if (!planned) continue;
    step.uses.forEach((use, index) => {
      if ((STORES as readonly string[]).includes(use.what)) return;
      checkUse(ctx, step, planned, use, index, breaks);
      for (const e of planned.equipment) {
        if (e.use !== index || (HEATED as readonly string[]).includes(use.what)) continue;
        held.set(e.id, [...(held.get(e.id) ?? []), { step: step.ref, from: e.from, to: e.to, size: e.count }]);
      }
    });
    for (const e of planned.equipment) if (!step.uses[e.use]) breaks("H9", [step.ref], e.from, e.to, `The step has no use ${e.use}.`);
  }
  for (const [id, demands] of held) {
    const equipment = ctx.dish.equipment.find((e) => e.id === id);
    if (equipment) checkHeld(id, demands, equipment.count, equipment.cleanTakes, breaks);
  }
  checkStores(ctx, breaks);
}

/** When a use needs its equipment, by the step's own times and not by what the plan says of it. */
export function neededSpans(ctx: Context, step: Step, planned: PlannedStep, use: Use): Interval[] {
  if (use.until !== undefined) {
    const last = ctx.planned(use.until);
    return [[planned.start, Math.max(planned.end, last?.end ?? planned.end)]];
  }
  if (use.part === "hands") return handsIntervals(ctx, step, planned);
  // Batch after batch may find another burner, so touching pieces are asked about one by one.
  if (!isWare(use.what) && (step.each || step.minPiece !== undefined)) return [...planned.pieces];
  return isWare(use.what) ? [[planned.start, planned.end]] : [...workOf(step, planned)];
}

function checkUse(ctx: Context, step: Step, planned: PlannedStep, use: Use, index: number, breaks: Break): void {
  const entries = planned.equipment.filter((e) => e.use === index);
  if (use.until !== undefined) {
    const last = ctx.planned(use.until);
    if (last && last.end < planned.end)
      breaks("H9", [step.ref, use.until], last.end, planned.end, `"${use.until}" ends before the step that keeps its ${use.what} for it.`, {
        step: step.ref,
        spans: [[last.end, planned.end]],
      });
  }
  if (!isDone(ctx, step.ref)) {
    for (const [a, to] of neededSpans(ctx, step, planned, use)) {
      // What has begun holds what it holds; from now on the plan has to give it.
      const from = ctx.events.has(step.ref) ? Math.max(a, Math.min(ctx.now, to)) : a;
      if (from >= to) continue;
      const wanted = (HEATED as readonly string[]).includes(use.what) ? 1 : use.count;
      const given = entries.filter((e) => e.from <= from && e.to >= to).reduce((sum, e) => sum + e.count, 0);
      if (given < wanted)
        breaks("H9", [step.ref], from, to, `It needs ${wanted} ${use.what}; the plan gives it ${given}.`, {
          step: step.ref,
          spans: [[from, to]],
        });
    }
  }
  for (const entry of entries) {
    const equipment = ctx.dish.equipment.find((e) => e.id === entry.id);
    if (!equipment || equipment.kind !== use.what) {
      breaks("H9", [step.ref], entry.from, entry.to, `"${entry.id}" is not a ${use.what} of this kitchen.`);
      continue;
    }
    if (isUnit(use.what)) {
      if ((equipment.litres ?? Number.POSITIVE_INFINITY) + TOLERANCE < use.litres)
        breaks("H9", [step.ref], entry.from, entry.to, `"${entry.id}" holds ${equipment.litres} L; ${use.litres} are needed.`);
      if ((equipment.pieces ?? Number.POSITIVE_INFINITY) < use.pieces)
        breaks("H9", [step.ref], entry.from, entry.to, `"${entry.id}" takes ${equipment.pieces} pieces; ${use.pieces} are needed.`);
    }
    if (equipment.available && !isDone(ctx, step.ref) && !covers(ctx.hours(equipment.available), entry.from, entry.to)) {
      const from = ctx.events.has(step.ref) ? Math.max(entry.from, ctx.now) : entry.from;
      const spans = subtract([[from, entry.to]], ctx.hours(equipment.available));
      if (spans.length)
        breaks("H9", [step.ref], from, entry.to, `"${entry.id}" is not available all that time.`, { step: step.ref, spans });
    }
  }
}

/** No minute asks more of one piece of equipment than there is; between different steps it is cleaned. */
function checkHeld(id: string, demands: readonly Demand[], count: number, clean: number, breaks: Break): void {
  const widened = demands
    .filter((d) => d.from < d.to)
    .map((d) => ({ ...d, to: d.to + clean, end: d.to }))
    .sort((a, b) => a.from - b.from || a.end - b.end);
  const told = new Set<string>();
  for (const d of widened) {
    const others = widened.filter((o) => o !== d && o.from <= d.from && d.from < (o.step === d.step ? o.end : o.to));
    const sum = others.reduce((total, o) => total + o.size, d.size);
    const key = [d, ...others].map((o) => o.step).join(" ");
    if (sum > count && !told.has(key)) {
      told.add(key);
      const cleaning = others.some((o) => o.end <= d.from);
      breaks(
        "H9",
        [...new Set([...others.map((o) => o.step), d.step])],
        d.from,
        d.end,
        `${sum} uses of "${id}" at once, there ${count === 1 ? "is 1" : `are ${count}`}${cleaning ? `; cleaning takes ${clean} min` : ""}.`,
        { step: d.step, spans: [[d.from, d.end]], all: others.map((o) => o.step) },
      );
    }
  }
}

/** Litres by place: steps, chosen holds and links. */
function checkStores(ctx: Context, breaks: Break): void {
  for (const place of STORES) {
    const stores = ctx.dish.equipment.filter((e) => e.kind === place);
    const space = stores.reduce((sum, e) => sum + (e.litres ?? Number.POSITIVE_INFINITY), 0);
    const demands = demandsOn(ctx, place).filter((d) => d.from < d.to && d.size > 0);
    if (stores.length === 0 ? demands.length > 0 : false) {
      const d = demands[0] as Demand;
      breaks("H11", [d.step], d.from, d.to, `The kitchen has no ${place}.`);
      continue;
    }
    const told = new Set<string>();
    for (const minute of new Set(demands.map((d) => d.from))) {
      const inside = demands.filter((d) => d.from <= minute && minute < d.to);
      const litres = inside.reduce((sum, d) => sum + d.size, 0);
      const steps = [...new Set(inside.map((d) => d.step))];
      const key = steps.join(" ");
      if (litres > space + TOLERANCE && !told.has(key)) {
        told.add(key);
        breaks(
          "H11",
          steps,
          minute,
          Math.min(...inside.map((d) => d.to)),
          `${Number(litres.toPrecision(4))} L are needed in the ${place}; it has ${space}.`,
          { step: steps[0], spans: [[minute, Math.min(...inside.map((d) => d.to))]], all: steps },
        );
      }
    }
  }
}

function demandsOn(ctx: Context, place: string): Demand[] {
  const found: Demand[] = [];
  const spans = new Map<string, { step: string; from: number; to: number; size: number }>();
  const wait = (key: string, step: string, from: number, to: number, hold: Hold) => {
    if (hold.place !== place) return;
    const known = spans.get(key);
    if (known) known.to = Math.max(known.to, to);
    else spans.set(key, { step, from, to, size: hold.litres });
  };
  for (const step of ctx.inForce) {
    const planned = ctx.planned(step.ref);
    if (!planned) continue;
    for (const use of step.uses) {
      if (use.what === place)
        for (const [from, to] of neededSpans(ctx, step, planned, use)) found.push({ step: step.ref, from, to, size: use.litres });
    }
    for (const link of step.links) {
      const other = ctx.planned(link.step);
      if (other && link.place === place)
        found.push({ step: step.ref, from: link.from === "end" ? other.end : other.start, to: planned.start, size: link.litres });
    }
    for (const take of step.takes) {
      const source = sourceOf(ctx, take.from);
      if (!source || (take.during !== undefined && planned.start <= source.at)) continue;
      const entry = ctx.holdFor(take.from, step.ref);
      const index =
        entry?.hold ??
        source.holds.findIndex((h) => planned.start - source.at >= h.min && (h.max === undefined || planned.start - source.at <= h.max));
      const hold = source.holds[index];
      if (hold) wait(`${take.from} ${index}`, source.step ?? step.ref, source.at, planned.end, hold);
    }
  }
  return [...found, ...spans.values()];
}

function sourceOf(ctx: Context, output: string): { at: number; holds: readonly Hold[]; step: string | undefined } | undefined {
  const maker = ctx.makerOf(output);
  const planned = maker && ctx.planned(maker.ref);
  if (maker && planned) return { at: planned.end, holds: ctx.outputOf(output)?.holds ?? [], step: maker.ref };
  for (const component of ctx.dish.components) {
    const onHand = component.onHand.find((o) => o.ref === output);
    if (onHand) return { at: Math.max(onHand.madeAt, ctx.from), holds: onHand.holds, step: undefined };
    const fallback =
      ctx.methodOf.get(component.id) === "fallback" ? ctx.plan.fallbacks.find((f) => f.component === component.id) : undefined;
    const like = fallback && component.methods.flatMap((m) => m.steps.flatMap((s) => s.makes)).find((o) => o.ref === output);
    if (fallback && like) return { at: fallback.readyAt, holds: like.holds, step: undefined };
  }
  return undefined;
}

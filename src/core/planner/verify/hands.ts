// H6 hands, H7 presence, H8 rounds.
import type { Step, Tend } from "../../dish/model";
import { covers, type Interval, type Intervals, subtract } from "../../time/interval";
import type { PlannedStep } from "../plan";
import { type Break, batchMinutes, type Context, isDone, workOf } from "./context";

export function checkHands(ctx: Context, breaks: Break): void {
  for (const step of ctx.inForce) {
    const planned = ctx.planned(step.ref);
    if (!planned || isDone(ctx, step.ref)) continue;
    checkAssigned(ctx, step, planned, breaks);
    checkSomebody(ctx, step, planned, breaks);
    checkRounds(ctx, step, planned, breaks);
  }
  for (const cook of ctx.cooks) {
    const spans = ctx.plan.steps
      .flatMap((s) => s.hands.filter((h) => h.cook === cook.id).map((h) => ({ ...h, step: s.step })))
      .filter((h) => h.from < h.to)
      .sort((a, b) => a.from - b.from);
    let last: (typeof spans)[number] | undefined;
    for (const span of spans) {
      if (last && span.from < last.to) {
        const to = Math.min(last.to, span.to);
        const excuse = { step: span.step, cook: cook.id, spans: [[span.from, to] as const], all: [last.step] };
        breaks("H6", [last.step, span.step], span.from, to, `${cook.id} has only one pair of hands.`, excuse);
      }
      if (!last || span.to > last.to) last = span;
    }
  }
}

/** The hands-on intervals of a step where it stands: each batch has its own. Parts before now of a running step are past. */
export function handsIntervals(ctx: Context, step: Step, planned: PlannedStep): Interval[] {
  const one = batchMinutes(ctx, step);
  const batches: Interval[] =
    step.each || step.minPiece !== undefined
      ? planned.pieces.map(([a, b]) => [a, b] as const)
      : Array.from(
          { length: step.batches },
          (_, n) => [planned.start + n * one, n === step.batches - 1 ? planned.end : planned.start + (n + 1) * one] as const,
        );
  const parts = batches.flatMap(([a, b]): Interval[] =>
    step.attention === "hands"
      ? [[a, b]]
      : [
          [a, Math.min(b, a + step.handsStart)],
          [Math.max(a, b - step.handsEnd), b],
        ],
  );
  return parts.filter(([a, b]) => a < b);
}

function checkAssigned(ctx: Context, step: Step, planned: PlannedStep, breaks: Break): void {
  for (const [from, to] of handsIntervals(ctx, step, planned)) {
    if (ctx.events.has(step.ref) && from < ctx.now) continue; // begun already, by whoever did it
    const given = planned.hands.find((h) => h.from <= from && h.to >= to);
    if (!given) breaks("H6", [step.ref], from, to, "These hands-on minutes are given to nobody.");
  }
  for (const { cook: id, from, to } of planned.hands) {
    if (ctx.events.has(step.ref) && from < ctx.now) continue;
    const cook = ctx.cooks.find((c) => c.id === id);
    if (!cook) breaks("H6", [step.ref], from, to, `The kitchen has no cook "${id}".`);
    else if (step.cooks && !step.cooks.includes(id)) breaks("H6", [step.ref], from, to, `${id} may not do this step.`);
    else if (!covers(cook.works, from, to))
      breaks("H6", [step.ref], from, to, `It is outside the hours of ${id}.`, {
        step: step.ref,
        cook: id,
        spans: subtract([[from, to]], cook.works),
      });
  }
}

function checkSomebody(ctx: Context, step: Step, planned: PlannedStep, breaks: Break): void {
  const { start } = planned;
  if (step.puts && !ctx.events.has(step.ref) && !covers(ctx.here, start, start + 1))
    breaks("H7", [step.ref], start, start + 1, "Something is put somewhere as it starts, and nobody is awake and at home.", {
      step: step.ref,
      spans: [[start, start + 1]],
    });
  for (const [a, b] of workOf(step, planned)) {
    const from = ctx.events.has(step.ref) ? Math.max(a, ctx.now) : a;
    const asks = (there: Intervals, why: string) => {
      if (!covers(there, from, b)) breaks("H7", [step.ref], from, b, why, { step: step.ref, spans: subtract([[from, b]], there) });
    };
    if (step.attention === "nearby") asks(ctx.here, "It needs somebody awake and at home all the time.");
    if (step.attention === "unattended" && !step.sleepOk) asks(ctx.someoneAwake, "It cannot run while everyone sleeps.");
    if (step.attention === "unattended" && !step.awayOk) asks(ctx.someoneHome, "It cannot run while nobody is at home.");
  }
}

/** Where the rounds of one rhythm belong, before they are moved into a minute when somebody is there. */
function nominalRounds(tend: Tend, start: number, end: number): number[] {
  const found: number[] = [];
  for (let offset = tend.first; offset < end - start && (tend.until === undefined || offset <= tend.until); offset += tend.every) {
    if (offset > 0 || !tend.fromEnd) found.push(tend.fromEnd ? end - offset : start + offset);
  }
  return tend.fromEnd ? found.reverse() : found;
}

function checkRounds(ctx: Context, step: Step, planned: PlannedStep, breaks: Break): void {
  step.tends.forEach((tend, index) => {
    const at = planned.rounds.filter((r) => r.tend === index).map((r) => r.at);
    const nominal = nominalRounds(tend, planned.start, planned.end);
    const play = Math.floor(Math.max(tend.every / 4, 5));
    const bad = (minute: number, why: string) => breaks("H8", [step.ref], minute, minute + 1, why);
    if (at.length !== nominal.length)
      return bad(planned.start, `Round "${tend.what}" comes ${nominal.length} times, the plan has ${at.length}.`);
    at.forEach((minute, n) => {
      if (ctx.events.has(step.ref) && minute < ctx.now) return;
      const due = nominal[n] as number;
      if (Math.abs(minute - due) > play)
        bad(minute, `It is ${Math.abs(minute - due)} min from where its rhythm puts it; ${play} are allowed.`);
      if (minute < planned.start || minute >= planned.end) bad(minute, "A round must be within its step.");
      if (!covers(ctx.here, minute, minute + 1))
        breaks("H8", [step.ref], minute, minute + 1, "Nobody is awake and at home.", { step: step.ref, spans: [[minute, minute + 1]] });
      const before = at[n - 1] ?? Number.NEGATIVE_INFINITY;
      if (minute - before < tend.every / 2)
        bad(minute, `It comes ${minute - before} min after the round before, under half of ${tend.every}.`);
    });
  });
  for (const round of planned.rounds) {
    if (!step.tends[round.tend]) breaks("H8", [step.ref], round.at, round.at + 1, `The step has no rhythm ${round.tend}.`);
  }
}

// H1 lengths and serving, H2 now and the log, H3 links, H4 holds, H5 amounts; and pins.
import { balanceOf, isOverTaken } from "../../dish/balance";
import type { Hold, Step } from "../../dish/model";
import { plannedLength } from "../../dish/planned-length";
import { subtract } from "../../time/interval";
import { isPutDown, type LogEvent, workedMinutes } from "../log";
import type { PlannedHold, PlannedStep } from "../plan";
import { type Break, batchMinutes, type Context, componentMaking, fullBatchMinutes, isDone, isRunning } from "./context";

export function checkTimes(ctx: Context, breaks: Break): void {
  checkPresence(ctx, breaks);
  checkServing(ctx, breaks);
  for (const step of ctx.inForce) {
    const planned = ctx.planned(step.ref);
    if (!planned) continue;
    checkLog(ctx, step, planned, breaks);
    if (!isDone(ctx, step.ref)) checkLength(ctx, step, planned, breaks);
    checkLinks(ctx, step, planned, breaks);
    checkTakes(ctx, step, planned, breaks);
    checkWithin(ctx, step, planned, breaks);
  }
  checkAmounts(ctx, breaks);
  checkPins(ctx, breaks);
}

function checkPresence(ctx: Context, breaks: Break): void {
  const wanted = new Set(ctx.inForce.map((s) => s.ref));
  const seen = new Set<string>();
  for (const planned of ctx.plan.steps) {
    if (seen.has(planned.step)) breaks("H1", [planned.step], planned.start, planned.end, "This step is in the plan twice.");
    else if (!wanted.has(planned.step)) breaks("H1", [planned.step], planned.start, planned.end, "No method in force has this step.");
    seen.add(planned.step);
  }
  for (const ref of wanted) if (!seen.has(ref)) breaks("H1", [ref], ctx.now, ctx.serveAt, "The plan leaves this step out.");
}

function checkServing(ctx: Context, breaks: Break): void {
  const ends = [{ step: ctx.dish.serve, at: ctx.serveAt }, ...ctx.dish.courses.map((c) => ({ step: c.serve, at: ctx.serveAt + c.after }))];
  for (const { step, at } of ends) {
    const end = ctx.planned(step)?.end;
    if (end !== undefined && end !== at && !isDone(ctx, step))
      breaks(
        "H1",
        [step],
        Math.min(end, at),
        Math.max(end, at),
        `Serving is due ${Math.abs(end - at)} min ${end > at ? "before" : "after"} this step ends.`,
      );
  }
  const last = Math.max(...ends.map((e) => e.at));
  for (const planned of ctx.plan.steps)
    if (planned.end > last) breaks("H1", [planned.step], last, planned.end, "It ends after the last serving.");
}

function checkLength(ctx: Context, step: Step, planned: PlannedStep, breaks: Break): void {
  const bad = (why: string) => breaks("H1", [step.ref], planned.start, planned.end, why);
  const one = batchMinutes(ctx, step);
  const length = one * step.batches;
  const pieces = planned.pieces;
  if (pieces[0]?.[0] !== planned.start || pieces.at(-1)?.[1] !== planned.end)
    return bad("Its pieces do not run from its start to its end.");
  if (pieces.some(([a, b], i) => b < a || (i > 0 && a < (pieces[i - 1] as readonly [number, number])[1])))
    return bad("Its pieces overlap or run backwards.");
  const work = pieces.reduce((sum, [a, b]) => sum + b - a, 0);
  if (planned.minutes !== work) bad(`It says ${planned.minutes} min of work; its pieces make ${work}.`);
  if (planned.shortenedFrom !== undefined) {
    const full = fullBatchMinutes(step, ctx.plan);
    const least = plannedLength({ ...step.time, likely: step.time.min }, "likely", step.k, step.grows);
    if (planned.shortenedFrom !== full * step.batches)
      bad(`It says that it is shortened from ${planned.shortenedFrom} min; its planned length is ${full * step.batches}.`);
    if (one * step.batches !== planned.minutes || one < least || one >= full)
      bad(`It is shortened to ${planned.minutes} min; its range allows ${least * step.batches} to ${full * step.batches}.`);
  }
  if (isPutDown(ctx.events.get(step.ref))) return checkPutDown(ctx, step, planned, length, bad);
  if (isRunning(ctx, step.ref)) {
    const estimate = ctx.events.get(step.ref)?.estimate;
    const stretch = step.minPiece === undefined && !step.each && planned.shortenedFrom === undefined ? step.stretch : 0;
    const expected = estimate === undefined ? undefined : Math.max(estimate, ctx.now);
    const late = expected === undefined ? work > Math.max(length + stretch, ctx.now - planned.start) : planned.end > expected + stretch;
    if (late || (expected !== undefined && planned.end < expected))
      bad("A running step ends when it is now expected to, or up to its stretch later.");
    return;
  }
  if (step.each) {
    if (pieces.length !== step.batches) bad(`It has ${step.batches} batches, the plan ${pieces.length}.`);
    for (const [a, b] of pieces) if (b - a < one || b - a > one + step.stretch) bad(`A batch takes ${one} min, not ${b - a}.`);
    return;
  }
  if (step.minPiece !== undefined) {
    if (work < length || work > length + step.stretch) bad(`It takes ${length} min, not ${work}.`);
    if (pieces.length > 1 && pieces.some(([a, b]) => b - a < (step.minPiece as number)))
      bad(`No piece may be shorter than ${step.minPiece} min.`);
    return;
  }
  if (pieces.length > 1) bad("It cannot be paused.");
  const taken = planned.end - planned.start;
  if (taken < length || taken > length + step.stretch)
    bad(`It takes ${length} min${step.stretch ? ` (up to ${step.stretch} more)` : ""}, not ${taken}.`);
}

/** A split step that was put down: what was worked stands, its rest lies after now. */
function checkPutDown(ctx: Context, step: Step, planned: PlannedStep, length: number, bad: (why: string) => void): void {
  const event = ctx.events.get(step.ref) as LogEvent;
  const worked = (event.pieces ?? []).map(([a, b]) => [a, b ?? ctx.now] as const);
  if (worked.some(([a, b], i) => planned.pieces[i]?.[0] !== a || planned.pieces[i]?.[1] !== b))
    return bad("Its finished work is not at the time in the log.");
  const rest = planned.pieces.slice(worked.length);
  const left = Math.max(0, length - workedMinutes(event));
  const given = rest.reduce((sum, [a, b]) => sum + b - a, 0);
  if (rest.some(([a]) => a < ctx.now)) bad("Its rest starts before now.");
  if (given < left || given > left + step.stretch) bad(`${left} min of it are left, not ${given}.`);
  if (rest.some(([a, b]) => b - a < Math.min(step.minPiece ?? 0, left))) bad(`No piece may be shorter than ${step.minPiece} min.`);
}

function checkLog(ctx: Context, step: Step, planned: PlannedStep, breaks: Break): void {
  const event = ctx.events.get(step.ref);
  if (!event) {
    if (planned.start < ctx.now) breaks("H2", [step.ref], planned.start, ctx.now, "It starts before now.");
    return;
  }
  if (planned.start !== event.started || (event.ended !== undefined && planned.end !== event.ended)) {
    breaks("H2", [step.ref], Math.min(planned.start, event.started), planned.end, "It is not at the time in the log.");
  }
}

function window(hold: Pick<Hold, "min" | "max">, wait: number): string | undefined {
  if (wait < hold.min) return `waits ${wait} min, at least ${hold.min} are needed`;
  if (wait > (hold.max ?? Number.POSITIVE_INFINITY)) return `waits ${wait} min, at most ${hold.max} are allowed`;
  return undefined;
}

/** The wait is longer than quality or habit asks; a safety limit is never excused. */
const tooLong = (hold: Pick<Hold, "max" | "limit">, wait: number) => hold.max !== undefined && wait > hold.max && hold.limit !== "safety";

/** Links say when a step may start: one that the log has as started stands where it stands. */
function checkLinks(ctx: Context, step: Step, planned: PlannedStep, breaks: Break): void {
  if (ctx.events.has(step.ref)) return;
  for (const link of step.links) {
    const other = ctx.planned(link.step);
    if (!other || !ctx.step(link.step)) continue;
    const origin = link.from === "end" ? other.end : other.start;
    if (ctx.events.get(link.step)?.skipped) continue;
    const wait = planned.start - origin;
    const wrong = window(link, wait);
    if (wrong)
      breaks(
        "H3",
        [link.step, step.ref],
        Math.min(origin, planned.start),
        Math.max(origin, planned.start),
        `After "${link.step}" it ${wrong}.`,
        tooLong(link, wait) ? { step: link.step, spans: [[origin + (link.max as number), planned.start]] } : undefined,
      );
  }
}

/** When an output is ready and under which holds it may wait; batch by batch where the taker goes so. */
function readyAt(
  ctx: Context,
  output: string,
  batch: number | undefined,
): { at: number; holds: readonly Hold[]; maker: PlannedStep | undefined } | undefined {
  const component = componentMaking(ctx, output);
  const method = component && ctx.methodOf.get(component.id);
  if (component && method === "onHand") {
    const entry = component.onHand.find((o) => o.ref === output);
    return entry && { at: entry.madeAt, holds: entry.holds, maker: undefined };
  }
  const all = component?.methods.flatMap((m) => m.steps.flatMap((s) => s.makes)) ?? [];
  if (component && method === "fallback") {
    const entry = ctx.plan.fallbacks.find((f) => f.component === component.id);
    return entry && { at: entry.readyAt, holds: all.find((o) => o.ref === output)?.holds ?? [], maker: undefined };
  }
  const maker = ctx.makerOf(output);
  const planned = maker && ctx.planned(maker.ref);
  if (!maker || !planned) return undefined;
  const holds = ctx.outputOf(output)?.holds ?? [];
  if (batch === undefined) return { at: planned.end, holds, maker: planned };
  const last = batch === maker.batches - 1;
  const at = maker.each ? planned.pieces[batch]?.[1] : last ? planned.end : planned.start + (batch + 1) * batchMinutes(ctx, maker);
  return { at: at ?? planned.end, holds, maker: planned };
}

function checkTakes(ctx: Context, step: Step, planned: PlannedStep, breaks: Break): void {
  const started = ctx.events.has(step.ref);
  for (const take of step.takes) {
    if (ctx.events.get(ctx.makerOf(take.from)?.ref ?? "")?.skipped) continue;
    const starts = take.each ? planned.pieces.map(([a]) => a) : [planned.start];
    starts.forEach((start, batch) => {
      const ready = readyAt(ctx, take.from, take.each ? batch : undefined);
      if (!ready) {
        if (batch === 0 && !ctx.makerOf(take.from)) breaks("H4", [step.ref], start, start, `Nothing in force makes "${take.from}".`);
        return;
      }
      if (started) return;
      const names = [...(ready.maker ? [ready.maker.step] : []), step.ref];
      const wait = start - ready.at;
      if (take.during !== undefined && ready.maker && wait <= 0) {
        const ran = start - ready.maker.start;
        if (ran < take.during)
          breaks(
            "H4",
            names,
            ready.maker.start,
            start,
            `"${take.from}" may be drawn ${take.during} min after its step begins; it is drawn after ${ran}.`,
          );
        return;
      }
      if (wait < 0) return breaks("H4", names, start, ready.at, `"${take.from}" is taken ${-wait} min before it is ready.`);
      if (ready.holds.length === 0) return;
      const entry = ctx.holdFor(take.from, step.ref);
      if (entry === undefined) {
        if (!ready.holds.some((h) => !window(h, wait)))
          breaks("H4", names, ready.at, start, `"${take.from}" waits ${wait} min, which none of its holds allows.`);
        return;
      }
      const hold = ready.holds[entry.hold];
      if (!hold) return breaks("H4", names, ready.at, start, `"${take.from}" has no hold ${entry.hold}.`);
      const wrong = window(hold, wait);
      const excuse = tooLong(hold, wait) ? { output: take.from, spans: [[ready.at + (hold.max as number), start] as const] } : undefined;
      if (wrong) breaks("H4", names, ready.at, start, `"${take.from}" (${hold.place}) ${wrong}.`, excuse);
    });
  }
}

function checkWithin(ctx: Context, step: Step, planned: PlannedStep, breaks: Break): void {
  const outer = step.within === undefined || ctx.events.has(step.ref) ? undefined : ctx.planned(step.within);
  if (outer && (planned.start < outer.start || planned.end > outer.end)) {
    breaks(
      "H4",
      [outer.step, step.ref],
      Math.min(outer.start, planned.start),
      Math.max(outer.end, planned.end),
      `It must run inside "${outer.step}".`,
      { step: outer.step, spans: subtract([[planned.start, planned.end]], [[outer.start, outer.end]]) },
    );
  }
}

function checkAmounts(ctx: Context, breaks: Break): void {
  for (const output of ctx.inForce.flatMap((s) => s.makes)) {
    const balance = balanceOf(ctx.dish, output.ref, output.quantity, ctx.inForce);
    if (isOverTaken(balance))
      breaks("H5", [...new Set(balance.takers.map((t) => t.step))], ctx.now, ctx.serveAt, `More is used of "${output.ref}" than is made.`);
  }
}

function checkPins(ctx: Context, breaks: Break): void {
  for (const pin of ctx.pins) {
    const planned = ctx.planned(pin.step);
    if (!planned || ctx.events.has(pin.step)) continue;
    const bad = (why: string) => breaks("pin", [pin.step], planned.start, planned.end, why);
    if (pin.at !== undefined && planned.start !== pin.at) bad("The cook has fixed another start.");
    if (pin.notBefore !== undefined && planned.start < pin.notBefore) bad("It starts before the cook's earliest.");
    if (pin.notAfter !== undefined && planned.start > pin.notAfter) bad("It starts after the cook's latest.");
    if (pin.cook !== undefined && planned.hands.some((h) => h.cook !== pin.cook)) bad("The cook has given it to somebody else.");
  }
}

/** The waits as they are by the plan's own times, whatever it says of them; which hold it is, the plan chooses. */
export function waitsOf(ctx: Context): Pick<PlannedHold, "output" | "taker" | "hold" | "from" | "to">[] {
  return ctx.inForce.flatMap((step) => {
    const planned = ctx.planned(step.ref);
    if (!planned) return [];
    return step.takes.flatMap((take) =>
      (take.each ? planned.pieces.map(([a]) => a) : [planned.start]).flatMap((start, batch) => {
        const ready = readyAt(ctx, take.from, take.each ? batch : undefined);
        if (!ready || ready.holds.length === 0 || (take.during !== undefined && start <= ready.at)) return [];
        const entry = ctx.holdFor(take.from, step.ref);
        const hold =
          entry?.hold ??
          Math.max(
            0,
            ready.holds.findIndex((h) => !window(h, start - ready.at)),
          );
        return [{ output: take.from, taker: step.ref, hold, from: ready.at, to: start }];
      }),
    );
  });
}

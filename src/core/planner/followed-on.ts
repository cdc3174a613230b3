// A plan as it stands after what has happened: what the log says is put in, nothing else is moved. Whether it still holds is the verifier's to say.
import type { Dish } from "../dish/model";
import { isPutDown, type Log } from "./log";
import type { Plan, PlannedStep } from "./plan";

/**
 * The plan so far with what the log says put in: steps that have begun or ended stand where they were, and running ones end when they are
 * now expected to. Nothing else is moved.
 */
export function followedOn(dish: Dish, plan: Plan, log: Log, now: number): Plan {
  const steps = new Map(dish.components.flatMap((c) => c.methods.flatMap((m) => m.steps.map((s) => [s.ref, s] as const))));
  const moved = plan.steps.map((planned): PlannedStep => {
    const event = log.events.get(planned.step);
    const step = steps.get(planned.step);
    if (!event || !step || isPutDown(event)) return planned;
    const { shortenedFrom: _, ...rest } = planned;
    if (event.ended !== undefined) {
      if (planned.start === event.started && planned.end === event.ended) return planned;
      const pieces = [[event.started, event.ended] as const];
      return {
        ...rest,
        start: event.started,
        end: event.ended,
        minutes: event.ended - event.started,
        pieces,
        hands: [],
        rounds: planned.rounds,
      };
    }
    const by = event.started - planned.start;
    const split = step.minPiece !== undefined || step.each;
    const end = Math.max(event.estimate ?? planned.end + by, now);
    if ((by === 0 && end === planned.end) || split) return planned;
    const shifted = <T extends { readonly from: number; readonly to: number }>(span: T): T => {
      const last = span.to === planned.end;
      return { ...span, from: span.from + by, to: last ? end : span.to + by };
    };
    return {
      ...(end - event.started < planned.minutes ? planned : rest),
      start: event.started,
      end,
      minutes: end - event.started,
      pieces: [[event.started, end]],
      hands: planned.hands.map(shifted),
      equipment: planned.equipment.map(shifted),
    };
  });
  const at = new Map(moved.map((s) => [s.step, s]));
  const makers = new Map([...steps.values()].flatMap((s) => s.makes.map((o) => [o.ref, s.ref] as const)));
  const before = new Map(plan.steps.map((s) => [s.step, s]));
  const holds = plan.holds.map((hold) => {
    const maker = makers.get(hold.output);
    const [was, is] = [before.get(maker ?? ""), at.get(maker ?? "")];
    const taker = at.get(hold.taker);
    return {
      ...hold,
      from: was && is && was.end === hold.from ? is.end : hold.from,
      to: taker && before.get(hold.taker)?.start === hold.to ? taker.start : hold.to,
    };
  });
  return { ...plan, steps: moved, holds };
}

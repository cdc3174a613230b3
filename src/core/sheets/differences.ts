// Two plans side by side, with only what differs told in words: what it gains and what it costs, the largest first.
import { lower } from "../sentence";
import { spokenDuration } from "../time/duration";
import type { WallClock } from "../time/wall-clock";
import type { PlanView, StepView } from "../view/plan-view";

export interface Difference {
  readonly kind: "serving" | "lead" | "method" | "work" | "cook" | "day" | "last-hour" | "late-evening" | "wait" | "moves" | "steps";
  readonly text: string;
}

export interface Comparison {
  readonly differences: readonly Difference[];
  /** Steps that are in both and begin at another minute. */
  readonly moved: readonly { readonly step: string; readonly by: number }[];
}

const LATE = 21 * 60 + 30;
const MOST_DAYS_TOLD = 3;
/** Shifts of a few minutes are nobody's matter. */
const WORTH_TELLING = 10;

/** What is still to come of a plan: what is done stands the same in both and is nobody's gain. */
export function stillAhead(plan: PlanView, now: number): PlanView {
  const steps = plan.steps
    .filter((s) => s.state !== "done")
    .map((s) => ({
      ...s,
      hands: s.hands.flatMap((h) => (h.to > now ? [{ ...h, from: Math.max(h.from, now) }] : [])),
    }));
  return { ...plan, begins: Math.max(plan.begins, now), steps, waits: plan.waits.filter((w) => w.to > now) };
}

/** What a cook would want to be told before taking the second plan for the first. */
export function comparePlans(before: PlanView, after: PlanView, clock: WallClock): Comparison {
  const was = new Map(before.steps.map((s) => [s.ref, s]));
  const moved = after.steps.flatMap((s) => {
    const old = was.get(s.ref);
    return old && old.start !== s.start ? [{ step: s.ref, by: s.start - old.start }] : [];
  });
  const differences: Difference[] = [
    ...serving(before, after, clock),
    ...lead(before, after, clock),
    ...methods(before, after),
    ...work(before, after),
    ...hands(before, after),
    ...days(before, after, clock),
    ...lastHour(before, after),
    ...waits(before, after),
    ...steps(before, after),
    ...moves(moved, after),
  ];
  return { differences, moved };
}

function serving(before: PlanView, after: PlanView, clock: WallClock): Difference[] {
  const by = after.serveAt - before.serveAt;
  if (by === 0) return [];
  return [
    {
      kind: "serving",
      text: `Served ${clock.dayTime(after.serveAt)}, ${spokenDuration(Math.abs(by))} ${by > 0 ? "later" : "earlier"}.`,
    },
  ];
}

function lead(before: PlanView, after: PlanView, clock: WallClock): Difference[] {
  const by = after.begins - before.begins;
  if (Math.abs(by) < WORTH_TELLING) return [];
  return [
    { kind: "lead", text: `Starts ${clock.dayTime(after.begins)}, ${spokenDuration(Math.abs(by))} ${by > 0 ? "later" : "earlier"}.` },
  ];
}

function methods(before: PlanView, after: PlanView): Difference[] {
  return after.components.flatMap((c): Difference[] => {
    const old = before.components.find((b) => b.id === c.id);
    return old && old.method !== c.method
      ? [{ kind: "method", text: `${c.name}: ${lower(c.method)} instead of ${lower(old.method)}.` }]
      : [];
  });
}

const minutesOf = (plan: PlanView) => plan.steps.flatMap((s) => s.hands).reduce((sum, h) => sum + h.to - h.from, 0);

function work(before: PlanView, after: PlanView): Difference[] {
  const by = minutesOf(after) - minutesOf(before);
  return Math.abs(by) < 5
    ? []
    : [{ kind: "work", text: `${spokenDuration(Math.abs(by))} ${by > 0 ? "more" : "less"} of hands-on work in total.` }];
}

/** Who does more and who less, where work goes from one to another. */
function hands(before: PlanView, after: PlanView): Difference[] {
  const of = (plan: PlanView, cook: string) =>
    plan.steps.flatMap((s) => s.hands).reduce((sum, h) => (h.cook === cook ? sum + h.to - h.from : sum), 0);
  const cooks = [...new Map([...before.cooks, ...after.cooks].map((c) => [c.id, c.name]))];
  const shifts = cooks
    .map(([id, name]) => ({ name, by: of(after, id) - of(before, id) }))
    .filter(({ by }) => Math.abs(by) >= WORTH_TELLING);
  if (!shifts.some((s) => s.by > 0) || !shifts.some((s) => s.by < 0)) return [];
  const said = shifts.map(({ name, by }) => `${name} ${by > 0 ? "takes over" : "hands over"} ${spokenDuration(Math.abs(by))}`);
  return [{ kind: "cook", text: `${said.join(", ")}.` }];
}

function days(before: PlanView, after: PlanView, clock: WallClock): Difference[] {
  const loads = (plan: PlanView) => {
    const all = new Map<number, { minutes: number; late: number; at: number }>();
    for (const h of plan.steps.flatMap((s) => s.hands)) {
      const day = clock.dayNumber(h.from);
      const past = Math.max(0, clock.timeOfDay(h.from) + h.to - h.from - Math.max(LATE, clock.timeOfDay(h.from)));
      const known = all.get(day) ?? { minutes: 0, late: 0, at: h.from };
      all.set(day, { minutes: known.minutes + h.to - h.from, late: known.late + past, at: known.at });
    }
    return all;
  };
  const [old, now] = [loads(before), loads(after)];
  const none = { minutes: 0, late: 0, at: 0 };
  const told = [...new Set([...old.keys(), ...now.keys()])]
    .map((day) => ({ a: old.get(day) ?? none, b: now.get(day) ?? none, at: (now.get(day) ?? old.get(day) ?? none).at }))
    .filter(({ a, b }) => Math.abs(b.minutes - a.minutes) >= 2 * WORTH_TELLING)
    .sort((x, y) => Math.abs(y.b.minutes - y.a.minutes) - Math.abs(x.b.minutes - x.a.minutes))
    .slice(0, MOST_DAYS_TOLD)
    .map(({ a, b, at }): Difference => {
      const name = clock.weekday(at);
      const by = spokenDuration(Math.abs(b.minutes - a.minutes));
      if (a.minutes === 0) return { kind: "day", text: `${name} also needs ${by} of hands-on work.` };
      if (b.minutes === 0) return { kind: "day", text: `${name} is free: ${by} of work move elsewhere.` };
      return {
        kind: "day",
        text: `${name} has ${by} ${b.minutes > a.minutes ? "more" : "less"} to do, ${spokenDuration(b.minutes)} in total.`,
      };
    });
  const lateBy = (m: typeof old) => [...m.values()].reduce((sum, d) => sum + d.late, 0);
  const by = lateBy(now) - lateBy(old);
  if (Math.abs(by) >= WORTH_TELLING)
    told.push({ kind: "late-evening", text: `${spokenDuration(Math.abs(by))} ${by > 0 ? "more" : "less"} of it after half past nine.` });
  return told;
}

function lastHour(before: PlanView, after: PlanView): Difference[] {
  const load = (plan: PlanView) =>
    plan.steps
      .flatMap((s) => s.hands)
      .reduce((sum, h) => sum + Math.max(0, Math.min(h.to, plan.serveAt) - Math.max(h.from, plan.serveAt - 60)), 0);
  const by = load(after) - load(before);
  return Math.abs(by) < 5
    ? []
    : [{ kind: "last-hour", text: `The last hour has ${spokenDuration(Math.abs(by))} ${by > 0 ? "more" : "less"} of work.` }];
}

/** Minutes outside the best part of a wait's window. */
const outside = (w: PlanView["waits"][number]) =>
  w.window?.best ? Math.max(0, w.window.best[0] - (w.to - w.from), w.to - w.from - w.window.best[1]) : 0;

function waits(before: PlanView, after: PlanView): Difference[] {
  const was = new Map(before.waits.map((w) => [`${w.fromStep} ${w.toStep} ${w.name}`, w]));
  return after.waits.flatMap((w): Difference[] => {
    const old = was.get(`${w.fromStep} ${w.toStep} ${w.name}`);
    if (!old?.window?.best || outside(w) > 0 === outside(old) > 0) return [];
    const length = spokenDuration(w.to - w.from);
    return [
      {
        kind: "wait",
        text: outside(w) > 0 ? `${w.name} waits ${length}, no longer within its best.` : `${w.name} waits ${length}, now within its best.`,
      },
    ];
  });
}

function steps(before: PlanView, after: PlanView): Difference[] {
  const names = (from: PlanView, other: PlanView) =>
    from.components.filter((c) => !other.components.some((o) => o.id === c.id)).map((c) => lower(c.name));
  const [more, fewer] = [names(after, before), names(before, after)];
  return [
    ...(more.length ? [{ kind: "steps" as const, text: `New: ${listed(more)}.` }] : []),
    ...(fewer.length ? [{ kind: "steps" as const, text: `No longer made: ${listed(fewer)}.` }] : []),
  ];
}

function moves(moved: Comparison["moved"], after: PlanView): Difference[] {
  const farthest = moved.reduce<Comparison["moved"][number] | undefined>(
    (a, b) => (a && Math.abs(a.by) >= Math.abs(b.by) ? a : b),
    undefined,
  );
  if (!farthest) return [];
  const step = after.steps.find((s) => s.ref === farthest.step) as StepView;
  const how = `${spokenDuration(Math.abs(farthest.by))} ${farthest.by > 0 ? "later" : "earlier"}`;
  const text =
    moved.length === 1
      ? `Only “${lower(step.name)}” moves, ${how}.`
      : `${moved.length} steps move, “${lower(step.name)}” the most: ${how}.`;
  return [{ kind: "moves", text }];
}

const listed = (names: readonly string[]) =>
  names.length <= 4 ? names.join(", ").replace(/, ([^,]*)$/, " and $1") : `${names.slice(0, 3).join(", ")} and ${names.length - 3} more`;

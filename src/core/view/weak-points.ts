// What rehearsals show: where a plan that was followed many times was late, came close to a limit, or ran out of hands or room. The worst first.
import { type Dish, STORES } from "../dish/model";
import { dishModel } from "../dish/read-model";
import { KitchenHours } from "../planner/kitchen-hours";
import type { Run } from "../rehearse";
import { lower } from "../sentence";
import type { WallClock } from "../time/wall-clock";
import { occupancyOf } from "./occupancy";
import type { WeakPoint } from "./rehearsed-plan";

/** A wait is close to its limit from five minutes before it on, or from 3 % of it on. */
const CLOSE_MINUTES = 5;
const CLOSE_SHARE = 0.03;
/** A day is short of hands when work fills this share of the cooks' hours. */
const SHORT_OF_HANDS = 0.9;
/** A day with less work than this has no hands short, however short its hours. */
const LEAST_WORK_MINUTES = 90;
const NEARLY_FULL = 0.97;
/** What happens less often is chance. */
const LEAST_SHARE = 0.04;
/** How much worse one is than another that happens as often. */
const WEIGHTS: Record<WeakPoint["kind"], number> = { unserved: 8, unsafe: 6, late: 3, wait: 2, hands: 1.5, place: 1, round: 0.5 };
/** What only came close, against what went past. */
const ONLY_CLOSE = 0.4;

interface Seen {
  readonly kind: WeakPoint["kind"];
  readonly about: string;
  readonly at: number | undefined;
  readonly text: string;
  readonly past: boolean;
  readonly what?: string;
}

/**
 * @param runs rehearsals of one dish, from `followOnce`
 * @returns one for each thing that happened in four of 100 runs or more; what went past a limit before what came close, by weight and share
 */
export function weakPoints(runs: readonly Run[], clock: WallClock): WeakPoint[] {
  const found = new Map<string, { readonly first: Seen; runs: number; weight: number }>();
  for (const run of runs) {
    const own = new Map<string, Seen>();
    for (const seen of seenIn(run, clock)) {
      const key = `${seen.kind} ${seen.about}`;
      if (!own.has(key) || (seen.past && !own.get(key)?.past)) own.set(key, seen);
    }
    for (const [key, seen] of own) {
      const one = found.get(key) ?? { first: seen, runs: 0, weight: 0 };
      one.runs++;
      one.weight += WEIGHTS[seen.kind] * (seen.past ? 1 : ONLY_CLOSE);
      found.set(key, one);
    }
  }
  const count = Math.max(1, runs.length);
  return [...found.values()]
    .filter((f) => f.runs / count >= LEAST_SHARE)
    .sort((a, b) => b.weight - a.weight)
    .map(({ first: { kind, about, at, text, what }, runs: n }) => ({ kind, about, at, text, ...(what ? { what } : {}), share: n / count }));
}

function seenIn(run: Run, clock: WallClock): Seen[] {
  const dish = dishModel(run.end.file);
  const name = names(dish);
  return [
    ...serving(run, name),
    ...waits(run, dish, name),
    ...handsShort(run, dish, clock),
    ...fullPlaces(run, dish),
    ...missedRounds(run, name),
  ];
}

const names = (dish: Dish) => {
  const all = new Map(
    dish.components.flatMap((c) =>
      c.methods.flatMap((m) => m.steps.flatMap((s) => [[s.ref, s.name], ...s.makes.map((o) => [o.ref, o.name])])),
    ) as [string, string][],
  );
  return (ref: string) => all.get(ref) ?? ref;
};

function serving(run: Run, name: (ref: string) => string): Seen[] {
  const gone = (run.end.plan.gone ?? []).map((g) => ({ about: g.output, text: `${name(g.output)} waited past its safe time` }));
  const seen: Seen[] = gone.map((g) => ({ kind: "unsafe", at: undefined, past: true, ...g }));
  if (run.safetyBroken && seen.length === 0)
    seen.push({ kind: "unsafe", about: "", at: undefined, past: true, text: "Something waited past its safe time" });
  const by = run.decidedBy ?? "";
  if (run.lateMinutes === undefined)
    seen.push({
      kind: "unserved",
      about: by,
      at: undefined,
      past: true,
      text: by ? `No way on after “${lower(name(by))}”` : "It was not served",
    });
  else if (run.lateMinutes > 0)
    seen.push({
      kind: "late",
      about: by,
      at: undefined,
      past: true,
      text: by ? `Served late because of “${lower(name(by))}”` : "Served late",
    });
  return seen;
}

/** Rounds that were forgotten: one for each kind of a step, however many of them. */
const missedRounds = ({ missed }: Run, name: (ref: string) => string): Seen[] =>
  missed.map(({ step, what, at }) => ({
    kind: "round",
    about: `${step} ${what}`,
    at,
    text: `A round is missed${what ? `: ${lower(what)},` : ""} in “${lower(name(step))}”`,
    past: true,
    what,
  }));

/** What waited until close to its longest, or past it, by the clock of the run. */
function waits({ end: { plan, log } }: Run, dish: Dish, name: (ref: string) => string): Seen[] {
  const outputs = new Map(
    dish.components.flatMap((c) => c.methods.flatMap((m) => m.steps.flatMap((s) => s.makes.map((o) => [o.ref, { s, o }] as const)))),
  );
  return plan.holds.flatMap((held): Seen[] => {
    const made = outputs.get(held.output);
    const most = made?.o.holds[held.hold]?.max;
    const ended = made && log.events.get(made.s.ref)?.ended;
    const taken = log.events.get(held.taker)?.started;
    if (most === undefined || ended === undefined || taken === undefined) return [];
    const left = most - (taken - ended);
    const close = Math.max(CLOSE_MINUTES, most * CLOSE_SHARE);
    // A short wait is no wait: what is taken at once cannot come close to its limit.
    if (left >= close || taken - ended < close) return [];
    const what = name(held.output);
    return [
      {
        kind: "wait",
        about: held.output,
        at: taken,
        past: left < 0,
        text: left < 0 ? `${what} waited longer than it may` : `${what} was used just before its limit`,
      },
    ];
  });
}

const HANDS_RULES: ReadonlySet<string> = new Set(["H6", "H7"]);

/** Work outside the hours of the cooks, and days that are filled to the brim. */
function handsShort({ end: { plan, log }, broken }: Run, dish: Dish, clock: WallClock): Seen[] {
  const short = (at: number, past: boolean): Seen => ({
    kind: "hands",
    about: String(clock.dayNumber(at)),
    at,
    past,
    text: `Hands are short on ${clock.weekday(at)}`,
  });
  const outside = broken.filter((e) => HANDS_RULES.has(e.rule)).map((e) => short(e.from, true));
  // By the log: of what is done the plan does not say any more whose hands were on it.
  const byHand = new Set(
    dish.components.flatMap((c) => c.methods.flatMap((m) => m.steps.filter((s) => s.attention === "hands").map((s) => s.ref))),
  );
  const work = plan.steps.flatMap(({ step }): { from: number; to: number }[] => {
    const event = log.events.get(step);
    if (event?.ended === undefined || !byHand.has(step)) return [];
    const { started, ended, pieces } = event;
    return pieces?.length ? pieces.map(([from, to]) => ({ from, to: to ?? ended })) : [{ from: started, to: ended }];
  });
  if (work.length === 0) return outside;
  const hours = new KitchenHours(dish, Math.min(...work.map((w) => w.from)) - 1440, Math.max(...work.map((w) => w.to)) + 1440);
  const free = dish.cooks.flatMap((_, cook) => hours.workingHours(cook));
  const onDay = (spans: readonly { from: number; to: number }[], day: number) =>
    spans.filter((w) => clock.dayNumber(w.from) === day).reduce((sum, w) => sum + w.to - w.from, 0);
  const filled = [...new Set(work.map((w) => clock.dayNumber(w.from)))].flatMap((day): Seen[] => {
    const minutes = onDay(work, day);
    const there = onDay(
      free.map(([from, to]) => ({ from, to })),
      day,
    );
    if (minutes < LEAST_WORK_MINUTES || minutes < there * SHORT_OF_HANDS) return [];
    return [short(work.find((w) => clock.dayNumber(w.from) === day)?.from ?? 0, false)];
  });
  return [...outside, ...filled];
}

/** Fridge, freezer and larder with next to nothing left, or more in them than they hold. */
function fullPlaces({ end: { plan } }: Run, dish: Dish): Seen[] {
  return occupancyOf(dish, plan).flatMap((place): Seen[] => {
    if (!(STORES as readonly string[]).includes(place.place) || place.capacity <= 0) return [];
    const [at, litres] = place.levels.reduce((a, b) => (b[1] > a[1] ? b : a), [0, 0] as const);
    if (litres < place.capacity * NEARLY_FULL) return [];
    const where = place.place === "cellar" ? "larder" : place.place;
    const past = litres > place.capacity + 1e-6;
    return [{ kind: "place", about: place.place, at, past, text: past ? `The ${where} is too full` : `The ${where} is nearly full` }];
  });
}

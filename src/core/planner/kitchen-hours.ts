// The hours of one kitchen over a stretch of time: when somebody is there, awake, free to work, and what its windows forbid to a step.
// All as intervals; what many steps share is calculated once.
import type { Dish, Step } from "../dish/model";
import { intervalsOfHours } from "../time/calendar";
import { type Interval, type Intervals, intersect, shift, startsFitting, subtract, union } from "../time/interval";
import { isHot, roundOffsets } from "./model";

type Hours = Parameters<typeof intervalsOfHours>[0];
/** Hours of one dish as intervals: each choice of methods and each probe asks for the same ones again. */
const hoursBySpan = new WeakMap<Hours, Map<string, Intervals>>();

function hoursOf(list: Hours, dish: Dish, from: number, to: number): Intervals {
  const known = hoursBySpan.get(list) ?? new Map<string, Intervals>();
  hoursBySpan.set(list, known);
  if (known.size > 50) known.clear();
  return remembered(known, `${dish.zone.name} ${from} ${to}`, () => intervalsOfHours(list, dish.zone, from, to));
}

export class KitchenHours {
  /** From the first minute that counts to the last. */
  readonly all: Interval;
  /** Somebody is awake at home. */
  readonly here: Intervals;
  readonly #windows: { readonly closed: Intervals; readonly forbid: ReadonlySet<string>; readonly allow: ReadonlySet<string> }[];
  readonly #works: Intervals[];
  readonly #closed = new Map<string, Intervals>();
  readonly #worksBy = new Map<string, Intervals>();
  readonly #fits = new Map<string, Intervals>();
  readonly #awake: Intervals;
  readonly #home: Intervals;
  readonly intervalsOf: (list: Hours) => Intervals;

  constructor(dish: Dish, from: number, to: number) {
    this.all = [from, to];
    const hours = (list: Hours) => hoursOf(list, dish, from, to);
    this.intervalsOf = hours;
    const away = dish.cooks.map((c) => hours(c.away));
    const awake = dish.cooks.map((c) => hours(c.awake));
    const home = away.map((a) => subtract([this.all], a));
    this.#works = dish.cooks.map((c, i) => subtract(c.hours ? hours(c.hours) : (awake[i] as Intervals), away[i] as Intervals));
    this.here = union(awake.flatMap((a, i) => intersect(a, home[i] as Intervals)));
    this.#awake = union(awake.flat());
    this.#home = union(home.flat());
    this.#windows = dish.windows.map((w) => ({ closed: hours(w.hours), forbid: w.forbid, allow: w.allow }));
  }

  /** When windows forbid a word to a step. */
  closed(word: string, step: string): Intervals {
    return union(this.#windows.filter((w) => w.forbid.has(word) && !w.allow.has(step)).flatMap((w) => w.closed));
  }

  windowsFor(step: Step, words: readonly string[]): Intervals {
    const key = this.#windowKey(step, words);
    return remembered(this.#closed, key, () => union(this.#windows.flatMap((w, i) => (key.includes(` ${i},`) ? w.closed : []))));
  }

  /** The windows that forbid some of these words to a step, by number: many steps share them. */
  #windowKey(step: Step, words: readonly string[]): string {
    return this.#windows.map((w, i) => (!w.allow.has(step.ref) && words.some((word) => w.forbid.has(word)) ? ` ${i},` : "")).join("");
  }

  /** When a cook is there to work, whatever the work. */
  workingHours(cook: number): Intervals {
    return this.#works[cook] as Intervals;
  }

  /** When each cook may work on a step: the cook's hours less the windows that forbid hands. */
  worksOf(step: Step, cook: number): Intervals {
    const words = ["hands", "*"];
    return remembered(this.#worksBy, `${cook}${this.#windowKey(step, words)}`, () =>
      subtract(this.#works[cook] as Intervals, this.windowsFor(step, words)),
    );
  }

  /** Starts at which one of the cooks has so many minutes in one stretch. */
  someFit(step: Step, cooks: readonly number[], minutes: number): Intervals {
    return remembered(this.#fits, `${cooks.join()} ${minutes}${this.#windowKey(step, ["hands", "*"])}`, () =>
      union(cooks.flatMap((c) => startsFitting(this.worksOf(step, c), minutes, this.all))),
    );
  }

  roundMinutes(step: Step, takes: number): Intervals {
    const closed = this.windowsFor(step, ["hands", "*"]);
    return subtract(this.here, union(closed.map(([a, b]) => [a - Math.max(1, takes) + 1, b] as const)));
  }

  /** Minutes that the run must lie in: somebody there or awake, and no window that forbids a tag of the step. */
  coverOf(step: Step): Intervals | undefined {
    let cover: Intervals | undefined;
    const within = (list: Intervals) => {
      cover = cover ? intersect(cover, list) : list;
    };
    if (step.attention === "nearby") within(subtract(this.here, this.windowsFor(step, ["*"])));
    if (step.attention === "unattended" && !step.sleepOk) within(this.#awake);
    if (step.attention === "unattended" && !step.awayOk) within(this.#home);
    const closed = this.windowsFor(step, [...step.tags]);
    if (step.tags.size && closed.length) within(subtract([this.all], closed));
    if (step.uses.some((u) => isHot(u.what) && u.part === "all")) {
      const noHeat = this.windowsFor(step, ["heat"]);
      if (noHeat.length) within(subtract([this.all], noHeat));
    }
    return cover;
  }

  /** Starts for which somebody is there at every round, or near enough to it. */
  startsOfRounds(step: Step, minutes: number): Intervals {
    let starts: Intervals = [this.all];
    if (step.tends.length === 0) return starts;
    for (const tend of step.tends) {
      const there = this.roundMinutes(step, tend.takes);
      const play = Math.floor(Math.max(tend.every / 4, 5));
      const near = union(there.map(([a, b]) => [a - play, b + play] as const));
      for (const offset of roundOffsets(tend, minutes)) starts = intersect(starts, shift(near, -offset));
    }
    return starts;
  }
}

function remembered<T>(known: Map<string, T>, key: string, make: () => T): T {
  const found = known.get(key);
  if (found !== undefined) return found;
  const made = make();
  known.set(key, made);
  return made;
}

/** Hands-on parts of a run of batches back to back; only the very last may be anchored to the end, which a stretch moves. */

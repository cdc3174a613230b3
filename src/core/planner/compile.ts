// Compile: a dish, a choice of methods, a moment and a log become activities, time lags and lists of permitted starts.
// Every list is of intervals, so the cost follows the number of events and never the length of the horizon.
// Needs a dish that passed check.ts; leaves behind a Model (model.ts) for network.ts and search.ts.

import { type Dish, HEATED, type Hold, isWare, type Method, STORES, type Step, type Use } from "../dish/model";
import { type PlanAt, plannedLength } from "../dish/planned-length";
import { spokenDuration } from "../time/duration";
import { type Interval, type Intervals, intersect, shift, startsAvoiding, startsFitting, union } from "../time/interval";
import { type Warmth, warmthNow } from "./heat-settings";
import { KitchenHours } from "./kitchen-hours";
import { isPutDown, type Log, type LogEvent, type StepPin, workedMinutes } from "./log";
import {
  type Activity,
  type Because,
  endOf,
  type HandsPart,
  isHot,
  isUnitLike,
  type Model,
  type Need,
  startOf,
  type Taking,
  type TimeLag,
  type Unit,
  type Waiting,
} from "./model";

export interface CompileInput {
  readonly dish: Dish;
  readonly now: number;
  readonly serveAt: number;
  readonly planAt: PlanAt;
  /** Component to method, "fallback" included; components left out take their first method. */
  readonly methods: Readonly<Record<string, string>>;
  readonly log: Log;
  /** Minutes of one batch of steps that are planned shorter than `planAt` says. */
  readonly lengths?: ReadonlyMap<string, number> | undefined;
  /** How far what has begun, and what may not wait for it, may go past hours and quality waits; default: not at all. */
  readonly lenience?: Lenience | undefined;
}

/** Minutes. What goes past is an exception of the plan (R35). */
export interface Lenience {
  readonly hours: number;
  readonly waits: number;
}

export const STRICT: Lenience = { hours: 0, waits: 0 };

export type Compiled =
  | { readonly status: "compiled"; readonly model: Model }
  | { readonly status: "impossible"; readonly because: Because };

/** Builds the model for one choice of methods. */
export function compile(input: CompileInput): Compiled {
  const { dish, now, serveAt, planAt, log } = input;
  const last = Math.max(serveAt, ...dish.courses.map((c) => serveAt + c.after));
  const chosen = new Map<string, Method | "fallback">();
  for (const component of dish.components) {
    if (component.onHand.length) continue;
    const wanted = input.methods[component.id] ?? component.methods[0]?.id;
    const method = wanted === "fallback" && component.fallback ? "fallback" : component.methods.find((m) => m.id === wanted);
    if (!method)
      return { status: "impossible", because: { rule: "H1", steps: [], text: `"${component.name}" has no method "${wanted}".` } };
    chosen.set(component.id, method);
  }
  const inForce = [...chosen.values()].flatMap((m) => (m === "fallback" ? [] : m.steps));
  return new Compiler(dish, now, serveAt, last, planAt, log, chosen, inForce, input.lengths ?? new Map(), input.lenience ?? STRICT).run();
}

class Compiler {
  readonly #activities: Activity[] = [];
  readonly #lags: TimeLag[] = [];
  readonly #takings: Taking[] = [];
  readonly #waitings: Waiting[] = [];
  readonly #first = new Map<string, number>();
  readonly #last = new Map<string, number>();
  readonly #fallbacks = new Map<string, number>();
  readonly #units = new Map<string, Unit[]>();
  readonly #hours: KitchenHours;
  readonly #all: Interval;
  readonly #warmth: ReadonlyMap<string, Warmth>;
  /** Steps that may go past hours: those tied by longest waits to the end of one that has begun. */
  readonly #tied: ReadonlySet<string>;

  constructor(
    readonly dish: Dish,
    readonly now: number,
    readonly serveAt: number,
    readonly last: number,
    readonly planAt: PlanAt,
    readonly log: Log,
    readonly chosen: ReadonlyMap<string, Method | "fallback">,
    readonly inForce: readonly Step[],
    readonly lengths: ReadonlyMap<string, number>,
    readonly lenience: Lenience,
  ) {
    this.#tied = lenience.hours > 0 ? tiedTo(log, inForce) : new Set();
    this.#hours = new KitchenHours(dish, now - 1440, last + 1440);
    this.#all = this.#hours.all;
    this.#warmth = warmthNow(dish, inForce, log, now);
    for (const e of dish.equipment) {
      const list = this.#units.get(e.kind) ?? [];
      for (let n = 0; n < e.count; n++) {
        list.push({
          id: e.id,
          litres: e.litres ?? Number.POSITIVE_INFINITY,
          pieces: e.pieces ?? Number.POSITIVE_INFINITY,
          clean: e.cleanTakes,
          available: e.available && this.#hours.intervalsOf(e.available),
        });
      }
      this.#units.set(e.kind, list);
    }
  }

  run(): Compiled {
    for (const step of this.inForce) {
      const impossible = this.#addStep(step);
      if (impossible) return { status: "impossible", because: impossible };
    }
    for (const component of this.dish.components) {
      if (this.chosen.get(component.id) === "fallback" && component.fallback)
        this.#addFallback(component.id, component.name, component.fallback.lead);
    }
    for (const step of this.inForce) {
      this.#addLinks(step);
      const impossible = this.#addTakes(step);
      if (impossible) return { status: "impossible", because: impossible };
    }
    this.#addServing();
    const storeLitres = new Map<string, number>();
    for (const place of STORES) {
      storeLitres.set(
        place,
        this.dish.equipment.filter((e) => e.kind === place).reduce((sum, e) => sum + (e.litres ?? Number.POSITIVE_INFINITY), 0),
      );
    }
    const methods: Record<string, string> = {};
    for (const [id, method] of this.chosen) methods[id] = method === "fallback" ? "fallback" : method.id;
    return {
      status: "compiled",
      model: {
        dish: this.dish,
        now: this.now,
        serveAt: this.serveAt,
        last: this.last,
        planAt: this.planAt,
        methods,
        inForce: this.inForce,
        activities: this.#activities,
        lags: this.#lags,
        takings: this.#takings,
        waitings: this.#waitings,
        first: this.#first,
        lastOf: this.#last,
        units: this.#units,
        storeLitres,
        here: this.#hours.here,
        roundMinutes: (step, takes) => this.#hours.roundMinutes(step, takes),
        warmth: this.#warmth,
        closed: (word, step) => this.#hours.closed(word, step),
        fallbacks: this.#fallbacks,
        lengths: this.lengths,
        lenience: this.lenience,
        tied: this.#tied,
        worked: new Map([...this.log.events].flatMap(([ref, e]) => (e.pieces && e.ended === undefined ? [[ref, e.pieces] as const] : []))),
      },
    };
  }

  /** Whole minutes of one batch. */
  #oneOf(step: Step): number {
    return this.lengths.get(step.ref) ?? plannedLength(step.time, this.planAt, step.k, step.grows);
  }

  #skipped(ref: string): boolean {
    return this.log.events.get(ref)?.skipped === true;
  }

  /** Hours as far as a step may go past them. */
  #stretched(step: Step, list: Intervals): Intervals {
    const over = this.lenience.hours;
    if (over === 0 || !this.#tied.has(step.ref)) return list;
    return intersect([this.#all], union(list.map(([a, b]) => [Math.max(this.now, a - over), b + over] as const)));
  }

  #lag(from: number, to: number, lag: number, because: Because): void {
    this.#lags.push({ from, to, lag, because });
  }

  #addStep(step: Step): Because | undefined {
    const one = this.#oneOf(step);
    const event = this.log.events.get(step.ref);
    const count = step.each && !event ? step.batches : 1;
    for (let batch = 0; batch < count; batch++) {
      const impossible = this.#addActivity(step, batch, step.each && !event ? one : one * step.batches, one, event);
      if (impossible) return impossible;
      const index = this.#activities.length - 1;
      const inOrder: Because = { rule: "H1", steps: [step.ref], text: `The batches of "${step.name}" come one after another.` };
      if (batch === 0) this.#first.set(step.ref, index);
      else this.#lag(endOf(index - 1), startOf(index), 0, inOrder);
      // Rounds keep their rhythm over all batches: they follow one another without a gap then.
      if (batch > 0 && step.tends.length) this.#lag(startOf(index), endOf(index - 1), 0, inOrder);
      this.#last.set(step.ref, index);
    }
    return undefined;
  }

  #addActivity(step: Step, batch: number, length: number, one: number, event: LogEvent | undefined): Because | undefined {
    const putDown = event !== undefined && step.minPiece !== undefined && isPutDown(event);
    const minutes = putDown ? Math.max(0, length - workedMinutes(event)) : length;
    const index = this.#activities.length;
    const pins = this.log.pins.filter((p) => p.step === step.ref);
    const cooks = this.#cooksFor(step, pins);
    if (cooks.length === 0) return { rule: "H6", steps: [step.ref], text: `No cook of this kitchen may do "${step.name}".` };
    const needs = this.#needsOf(step);
    const tooBig = needs.find((n) => isUnitLike(n.use.what) && n.fitting.length < n.use.count);
    if (tooBig && !event?.ended) {
      const { use } = tooBig;
      const size = use.litres ? `${Number(use.litres.toPrecision(3))} L` : use.pieces ? `${use.pieces} pieces` : `${use.count} at once`;
      return { rule: "H9", steps: [step.ref], text: `"${step.name}" asks for a ${use.what} of ${size}; the kitchen has none so large.` };
    }
    const parts = partsOf(step, one, step.each ? 1 : step.batches);
    const fact = event && !putDown ? this.#factOf(step, event, minutes) : undefined;
    const works = cooks.map((c) => this.#stretched(step, this.#hours.worksOf(step, c)));
    const base: Interval = [this.now, this.last + 1];
    const maxStretch = this.lengths.has(step.ref) ? 0 : step.stretch;
    const rigid = maxStretch === 0 && step.minPiece === undefined;
    const allCover = this.#hours.coverOf(step);
    const cover = allCover && this.#stretched(step, allCover);
    let starts: Intervals = [base];
    let ends: Intervals = [base];
    let open = false;
    if (fact) {
      starts = [[fact.start, fact.start + 1]];
      ends = [[fact.end, fact.end + 1]];
      const later = fact.done ? [] : this.#endsOfRunning(step, fact, parts, works);
      open = later.length > 0;
      if (open) ends = later;
    } else if (step.minPiece !== undefined) {
      const piece = Math.min(step.minPiece, minutes);
      const some = this.#stretchedFits(step, cooks, works, piece);
      starts = intersect(starts, some);
      ends = intersect(ends, shift(some, piece));
    } else {
      for (const part of parts) {
        const some = this.#stretchedFits(step, cooks, works, part.minutes);
        if (part.atEnd) ends = intersect(ends, shift(some, part.minutes));
        else starts = intersect(starts, shift(some, -part.offset));
      }
      for (const need of needs) starts = intersect(starts, this.#startsOfNeed(step, need, parts, minutes));
      if (rigid) {
        if (cover) starts = intersect(starts, startsFitting(cover, minutes, this.#all));
        if (batch === 0 && !this.#tied.has(step.ref))
          starts = intersect(starts, this.#hours.startsOfRounds(step, step.each ? one * step.batches : minutes));
        starts = intersect(starts, shift(ends, -minutes));
        ends = shift(starts, minutes);
      }
    }
    // Somebody is up and at home to put it there; whose hands do it is not counted.
    if (step.puts && !fact && batch === 0) {
      starts = intersect(starts, this.#stretched(step, this.#hours.here));
      if (rigid) ends = shift(starts, minutes);
    }
    for (const pin of fact ? [] : pins) {
      if (pin.at !== undefined && batch === 0) starts = intersect(starts, [[pin.at, pin.at + 1]]);
      if (pin.notBefore !== undefined) starts = intersect(starts, [[pin.notBefore, this.last + 1]]);
      if (pin.notAfter !== undefined && batch === 0) starts = intersect(starts, [[base[0], pin.notAfter + 1]]);
    }
    this.#activities.push({
      index,
      step,
      batch,
      minutes,
      stretch: fact && !open ? 0 : maxStretch,
      minPiece: fact ? undefined : step.minPiece,
      parts,
      cooks,
      needs,
      starts,
      ends,
      cover: fact ? undefined : cover,
      works,
      fact,
      open,
    });
    const s = startOf(index);
    const e = endOf(index);
    const lasts: Because = { rule: "H1", steps: [step.ref], text: `"${step.name}" takes ${spokenDuration(minutes)}.` };
    if (fact) {
      this.#lag(s, e, fact.end - fact.start, lasts);
      this.#lag(e, s, fact.start - (open ? fact.end + maxStretch : fact.end), lasts);
    } else {
      this.#lag(s, e, minutes, lasts);
      if (step.minPiece === undefined) this.#lag(e, s, -minutes - maxStretch, lasts);
    }
    return undefined;
  }

  #cooksFor(step: Step, pins: readonly StepPin[]): number[] {
    const named = pins.map((p) => p.cook).filter((c) => c !== undefined);
    return this.dish.cooks.flatMap((c, i) => ((!step.cooks || step.cooks.includes(c.id)) && named.every((n) => n === c.id) ? [i] : []));
  }

  /** Starts at which one of the cooks has so many minutes in one stretch, with what a tied step may go past. */
  #stretchedFits(step: Step, cooks: readonly number[], works: readonly Intervals[], minutes: number): Intervals {
    if (!this.#tied.has(step.ref)) return this.#hours.someFit(step, cooks, minutes);
    return union(works.flatMap((w) => startsFitting(w, minutes, this.#all)));
  }

  #factOf(step: Step, event: LogEvent, minutes: number): NonNullable<Activity["fact"]> {
    if (event.ended !== undefined) return { start: event.started, end: event.ended, done: true };
    // What lies between the pieces of a split step is not worked.
    const paused = step.minPiece === undefined || !event.pieces ? 0 : pausedMinutes(event.pieces);
    const end = event.estimate ?? event.started + paused + minutes;
    return { start: event.started, end: Math.max(end, this.now, event.started), done: false };
  }

  /** Where a running step with a stretch may end: from when it is expected, where hands can see it out. */
  #endsOfRunning(step: Step, fact: { readonly end: number }, parts: readonly HandsPart[], works: readonly Intervals[]): Intervals {
    if (step.stretch === 0 || step.minPiece !== undefined || step.each || this.lengths.has(step.ref)) return [];
    const all: Intervals = [[fact.end, fact.end + step.stretch + 1]];
    let ends = all;
    for (const part of parts)
      if (part.atEnd) ends = intersect(ends, shift(union(works.flatMap((w) => startsFitting(w, part.minutes, this.#all))), part.minutes));
    const cover = this.#hours.coverOf(step);
    if (cover)
      ends = intersect(
        ends,
        cover.filter(([a, b]) => a <= this.now && this.now < b).map(([a, b]) => [a, b + 1] as const),
      );
    // Once it has begun it is seen out, hours or not: where none of its ends suits them, the first does.
    return ends.length ? ends : this.lenience.hours > 0 ? all : [[fact.end, fact.end + 1]];
  }

  #needsOf(step: Step): Need[] {
    return step.uses.map((use, useIndex): Need => {
      const units = this.#units.get(use.what) ?? [];
      const fitting = isUnitLike(use.what)
        ? units.flatMap((u, i) => (u.litres + 1e-6 >= use.litres && u.pieces >= use.pieces ? [i] : []))
        : [];
      // The smallest that is big enough goes first, so that the large pot stays free.
      fitting.sort((a, b) => (units[a] as Unit).litres - (units[b] as Unit).litres || a - b);
      const span = use.until !== undefined ? { until: -1 } : use.part === "hands" ? ("hands" as const) : ("run" as const);
      return { use, useIndex, fitting, span, throughout: use.until === undefined && use.part !== "hands" && isWare(use.what) };
    });
  }

  /** Starts for which one use of equipment meets no closed window, and its equipment is there and can be hot. */
  #startsOfNeed(step: Step, need: Need, parts: readonly HandsPart[], minutes: number): Intervals {
    const { use } = need;
    let starts: Intervals = [this.#all];
    if (isHot(use.what)) {
      const lighting = this.#hours.windowsFor(step, ["start-heat"]);
      const heat = this.#hours.windowsFor(step, ["heat"]);
      const offsets =
        need.span === "hands" ? parts.filter((p) => !p.atEnd).map((p) => [p.offset, p.minutes] as const) : [[0, minutes] as const];
      for (const [offset, length] of offsets) {
        starts = intersect(starts, shift(startsAvoiding(lighting, 1, this.#all), -offset));
        if (need.span === "hands") starts = intersect(starts, shift(startsAvoiding(heat, length, this.#all), -offset));
      }
    }
    if ((HEATED as readonly string[]).includes(use.what) && !use.ramp && !this.#isHotNow(use.what)) {
      const heaters = this.dish.equipment.filter((e) => e.kind === use.what && e.maxC >= use.tempC - use.toleranceC);
      const heatUp = Math.min(...heaters.map((e) => Math.ceil(Math.max(0, use.tempC - use.toleranceC - e.idleC) / e.heatCPerMin - 1e-6)));
      starts = intersect(starts, Number.isFinite(heatUp) ? [[this.now + heatUp, this.#all[1]]] : []);
    }
    const units = (this.#units.get(use.what) ?? []).filter((_, i) => need.fitting.length === 0 || need.fitting.includes(i));
    if (units.length && units.every((u) => u.available)) {
      const length = need.span === "hands" ? 0 : minutes;
      starts = intersect(starts, union(units.flatMap((u) => startsFitting(u.available as Intervals, length, this.#all))));
    }
    return starts;
  }

  /** Whether some of a kind is warm or in use at `now`, so that what comes next may find it hot. */
  #isHotNow(kind: string): boolean {
    const warm = this.dish.equipment.some((e) => e.kind === kind && this.#warmth.has(e.id));
    return warm || this.inForce.some((s) => this.log.events.has(s.ref) && s.uses.some((u) => u.what === kind));
  }

  #addFallback(component: string, name: string, lead: number): void {
    const index = this.#activities.length;
    this.#fallbacks.set(component, index);
    const base: Intervals = [[this.now, this.last + 1]];
    this.#activities.push({
      index,
      step: FALLBACK_STEP(component, name),
      batch: 0,
      minutes: lead,
      stretch: 0,
      minPiece: undefined,
      parts: [],
      cooks: [],
      needs: [],
      starts: base,
      ends: base,
      cover: undefined,
      works: [],
      fact: undefined,
      open: false,
    });
    const lasts: Because = { rule: "H4", steps: [], text: `The stand-in for "${name}" needs ${spokenDuration(lead)} from the decision.` };
    this.#lag(startOf(index), endOf(index), lead, lasts);
    this.#lag(endOf(index), startOf(index), -lead, lasts);
  }

  #addLinks(step: Step): void {
    const first = this.#first.get(step.ref) as number;
    const lastBatch = this.#last.get(step.ref) as number;
    // A link says when a step may start; one that has started is past asking.
    const started = this.log.events.has(step.ref);
    for (const link of started ? [] : step.links) {
      const other = link.from === "end" ? this.#last.get(link.step) : this.#first.get(link.step);
      if (other === undefined || this.#skipped(link.step)) continue;
      const origin = link.from === "end" ? endOf(other) : startOf(other);
      const name = this.#nameOf(link.step);
      this.#lag(origin, startOf(first), link.min, {
        rule: "H3",
        steps: [link.step, step.ref],
        text: link.min
          ? `"${step.name}" comes at least ${spokenDuration(link.min)} after "${name}".`
          : `"${step.name}" comes after "${name}".`,
      });
      if (link.max !== undefined) {
        const more = this.log.events.has(link.step) && link.limit !== "safety" ? this.lenience.waits : 0;
        this.#lag(startOf(first), origin, -link.max - more, {
          rule: "H3",
          steps: [link.step, step.ref],
          text: `"${step.name}" comes ${link.max ? `at most ${spokenDuration(link.max)}` : "at once"} after "${name}"${link.limit === "safety" ? ", for safety" : ""}.`,
        });
      }
      if (link.best || (link.litres > 0 && (STORES as readonly string[]).includes(link.place))) {
        this.#waitings.push({ from: origin, to: startOf(first), place: link.place, litres: link.litres, best: link.best });
      }
    }
    if (step.within !== undefined && !started) {
      const outerFirst = this.#first.get(step.within);
      const outerLast = this.#last.get(step.within);
      if (outerFirst !== undefined && outerLast !== undefined) {
        const inside: Because = {
          rule: "H4",
          steps: [step.within, step.ref],
          text: `"${step.name}" happens while "${this.#nameOf(step.within)}" runs.`,
        };
        const more = this.log.events.has(step.within) ? this.lenience.waits : 0;
        this.#lag(startOf(outerFirst), startOf(first), 0, inside);
        this.#lag(endOf(lastBatch), endOf(outerLast), -more, inside);
      }
    }
    step.uses.forEach((use, u) => {
      const until = use.until === undefined ? undefined : this.#last.get(use.until);
      for (let i = first; i <= lastBatch; i++) {
        const activity = this.#activities[i] as Activity;
        const need = activity.needs[u] as Need;
        if (use.until !== undefined) (activity.needs as Need[])[u] = { ...need, span: until === undefined ? "run" : { until } };
      }
      if (until !== undefined && until !== lastBatch && !(started && this.log.events.has(use.until as string))) {
        this.#lag(endOf(lastBatch), endOf(until), 0, {
          rule: "H9",
          steps: [step.ref, use.until as string],
          text: `The ${use.what} of "${step.name}" is kept for "${this.#nameOf(use.until as string)}".`,
        });
      }
      if (use.ramp && !started) this.#glueRamp(step, use, first);
    });
  }

  /** The food stays in while the setting changes: the step begins as the one before it ends. */
  #glueRamp(step: Step, use: Use, first: number): void {
    const before = step.links.map((l) => this.inForce.find((s) => s.ref === l.step)).find((s) => s?.uses.some((u) => u.what === use.what));
    const other = before && this.#last.get(before.ref);
    if (before && other !== undefined && this.log.events.get(before.ref)?.ended === undefined) {
      this.#lag(startOf(first), endOf(other), 0, {
        rule: "H10",
        steps: [before.ref, step.ref],
        text: `"${step.name}" goes on in the same heat as "${before.name}" ends.`,
      });
    }
  }

  #addTakes(step: Step): Because | undefined {
    const first = this.#first.get(step.ref) as number;
    const lastBatch = this.#last.get(step.ref) as number;
    for (const take of step.takes) {
      if (this.inForce.some((s) => this.#skipped(s.ref) && s.makes.some((o) => o.ref === take.from))) continue;
      for (let taker = first; taker <= (take.each ? lastBatch : first); taker++) {
        const batch = taker - first;
        const source = this.#sourceOf(take.from, take.each && !this.log.events.has(step.ref) ? batch : undefined);
        if (!source)
          return {
            rule: "H4",
            steps: [step.ref],
            text: `Nothing in this choice of methods makes "${take.from}", which "${step.name}" takes.`,
          };
        const taking: Taking = { output: take.from, taker, takerStep: step.ref, during: take.during, ...source };
        this.#takings.push(taking);
        if (!this.log.events.has(step.ref)) this.#lagsOfTaking(taking, step.name);
      }
    }
    return undefined;
  }

  #sourceOf(output: string, batch: number | undefined): Pick<Taking, "maker" | "batchEnd" | "readyAt" | "holds"> | undefined {
    const component = this.dish.components.find((c) => output.startsWith(`${c.id}.`));
    if (!component) return undefined;
    const onHand = component.onHand.find((o) => o.ref === output);
    if (component.onHand.length) return onHand && { maker: undefined, batchEnd: undefined, readyAt: onHand.madeAt, holds: onHand.holds };
    if (this.chosen.get(component.id) === "fallback") {
      const like = component.methods.flatMap((m) => m.steps.flatMap((s) => s.makes)).find((o) => o.ref === output);
      return like && { maker: this.#fallbacks.get(component.id), batchEnd: undefined, readyAt: undefined, holds: like.holds };
    }
    const maker = this.inForce.find((s) => s.makes.some((o) => o.ref === output));
    if (!maker) return undefined;
    const holds = maker.makes.find((o) => o.ref === output)?.holds ?? [];
    const first = this.#first.get(maker.ref) as number;
    if (batch === undefined || this.log.events.has(maker.ref))
      return { maker: this.#last.get(maker.ref), batchEnd: undefined, readyAt: undefined, holds };
    if (maker.each) return { maker: first + batch, batchEnd: undefined, readyAt: undefined, holds };
    const one = this.#oneOf(maker);
    return { maker: first, batchEnd: batch === maker.batches - 1 ? undefined : (batch + 1) * one, readyAt: undefined, holds };
  }

  /** The hull of what the holds allow; which hold it is, the search decides when both ends are known. */
  #lagsOfTaking(t: Taking, takerName: string): void {
    const least = t.holds.length ? Math.min(...t.holds.map((h) => h.min)) : 0;
    const longest =
      t.holds.length && t.holds.every((h) => h.max !== undefined)
        ? Math.max(...t.holds.map((h) => (h.max as number) + this.#moreWait(t, h)))
        : undefined;
    const most = longest;
    const s = startOf(t.taker);
    if (t.maker === undefined) {
      const activity = this.#activities[t.taker] as Activity;
      const ready = t.readyAt as number;
      (this.#activities as Activity[])[t.taker] = {
        ...activity,
        starts: intersect(activity.starts, [[ready + least, most === undefined ? this.last + 1 : ready + most + 1]]),
      };
      return;
    }
    const maker = this.#activities[t.maker] as Activity;
    const steps = [maker.step.ref, t.takerStep].filter((r) => r !== "");
    const ready = t.batchEnd === undefined ? endOf(t.maker) : startOf(t.maker);
    const offset = t.batchEnd ?? 0;
    const name = maker.step.name;
    if (t.during !== undefined) {
      this.#lag(startOf(t.maker), s, t.during, {
        rule: "H4",
        steps,
        text: `"${takerName}" takes from "${name}" at the earliest ${spokenDuration(t.during)} into it.`,
      });
      if (most !== undefined)
        this.#lag(s, ready, -Math.max(0, most), {
          rule: "H4",
          steps,
          text: `"${takerName}" takes from "${name}" at most ${spokenDuration(most)} after it.`,
        });
      return;
    }
    this.#lag(ready, s, offset + least, {
      rule: "H4",
      steps,
      text: least
        ? `What "${name}" makes waits at least ${spokenDuration(least)} before "${takerName}".`
        : `"${takerName}" takes what "${name}" makes.`,
    });
    if (most !== undefined) {
      const safety = t.holds.some((h) => h.max === most && h.limit === "safety");
      this.#lag(s, ready, -offset - most, {
        rule: "H4",
        steps,
        text: `What "${name}" makes waits at most ${spokenDuration(most)} before "${takerName}"${safety ? ", for safety" : ""}.`,
      });
    }
  }

  /** Minutes that what is made already may wait beyond a hold, where that is no matter of safety. */
  #moreWait(t: Taking, hold: Hold): number {
    const made = t.maker === undefined ? this.lenience.waits > 0 : (this.#activities[t.maker] as Activity).fact !== undefined;
    return made && hold.limit !== "safety" ? this.lenience.waits : 0;
  }

  #addServing(): void {
    const at = (ref: string, minute: number) => {
      const index = this.#last.get(ref);
      const activity = index === undefined ? undefined : this.#activities[index];
      if (index === undefined || !activity || activity.fact) return;
      const ends = intersect(activity.ends, [[minute, minute + 1]]);
      const rigid = activity.stretch === 0 && activity.minPiece === undefined;
      const starts = rigid ? intersect(activity.starts, [[minute - activity.minutes, minute - activity.minutes + 1]]) : activity.starts;
      (this.#activities as Activity[])[index] = { ...activity, ends, starts };
    };
    at(this.dish.serve, this.serveAt);
    for (const course of this.dish.courses) at(course.serve, this.serveAt + course.after);
  }

  #nameOf(ref: string): string {
    return this.inForce.find((s) => s.ref === ref)?.name ?? ref;
  }
}

/** Minutes between the pieces worked so far. */
function pausedMinutes(pieces: NonNullable<LogEvent["pieces"]>): number {
  return pieces.reduce((sum, [a], i) => sum + (i > 0 ? a - (pieces[i - 1]?.[1] ?? a) : 0), 0);
}

/** Steps that longest waits tie to the end of one that has begun, directly or through steps so tied; what has begun among them. */
function tiedTo(log: Log, inForce: readonly Step[]): ReadonlySet<string> {
  const tied = new Set(log.events.keys());
  const makers = new Map(inForce.flatMap((s) => s.makes.map((o) => [o.ref, { step: s.ref, holds: o.holds }] as const)));
  for (let grew = true; grew; ) {
    grew = false;
    for (const step of inForce) {
      if (tied.has(step.ref)) continue;
      const waits =
        step.links.some((l) => l.max !== undefined && l.from === "end" && tied.has(l.step)) ||
        step.takes.some((t) => {
          const made = makers.get(t.from);
          return made !== undefined && tied.has(made.step) && made.holds.length > 0 && made.holds.every((h) => h.max !== undefined);
        });
      if (!waits) continue;
      tied.add(step.ref);
      grew = true;
    }
  }
  return tied;
}

function partsOf(step: Step, one: number, batches: number): HandsPart[] {
  const parts: HandsPart[] = [];
  for (let n = 0; n < batches; n++) {
    const from = n * one;
    const last = n === batches - 1;
    if (step.attention === "hands") {
      if (one > 0) parts.push({ offset: from, minutes: one, atEnd: false });
      continue;
    }
    const start = Math.min(step.handsStart, one);
    const end = Math.min(step.handsEnd, one - start);
    if (start > 0) parts.push({ offset: from, minutes: start, atEnd: false });
    if (end > 0) parts.push({ offset: from + one - end, minutes: end, atEnd: last });
  }
  return parts;
}

const FALLBACK_STEP = (component: string, name: string): Step => ({
  ref: "",
  id: "fallback",
  name: `the stand-in for ${name}`,
  time: { min: 0, likely: 0, max: 0 },
  k: 1,
  grows: 0,
  stretch: 0,
  attention: "unattended",
  handsStart: 0,
  handsEnd: 0,
  tends: [],
  sleepOk: true,
  awayOk: true,
  puts: false,
  minPiece: undefined,
  batches: 1,
  each: false,
  uses: [],
  usesHeat: false,
  tags: new Set(),
  links: [],
  takes: [],
  within: undefined,
  makes: [],
  cooks: undefined,
  file: { id: "fallback", time: "0m", note: component },
});

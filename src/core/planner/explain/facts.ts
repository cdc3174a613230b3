// The facts of a planning problem that could be otherwise, one by one: a wait's end, a step's length or hands, a pot, an evening.
// Each can be let go; what is left when the rest is let go is tried anew. Conflicts are sets of these facts.

import {
  type Component,
  type Cook,
  type Dish,
  type Equipment,
  HEATED,
  type Hold,
  type Link,
  type Method,
  STORES,
  type Step,
  type Take,
  type Use,
  type Window,
} from "../../dish/model";
import { type PlanAt, plannedLength } from "../../dish/planned-length";
import type { Hours } from "../../time/calendar";
import { spokenDuration } from "../../time/duration";
import type { Log, StepPin } from "../plan";

/** A dish in which facts can be let go. */
export interface Draft {
  now: number;
  readonly steps: Map<string, Writable<Step>>;
  cooks: Writable<Cook>[];
  equipment: Writable<Equipment>[];
  windows: Window[];
  pins: readonly StepPin[];
}
type Writable<T> = { -readonly [K in keyof T]: T[K] };

export type FactKind =
  | "link-max"
  | "link-min"
  | "hold-max"
  | "hold-min"
  | "take"
  | "within"
  | "length"
  | "hands"
  | "nearby"
  | "rounds"
  | "use"
  | "hours"
  | "awake"
  | "away"
  | "one-pair"
  | "equipment"
  | "available"
  | "window"
  | "pin"
  | "now";

export interface Fact {
  readonly kind: FactKind;
  readonly rule: string;
  readonly steps: readonly string[];
  readonly text: string;
  /** What it speaks of: a cook, an equipment, an output, a use; for repairs. */
  readonly about: string;
  /** True where a widening would touch a safety limit. */
  readonly safety: boolean;
  readonly letGo: (draft: Draft) => void;
}

const FOREVER = 60 * 1440;
const ALWAYS: readonly Hours[] = [{ days: "all", from: "00:00", to: "24:00" }];

/** Facts of the methods in force, those that a cook thinks of first in front, `now` at the end. */
export function factsOf(dish: Dish, inForce: readonly Step[], now: number, planAt: PlanAt, log: Log): Fact[] {
  const nameOf = (ref: string) => inForce.find((s) => s.ref === ref)?.name ?? ref;
  return [
    ...inForce.flatMap((s) => waitsOf(s, nameOf, inForce)),
    ...inForce.flatMap((s) => holdsOf(s, inForce)),
    ...inForce.flatMap((s) => workOf(s, planAt)),
    ...dish.cooks.map(onePairOf),
    ...dish.equipment
      .filter((e) =>
        inForce.some((s) => s.uses.some((u) => u.what === e.kind) || s.makes.some((o) => o.holds.some((h) => h.place === e.kind))),
      )
      .flatMap(equipmentOf),
    ...dish.windows.map(windowOf),
    ...dish.cooks.flatMap(timesOf),
    ...log.pins.map((pin) => pinOf(pin, dish, nameOf)),
    nowOf(dish, now),
  ];
}

/** The dish in which only the facts of `kept` hold. Methods other than the given choice are left as they are. */
export function without(
  dish: Dish,
  now: number,
  log: Log,
  facts: readonly Fact[],
  kept: ReadonlySet<Fact>,
): { dish: Dish; now: number; log: Log } {
  const draft: Draft = {
    now,
    steps: new Map(dish.components.flatMap((c) => c.methods.flatMap((m) => m.steps.map((s) => [s.ref + m.id, { ...s }] as const)))),
    cooks: dish.cooks.map((c) => ({ ...c })),
    equipment: dish.equipment.map((e) => ({ ...e })),
    windows: [...dish.windows],
    pins: log.pins,
  };
  for (const fact of facts) if (!kept.has(fact)) fact.letGo(draft);
  const components = dish.components.map(
    (c): Component => ({
      ...c,
      methods: c.methods.map((m): Method => ({ ...m, steps: m.steps.map((s) => draft.steps.get(s.ref + m.id) as Step) })),
    }),
  );
  return {
    dish: { ...dish, components, cooks: draft.cooks, equipment: draft.equipment, windows: draft.windows },
    now: draft.now,
    log: { ...log, pins: draft.pins },
  };
}

/** The steps of a draft with that reference, under whichever method. */
function each(draft: Draft, ref: string, change: (step: Writable<Step>) => void): void {
  for (const step of draft.steps.values()) if (step.ref === ref) change(step);
}

const changed = <T>(list: readonly T[], wanted: (entry: T) => boolean, change: Partial<T>): T[] =>
  list.map((e) => (wanted(e) ? { ...e, ...change } : e));

function waitsOf(step: Step, nameOf: (ref: string) => string, inForce: readonly Step[]): Fact[] {
  const facts: Fact[] = [];
  const add = (fact: Omit<Fact, "about" | "safety"> & { about?: string; safety?: boolean }) =>
    facts.push({ about: "", safety: false, ...fact });
  for (const link of step.links) {
    const other = nameOf(link.step);
    const same = (l: Link) => l.step === link.step && l.from === link.from;
    if (!inForce.some((s) => s.ref === link.step)) continue;
    add({
      kind: "link-min",
      rule: "H3",
      steps: [link.step, step.ref],
      text:
        link.min > 0
          ? `"${step.name}" begins at least ${spokenDuration(link.min)} after "${other}" ${link.from === "end" ? "ends" : "begins"}.`
          : `"${step.name}" comes after "${other}".`,
      letGo: (d) => each(d, step.ref, (s) => (s.links = changed(s.links, same, { min: -FOREVER }))),
    });
    if (link.max !== undefined) {
      add({
        kind: "link-max",
        rule: "H3",
        steps: [link.step, step.ref],
        about: link.step,
        safety: link.limit === "safety",
        text: `"${step.name}" begins at most ${spokenDuration(link.max)} after "${other}" ${link.from === "end" ? "ends" : "begins"}${because(link)}.`,
        letGo: (d) => each(d, step.ref, (s) => (s.links = changed(s.links, same, { max: undefined }))),
      });
    }
  }
  for (const take of step.takes) {
    const maker = inForce.find((s) => s.makes.some((o) => o.ref === take.from));
    const output = maker?.makes.find((o) => o.ref === take.from);
    if (!maker || !output) continue;
    const same = (t: Take) => t.from === take.from;
    add({
      kind: "take",
      rule: "H4",
      steps: [maker.ref, step.ref],
      about: output.ref,
      text: `"${step.name}" takes ${output.name.toLowerCase()} from "${maker.name}".`,
      letGo: (d) => each(d, step.ref, (s) => (s.takes = s.takes.filter((t) => !same(t)))),
    });
  }
  if (step.within !== undefined) {
    add({
      kind: "within",
      rule: "H4",
      steps: [step.within, step.ref],
      text: `"${step.name}" happens while "${nameOf(step.within)}" runs.`,
      letGo: (d) => each(d, step.ref, (s) => (s.within = undefined)),
    });
  }
  return facts;
}

/** How long what a step makes may or must wait: one fact for all who take it. */
function holdsOf(step: Step, inForce: readonly Step[]): Fact[] {
  return step.makes.flatMap((output) => {
    const takers = inForce.filter((s) => s.takes.some((t) => t.from === output.ref));
    if (takers.length === 0 || output.holds.length === 0) return [];
    const steps = [step.ref, ...takers.map((t) => t.ref)];
    const before = takers.length === 1 ? ` before "${takers[0]?.name}"` : "";
    const change = (to: Partial<Hold>) => (d: Draft) =>
      each(
        d,
        step.ref,
        (s) => (s.makes = s.makes.map((o) => (o.ref === output.ref ? { ...o, holds: o.holds.map((h) => ({ ...h, ...to })) } : o))),
      );
    const longest = output.holds.every((h) => h.max !== undefined)
      ? [...output.holds].sort((a, b) => (b.max as number) - (a.max as number))[0]
      : undefined;
    const least = Math.min(...output.holds.map((h) => h.min));
    const base = { rule: "H4", steps, about: output.ref };
    return [
      ...(longest
        ? [
            {
              ...base,
              kind: "hold-max" as const,
              safety: longest.limit === "safety",
              text: `${output.name} may wait at most ${spokenDuration(longest.max as number)}${before}${because(longest)}.`,
              letGo: change({ max: undefined }),
            },
          ]
        : []),
      ...(least > 0
        ? [
            {
              ...base,
              kind: "hold-min" as const,
              safety: false,
              text: `${output.name} must wait at least ${spokenDuration(least)}${before}.`,
              letGo: change({ min: 0 }),
            },
          ]
        : []),
    ];
  });
}

const because = (hold: Pick<Hold, "limit">) => (hold.limit === "safety" ? ", for safety" : "");

function workOf(step: Step, planAt: PlanAt): Fact[] {
  const facts: Fact[] = [];
  const length = plannedLength(step.time, planAt, step.k, step.grows) * step.batches;
  if (length > 0) {
    const none = { min: 0, likely: 0, max: 0 };
    facts.push({
      kind: "length",
      rule: "H1",
      steps: [step.ref],
      about: step.ref,
      safety: false,
      text: `"${step.name}" takes ${spokenDuration(length)}.`,
      letGo: (d) => each(d, step.ref, (s) => Object.assign(s, { time: none, minPiece: undefined, handsStart: 0, handsEnd: 0, stretch: 0 })),
    });
  }
  const hands = step.attention === "hands" || step.handsStart > 0 || step.handsEnd > 0;
  if (hands) {
    facts.push({
      kind: "hands",
      rule: "H6",
      steps: [step.ref],
      about: step.ref,
      safety: false,
      text:
        step.attention === "hands"
          ? `"${step.name}" needs hands all the while.`
          : `"${step.name}" needs hands at its ${step.handsStart ? "start" : ""}${step.handsStart && step.handsEnd ? " and " : ""}${step.handsEnd ? "end" : ""}.`,
      letGo: (d) =>
        each(d, step.ref, (s) =>
          Object.assign(s, {
            attention: s.attention === "hands" ? "unattended" : s.attention,
            handsStart: 0,
            handsEnd: 0,
            sleepOk: s.attention === "hands" ? true : s.sleepOk,
            awayOk: s.attention === "hands" ? true : s.awayOk,
            minPiece: undefined,
          }),
        ),
    });
  }
  if (step.attention === "nearby" || (step.attention === "unattended" && (!step.sleepOk || !step.awayOk))) {
    facts.push({
      kind: "nearby",
      rule: "H7",
      steps: [step.ref],
      about: step.ref,
      safety: true,
      text:
        step.attention === "nearby"
          ? `"${step.name}" needs somebody awake and at home.`
          : `"${step.name}" may not run while ${step.sleepOk ? "nobody is at home" : step.awayOk ? "all sleep" : "all sleep or nobody is at home"}.`,
      letGo: (d) => each(d, step.ref, (s) => Object.assign(s, { attention: "unattended", sleepOk: true, awayOk: true })),
    });
  }
  if (step.tends.length) {
    facts.push({
      kind: "rounds",
      rule: "H8",
      steps: [step.ref],
      about: step.ref,
      safety: false,
      text: `"${step.name}" wants its rounds (${step.tends.map((t) => t.what).join(", ")}) when somebody is there.`,
      letGo: (d) => each(d, step.ref, (s) => (s.tends = [])),
    });
  }
  step.uses.forEach((use, index) => {
    // Left out by its own object: uses before it may be gone already.
    facts.push({
      kind: "use",
      rule: ruleOf(use),
      steps: [step.ref],
      about: `${index}`,
      safety: false,
      text: `"${step.name}" uses ${useText(use)}.`,
      letGo: (d) => each(d, step.ref, (s) => (s.uses = s.uses.filter((u) => u !== use))),
    });
  });
  return facts;
}

const ruleOf = (use: Use) =>
  (STORES as readonly string[]).includes(use.what) ? "H11" : (HEATED as readonly string[]).includes(use.what) ? "H10" : "H9";

export function useText(use: Use): string {
  const size = use.litres ? ` of ${Number(use.litres.toPrecision(3))} L` : "";
  if ((HEATED as readonly string[]).includes(use.what)) return `the ${use.what} at ${use.tempC} °C`;
  if ((STORES as readonly string[]).includes(use.what)) return `${Number(use.litres.toPrecision(3))} L of the ${use.what}`;
  return `${use.count > 1 ? use.count : "a"} ${use.what}${use.count > 1 ? "s" : ""}${size}`;
}

function onePairOf(cook: Cook): Fact {
  return {
    kind: "one-pair",
    rule: "H6",
    steps: [],
    about: cook.id,
    safety: false,
    text: `${cook.name} has one pair of hands.`,
    letGo: (d) => {
      const clones = Array.from({ length: 6 }, (_, i) => ({ ...(d.cooks.find((c) => c.id === cook.id) as Cook), id: `${cook.id} ${i}` }));
      d.cooks.push(...clones);
      for (const step of d.steps.values()) if (step.cooks?.includes(cook.id)) step.cooks = [...step.cooks, ...clones.map((c) => c.id)];
    },
  };
}

function timesOf(cook: Cook): Fact[] {
  const set = (change: Partial<Cook>) => (d: Draft) => {
    for (const c of d.cooks) if (c.id === cook.id || c.id.startsWith(`${cook.id} `)) Object.assign(c, change);
  };
  const facts: Fact[] = [];
  const add = (kind: FactKind, text: string, change: Partial<Cook>) =>
    facts.push({ kind, rule: "H6", steps: [], about: cook.id, safety: false, text, letGo: set(change) });
  if (cook.hours) add("hours", `${cook.name} works ${hoursText(cook.hours)}.`, { hours: ALWAYS });
  add("awake", `${cook.name} is awake ${hoursText(cook.awake)}.`, cook.hours ? { awake: ALWAYS } : { awake: ALWAYS, hours: ALWAYS });
  if (cook.away.length) add("away", `${cook.name} is away ${hoursText(cook.away)}.`, { away: [] });
  return facts;
}

export function hoursText(hours: readonly Hours[]): string {
  return hours
    .map((h) =>
      "days" in h && h.days !== undefined
        ? `${h.days === "all" ? "every day" : h.days.replace(/\b[a-z]/g, (l) => l.toUpperCase())} ${h.from} to ${h.to}`
        : `${h.from.replace("T", " ")} to ${h.to.replace("T", " ")}`,
    )
    .join(", ");
}

function equipmentOf(equipment: Equipment): Fact[] {
  const heated = (HEATED as readonly string[]).includes(equipment.kind);
  const store = (STORES as readonly string[]).includes(equipment.kind);
  const size = equipment.litres === undefined ? "" : ` of ${equipment.litres} L`;
  const facts: Fact[] = [
    {
      kind: "equipment",
      rule: heated ? "H10" : store ? "H11" : "H9",
      steps: [],
      about: equipment.id,
      safety: false,
      text: store
        ? `The ${equipment.name.toLowerCase()} has ${equipment.litres ?? "no end of"} L.`
        : heated
          ? `There is one ${equipment.name.toLowerCase()}${equipment.kind === "bath" ? size : ` with ${equipment.racks} rack${equipment.racks === 1 ? "" : "s"}`}, at one heat at a time.`
          : `There ${equipment.count === 1 ? "is one" : `are ${equipment.count}`} ${equipment.name.toLowerCase()}${size}.`,
      letGo: (d) => {
        if (store) for (const e of d.equipment) if (e.id === equipment.id) e.litres = undefined;
        if (heated) {
          const twin = d.equipment.find((e) => e.id === equipment.id) as Equipment;
          d.equipment.push(
            ...Array.from({ length: 6 }, (_, i) => ({ ...twin, id: `${equipment.id} ${i}`, racks: 50, litres: undefined, maxC: 600 })),
          );
        } else if (!store)
          for (const e of d.equipment)
            if (e.id === equipment.id) Object.assign(e, { count: Math.max(e.count, 40), litres: undefined, pieces: undefined });
      },
    },
  ];
  if (equipment.available) {
    facts.push({
      kind: "available",
      rule: "H9",
      steps: [],
      about: equipment.id,
      safety: false,
      text: `The ${equipment.name.toLowerCase()} is there ${hoursText(equipment.available)}.`,
      letGo: (d) => {
        for (const e of d.equipment) if (e.id === equipment.id || e.id.startsWith(`${equipment.id} `)) e.available = undefined;
      },
    });
  }
  return facts;
}

function windowOf(window: Window): Fact {
  return {
    kind: "window",
    rule: "H12",
    steps: [],
    about: window.why,
    safety: false,
    text: `${hoursText(window.hours)}: nothing ${[...window.forbid].map((f) => (f === "*" ? "that needs anybody" : f)).join(", ")}${window.why ? ` (${window.why})` : ""}.`,
    letGo: (d) => (d.windows = d.windows.filter((w) => w !== window)),
  };
}

function pinOf(pin: StepPin, dish: Dish, nameOf: (ref: string) => string): Fact {
  const said = [
    pin.at !== undefined && `at ${momentText(dish, pin.at)}`,
    pin.notBefore !== undefined && `not before ${momentText(dish, pin.notBefore)}`,
    pin.notAfter !== undefined && `not after ${momentText(dish, pin.notAfter)}`,
    pin.cook !== undefined && `by ${dish.cooks.find((c) => c.id === pin.cook)?.name ?? pin.cook}`,
  ].filter(Boolean);
  return {
    kind: "pin",
    rule: "pin",
    steps: [pin.step],
    about: pin.step,
    safety: false,
    text: `You fixed "${nameOf(pin.step)}" ${said.join(", ")}.`,
    letGo: (d) => (d.pins = d.pins.filter((p) => p !== pin)),
  };
}

/** "Sat 17/10 14:10" */
export function momentText(dish: Dish, minute: number): string {
  const wall = dish.zone.wall(minute);
  const two = (n: number) => String(n).padStart(2, "0");
  return `${["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"][wall.weekday - 1]} ${wall.day}/${wall.month} ${two(wall.hour)}:${two(wall.minute)}`;
}

function nowOf(dish: Dish, now: number): Fact {
  return {
    kind: "now",
    rule: "H2",
    steps: [],
    about: "",
    safety: false,
    text: `It is ${momentText(dish, now)}; nothing begins before.`,
    letGo: (d) => (d.now -= FOREVER),
  };
}

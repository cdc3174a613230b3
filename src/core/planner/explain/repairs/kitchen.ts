// Repairs of the kitchen: more hours of a cook, a helper, a thing borrowed.
import { HEATED, STORES, type Step } from "../../../dish/model";
import type { PatchOperation } from "../../../dish/patch";
import { intervalsOfHours } from "../../../time/calendar";
import type { Fact } from "../facts";
import { momentText } from "../words";
import type { Proposal, Trial, Tried } from "./trial";

const MOST_DAYS = 7;
/** The longest day that is asked of a cook, and of a helper. */
const COOKS_DAY = { from: 6 * 60, to: 23 * 60 };
const HELPERS_DAY = { from: 9 * 60, to: 21 * 60 };
const HELPERS_SHIFTS = [14, 10, 17, 9].map((hour) => ({ from: hour * 60, to: (hour + 4) * 60 }));

interface Stretch {
  readonly from: number;
  readonly to: number;
}

/** Days from now to serving by their numbers, the last ones first. */
function daysOf({ dish, options, serveAt }: Trial): number[] {
  const now = options.now ?? dish.startNotBefore ?? serveAt - MOST_DAYS * 1440;
  const last = dish.zone.dayNumber(serveAt);
  const first = Math.max(dish.zone.dayNumber(now), last - MOST_DAYS);
  return Array.from({ length: last - first + 1 }, (_, i) => last - i);
}

/** A stretch of a day as dated hours of the file. */
function dated({ dish: { zone } }: Trial, day: number, { from, to }: Stretch) {
  return { from: zone.toWallInstant(zone.minuteOfDay(day, from)), to: zone.toWallInstant(zone.minuteOfDay(day, to)) };
}

/** For each cook, as little more of one day as does it; where no one day does, each of the last days whole. */
export function moreHours(trial: Trial): Tried[] {
  return trial.dish.cooks.flatMap((cook, c) => {
    if (!cook.hours) return [];
    const adding = (lines: { from: string; to: string }[]): PatchOperation[] => [
      ...trial.kitchen("cooks"),
      ...lines.map((value) => ({ op: "add" as const, path: `/kitchen/cooks/${c}/hours/-`, value })),
    ];
    const days = daysOf(trial);
    const all: Proposal = {
      kind: "hours",
      text: `${cook.name} free from 06:00 to 23:00 on each of the last ${days.length} days.`,
      change: adding(days.map((day) => dated(trial, day, COOKS_DAY))),
      trouble: 60 * days.length,
    };
    const works = trial.first([all]);
    const day = works.length ? days.find((d) => trial.plan(adding([dated(trial, d, COOKS_DAY)]))) : undefined;
    if (day === undefined) return works;
    return trial.first(
      [...gapsOf(trial, c, day), COOKS_DAY].map((stretch): Proposal => {
        const line = dated(trial, day, stretch);
        return {
          kind: "hours",
          text: `${cook.name} also free ${momentText(trial.dish, trial.dish.zone.toMinute(line.from))} to ${line.to.slice(11)}.`,
          change: adding([line]),
          trouble: stretch === COOKS_DAY ? 480 : stretch.to - stretch.from,
        };
      }),
    );
  });
}

/** Stretches that touch a cook's hours of a day, or its evening where there are none: the short ones first. */
function gapsOf({ dish }: Trial, cook: number, day: number): Stretch[] {
  const [midnight, next] = [dish.zone.minuteOfDay(day, 0), dish.zone.minuteOfDay(day, 1440)];
  const works = intervalsOfHours(dish.cooks[cook]?.hours ?? [], dish.zone, midnight, next);
  return [60, 120, 180, 240, 360, 540].flatMap((length) => {
    if (works.length === 0) return [{ from: 18 * 60 - Math.max(0, length - 300), to: 18 * 60 + Math.min(length, 300) }];
    return works
      .flatMap(([from, to]) => [
        { from: to - midnight, to: to - midnight + length },
        { from: from - midnight - length, to: from - midnight },
      ])
      .filter((s) => s.from >= COOKS_DAY.from && s.to <= 1440);
  });
}

/** One more pair of hands on the last day on which it helps, for four hours if that is enough. */
export function helper(trial: Trial): Tried[] {
  const id = trial.freshId("cooks", "helper");
  const propose = (day: number, { from, to }: Stretch): Proposal => {
    const hours = [dated(trial, day, { from, to })];
    return {
      kind: "helper",
      text: `A helper ${momentText(trial.dish, trial.dish.zone.minuteOfDay(day, from))} to ${to / 60}:00.`,
      change: [...trial.kitchen("cooks"), { op: "add", path: "/kitchen/cooks/-", value: { id, name: "A helper", hours, awake: hours } }],
      trouble: 30 + to - from,
    };
  };
  const day = daysOf(trial).find((d) => trial.plan(propose(d, HELPERS_DAY).change));
  return day === undefined ? [] : trial.first([...HELPERS_SHIFTS, HELPERS_DAY].map((shift) => propose(day, shift)));
}

/** One more of each kind of thing that the conflict speaks of. */
export function moreEquipment(trial: Trial, facts: readonly Fact[]): Tried[] {
  const steps = trial.dish.components.flatMap((c) => c.methods.flatMap((m) => m.steps));
  const kinds = new Set(facts.flatMap((fact) => kindOf(trial, steps, fact) ?? []));
  return [...kinds].flatMap((kind) => trial.first(borrowings(trial, steps, kind)));
}

function kindOf(trial: Trial, steps: readonly Step[], fact: Fact): string | undefined {
  if (fact.kind === "use") return steps.find((s) => s.ref === fact.steps[0])?.uses[Number(fact.about)]?.what;
  if (fact.kind !== "equipment" && fact.kind !== "available") return undefined;
  return trial.dish.equipment.find((e) => e.id === fact.about)?.kind;
}

function borrowings(trial: Trial, steps: readonly Step[], kind: string): Proposal[] {
  const uses = steps.flatMap((s) => s.uses.filter((u) => u.what === kind));
  const propose = (text: string, id: string, more: object): Proposal => ({
    kind: "equipment",
    text,
    change: [
      ...trial.kitchen("equipment"),
      { op: "add", path: "/kitchen/equipment/-", value: { id: trial.freshId("equipment", id), kind, ...more } },
    ],
    trouble: 90,
  });
  if ((STORES as readonly string[]).includes(kind)) {
    return [5, 10, 20, 40, 80].map((litres) => propose(`${litres} L more of ${kind}: a cool box with ice.`, "cool-box", { litres }));
  }
  const litres = Math.ceil(Math.max(0, ...uses.map((u) => u.litres)));
  const known = trial.dish.equipment.find((e) => e.kind === kind);
  const heated = (HEATED as readonly string[]).includes(kind) && known;
  return [
    propose(`One more ${kind}${litres ? ` of ${litres} L` : ""}, borrowed.`, `borrowed-${kind}`, {
      ...(litres ? { litres } : {}),
      ...(heated ? { racks: known.racks, maxC: Math.max(known.maxC, ...uses.map((u) => u.tempC)) } : {}),
    }),
  ];
}

/** A quiet time of the conflict is passed over. */
export function quietTimes(trial: Trial, facts: readonly Fact[]): Tried[] {
  const named = new Set(facts.filter((f) => f.kind === "window").map((f) => f.about));
  return trial.dish.windows.flatMap((window, i) =>
    named.has(window.why) && trial.document.kitchen?.windows?.[i]
      ? trial.first([
          {
            kind: "quiet-time",
            text: `Allow work in the quiet time${window.why ? ` (${window.why})` : ""}.`,
            change: [{ op: "remove", path: `/kitchen/windows/${i}` }],
            trouble: 120,
          },
        ])
      : [],
  );
}

/** Nights on which somebody stays up later, and how late: minutes after midnight of the day. */
const LATER_BED = [24, 25, 26].map((hour) => hour * 60);

/** One cook stays up later on one night: the latest night on which it helps, no later than it takes. */
export function stayUp(trial: Trial): Tried[] {
  return trial.dish.cooks.slice(0, 2).flatMap((cook, c) => {
    const adding = (day: number, to: number): PatchOperation[] => [
      ...trial.kitchen("cooks"),
      ...(trial.document.kitchen?.cooks?.[c]?.awake
        ? []
        : [{ op: "add" as const, path: `/kitchen/cooks/${c}/awake`, value: [{ days: "all", from: "07:00", to: "23:00" }] }]),
      { op: "add" as const, path: `/kitchen/cooks/${c}/awake/-`, value: dated(trial, day, { from: 22 * 60, to }) },
    ];
    const latest = LATER_BED.at(-1) as number;
    const night = daysOf(trial).find((day) => trial.plan(adding(day, latest)));
    if (night === undefined) return [];
    return trial.first(
      LATER_BED.map((to): Proposal => {
        const until = trial.dish.zone.minuteOfDay(night, to);
        return {
          kind: "stay-up",
          text: `${cook.name} stays up until ${momentText(trial.dish, until)}.`,
          change: adding(night, to),
          trouble: to - 22 * 60,
        };
      }),
    );
  });
}

// What would make a plan possible, each way tried by planning with it: serve later, another hour of a cook, a helper, a pot borrowed,
// a wait a little longer where only quality asks for it, the bought stand-in. Cheapest first. A safety limit is never widened.

import { DEFAULT_KITCHEN } from "../../dish/default-kitchen";
import { type Dish, dishModel, HEATED, STORES, type Step } from "../../dish/model";
import { applyPatch, type PatchOperation } from "../../dish/patch";
import { readDishValue } from "../../dish/read";
import type { DishFile } from "../../dish/schema";
import { spokenDuration } from "../../time/duration";
import { type PlanOptions, planDish } from "../index";
import type { Plan, Regret } from "../plan";
import { type Fact, hoursText, momentText } from "./facts";

export interface Repair {
  readonly kind: "serve-later" | "hours" | "helper" | "equipment" | "longer-wait" | "method" | "stand-in";
  readonly text: string;
  /** JSON Patch on the dish document: applied and planned again, it gives a plan. */
  readonly change: readonly PatchOperation[];
  readonly leadMinutes: number;
  readonly regret: Regret;
}

export interface RepairInput {
  readonly document: DishFile;
  readonly options: PlanOptions;
  readonly facts: readonly Fact[];
  readonly stop?: (() => boolean) | undefined;
}

interface Tried extends Repair {
  /** Minutes of trouble beyond the plan's own regret: what it asks of people. */
  readonly trouble: number;
}

const STEPS_LATER = [30, 60, 120, 240, 480, 720, 1440, 2160, 2880, 4320, 5760, 8640, 10080, 12960, 20160];
const MOST_DAYS = 7;

/** Repairs that work, cheapest first; none where nothing simple helps. */
export function findRepairs({ document, options, facts, stop = () => false }: RepairInput): Repair[] {
  const bench = new Bench(document, options, stop);
  const found: Tried[] = [
    ...serveLater(bench),
    ...otherMethods(bench),
    ...(concerns(facts, "hours", "one-pair", "hands", "away", "awake", "nearby") ? [...moreHours(bench), ...helper(bench)] : []),
    ...moreEquipment(bench, facts),
    ...longerWaits(bench, facts),
    ...standIns(bench),
  ];
  return found.sort((a, b) => a.trouble + a.regret.total - b.trouble - b.regret.total).map(({ trouble: _, ...repair }) => repair);
}

const concerns = (facts: readonly Fact[], ...kinds: Fact["kind"][]) => facts.some((f) => kinds.includes(f.kind));

/** Tries changes of a document: applies, reads, plans. */
class Bench {
  readonly dish: Dish;
  readonly serveAt: number;

  constructor(
    readonly document: DishFile,
    readonly options: PlanOptions,
    readonly stop: () => boolean,
  ) {
    this.dish = dishModel(document);
    this.serveAt = options.serveAt ?? this.dish.serveAt;
  }

  plan(change: readonly PatchOperation[], options: Partial<PlanOptions> = {}): Plan | undefined {
    if (this.stop()) return undefined;
    const read = readDishValue(applyPatch(this.document, change));
    if (read.status === "refused") return undefined;
    const planned = planDish(dishModel(read.document), {
      ...this.options,
      onProgress: undefined,
      rounds: 6,
      conflicts: 1500,
      stop: this.stop,
      ...options,
    });
    return planned.status === "feasible" ? planned.plan : undefined;
  }

  /** The kitchen written out, where the document leaves it to the default. */
  kitchen(part: "cooks" | "equipment"): PatchOperation[] {
    const { kitchen } = this.document;
    if (!kitchen) return [{ op: "add", path: "/kitchen", value: DEFAULT_KITCHEN }];
    return kitchen[part] ? [] : [{ op: "add", path: `/kitchen/${part}`, value: DEFAULT_KITCHEN[part] }];
  }
}

const repair = (kind: Repair["kind"], text: string, change: readonly PatchOperation[], plan: Plan, trouble: number): Tried => ({
  kind,
  text,
  change,
  leadMinutes: plan.leadMinutes,
  regret: plan.regret,
  trouble,
});

function serveLater(bench: Bench): Tried[] {
  const { zone } = bench.dish;
  const at = (minutes: number) => [{ op: "replace" as const, path: "/dish/serveAt", value: zone.toWallInstant(bench.serveAt + minutes) }];
  const tried = (minutes: number) => bench.plan(at(minutes), { serveAt: undefined });
  let low = 0;
  let high: number | undefined;
  let plan: Plan | undefined;
  for (const minutes of STEPS_LATER) {
    plan = tried(minutes);
    if (plan) {
      high = minutes;
      break;
    }
    low = minutes;
  }
  if (high === undefined) return [];
  while (high - low > 15) {
    const middle: number = low + Math.round((high - low) / 30) * 15;
    if (middle <= low || middle >= high) break;
    const better = tried(middle);
    if (better) [high, plan] = [middle, better];
    else low = middle;
  }
  // Guests of another day come at the same hour: the first such hour from the earliest that works.
  const day = zone.dayNumber(bench.serveAt);
  for (let later = 1; high > 600 && later < 40; later++) {
    const minutes = zone.minuteOfDay(day + later, zone.wall(bench.serveAt).hour * 60 + zone.wall(bench.serveAt).minute) - bench.serveAt;
    if (minutes < high) continue;
    const sameHour = tried(minutes);
    if (sameHour) [high, plan] = [minutes, sameHour];
    if (sameHour || minutes > high + 2 * 1440) break;
  }
  return plan
    ? [
        repair(
          "serve-later",
          `Serve at ${momentText(bench.dish, bench.serveAt + high)} instead, ${spokenDuration(high)} later.`,
          at(high),
          plan,
          high,
        ),
      ]
    : [];
}

/** A method that the cook has fixed is let go: the planner then takes the one that fits. */
function otherMethods(bench: Bench): Tried[] {
  const fixed = { ...bench.options.methods, ...bench.options.log?.methods };
  return Object.entries(fixed).flatMap(([id, method]) => {
    const c = bench.document.components.findIndex((x) => x.id === id);
    const component = bench.document.components[c];
    return (component?.methods ?? []).flatMap((other, m) => {
      if (other.id === method) return [];
      const methods = Object.fromEntries(Object.entries(bench.options.methods ?? {}).filter(([key]) => key !== id));
      const change = m === 0 ? [] : [{ op: "move" as const, from: `/components/${c}/methods/${m}`, path: `/components/${c}/methods/0` }];
      const plan = bench.plan(change, { methods: { ...methods, [id]: other.id } });
      return plan
        ? [repair("method", `${component?.name ?? id}: ${(other.name ?? other.id).toLowerCase()} instead.`, change, plan, 0)]
        : [];
    });
  });
}

/** Days from now to serving, the last ones first. */
function daysOf(bench: Bench): number[] {
  const { zone } = bench.dish;
  const now = bench.options.now ?? bench.dish.startNotBefore ?? bench.serveAt - MOST_DAYS * 1440;
  const last = zone.dayNumber(bench.serveAt);
  const first = Math.max(zone.dayNumber(now), last - MOST_DAYS);
  return Array.from({ length: last - first + 1 }, (_, i) => last - i);
}

function moreHours(bench: Bench): Tried[] {
  const found: Tried[] = [];
  const { zone } = bench.dish;
  bench.dish.cooks.forEach((cook, c) => {
    if (!cook.hours) return;
    const span = (day: number, from: number, to: number) => ({
      from: zone.toWallInstant(zone.minuteOfDay(day, from)),
      to: zone.toWallInstant(zone.minuteOfDay(day, to)),
    });
    const adding = (lines: { from: string; to: string }[]): PatchOperation[] => [
      ...bench.kitchen("cooks"),
      ...lines.map((value) => ({ op: "add" as const, path: `/kitchen/cooks/${c}/hours/-`, value })),
    ];
    const days = daysOf(bench);
    if (!bench.plan(adding(days.map((d) => span(d, 6 * 60, 23 * 60))))) return;
    const day = days.find((d) => bench.plan(adding([span(d, 6 * 60, 23 * 60)])));
    if (day === undefined) {
      const all = days.map((d) => span(d, 6 * 60, 23 * 60));
      const plan = bench.plan(adding(all));
      if (plan)
        found.push(
          repair(
            "hours",
            `${cook.name} free from 06:00 to 23:00 on each of the last ${days.length} days.`,
            adding(all),
            plan,
            60 * days.length,
          ),
        );
      return;
    }
    // As little of that day as does it, from its evening end or its morning beginning.
    const candidates = [60, 120, 180, 240, 360, 540].flatMap((length) =>
      [...startsOfGap(bench, c, day, length)].map((from) => ({ from, length })),
    );
    const fits = candidates.find(({ from, length }) => bench.plan(adding([span(day, from, from + length)])));
    const line = fits ? span(day, fits.from, fits.from + fits.length) : span(day, 6 * 60, 23 * 60);
    const plan = bench.plan(adding([line]));
    if (plan)
      found.push(
        repair(
          "hours",
          `${cook.name} free as well ${momentText(bench.dish, zone.toMinute(line.from))} to ${line.to.slice(11)}.`,
          adding([line]),
          plan,
          fits ? fits.length : 480,
        ),
      );
  });
  return found;
}

/** Where a stretch of that length would touch the hours of that day: before their beginning, after their end, or in an empty day's afternoon. */
function startsOfGap(bench: Bench, cook: number, day: number, length: number): Set<number> {
  const { zone, cooks } = bench.dish;
  const hours = cooks[cook]?.hours ?? [];
  const weekday = ((day + 3) % 7) + 1;
  const names = ["mon", "tue", "wed", "thu", "fri", "sat", "sun"];
  const clock = (text: string) => Number(text.slice(0, 2)) * 60 + Number(text.slice(3, 5));
  const starts = new Set<number>();
  for (const h of hours) {
    const own =
      "days" in h && h.days !== undefined
        ? hoursText([h]).length > 0 && coversDay(h.days, names, weekday)
        : zone.dayNumber(zone.toMinute(h.from)) === day;
    if (!own) continue;
    const [from, to] =
      "days" in h && h.days !== undefined ? [clock(h.from), clock(h.to)] : [clock(h.from.slice(11)), clock(h.to.slice(11))];
    if (to + length <= 24 * 60 && to > from) starts.add(to);
    if (from - length >= 6 * 60) starts.add(from - length);
  }
  if (starts.size === 0) starts.add(18 * 60 - Math.max(0, length - 300));
  return starts;
}

function coversDay(days: string, names: readonly string[], weekday: number): boolean {
  if (days === "all") return true;
  return days.split(",").some((part) => {
    const [first = "", last = first] = part
      .trim()
      .split("-")
      .map((d) => d.trim());
    const [a, b] = [names.indexOf(first) + 1, names.indexOf(last) + 1];
    return a <= b ? weekday >= a && weekday <= b : weekday >= a || weekday <= b;
  });
}

function helper(bench: Bench): Tried[] {
  const { zone } = bench.dish;
  const id = freshId(bench, "cooks", "helper");
  const adding = (day: number, from: number, to: number): PatchOperation[] => {
    const hours = [{ from: zone.toWallInstant(zone.minuteOfDay(day, from)), to: zone.toWallInstant(zone.minuteOfDay(day, to)) }];
    return [...bench.kitchen("cooks"), { op: "add", path: "/kitchen/cooks/-", value: { id, name: "A helper", hours, awake: hours } }];
  };
  for (const day of daysOf(bench)) {
    const plan = bench.plan(adding(day, 9 * 60, 21 * 60));
    if (!plan) continue;
    const short = [
      [14, 18],
      [10, 14],
      [17, 21],
      [9, 13],
    ].find(([from = 0, to = 0]) => bench.plan(adding(day, from * 60, to * 60)));
    const [from = 9, to = 21] = short ?? [];
    const change = adding(day, from * 60, to * 60);
    const better = bench.plan(change);
    return better
      ? [
          repair(
            "helper",
            `A helper ${momentText(bench.dish, zone.minuteOfDay(day, from * 60))} to ${to}:00.`,
            change,
            better,
            30 + (to - from) * 60,
          ),
        ]
      : [];
  }
  return [];
}

function freshId(bench: Bench, part: "cooks" | "equipment", wish: string): string {
  const taken = new Set(bench.dish[part].map((e) => e.id));
  let id = wish;
  for (let n = 2; taken.has(id); n++) id = `${wish}-${n}`;
  return id;
}

function moreEquipment(bench: Bench, facts: readonly Fact[]): Tried[] {
  const kinds = new Set(
    facts
      .filter((f) => f.kind === "equipment" || f.kind === "available")
      .map((f) => bench.dish.equipment.find((e) => e.id === f.about)?.kind ?? ""),
  );
  const steps = bench.dish.components.flatMap((c) => c.methods.flatMap((m) => m.steps));
  for (const fact of facts) if (fact.kind === "use") kinds.add(usedBy(steps, fact)?.what ?? "");
  return [...kinds].filter(Boolean).flatMap((kind): Tried[] => {
    const store = (STORES as readonly string[]).includes(kind);
    const litres = Math.ceil(Math.max(0, ...steps.flatMap((s) => s.uses.filter((u) => u.what === kind).map((u) => u.litres))));
    const sizes: Record<string, unknown>[] = store ? [5, 10, 20, 40, 80].map((l) => ({ litres: l })) : litres ? [{ litres }] : [{}];
    const known = bench.dish.equipment.find((e) => e.kind === kind);
    for (const size of sizes) {
      const value = {
        id: freshId(bench, "equipment", store ? "cool-box" : `borrowed-${kind}`),
        kind,
        ...size,
        ...((HEATED as readonly string[]).includes(kind) && known
          ? {
              racks: known.racks,
              maxC: Math.max(known.maxC, ...steps.flatMap((s) => s.uses.filter((u) => u.what === kind).map((u) => u.tempC))),
            }
          : {}),
      };
      const change: PatchOperation[] = [...bench.kitchen("equipment"), { op: "add", path: "/kitchen/equipment/-", value }];
      const plan = bench.plan(change);
      if (plan)
        return [
          repair(
            "equipment",
            store
              ? `${size.litres} L more of ${kind}: a cool box with ice.`
              : `One more ${kind}${litres ? ` of ${litres} L` : ""}, borrowed.`,
            change,
            plan,
            90,
          ),
        ];
    }
    return [];
  });
}

const usedBy = (steps: readonly Step[], fact: Fact) => steps.find((s) => s.ref === fact.steps[0])?.uses[Number(fact.about)];

/** Longest waits of the conflict that quality or habit asks for, a half, once or three times longer. */
function longerWaits(bench: Bench, facts: readonly Fact[]): Tried[] {
  return facts.flatMap((fact): Tried[] => {
    if (fact.safety || (fact.kind !== "link-max" && fact.kind !== "hold-max")) return [];
    const places = fact.kind === "link-max" ? linkPlaces(bench.document, fact) : holdPlaces(bench.document, fact);
    if (places.length === 0 || places.some((p) => p.limit === "safety")) return [];
    for (const factor of [1.5, 2, 4]) {
      const longest = Math.max(...places.map((p) => p.minutes));
      const wanted = Math.ceil((Math.max(longest, 30) * factor) / 15) * 15;
      const change = places.map((p) => ({ op: "replace" as const, path: p.path, value: `${wanted}m` }));
      const plan = bench.plan(change);
      if (plan)
        return [
          repair(
            "longer-wait",
            `${fact.text.replace(/\.$/, "")}: let it be ${spokenDuration(wanted)}, at some cost to quality.`,
            change,
            plan,
            40 * factor,
          ),
        ];
    }
    return [];
  });
}

interface MaxPlace {
  readonly path: string;
  readonly minutes: number;
  readonly limit: string | undefined;
}

const minutes = (text: unknown): number => {
  const p = /^(?:(\d+)d)?(?:(\d+)h)?(?:(\d+)m)?$/.exec(String(text));
  return p ? Number(p[1] ?? 0) * 1440 + Number(p[2] ?? 0) * 60 + Number(p[3] ?? 0) : 0;
};

function linkPlaces(document: DishFile, fact: Fact): MaxPlace[] {
  const [other = "", own = ""] = fact.steps;
  return stepPlaces(document, own).flatMap(({ step, path }) =>
    (step.after ?? []).flatMap((link, i): MaxPlace[] => {
      if (typeof link === "string" || link.max === undefined) return [];
      const ref = link.step.includes(".") ? link.step : `${own.split(".")[0]}.${link.step}`;
      return ref === other ? [{ path: `${path}/after/${i}/max`, minutes: minutes(link.max), limit: link.limit }] : [];
    }),
  );
}

function holdPlaces(document: DishFile, fact: Fact): MaxPlace[] {
  const [maker = ""] = fact.steps;
  return stepPlaces(document, maker).flatMap(({ step, path }) =>
    (step.makes ?? []).flatMap((output, o) =>
      fact.about !== `${maker.split(".")[0]}.${output.id}`
        ? []
        : (output.holds ?? []).flatMap((h, i): MaxPlace[] =>
            h.max === undefined ? [] : [{ path: `${path}/makes/${o}/holds/${i}/max`, minutes: minutes(h.max), limit: h.limit }],
          ),
    ),
  );
}

function stepPlaces(document: DishFile, ref: string) {
  return document.components.flatMap((c, ci) =>
    c.methods.flatMap((m, mi) =>
      m.steps.flatMap((step, si) => (`${c.id}.${step.id}` === ref ? [{ step, path: `/components/${ci}/methods/${mi}/steps/${si}` }] : [])),
    ),
  );
}

/** The bought stand-in of a component: on hand from when it can be fetched. */
function standIns(bench: Bench): Tried[] {
  const now = bench.options.now ?? bench.dish.startNotBefore ?? bench.serveAt - 1440;
  return bench.document.components.flatMap((component, c): Tried[] => {
    const model = bench.dish.components[c];
    if (!component.fallback || !model?.fallback || component.onHand?.length) return [];
    const madeAt = bench.dish.zone.toWallInstant(now + model.fallback.lead);
    const outputs = new Map(
      (component.methods ?? []).flatMap((m) => m.steps.flatMap((s) => (s.makes ?? []).map((o) => [o.id, o] as const))),
    );
    const value = [...outputs.values()].map((o) => ({ output: o.id, amount: o.amount, madeAt, place: o.holds?.[0]?.place ?? "counter" }));
    const change: PatchOperation[] = [{ op: "add", path: `/components/${c}/onHand`, value }];
    const plan = bench.plan(change);
    return plan
      ? [
          repair(
            "stand-in",
            `${model.fallback.name} in place of ${component.name.toLowerCase()}, in the house by ${momentText(bench.dish, now + model.fallback.lead)}.`,
            change,
            plan,
            200 + 600 * (1 - model.fallback.quality),
          ),
        ]
      : [];
  });
}

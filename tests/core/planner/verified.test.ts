// The verifier's word on plans that were bent a little, held against what it said before: a rule that is changed by a minute, a litre or a degree
// says something else of one of them. The plans are kept as files (tests/data/verified), so that only the verifier is looked at.
import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { describe, expect, test } from "vitest";
import { dishModel } from "../../../src/core/dish/read-model";
import type { DishFile } from "../../../src/core/dish/schema";
import { type Log, type Plan, verifyPlan } from "../../../src/core/planner";
import { withExceptions } from "../../../src/core/planner/verify";
import { seededRandom } from "../../../src/core/random";
import type { Loose } from "../../support/dishes";
import { recordsOf } from "../../support/records";

const records = recordsOf("verified");
const folder = path.resolve("tests/data/verified");
const BENT = 660;
const BY = [-1440, -240, -61, -30, -11, -5, -2, -1, 1, 2, 5, 11, 30, 61, 240, 1440];

interface Kept {
  readonly document: DishFile;
  readonly now: number;
  readonly serveAt: number;
  readonly plan: Plan;
  readonly log: Omit<Log, "events"> & { readonly events: readonly (readonly [string, Loose])[] };
}
interface Draft {
  document: Loose;
  plan: Loose;
  log: Loose;
  now: number;
  serveAt: number;
}

type Bend = (draft: Draft, pick: <T>(list: readonly T[]) => T, by: number) => void;
const shift = (span: Loose, by: number) => Object.assign(span, { from: span.from + by, to: span.to + by });
function moved(step: Loose, by: number): void {
  Object.assign(step, { start: step.start + by, end: step.end + by, pieces: step.pieces.map(([a, b]: number[]) => [a! + by, b! + by]) });
  for (const span of [...step.hands, ...step.equipment]) shift(span, by);
  for (const round of step.rounds) round.at += by;
}
const having = (draft: Draft, what: "hands" | "equipment" | "rounds") => draft.plan.steps.filter((s: Loose) => s[what].length > 0);
const kitchen = (draft: Draft) => draft.document.kitchen;
const fileSteps = (draft: Draft): Loose[] => draft.document.components.flatMap((c: Loose) => c.methods.flatMap((m: Loose) => m.steps));

/** Each kind of change that a plan, what was pressed or the dish behind it may have. */
const BENDS: Readonly<Record<string, Bend>> = {
  "a step moved": ({ plan }, pick, by) => moved(pick(plan.steps), by),
  "a step left out": ({ plan }, pick) => plan.steps.splice(plan.steps.indexOf(pick(plan.steps)), 1),
  "a step twice": ({ plan }, pick) => plan.steps.push(structuredClone(pick(plan.steps))),
  "a step that is none": ({ plan }, pick) => plan.steps.push({ ...structuredClone(pick(plan.steps) as object), step: "nowhere.nothing" }),
  "an end moved": ({ plan }, pick, by) => {
    const step = pick(plan.steps) as Loose;
    step.end += by;
    step.pieces.at(-1)[1] += by;
    step.minutes += by;
  },
  "other minutes": ({ plan }, pick, by) => ((pick(plan.steps) as Loose).minutes += by),
  "a piece cut": ({ plan }, pick, by) => {
    const step = pick(plan.steps) as Loose;
    const [a, b] = step.pieces[0];
    const at = Math.round((a + b) / 2) + (by % 7);
    step.pieces = [[a, at], [at + Math.abs(by % 13), b + Math.abs(by % 13)], ...step.pieces.slice(1)];
  },
  "shorter than said": ({ plan }, pick, by) => ((pick(plan.steps) as Loose).shortenedFrom = (pick(plan.steps) as Loose).minutes + by),
  "not shorter": ({ plan }) => plan.steps.forEach((s: Loose) => delete s.shortenedFrom),
  "done again": ({ plan }, pick) => ((pick(plan.steps) as Loose).again = true),
  "not done again": ({ plan }) => plan.steps.forEach((s: Loose) => delete s.again),
  "hands moved": (draft, pick, by) => shift(pick((pick(having(draft, "hands")) as Loose).hands), by),
  "hands longer": (draft, pick, by) => ((pick((pick(having(draft, "hands")) as Loose).hands) as Loose).to += by),
  "hands of nobody": (draft, pick) => ((pick(having(draft, "hands")) as Loose).hands = []),
  "hands of another": (draft, pick) => {
    const cook = pick([...kitchen(draft).cooks.map((c: Loose) => c.id), "stranger"]);
    for (const hand of (pick(having(draft, "hands")) as Loose).hands) hand.cook = cook;
  },
  "hands in two": (draft, pick) => {
    const step = pick(having(draft, "hands")) as Loose;
    const [hand] = step.hands;
    const at = Math.round((hand.from + hand.to) / 2);
    const other = pick(kitchen(draft).cooks.map((c: Loose) => c.id));
    step.hands = [{ ...hand, to: at }, { cook: other, from: at, to: hand.to }, ...step.hands.slice(1)];
  },
  "a thing moved": (draft, pick, by) => shift(pick((pick(having(draft, "equipment")) as Loose).equipment), by),
  "a thing longer": (draft, pick, by) => ((pick((pick(having(draft, "equipment")) as Loose).equipment) as Loose).to += by),
  "another thing": (draft, pick) =>
    ((pick((pick(having(draft, "equipment")) as Loose).equipment) as Loose).id = pick([
      ...kitchen(draft).equipment.map((e: Loose) => e.id),
      "nothing",
    ])),
  "more of a thing": (draft, pick, by) => ((pick((pick(having(draft, "equipment")) as Loose).equipment) as Loose).count += by % 3),
  "a thing for something else": (draft, pick, by) =>
    ((pick((pick(having(draft, "equipment")) as Loose).equipment) as Loose).use += Math.abs(by) % 3),
  "a thing missing": (draft, pick) => (pick(having(draft, "equipment")) as Loose).equipment.pop(),
  "a thing twice": (draft, pick) => {
    const { equipment } = pick(having(draft, "equipment")) as Loose;
    equipment.push({ ...equipment[0] });
  },
  "a round moved": (draft, pick, by) =>
    having(draft, "rounds").length && ((pick((pick(having(draft, "rounds")) as Loose).rounds) as Loose).at += by),
  "a round missing": (draft, pick) => having(draft, "rounds").length && (pick(having(draft, "rounds")) as Loose).rounds.shift(),
  "a round of another": (draft, pick) =>
    having(draft, "rounds").length && ((pick((pick(having(draft, "rounds")) as Loose).rounds) as Loose).tend = 1),
  "a round more": (draft, pick, by) => {
    if (!having(draft, "rounds").length) return;
    const { rounds } = pick(having(draft, "rounds")) as Loose;
    rounds.push({ ...rounds.at(-1), at: rounds.at(-1).at + by });
  },
  "another hold": ({ plan }, pick, by) => plan.holds.length && ((pick(plan.holds) as Loose).hold += by % 3),
  "a hold moved": ({ plan }, pick, by) => plan.holds.length && shift(pick(plan.holds) as Loose, by),
  "a hold missing": ({ plan }, pick) => plan.holds.splice(plan.holds.indexOf(pick(plan.holds)), 1),
  "a hold elsewhere": ({ plan }, pick) =>
    plan.holds.length && ((pick(plan.holds) as Loose).place = pick(["freezer", "counter", "fridge", "hot"])),
  "a heat changed": ({ plan }, pick, by) => plan.settings.length && ((pick(plan.settings) as Loose).tempC += by),
  "a heat moved": ({ plan }, pick, by) => plan.settings.length && shift(pick(plan.settings) as Loose, by),
  "a heat shorter": ({ plan }, pick, by) => plan.settings.length && ((pick(plan.settings) as Loose).to += by),
  "a heat earlier": ({ plan }, pick, by) => plan.settings.length && ((pick(plan.settings) as Loose).from += by),
  "a heat of another kind": ({ plan }, pick) =>
    plan.settings.length && ((pick(plan.settings) as Loose).mode = pick(["fan", "still", "grill"])),
  "a heat missing": ({ plan }, pick) => plan.settings.splice(plan.settings.indexOf(pick(plan.settings)), 1),
  "a heat elsewhere": ({ plan }, pick) => plan.settings.length && ((pick(plan.settings) as Loose).id = "oven-2"),
  "another method": ({ plan, document }, pick) => {
    const c = pick(document.components) as Loose;
    plan.methods[c.id] = pick([...c.methods.map((m: Loose) => m.id), "fallback", "no-such"]);
  },
  "a stand-in": ({ plan, document }, pick, by) => {
    const c = pick(document.components) as Loose;
    plan.methods[c.id] = "fallback";
    plan.fallbacks.push({ component: c.id, decidedAt: plan.now + by, readyAt: plan.now + 60 + Math.abs(by) });
  },
  "a stand-in missing": ({ plan }) => plan.fallbacks.pop(),
  "a stand-in at another time": ({ plan }, pick, by) =>
    plan.fallbacks.length && Object.assign(pick(plan.fallbacks) as Loose, { readyAt: plan.now + by }),
  "an exception": ({ plan }, pick, by) => {
    const step = pick(plan.steps) as Loose;
    const rule = pick(["H3", "H4", "H6", "H7", "H8", "H9", "H10", "H11", "H12"]);
    plan.exceptions = [...(plan.exceptions ?? []), { rule, step: step.step, from: step.start, to: step.end + by, text: "" }];
  },
  "no exceptions": ({ plan }) => delete plan.exceptions,
  "an exception moved": ({ plan }, pick, by) => plan.exceptions?.length && shift(pick(plan.exceptions) as Loose, by),
  "nothing gone": ({ plan }) => delete plan.gone,
  "gone at another time": ({ plan }, _, by) => plan.gone?.forEach((g: Loose) => (g.since += by)),
  "planned for other lengths": ({ plan }, pick) => (plan.planAt = pick(["likely", "cautious", "longest"])),
  "later now": (draft, _, by) => (draft.now += by),
  "another hour": (draft, _, by) => (draft.serveAt += by),
  "a step begun": ({ plan, log }, pick, by) => {
    const { step, start } = pick(plan.steps) as Loose;
    log.events.set(step, { step, started: start + by });
  },
  "a step done": ({ plan, log }, pick, by) => {
    const { step, start, end } = pick(plan.steps) as Loose;
    log.events.set(step, { step, started: start, ended: end + by });
  },
  "the first done": (draft, _, by) => {
    const { plan, log } = draft;
    for (const s of plan.steps.filter((x: Loose) => x.end <= plan.now + Math.abs(by) * 3))
      log.events.set(s.step, { step: s.step, started: s.start, ended: s.end });
    draft.now = Math.max(draft.now, plan.now + Math.abs(by) * 3);
  },
  "a step expected later": ({ plan, log }, pick, by) => {
    const { step, start, end } = pick(plan.steps) as Loose;
    log.events.set(step, { step, started: start, estimate: end + by });
  },
  "a step left out by the cook": ({ plan, log }, pick) => {
    const { step, start } = pick(plan.steps) as Loose;
    log.events.set(step, { step, started: start, ended: start, skipped: true });
  },
  "a step put down": ({ plan, log }, pick, by) => {
    const { step, start } = pick(plan.steps) as Loose;
    log.events.set(step, { step, started: start, pieces: [[start, start + Math.abs(by)]] });
  },
  "fixed at": ({ plan, log }, pick, by) => {
    const { step, start } = pick(plan.steps) as Loose;
    log.pins.push({ step, at: start + by });
  },
  "not before": ({ plan, log }, pick, by) => {
    const { step, start } = pick(plan.steps) as Loose;
    log.pins.push({ step, notBefore: start + by });
  },
  "not after": ({ plan, log }, pick, by) => {
    const { step, start } = pick(plan.steps) as Loose;
    log.pins.push({ step, notAfter: start + by });
  },
  "by a cook": (draft, pick) => {
    const { step } = pick(draft.plan.steps) as Loose;
    draft.log.pins.push({ step, cook: pick(kitchen(draft).cooks.map((c: Loose) => c.id)) });
  },
  "an oven on": ({ log, plan }, pick, by) =>
    (log.heat = [{ id: "oven", tempC: 100 + (Math.abs(by) % 150), since: plan.now - pick([0, 1, 60]) }]),
  "fewer things": (draft, pick) => {
    const { equipment } = kitchen(draft);
    const thing = pick(equipment) as Loose;
    if ((thing.count ?? 1) > 1) thing.count--;
    else if (thing.litres) thing.litres *= pick([0.2, 0.5, 0.9]);
    else equipment.splice(equipment.indexOf(thing), 1);
  },
  "a cook less": (draft, pick) =>
    kitchen(draft).cooks.length > 1 && kitchen(draft).cooks.splice(kitchen(draft).cooks.indexOf(pick(kitchen(draft).cooks)), 1),
  "other hours": (draft, pick) =>
    ((pick(kitchen(draft).cooks) as Loose).hours = [
      { days: "all", from: pick(["06:00", "10:00", "14:00"]), to: pick(["16:00", "20:00", "23:00"]) },
    ]),
  "up at other hours": (draft, pick) =>
    ((pick(kitchen(draft).cooks) as Loose).awake = [{ days: "all", from: pick(["05:00", "09:00"]), to: pick(["17:00", "22:00"]) }]),
  away: (draft, pick) =>
    ((pick(kitchen(draft).cooks) as Loose).away = [
      { days: pick(["all", "sat", "sun", "fri"]), from: pick(["00:01", "12:00"]), to: pick(["13:00", "23:59"]) },
    ]),
  "a quiet time": (draft, pick) =>
    (kitchen(draft).windows = [
      {
        weekly: { days: "all", from: pick(["08:00", "13:00", "20:00"]), to: pick(["14:00", "22:00", "23:30"]) },
        forbid: [pick(["*", "heat", "hands", "noisy"])],
      },
    ]),
  "a longer step": (draft, pick) => ((pick(fileSteps(draft)) as Loose).time = pick(["10m", "45m", "2h", "9h"])),
  "other rhythm": (draft, pick) =>
    ((pick(fileSteps(draft)) as Loose).tend = [{ every: pick(["5m", "20m", "1h"]), what: "stir", takes: pick(["1m", "4m"]) }]),
  "watched or not": (draft, pick) => ((pick(fileSteps(draft)) as Loose).attention = pick(["hands", "nearby", "unattended"])),
  "in pieces": (draft, pick) => ((pick(fileSteps(draft)) as Loose).split = { minPiece: pick(["5m", "20m", "1h"]) }),
  "in batches": (draft, pick) => ((pick(fileSteps(draft)) as Loose).batches = pick([2, 3])),
  "a wait": (draft, pick) => {
    const link = pick(fileSteps(draft).flatMap((s) => (s.after ?? []).filter((a: Loose) => typeof a !== "string"))) as Loose;
    if (link) Object.assign(link, { min: pick(["0m", "10m", "1h"]), max: pick(["1h", "3h", "1d"]) });
  },
  "another hold's window": (draft, pick) => {
    const hold = pick(fileSteps(draft).flatMap((s) => (s.makes ?? []).flatMap((o: Loose) => o.holds ?? []))) as Loose;
    if (hold) Object.assign(hold, { min: pick(["0m", "30m", "4h"]), max: pick(["4h", "5h", "1d"]), litres: pick([0.5, 4, 20]) });
  },
  "a wait in a store": (draft, pick) => {
    const link = pick(fileSteps(draft).flatMap((s) => (s.after ?? []).filter((x: Loose) => typeof x !== "string"))) as Loose;
    if (link) Object.assign(link, { place: pick(["fridge", "freezer", "cellar"]), litres: pick([1, 30, 90]) });
  },
  "no store": (draft, pick) => {
    const place = pick(["fridge", "freezer", "cellar"]);
    kitchen(draft).equipment = kitchen(draft).equipment.filter((e: Loose) => e.kind !== place);
  },
  "room for half": (draft, pick) => {
    for (const e of kitchen(draft).equipment) if (["fridge", "freezer", "cellar"].includes(e.kind)) e.litres = pick([0.5, 1, 2, 4]);
  },
  "all wait somewhere": (draft, pick) => {
    for (const s of fileSteps(draft))
      for (const o of s.makes ?? [])
        for (const h of o.holds ?? []) Object.assign(h, { place: pick(["fridge", "cellar"]), litres: pick([3, 9, 25]) });
  },
  "one more way to wait": (draft, pick) => {
    for (const s of fileSteps(draft))
      for (const o of s.makes ?? []) o.holds = [...(o.holds ?? []), { place: "counter", ...pick([{}, { max: "1h" }, { max: "3d" }]) }];
  },
  "no wait named, some begun": (draft, _, by) => {
    draft.plan.holds = [];
    BENDS["the first done"]?.(draft, (list) => list[0] as never, by);
  },
  "no wait named, some begun, and other hours": (draft, pick, by) => {
    BENDS["no wait named, some begun"]?.(draft, pick, by);
    if (pick([true, false])) BENDS["one more way to wait"]?.(draft, pick, by);
    BENDS["other hours"]?.(draft, pick, by);
  },
  paused: ({ plan }, pick, by) => {
    const step = pick(plan.steps) as Loose;
    const at = Math.round((step.start + step.end) / 2);
    step.pieces = [
      [step.start, at],
      [at + (Math.abs(by) % 3), step.end],
    ];
  },
  "put down and gone on with": (draft, pick, by) => {
    const step = pick(draft.plan.steps) as Loose;
    const [c, id] = step.step.split(".");
    const file = draft.document.components.find((x: Loose) => x.id === c).methods.flatMap((m: Loose) => m.steps);
    for (const s of file.filter((x: Loose) => x.id === id)) s.split = { minPiece: pick(["1m", "5m", "20m"]) };
    const worked = Math.max(1, Math.round(step.minutes / 3));
    draft.now = step.start + worked + (Math.abs(by) % 7);
    draft.log.events.set(step.step, { step: step.step, started: step.start, pieces: [[step.start, step.start + worked]] });
    const left = step.minutes - worked + (by % 3);
    step.pieces = [
      [step.start, step.start + worked],
      [draft.now, draft.now + left],
    ];
    step.end = draft.now + left;
  },
  "left out by the cook, and later": ({ plan, log }, pick, by) => {
    const maker = pick(plan.steps) as Loose;
    log.events.set(maker.step, { step: maker.step, started: maker.start, ended: maker.start, skipped: true });
    moved(maker, Math.abs(by) * 4);
  },
  "nobody home": (draft, pick) => {
    for (const cook of kitchen(draft).cooks) cook.away = [{ days: "all", from: "00:01", to: "23:59" }];
    Object.assign(pick(fileSteps(draft)) as Loose, { attention: "unattended", sleepOk: true, awayOk: pick([true, false]) });
  },
  "warm from the step before": (draft, pick, by) => {
    const hot = draft.plan.steps.filter((s: Loose) =>
      draft.plan.settings.some((x: Loose) => s.equipment.some((e: Loose) => e.id === x.id)),
    );
    const step = pick(hot) as Loose;
    draft.now = step.end + pick([0, 1, 29, 30, 31, 89, 90, 91]);
    draft.log.events.set(step.step, { step: step.step, started: step.start, ended: step.end });
    for (const other of hot) if (other !== step && other.start < draft.now) moved(other, draft.now - other.start + (Math.abs(by) % 40));
    for (const set of draft.plan.settings) if (set.from < draft.now) shift(set, draft.now - set.from + (Math.abs(by) % 40));
  },
  "an oven that will be on": ({ log, plan }, pick) =>
    (log.heat = [{ id: "oven", tempC: pick([100, 180, 230]), since: plan.now + pick([0, 1, 60]) }]),
  "stood in for, and it waits": (draft, pick, by) => {
    BENDS["a stand-in"]?.(draft, pick, by);
    BENDS["all wait somewhere"]?.(draft, pick, by);
    BENDS["room for half"]?.(draft, pick, by);
  },
  "its batches apart": (draft, pick) => {
    const step = pick(draft.plan.steps) as Loose;
    const [c, id] = step.step.split(".");
    const taken: string[] = [];
    for (const m of draft.document.components.find((x: Loose) => x.id === c).methods)
      for (const s of m.steps)
        if (s.id === id) {
          s.batches = 2;
          for (const t of s.takes ?? []) {
            t.each = true;
            taken.push(t.from);
          }
        }
    // What it takes is made in as many.
    for (const other of draft.document.components)
      for (const m of other.methods)
        for (const s of m.steps) if (s.makes?.some((o: Loose) => taken.includes(`${other.id}.${o.id}`))) s.batches = 2;
    const half = Math.round((step.end - step.start) / 2);
    step.pieces = [
      [step.start, step.start + half],
      [step.start + half, step.end],
    ];
  },
  "less is made": (draft, pick) => {
    const made = pick(fileSteps(draft).flatMap((s) => (s.makes ?? []).filter((o: Loose) => o.amount))) as Loose;
    if (made) made.amount.amount *= pick([0.2, 0.9, 0.99]);
  },
  "cleaned between two uses": (draft, pick) => {
    for (const e of kitchen(draft).equipment)
      if (!["oven", "burner", "fridge", "freezer", "cellar"].includes(e.kind)) e.cleanTakes = pick(["5m", "20m", "3h"]);
    BENDS["all with one thing"]?.(draft, pick, 0);
  },
  "all with one thing": (draft, pick) => {
    const thing = pick((kitchen(draft).equipment as Loose[]).filter((e) => !["fridge", "freezer", "cellar"].includes(e.kind))) as Loose;
    thing.cleanTakes = pick(["5m", "30m", "2h"]);
    const steps = draft.plan.steps as Loose[];
    const [first, ...others] = steps.filter((s) =>
      s.equipment.some((e: Loose) => kitchen(draft).equipment.find((k: Loose) => k.id === e.id)?.kind === thing.kind),
    );
    for (const s of [first, ...others]) for (const e of s?.equipment ?? []) e.id = thing.id;
    // One right behind another, or a minute into it.
    if (first && others.length > 0) {
      const next = pick(others) as Loose;
      moved(next, first.end - next.start + pick([-1, 0, 1, 5, 29, 30, 31]));
    }
  },
  "one cook alone may": (draft, pick) => {
    (pick(fileSteps(draft)) as Loose).cooks = [pick(kitchen(draft).cooks.map((c: Loose) => c.id))];
    (pick(fileSteps(draft)) as Loose).cooks = [pick(kitchen(draft).cooks.map((c: Loose) => c.id))];
  },
  "a thing at hours of its own": (draft, pick, by) => {
    for (const e of kitchen(draft).equipment)
      e.available = [{ days: "all", from: pick(["06:00", "11:00"]), to: pick(["12:30", "17:00", "23:00"]) }];
    if (pick([true, false])) BENDS["the first done"]?.(draft, (list) => list[0] as never, by);
    if (pick([true, false])) BENDS["a step begun"]?.(draft, pick, by);
  },
  "rounds at half their rhythm": (draft, pick) => {
    if (!having(draft, "rounds").length) return;
    const { rounds } = pick(having(draft, "rounds")) as Loose;
    const [a, b] = rounds;
    if (b) rounds.splice(1, 0, { ...b, at: a.at + Math.round((b.at - a.at) / 2) + pick([-1, 0, 1]) });
    else rounds.push({ ...a, at: a.at - pick([0, 1]) });
  },
  "an oven at its limit": (draft, pick) => {
    for (const e of kitchen(draft).equipment) if (e.kind === "oven") e.maxC = pick([100, 150, 180, 200, 220]);
  },
  "no now said": (draft, pick) => {
    draft.now = undefined as never;
    if (pick([true, false])) draft.document.dish.startNotBefore = pick(["2026-10-16T08:00", "2026-10-17T12:00", "2026-10-18T09:00"]);
  },
  "two things of the larder": (draft, pick) => {
    for (const c of draft.document.components)
      if (c.onHand?.length)
        c.onHand.unshift({ ...structuredClone(c.onHand[0]), output: "other", madeAt: pick(["2026-10-10T12:00", "2025-01-01T12:00"]) });
  },
  "replaced, though it was begun": (draft, pick) => {
    const outputs = [...(draft.plan.gone ?? []).map((g: Loose) => g.output), ...draft.plan.holds.map((h: Loose) => h.output)];
    const [c] = (pick(outputs) as string).split(".");
    draft.plan.methods[c as string] = "fallback";
    draft.plan.fallbacks.push({ component: c, decidedAt: draft.now, readyAt: draft.now + 60 });
    if (pick([true, false])) {
      const { step, start, end } = pick(draft.plan.steps) as Loose;
      draft.log.events.set(step, { step, started: start, ended: end });
    }
  },
  "made long ago": (draft, pick) => {
    // Every maker of what is taken has ended, so long ago that some of it is past its time.
    const ago = pick([0, 600, 6_000, 60_000]);
    for (const h of draft.plan.holds.filter(() => pick([true, false]))) {
      const maker = draft.plan.steps.find((s: Loose) => s.end === h.from && s.step.split(".")[0] === h.output.split(".")[0]);
      if (maker) draft.log.events.set(maker.step, { step: maker.step, started: maker.start - ago, ended: maker.end - ago });
    }
  },
  "quiet while it heats": (draft, pick) => {
    const set = pick(draft.plan.settings) as Loose;
    if (!set) return;
    const at = (minute: number) => new Date(minute * 60_000).toISOString().slice(0, 16);
    const from = set.from - pick([5, 15, 40, 90]);
    kitchen(draft).windows = [{ from: at(from), to: at(from + pick([3, 10, 35])), forbid: [pick(["heat", "start-heat", "*"])] }];
    if (pick([true, false])) BENDS["a step begun"]?.(draft, pick, 0);
    if (pick([true, false])) BENDS["a heat earlier"]?.(draft, pick, pick([-30, -10, -1, 1]));
  },
  "excused for what it takes": (draft, pick, by) => {
    const { steps } = draft.plan;
    // What is taken was made by steps that are done; their takers then wait too long, or have no hands.
    BENDS["made long ago"]?.(draft, pick, by);
    for (const cook of kitchen(draft).cooks) cook.hours = [{ days: "all", from: "06:00", to: pick(["06:30", "12:00"]) }];
    const taker = steps.find((s: Loose) => s.step === (pick(draft.plan.holds) as Loose)?.taker);
    if (taker) draft.plan.exceptions = [{ rule: pick(["H6", "H7", "H4"]), step: taker.step, from: taker.start, to: taker.end, text: "" }];
  },
  "running, and stretched": (draft, pick) => {
    const step = pick(draft.plan.steps) as Loose;
    const [c, id] = step.step.split(".");
    const files = draft.document.components.find((x: Loose) => x.id === c).methods.flatMap((m: Loose) => m.steps);
    const kind = pick(["plain", "plain", "split", "each", "shortened"]);
    for (const s of files.filter((x: Loose) => x.id === id)) {
      s.stretch = "30m";
      if (kind === "split") s.split = { minPiece: "5m" };
      if (kind === "each") Object.assign(s, { batches: 1, takes: (s.takes ?? []).map((t: Loose) => ({ ...t, each: true })) });
    }
    if (kind === "shortened") step.shortenedFrom = step.minutes + pick([0, 10]);
    draft.now = Math.round((step.start + step.end) / 2);
    draft.log.events.set(step.step, {
      step: step.step,
      started: step.start,
      ...pick([{}, { estimate: step.end }, { estimate: step.end + 7 }]),
    });
    const by = pick([-1, 0, 1, 7, 29, 30, 31, 37, 38]);
    step.end += by;
    step.pieces.at(-1)[1] += by;
  },
  "split, and stretched": (draft, pick) => {
    const step = pick(draft.plan.steps) as Loose;
    const [c, id] = step.step.split(".");
    for (const m of draft.document.components.find((x: Loose) => x.id === c).methods)
      for (const s of m.steps) if (s.id === id) Object.assign(s, { stretch: "20m", split: { minPiece: "5m" } });
    const by = pick([-1, 1, 19, 20, 21]);
    step.end += by;
    step.pieces.at(-1)[1] += by;
  },
  "pieces that do not meet its ends": ({ plan }, pick) => {
    const step = pick(plan.steps) as Loose;
    const what = pick(["first", "last", "none"]);
    if (what === "first") step.pieces[0][0] += pick([-3, 3]);
    else if (what === "last") step.pieces.at(-1)[1] += pick([-3, 3]);
    else step.pieces = [];
  },
  "waits of two kinds, some begun": (draft, pick) => {
    BENDS["one more way to wait"]?.(draft, (list) => list[pick([0, 1, 2]) % list.length] as never, 0);
    draft.plan.holds.forEach((h: Loose, i: number) => {
      if (pick([true, false])) h.hold += i % 2;
      const maker = draft.plan.steps.find((s: Loose) => s.end === h.from && s.step.split(".")[0] === h.output.split(".")[0]);
      if (maker && pick([true, false])) draft.log.events.set(maker.step, { step: maker.step, started: maker.start, ended: maker.end });
    });
    for (const cook of kitchen(draft).cooks) cook.hours = [{ days: "all", from: "06:00", to: pick(["06:30", "09:00"]) }];
  },
  "another method stands before it": (draft, pick) => {
    for (const c of draft.document.components) {
      const [first] = c.methods;
      if (!first) continue;
      draft.plan.methods[c.id] ??= first.id;
      const other = JSON.parse(JSON.stringify(first).replaceAll(/"id":"/g, '"id":"o-'));
      for (const [i, s] of other.steps.entries()) Object.assign(s, { after: [], makes: first.steps[i].makes });
      c.methods.unshift(other);
    }
    BENDS["replaced, though it was begun"]?.(draft, pick, 0);
    if (pick([true, false])) BENDS["made long ago"]?.(draft, pick, 0);
  },
  "stretched by an hour": (draft, pick) => {
    const file = pick(fileSteps(draft)) as Loose;
    file.stretch = pick(["10m", "1h"]);
  },
};

/** A number of a text (FNV-1a), so that the record stays short. */
function hashed(text: string): string {
  let hash = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193) >>> 0;
  return hash.toString(36);
}

/** What is said of a plan, in a line: the rules that are broken, how often, and a mark of all the rest. */
function said({ document, plan, log, now, serveAt }: Draft): string {
  const dish = dishModel(document);
  const options = { now, serveAt, log };
  const verdict = verifyPlan(dish, plan, options);
  const rules = new Map<string, number>();
  for (const b of verdict.broken) rules.set(b.rule, (rules.get(b.rule) ?? 0) + 1);
  const told = [...rules].toSorted(([a], [b]) => a.localeCompare(b)).map(([rule, n]) => `${rule}×${n}`);
  return `${told.join(" ") || "holds"} ${hashed(JSON.stringify([verdict, withExceptions(dish, plan, options)]))}`;
}

const names = Object.keys(BENDS);
describe.each(readdirSync(folder))("%s", (file) => {
  const kept: Kept = JSON.parse(readFileSync(path.join(folder, file), "utf8"));
  const draftOf = (): Draft => {
    const copy = structuredClone(kept);
    return { ...copy, log: { ...copy.log, pins: [...copy.log.pins], events: new Map(copy.log.events) } };
  };
  test("holds as it is", () => {
    expect(said(draftOf())).toMatch(/^holds /);
  });
  test("bent, it is told of as before", () => {
    const random = seededRandom([...file].reduce((sum, c) => sum + c.charCodeAt(0), 0));
    const pick = <T>(list: readonly T[]): T => {
      if (list.length === 0) throw new Error("nothing of the kind");
      return list[Math.floor(random() * list.length)] as T;
    };
    const lines = Array.from({ length: BENT }, (_, i) => {
      const name = names[i % names.length] as string;
      const draft = draftOf();
      const by = pick(BY);
      try {
        BENDS[name]?.(draft, pick, by);
        // A second change: what the first one breaks may hide what a rule says next. Late ones meet another kind.
        if (i >= names.length * 4) BENDS[pick(names)]?.(draft, pick, pick(BY));
        if (i >= names.length * 2) moved(pick(draft.plan.steps as Loose[]), pick(BY));
        return `${i} ${name}: ${said(draft)}`;
      } catch (error) {
        return `${i} ${name}: ${(error as Error).message.slice(0, 80)}`;
      }
    });
    records.check(file, lines.join("\n"));
  });
});

// The plan as people read it: the view, the days, the line above all, the dial, the chart's geometry. All from one harvest lunch.
import { describe, expect, test } from "vitest";
import { planDish } from "../../../src/core/planner";
import { whyHere } from "../../../src/core/planner/explain/why";
import { lower } from "../../../src/core/sentence";
import { ingredientRows, outputRows } from "../../../src/core/sheets/breakdown";
import { dayList } from "../../../src/core/sheets/day-list";
import { loadNotes } from "../../../src/core/sheets/load";
import { spokenDuration } from "../../../src/core/time/duration";
import { offsetsOf, WallClock } from "../../../src/core/time/wall-clock";
import { planView, stepsInForce } from "../../../src/core/view/plan-view";
import { agendaAt, callsBetween, marksOf, movesBetween, onlyOf } from "../../../src/ui/cook/agenda";
import { routeGeometry } from "../../../src/ui/route-chart/geometry";
import { statusParts } from "../../../src/ui/shell/status-line";
import { demoDish, demoDocument } from "../../support/dishes";

const dish = demoDish("harvest-lunch");
const found = planDish(dish, { rounds: 10 });
if (found.status !== "feasible") throw new Error("no plan");
const { plan } = found;
const view = planView(dish, plan);
const clock = new WallClock(offsetsOf(dish.zone, view.begins - 2880, view.ends + 2880));

describe("the view", () => {
  test("has every planned step once, in time order, in a place of the kitchen", () => {
    expect(view.steps.map((s) => s.ref).sort()).toEqual(plan.steps.map((s) => s.step).sort());
    view.steps.forEach((s, i) => i && expect(s.start).toBeGreaterThanOrEqual(view.steps[i - 1]?.start ?? 0));
    expect(view.steps.filter((s) => s.place === "oven").every((s) => s.tempC !== undefined)).toBe(true);
  });
  test("says where each output waits, and how long it may", () => {
    const wait = view.waits.find((w) => w.window?.max !== undefined && w.to - w.from > 60);
    expect(wait).toBeDefined();
    expect((wait?.to ?? 0) - (wait?.from ?? 0)).toBeLessThanOrEqual(wait?.window?.max ?? 0);
  });
  test("marks what is done and what runs from the log", () => {
    const [first, second] = plan.steps;
    const progress = new Map([
      [first?.step ?? "", { step: first?.step ?? "", started: first?.start ?? 0, ended: first?.end, estimate: undefined }],
      [second?.step ?? "", { step: second?.step ?? "", started: second?.start ?? 0, ended: undefined, estimate: undefined }],
    ]);
    const states = new Map(planView(dish, plan, progress).steps.map((s) => [s.ref, s.state]));
    expect([states.get(first?.step ?? ""), states.get(second?.step ?? ""), states.get(plan.steps[2]?.step ?? "")]).toEqual([
      "done",
      "running",
      "planned",
    ]);
  });
});

describe("the days", () => {
  const days = dayList(view, clock);
  test("hold every minute of work by hand, once, on its day", () => {
    const listed = days.flatMap((d) => d.parts.flatMap((p) => p.entries)).reduce((sum, e) => sum + e.minutes, 0);
    const planned = plan.steps.flatMap((s) => s.hands).reduce((sum, h) => sum + h.to - h.from, 0);
    expect(listed).toBe(planned);
    for (const day of days) for (const part of day.parts) for (const e of part.entries) expect(clock.dayNumber(e.at)).toBe(day.number);
  });
  test("tell before bed what runs through the night and what comes first", () => {
    const evening = days.find((d) => d.beforeBed.length > 1);
    expect(evening?.beforeBed.join(" ")).toMatch(/until|wanted/);
    expect(evening?.beforeBed.at(-1)).toMatch(/^First thing next: [a-z]/);
    expect(days.at(-1)?.beforeBed).toEqual([]);
  });
  test("tell what is to be looked at on the day on which it is, though nothing else is done then", () => {
    const long = view.steps.find((s) => s.end - s.start > 3 * 1440);
    const check = { afterMinutes: 2 * 1440 + 15, ask: "pH 4.6 or less", otherwise: "throw it away" };
    const told = dayList(view, clock, [{ step: long?.ref ?? "", check }]).flatMap((d) => d.checks.map((c) => [d.number, c.at, c.text]));
    const at = (long?.start ?? 0) + check.afterMinutes;
    expect(told).toEqual([[clock.dayNumber(at), at, "pH 4.6 or less. If not, throw it away."]]);
  });
  test("gather the rounds of a day by what is done", () => {
    const rounds = days.flatMap((d) => d.rounds.flatMap((r) => r.at));
    expect(rounds.length).toBe(plan.steps.flatMap((s) => s.rounds).length);
  });
  test("names inside a sentence begin small, abbreviations do not", () => {
    expect(lower("Ferment at 18 to 21 °C")).toBe("ferment at 18 to 21 °C");
    expect(lower("IPA")).toBe("IPA");
  });
});

describe("the line above all", () => {
  const say = (now: number, v = view) => statusParts(v, dish.serveAt, 10, now, clock);
  test("counts to serving and names the next work", () => {
    const parts = say(view.begins - 60);
    expect(parts[0]?.rest).toBe("to serving");
    expect(parts[1]?.rest).toBe(lower(view.steps.find((s) => s.hands.length)?.name ?? ""));
    expect(parts[2]).toMatchObject({ strong: "Nothing waiting", idle: true });
  });
  test("says now while hands are at work, and after the hour that it is past where nothing was done", () => {
    const busy = plan.steps.flatMap((s) => s.hands)[0];
    expect(say((busy?.from ?? 0) + 1)[1]?.strong).toBe("now");
    expect(say(dish.serveAt + 10)[0]?.strong).toBe("past");
  });
  test("warns of what holds too long", () => {
    const wait = view.waits.find((w) => w.window?.max !== undefined && w.to - w.from > 60);
    if (!wait?.window) throw new Error("nothing waits");
    const over = { ...view, waits: [{ ...wait, window: { ...wait.window, max: 10 } }] };
    expect(say(wait.from + 30, over)[2]).toMatchObject({ strong: "Held too long", tone: "warn" });
  });
  test("says the date of what keeps for more than six days, the time of what keeps for less", () => {
    const wait = view.waits.find((w) => w.window?.max !== undefined && w.to - w.from > 60);
    if (!wait?.window) throw new Error("nothing waits");
    const keeping = (max: number) =>
      say(wait.from + 31, { ...view, steps: [], waits: [{ ...wait, window: { ...wait.window, max } } as typeof wait] }).at(-1)?.under;
    expect(keeping(10 * 1440)).toMatch(/good until \w{3} \d{1,2}$/);
    expect(keeping(1440)).toMatch(/good until \w{3} \d\d:\d\d$/);
  });
  test("without a plan it still counts", () => expect(statusParts(undefined, dish.serveAt, 10, dish.serveAt - 60, clock)).toHaveLength(1));
});

describe("the dial", () => {
  test("shows what calls for hands in the next hour, in order, and nothing after", () => {
    const now = plan.serveAt - 90;
    const marks = marksOf(view, now);
    expect(marks.length).toBeGreaterThan(0);
    marks.forEach((m, i) => {
      expect(m.at).toBeGreaterThanOrEqual(now);
      expect(m.at).toBeLessThan(now + 60);
      if (i) expect(m.at).toBeGreaterThanOrEqual(marks[i - 1]?.at ?? 0);
    });
  });
  test("what should have begun is due, the rest comes later", () => {
    const first = view.steps[0];
    const agenda = agendaAt(view, (first?.start ?? 0) + 1);
    expect(agenda.due[0]?.ref).toBe(first?.ref);
    expect(agenda.due.length + agenda.later.length + agenda.running.length).toBe(view.steps.length);
  });
  test("of one cook is what wants that cook's hands; what runs by itself is everybody's", () => {
    const [first] = view.steps.filter((s) => s.hands.length > 0);
    const running = view.steps.find((s) => s.attention === "unattended" && s.hands.length === 0);
    const part = { ...view, steps: view.steps.map((s) => (s.ref === running?.ref ? { ...s, state: "running" as const } : s)) };
    const agenda = agendaAt(part, (first?.start ?? 0) + 1);
    const helper = onlyOf(agenda, "tilly");
    expect(helper.later.length).toBeGreaterThan(0);
    expect(helper.later.length).toBeLessThan(agenda.later.length);
    for (const s of [...helper.due, ...helper.later]) expect(s.hands.some((h) => h.cook === "tilly")).toBe(true);
    expect(helper.running.map((s) => s.ref)).toEqual([running?.ref]);
    expect(onlyOf(agenda, "nobody").later).toEqual([]);
  });
  test("calls once for what comes due, not again a minute later, and not for what was slept through", () => {
    const first = view.steps[0];
    const start = first?.start ?? 0;
    expect(callsBetween(view, start - 1, start).map((m) => m.step.ref)).toContain(first?.ref);
    expect(callsBetween(view, start, start + 1).map((m) => m.step.ref)).not.toContain(first?.ref);
    expect(callsBetween(view, start - 200, start + 1)).toEqual([]);
    expect(callsBetween(view, start, start)).toEqual([]);
    const round = view.steps.find((s) => s.rounds.length)?.rounds[0];
    expect(callsBetween(view, (round?.at ?? 0) - 3, round?.at ?? 0).some((m) => m.kind === "round" && m.what === round?.what)).toBe(true);
  });
  test("moves between two plans are told, the largest first", () => {
    const moved = {
      ...view,
      steps: view.steps.map((s, i) => (i === 3 ? { ...s, start: s.start + 40 } : i === 5 ? { ...s, start: s.start - 90 } : s)),
    };
    expect(movesBetween(view, moved).map((m) => m.by)).toEqual([-90, 40]);
    expect(movesBetween(view, view)).toEqual([]);
  });
});

describe("the route chart", () => {
  const chart = routeGeometry(view, { width: 920, open: new Set(), clock, fit: 590 });
  test("has every step and every component, inside its frame", () => {
    expect(chart.routes.flatMap((r) => r.segments)).toHaveLength(view.steps.length);
    expect(chart.height).toBeLessThanOrEqual(600);
    for (const s of chart.routes.flatMap((r) => r.segments)) {
      expect(s.x0).toBeGreaterThanOrEqual(70);
      expect(s.x1).toBeLessThanOrEqual(920);
      const band = chart.bands.find((b) => b.place === s.step.place);
      expect(s.y).toBeGreaterThanOrEqual(band?.y0 ?? 1e9);
      expect(s.y).toBeLessThanOrEqual(band?.y1 ?? -1);
    }
  });
  test("keeps apart what is in one place at one time", () => {
    const all = chart.routes.flatMap((r) => r.segments).filter((s) => !["oven", "grill", "bath"].includes(s.step.place));
    for (const [i, a] of all.entries())
      for (const b of all.slice(i + 1))
        if (a.x0 < b.x1 - 1 && b.x0 < a.x1 - 1) expect(Math.abs(a.y - b.y) > 3, `${a.step.ref} ${b.step.ref}`).toBe(true);
  });
  test("draws hotter higher in the oven", () => {
    const marks = chart.bands.find((b) => b.place === "oven")?.scale ?? [];
    expect(marks.length).toBeGreaterThan(1);
    marks.forEach((m, i) => i && expect(m.y).toBeLessThan(marks[i - 1]?.y ?? 0));
  });
  test("labels never lie on one another", () => {
    const boxes = chart.routes.flatMap((r) =>
      r.segments.flatMap((s) => (s.label ? [{ x0: s.label.x, x1: s.label.x + s.label.text.length * 5, y: s.label.y }] : [])),
    );
    expect(boxes.length).toBeGreaterThan(6);
    for (const [i, a] of boxes.entries())
      for (const b of boxes.slice(i + 1)) expect(a.x0 < b.x1 && b.x0 < a.x1 && Math.abs(a.y - b.y) < 9).toBe(false);
  });
  test("names each day once, and pleats say their rest", () => {
    expect(new Set(chart.days.map((d) => d.text)).size).toBe(chart.days.length);
    expect(chart.pleats.some((p) => p.night && /rest$/.test(p.text))).toBe(true);
    const past = routeGeometry(view, { width: 920, open: new Set(), clock, now: view.ends });
    expect(past.pleats.every((p) => /gone$/.test(p.text))).toBe(true);
  });
  test("the hands strip adds up to the work", () => {
    const minutes = chart.hands.reduce((sum, bar) => sum + bar.minutes, 0);
    expect(minutes).toBe(plan.steps.flatMap((s) => s.hands).reduce((sum, h) => sum + h.to - h.from, 0));
  });
});

describe("heavy and quiet", () => {
  const notes = loadNotes(view, whyHere(dish, plan), clock);
  test("Saturday's work and its crowded hour are told, and agree with the plan", () => {
    const full = notes.find((n) => n.kind === "full-day" && n.text.startsWith("Saturday"));
    const minutes = plan.steps
      .flatMap((s) => s.hands)
      .filter((h) => clock.weekday(h.from) === "Saturday")
      .reduce((sum, h) => sum + h.to - h.from, 0);
    expect(full?.text).toContain(spokenDuration(minutes));
    const crowded = notes.find((n) => n.kind === "crowded-hour");
    expect(Number(/: (\d+) steps at once/.exec(crowded?.text ?? "")?.[1])).toBeGreaterThanOrEqual(3);
  });
  test("in a quiet stretch nobody's hands are asked for, and what is proposed fits into it", () => {
    const quiet = notes.filter((n) => n.kind === "quiet");
    expect(quiet.length).toBeGreaterThan(0);
    for (const note of quiet)
      expect(plan.steps.flatMap((s) => s.hands).some((h) => h.from <= note.at + 10 && h.to > note.at + 10)).toBe(false);
  });
  test("what must not be begun in a quiet stretch is told with the moment from which it may", () => {
    const whys = whyHere(dish, plan);
    const told = notes.filter((n) => n.kind === "quiet" && n.text.includes("must not start before"));
    expect(told.length).toBeGreaterThan(0);
    for (const note of told) {
      const [, name, time] = /“([^”]+)” must not start before (\d\d:\d\d)/.exec(note.text) ?? [];
      const steps = view.steps.filter((s) => s.name.toLowerCase() === name?.toLowerCase());
      expect(steps.some((s) => clock.time(whys.find((w) => w.step === s.ref)?.earliest ?? 0) === time && s.start > note.at)).toBe(true);
    }
  });
  test("a plan without work says nothing", () => {
    expect(loadNotes({ ...view, steps: [] }, [], clock)).toEqual([]);
  });
});

describe("the breakdown", () => {
  test("scales what is bought to the guests", () => {
    const twice = demoDocument("harvest-lunch");
    twice.dish.serves = 20;
    const rows = (document: typeof twice) => ingredientRows(document, "slaw", "ferment").map((r) => r.amount);
    expect(rows(demoDocument("harvest-lunch"))).not.toEqual(rows(twice));
    expect(rows(twice)[0]).toMatch(/kg/);
  });
  test("says who takes each output, and what is left over", () => {
    const steps = stepsInForce(dish, plan);
    const rows = outputRows(
      dish,
      steps.filter((s) => s.ref.startsWith("pork.")),
      steps,
    );
    expect(rows.find((r) => r.name.match(/bones/i))?.takers.length).toBeGreaterThan(0);
  });
});

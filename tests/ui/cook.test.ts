// What Cook shows at a moment: what runs, what is due, what calls in the next hour, and the cards with their large words.
import { createElement } from "react";
import { describe, expect, test } from "vitest";
import type { FindingView } from "../../src/core/safety/view";
import { agendaAt, callsBetween, marksOf, movesBetween, stepsToCheck } from "../../src/ui/cook/agenda";
import { Dial } from "../../src/ui/cook/Dial";
import { AloneRow, CheckCard, DueCard, RunningCard } from "../../src/ui/cook/StepCards";
import { statusParts } from "../../src/ui/shell/status-line";
import { type Page, shown } from "../support/page";
import { at, CLOCK, step, viewOf, wait } from "../support/plan-views";

const braise = step("beef.braise", "10:00", "14:00", {
  attention: "unattended",
  place: "oven",
  tempC: 140,
  cue: "a fork turns in it",
  checkFrom: 180,
  checkEvery: 30,
  rounds: [
    { at: at("11:00"), what: "turn it", takes: 2 },
    { at: at("12:00"), what: "turn it", takes: 2 },
  ],
});
const chop = step("slaw.chop", "10:30", "11:00");
const dress = step("slaw.dress", "13:40", "13:50");

describe("the agenda", () => {
  test.each([
    ["an hour before", "09:00", [], [], ["beef.braise", "slaw.chop", "slaw.dress"]],
    ["five minutes before", "09:55", [], ["beef.braise"], ["slaw.chop", "slaw.dress"]],
    ["late", "10:40", [], ["beef.braise", "slaw.chop"], ["slaw.dress"]],
  ] as const)("%s", (_, now, running, due, later) => {
    const agenda = agendaAt(viewOf([braise, chop, dress]), at(now));
    expect(agenda.running.map((s) => s.ref)).toEqual(running);
    expect(agenda.due.map((s) => s.ref)).toEqual(due);
    expect(agenda.later.map((s) => s.ref)).toEqual(later);
  });
  test("puts what runs in the order in which it ends, and forgets what is done", () => {
    const plan = viewOf([
      { ...braise, state: "running" },
      { ...chop, state: "running" },
      { ...dress, state: "done" },
    ]);
    expect(agendaAt(plan, at("10:45")).running.map((s) => s.ref)).toEqual(["slaw.chop", "beef.braise"]);
    expect(agendaAt(plan, at("10:45")).later).toEqual([]);
  });
});

describe("the next sixty minutes", () => {
  const plan = viewOf([{ ...braise, state: "running" }, chop, dress]);
  const marks = (now: string) => marksOf(plan, at(now)).map((m) => [CLOCK.time(m.at), m.kind, m.what]);
  test("have starts, rounds, looks Stage ends at their minutes, and nothing later", () => {
    expect(marks("10:20")).toEqual([
      ["10:30", "start", "Chop"],
      ["11:00", "round", "turn it"],
    ]);
    expect(marks("13:05")).toEqual([
      ["13:05", "start", "Chop"],
      ["13:30", "check", "check: a fork turns in it"],
      ["13:40", "start", "Dress"],
      ["14:00", "end", "Braise ends"],
    ]);
  });
  test("keep a start that is late at the top until it is pressed", () => {
    expect(marks("12:10")[0]).toEqual(["12:10", "start", "Chop"]);
  });
});

describe("calls", () => {
  const plan = viewOf([{ ...braise, state: "running" }, chop]);
  test("come once, at their minute, and not for what was due before the page was opened", () => {
    expect(callsBetween(plan, at("10:29"), at("10:30")).map((c) => c.what)).toEqual(["Chop"]);
    expect(callsBetween(plan, at("10:30"), at("10:31"))).toEqual([]);
    expect(callsBetween(plan, at("10:31"), at("11:00")).map((c) => c.what)).toEqual(["turn it"]);
  });
  test("come for what the rules of safety want looked at, while its step runs", () => {
    const watched = [
      { step: "beef.braise", check: { afterMinutes: 75, ask: "74 °C or more in the thickest part", otherwise: "back into the heat" } },
    ];
    expect(callsBetween(plan, at("11:14"), at("11:15"), watched).map((c) => c.what)).toEqual(["check: 74 °C or more in the thickest part"]);
    expect(callsBetween(viewOf([braise]), at("11:14"), at("11:15"), watched)).toEqual([]);
    // A pot that cools is looked at after its step is done, for an hour from then on.
    const cooled = viewOf([{ ...braise, state: "done" }]);
    expect(callsBetween(cooled, at("11:14"), at("11:15"), watched)).toHaveLength(1);
    expect(["11:14", "11:15", "12:14", "12:15"].map((now) => stepsToCheck(cooled, at(now), watched).length)).toEqual([0, 1, 1, 0]);
    expect(stepsToCheck(plan, at("11:14"), watched)).toEqual([]);
    expect(stepsToCheck(plan, at("13:15"), watched).map((s) => s.ref)).toEqual(["beef.braise"]);
  });
  test("are not made up for after a long sleep of the page, nor when the clock went back", () => {
    expect(callsBetween(plan, at("09:00"), at("11:30"))).toEqual([]);
    expect(callsBetween(plan, at("11:00"), at("10:30"))).toEqual([]);
  });
});

test("moves between two plans are told by how far, the largest first, and only of what is still to come", () => {
  const before = viewOf([{ ...braise, state: "running" }, chop, dress]);
  const after = viewOf([
    { ...braise, state: "running", start: braise.start + 9 },
    { ...chop, start: chop.start + 10 },
    { ...dress, start: dress.start - 45 },
  ]);
  expect(movesBetween(before, after).map((m) => [m.step.ref, m.by])).toEqual([
    ["slaw.dress", -45],
    ["slaw.chop", 10],
  ]);
  expect(movesBetween(before, before)).toEqual([]);
});

describe("the dial", () => {
  const dial = (now: string) =>
    shown(
      createElement(Dial, {
        marks: marksOf(viewOf([{ ...braise, state: "running" }, chop]), at(now)),
        now: at(now),
        kindOf: () => "braise",
        clock: CLOCK,
      }),
    );
  test("says the next thing in its middle and to whoever cannot see it", async () => {
    const page = await dial("10:20");
    expect(page.text).toBe("10 minChopstarts 10:30");
    expect(page.with("role", "img")[0]?.attribute("aria-label")).toBe(
      "Next in 10 min: Chop. 2 events in the next hour; the list shows the same.",
    );
  });
  test("says that nothing calls", async () => {
    const page = await shown(createElement(Dial, { marks: [], now: at("08:00"), kindOf: () => "braise", clock: CLOCK }));
    expect(page.with("role", "img")[0]?.attribute("aria-label")).toBe("No hands needed in the next hour.");
  });
});

describe("cards", () => {
  const severe: FindingView = {
    id: "hot-fat:x",
    severity: "stop",
    title: "Hot fat",
    component: "beef",
    step: "beef.braise",
    computed: "Fat at 175 °C.",
    caution: "Never leave it.",
    way: "a lid at hand",
    mends: [],
    source: "fire service",
    where: "Braise, Beef",
    print: "1",
    acknowledged: false,
  };
  const props = (of: ReturnType<typeof step>, now: string, findings: readonly FindingView[] = [], busy = false) => ({
    step: of,
    component: "Beef",
    now: at(now),
    clock: CLOCK,
    busy,
    findings,
    onKnown: () => {},
    onPress: () => {},
  });
  const main = (page: Page) => page.with("data-main")[0] as Page;

  test("what runs shows the cue that ends it, the hour that it may be, and takes time or is taken back", async () => {
    const page = await shown(createElement(RunningCard, props({ ...braise, state: "running" }, "12:00")));
    expect(page.text).toContain("until a fork turns in it");
    expect(page.text).toContain("about 14:00, in 2 h; first look 13:00");
    expect(page.buttons).toEqual(["Done", "Not yet: Braise", "Nearly: Braise", "Braise: not yet, 10 minutes more", "Undo: Braise"]);
  });
  test.each([
    ["14:00", "due now"],
    ["14:20", "due since 14:00"],
  ])("at %s it says %s", async (now, words) => {
    expect((await shown(createElement(RunningCard, props({ ...braise, state: "running" }, now)))).text).toContain(words);
  });
  test("a probe is said in the units that were chosen", async () => {
    const roast = { ...braise, state: "running" as const, probeC: 57, cue: "pink" };
    expect((await shown(createElement(RunningCard, props(roast, "12:00")))).text).toContain("pink, 57 °C in the middle");
    const us = await shown(createElement(RunningCard, props(roast, "12:00")), { units: "us" });
    expect(us.text).toMatch(/135 °F in the middle/);
    expect(us.text).toContain("oven at 284 °F");
  });
  test("what is to be looked at stands on what runs with its hour, and stands out once that has come; nothing is pressed before it", async () => {
    const check = { afterMinutes: 120, ask: "21 °C or less in the middle", otherwise: "stir it in ice water" };
    const watched: FindingView = { ...severe, id: "large-pot-cooling:check:x", severity: "note", check };
    const text = async (card: typeof RunningCard, now: string) =>
      (await shown(createElement(card, props({ ...braise, state: "running" }, now, [watched])))).text;
    for (const card of [RunningCard, AloneRow])
      expect(await text(card, "11:00")).toContain("Check 12:00: 21 °C or less in the middle. If not, stir it in ice water.");
    for (const card of [RunningCard, CheckCard]) expect(await text(card, "12:00")).toContain("Check now: 21 °C or less in the middle.");
    expect(await text(AloneRow, "12:00")).not.toContain("21 °C");
    const later = {
      ...watched,
      id: "large-pot-cooling:check:y",
      check: { ...check, afterMinutes: 360, ask: "5 °C or less in the middle" },
    };
    const done = async (now: string) =>
      (await shown(createElement(CheckCard, props({ ...braise, state: "done" }, now, [watched, later])))).text;
    expect(await done("12:10")).toContain("Check now: 21 °C or less in the middle.");
    expect(await done("16:05")).toContain("Check now: 5 °C or less in the middle.");
    expect(await done("16:05")).not.toContain("21 °C");
    const due = await shown(createElement(DueCard, props(braise, "10:00", [watched])));
    expect(due.text).not.toContain("Danger");
    expect(main(due).attribute("disabled")).toBeUndefined();
  });
  test("what unattended needs one press when it is over", async () => {
    const page = await shown(createElement(AloneRow, props({ ...braise, state: "running" }, "12:00")));
    expect(page.buttons).toEqual(["Done"]);
    expect(page.text).toContain("since 10:00, until a fork turns in it, about 14:00");
  });
  test.each([
    ["10:28", "now", "Due: Chop"],
    ["10:50", "due since 10:30", "Due: Chop"],
    ["08:00", "Mon 10:30", "Next: Chop"],
  ])("what is due at %s says %s", async (now, words, label) => {
    const page = await shown(createElement(DueCard, props(chop, now)));
    expect(page.named(label).text).toContain(words);
    expect(main(page).attribute("disabled")).toBeUndefined();
  });
  test("what is severe stands open on the card, and the step cannot be started before it is known", async () => {
    const page = await shown(createElement(DueCard, props(braise, "10:00", [severe])));
    expect(page.text).toContain("Never leave it.");
    expect(page.all("details")[0]?.attribute("open")).toBeDefined();
    expect(main(page).attribute("disabled")).toBeDefined();
    const known = await shown(createElement(DueCard, props(braise, "10:00", [{ ...severe, acknowledged: true }])));
    expect(main(known).attribute("disabled")).toBeUndefined();
  });
  test("while a press is on its way it says so and takes no other", async () => {
    const page = await shown(createElement(DueCard, props(chop, "10:30", [], true)));
    expect(main(page).text).toBe("Saving");
    for (const b of page.all("button")) expect(b.attribute("disabled")).toBeDefined();
  });
  test("says what goes in, with amounts", async () => {
    const page = await shown(
      createElement(DueCard, props({ ...chop, takes: [{ name: "Pickle brine", component: "jar", amount: "200 mL" }] }, "10:30")),
    );
    expect(page.text).toContain("with 200 mL pickle brine");
  });
});

describe("the line above all", () => {
  const plan = viewOf(
    [chop, dress],
    [wait("stock", "Stock", "09:00", "13:00", { window: { min: 0, max: 300, best: undefined, limit: "safety" } })],
  );
  const parts = (now: string, of: Parameters<typeof statusParts>[0]) =>
    statusParts(of, at("13:50"), 8, at(now), CLOCK).map((p) => [p.strong, p.rest, p.under].join("|"));
  test("says how long to serving, what is next for hands and how long then is free", () => {
    expect(parts("10:00", plan).slice(0, 2)).toEqual([
      "3 h 50|to serving|Monday 5 January, 13:50, for 8",
      "10:30|chop|next for hands, 30 min, then free until 13:40",
    ]);
  });
  test("says now for what should be in hand", () => {
    expect(parts("10:40", plan)[1]).toBe("now|chop|next for hands, 30 min, then free until 13:40");
  });
  test("says until when what waits keeps, and warns of what waits too long", () => {
    expect(parts("10:00", plan)[2]).toBe("Everything waiting is fine||stock good until Mon 14:00");
    const long = viewOf(
      [chop, dress],
      [wait("stock", "Stock", "04:00", "13:00", { window: { min: 0, max: 300, best: undefined, limit: "safety" } })],
    );
    expect(parts("10:00", long)[2]).toBe("Held too long|stock|since Mon 04:00");
  });
  test("after the table says so, and without a plan says no more than the hour", () => {
    expect(parts("14:30", plan)[0]).toMatch(/^past\|\|/);
    expect(parts("10:00", undefined)).toHaveLength(1);
  });
  test("says when it begins where nothing holds yet", () => {
    expect(parts("08:00", viewOf([chop]))[2]).toBe("Nothing waiting||it starts Mon 10:30");
  });
});

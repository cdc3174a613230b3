// @vitest-environment happy-dom
// The log of a run and what a plan under way says of itself, under hands.
import { within } from "@testing-library/react";
import { createElement } from "react";
import { describe, expect, test, vi } from "vitest";
import { CookView } from "../../src/ui/cook/CookView";
import { PlanNotes } from "../../src/ui/cook/PlanNotes";
import { minuteNear, RunLog } from "../../src/ui/cook/RunLog";
import { type PlanChoice, PlanChoices } from "../../src/ui/route-chart/PlanChoices";
import { choose, hands, inDocument, type Sent, screen, serverThat, stand } from "../support/dom";
import { at, CLOCK, step, viewOf } from "../support/plan-views";

inDocument();

const line = (sequence: number, kind: "started" | "ended", name: string, when: string) => ({
  sequence,
  kind,
  step: `a.${name.toLowerCase()}`,
  name,
  component: "Stew",
  at: at(when),
  by: undefined,
});
const LINES = [line(2, "ended", "Fry", "10:12"), line(1, "started", "Fry", "10:00")];
const press = (name: string | RegExp) => hands().click(screen.getByRole("button", { name }));

describe("the log", () => {
  const shown = (more: object = {}) => {
    const calls = { onUndo: vi.fn(), onCorrect: vi.fn(), onAdd: vi.fn(), onWithdraw: vi.fn() };
    stand(
      createElement(RunLog, {
        lines: LINES,
        entries: [],
        steps: [step("a.chop", "10:30", "10:50")],
        components: [],
        clock: CLOCK,
        now: at("10:20"),
        ...calls,
        ...more,
      }),
    );
    return calls;
  };
  test("says what was done when, and each line is undone by itself", async () => {
    const calls = shown();
    const log = screen.getByRole("region", { name: "Log" });
    expect(
      within(log)
        .getAllByRole("listitem")
        .map((li) => li.textContent),
    ).toEqual([expect.stringContaining("Mon 10:12Done: Fry"), expect.stringContaining("Mon 10:00Started: Fry")]);
    await press("Undo: Started, Fry");
    expect(calls.onUndo).toHaveBeenCalledWith(LINES[1]);
  });
  test("corrects a minute; a time that is none or lies ahead is refused and stays as typed", async () => {
    const calls = shown();
    await press("Correct the time: Done, Fry");
    const field = screen.getByRole<HTMLInputElement>("textbox", { name: "When" });
    for (const wrong of ["half past", "25:00"]) {
      await hands().clear(field);
      await hands().type(field, wrong);
      await press("Save");
      expect(screen.getByRole("alert").textContent).toContain("not in the future");
      expect(field.value).toBe(wrong);
    }
    await hands().clear(field);
    await hands().type(field, "10:08");
    await press("Save");
    expect(calls.onCorrect).toHaveBeenCalledWith(LINES[0], at("10:08"));
  });
  test("takes what was forgotten", async () => {
    const calls = shown();
    await press("Add something forgotten");
    await choose(screen.getByRole("combobox", { name: "What happened" }), "Started");
    await press("Save");
    expect(calls.onAdd).toHaveBeenCalledWith("started", "a.chop", at("10:20"));
  });
  test.each([
    ["10:05", at("10:20"), at("10:05")],
    ["7.40", at("10:20"), at("07:40")],
    ["23:50", at("10:20"), at("23:50") - 1440],
    ["8", at("10:20"), at("08:00")],
    ["", at("10:20"), undefined],
    ["10:75", at("10:20"), undefined],
  ])("%j is read near a minute, never ahead of now", (text, now, minute) => {
    expect(minuteNear(text, now, CLOCK, now)).toBe(minute);
  });
});

describe("Cook", () => {
  const view = (state: "planned" | "running" | "done", more: object = {}) =>
    createElement(CookView, {
      slug: "dish",
      version: 1,
      plan: { ...viewOf([step("a.fry", "10:00", "10:20", { state })]), ...more },
      offsets: CLOCK.offsets,
      now: at("10:05"),
      running: true,
      findings: [],
      log: LINES,
      entries: [],
      clockMs: at("10:05") * 60_000,
    });
  const taken = (_: Sent) => ({ status: 200, body: { outcome: "done", plan: "follows" } });
  test("Ctrl+Z takes back the last press of the run, and the shell does not hear it", async () => {
    const { sent } = serverThat(taken);
    stand(view("running"));
    const heard = vi.fn();
    window.addEventListener("keydown", heard);
    await hands().keyboard("{Control>}z{/Control}");
    await vi.waitFor(() => expect(sent.filter((s) => s.path.endsWith("/events"))).toHaveLength(1));
    expect(sent.find((s) => s.path.endsWith("/events"))?.body).toMatchObject({ kind: "withdrawn", step: "a.fry", of: 2 });
    expect(heard.mock.calls.filter(([e]) => (e as KeyboardEvent).key === "z")).toEqual([]);
    window.removeEventListener("keydown", heard);
  });
  test("a corrected minute is the old entry taken back and a new one at that minute", async () => {
    const { sent } = serverThat(taken);
    stand(view("running"));
    await press("Correct the time: Started, Fry");
    const field = screen.getByRole("textbox", { name: "When" });
    await hands().clear(field);
    await hands().type(field, "09:55");
    await press("Save");
    await vi.waitFor(() => expect(sent.filter((s) => s.path.endsWith("/events"))).toHaveLength(2));
    const events = sent.filter((s) => s.path.endsWith("/events")).map((s) => [s.body.kind, s.body.of, s.body.inMinutes]);
    expect(events).toEqual([
      ["withdrawn", 1, 0],
      ["started", undefined, -10],
    ]);
  });
  test("after the last course it says so and leads to the log, not back to the start", () => {
    serverThat(taken);
    stand(view("done"));
    expect(screen.getByRole("heading", { name: "Everything is served" })).toBeTruthy();
    expect(document.body.textContent).not.toContain("Ready when you are");
  });
});

describe("what a plan says of itself", () => {
  test("exceptions, shorter lengths and what must go stand first; nothing stands where there is none", () => {
    const plain = viewOf([step("a.fry", "10:00", "10:20")]);
    const { again } = stand(createElement(PlanNotes, { plan: plain }));
    expect(document.body.textContent).toBe("");
    again(
      createElement(PlanNotes, {
        plan: {
          ...plain,
          exceptions: [{ text: "Wren works from 22:00 to 22:17 for “Smoke”, outside their hours.", step: "a.fry", from: 0, to: 17 }],
          shortened: [{ name: "Prove", minutes: 38, from: 41, least: 30, most: 45 }],
          gone: ["stock"],
        },
      }),
    );
    const text = document.body.textContent ?? "";
    expect(text).toContain("One thing goes past the usual rules");
    expect(text).toContain("Wren works from 22:00");
    expect(text).toContain("Prove: 38 min instead of 41 min, still within 30 min to 45 min.");
    expect(screen.getByRole("alert").textContent).toMatch(/Danger Throw away “stock”/);
  });
  test("what else could be done about an exception is one press away", async () => {
    const { sent } = serverThat(() => ({ status: 200, body: { value: { version: 2 } } }));
    const plan = {
      ...viewOf([step("a.fry", "10:00", "10:20")]),
      exceptions: [{ text: "Wren works from 22:00 to 22:17 for “Smoke”, outside their hours.", step: "a.fry", from: 0, to: 17 }],
    };
    const repairs = [{ kind: "take-now", text: "Take “Smoke” as it is.", leadMinutes: 90, change: [], press: "a.smoke" }];
    stand(createElement(PlanNotes, { plan, slug: "dish", around: { answer: "7", repairs } }));
    expect(document.body.textContent).not.toContain("before serving");
    await press("Do it: Take “Smoke” as it is.");
    expect(sent[0]).toMatchObject({ method: "POST", path: "/api/dishes/dish/events", body: { kind: "ended", step: "a.smoke" } });
  });
  test("each exception has its own ways beside it; what spares all of them stands below", async () => {
    const { sent } = serverThat(() => ({ status: 200, body: { value: { version: 2 } } }));
    const exceptions = ["Somebody stays up until 23:30 for “Smoke”.", "Wren works from 23:30 to 23:45 for “Wrap”, outside their hours."];
    const way = (text: string, spares: number[]) => ({ kind: "stay-up", text, leadMinutes: 90, change: [], spares });
    stand(
      createElement(PlanNotes, {
        plan: {
          ...viewOf([step("a.fry", "10:00", "10:20")]),
          exceptions: exceptions.map((text) => ({ text, step: "a.fry", from: 0, to: 17 })),
        },
        slug: "dish",
        around: { answer: "7", repairs: [way("Everything early.", [0, 1]), way("Ada stays.", [0]), way("Ada wraps.", [1])] },
      }),
    );
    const rowOf = (text: string) => screen.getByText(text, { exact: false, selector: "li > span" }).parentElement?.textContent;
    expect(rowOf("Somebody stays up")).toContain("Ada stays.");
    expect(rowOf("Somebody stays up")).not.toContain("Ada wraps.");
    expect(screen.getByText("What you can do instead of all of this").parentElement?.textContent).toContain("Everything early.");
    await press("Do it: Ada wraps.");
    expect(sent[0]).toMatchObject({ path: "/api/dishes/dish/repair", body: { answer: "7", index: 2 } });
  });
  test("choices between plans: the one in use is marked, another is taken with one press, and what was not reached is said first", async () => {
    const { sent } = serverThat(() => ({ status: 200, body: { value: { label: "x", version: 2 } } }));
    const choice = (from: string, within15: number, chosen: boolean, planAt: "likely" | "longest"): PlanChoice => ({
      view: viewOf([step("a.fry", from, "12:00")]),
      file: { planAt, format: "rondeau-plan/1" },
      onTime: within15,
      within15,
      chosen,
    });
    stand(
      createElement(PlanChoices, {
        slug: "dish",
        version: 1,
        wishes: undefined,
        reached: false,
        wish: 0.95,
        plans: [choice("10:00", 0.8, true, "likely"), choice("08:00", 0.93, false, "longest")],
        offsets: CLOCK.offsets,
      }),
    );
    const rows = screen.getAllByRole("listitem");
    expect(screen.getByRole("region", { name: "Choose a plan" }).textContent).toContain(
      "No plan was found that serves within 15 minutes in 95 of 100",
    );
    expect(rows[0]?.textContent).toContain("In use");
    expect(rows[1]?.textContent).toMatch(/93.*7 later/);
    await press("Use the plan that starts 4 h ahead");
    expect(sent[0]).toMatchObject({ path: "/api/dishes/dish/change", body: { version: 1, plan: { planAt: "longest" } } });
  });
});

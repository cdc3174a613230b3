// @vitest-environment happy-dom
// Cook under hands: nothing starts before what is severe is known; a press is sent with its minute, kept while the line is down, and told when it is not taken.
import { act, within } from "@testing-library/react";
import { createElement } from "react";
import { describe, expect, test, vi } from "vitest";
import type { FindingView } from "../../src/core/safety/view";
import type { PlanView } from "../../src/core/view/plan-view";
import { CookView } from "../../src/ui/cook/CookView";
import { waitingPresses } from "../../src/ui/cook/press-queue";
import { hands, inDocument, type Sent, screen, serverThat, stand } from "../support/dom";
import { at, CLOCK, step, viewOf } from "../support/plan-views";

inDocument();
const fry = step("beef.fry", "10:00", "10:20");
const braise = step("beef.braise", "10:20", "14:00", { attention: "unattended", cue: "a fork turns in it" });
const chop = step("slaw.chop", "11:00", "11:20");
const PLAN = viewOf([fry, braise, chop]);
const FAT: FindingView = {
  id: "hot-fat:beef.fry",
  severity: "stop",
  title: "Hot fat",
  component: "beef",
  step: "beef.fry",
  computed: "Fat for the pan.",
  caution: "Never leave it.",
  way: "a lid at hand",
  mends: [],
  source: "the fire service",
  where: "Fry, Beef",
  print: "p1",
  acknowledged: false,
};
const KNOWN = { ...FAT, acknowledged: true };
const part = (running: boolean, findings: readonly FindingView[] = [KNOWN], plan: PlanView = PLAN, now = "10:02") =>
  createElement(CookView, {
    slug: "dish",
    version: 1,
    plan,
    offsets: CLOCK.offsets,
    now: at(now),
    running,
    findings,
    log: [],
    entries: [],
    clockMs: at(now) * 60_000,
  });
const taken = (sent: Sent) =>
  sent.path.endsWith("/events") ? { status: 200, body: { outcome: "done", plan: "feasible" } } : { status: 200, body: {} };
const press = (name: string | RegExp) => hands().click(screen.getByRole("button", { name }));
const hand = () => screen.getByRole("region", { name: "At hand" });

describe("before a run", () => {
  test("the start waits until each severe thing is known by its name; the server is told which", async () => {
    const { sent } = serverThat(taken);
    const { again } = stand(part(false, [FAT]));
    const start = screen.getByRole<HTMLButtonElement>("button", { name: "Start the run" });
    expect(start.disabled).toBe(true);
    expect(hand().textContent).toContain("1 still to read");
    await hands().click(screen.getByRole("checkbox", { name: /^I understand: hot fat/ }));
    expect(sent[0]).toEqual({ path: "/api/dishes/dish/safety", method: "POST", body: { acknowledge: [{ id: FAT.id, print: "p1" }] } });
    again(part(false, [KNOWN]));
    expect(start.disabled).toBe(false);
    await press("Start the run");
    expect(sent.at(-1)).toMatchObject({ path: "/api/dishes/dish/run", method: "POST" });
  });
  test("what is past a limit has nothing to tick, only what mends it", async () => {
    const { sent } = serverThat(taken);
    const change = [{ op: "replace" as const, path: "/components/0/name", value: "x" }];
    stand(part(false, [{ ...FAT, hard: true, title: "Too much curing salt", mends: [{ label: "2.88 g: 120 ppm", change }] }]));
    expect(screen.queryByRole("checkbox")).toBeNull();
    expect(hand().textContent).toContain("Fix what is past a limit first.");
    await press("2.88 g: 120 ppm");
    expect(sent[0]).toMatchObject({
      path: "/api/dishes/dish/change",
      body: { version: 1, change, label: "Too much curing salt: 2.88 g: 120 ppm" },
    });
  });
  test("a start that is refused says why", async () => {
    serverThat(() => ({ status: 409, body: { message: "Read these before you start: hot fat." } }));
    stand(part(false));
    await press("Start the run");
    expect((await screen.findByRole("alert")).textContent).toContain("hot fat");
  });
});

describe("a press", () => {
  test("begins what is due, at its minute, once", async () => {
    const { sent } = serverThat(taken);
    const { router } = stand(part(true));
    await press("Start");
    await vi.waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({ path: "/api/dishes/dish/events", body: { kind: "started", step: "beef.fry", inMinutes: 0 } });
    expect(sent[0]?.body.key).toMatch(/^[0-9a-f-]{36}$/);
    await vi.waitFor(() => expect(router.refreshed).toBeGreaterThan(0));
    expect(waitingPresses("dish")).toEqual([]);
  });
  test("says done, more time, or takes back; what unattended has a row of its own", async () => {
    const { sent } = serverThat(taken);
    stand(part(true, [KNOWN], viewOf([{ ...fry, state: "running" }, { ...braise, state: "running" }, chop])));
    await press("Fry: not yet, 10 minutes more");
    await press("Undo: Fry");
    await hands().click(within(screen.getByRole("article", { name: "Running: Fry" })).getByRole("button", { name: "Done" }));
    await vi.waitFor(() => expect(sent).toHaveLength(3));
    expect(sent.map((s) => [s.body.kind, s.body.step, s.body.inMinutes])).toEqual([
      ["estimate", "beef.fry", 28],
      ["withdrawn", "beef.fry", 0],
      ["ended", "beef.fry", 0],
    ]);
  });
  test("made without a line is kept, said to be kept, and sent when it is back", async () => {
    let up = false;
    const { sent } = serverThat((s) => (up ? taken(s) : undefined));
    const first = stand(part(true));
    await press("Start");
    expect((await screen.findByRole("alert")).textContent).toContain("Your press is kept here");
    expect(waitingPresses("dish").map((p) => p.step)).toEqual(["beef.fry"]);
    up = true;
    // The page is opened again, as after a flat battery.
    first.again(createElement("p", null, "away"));
    first.again(part(true));
    await vi.waitFor(() => expect(waitingPresses("dish")).toEqual([]));
    expect(new Set(sent.map((s) => s.body.key)).size).toBe(1);
  });
  test("withheld for an acknowledgement waits for it, with the card beside it, and is let go of by hand", async () => {
    let known = false;
    const { sent } = serverThat((s) =>
      s.path.endsWith("/events") && !known
        ? { status: 409, body: { message: "Read these before you start: hot fat.", findings: [{}] } }
        : taken(s),
    );
    const { again } = stand(part(true, [FAT]));
    await press("Done already: Fry");
    const alert = await screen.findByRole("alert");
    expect(alert.textContent).toContain("Your press is saved with its time");
    expect(within(hand()).getAllByRole("article", { name: "Danger: Hot fat" }).length).toBeGreaterThan(0);
    known = true;
    await act(async () => again(part(true, [KNOWN])));
    await vi.waitFor(() => expect(waitingPresses("dish")).toEqual([]));
    expect(screen.queryByRole("alert")).toBeNull();
    expect(sent.filter((s) => s.path.endsWith("/events")).map((s) => s.body.step)).toEqual(["beef.fry", "beef.fry"]);
    known = false;
    await press("Done already: Fry");
    await screen.findByRole("alert");
    await press("Discard");
    await vi.waitFor(() => expect(screen.queryByRole("alert")).toBeNull());
    expect(waitingPresses("dish")).toEqual([]);
  });
  test("that the server cannot take at all says why and is gone", async () => {
    serverThat(() => ({ status: 404, body: { message: "The dish has no such step." } }));
    stand(part(true));
    await press("Start now: Chop");
    expect((await screen.findByRole("alert")).textContent).toContain("no such step");
    expect(waitingPresses("dish")).toEqual([]);
  });
});

describe("while it runs", () => {
  test("steps that a new plan has moved are told, the largest move first", () => {
    serverThat(taken);
    const { again } = stand(part(true));
    again(
      part(true, [KNOWN], viewOf([fry, { ...braise, start: braise.start + 15 }, { ...chop, start: chop.start - 40, end: chop.end - 40 }])),
    );
    const told = screen.getByText("2 steps have moved").closest("div") as HTMLElement;
    expect(
      within(told)
        .getAllByRole("listitem")
        .map((li) => li.textContent),
    ).toEqual(["Chop: now Mon 10:20, 40 min earlier", "Braise: now Mon 10:35, 15 min later"]);
  });
  test("what is due fills the screen at its minute, and goes at a press", async () => {
    vi.useFakeTimers({ toFake: ["setTimeout", "clearTimeout"] });
    serverThat(taken);
    const { again } = stand(part(true, [KNOWN], PLAN, "10:59"));
    expect(screen.queryByText("press anywhere to go on")).toBeNull();
    act(() => again(part(true, [KNOWN], PLAN, "11:00")));
    const call = screen.getByText("press anywhere to go on").closest("button") as HTMLElement;
    expect(call.textContent).toContain("Chop");
    act(() => call.click());
    expect(screen.queryByText("press anywhere to go on")).toBeNull();
    vi.useRealTimers();
  });
  test("the run is ended by one press, and its end is said", async () => {
    const { sent } = serverThat(taken);
    stand(part(true, [KNOWN], viewOf([{ ...fry, state: "done" }])));
    expect(hand().textContent).toContain("Everything is served");
    await press("End the run");
    expect(sent[0]).toMatchObject({ path: "/api/dishes/dish/run", method: "DELETE" });
  });
});

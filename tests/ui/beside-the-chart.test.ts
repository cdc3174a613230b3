// @vitest-environment happy-dom
// Beside the chart, under hands: what is tried and with which change, what is fixed and let go, whether it can still be made, what is on the table.
import { act, within } from "@testing-library/react";
import { createElement, type ReactNode } from "react";
import { describe, expect, test, vi } from "vitest";
import type { StepPin, Wished } from "../../src/core/dish/wishes";
import { ComponentPanel } from "../../src/ui/route-chart/ComponentPanel";
import { FeastPanel } from "../../src/ui/route-chart/FeastPanel";
import { PlanPanel } from "../../src/ui/route-chart/PlanPanel";
import { ReachPanel } from "../../src/ui/route-chart/ReachPanel";
import { StepTools } from "../../src/ui/route-chart/StepTools";
import { TrialBar } from "../../src/ui/route-chart/TrialBar";
import { choose, hands, inDocument, screen, stand } from "../support/dom";
import { at, CLOCK, step, viewOf, wait } from "../support/plan-views";

inDocument();
const fry = step("beef.fry", "10:00", "10:20");
const braise = step("beef.braise", "10:20", "14:00", {
  attention: "unattended",
  cue: "a fork turns in it",
  probeC: 92,
  uncertain: [180, 220, 300],
  rounds: [{ at: at("12:00"), what: "turn it", takes: 2 }],
});
const chop = step("slaw.chop", "11:00", "11:20");
const VIEW = {
  ...viewOf(
    [fry, braise, chop],
    [
      wait("beef", "Gravy", "14:00", "18:00", {
        fromStep: "beef.braise",
        toStep: "slaw.chop",
        window: { min: 60, max: 2880, best: undefined, limit: "safety" },
      }),
      wait("beef", "Fat", "10:20", "10:25", { fromStep: "beef.fry", toStep: "beef.braise" }),
    ],
  ),
  cooks: [
    { id: "ada", name: "Ada" },
    { id: "ben", name: "Ben" },
  ],
};
const PLAN = {
  ...VIEW,
  components: VIEW.components.map((c) =>
    c.id === "beef"
      ? {
          ...c,
          methods: [
            { id: "only", name: "In the oven", quality: 1 },
            { id: "pot", name: "In the slow pot", quality: 0.8 },
          ],
          method: "In the oven",
          fallback: "A bought pie",
        }
      : c,
  ),
};

/** What a part of the page asked to have tried: its words, its change or its question, and how. */
function trials() {
  const asked: { label: string; change: unknown; how: unknown }[] = [];
  return {
    asked,
    trials: {
      trial: undefined,
      problem: undefined,
      attempt: async (label: string, change: unknown, how: unknown) => void asked.push({ label, change, how }),
      keep: async () => {},
      leave: () => {},
    } as never,
  };
}
const press = (name: string | RegExp) => hands().click(screen.getByRole("button", { name }));
const NOTHING: Wished = { wishes: undefined };
const desk = (shell: object) => () => ({ mind: async () => shell, hand: async () => shell, giveUp: vi.fn(), close() {} }) as never;

describe("what may be fixed of a step", () => {
  const open = (wished: Wished = NOTHING) => {
    const t = trials();
    const onTake = vi.fn();
    stand(createElement(StepTools, { step: fry, plan: PLAN, wished, clock: CLOCK, trials: t.trials, onTake }));
    return { ...t, onTake };
  };
  const pinned = (pin: object): Wished => ({ wishes: { pins: [{ step: "beef.fry", ...pin }] } }) as never;
  test("its minute, kept at once", async () => {
    const { asked } = open();
    await press("Fix it here");
    expect(asked[0]).toMatchObject({ label: "“fry” fixed at Mon 10:00", how: { keep: true } });
    expect(JSON.stringify(asked[0]?.change)).toContain('{"step":"beef.fry","at":"2026-01-05T10:00"}');
  });
  test("and let go", async () => {
    const { asked } = open(pinned({ at: "2026-01-05T10:00" }));
    expect(screen.queryByRole("button", { name: "Fix it here" })).toBeNull();
    await press("Release");
    expect(asked[0]?.label).toBe("“fry” released");
    expect(JSON.stringify(asked[0]?.change)).not.toContain("beef.fry");
  });
  test("who does it, of two cooks", async () => {
    const { asked } = open();
    await press("not before, not after, who");
    await choose(screen.getByRole("combobox", { name: "by" }), "Ben");
    expect(asked[0]?.label).toBe("“fry” by Ben");
    expect(JSON.stringify(asked[0]?.change)).toContain('"cook":"ben"');
  });
  test("it is taken in the hand", async () => {
    const { onTake } = open();
    await press("Move");
    expect(onTake).toHaveBeenCalledOnce();
  });
});

describe("a component", () => {
  const open = (focused?: string) => {
    const t = trials();
    const onSelect = vi.fn();
    const why = {
      step: "beef.braise",
      notLater: "the slaw takes its gravy at 18:00.",
      notEarlier: "it is fried first.",
      earliest: at("10:20"),
      latest: at("10:50"),
      critical: false,
      laterChain: [{ step: "slaw.chop", text: "takes what “Braise” makes." }],
      earlierChain: [],
    };
    stand(
      createElement(ComponentPanel, {
        plan: PLAN,
        component: "beef",
        focused,
        clock: CLOCK,
        whys: [why] as never,
        wished: NOTHING,
        trials: t.trials,
        onTake: () => {},
        onSelect,
      }),
    );
    return { ...t, onSelect };
  };
  test("lists its steps and its waits in their order, short ones left out unless they go elsewhere", () => {
    open();
    const rows = screen.getAllByRole("listitem").map((li) => li.textContent ?? "");
    expect(rows.map((r) => r.slice(0, 9))).toEqual(["Mon 10:00", "Mon 10:20", expect.stringMatching(/^4 h/)]);
    expect(rows[2]).toContain("in the fridge, for slaw");
  });
  test("says of the step that is looked at what it is, and why it stands there", () => {
    open("beef.braise");
    const row = screen.getAllByRole("listitem").find((li) => li.textContent?.includes("Done when")) as HTMLElement;
    for (const words of [
      "Done when: a fork turns in it, 92 °C.",
      "Between 3 h and 5 h, most often 3 h 40.",
      "One round: turn it.",
      "Not later than the slaw takes its gravy at 18:00.",
      "Can start between Mon 10:20 and Mon 10:50",
      "Not earlier than it is fried first.",
      "one step holds it",
    ])
      expect(row.textContent?.replace(/\s+/g, " ")).toContain(words);
  });
  test("another way of making it is tried, the bought one too", async () => {
    const { asked } = open();
    const ways = screen.getAllByRole("radio");
    expect(ways.map((w) => w.closest("label")?.textContent)).toEqual([
      "In the oven",
      "In the slow pot, 80 of 100 as good",
      "A bought pie, bought",
    ]);
    await hands().click(ways[1] as HTMLElement);
    await hands().click(ways[2] as HTMLElement);
    expect(asked.map((a) => a.label)).toEqual(["Beef: in the slow pot", "Beef: A bought pie"]);
    expect(JSON.stringify(asked[1]?.change)).toContain("fallback");
  });
});

describe("the whole plan", () => {
  const open = (
    wished: Wished = NOTHING,
    pins: readonly StepPin[] = [],
    rehearsed: object | "never" = { onTime: 0.9, within30: 0.97, buffer: 25, ready: [{ component: "beef", planned: 840, late: 900 }] },
  ) => {
    const t = trials();
    stand(
      createElement(PlanPanel, {
        slug: "harvest-lunch",
        plan: PLAN,
        clock: CLOCK,
        serveAt: PLAN.serveAt,
        wished,
        pins,
        rehearsed: (rehearsed === "never" ? undefined : rehearsed) as never,
        stamp: "1",
        courses: [],
        others: [],
        quieted: new Set<string>(),
        desk: desk({}),
        trials: t.trials,
        onQuiet: () => {},
        onSelect: () => {},
      }),
    );
    return t;
  };
  test("another layout is tried, the one in force is marked", async () => {
    const { asked } = open({ wishes: { style: "ahead" } } as never);
    expect(screen.getByRole<HTMLInputElement>("radio", { name: /^Ahead/ }).checked).toBe(true);
    await hands().click(screen.getByRole("radio", { name: /^Even/ }));
    expect(asked[0]).toMatchObject({ label: "Laid out even: no day too full" });
    expect(JSON.stringify(asked[0]?.change)).toContain('"even"');
  });
  test("says how sure it is, what it hangs on, and tries what would bring it to 95", async () => {
    const { asked } = open();
    const text = document.body.textContent?.replace(/\s+/g, " ");
    expect(text).toContain("On time in 90 of 100, within half an hour in 97. With 25 min to spare it would be 95 of 100.");
    expect(text).toContain("Beef: up to 1 h late");
    await press("What would bring it to 95");
    expect(asked[0]?.label).toBe("On time in 95 of 100");
  });
  test("does not offer more where it is sure, nor figures before it was rehearsed", () => {
    open(NOTHING, [], { onTime: 0.99, within30: 1 });
    expect(screen.queryByRole("button", { name: "What would bring it to 95" })).toBeNull();
    open(NOTHING, [], "never");
    expect(document.body.textContent).toContain("It is rehearsed once the plan is ready.");
  });
  test("lists what is fixed by hand and lets go of all of it", async () => {
    const pins = [
      { step: "beef.fry", at: at("10:00"), notBefore: undefined, notAfter: undefined, cook: undefined },
      { step: "slaw.chop", at: undefined, notBefore: at("11:00"), notAfter: undefined, cook: "ben" },
    ] as unknown as StepPin[];
    const { asked } = open(
      {
        wishes: {
          pins: [
            { step: "beef.fry", at: "2026-01-05T10:00" },
            { step: "slaw.chop", notBefore: "2026-01-05T11:00" },
            { component: "beef", method: "pot" },
          ],
        },
      } as never,
      pins,
    );
    const fixed = screen.getByRole("region", { name: "Fixed by you" });
    expect(
      within(fixed)
        .getAllByRole("listitem")
        .map((li) => li.textContent),
    ).toEqual(["Fry Mon 10:00", "Chop not before Mon 11:00, by Ben", "Beef in the ovenLeave open"]);
    await press("Leave the method of Beef open");
    await press("Release all");
    expect(asked.map((a) => a.label)).toEqual(["The method of beef left open", "Nothing fixed"]);
  });
});

describe("can it still be made", () => {
  const reached = {
    earliestServing: at("20:00"),
    latestStart: { found: at("09:00"), bound: at("09:30") },
    choices: [
      { methods: {}, names: [], leadMinutes: 300, handsMinutes: 60, lostQuality: 0, current: true },
      { methods: { beef: "pot" }, names: ["Beef in the slow pot"], leadMinutes: 200, handsMinutes: 40, lostQuality: 0.2, current: false },
    ],
  };
  const open = (shell: object) => {
    const t = trials();
    stand(
      createElement(ReachPanel, {
        serveAt: at("18:00"),
        wished: NOTHING,
        plan: PLAN,
        clock: CLOCK,
        stamp: "1",
        desk: desk(shell),
        trials: t.trials,
      }),
    );
    return t;
  };
  test("is asked by a press, and answered with the earliest table, the latest start and what quicker ways buy", async () => {
    const { asked } = open({ reach: async () => reached });
    await press("Can I still make it?");
    const answer = await screen.findByRole("status");
    expect(answer.textContent).toContain("Started now, it can be served Monday 5 January, 20:00.");
    expect(answer.textContent).toContain("To serve Mon 18:00, start by Mon 09:00; no plan starts later than Mon 09:30.");
    await press(/^Beef in the slow pot\s*3 h 20 of lead, 40 min by hand, gives up 0.20 of quality/);
    expect(asked[0]).toMatchObject({ label: "Beef in the slow pot" });
  });
  test("says that it is too late, or that it cannot be within three weeks", async () => {
    open({ reach: async () => ({ ...reached, earliestServing: undefined, latestStart: undefined, choices: [] }) });
    await press("Can I still make it?");
    const answer = await screen.findByRole("status");
    expect(answer.textContent).toContain("cannot be served within three weeks");
    expect(answer.textContent).toContain("It is too late to serve");
  });
  test("is stopped by a press, and a planner that is not there is told", async () => {
    open({ reach: () => new Promise(() => {}) });
    await press("Can I still make it?");
    await press("stop");
    expect(screen.getByRole("button", { name: "Can I still make it?" })).toBeTruthy();
    open({
      reach: async () => {
        throw new Error("gone");
      },
    });
    await hands().click(screen.getAllByRole("button", { name: "Can I still make it?" })[1] as HTMLElement);
    expect((await screen.findByRole("alert")).textContent).toContain("could not be reached");
  });
});

describe("on this table", () => {
  test("another dish is looked at, at its distance from the table; a course is quieted or taken off", async () => {
    const t = trials();
    const onQuiet = vi.fn();
    stand(
      createElement(FeastPanel, {
        others: [{ slug: "duck", name: "Spiced duck" }],
        courses: ["Lunch", "Pudding"],
        quieted: new Set(["Pudding"]),
        onQuiet,
        trials: t.trials,
      }),
    );
    await choose(screen.getByRole("combobox", { name: "served" }), "half an hour after");
    await press("Try it");
    await press("Remove pudding");
    expect(t.asked.map((a) => a.label)).toEqual(["Spiced duck at the same meal, half an hour after", "Without pudding"]);
    const pudding = screen.getByRole<HTMLInputElement>("checkbox", { name: "Pudding" });
    expect(pudding.checked).toBe(false);
    await hands().click(pudding);
    expect(onQuiet).toHaveBeenCalledWith("Pudding");
    // What is asked of the planner's side: the other dish as it is, and how long after.
    const join = vi.fn(async () => "joined");
    vi.stubGlobal("fetch", async () => Response.json({ dish: { id: "duck" } }));
    const question = t.asked[0]?.change as (shell: object) => Promise<unknown>;
    expect(await question({ join })).toBe("joined");
    expect(join).toHaveBeenCalledWith({ dish: { id: "duck" } }, 30);
    vi.stubGlobal("fetch", async () => new Response("", { status: 404 }));
    expect(await question({ join })).toMatchObject({ status: "unfit" });
  });
});

describe("what is tried", () => {
  const bar = (more: object, plan = PLAN): ReactNode =>
    createElement(TrialBar, {
      trials: { trial: undefined, problem: undefined, keep: async () => {}, leave: () => {}, attempt: async () => {}, ...more } as never,
      plan,
      onTime: 0.9,
      clock: CLOCK,
    });
  const moved = {
    ...PLAN,
    steps: PLAN.steps.map((s) =>
      s.ref === "slaw.chop"
        ? {
            ...s,
            start: s.start - 60,
            end: s.end - 60,
            pieces: [[s.start - 60, s.end - 60] as const],
            hands: s.hands.map((h) => ({ ...h, from: h.from - 60, to: h.to - 60 })),
          }
        : s,
    ),
  };
  test("says what it would change before it is kept, and how sure it is against the plan now", () => {
    stand(
      bar({
        trial: {
          status: "ready",
          label: "“chop” at Mon 10:00",
          view: moved,
          rehearsed: { onTime: 0.96 },
          keeping: false,
          auto: false,
          change: [],
          file: {},
        },
      }),
    );
    const tried = screen.getByRole("region", { name: "Preview" });
    expect(tried.textContent).toContain("Preview, not saved yet");
    expect(tried.textContent).toContain("On time in 96 of 100 rehearsals, 90 now.");
    expect(
      within(tried)
        .getAllByRole("button")
        .map((b) => b.textContent),
    ).toEqual(["Save", "Discard"]);
  });
  test("while it is kept takes no other press; what is kept at once is not pushed before the chart", () => {
    const trial = { status: "ready", label: "x", view: moved, rehearsed: { onTime: 1 }, keeping: true, auto: false, change: [], file: {} };
    const { again } = stand(bar({ trial }));
    for (const b of screen.getAllByRole<HTMLButtonElement>("button")) expect(b.disabled).toBe(true);
    act(() => again(bar({ trial: { ...trial, auto: true } })));
    expect(screen.queryByRole("region")).toBeNull();
  });
  test("that fails or has no plan says so and is left by a press", () => {
    const { again } = stand(bar({ trial: { status: "failed", label: "x", because: "No such step.", auto: true } }));
    expect(screen.getByRole("alert").textContent).toBe("No such step.");
    again(bar({ problem: { label: "Serve at noon" } }));
    expect(screen.getByRole("region", { name: "Preview" }).textContent).toContain("No plan with thisServe at noon");
    again(bar({}));
    expect(screen.queryByRole("region")).toBeNull();
  });
});

// @vitest-environment happy-dom
// What stands round every view: the palette and its keys, the keeper of the plan, a new dish, the hour of serving, the ways out where there is no plan.
import { act, within } from "@testing-library/react";
import { createElement } from "react";
import { beforeAll, describe, expect, test, vi } from "vitest";
import { readDishValue } from "../../src/core/dish/read";
import { ServingForm } from "../../src/ui/dish/ServingForm";
import { NewDishWays } from "../../src/ui/home/NewDishWays";
import { ConflictNote, NoPlan } from "../../src/ui/shell/NoPlan";
import { Palette } from "../../src/ui/shell/Palette";
import { PlanKeeper, requestPlan } from "../../src/ui/shell/PlanKeeper";
import { StatusLine } from "../../src/ui/shell/StatusLine";
import { seePage } from "../../src/ui/shell/seen-versions";
import { hands, inDocument, screen, serverThat, stand } from "../support/dom";
import { at, CLOCK, step, viewOf } from "../support/plan-views";

inDocument();
const COMPONENTS = [
  { id: "pie", name: "The raised pie" },
  { id: "slaw", name: "Red-cabbage slaw" },
];

describe("the palette", () => {
  // It comes after the page; on a busy machine later than a test waits for.
  beforeAll(() => import("../../src/ui/shell/PaletteDialog"));
  const open = () => {
    const server = serverThat(({ body, path }) =>
      path.endsWith("/parts")
        ? { status: 200, body: { components: COMPONENTS } }
        : { status: 200, body: { change: body?.direction === "undo" ? "a helper" : null } },
    );
    return { ...server, ...stand(createElement(Palette, { slug: "lunch" })) };
  };
  test("Ctrl+Z pressed again before the answer waits for it, and is for the versions that the first one left", async () => {
    const at = { version: 7, kitchenVersion: 2 };
    const { sent } = serverThat(({ body }) => {
      if (body?.version !== at.version) return { status: 409, body: { message: "It was changed somewhere else meanwhile." } };
      at.version--;
      return { status: 200, body: { change: `change ${at.version}`, versions: { ...at } } };
    });
    seePage("quick", { ...at });
    stand(createElement(Palette, { slug: "quick" }));
    await hands().keyboard("{Control>}zzz{/Control}");
    await vi.waitFor(() => expect(sent.map((s) => s.body.version)).toEqual([7, 6, 5]));
    expect(at.version).toBe(4);
  });
  test("opens by its keys, finds by a word, and goes there", async () => {
    const { router } = open();
    const user = hands();
    expect(screen.queryByRole("dialog")).toBeNull();
    await user.keyboard("{Control>}k{/Control}");
    await user.type(await screen.findByRole("combobox"), "slaw");
    await vi.waitFor(() =>
      expect(screen.getAllByRole("option").map((o) => o.textContent)).toEqual(["Red-cabbage slaw", "Edit Red-cabbage slaw"]),
    );
    await user.keyboard("{Enter}");
    expect(router.pushed).toEqual(["/d/lunch/timetable?c=slaw"]);
    expect(screen.queryByRole("dialog")).toBeNull();
  });
  test("what is typed and entered before it has come is not lost", async () => {
    const { router } = open();
    await act(async () => {
      for (const key of ["k", "s", "l", "a", "w", "Enter"])
        document.body.dispatchEvent(new KeyboardEvent("keydown", { key, ctrlKey: key === "k", bubbles: true }));
    });
    await vi.waitFor(() => expect(router.pushed).toEqual(["/d/lunch/timetable?c=slaw"]));
  });
  test("Enter that comes before the list of components does chooses from it", async () => {
    let arrive = () => {};
    const held = new Promise<Response>((resolve) => {
      arrive = () => resolve(Response.json({ components: COMPONENTS }));
    });
    vi.stubGlobal("fetch", () => held);
    const { router } = stand(createElement(Palette, { slug: "lunch" }));
    const user = hands();
    await user.keyboard("{Control>}k{/Control}");
    await user.type(await screen.findByRole("combobox"), "slaw");
    await user.keyboard("{Enter}");
    expect(router.pushed).toEqual([]);
    arrive();
    await vi.waitFor(() => expect(router.pushed).toEqual(["/d/lunch/timetable?c=slaw"]));
  });
  test("says that there is nothing of that name, and closes with Escape", async () => {
    open();
    const user = hands();
    await user.keyboard("{Control>}k{/Control}");
    await user.type(await screen.findByRole("combobox"), "zzz");
    expect(screen.getByText("Nothing found.")).toBeTruthy();
    await user.keyboard("{Escape}");
    expect(screen.queryByRole("dialog")).toBeNull();
  });
  test.each([
    ["1", "/d/lunch/dish"],
    ["2", "/d/lunch/timetable"],
    ["3", "/d/lunch/days"],
    ["4", "/d/lunch/cook"],
  ])("%s leads to %s, but not while one types", async (key, path) => {
    const { router } = open();
    const box = document.createElement("input");
    document.body.append(box);
    box.focus();
    await hands().keyboard(key);
    expect(router.pushed).toEqual([]);
    box.remove();
    await hands().keyboard(key);
    expect(router.pushed).toEqual([path]);
  });
  test("? lists the keys", async () => {
    open();
    await hands().keyboard("?");
    const keys = await screen.findByRole("dialog", { name: "The keys" });
    for (const words of ["Ctrl Z", "undo the last change", "hide or show quiet hours"]) expect(keys.textContent).toContain(words);
  });
  test("Ctrl Z takes back, with Shift does it again, and leaves a box its own undo", async () => {
    const { sent, router } = open();
    await hands().keyboard("{Control>}z{/Control}");
    await vi.waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({ path: "/api/dishes/lunch/history", body: { what: "latest", direction: "undo" } });
    await vi.waitFor(() => expect(router.refreshed).toBe(1));
    await hands().keyboard("{Control>}{Shift>}Z{/Shift}{/Control}");
    await vi.waitFor(() => expect(sent).toHaveLength(2));
    expect(sent[1]?.body.direction).toBe("redo");
    // Nothing to do again: nothing to look at anew.
    expect(router.refreshed).toBe(1);
    const box = document.createElement("textarea");
    document.body.append(box);
    box.focus();
    await hands().keyboard("{Control>}z{/Control}");
    expect(sent).toHaveLength(2);
    box.remove();
  });
});

describe("the keeper of the plan", () => {
  /** A planner that says line after line as the test wants. */
  function planner() {
    const asked: { body: unknown; signal: AbortSignal }[] = [];
    let say: (line: object) => void = () => {};
    let end: () => void = () => {};
    vi.stubGlobal("fetch", async (_: string, init: { body: string; signal: AbortSignal }) => {
      asked.push({ body: JSON.parse(init.body), signal: init.signal });
      const stream = new ReadableStream({
        start(control) {
          say = (line) => control.enqueue(new TextEncoder().encode(`${JSON.stringify(line)}\n`));
          end = () => control.close();
        },
      });
      return new Response(stream, { status: 200 });
    });
    return { asked, say: async (line: object) => act(async () => say(line)), end: async () => act(async () => end()) };
  }
  const keeper = (stale: boolean, version = "1.1") =>
    createElement(PlanKeeper, { slug: "lunch", stale, running: false, news: "", version });

  test("asks for a plan where it is older than what it was made for, once for each version", async () => {
    const p = planner();
    const { again } = stand(keeper(false));
    expect(p.asked).toHaveLength(0);
    await act(async () => again(keeper(true)));
    await act(async () => again(keeper(true)));
    expect(p.asked).toHaveLength(1);
    await act(async () => again(keeper(true, "2.1")));
    expect(p.asked).toHaveLength(2);
    expect(p.asked[0]?.signal.aborted).toBe(true);
  });
  test("shows a first plan at once, how far it is, and is gone when it is over", async () => {
    const p = planner();
    const { router } = stand(keeper(true));
    expect(screen.getByRole("status").textContent).toContain("Planning back from serving");
    await p.say({ first: true });
    await vi.waitFor(() => expect(router.refreshed).toBe(1));
    await p.say({ progress: { phase: "improving", done: 0.4 } });
    await vi.waitFor(() => expect(screen.getByRole("progressbar").getAttribute("value")).toBe("0.4"));
    expect(screen.getByRole("status").textContent).toContain("Looking for a better plan");
    await p.say({ status: "feasible" });
    await p.end();
    await vi.waitFor(() => expect(screen.queryByRole("status")).toBeNull());
    expect(router.refreshed).toBe(2);
  });
  test("is stopped by a press, and the best so far is kept by the server", async () => {
    const p = planner();
    stand(keeper(true));
    await hands().click(screen.getByRole("button", { name: "Stop and use the best so far" }));
    expect(p.asked[0]?.signal.aborted).toBe(true);
    expect(screen.queryByRole("status")).toBeNull();
  });
  test("says that the planner failed or cannot be reached, and that the last good plan is shown", async () => {
    const p = planner();
    stand(keeper(true));
    await p.say({ status: "failed" });
    await p.end();
    expect((await screen.findByRole("alert")).textContent).toContain("The plan shown is the last good one");
    vi.stubGlobal("fetch", async () => new Response("", { status: 500 }));
    act(() => requestPlan({ fresh: true }));
    await vi.waitFor(() => expect(screen.getByRole("alert").textContent).toContain("could not be reached"));
  });
  test("plans anew when another part of the page asks", async () => {
    const p = planner();
    stand(keeper(false));
    await act(async () => requestPlan({ fresh: true }));
    expect(p.asked[0]?.body).toEqual({ fresh: true });
  });
});

describe("a new dish", () => {
  const ways = (kitchen: unknown) =>
    createElement(NewDishWays, {
      when: "2026-12-06T13:00",
      timezone: "Europe/Dublin",
      kitchen: kitchen as never,
      some: false,
      library: [],
    });
  test("needs a name and becomes a sound file with the kitchen that is here", async () => {
    const { sent } = serverThat(() => ({ status: 200, body: { value: { slug: "sunday-pie" } } }));
    const kitchen = { cooks: [{ id: "ada", name: "Ada" }], equipment: [] };
    const { router } = stand(ways(kitchen));
    await hands().click(screen.getByRole("button", { name: /^Start empty/ }));
    const begin = screen.getByRole<HTMLButtonElement>("button", { name: "Create" });
    expect(begin.disabled).toBe(true);
    await hands().type(screen.getByRole("textbox", { name: "Name" }), "Sunday pie");
    await hands().click(begin);
    await vi.waitFor(() => expect(router.pushed).toEqual(["/d/sunday-pie/dish"]));
    expect(sent[0]?.body.dish).toMatchObject({ name: "Sunday pie", serves: 6, serveAt: "2026-12-06T13:00", timezone: "Europe/Dublin" });
    expect(sent[0]?.body.kitchen).toEqual(kitchen);
    const { kitchen: _, ...rest } = sent[0]?.body ?? {};
    expect(readDishValue(rest).status).toBe("read");
  });
  test("that is refused says why and keeps what was typed", async () => {
    serverThat(() => ({ status: 422, body: { problems: [{ path: "dish.serveAt", message: "Write a date.", severity: "error" }] } }));
    stand(ways(undefined));
    await hands().click(screen.getByRole("button", { name: /^Start empty/ }));
    await hands().type(screen.getByRole("textbox", { name: "Name" }), "Pie");
    await hands().click(screen.getByRole("button", { name: "Create" }));
    expect((await screen.findByRole("alert")).textContent).toBe("dish.serveAt: Write a date.");
    expect(screen.getByRole<HTMLInputElement>("textbox", { name: "Name" }).value).toBe("Pie");
  });
});

describe("guests and the hour", () => {
  const form = () => createElement(ServingForm, { slug: "lunch", version: 4, serves: 10, serveAt: "2026-12-06T13:00", said: "" });
  test("are sent only as far as they were changed", async () => {
    const { sent } = serverThat(() => ({ status: 200, body: { value: 5 } }));
    stand(form());
    const change = screen.getByRole<HTMLButtonElement>("button", { name: "Change" });
    expect(change.disabled).toBe(true);
    const guests = screen.getByRole("spinbutton", { name: "Guests" });
    await hands().clear(guests);
    await hands().type(guests, "12");
    await hands().click(change);
    await vi.waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toEqual({ path: "/api/dishes/lunch", method: "PATCH", body: { version: 4, serves: 12 } });
  });
  test("changed elsewhere meanwhile are told", async () => {
    serverThat(() => ({ status: 409, body: { message: "It was changed somewhere else meanwhile." } }));
    stand(form());
    await hands().type(screen.getByRole("spinbutton", { name: "Guests" }), "0");
    await hands().click(screen.getByRole("button", { name: "Change" }));
    expect((await screen.findByRole("alert")).textContent).toContain("changed somewhere else");
  });
});

describe("where there is no plan", () => {
  const conflict = (repairs: readonly string[]) => ({
    proved: true,
    answer: "17",
    facts: [
      { rule: "H6", steps: [], text: "Ada works from 18:30." },
      { rule: "H4", steps: [], text: "The dough needs 14 h." },
    ],
    repairs: repairs.map((text) => ({ kind: "serve", text, leadMinutes: 1500, change: [] })),
  });
  test("it is being worked out, or the facts that clash and what would help", async () => {
    const { again } = stand(createElement(NoPlan, { slug: "lunch", conflict: undefined }));
    expect(screen.getByRole("heading").textContent).toBe("The plan is being worked out");
    again(createElement(NoPlan, { slug: "lunch", conflict: conflict(["Serve at 19:00."]) as never }));
    const why = screen.getByRole("region", { name: "Why there is no plan" });
    expect(why.textContent).toContain("These conflict");
    expect(
      within(why)
        .getAllByRole("listitem")
        .map((li) => li.textContent),
    ).toEqual(expect.arrayContaining(["Ada works from 18:30.", "The dough needs 14 h."]));
  });
  test("while more is looked for, nothing is said to be hopeless", () => {
    const looking = (repairs: string[]) =>
      createElement(ConflictNote, { slug: "lunch", conflict: { ...conflict(repairs), looking: true } as never });
    const { again } = stand(looking([]));
    expect(screen.getByRole("status").textContent).toBe("Looking for what helps …");
    expect(document.body.textContent).not.toContain("Nothing simple");
    again(looking(["Serve at 19:00."]));
    expect(screen.getByRole("status").textContent).toBe("Looking for more that helps …");
    expect(screen.getByRole("button", { name: "Do it: Serve at 19:00." })).toBeTruthy();
  });
  test("a way out is done by one press, for the answer that it was found in", async () => {
    const { sent } = serverThat(() => ({ status: 200, body: { value: {} } }));
    const { router } = stand(
      createElement(ConflictNote, { slug: "lunch", conflict: conflict(["Serve at 19:00.", "A helper on Saturday."]) as never }),
    );
    await hands().click(screen.getByRole("button", { name: "Do it: A helper on Saturday." }));
    await vi.waitFor(() => expect(sent).toEqual([{ path: "/api/dishes/lunch/repair", method: "POST", body: { answer: "17", index: 1 } }]));
    await vi.waitFor(() => expect(router.refreshed).toBe(1));
  });
  test("one that has grown old says so; where nothing helps it says what a cook can do", async () => {
    serverThat(() => ({ status: 409, body: { message: "It was changed somewhere else meanwhile." } }));
    const { again } = stand(createElement(ConflictNote, { slug: "lunch", conflict: conflict(["Serve at 19:00."]) as never }));
    await hands().click(screen.getByRole("button", { name: "Do it: Serve at 19:00." }));
    expect((await screen.findByRole("alert")).textContent).toContain("changed somewhere else");
    again(createElement(ConflictNote, { slug: "lunch", conflict: conflict([]) as never, folded: true }));
    expect(document.body.textContent).toContain("Serve later, give a cook another day");
    expect(document.body.textContent).toContain("The plan no longer works");
  });
});

test("the line above all leads to the views and moves on with the clock of the page", () => {
  vi.useFakeTimers();
  const plan = viewOf([step("slaw.chop", "10:30", "11:00")]);
  stand(
    createElement(StatusLine, {
      slug: "lunch",
      name: "Harvest lunch",
      plan,
      serveAt: at("13:00"),
      serves: 10,
      now: at("10:00"),
      offsets: CLOCK.offsets,
      running: false,
      holds: true,
    }),
  );
  const status = () => screen.getByRole("status", { name: "Status" }).textContent;
  expect(status()).toContain("3 h to serving");
  expect(screen.getAllByRole("link").map((l) => l.getAttribute("href"))).toEqual([
    "/",
    "/d/lunch/dish",
    "/d/lunch/timetable",
    "/d/lunch/days",
    "/d/lunch/cook",
  ]);
  act(() => void vi.advanceTimersByTime(31 * 60_000));
  expect(status()).toContain("2 h 29 to serving");
  expect(status()).toContain("now chop");
  vi.useRealTimers();
});

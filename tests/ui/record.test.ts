// @vitest-environment happy-dom
// Writing down at the stove: timers, readings and rounds are shown at once, sent once, and kept until the server has them.
import { createElement } from "react";
import { afterEach, beforeEach, describe, expect, test, vi } from "vitest";
import type { Entry, EntryBody } from "../../src/core/record/entries";
import { RoundsCard } from "../../src/ui/cook/RoundsCard";
import { NewTimer, Timers } from "../../src/ui/cook/Timers";
import { WriteDown } from "../../src/ui/cook/WriteDown";
import { useTicks } from "../../src/ui/shell/use-ticks";
import { hands, inDocument, screen, serverThat, stand } from "../support/dom";
import { at, CLOCK, step } from "../support/plan-views";

inDocument();
const NOW = at("12:00") * 60_000;
const entry = (id: number, body: EntryBody, when = NOW): Entry => ({ id, at: when, body });
const press = (name: string | RegExp) => hands().click(screen.getByRole("button", { name }));

/** A list with one thing on it. */
const List = () => {
  const { ticked, tick, trouble } = useTicks("dish", "shopping", [], NOW);
  return createElement(
    "div",
    {},
    createElement("button", { type: "button", onClick: () => tick("flour") }, ticked.has("flour") ? "have flour" : "no flour"),
    trouble,
  );
};

describe("a timer", () => {
  test("is set by one line; what is no length says what to write", async () => {
    const write = vi.fn();
    stand(createElement(NewTimer, { write }));
    const field = screen.getByLabelText("New timer");
    await hands().type(field, "blanch{Enter}");
    expect(screen.getByRole("alert").textContent).toContain("such as “4 min, blanch”");
    expect(write).not.toHaveBeenCalled();
    await hands().clear(field);
    await hands().type(field, "4:30 blanch{Enter}");
    expect(write).toHaveBeenCalledWith({ kind: "timer", name: "blanch", seconds: 270 });
    expect((field as HTMLInputElement).value).toBe("");
  });
  test("that has rung stands first, says since when, and is answered", async () => {
    const write = vi.fn();
    const entries = [
      entry(1, { kind: "timer", name: "rice", seconds: 600 }),
      entry(2, { kind: "timer", name: "eggs", seconds: 60 }, NOW - 90_000),
    ];
    stand(createElement(Timers, { entries, write, clockMs: NOW, stepName: () => undefined }));
    const rows = screen.getAllByRole("listitem").map((li) => li.textContent);
    expect(rows[0]).toContain("eggs");
    expect(rows[0]).toContain("rang 0:30 ago");
    expect(rows[1]).toContain("10:00");
    await press("OK: eggs");
    await press("2 min more: eggs");
    await press("Cancel: rice");
    expect(write.mock.calls.map(([body]) => body)).toEqual([
      { kind: "timer-answer", of: 2, answer: "acknowledged" },
      { kind: "timer-answer", of: 2, answer: "more", seconds: 120 },
      { kind: "timer-answer", of: 1, answer: "cancelled" },
    ]);
  });
  test("without any there is nothing on the screen", () => {
    stand(createElement(Timers, { entries: [], write: vi.fn(), clockMs: NOW, stepName: () => undefined }));
    expect(screen.queryByRole("region", { name: "Timers" })).toBeNull();
  });
});

describe("at a step", () => {
  const roast = step("duck.roast", "11:00", "13:00", { state: "running", name: "Roast", probeC: 60, tempC: 160 });
  const open = async (entries: Entry[] = [], units: "metric" | "us" = "metric") => {
    serverThat(() => ({ status: 200, body: { devices: [] } }));
    const calls = { write: vi.fn(), onExpect: vi.fn(), onPhotograph: vi.fn(), slug: "duck" };
    stand(createElement(WriteDown, { step: roast, entries, now: at("12:00"), clock: CLOCK, ...calls }), { units });
    await press("Write down: Roast");
    return calls;
  };
  test("a reading is kept in degrees Celsius, whatever is typed", async () => {
    const { write } = await open([], "us");
    await hands().type(screen.getByLabelText("Value"), "131{Enter}");
    expect(write.mock.calls[0]?.[0]).toMatchObject({ kind: "reading", step: "duck.roast", quantity: "core" });
    expect(write.mock.calls[0]?.[0].value).toBeCloseTo(55, 1);
  });
  test("photographs are sent one by one as they are, and what is refused is named", async () => {
    const { onPhotograph } = await open();
    const sent: { readonly url: string; readonly body: unknown }[] = [];
    vi.stubGlobal("fetch", async (url: string, { body }: RequestInit) => {
      sent.push({ url, body });
      return sent.length < 3 ? Response.json({ entries: [] }) : Response.json({ message: "The picture cannot be read." }, { status: 422 });
    });
    const files = ["crust.jpg", "crumb.jpg", "notes.txt"].map((name) => new File(["x"], name, { type: "image/jpeg" }));
    await hands().upload(screen.getByLabelText("Add photographs: Roast"), files);
    await vi.waitFor(() => expect(onPhotograph).toHaveBeenCalledTimes(1));
    expect(sent.map((s) => new URLSearchParams(s.url.split("?")[1]).get("step"))).toEqual(Array(3).fill("duck.roast"));
    expect(sent[0]?.url).toMatch(/^\/api\/dishes\/duck\/photographs\?key=/);
    expect(sent.map((s) => s.body)).toEqual(files);
    expect(screen.getByRole("alert").textContent).toBe("“notes.txt” was not saved. The picture cannot be read.");
  });
  test("what cannot be meant says the range, and nothing is sent", async () => {
    const { write } = await open();
    await hands().type(screen.getByLabelText("Value"), "5000{Enter}");
    expect(screen.getByRole("alert").textContent).toMatch(/out of range/);
    expect(write).not.toHaveBeenCalled();
  });
  test("from two readings the end is foretold, and planned with at a press", async () => {
    const read = (id: number, minute: string, value: number) =>
      entry(id, { kind: "reading", step: "duck.roast", quantity: "core", value }, at(minute) * 60_000);
    const { onExpect } = await open([read(1, "11:20", 12), read(2, "11:40", 24), read(3, "12:00", 37)]);
    expect(screen.getByRole("status").textContent).toMatch(/^60 °C likely about 12:\d\d, between 12:\d\d and 1\d:\d\d\./);
    await press("Plan with this");
    expect(onExpect.mock.calls[0]?.[0]).toBeGreaterThan(5);
  });
  test("a pot that cools too slowly says by how much, and what to do now", async () => {
    const pot = step("stock.cool", "11:00", "15:00", { state: "running", name: "Cool the stock", attention: "unattended" });
    const read = (id: number, minute: string, value: number) =>
      entry(id, { kind: "reading", step: "stock.cool", quantity: "temperature", value }, at(minute) * 60_000);
    const checks = [{ afterMinutes: 120, ask: "21 °C or less in the middle", otherwise: "stir it in ice water now" }];
    const show = (values: readonly number[]) =>
      createElement(WriteDown, {
        step: pot,
        entries: values.map((v, i) => read(i + 1, `11:${String(i * 15).padStart(2, "0")}`, v)),
        checks,
        slug: "stock",
        onPhotograph: () => {},
        now: at("11:45"),
        clock: CLOCK,
        write: vi.fn(),
        onExpect: vi.fn(),
      });
    const { again } = stand(show([80, 74, 68.6, 63.7]));
    expect(screen.getByRole("alert").textContent).toMatch(
      /^21 °C about (?:[A-Z][a-z]{2} )?\d\d:\d\d, .+ too late: it has until 13:00\. Now: stir it in ice water now\.$/,
    );
    again(show([80, 45, 31, 24]));
    expect(screen.getByRole("status").textContent).toMatch(
      /^21 °C about 1[12]:\d\d \(1[12]:\d\d to 1[12]:\d\d\), in time: it has until 13:00\.$/,
    );
  });
  test("a count goes up by one, and a note is sent once", async () => {
    const { write } = await open([entry(1, { kind: "tally", step: "duck.roast", name: "basted", add: 3 })]);
    await press("One more: basted (3)");
    await hands().type(screen.getByLabelText("Note"), "skin is dark{Enter}");
    expect(write.mock.calls.map(([body]) => body)).toEqual([
      { kind: "tally", step: "duck.roast", name: "basted", add: 1 },
      { kind: "note", step: "duck.roast", text: "skin is dark" },
    ]);
  });
});

test("rounds that are due are done one by one or all at once; a missed one says what to do", async () => {
  const write = vi.fn();
  const round = (when: string, what: string) => ({ at: at(when), what, takes: 2 });
  const steps = [
    step("a.roast", "10:00", "14:00", {
      state: "running",
      name: "Roast",
      rounds: [round("11:00", "turn"), round("11:30", "turn"), round("12:00", "turn")],
    }),
    step("b.simmer", "10:00", "14:00", { state: "running", name: "Simmer", rounds: [round("11:50", "skim")] }),
  ];
  stand(createElement(RoundsCard, { steps, entries: [], now: at("12:00"), clock: CLOCK, write }));
  const card = screen.getByRole("region", { name: "Rounds due" });
  expect(card.textContent).toContain("2 earlier rounds were missed. Turn it now");
  await press("Done: skim, Simmer");
  await press("All done");
  expect(write.mock.calls).toEqual([
    [{ kind: "round", step: "b.simmer", what: "skim", due: at("11:50") }],
    [
      { kind: "round", step: "b.simmer", what: "skim", due: at("11:50") },
      { kind: "round", step: "a.roast", what: "turn", due: at("12:00") },
    ],
  ]);
});

describe("on the way to the server", () => {
  beforeEach(() => localStorage.clear());
  afterEach(() => localStorage.clear());
  test("a tick is seen at once, kept in the browser, and sent again when the server is back", async () => {
    let up = false;
    const { sent } = serverThat(() =>
      up
        ? { status: 200, body: { entries: [entry(1, { kind: "tick", list: "shopping", item: "flour", done: true })] } }
        : { status: 503, body: {} },
    );
    const { again } = stand(createElement(List));
    await press("no flour");
    expect(screen.getByRole("button").textContent).toBe("have flour");
    expect(JSON.parse(localStorage.getItem("rondeau.entries.dish") ?? "[]")).toHaveLength(1);
    up = true;
    again(createElement(List, { key: "reloaded" }));
    await vi.waitFor(() => expect(JSON.parse(localStorage.getItem("rondeau.entries.dish") ?? "[]")).toHaveLength(0));
    expect(screen.getByRole("button").textContent).toBe("have flour");
    const keys = sent.filter((s) => s.path.endsWith("/entries")).map((s) => (s.body as { entries: { key: string }[] }).entries[0]?.key);
    expect(new Set(keys).size).toBe(1);
  });
  test("one that the server refuses does not take the others with it", async () => {
    localStorage.setItem(
      "rondeau.entries.dish",
      JSON.stringify(
        ["oats", "figs", "rye"].map((item) => ({
          key: crypto.randomUUID(),
          body: { kind: "tick", list: "shopping", item, done: true },
          writtenAt: Date.now(),
        })),
      ),
    );
    const kept: string[] = [];
    serverThat(({ body }) => {
      const items: string[] = body.entries.map((e: { body: { item: string } }) => e.body.item);
      if (items.includes("figs")) return { status: 422, body: { message: "No figs." } };
      kept.push(...items);
      return { status: 200, body: { entries: kept.map((item, i) => entry(i + 1, { kind: "tick", list: "shopping", item, done: true })) } };
    });
    stand(createElement(List));
    await vi.waitFor(() => expect(screen.getByText("No figs.")).toBeTruthy());
    expect(kept).toEqual(["oats", "rye"]);
    expect(localStorage.getItem("rondeau.entries.dish")).toBe("[]");
  });
  test("what the server refuses is dropped with its reason", async () => {
    serverThat(() => ({ status: 404, body: { message: "There is no such dish." } }));
    stand(createElement(List));
    await press("no flour");
    await vi.waitFor(() => expect(screen.getByText("There is no such dish.")).toBeTruthy());
    expect(screen.getByRole("button").textContent).toBe("no flour");
  });
});

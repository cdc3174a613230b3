// @vitest-environment happy-dom
// What a page says and does about what is kept: backups, a dish that is deleted, a run that was left open.
import { createElement } from "react";
import { describe, expect, test, vi } from "vitest";
import { DeleteDish } from "../../src/ui/dish/DeleteDish";
import { Backups } from "../../src/ui/shell/Backups";
import { leftOpen, statusParts } from "../../src/ui/shell/status-line";
import { hands, inDocument, screen, serverThat, stand } from "../support/dom";
import { at, CLOCK, step, viewOf } from "../support/plan-views";

inDocument();

describe("backups", () => {
  const state = {
    directory: "/data/backups",
    newest: { name: "rondeau-2026-10-14.zip", at: "2026-10-14T03:00:00Z" },
    old: false,
    second: undefined,
    replaced: [],
  };
  test("the last one is named; one that is too old is told first; none is said to be none", () => {
    const { again } = stand(createElement(Backups, state));
    expect(document.body.textContent).toContain("Last backup: Wed");
    expect(screen.queryByRole("alert")).toBeNull();
    again(createElement(Backups, { ...state, old: true, replaced: ["pg.replaced-2026-10-13T08-00-30"] }));
    expect(screen.getByRole("alert").textContent).toBe("The last backup is more than two days old.");
    expect(document.body.textContent).toMatch(/from before the restore on Tue,? 13 October/);
    again(createElement(Backups, { ...state, newest: undefined }));
    expect(document.body.textContent).toContain("There is no backup yet");
  });
  test("that they lie on one disk is told until a second place is chosen or declined, and not after", async () => {
    const { sent } = serverThat(({ body }) =>
      body?.directory === "/nowhere"
        ? { status: 422, body: { message: "There is no such directory." } }
        : { status: 200, body: { value: {} } },
    );
    const { again } = stand(createElement(Backups, state));
    expect(document.body.textContent).toContain("same disk");
    await hands().type(screen.getByLabelText("A directory on another disk"), "/nowhere");
    await hands().click(screen.getByRole("button", { name: "Use this directory" }));
    expect((await screen.findByRole("alert")).textContent).toBe("There is no such directory.");
    await hands().click(screen.getByRole("button", { name: "I do not need one" }));
    await vi.waitFor(() => expect(sent.at(-1)).toMatchObject({ path: "/api/backup/place", body: { none: true } }));
    again(createElement(Backups, { ...state, second: "none" }));
    expect(document.body.textContent).not.toContain("same disk");
  });
  test("what a restore replaced is deleted when asked twice, and not before", async () => {
    const { sent } = serverThat(() => ({ status: 200, body: { value: {} } }));
    stand(createElement(Backups, { ...state, replaced: ["pg.replaced-2026-10-13T08-00-30"] }));
    await hands().click(screen.getByRole("button", { name: "Delete this data" }));
    await hands().click(screen.getByRole("button", { name: "Cancel" }));
    expect(sent).toEqual([]);
    await hands().click(screen.getByRole("button", { name: "Delete this data" }));
    await hands().click(screen.getByRole("button", { name: "Delete this data" }));
    await vi.waitFor(() =>
      expect(sent).toMatchObject([{ path: "/api/backup/replaced", method: "DELETE", body: { name: "pg.replaced-2026-10-13T08-00-30" } }]),
    );
  });
  test("one is made at a press", async () => {
    const { sent } = serverThat(() => ({ status: 200, body: { made: "x" } }));
    const { router } = stand(createElement(Backups, state));
    await hands().click(screen.getByRole("button", { name: "Back up now" }));
    await vi.waitFor(() => expect(sent).toMatchObject([{ path: "/api/backup", method: "POST" }]));
    await vi.waitFor(() => expect(router.refreshed).toBe(1));
  });
});

describe("deleting a dish", () => {
  test("takes its name, and says why where it is refused", async () => {
    const { sent } = serverThat(() => ({ status: 409, body: { message: "It is being cooked. End the run first." } }));
    stand(createElement(DeleteDish, { slug: "duck", name: "Spiced duck" }));
    await hands().click(screen.getByRole("button", { name: "Delete this dish" }));
    const confirm = () => screen.getByRole("button", { name: "Delete" }) as HTMLButtonElement;
    expect(confirm().disabled).toBe(true);
    await hands().type(screen.getByLabelText("Type its name to delete it"), "Spiced duck");
    expect(confirm().disabled).toBe(false);
    await hands().click(confirm());
    expect((await screen.findByRole("alert")).textContent).toContain("End the run first");
    expect(sent).toMatchObject([{ path: "/api/dishes/duck", method: "DELETE", body: { name: "Spiced duck" } }]);
  });
});

describe("a run left open", () => {
  const view = viewOf([step("a.fry", "10:00", "10:20")]);
  const said = (now: number, running: boolean) => statusParts(view, view.serveAt, 4, now, CLOCK, true, running).map((p) => p.strong);
  test("is not said to be fine a day after the table", () => {
    const later = Math.max(view.serveAt, view.ends) + 25 * 60;
    expect(leftOpen(view, later)).toBe(true);
    expect(said(later, true)).toContain("The run is still open");
    expect(leftOpen(view, at("10:10"))).toBe(false);
    expect(said(at("10:10"), true)).not.toContain("The run is still open");
  });
  test("nor is a dish said to be served of which nothing was done, or which nobody knows about", () => {
    const later = view.serveAt + 60;
    const cooked = { ...view, steps: view.steps.map((s) => ({ ...s, state: "running" as const })) };
    const first = (of: typeof view, now: number, running: boolean) => statusParts(of, of.serveAt, 4, now, CLOCK, true, running)[0]?.strong;
    expect(first(view, later, false)).toBe("past");
    expect(first(view, later, true)).toBe("past");
    expect(first(cooked, later, true)).toBe("served");
    expect(first(cooked, later + 2 * 1440, true)).toBe("past");
  });
});

// @vitest-environment happy-dom
// Something tried on the plan: nothing is kept before it is kept, what is given up leaves no trace, an answer that comes late is not taken for another's.
import { act, renderHook } from "@testing-library/react";
import { AppRouterContext } from "next/dist/shared/lib/app-router-context.shared-runtime";
import { createElement, type ReactNode } from "react";
import { describe, expect, test, vi } from "vitest";
import { useTrial } from "../../src/ui/planning/use-trial";
import type { Tried } from "../../src/workers/plan-desk";
import { inDocument, type Sent, serverThat } from "../support/dom";
import { step, viewOf } from "../support/plan-views";

inDocument();
const CHANGE = [{ op: "replace" as const, path: "/dish/serveAt", value: "2026-10-18T14:00" }];
const VIEW = viewOf([step("a.b", "10:00", "10:30")]);
const ready = (change = CHANGE): Tried => ({
  status: "ready",
  change,
  file: { plan: "file" } as never,
  view: VIEW,
  rehearsed: {} as never,
});
const refused: Tried = {
  status: "refused",
  change: CHANGE,
  repairs: [{ kind: "serve", text: "Serve later.", leadMinutes: 60, change: [] }],
  proved: true,
  facts: [],
} as never;

/** A desk whose answers the test gives, one question after another. */
function deskThat() {
  const waiting: ((tried: Tried | Error) => void)[] = [];
  const given: { up: number } = { up: 0 };
  const shell = {
    try: () =>
      new Promise<Tried>((resolve, reject) => {
        waiting.push((tried) => (tried instanceof Error ? reject(tried) : resolve(tried)));
      }),
  };
  const desk = { mind: async () => shell, hand: async () => shell, giveUp: () => void given.up++, close: () => {} };
  return {
    desk: () => desk as never,
    waiting,
    given,
    answer: async (tried: Tried | Error, at = waiting.length - 1) => act(async () => waiting[at]?.(tried)),
  };
}

function open(answer: (sent: Sent) => { status: number; body: unknown } | undefined = () => ({ status: 200, body: {} })) {
  const { sent } = serverThat(answer);
  const table = deskThat();
  let refreshed = 0;
  const router = { refresh: () => void refreshed++, push() {}, replace() {}, prefetch() {}, back() {}, forward() {} };
  const wrapper = ({ children }: { children: ReactNode }) => createElement(AppRouterContext.Provider, { value: router as never }, children);
  const hook = renderHook(({ stamp }) => useTrial("dish", 3, stamp, table.desk), { wrapper, initialProps: { stamp: "3.1.5.5.0" } });
  const now = () => hook.result.current;
  const attempt = (label: string, how?: Parameters<ReturnType<typeof now>["attempt"]>[2]) =>
    act(async () => void now().attempt(label, CHANGE, how));
  return { ...table, sent, now, attempt, stamp: (stamp: string) => act(async () => hook.rerender({ stamp })), refreshed: () => refreshed };
}

describe("a trial", () => {
  test("is worked on, looked at, and kept with its plan at the version that was seen", async () => {
    const t = open();
    await t.attempt("Serve at two");
    expect(t.now().trial).toMatchObject({ status: "working", label: "Serve at two" });
    await t.answer(ready());
    expect(t.now().trial).toMatchObject({ status: "ready", label: "Serve at two", keeping: false });
    expect(t.sent).toEqual([]);
    await act(() => t.now().keep());
    expect(t.sent).toEqual([
      {
        path: "/api/dishes/dish/change",
        method: "POST",
        body: { version: 3, kitchenVersion: expect.any(Number), change: CHANGE, label: "Serve at two", plan: { plan: "file" } },
      },
    ]);
    expect(t.refreshed()).toBe(1);
  });
  test("asked to be kept at once needs no second press, and is kept once", async () => {
    const t = open();
    await t.attempt("moved", { keep: true });
    await t.answer(ready());
    await vi.waitFor(() => expect(t.sent).toHaveLength(1));
    await act(() => t.now().keep());
    expect(t.sent).toHaveLength(1);
  });
  test("left leaves no trace and stops the thinking", async () => {
    const t = open();
    await t.attempt("Serve at two");
    act(() => t.now().leave());
    expect(t.now().trial).toBeUndefined();
    expect(t.given.up).toBe(1);
    await t.answer(ready());
    expect(t.now().trial).toBeUndefined();
    expect(t.sent).toEqual([]);
  });
  test("overtaken by another is forgotten: its answer comes too late", async () => {
    const t = open();
    await t.attempt("first");
    await t.attempt("second");
    await t.answer(ready(), 1);
    await t.answer(refused, 0);
    expect(t.now().trial).toMatchObject({ status: "ready", label: "second" });
    expect(t.now().problem).toBeUndefined();
  });
  test("that cannot be tried says why", async () => {
    const t = open();
    await t.attempt("x");
    await t.answer(new Error("The planner could not be started in this page."));
    expect(t.now().trial).toEqual({ status: "failed", label: "x", because: "The planner could not be started in this page." });
    await t.attempt("y");
    await t.answer({ status: "unfit", because: "No such step." } as never);
    expect(t.now().trial).toMatchObject({ status: "failed", because: "No such step." });
  });
  test("that the server does not keep says why, and is over", async () => {
    const t = open(() => ({ status: 409, body: { message: "It was changed somewhere else meanwhile." } }));
    await t.attempt("x");
    await t.answer(ready());
    await act(() => t.now().keep());
    expect(t.now().trial).toMatchObject({ status: "failed", because: expect.stringContaining("changed somewhere else") });
  });
});

describe("a trial without a plan", () => {
  test("is a problem with its ways out; trying one keeps it beside, leaving that one leads back to it", async () => {
    const t = open();
    await t.attempt("Serve tomorrow");
    await t.answer(refused);
    expect(t.now().trial).toBeUndefined();
    expect(t.now().problem).toMatchObject({ label: "Serve tomorrow", repairs: [{ text: "Serve later." }] });
    await t.attempt("Serve later.", { repair: true });
    await t.answer(ready());
    expect(t.now().problem).toBeDefined();
    expect(t.now().trial).toMatchObject({ status: "ready" });
    act(() => t.now().leave());
    expect([t.now().trial, t.now().problem?.label]).toEqual([undefined, "Serve tomorrow"]);
    act(() => t.now().leave());
    expect(t.now().problem).toBeUndefined();
  });
  test("another wish takes its place", async () => {
    const t = open();
    await t.attempt("Serve tomorrow");
    await t.answer(refused);
    await t.attempt("Serve at two");
    expect(t.now().problem).toBeUndefined();
  });
});

describe("when what it was tried on changes", () => {
  test("a better plan of the same dish: it is tried again from there", async () => {
    const t = open();
    await t.attempt("x");
    await t.answer(ready());
    await t.stamp("3.1.6.6.0");
    expect(t.now().trial).toMatchObject({ status: "working", label: "x" });
    expect(t.waiting).toHaveLength(2);
    await t.answer(ready());
    expect(t.now().trial).toMatchObject({ status: "ready" });
  });
  test("another dish: it is over", async () => {
    const t = open();
    await t.attempt("x");
    await t.answer(ready());
    await t.stamp("4.1.6.6.0");
    expect(t.now().trial).toBeUndefined();
    expect(t.now().problem).toBeUndefined();
  });
});

// Parts of a page under hands: rendered into a document without a browser, pressed and typed into. A stand-in for the server keeps what is sent.
import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { AppRouterContext } from "next/dist/shared/lib/app-router-context.shared-runtime";
import { PathnameContext, SearchParamsContext } from "next/dist/shared/lib/hooks-client-context.shared-runtime";
import { createElement, type ReactNode } from "react";
import { afterEach, beforeEach, vi } from "vitest";
import type { Units } from "../../src/core/bench/quantity";
import { applyPatch } from "../../src/core/dish/patch";
import { readDishValue } from "../../src/core/dish/read";
import { METRIC_24 } from "../../src/core/spoken/conventions";
import { ConventionsGiven } from "../../src/ui/shell/conventions";
import type { Loose } from "./dishes";

export { screen };
export const hands = () => userEvent.setup({ delay: null, pointerEventsCheck: 0 });

export interface Stood {
  readonly again: (node: ReactNode, units?: Units) => void;
  /** How often the page asked to be shown anew, and where it was sent. */
  readonly router: { refreshed: number; pushed: string[] };
}

/** Takes a choice out of a list that opens, by the name of the list and the text of the choice. */
export async function choose(list: HTMLElement, option: string | RegExp): Promise<void> {
  const user = hands();
  list.focus();
  await user.keyboard("{Enter}");
  await user.click(await screen.findByRole("option", { name: option }));
}

/** Shows a part with all that it takes from a page around it. */
export function stand(node: ReactNode, { units = "metric" as Units, query = "" } = {}): Stood {
  const router = { refreshed: 0, pushed: [] as string[] };
  const stays = () => {};
  const app = {
    back: stays,
    forward: stays,
    prefetch: stays,
    replace: stays,
    push: (to: string) => void router.pushed.push(to),
    refresh: () => {
      router.refreshed++;
    },
  };
  const around = (inner: ReactNode, u: Units) =>
    createElement(
      AppRouterContext.Provider,
      { value: app as never },
      createElement(
        PathnameContext.Provider,
        { value: "/" },
        createElement(
          SearchParamsContext.Provider,
          { value: new URLSearchParams(query) as never },
          createElement(ConventionsGiven, { value: { ...METRIC_24, units: u } } as Parameters<typeof ConventionsGiven>[0], inner),
        ),
      ),
    );
  const shown = render(around(node, units));
  return { again: (next, u = units) => shown.rerender(around(next, u)), router };
}

/** What a browser has and this document has not. Call once in a file of tests. */
export function inDocument(): void {
  beforeEach(() => {
    class Watcher {
      observe() {}
      disconnect() {}
      unobserve() {}
    }
    vi.stubGlobal("ResizeObserver", Watcher);
    Element.prototype.scrollIntoView = () => {};
    Element.prototype.hasPointerCapture = () => false;
    Element.prototype.setPointerCapture = () => {};
    Element.prototype.releasePointerCapture = () => {};
  });
  afterEach(() => {
    cleanup();
    vi.unstubAllGlobals();
    localStorage.clear();
    sessionStorage.clear();
  });
}

export interface Sent {
  readonly path: string;
  readonly method: string;
  readonly body: Loose;
}

/** Answers as the server would: `answers` by path, or undefined for a line that is down. */
export function serverThat(answers: (sent: Sent) => { status: number; body: unknown } | undefined): { readonly sent: Sent[] } {
  const sent: Sent[] = [];
  vi.stubGlobal("fetch", async (path: string, init: { method?: string; body?: string } = {}) => {
    const one = { path: String(path), method: init.method ?? "GET", body: init.body ? JSON.parse(init.body) : undefined };
    sent.push(one);
    const answer = answers(one);
    if (!answer) throw new TypeError("no line");
    return Response.json(answer.body, { status: answer.status });
  });
  return { sent };
}

/** A server that keeps one dish: changes are applied, checked and numbered as the real one does. */
export function keeping(document: Loose, version = 1) {
  const kept = { document, version, labels: [] as string[], up: true, sent: [] as Sent[] };
  const { sent } = serverThat(({ path, body }) => {
    if (!kept.up) return undefined;
    if (!path.endsWith("/change")) return { status: 404, body: { message: "not here" } };
    if (body.version !== kept.version) return { status: 409, body: { message: "It was changed somewhere else meanwhile." } };
    const read = readDishValue(applyPatch(kept.document, body.change));
    if (read.status === "refused") return { status: 422, body: { problems: read.problems } };
    kept.document = read.document;
    kept.version++;
    kept.labels.push(body.label);
    return { status: 200, body: { value: { label: body.label, version: kept.version } } };
  });
  kept.sent = sent;
  return kept;
}

// A page or a part of one as a browser first gets it, read by what stands in it: roles, names, text. Without a browser nothing can be pressed.
import { DomUtils, parseDocument } from "htmlparser2";
import { AppRouterContext } from "next/dist/shared/lib/app-router-context.shared-runtime";
import { PathnameContext, SearchParamsContext } from "next/dist/shared/lib/hooks-client-context.shared-runtime";
import { createElement, type ReactNode } from "react";
import { renderToStaticMarkup } from "react-dom/server";
import type { Units } from "../../src/core/bench/quantity";
import { type Conventions, METRIC_24 } from "../../src/core/spoken/conventions";
import { ConventionsGiven } from "../../src/ui/shell/conventions";

const stays = () => {};
const ROUTER = { back: stays, forward: stays, refresh: stays, push: stays, replace: stays, prefetch: stays };

type Found = ReturnType<typeof DomUtils.findAll>[number];
type Nodes = ReturnType<typeof parseDocument>["children"];
const spaced = (text: string) => text.replace(/\s+/g, " ").trim();

export class Page {
  constructor(private readonly nodes: Nodes) {}
  /** All text, spaces as one; parts of a page apart. */
  get text(): string {
    return spaced(texts(this.nodes));
  }
  /** Parts that have an attribute, or it at a value. */
  with(attribute: string, value?: string | RegExp): Page[] {
    return DomUtils.findAll((e) => {
      const got = e.attribs[attribute];
      return got !== undefined && (value === undefined || (typeof value === "string" ? got === value : value.test(got)));
    }, this.nodes).map((e) => new Page([e]));
  }
  all(tag: string): Page[] {
    return DomUtils.findAll((e) => e.name === tag, this.nodes).map((e) => new Page([e]));
  }
  /** The one part that a screen reader would call so. */
  named(label: string | RegExp): Page {
    const [only, ...more] = this.with("aria-label", label);
    if (!only || more.length)
      throw new Error(
        `${more.length + (only ? 1 : 0)} parts are named ${label}: ${this.with("aria-label").map((p) => p.attribute("aria-label"))}`,
      );
    return only;
  }
  attribute(name: string): string | undefined {
    return (this.nodes[0] as Found | undefined)?.attribs?.[name];
  }
  get rows(): string[][] {
    return this.all("tr").map((row) => row.cells);
  }
  private get cells(): string[] {
    return DomUtils.findAll((e) => e.name === "td" || e.name === "th", this.nodes).map((e) => new Page([e]).text);
  }
  /** Names of what can be pressed. */
  get buttons(): string[] {
    return this.all("button").map((b) => b.attribute("aria-label") ?? b.text);
  }
}

const BLOCK = new Set([
  "p",
  "li",
  "div",
  "td",
  "th",
  "tr",
  "h1",
  "h2",
  "h3",
  "section",
  "article",
  "summary",
  "option",
  "label",
  "button",
  "text",
]);
const texts = (nodes: Nodes): string =>
  nodes
    .map((n) => {
      if (n.type === "text") return (n as unknown as { data: string }).data;
      if (!("children" in n) || n.type === "script" || n.type === "style") return "";
      const inner = texts(n.children);
      return "name" in n && BLOCK.has(n.name as string) ? ` ${inner} ` : inner;
    })
    .join("");

export interface Shown {
  readonly units?: Units;
  /** All of them; `units` is left out then. */
  readonly conventions?: Conventions;
  readonly path?: string;
  readonly query?: string;
}

/** @param node what is shown, or the promise of a page */
export async function shown(
  node: ReactNode | Promise<ReactNode>,
  { units = "metric", conventions, path = "/", query = "" }: Shown = {},
): Promise<Page> {
  const inner = createElement(
    ConventionsGiven,
    { value: conventions ?? { ...METRIC_24, units } } as Parameters<typeof ConventionsGiven>[0],
    await node,
  );
  const html = renderToStaticMarkup(
    createElement(
      AppRouterContext.Provider,
      { value: ROUTER as never },
      createElement(
        PathnameContext.Provider,
        { value: path },
        createElement(SearchParamsContext.Provider, { value: new URLSearchParams(query) as never }, inner),
      ),
    ),
  );
  return new Page(parseDocument(html).children);
}

"use client";
// Which versions of a dish and its kitchen this page has seen last: what a change and an undo are made for.
import { useEffect } from "react";
import type { Answer } from "./answer";

interface Seen {
  readonly version: number;
  readonly kitchenVersion: number;
}

const last = new Map<string, Seen>();
/** Versions that this page's own changes and undos have left behind: a look at the server that began before may still bring them. */
const leftBehind = new Map<string, Set<string>>();
const keyOf = ({ version, kitchenVersion }: Seen) => `${version}.${kitchenVersion}`;
const behind = (slug: string): Set<string> => {
  const known = leftBehind.get(slug) ?? new Set<string>();
  leftBehind.set(slug, known);
  return known;
};

/** Nothing where the page has seen none yet. */
export const seenVersions = (slug: string): Partial<Seen> => last.get(slug) ?? {};

/** What can change a dish or its kitchen; a refused press says nothing of their versions. */
const CHANGES = /^\/api\/dishes\/([^/?]+)(?:\/(?:change|repair|history|kitchen))?$/;

/** What the server says of them after a change or an undo; after a refusal the page has to look anew. */
export function seeAnswer(path: string, answer: Answer): void {
  const slug = CHANGES.exec(path)?.[1];
  if (slug === undefined) return;
  if (answer.status === 409) {
    last.delete(slug);
    leftBehind.delete(slug);
  }
  const said = (answer.body.versions ?? answer.body.value) as Partial<Seen> | undefined;
  if (!answer.ok || typeof said?.version !== "number" || typeof said.kitchenVersion !== "number") return;
  const next = { version: said.version, kitchenVersion: said.kitchenVersion };
  const before = last.get(slug);
  if (before) behind(slug).add(keyOf(before));
  behind(slug).delete(keyOf(next));
  last.set(slug, next);
}

/** What a page brings from the server. */
export function seePage(slug: string, seen: Seen): void {
  if (!behind(slug).has(keyOf(seen))) last.set(slug, seen);
}

/** Stands in every page of a dish. */
export function SeeVersions({ slug, version, kitchenVersion }: Seen & { readonly slug: string }) {
  useEffect(() => {
    seePage(slug, { version, kitchenVersion });
  }, [slug, version, kitchenVersion]);
  return null;
}

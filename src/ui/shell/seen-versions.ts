"use client";
// Which versions of a dish and its kitchen this page has seen last: what a change and an undo are made for.
import { useEffect } from "react";
import type { Answer } from "./ask";

export interface Seen {
  readonly version: number;
  readonly kitchenVersion: number;
}

const last = new Map<string, Seen>();

/** Nothing where the page has seen none yet. */
export const seenVersions = (slug: string): Partial<Seen> => last.get(slug) ?? {};

/** What the server says of them after a change. */
export function seeAnswer(slug: string, answer: Answer): void {
  const said = (answer.body.versions ?? answer.body.value) as Partial<Seen> | undefined;
  if (answer.ok && typeof said?.version === "number" && typeof said.kitchenVersion === "number")
    last.set(slug, { version: said.version, kitchenVersion: said.kitchenVersion });
}

/** Stands in every page of a dish. */
export function SeeVersions({ slug, version, kitchenVersion }: Seen & { readonly slug: string }) {
  useEffect(() => {
    last.set(slug, { version, kitchenVersion });
  }, [slug, version, kitchenVersion]);
  return null;
}

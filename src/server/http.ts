import "server-only";
// What the route handlers share: reading a body with a limit, and answering outcomes in one form.
import type { z } from "zod";
import { LIMITS } from "../core/dish/read";
import { MISSING } from "../words/server";
import type { Outcome } from "./dishes";
import { holdsText } from "./route";

export class TooLarge extends Error {}

/** The text of a request, at most the size of a dish file unless more is said. */
export async function bodyText(request: Request, most: number = LIMITS.bytes): Promise<string> {
  const length = Number(request.headers.get("content-length") ?? 0);
  if (length > most) throw new TooLarge();
  const text = await request.text();
  if (text.length > most) throw new TooLarge();
  return text;
}

export type Body<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly response: Response };

export async function readBody<T>(request: Request, schema: z.ZodType<T>): Promise<Body<T>> {
  try {
    const value: unknown = JSON.parse(await bodyText(request));
    if (!holdsText(value))
      return {
        ok: false,
        response: refusal([{ path: "", message: "It has invalid characters, such as NUL.", severity: "error" as const }]),
      };
    const parsed = schema.safeParse(value);
    if (parsed.success) return { ok: true, value: parsed.data };
    return {
      ok: false,
      response: refusal(parsed.error.issues.map((i) => ({ path: i.path.join("."), message: i.message, severity: "error" as const }))),
    };
  } catch (error) {
    if (error instanceof TooLarge)
      return { ok: false, response: Response.json({ message: "That is too large for a dish." }, { status: 413 }) };
    return { ok: false, response: Response.json({ message: "The request is not JSON." }, { status: 400 }) };
  }
}

const changedElsewhere = (changed: readonly string[] = []): string =>
  `It was changed somewhere else meanwhile${changed.length ? ` (${changed.join("; ")})` : ""}. Nothing of yours was lost: check the newest version and make your change again.`;

export function refusal(problems: readonly unknown[]): Response {
  return Response.json({ problems }, { status: 422 });
}

export function answer<T>(outcome: Outcome<T>): Response {
  switch (outcome.status) {
    case "done":
      return Response.json({ value: outcome.value, ...(outcome.versions && { versions: outcome.versions }) });
    case "refused":
      return refusal(outcome.problems);
    case "stale":
      return Response.json({ message: changedElsewhere(outcome.changed), changed: outcome.changed ?? [] }, { status: 409 });
    case "missing":
      return Response.json({ message: MISSING.dish }, { status: 404 });
  }
}

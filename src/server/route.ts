import "server-only";
// Around every route: whatever is asked, the answer is JSON with one sentence. A method that is not there, text that no database keeps, a full disk,
// and a fault of the program itself, which gets a number that is in the log too.
import { canBeKept } from "../core/plain-text";
import { DiskFull } from "../db/faults";
import { DISK_FULL } from "../words/data";

type Context = { readonly params: Promise<Record<string, string>> };
// biome-ignore lint/suspicious/noExplicitAny: each route names its own parameters
type Handler = (request: Request, context: any) => Promise<Response> | Response;
const METHODS = ["GET", "HEAD", "POST", "PUT", "PATCH", "DELETE"] as const;
type Method = (typeof METHODS)[number];

/** PostgreSQL's own words for a value that no column takes. */
const BAD_VALUE = /^22/;

/** Whether all texts in a value can be kept. */
export function holdsText(value: unknown, depth = 0): boolean {
  if (typeof value === "string") return canBeKept(value);
  if (value === null || typeof value !== "object" || depth > 200) return true;
  return Object.entries(value).every(([key, inner]) => canBeKept(key) && holdsText(inner, depth + 1));
}

const guarded =
  (handler: Handler): Handler =>
  async (request: Request, context: Context) => {
    try {
      const params = (await context?.params) ?? {};
      if (!Object.values(params).every((value) => typeof value === "string" && canBeKept(value)))
        return Response.json({ message: "There is no page of that name." }, { status: 404 });
      return await handler(request, context);
    } catch (error) {
      return faultOf(error);
    }
  };

function faultOf(error: unknown): Response {
  if (error instanceof DiskFull) return Response.json({ message: DISK_FULL }, { status: 507 });
  if (error instanceof URIError) return Response.json({ message: "The address is not valid." }, { status: 400 });
  const { code } = (error ?? {}) as { code?: unknown };
  if (typeof code === "string" && BAD_VALUE.test(code))
    return Response.json({ message: "It has characters or numbers that cannot be saved. Nothing was saved." }, { status: 422 });
  const fault = crypto.randomUUID().slice(0, 8);
  console.error(`fault ${fault}:`, error);
  return Response.json(
    { message: `Something went wrong here (fault ${fault}, also in the server's log). Try again.`, fault },
    { status: 500 },
  );
}

/**
 * The handlers of a route under their methods, each guarded; the other methods answer that they are not there.
 * @example export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ GET });
 */
export function route(handlers: Partial<Record<Method, Handler>>): Record<Method, Handler> {
  const there = METHODS.filter((method) => handlers[method] ?? (method === "HEAD" && handlers.GET));
  const missing: Handler = () =>
    Response.json(
      { message: `This address takes ${there.filter((m) => m !== "HEAD").join(" and ")} only.` },
      { status: 405, headers: { allow: there.join(", ") } },
    );
  const one = (method: Method): Handler => {
    const handler = handlers[method] ?? (method === "HEAD" ? handlers.GET : undefined);
    return handler ? guarded(handler) : missing;
  };
  return { GET: one("GET"), HEAD: one("HEAD"), POST: one("POST"), PUT: one("PUT"), PATCH: one("PATCH"), DELETE: one("DELETE") };
}

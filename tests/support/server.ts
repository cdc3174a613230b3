// The server's own routes on a fresh database in a directory of its own, called as a page calls them, without Next around them.
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { afterAll, beforeAll } from "vitest";
import { planDish, planToFile } from "../../src/core/planner";
import { findDish } from "../../src/db/queries/dishes";
import { insertPlan } from "../../src/db/queries/runs";
import { dishOf, type Loose } from "./dishes";
import { asked } from "./headers";

type Handler = (request: Request, context: { params: Promise<Loose> }) => Promise<Response>;

/** @param method of a route, such as `import { POST } from ".../route"` @returns its status and what it said */
export async function call(method: unknown, params: Loose, body?: unknown, path = "/"): Promise<{ status: number; said: Loose }> {
  const request = new Request(`http://localhost${path}`, {
    method: "POST",
    ...(body === undefined ? {} : { body: typeof body === "string" ? body : JSON.stringify(body) }),
  });
  const response = await (method as Handler)(request, { params: Promise.resolve(params) });
  const text = await response.text();
  const json = response.headers.get("content-type")?.includes("json");
  return { status: response.status, said: json ? JSON.parse(text) : text };
}

/** A database for the tests of one file, with the clock standing at a moment. */
export function withServer(now: string): void {
  const directory = mkdtempSync(path.join(tmpdir(), "rondeau-server-"));
  beforeAll(async () => {
    process.env.RONDEAU_DATA_DIR = directory;
    process.env.RONDEAU_NOW = now;
    process.env.RONDEAU_CLOCK = "manual";
    // The file before may have left its own clock and reader.
    Reflect.deleteProperty(globalThis, "__rondeauClock");
    asked.cookies.clear();
    asked.language = "en-GB";
    const { database } = await import("../../src/server/database");
    await database();
  });
  afterAll(async () => {
    const { closeDatabase } = await import("../../src/server/database");
    await closeDatabase();
    rmSync(directory, { recursive: true, force: true });
  });
}

/** Plans a stored dish in this thread and stores the answer, as the server does in a thread of its own. @param more kept beside the plan @returns the plan as a file */
export async function planned(slug: string, now: number, more: object = {}): Promise<Loose> {
  const { database } = await import("../../src/server/database");
  const db = await database();
  const stored = await findDish(db, slug);
  if (!stored) throw new Error(`no dish ${slug}`);
  const dish = dishOf(stored.document);
  const answer = planDish(dish, { rounds: 0, now });
  if (answer.status !== "feasible") throw new Error(`no plan of ${slug}`);
  const document = { ...planToFile(answer.plan, dish.zone), ...more };
  await db.transaction((tx) =>
    insertPlan(tx, {
      dishId: stored.id,
      dishVersion: stored.version,
      kitchenVersion: stored.kitchenVersion,
      runId: undefined,
      runSequence: 0,
      status: "feasible",
      document,
      madeAt: new Date(),
    }),
  );
  return document;
}

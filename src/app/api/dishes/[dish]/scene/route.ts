import { logToFile } from "@/core/planner";
import { findDish } from "@/db/queries/dishes";
import { database } from "@/server/database";
import { planningScene } from "@/server/planning";
import { route } from "@/server/route";
import { MISSING } from "@/words/server";

/** What a page needs to plan by itself: the dish with its kitchen, the hour, the log, the plan in force. */
async function get(_request: Request, { params }: { params: Promise<{ dish: string }> }) {
  const stored = await findDish(await database(), (await params).dish);
  if (!stored) return Response.json({ message: MISSING.dish }, { status: 404 });
  const { dish, sofar, now, log } = await planningScene(stored);
  return Response.json(
    { version: stored.version, document: stored.document, now, log: logToFile(log, dish.zone), plan: sofar ?? null },
    { headers: { "cache-control": "no-store" } },
  );
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ GET: get });

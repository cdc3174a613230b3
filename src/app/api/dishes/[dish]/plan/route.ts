import { z } from "zod";
import { findDish } from "@/db/queries/dishes";
import { findNewestFeasible } from "@/db/queries/runs";
import { database } from "@/server/database";
import { readBody } from "@/server/http";
import { isSettled, planAndStore } from "@/server/planning";
import { route } from "@/server/route";
import { MISSING } from "@/words/server";

const Ask = z.strictObject({ fresh: z.boolean().optional() });

/** The plan in force as a plan file, for `rondeau verify` and for other programs; a header says whether another is on its way. */
async function get(_request: Request, { params }: { params: Promise<{ dish: string }> }) {
  const db = await database();
  const stored = await findDish(db, (await params).dish);
  const plan = stored && (await findNewestFeasible(db, stored.id));
  if (!plan) return Response.json({ message: stored ? MISSING.plan : MISSING.dish }, { status: 404 });
  const state = (await isSettled(stored)) ? "settled" : "changing";
  return Response.json(plan.document, { headers: { "cache-control": "no-store", "rondeau-plan": state } });
}

/** Plans the dish; progress comes line by line as JSON while it works. Hanging up stops it and keeps the best so far. */
async function post(request: Request, { params }: { params: Promise<{ dish: string }> }) {
  const body = await readBody(request, Ask);
  if (!body.ok) return body.response;
  const { dish } = await params;
  if (!(await findDish(await database(), dish))) return Response.json({ message: MISSING.dish }, { status: 404 });
  const encoder = new TextEncoder();
  const abort = new AbortController();
  request.signal.addEventListener("abort", () => abort.abort());
  const stream = new ReadableStream({
    async start(controller) {
      const say = (line: unknown) => {
        try {
          controller.enqueue(encoder.encode(`${JSON.stringify(line)}\n`));
        } catch {
          // The reader has gone; the plan is stored all the same.
        }
      };
      try {
        const plan = await planAndStore(dish, {
          ...body.value,
          onFirst: () => say({ first: true }),
          onProgress: (progress) => say({ progress }),
          signal: abort.signal,
        });
        say({ status: plan.status });
      } catch (error) {
        console.error("plan:", error);
        say({ status: "failed" });
      }
      try {
        controller.close();
      } catch {
        // Closed by the reader.
      }
    },
    cancel() {
      abort.abort();
    },
  });
  return new Response(stream, { headers: { "content-type": "application/x-ndjson", "cache-control": "no-store, no-transform" } });
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ GET: get, POST: post });

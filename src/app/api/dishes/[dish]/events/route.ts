import { readBody } from "@/server/http";
import { planSoon } from "@/server/planning";
import { route } from "@/server/route";
import { NewEvent, recordEvent, withheldWords } from "@/server/runs";
import { MISSING } from "@/words/server";

const REFUSALS = {
  "no-dish": MISSING.dish,
  "no-run": "The run is not started, or it has ended.",
  "no-step": "The dish has no such step.",
  "no-event": "The log has no such entry to undo.",
  "other-press": "A press with this key was written before, for something else. Press again.",
};
const CONFLICTS: ReadonlySet<string> = new Set(["no-run", "other-press"]);
const CLOCK_BACK =
  "The clock of the kitchen's computer went back. Your press was saved with that time: set the clock, then correct it in the log.";

/** Writes an event to the log and answers as soon as it is safe on disk. The plan follows over the stream. */
async function post(request: Request, { params }: { params: Promise<{ dish: string }> }) {
  const body = await readBody(request, NewEvent);
  if (!body.ok) return body.response;
  const { dish } = await params;
  const outcome = await recordEvent(dish, body.value);
  if (typeof outcome === "object") return Response.json({ message: withheldWords(outcome), findings: outcome.withheld }, { status: 409 });
  if (outcome !== "done" && outcome !== "clock-back")
    return Response.json({ message: REFUSALS[outcome] }, { status: CONFLICTS.has(outcome) ? 409 : 404 });
  planSoon(dish);
  return Response.json({ outcome: "done", plan: "follows", ...(outcome === "clock-back" ? { warning: CLOCK_BACK } : {}) });
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ POST: post });

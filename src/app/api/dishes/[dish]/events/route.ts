import { readBody } from "@/server/http";
import { planAndStore } from "@/server/planning";
import { NewEvent, recordEvent, withheldWords } from "@/server/runs";

const REFUSALS = {
  "no-dish": "There is no such dish.",
  "no-run": "The run is not started, or it has ended.",
  "no-step": "The dish has no such step.",
};

/** Writes an event to the log; answers when it is safe on disk, and plans again from it. */
export async function POST(request: Request, { params }: { params: Promise<{ dish: string }> }) {
  const body = await readBody(request, NewEvent);
  if (!body.ok) return body.response;
  const { dish } = await params;
  const outcome = await recordEvent(dish, body.value);
  if (typeof outcome === "object") return Response.json({ message: withheldWords(outcome), findings: outcome.withheld }, { status: 409 });
  if (outcome !== "done") return Response.json({ message: REFUSALS[outcome] }, { status: outcome === "no-run" ? 409 : 404 });
  const plan = await planAndStore(dish).catch((error) => {
    console.error("events: recorded, but not planned again", error);
    return undefined;
  });
  return Response.json({ outcome, plan: plan?.status ?? "failed" });
}

import { findDish } from "@/db/queries/dishes";
import { listen, newsMark } from "@/server/changes";
import { database } from "@/server/database";
import { route } from "@/server/route";
import { MISSING } from "@/words/server";

const BEAT_MS = 25_000;

/**
 * News of a dish as server-sent events: a line for each new answer of the planner and each press, from whatever device. Whoever comes back with the
 * mark of older news (Last-Event-ID, or `since` of the page as it was drawn) is told at once that there is more.
 */
async function get(request: Request, { params }: { params: Promise<{ dish: string }> }) {
  const { dish } = await params;
  if (!(await findDish(await database(), dish))) return Response.json({ message: MISSING.dish }, { status: 404 });
  const known = request.headers.get("last-event-id") ?? new URL(request.url).searchParams.get("since");
  const encoder = new TextEncoder();
  let close = () => {};
  const stream = new ReadableStream({
    start(controller) {
      const say = (text: string) => {
        try {
          controller.enqueue(encoder.encode(text));
        } catch {
          close();
        }
      };
      const unlisten = listen(dish, (what) => (what === "end" ? close() : say(`id: ${newsMark(dish)}\ndata: ${what}\n\n`)));
      const beat = setInterval(() => say(": still here\n\n"), BEAT_MS);
      close = () => {
        clearInterval(beat);
        unlisten();
        close = () => {};
        try {
          controller.close();
        } catch {
          // Closed by the reader.
        }
      };
      request.signal.addEventListener("abort", () => close());
      say(`retry: 2000\nid: ${newsMark(dish)}\n${known !== null && known !== newsMark(dish) ? "data: log\n" : ""}\n`);
    },
    cancel() {
      close();
    },
  });
  return new Response(stream, {
    headers: { "content-type": "text/event-stream", "cache-control": "no-store, no-transform", "x-accel-buffering": "no" },
  });
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ GET: get });

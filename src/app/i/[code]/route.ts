import { NextResponse } from "next/server";
import { placeOfLabel } from "@/server/label-code";
import { route } from "@/server/route";
import { LABELS } from "@/words/labels";

/** The code of a label opens what it is on: in the larder, or else in its dish. */
async function get(_: Request, { params }: { params: Promise<{ code: string }> }) {
  const place = await placeOfLabel((await params).code);
  // A relative address: whatever this server is called by whoever asks.
  return place
    ? new NextResponse(null, { status: 307, headers: { location: place } })
    : Response.json({ message: LABELS.unknown }, { status: 404 });
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ GET: get });

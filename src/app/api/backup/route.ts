import { backUpNow, backupStream } from "@/server/backups";

/** Everything in one file. */
export async function GET() {
  const name = `rondeau-${new Date().toISOString().slice(0, 10)}.zip`;
  return new Response(await backupStream(), {
    headers: { "content-type": "application/zip", "content-disposition": `attachment; filename="${name}"`, "cache-control": "no-store" },
  });
}

/** A backup beside the data, now. */
export async function POST() {
  return Response.json({ made: await backUpNow(true) });
}

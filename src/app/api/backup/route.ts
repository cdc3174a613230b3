import { backUpNow, backupStream } from "@/server/backups";
import { route } from "@/server/route";

/** Everything in one file. */
async function get() {
  const name = `rondeau-${new Date().toISOString().slice(0, 10)}.zip`;
  return new Response(await backupStream(), {
    headers: { "content-type": "application/zip", "content-disposition": `attachment; filename="${name}"`, "cache-control": "no-store" },
  });
}

/** A backup beside the data, now. */
async function post() {
  return Response.json({ made: await backUpNow(true) });
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ GET: get, POST: post });

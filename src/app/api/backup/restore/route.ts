import { BadBackup } from "@/db/backup/read";
import { restoreFrom } from "@/server/backups";
import { route } from "@/server/route";

/** Puts the backup that is sent in the place of everything; what was there is kept beside it. */
async function post(request: Request) {
  if (!request.body) return Response.json({ message: "There is no file in the request." }, { status: 400 });
  try {
    return Response.json({ value: await restoreFrom(request.body) });
  } catch (error) {
    if (error instanceof BadBackup) return Response.json({ message: `${error.message} Nothing was changed.` }, { status: 422 });
    throw error;
  }
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ POST: post });

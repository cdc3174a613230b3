import { BadBackup } from "@/db/backup/read";
import { restoreFrom } from "@/server/backups";

/** Puts the backup that is sent in the place of everything; what was there is kept beside it. */
export async function POST(request: Request) {
  if (!request.body) return Response.json({ message: "There is no file in the request." }, { status: 400 });
  try {
    return Response.json({ value: await restoreFrom(request.body) });
  } catch (error) {
    if (error instanceof BadBackup) return Response.json({ message: `${error.message} Nothing was changed.` }, { status: 422 });
    throw error;
  }
}

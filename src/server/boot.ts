import "server-only";
// Start and stop of the server: the database is opened before the first request and closed after the last.
import { backUpDaily } from "./backups";
import { endAllStreams } from "./changes";
import { closeDatabase, database } from "./database";
import { seedDemo } from "./demo";
import { tidyPhotographs } from "./photographs";

let stopping = false;

export async function boot(): Promise<void> {
  try {
    await database();
    await tidyPhotographs();
    if (process.env.RONDEAU_DEMO === "1") await seedDemo();
    backUpDaily();
  } catch (error) {
    console.error(`rondeau: ${error instanceof Error ? error.message : String(error)}`);
    process.exit(1);
  }
  if (process.env.NEXT_MANUAL_SIG_HANDLE) {
    for (const signal of ["SIGTERM", "SIGINT"] as const) {
      process.on(signal, () => {
        if (stopping) return;
        stopping = true;
        endAllStreams();
        void closeDatabase().finally(() => process.exit(0));
      });
    }
  }
}

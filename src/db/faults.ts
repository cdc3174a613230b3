// Faults of the database that are no fault of the question: a full disk, PostgreSQL ended.
import { lastFault, PostgresEnded } from "./synced-fs";

/** Nothing of the transaction was kept, since the disk is full. */
export class DiskFull extends Error {
  constructor(cause: unknown) {
    super("The disk is full.", { cause });
    this.name = "DiskFull";
  }
}

const DISK_FULL_CODE = "53100";

/** PostgreSQL says so, or ended because its log could not be written. */
export function isFull(error: unknown): boolean {
  if (error instanceof DiskFull) return true;
  const { code, message = "" } = (error ?? {}) as { code?: string; message?: string };
  if (code === DISK_FULL_CODE || code === "ENOSPC" || code === "EDQUOT" || /no space left on device/i.test(message)) return true;
  return isGone(error) && (lastFault() === "ENOSPC" || lastFault() === "EDQUOT");
}

/** PostgreSQL has ended in this process: nothing more is answered by it. */
export function isGone(error: unknown): boolean {
  return (
    error instanceof PostgresEnded ||
    error instanceof WebAssembly.RuntimeError ||
    /^Aborted\(|program exited|PGlite (is closed|failed to initialize)/i.test(String((error as Error)?.message ?? ""))
  );
}

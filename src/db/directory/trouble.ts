// A data directory that cannot be opened: named, with its cause and what to do. It is left as it is.
import { existsSync, readdirSync } from "node:fs";
import path from "node:path";
import { cannotOpen, type DataTrouble } from "../../words/data";

export class DataDirectoryError extends Error {
  constructor(
    readonly directory: string,
    readonly trouble: DataTrouble,
  ) {
    super(cannotOpen(directory, trouble, newestBackup(directory)));
    this.name = "DataDirectoryError";
  }
}

export const backupsOf = (directory: string): string => path.join(directory, "backups");
/** As files of backups are called. */
export const BACKUP_NAME = /^rondeau-\d{4}-\d{2}-\d{2}(T[\d-]+)?\.zip$/;

/** The newest backup beside the data; undefined where there is none. */
export function newestBackup(directory: string): string | undefined {
  const backups = backupsOf(directory);
  if (!existsSync(backups)) return undefined;
  const name = readdirSync(backups)
    .filter((file) => BACKUP_NAME.test(file))
    .sort()
    .at(-1);
  return name && path.join(backups, name);
}

/** The trouble that a fault of the file system stands for; undefined where it is another fault. */
export function troubleOf(error: unknown): DataTrouble | undefined {
  const { code, path: file = "it" } = (error ?? {}) as NodeJS.ErrnoException;
  if (code === "EROFS") return { kind: "read-only" };
  if (code === "EACCES" || code === "EPERM") return { kind: "no-permission", file };
  if (code === "ENOSPC" || code === "EDQUOT") return { kind: "full" };
  if (code === "ENOTDIR" || code === "EEXIST") return { kind: "not-a-directory" };
  return undefined;
}

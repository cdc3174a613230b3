// What is said of a data directory that cannot be opened, of backups and of a full disk: what is wrong, where, and what to do.

export type DataTrouble =
  | { readonly kind: "read-only" }
  | { readonly kind: "no-permission"; readonly file: string }
  | { readonly kind: "full" }
  | { readonly kind: "not-a-directory" }
  | { readonly kind: "newer"; readonly what: string }
  | { readonly kind: "lost"; readonly file: string }
  | { readonly kind: "shorter"; readonly file: string; readonly bytes: number; readonly was: number }
  | { readonly kind: "rolled-back" }
  | { readonly kind: "damaged"; readonly what: string };

const CAUSES: { readonly [K in DataTrouble["kind"]]: (t: Extract<DataTrouble, { kind: K }>) => string } = {
  "read-only": () => "It is on a disk that can only be read.",
  "no-permission": (t) => `You may not read or write ${t.file}.`,
  full: () => "The disk is full.",
  "not-a-directory": () => "There is a file of that name, not a directory.",
  newer: (t) => `It was written by a newer version (${t.what}).`,
  lost: (t) => `The file ${t.file} is missing.`,
  shorter: (t) => `The file ${t.file} has ${t.bytes} bytes and had ${t.was}.`,
  "rolled-back": () => "It opens, but without what was last saved: a file of its log is missing or cut short.",
  damaged: (t) => `It is damaged (${t.what}).`,
};

const STEPS: { readonly [K in DataTrouble["kind"]]?: string } = {
  "read-only": "Make the disk writable, or set RONDEAU_DATA_DIR to another directory.",
  "no-permission": "Give yourself the right to it, or set RONDEAU_DATA_DIR to another directory.",
  full: "Free some space and start again.",
  "not-a-directory": "Set RONDEAU_DATA_DIR to another name.",
  newer: "Start it with that version, or set RONDEAU_DATA_DIR to another directory.",
};

/**
 * @param backup the newest backup that was found, to be restored
 * @example "The data directory /home/ada/.data cannot be opened. The file pg/PG_VERSION is missing. Nothing in it was deleted. Restore the …"
 */
export function cannotOpen(directory: string, trouble: DataTrouble, backup: string | undefined): string {
  const cause = (CAUSES[trouble.kind] as (t: DataTrouble) => string)(trouble);
  const restore = backup
    ? `Restore the last backup: ./rondeau restore ${backup}`
    : "No backup was found beside it. If you have one elsewhere: ./rondeau restore FILE";
  return `The data directory ${directory} cannot be opened. ${cause} Nothing in it was deleted. ${STEPS[trouble.kind] ?? restore}`;
}

export const DISK_FULL = "Not saved: the disk is full. What you typed is kept in this window.";

// How far the log of the database had come when something was last confirmed. A cluster whose log lost its end opens, without what was confirmed:
// held against this number it is told instead.
import { closeSync, fsyncSync, openSync, readFileSync, writeSync } from "node:fs";
import { crc32 } from "node:zlib";

const WIDTH = 32;

/** A position in the log as a number that grows: "0/16B3740" → 0x16B3740. */
export function positionOf(lsn: string): bigint {
  const [high = "0", low = "0"] = lsn.split("/");
  return (BigInt(`0x${high}`) << 32n) | BigInt(`0x${low}`);
}

const lineOf = (position: bigint): string => {
  const digits = position.toString(16).padStart(16, "0");
  return `${digits} ${crc32(digits).toString(16).padStart(8, "0")}\n`.padEnd(WIDTH, " ");
};

export class HighWater {
  readonly #handle: number;
  #last = 0n;

  /** @param file made where it is not there; the directory that names it is synced by whoever makes the directory */
  constructor(file: string) {
    this.#handle = openSync(file, "a+");
    closeSync(this.#handle);
    this.#handle = openSync(file, "r+");
  }

  /** Durable when this returns. One line, written in place: less than a sector, so a cut leaves the old or the new one. */
  raise(position: bigint): void {
    if (position <= this.#last) return;
    writeSync(this.#handle, lineOf(position), 0);
    fsyncSync(this.#handle);
    this.#last = position;
  }

  close(): void {
    closeSync(this.#handle);
  }
}

/** The highest position that was confirmed; 0 where none was written, or where the line is no such line. */
export function confirmedPosition(file: string): bigint {
  try {
    const [digits = "", sum] = readFileSync(file, "latin1").trim().split(" ");
    return crc32(digits).toString(16).padStart(8, "0") === sum ? BigInt(`0x${digits}`) : 0n;
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === "ENOENT") return 0n;
    throw error;
  }
}

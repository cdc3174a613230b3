import "server-only";
// The database of this process: opened once at boot, closed at the end.
import path from "node:path";
import type { Db } from "../db/db";
import { openDatabase } from "../db/open";
import { forgetRemembered } from "../db/remembered";

const shared = globalThis as typeof globalThis & { __rondeauDb?: Promise<Db> | undefined };

export const root = () => path.resolve(/*turbopackIgnore: true*/ process.cwd());

/** Where the data of this process are. */
export const dataDirectory = () =>
  path.resolve(/*turbopackIgnore: true*/ process.env.RONDEAU_DATA_DIR ?? path.join(/*turbopackIgnore: true*/ root(), ".data/demo"));

export const databaseWays = () => ({
  migrations: path.join(/*turbopackIgnore: true*/ root(), "src/db/migrations"),
  template: path.join(/*turbopackIgnore: true*/ root(), "dist/template"),
});

export function database(): Promise<Db> {
  if (process.env.NEXT_PHASE === "phase-production-build") throw new Error("database: none is opened during the build");
  shared.__rondeauDb ??= openDatabase({ directory: dataDirectory(), ...databaseWays() }).catch((error) => {
    shared.__rondeauDb = undefined;
    throw error;
  });
  return shared.__rondeauDb;
}

export async function closeDatabase(): Promise<void> {
  const open = shared.__rondeauDb;
  shared.__rondeauDb = undefined;
  if (open) await (await open).close();
  forgetRemembered();
}

// Numbered migrations, each applied once and in order.
import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import type { PGlite } from "@electric-sql/pglite";

const filesOf = (directory: string): string[] =>
  readdirSync(directory)
    .filter((f) => /^\d{3}_.*\.sql$/.test(f))
    .sort();

/** Migrations that a database has not had. `newer`: it has had one that is not known here. */
export async function pendingMigrations(db: PGlite, directory: string): Promise<{ files: string[]; newer: number | undefined }> {
  const known = filesOf(directory);
  const { rows } = await db.query<{ there: boolean }>("select to_regclass('public.migration') is not null as there");
  if (!rows[0]?.there) return { files: known, newer: undefined };
  const done = new Set((await db.query<{ number: number }>("select number from migration")).rows.map((r) => r.number));
  const numbers = new Set(known.map((f) => Number(f.slice(0, 3))));
  return { files: known.filter((f) => !done.has(Number(f.slice(0, 3)))), newer: [...done].find((n) => !numbers.has(n)) };
}

/** Applies what is missing. @returns the numbers applied now */
export async function migrate(db: PGlite, directory: string): Promise<number[]> {
  await db.exec(
    "create table if not exists migration (number integer primary key, name text not null, at timestamptz not null default now())",
  );
  const { rows } = await db.query<{ number: number }>("select number from migration order by number");
  const done = new Set(rows.map((r) => r.number));
  const applied: number[] = [];
  for (const file of filesOf(directory)) {
    const number = Number(file.slice(0, 3));
    if (done.has(number)) continue;
    const sql = readFileSync(path.join(directory, file), "utf8");
    await db.transaction(async (tx) => {
      await tx.exec(sql);
      await tx.query("insert into migration (number, name) values ($1, $2)", [number, file]);
    });
    applied.push(number);
  }
  return applied;
}

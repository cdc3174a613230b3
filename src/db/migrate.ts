// Numbered migrations, each applied once and in order.
import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import type { PGlite } from "@electric-sql/pglite";

/** Applies what is missing. @returns the numbers applied now */
export async function migrate(db: PGlite, directory: string): Promise<number[]> {
  await db.exec(
    "create table if not exists migration (number integer primary key, name text not null, at timestamptz not null default now())",
  );
  const { rows } = await db.query<{ number: number }>("select number from migration order by number");
  const done = new Set(rows.map((r) => r.number));
  const applied: number[] = [];
  for (const file of readdirSync(directory)
    .filter((f) => /^\d{3}_.*\.sql$/.test(f))
    .sort()) {
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

// Settings of the house: a value under a key.
import type { z } from "zod";
import type { Queryable } from "../db";

/** Undefined where it was never set, or holds what is no such value. */
export async function findSetting<T>(db: Queryable, key: string, schema: z.ZodType<T>): Promise<T | undefined> {
  const [row] = (await db.query("select value from setting where key = $1", [key])) as { value: unknown }[];
  return row && schema.safeParse(row.value).data;
}

export async function putSetting(db: Queryable, key: string, value: unknown): Promise<void> {
  await db.query(
    "insert into setting (key, value) values ($1, $2::jsonb) on conflict (key) do update set value = excluded.value, updated_at = now()",
    [key, JSON.stringify(value)],
  );
}

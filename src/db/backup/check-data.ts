// Whether a data directory is sound: a copy of it is opened and every row of every table is read as what it must be. The directory itself is not touched.
import { cpSync, existsSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { openDatabase } from "../open";
import { photographsNamed, readPhotograph } from "../photographs";
import { pages } from "./pages";
import { TABLES } from "./tables";

interface Checked {
  readonly rows: Readonly<Record<string, number>>;
  readonly problems: readonly string[];
}

/** @throws DataDirectoryError where it cannot be opened */
export async function checkData(directory: string, ways: { migrations: string; template?: string }): Promise<Checked> {
  const copy = mkdtempSync(path.join(tmpdir(), "rondeau-check-"));
  try {
    for (const name of ["pg", "rondeau.json"])
      if (existsSync(path.join(directory, name))) cpSync(path.join(directory, name), path.join(copy, name), { recursive: true });
    const db = await openDatabase({ directory: copy, ...ways });
    const rows: Record<string, number> = {};
    const problems: string[] = [];
    try {
      await db.transaction(async (tx) => {
        for (const { name, row, order } of TABLES) {
          let count = 0;
          for await (const page of pages<{ row: unknown }>(tx, `select to_jsonb(t) as row from ${name} t order by ${order}`))
            for (const { row: value } of page) {
              count += 1;
              const issue = row.safeParse(value).error?.issues[0];
              if (issue) problems.push(`${name}, row ${count}: ${issue.path.join(".")}: ${issue.message}`);
            }
          rows[name] = count;
        }
      });
      for (const sum of await photographsNamed(db))
        if (!readPhotograph(directory, sum)) problems.push(`photographs/${sum}.jpg: the picture is missing or was changed`);
    } finally {
      await db.close();
    }
    return { rows, problems };
  } finally {
    rmSync(copy, { recursive: true, force: true });
  }
}

// Whether a data directory is sound: a copy of it is opened and every row of every table is read as what it must be. The directory itself is not touched.
import { cpSync, existsSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { openDatabase } from "../open";
import { photographsNamed, readPhotograph } from "../photographs";
import { TABLES } from "./tables";

interface Checked {
  readonly rows: Readonly<Record<string, number>>;
  readonly problems: readonly string[];
}

const PAGE = 100;

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
      for (const { name, row, order } of TABLES) {
        rows[name] = 0;
        for (let from = 0; ; from += PAGE) {
          const page = (await db.query(`select to_jsonb(t) as row from ${name} t order by ${order} limit ${PAGE} offset ${from}`)) as {
            row: unknown;
          }[];
          for (const [i, { row: value }] of page.entries()) {
            const parsed = row.safeParse(value);
            const issue = parsed.error?.issues[0];
            if (issue) problems.push(`${name}, row ${from + i + 1}: ${issue.path.join(".")}: ${issue.message}`);
          }
          rows[name] += page.length;
          if (page.length < PAGE) break;
        }
      }
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

// A backup as a file: a zip of one JSON file for each table (a row a line), each dish as a dish file, the log as CSV, and a list of all of them with
// their lengths and SHA-256. Written in a stream from one moment of the database.
import { createHash } from "node:crypto";
import { createReadStream } from "node:fs";
import { Readable, Transform } from "node:stream";
import { finished, pipeline } from "node:stream/promises";
import { stringify } from "csv-stringify/sync";
import yazl from "yazl";
import { z } from "zod";
import type { Db, Queryable } from "../db";
import { photographFile, photographsNamed, readPhotograph } from "../photographs";
import { pages } from "./pages";
import { TABLES } from "./tables";

/** The second holds photographs; one without them is read as before. */
export const FORMAT = "rondeau-backup/2";
export const FORMATS: readonly string[] = ["rondeau-backup/1", FORMAT];
export const LIST = "manifest.json";

export const Manifest = z.object({
  format: z.string(),
  madeAt: z.string(),
  /** The number of the last change of the tables that the data has had. */
  tables: z.number().int().min(1),
  rows: z.record(z.string(), z.number().int().min(0)),
  files: z.array(z.object({ name: z.string(), bytes: z.number().int().min(0), sha256: z.string().regex(/^[0-9a-f]{64}$/) })),
});
export type Manifest = z.output<typeof Manifest>;

/** A row as the text that the database gives. */
interface Line {
  readonly line: string;
}

async function* tableFile(db: Queryable, name: string, order: string, count: (rows: number) => void): AsyncGenerator<string> {
  let first = true;
  yield "[";
  for await (const rows of pages<Line>(db, `select to_jsonb(t)::text as line from ${name} t order by ${order}`)) {
    count(rows.length);
    yield `${first ? "\n" : ",\n"}${rows.map((r) => r.line).join(",\n")}`;
    first = false;
  }
  yield "\n]\n";
}

async function* dishFile(db: Queryable, id: string): AsyncGenerator<string> {
  const [row] = (await db.query(
    "select (d.document || jsonb_build_object('kitchen', k.document))::text as line from dish d join kitchen k on k.id = d.kitchen_id where d.id = $1",
    [id],
  )) as { line: string }[];
  yield `${JSON.stringify(JSON.parse(row?.line ?? "{}"), null, 2)}\n`;
}

const LOG_COLUMNS = ["dish", "run_started", "sequence", "kind", "step", "at", "recorded_at", "by"];

async function* logFile(db: Queryable): AsyncGenerator<string> {
  yield `${LOG_COLUMNS.join(",")}\n`;
  const query = `select jsonb_build_array(d.slug, r.started_at, e.sequence, e.kind, e.step, e.at, e.recorded_at, e.data->>'by')::text as line
       from run_event e join run r on r.id = e.run_id join dish d on d.id = r.dish_id order by r.started_at, r.id, e.sequence`;
  for await (const rows of pages<Line>(db, query)) yield stringify(rows.map(({ line }) => (JSON.parse(line) as unknown[]).map(plainCell)));
}

/** A cell that a spreadsheet takes for text: one that begins like a formula is marked. */
const plainCell = (value: unknown) => (typeof value === "string" && /^[=+\-@\t\r]/.test(value) ? `'${value}` : value);

/**
 * Writes a backup of everything.
 * @param data the directory of the data, where the photographs stand
 * @param out ended when this resolves
 * @returns its list
 */
export async function writeBackup(db: Db, data: string, out: NodeJS.WritableStream, madeAt: Date): Promise<Manifest> {
  const zip = new yazl.ZipFile();
  const writing = Promise.race([
    pipeline(zip.outputStream as Readable, out),
    new Promise<never>((_, reject) => {
      zip.once("error", reject);
    }),
  ]);
  const files: Manifest["files"][number][] = [];
  const rows: Record<string, number> = {};
  const add = async (name: string, content: AsyncGenerator<string>) => {
    const hash = createHash("sha256");
    let bytes = 0;
    const measured = new Transform({
      transform(chunk: Buffer, _, done) {
        hash.update(chunk);
        bytes += chunk.length;
        done(null, chunk);
      },
    });
    zip.addReadStream(measured, name, { mtime: madeAt });
    await Promise.race([pipeline(Readable.from(content, { objectMode: false }), measured), writing]);
    files.push({ name, bytes, sha256: hash.digest("hex") });
  };
  // One transaction, so that all rows are of one moment. Other queries wait until it ends.
  const { sums, tables } = await db.transaction(async (tx) => {
    for (const { name, order } of TABLES) {
      rows[name] = 0;
      await add(
        `data/${name}.json`,
        tableFile(tx, name, order, (n) => {
          rows[name] = (rows[name] ?? 0) + n;
        }),
      );
    }
    const dishes = (await tx.query("select id, slug from dish order by slug")) as { id: string; slug: string }[];
    for (const { id, slug } of dishes) await add(`dishes/${slug}.json`, dishFile(tx, id));
    const [last] = (await tx.query("select max(number)::int4 as number from migration")) as { number: number }[];
    return { sums: await photographsNamed(tx), tables: last?.number ?? 1 };
  });
  // The log is only for people to read, so it may be a little newer: waiting queries are answered in between.
  await db.transaction((tx) => add("log.csv", logFile(tx)));
  // Photographs never change under their name. One at a time, so that only one is in memory.
  for (const sum of sums) {
    // A missing or damaged photograph does not stop the backup; check-data reports it.
    const bytes = readPhotograph(data, sum)?.length;
    if (bytes === undefined) continue;
    const name = `photographs/${sum}.jpg`;
    const picture = createReadStream(photographFile(data, sum));
    zip.addReadStream(picture, name, { mtime: madeAt, compress: false });
    await Promise.race([finished(picture), writing]);
    files.push({ name, bytes, sha256: sum });
  }
  const manifest: Manifest = { format: FORMAT, madeAt: madeAt.toISOString(), tables, rows, files };
  zip.addBuffer(Buffer.from(`${JSON.stringify(manifest, null, 2)}\n`), LIST, { mtime: madeAt });
  zip.end();
  await writing;
  return manifest;
}

// Reading a backup: nothing of it is believed before its list, its lengths, its sums and each of its rows have been looked at.
import { createHash } from "node:crypto";
import type { Readable } from "node:stream";
import yauzl from "yauzl";
import { FORMATS, LIST, Manifest } from "./archive";
import { TABLES } from "./tables";

/** A file that is no backup, or not a whole one: refused with what is wrong, before anything is replaced. */
export class BadBackup extends Error {}

const MOST_ENTRIES = 100_000;
const MOST_BYTES = 4 * 1024 ** 3;
const MOST_LIST_BYTES = 32 * 1024 ** 2;
/** A row of a table: a dish with all its steps is some hundred kilobytes. */
const MOST_LINE_BYTES = 64 * 1024 ** 2;
const KNOWN_NAME = /^(data\/[a-z_]{1,40}\.json|dishes\/[a-z0-9-]{1,200}\.json|photographs\/[0-9a-f]{64}\.jpg|log\.csv|manifest\.json)$/;

export interface Backup {
  readonly manifest: Manifest;
  /** The rows of a table as texts, each of which has been checked. */
  rows(table: string): AsyncGenerator<string>;
  /** The sums of the photographs in it. */
  readonly photographs: readonly string[];
  /** The picture of a sum, byte for byte. */
  photograph(sum: string): Promise<Buffer>;
  close(): void;
}

/** Opens a backup and verifies all of it. @throws BadBackup */
export async function openBackup(file: string): Promise<Backup> {
  const zip = await open(file);
  try {
    const entries = await entriesOf(zip);
    const list = entries.get(LIST);
    if (!list) throw new BadBackup(`${file} is a zip, but no backup: it has no ${LIST}.`);
    if (list.uncompressedSize > MOST_LIST_BYTES) throw new BadBackup(`The list in ${file} is larger than any list.`);
    const manifest = manifestOf(file, (await whole(zip, list)).toString("utf8"));
    await verify(zip, file, entries, manifest);
    const rows = (table: string) => linesOf(zip, entries.get(`data/${table}.json`) as yauzl.Entry);
    for (const table of TABLES) {
      if (!entries.has(`data/${table.name}.json`)) {
        if (table.name in manifest.rows) throw new BadBackup(`${file} is not whole: data/${table.name}.json is missing.`);
        continue;
      }
      let n = 0;
      for await (const line of rows(table.name)) {
        n++;
        const parsed = table.row.safeParse(parse(line));
        if (!parsed.success) {
          const issue = parsed.error.issues[0];
          throw new BadBackup(`${file}: row ${n} of ${table.name} is not as it should be: ${issue?.path.join(".")}: ${issue?.message}`);
        }
      }
      if (n !== manifest.rows[table.name])
        throw new BadBackup(`${file}: ${table.name} has ${n} rows, its list says ${manifest.rows[table.name]}.`);
    }
    const has = (table: string) => entries.has(`data/${table}.json`);
    return {
      manifest,
      rows: (table) => (has(table) ? rows(table) : nothing()),
      photographs: manifest.files.flatMap(({ name }) => /^photographs\/(\w+)\.jpg$/.exec(name)?.[1] ?? []),
      photograph: (sum) => whole(zip, entries.get(`photographs/${sum}.jpg`) as yauzl.Entry),
      close: () => zip.close(),
    };
  } catch (error) {
    zip.close();
    throw error;
  }
}

async function* nothing(): AsyncGenerator<string> {}

const parse = (line: string): unknown => {
  try {
    return JSON.parse(line);
  } catch {
    return undefined;
  }
};

function open(file: string): Promise<yauzl.ZipFile> {
  return new Promise((resolve, reject) => {
    yauzl.open(file, { autoClose: false, lazyEntries: true, validateEntrySizes: true, strictFileNames: true }, (error, zip) => {
      if (error) {
        const { code } = error as NodeJS.ErrnoException;
        reject(code ? error : new BadBackup(`${file} is no backup, or not all of it: it is no whole zip file.`));
      } else resolve(zip);
    });
  });
}

function entriesOf(zip: yauzl.ZipFile): Promise<Map<string, yauzl.Entry>> {
  const entries = new Map<string, yauzl.Entry>();
  let bytes = 0;
  return new Promise((resolve, reject) => {
    zip.on("error", (error: Error) => reject(new BadBackup(`The zip file is damaged (${error.message}).`)));
    zip.on("end", () => resolve(entries));
    zip.on("entry", (entry: yauzl.Entry) => {
      const name = entry.fileName;
      bytes += entry.uncompressedSize;
      if (!KNOWN_NAME.test(name))
        return reject(new BadBackup(`It holds a file that no backup has: ${JSON.stringify(name.slice(0, 120))}.`));
      if (entries.has(name)) return reject(new BadBackup(`It holds ${name} twice.`));
      if (entries.size >= MOST_ENTRIES || bytes > MOST_BYTES) return reject(new BadBackup("It is larger than any backup."));
      entries.set(name, entry);
      zip.readEntry();
    });
    zip.readEntry();
  });
}

function stream(zip: yauzl.ZipFile, entry: yauzl.Entry): Promise<Readable> {
  return new Promise((resolve, reject) => {
    zip.openReadStream(entry, (error, readable) =>
      error ? reject(new BadBackup(`${entry.fileName} cannot be read (${error.message}).`)) : resolve(readable),
    );
  });
}

async function whole(zip: yauzl.ZipFile, entry: yauzl.Entry): Promise<Buffer> {
  const chunks: Buffer[] = [];
  try {
    for await (const chunk of await stream(zip, entry)) chunks.push(chunk as Buffer);
  } catch (error) {
    throw error instanceof BadBackup ? error : new BadBackup(`${entry.fileName} cannot be read (${(error as Error).message}).`);
  }
  return Buffer.concat(chunks);
}

function manifestOf(file: string, text: string): Manifest {
  const value = parse(text) as { format?: unknown } | undefined;
  const format = typeof value?.format === "string" ? value.format : "";
  if (/^rondeau-backup\//.test(format) && !FORMATS.includes(format))
    throw new BadBackup(`${file} was made by a newer version (${format.slice(0, 40)}). Restore it with that one.`);
  const parsed = Manifest.safeParse(value);
  if (!parsed.success || !FORMATS.includes(format)) throw new BadBackup(`${file} is no backup of this kitchen: its list cannot be read.`);
  return parsed.data;
}

/** Each file of the list is there, as long as it says and with its sum; and nothing else is. */
async function verify(zip: yauzl.ZipFile, file: string, entries: ReadonlyMap<string, yauzl.Entry>, manifest: Manifest): Promise<void> {
  const listed = new Set(manifest.files.map((f) => f.name));
  for (const name of entries.keys())
    if (name !== LIST && !listed.has(name)) throw new BadBackup(`${file} holds ${name}, of which its list knows nothing.`);
  for (const { name, bytes, sha256 } of manifest.files) {
    const entry = entries.get(name);
    if (!entry) throw new BadBackup(`${file} is not whole: ${name} is missing.`);
    if (entry.uncompressedSize !== bytes) throw new BadBackup(`${file} was altered: ${name} has another length than its list says.`);
    const hash = createHash("sha256");
    try {
      for await (const chunk of await stream(zip, entry)) hash.update(chunk as Buffer);
    } catch (error) {
      throw error instanceof BadBackup ? error : new BadBackup(`${file} is damaged: ${name} cannot be read (${(error as Error).message}).`);
    }
    const found = hash.digest("hex");
    if (/^photographs\//.test(name) && name !== `photographs/${found}.jpg`)
      throw new BadBackup(`${file} was altered: ${name} is another picture than its name says.`);
    if (found !== sha256) throw new BadBackup(`${file} was altered: ${name} is not what it was.`);
  }
}

/** The rows of a table's file: one a line between brackets. */
async function* linesOf(zip: yauzl.ZipFile, entry: yauzl.Entry): AsyncGenerator<string> {
  let rest = "";
  const decoder = new TextDecoder("utf-8", { fatal: true });
  for await (const chunk of await stream(zip, entry)) {
    rest += decoder.decode(chunk as Buffer, { stream: true });
    const lines = rest.split("\n");
    rest = lines.pop() ?? "";
    if (rest.length > MOST_LINE_BYTES) throw new BadBackup(`${entry.fileName} has a row that is larger than any.`);
    for (const line of lines) if (line !== "[" && line !== "]" && line) yield line.replace(/,$/, "");
  }
}

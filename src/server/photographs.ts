import "server-only";
// Photographs of a run: turned upright, made smaller, stripped of where and by what they were taken, and kept beside the database.
import sharp from "sharp";
import { z } from "zod";
import { type Entry, PHOTOGRAPH_SUM } from "../core/record/entries";
import { dropPhotographs, keepPhotograph, photographsNamed, readPhotograph } from "../db/photographs";
import { findDish } from "../db/queries/dishes";
import { replacedIn } from "./backups";
import { database, dataDirectory } from "./database";
import { writeEntries } from "./entries";

const MOST_BYTES = 40 * 1024 ** 2;
const MOST_PIXELS = 120_000_000;
/** The longer side of what is kept, and of what a list shows. */
const KEPT_PIXELS = 2048;
const SMALL_PIXELS = 480;
const QUALITY = 82;

/** Query parameters that come with the picture. */
export const PhotographOf = z.object({
  key: z.uuid(),
  /** A run that is over; without it the one that is open. */
  run: z.uuid().optional(),
  step: z.string().min(3).max(161).optional(),
  text: z.string().trim().min(1).max(300).optional(),
});

export class BadPhotograph extends Error {}

/** The bytes of a request. @throws BadPhotograph where there are none or too many */
async function bytesOf(request: Request): Promise<Buffer> {
  const chunks: Uint8Array[] = [];
  let bytes = 0;
  // biome-ignore lint/suspicious/noExplicitAny: a stream can be gone through in Node, which its type does not know
  for await (const chunk of (request.body ?? []) as any) {
    bytes += chunk.length;
    if (bytes > MOST_BYTES) throw new BadPhotograph(`The picture is larger than ${MOST_BYTES / 1024 ** 2} MB.`);
    chunks.push(chunk);
  }
  if (bytes === 0) throw new BadPhotograph("There is no picture in the request.");
  return Buffer.concat(chunks);
}

/**
 * Takes the picture that is the body of a request, and keeps it: it is on disk once this resolves.
 * @throws BadPhotograph
 */
export async function pictureOf(request: Request): Promise<{ readonly sum: string; readonly width: number; readonly height: number }> {
  const given = await bytesOf(request);
  const { data, info } = await sharp(given, { limitInputPixels: MOST_PIXELS })
    .rotate()
    .resize(KEPT_PIXELS, KEPT_PIXELS, { fit: "inside", withoutEnlargement: true })
    .flatten({ background: "#ffffff" })
    .jpeg({ quality: QUALITY, mozjpeg: true })
    .toBuffer({ resolveWithObject: true })
    .catch(() => {
      throw new BadPhotograph("The picture cannot be read. Save it as JPEG, PNG or WebP and try again.");
    });
  return { sum: keepPhotograph(dataDirectory(), data), width: info.width, height: info.height };
}

/**
 * Keeps a picture of a run, and writes it down.
 * @returns undefined where there is no such dish, or no such run of it; else all that is written
 * @throws BadPhotograph
 */
export async function addPhotograph(
  slug: string,
  { key, run, step, text }: z.output<typeof PhotographOf>,
  request: Request,
): Promise<Entry[] | undefined> {
  if (!(await findDish(await database(), slug))) return undefined;
  const body = { kind: "photograph" as const, ...(await pictureOf(request)), ...(step ? { step } : {}), ...(text ? { text } : {}) };
  return writeEntries(slug, { ...(run ? { run } : {}), entries: [{ key, ago: 0, body }] });
}

/** A picture as it is kept, or small for a list; undefined where there is none of that sum. */
export async function loadPhotograph(sum: string, small: boolean): Promise<Uint8Array | undefined> {
  const bytes = PHOTOGRAPH_SUM.test(sum) ? readPhotograph(dataDirectory(), sum) : undefined;
  if (!bytes || !small) return bytes;
  return sharp(bytes).resize(SMALL_PIXELS, SMALL_PIXELS, { fit: "inside", withoutEnlargement: true }).jpeg({ quality: 76 }).toBuffer();
}

/** At the start, before anything is written: pictures that no entry names are removed, unless data that a restore has replaced may name them. */
export async function tidyPhotographs(): Promise<void> {
  if (replacedIn(dataDirectory()).length) return;
  dropPhotographs(dataDirectory(), new Set(await photographsNamed(await database())));
}

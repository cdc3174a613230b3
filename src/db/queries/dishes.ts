// Dishes and kitchens: documents with a version and a history that undo walks along.
import { z } from "zod";
import { DishFile, KitchenSchema } from "../../core/dish/schema";
import type { Queryable } from "../db";
import { remembered } from "../remembered";

const StoredDish = z
  .object({
    id: z.uuid(),
    slug: z.string(),
    name: z.string(),
    version: z.number().int(),
    document: DishFile,
    kitchen_id: z.uuid(),
    kitchen_version: z.number().int(),
    kitchen: KitchenSchema,
  })
  .transform((r) => ({
    id: r.id,
    slug: r.slug,
    name: r.name,
    version: r.version,
    document: { ...r.document, kitchen: r.kitchen },
    kitchenId: r.kitchen_id,
    kitchenVersion: r.kitchen_version,
  }));
export type StoredDish = z.output<typeof StoredDish>;

const FIELDS = `d.id, d.slug, d.name, d.version, d.document, d.kitchen_id, k.version as kitchen_version, k.document as kitchen
  from dish d join kitchen k on k.id = d.kitchen_id`;

const Listed = z
  .object({ slug: z.string(), name: z.string(), serve_at: z.string(), serves: z.number(), timezone: z.string() })
  .transform((r) => ({ slug: r.slug, name: r.name, serveAt: r.serve_at, serves: r.serves, timezone: r.timezone }));

export async function countDishes(db: Queryable): Promise<number> {
  return z.object({ n: z.number() }).parse((await db.query("select count(*)::int4 as n from dish"))[0]).n;
}

/**
 * Dishes, the next to be served first. No dish: an empty list.
 * @param most so many at most: those changed last
 */
export async function listDishes(db: Queryable, most?: number): Promise<z.output<typeof Listed>[]> {
  const rows = await db.query(
    `select slug, name, summary->>'serveAt' as serve_at, (summary->>'serves')::float8 as serves, summary->>'timezone' as timezone
       from (select slug, name, summary from dish order by updated_at desc limit ${most === undefined ? "all" : Math.floor(most)}) dish
      order by summary->>'serveAt', slug`,
  );
  return Listed.array().parse(rows);
}

const Parts = z.object({ slug: z.string(), name: z.string(), components: z.array(z.object({ id: z.string(), name: z.string() })) });

/** The components of one dish; undefined where there is no such dish. */
export async function findParts(db: Queryable, slug: string): Promise<z.output<typeof Parts>["components"] | undefined> {
  const rows = await db.query("select slug, name, summary->'components' as components from dish where slug = $1", [slug]);
  return Parts.array().parse(rows)[0]?.components;
}

/** Dishes with the names of their components, in the order of listDishes. */
export async function listDishParts(db: Queryable): Promise<z.output<typeof Parts>[]> {
  const rows = await db.query("select slug, name, summary->'components' as components from dish order by summary->>'serveAt', slug");
  return Parts.array().parse(rows);
}

/**
 * Dishes as they were read last. A document that is written gets another moment as well as another version: what a transaction wrote and took back
 * is not taken for what the next one writes under the same number.
 */
const lastRead = remembered<string, StoredDish>(12);
const Written = z.object({ id: z.uuid(), written: z.string() });
const WRITTEN = `select d.id, concat_ws(' ', d.id, d.slug, d.name, d.version, d.updated_at, d.kitchen_id, k.version, k.updated_at) as written
  from dish d join kitchen k on k.id = d.kitchen_id`;

async function dishOf(db: Queryable, rows: readonly unknown[]): Promise<StoredDish | undefined> {
  const head = Written.array().parse(rows)[0];
  if (!head) return undefined;
  const known = lastRead.get(head.written);
  if (known) return known;
  const dish = StoredDish.array().parse(await db.query(`select ${FIELDS} where d.id = $1`, [head.id]))[0];
  if (dish) lastRead.set(head.written, frozen(dish));
  return dish;
}

/** What is remembered may be read by many, and changed by none. */
function frozen<T>(value: T): T {
  if (typeof value === "object" && value !== null && !Object.isFrozen(value)) {
    Object.freeze(value);
    for (const part of Object.values(value)) frozen(part);
  }
  return value;
}

/** One dish with its kitchen in the document; undefined where the slug is unknown. It is read only. */
export async function findDish(db: Queryable, slug: string): Promise<StoredDish | undefined> {
  return dishOf(db, await db.query(`${WRITTEN} where d.slug = $1`, [slug]));
}

/** @throws where there is no such dish */
export async function getDishById(db: Queryable, id: string): Promise<StoredDish> {
  const dish = await dishOf(db, await db.query(`${WRITTEN} where d.id = $1`, [id]));
  if (!dish) throw new Error(`no dish ${id}`);
  return dish;
}

/** The kitchen that was changed last, or else first made: what a new dish is cooked in. Undefined where there is none yet. */
export async function findNewestKitchen(db: Queryable): Promise<z.output<typeof KitchenSchema> | undefined> {
  const rows = await db.query(
    "select k.document from kitchen k order by (select max(h.at) from kitchen_history h where h.kitchen_id = k.id and h.parent is not null) desc nulls last, (select count(*) from dish d where d.kitchen_id = k.id) desc, k.id limit 1",
  );
  return z.array(z.object({ document: KitchenSchema })).parse(rows)[0]?.document;
}

/** A kitchen with exactly this content, so that dishes of one house share it. */
export async function findKitchenLike(db: Queryable, document: unknown): Promise<string | undefined> {
  const rows = await db.query("select id from kitchen where document = $1::jsonb order by id limit 1", [JSON.stringify(document)]);
  return z.array(z.object({ id: z.uuid() })).parse(rows)[0]?.id;
}

export async function insertKitchen(db: Queryable, name: string, document: unknown): Promise<string> {
  const rows = await db.query("insert into kitchen (name, version, document) values ($1, 1, $2::jsonb) returning id", [
    name,
    JSON.stringify(document),
  ]);
  const { id } = z.object({ id: z.uuid() }).parse(rows[0]);
  await db.query("insert into kitchen_history (kitchen_id, version, parent, document, change) values ($1, 1, null, $2::jsonb, 'first')", [
    id,
    JSON.stringify(document),
  ]);
  return id;
}

/** Inserts a dish under a slug that is free: the wished-for one, or that with a number. @returns the slug */
export async function insertDish(db: Queryable, wish: string, name: string, document: unknown, kitchenId: string): Promise<string> {
  const taken = z
    .array(z.object({ slug: z.string() }))
    .parse(await db.query("select slug from dish where slug = $1 or slug like $2 order by slug", [wish, `${wish}-%`]));
  let slug = wish;
  for (let n = 2; taken.some((t) => t.slug === slug); n++) slug = `${wish}-${n}`;
  const rows = await db.query(
    "insert into dish (slug, name, version, document, kitchen_id) values ($1, $2, 1, $3::jsonb, $4) returning id",
    [slug, name, JSON.stringify(document), kitchenId],
  );
  const { id } = z.object({ id: z.uuid() }).parse(rows[0]);
  await db.query("insert into dish_history (dish_id, version, parent, document, change) values ($1, 1, null, $2::jsonb, 'first')", [
    id,
    JSON.stringify(document),
  ]);
  return slug;
}

type Documented = "dish" | "kitchen";
const HISTORY = { dish: "dish_history", kitchen: "kitchen_history" } as const;
const OWNER = { dish: "dish_id", kitchen: "kitchen_id" } as const;

/** Writes a new version over the one that the writer saw. @returns the new version, or undefined where somebody was faster */
export async function updateDocument(
  db: Queryable,
  what: Documented,
  id: string,
  seen: number,
  document: unknown,
  change: string,
): Promise<number | undefined> {
  const found = await db.query(`select version from ${what} where id = $1 for update`, [id]);
  const current = z.object({ version: z.number().int() }).parse(found[0]).version;
  if (current !== seen) return undefined;
  const newest = await db.query(`select max(version) as version from ${HISTORY[what]} where ${OWNER[what]} = $1`, [id]);
  const next = z.object({ version: z.number().int() }).parse(newest[0]).version + 1;
  await db.query(`insert into ${HISTORY[what]} (${OWNER[what]}, version, parent, document, change) values ($1, $2, $3, $4::jsonb, $5)`, [
    id,
    next,
    current,
    JSON.stringify(document),
    change,
  ]);
  await db.query(`update ${what} set version = $2, document = $3::jsonb, updated_at = now() where id = $1`, [
    id,
    next,
    JSON.stringify(document),
  ]);
  return next;
}

const Step = z.object({ version: z.number().int(), change: z.string() });

/** Puts the version before in force again, or with `redo` the newest that was made from this one. @returns the change undone or redone */
export async function stepHistory(db: Queryable, what: Documented, id: string, direction: "undo" | "redo"): Promise<string | undefined> {
  const history = HISTORY[what];
  const owner = OWNER[what];
  const rows =
    direction === "undo"
      ? await db.query(
          `select h.parent as version, h.change from ${what} t join ${history} h on h.${owner} = t.id and h.version = t.version where t.id = $1 and h.parent is not null`,
          [id],
        )
      : await db.query(
          `select h.version, h.change from ${what} t join ${history} h on h.${owner} = t.id and h.parent = t.version where t.id = $1 order by h.version desc limit 1`,
          [id],
        );
  const step = Step.array().parse(rows)[0];
  if (!step) return undefined;
  await db.query(
    `update ${what} t set version = h.version, document = h.document, updated_at = now() from ${history} h where t.id = $1 and h.${owner} = t.id and h.version = $2`,
    [id, step.version],
  );
  return step.change;
}

/** When that was changed which undo or redo would walk over now, in milliseconds; undefined where there is nothing. */
export async function findHistoryMoment(
  db: Queryable,
  what: Documented,
  id: string,
  direction: "undo" | "redo",
): Promise<number | undefined> {
  const [history, owner] = [HISTORY[what], OWNER[what]];
  const rows = await db.query(
    direction === "undo"
      ? `select (extract(epoch from h.at) * 1000)::float8 as at from ${what} t join ${history} h on h.${owner} = t.id and h.version = t.version where t.id = $1 and h.parent is not null`
      : `select (extract(epoch from h.at) * 1000)::float8 as at from ${what} t join ${history} h on h.${owner} = t.id and h.parent = t.version where t.id = $1 order by h.version desc limit 1`,
    [id],
  );
  return z.array(z.object({ at: z.number() })).parse(rows)[0]?.at;
}

/** Labels of what undo and redo would do now; undefined where there is nothing. */
export async function findHistorySteps(
  db: Queryable,
  what: Documented,
  id: string,
): Promise<{ undo: string | undefined; redo: string | undefined }> {
  const undo = await db.query(
    `select h.version, h.change from ${what} t join ${HISTORY[what]} h on h.${OWNER[what]} = t.id and h.version = t.version where t.id = $1 and h.parent is not null`,
    [id],
  );
  const redo = await db.query(
    `select h.version, h.change from ${what} t join ${HISTORY[what]} h on h.${OWNER[what]} = t.id and h.parent = t.version where t.id = $1 order by h.version desc limit 1`,
    [id],
  );
  return { undo: Step.array().parse(undo)[0]?.change, redo: Step.array().parse(redo)[0]?.change };
}

const Rows = z.object({
  history: z.array(z.unknown()),
  run: z.array(z.looseObject({ ended_at: z.string().nullable() })),
  run_event: z.array(z.unknown()),
  record_entry: z.array(z.looseObject({ kind: z.string(), data: z.looseObject({}) })),
});

/** Everything that belongs to a dish besides its document and plans, as rows: for its archive. */
export async function getDishRows(db: Queryable, id: string): Promise<z.output<typeof Rows>> {
  const of = async (query: string) => (await db.query(query, [id])).map((r) => (r as { row: unknown }).row);
  return Rows.parse({
    history: await of("select to_jsonb(t) as row from dish_history t where dish_id = $1 order by version"),
    run: await of("select to_jsonb(t) as row from run t where dish_id = $1 order by started_at"),
    run_event: await of(
      "select to_jsonb(t) as row from run_event t where run_id in (select id from run where dish_id = $1) order by run_id, sequence",
    ),
    record_entry: await of("select to_jsonb(t) as row from record_entry t where dish_id = $1 order by id"),
  });
}

const Placed = z
  .object({
    slug: z.string(),
    name: z.string(),
    serve_at: z.string(),
    serves: z.number(),
    timezone: z.string(),
    components: z.number().int(),
    run_open: z.boolean(),
    runs: z.number().int(),
    status: z.enum(["feasible", "infeasible"]).nullable(),
  })
  .transform(({ serve_at, run_open, ...r }) => ({ ...r, serveAt: serve_at, runOpen: run_open }));
export type PlacedDish = z.output<typeof Placed>;

const PLACED = `select d.slug, d.name, d.summary->>'serveAt' as serve_at, (d.summary->>'serves')::float8 as serves,
    d.summary->>'timezone' as timezone, jsonb_array_length(d.summary->'components') as components, o.open as run_open, o.runs,
    (select p.status from plan p where p.dish_id = d.id order by p.id desc limit 1) as status
  from dish d
  left join lateral (select coalesce(bool_or(ended_at is null), false) as open, count(*)::int4 as runs from run where dish_id = d.id) o on true`;

/**
 * Dishes under way and still to be served, then those that are past: a stretch of either list.
 * @param today wall-clock instant from which on a serving is ahead, "2026-11-29T19:30"
 */
export async function listPlaced(
  db: Queryable,
  part: "ahead" | "past",
  today: string,
  { from, most }: { readonly from: number; readonly most: number },
): Promise<PlacedDish[]> {
  const rows = await db.query(
    part === "ahead"
      ? `${PLACED} where o.open or d.summary->>'serveAt' >= $1 order by o.open desc, d.summary->>'serveAt', d.slug offset $2 limit $3`
      : `${PLACED} where not o.open and d.summary->>'serveAt' < $1 order by d.summary->>'serveAt' desc, d.slug offset $2 limit $3`,
    [today, from, most],
  );
  return Placed.array().parse(rows);
}

/** How many dishes there are in either list of `listPlaced`. */
export async function countPlaced(db: Queryable, today: string): Promise<{ ahead: number; past: number }> {
  const [row] = await db.query(
    `select count(*) filter (where ahead)::int4 as ahead, count(*) filter (where not ahead)::int4 as past
       from (select summary->>'serveAt' >= $1 or exists (select 1 from run where dish_id = dish.id and ended_at is null) as ahead from dish) d`,
    [today],
  );
  return z.object({ ahead: z.number(), past: z.number() }).parse(row);
}

const DishOutput = z.object({ slug: z.string(), dish: z.string(), output: z.string() });

/** Every output of every dish, "component.output", each once; the dishes that were changed last before the others. */
export async function listDishOutputs(db: Queryable): Promise<z.output<typeof DishOutput>[]> {
  const rows = await db.query(
    `select d.slug, d.summary->>'id' as dish, o as output from dish d, jsonb_array_elements_text(d.contents->'outputs') o
      order by d.updated_at desc, d.slug, o`,
  );
  return DishOutput.array().parse(rows);
}

const DishIngredients = z.object({ slug: z.string(), name: z.string(), ingredients: z.array(z.string()) });

/** The names of what goes into each dish; the ones that were changed last before the others. */
export async function listDishIngredients(db: Queryable, most: number): Promise<z.output<typeof DishIngredients>[]> {
  const rows = await db.query(
    `select slug, name, contents->'ingredients' as ingredients from dish where contents->'ingredients' <> '[]' order by updated_at desc, slug limit $1`,
    [most],
  );
  return DishIngredients.array().parse(rows);
}

// Plans and runs. Plans are kept as they were made; the newest of a dish is the one in force.
import { z } from "zod";
import { RunEventKind } from "../../core/record/progress";
import type { Queryable } from "../db";
import { remembered } from "../remembered";

const StoredPlan = z
  .object({
    id: z.number(),
    dish_version: z.number().int(),
    kitchen_version: z.number().int(),
    run_id: z.uuid().nullable(),
    run_sequence: z.number().int(),
    status: z.enum(["feasible", "infeasible"]),
    document: z.unknown(),
  })
  .transform((r) => ({
    id: r.id,
    dishVersion: r.dish_version,
    kitchenVersion: r.kitchen_version,
    runId: r.run_id ?? undefined,
    runSequence: r.run_sequence,
    status: r.status,
    document: r.document,
  }));
export type StoredPlan = z.output<typeof StoredPlan>;

const PLAN_FIELDS = "id, dish_version, kitchen_version, run_id, run_sequence, status, document";

/** Plans are never changed, and their numbers never used again: those read last are kept as they were read. */
const lastRead = remembered<number, StoredPlan>(24);
const PlanId = z.object({ id: z.number() });

async function planOf(db: Queryable, rows: readonly unknown[]): Promise<StoredPlan | undefined> {
  const id = PlanId.array().parse(rows)[0]?.id;
  if (id === undefined) return undefined;
  const known = lastRead.get(id);
  if (known) return known;
  const plan = StoredPlan.array().parse(await db.query(`select ${PLAN_FIELDS} from plan where id = $1 order by id`, [id]))[0];
  if (plan) lastRead.set(id, plan);
  return plan;
}

/** The newest answer of the planner for a dish; undefined where it was never asked. */
export async function findNewestPlan(db: Queryable, dishId: string): Promise<StoredPlan | undefined> {
  return planOf(db, await db.query("select id from plan where dish_id = $1 order by id desc limit 1", [dishId]));
}

/** An answer of the planner by its number; undefined where the dish has none such. */
export async function findPlanById(db: Queryable, dishId: string, id: number): Promise<StoredPlan | undefined> {
  return planOf(db, await db.query("select id from plan where dish_id = $1 and id = $2", [dishId, id]));
}

/** The newest plan that can be followed, also where a later answer was that there is none. */
export async function findNewestFeasible(db: Queryable, dishId: string): Promise<StoredPlan | undefined> {
  return planOf(db, await db.query("select id from plan where dish_id = $1 and status = 'feasible' order by id desc limit 1", [dishId]));
}

/** The newest plan that was made for just these versions; undefined where none was. */
export async function findPlanOfVersions(
  db: Queryable,
  dishId: string,
  dishVersion: number,
  kitchenVersion: number,
): Promise<StoredPlan | undefined> {
  return StoredPlan.array().parse(
    await db.query(
      `select ${PLAN_FIELDS} from plan where dish_id = $1 and dish_version = $2 and kitchen_version = $3 and status = 'feasible' order by id desc limit 1`,
      [dishId, dishVersion, kitchenVersion],
    ),
  )[0];
}

/** The newest plan of a run that was made before one of its events; undefined where none was. */
export async function findPlanBefore(db: Queryable, dishId: string, runId: string, sequence: number): Promise<StoredPlan | undefined> {
  return StoredPlan.array().parse(
    await db.query(
      `select ${PLAN_FIELDS} from plan
        where dish_id = $1 and status = 'feasible' and (run_id is null or run_id = $2) and run_sequence < $3
        order by id desc limit 1`,
      [dishId, runId, sequence],
    ),
  )[0];
}

interface NewPlan {
  readonly dishId: string;
  readonly dishVersion: number;
  readonly kitchenVersion: number;
  readonly runId: string | undefined;
  readonly runSequence: number;
  readonly status: "feasible" | "infeasible";
  readonly document: unknown;
  readonly madeAt: Date;
}

export async function insertPlan(db: Queryable, plan: NewPlan): Promise<void> {
  await db.query(
    `insert into plan (dish_id, dish_version, kitchen_version, run_id, run_sequence, status, document, made_at)
     values ($1, $2, $3, $4, $5, $6, $7::jsonb, $8)`,
    [
      plan.dishId,
      plan.dishVersion,
      plan.kitchenVersion,
      plan.runId ?? null,
      plan.runSequence,
      plan.status,
      JSON.stringify(plan.document),
      plan.madeAt,
    ],
  );
}

const OpenRun = z
  .object({ id: z.uuid(), dish_id: z.uuid(), started_at: z.date() })
  .transform((r) => ({ id: r.id, dishId: r.dish_id, startedAt: r.started_at }));
type OpenRun = z.output<typeof OpenRun>;

/** The run of a dish that is under way; undefined where none is. */
export async function findOpenRun(db: Queryable, dishId: string): Promise<OpenRun | undefined> {
  return OpenRun.array().parse(
    await db.query("select id, dish_id, started_at from run where dish_id = $1 and ended_at is null order by started_at limit 1", [dishId]),
  )[0];
}

const PressRow = z
  .object({
    id: z.uuid(),
    version: z.number().int(),
    kitchen_version: z.number().int(),
    run_id: z.uuid().nullable(),
    plan_id: z.number().nullable(),
  })
  .transform((r) => ({
    dishId: r.id,
    dishVersion: r.version,
    runId: r.run_id ?? undefined,
    /** As in the state of a dish: changes with dish, kitchen and the plan in force. */
    planStamp: [r.version, r.kitchen_version, r.plan_id ?? 0].join("."),
  }));
export type PressScene = z.output<typeof PressRow>;

/** What a press has to know of its dish, without reading it: versions, the open run, the plan in force. Undefined where there is no such dish. */
export async function findPressScene(db: Queryable, slug: string): Promise<PressScene | undefined> {
  return PressRow.array().parse(
    await db.query(
      `select d.id, d.version, k.version as kitchen_version,
              (select r.id from run r where r.dish_id = d.id and r.ended_at is null order by r.started_at limit 1) as run_id,
              (select max(p.id)::float8 from plan p where p.dish_id = d.id and p.status = 'feasible') as plan_id
         from dish d join kitchen k on k.id = d.kitchen_id
        where d.slug = $1
        order by d.id`,
      [slug],
    ),
  )[0];
}

/** Starts a run, or gives the one that is open already. */
export async function insertRun(db: Queryable, dishId: string, at: Date): Promise<OpenRun> {
  await db.query("insert into run (dish_id, started_at) values ($1, $2) on conflict do nothing", [dishId, at]);
  return (await findOpenRun(db, dishId)) as OpenRun;
}

export async function updateRunEnded(db: Queryable, id: string, at: Date): Promise<void> {
  await db.query("update run set ended_at = $2 where id = $1 and ended_at is null", [id, at]);
}

const StoredEvent = z
  .object({
    sequence: z.number().int(),
    kind: RunEventKind,
    step: z.string(),
    at: z.date(),
    data: z.looseObject({ of: z.number().int().optional(), by: z.string().optional() }),
    recorded_at: z.date(),
  })
  .transform((r) => ({
    sequence: r.sequence,
    kind: r.kind,
    step: r.step,
    at: Math.round(r.at.getTime() / 60_000),
    ...(r.data.of === undefined ? {} : { of: r.data.of }),
    ...(r.data.by === undefined ? {} : { by: r.data.by }),
  }));

/** Events of a run in their order. */
export async function listRunEvents(db: Queryable, runId: string): Promise<z.output<typeof StoredEvent>[]> {
  return StoredEvent.array().parse(
    await db.query("select sequence, kind, step, at, data, recorded_at from run_event where run_id = $1 order by sequence", [runId]),
  );
}

/** Appends an event once: the same key a second time (a repeated press, a retry) changes nothing. */
const KeyRow = z.object({
  run_id: z.uuid(),
  kind: z.string(),
  step: z.string().nullable(),
  data: z.looseObject({ of: z.number().optional(), by: z.string().optional() }),
});

/** @returns "again" where the same press was written before; "other" where its key was used for something else, and nothing is written */
export async function insertRunEvent(
  db: Queryable,
  runId: string,
  event: {
    readonly key: string;
    readonly kind: RunEventKind;
    readonly step: string;
    readonly at: Date;
    /** Of a withdrawal: the sequence of the event that it undoes. */
    readonly of?: number | undefined;
    /** The cook who pressed. */
    readonly by?: string | undefined;
    readonly recordedAt?: Date | undefined;
  },
): Promise<"new" | "again" | "other"> {
  await db.query("select id from run where id = $1 for update", [runId]);
  const data = { of: event.of, by: event.by };
  const [before] = await db.query("select run_id, kind, step, data from run_event where key = $1", [event.key]);
  if (before) {
    const { run_id, kind, step, data: then } = KeyRow.parse(before);
    const same = run_id === runId && kind === event.kind && step === event.step && then.of === data.of && then.by === data.by;
    return same ? "again" : "other";
  }
  await db.query(
    `insert into run_event (run_id, sequence, key, kind, step, at, data, recorded_at)
     select $1, coalesce(max(sequence), 0) + 1, $2, $3, $4, $5, $6::jsonb, $7 from run_event where run_id = $1`,
    [runId, event.key, event.kind, event.step, event.at, JSON.stringify(data), event.recordedAt ?? new Date()],
  );
  return "new";
}

/** Whether a press with this key has been written. */
export async function isWritten(db: Queryable, key: string): Promise<boolean> {
  return (await db.query("select 1 from run_event where key = $1", [key])).length > 0;
}

/** When the newest press of a run was written down; undefined where there is none. */
export async function findLastRecorded(db: Queryable, runId: string): Promise<Date | undefined> {
  const [row] = await db.query("select max(recorded_at) as at from run_event where run_id = $1", [runId]);
  return z.object({ at: z.date().nullable() }).parse(row).at ?? undefined;
}

/** Plans are kept so long whatever they are. */
const KEPT_DAYS = 7;

/**
 * Drops plans that nobody needs: older than a week, neither the one in force of a version of dish and kitchen, nor the newest answer of the dish, nor
 * one that was followed in a run.
 * @returns how many were dropped
 */
export async function prunePlans(db: Queryable, now: Date): Promise<number> {
  const rows = await db.query(
    `delete from plan p
      where p.made_at < $1::timestamptz - make_interval(days => ${KEPT_DAYS})
        and not (p.status = 'feasible' and p.run_id is not null)
        and p.id not in (select max(id) from plan group by dish_id)
        and p.id not in (select max(id) from plan where status = 'feasible' group by dish_id, dish_version, kitchen_version)
     returning p.id`,
    [now.toISOString()],
  );
  return rows.length;
}

// The tables in the order in which they refer to one another, with what each row must be. A backup holds all of them; a check reads them all.
import { z } from "zod";
import { DishFile, KitchenSchema } from "../../core/dish/schema";
import { LARDER_KINDS, LarderItemId } from "../../core/larder/events";
import { Aim, BATCH_KINDS } from "../../core/record/batches";
import { ENTRY_KINDS } from "../../core/record/entries";
import { RunEventKind } from "../../core/record/progress";
import { KeptRehearsal } from "../../core/view/rehearsed-plan";

const instant = z.string().regex(/^\d{4,6}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?\+00:00$/);
const version = z.number().int().min(1);

const Kitchen = z.object({ id: z.uuid(), name: z.string(), version, document: KitchenSchema, updated_at: instant });
const KitchenHistory = z.object({
  kitchen_id: z.uuid(),
  version,
  parent: z.number().int().nullable(),
  document: KitchenSchema,
  change: z.string(),
  at: instant,
});
const Dish = z.object({
  id: z.uuid(),
  slug: z.string().min(1),
  name: z.string(),
  version,
  document: DishFile,
  kitchen_id: z.uuid(),
  created_at: instant,
  updated_at: instant,
});
const DishHistory = z.object({
  dish_id: z.uuid(),
  version,
  parent: z.number().int().nullable(),
  document: DishFile,
  change: z.string(),
  at: instant,
});
const Run = z.object({ id: z.uuid(), dish_id: z.uuid(), started_at: instant, ended_at: instant.nullable() });
const Plan = z.object({
  id: z.number().int(),
  dish_id: z.uuid(),
  dish_version: version,
  kitchen_version: version,
  run_id: z.uuid().nullable(),
  run_sequence: z.number().int().min(0),
  status: z.enum(["feasible", "infeasible"]),
  document: z.looseObject({}),
  made_at: instant,
});
const RunEvent = z.object({
  run_id: z.uuid(),
  sequence: version,
  key: z.uuid(),
  kind: RunEventKind,
  step: z.string().nullable(),
  at: instant,
  data: z.looseObject({}),
  recorded_at: instant,
});
const RecordEntry = z.object({
  id: z.number().int(),
  dish_id: z.uuid(),
  run_id: z.uuid().nullable(),
  key: z.uuid(),
  kind: z.enum(ENTRY_KINDS),
  step: z.string().nullable(),
  at: instant,
  data: z.looseObject({}),
  recorded_at: instant,
});
const Rehearsal = z.object({ id: z.number().int(), dish_id: z.uuid(), plan_stamp: z.string(), data: KeptRehearsal, at: instant });
const LarderRow = z.object({
  id: z.number().int(),
  key: z.uuid(),
  item: LarderItemId,
  kind: z.enum(LARDER_KINDS),
  at: instant,
  data: z.looseObject({}),
  recorded_at: instant,
});
const Batch = z.object({ id: z.uuid(), name: z.string(), aim: Aim.nullable(), started_at: instant, ended_at: instant.nullable() });
const BatchRow = z.object({
  id: z.number().int(),
  batch_id: z.uuid(),
  key: z.uuid(),
  kind: z.enum(BATCH_KINDS),
  at: instant,
  data: z.looseObject({}),
  recorded_at: instant,
});
const Acknowledgement = z.object({ dish_id: z.uuid(), finding: z.string(), print: z.string(), at: instant });
const Setting = z.object({ key: z.string(), value: z.unknown(), updated_at: instant });

export interface Table {
  readonly name: string;
  readonly row: z.ZodType;
  /** Columns by which its rows are read in order, one page after another. */
  readonly order: string;
}

export const TABLES: readonly Table[] = [
  { name: "kitchen", row: Kitchen, order: "id" },
  { name: "kitchen_history", row: KitchenHistory, order: "kitchen_id, version" },
  { name: "dish", row: Dish, order: "id" },
  { name: "dish_history", row: DishHistory, order: "dish_id, version" },
  { name: "run", row: Run, order: "id" },
  { name: "plan", row: Plan, order: "id" },
  { name: "run_event", row: RunEvent, order: "run_id, sequence" },
  { name: "record_entry", row: RecordEntry, order: "id" },
  { name: "rehearsal", row: Rehearsal, order: "id" },
  { name: "larder_event", row: LarderRow, order: "id" },
  { name: "batch", row: Batch, order: "id" },
  { name: "batch_entry", row: BatchRow, order: "id" },
  { name: "acknowledgement", row: Acknowledgement, order: "dish_id, finding" },
  { name: "setting", row: Setting, order: "key" },
];

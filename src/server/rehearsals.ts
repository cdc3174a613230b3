import "server-only";
// Rehearsals: kept as they were made in the page, and read again with whether the plan is still the one that was rehearsed.
import { z } from "zod";
import { KeptRehearsal } from "../core/view/rehearsed-plan";
import { findDish } from "../db/queries/dishes";
import { findLastRehearsal, insertRehearsal } from "../db/queries/rehearsals";
import { nowMs } from "./clock";
import { database } from "./database";

export const NewRehearsal = z.object({ planStamp: z.string().min(1).max(400), rehearsal: KeptRehearsal });

/** Undefined where it was never rehearsed. */
export async function loadLastRehearsal(slug: string) {
  const db = await database();
  const stored = await findDish(db, slug);
  return stored && findLastRehearsal(db, stored.id);
}

/** @returns whether there is such a dish */
export async function keepRehearsal(slug: string, { planStamp, rehearsal }: z.output<typeof NewRehearsal>): Promise<boolean> {
  const db = await database();
  const stored = await findDish(db, slug);
  if (!stored) return false;
  await db.transaction((tx) => insertRehearsal(tx, stored.id, planStamp, rehearsal, new Date(nowMs())));
  return true;
}

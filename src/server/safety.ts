import "server-only";
// What the rules of safety find in a dish and its plan, and what the cook has acknowledged of it.
import { cache } from "react";
import { z } from "zod";
import { dishModel } from "../core/dish/read-model";
import { type FindingView, findingViews } from "../core/safety/view";
import { listAcknowledgements, putAcknowledgement } from "../db/queries/acknowledgements";
import { findDish } from "../db/queries/dishes";
import type { PressScene } from "../db/queries/runs";
import { remembered } from "../db/remembered";
import { onNews } from "./changes";
import { nowMs } from "./clock";
import { database } from "./database";
import { chosenOf } from "./plan-note";
import { loadState } from "./state";

/** Undefined where there is no such dish. Read once for a request. */
export const loadFindings = cache(async (slug: string): Promise<readonly FindingView[] | undefined> => {
  const state = await loadState(slug);
  if (!state) return undefined;
  const db = await database();
  const stored = await findDish(db, slug);
  const acknowledged = stored ? await listAcknowledgements(db, stored.id) : new Map<string, string>();
  // The rules look at dish, kitchen, plan and what was acknowledged: a press that changes none of these is answered from before.
  const key = keyOf(stored?.id, state.planStamp, acknowledged);
  const kept = known.get(key);
  if (kept) return kept;
  const found = findingViews({
    document: state.document,
    dish: dishModel(state.document),
    chosen: chosenOf(state),
    view: state.plan,
    acknowledged,
  });
  known.set(key, found);
  latest.set(keyOf(stored?.id, withoutPlan(state.planStamp), acknowledged), found);
  return found;
});

const keyOf = (id: string | undefined, planStamp: string, acknowledged: ReadonlyMap<string, string>) =>
  [id, planStamp, ...[...acknowledged].sort().flat()].join(" ");

/** The findings for a press: from before, where dish, kitchen, plan and acknowledgements are as they were; read anew else. */
export async function findingsForPress(slug: string, scene: PressScene): Promise<readonly FindingView[]> {
  const acknowledged = await listAcknowledgements(await database(), scene.dishId);
  // Where only the plan is newer, what was found with the one before counts until the new one has been looked at, a moment later.
  const before = latest.get(keyOf(scene.dishId, withoutPlan(scene.planStamp), acknowledged));
  return known.get(keyOf(scene.dishId, scene.planStamp, acknowledged)) ?? before ?? (await loadFindings(slug)) ?? [];
}

/** What the rules find is worked out as soon as a plan is there, so that no press waits for it. */
onNews((slug, what) => {
  if (what !== "plan") return;
  clearTimeout(looking.get(slug));
  looking.set(
    slug,
    setTimeout(() => void loadFindings(slug).catch(() => {}), LOOKED_AFTER_MS),
  );
});

const LOOKED_AFTER_MS = 300;
const MOST_KEPT = 60;
const looking = new Map<string, ReturnType<typeof setTimeout>>();
const latest = remembered<string, readonly FindingView[]>(MOST_KEPT);
const withoutPlan = (planStamp: string) => planStamp.slice(0, planStamp.lastIndexOf("."));

const known = remembered<string, readonly FindingView[]>(MOST_KEPT);

export const Acknowledged = z.object({
  acknowledge: z
    .array(z.object({ id: z.string().max(400), print: z.string().max(16) }))
    .min(1)
    .max(200),
});

type AcknowledgeOutcome = { readonly status: "done" | "missing" } | { readonly status: "refused"; readonly message: string };

/** Written down before it is confirmed. What is past a hard limit is not acknowledged, and what has changed meanwhile is asked anew. */
export async function acknowledge(slug: string, { acknowledge: list }: z.output<typeof Acknowledged>): Promise<AcknowledgeOutcome> {
  const db = await database();
  const stored = await findDish(db, slug);
  const findings = await loadFindings(slug);
  if (!stored || !findings) return { status: "missing" };
  for (const { id, print } of list) {
    const found = findings.find((f) => f.id === id);
    if (!found || found.print !== print)
      return { status: "refused", message: "This finding has changed meanwhile. Read it again, then acknowledge it." };
    if (found.hard) return { status: "refused", message: `${found.title}: this is past a limit. It cannot be acknowledged, only fixed.` };
  }
  await db.transaction(async (tx) => {
    for (const { id, print } of list) await putAcknowledgement(tx, stored.id, id, print, new Date(nowMs()));
  });
  return { status: "done" };
}

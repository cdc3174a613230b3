import { dishModel } from "@/core/dish/read-model";
import { PlanFile, planFromFile } from "@/core/planner";
import { planCalendar } from "@/core/sheets/calendar";
import { planView } from "@/core/view/plan-view";
import { spokenTexts } from "@/core/view/spoken-texts";
import { findDish } from "@/db/queries/dishes";
import { findNewestFeasible } from "@/db/queries/runs";
import { readerConventions } from "@/server/conventions";
import { database } from "@/server/database";
import { route } from "@/server/route";
import { MISSING } from "@/words/server";

/** The plan in force as iCalendar: what needs hands, and the rounds. */
async function get(_request: Request, { params }: { params: Promise<{ dish: string }> }) {
  const db = await database();
  const stored = await findDish(db, (await params).dish);
  const newest = stored && (await findNewestFeasible(db, stored.id));
  if (!stored || !newest) return Response.json({ message: stored ? MISSING.plan : MISSING.dish }, { status: 404 });
  const dish = dishModel(stored.document);
  const plan = planFromFile(PlanFile.parse(newest.document), dish.zone);
  return new Response(
    planCalendar(dish.id, stored.document.dish.name, spokenTexts(planView(dish, plan), await readerConventions()), plan),
    {
      headers: {
        "content-type": "text/calendar; charset=utf-8",
        "content-disposition": `attachment; filename="${stored.slug}.ics"`,
        "cache-control": "no-store",
      },
    },
  );
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ GET: get });

// Something has happened that the plan did not know: what can be done about it, at most three ways, each to be planned and looked at before it is chosen.

import { boughtInstead } from "../dish/edit/larder";
import { freeId } from "../dish/edit/places";
import { documentChange } from "../dish/feast";
import type { PatchOperation } from "../dish/patch";
import type { DishFile } from "../dish/schema";
import { pinMethodsChange } from "../dish/wishes";
import type { Told } from "../planner/told";
import { lower } from "../sentence";
import { spokenDuration } from "../time/duration";
import type { Zone } from "../time/zone";
import type { PlanView, StepView } from "../view/plan-view";

export type Mishap =
  | { readonly kind: "longer"; readonly step: string; readonly minutes: number }
  | { readonly kind: "failed"; readonly component: string }
  | { readonly kind: "stopped"; readonly equipment: string }
  /** From now until a minute. */
  | { readonly kind: "help"; readonly cook: string; readonly until: number }
  | { readonly kind: "late"; readonly minutes: number }
  | { readonly kind: "guests"; readonly serves: number }
  | { readonly kind: "skip"; readonly step: string };

export interface Way {
  readonly key: string;
  readonly title: string;
  readonly change: readonly PatchOperation[];
  /** What is written into the log with it. */
  readonly told: readonly Told[];
}

interface Situation {
  readonly document: DishFile;
  readonly plan: PlanView;
  readonly zone: Zone;
  /** The planner's minute. */
  readonly now: number;
}

const MOST_WAYS = 3;
/** What happened to a thing lasts until well after serving. */
const AFTER_SERVING_MINUTES = 1440;
/** As far as dates of a dish go. */
const FOREVER = "2199-12-31T00:00";

/**
 * Ways on, the one that keeps most of the plan first. None of them has been planned: some may turn out to be impossible.
 * @returns at most three; none where what happened is not of this dish
 */
export function waysOn(s: Situation, mishap: Mishap): Way[] {
  return waysOf(s, mishap).slice(0, MOST_WAYS);
}

function waysOf(s: Situation, mishap: Mishap): Way[] {
  const serveLater = (minutes: number): PatchOperation => ({
    op: "replace",
    path: "/dish/serveAt",
    value: s.zone.toWallInstant(s.plan.serveAt + minutes),
  });
  switch (mishap.kind) {
    case "longer": {
      const step = s.plan.steps.find((x) => x.ref === mishap.step);
      const told: Told[] = step ? [{ kind: "estimate", step: step.ref, at: Math.max(step.end, s.now) + mishap.minutes }] : [];
      return [
        { key: "follow", title: "Keep the serving time", change: [], told },
        {
          key: "later",
          title: `Serve ${spokenDuration(mishap.minutes)} later`,
          change: [serveLater(mishap.minutes)],
          told,
        },
      ];
    }
    case "failed":
      return afterFailure(s, mishap.component);
    case "stopped":
      return withoutThing(s, mishap.equipment);
    case "help":
      return withoutHands(s, mishap.cook, mishap.until, serveLater);
    case "late":
      return [
        { key: "later", title: `Serve ${spokenDuration(mishap.minutes)} later`, change: [serveLater(mishap.minutes)], told: [] },
        { key: "stay", title: "Serve as planned", change: [], told: [] },
      ];
    case "guests":
      return [
        {
          key: "more",
          title: `Make it for ${mishap.serves}`,
          change: [{ op: "replace", path: "/dish/serves", value: mishap.serves }],
          told: [],
        },
        { key: "stay", title: "Smaller portions, nothing else", change: [], told: [] },
      ];
    case "skip":
      return [{ key: "skip", title: "Leave it out", change: [], told: [{ kind: "skipped", step: mishap.step, at: s.now }] }];
  }
}

/** Steps of a component that have begun: they count no more once it is made again. */
const begunOf = (plan: PlanView, component: string): StepView[] =>
  plan.steps.filter((x) => x.component === component && x.state !== "planned");

function afterFailure({ document, plan, now }: Situation, id: string): Way[] {
  const component = document.components.find((c) => c.id === id);
  const shown = plan.components.find((c) => c.id === id);
  if (!component) return [];
  const again: Told[] = begunOf(plan, id).map((x) => ({ kind: "void", step: x.ref, at: now }));
  const ways: Way[] = [];
  if (component.fallback)
    ways.push({
      key: "instead",
      title: `Use ${lower(component.fallback.name)}`,
      change: documentChange(document, boughtInstead(document, id, true)),
      told: again,
    });
  ways.push({ key: "again", title: "Make it again", change: [], told: again });
  for (const method of component.methods) {
    const name = method.name ?? method.id;
    if (component.methods.length > 1 && name !== shown?.method)
      ways.push({
        key: `method ${method.id}`,
        title: `Make it again: ${lower(name)}`,
        change: pinMethodsChange(document, { [id]: method.id }),
        told: again,
      });
  }
  return ways;
}

function withoutThing({ document, plan, zone, now }: Situation, id: string): Way[] {
  const things = document.kitchen?.equipment ?? [];
  const at = things.findIndex((e) => e.id === id);
  const thing = things[at];
  if (!thing) return [];
  const name = thing.name ?? thing.kind;
  // What was running in it has to be done again; what is planned there finds another place.
  const told: Told[] = plan.steps
    .filter((x) => x.state === "running" && x.equipment.includes(name))
    .map((x) => ({ kind: "void", step: x.ref, at: now }));
  const over = zone.toWallInstant(Math.max(plan.serveAt, plan.ends) + AFTER_SERVING_MINUTES);
  // The kitchen is that of other dishes too: what stopped is there again for the next one, and what is borrowed goes back.
  const gone: PatchOperation = {
    op: "add",
    path: `/kitchen/equipment/${at}/available`,
    value: [
      { from: zone.toWallInstant(plan.begins - AFTER_SERVING_MINUTES), to: zone.toWallInstant(now) },
      { from: over, to: FOREVER },
    ],
  };
  const borrowed = {
    ...thing,
    id: freeId(
      `borrowed ${id}`,
      things.map((e) => e.id),
    ),
    name: `Neighbour's ${lower(name)}`,
    available: [{ from: zone.toWallInstant(now), to: over }],
  };
  return [
    { key: "without", title: `Do without the ${lower(name)}`, change: [gone], told },
    {
      key: "borrow",
      title: `Use a neighbour's ${lower(name)}`,
      change: [gone, { op: "add", path: "/kitchen/equipment/-", value: borrowed }],
      told,
    },
    {
      key: "without later",
      title: `Do without it and serve ${spokenDuration(60)} later`,
      change: [gone, { op: "replace", path: "/dish/serveAt", value: zone.toWallInstant(plan.serveAt + 60) }],
      told,
    },
  ];
}

function withoutHands(
  { document, zone, now }: Situation,
  id: string,
  until: number,
  serveLater: (minutes: number) => PatchOperation,
): Way[] {
  const cooks = document.kitchen?.cooks ?? [];
  const at = cooks.findIndex((c) => c.id === id);
  const cook = cooks[at];
  if (!cook || until <= now) return [];
  const span = { from: zone.toWallInstant(now), to: zone.toWallInstant(until) };
  const away: PatchOperation = { op: "add", path: `/kitchen/cooks/${at}/away`, value: [...(cook.away ?? []), span] };
  const helper = freeId(
    "helper",
    cooks.map((c) => c.id),
  );
  return [
    { key: "without", title: "Plan round it", change: [away], told: [] },
    {
      key: "helper",
      title: "Somebody else helps meanwhile",
      change: [away, { op: "add", path: "/kitchen/cooks/-", value: { id: helper, name: "Helper", hours: [span] } }],
      told: [],
    },
    { key: "later", title: `Serve ${spokenDuration(60)} later`, change: [away, serveLater(60)], told: [] },
  ];
}

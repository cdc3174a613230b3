// A feast: another dish on the same table. Its components join those of the first, its serving becomes a course at an hour of its own; one
// kitchen, one plan. What comes out is a dish like any other.
import { durationText, minutesOf } from "../time/duration";
import { Zone } from "../time/zone";
import type { PatchOperation } from "./patch";
import { withRenamedRefs } from "./references";
import type { DishComponent, DishFile } from "./schema";
import { isStepPin } from "./wishes";

export interface Joining {
  /** Minutes from the serving of the first dish to that of the added one; may be below 0. */
  readonly after: number;
}

/** Names of the courses that a feast's components belong to; the first is that of the dish itself. Empty where it is no feast. */
export function coursesOf(document: DishFile): string[] {
  const names = [...new Set(document.components.flatMap((c) => (c.course === undefined ? [] : [c.course])))];
  return names.length > 1 || (names.length === 1 && document.components.some((c) => c.course === undefined)) ? names : [];
}

/**
 * A dish with another one added to its table.
 *
 * Amounts of the added dish stay those that its own guests would need: its components carry a factor for that. Ids that both have get
 * the added dish's name in front. The kitchen is the first dish's. What is served first becomes the moment of serving.
 * @throws Error where the two are in different time zones
 */
export function joinDishes(first: DishFile, added: DishFile, { after }: Joining): DishFile {
  if (first.dish.timezone !== added.dish.timezone) throw new Error("feast: the two dishes are in different time zones");
  const renamed = freshIds(first, added);
  const ofAdded = (ref: string) => {
    const [component = "", ...rest] = ref.split(".");
    return [renamed.get(component) ?? component, ...rest].join(".");
  };
  const scale = added.dish.serves / added.dish.baseServes / (first.dish.serves / first.dish.baseServes);
  const components = added.components.map((c): DishComponent => {
    const moved = withRenamedRefs(c, renamed);
    const factor = (c.factor ?? 1) * scale;
    return { ...moved, id: renamed.get(c.id) ?? c.id, course: added.dish.name, ...(Math.abs(factor - 1) < 1e-9 ? {} : { factor }) };
  });
  const zone = new Zone(first.dish.timezone);
  const serveAt = zone.toMinute(first.dish.serveAt);
  // The base of all hours is what is served first; courses count from it.
  const early = Math.min(0, after);
  const courses = [
    ...(early < 0 ? [{ name: first.dish.name, serve: first.dish.serve, after: durationText(-early) }] : []),
    ...(first.dish.courses ?? []).map((c) => ({ ...c, after: durationText(minutesOf(c.after) - early) })),
    ...(early < 0 ? [] : [{ name: added.dish.name, serve: ofAdded(added.dish.serve), after: durationText(after) }]),
    ...(added.dish.courses ?? []).map((c) => ({ ...c, serve: ofAdded(c.serve), after: durationText(minutesOf(c.after) + after - early) })),
  ];
  const pins = [
    ...(first.wishes?.pins ?? []),
    ...(added.wishes?.pins ?? []).map((p) => (isStepPin(p) ? { ...p, step: ofAdded(p.step) } : { ...p, component: ofAdded(p.component) })),
  ];
  const begin = [first.dish.startNotBefore, added.dish.startNotBefore].filter((t) => t !== undefined).sort()[0];
  const portions = added.dish.serves / first.dish.serves;
  const plate = [
    ...(first.dish.plate ?? []),
    ...(added.dish.plate ?? []).map((p) => ({
      ...p,
      output: ofAdded(p.output),
      perServing: { ...p.perServing, amount: p.perServing.amount * portions },
    })),
  ];
  const guests = joinGuests(first.dish.guests, added.dish.guests);
  return {
    ...first,
    dish: {
      ...first.dish,
      serve: early < 0 ? ofAdded(added.dish.serve) : first.dish.serve,
      serveAt: early < 0 ? zone.toWallInstant(serveAt + early) : first.dish.serveAt,
      ...(begin === undefined ? {} : { startNotBefore: begin }),
      courses,
      ...(plate.length ? { plate } : {}),
      ...(guests ? { guests } : {}),
    },
    components: [...first.components.map((c) => ({ ...c, course: c.course ?? first.dish.name })), ...components],
    ...(pins.length ? { wishes: { ...first.wishes, pins } } : {}),
  };
}

/** A feast without one of its courses; undefined where what is left needs it or nothing is left to serve. */
export function leaveOut(document: DishFile, course: string): DishFile | undefined {
  const kept = document.components.filter((c) => c.course !== course);
  const has = (ref: string) => kept.some((c) => ref.startsWith(`${c.id}.`));
  const servings = [{ name: "", serve: document.dish.serve, after: "0m" }, ...(document.dish.courses ?? [])].filter((s) => has(s.serve));
  const first = servings[0];
  if (!first || kept.length === document.components.length) return undefined;
  const zone = new Zone(document.dish.timezone);
  const { courses: _, plate, ...dish } = document.dish;
  const plates = plate?.filter((p) => has(p.output)) ?? [];
  const rest = servings.slice(1).map((s) => ({ ...s, after: durationText(minutesOf(s.after) - minutesOf(first.after)) }));
  const pins = (document.wishes?.pins ?? []).filter((p) => has(isStepPin(p) ? p.step : `${p.component}.`));
  return {
    ...document,
    dish: {
      ...dish,
      serve: first.serve,
      serveAt: zone.toWallInstant(zone.toMinute(document.dish.serveAt) + minutesOf(first.after)),
      ...(rest.length ? { courses: rest } : {}),
      ...(plates.length ? { plate: plates } : {}),
    },
    components: kept,
    ...(document.wishes ? { wishes: { ...document.wishes, pins } } : {}),
  };
}

/** The change from a document to another one with the same kitchen. */
export function documentChange(before: DishFile, after: DishFile): PatchOperation[] {
  return [
    { op: "replace", path: "/dish", value: after.dish },
    { op: "replace", path: "/components", value: after.components },
    ...(after.wishes ? [{ op: "add" as const, path: "/wishes", value: after.wishes }] : []),
    ...(before.wishes && !after.wishes ? [{ op: "remove" as const, path: "/wishes" }] : []),
  ];
}

function freshIds(first: DishFile, added: DishFile): Map<string, string> {
  const taken = new Set(first.components.map((c) => c.id));
  return new Map(
    added.components.map((c) => {
      const wish = taken.has(c.id) ? `${added.dish.id}-${c.id}`.slice(0, 70) : c.id;
      let id = wish;
      for (let n = 2; taken.has(id); n++) id = `${wish}-${n}`;
      taken.add(id);
      return [c.id, id];
    }),
  );
}

type Guests = DishFile["dish"]["guests"];
function joinGuests(a: Guests, b: Guests): Guests {
  if (!a || !b) return a ?? b;
  const both = (x: readonly string[] | undefined, y: readonly string[] | undefined) => [...new Set([...(x ?? []), ...(y ?? [])])];
  return { ...a, ...b, avoid: both(a.avoid, b.avoid), care: both(a.care, b.care) };
}

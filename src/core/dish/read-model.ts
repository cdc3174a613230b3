// A dish file read into the figures of model.ts.
// Pre: the document has passed the schema. References may still be wrong: check.ts looks at this model too.
import type { Hours } from "../time/calendar";
import { minutesOf } from "../time/duration";
import { Zone } from "../time/zone";
import { DEFAULT_KITCHEN } from "./default-kitchen";
import { entersAt } from "./enters";
import {
  type Component,
  componentOf,
  type Dish,
  HEATED,
  type Hold,
  isMachine,
  type Link,
  MOST_BATCHES,
  type Step,
  type Take,
  type Tend,
  type Use,
  wholeRef,
} from "./model";
import type { TimeSpread } from "./planned-length";
import { scaledIngredient } from "./scaled-ingredient";
import type { DishFile, DishStep, Hold as HoldFile, KitchenFile } from "./schema";
import type { UncertainDuration } from "./schema-values";
import { quantityOf, scaledOutput } from "./units";
import { wishesModel } from "./wishes";

/** The figures of a dish document. */
export function dishModel(document: DishFile): Dish {
  const zone = new Zone(document.dish.timezone);
  const kDish = document.dish.serves / document.dish.baseServes;
  const kitchen = document.kitchen ?? DEFAULT_KITCHEN;
  const components = document.components.map((c): Component => {
    const k = kDish * (c.factor ?? 1);
    return {
      id: c.id,
      name: c.name,
      kind: c.kind,
      course: c.course,
      k,
      methods: c.methods.map((m) => {
        const goesIn = goesInAt(m, k);
        return {
          id: m.id,
          name: m.name ?? m.id,
          quality: m.quality ?? 1,
          steps: m.steps.map((s, i) => stepModel(s, c.id, k, m.steps[i - 1]?.id, document, kDish, goesIn[i] ?? [])),
        };
      }),
      onHand: (c.onHand ?? []).map((o) => ({
        ref: `${c.id}.${o.output}`,
        quantity: o.amount && quantityOf(o.amount),
        madeAt: zone.toMinute(o.madeAt),
        holds: (o.holds ?? []).map((h) => holdModel(h, 1)),
      })),
      fallback: c.fallback && { name: c.fallback.name, lead: minutesOf(c.fallback.lead), quality: c.fallback.quality ?? 1 },
    };
  });
  return {
    id: document.dish.id,
    name: document.dish.name,
    zone,
    k: kDish,
    serveAt: zone.toMinute(document.dish.serveAt),
    startNotBefore: document.dish.startNotBefore === undefined ? undefined : zone.toMinute(document.dish.startNotBefore),
    serve: document.dish.serve,
    courses: (document.dish.courses ?? []).map((c) => ({ name: c.name, serve: c.serve, after: minutesOf(c.after) })),
    components,
    plate: (document.dish.plate ?? []).map((p) => {
      const q = quantityOf(p.perServing);
      return { from: p.output, quantity: { ...q, value: q.value * document.dish.serves } };
    }),
    wishes: wishesModel(document, zone),
    ...kitchenModel(kitchen),
  };
}

/** The figures of a kitchen; parts that it leaves out are the default kitchen's. */
function kitchenModel(kitchen: KitchenFile): Pick<Dish, "cooks" | "equipment" | "windows"> {
  return {
    cooks: (kitchen.cooks ?? DEFAULT_KITCHEN.cooks ?? []).map((c) => ({
      id: c.id,
      name: c.name ?? c.id,
      hours: c.hours as readonly Hours[] | undefined,
      awake: (c.awake as readonly Hours[] | undefined) ?? [{ days: "all", from: "07:00", to: "23:00" }],
      away: (c.away as readonly Hours[] | undefined) ?? [],
    })),
    equipment: (kitchen.equipment ?? DEFAULT_KITCHEN.equipment ?? []).map((e) => {
      const [heat, cool] = RATES[e.kind] ?? [8, 3];
      return {
        id: e.id,
        kind: e.kind,
        name: e.name ?? e.id,
        count: e.count ?? 1,
        litres: e.litres === undefined ? undefined : Math.max(0, e.litres - (e.everydayLitres ?? 0) / (e.count ?? 1)),
        pieces: e.pieces,
        racks: e.racks ?? 1,
        maxC: e.maxC ?? Number.POSITIVE_INFINITY,
        heatCPerMin: e.heatCPerMin ?? heat,
        coolCPerMin: e.coolCPerMin ?? cool,
        idleC: e.idleC ?? 20,
        cleanTakes: e.cleanTakes === undefined ? 0 : minutesOf(e.cleanTakes),
        available: e.available as readonly Hours[] | undefined,
      };
    }),
    windows: (kitchen.windows ?? []).map((w) => ({
      hours: ["weekly" in w && w.weekly ? w.weekly : { from: (w as { from: string }).from, to: (w as { to: string }).to }] as Hours[],
      forbid: new Set(w.forbid),
      allow: new Set(w.allow ?? []),
      why: w.why ?? "",
    })),
  };
}

/** Heating and cooling of equipment that states none, °C a minute. */
const RATES: Readonly<Record<string, readonly [heat: number, cool: number]>> = { oven: [8, 3], bath: [2, 0.5], grill: [5, 3] };

function spread(time: UncertainDuration): TimeSpread {
  if (typeof time === "string") {
    const m = minutesOf(time);
    return { min: m, likely: m, max: m };
  }
  return { min: minutesOf(time.min), likely: minutesOf(time.likely), max: minutesOf(time.max) };
}

function holdModel(h: Pick<HoldFile, "place" | "litres" | "min" | "max" | "best" | "limit" | "fixed">, k: number): Hold {
  return {
    place: h.place,
    litres: (h.litres ?? 0) * (h.fixed ? 1 : k),
    min: h.min === undefined ? 0 : minutesOf(h.min),
    max: h.max === undefined ? undefined : minutesOf(h.max),
    best: h.best && [minutesOf(h.best[0]), minutesOf(h.best[1])],
    limit: h.limit,
  };
}

/** What comes in at each step of a method. */
function goesInAt(m: DishFile["components"][number]["methods"][number], k: number): Step["goesIn"][number][][] {
  const at = m.steps.map((): Step["goesIn"][number][] => []);
  for (const i of m.ingredients ?? []) if (!i.leftOut) at[entersAt(i, m.steps)]?.push({ name: i.name, quantity: scaledIngredient(i, k) });
  return at;
}

function stepModel(
  s: DishStep,
  component: string,
  k: number,
  before: string | undefined,
  document: DishFile,
  kDish: number,
  goesIn: Step["goesIn"],
): Step {
  const whole = (ref: string) => wholeRef(ref, component);
  const time = spread(s.time);
  const attention = s.attention ?? "hands";
  const uses = (s.uses ?? []).map(
    (u): Use => ({
      what: u.what,
      count: u.count ?? 1,
      tempC: u.tempC ?? 0,
      toleranceC: u.toleranceC ?? 10,
      racks: u.racks ?? 1,
      mode: u.mode ?? "any",
      litres: (u.litres ?? 0) * (u.fixed ? 1 : k),
      pieces: u.pieces ?? 0,
      until: u.until === undefined ? undefined : whole(u.until),
      part: u.part ?? "all",
      ramp: u.ramp ?? false,
    }),
  );
  const tags = new Set(s.tags ?? []);
  const hot = (kind: string) => kind === "burner" || (HEATED as readonly string[]).includes(kind);
  const usesHeat = uses.some((u) => hot(u.what) && u.part === "all") || tags.has("heat") || tags.has("flame");
  const handsEnd = attention === "hands" ? 0 : s.handsEnd === undefined ? 0 : minutesOf(s.handsEnd);
  const lit = uses.some((u) => hot(u.what) || isMachine(u.what)) && time.min > 0;
  const handsStart =
    attention === "hands"
      ? 0
      : s.handsStart !== undefined
        ? minutesOf(s.handsStart)
        : lit
          ? Math.max(0, Math.min(1, time.min - handsEnd))
          : 0;
  const takes = (s.takes ?? []).map(
    (t): Take => ({
      from: whole(t.from),
      quantity: scaledOutput(t, k),
      during: t.during === undefined ? undefined : minutesOf(t.during),
      each: t.each ?? false,
    }),
  );
  return {
    ref: `${component}.${s.id}`,
    id: s.id,
    name: s.name ?? s.id,
    time,
    k,
    grows: s.grows ?? 0,
    stretch: s.stretch === undefined ? 0 : minutesOf(s.stretch),
    attention,
    handsStart,
    handsEnd,
    tends: (s.tend === undefined ? [] : Array.isArray(s.tend) ? s.tend : [s.tend]).map((t): Tend => {
      const every = Math.max(1, spread(t.every).likely);
      return {
        every,
        takes: t.takes === undefined ? 0 : minutesOf(t.takes),
        what: t.what ?? "check it",
        first: t.first === undefined ? every : minutesOf(t.first),
        until: t.until === undefined ? undefined : minutesOf(t.until),
        fromEnd: t.fromEnd ?? false,
      };
    }),
    sleepOk: s.sleepOk ?? !usesHeat,
    awayOk: s.awayOk ?? !usesHeat,
    puts: s.puts ?? false,
    minPiece: attention === "hands" && s.split ? minutesOf(s.split.minPiece) : undefined,
    batches: batchCount(s.batches, component, document, kDish),
    each: takes.some((t) => t.each),
    uses,
    usesHeat,
    tags,
    links: linksOf(s, component, k, before, takes, document),
    takes,
    goesIn,
    within: s.within === undefined ? undefined : whole(s.within),
    makes: (s.makes ?? []).map((o) => ({
      ref: `${component}.${o.id}`,
      name: o.name ?? o.id,
      quantity: scaledOutput(o, k),
      holds: (o.holds ?? []).map((h) => holdModel(h, k)),
    })),
    cooks: s.cooks,
    file: s,
  };
}

const NO_HOLD: Hold = { place: "none", litres: 0, min: 0, max: undefined, best: undefined, limit: undefined };

function linksOf(
  s: DishStep,
  component: string,
  k: number,
  before: string | undefined,
  takes: readonly Take[],
  document: DishFile,
): Link[] {
  if (s.after !== undefined) {
    return s.after.map((l) =>
      typeof l === "string"
        ? { ...NO_HOLD, step: wholeRef(l, component), from: "end", written: true }
        : { ...holdModel({ ...l, place: l.place ?? "none" }, k), step: wholeRef(l.step, component), from: l.from ?? "end", written: true },
    );
  }
  if (before === undefined) return [];
  const previous = `${component}.${before}`;
  // The step before is already tied more loosely than by its end: no default link.
  const tied =
    (s.within !== undefined && wholeRef(s.within, component) === previous) ||
    takes.some((t) => (t.during !== undefined || t.each) && makersOf(t.from, document).includes(previous));
  return tied ? [] : [{ ...NO_HOLD, step: previous, from: "end", written: false }];
}

/** The steps that make an output, in whatever method. */
function makersOf(ref: string, document: DishFile): string[] {
  const component = document.components.find((c) => c.id === componentOf(ref));
  const id = ref.slice(ref.indexOf(".") + 1);
  return (component?.methods ?? []).flatMap((m) =>
    m.steps.filter((s) => s.makes?.some((o) => o.id === id)).map((s) => `${component?.id}.${s.id}`),
  );
}

/** Rounds of `time` that a step needs: as written, or the scaled output divided by what one batch holds, rounded up. */
function batchCount(batches: DishStep["batches"], component: string, document: DishFile, kDish: number): number {
  if (batches === undefined) return 1;
  if (typeof batches === "number") return batches;
  const ref = wholeRef(batches.of, component);
  const source = document.components.find((c) => c.id === componentOf(ref));
  const id = ref.slice(ref.indexOf(".") + 1);
  const output = source?.methods.flatMap((m) => m.steps.flatMap((s) => s.makes ?? [])).find((o) => o.id === id);
  const onHandOutput = source?.onHand?.find((o) => o.output === id);
  const made = onHandOutput?.amount ? quantityOf(onHandOutput.amount) : output && scaledOutput(output, kDish * (source?.factor ?? 1));
  const perBatch = quantityOf(batches.perBatch);
  if (!made || !(perBatch.value > 0)) return 1;
  return Math.max(1, Math.min(MOST_BATCHES + 1, Math.ceil(made.value / perBatch.value - 1e-9)));
}

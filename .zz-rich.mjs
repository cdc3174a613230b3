// src/core/time/duration.ts
var LONGEST_DURATION_MINUTES = 400 * 1440;
var DURATION = /^(?:(\d{1,7})d)?(?:(\d{1,7})h)?(?:(\d{1,7})m)?$/;
function parseDuration(text2) {
  const parts = DURATION.exec(text2);
  if (!parts || text2 === "") return void 0;
  return Number(parts[1] ?? 0) * 1440 + Number(parts[2] ?? 0) * 60 + Number(parts[3] ?? 0);
}
function minutesOf(text2) {
  const minutes = parseDuration(text2);
  if (minutes === void 0) throw new Error(`duration: "${text2}" reached minutesOf without passing the schema`);
  return minutes;
}

// src/core/time/zone.ts
import { Temporal } from "temporal-polyfill";
var INSTANT = /^(\d{4})-(\d{2})-(\d{2})T(\d{2}):(\d{2})(Z|[+-]\d{2}:\d{2})?$/;
function isInstant(text2) {
  const p = INSTANT.exec(text2);
  if (!p) return false;
  const [year, month, day, hour, minute] = [p[1], p[2], p[3], p[4], p[5]].map(Number);
  if (year < 1970 || year > 2199 || hour > 23 || minute > 59) return false;
  const date = new Date(Date.UTC(year, month - 1, day));
  return date.getUTCMonth() === month - 1 && date.getUTCDate() === day;
}
function isZone(name2) {
  try {
    Temporal.Instant.fromEpochMilliseconds(0).toZonedDateTimeISO(name2);
    return true;
  } catch {
    return false;
  }
}
var Zone = class {
  name;
  #spans = [];
  /** @throws RangeError for a zone that is unknown; ask `isZone` first */
  constructor(name2) {
    this.name = name2;
    Temporal.Instant.fromEpochMilliseconds(0).toZonedDateTimeISO(name2);
  }
  /** Minutes to add to UTC at that minute to get the wall clock. Zones with seconds in their offset are rounded. */
  offsetAt(minute) {
    for (const span2 of this.#spans) if (minute >= span2.from && minute < span2.to) return span2.offset;
    const there = Temporal.Instant.fromEpochMilliseconds(minute * 6e4).toZonedDateTimeISO(this.name);
    const offset = Math.round(there.offsetNanoseconds / 6e10);
    const next = there.getTimeZoneTransition("next");
    const previous = there.add({ minutes: 1 }).getTimeZoneTransition("previous");
    this.#spans.push({
      from: previous ? previous.epochMilliseconds / 6e4 : Number.NEGATIVE_INFINITY,
      to: next ? next.epochMilliseconds / 6e4 : Number.POSITIVE_INFINITY,
      offset
    });
    return offset;
  }
  /** The planner's minute of a wall-clock time that is counted as if the wall were UTC. */
  minuteOfWall(wallMinute) {
    const before = this.offsetAt(wallMinute - 1440);
    const after = this.offsetAt(wallMinute + 1440);
    const first = wallMinute - before;
    if (before === after || this.offsetAt(first) === before) return first;
    const second = wallMinute - after;
    return this.offsetAt(second) === after ? second : first;
  }
  /**
   * The planner's minute of an instant of the file.
   * @param text "2026-10-18T13:00", read on this zone's clock, or with an offset, which then decides
   */
  toMinute(text2) {
    const p = INSTANT.exec(text2);
    if (!p) throw new Error(`zone: "${text2}" reached toMinute without passing the schema`);
    const wall = Date.UTC(Number(p[1]), Number(p[2]) - 1, Number(p[3]), Number(p[4]), Number(p[5])) / 6e4;
    const offset = p[6];
    if (offset === void 0) return this.minuteOfWall(wall);
    if (offset === "Z") return wall;
    const size = Number(offset.slice(1, 3)) * 60 + Number(offset.slice(4, 6));
    return wall - (offset.startsWith("-") ? -size : size);
  }
  /** What the wall clock shows at that minute. */
  wall(minute) {
    const date = new Date((minute + this.offsetAt(minute)) * 6e4);
    return {
      year: date.getUTCFullYear(),
      month: date.getUTCMonth() + 1,
      day: date.getUTCDate(),
      hour: date.getUTCHours(),
      minute: date.getUTCMinutes(),
      weekday: date.getUTCDay() || 7
    };
  }
  /** The number of the wall-clock day (days since 1970-01-01), for grouping by date. */
  dayNumber(minute) {
    return Math.floor((minute + this.offsetAt(minute)) / 1440);
  }
  /** The planner's minute of a wall-clock time on a numbered day; `timeOfDay` in minutes, 1440 is the next midnight. */
  minuteOfDay(dayNumber, timeOfDay2) {
    return this.minuteOfWall(dayNumber * 1440 + timeOfDay2);
  }
  /** The instant as plan files write it, with the offset: "2026-10-18T13:00+01:00". */
  toInstant(minute) {
    const offset = this.offsetAt(minute);
    const text2 = new Date((minute + offset) * 6e4).toISOString().slice(0, 16);
    const size = Math.abs(offset);
    const two = (n) => String(n).padStart(2, "0");
    return `${text2}${offset < 0 ? "-" : "+"}${two(Math.floor(size / 60))}:${two(size % 60)}`;
  }
  /** The instant as dish files write it, on the wall clock without an offset. */
  toWallInstant(minute) {
    return this.toInstant(minute).slice(0, 16);
  }
};

// src/core/dish/default-kitchen.ts
var several = (kind, number, more = {}) => Array.from({ length: number }, (_, i) => ({ id: number === 1 ? kind : `${kind}-${i + 1}`, kind, ...more }));
var DEFAULT_KITCHEN = {
  cooks: [
    {
      id: "cook",
      name: "Cook",
      hours: [
        { days: "mon-fri", from: "18:30", to: "22:00" },
        { days: "sat-sun", from: "08:00", to: "22:00" }
      ],
      awake: [{ days: "all", from: "07:00", to: "23:00" }],
      away: [{ days: "mon-fri", from: "08:15", to: "18:00" }]
    }
  ],
  equipment: [
    { id: "oven", kind: "oven", racks: 2, maxC: 250 },
    ...several("burner", 4),
    { id: "pot-1", kind: "pot", litres: 10 },
    { id: "pot-2", kind: "pot", litres: 6 },
    { id: "pot-3", kind: "pot", litres: 3 },
    { id: "pot-4", kind: "pot", litres: 1.5 },
    { id: "bath", kind: "bath", litres: 12 },
    { id: "fridge", kind: "fridge", litres: 40 },
    { id: "freezer", kind: "freezer", litres: 20 },
    { id: "cellar", kind: "cellar", litres: 40 },
    { id: "mixer", kind: "mixer", litres: 4.5 },
    { id: "processor", kind: "processor", litres: 2 },
    { id: "blender", kind: "blender", litres: 1.5 },
    { id: "roller", kind: "roller" },
    { id: "slow-pot", kind: "slow-pot", litres: 6 },
    { id: "pressure-pot", kind: "pressure-pot", litres: 6 },
    ...several("sheet-pan", 3),
    ...several("tray", 4),
    ...several("tin", 2),
    ...several("jar", 8, { litres: 1 }),
    { id: "iron", kind: "iron" },
    { id: "sink", kind: "sink" }
  ],
  windows: []
};

// src/core/dish/units.ts
var UNITS = {
  g: { dimension: "mass", size: 1 },
  kg: { dimension: "mass", size: 1e3 },
  oz: { dimension: "mass", size: 28.349523125 },
  lb: { dimension: "mass", size: 453.59237 },
  mL: { dimension: "volume", size: 1 },
  L: { dimension: "volume", size: 1e3 },
  tsp: { dimension: "volume", size: 4.92892159375 },
  tbsp: { dimension: "volume", size: 14.78676478125 },
  cup: { dimension: "volume", size: 236.5882365 },
  floz: { dimension: "volume", size: 29.5735295625 },
  pint: { dimension: "volume", size: 473.176473 },
  quart: { dimension: "volume", size: 946.352946 },
  gallon: { dimension: "volume", size: 3785.411784 }
};
function quantityOf(amount) {
  const unit = Object.hasOwn(UNITS, amount.unit) ? UNITS[amount.unit] : void 0;
  if (unit) return { dimension: unit.dimension, value: amount.amount * unit.size };
  return { dimension: "count", value: amount.amount, piece: amount.unit };
}
function comparable(a, b) {
  return a.dimension === b.dimension && (a.piece === b.piece || a.piece === "piece" || b.piece === "piece");
}
function quantityText({ dimension, value, piece }) {
  const short = (n) => String(Number(n.toPrecision(3)));
  if (dimension === "mass") return value >= 1e3 ? `${short(value / 1e3)} kg` : `${short(value)} g`;
  if (dimension === "volume") return value >= 1e3 ? `${short(value / 1e3)} L` : `${short(value)} mL`;
  return piece === "piece" || piece === void 0 ? short(value) : `${short(value)} ${piece}${value > 1 ? "s" : ""}`;
}

// src/core/dish/model.ts
var STORES = ["fridge", "freezer", "cellar"];
var HEATED = ["oven", "bath", "grill"];
var MOST_BATCHES = 500;
var WARES = /* @__PURE__ */ new Set(["pot", "tray", "tin", "jar", "sheet-pan", "sink", "bowl"]);
var SPACES = /* @__PURE__ */ new Set(["burner", "oven", "bath", "grill", "fridge", "freezer", "cellar"]);
var isWare = (kind) => WARES.has(kind);
var isMachine = (kind) => !WARES.has(kind) && !SPACES.has(kind);
var isUnit = (kind) => !SPACES.has(kind);
var DEFAULT_LEAD_MINUTES = 21 * 1440;
function dishModel(document) {
  const zone = new Zone(document.dish.timezone);
  const kDish = document.dish.serves / document.dish.baseServes;
  const kitchen = document.kitchen ?? DEFAULT_KITCHEN;
  const components = document.components.map((c2) => {
    const k = kDish * (c2.factor ?? 1);
    return {
      id: c2.id,
      name: c2.name,
      kind: c2.kind,
      k,
      methods: c2.methods.map((m) => ({
        id: m.id,
        name: m.name ?? m.id,
        quality: m.quality ?? 1,
        steps: m.steps.map((s, i) => stepModel(s, c2.id, k, m.steps[i - 1]?.id, document, kDish))
      })),
      onHand: (c2.onHand ?? []).map((o) => ({
        ref: `${c2.id}.${o.output}`,
        quantity: o.amount && quantityOf(o.amount),
        madeAt: zone.toMinute(o.madeAt),
        holds: (o.holds ?? []).map((h) => holdModel(h, 1))
      })),
      fallback: c2.fallback && { name: c2.fallback.name, lead: minutesOf(c2.fallback.lead), quality: c2.fallback.quality ?? 1 }
    };
  });
  return {
    id: document.dish.id,
    name: document.dish.name,
    zone,
    k: kDish,
    serveAt: zone.toMinute(document.dish.serveAt),
    startNotBefore: document.dish.startNotBefore === void 0 ? void 0 : zone.toMinute(document.dish.startNotBefore),
    serve: document.dish.serve,
    courses: (document.dish.courses ?? []).map((c2) => ({ name: c2.name, serve: c2.serve, after: minutesOf(c2.after) })),
    components,
    plate: (document.dish.plate ?? []).map((p) => {
      const q = quantityOf(p.perServing);
      return { from: p.output, quantity: { ...q, value: q.value * document.dish.serves } };
    }),
    ...kitchenModel(kitchen)
  };
}
function kitchenModel(kitchen) {
  return {
    cooks: (kitchen.cooks ?? DEFAULT_KITCHEN.cooks ?? []).map((c2) => ({
      id: c2.id,
      name: c2.name ?? c2.id,
      hours: c2.hours,
      awake: c2.awake ?? [{ days: "all", from: "07:00", to: "23:00" }],
      away: c2.away ?? []
    })),
    equipment: (kitchen.equipment ?? DEFAULT_KITCHEN.equipment ?? []).map((e) => {
      const [heat, cool] = RATES[e.kind] ?? [8, 3];
      return {
        id: e.id,
        kind: e.kind,
        name: e.name ?? e.id,
        count: e.count ?? 1,
        litres: e.litres,
        pieces: e.pieces,
        racks: e.racks ?? 1,
        maxC: e.maxC ?? Number.POSITIVE_INFINITY,
        heatCPerMin: e.heatCPerMin ?? heat,
        coolCPerMin: e.coolCPerMin ?? cool,
        idleC: e.idleC ?? 20,
        cleanTakes: e.cleanTakes === void 0 ? 0 : minutesOf(e.cleanTakes),
        available: e.available
      };
    }),
    windows: (kitchen.windows ?? []).map((w) => ({
      hours: ["weekly" in w && w.weekly ? w.weekly : { from: w.from, to: w.to }],
      forbid: new Set(w.forbid),
      allow: new Set(w.allow ?? []),
      why: w.why ?? ""
    }))
  };
}
var RATES = { oven: [8, 3], bath: [2, 0.5], grill: [5, 3] };
function wholeRef(ref, componentId) {
  return ref.includes(".") ? ref : `${componentId}.${ref}`;
}
var componentOf = (ref) => ref.slice(0, ref.indexOf("."));
function spread(time) {
  if (typeof time === "string") {
    const m = minutesOf(time);
    return { min: m, likely: m, max: m };
  }
  return { min: minutesOf(time.min), likely: minutesOf(time.likely), max: minutesOf(time.max) };
}
function scaledQuantity(owner, k) {
  if (!owner.amount) return void 0;
  const quantity = quantityOf(owner.amount);
  return owner.fixed || owner.amount.fixed ? quantity : { ...quantity, value: quantity.value * k };
}
function holdModel(h, k) {
  return {
    place: h.place,
    litres: (h.litres ?? 0) * (h.fixed ? 1 : k),
    min: h.min === void 0 ? 0 : minutesOf(h.min),
    max: h.max === void 0 ? void 0 : minutesOf(h.max),
    best: h.best && [minutesOf(h.best[0]), minutesOf(h.best[1])],
    limit: h.limit
  };
}
function stepModel(s, component, k, before, document, kDish) {
  const whole = (ref) => wholeRef(ref, component);
  const time = spread(s.time);
  const attention = s.attention ?? "hands";
  const uses = (s.uses ?? []).map(
    (u) => ({
      what: u.what,
      count: u.count ?? 1,
      tempC: u.tempC ?? 0,
      toleranceC: u.toleranceC ?? 10,
      racks: u.racks ?? 1,
      mode: u.mode ?? "any",
      litres: (u.litres ?? 0) * (u.fixed ? 1 : k),
      pieces: u.pieces ?? 0,
      until: u.until === void 0 ? void 0 : whole(u.until),
      part: u.part ?? "all",
      ramp: u.ramp ?? false
    })
  );
  const tags = new Set(s.tags ?? []);
  const hot = (kind) => kind === "burner" || HEATED.includes(kind);
  const usesHeat = uses.some((u) => hot(u.what) && u.part === "all") || tags.has("heat") || tags.has("flame");
  const handsEnd = attention === "hands" ? 0 : s.handsEnd === void 0 ? 0 : minutesOf(s.handsEnd);
  const lit = uses.some((u) => hot(u.what) || isMachine(u.what)) && time.min > 0;
  const handsStart = attention === "hands" ? 0 : s.handsStart !== void 0 ? minutesOf(s.handsStart) : lit ? Math.max(0, Math.min(1, time.min - handsEnd)) : 0;
  const takes = (s.takes ?? []).map(
    (t) => ({
      from: whole(t.from),
      quantity: scaledQuantity(t, k),
      during: t.during === void 0 ? void 0 : minutesOf(t.during),
      each: t.each ?? false
    })
  );
  return {
    ref: `${component}.${s.id}`,
    id: s.id,
    name: s.name ?? s.id,
    time,
    k,
    grows: s.grows ?? 0,
    stretch: s.stretch === void 0 ? 0 : minutesOf(s.stretch),
    attention,
    handsStart,
    handsEnd,
    tends: (s.tend === void 0 ? [] : Array.isArray(s.tend) ? s.tend : [s.tend]).map((t) => {
      const every = Math.max(1, spread(t.every).likely);
      return {
        every,
        takes: t.takes === void 0 ? 0 : minutesOf(t.takes),
        what: t.what ?? "see to it",
        first: t.first === void 0 ? every : minutesOf(t.first),
        until: t.until === void 0 ? void 0 : minutesOf(t.until),
        fromEnd: t.fromEnd ?? false
      };
    }),
    sleepOk: s.sleepOk ?? !usesHeat,
    awayOk: s.awayOk ?? !usesHeat,
    minPiece: attention === "hands" && s.split ? minutesOf(s.split.minPiece) : void 0,
    batches: batchCount(s.batches, component, document, kDish),
    each: takes.some((t) => t.each),
    uses,
    usesHeat,
    tags,
    links: linksOf(s, component, k, before, takes, document),
    takes,
    within: s.within === void 0 ? void 0 : whole(s.within),
    makes: (s.makes ?? []).map((o) => ({
      ref: `${component}.${o.id}`,
      name: o.name ?? o.id,
      quantity: scaledQuantity(o, k),
      holds: (o.holds ?? []).map((h) => holdModel(h, k))
    })),
    cooks: s.cooks,
    file: s
  };
}
var NO_HOLD = { place: "none", litres: 0, min: 0, max: void 0, best: void 0, limit: void 0 };
function linksOf(s, component, k, before, takes, document) {
  if (s.after !== void 0) {
    return s.after.map(
      (l) => typeof l === "string" ? { ...NO_HOLD, step: wholeRef(l, component), from: "end", written: true } : { ...holdModel({ ...l, place: l.place ?? "none" }, k), step: wholeRef(l.step, component), from: l.from ?? "end", written: true }
    );
  }
  if (before === void 0) return [];
  const previous = `${component}.${before}`;
  const tied = s.within !== void 0 && wholeRef(s.within, component) === previous || takes.some((t) => (t.during !== void 0 || t.each) && makersOf(t.from, document).includes(previous));
  return tied ? [] : [{ ...NO_HOLD, step: previous, from: "end", written: false }];
}
function makersOf(ref, document) {
  const component = document.components.find((c2) => c2.id === componentOf(ref));
  const id2 = ref.slice(ref.indexOf(".") + 1);
  return (component?.methods ?? []).flatMap(
    (m) => m.steps.filter((s) => s.makes?.some((o) => o.id === id2)).map((s) => `${component?.id}.${s.id}`)
  );
}
function batchCount(batches, component, document, kDish) {
  if (batches === void 0) return 1;
  if (typeof batches === "number") return batches;
  const ref = wholeRef(batches.of, component);
  const source = document.components.find((c2) => c2.id === componentOf(ref));
  const id2 = ref.slice(ref.indexOf(".") + 1);
  const output2 = source?.methods.flatMap((m) => m.steps.flatMap((s) => s.makes ?? [])).find((o) => o.id === id2);
  const onHandOutput = source?.onHand?.find((o) => o.output === id2);
  const made = onHandOutput?.amount ? quantityOf(onHandOutput.amount) : output2 && scaledQuantity(output2, kDish * (source?.factor ?? 1));
  const perBatch = quantityOf(batches.perBatch);
  if (!made || !(perBatch.value > 0)) return 1;
  return Math.max(1, Math.min(MOST_BATCHES + 1, Math.ceil(made.value / perBatch.value - 1e-9)));
}

// src/core/dish/balance.ts
var TOLERANCE = 1e-6;
function balanceOf(dish, output2, made, inForce) {
  const takers = inForce.flatMap((s) => s.takes.filter((t) => t.from === output2).map((t) => ({ step: s.ref, quantity: t.quantity })));
  for (const entry of dish.plate) if (entry.from === output2) takers.push({ step: "plate", quantity: entry.quantity });
  const stated = takers.flatMap((t) => t.quantity ? [t.quantity] : []);
  const open = !made || stated.length < takers.length || stated.some((q) => !comparable(q, made));
  const taken = made ? stated.filter((q) => comparable(q, made)).reduce((sum, q) => sum + q.value, 0) : 0;
  return { output: output2, made, taken, takers, open };
}
function isOverTaken(balance) {
  return balance.made !== void 0 && balance.taken > balance.made.value * (1 + TOLERANCE) + TOLERANCE;
}
function checkBalance(dish, steps, report) {
  const madeAt = /* @__PURE__ */ new Map();
  for (const placed of steps) {
    placed.step.makes.forEach((output2, index) => {
      madeAt.set(output2.ref, [...madeAt.get(output2.ref) ?? [], { placed, index }]);
    });
  }
  const takersOf = /* @__PURE__ */ new Map();
  for (const placed of steps) {
    if (placed.component.onHand.length) continue;
    for (const ref of new Set(placed.step.takes.map((t) => t.from))) takersOf.set(ref, [...takersOf.get(ref) ?? [], placed]);
  }
  const onHand2 = new Set(dish.components.filter((c2) => c2.onHand.length).map((c2) => c2.id));
  for (const [ref, makers] of madeAt) {
    if (onHand2.has(componentOf(ref))) continue;
    const balances = makers.map(({ placed, index }) => {
      const made = placed.step.makes[index]?.quantity;
      return { placed, index, balance: leastTaken(dish, ref, made, placed, takersOf.get(ref) ?? []) };
    });
    const first = balances[0];
    const path = `${first.placed.path}.makes[${first.index}]`;
    if (balances.every(({ balance }) => isOverTaken(balance))) {
      const { made, taken, takers } = first.balance;
      report(
        `${path}.amount`,
        `More is taken than made: ${made ? quantityText(made) : "nothing"} of "${ref}" for ${made ? quantityText({ ...made, value: taken }) : "takers"} (${takers.map((t) => t.step).slice(0, 6).join(", ")}). Make more ("factor"), or take less.`
      );
    } else if (balances.some(({ balance }) => isOverTaken(balance))) {
      report(`${path}.amount`, `Under some methods more is taken of "${ref}" than made; those cannot be chosen.`, "warning");
    }
    const odd = first.balance.made && first.balance.takers.find((t) => t.quantity && !comparable(t.quantity, first.balance.made));
    if (odd)
      report(
        path,
        `"${odd.step}" takes this in another kind of amount (mass, volume or pieces) than it is made in, so the balance stays open.`,
        "warning"
      );
  }
  dish.components.forEach((component, c2) => {
    component.onHand.forEach((entry, i) => {
      const inForce = steps.filter((p) => p.methodIndex === 0 && !onHand2.has(p.component.id)).map((p) => p.step);
      if (isOverTaken(balanceOf(dish, entry.ref, entry.quantity, inForce))) {
        report(
          `components[${c2}].onHand[${i}].amount`,
          `More is taken of "${entry.ref}" than is on hand. Note more, or make the component.`
        );
      }
    });
  });
}
function leastTaken(dish, ref, made, maker, takers) {
  const taking = dish.components.flatMap((component) => {
    const own = takers.filter((p) => p.component === component);
    if (own.length === 0) return [];
    const byMethod = component.methods.map((_, m) => own.filter((p) => p.methodIndex === m).map((p) => p.step));
    if (component.id === maker.component.id) return byMethod[maker.methodIndex] ?? [];
    const weigh = (list) => balanceOf({ ...dish, plate: [] }, ref, made, list).taken;
    return byMethod.sort((a, b) => weigh(a) - weigh(b))[0] ?? [];
  });
  return balanceOf(dish, ref, made, taking);
}

// src/core/dish/problem.ts
function pathText(keys) {
  let text2 = "";
  for (const key of keys) {
    if (typeof key === "number") text2 += `[${key}]`;
    else text2 += `${text2 ? "." : ""}${quoted(String(key))}`;
  }
  return text2;
}
function quoted(value) {
  const clean = value.replace(/\p{Cc}/gu, " ");
  return clean.length > 80 ? `${clean.slice(0, 77)}...` : clean;
}

// src/core/dish/check.ts
var LONGEST_HORIZON_DAYS = 800;
var MOST_ROUNDS = 2e3;
function checkDish(document) {
  const problems = [];
  const report = (path, message, severity = "error") => {
    problems.push({ path, message, severity });
  };
  const dish = dishModel(document);
  const steps = dish.components.flatMap(
    (component, c2) => component.methods.flatMap(
      (method2, methodIndex) => method2.steps.map(
        (step, s) => ({ step, path: `components[${c2}].methods[${methodIndex}].steps[${s}]`, component, methodIndex })
      )
    )
  );
  checkIds(document, report);
  if (problems.length) return problems;
  checkDates(document, dish, report);
  checkServing(document, dish, report);
  for (const placed of steps) {
    checkTimes(placed, report);
    checkReferences(placed, dish, report);
    checkEquipment(placed, dish, report);
  }
  checkPlate(document, dish, report);
  checkKitchen(document, report);
  if (problems.some((p) => p.severity === "error")) return problems;
  checkCycles(dish, steps, report);
  checkBalance(dish, steps, report);
  checkLooseSteps(dish, steps, report);
  return problems;
}
function checkIds(document, report) {
  const unique = (entries, path, what) => {
    const seen = /* @__PURE__ */ new Map();
    entries.forEach((entry, i) => {
      const first = seen.get(entry.id);
      if (first !== void 0)
        report(
          `${path}[${i}].id`,
          `The ${what} "${quoted(entry.id)}" stands twice (also at ${path}[${first}]). Give one of them another id.`
        );
      else seen.set(entry.id, i);
    });
  };
  unique(document.components, "components", "component");
  document.components.forEach((component, c2) => {
    unique(component.methods, `components[${c2}].methods`, "method");
    component.methods.forEach((method2, m) => {
      const path = `components[${c2}].methods[${m}]`;
      unique(method2.steps, `${path}.steps`, "step");
      const seen = /* @__PURE__ */ new Map();
      method2.steps.forEach((step, s) => {
        step.makes?.forEach((output2, o) => {
          const at = `${path}.steps[${s}].makes[${o}].id`;
          const first = seen.get(output2.id);
          if (first)
            report(at, `The output "${quoted(output2.id)}" is made twice in this method (also at ${first}). Give one of them another id.`);
          else seen.set(output2.id, at);
        });
      });
    });
  });
  unique(document.kitchen?.cooks ?? [], "kitchen.cooks", "cook");
  unique(document.kitchen?.equipment ?? [], "kitchen.equipment", "piece of equipment");
}
function checkDates(document, dish, report) {
  if (dish.startNotBefore !== void 0 && dish.serveAt - dish.startNotBefore > LONGEST_HORIZON_DAYS * 1440) {
    report(
      "dish.startNotBefore",
      `This is more than ${LONGEST_HORIZON_DAYS} days before serving (${document.dish.serveAt}). Check the year, or begin later.`
    );
  }
}
function stepsNamed(dish, ref) {
  const component = dish.components.find((c2) => c2.id === componentOf(ref));
  return (component?.methods ?? []).flatMap((m) => m.steps.filter((s) => s.ref === ref));
}
function nameKnown(dish, ref) {
  const component = dish.components.find((c2) => c2.id === componentOf(ref));
  if (!component)
    return `There is no component "${quoted(componentOf(ref))}". Known: ${quoted(dish.components.map((c2) => c2.id).join(", "))}.`;
  const ids = [...new Set(component.methods.flatMap((m) => m.steps.map((s) => s.id)))];
  return `"${quoted(component.id)}" has no step "${quoted(ref.slice(component.id.length + 1))}". Known: ${quoted(ids.join(", "))}.`;
}
function checkServing(document, dish, report) {
  const serves = [{ ref: document.dish.serve, path: "dish.serve" }];
  document.dish.courses?.forEach((c2, i) => {
    serves.push({ ref: c2.serve, path: `dish.courses[${i}].serve` });
  });
  for (const { ref, path } of serves) {
    const found = stepsNamed(dish, ref);
    const component = dish.components.find((c2) => c2.id === componentOf(ref));
    if (!ref.includes(".")) report(path, 'Name the component too: "component.step".');
    else if (found.length === 0 || !component) report(path, nameKnown(dish, ref));
    else if (component.onHand.length)
      report(path, `"${quoted(component.id)}" is on hand and not made, so its step cannot be the moment of serving.`);
    else if (found.length < component.methods.length)
      report(path, "Not every method of this component has that step; the others cannot be served.", "warning");
  }
}
function checkTimes({ step, path }, report) {
  if (step.attention !== "hands" && step.handsStart + step.handsEnd > step.time.min) {
    report(
      `${path}.${step.file.handsEnd !== void 0 ? "handsEnd" : "handsStart"}`,
      `The hands-on minutes (${step.handsStart} at the start, ${step.handsEnd} at the end) do not fit into the shortest time of ${step.time.min} min. Shorten them, or lengthen the time.`
    );
  }
  if (step.attention === "hands" && (step.file.handsStart !== void 0 || step.file.handsEnd !== void 0)) {
    report(
      `${path}.handsStart`,
      'This step needs hands throughout ("attention" is "hands"), so handsStart and handsEnd say nothing.',
      "warning"
    );
  }
  if (step.batches > MOST_BATCHES) report(`${path}.batches`, `That makes more than ${MOST_BATCHES} batches. Check perBatch.`);
  if (step.minPiece !== void 0 && step.batches > 1)
    report(`${path}.split`, "A step of several batches cannot be split as well. Leave out one of the two.");
  const longest = step.time.max * step.batches + step.stretch;
  for (const tend2 of step.tends) {
    if (longest / tend2.every > MOST_ROUNDS) report(`${path}.tend`, `That makes more than ${MOST_ROUNDS} rounds. Check "every".`);
  }
  step.makes.forEach((output2, o) => {
    output2.holds.forEach((hold2, h) => {
      if (hold2.best && (hold2.best[0] < hold2.min || hold2.max !== void 0 && hold2.best[1] > hold2.max)) {
        report(`${path}.makes[${o}].holds[${h}].best`, "The best part of the wait lies partly outside its least and longest.", "warning");
      }
    });
  });
}
function checkReferences({ step, path, component, methodIndex }, dish, report) {
  const own = component.methods[methodIndex];
  const find = (ref, at, what) => {
    if (ref === step.ref && what !== "until") {
      report(at, `A step cannot be ${what} itself.`);
      return false;
    }
    if (componentOf(ref) === component.id) {
      if (own.steps.some((s) => s.ref === ref)) return true;
      report(
        at,
        stepsNamed(dish, ref).length ? `That step belongs to another method of "${component.id}". Name one of this method.` : nameKnown(dish, ref)
      );
      return false;
    }
    const other = dish.components.find((c2) => c2.id === componentOf(ref));
    const found = stepsNamed(dish, ref);
    if (found.length === 0 && !other?.onHand.length) {
      report(at, nameKnown(dish, ref));
      return false;
    }
    if (other && found.length < other.methods.length) {
      report(
        at,
        `Not every method of "${other.id}" has that step; with the others this link is void. What one component needs of another is best said by "takes".`,
        "warning"
      );
    }
    return true;
  };
  step.file.after?.forEach((_, i) => {
    find(
      step.links[i].step,
      `${path}.after[${i}]${typeof step.file.after?.[i] === "string" ? "" : ".step"}`,
      "after"
    );
  });
  if (step.within !== void 0) find(step.within, `${path}.within`, "within");
  step.uses.forEach((use2, u) => {
    if (use2.until !== void 0) find(use2.until, `${path}.uses[${u}].until`, "until");
  });
  step.takes.forEach((take2, t) => {
    checkTake(take2, `${path}.takes[${t}]`, { step, component, methodIndex }, dish, report);
  });
  const batches = step.file.batches;
  if (typeof batches === "object") {
    const ref = batches.of.includes(".") ? batches.of : `${component.id}.${batches.of}`;
    const source = dish.components.find((c2) => c2.id === componentOf(ref));
    if (!source || !makersOf2(source, ref).length && !source.onHand.some((o) => o.ref === ref))
      report(`${path}.batches.of`, outputKnown(dish, ref));
    else if (!(batches.perBatch.amount > 0)) report(`${path}.batches.perBatch.amount`, "A batch must hold more than nothing.");
  }
  const cooks = new Set(dish.cooks.map((c2) => c2.id));
  step.cooks?.forEach((id2, i) => {
    if (!cooks.has(id2)) report(`${path}.cooks[${i}]`, `The kitchen has no cook "${quoted(id2)}". Known: ${quoted([...cooks].join(", "))}.`);
  });
}
function checkTake(take2, path, taker, dish, report) {
  const source = dish.components.find((c2) => c2.id === componentOf(take2.from));
  if (!source) return report(`${path}.from`, outputKnown(dish, take2.from));
  const makers = makersOf2(source, take2.from).filter((m) => source.id !== taker.component.id || m.methodIndex === taker.methodIndex);
  if (source.onHand.length && source.id !== taker.component.id) {
    if (!source.onHand.some((o) => o.ref === take2.from)) {
      report(
        `${path}.from`,
        `"${quoted(source.id)}" is on hand, but its output "${quoted(take2.from)}" is not listed there. List it under onHand, or make the component.`
      );
    }
    return;
  }
  if (makers.length === 0) return report(`${path}.from`, outputKnown(dish, take2.from));
  if (makers.some((m) => m.step === taker.step)) return report(`${path}.from`, "A step cannot take what it makes itself.");
  if (source.id !== taker.component.id && makers.length < source.methods.length) {
    report(`${path}.from`, `Not every method of "${source.id}" makes this; the others then cannot be chosen.`, "warning");
  }
  if (take2.each) {
    for (const { step: maker } of makers) {
      if (maker.batches !== taker.step.batches) {
        report(
          `${path}.each`,
          `Batch by batch needs the same number of batches: "${maker.ref}" has ${maker.batches}, this step ${taker.step.batches}.`
        );
      }
    }
  }
}
function makersOf2(component, ref) {
  return component.methods.flatMap(
    (m, methodIndex) => m.steps.filter((s) => s.makes.some((o) => o.ref === ref)).map((step) => ({ step, methodIndex }))
  );
}
function outputKnown(dish, ref) {
  const component = dish.components.find((c2) => c2.id === componentOf(ref));
  if (!component)
    return `There is no component "${quoted(componentOf(ref))}". Known: ${quoted(dish.components.map((c2) => c2.id).join(", "))}.`;
  const outputs = [...new Set(component.methods.flatMap((m) => m.steps.flatMap((s) => s.makes.map((o) => o.ref))))];
  return `No step makes the output "${quoted(ref)}". "${quoted(component.id)}" makes: ${quoted(outputs.join(", ") || "nothing that has a name")}.`;
}
function checkEquipment({ step, path }, dish, report) {
  step.uses.forEach((use2, u) => {
    const at = `${path}.uses[${u}]`;
    const kind = dish.equipment.filter((e) => e.kind === use2.what);
    if (kind.length === 0)
      return report(`${at}.what`, `The kitchen has no ${quoted(use2.what)}. Add one to the kitchen, or change the step.`);
    const largest = Math.max(...kind.map((e) => e.litres ?? Number.POSITIVE_INFINITY));
    const total = kind.reduce((sum, e) => sum + e.count, 0);
    if (STORES.includes(use2.what)) {
      const space = kind.reduce((sum, e) => sum + (e.litres ?? Number.POSITIVE_INFINITY), 0);
      if (use2.litres > space + 1e-9)
        report(
          `${at}.litres`,
          `Needs ${figure(use2.litres)} L; the ${use2.what} has ${figure(space)} L. No plan is possible without more space.`,
          "warning"
        );
    } else if (HEATED.includes(use2.what)) {
      const hottest = Math.max(...kind.map((e) => e.maxC));
      if (use2.tempC - use2.toleranceC > hottest)
        report(`${at}.tempC`, `The ${use2.what} reaches ${hottest} \xB0C. No plan is possible without a hotter one.`, "warning");
      if (use2.what === "bath" ? use2.litres > largest + 1e-9 : use2.racks > Math.max(...kind.map((e) => e.racks))) {
        report(at, `Needs more room than any ${use2.what} of the kitchen has. No plan is possible without a bigger one.`, "warning");
      }
    } else {
      const fitting = kind.filter(
        (e) => (e.litres ?? Number.POSITIVE_INFINITY) >= use2.litres - 1e-9 && (e.pieces ?? Number.POSITIVE_INFINITY) >= use2.pieces
      );
      if (isUnit(use2.what) && fitting.length === 0) {
        report(
          use2.litres > largest ? `${at}.litres` : at,
          `Needs ${figure(use2.litres || use2.pieces)} ${use2.litres ? "L" : "pieces"}; the largest ${use2.what} holds ${figure(largest)}. No plan is possible without a bigger one.`,
          "warning"
        );
      } else if (use2.count > total)
        report(`${at}.count`, `Needs ${use2.count}; the kitchen has ${total}. No plan is possible without more.`, "warning");
    }
  });
}
var figure = (n) => String(Number(n.toPrecision(3)));
function checkPlate(document, dish, report) {
  document.dish.plate?.forEach((p, i) => {
    const source = dish.components.find((c2) => c2.id === componentOf(p.output));
    if (!source || !makersOf2(source, p.output).length && !source.onHand.some((o) => o.ref === p.output))
      report(`dish.plate[${i}].output`, outputKnown(dish, p.output));
  });
}
function checkKitchen(document, report) {
  document.kitchen?.windows?.forEach((w, i) => {
    if (!("weekly" in w) && "from" in w && typeof w.from === "string" && typeof w.to === "string" && w.from >= w.to) {
      report(`kitchen.windows[${i}].to`, "`to` must come after `from`.");
    }
  });
  document.kitchen?.equipment?.forEach((e, i) => {
    if (e.cleanTakes !== void 0 && minutesOf(e.cleanTakes) > 1440)
      report(`kitchen.equipment[${i}].cleanTakes`, "Cleaning takes more than a day?", "warning");
  });
}
function prerequisites(step, inForce, makers) {
  const found = step.links.map((l) => inForce.get(l.step));
  found.push(...step.takes.map((t) => makers.get(t.from)));
  if (step.within !== void 0) found.push(inForce.get(step.within));
  return found.filter((s) => s !== void 0);
}
function checkCycles(dish, steps, report) {
  const paths = new Map(steps.map((p) => [p.step, p.path]));
  const told = /* @__PURE__ */ new Set();
  for (const methods of choicesOfMethods(dish, 64)) {
    const chosen = methods.flatMap((m) => m.steps);
    const inForce = new Map(chosen.map((s) => [s.ref, s]));
    const makers = new Map(chosen.flatMap((s) => s.makes.map((o) => [o.ref, s])));
    const cycle = findCycle(chosen, (s) => prerequisites(s, inForce, makers));
    if (!cycle) continue;
    const key = cycle.map((s) => s.ref).sort().join(" ");
    if (told.has(key)) continue;
    told.add(key);
    report(
      paths.get(cycle[0]) ?? "components",
      `These steps wait for one another in a circle: ${quotedChain(cycle)}. Take out one of the links ("after", "takes" or "within") between them.`
    );
  }
}
var quotedChain = (cycle) => {
  const names = [...cycle].reverse().map((s) => s.ref);
  const shown = names.length > 8 ? [...names.slice(0, 7), "\u2026"] : names;
  return `${shown.join(" \u2192 ")} \u2192 ${names[0]}`;
};
function choicesOfMethods(dish, most) {
  const made = dish.components.filter((c2) => c2.onHand.length === 0 && c2.methods.length > 0);
  const first = made.map((c2) => c2.methods[0]);
  const choices = [first];
  made.forEach((component, i) => {
    for (const method2 of component.methods.slice(1)) choices.push(first.map((m, j) => i === j ? method2 : m));
  });
  for (let at = 0; at < choices.length && choices.length < most; at++) {
    made.forEach((component, i) => {
      for (const method2 of component.methods.slice(1)) {
        const choice = choices[at].map((m, j) => i === j ? method2 : m);
        if (choices.length < most && !choices.some((c2) => c2.every((m, j) => m === choice[j]))) choices.push(choice);
      }
    });
  }
  return choices.slice(0, most);
}
function findCycle(all, before) {
  const state = /* @__PURE__ */ new Map();
  for (const root of all) {
    if (state.has(root)) continue;
    const stack = [{ step: root, rest: [...before(root)] }];
    state.set(root, "open");
    while (stack.length) {
      const top = stack.at(-1);
      const next = top.rest.pop();
      if (!next) {
        state.set(top.step, "done");
        stack.pop();
      } else if (state.get(next) === "open") {
        return stack.slice(stack.findIndex((f) => f.step === next)).map((f) => f.step);
      } else if (!state.has(next)) {
        state.set(next, "open");
        stack.push({ step: next, rest: [...before(next)] });
      }
    }
  }
  return void 0;
}
function checkLooseSteps(dish, steps, report) {
  const byRef = /* @__PURE__ */ new Map();
  const makers = /* @__PURE__ */ new Map();
  const add = (map, key, step) => map.set(key, [...map.get(key) ?? [], step]);
  for (const { step } of steps) {
    add(byRef, step.ref, step);
    for (const output2 of step.makes) add(makers, output2.ref, step);
  }
  const reached = /* @__PURE__ */ new Set();
  const open = [dish.serve, ...dish.courses.map((c2) => c2.serve)].flatMap((ref) => byRef.get(ref) ?? []);
  for (const entry of dish.plate) open.push(...makers.get(entry.from) ?? []);
  while (open.length) {
    const step = open.pop();
    if (reached.has(step)) continue;
    reached.add(step);
    for (const link2 of step.links) open.push(...byRef.get(link2.step) ?? []);
    for (const take2 of step.takes) open.push(...makers.get(take2.from) ?? []);
    if (step.within !== void 0) open.push(...byRef.get(step.within) ?? []);
  }
  for (const { step, path, component } of steps) {
    if (!reached.has(step) && component.onHand.length === 0) {
      report(
        path,
        `"${step.ref}" leads to nothing that is served. It is planned all the same; if it should come before something, say so there with "after" or "takes".`,
        "warning"
      );
    }
  }
}

// src/core/dish/schema.ts
import { z } from "zod";

// src/core/time/interval.ts
function union(parts) {
  const sorted = [...parts].filter(([from2, to2]) => from2 < to2).sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const merged = [];
  for (const [from2, to2] of sorted) {
    const last = merged.at(-1);
    if (last && from2 <= last[1]) last[1] = Math.max(last[1], to2);
    else merged.push([from2, to2]);
  }
  return merged;
}
function intersect(a, b) {
  const common = [];
  for (let i = 0, j = 0; i < a.length && j < b.length; ) {
    const x = a[i];
    const y = b[j];
    const from2 = Math.max(x[0], y[0]);
    const to2 = Math.min(x[1], y[1]);
    if (from2 < to2) common.push([from2, to2]);
    if (x[1] < y[1]) i++;
    else j++;
  }
  return common;
}
function subtract(a, b) {
  const left = [];
  let j = 0;
  for (const [from2, to2] of a) {
    let at = from2;
    while (j < b.length && b[j][1] <= at) j++;
    for (let k = j; k < b.length && b[k][0] < to2; k++) {
      const [start, end] = b[k];
      if (start > at) left.push([at, start]);
      at = Math.max(at, end);
    }
    if (at < to2) left.push([at, to2]);
  }
  return left;
}
function shift(list, by) {
  return by === 0 ? list : list.map(([from2, to2]) => [from2 + by, to2 + by]);
}
function startsFitting(list, length, everywhere) {
  if (length <= 0) return [everywhere];
  return list.filter(([from2, to2]) => to2 - from2 >= length).map(([from2, to2]) => [from2, to2 - length + 1]);
}
function startsAvoiding(list, length, everywhere) {
  if (length <= 0) return [everywhere];
  return subtract([everywhere], union(list.map(([from2, to2]) => [from2 - length + 1, to2])));
}
function covers(list, from2, to2) {
  if (from2 >= to2) return true;
  const at = indexBefore(list, from2);
  return at >= 0 && list[at][1] >= to2;
}
function overlaps(list, from2, to2) {
  if (from2 >= to2) return false;
  const at = indexBefore(list, to2 - 1);
  return at >= 0 && list[at][1] > from2;
}
function latestAtOrBefore(list, minute) {
  const at = indexBefore(list, minute);
  return at < 0 ? void 0 : Math.min(minute, list[at][1] - 1);
}
function earliestAtOrAfter(list, minute) {
  const at = indexBefore(list, minute);
  if (at >= 0 && minute < list[at][1]) return minute;
  return list[at + 1]?.[0];
}
function indexBefore(list, minute) {
  let low = 0;
  let high = list.length;
  while (low < high) {
    const middle = low + high >> 1;
    if (list[middle][0] <= minute) low = middle + 1;
    else high = middle;
  }
  return low - 1;
}
function nearestWithin(list, wish, from2, to2) {
  if (from2 > to2) return void 0;
  const aim = Math.min(to2, Math.max(from2, wish));
  const before = latestAtOrBefore(list, aim);
  const after = earliestAtOrAfter(list, aim);
  const options = [before, after].filter((m) => m !== void 0 && m >= from2 && m <= to2);
  return options.sort((a, b) => Math.abs(a - wish) - Math.abs(b - wish))[0];
}
function minutesAbove(spans, limit) {
  if (limit < 0) return [[Number.NEGATIVE_INFINITY, Number.POSITIVE_INFINITY]];
  const events = spans.flatMap((s) => [[s.from, s.size], [s.to, -s.size]]).sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const found = [];
  let load = 0;
  let since;
  for (const [minute, size] of events) {
    load += size;
    if (load > limit + 1e-9 && since === void 0) since = minute;
    else if (load <= limit + 1e-9 && since !== void 0) {
      found.push([since, minute]);
      since = void 0;
    }
  }
  return union(found);
}

// src/core/time/calendar.ts
var DAY_NAMES = ["mon", "tue", "wed", "thu", "fri", "sat", "sun"];
function weekdaysOf(text2) {
  if (text2 === "all") return /* @__PURE__ */ new Set([1, 2, 3, 4, 5, 6, 7]);
  const days = /* @__PURE__ */ new Set();
  for (const part of text2.split(",").map((p) => p.trim())) {
    const [first, last, more] = part.split("-").map((name2) => DAY_NAMES.indexOf(name2.trim()));
    if (first === void 0 || first < 0 || last === -1 || more !== void 0) return void 0;
    for (let day = first; ; day = (day + 1) % 7) {
      days.add(day + 1);
      if (day === (last ?? first)) break;
    }
  }
  return days;
}
function timeOfDay(text2) {
  const parts = /^(\d{2}):(\d{2})$/.exec(text2);
  if (!parts) return void 0;
  const minutes = Number(parts[1]) * 60 + Number(parts[2]);
  return Number(parts[2]) < 60 && minutes <= 1440 ? minutes : void 0;
}
function intervalsOfHours(hours, zone, from2, to2) {
  const found = [];
  for (const entry of hours) {
    if (!("days" in entry) || entry.days === void 0) {
      found.push([zone.toMinute(entry.from), zone.toMinute(entry.to)]);
      continue;
    }
    const days = weekdaysOf(entry.days) ?? /* @__PURE__ */ new Set();
    const start = timeOfDay(entry.from) ?? 0;
    const end = timeOfDay(entry.to) ?? 0;
    for (let day = zone.dayNumber(from2) - 1; day <= zone.dayNumber(to2); day++) {
      if (!days.has((day + 3) % 7 + 1)) continue;
      found.push([zone.minuteOfDay(day, start), zone.minuteOfDay(day, end <= start ? end + 1440 : end)]);
    }
  }
  return union(found.map(([a, b]) => [Math.max(a, from2), Math.min(b, to2)]));
}

// src/core/dish/schema.ts
var FORMAT = "rondeau/1";
var LONGEST_TEXT = 2e4;
var text = z.string().max(LONGEST_TEXT, `Write at most ${LONGEST_TEXT} characters.`);
var name = text.min(1, "Give it a name.");
var id = z.string('Write an identifier, such as "stock".').max(80, "Use at most 80 characters.").regex(/^[a-z0-9][a-z0-9-]*$/, 'Use lower-case letters, digits and hyphens, beginning with a letter or digit, such as "orchard-pie".');
var reference = z.string('Name a step or an output, such as "stock.simmer".').max(161).regex(/^[a-z0-9][a-z0-9-]*(\.[a-z0-9][a-z0-9-]*)?$/, 'Write "component.step" or "component.output", such as "stock.simmer".');
var finite = z.number("Write a number.").min(-1e9, "That number is out of any kitchen.").max(1e9, "That number is out of any kitchen.");
var positive = finite.gt(0, "Write a number above 0.");
var notNegative = finite.min(0, "Write 0 or more.");
var share = finite.min(0, "Write a number from 0 to 1.").max(1, "Write a number from 0 to 1.");
var count = z.number("Write a whole number.").int("Write a whole number.").min(1, "Write 1 or more.").max(1e3, "Write at most 1000.");
var temperatureC = finite.min(-60, "Write a temperature in \xB0C above -60.").max(600, "Write a temperature in \xB0C below 600.");
var lengthOf = (text2) => typeof text2 === "string" ? parseDuration(text2) ?? 0 : 0;
var Duration = z.string('Write a duration, such as "45m", "1h30m" or "3d".').refine(
  (t) => parseDuration(t) !== void 0,
  'Write a duration, such as "45m", "1h30m" or "3d": whole numbers, days before hours before minutes.'
).refine((t) => (parseDuration(t) ?? 0) <= LONGEST_DURATION_MINUTES, "Write a duration of at most 400 days.").describe('Elapsed time in whole minutes: "45m", "1h30m", "3d", "36h", "0m".');
var UncertainDuration = z.union([
  Duration,
  z.looseObject({ min: Duration, likely: Duration, max: Duration }).refine((t) => inOrder(t.min, t.likely, t.max), "min, likely and max must not fall: min \u2264 likely \u2264 max.")
]).describe("A duration, or its least, likely and longest values.");
var instant = z.string('Write a date and time, such as "2026-10-18T13:00".').refine(isInstant, 'Write a date that exists and a time, such as "2026-10-18T13:00" (years 1970 to 2199).').describe("Wall clock in the dish's time zone.");
var clock = z.string('Write a time of day, such as "18:30".').refine((t) => timeOfDay(t) !== void 0, 'Write a time of day, such as "18:30".');
var HoursEntry = z.union([
  z.looseObject({
    days: z.string().refine((t) => weekdaysOf(t) !== void 0, 'Write "all", day names, ranges or a comma list: "mon-fri", "sat,sun".'),
    from: clock,
    to: clock
  }),
  z.looseObject({ from: instant, to: instant }).refine((h) => h.from < h.to, "`to` must come after `from`.")
]).describe(
  'Weekly hours {"days","from","to"} (an end at or before the beginning runs past midnight), or one dated stretch {"from","to"}.'
);
var Amount = z.looseObject({
  amount: notNegative.describe("How much, at baseServes."),
  unit: name.max(80).describe("g kg mL L tsp tbsp cup oz lb floz pint quart gallon piece, or any other word: a named piece."),
  fixed: z.boolean().optional().describe("Does not scale with the guests.")
}).describe("A quantity.");
var hold = z.looseObject({
  place: z.enum(["counter", "fridge", "freezer", "hot", "cellar", "none"], "Write counter, fridge, freezer, hot, cellar or none."),
  litres: notNegative.optional().describe("Space it takes there."),
  min: Duration.optional().describe("Least wait before it may be taken."),
  best: z.tuple([Duration, Duration]).optional().describe("The part of the window where it is at its best."),
  max: Duration.optional().describe("Longest wait; none: no limit."),
  limit: z.enum(["quality", "safety"]).optional().describe("What `max` protects."),
  fixed: z.boolean().optional().describe("The litres do not scale.")
}).refine((h) => h.min === void 0 || h.max === void 0 || lengthOf(h.min) <= lengthOf(h.max), "min must not exceed max.").refine((h) => h.best === void 0 || lengthOf(h.best[0]) <= lengthOf(h.best[1]), "best must not fall.").describe("How and how long an output may wait.");
var output = z.looseObject({
  id,
  name: name.optional(),
  amount: Amount.optional(),
  holds: z.array(hold).optional(),
  raw: z.boolean().optional().describe("Has touched raw meat, fish or egg."),
  fixed: z.boolean().optional()
}).describe("What a step makes.");
var link = z.looseObject({
  step: reference.describe("The step that this one follows."),
  from: z.enum(["end", "start"], "Write end or start.").optional(),
  min: Duration.optional(),
  best: z.tuple([Duration, Duration]).optional(),
  max: Duration.optional(),
  limit: z.enum(["quality", "safety"]).optional(),
  place: z.enum(["counter", "fridge", "freezer", "hot", "cellar", "none"]).optional(),
  litres: notNegative.optional(),
  fixed: z.boolean().optional()
}).refine((l) => l.min === void 0 || l.max === void 0 || lengthOf(l.min) <= lengthOf(l.max), "min must not exceed max.").describe("This step starts between min and max after the other step's end (or start).");
var take = z.looseObject({
  from: reference.describe("The output taken."),
  amount: Amount.optional(),
  during: Duration.optional().describe("May be drawn once the making step has run so long."),
  each: z.boolean().optional().describe("Batch n takes from batch n."),
  fixed: z.boolean().optional()
}).describe("Uses an output of this or another component.");
var use = z.looseObject({
  what: id.describe("burner, oven, bath, grill, pot, fridge, freezer, cellar, or a kind of machine or ware."),
  count: count.optional(),
  tempC: temperatureC.optional(),
  toleranceC: notNegative.max(300).optional(),
  racks: notNegative.max(100).optional(),
  mode: z.enum(["fan", "still", "grill", "any"], "Write fan, still, grill or any.").optional(),
  litres: notNegative.optional(),
  pieces: notNegative.optional(),
  until: reference.optional().describe("Kept to the end of that step, waits included."),
  part: z.enum(["all", "hands"], "Write all or hands.").optional(),
  ramp: z.boolean().optional(),
  fixed: z.boolean().optional()
}).superRefine((u, ctx) => {
  if (["oven", "bath", "grill"].includes(u.what) && u.tempC === void 0) {
    ctx.addIssue({ code: "custom", path: ["tempC"], message: `Say at what temperature: the ${u.what} has one setting at a time.` });
  }
}).describe("Equipment or space that the step needs.");
var tend = z.looseObject({
  every: UncertainDuration,
  takes: Duration.optional(),
  what: text.optional(),
  first: Duration.optional(),
  until: Duration.optional(),
  fromEnd: z.boolean().optional(),
  when: text.optional().describe("The state that calls for it; `every` is then a guess.")
}).refine((t) => typeof t.every !== "string" || lengthOf(t.every) > 0, {
  path: ["every"],
  message: "A round needs a rhythm above 0 minutes."
}).describe("Rounds that recur while the step runs.");
var Ingredient = z.looseObject({
  id,
  name,
  amount: Amount.optional(),
  note: text.optional(),
  section: text.optional().describe("The shop or the part of it."),
  orderAhead: Duration.optional(),
  keeps: Duration.optional(),
  scale: z.union([z.enum(["linear", "fixed"]), finite.min(0).max(3)]).optional().describe("Exponent on k."),
  allergens: z.array(text).optional(),
  optional: z.boolean().optional(),
  bakers: z.boolean().optional(),
  asNeeded: z.boolean().optional(),
  instead: z.array(z.looseObject({ name, amount: Amount.optional(), quality: share.optional(), note: text.optional() })).optional()
}).describe("What is bought or taken from the shelf.");
var StepSchema = z.looseObject({
  id,
  name: name.optional(),
  note: text.optional(),
  time: UncertainDuration.describe("The whole step, hands-on parts included."),
  stretch: Duration.optional().describe("How much longer it may run with no harm."),
  grows: finite.min(0, "Write 0 to 3.").max(3, "Write 0 to 3.").optional().describe("Exponent on k for the time."),
  attention: z.enum(["hands", "nearby", "unattended"], "Write hands, nearby or unattended.").optional(),
  handsStart: Duration.optional(),
  handsEnd: Duration.optional(),
  tend: z.union([tend, z.array(tend)]).optional(),
  sleepOk: z.boolean().optional(),
  awayOk: z.boolean().optional(),
  split: z.looseObject({ minPiece: Duration.refine((t) => lengthOf(t) > 0, "A piece needs at least 1 minute.") }).optional(),
  batches: z.union([count.max(500, "At most 500 batches."), z.looseObject({ perBatch: Amount, of: reference })]).optional(),
  uses: z.array(use).optional(),
  tags: z.array(text).optional(),
  after: z.array(z.union([reference, link])).optional(),
  takes: z.array(take).optional(),
  within: reference.optional(),
  makes: z.array(output).optional(),
  done: z.looseObject({
    cue: text.optional(),
    probeC: temperatureC.optional(),
    restToC: temperatureC.optional(),
    checkFrom: Duration.optional(),
    checkEvery: Duration.optional()
  }).optional().describe("What tells that it is done."),
  cooks: z.array(id).min(1, "Name at least one cook, or leave the field out.").optional(),
  boils: z.boolean().optional(),
  danger: z.array(text).optional().describe("Cautions that it triggers.")
}).describe("One step of a method.");
var method = z.looseObject({
  id,
  name: name.optional(),
  quality: share.optional(),
  ingredients: z.array(Ingredient).optional(),
  steps: z.array(StepSchema).min(1, "A method needs at least one step."),
  note: text.optional()
}).describe("One way to make a component.");
var onHand = z.looseObject({ output: id, amount: Amount.optional(), madeAt: instant, holds: z.array(hold).optional() }).describe("An output that is in the larder already.");
var fallback = z.looseObject({ name, lead: Duration, quality: share.optional(), buy: z.array(Ingredient).optional() }).describe("Plan B: stands in for the whole component, `lead` after it is decided.");
var COMPONENT_KINDS = [
  "dough",
  "stock",
  "sauce",
  "ferment",
  "pickle",
  "cure",
  "braise",
  "roast",
  "dairy",
  "filling",
  "pasta",
  "grain",
  "vegetable",
  "garnish",
  "sweet",
  "batter",
  "sausage",
  "dry",
  "oil",
  "assembly",
  "other"
];
var ComponentSchema = z.looseObject({
  id,
  name,
  kind: z.enum(COMPONENT_KINDS, `Write one of ${COMPONENT_KINDS.join(" ")}.`),
  course: text.optional(),
  factor: positive.optional(),
  methods: z.array(method),
  onHand: z.array(onHand).optional(),
  fallback: fallback.optional(),
  note: text.optional()
}).superRefine((c2, ctx) => {
  if (c2.methods.length === 0 && !c2.onHand?.length) {
    ctx.addIssue({ code: "custom", path: ["methods"], message: "Give at least one method, or say what is on hand." });
  }
}).describe("A part of the dish that is made by itself.");
var cook = z.looseObject({
  id,
  name: name.optional(),
  hours: z.array(HoursEntry).optional().describe("Hours for hands-on work; none: whenever awake."),
  awake: z.array(HoursEntry).optional().describe("Default 07:00 to 23:00 every day."),
  away: z.array(HoursEntry).optional()
}).describe("Somebody who cooks.");
var equipment = z.looseObject({
  id,
  kind: id,
  name: name.optional(),
  count: count.optional(),
  litres: notNegative.optional(),
  pieces: notNegative.optional(),
  racks: notNegative.max(100).optional(),
  maxC: temperatureC.optional(),
  heatCPerMin: positive.optional(),
  coolCPerMin: positive.optional(),
  idleC: temperatureC.optional(),
  cleanTakes: Duration.optional().describe("Between two uses by different steps."),
  available: z.array(HoursEntry).optional()
}).describe("A thing in the kitchen, or several alike (`count`).");
var forbids = {
  forbid: z.array(text).min(1, "Say what is forbidden."),
  allow: z.array(reference).optional(),
  why: text.optional()
};
var windowEntry = z.union([
  z.looseObject({
    weekly: z.looseObject({ days: z.string().refine((t) => weekdaysOf(t) !== void 0, "Write days."), from: clock, to: clock }),
    ...forbids
  }),
  z.looseObject({ from: instant, to: instant, ...forbids })
]).describe("A stretch of time in which something is not done.");
var KitchenSchema = z.looseObject({
  cooks: z.array(cook).min(1, "A kitchen needs a cook.").optional(),
  equipment: z.array(equipment).optional(),
  windows: z.array(windowEntry).optional()
}).describe("Cooks, equipment and quiet hours.");
var DishFile = z.looseObject({
  format: z.literal(FORMAT, `Write "${FORMAT}".`),
  dish: z.looseObject({
    id,
    name,
    timezone: z.string('Write an IANA time zone, such as "Europe/Dublin".').refine(isZone, 'Write an IANA time zone, such as "Europe/Dublin".'),
    baseServes: positive.max(1e4),
    serves: positive.max(1e4),
    serveAt: instant,
    startNotBefore: instant.optional(),
    serve: reference.describe("The step whose END is the moment of serving."),
    courses: z.array(z.looseObject({ name, serve: reference, after: Duration })).optional(),
    plate: z.array(z.looseObject({ output: reference, perServing: Amount })).optional(),
    guests: z.looseObject({ avoid: z.array(text).optional(), care: z.array(text).optional() }).optional(),
    note: text.optional()
  }).describe("The dish, its guests and its hour."),
  components: z.array(ComponentSchema).min(1, "A dish needs at least one component."),
  kitchen: KitchenSchema.optional()
}).describe("One dish as a document.");
function inOrder(...texts) {
  const minutes = texts.map((t) => parseDuration(t) ?? 0);
  return minutes.every((m, i) => i === 0 || minutes[i - 1] <= m);
}

// src/core/dish/read.ts
var LIMITS = { bytes: 8e6, depth: 64, steps: 5e3, problems: 500 };
function readDish(source) {
  const json = readJson(source);
  return json.status === "refused" ? json : readDishValue(json.value);
}
function readDishValue(value) {
  const shape = shapeProblems(value);
  if (shape.length) return { status: "refused", problems: shape };
  const parsed = DishFile.safeParse(value);
  if (!parsed.success) return { status: "refused", problems: fromIssues(parsed.error.issues, value) };
  const problems = [...unknownFields(parsed.data), ...checkDish(parsed.data)].slice(0, LIMITS.problems);
  if (problems.some((p) => p.severity === "error")) return { status: "refused", problems };
  return { status: "read", document: parsed.data, problems };
}
function readJson(source) {
  const refuse = (message) => ({ status: "refused", problems: [{ path: "", message, severity: "error" }] });
  if (source.length > LIMITS.bytes || new TextEncoder().encode(source).length > LIMITS.bytes) {
    return refuse(`The file is larger than ${LIMITS.bytes / 1e6} MB. A dish is a few hundred kilobytes at most: is this the right file?`);
  }
  const deep = tooDeepAt(source);
  if (deep !== void 0) {
    return refuse(
      `The file is nested more than ${LIMITS.depth} levels deep (line ${deep}). A dish needs about ten: is this the right file?`
    );
  }
  try {
    return { status: "read", value: JSON.parse(source.replace(/^\uFEFF/, "")) };
  } catch (error) {
    return refuse(
      `The file is not JSON: ${quoted(error instanceof Error ? error.message : "it cannot be read")}. Check the place named, or export the dish again.`
    );
  }
}
function tooDeepAt(source) {
  let depth = 0;
  let line = 1;
  let inText = false;
  for (let i = 0; i < source.length; i++) {
    const c2 = source.charCodeAt(i);
    if (c2 === 10) line++;
    if (inText) {
      if (c2 === 92) i++;
      else if (c2 === 34) inText = false;
    } else if (c2 === 34) inText = true;
    else if (c2 === 123 || c2 === 91) {
      if (++depth > LIMITS.depth) return line;
    } else if (c2 === 125 || c2 === 93) depth--;
  }
  return void 0;
}
var FORBIDDEN_KEYS = /* @__PURE__ */ new Set(["__proto__", "constructor", "prototype"]);
function shapeProblems(root) {
  const problems = [];
  let steps = 0;
  const add = (path, message) => {
    if (problems.length < LIMITS.problems) problems.push({ path: pathText(path), message, severity: "error" });
  };
  const walk = (value, path) => {
    if (path.length > LIMITS.depth) return add(path.slice(0, 8), `Nested more than ${LIMITS.depth} levels deep.`);
    if (typeof value === "number" && !Number.isFinite(value)) return add(path, "Write a finite number.");
    if (typeof value === "string" && value.length > LONGEST_TEXT)
      return add(path, `Write at most ${LONGEST_TEXT} characters; there are ${value.length}.`);
    if (typeof value !== "object" || value === null) return;
    if (Array.isArray(value)) {
      if (path.at(-1) === "steps") steps += value.length;
      value.forEach((entry, i) => {
        walk(entry, [...path, i]);
      });
      return;
    }
    for (const key of Object.keys(value)) {
      if (FORBIDDEN_KEYS.has(key)) add([...path, key], `A field may not be called "${key}". Remove it.`);
      else walk(value[key], [...path, key]);
    }
  };
  walk(root, []);
  if (steps > LIMITS.steps) {
    problems.unshift({
      path: "components",
      message: `There are ${steps} steps; at most ${LIMITS.steps} can be planned. Split the dish.`,
      severity: "error"
    });
  }
  return problems;
}
function fromIssues(issues, root, base = []) {
  return issues.slice(0, LIMITS.problems).flatMap((issue) => {
    const path = [...base, ...issue.path];
    const at = valueAt(root, path);
    if (issue.code === "invalid_union") {
      const branches = issue.errors.filter((b) => b.length > 0);
      const meant = branches.find((b) => !b.some((i) => i.path.length === 0 && i.code === "invalid_type")) ?? branches[0];
      if (meant && !branches.every((b) => b.some((i) => i.path.length === 0 && i.code === "invalid_type")))
        return fromIssues(meant, root, path);
      const first = branches[0]?.[0];
      return [
        {
          path: pathText(path),
          message: described(first?.message ?? "This has none of the forms that are allowed here.", at),
          severity: "error"
        }
      ];
    }
    if (at === void 0 && issue.code === "invalid_type") {
      return [{ path: pathText(path), message: `This field is missing. ${wanted(issue)}`.trim(), severity: "error" }];
    }
    return [
      {
        path: pathText(path),
        message: described(issue.code === "invalid_type" ? wanted(issue) : issue.message, at),
        severity: "error"
      }
    ];
  });
}
function wanted(issue) {
  if (issue.code !== "invalid_type") return issue.message;
  if (!issue.message.startsWith("Invalid input")) return issue.message;
  const words = {
    object: "Write an object in braces.",
    array: "Write a list in brackets.",
    string: "Write a text in quotes.",
    number: "Write a number.",
    boolean: "Write true or false.",
    int: "Write a whole number.",
    tuple: "Write a list of two values."
  };
  return words[issue.expected] ?? issue.message;
}
function described(message, value) {
  if (value === void 0) return message;
  const shown = typeof value === "string" ? `"${quoted(value)}"` : Array.isArray(value) ? "a list" : typeof value === "object" && value ? "an object" : String(value);
  return `${message} Found ${shown}.`;
}
function valueAt(root, path) {
  let at = root;
  for (const key of path) {
    if (typeof at !== "object" || at === null || !Object.hasOwn(at, key)) return void 0;
    at = at[key];
  }
  return at;
}
function unknownFields(document) {
  const problems = [];
  const walk = (schema, value, path) => {
    if (typeof value !== "object" || value === null) return;
    const type = inner(schema);
    if (type?.def.type === "array" && Array.isArray(value)) {
      for (let i = 0; i < value.length; i++) walk(type.def.element, value[i], [...path, i]);
    } else if (type?.def.type === "union") {
      const options = type.def.options?.map(inner).filter((o) => o?.def.type === (Array.isArray(value) ? "array" : "object")) ?? [];
      const fitting = options.find((o) => !o?.def.shape || Object.keys(o.def.shape).every((k) => k in value || isOptional(o.def.shape?.[k]))) ?? options[0];
      if (fitting) walk(fitting, value, path);
    } else if (type?.def.type === "object" && !Array.isArray(value)) {
      const shape = type.def.shape ?? {};
      for (const key of Object.keys(value)) {
        if (Object.hasOwn(shape, key)) walk(shape[key], value[key], [...path, key]);
        else {
          const near = Object.keys(shape).find((k) => closeTo(k, key));
          problems.push({
            path: pathText([...path, key]),
            message: `This version does not know the field "${quoted(key)}"; it is kept and not used.${near ? ` Was "${near}" meant?` : ""}`,
            severity: "warning"
          });
        }
      }
    }
  };
  walk(DishFile, document, []);
  return problems;
}
function inner(schema) {
  let node = schema;
  while (node?.def.type === "optional") node = node.def.innerType;
  return node;
}
function isOptional(schema) {
  return schema?.def.type === "optional";
}
function closeTo(a, b) {
  if (a.toLowerCase() === b.toLowerCase()) return true;
  const [short, long] = a.length <= b.length ? [a, b] : [b, a];
  if (short.length < 4 || long.length - short.length > 1) return false;
  let i = 0;
  while (i < short.length && short[i] === long[i]) i++;
  const rest = (from2, text2) => text2.slice(from2);
  return rest(i, short) === rest(i + 1, long) || rest(i + 1, short) === rest(i + 1, long) || short[i] === long[i + 1] && short[i + 1] === long[i] && rest(i + 2, short) === rest(i + 2, long);
}

// src/core/planner/plan.ts
import { z as z2 } from "zod";
var STYLES = ["late", "ahead", "even", "shortest"];
var PLAN_ATS = ["likely", "cautious", "longest"];
var instant2 = z2.string().refine(isInstant, 'Write an instant, such as "2026-10-18T13:00+01:00".');
var span = { from: instant2, to: instant2 };
var figure2 = z2.number();
var PlanFile = z2.looseObject({
  format: z2.literal("rondeau-plan/1"),
  dish: z2.string(),
  status: z2.literal("feasible", "Only a feasible plan can be read."),
  style: z2.enum(STYLES),
  planAt: z2.enum(PLAN_ATS),
  now: instant2,
  seed: z2.number().optional(),
  serveAt: instant2,
  leadMinutes: figure2.optional(),
  boundMinutes: figure2.optional(),
  regret: z2.record(z2.string(), figure2).optional(),
  methods: z2.record(z2.string(), z2.string()),
  fallbacks: z2.array(z2.looseObject({ component: z2.string(), decidedAt: instant2, readyAt: instant2 })).optional(),
  steps: z2.array(
    z2.looseObject({
      step: z2.string(),
      start: instant2,
      end: instant2,
      minutes: figure2.optional(),
      pieces: z2.array(z2.tuple([instant2, instant2])).optional(),
      hands: z2.array(z2.looseObject({ cook: z2.string(), ...span })).optional(),
      rounds: z2.array(z2.looseObject({ at: instant2, tend: z2.number().int() })).optional(),
      equipment: z2.array(z2.looseObject({ use: z2.number().int(), id: z2.string(), ...span, count: z2.number().int().min(1).optional() })).optional()
    })
  ).max(2e4),
  holds: z2.array(
    z2.looseObject({
      output: z2.string(),
      taker: z2.string(),
      hold: z2.number().int(),
      place: z2.string().optional(),
      ...span,
      state: z2.string().optional()
    })
  ).optional(),
  settings: z2.array(z2.looseObject({ id: z2.string(), tempC: figure2, mode: z2.string().optional(), ...span })).optional()
});
var pin = z2.union([
  z2.looseObject({ component: z2.string(), method: z2.string() }),
  z2.looseObject({
    step: z2.string(),
    at: instant2.optional(),
    notBefore: instant2.optional(),
    notAfter: instant2.optional(),
    cook: z2.string().optional()
  })
]);
var LogFile = z2.looseObject({
  format: z2.literal("rondeau-log/1"),
  events: z2.array(z2.looseObject({ step: z2.string(), started: instant2, ended: instant2.optional(), estimate: instant2.optional() })).max(2e4),
  pins: z2.array(pin).max(2e4).optional(),
  heat: z2.array(z2.looseObject({ id: z2.string(), tempC: z2.number().finite(), since: instant2 })).max(1e3).optional().describe("Ovens, grills and baths that are on now: set to what, since when.")
}).describe("rondeau-log/1");
var EMPTY_LOG = { events: /* @__PURE__ */ new Map(), pins: [], methods: {}, heat: [] };

// src/core/planner/choices.ts
var MOST_CHOICES = 24;
function methodsBegun(dish, previous, log) {
  const begun = new Set([...log.events.keys()].map((ref) => ref.slice(0, ref.indexOf("."))));
  return Object.fromEntries(
    dish.components.filter((c2) => begun.has(c2.id) && previous.methods[c2.id]).map((c2) => [c2.id, previous.methods[c2.id]])
  );
}
function choicesOfMethods2(dish, options) {
  const log = options.log ?? EMPTY_LOG;
  const fixed = {
    ...options.previous ? methodsBegun(dish, options.previous, log) : {},
    ...log.methods,
    ...options.methods
  };
  const begun = (ref) => [...log.events.keys()].find((key) => key.startsWith(`${ref}.`));
  const open = dish.components.filter((c2) => c2.onHand.length === 0).map((c2) => {
    const event = begun(c2.id);
    const methods = c2.methods.filter(
      (m) => (fixed[c2.id] === void 0 || fixed[c2.id] === m.id) && (event === void 0 || m.steps.some((s) => s.ref === event))
    );
    return { id: c2.id, methods, fixed: fixed[c2.id] };
  });
  const preferred = {};
  for (const c2 of open) {
    const planned = c2.methods.find((m) => m.id === options.previous?.methods[c2.id]);
    preferred[c2.id] = c2.fixed ?? planned?.id ?? c2.methods[0]?.id ?? "";
  }
  const singles = open.flatMap((c2) => {
    const kept = c2.methods.find((m) => m.id === preferred[c2.id]) ?? c2.methods[0];
    return c2.methods.filter((m) => m !== kept).map((m) => ({ id: c2.id, method: m.id, loss: (kept?.quality ?? 1) - m.quality }));
  });
  const count2 = open.reduce((product, c2) => product * Math.max(1, c2.methods.length), 1);
  const pairs = singles.flatMap((a, i) => singles.slice(i + 1).flatMap((b) => b.id === a.id ? [] : [[a, b]]));
  const quickest = open.flatMap((c2) => c2.methods.length > 1 ? [{ id: c2.id, method: quickestOf(c2.methods).id, loss: 0 }] : []);
  const changes = count2 <= MOST_CHOICES ? everySet(open.map((c2) => singles.filter((s) => s.id === c2.id))) : [...singles.map((s) => [s]), ...pairs];
  const loss = (set) => set.reduce((sum, s) => sum + s.loss, 0);
  const sorted = changes.filter((set) => set.length > 0).sort((a, b) => loss(a) - loss(b) || a.length - b.length);
  const list = [[], ...sorted.slice(0, MOST_CHOICES), ...count2 > MOST_CHOICES ? [quickest] : []];
  return {
    list: list.map((set) => ({ ...preferred, ...Object.fromEntries(set.map((s) => [s.id, s.method])) })),
    complete: count2 <= MOST_CHOICES
  };
}
function quickestOf(methods) {
  const length = (m) => m.steps.reduce((sum, s) => sum + s.time.likely + Math.max(0, ...s.makes.flatMap((o) => o.holds.map((h) => h.min))), 0);
  return methods.reduce((a, b) => length(b) < length(a) ? b : a);
}
function everySet(lists) {
  return lists.reduce((sets, list) => sets.flatMap((set) => [set, ...list.map((entry) => [...set, entry])]), [[]]);
}

// src/core/dish/planned-length.ts
var CAUTIOUS_QUANTILE = 0.8;
function plannedLength(time, planAt, k, grows) {
  const base = planAt === "likely" ? time.likely : planAt === "longest" ? time.max : pertQuantile(time, CAUTIOUS_QUANTILE);
  return Math.ceil(base * k ** grows - 1e-6);
}
function pertQuantile(time, q) {
  const width = time.max - time.min;
  if (width === 0) return time.likely;
  const a = 1 + 4 * (time.likely - time.min) / width;
  const b = 1 + 4 * (time.max - time.likely) / width;
  let low = 0;
  let high = 1;
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2;
    if (regularisedBeta(middle, a, b) < q) low = middle;
    else high = middle;
  }
  return time.min + (low + high) / 2 * width;
}
function regularisedBeta(x, a, b) {
  if (x <= 0) return 0;
  if (x >= 1) return 1;
  if (x > (a + 1) / (a + b + 2)) return 1 - regularisedBeta(1 - x, b, a);
  const front = Math.exp(a * Math.log(x) + b * Math.log(1 - x) - logBeta(a, b)) / a;
  let f = 1;
  let c2 = 1;
  let d = 0;
  for (let i = 0; i <= 200; i++) {
    const m = i >> 1;
    const term = i === 0 ? 1 : i % 2 === 0 ? m * (b - m) * x / ((a + 2 * m - 1) * (a + 2 * m)) : -(a + m) * (a + b + m) * x / ((a + 2 * m) * (a + 2 * m + 1));
    d = 1 / nonZero(1 + term * d);
    c2 = nonZero(1 + term / c2);
    f *= c2 * d;
    if (Math.abs(1 - c2 * d) < 1e-12) break;
  }
  return front * (f - 1);
}
var nonZero = (x) => Math.abs(x) < 1e-30 ? 1e-30 : x;
var logBeta = (a, b) => logGamma(a) + logGamma(b) - logGamma(a + b);
function logGamma(x) {
  const terms = [
    0.9999999999998099,
    676.5203681218851,
    -1259.1392167224028,
    771.3234287776531,
    -176.6150291621406,
    12.507343278686905,
    -0.13857109526572012,
    9984369578019572e-21,
    15056327351493116e-23
  ];
  const z3 = x - 1;
  const t = z3 + 7.5;
  const sum = terms.reduce((s, term, i) => i === 0 ? term : s + term / (z3 + i), 0);
  return 0.5 * Math.log(2 * Math.PI) + (z3 + 0.5) * Math.log(t) - t + Math.log(sum);
}

// src/core/planner/heat-settings.ts
var RESTS_AT_IDLE_MINUTES = 60;
function warmthNow(dish, steps, log, now) {
  const found = /* @__PURE__ */ new Map();
  for (const step of steps) {
    const event = log.events.get(step.ref);
    if (event?.ended === void 0 || now - event.ended > RESTS_AT_IDLE_MINUTES) continue;
    for (const use2 of step.uses) {
      const equipment2 = dish.equipment.find((e) => e.kind === use2.what && e.maxC >= use2.tempC - use2.toleranceC);
      if (!equipment2 || !HEATED.includes(use2.what) || (found.get(equipment2.id)?.since ?? Number.NEGATIVE_INFINITY) > event.ended)
        continue;
      found.set(equipment2.id, { tempC: use2.tempC, since: event.ended });
    }
  }
  for (const on of log.heat) {
    const equipment2 = dish.equipment.find((e) => e.id === on.id);
    if (equipment2 && on.since <= now)
      found.set(on.id, {
        tempC: Math.min(on.tempC, equipment2.maxC, equipment2.idleC + (now - on.since) * equipment2.heatCPerMin),
        since: now
      });
  }
  return found;
}
function minutesToChange(equipment2, fromC, toC) {
  return Math.max(0, Math.ceil(Math.abs(toC - fromC) / (toC > fromC ? equipment2.heatCPerMin : equipment2.coolCPerMin) - 1e-6));
}
function settle(equipment2, users, now, closed, warmth) {
  const sorted = [...users].filter((u) => u.from < u.to).sort((a, b) => a.from - b.from || a.to - b.to);
  if (!roomFor(equipment2, sorted)) return void 0;
  return chain(equipment2, sorted, 0, [], { now, closed, warmth });
}
function roomFor(equipment2, users) {
  const size = (u) => equipment2.kind === "bath" ? u.use.litres : u.use.racks;
  const room = equipment2.kind === "bath" ? equipment2.litres ?? Number.POSITIVE_INFINITY : equipment2.racks;
  return users.every((user) => users.reduce((sum, u) => sum + (u.from <= user.from && user.from < u.to ? size(u) : 0), 0) <= room + 1e-6);
}
function chain(equipment2, users, at, blocks, scene) {
  const user = users[at];
  if (!user) return settingsOf(equipment2, blocks, scene);
  const last = blocks.at(-1);
  const { use: use2 } = user;
  const low = use2.tempC - use2.toleranceC;
  const high = Math.min(equipment2.maxC, use2.tempC + use2.toleranceC);
  if (low > high) return void 0;
  const own = {
    low,
    high,
    mode: use2.mode,
    wish: use2.tempC,
    from: user.from,
    to: user.to,
    ramp: false,
    begun: user.begun,
    first: user.step
  };
  if (!last) return chain(equipment2, users, at + 1, [own], scene);
  const modeFits = last.mode === "any" || use2.mode === "any" || last.mode === use2.mode;
  if (modeFits && Math.max(low, last.low) <= Math.min(high, last.high) && user.from - last.to <= RESTS_AT_IDLE_MINUTES) {
    const joined2 = {
      ...last,
      low: Math.max(low, last.low),
      high: Math.min(high, last.high),
      mode: last.mode === "any" ? use2.mode : last.mode,
      to: Math.max(last.to, user.to)
    };
    const settled = chain(equipment2, users, at + 1, [...blocks.slice(0, -1), joined2], scene);
    if (settled) return settled;
  }
  const inside = users.slice(0, at).filter((u) => u.to > user.from);
  const ramped = use2.ramp && users.some((u) => u !== user && u.component === user.component && u.to === user.from);
  if (ramped) {
    const all = inside.reduce(
      (b, u) => ({ low: Math.max(b.low, u.use.tempC - u.use.toleranceC), high: Math.min(b.high, u.use.tempC + u.use.toleranceC) }),
      { low, high }
    );
    if (all.low > all.high) return void 0;
    const shortened2 = { ...last, to: Math.min(last.to, user.from) };
    const next = { ...own, ...all, to: Math.max(user.to, ...inside.map((u) => u.to)), ramp: true };
    return chain(equipment2, users, at + 1, [...blocks.slice(0, -1), shortened2, next], scene);
  }
  return inside.length || last.to > user.from ? void 0 : chain(equipment2, users, at + 1, [...blocks, own], scene);
}
function temperatures(equipment2, blocks, { now, warmth }) {
  const ranges = [];
  const minutes = [];
  for (const [i, block] of blocks.entries()) {
    const before = blocks[i - 1];
    const since = before ? before.to : warmth?.since;
    const warm = since !== void 0 && block.from - since <= RESTS_AT_IDLE_MINUTES;
    const from2 = !warm ? { low: Math.min(equipment2.idleC, block.low), high: equipment2.idleC } : before ? ranges[i - 1] : { low: warmth?.tempC ?? equipment2.idleC, high: warmth?.tempC ?? equipment2.idleC };
    const free = block.begun || block.ramp && before?.to === block.from;
    const time = free ? Number.POSITIVE_INFINITY : block.from - (before ? before.to : now);
    minutes.push(warm && !free && before ? time : Number.POSITIVE_INFINITY);
    const range = {
      low: Math.max(block.low, from2.low - time * equipment2.coolCPerMin),
      high: Math.min(block.high, from2.high + time * equipment2.heatCPerMin)
    };
    if (time < 0 || range.low > range.high + 1e-9) return void 0;
    ranges.push(range);
  }
  const chosen = [];
  for (let i = blocks.length - 1; i >= 0; i--) {
    const { low, high } = ranges[i];
    const next = chosen[0];
    const time = minutes[i + 1];
    const reach = next === void 0 || time === void 0 ? { low, high } : { low: Math.max(low, next - time * equipment2.heatCPerMin), high: Math.min(high, next + time * equipment2.coolCPerMin) };
    const wish = Math.min(reach.high, Math.max(reach.low, blocks[i].wish));
    const whole = [Math.round(wish), Math.ceil(reach.low), Math.floor(reach.high)].find((t) => t >= reach.low && t <= reach.high);
    chosen.unshift(whole ?? wish);
  }
  return chosen;
}
function settingsOf(equipment2, blocks, scene) {
  const { now, closed, warmth } = scene;
  const chosen = temperatures(equipment2, blocks, scene);
  if (!chosen) return void 0;
  const settings = [];
  for (const [i, block] of blocks.entries()) {
    const before = settings.at(-1);
    const clip = (t) => Math.min(block.high, Math.max(block.low, t));
    const left = before ? { tempC: before.tempC, since: before.to } : warmth;
    const warm = left && block.from - left.since <= RESTS_AT_IDLE_MINUTES ? left : void 0;
    const earliest = before ? before.to : now;
    let made;
    for (const tempC of [chosen[i], clip(warm ? warm.tempC : equipment2.idleC)]) {
      const mode = block.mode;
      if (block.begun || block.ramp && before?.to === block.from) {
        made = { id: equipment2.id, tempC, mode, from: block.from, to: block.to };
        break;
      }
      const need = minutesToChange(equipment2, warm ? warm.tempC : Math.min(equipment2.idleC, tempC), tempC);
      const start = latestHeatUp(block, need, earliest, closed);
      if (start === void 0) continue;
      made = { id: equipment2.id, tempC, mode, from: Math.min(block.from, start + need), to: block.to };
      break;
    }
    if (!made) return void 0;
    settings.push(made);
  }
  return settings;
}
function latestHeatUp(block, need, earliest, closed) {
  const heat = closed.heat(block.first);
  const lighting = closed.lighting(block.first);
  let start = block.from - need;
  for (let tries = 0; tries < 200 && start >= earliest; tries++) {
    const blocking = need > 0 ? heat.find(([a, b]) => a < start + need && start < b) ?? (overlaps(lighting, start, start + 1) ? lighting.find(([a, b]) => a <= start && start < b) : void 0) : void 0;
    if (!blocking) return start;
    start = Math.min(blocking[0] - 1, blocking[0] - (heat.includes(blocking) ? need : 1));
  }
  return void 0;
}

// src/core/planner/model.ts
var startOf = (activity) => 2 * activity;
var endOf = (activity) => 2 * activity + 1;
var isHot = (kind) => kind === "burner" || HEATED.includes(kind);
var isUnitLike = (kind) => isUnit(kind) || kind === "burner";
function roundOffsets(tend2, minutes) {
  const offsets = [];
  for (let offset = tend2.first; offset < minutes && (tend2.until === void 0 || offset <= tend2.until); offset += tend2.every) {
    if (offset > 0 || !tend2.fromEnd) offsets.push(tend2.fromEnd ? minutes - offset : offset);
  }
  return tend2.fromEnd ? offsets.reverse() : offsets;
}

// src/core/planner/compile.ts
function compile(input) {
  const { dish, now, serveAt, planAt, log } = input;
  const last = Math.max(serveAt, ...dish.courses.map((c2) => serveAt + c2.after));
  const chosen = /* @__PURE__ */ new Map();
  for (const component of dish.components) {
    if (component.onHand.length) continue;
    const wanted2 = input.methods[component.id] ?? component.methods[0]?.id;
    const method2 = wanted2 === "fallback" && component.fallback ? "fallback" : component.methods.find((m) => m.id === wanted2);
    if (!method2)
      return { status: "impossible", because: { rule: "H1", steps: [], text: `"${component.name}" has no method "${wanted2}".` } };
    chosen.set(component.id, method2);
  }
  const inForce = [...chosen.values()].flatMap((m) => m === "fallback" ? [] : m.steps);
  return new Compiler(dish, now, serveAt, last, planAt, log, chosen, inForce).run();
}
var hoursBySpan = /* @__PURE__ */ new WeakMap();
function hoursOf(list, dish, from2, to2) {
  const known = hoursBySpan.get(list) ?? /* @__PURE__ */ new Map();
  hoursBySpan.set(list, known);
  if (known.size > 50) known.clear();
  return remembered(known, `${dish.zone.name} ${from2} ${to2}`, () => intervalsOfHours(list, dish.zone, from2, to2));
}
var Compiler = class {
  constructor(dish, now, serveAt, last, planAt, log, chosen, inForce) {
    this.dish = dish;
    this.now = now;
    this.serveAt = serveAt;
    this.last = last;
    this.planAt = planAt;
    this.log = log;
    this.chosen = chosen;
    this.inForce = inForce;
    const from2 = now - 1440;
    const to2 = last + 1440;
    this.#all = [from2, to2];
    this.#warmth = warmthNow(dish, inForce, log, now);
    const hours = (list) => hoursOf(list, dish, from2, to2);
    const away = dish.cooks.map((c2) => hours(c2.away));
    const awake = dish.cooks.map((c2) => hours(c2.awake));
    const home = away.map((a) => subtract([this.#all], a));
    this.#works = dish.cooks.map((c2, i) => subtract(c2.hours ? hours(c2.hours) : awake[i], away[i]));
    this.#here = union(awake.flatMap((a, i) => intersect(a, home[i])));
    this.#awake = union(awake.flat());
    this.#home = union(home.flat());
    this.#windows = dish.windows.map((w) => ({ closed: hours(w.hours), forbid: w.forbid, allow: w.allow }));
    for (const e of dish.equipment) {
      const list = this.#units.get(e.kind) ?? [];
      for (let n = 0; n < e.count; n++) {
        list.push({
          id: e.id,
          litres: e.litres ?? Number.POSITIVE_INFINITY,
          pieces: e.pieces ?? Number.POSITIVE_INFINITY,
          clean: e.cleanTakes,
          available: e.available && hours(e.available)
        });
      }
      this.#units.set(e.kind, list);
    }
  }
  dish;
  now;
  serveAt;
  last;
  planAt;
  log;
  chosen;
  inForce;
  #activities = [];
  #lags = [];
  #takings = [];
  #waitings = [];
  #first = /* @__PURE__ */ new Map();
  #last = /* @__PURE__ */ new Map();
  #fallbacks = /* @__PURE__ */ new Map();
  #units = /* @__PURE__ */ new Map();
  #windows;
  #works;
  #closed = /* @__PURE__ */ new Map();
  #worksBy = /* @__PURE__ */ new Map();
  #fits = /* @__PURE__ */ new Map();
  #here;
  #awake;
  #home;
  #all;
  #warmth;
  run() {
    for (const step of this.inForce) {
      const impossible = this.#addStep(step);
      if (impossible) return { status: "impossible", because: impossible };
    }
    for (const component of this.dish.components) {
      if (this.chosen.get(component.id) === "fallback" && component.fallback)
        this.#addFallback(component.id, component.name, component.fallback.lead);
    }
    for (const step of this.inForce) {
      this.#addLinks(step);
      const impossible = this.#addTakes(step);
      if (impossible) return { status: "impossible", because: impossible };
    }
    this.#addServing();
    const storeLitres = /* @__PURE__ */ new Map();
    for (const place of STORES) {
      storeLitres.set(
        place,
        this.dish.equipment.filter((e) => e.kind === place).reduce((sum, e) => sum + (e.litres ?? Number.POSITIVE_INFINITY), 0)
      );
    }
    const methods = {};
    for (const [id2, method2] of this.chosen) methods[id2] = method2 === "fallback" ? "fallback" : method2.id;
    return {
      status: "compiled",
      model: {
        dish: this.dish,
        now: this.now,
        serveAt: this.serveAt,
        last: this.last,
        planAt: this.planAt,
        methods,
        inForce: this.inForce,
        activities: this.#activities,
        lags: this.#lags,
        takings: this.#takings,
        waitings: this.#waitings,
        first: this.#first,
        lastOf: this.#last,
        units: this.#units,
        storeLitres,
        here: this.#here,
        roundMinutes: (step, takes) => this.#roundMinutes(step, takes),
        warmth: this.#warmth,
        closed: (word, step) => union(this.#windows.filter((w) => w.forbid.has(word) && !w.allow.has(step)).flatMap((w) => w.closed)),
        fallbacks: this.#fallbacks
      }
    };
  }
  #lag(from2, to2, lag, because) {
    this.#lags.push({ from: from2, to: to2, lag, because });
  }
  #windowsFor(step, words) {
    const key = this.#windowKey(step, words);
    return remembered(this.#closed, key, () => union(this.#windows.flatMap((w, i) => key.includes(` ${i},`) ? w.closed : [])));
  }
  /** The windows that forbid some of these words to a step, by number: many steps share them. */
  #windowKey(step, words) {
    return this.#windows.map((w, i) => !w.allow.has(step.ref) && words.some((word) => w.forbid.has(word)) ? ` ${i},` : "").join("");
  }
  /** When each cook may work on a step: the cook's hours less the windows that forbid hands. */
  #worksOf(step, cook2) {
    const words = ["hands", "*"];
    return remembered(
      this.#worksBy,
      `${cook2}${this.#windowKey(step, words)}`,
      () => subtract(this.#works[cook2], this.#windowsFor(step, words))
    );
  }
  /** Starts at which one of the cooks has so many minutes in one stretch. */
  #someFit(step, cooks, minutes) {
    return remembered(
      this.#fits,
      `${cooks.join()} ${minutes}${this.#windowKey(step, ["hands", "*"])}`,
      () => union(cooks.flatMap((c2) => startsFitting(this.#worksOf(step, c2), minutes, this.#all)))
    );
  }
  #roundMinutes(step, takes) {
    const closed = this.#windowsFor(step, ["hands", "*"]);
    return subtract(this.#here, union(closed.map(([a, b]) => [a - Math.max(1, takes) + 1, b])));
  }
  #addStep(step) {
    const one = plannedLength(step.time, this.planAt, step.k, step.grows);
    const event = this.log.events.get(step.ref);
    const count2 = step.each && !event ? step.batches : 1;
    for (let batch = 0; batch < count2; batch++) {
      const impossible = this.#addActivity(step, batch, step.each && !event ? one : one * step.batches, one, event);
      if (impossible) return impossible;
      const index = this.#activities.length - 1;
      const inOrder2 = { rule: "H1", steps: [step.ref], text: `The batches of "${step.name}" come one after another.` };
      if (batch === 0) this.#first.set(step.ref, index);
      else this.#lag(endOf(index - 1), startOf(index), 0, inOrder2);
      if (batch > 0 && step.tends.length) this.#lag(startOf(index), endOf(index - 1), 0, inOrder2);
      this.#last.set(step.ref, index);
    }
    return void 0;
  }
  #addActivity(step, batch, minutes, one, event) {
    const index = this.#activities.length;
    const pins = this.log.pins.filter((p) => p.step === step.ref);
    const cooks = this.#cooksFor(step, pins);
    if (cooks.length === 0) return { rule: "H6", steps: [step.ref], text: `No cook of this kitchen may do "${step.name}".` };
    const needs = this.#needsOf(step);
    const tooBig = needs.find((n) => isUnitLike(n.use.what) && n.fitting.length < n.use.count);
    if (tooBig && !event?.ended) {
      const { use: use2 } = tooBig;
      const size = use2.litres ? `${Number(use2.litres.toPrecision(3))} L` : use2.pieces ? `${use2.pieces} pieces` : `${use2.count} at once`;
      return { rule: "H9", steps: [step.ref], text: `"${step.name}" asks for a ${use2.what} of ${size}; the kitchen has none so large.` };
    }
    const parts = partsOf(step, one, step.each ? 1 : step.batches);
    const fact = event && this.#factOf(event, minutes);
    const works = cooks.map((c2) => this.#worksOf(step, c2));
    const base = [this.now, this.last + 1];
    const rigid = step.stretch === 0 && step.minPiece === void 0;
    const cover = this.#coverOf(step);
    let starts = [base];
    let ends = [base];
    let open = false;
    if (fact) {
      starts = [[fact.start, fact.start + 1]];
      ends = [[fact.end, fact.end + 1]];
      const later = event.estimate === void 0 && !fact.done ? this.#endsOfRunning(step, fact, minutes, parts, works) : [];
      open = later.length > 0;
      if (open) ends = later;
    } else if (step.minPiece !== void 0) {
      const piece = Math.min(step.minPiece, minutes);
      const some = this.#someFit(step, cooks, piece);
      starts = intersect(starts, some);
      ends = intersect(ends, shift(some, piece));
    } else {
      for (const part of parts) {
        const some = this.#someFit(step, cooks, part.minutes);
        if (part.atEnd) ends = intersect(ends, shift(some, part.minutes));
        else starts = intersect(starts, shift(some, -part.offset));
      }
      for (const need of needs) starts = intersect(starts, this.#startsOfNeed(step, need, parts, minutes));
      if (rigid) {
        if (cover) starts = intersect(starts, startsFitting(cover, minutes, this.#all));
        if (batch === 0) starts = intersect(starts, this.#startsOfRounds(step, step.each ? one * step.batches : minutes));
        starts = intersect(starts, shift(ends, -minutes));
        ends = shift(starts, minutes);
      }
    }
    for (const pin2 of fact ? [] : pins) {
      if (pin2.at !== void 0 && batch === 0) starts = intersect(starts, [[pin2.at, pin2.at + 1]]);
      if (pin2.notBefore !== void 0) starts = intersect(starts, [[pin2.notBefore, this.last + 1]]);
      if (pin2.notAfter !== void 0 && batch === 0) starts = intersect(starts, [[base[0], pin2.notAfter + 1]]);
    }
    this.#activities.push({
      index,
      step,
      batch,
      minutes,
      stretch: fact && !open ? 0 : step.stretch,
      minPiece: fact ? void 0 : step.minPiece,
      parts,
      cooks,
      needs,
      starts,
      ends,
      cover: fact && !open ? void 0 : cover,
      works,
      fact,
      open
    });
    const s = startOf(index);
    const e = endOf(index);
    const lasts = { rule: "H1", steps: [step.ref], text: `"${step.name}" takes ${minutes} min.` };
    if (fact) {
      this.#lag(s, e, fact.end - fact.start, lasts);
      this.#lag(e, s, fact.start - (open ? Math.max(fact.end, fact.start + minutes + step.stretch) : fact.end), lasts);
    } else {
      this.#lag(s, e, minutes, lasts);
      if (step.minPiece === void 0) this.#lag(e, s, -minutes - step.stretch, lasts);
    }
    return void 0;
  }
  #cooksFor(step, pins) {
    const named = pins.map((p) => p.cook).filter((c2) => c2 !== void 0);
    return this.dish.cooks.flatMap((c2, i) => (!step.cooks || step.cooks.includes(c2.id)) && named.every((n) => n === c2.id) ? [i] : []);
  }
  #factOf(event, minutes) {
    if (event.ended !== void 0) return { start: event.started, end: event.ended, done: true };
    const end = event.estimate ?? event.started + minutes;
    return { start: event.started, end: Math.max(end, this.now, event.started), done: false };
  }
  /** Where a running step with a stretch may end: from when it is expected, where hands can see it out. */
  #endsOfRunning(step, fact, minutes, parts, works) {
    if (step.stretch === 0 || step.minPiece !== void 0 || step.each) return [];
    let ends = [[fact.end, Math.max(fact.end, fact.start + minutes + step.stretch) + 1]];
    for (const part of parts)
      if (part.atEnd) ends = intersect(ends, shift(union(works.flatMap((w) => startsFitting(w, part.minutes, this.#all))), part.minutes));
    return ends;
  }
  #needsOf(step) {
    return step.uses.map((use2, useIndex) => {
      const units = this.#units.get(use2.what) ?? [];
      const fitting = isUnitLike(use2.what) ? units.flatMap((u, i) => u.litres + 1e-6 >= use2.litres && u.pieces >= use2.pieces ? [i] : []) : [];
      fitting.sort((a, b) => units[a].litres - units[b].litres || a - b);
      const span2 = use2.until !== void 0 ? { until: -1 } : use2.part === "hands" ? "hands" : "run";
      return { use: use2, useIndex, fitting, span: span2, throughout: use2.until === void 0 && use2.part !== "hands" && isWare(use2.what) };
    });
  }
  /** Minutes that the run must lie in: somebody there or awake, and no window that forbids a tag of the step. */
  #coverOf(step) {
    let cover;
    const within = (list) => {
      cover = cover ? intersect(cover, list) : list;
    };
    if (step.attention === "nearby") within(subtract(this.#here, this.#windowsFor(step, ["*"])));
    if (step.attention === "unattended" && !step.sleepOk) within(this.#awake);
    if (step.attention === "unattended" && !step.awayOk) within(this.#home);
    const closed = this.#windowsFor(step, [...step.tags]);
    if (step.tags.size && closed.length) within(subtract([this.#all], closed));
    if (step.uses.some((u) => isHot(u.what) && u.part === "all")) {
      const noHeat = this.#windowsFor(step, ["heat"]);
      if (noHeat.length) within(subtract([this.#all], noHeat));
    }
    return cover;
  }
  /** Starts for which one use of equipment meets no closed window, and its equipment is there and can be hot. */
  #startsOfNeed(step, need, parts, minutes) {
    const { use: use2 } = need;
    let starts = [this.#all];
    if (isHot(use2.what)) {
      const lighting = this.#windowsFor(step, ["start-heat"]);
      const heat = this.#windowsFor(step, ["heat"]);
      const offsets = need.span === "hands" ? parts.filter((p) => !p.atEnd).map((p) => [p.offset, p.minutes]) : [[0, minutes]];
      for (const [offset, length] of offsets) {
        starts = intersect(starts, shift(startsAvoiding(lighting, 1, this.#all), -offset));
        if (need.span === "hands") starts = intersect(starts, shift(startsAvoiding(heat, length, this.#all), -offset));
      }
    }
    if (HEATED.includes(use2.what) && !use2.ramp && !this.#isHotNow(use2.what)) {
      const heaters = this.dish.equipment.filter((e) => e.kind === use2.what && e.maxC >= use2.tempC - use2.toleranceC);
      const heatUp = Math.min(...heaters.map((e) => Math.ceil(Math.max(0, use2.tempC - use2.toleranceC - e.idleC) / e.heatCPerMin - 1e-6)));
      starts = intersect(starts, Number.isFinite(heatUp) ? [[this.now + heatUp, this.#all[1]]] : []);
    }
    const units = (this.#units.get(use2.what) ?? []).filter((_, i) => need.fitting.length === 0 || need.fitting.includes(i));
    if (units.length && units.every((u) => u.available)) {
      const length = need.span === "hands" ? 0 : minutes;
      starts = intersect(starts, union(units.flatMap((u) => startsFitting(u.available, length, this.#all))));
    }
    return starts;
  }
  /** Whether some of a kind is warm or in use at `now`, so that what comes next may find it hot. */
  #isHotNow(kind) {
    const warm = this.dish.equipment.some((e) => e.kind === kind && this.#warmth.has(e.id));
    return warm || this.inForce.some((s) => this.log.events.has(s.ref) && s.uses.some((u) => u.what === kind));
  }
  #startsOfRounds(step, minutes) {
    let starts = [this.#all];
    if (step.tends.length === 0) return starts;
    for (const tend2 of step.tends) {
      const there = this.#roundMinutes(step, tend2.takes);
      const play = Math.floor(Math.max(tend2.every / 4, 5));
      const near = union(there.map(([a, b]) => [a - play, b + play]));
      for (const offset of roundOffsets(tend2, minutes)) starts = intersect(starts, shift(near, -offset));
    }
    return starts;
  }
  #addFallback(component, name2, lead) {
    const index = this.#activities.length;
    this.#fallbacks.set(component, index);
    const base = [[this.now, this.last + 1]];
    this.#activities.push({
      index,
      step: FALLBACK_STEP(component, name2),
      batch: 0,
      minutes: lead,
      stretch: 0,
      minPiece: void 0,
      parts: [],
      cooks: [],
      needs: [],
      starts: base,
      ends: base,
      cover: void 0,
      works: [],
      fact: void 0,
      open: false
    });
    const lasts = { rule: "H4", steps: [], text: `The stand-in for "${name2}" needs ${lead} min from the decision.` };
    this.#lag(startOf(index), endOf(index), lead, lasts);
    this.#lag(endOf(index), startOf(index), -lead, lasts);
  }
  #addLinks(step) {
    const first = this.#first.get(step.ref);
    const lastBatch = this.#last.get(step.ref);
    const started = this.log.events.has(step.ref);
    for (const link2 of started ? [] : step.links) {
      const other = link2.from === "end" ? this.#last.get(link2.step) : this.#first.get(link2.step);
      if (other === void 0) continue;
      const origin = link2.from === "end" ? endOf(other) : startOf(other);
      const name2 = this.#nameOf(link2.step);
      this.#lag(origin, startOf(first), link2.min, {
        rule: "H3",
        steps: [link2.step, step.ref],
        text: link2.min ? `"${step.name}" comes at least ${link2.min} min after "${name2}".` : `"${step.name}" comes after "${name2}".`
      });
      if (link2.max !== void 0) {
        this.#lag(startOf(first), origin, -link2.max, {
          rule: "H3",
          steps: [link2.step, step.ref],
          text: `"${step.name}" comes at most ${link2.max} min after "${name2}"${link2.limit === "safety" ? ", for safety" : ""}.`
        });
      }
      if (link2.best || link2.litres > 0 && STORES.includes(link2.place)) {
        this.#waitings.push({ from: origin, to: startOf(first), place: link2.place, litres: link2.litres, best: link2.best });
      }
    }
    if (step.within !== void 0 && !started) {
      const outerFirst = this.#first.get(step.within);
      const outerLast = this.#last.get(step.within);
      if (outerFirst !== void 0 && outerLast !== void 0) {
        const inside = {
          rule: "H4",
          steps: [step.within, step.ref],
          text: `"${step.name}" happens while "${this.#nameOf(step.within)}" runs.`
        };
        this.#lag(startOf(outerFirst), startOf(first), 0, inside);
        this.#lag(endOf(lastBatch), endOf(outerLast), 0, inside);
      }
    }
    step.uses.forEach((use2, u) => {
      const until = use2.until === void 0 ? void 0 : this.#last.get(use2.until);
      for (let i = first; i <= lastBatch; i++) {
        const activity = this.#activities[i];
        const need = activity.needs[u];
        if (use2.until !== void 0) activity.needs[u] = { ...need, span: until === void 0 ? "run" : { until } };
      }
      if (until !== void 0 && until !== lastBatch) {
        this.#lag(endOf(lastBatch), endOf(until), 0, {
          rule: "H9",
          steps: [step.ref, use2.until],
          text: `The ${use2.what} of "${step.name}" is kept for "${this.#nameOf(use2.until)}".`
        });
      }
      if (use2.ramp && !started) this.#glueRamp(step, use2, first);
    });
  }
  /** The food stays in while the setting changes: the step begins as the one before it ends. */
  #glueRamp(step, use2, first) {
    const before = step.links.map((l) => this.inForce.find((s) => s.ref === l.step)).find((s) => s?.uses.some((u) => u.what === use2.what));
    const other = before && this.#last.get(before.ref);
    if (before && other !== void 0) {
      this.#lag(startOf(first), endOf(other), 0, {
        rule: "H10",
        steps: [before.ref, step.ref],
        text: `"${step.name}" goes on in the same heat as "${before.name}" ends.`
      });
    }
  }
  #addTakes(step) {
    const first = this.#first.get(step.ref);
    const lastBatch = this.#last.get(step.ref);
    for (const take2 of step.takes) {
      for (let taker = first; taker <= (take2.each ? lastBatch : first); taker++) {
        const batch = taker - first;
        const source = this.#sourceOf(take2.from, take2.each && !this.log.events.has(step.ref) ? batch : void 0);
        if (!source)
          return {
            rule: "H4",
            steps: [step.ref],
            text: `Nothing in this choice of methods makes "${take2.from}", which "${step.name}" takes.`
          };
        const taking = { output: take2.from, taker, takerStep: step.ref, during: take2.during, ...source };
        this.#takings.push(taking);
        if (!this.log.events.has(step.ref)) this.#lagsOfTaking(taking, step.name);
      }
    }
    return void 0;
  }
  #sourceOf(output2, batch) {
    const component = this.dish.components.find((c2) => output2.startsWith(`${c2.id}.`));
    if (!component) return void 0;
    const onHand2 = component.onHand.find((o) => o.ref === output2);
    if (component.onHand.length) return onHand2 && { maker: void 0, batchEnd: void 0, readyAt: onHand2.madeAt, holds: onHand2.holds };
    if (this.chosen.get(component.id) === "fallback") {
      const like = component.methods.flatMap((m) => m.steps.flatMap((s) => s.makes)).find((o) => o.ref === output2);
      return like && { maker: this.#fallbacks.get(component.id), batchEnd: void 0, readyAt: void 0, holds: like.holds };
    }
    const maker = this.inForce.find((s) => s.makes.some((o) => o.ref === output2));
    if (!maker) return void 0;
    const holds = maker.makes.find((o) => o.ref === output2)?.holds ?? [];
    const first = this.#first.get(maker.ref);
    if (batch === void 0 || this.log.events.has(maker.ref))
      return { maker: this.#last.get(maker.ref), batchEnd: void 0, readyAt: void 0, holds };
    if (maker.each) return { maker: first + batch, batchEnd: void 0, readyAt: void 0, holds };
    const one = plannedLength(maker.time, this.planAt, maker.k, maker.grows);
    return { maker: first, batchEnd: batch === maker.batches - 1 ? void 0 : (batch + 1) * one, readyAt: void 0, holds };
  }
  /** The hull of what the holds allow; which hold it is, the search decides when both ends are known. */
  #lagsOfTaking(t, takerName) {
    const least = t.holds.length ? Math.min(...t.holds.map((h) => h.min)) : 0;
    const most = t.holds.length && t.holds.every((h) => h.max !== void 0) ? Math.max(...t.holds.map((h) => h.max)) : void 0;
    const s = startOf(t.taker);
    if (t.maker === void 0) {
      const activity = this.#activities[t.taker];
      const ready2 = t.readyAt;
      this.#activities[t.taker] = {
        ...activity,
        starts: intersect(activity.starts, [[ready2 + least, most === void 0 ? this.last + 1 : ready2 + most + 1]])
      };
      return;
    }
    const maker = this.#activities[t.maker];
    const steps = [maker.step.ref, t.takerStep].filter((r) => r !== "");
    const ready = t.batchEnd === void 0 ? endOf(t.maker) : startOf(t.maker);
    const offset = t.batchEnd ?? 0;
    const name2 = maker.step.name;
    if (t.during !== void 0) {
      this.#lag(startOf(t.maker), s, t.during, {
        rule: "H4",
        steps,
        text: `"${takerName}" takes from "${name2}" at the earliest ${t.during} min into it.`
      });
      if (most !== void 0)
        this.#lag(s, ready, -Math.max(0, most), {
          rule: "H4",
          steps,
          text: `"${takerName}" takes from "${name2}" at most ${most} min after it.`
        });
      return;
    }
    this.#lag(ready, s, offset + least, {
      rule: "H4",
      steps,
      text: least ? `What "${name2}" makes waits at least ${least} min before "${takerName}".` : `"${takerName}" takes what "${name2}" makes.`
    });
    if (most !== void 0) {
      const safety = t.holds.some((h) => h.max === most && h.limit === "safety");
      this.#lag(s, ready, -offset - most, {
        rule: "H4",
        steps,
        text: `What "${name2}" makes waits at most ${most} min before "${takerName}"${safety ? ", for safety" : ""}.`
      });
    }
  }
  #addServing() {
    const at = (ref, minute) => {
      const index = this.#last.get(ref);
      const activity = index === void 0 ? void 0 : this.#activities[index];
      if (index === void 0 || !activity || activity.fact) return;
      const ends = intersect(activity.ends, [[minute, minute + 1]]);
      const rigid = activity.stretch === 0 && activity.minPiece === void 0;
      const starts = rigid ? intersect(activity.starts, [[minute - activity.minutes, minute - activity.minutes + 1]]) : activity.starts;
      this.#activities[index] = { ...activity, ends, starts };
    };
    at(this.dish.serve, this.serveAt);
    for (const course of this.dish.courses) at(course.serve, this.serveAt + course.after);
  }
  #nameOf(ref) {
    return this.inForce.find((s) => s.ref === ref)?.name ?? ref;
  }
};
function remembered(known, key, make) {
  const found = known.get(key);
  if (found !== void 0) return found;
  const made = make();
  known.set(key, made);
  return made;
}
function partsOf(step, one, batches) {
  const parts = [];
  for (let n = 0; n < batches; n++) {
    const from2 = n * one;
    const last = n === batches - 1;
    if (step.attention === "hands") {
      if (one > 0) parts.push({ offset: from2, minutes: one, atEnd: false });
      continue;
    }
    const start = Math.min(step.handsStart, one);
    const end = Math.min(step.handsEnd, one - start);
    if (start > 0) parts.push({ offset: from2, minutes: start, atEnd: false });
    if (end > 0) parts.push({ offset: from2 + one - end, minutes: end, atEnd: last });
  }
  return parts;
}
var FALLBACK_STEP = (component, name2) => ({
  ref: "",
  id: "fallback",
  name: `the stand-in for ${name2}`,
  time: { min: 0, likely: 0, max: 0 },
  k: 1,
  grows: 0,
  stretch: 0,
  attention: "unattended",
  handsStart: 0,
  handsEnd: 0,
  tends: [],
  sleepOk: true,
  awayOk: true,
  minPiece: void 0,
  batches: 1,
  each: false,
  uses: [],
  usesHeat: false,
  tags: /* @__PURE__ */ new Set(),
  links: [],
  takes: [],
  within: void 0,
  makes: [],
  cooks: void 0,
  file: { id: "fallback", time: "0m", note: component }
});

// src/core/planner/explain/words.ts
function momentText(dish, minute) {
  const wall = dish.zone.wall(minute);
  const two = (n) => String(n).padStart(2, "0");
  return `${["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"][wall.weekday - 1]} ${wall.day}/${wall.month} ${two(wall.hour)}:${two(wall.minute)}`;
}

// src/core/planner/explain/refusal.ts
var RULES = {
  H1: "its own length and the moment of serving",
  H2: "now, and what has happened already",
  H3: "a link to another step",
  H4: "a hold, or what it takes from",
  H6: "the cooks' hours: nobody has their hands free when it could be done",
  H7: "that somebody must be there or awake",
  H8: "its rounds: nobody is there for each of them",
  H9: "a pot, burner or machine that is taken or missing",
  H10: "oven, bath or grill at another setting, or full",
  H11: "space in fridge, freezer or cellar",
  H12: "a quiet time in which it may not be done",
  calendar: "hours, sleep, absence and quiet times together"
};
function explainRoot(model, found) {
  const activity = model.activities[found.activity];
  const step = activity?.step;
  const conflict = [
    {
      rule: found.rule === "calendar" ? "H6" : found.rule,
      steps: step?.ref ? [step.ref] : [],
      text: `"${step?.name ?? "a step"}" finds no time between now (${momentText(model.dish, model.now)}) and serving (${momentText(model.dish, model.serveAt)}). What leaves it none: ${RULES[found.rule] ?? found.rule}.`
    }
  ];
  if (activity && activity.starts.length === 0) {
    conflict.push({
      rule: "H6",
      steps: step?.ref ? [step.ref] : [],
      text: `There is no minute at all at which "${step?.name}" (${activity.minutes} min) could begin: look at hours, awake, away and the quiet times.`
    });
  } else if (activity) {
    const [first, last] = [activity.starts[0], activity.starts.at(-1)];
    conflict.push({
      rule: "H2",
      steps: step?.ref ? [step.ref] : [],
      text: `Taken alone it could begin between ${momentText(model.dish, first[0])} and ${momentText(model.dish, last[1] - 1)}; what must come before or after it does not fit around that.`
    });
    for (const lag of model.lags.filter((l) => l.because.steps.includes(step?.ref ?? "") && l.because.rule !== "H1").slice(0, 4))
      conflict.push({ ...lag.because, steps: [...lag.because.steps] });
  }
  return { status: "infeasible", proved: true, conflict };
}
function explainSearch(model, found) {
  const step = model.activities[found.activity]?.step;
  return {
    status: "infeasible",
    proved: false,
    conflict: [
      {
        rule: found.rule,
        steps: step?.ref ? [step.ref] : [],
        text: `No plan was found in ${found.conflicts} tries. What failed most often is "${step?.name ?? "a step"}", for ${found.rule ? `${RULES[found.rule] ?? found.rule} (${found.rule})` : "want of room in time"}. There may be a plan that this version cannot find.`
      }
    ]
  };
}

// src/core/planner/regret.ts
var WEIGHTS = {
  late: { S1: 6, S2: 10, S3: 0.2, S4: 0.1, S5: 600, S6: 1, S7: 5, S8: 3 },
  ahead: { S1: 0.2, S2: 10, S3: 2, S4: 0.2, S5: 600, S6: 1, S7: 5, S8: 3 },
  even: { S1: 0.5, S2: 10, S3: 1, S4: 2, S5: 600, S6: 1, S7: 5, S8: 3 }
};
var EASY_DAY_MINUTES = 180;
var LAST_HOURS_MINUTES = 240;
var EARLY = 7 * 60 + 30;
var LATE = 21 * 60 + 30;
var BREATHING_SPACE_MINUTES = 15;
function priceOf(plan, dish, inForce, style) {
  const planned = new Map(plan.steps.map((s) => [s.step, s]));
  const earliest = plan.steps.reduce((least, s) => Math.min(least, s.start), plan.serveAt);
  const leadMinutes = plan.serveAt - earliest;
  const counts = {
    S1: leadMinutes / 60,
    S2: hoursOutsideBest(plan, dish, inForce, planned),
    S3: 0,
    S4: 0,
    S5: lostQuality(plan, dish),
    S6: 0,
    S7: changesOfSetting(plan, dish),
    S8: hardOnTheHeels(inForce, planned)
  };
  const perDay = /* @__PURE__ */ new Map();
  const quiet = new Set(dish.components.filter((c2) => c2.kind === "assembly").map((c2) => c2.id)).add(componentOf(dish.serve));
  for (const step of plan.steps) {
    for (const { from: from2, to: to2 } of step.hands) {
      if (!quiet.has(componentOf(step.step))) counts.S3 += overlap(from2, to2, plan.serveAt - LAST_HOURS_MINUTES, plan.serveAt);
      for (let day = dish.zone.dayNumber(from2); day <= dish.zone.dayNumber(to2 - 1); day++) {
        const at = (timeOfDay2) => dish.zone.minuteOfDay(day, timeOfDay2);
        perDay.set(day, (perDay.get(day) ?? 0) + overlap(from2, to2, at(0), at(1440)));
        counts.S6 += overlap(from2, to2, at(0), at(EARLY)) + overlap(from2, to2, at(LATE), at(1440));
      }
    }
  }
  counts.S4 = Math.max(0, ...[...perDay.values()].map((m) => m - EASY_DAY_MINUTES));
  if (style === "shortest") {
    return { leadMinutes, regret: { total: leadMinutes, S1: leadMinutes, S2: 0, S3: 0, S4: 0, S5: 0, S6: 0, S7: 0, S8: 0 } };
  }
  const weights = WEIGHTS[style];
  const regret = { total: 0, S1: 0, S2: 0, S3: 0, S4: 0, S5: 0, S6: 0, S7: 0, S8: 0 };
  for (const term of Object.keys(counts)) {
    regret[term] = rounded(counts[term] * weights[term]);
    regret.total += regret[term];
  }
  regret.total = rounded(regret.total);
  return { leadMinutes, regret };
}
var rounded = (x) => Math.round(x * 1e6) / 1e6;
var overlap = (a, b, from2, to2) => Math.max(0, Math.min(b, to2) - Math.max(a, from2));
function outside(wait, best) {
  return best ? Math.max(0, best[0] - wait, wait - best[1]) / 60 : 0;
}
function hoursOutsideBest(plan, dish, inForce, planned) {
  const holds = new Map(inForce.flatMap((s) => s.makes.map((o) => [o.ref, o.holds])));
  for (const component of dish.components) for (const o of component.onHand) holds.set(o.ref, o.holds);
  for (const component of dish.components) {
    for (const output2 of component.methods.flatMap((m) => m.steps.flatMap((s) => s.makes)))
      if (!holds.has(output2.ref)) holds.set(output2.ref, output2.holds);
  }
  let hours = 0;
  for (const hold2 of plan.holds) hours += outside(hold2.to - hold2.from, holds.get(hold2.output)?.[hold2.hold]?.best);
  for (const step of inForce) {
    const here = planned.get(step.ref);
    for (const link2 of step.links) {
      const other = planned.get(link2.step);
      if (here && other) hours += outside(here.start - (link2.from === "end" ? other.end : other.start), link2.best);
    }
  }
  return hours;
}
function lostQuality(plan, dish) {
  return dish.components.reduce((sum, component) => {
    if (component.onHand.length) return sum;
    const id2 = plan.methods[component.id];
    if (id2 === "fallback") return sum + 1 - (component.fallback?.quality ?? 1);
    return sum + 1 - ((component.methods.find((m) => m.id === id2) ?? component.methods[0])?.quality ?? 1);
  }, 0);
}
function changesOfSetting(plan, dish) {
  let changes = 0;
  for (const oven of dish.equipment) {
    if (oven.kind !== "oven") continue;
    const settings = plan.settings.filter((s) => s.id === oven.id).sort((a, b) => a.from - b.from);
    for (let i = 1; i < settings.length; i++) {
      const [a, b] = [settings[i - 1], settings[i]];
      if (a && b && (a.tempC !== b.tempC || a.mode !== b.mode)) changes++;
    }
  }
  return changes;
}
function hardOnTheHeels(inForce, planned) {
  const makers = new Map(inForce.flatMap((s) => s.makes.map((o) => [o.ref, s])));
  const byRef = new Map(inForce.map((s) => [s.ref, s]));
  const pairs = /* @__PURE__ */ new Set();
  for (const later of inForce) {
    const earlier = [
      ...later.links.filter((l) => l.from === "end").map((l) => byRef.get(l.step)),
      ...later.takes.map((t) => makers.get(t.from))
    ];
    for (const step of earlier) {
      if (!step || step.time.max <= step.time.likely) continue;
      const [a, b] = [planned.get(step.ref), planned.get(later.ref)];
      if (a && b && b.start - a.end < BREATHING_SPACE_MINUTES) pairs.add(`${step.ref} ${later.ref}`);
    }
  }
  return pairs.size;
}

// src/core/planner/extract.ts
function extractPlan(model, engine, frame) {
  const equipment2 = equipmentByStep(model, engine);
  const steps = [];
  for (const step of model.inForce) {
    const first = model.first.get(step.ref);
    const last = model.lastOf.get(step.ref);
    const placements = Array.from({ length: last - first + 1 }, (_, i) => engine.placements[first + i]);
    const start = placements[0].start;
    const end = placements.at(-1).end;
    const activity = model.activities[first];
    const rounds2 = engine.roundsOf(activity, { start, end, pieces: [] });
    if (!rounds2) return void 0;
    const pieces = placements.flatMap((p) => p.pieces);
    const hands = placements.flatMap(
      (_, i) => engine.hands(first + i).map((h) => ({ cook: model.dish.cooks[h.cook].id, from: h.from, to: h.to }))
    );
    steps.push({
      step: step.ref,
      start,
      end,
      pieces,
      rounds: rounds2,
      minutes: pieces.reduce((sum, [a, b]) => sum + b - a, 0),
      hands: activity.fact?.done ? [] : mergeHands(hands, step),
      equipment: equipment2.get(step.ref) ?? []
    });
  }
  const holds = holdsOf(engine);
  const fallbacks = [...model.fallbacks].map(([component, index]) => {
    const placement = engine.placements[index];
    return { component, decidedAt: placement.start, readyAt: placement.end };
  });
  const body = {
    steps: steps.sort((a, b) => a.start - b.start || a.end - b.end),
    holds,
    settings: engine.settings(),
    methods: model.methods,
    serveAt: model.serveAt
  };
  return {
    dish: model.dish.id,
    style: frame.style,
    planAt: model.planAt,
    now: model.now,
    seed: frame.seed,
    boundMinutes: frame.boundMinutes,
    fallbacks,
    ...priceOf(body, model.dish, model.inForce, frame.style),
    ...body
  };
}
function mergeHands(hands, step) {
  const merged = [];
  for (const span2 of hands) {
    const last = merged.at(-1);
    if (last && last.cook === span2.cook && last.to === span2.from && step.attention === "hands" && !step.each)
      merged[merged.length - 1] = { ...last, to: span2.to };
    else merged.push(span2);
  }
  return merged;
}
function equipmentByStep(model, engine) {
  const found = /* @__PURE__ */ new Map();
  const add = (step, span2) => {
    const list = found.get(step) ?? [];
    const same = list.findIndex((s) => s.use === span2.use && s.id === span2.id && s.from === span2.from && s.to === span2.to);
    if (same >= 0) list[same] = { ...list[same], count: list[same].count + 1 };
    else list.push(span2);
    found.set(step, list);
  };
  for (const span2 of engine.unitSpans()) {
    const activity = model.activities[span2.activity];
    const kind = activity.step.uses[span2.useIndex]?.what ?? "";
    add(span2.step, { use: span2.useIndex, id: model.units.get(kind)?.[span2.unit]?.id ?? "", from: span2.from, to: span2.to, count: 1 });
  }
  for (const [id2, users] of engine.heatUsers()) {
    for (const user of users) {
      const use2 = model.activities[model.first.get(user.step)].step.uses.indexOf(user.use);
      add(user.step, { use: use2, id: id2, from: user.from, to: user.to, count: 1 });
    }
  }
  for (const [step, list] of found) {
    list.sort((a, b) => a.use - b.use || (a.id < b.id ? -1 : a.id > b.id ? 1 : a.from - b.from));
    found.set(step, joined(list));
  }
  return found;
}
function joined(list) {
  const merged = [];
  for (const span2 of list) {
    const last = merged.at(-1);
    if (last && last.use === span2.use && last.id === span2.id && last.count === span2.count && last.to === span2.from)
      merged[merged.length - 1] = { ...last, to: span2.to };
    else merged.push(span2);
  }
  return merged.sort((a, b) => a.use - b.use || a.from - b.from || (a.id < b.id ? -1 : 1));
}
function holdsOf(engine) {
  const holds = [];
  for (const [t, hold2] of engine.holdOf) {
    const taker = engine.placements[t.taker];
    const maker = t.maker === void 0 ? void 0 : engine.placements[t.maker];
    const from2 = t.maker === void 0 ? t.readyAt : t.batchEnd === void 0 ? maker.end : maker.start + t.batchEnd;
    const chosen = t.holds[hold2];
    const wait = taker.start - from2;
    const best = chosen?.best;
    holds.push({
      output: t.output,
      taker: t.takerStep,
      hold: hold2,
      place: chosen?.place ?? "none",
      from: from2,
      to: taker.start,
      state: best && wait < best[0] ? "early" : best && wait > best[1] ? "late" : "best"
    });
  }
  return holds.sort((a, b) => a.from - b.from || (a.output < b.output ? -1 : 1));
}

// src/core/planner/random.ts
function seededRandom(seed) {
  let state = seed >>> 0;
  return () => {
    state = state + 1831565813 >>> 0;
    let t = state;
    t = Math.imul(t ^ t >>> 15, t | 1);
    t ^= t + Math.imul(t ^ t >>> 7, t | 61);
    return ((t ^ t >>> 14) >>> 0) / 4294967296;
  };
}

// src/core/planner/spots.ts
function costlySpots(plan, dish, inForce) {
  const spots = [];
  const makerOf = new Map(inForce.flatMap((s) => s.makes.map((o) => [o.ref, { step: s, output: o }])));
  const at = new Map(plan.steps.map((s) => [s.step, s]));
  const upTo = (ref) => {
    const end = at.get(ref)?.end ?? 0;
    return plan.steps.filter((s) => componentOf(s.step) === componentOf(ref) && s.end <= end).map((s) => s.step);
  };
  for (const hold2 of plan.holds) {
    const made = makerOf.get(hold2.output);
    const best = made?.output.holds[hold2.hold]?.best;
    if (!made || !best || hold2.state === "best") continue;
    const wait = hold2.to - hold2.from;
    const by = hold2.state === "early" ? wait - best[0] : wait - best[1];
    spots.push({ move: upTo(made.step.ref), by, components: [componentOf(made.step.ref), componentOf(hold2.taker)] });
    spots.push({ move: [made.step.ref], by, components: [componentOf(made.step.ref)] });
  }
  for (const step of plan.steps) {
    for (const { from: from2, to: to2 } of step.hands) {
      const day = dish.zone.dayNumber(from2);
      const late = to2 - Math.max(from2, dish.zone.minuteOfDay(day, LATE));
      const early = Math.min(to2, dish.zone.minuteOfDay(day, EARLY)) - from2;
      const move = upTo(step.step);
      if (late > 0) for (const by of [-late, -1440]) spots.push({ move, by, components: [componentOf(step.step)] });
      if (early > 0) for (const by of [early, -600]) spots.push({ move: [step.step], by, components: [componentOf(step.step)] });
    }
  }
  for (const step of inForce) {
    const here = at.get(step.ref);
    for (const before of [...step.links.map((l) => l.step), ...step.takes.map((t) => makerOf.get(t.from)?.step.ref ?? "")]) {
      const maker = inForce.find((s) => s.ref === before);
      const end = at.get(before)?.end;
      if (!here || !maker || end === void 0 || maker.time.max <= maker.time.likely || here.start - end >= BREATHING_SPACE_MINUTES)
        continue;
      spots.push({ move: upTo(before), by: here.start - end - BREATHING_SPACE_MINUTES, components: [componentOf(before)] });
    }
  }
  return spots;
}

// src/core/planner/improve.ts
var DEFAULT_ROUNDS = 120;
var SHARE_OF_SPOTS = 0.5;
var CONFLICTS_A_ROUND = 40;
function guideFrom(model, previous) {
  const starts = /* @__PURE__ */ new Map();
  const before = new Map(previous?.steps.map((s) => [s.step, s]));
  for (const activity of model.activities) {
    const planned = before.get(activity.step.ref);
    const start = activity.step.each ? planned?.pieces[activity.batch]?.[0] : planned?.start;
    if (start !== void 0) starts.set(activity.index, start);
  }
  return { starts };
}
var pickOne = (list, random) => list[Math.floor(random() * list.length)];
function aroundSpot(spot, movable, plan, random) {
  const own = plan.steps.filter((s) => spot.move.includes(s.step));
  const from2 = Math.min(...own.map((s) => s.start)) + Math.min(0, spot.by) - 60;
  const to2 = Math.max(...own.map((s) => s.end)) + 60;
  const wide = random() < 0.5;
  const together = wide && random() < 0.6;
  const about = new Set(plan.steps.filter((s) => s.hands.length > 0 && s.end > from2 && s.start < to2).map((s) => s.step));
  const free = movable.filter(
    (a) => spot.components.includes(componentOf(a.step.ref)) || spot.move.includes(a.step.ref) || wide && about.has(a.step.ref)
  );
  return { free: new Set(free.map((a) => a.index)), moved: new Set(together ? [...spot.move, ...about] : spot.move) };
}
function improve(start, { model, search, options, frame, check, stop }) {
  const random = seededRandom(frame.seed + 7);
  const rounds2 = options.rounds ?? DEFAULT_ROUNDS;
  const movable = model.activities.filter((a) => !a.fact && a.step.ref !== "");
  if (movable.length === 0) return start;
  const worth = (plan) => plan.regret.total + movedCost(plan, options.previous);
  let best = start;
  let bestWorth = worth(start);
  for (let round = 0; round < rounds2 && !stop(); round++) {
    if (round % 10 === 0)
      options.onProgress?.({ phase: "improving", done: round / rounds2, leadMinutes: best.leadMinutes, regret: best.regret.total });
    const current = guideFrom(model, best).starts;
    const spot = random() < SHARE_OF_SPOTS ? pickOne(costlySpots(best, model.dish, model.inForce), random) : void 0;
    const { free, moved } = spot ? aroundSpot(spot, movable, best, random) : { free: neighbourhood(movable, best, random), moved: /* @__PURE__ */ new Set() };
    const starts = /* @__PURE__ */ new Map();
    const frozen = /* @__PURE__ */ new Set();
    const kind = random();
    for (const activity of model.activities) {
      const at = current.get(activity.index);
      if (at === void 0) continue;
      if (!free.has(activity.index)) {
        starts.set(activity.index, at);
        if (activity.minPiece === void 0) frozen.add(activity.index);
      } else if (moved.has(activity.step.ref)) starts.set(activity.index, at + (spot?.by ?? 0));
      else if (kind < 0.5) {
        const reach = random() < 0.5 ? 240 : 2880;
        starts.set(activity.index, spot ? at : Math.round(at + (random() * 2 - 1) * reach));
      }
    }
    const found = search.run(CONFLICTS_A_ROUND, { starts, frozen }, stop);
    if (found.status === "none") continue;
    const plan = extractPlan(model, search.engine, frame);
    if (!plan) continue;
    const cost = worth(plan);
    if (cost < bestWorth - 1e-9 && check(plan).length === 0) {
      best = plan;
      bestWorth = cost;
    }
  }
  return best;
}
function movedCost(plan, previous) {
  if (!previous) return 0;
  const before = new Map(previous.steps.map((s) => [s.step, s.start]));
  return plan.steps.reduce((sum, s) => {
    const was = before.get(s.step);
    return was === void 0 || was === s.start ? sum : sum + 1 + Math.abs(s.start - was) / 60;
  }, 0);
}
function neighbourhood(movable, plan, random) {
  const pick = pickOne(movable, random);
  const kind = random();
  const share2 = Math.min(0.9, 0.1 + 4 / movable.length);
  if (kind < 0.35) {
    const component = componentOf(pick.step.ref);
    const other = pickOne(movable, random) ?? pick;
    const also = random() < 0.5 ? componentOf(other.step.ref) : component;
    return new Set(movable.filter((a) => [component, also].includes(componentOf(a.step.ref))).map((a) => a.index));
  }
  if (kind < 0.75) {
    const at = plan.steps.find((s) => s.step === pick.step.ref)?.start ?? plan.serveAt;
    const width = 180 + random() * 1440;
    const inside = new Set(plan.steps.filter((s) => s.end > at - width / 2 && s.start < at + width / 2).map((s) => s.step));
    return new Set(movable.filter((a) => inside.has(a.step.ref)).map((a) => a.index));
  }
  return new Set(movable.filter((a) => a === pick || random() < share2).map((a) => a.index));
}

// src/core/planner/learn/heap.ts
var Heap = class {
  #heap = [];
  #at = [];
  #activity = [];
  add(v) {
    if ((this.#at[v] ?? -1) >= 0) return;
    this.#activity[v] ??= 0;
    this.#at[v] = this.#heap.length;
    this.#heap.push(v);
    this.#up(this.#heap.length - 1);
  }
  /** The variable of highest activity, taken out. */
  take() {
    const first = this.#heap[0];
    const last = this.#heap.pop();
    if (first === void 0 || last === void 0) return void 0;
    this.#at[first] = -1;
    if (first !== last) {
      this.#heap[0] = last;
      this.#at[last] = 0;
      this.#down(0);
    }
    return first;
  }
  /** Raises an activity. True where all were scaled down by 1e-100 to keep them in range. */
  raise(v, by) {
    this.#activity[v] = (this.#activity[v] ?? 0) + by;
    const at = this.#at[v] ?? -1;
    if (at >= 0) this.#up(at);
    if (this.#activity[v] < 1e100) return false;
    for (let i = 0; i < this.#activity.length; i++)
      if (this.#activity[i] !== void 0) this.#activity[i] = this.#activity[i] * 1e-100;
    return true;
  }
  #before(a, b) {
    const x = this.#activity[a];
    const y = this.#activity[b];
    return x > y || x === y && a < b;
  }
  #up(i) {
    const v = this.#heap[i];
    while (i > 0) {
      const parent = i - 1 >> 1;
      const u = this.#heap[parent];
      if (!this.#before(v, u)) break;
      this.#heap[i] = u;
      this.#at[u] = i;
      i = parent;
    }
    this.#heap[i] = v;
    this.#at[v] = i;
  }
  #down(i) {
    const v = this.#heap[i];
    for (; ; ) {
      let child = 2 * i + 1;
      if (child >= this.#heap.length) break;
      if (child + 1 < this.#heap.length && this.#before(this.#heap[child + 1], this.#heap[child])) child++;
      const u = this.#heap[child];
      if (!this.#before(u, v)) break;
      this.#heap[i] = u;
      this.#at[u] = i;
      i = child;
    }
    this.#heap[i] = v;
    this.#at[v] = i;
  }
};

// src/core/planner/learn/solver.ts
var DECISION = 0;
var ARC = 1;
var CLAUSE = 2;
var POOL = 3;
var GAP = 4;
var truth = (bound) => 1 - (bound & 1);
var MANY_ASSUMED = 8;
var NONE = [];
function append(lists, at, ...items) {
  const list = lists[at];
  if (list === NONE) lists[at] = items;
  else list.push(...items);
}
var FIRST_REDUCTION = 4e3;
var Solver = class {
  /** Bounds, by the numbering above. */
  bound = new Int32Array(256);
  variables = 0;
  level = 0;
  conflicts = 0;
  /** Bounds changed so far: the measure of work, the same on every machine. */
  changes = 0;
  /** Trail position at which each level begins. */
  #levels = [];
  #poolMarks = [];
  #gaps = [];
  #arcsOf = [];
  #watches = [];
  #propagatorsOf = [];
  #arcSource = [];
  #arcTarget = [];
  #arcLag = [];
  #arcIf = [];
  /** Conditional arcs by the literal that turns them on. */
  #arcsIf = /* @__PURE__ */ new Map();
  #clauses = [];
  #learnedCount = 0;
  #reduceAt = FIRST_REDUCTION;
  #bump = 1;
  #clauseBump = 1;
  #refuted = false;
  /** Something was added at level 0 that has not been carried on yet. */
  #fresh = true;
  // The trail: which bound, its value after and before, the entry of that bound before, reason, level.
  #top = 0;
  #tBound = new Int32Array(1024);
  #tValue = new Int32Array(1024);
  #tOld = new Int32Array(1024);
  #tBefore = new Int32Array(1024);
  #tKind = new Int8Array(1024);
  #tWhy = new Int32Array(1024);
  #tLevel = new Int32Array(1024);
  #latest = new Int32Array(256).fill(-1);
  #pool = new Int32Array(4096);
  #poolTop = 0;
  #queue = [];
  #queueHead = 0;
  #queued = new Uint8Array(256);
  #propagators = [];
  #waiting = [[], [], []];
  #isWaiting = [];
  #conflict = [];
  // Scratch of the analysis: the value needed of each bound and the trail entry that first gave it.
  #needed = new Int32Array(256);
  #neededAt = new Int32Array(256).fill(-1);
  #marked = new Uint8Array(1024);
  #touched = [];
  #reason = [];
  /** Yes-or-no variables by how often conflicts turned on them. */
  order = new Heap();
  /** What a yes-or-no variable is tried as first: 0 or 1. */
  phase = new Int8Array(128);
  isLiteral = [];
  // --- Building ---------------------------------------------------------------------------------------------------
  /** A variable from `low` to `high`, both included, within `domain` where that is given (it must hold both ends). */
  newVariable(low, high, domain) {
    const v = this.variables++;
    if (2 * this.variables > this.bound.length) this.#grow();
    this.bound[2 * v] = low;
    this.bound[2 * v + 1] = -high;
    this.#gaps.push(domain && domain.length > 1 ? Int32Array.from(domain.flat()) : void 0);
    for (let i = 0; i < 2; i++) {
      this.#arcsOf.push(NONE);
      this.#watches.push(NONE);
      this.#propagatorsOf.push(NONE);
    }
    this.isLiteral.push(false);
    return v;
  }
  /** A yes-or-no variable; returns the literal for yes. */
  newLiteral() {
    const v = this.newVariable(0, 1);
    this.isLiteral[v] = true;
    this.order.add(v);
    return 2 * v;
  }
  #grow() {
    const more = (a, fill = 0) => {
      const b = new Int32Array(a.length * 2).fill(fill);
      b.set(a);
      return b;
    };
    this.bound = more(this.bound);
    this.#latest = more(this.#latest, -1);
    this.#needed = more(this.#needed);
    this.#neededAt = more(this.#neededAt, -1);
    const queued = new Uint8Array(this.#queued.length * 2);
    queued.set(this.#queued);
    this.#queued = queued;
    const phase = new Int8Array(this.phase.length * 2);
    phase.set(this.phase);
    this.phase = phase;
  }
  /**
   * value(to) ≥ value(from) + lag, where literal `when` holds (always, if left out). Variables, not bounds.
   * May be added at level 0 only.
   */
  addLag(from2, to2, lag, when = -1) {
    this.#addArc(2 * from2, 2 * to2, lag, when);
    this.#addArc(2 * to2 + 1, 2 * from2 + 1, lag, when);
  }
  #addArc(source, target, lag, when) {
    this.#fresh = true;
    const arc = this.#arcSource.length;
    this.#arcSource.push(source);
    this.#arcTarget.push(target);
    this.#arcLag.push(lag);
    this.#arcIf.push(when);
    append(this.#arcsOf, source, arc);
    if (when >= 0) {
      const list = this.#arcsIf.get(when);
      if (list) list.push(arc);
      else this.#arcsIf.set(when, [arc]);
    }
  }
  /** At least one of the literals, as pairs (bound, value). At level 0 only. False where that leaves nothing. */
  addClause(lits) {
    this.#fresh = true;
    const kept = [];
    for (let i = 0; i < lits.length; i += 2) {
      const [b, k] = [lits[i], lits[i + 1]];
      if (this.bound[b] >= k) return true;
      if (this.bound[b ^ 1] < 1 - k) kept.push(b, k);
    }
    if (kept.length === 0) {
      this.#refuted = true;
      return false;
    }
    if (kept.length === 2) return this.#set(kept[0], kept[1], DECISION, 0) || this.#refute();
    this.#attach({ lits: Int32Array.from(kept), learned: false, spread: 0, activity: 0 });
    return true;
  }
  /** At level 0: bound b is at least k for good. */
  assert(b, k) {
    this.#fresh = true;
    return this.#set(b, k, DECISION, 0) || this.#refute();
  }
  #refute() {
    this.#refuted = true;
    return false;
  }
  #attach(clause) {
    const index = this.#clauses.length;
    this.#clauses.push(clause);
    this.#watch(clause.lits, 0, index);
    this.#watch(clause.lits, 2, index);
    return index;
  }
  #watch(lits, at, index) {
    append(this.#watches, lits[at] ^ 1, 1 - lits[at + 1], index);
  }
  addPropagator(propagator, bounds) {
    const index = this.#propagators.length;
    this.#propagators.push(propagator);
    this.#isWaiting.push(true);
    this.#waiting[propagator.cost].push(index);
    for (const b of new Set(bounds)) append(this.#propagatorsOf, b, index);
  }
  // --- Reading ----------------------------------------------------------------------------------------------------
  low(v) {
    return this.bound[2 * v];
  }
  high(v) {
    return -this.bound[2 * v + 1];
  }
  isFixed(v) {
    return this.bound[2 * v] === -this.bound[2 * v + 1];
  }
  isTrue(literal) {
    return this.bound[literal] >= truth(literal);
  }
  isFalse(literal) {
    return this.bound[literal ^ 1] >= truth(literal ^ 1);
  }
  /** The greatest value not above `value` that the gaps of a variable allow. */
  atOrBefore(v, value) {
    const gaps = this.#gaps[v];
    if (!gaps) return value;
    const i = this.#intervalBefore(gaps, value);
    return i < 0 ? value : Math.min(value, gaps[i + 1] - 1);
  }
  // --- Changing ---------------------------------------------------------------------------------------------------
  /** Opens a level with a decision. */
  decide(b, k) {
    this.#levels.push(this.#top);
    this.#poolMarks.push(this.#poolTop);
    this.level++;
    this.#set(b, k, DECISION, 0);
  }
  /** Begins the reason of a change; follow with `because` and `conclude` or `contradict`. */
  begin() {
    this.#reason.length = 0;
  }
  /** A bound that the change rests on. */
  because(b, k) {
    this.#reason.push(b, k);
  }
  /** Bound b is at least k, since all that was given as reason holds. */
  conclude(b, k) {
    if (k <= this.bound[b]) return true;
    const at = this.#poolTop;
    const need = at + this.#reason.length + 1;
    if (need > this.#pool.length) {
      const pool = new Int32Array(Math.max(need, 2 * this.#pool.length));
      pool.set(this.#pool);
      this.#pool = pool;
    }
    this.#pool[at] = this.#reason.length;
    this.#pool.set(this.#reason, at + 1);
    this.#poolTop = need;
    return this.#set(b, k, POOL, at);
  }
  /** What was given as reason cannot all hold. */
  contradict() {
    this.#conflict.length = 0;
    this.#conflict.push(...this.#reason);
    return false;
  }
  #enqueue(b) {
    if (this.#queued[b]) return;
    this.#queued[b] = 1;
    this.#queue.push(b);
  }
  #set(b, k, kind, why) {
    const old = this.bound[b];
    if (k <= old) return true;
    const other = this.bound[b ^ 1];
    if (k + other > 0) {
      this.#conflict.length = 0;
      this.#explain(b, 1 - other, kind, why, this.#conflict);
      this.#conflict.push(b ^ 1, other);
      return false;
    }
    this.changes++;
    const t = this.#top++;
    if (t === this.#tBound.length) this.#growTrail();
    this.#tBound[t] = b;
    this.#tValue[t] = k;
    this.#tOld[t] = old;
    this.#tBefore[t] = this.#latest[b];
    this.#tKind[t] = kind;
    this.#tWhy[t] = why;
    this.#tLevel[t] = this.level;
    this.#latest[b] = t;
    this.bound[b] = k;
    this.#enqueue(b);
    const gaps = this.#gaps[b >> 1];
    return gaps ? this.#leaveGap(b, k, gaps) : true;
  }
  #intervalBefore(gaps, value) {
    let low = 0;
    let high = gaps.length / 2;
    while (low < high) {
      const mid = low + high >> 1;
      if (gaps[2 * mid] <= value) low = mid + 1;
      else high = mid;
    }
    return 2 * (low - 1);
  }
  #leaveGap(b, k, gaps) {
    if (b & 1) {
      const value = -k;
      const i2 = this.#intervalBefore(gaps, value);
      const last = gaps[i2 + 1] - 1;
      if (last >= value) return true;
      const next = i2 + 2 < gaps.length ? gaps[i2 + 2] : value + 1;
      return this.#set(b, -last, GAP, 1 - next);
    }
    const i = this.#intervalBefore(gaps, k);
    const end = gaps[i + 1];
    return k < end || this.#set(b, i + 2 < gaps.length ? gaps[i + 2] : 1e9, GAP, end);
  }
  #growTrail() {
    const more = (a) => {
      const c2 = new Int32Array(2 * a.length);
      c2.set(a);
      return c2;
    };
    this.#tBound = more(this.#tBound);
    this.#tValue = more(this.#tValue);
    this.#tOld = more(this.#tOld);
    this.#tBefore = more(this.#tBefore);
    this.#tWhy = more(this.#tWhy);
    this.#tLevel = more(this.#tLevel);
    const kind = new Int8Array(2 * this.#tKind.length);
    kind.set(this.#tKind);
    this.#tKind = kind;
    const marked = new Uint8Array(2 * this.#marked.length);
    marked.set(this.#marked);
    this.#marked = marked;
  }
  /** Back to a level; 0 is what holds for good. */
  backTo(level) {
    if (level < this.level) {
      const to2 = this.#levels[level];
      for (let t = this.#top - 1; t >= to2; t--) {
        const b = this.#tBound[t];
        this.bound[b] = this.#tOld[t];
        this.#latest[b] = this.#tBefore[t];
        if (this.isLiteral[b >> 1]) this.order.add(b >> 1);
      }
      this.#top = to2;
      this.#poolTop = this.#poolMarks[level];
      this.#levels.length = level;
      this.#poolMarks.length = level;
      this.level = level;
    }
    for (let i = this.#queueHead; i < this.#queue.length; i++) this.#queued[this.#queue[i]] = 0;
    this.#queue.length = 0;
    this.#queueHead = 0;
    for (const list of this.#waiting) {
      for (const p of list) this.#isWaiting[p] = false;
      list.length = 0;
    }
  }
  // --- Propagation ------------------------------------------------------------------------------------------------
  /** To a fixed point; false after a conflict. */
  propagate() {
    for (; ; ) {
      while (this.#queueHead < this.#queue.length) {
        const b = this.#queue[this.#queueHead++];
        this.#queued[b] = 0;
        if (!this.#propagateClauses(b) || !this.#propagateArcs(b)) return false;
        for (const p2 of this.#propagatorsOf[b]) {
          if (this.#isWaiting[p2]) continue;
          this.#isWaiting[p2] = true;
          this.#waiting[this.#propagators[p2].cost].push(p2);
        }
      }
      this.#queue.length = 0;
      this.#queueHead = 0;
      const list = this.#waiting[0].length ? this.#waiting[0] : this.#waiting[1].length ? this.#waiting[1] : this.#waiting[2];
      const p = list.pop();
      if (p === void 0) return true;
      this.#isWaiting[p] = false;
      if (!this.#propagators[p].propagate()) return false;
    }
  }
  #propagateArcs(b) {
    const { bound } = this;
    const value = bound[b];
    for (const arc of this.#arcsOf[b]) {
      const target = this.#arcTarget[arc];
      const reach = value + this.#arcLag[arc];
      if (reach <= bound[target]) continue;
      const when = this.#arcIf[arc];
      if (when < 0 || this.isTrue(when)) {
        if (!this.#set(target, reach, ARC, arc)) return false;
      } else if (reach + bound[target ^ 1] > 0 && !this.isFalse(when)) {
        this.begin();
        this.because(b, value);
        this.because(target ^ 1, 1 - reach);
        if (!this.conclude(when ^ 1, truth(when ^ 1))) return false;
      }
    }
    const turnedOn = this.isLiteral[b >> 1] && this.isTrue(b) ? this.#arcsIf.get(b) : void 0;
    if (turnedOn) {
      for (const arc of turnedOn) {
        const reach = bound[this.#arcSource[arc]] + this.#arcLag[arc];
        if (!this.#set(this.#arcTarget[arc], reach, ARC, arc)) return false;
      }
    }
    return true;
  }
  #propagateClauses(b) {
    const list = this.#watches[b];
    if (list.length === 0) return true;
    const { bound } = this;
    let write = 0;
    let read = 0;
    let holds = true;
    while (read < list.length) {
      const threshold = list[read];
      const index = list[read + 1];
      read += 2;
      if (threshold > bound[b] || !holds) {
        list[write++] = threshold;
        list[write++] = index;
        continue;
      }
      const { lits } = this.#clauses[index];
      if (lits[0] === (b ^ 1) && lits[1] === 1 - threshold) {
        lits[0] = lits[2];
        lits[1] = lits[3];
        lits[2] = b ^ 1;
        lits[3] = 1 - threshold;
      }
      if (bound[lits[0]] >= lits[1]) {
        list[write++] = threshold;
        list[write++] = index;
        continue;
      }
      let moved = false;
      for (let j = 4; j < lits.length; j += 2) {
        const c2 = lits[j];
        const k = lits[j + 1];
        if (bound[c2 ^ 1] >= 1 - k) continue;
        lits[j] = lits[2];
        lits[j + 1] = lits[3];
        lits[2] = c2;
        lits[3] = k;
        const watches = this.#watches[c2 ^ 1];
        if (watches === NONE) this.#watches[c2 ^ 1] = [1 - k, index];
        else watches.push(1 - k, index);
        moved = true;
        break;
      }
      if (moved) continue;
      list[write++] = threshold;
      list[write++] = index;
      if (!this.#set(lits[0], lits[1], CLAUSE, index)) holds = false;
    }
    list.length = write;
    return holds;
  }
  // --- Learning ---------------------------------------------------------------------------------------------------
  /** Appends the literals that make (b, k) true by a reason. */
  #explain(b, k, kind, why, into) {
    if (kind === ARC) {
      into.push(this.#arcSource[why], k - this.#arcLag[why]);
      const when = this.#arcIf[why];
      if (when >= 0) into.push(when, truth(when));
    } else if (kind === GAP) into.push(b, why);
    else if (kind === POOL) {
      const length = this.#pool[why];
      for (let i = why + 1; i <= why + length; i++) into.push(this.#pool[i]);
    } else if (kind === CLAUSE) {
      const clause = this.#clauses[why];
      if (clause.learned) this.#bumpClause(clause);
      const { lits } = clause;
      for (let i = 0; i < lits.length; i += 2) {
        if (lits[i] !== b || lits[i + 1] < k) into.push(lits[i] ^ 1, 1 - lits[i + 1]);
      }
    }
  }
  /** The trail entry that first made (b, k) true; -1 where that was so before all. */
  #entryOf(b, k) {
    let t = this.#latest[b];
    while (t >= 0 && this.#tOld[t] >= k) t = this.#tBefore[t];
    return t;
  }
  #current = 0;
  /** Notes that (b, k) is part of the reason under analysis. */
  #need(b, k) {
    const known = this.#neededAt[b];
    if (known >= 0 && this.#needed[b] >= k) return;
    const t = this.#entryOf(b, k);
    if (t < 0 || this.#tLevel[t] === 0) return;
    if (known >= 0) {
      this.#marked[known] = 0;
      if (this.#tLevel[known] === this.level) this.#current--;
    } else this.#touched.push(b);
    this.#needed[b] = k;
    this.#neededAt[b] = t;
    this.#marked[t] = 1;
    if (this.#tLevel[t] === this.level) this.#current++;
    if (this.isLiteral[b >> 1]) this.#bumpVariable(b >> 1);
  }
  #bumpVariable(v) {
    if (this.order.raise(v, this.#bump)) this.#bump *= 1e-100;
  }
  #bumpClause(clause) {
    clause.activity += this.#clauseBump;
    if (clause.activity > 1e20) {
      for (const c2 of this.#clauses) c2.activity *= 1e-20;
      this.#clauseBump *= 1e-20;
    }
  }
  /** The deepest level that the conflict noted needs. */
  #deepest() {
    let deepest = 0;
    for (let i = 0; i < this.#conflict.length; i += 2) {
      const t = this.#entryOf(this.#conflict[i], this.#conflict[i + 1]);
      if (t >= 0) deepest = Math.max(deepest, this.#tLevel[t]);
    }
    return deepest;
  }
  /** Opens one level with all of these; false where they clash with what holds for good. */
  #assumeAll(assume) {
    this.#levels.push(this.#top);
    this.#poolMarks.push(this.#poolTop);
    this.level++;
    for (let i = 0; i < assume.length; i += 2) if (!this.#set(assume[i], assume[i + 1], DECISION, 0)) return false;
    return true;
  }
  /** Learns from the conflict noted and goes back to where the lesson bites. False where nothing can be mended. */
  #learn() {
    this.conflicts++;
    if (this.level === 0) return false;
    const deepest = this.#deepest();
    if (deepest === 0) {
      this.backTo(0);
      return false;
    }
    if (deepest < this.level) this.backTo(deepest);
    this.#current = 0;
    for (let i = 0; i < this.#conflict.length; i += 2) this.#need(this.#conflict[i], this.#conflict[i + 1]);
    const reason = [];
    let t = this.#top - 1;
    let b;
    for (; ; ) {
      while (!this.#marked[t]) t--;
      b = this.#tBound[t];
      if (this.#current === 1) break;
      this.#marked[t] = 0;
      this.#neededAt[b] = -1;
      this.#current--;
      reason.length = 0;
      this.#explain(b, this.#needed[b], this.#tKind[t], this.#tWhy[t], reason);
      for (let i = 0; i < reason.length; i += 2) this.#need(reason[i], reason[i + 1]);
      t--;
    }
    const lesson = [b ^ 1, 1 - this.#needed[b]];
    let back = 0;
    let second = 2;
    const levels = /* @__PURE__ */ new Set();
    for (const c2 of this.#touched) {
      const at = this.#neededAt[c2];
      if (at < 0 || c2 === b || this.#isImplied(c2, at)) continue;
      const level = this.#tLevel[at];
      levels.add(level);
      if (level > back) {
        back = level;
        second = lesson.length;
      }
      lesson.push(c2 ^ 1, 1 - this.#needed[c2]);
    }
    for (const c2 of this.#touched) {
      const at = this.#neededAt[c2];
      if (at >= 0) this.#marked[at] = 0;
      this.#neededAt[c2] = -1;
    }
    this.#touched.length = 0;
    this.backTo(back);
    this.#bump /= 0.95;
    this.#clauseBump /= 0.999;
    if (lesson.length === 2) return this.#set(lesson[0], lesson[1], DECISION, 0);
    const swap = (i) => {
      const x = lesson[i];
      lesson[i] = lesson[second + (i - 2)];
      lesson[second + (i - 2)] = x;
    };
    swap(2);
    swap(3);
    const index = this.#attach({ lits: Int32Array.from(lesson), learned: true, spread: levels.size + 1, activity: this.#clauseBump });
    this.#learnedCount++;
    return this.#set(lesson[0], lesson[1], CLAUSE, index);
  }
  /** Whether what is needed of a bound follows from the rest of what is needed. */
  #isImplied(b, at) {
    const kind = this.#tKind[at];
    if (kind === DECISION) return false;
    const reason = [];
    this.#explain(b, this.#needed[b], kind, this.#tWhy[at], reason);
    for (let i = 0; i < reason.length; i += 2) {
      const c2 = reason[i];
      const k = reason[i + 1];
      const known = this.#neededAt[c2];
      if (known >= 0 && known < at && this.#needed[c2] >= k) continue;
      const t = this.#entryOf(c2, k);
      if (t >= 0 && this.#tLevel[t] !== 0) return false;
    }
    return true;
  }
  /** Forgets the half of what was learned that has helped least. At level 0 only, when nothing rests on a clause. */
  #reduce() {
    const worst = this.#clauses.filter((c2) => c2.learned && c2.spread > 2 && c2.lits.length > 4).sort((a, b) => a.activity - b.activity || b.spread - a.spread);
    const gone = new Set(worst.slice(0, worst.length >> 1));
    this.#clauses = this.#clauses.filter((c2) => !gone.has(c2));
    this.#learnedCount -= gone.size;
    for (let b = 0; b < this.#watches.length; b++) this.#watches[b] = NONE;
    this.#clauses.forEach((c2, i) => {
      this.#watch(c2.lits, 0, i);
      this.#watch(c2.lits, 2, i);
    });
    for (let t = 0; t < this.#top; t++) this.#tKind[t] = DECISION;
  }
  #wakeAll() {
    for (let b = 0; b < 2 * this.variables; b++) this.#enqueue(b);
    this.#propagators.forEach((p, i) => {
      if (this.#isWaiting[i]) return;
      this.#isWaiting[i] = true;
      this.#waiting[p.cost].push(i);
    });
  }
  /** What holds for good, carried to a fixed point. False where nothing is left. */
  settle() {
    this.backTo(0);
    if (this.#refuted) return false;
    this.#wakeAll();
    this.#fresh = false;
    return this.propagate() || this.#refute();
  }
  /**
   * Searches within a budget of conflicts, from level 0.
   * @param assume literals (bound, value) that hold for this search alone, in order; "refuted" then means: under them
   * @param next a decision, or undefined when all that matters is decided; the state is left as found
   */
  search(budget, assume, next, stop) {
    this.backTo(0);
    if (this.#refuted) return "refuted";
    if (this.#learnedCount >= this.#reduceAt) {
      this.#reduce();
      this.#reduceAt += 200;
    }
    if (this.#fresh) this.#wakeAll();
    this.#fresh = false;
    let spent = 0;
    const together = assume.length > 2 * MANY_ASSUMED;
    for (; ; ) {
      if (!this.propagate()) {
        spent++;
        if (together && this.#deepest() === 1) {
          this.backTo(0);
          return "refuted";
        }
        while (!this.#learn()) {
          if (this.level === 0) {
            this.#refuted = true;
            return "refuted";
          }
          if (together && this.#deepest() === 1) {
            this.backTo(0);
            return "refuted";
          }
        }
        continue;
      }
      if (spent >= budget || spent % 32 === 31 && stop()) {
        this.backTo(0);
        return "spent";
      }
      if (together && this.level === 0) {
        if (!this.#assumeAll(assume)) {
          this.backTo(0);
          return "refuted";
        }
        continue;
      }
      let decided = together;
      for (let i = 0; i < assume.length && !decided; i += 2) {
        const b = assume[i];
        const k = assume[i + 1];
        if (this.bound[b] >= k) continue;
        if (this.bound[b ^ 1] >= 1 - k) {
          this.backTo(0);
          return "refuted";
        }
        this.decide(b, k);
        decided = true;
      }
      if (decided && !together) continue;
      const choice = next();
      if (!choice) return "found";
      this.decide(choice[0], choice[1]);
    }
  }
};

// src/core/planner/learn/terms.ts
var LeadTerm = class {
  constructor(encoding, perMinute) {
    this.encoding = encoding;
    this.perMinute = perMinute;
  }
  encoding;
  perMinute;
  dearest = Number.POSITIVE_INFINITY;
  least() {
    return -this.encoding.solver.high(this.encoding.beginning) * this.perMinute;
  }
  blame() {
    const { solver, beginning } = this.encoding;
    solver.because(2 * beginning + 1, -solver.high(beginning));
  }
  narrow(most, others) {
    const { solver, beginning } = this.encoding;
    const earliest = -Math.floor(most / this.perMinute);
    if (earliest <= solver.low(beginning)) return true;
    others.begin();
    return solver.conclude(2 * beginning, earliest);
  }
};
var WaitTerm = class {
  constructor(encoding, from2, to2, best, perMinute, when) {
    this.encoding = encoding;
    this.from = from2;
    this.to = to2;
    this.best = best;
    this.perMinute = perMinute;
    this.when = when;
  }
  encoding;
  from;
  to;
  best;
  perMinute;
  when;
  dearest = Number.POSITIVE_INFINITY;
  least() {
    const { encoding, from: from2, to: to2, best, when } = this;
    if (when >= 0 && !encoding.solver.isTrue(when)) return 0;
    const shortest = encoding.earliest(to2) - encoding.latest(from2);
    if (shortest > best[1]) return (shortest - best[1]) * this.perMinute;
    const longest = encoding.latest(to2) - encoding.earliest(from2);
    return longest < best[0] ? (best[0] - longest) * this.perMinute : 0;
  }
  blame() {
    const { encoding, from: from2, to: to2, best, when } = this;
    const { solver } = encoding;
    const tooLong = encoding.earliest(to2) - encoding.latest(from2) > best[1];
    solver.because(tooLong ? 2 * to2.v : 2 * to2.v + 1, tooLong ? solver.low(to2.v) : -solver.high(to2.v));
    solver.because(tooLong ? 2 * from2.v + 1 : 2 * from2.v, tooLong ? -solver.high(from2.v) : solver.low(from2.v));
    if (when >= 0) solver.because(when, truth(when));
  }
  narrow(most, others) {
    const { encoding, from: from2, to: to2, best, when } = this;
    const { solver } = encoding;
    if (when >= 0 && !solver.isTrue(when)) return true;
    const play = Math.floor(most / this.perMinute);
    const longest = best[1] + play;
    const shortest = best[0] - play;
    const reason = (b) => {
      others.begin();
      if (when >= 0) solver.because(when, truth(when));
      solver.because(b, solver.bound[b]);
    };
    if (encoding.latest(to2) > encoding.latest(from2) + longest) {
      reason(2 * from2.v + 1);
      if (!solver.conclude(2 * to2.v + 1, to2.plus - encoding.latest(from2) - longest)) return false;
    }
    if (encoding.earliest(from2) < encoding.earliest(to2) - longest) {
      reason(2 * to2.v);
      if (!solver.conclude(2 * from2.v, encoding.earliest(to2) - longest - from2.plus)) return false;
    }
    if (encoding.earliest(to2) < encoding.earliest(from2) + shortest) {
      reason(2 * from2.v);
      if (!solver.conclude(2 * to2.v, encoding.earliest(from2) + shortest - to2.plus)) return false;
    }
    if (encoding.latest(from2) > encoding.latest(to2) - shortest) {
      reason(2 * to2.v + 1);
      if (!solver.conclude(2 * from2.v + 1, from2.plus - encoding.latest(to2) + shortest)) return false;
    }
    return true;
  }
};
var PieceTerm = class {
  constructor(encoding, moment, when, price, breaks) {
    this.encoding = encoding;
    this.moment = moment;
    this.when = when;
    this.price = price;
    this.#at = Int32Array.from(breaks);
    this.#price = this.#at.map((p) => price(p));
    this.dearest = Math.max(...this.#price);
  }
  encoding;
  moment;
  when;
  price;
  #at;
  #price;
  dearest;
  #index(x) {
    let low = 0;
    let high = this.#at.length;
    while (low < high) {
      const mid = low + high >> 1;
      if (this.#at[mid] <= x) low = mid + 1;
      else high = mid;
    }
    return low - 1;
  }
  /** The price between two breaks is a straight line. */
  #priceAt(x) {
    const i = this.#index(x);
    if (i < 0) return this.#price[0];
    if (i + 1 >= this.#at.length) return this.#price[this.#price.length - 1];
    const [a, b] = [this.#at[i], this.#at[i + 1]];
    const [p, q] = [this.#price[i], this.#price[i + 1]];
    return p === q ? p : p + (q - p) * (x - a) / (b - a);
  }
  /** The latest moment up to `at` that costs nothing; `at` itself where there is none. */
  latestFree(at) {
    if (this.#priceAt(at) === 0) return at;
    for (let i = this.#index(at); i >= 0; i--) if (this.#price[i] === 0) return Math.min(at, this.#at[i]);
    return at;
  }
  least() {
    const { encoding, moment, when } = this;
    if (when >= 0 && !encoding.solver.isTrue(when)) return 0;
    const low = encoding.earliest(moment);
    const high = encoding.latest(moment);
    let least = this.#priceAt(low);
    if (least > 0) least = Math.min(least, this.#priceAt(high));
    for (let i = this.#index(low) + 1; least > 0 && i < this.#at.length && this.#at[i] < high; i++)
      least = Math.min(least, this.#price[i]);
    return Math.floor(least + 1e-6);
  }
  blame() {
    const { encoding, moment, when } = this;
    const { solver } = encoding;
    solver.because(2 * moment.v, solver.low(moment.v));
    solver.because(2 * moment.v + 1, -solver.high(moment.v));
    if (when >= 0) solver.because(when, truth(when));
  }
  narrow(most, others) {
    const { encoding, moment, when } = this;
    const { solver } = encoding;
    if (when >= 0 && !solver.isTrue(when)) return true;
    const low = encoding.earliest(moment);
    const high = encoding.latest(moment);
    if (low === high) return true;
    if (this.#priceAt(low) > most) {
      let i = this.#index(low) + 1;
      while (i < this.#at.length && this.#at[i] <= high && this.#price[i] > most) i++;
      const [a, b] = [Math.max(low, this.#at[i - 1] ?? low), this.#at[i] ?? high];
      const [p, q] = [this.#priceAt(a), this.#price[i] ?? 0];
      const x = i < this.#at.length && p > q ? Math.ceil(a + (p - most) * (b - a) / (p - q) - 1e-6) : b;
      if (x > low && x <= high) {
        others.begin();
        solver.because(2 * moment.v, solver.low(moment.v));
        if (when >= 0) solver.because(when, truth(when));
        if (!solver.conclude(2 * moment.v, x - moment.plus)) return false;
      }
    }
    if (this.#priceAt(high) > most) {
      let i = this.#index(high);
      while (i >= 0 && this.#at[i] >= low && this.#price[i] > most) i--;
      if (i >= 0) {
        const [a, b] = [this.#at[i], Math.min(high, this.#at[i + 1] ?? high)];
        const [p, q] = [this.#price[i], this.#priceAt(b)];
        const x = q > p ? Math.floor(a + (most - p) * (b - a) / (q - p) + 1e-6) : a;
        if (x < high && x >= low) {
          others.begin();
          solver.because(2 * moment.v + 1, -solver.high(moment.v));
          if (when >= 0) solver.because(when, truth(when));
          if (!solver.conclude(2 * moment.v + 1, moment.plus - x)) return false;
        }
      }
    }
    return true;
  }
};
var HeelTerm = class {
  constructor(encoding, end, start, dearest) {
    this.encoding = encoding;
    this.end = end;
    this.start = start;
    this.dearest = dearest;
  }
  encoding;
  end;
  start;
  dearest;
  least() {
    return this.encoding.latest(this.start) - this.encoding.earliest(this.end) < BREATHING_SPACE_MINUTES ? this.dearest : 0;
  }
  blame() {
    const { solver } = this.encoding;
    const end = this.encoding.earliest(this.end);
    solver.because(2 * this.end.v, end - this.end.plus);
    solver.because(2 * this.start.v + 1, this.start.plus - (end + BREATHING_SPACE_MINUTES - 1));
  }
  narrow(_most, others) {
    const { encoding, end, start } = this;
    const { solver } = encoding;
    const from2 = encoding.earliest(end) + BREATHING_SPACE_MINUTES;
    if (from2 > encoding.earliest(start)) {
      others.begin();
      solver.because(2 * end.v, solver.low(end.v));
      if (!solver.conclude(2 * start.v, from2 - start.plus)) return false;
    }
    const until = encoding.latest(start) - BREATHING_SPACE_MINUTES;
    if (until < encoding.latest(end)) {
      others.begin();
      solver.because(2 * start.v + 1, -solver.high(start.v));
      if (!solver.conclude(2 * end.v + 1, end.plus - until)) return false;
    }
    return true;
  }
};
var BusyDays = class {
  constructor(encoding, perMinute) {
    this.encoding = encoding;
    this.perMinute = perMinute;
    const { model, base } = encoding;
    const { zone } = model.dish;
    let low = 0;
    for (const h of encoding.hands) {
      if (h.minutes === 0 || h.part < 0) continue;
      this.#pieces.push({ moment: h.from, minutes: h.minutes, when: h.even ? encoding.evenPieces : -1 });
      low = Math.min(low, encoding.earliest(h.from));
    }
    this.dearest = perMinute * this.#pieces.reduce((sum, p) => sum + p.minutes, 0);
    for (let day = zone.dayNumber(low + base); day <= zone.dayNumber(model.last) + 1; day++)
      this.#starts.push(zone.minuteOfDay(day, 0) - base);
  }
  encoding;
  perMinute;
  dearest;
  #sums = new Float64Array(0);
  #pieces = [];
  #starts = [];
  #busiest = -1;
  bounds() {
    return this.#pieces.flatMap((p) => [2 * p.moment.v, 2 * p.moment.v + 1, ...p.when >= 0 ? [p.when] : []]);
  }
  #day(minute) {
    let low = 0;
    let high = this.#starts.length;
    while (low < high) {
      const mid = low + high >> 1;
      if (this.#starts[mid] <= minute) low = mid + 1;
      else high = mid;
    }
    return low - 1;
  }
  least() {
    const { encoding } = this;
    const sums = new Float64Array(this.#starts.length + 1);
    let busiest = -1;
    for (const p of this.#pieces) {
      if (p.when >= 0 && !encoding.solver.isTrue(p.when)) continue;
      const day = this.#day(encoding.earliest(p.moment));
      if (day < 0 || encoding.latest(p.moment) + p.minutes > (this.#starts[day + 1] ?? Number.POSITIVE_INFINITY)) continue;
      sums[day] = sums[day] + p.minutes;
      if (busiest < 0 || sums[day] > sums[busiest]) busiest = day;
    }
    this.#busiest = busiest;
    this.#sums = sums;
    return busiest < 0 ? 0 : Math.max(0, sums[busiest] - EASY_DAY_MINUTES) * this.perMinute;
  }
  blame() {
    this.#blameDay(this.#busiest);
  }
  #isSure(p, from2, to2) {
    const { encoding } = this;
    if (p.when >= 0 && !encoding.solver.isTrue(p.when)) return false;
    return encoding.earliest(p.moment) >= from2 && encoding.latest(p.moment) + p.minutes <= to2;
  }
  #blameDay(day) {
    const { solver } = this.encoding;
    const from2 = this.#starts[day];
    const to2 = this.#starts[day + 1] ?? Number.POSITIVE_INFINITY;
    for (const p of this.#pieces) {
      if (!this.#isSure(p, from2, to2)) continue;
      solver.because(2 * p.moment.v, from2 - p.moment.plus);
      solver.because(2 * p.moment.v + 1, Number.isFinite(to2) ? p.moment.plus - (to2 - p.minutes) : -solver.high(p.moment.v));
      if (p.when >= 0) solver.because(p.when, truth(p.when));
    }
  }
  /** A piece that would fill a day over the brim cannot lie in it. */
  narrow(most, others) {
    const { encoding } = this;
    const { solver } = encoding;
    const room = EASY_DAY_MINUTES + Math.floor(most / this.perMinute);
    for (const p of this.#pieces) {
      if (solver.isFixed(p.moment.v) || p.when >= 0 && !solver.isTrue(p.when)) continue;
      const low = encoding.earliest(p.moment);
      const first = this.#day(low);
      if (first >= 0 && this.#sums[first] + p.minutes > room) {
        const [from2, to2] = [this.#starts[first], this.#starts[first + 1] ?? Number.POSITIVE_INFINITY];
        if (low + p.minutes <= to2 && Number.isFinite(to2) && !this.#isSure(p, from2, to2)) {
          others.begin();
          this.#blameDay(first);
          solver.because(2 * p.moment.v, from2 - p.moment.plus);
          if (p.when >= 0) solver.because(p.when, truth(p.when));
          if (!solver.conclude(2 * p.moment.v, to2 - p.minutes + 1 - p.moment.plus)) return false;
        }
      }
      const high = encoding.latest(p.moment);
      const last = this.#day(high);
      if (last >= 0 && this.#sums[last] + p.minutes > room) {
        const [from2, to2] = [this.#starts[last], this.#starts[last + 1] ?? Number.POSITIVE_INFINITY];
        if (high + p.minutes <= to2 && Number.isFinite(to2) && !this.#isSure(p, from2, to2)) {
          others.begin();
          this.#blameDay(last);
          solver.because(2 * p.moment.v + 1, p.moment.plus - (to2 - p.minutes));
          if (p.when >= 0) solver.because(p.when, truth(p.when));
          if (!solver.conclude(2 * p.moment.v + 1, p.moment.plus - from2 + 1)) return false;
        }
      }
    }
    return true;
  }
};

// src/core/planner/learn/objective.ts
var COST_SCALE = 600;
var Objective = class {
  constructor(encoding, style) {
    this.encoding = encoding;
    const { solver } = encoding;
    this.solver = solver;
    this.total = solver.newVariable(0, 1e9);
    const weight = WEIGHTS[style];
    const per = (w) => Math.round(w * COST_SCALE);
    this.#add(new LeadTerm(encoding, per(weight.S1 / 60)), [2 * encoding.beginning, 2 * encoding.beginning + 1]);
    this.#addWaits(per(weight.S2 / 60));
    this.#addHands(per(weight.S6), per(weight.S3));
    this.#addHeels(per(weight.S8));
    const days = new BusyDays(encoding, per(weight.S4));
    this.#add(days, days.bounds());
    this.#least = new Float64Array(this.#terms.length);
    solver.addPropagator(this, [...this.#watched, 2 * this.total + 1]);
  }
  encoding;
  cost = 2;
  /** The variable of the whole cost; its upper bound is the cap. */
  total;
  #terms = [];
  #watched = /* @__PURE__ */ new Set();
  #least;
  #follows = /* @__PURE__ */ new Map();
  #pieces = /* @__PURE__ */ new Map();
  #at = 0;
  #cap = 0;
  solver;
  #add(term, bounds) {
    this.#terms.push(term);
    for (const b of bounds) this.#watched.add(b);
  }
  propagate() {
    const { solver } = this;
    const cap = solver.high(this.total);
    if (cap >= 1e9) return true;
    let sum = 0;
    for (let i = 0; i < this.#terms.length; i++) {
      const least = this.#terms[i].least();
      this.#least[i] = least;
      sum += least;
    }
    if (sum > cap) {
      solver.begin();
      this.#blameAll(-1, sum - cap - 1);
      solver.because(2 * this.total + 1, -cap);
      return solver.contradict();
    }
    const slack = cap - sum;
    this.#cap = cap;
    for (let i = 0; i < this.#terms.length; i++) {
      const term = this.#terms[i];
      const most = this.#least[i] + slack;
      if (term.dearest <= most) continue;
      this.#at = i;
      if (!term.narrow(most, this)) return false;
    }
    return true;
  }
  /** The reason of what the term at work takes away: all the others, and the cap. */
  begin() {
    this.solver.begin();
    this.#blameAll(this.#at, 0);
    this.solver.because(2 * this.total + 1, -this.#cap);
  }
  /** The reasons of all terms but one; cheap ones are left out as long as `spare` lasts. */
  #blameAll(but, spare) {
    let left = spare;
    for (let i = 0; i < this.#terms.length; i++) {
      const least = this.#least[i];
      if (i === but || least === 0) continue;
      if (least <= left) {
        left -= least;
        continue;
      }
      this.#terms[i].blame();
    }
  }
  // --- Where a step would best go ---------------------------------------------------------------------------------
  /**
   * The latest start of an activity that costs nothing by what is decided already: what it makes waits as long as is best, its work
   * lies in easy hours. In solver minutes; not above `latest`, and only a wish.
   */
  easiest(activity, latest) {
    const { encoding } = this;
    let at = latest;
    for (const { taker, ready, wait } of this.#follows.get(activity) ?? []) {
      if (this.solver.isFixed(taker.v)) at = Math.min(at, encoding.earliest(taker) - wait - ready);
    }
    const start = encoding.start[activity];
    for (const piece of this.#pieces.get(activity) ?? []) {
      if (piece.moment.v !== start.v) continue;
      const offset = piece.moment.plus - start.plus;
      at = Math.min(at, piece.latestFree(at + offset) - offset);
    }
    return at;
  }
  #noteFollow(maker, isEnd, activity, taker, wait) {
    const minutes = this.encoding.model.activities[activity]?.minutes ?? 0;
    const start = this.encoding.start[activity];
    const ready = maker.v === start.v ? maker.plus - start.plus : isEnd ? minutes : 0;
    const list = this.#follows.get(activity) ?? [];
    list.push({ taker, ready, wait });
    this.#follows.set(activity, list);
  }
  // --- The terms --------------------------------------------------------------------------------------------------
  #addWaits(perMinute) {
    const { encoding } = this;
    const { model } = encoding;
    const add = (from2, to2, best, when) => {
      if (!best) return;
      this.#add(new WaitTerm(encoding, from2, to2, best, perMinute, when), [
        2 * from2.v,
        2 * from2.v + 1,
        2 * to2.v,
        2 * to2.v + 1,
        ...when >= 0 ? [when] : []
      ]);
    };
    for (const w of model.waitings) {
      add(encoding.moment(w.from), encoding.moment(w.to), w.best, -1);
      if (w.best) this.#noteFollow(encoding.moment(w.from), (w.from & 1) === 1, w.from >> 1, encoding.moment(w.to), w.best[0]);
    }
    for (const t of model.takings) {
      if (model.activities[t.taker]?.fact) continue;
      const literals = encoding.holds.get(t)?.literals;
      if (!literals && (t.holds.length !== 1 || t.during !== void 0)) continue;
      if (t.maker !== void 0 && t.holds.length && t.holds.every((hold2) => hold2.best)) {
        const least = Math.min(...t.holds.map((hold2) => hold2.best?.[0] ?? 0));
        this.#noteFollow(encoding.readyOf(t), t.batchEnd === void 0, t.maker, encoding.start[t.taker], least);
      }
      t.holds.forEach((hold2, h) => {
        add(encoding.readyOf(t), encoding.start[t.taker], hold2.best, literals?.[h] ?? -1);
      });
    }
  }
  #addHands(unsocial, lastHours) {
    const { encoding } = this;
    const { model } = encoding;
    const { dish } = model;
    const quiet = new Set(dish.components.filter((c2) => c2.kind === "assembly").map((c2) => c2.id)).add(componentOf(dish.serve));
    for (const h of encoding.hands) {
      const step = model.activities[h.activity]?.step;
      if (!step || h.minutes === 0 || h.part < 0 || model.activities[h.activity]?.fact) continue;
      const price = (start) => {
        const [from2, to2] = [start + encoding.base, start + encoding.base + h.minutes];
        const late = quiet.has(componentOf(step.ref)) ? 0 : overlap2(from2, to2, model.serveAt - LAST_HOURS_MINUTES, model.serveAt);
        return unsocial * unsocialMinutes(dish, from2, to2) + lastHours * late;
      };
      const term = new PieceTerm(encoding, h.from, h.even ? encoding.evenPieces : -1, price, breaksOf(encoding, h.from, h.minutes));
      if (term.dearest === 0) continue;
      const own = this.#pieces.get(h.activity) ?? [];
      own.push(term);
      this.#pieces.set(h.activity, own);
      this.#add(term, [2 * h.from.v, 2 * h.from.v + 1, ...h.even ? [encoding.evenPieces] : []]);
    }
  }
  #addHeels(each) {
    const { encoding } = this;
    const { model } = encoding;
    const makers = new Map(model.inForce.flatMap((s) => s.makes.map((o) => [o.ref, s])));
    const byRef = new Map(model.inForce.map((s) => [s.ref, s]));
    const pairs = /* @__PURE__ */ new Set();
    for (const later of model.inForce) {
      const earlier = [
        ...later.links.filter((l) => l.from === "end").map((l) => byRef.get(l.step)),
        ...later.takes.map((t) => makers.get(t.from))
      ];
      for (const step of earlier) {
        if (!step || step.time.max <= step.time.likely || pairs.has(`${step.ref} ${later.ref}`)) continue;
        pairs.add(`${step.ref} ${later.ref}`);
        const a = encoding.end[model.lastOf.get(step.ref)];
        const b = encoding.start[model.first.get(later.ref)];
        if (a.v !== b.v) this.#noteFollow(a, true, model.lastOf.get(step.ref), b, BREATHING_SPACE_MINUTES);
        if (a.v !== b.v) this.#add(new HeelTerm(encoding, a, b, each), [2 * a.v, 2 * b.v + 1]);
      }
    }
  }
};
var overlap2 = (a, b, from2, to2) => Math.max(0, Math.min(b, to2) - Math.max(a, from2));
function unsocialMinutes(dish, from2, to2) {
  let sum = 0;
  for (let day = dish.zone.dayNumber(from2); day <= dish.zone.dayNumber(Math.max(from2, to2 - 1)); day++) {
    const at = (timeOfDay2) => dish.zone.minuteOfDay(day, timeOfDay2);
    sum += overlap2(from2, to2, at(0), at(EARLY)) + overlap2(from2, to2, at(LATE), at(1440));
  }
  return sum;
}
function breaksOf(encoding, at, minutes) {
  const { dish, serveAt } = encoding.model;
  const low = encoding.earliest(at) + encoding.base;
  const high = encoding.latest(at) + encoding.base;
  const edges = [serveAt - LAST_HOURS_MINUTES, serveAt];
  for (let day = dish.zone.dayNumber(low) - 1; day <= dish.zone.dayNumber(high) + 1; day++)
    edges.push(...[0, EARLY, LATE].map((t) => dish.zone.minuteOfDay(day, t)));
  const points = edges.flatMap((e) => [e, e - minutes]).filter((p) => p > low && p < high);
  return [.../* @__PURE__ */ new Set([low, ...points, high])].sort((a, b) => a - b).map((p) => p - encoding.base);
}

// src/core/planner/learn/better.ts
var CONFLICTS_A_QUESTION = 100;
var CONFLICTS_A_ROUND2 = 60;
var CONFLICTS_NEARBY = 60;
var FIRST_NOISES = [600, 2880];
var SHIFTS = [-1440, -1440, -2880, -7 * 1440, 1440, 2880, -240, 240];
var LEAP = { first: 0.04, most: 0.12, least: 3e-4 };
function planOf(solution, bench) {
  if (!bench.search.place(solution)) {
    const starts = new Map(solution.starts.map((start, activity) => [activity, start]));
    if (bench.search.run(CONFLICTS_NEARBY, { starts }, bench.stop).status === "none") return void 0;
  }
  const plan = extractPlan(bench.model, bench.search.engine, bench.frame);
  return plan && bench.check(plan).length === 0 ? plan : void 0;
}
function firstByLearning(bench, conflicts) {
  const { learner, stop } = bench;
  for (const mode of ["found", "sure"]) {
    const answer = learner.first(conflicts, stop, mode);
    const plan = answer.status === "found" ? planOf(answer.solution, bench) : void 0;
    if (plan) return plan;
    if (answer.status === "refuted" && mode === "found") break;
  }
  return learner.first(conflicts, stop, "proof").status === "refuted" ? "refuted" : void 0;
}
function shortened(start, bench) {
  const { learner, stop } = bench;
  let best = start;
  let bound = learner.leadBound();
  const begun = learner.work;
  const left = () => bench.work - (learner.work - begun);
  const beginning = (lead) => start.serveAt - lead;
  const ask = (lead, conflicts, mode) => {
    const answer = learner.shorter(beginning(lead), conflicts, stop, mode);
    const plan = answer.status === "found" ? planOf(answer.solution, bench) : void 0;
    if (plan && plan.leadMinutes < best.leadMinutes) {
      best = plan;
      learner.keep();
      bench.onBetter?.(best, 1 - left() / bench.work);
      return "found";
    }
    return answer.status === "found" ? "spent" : answer.status;
  };
  for (let mode = "found"; mode && best.leadMinutes > bound && left() > 0 && !stop(); ) {
    let share2 = 1;
    let conflicts = CONFLICTS_A_QUESTION;
    let status = "found";
    let floor = bound;
    while (best.leadMinutes > floor && left() > 0 && !stop()) {
      const target = best.leadMinutes - Math.max(1, Math.floor((best.leadMinutes - floor) * share2));
      status = ask(target, conflicts, mode);
      if (status === "found") share2 = Math.min(1, share2 * 2);
      else if (status === "refuted") floor = target + 1;
      else if (target < best.leadMinutes - 1) share2 /= 4;
      else if (conflicts > 16 * CONFLICTS_A_QUESTION) break;
      else conflicts *= 4;
    }
    mode = mode === "found" && best.leadMinutes > bound ? "sure" : void 0;
  }
  for (let share2 = 1 / 64, conflicts = CONFLICTS_A_QUESTION; best.leadMinutes > bound && left() > 0 && !stop(); ) {
    const target = best.leadMinutes - Math.max(1, Math.floor((best.leadMinutes - bound) * share2));
    const status = learner.shorter(beginning(target), conflicts, stop, "proof").status;
    if (status === "refuted") {
      bound = Math.max(bound, target + 1);
      share2 = Math.max(0, share2 / 4);
    } else if (status === "found") {
      if (share2 >= 1) break;
      share2 = Math.min(1, share2 * 4);
    } else if (conflicts > 64 * CONFLICTS_A_QUESTION) {
      if (share2 >= 1) break;
      share2 = Math.min(1, share2 * 4);
      conflicts = CONFLICTS_A_QUESTION;
    } else conflicts *= 4;
  }
  return { plan: best, boundMinutes: Math.max(bound, learner.leadBound()) };
}
function cheapened(start, bench) {
  const { learner, model, stop, frame } = bench;
  const random = seededRandom(frame.seed + 7);
  const movable = model.activities.filter((a) => !a.fact && a.step.ref !== "");
  const objective = learner.objective;
  if (!objective || movable.length === 0) return start;
  const begun = learner.work;
  const left = () => bench.work - (learner.work - begun);
  let best = start;
  let current = solutionOf(start, model);
  let plan = start;
  const adopted = learner.cheaper(current, 1e8, /* @__PURE__ */ new Set(), "starts", /* @__PURE__ */ new Map(), CONFLICTS_A_QUESTION, stop);
  if (adopted.status === "found") {
    current = adopted.solution;
    learner.keep();
  } else {
    const own = learner.first(4 * CONFLICTS_A_QUESTION, stop, "sure");
    const placed = own.status === "found" ? planOf(own.solution, bench) : void 0;
    if (own.status !== "found" || !placed) return start;
    current = own.solution;
    plan = placed;
    learner.keep();
  }
  if (plan.regret.total < best.regret.total) best = plan;
  const take2 = (solution, found) => {
    current = solution;
    plan = found;
    learner.keep();
    if (found.regret.total >= best.regret.total - 1e-9) return;
    best = found;
    bench.onBetter?.(best, 1 - left() / bench.work);
  };
  for (const noise of FIRST_NOISES) {
    const sum = plan.regret.total - plan.regret.S5 - plan.regret.S7;
    const answer = learner.afresh(Math.round(sum * COST_SCALE) - 1, noise, CONFLICTS_A_QUESTION, stop);
    const found = answer.status === "found" ? planOf(answer.solution, bench) : void 0;
    if (answer.status === "found" && found && found.regret.total < plan.regret.total) take2(answer.solution, found);
  }
  let leap = LEAP.first;
  while (left() > 0 && !stop()) {
    const share2 = random() < 0.7 ? leap : LEAP.least;
    const sum = plan.regret.total - plan.regret.S5 - plan.regret.S7;
    const cap = Math.round(sum * COST_SCALE) - 1 - Math.round(sum * COST_SCALE * share2);
    const everything = random() < 0.03;
    const free = everything ? void 0 : someNeighbourhood(movable, plan, model, random);
    const keep = random() < 0.65 ? "orders" : "starts";
    const kind = random();
    const by = kind < 0.7 ? 0 : SHIFTS[Math.floor(random() * SHIFTS.length)];
    const wish = /* @__PURE__ */ new Map();
    for (const a of movable) {
      const isFree2 = !free || free.has(a.index);
      if (!isFree2 || kind < 0.35 || by) wish.set(a.index, current.starts[a.index] + (isFree2 && free ? by : 0));
    }
    const answer = learner.cheaper(current, cap, free, keep, wish, everything ? 2 * CONFLICTS_A_QUESTION : CONFLICTS_A_ROUND2, stop);
    const found = answer.status === "found" ? planOf(answer.solution, bench) : void 0;
    if (answer.status === "found" && found && found.regret.total < plan.regret.total - 1e-9) {
      take2(answer.solution, found);
      leap = Math.min(LEAP.most, leap * 1.4);
    } else {
      leap = Math.max(LEAP.least, leap * 0.9);
      if (everything && answer.status === "refuted" && share2 === LEAP.least) break;
    }
  }
  return best;
}
function someNeighbourhood(movable, plan, model, random) {
  const pick = () => componentOf(movable[Math.floor(random() * movable.length)].step.ref);
  const kind = random();
  if (kind < 0.55) {
    const dear = pickByCost(costByComponent(plan, model), random) ?? pick();
    const other = random() < 0.5 ? pickByCost(costByComponent(plan, model), random) ?? pick() : pick();
    const chosen = new Set(movable.filter((a) => [dear, other].includes(componentOf(a.step.ref))).map((a) => a.index));
    return chosen;
  }
  return neighbourhood(movable, plan, random);
}
function pickByCost(costs, random) {
  let left = random() * [...costs.values()].reduce((sum, c2) => sum + c2, 0);
  for (const [component, cost] of costs) {
    left -= cost;
    if (left <= 0) return component;
  }
  return void 0;
}
function costByComponent(plan, model) {
  if (plan.style === "shortest") return /* @__PURE__ */ new Map();
  const { dish } = model;
  const weight = WEIGHTS[plan.style];
  const costs = /* @__PURE__ */ new Map();
  const add = (component, cost) => costs.set(component, (costs.get(component) ?? 0.5) + cost);
  const makers = new Map(model.inForce.flatMap((s) => s.makes.map((o) => [o.ref, o])));
  const at = new Map(plan.steps.map((s) => [s.step, s]));
  for (const hold2 of plan.holds) {
    const best = makers.get(hold2.output)?.holds[hold2.hold]?.best;
    const wait = hold2.to - hold2.from;
    const outside2 = best ? Math.max(0, best[0] - wait, wait - best[1]) / 60 : 0;
    for (const ref of [hold2.output, hold2.taker]) add(componentOf(ref), outside2 * weight.S2);
  }
  for (const step of model.inForce) {
    for (const link2 of step.links) {
      const [here, other] = [at.get(step.ref), at.get(link2.step)];
      if (!here || !other || !link2.best) continue;
      const wait = here.start - (link2.from === "end" ? other.end : other.start);
      add(componentOf(step.ref), Math.max(0, link2.best[0] - wait, wait - link2.best[1]) / 60 * weight.S2);
    }
  }
  const perDay = /* @__PURE__ */ new Map();
  for (const step of plan.steps) {
    for (const { from: from2, to: to2 } of step.hands) {
      const day = dish.zone.dayNumber(from2);
      perDay.set(day, (perDay.get(day) ?? 0) + to2 - from2);
      const minute = (t) => dish.zone.minuteOfDay(day, t);
      add(componentOf(step.step), Math.max(0, minute(EARLY) - from2, to2 - minute(LATE)) * weight.S6);
      add(componentOf(step.step), Math.max(0, to2 - Math.max(from2, plan.serveAt - LAST_HOURS_MINUTES)) * weight.S3);
    }
  }
  const busiest = [...perDay].reduce((a, b) => b[1] > a[1] ? b : a, [0, 0]);
  const over = busiest[1] > EASY_DAY_MINUTES ? (busiest[1] - EASY_DAY_MINUTES) / busiest[1] : 0;
  for (const step of plan.steps) {
    for (const { from: from2, to: to2 } of step.hands)
      if (dish.zone.dayNumber(from2) === busiest[0]) add(componentOf(step.step), (to2 - from2) * over * weight.S4);
  }
  const first = plan.steps[0];
  if (first) add(componentOf(first.step), plan.leadMinutes / 60 * weight.S1 * 0.3);
  return costs;
}
function solutionOf(plan, model) {
  const byStep = new Map(plan.steps.map((s) => [s.step, s]));
  const fallbacks = new Map(
    [...model.fallbacks].map(([component, index]) => [index, plan.fallbacks.find((f) => f.component === component)])
  );
  const times = model.activities.map((a) => {
    const fallback2 = fallbacks.get(a.index);
    if (fallback2) return [fallback2.decidedAt, fallback2.readyAt];
    const step = byStep.get(a.step.ref);
    const piece = a.step.each && !a.fact ? step?.pieces[a.batch] : void 0;
    return piece ?? [step?.start ?? a.fact?.start ?? 0, step?.end ?? a.fact?.end ?? 0];
  });
  return { starts: times.map((t) => t[0]), ends: times.map((t) => t[1]), cooks: /* @__PURE__ */ new Map(), pieces: /* @__PURE__ */ new Map() };
}

// src/core/planner/bounds.ts
var Bounds = class {
  constructor(model) {
    this.model = model;
    const n = model.activities.length;
    this.lower = new Int32Array(2 * n);
    this.upper = new Int32Array(2 * n);
    this.#queued = new Uint8Array(4 * n);
    this.#domains = model.activities.flatMap((a) => [a.starts, a.ends]);
    this.#out = Array.from({ length: 2 * n }, () => []);
    this.#in = Array.from({ length: 2 * n }, () => []);
    for (const { from: from2, to: to2, lag, because } of model.lags) {
      this.#out[from2].push({ to: to2, lag, rule: because.rule });
      this.#in[to2].push({ from: from2, lag, rule: because.rule });
    }
  }
  model;
  lower;
  upper;
  /** Activity and rule of the last failure, for ordering and for telling why. */
  failed = { activity: 0, rule: "" };
  #domains;
  #out;
  #in;
  #trail = [];
  #queue = [];
  #queued;
  /** A point to come back to. */
  mark() {
    return this.#trail.length;
  }
  undoTo(mark) {
    while (this.#trail.length > mark) this.#trail.pop()();
    this.#queue.length = 0;
    this.#queued.fill(0);
  }
  /** Sets an entry so that undoing puts the old one back. */
  setMap(map, key, value) {
    const old = map.get(key);
    const had = map.has(key);
    this.#trail.push(() => {
      if (had) map.set(key, old);
      else map.delete(key);
    });
    map.set(key, value);
  }
  setList(list, index, value) {
    const old = list[index];
    this.#trail.push(() => {
      list[index] = old;
    });
    list[index] = value;
  }
  fail(activity, rule) {
    this.failed = { activity, rule };
    return false;
  }
  #push(bound) {
    if (this.#queued[bound]) return;
    this.#queued[bound] = 1;
    this.#queue.push(bound);
  }
  /** x(v) ≥ value, snapped to the domain; false where that leaves it none. */
  raise(v, value, rule) {
    if (value <= this.lower[v]) return true;
    const snapped = earliestAtOrAfter(this.#domains[v], value);
    if (snapped === void 0 || snapped > this.upper[v]) return this.fail(v >> 1, rule);
    const old = this.lower[v];
    this.#trail.push(() => {
      this.lower[v] = old;
    });
    this.lower[v] = snapped;
    this.#push(2 * v);
    return true;
  }
  /** x(v) ≤ value, snapped to the domain; false where that leaves it none. */
  lowerTo(v, value, rule) {
    if (value >= this.upper[v]) return true;
    const snapped = latestAtOrBefore(this.#domains[v], value);
    if (snapped === void 0 || snapped < this.lower[v]) return this.fail(v >> 1, rule);
    const old = this.upper[v];
    this.#trail.push(() => {
      this.upper[v] = old;
    });
    this.upper[v] = snapped;
    this.#push(2 * v + 1);
    return true;
  }
  domain(v) {
    return this.#domains[v];
  }
  /** A smaller domain; false where nothing of it lies within the bounds. */
  narrow(v, domain, rule) {
    this.setList(this.#domains, v, domain);
    const low = earliestAtOrAfter(domain, this.lower[v]);
    const high = latestAtOrBefore(domain, this.upper[v]);
    if (low === void 0 || high === void 0 || low > high) return this.fail(v >> 1, rule);
    return this.raise(v, low, rule) && this.lowerTo(v, high, rule);
  }
  /** Time lags to a fixpoint. */
  propagate() {
    for (let at = 0; at < this.#queue.length; at++) {
      const bound = this.#queue[at];
      this.#queued[bound] = 0;
      const v = bound >> 1;
      if (bound & 1) {
        for (const arc of this.#in[v])
          if (!this.lowerTo(arc.from, this.upper[v] - arc.lag, arc.rule)) return this.clear();
      } else {
        for (const arc of this.#out[v])
          if (!this.raise(arc.to, this.lower[v] + arc.lag, arc.rule)) return this.clear();
      }
      if (at > 4096) {
        this.#queue.splice(0, at + 1);
        at = -1;
      }
    }
    this.#queue.length = 0;
    return true;
  }
  clear() {
    this.#queue.length = 0;
    this.#queued.fill(0);
    return false;
  }
  /** Domains to bounds, and a first fixpoint. False where the network with its calendars has no solution. */
  root() {
    for (let v = 0; v < this.lower.length; v++) {
      const domain = this.#domains[v];
      const first = domain[0];
      const last = domain.at(-1);
      if (!first || !last) return this.fail(v >> 1, "calendar");
      this.lower[v] = first[0];
      this.upper[v] = last[1] - 1;
      this.#push(2 * v);
      this.#push(2 * v + 1);
    }
    return this.propagate();
  }
};

// src/core/planner/unit-spans.ts
function isFree(spans, unit, clean, span2, available) {
  if (available && !covers(available, span2.from, span2.to)) return false;
  return spans.every((s) => {
    if (s.unit !== unit) return true;
    const gap = s.step === span2.step ? 0 : clean;
    return span2.from >= s.to + gap || s.from >= span2.to + gap;
  });
}
function deal(spans, units) {
  const sorted = [...spans].sort((a, b) => a.from - b.from || a.fitting.length - b.fitting.length);
  const dealt = [];
  let tries = 0;
  const next = (at) => {
    const span2 = sorted[at];
    if (!span2) return true;
    for (const unit of span2.fitting) {
      if (++tries > 2e3) return false;
      if (!isFree(dealt, unit, units[unit]?.clean ?? 0, span2, units[unit]?.available)) continue;
      dealt.push({ ...span2, unit });
      if (next(at + 1)) return true;
      dealt.pop();
    }
    return false;
  };
  return next(0) ? dealt : void 0;
}

// src/core/planner/engine.ts
var EVERYWHERE = [-1e9, 1e9];
var Engine = class extends Bounds {
  placed;
  placements;
  #takingsOf;
  #waitingsOf;
  #waitingUntil;
  #usersOfKind = /* @__PURE__ */ new Map();
  #unitSpans = /* @__PURE__ */ new Map();
  #heatUsers = /* @__PURE__ */ new Map();
  #heatSettings = /* @__PURE__ */ new Map();
  #storeSpans = /* @__PURE__ */ new Map();
  #hands;
  #free;
  holdOf = /* @__PURE__ */ new Map();
  #justGiven = [];
  #preferHelper;
  constructor(model) {
    super(model);
    const n = model.activities.length;
    this.placed = new Uint8Array(n);
    this.placements = new Array(n).fill(void 0);
    this.#takingsOf = Array.from({ length: n }, () => []);
    for (const t of model.takings) {
      this.#takingsOf[t.taker].push(t);
      if (t.maker !== void 0) this.#takingsOf[t.maker].push(t);
    }
    this.#waitingsOf = Array.from({ length: n }, () => []);
    model.waitings.forEach((w, i) => {
      for (const v of [w.from, w.to]) this.#waitingsOf[v >> 1].push(i);
    });
    this.#waitingUntil = Array.from({ length: n }, () => []);
    for (const activity of model.activities) {
      for (const need of activity.needs) {
        const users = this.#usersOfKind.get(need.use.what) ?? [];
        users.push({ activity, need });
        this.#usersOfKind.set(need.use.what, users);
        if (typeof need.span === "object" && need.span.until !== activity.index)
          this.#waitingUntil[need.span.until].push({ activity: activity.index, need });
      }
    }
    const reach = [model.now - 1e6, model.last + 1e6];
    const works = model.dish.cooks.map(
      (_, c2) => union(model.activities.flatMap((a) => a.cooks.includes(c2) ? a.works[a.cooks.indexOf(c2)] : []))
    );
    this.#free = works.map(() => [reach]);
    this.#hands = works.map(() => []);
    const total = works.map((w) => w.reduce((sum, [a, b]) => sum + b - a, 0));
    this.#preferHelper = total.map((_, c2) => c2).sort((a, b) => total[a] - total[b]);
  }
  // --- Commitment -----------------------------------------------------------------------------------------------
  /**
   * Puts an activity somewhere, with all that follows. On failure the state is broken: undo to the mark before.
   * @returns undefined on success, else the latest start that is worth trying next
   */
  commit(activity, placement) {
    const { index } = activity;
    const next = placement.start - 1;
    this.setList(this.placements, index, placement);
    this.setList(this.placed, index, 1);
    const dirty = /* @__PURE__ */ new Set();
    this.#justGiven = [];
    const fixed = this.raise(startOf(index), placement.start, "H1") && this.lowerTo(startOf(index), placement.start, "H1") && this.raise(endOf(index), placement.end, "H1") && this.lowerTo(endOf(index), placement.end, "H1");
    if (!fixed) return next;
    if (!this.#giveHands(activity, placement)) return next;
    if (activity.stretch > 0 && !activity.step.each && !this.roundsOf(activity, placement)) return this.#refuse(activity, "H8", next);
    const held = this.#resolveTakings(activity, dirty);
    if (held !== void 0) return Math.min(held, next);
    if (!this.#resolveWaitings(index, dirty)) return this.#refuse(activity, "H11", next);
    for (const need of activity.needs) {
      if (!this.#giveNeed(activity, placement, need, dirty)) return next;
    }
    for (const waiting of this.#waitingUntil[index]) {
      const other = this.placements[waiting.activity];
      if (other && !this.#giveNeed(this.model.activities[waiting.activity], other, waiting.need, dirty)) return next;
    }
    if (!this.#takeOut(dirty)) return this.#broken(next);
    return this.propagate() ? void 0 : next;
  }
  #broken(next) {
    this.clear();
    return next;
  }
  #refuse(activity, rule, next) {
    this.fail(activity.index, rule);
    return next;
  }
  /** Hands-on parts of a placement, as minutes. Parts of a running step that are past are nobody's any more. */
  partsAt(activity, placement) {
    if (activity.step.attention === "hands" && (activity.minPiece !== void 0 || placement.pieces.length > 1))
      return [...placement.pieces];
    const spans = activity.parts.map((p, i) => {
      if (activity.fact && !activity.fact.done && i === activity.parts.length - 1 && (p.atEnd || activity.step.attention === "hands")) {
        return p.atEnd ? [Math.max(placement.start, placement.end - p.minutes), placement.end] : [Math.min(placement.end, placement.start + p.offset), placement.end];
      }
      if (p.atEnd) return [placement.end - p.minutes, placement.end];
      const last = activity.step.attention === "hands" && i === activity.parts.length - 1;
      return [placement.start + p.offset, last ? placement.end : placement.start + p.offset + p.minutes];
    });
    return activity.fact ? spans.map(([a, b]) => [Math.max(a, Math.min(this.model.now, b)), b]).filter(([a, b]) => a < b) : spans;
  }
  #giveHands(activity, placement) {
    if (activity.fact?.done) return true;
    for (const [part, [from2, to2]] of this.partsAt(activity, placement).entries()) {
      if (from2 >= to2) continue;
      const wished = placement.wishedCooks?.[part];
      if (wished !== void 0 && this.#mayWork(activity, wished, from2, to2) && covers(this.#free[wished], from2, to2)) {
        this.#give({ activity: activity.index, from: from2, to: to2, cook: wished });
        continue;
      }
      const cook2 = this.#cookFor(activity, from2, to2, placement.cook) ?? (activity.fact ? this.#anybody(activity, from2, to2) : void 0);
      if (cook2 === void 0) return this.fail(activity.index, "H6");
      this.#give({ activity: activity.index, from: from2, to: to2, cook: cook2 });
    }
    return true;
  }
  #give(given) {
    this.setList(this.#hands, given.cook, [...this.#hands[given.cook], given]);
    this.setList(this.#free, given.cook, subtract(this.#free[given.cook], [[given.from, given.to]]));
    this.#justGiven.push(given);
  }
  #mayWork(activity, cook2, from2, to2) {
    const at = activity.cooks.indexOf(cook2);
    return at >= 0 && covers(activity.works[at], from2, to2);
  }
  #cookFor(activity, from2, to2, wanted2) {
    const able = this.#preferHelper.filter((c2) => (wanted2 === void 0 || c2 === wanted2) && this.#mayWork(activity, c2, from2, to2));
    const free = able.find((c2) => covers(this.#free[c2], from2, to2));
    if (free !== void 0) return free;
    for (const cook2 of able) {
      const inTheWay = this.#hands[cook2].filter((h) => h.from < to2 && from2 < h.to);
      const moves = inTheWay.map((h) => {
        const other = this.model.activities[h.activity];
        const heir = other.minPiece === void 0 && !other.fact ? other.cooks.find(
          (c2) => c2 !== cook2 && this.#mayWork(other, c2, h.from, h.to) && covers(this.#free[c2], h.from, h.to)
        ) : void 0;
        return heir === void 0 ? void 0 : { ...h, cook: heir };
      });
      if (moves.some((m) => m === void 0) || new Set(moves.map((m) => m?.cook)).size < moves.length) continue;
      this.setList(
        this.#hands,
        cook2,
        this.#hands[cook2].filter((h) => !inTheWay.includes(h))
      );
      this.setList(this.#free, cook2, union([...this.#free[cook2], ...inTheWay.map((h) => [h.from, h.to])]));
      for (const move of moves) if (move) this.#give(move);
      return cook2;
    }
    return void 0;
  }
  /** A fact needs no hours, only a pair of hands that is free. */
  #anybody(activity, from2, to2) {
    return activity.cooks.find((c2) => covers(this.#free[c2], from2, to2));
  }
  /** When a cook's hands are given away. */
  busy(cook2) {
    return union(this.#hands[cook2].map((h) => [h.from, h.to]));
  }
  hands(activity) {
    return this.#hands.flatMap((list) => list.filter((h) => h.activity === activity)).sort((a, b) => a.from - b.from);
  }
  /** Minutes of the rounds of a placement, rhythm by rhythm; undefined where some round finds nobody there. */
  roundsOf(activity, { start, end }) {
    const rounds2 = [];
    for (const [index, tend2] of activity.step.tends.entries()) {
      const there = this.model.roundMinutes(activity.step, tend2.takes);
      const play = Math.floor(Math.max(tend2.every / 4, 5));
      let before = Number.NEGATIVE_INFINITY;
      for (const offset of roundOffsets(tend2, end - start)) {
        const wish = start + offset;
        const from2 = Math.max(start, wish - play, before + Math.ceil(tend2.every / 2));
        const at = activity.fact && (activity.fact.done || wish < this.model.now) ? Math.max(wish, from2) : nearestWithin(there, wish, from2, Math.min(end - 1, wish + play));
        if (at === void 0) return void 0;
        rounds2.push({ at, tend: index });
        before = at;
      }
    }
    return rounds2.sort((a, b) => a.at - b.at || a.tend - b.tend);
  }
  // --- Takes and stores -----------------------------------------------------------------------------------------
  #readyAt(t) {
    if (t.maker === void 0) return t.readyAt;
    const maker = this.placements[t.maker];
    if (!maker) return void 0;
    return t.batchEnd === void 0 ? maker.end : maker.start + t.batchEnd;
  }
  /** Chooses a hold for each take that now has both its ends. Returns a hint for the next start where none fits. */
  #resolveTakings(activity, dirty) {
    const here = this.placements[activity.index];
    for (const t of this.#takingsOf[activity.index]) {
      const taker = this.placements[t.taker];
      const ready = this.#readyAt(t);
      if (!taker || ready === void 0) continue;
      if (t.holds.length === 0) continue;
      if (t.during !== void 0 && t.maker !== void 0 && taker.start <= ready) continue;
      const wait = taker.start - ready;
      const fits = t.holds.map((h, i) => ({ h, i })).filter(({ h }) => wait >= h.min && (h.max === void 0 || wait <= h.max));
      if (fits.length === 0 && this.model.activities[t.taker]?.fact) continue;
      fits.sort((a, b) => Number(!isBest(a.h.best, wait)) - Number(!isBest(b.h.best, wait)) || a.i - b.i);
      const chosen = fits.find(
        ({ h, i }) => this.#store(`${t.output} ${i}`, h.place, this.#madeAt(t) ?? ready, taker.end, h.litres, dirty)
      );
      if (chosen) {
        this.setMap(this.holdOf, t, chosen.i);
        continue;
      }
      this.fail(activity.index, fits.length ? "H11" : "H4");
      const isMaker = t.maker === activity.index;
      const better = t.holds.map(
        (h) => isMaker ? wait < h.min ? h.min - wait : Number.POSITIVE_INFINITY : h.max !== void 0 && wait > h.max ? wait - h.max : Number.POSITIVE_INFINITY
      ).filter(Number.isFinite);
      return better.length ? here.start - Math.min(...better) : here.start - 1;
    }
    return void 0;
  }
  /** Space counts from the end of the making step, also where batches are taken one by one. */
  #madeAt(t) {
    return t.maker === void 0 ? t.readyAt : this.placements[t.maker]?.end;
  }
  #store(key, place, from2, to2, litres, dirty) {
    const space = this.model.storeLitres.get(place);
    if (space === void 0 || litres <= 0) return true;
    const spans = this.#storeSpans.get(place) ?? [];
    const known = spans.find((s) => s.key === key);
    const span2 = known ? { ...known, from: Math.min(known.from, from2), to: Math.max(known.to, to2) } : { key, from: from2, to: to2, litres };
    const others = spans.filter((s) => s !== known);
    const points = [span2.from, ...others.filter((s) => s.from > span2.from && s.from < span2.to).map((s) => s.from)];
    for (const point of points) {
      const load = others.reduce((sum, s) => sum + (s.from <= point && point < s.to ? s.litres : 0), litres);
      if (load > space + 1e-6) return false;
    }
    this.setMap(this.#storeSpans, place, [...others, span2]);
    dirty.add(`store ${place}`);
    return true;
  }
  #resolveWaitings(index, dirty) {
    for (const w of this.#waitingsOf[index]) {
      const waiting = this.model.waitings[w];
      const from2 = this.placements[waiting.from >> 1];
      const to2 = this.placements[waiting.to >> 1];
      if (!from2 || !to2 || waiting.litres <= 0) continue;
      const since = waiting.from & 1 ? from2.end : from2.start;
      if (since < to2.start && !this.#store(`link ${w}`, waiting.place, since, to2.start, waiting.litres, dirty)) return false;
    }
    return true;
  }
  // --- Equipment ------------------------------------------------------------------------------------------------
  /** When a need holds its equipment; undefined while the step that it is kept for has no place yet. */
  #spansOf(activity, placement, need) {
    const { first, last } = this.#batchesOf(activity);
    if (typeof need.span === "object") {
      if (activity.index !== last) return [];
      const until = this.placements[need.span.until];
      const begin = this.placements[first];
      if (!until || !begin) return void 0;
      return [[begin.start, Math.max(placement.end, until.end)]];
    }
    if (need.span === "hands") return this.partsAt(activity, placement);
    if (need.throughout && first !== last) {
      const all = Array.from({ length: last - first + 1 }, (_, i) => this.placements[first + i]);
      if (all.some((p) => !p)) return [];
      return [[all[0].start, all.at(-1).end]];
    }
    return isWare(need.use.what) ? [[placement.start, placement.end]] : [...placement.pieces];
  }
  #batchesOf(activity) {
    const { ref } = activity.step;
    return { first: this.model.first.get(ref) ?? activity.index, last: this.model.lastOf.get(ref) ?? activity.index };
  }
  #giveNeed(activity, placement, need, dirty) {
    const spans = this.#spansOf(activity, placement, need);
    if (!spans) return true;
    for (const [a, to2] of spans) {
      const from2 = activity.fact?.done && need.use.until === void 0 ? Math.max(a, Math.min(this.model.now, to2)) : a;
      if (from2 >= to2) continue;
      const { what } = need.use;
      if (activity.fact && !activity.open) this.#noteFact(activity, need, from2, to2, dirty);
      else if (STORES.includes(what)) {
        if (!this.#store(`use ${activity.index} ${need.useIndex} ${from2}`, what, from2, to2, need.use.litres, dirty))
          return this.fail(activity.index, "H11");
      } else if (HEATED.includes(what)) {
        if (!this.#heat(activity, need, from2, to2, dirty)) return this.fail(activity.index, "H10");
      } else if (!this.#giveUnits(activity, need, from2, to2, dirty)) return this.fail(activity.index, "H9");
    }
    return true;
  }
  /** What a running step holds it holds, whether or not the plan would have given it. */
  #noteFact(activity, need, from2, to2, dirty) {
    const { what } = need.use;
    if (STORES.includes(what))
      this.#store(`use ${activity.index} ${need.useIndex}`, what, from2, to2, need.use.litres, dirty);
    else if (HEATED.includes(what)) this.#heat(activity, need, from2, to2, dirty);
    else this.#giveUnits(activity, need, from2, to2, dirty);
  }
  #giveUnits(activity, need, from2, to2, dirty) {
    const kind = need.use.what;
    const units = this.model.units.get(kind) ?? [];
    let spans = this.#unitSpans.get(kind) ?? [];
    for (let n = 0; n < need.use.count; n++) {
      const span2 = {
        step: activity.step.ref,
        activity: activity.index,
        useIndex: need.useIndex,
        fitting: need.fitting,
        from: from2,
        to: to2,
        unit: -1
      };
      const free = need.fitting.find((u) => isFree(spans, u, units[u]?.clean ?? 0, span2, units[u]?.available));
      if (free !== void 0) spans = [...spans, { ...span2, unit: free }];
      else {
        const dealt = deal([...spans, span2], units);
        if (!dealt) return false;
        spans = dealt;
      }
    }
    this.setMap(this.#unitSpans, kind, spans);
    dirty.add(`units ${kind}`);
    return true;
  }
  unitSpans() {
    return [...this.#unitSpans.values()].flat();
  }
  #heat(activity, need, from2, to2, dirty) {
    const { use: use2 } = need;
    const user = {
      step: activity.step.ref,
      component: componentOf(activity.step.ref),
      use: use2,
      from: from2,
      to: to2,
      begun: activity.fact !== void 0
    };
    if (activity.fact?.done && to2 <= this.model.now) return true;
    for (const equipment2 of this.model.dish.equipment) {
      if (equipment2.kind !== use2.what || equipment2.maxC < use2.tempC - use2.toleranceC) continue;
      const available = this.model.units.get(equipment2.kind)?.find((u) => u.id === equipment2.id)?.available;
      if (available && !activity.fact && !covers(available, from2, to2)) continue;
      const users = [...this.#heatUsers.get(equipment2.id) ?? [], user];
      const settings = settle(
        equipment2,
        users,
        this.model.now,
        {
          heat: (step) => this.model.closed("heat", step),
          lighting: (step) => this.model.closed("start-heat", step)
        },
        this.model.warmth.get(equipment2.id)
      );
      if (!settings) continue;
      this.setMap(this.#heatUsers, equipment2.id, users);
      this.setMap(this.#heatSettings, equipment2.id, settings);
      dirty.add(`heat ${equipment2.id}`);
      return true;
    }
    return false;
  }
  settings() {
    return [...this.#heatSettings.values()].flat().sort((a, b) => a.from - b.from || (a.id < b.id ? -1 : 1));
  }
  heatUsers() {
    return this.#heatUsers;
  }
  // --- What a commitment takes away from the others ---------------------------------------------------------------
  #takeOut(dirty) {
    for (const given of this.#justGiven) if (!this.#takeOutHands(given)) return false;
    for (const key of dirty) {
      const [what, name2] = [key.slice(0, key.indexOf(" ")), key.slice(key.indexOf(" ") + 1)];
      const ok = what === "units" ? this.#takeOutUnits(name2) : what === "store" ? this.#takeOutStore(name2) : this.#takeOutHeat(name2);
      if (!ok) return false;
    }
    return true;
  }
  /** Starts that would lay a hands part over what was just given away, unless another cook is free for it. */
  #takeOutHands(given) {
    for (const activity of this.model.activities) {
      const { index } = activity;
      if (this.placed[index] || activity.minPiece !== void 0 || !activity.cooks.includes(given.cook)) continue;
      for (const part of activity.parts) {
        const anchoredAtEnd = part.atEnd && activity.stretch > 0;
        const v = anchoredAtEnd ? endOf(index) : startOf(index);
        const offset = anchoredAtEnd ? -part.minutes : part.atEnd ? activity.minutes - part.minutes : part.offset;
        const from2 = Math.max(given.from - offset - part.minutes + 1, this.lower[v]);
        const to2 = Math.min(given.to - offset, this.upper[v] + 1);
        if (from2 >= to2 || !overlaps(this.domain(v), from2, to2)) continue;
        let lost = [[from2, to2]];
        for (const cook2 of activity.cooks) {
          if (cook2 !== given.cook)
            lost = subtract(lost, shift(startsFitting(this.#free[cook2], part.minutes, EVERYWHERE), -offset));
        }
        if (lost.length && !this.narrow(v, subtract(this.domain(v), lost), "H6")) return false;
      }
    }
    return true;
  }
  /** Minutes in which so many of the fitting units are taken that `count` more are not to be had. */
  #takeOutUnits(kind) {
    const units = this.model.units.get(kind) ?? [];
    const spans = this.#unitSpans.get(kind) ?? [];
    for (const { activity, need } of this.#usersOfKind.get(kind) ?? []) {
      if (this.placed[activity.index] || activity.stretch > 0 || activity.minPiece !== void 0 || typeof need.span === "object" || need.throughout && activity.step.each)
        continue;
      const clean = Math.min(...need.fitting.map((u) => units[u]?.clean ?? 0));
      const binding = spans.filter((s) => s.step !== activity.step.ref && s.fitting.every((u) => need.fitting.includes(u)));
      const full = minutesAbove(
        binding.map((s) => ({ from: s.from - clean, to: s.to + clean, size: 1 })),
        need.fitting.length - need.use.count
      );
      if (full.length && !this.#avoid(activity, need, full, "H9")) return false;
    }
    return true;
  }
  #takeOutStore(place) {
    const space = this.model.storeLitres.get(place) ?? 0;
    const spans = (this.#storeSpans.get(place) ?? []).map((s) => ({ from: s.from, to: s.to, size: s.litres }));
    for (const { activity, need } of this.#usersOfKind.get(place) ?? []) {
      if (this.placed[activity.index] || activity.stretch > 0 || activity.minPiece !== void 0 || need.span !== "run") continue;
      const full = minutesAbove(spans, space - need.use.litres + 1e-6);
      if (full.length && !this.#avoid(activity, need, full, "H11")) return false;
    }
    return true;
  }
  #takeOutHeat(id2) {
    const equipment2 = this.model.dish.equipment.find((e) => e.id === id2);
    if (!equipment2 || this.model.dish.equipment.some((e) => e !== equipment2 && e.kind === equipment2.kind)) return true;
    const users = this.#heatUsers.get(id2) ?? [];
    const room = equipment2.kind === "bath" ? equipment2.litres ?? Number.POSITIVE_INFINITY : equipment2.racks;
    for (const { activity, need } of this.#usersOfKind.get(equipment2.kind) ?? []) {
      if (this.placed[activity.index] || activity.stretch > 0 || activity.minPiece !== void 0 || need.span !== "run") continue;
      const { use: use2 } = need;
      const size = (u) => equipment2.kind === "bath" ? u.litres : u.racks;
      const full = minutesAbove(
        users.map((u) => ({ from: u.from, to: u.to, size: size(u.use) })),
        room - size(use2) + 1e-6
      );
      let blocked = [...full];
      for (const user of users) {
        const apart = Math.max(0, Math.abs(user.use.tempC - use2.tempC) - user.use.toleranceC - use2.toleranceC);
        const modes = user.use.mode !== "any" && use2.mode !== "any" && user.use.mode !== use2.mode;
        if (apart === 0 && !modes) continue;
        const ramps = (use2.ramp || user.use.ramp) && user.component === componentOf(activity.step.ref);
        const [cold, hot] = [0, apart];
        const rise = ramps ? 0 : minutesToChange(equipment2, cold, hot);
        const fall = ramps ? 0 : minutesToChange(equipment2, hot, cold);
        const hotter = user.use.tempC > use2.tempC;
        blocked.push([user.from - (hotter ? rise : fall), user.to + (hotter ? fall : rise)]);
      }
      blocked = [...union(blocked)];
      if (blocked.length && !this.#avoid(activity, need, blocked, "H10")) return false;
    }
    return true;
  }
  #avoid(activity, need, blocked, rule) {
    const s = startOf(activity.index);
    let starts = this.domain(s);
    if (need.span === "hands") {
      for (const part of activity.parts)
        starts = intersect(
          starts,
          shift(startsAvoiding(blocked, part.minutes, EVERYWHERE), -(part.atEnd ? activity.minutes - part.minutes : part.offset))
        );
    } else starts = intersect(starts, startsAvoiding(blocked, activity.minutes, EVERYWHERE));
    return this.narrow(s, starts, rule);
  }
};
var isBest = (best, wait) => best !== void 0 && wait >= best[0] && wait <= best[1];

// src/core/planner/search.ts
var isLoose = (a, solution) => a.minPiece !== void 0 && !solution.pieces.has(a.index);
var endIn = (solution, activity) => solution.ends[activity.index];
var TIGHT_ROOM_MINUTES = 90;
var MOST_TRIES = 14;
var BACKWARD_STEPS = [1, 4, 5, 5, 10, 15, 30, 60, 60, 120, 240, 480, 720];
var Search = class {
  constructor(model, random) {
    this.model = model;
    this.random = random;
    this.engine = new Engine(model);
    this.#bonus = new Float64Array(model.activities.length);
  }
  model;
  random;
  engine;
  #bonus;
  #failures = /* @__PURE__ */ new Map();
  /** Starts tried for one activity before it is given up; more of them, and less evenly spaced, with each restart. */
  #tries = MOST_TRIES;
  #restart = 0;
  #rootMark = 0;
  /** The root network and the facts of the log. Undefined where they stand; else why not. */
  root() {
    const fail = () => ({ status: "none", proved: true, ...this.engine.failed, conflicts: 0 });
    if (!this.engine.root()) return fail();
    for (const activity of this.model.activities) {
      if (!activity.fact || activity.open) continue;
      if (this.engine.commit(activity, {
        start: activity.fact.start,
        end: activity.fact.end,
        pieces: [[activity.fact.start, activity.fact.end]]
      }) !== void 0)
        return fail();
    }
    this.#rootMark = this.engine.mark();
    return void 0;
  }
  /** Latest minute at which the plan can begin by the root network: no plan is shorter than from there to serving. */
  latestBeginning() {
    return this.model.activities.reduce(
      (least, a) => a.step.ref === "" ? least : Math.min(least, this.engine.upper[startOf(a.index)]),
      this.model.serveAt
    );
  }
  /** Back to the root. */
  reset() {
    this.engine.undoTo(this.#rootMark);
  }
  /**
   * Puts everything where a solution of the learning solver has it, split steps into what is left, latest first.
   * @returns false where what that solver does not know of (rounds, pieces, pots of several sizes) stands in the way
   */
  place(solution) {
    this.reset();
    const { activities } = this.model;
    const order = activities.filter((a) => !this.engine.placed[a.index]).sort((a, b) => Number(isLoose(a, solution)) - Number(isLoose(b, solution)) || endIn(solution, b) - endIn(solution, a));
    for (const activity of order) {
      const start = solution.starts[activity.index];
      const end = endIn(solution, activity);
      const pieces = activity.minPiece === void 0 ? [[start, end]] : solution.pieces.get(activity.index);
      const wishedCooks = solution.cooks.get(activity.index);
      if (pieces) {
        const who = activity.minPiece === void 0 ? void 0 : wishedCooks?.find((c2) => c2 !== void 0);
        const placement = { start, end, pieces, wishedCooks, ...who === void 0 ? {} : { cook: who } };
        if (this.engine.commit(activity, placement) !== void 0) return false;
        continue;
      }
      const mark = this.engine.mark();
      let placed = false;
      for (const placement of this.#splitCandidates(activity, end - activity.minutes)) {
        placed = this.engine.commit(activity, placement) === void 0;
        if (placed) break;
        this.engine.undoTo(mark);
      }
      if (!placed) return false;
    }
    return true;
  }
  /** A plan within a budget of conflicts, over restarts. */
  run(budget, guide, stop) {
    let conflicts = 0;
    let restart = 0;
    for (; conflicts < budget && (restart === 0 || !stop()); restart++) {
      const allowed = Math.min(budget - conflicts, 30 * luby(restart + 1));
      this.#restart = restart;
      this.#tries = Math.min(4 * MOST_TRIES, MOST_TRIES + 3 * restart);
      this.reset();
      const spent = this.#dive(allowed, restart === 0 ? 0 : 45 + 15 * Math.min(restart, 20), guide, stop);
      if (spent.done) return { status: "found", engine: this.engine, conflicts: conflicts + spent.conflicts };
      conflicts += Math.max(1, spent.conflicts);
    }
    const [worst] = [...this.#failures].sort((a, b) => b[1] - a[1]);
    const [activity, rule] = (worst?.[0] ?? `${this.engine.failed.activity} ${this.engine.failed.rule}`).split(" ");
    return { status: "none", proved: false, activity: Number(activity), rule: rule ?? "", conflicts };
  }
  #dive(budget, noise, guide, stop) {
    const { engine } = this;
    const shake = Array.from(this.#bonus, (bonus) => bonus + (noise ? this.random() * noise : 0));
    const stack = [];
    let conflicts = 0;
    for (; ; ) {
      const next = this.#choose(shake);
      if (!next) return { done: true, conflicts };
      let frame = { activity: next, mark: engine.mark(), candidates: this.#candidates(next, guide), hint: void 0 };
      while (frame) {
        const candidate = frame.candidates.next(frame.hint);
        if (candidate.done) {
          engine.undoTo(frame.mark);
          this.#bonus[frame.activity.index] = Math.min(1e4, this.#bonus[frame.activity.index] + 90);
          if (guide.frozen?.has(frame.activity.index)) return { done: false, conflicts: budget };
          frame = stack.pop();
          if (!frame || ++conflicts >= budget) return { done: false, conflicts: conflicts + 1 };
          engine.undoTo(frame.mark);
          frame.hint = void 0;
          continue;
        }
        const hint = engine.commit(frame.activity, candidate.value);
        if (hint === void 0) break;
        conflicts++;
        const { activity, rule } = engine.failed;
        const key = `${activity} ${rule}`;
        this.#failures.set(key, (this.#failures.get(key) ?? 0) + 1);
        this.#bonus[activity] = Math.min(1e4, this.#bonus[activity] + 15);
        engine.undoTo(frame.mark);
        frame.hint = hint;
        if (conflicts >= budget || conflicts % 16 === 0 && stop()) return { done: false, conflicts };
      }
      if (!frame) return { done: false, conflicts: conflicts + 1 };
      stack.push(frame);
    }
  }
  /** What has hardly any room left goes at once, so that a tight chain stands or falls together; else what can end last. */
  #choose(shake) {
    const { lower, upper, placed } = this.engine;
    let best;
    let bestKey = Number.NEGATIVE_INFINITY;
    for (const activity of this.model.activities) {
      const i = activity.index;
      if (placed[i]) continue;
      const end = upper[endOf(i)];
      const room = end - lower[endOf(i)];
      const key = room <= TIGHT_ROOM_MINUTES ? 1e12 - room : end + shake[i] - room * 1e-6;
      if (key > bestKey) {
        bestKey = key;
        best = activity;
      }
    }
    return best;
  }
  /** Placements worth trying, best first. After a failure the caller hands in the latest start that is worth trying. */
  *#candidates(activity, guide) {
    const wish = guide.starts.get(activity.index);
    if (activity.minPiece !== void 0) return yield* this.#splitCandidates(activity, wish);
    const s = startOf(activity.index);
    const domain = this.engine.domain(s);
    const low = this.engine.lower[s];
    const high = this.engine.upper[s];
    const tried = /* @__PURE__ */ new Set();
    let hint;
    let tries = 0;
    const offer = (start) => {
      if (start === void 0 || start < low || start > high || tried.has(start)) return void 0;
      tried.add(start);
      return this.#placementAt(activity, start);
    };
    const frozen = guide.frozen?.has(activity.index);
    const wishes = [];
    if (wish !== void 0)
      wishes.push(
        ...frozen ? [wish] : [
          latestAtOrBefore(domain, wish),
          earliestAtOrAfter(domain, wish),
          wish > high ? high : void 0,
          wish < low ? low : void 0
        ]
      );
    if (!frozen) wishes.push(latestAtOrBefore(domain, Math.min(high, this.#latestAtBest(activity))));
    for (const start of wishes) {
      const placement = offer(start);
      if (placement) hint = (yield placement) ?? hint;
    }
    if (frozen) return;
    let at = high;
    while (at !== void 0 && at >= low && tries < this.#tries) {
      const placement = offer(at);
      hint = void 0;
      if (placement) hint = yield placement;
      const usual = BACKWARD_STEPS[Math.min(tries, BACKWARD_STEPS.length - 1)];
      const step = this.#restart ? Math.ceil(usual * (0.3 + this.random())) : usual;
      tries++;
      at = latestAtOrBefore(domain, hint !== void 0 && hint < at - 1 ? hint : at - step);
    }
  }
  /** The latest start that lets what is made wait as long as is best for it, by what is placed already. */
  #latestAtBest(activity) {
    let latest = Number.POSITIVE_INFINITY;
    for (const t of this.model.takings) {
      if (t.maker !== activity.index || t.batchEnd !== void 0) continue;
      const taker = this.engine.placements[t.taker];
      const best = t.holds.find((h) => h.best)?.best;
      if (taker && best && !t.holds.some((h) => !h.best)) latest = Math.min(latest, taker.start - best[0] - activity.minutes);
    }
    for (const w of this.model.waitings) {
      const to2 = this.engine.placements[w.to >> 1];
      if (w.from >> 1 === activity.index && to2 && w.best)
        latest = Math.min(latest, to2.start - w.best[0] - (w.from & 1 ? activity.minutes : 0));
    }
    return latest;
  }
  #placementAt(activity, start) {
    if (activity.stretch === 0) return { start, end: start + activity.minutes, pieces: [[start, start + activity.minutes]] };
    const e = endOf(activity.index);
    const from2 = Math.max(activity.fact?.end ?? start + activity.minutes, this.engine.lower[e]);
    const end = earliestAtOrAfter(this.engine.domain(e), from2);
    const most = Math.min(Math.max(activity.fact?.end ?? 0, start + activity.minutes + activity.stretch), this.engine.upper[e]);
    if (end === void 0 || end > most) return void 0;
    if (activity.cover && subtract([[activity.fact ? Math.min(end, Math.max(start, this.model.now)) : start, end]], activity.cover).length)
      return void 0;
    return { start, end, pieces: [[start, end]] };
  }
  /** A step that may be put down: its pieces fill one cook's free time backwards from an end. */
  *#splitCandidates(activity, wish) {
    const e = endOf(activity.index);
    const low = this.engine.lower[startOf(activity.index)];
    const lowEnd = this.engine.lower[e];
    const highStart = this.engine.upper[startOf(activity.index)];
    let end = this.engine.upper[e];
    if (wish !== void 0) end = Math.min(end, Math.max(lowEnd, wish + activity.minutes));
    for (let tries = 0; tries < 2 * MOST_TRIES && end !== void 0 && end >= lowEnd; tries++) {
      for (const [at, cook2] of activity.cooks.entries()) {
        let free = intersect(activity.works[at], [[low, end]]);
        free = subtract(free, this.engine.busy(cook2));
        if (activity.cover) free = intersect(free, activity.cover);
        const pieces = piecesBackwards(free, end, activity.minutes, activity.minPiece);
        const first = pieces?.[0];
        if (pieces && first && first[0] >= low && first[0] <= highStart) yield { start: first[0], end, pieces, cook: cook2 };
      }
      end = latestAtOrBefore(this.engine.domain(e), end - BACKWARD_STEPS[Math.min(tries, BACKWARD_STEPS.length - 1)]);
    }
  }
};
function piecesBackwards(free, end, minutes, least) {
  if (minutes === 0) return [[end, end]];
  const smallest = Math.min(least, minutes);
  const pieces = [];
  let rest = minutes;
  for (let i = free.length - 1; i >= 0 && rest > 0; i--) {
    const [from2, to2] = free[i];
    if (pieces.length === 0 && to2 !== end) return void 0;
    let take2 = Math.min(rest, to2 - from2);
    if (take2 < smallest) {
      if (pieces.length === 0) return void 0;
      continue;
    }
    if (rest - take2 > 0 && rest - take2 < smallest) take2 = Math.max(smallest, rest - smallest);
    if (rest - take2 > 0 && rest - take2 < smallest) {
      if (pieces.length === 0) return void 0;
      continue;
    }
    pieces.push([to2 - take2, to2]);
    rest -= take2;
  }
  return rest === 0 ? pieces.reverse() : void 0;
}
function luby(i) {
  for (let k = 1; ; k++) {
    if (i === 2 ** k - 1) return 2 ** (k - 1);
    if (i < 2 ** k - 1) return luby(i - 2 ** (k - 1) + 1);
  }
}

// src/core/planner/learn/cover.ts
var Cover = class {
  /** @param stretches sorted, disjoint; the run lies inside one of them */
  constructor(solver, from2, to2, stretches) {
    this.solver = solver;
    this.from = from2;
    this.to = to2;
    this.stretches = stretches;
  }
  solver;
  from;
  to;
  stretches;
  cost = 0;
  bounds() {
    const { from: from2, to: to2 } = this;
    return [2 * from2.v, 2 * from2.v + 1, 2 * to2.v, 2 * to2.v + 1];
  }
  propagate() {
    const { solver, from: from2, to: to2, stretches } = this;
    const last = stretches.at(-1);
    const first = stretches[0];
    if (!first || !last) return true;
    const latest = solver.high(from2.v) + from2.plus;
    const after = stretches.findLast(([a]) => a <= latest);
    if (after) {
      const next = stretches.find(([a]) => a > latest);
      solver.begin();
      if (next) solver.because(2 * from2.v + 1, from2.plus - (next[0] - 1));
      if (!solver.conclude(2 * to2.v + 1, to2.plus - after[1])) return false;
    }
    const earliest = solver.low(to2.v) + to2.plus;
    const before = stretches.find(([, b]) => b >= earliest);
    const previous = stretches.findLast(([, b]) => b < earliest);
    if (before) {
      solver.begin();
      if (previous) solver.because(2 * to2.v, previous[1] + 1 - to2.plus);
      if (!solver.conclude(2 * from2.v, before[0] - from2.plus)) return false;
    }
    return true;
  }
};

// src/core/planner/learn/cumulative.ts
var Cumulative = class {
  /** @param tasks at least one, sizes over 0, in the unit of `capacity` */
  constructor(solver, capacity, tasks) {
    this.solver = solver;
    this.capacity = capacity;
    this.tasks = tasks;
    this.#points = new Int32Array(2 * tasks.length);
    this.#order = Int32Array.from({ length: 2 * tasks.length }, (_, i) => i);
    this.#at = new Int32Array(2 * tasks.length);
    this.#heights = new Int32Array(2 * tasks.length);
    this.#least = Math.min(...tasks.map((t) => t.size));
  }
  solver;
  capacity;
  tasks;
  cost = 1;
  #points;
  #order;
  #least;
  #at;
  #heights;
  #segments = 0;
  /** Bounds whose change may make it push. */
  bounds() {
    return this.tasks.flatMap((t) => [2 * t.from.v, 2 * t.from.v + 1, 2 * t.to.v, 2 * t.to.v + 1, ...t.when >= 0 ? [t.when] : []]);
  }
  #latestStart(t) {
    return this.solver.high(t.from.v) + t.from.plus;
  }
  #earliestEnd(t) {
    return this.solver.low(t.to.v) + t.to.plus;
  }
  propagate() {
    const { tasks, solver, capacity } = this;
    const points = this.#points;
    const order = this.#order;
    for (let i = 0; i < tasks.length; i++) {
      const t = tasks[i];
      const from2 = this.#latestStart(t);
      const to2 = t.when >= 0 && !solver.isTrue(t.when) ? from2 : this.#earliestEnd(t);
      points[2 * i] = from2;
      points[2 * i + 1] = Math.max(from2, to2);
    }
    for (let i = 1; i < order.length; i++) {
      const p = order[i];
      const minute = points[p];
      let j = i - 1;
      for (; j >= 0 && points[order[j]] > minute; j--) order[j + 1] = order[j];
      order[j + 1] = p;
    }
    const at = this.#at;
    const heights = this.#heights;
    let count2 = 0;
    let peak = 0;
    let height = 0;
    for (let i = 0; i < order.length; ) {
      const minute = points[order[i]];
      let changed = count2 === 0;
      for (; i < order.length && points[order[i]] === minute; i++) {
        const p = order[i];
        if (points[p & ~1] === points[p | 1]) continue;
        height += p & 1 ? -tasks[p >> 1].size : tasks[p >> 1].size;
        changed = true;
      }
      if (height > capacity) {
        solver.begin();
        this.#blame(minute, -1, height - capacity);
        return solver.contradict();
      }
      if (!changed) continue;
      at[count2] = minute;
      heights[count2++] = height;
      if (height > peak) peak = height;
    }
    this.#segments = count2;
    if (peak + this.#least <= capacity || peak === 0) return true;
    for (let i = 0; i < tasks.length; i++) {
      const t = tasks[i];
      if (peak + t.size <= capacity || t.when >= 0 && solver.isFalse(t.when)) continue;
      const present = t.when < 0 || solver.isTrue(t.when);
      const still = solver.isFixed(t.from.v) && solver.isFixed(t.to.v);
      if (present ? !still && !(this.#pushStart(i, t) && this.#pushEnd(i, t)) : still && !this.#shutOut(i, t)) return false;
    }
    return true;
  }
  /** The segment that holds a minute, or the first. */
  #segmentAt(minute) {
    let low = 0;
    let high = this.#segments;
    while (low < high) {
      const mid = low + high >> 1;
      if (this.#at[mid] <= minute) low = mid + 1;
      else high = mid;
    }
    return Math.max(0, low - 1);
  }
  /** The tasks that surely run at a minute, as reason; `spare` may be left out. */
  #blame(minute, but, spare) {
    const { tasks, solver } = this;
    let left = spare - 1;
    for (let j = 0; j < tasks.length; j++) {
      if (j === but || this.#points[2 * j] > minute || this.#points[2 * j + 1] <= minute) continue;
      const t = tasks[j];
      if (t.size <= left) {
        left -= t.size;
        continue;
      }
      solver.because(2 * t.from.v + 1, t.from.plus - minute);
      solver.because(2 * t.to.v, minute + 1 - t.to.plus);
      if (t.when >= 0) solver.because(t.when, truth(t.when));
    }
  }
  /** Whether a segment has no room for a task, its own share left out. */
  #isFull(segment, i, size) {
    const height = this.#heights[segment];
    if (height + size <= this.capacity) return false;
    const a = this.#at[segment];
    return this.#points[2 * i] > a || this.#points[2 * i + 1] <= a;
  }
  #pushStart(i, t) {
    const { solver } = this;
    for (let k = this.#segmentAt(solver.low(t.from.v) + t.from.plus); k + 1 < this.#segments; k++) {
      const a = this.#at[k];
      if (a >= this.#earliestEnd(t)) break;
      if (!this.#isFull(k, i, t.size)) continue;
      const b = this.#at[k + 1];
      for (; ; ) {
        const start = solver.low(t.from.v) + t.from.plus;
        const end = this.#earliestEnd(t);
        if (start >= b || end <= a) break;
        const minute = Math.min(b, end) - 1;
        if (minute < start) break;
        solver.begin();
        solver.because(2 * t.to.v, minute + 1 - t.to.plus);
        if (t.when >= 0) solver.because(t.when, truth(t.when));
        this.#blame(minute, i, this.#heights[k] + t.size - this.capacity);
        if (!solver.conclude(2 * t.from.v, minute + 1 - t.from.plus)) return false;
        if (solver.low(t.from.v) + t.from.plus <= start) break;
      }
    }
    return true;
  }
  #pushEnd(i, t) {
    const { solver } = this;
    for (let k = this.#segmentAt(solver.high(t.to.v) + t.to.plus - 1); k >= 0; k--) {
      const b = k + 1 < this.#segments ? this.#at[k + 1] : Number.POSITIVE_INFINITY;
      if (b <= this.#latestStart(t)) break;
      if (!this.#isFull(k, i, t.size)) continue;
      const a = this.#at[k];
      for (; ; ) {
        const start = this.#latestStart(t);
        const end = solver.high(t.to.v) + t.to.plus;
        if (end <= a || start >= b) break;
        const minute = Math.max(a, start);
        if (minute >= end) break;
        solver.begin();
        solver.because(2 * t.from.v + 1, t.from.plus - minute);
        if (t.when >= 0) solver.because(t.when, truth(t.when));
        this.#blame(minute, i, this.#heights[k] + t.size - this.capacity);
        if (!solver.conclude(2 * t.to.v + 1, t.to.plus - minute)) return false;
        if (solver.high(t.to.v) + t.to.plus >= end) break;
      }
    }
    return true;
  }
  /** An optional task that stands still where there is no room is not there. */
  #shutOut(i, t) {
    const { solver } = this;
    const from2 = solver.low(t.from.v) + t.from.plus;
    const to2 = this.#earliestEnd(t);
    for (let k = this.#segmentAt(from2); k + 1 < this.#segments && this.#at[k] < to2; k++) {
      if (this.#at[k + 1] <= from2 || !this.#isFull(k, i, t.size)) continue;
      const minute = Math.max(from2, this.#at[k]);
      solver.begin();
      solver.because(2 * t.from.v + 1, t.from.plus - minute);
      solver.because(2 * t.to.v, minute + 1 - t.to.plus);
      this.#blame(minute, i, this.#heights[k] + t.size - this.capacity);
      return solver.conclude(t.when ^ 1, truth(t.when ^ 1));
    }
    return true;
  }
};

// src/core/planner/learn/encode-equipment.ts
var MOST_TRIPLES = 4e3;
function spansOf(e, kinds) {
  const { model } = e;
  const spans = [];
  const now = model.now - e.base;
  for (const activity of model.activities) {
    for (const need of activity.needs) {
      if (!kinds(need.use.what)) continue;
      const add = (from2, to2, when = -1) => {
        const past = activity.fact?.done && need.use.until === void 0;
        const begin = past ? e.fixed(model.now) : from2;
        if (past && e.latest(to2) <= now) return;
        if (e.latest(to2) > e.earliest(begin)) spans.push({ activity, need, from: begin, to: to2, when });
      };
      const first = model.first.get(activity.step.ref) ?? activity.index;
      const last = model.lastOf.get(activity.step.ref) ?? activity.index;
      const start = e.start[activity.index];
      const end = e.end[activity.index];
      if (typeof need.span === "object") {
        if (activity.index === last) add(e.start[first], e.end[need.span.until]);
      } else if (need.span === "hands") {
        if (activity.fact) continue;
        for (const h of e.hands) if (h.activity === activity.index) add(h.from, h.to, h.even ? e.evenPieces : -1);
      } else if (need.throughout && first !== last) {
        if (activity.index === last) add(e.start[first], end);
      } else if (activity.minPiece === void 0 || isWare(need.use.what)) add(start, end);
      else add(start, end, e.evenPieces);
    }
  }
  return spans;
}
function encodeUnits(e) {
  const { model } = e;
  const byKind = groupedBy(
    spansOf(e, isUnitLike).filter((s) => s.need.fitting.length > 0),
    (s) => s.need.use.what
  );
  for (const [kind, spans] of byKind) {
    const units = model.units.get(kind) ?? [];
    const cleaning = (fitting) => Math.min(...fitting.map((u) => units[u]?.clean ?? 0));
    for (let i = 0; i < spans.length; i++) {
      const p = spans[i];
      for (let j = i + 1; j < spans.length; j++) {
        const q = spans[j];
        if (p.activity === q.activity) continue;
        const either = [.../* @__PURE__ */ new Set([...p.need.fitting, ...q.need.fitting])];
        if (p.need.use.count + q.need.use.count <= either.length) continue;
        oneAtATime(e, p, q, p.activity.step === q.activity.step ? 0 : cleaning(either));
      }
    }
    const sets = /* @__PURE__ */ new Map();
    for (const s of spans) sets.set([...s.need.fitting].sort().join(), s.need.fitting);
    for (const fitting of sets.values()) {
      const inside = spans.filter((s) => s.need.fitting.every((u) => fitting.includes(u)));
      const clean = inside.some((s) => s.activity.step.each) ? 0 : cleaning(fitting);
      if (fitting.length < 2 || inside.reduce((sum, s) => sum + s.need.use.count, 0) <= fitting.length) continue;
      e.share(
        inside.map((s) => ({ from: s.from, to: { v: s.to.v, plus: s.to.plus + clean }, size: s.need.use.count, when: s.when })),
        fitting.length
      );
    }
  }
}
function oneAtATime(e, p, q, gap) {
  if (gap === 0 && isOrdered(e, p, q) || p.activity.fact && q.activity.fact) return;
  e.apart(p, q, [gap, gap], [underAny(p, q)], [p.activity.index, q.activity.index]);
}
function isOrdered(e, p, q) {
  const last = (s) => typeof s.need.span === "object" ? s.need.span.until : s.activity.index;
  const first = (s) => e.model.first.get(s.activity.step.ref) ?? s.activity.index;
  return e.precedes(last(p), first(q)) || e.precedes(last(q), first(p));
}
function encodeHeat(e) {
  const { model } = e;
  const byKind = groupedBy(
    spansOf(e, (kind) => HEATED.includes(kind)),
    (s) => s.need.use.what
  );
  for (const [kind, spans] of byKind) {
    const equipment2 = model.dish.equipment.filter((e2) => e2.kind === kind);
    const inMl = kind === "bath";
    const room = equipment2.reduce((sum, e2) => sum + (inMl ? e2.litres ?? Number.POSITIVE_INFINITY : e2.racks), 0);
    const size = (s) => inMl ? s.need.use.litres : s.need.use.racks;
    if (Number.isFinite(room))
      e.addCapacity(
        spans.map((s) => ({ from: s.from, to: s.to, size: size(s), when: s.when })),
        room
      );
    const only = equipment2[0];
    const clashes = [];
    if (equipment2.length !== 1 || !only) continue;
    for (let i = 0; i < spans.length; i++) {
      const p = spans[i];
      for (let j = i + 1; j < spans.length; j++) {
        const q = spans[j];
        if (p.activity === q.activity) continue;
        const [a, b] = [p.need.use, q.need.use];
        const apart = Math.max(0, Math.abs(a.tempC - b.tempC) - a.toleranceC - b.toleranceC);
        const modes = a.mode !== "any" && b.mode !== "any" && a.mode !== b.mode;
        if (apart === 0 && !modes && size(p) + size(q) <= room + 1e-6) continue;
        const ramps = (a.ramp || b.ramp) && componentOf(p.activity.step.ref) === componentOf(q.activity.step.ref);
        const begun = p.activity.fact && q.activity.fact;
        if (begun) continue;
        const gapsFor = (degrees) => {
          const [rise, fall] = ramps ? [0, 0] : [minutesToChange(only, 0, degrees), minutesToChange(only, degrees, 0)];
          return b.tempC > a.tempC ? [rise, fall] : [fall, rise];
        };
        const gaps = gapsFor(apart);
        const wished = gapsFor(Math.abs(a.tempC - b.tempC));
        if (Math.max(...wished) === 0 && isOrdered(e, p, q)) continue;
        e.apart(p, q, gaps, [underAny(p, q)], [p.activity.index, q.activity.index]);
        if (wished[0] > gaps[0] || wished[1] > gaps[1]) e.apart(p, q, wished, [[e.wishedHeat]], [p.activity.index, q.activity.index]);
        if (apart > 0 || modes) clashes.push([p, q]);
      }
    }
    addShared(e, spans, clashes);
  }
}
function addShared(e, spans, clashes) {
  const { solver } = e;
  const clash = (p, q) => clashes.some(([a, b]) => a === p && b === q || a === q && b === p);
  const known = /* @__PURE__ */ new Map();
  const before = (p, q) => {
    const key = `${spans.indexOf(p)} ${spans.indexOf(q)}`;
    if (!known.has(key)) {
      const literal = e.earliest(p.to) <= e.latest(q.from) ? solver.newLiteral() : void 0;
      if (literal !== void 0) e.lag(p.to, q.from, 0, literal);
      known.set(key, literal);
    }
    return known.get(key);
  };
  let triples = 0;
  for (const [p, q] of clashes) {
    for (const between of spans) {
      if (between === p || between === q || clash(between, p) || clash(between, q) || between.need.use.ramp) continue;
      for (const [a, c2] of [
        [p, q],
        [q, p]
      ]) {
        if (e.earliest(between.from) >= e.latest(a.to) || e.latest(between.to) <= e.earliest(c2.from)) continue;
        if (e.earliest(a.to) > e.latest(c2.from) || ++triples > MOST_TRIPLES) continue;
        const [ca, bc, ab] = [before(c2, a), before(between, c2), before(a, between)];
        const lits = [ca, bc, ab].flatMap((l) => l === void 0 ? [] : [l, truth(l)]);
        solver.addClause([...lits, ...underAny(p, q, between).flatMap((l) => [l ^ 1, truth(l ^ 1)])]);
      }
    }
  }
}
function groupedBy(list, key) {
  const groups = /* @__PURE__ */ new Map();
  for (const item of list) groups.set(key(item), [...groups.get(key(item)) ?? [], item]);
  return groups;
}
var underAny = (...spans) => [...new Set(spans.map((s) => s.when))].filter((l) => l >= 0);

// src/core/planner/learn/alternatives.ts
var Alternatives = class {
  constructor(solver, pieces) {
    this.solver = solver;
    this.pieces = pieces;
    this.#works = pieces.map((p) => p.options.map((o) => Int32Array.from(o.works.flat())));
    this.#blocks = Array.from({ length: 1 + Math.max(0, ...pieces.flatMap((p) => p.options.map((o) => o.cook))) }, () => []);
    this.#from = new Int32Array(pieces.length);
    this.#to = new Int32Array(pieces.length);
    this.#by = new Int32Array(pieces.length);
  }
  solver;
  pieces;
  cost = 2;
  /** Calendars as pairs of minutes, flat, by piece and option. */
  #works;
  /** Blocks of each cook, by index of the piece, in order of their sure beginning; and until when they surely last. */
  #blocks;
  #from;
  #to;
  #by;
  #reasons = [];
  bounds() {
    return this.pieces.flatMap((p) => [
      2 * p.v,
      2 * p.v + 1,
      ...p.when >= 0 ? [p.when] : [],
      ...p.options.flatMap((o) => o.does >= 0 ? [o.does, o.does ^ 1] : [])
    ]);
  }
  propagate() {
    const { solver, pieces } = this;
    for (const list of this.#blocks) list.length = 0;
    for (let i = 0; i < pieces.length; i++) {
      const piece = pieces[i];
      const from2 = solver.high(piece.v) + piece.plus;
      const to2 = solver.low(piece.v) + piece.plus + piece.minutes;
      if (from2 >= to2 || piece.when >= 0 && !solver.isTrue(piece.when)) continue;
      for (const o of piece.options) {
        if (o.does >= 0 && !solver.isTrue(o.does)) continue;
        this.#from[i] = from2;
        this.#to[i] = to2;
        this.#by[i] = o.does;
        this.#blocks[o.cook].push(i);
      }
    }
    for (let i = 0; i < pieces.length; i++) {
      const piece = pieces[i];
      if (piece.options.length < 2 || piece.when >= 0 && !solver.isTrue(piece.when)) continue;
      if (solver.isFixed(piece.v) && piece.options.some((o) => solver.isTrue(o.does)) && this.#fits(i, piece)) continue;
      if (!this.#narrow(i, piece, true) || !this.#narrow(i, piece, false)) return false;
    }
    return true;
  }
  /** Whether a piece whose time and cook are known lies in that cook's hours; that it meets nothing else is seen to by the orders. */
  #fits(i, piece) {
    const at = this.solver.low(piece.v) + piece.plus;
    const o = piece.options.findIndex((x) => this.solver.isTrue(x.does));
    return firstFit(this.#works[i][o], at, piece.minutes) === at;
  }
  #blockAt(cook2, piece, start) {
    for (const i of this.#blocks[cook2]) {
      if (this.#from[i] < start + piece.minutes && start < this.#to[i] && this.pieces[i].owner !== piece.owner)
        return i;
    }
    return -1;
  }
  #narrow(index, piece, forward) {
    const { solver } = this;
    const reasons = this.#reasons;
    const low = solver.low(piece.v) + piece.plus;
    const high = solver.high(piece.v) + piece.plus;
    reasons.length = 0;
    let best = NONE2;
    for (let o = 0; o < piece.options.length; o++) {
      const option = piece.options[o];
      const works = this.#works[index][o];
      if (solver.isFalse(option.does)) {
        reasons.push(option.does ^ 1, truth(option.does ^ 1));
        continue;
      }
      const before = reasons.length;
      let at = forward ? low : high;
      for (; ; ) {
        at = forward ? firstFit(works, at, piece.minutes) : lastFit(works, at, piece.minutes);
        if (at === NONE2 || (forward ? at > high : at < low)) {
          at = NONE2;
          break;
        }
        const block = this.#blockAt(option.cook, piece, at);
        if (block < 0) break;
        const other = this.pieces[block];
        const [from2, to2] = [this.#from[block], this.#to[block]];
        reasons.push(2 * other.v + 1, other.plus - from2, 2 * other.v, to2 - other.minutes - other.plus);
        if (this.#by[block] >= 0) reasons.push(this.#by[block], truth(this.#by[block]));
        if (other.when >= 0) reasons.push(other.when, truth(other.when));
        at = forward ? to2 : from2 - piece.minutes;
      }
      if (at === NONE2) {
        solver.begin();
        solver.because(2 * piece.v, low - piece.plus);
        solver.because(2 * piece.v + 1, piece.plus - high);
        if (piece.when >= 0) solver.because(piece.when, truth(piece.when));
        for (let i = before; i < reasons.length; i += 2) solver.because(reasons[i], reasons[i + 1]);
        if (!solver.conclude(option.does ^ 1, truth(option.does ^ 1))) return false;
        reasons.length = before;
        reasons.push(option.does ^ 1, truth(option.does ^ 1));
      } else if (best === NONE2 || (forward ? at < best : at > best)) best = at;
    }
    if (best === NONE2 || (forward ? best <= low : best >= high)) return true;
    solver.begin();
    if (forward) solver.because(2 * piece.v, low - piece.plus);
    else solver.because(2 * piece.v + 1, piece.plus - high);
    if (piece.when >= 0) solver.because(piece.when, truth(piece.when));
    for (let i = 0; i < reasons.length; i += 2) solver.because(reasons[i], reasons[i + 1]);
    return forward ? solver.conclude(2 * piece.v, best - piece.plus) : solver.conclude(2 * piece.v + 1, piece.plus - best);
  }
};
var NONE2 = -2e9;
function firstFit(works, at, minutes) {
  let low = 0;
  let high = works.length >> 1;
  while (low < high) {
    const mid = low + high >> 1;
    if (works[2 * mid + 1] - minutes < at) low = mid + 1;
    else high = mid;
  }
  for (let i = 2 * low; i < works.length; i += 2)
    if (works[i + 1] - works[i] >= minutes) return Math.max(works[i], at);
  return NONE2;
}
function lastFit(works, at, minutes) {
  let low = 0;
  let high = works.length >> 1;
  while (low < high) {
    const mid = low + high >> 1;
    if (works[2 * mid] <= at) low = mid + 1;
    else high = mid;
  }
  for (let i = 2 * (low - 1); i >= 0; i -= 2)
    if (works[i + 1] - works[i] >= minutes) return Math.min(works[i + 1] - minutes, at);
  return NONE2;
}

// src/core/planner/learn/encode-hands.ts
function encodeHands(e) {
  const { model, solver } = e;
  for (const activity of model.activities) addHandsOf(e, activity);
  for (let i = 0; i < e.hands.length; i++) {
    const p = e.hands[i];
    for (let j = i + 1; j < e.hands.length; j++) {
      const q = e.hands[j];
      if (p.activity === q.activity || e.isFact(p.activity) && e.isFact(q.activity) || e.precedes(p.activity, q.activity) || e.precedes(q.activity, p.activity))
        continue;
      const unless = [];
      for (const a of p.options) {
        const b = q.options.find((o) => o.cook === a.cook);
        if (b) unless.push([a.does, b.does, p.even || q.even ? e.evenPieces : -1].filter((l) => l >= 0));
      }
      if (unless.length) e.apart(p, q, [0, 0], unless, [p.activity, q.activity]);
    }
  }
  if (model.dish.cooks.length < 2) return;
  const pieces = e.hands.filter((h) => h.minutes > 0).map(
    (h) => ({
      owner: h.activity,
      v: h.from.v,
      plus: h.from.plus,
      minutes: h.minutes,
      when: h.even ? e.evenPieces : -1,
      options: h.options
    })
  );
  if (pieces.some((p) => p.options.length > 1)) {
    const alternatives = new Alternatives(solver, pieces);
    solver.addPropagator(alternatives, alternatives.bounds());
  }
  if (e.hands.some((h) => h.options.length > 1)) addTeam(e);
}
function addTeam(e) {
  const { model } = e;
  const cooks = model.dish.cooks.length;
  const tasks = e.hands.filter((h) => !h.even && h.options.every((o) => o.works.length > 0)).map((h) => ({ from: h.from, to: h.to, size: 1, when: -1 }));
  for (let c2 = 0; c2 < cooks; c2++) {
    const works = model.activities.filter((a) => a.cooks.includes(c2)).map((a) => a.works[a.cooks.indexOf(c2)]);
    const widest = works.reduce((a, b) => minutesOf2(b) > minutesOf2(a) ? b : a, []);
    if (works.some((w) => minutesOf2(intersect(w, widest)) < minutesOf2(w))) continue;
    let at = model.now - 1440;
    for (const [from2, to2] of [...widest, [model.last + 1440, model.last + 1440]]) {
      if (from2 > at) tasks.push({ from: e.fixed(at), to: e.fixed(from2), size: 1, when: -1 });
      at = to2;
    }
  }
  e.share(tasks, cooks);
}
function addHandsOf(e, activity) {
  const { model } = e;
  const { fact } = activity;
  if (fact?.done) return;
  if (activity.minPiece !== void 0 && !fact) {
    addPieces(e, activity, activity.minPiece);
    return;
  }
  const start = e.start[activity.index];
  const end = e.end[activity.index];
  activity.parts.forEach((part, i) => {
    const last = i === activity.parts.length - 1;
    const open = last && activity.step.attention === "hands" && (activity.stretch > 0 || fact);
    let from2 = part.atEnd && (activity.stretch > 0 || fact) ? { v: end.v, plus: end.plus - part.minutes } : { v: start.v, plus: start.plus + (part.atEnd ? activity.minutes - part.minutes : part.offset) };
    const to2 = open ? end : part.atEnd && (activity.stretch > 0 || fact) ? end : { v: from2.v, plus: from2.plus + part.minutes };
    if (fact) {
      if (from2.v === e.zero) from2 = { ...from2, plus: Math.max(from2.plus, Math.min(model.now - e.base, e.latest(to2))) };
      if (e.latest(from2) >= e.latest(to2)) return;
      if (activity.cooks.length === 1)
        e.hands.push({
          activity: activity.index,
          part: i,
          from: from2,
          to: to2,
          minutes: 0,
          options: [{ cook: activity.cooks[0], does: -1, works: [] }],
          even: false
        });
      return;
    }
    const options = cooksFor(e, activity, [{ from: from2, minutes: part.minutes }]);
    e.hands.push({ activity: activity.index, part: i, from: from2, to: to2, minutes: open ? 0 : part.minutes, options, even: false });
  });
}
function cooksFor(e, activity, pieces) {
  const { solver } = e;
  const able = activity.cooks.map((cook2, c2) => ({ cook: cook2, works: shift(activity.works[c2], -e.base) })).filter(
    ({ works }) => pieces.every(
      ({ from: from2, minutes }) => startsFitting(works, minutes, [-1e9, 1e9]).some(([a, b]) => a <= e.latest(from2) && b > e.earliest(from2))
    )
  );
  const options = able.map((o) => ({ ...o, does: able.length > 1 ? solver.newLiteral() : -1 }));
  if (options.length > 1) {
    solver.addClause(options.flatMap((o) => [o.does, truth(o.does)]));
    options.forEach((a, x) => {
      for (const b of options.slice(x + 1)) solver.addClause([a.does ^ 1, truth(a.does ^ 1), b.does ^ 1, truth(b.does ^ 1)]);
    });
  }
  return options;
}
function addPieces(e, activity, least) {
  const { solver, evenPieces } = e;
  const { index, minutes } = activity;
  if (minutes === 0) return;
  const start = e.start[index];
  const end = e.end[index];
  if (minutes < 2 * least) {
    const options2 = cooksFor(e, activity, [{ from: start, minutes }]);
    e.hands.push({ activity: index, part: 0, from: start, to: end, minutes, options: options2, even: false });
    e.pieces.set(index, [{ from: start, minutes }]);
    return;
  }
  const last = { v: end.v, plus: end.plus - least };
  const options = cooksFor(e, activity, [
    { from: start, minutes: least },
    { from: last, minutes: least }
  ]);
  e.hands.push(
    { activity: index, part: -1, from: start, to: { v: start.v, plus: start.plus + least }, minutes: least, options, even: false },
    { activity: index, part: -1, from: last, to: end, minutes: least, options, even: false }
  );
  const count2 = Math.floor(minutes / least);
  const pieces = Array.from({ length: count2 }, (_, k) => {
    const length = Math.floor((k + 1) * minutes / count2) - Math.floor(k * minutes / count2);
    const starts = intersect(unionOf(options.map((o) => startsFitting(o.works, length, [-1e9, 1e9]))), [
      [e.earliest(start), e.latest(end) - length + 1]
    ]);
    if (starts.length === 0) {
      solver.assert(evenPieces ^ 1, truth(evenPieces ^ 1));
      return { from: start, minutes: length };
    }
    return { from: { v: solver.newVariable(starts[0]?.[0] ?? 0, (starts.at(-1)?.[1] ?? 1) - 1, starts), plus: 0 }, minutes: length };
  });
  const both = (a, b) => {
    e.lag(a, b, 0, evenPieces);
    e.lag(b, a, 0, evenPieces);
  };
  pieces.forEach(({ from: from2, minutes: length }, k) => {
    const to2 = { v: from2.v, plus: from2.plus + length };
    if (k === 0) both(start, from2);
    if (k === count2 - 1) both(to2, end);
    const next = pieces[k + 1];
    if (next) e.lag(to2, next.from, 0, evenPieces);
    e.hands.push({ activity: index, part: k, from: from2, to: to2, minutes: length, options, even: true });
  });
  e.pieces.set(index, pieces);
}
var unionOf = (lists) => union(lists.flat());
var minutesOf2 = (list) => list.reduce((sum, [a, b]) => sum + b - a, 0);

// src/core/planner/learn/encode-waits.ts
function encodeHolds(e) {
  const { model, solver } = e;
  for (const t of model.takings) {
    const taker = model.activities[t.taker];
    const during = t.during !== void 0 && t.maker !== void 0;
    if (taker.fact || t.holds.length === 0 || t.holds.length === 1 && !during) continue;
    const ready = e.readyOf(t);
    const start = e.start[t.taker];
    const literals = t.holds.map((hold2) => {
      const literal = solver.newLiteral();
      e.lag(ready, start, hold2.min, literal);
      if (hold2.max !== void 0) e.lag(start, ready, -hold2.max, literal);
      return literal;
    });
    const inside = during ? solver.newLiteral() : void 0;
    if (inside !== void 0) e.lag(start, ready, 0, inside);
    const all = inside === void 0 ? literals : [...literals, inside];
    solver.addClause(all.flatMap((l) => [l, truth(l)]));
    e.holds.set(t, { literals, during: inside });
  }
}
function encodeStores(e) {
  const { model } = e;
  for (const place of STORES) {
    const room = model.storeLitres.get(place) ?? Number.POSITIVE_INFINITY;
    if (!Number.isFinite(room)) continue;
    const tasks = spansOf(e, (kind) => kind === place).map((s) => ({
      from: s.from,
      to: s.to,
      size: s.need.use.litres,
      when: s.when
    }));
    for (const w of model.waitings) {
      if (w.place === place && w.litres > 0) tasks.push({ from: e.moment(w.from), to: e.moment(w.to), size: w.litres, when: -1 });
    }
    for (const takings of groupedBy(model.takings, (t) => t.output).values()) {
      const holds = takings[0]?.holds ?? [];
      holds.forEach((hold2, h) => {
        if (hold2.place !== place || hold2.litres <= 0) return;
        tasks.push(...keptUnder(e, takings, h, hold2.litres));
      });
    }
    e.addCapacity(tasks, room);
  }
}
function keptUnder(e, takings, hold2, litres) {
  const { solver } = e;
  const one = takings[0];
  if (!one) return [];
  const made = one.maker === void 0 ? e.fixed(one.readyAt) : e.end[one.maker];
  const literal = (t) => e.holds.get(t)?.literals[hold2] ?? -1;
  const live = takings.filter((t) => !e.model.activities[t.taker]?.fact && t.holds.length > hold2);
  if (live.length === 0 || live.some((t) => t.maker !== one.maker)) return [];
  if (live.length === 1) {
    const t = live[0];
    return [{ from: made, to: e.end[t.taker], size: litres, when: literal(t) }];
  }
  const until = solver.newVariable(Math.min(...live.map((t) => e.earliest(e.end[t.taker]))), e.model.last - e.base);
  for (const t of live) e.lag(e.end[t.taker], { v: until, plus: 0 }, 0, literal(t));
  if (live.some((t) => literal(t) < 0)) return [{ from: made, to: { v: until, plus: 0 }, size: litres, when: -1 }];
  const used = solver.newLiteral();
  for (const t of live) solver.addClause([used, truth(used), literal(t) ^ 1, truth(literal(t) ^ 1)]);
  return [{ from: made, to: { v: until, plus: 0 }, size: litres, when: used }];
}

// src/core/planner/learn/encode.ts
var ML = 1e3;
var Encoding = class {
  constructor(model) {
    this.model = model;
    this.base = model.serveAt;
    const { solver } = this;
    this.zero = solver.newVariable(0, 0);
    this.evenPieces = solver.newLiteral();
    this.wishedHeat = solver.newLiteral();
    for (const activity of model.activities) this.#addVariables(activity);
    this.beginning = solver.newVariable(Math.min(0, ...this.start.map((m) => solver.low(m.v) + m.plus)), 0);
    model.activities.forEach((a, i) => {
      if (a.step.ref !== "") this.lag({ v: this.beginning, plus: 0 }, this.start[i], 0);
    });
    for (const { from: from2, to: to2, lag } of model.lags) this.lag(this.moment(from2), this.moment(to2), lag);
    for (const activity of model.activities) this.#addCover(activity);
    this.#after = reachable(model);
    solver.settle();
    encodeHands(this);
    encodeUnits(this);
    encodeHeat(this);
    encodeHolds(this);
    encodeStores(this);
    solver.settle();
  }
  model;
  solver = new Solver();
  start = [];
  end = [];
  /** The variable that no start is before. */
  beginning;
  /** Solver minutes are the model's less this. */
  base;
  hands = [];
  /** The literals of the holds of a taking, where there are several; `during` comes last. */
  holds = /* @__PURE__ */ new Map();
  /**
   * Assumed for finding plans, not for proofs: split steps are cut into even pieces, as short as they may be.
   * Without it only the first and the last piece of a split step are seen.
   */
  evenPieces;
  /** Assumed for finding plans where without it they fail: heat changes from wish to wish, tolerances unused. */
  wishedHeat;
  /** The moments at which the even pieces of a split activity begin, and how long each is. */
  pieces = /* @__PURE__ */ new Map();
  /** Literals of order, with the activities that they put one after the other. */
  orders = [];
  /** Always 0: moments that are known hang on it. */
  zero;
  #after;
  /** The moment of one of the model's variables (starts and ends by activity). */
  moment(variable) {
    return (variable & 1 ? this.end : this.start)[variable >> 1];
  }
  fixed(minute) {
    return { v: this.zero, plus: minute - this.base };
  }
  earliest(m) {
    return this.solver.low(m.v) + m.plus;
  }
  latest(m) {
    return this.solver.high(m.v) + m.plus;
  }
  lag(from2, to2, lag, when = -1) {
    if (from2.v !== to2.v) this.solver.addLag(from2.v, to2.v, lag + from2.plus - to2.plus, when);
    else if (to2.plus < from2.plus + lag && when >= 0) this.solver.assert(when ^ 1, truth(when ^ 1));
  }
  #addVariables(activity) {
    const { solver } = this;
    if (activity.fact && !activity.open) {
      this.start.push(this.fixed(activity.fact.start));
      this.end.push(this.fixed(activity.fact.end));
      return;
    }
    const variable = (domain) => {
      const d = shift(domain, -this.base);
      return solver.newVariable(d[0]?.[0] ?? 0, (d.at(-1)?.[1] ?? 0) - 1, d);
    };
    const rigid = activity.stretch === 0 && activity.minPiece === void 0 && !activity.fact;
    const starts = activity.cover && activity.minPiece === void 0 && !activity.fact ? intersect(activity.starts, startsFitting(activity.cover, activity.minutes, [-1e9, 1e9])) : activity.starts;
    const start = { v: variable(starts), plus: 0 };
    this.start.push(start);
    const whole = activity.minPiece !== void 0 && activity.minutes < 2 * activity.minPiece && !activity.fact;
    if (whole) {
      this.end.push({ v: start.v, plus: activity.minutes });
      return;
    }
    this.end.push(rigid ? { v: start.v, plus: activity.minutes } : { v: variable(activity.ends), plus: 0 });
  }
  #addCover(activity) {
    if (!activity.cover || activity.stretch === 0 || activity.minPiece !== void 0 || activity.fact) return;
    const cover = new Cover(
      this.solver,
      this.start[activity.index],
      this.end[activity.index],
      shift(activity.cover, -this.base)
    );
    this.solver.addPropagator(cover, cover.bounds());
  }
  // --- One after the other ----------------------------------------------------------------------------------------
  /**
   * Two stretches that cannot overlap, `gap` minutes between them by order, unless one of `unless` is false.
   * @returns whether anything had to be said
   */
  apart(p, q, gaps, unless, owners) {
    const { solver } = this;
    const note = (literal) => {
      this.orders.push({ literal, a: owners[0], b: owners[1] });
      return literal;
    };
    const may = (a, b, gap) => this.earliest(a.to) + gap <= this.latest(b.from);
    if (this.latest(p.to) + gaps[0] <= this.earliest(q.from) || this.latest(q.to) + gaps[1] <= this.earliest(p.from)) return;
    const [pq, qp] = [may(p, q, gaps[0]), may(q, p, gaps[1])];
    if (unless.some((list) => list.length === 0)) {
      if (pq && qp) {
        const first = note(solver.newLiteral());
        this.lag(p.to, q.from, gaps[0], first);
        this.lag(q.to, p.from, gaps[1], first ^ 1);
      } else if (pq) this.lag(p.to, q.from, gaps[0]);
      else if (qp) this.lag(q.to, p.from, gaps[1]);
      else solver.addClause([]);
      return;
    }
    const orders = [];
    if (pq) orders.push(note(solver.newLiteral()));
    if (pq) this.lag(p.to, q.from, gaps[0], orders[0]);
    if (qp) orders.push(note(solver.newLiteral()));
    if (qp) this.lag(q.to, p.from, gaps[1], orders.at(-1));
    for (const both of unless) solver.addClause([...orders.flatMap((o) => [o, truth(o)]), ...both.flatMap((o) => [o ^ 1, truth(o ^ 1)])]);
  }
  /** Whether one activity surely ends before another starts, by links alone. */
  precedes(a, b) {
    return this.#after[a][b] === 1;
  }
  // --- Hands ------------------------------------------------------------------------------------------------------
  // --- Equipment --------------------------------------------------------------------------------------------------
  addCapacity(tasks, room) {
    const inside = tasks.map((t) => ({ ...t, size: Math.floor(t.size * ML + 1e-6) })).filter((t) => t.size > 0 && this.latest(t.to) > this.earliest(t.from));
    const capacity = Math.ceil(room * ML - 1e-6);
    if (inside.length === 0 || inside.reduce((sum, t) => sum + t.size, 0) <= capacity) return;
    this.share(inside, capacity);
  }
  share(tasks, capacity) {
    const stands = tasks.filter((t) => t.from.v === this.zero && t.to.v === this.zero && t.size > 0);
    const asked = stands.map(
      (s) => stands.reduce((sum, t) => t.from.plus <= s.from.plus && s.from.plus < t.to.plus ? sum + t.size : sum, 0)
    );
    if (Math.max(0, ...asked) > capacity) return;
    const shared = new Cumulative(this.solver, capacity, tasks);
    this.solver.addPropagator(shared, shared.bounds());
  }
  isFact(activity) {
    return this.model.activities[activity]?.fact !== void 0;
  }
  // --- Waits ------------------------------------------------------------------------------------------------------
  /** When what is taken is ready; undefined for a fact of long ago. */
  readyOf(t) {
    if (t.maker === void 0) return this.fixed(t.readyAt);
    if (t.batchEnd === void 0) return this.end[t.maker];
    const start = this.start[t.maker];
    return { v: start.v, plus: start.plus + t.batchEnd };
  }
};
function reachable(model) {
  const n = model.activities.length;
  const out = Array.from({ length: 2 * n }, () => []);
  for (const { from: from2, to: to2, lag } of model.lags) if (lag >= 0) out[from2].push(to2);
  return model.activities.map((a) => {
    const seen = new Uint8Array(2 * n);
    const stack = [2 * a.index + 1];
    const after = new Uint8Array(n);
    for (let v = stack.pop(); v !== void 0; v = stack.pop()) {
      for (const w of out[v]) {
        if (seen[w]) continue;
        seen[w] = 1;
        if (!(w & 1)) after[w >> 1] = 1;
        stack.push(w);
      }
    }
    return after;
  });
}

// src/core/planner/learn/learner.ts
var FIRST_RESTART = 50;
var RESTART = 100;
var Learner = class {
  /** @param style what is minimised by `cheaper`; `shortest` needs no sum */
  constructor(model, seed, style = "shortest") {
    this.model = model;
    this.encoding = new Encoding(model);
    this.objective = style === "shortest" ? void 0 : new Objective(this.encoding, style);
    this.#random = seededRandom(seed + 11);
    this.#shake = new Float64Array(model.activities.length);
  }
  model;
  encoding;
  #random;
  #shake;
  #restarts = 0;
  #phases = new Int8Array(0);
  objective;
  #wish = /* @__PURE__ */ new Map();
  get conflicts() {
    return this.encoding.solver.conflicts;
  }
  /** Work done so far, in changes of bounds. */
  get work() {
    return this.encoding.solver.changes;
  }
  /** No plan of these methods has a shorter lead, in minutes. */
  leadBound() {
    return -this.encoding.solver.high(this.encoding.beginning);
  }
  /** Latest first: close to what a cook does who counts back from the table. */
  first(budget, stop, mode = "found") {
    const before = this.conflicts;
    for (let run = 0; this.conflicts - before < budget && !stop(); run++) {
      this.#shakeOrder(run === 0 ? 0 : 45 + 15 * Math.min(run, 20));
      const allowed = Math.min(budget - (this.conflicts - before), FIRST_RESTART * luby(run + 1));
      const answer = this.#ask(allowed, this.#assumed(mode), () => this.#latestFirst(), stop);
      if (answer.status !== "spent") return answer;
    }
    return { status: "spent" };
  }
  /**
   * A plan that begins at `beginning` or later (in the model's minutes), by what conflicts have turned on most.
   * "refuted" is a proof that there is none.
   */
  shorter(beginning, budget, stop, mode = "found") {
    const { solver } = this.encoding;
    const before = this.conflicts;
    solver.backTo(0);
    const assume = [...this.#assumed(mode), 2 * this.encoding.beginning, beginning - this.encoding.base];
    while (this.conflicts - before < budget && !stop()) {
      this.#restarts++;
      const allowed = Math.min(budget - (this.conflicts - before), RESTART * luby(this.#restarts));
      const latest = this.#restarts % 6 === 5;
      if (latest) this.#shakeOrder(60 + 15 * Math.min(this.#restarts, 20));
      const answer = this.#ask(allowed, assume, () => latest ? this.#latestFirst() : this.#mostActive() ?? this.#latestFirst(), stop);
      if (answer.status !== "spent") return answer;
    }
    return { status: "spent" };
  }
  /**
   * A plan that costs at most `cap` (in units of objective.ts), near another: what is not `free` keeps its start (or only its order with the rest
   * of what is not free), what is free goes where it is wished, else as late as it can.
   */
  cheaper(from2, cap, free, keep, wish, budget, stop, mode = "found") {
    const { encoding, objective } = this;
    const { solver } = encoding;
    if (!objective) return { status: "refuted" };
    const assume = [...this.#assumed(mode), 2 * objective.total + 1, -cap];
    if (free && keep === "starts") {
      for (const a of this.model.activities) {
        if (free.has(a.index) || a.fact) continue;
        const at = (m, minute) => {
          const value = minute - encoding.base - m.plus;
          assume.push(2 * m.v, value, 2 * m.v + 1, -value);
        };
        at(encoding.start[a.index], from2.starts[a.index]);
        at(encoding.end[a.index], from2.ends[a.index]);
      }
    } else if (free) {
      for (const { literal, a, b } of encoding.orders) {
        if (free.has(a) || free.has(b)) continue;
        assume.push(...solver.phase[literal >> 1] ? [literal, 1] : [literal | 1, 0]);
      }
    }
    this.#wish = wish;
    if (!free) this.#restarts++;
    const active = !free && this.#restarts % 2 === 0;
    this.#shakeOrder(free ? 0 : 60);
    const answer = this.#ask(budget, assume, () => active ? this.#mostActive() ?? this.#latestFirst() : this.#latestFirst(), stop);
    this.#wish = /* @__PURE__ */ new Map();
    return answer;
  }
  /** A plan that costs at most `cap`, from nothing, in an order shaken by so many minutes. */
  afresh(cap, noise, budget, stop) {
    if (!this.objective) return { status: "refuted" };
    this.#shakeOrder(noise);
    return this.#ask(budget, [...this.#assumed("found"), 2 * this.objective.total + 1, -cap], () => this.#latestFirst(), stop);
  }
  /** For good: nothing begins before. For when a plan that begins there is known and only shorter ones are wanted. */
  demandBeginning(beginning) {
    this.encoding.solver.backTo(0);
    this.encoding.solver.assert(2 * this.encoding.beginning, beginning - this.encoding.base);
  }
  /** For good: no plan begins later. */
  noteBound(beginning) {
    this.encoding.solver.backTo(0);
    this.encoding.solver.assert(2 * this.encoding.beginning + 1, this.encoding.base - beginning);
  }
  #assumed(mode) {
    const { evenPieces, wishedHeat } = this.encoding;
    const yes = (l) => [l, truth(l)];
    return mode === "proof" ? [] : mode === "found" ? yes(evenPieces) : [...yes(evenPieces), ...yes(wishedHeat)];
  }
  /** The last solution is the one to stay near: what it decided is tried first from now on. */
  keep() {
    this.encoding.solver.phase.set(this.#phases);
  }
  #shakeOrder(noise) {
    for (let i = 0; i < this.#shake.length; i++) this.#shake[i] = noise ? this.#random() * noise : 0;
  }
  #ask(budget, assume, next, stop) {
    const { solver } = this.encoding;
    const outcome = solver.search(budget, assume, next, stop);
    if (outcome !== "found") return { status: outcome };
    const solution = this.#read();
    this.#phases = new Int8Array(solver.variables);
    for (let v = 0; v < solver.variables; v++) {
      this.#phases[v] = solver.isLiteral[v] && solver.isFixed(v) ? solver.low(v) : solver.phase[v];
    }
    solver.backTo(0);
    return { status: "found", solution };
  }
  #read() {
    const { encoding } = this;
    const cooks = /* @__PURE__ */ new Map();
    for (const h of encoding.hands) {
      if (h.part < 0) continue;
      const list = cooks.get(h.activity) ?? [];
      list[h.part] = cookOf(encoding, h);
      cooks.set(h.activity, list);
    }
    const pieces = /* @__PURE__ */ new Map();
    if (encoding.solver.isTrue(encoding.evenPieces)) {
      for (const [activity, list] of encoding.pieces) {
        const spans = list.map(({ from: from2, minutes }) => {
          const at = encoding.earliest(from2) + encoding.base;
          return [at, at + minutes];
        });
        pieces.set(activity, [...union(spans)]);
      }
    }
    return {
      pieces,
      starts: encoding.start.map((m) => encoding.earliest(m) + encoding.base),
      ends: encoding.end.map((m) => encoding.earliest(m) + encoding.base),
      cooks
    };
  }
  /** What can end last goes next, as late as it can; what has hardly any room goes at once; then who does it and how it waits. */
  #latestFirst() {
    const { encoding } = this;
    const { solver, start, end } = encoding;
    let best;
    let bestKey = Number.NEGATIVE_INFINITY;
    for (const activity of this.model.activities) {
      const i = activity.index;
      const s2 = start[i];
      const e2 = end[i];
      if (solver.isFixed(s2.v) && solver.isFixed(e2.v)) continue;
      const latest = encoding.latest(e2);
      const room = latest - encoding.earliest(e2);
      const key = solver.isFixed(s2.v) || room <= 90 ? 1e9 - room : latest + this.#shake[i] - room * 1e-6;
      if (key > bestKey) {
        bestKey = key;
        best = activity;
      }
    }
    if (!best) return this.#choices();
    const s = start[best.index].v;
    if (best.minPiece !== void 0) {
      const e2 = end[best.index].v;
      if (!solver.isFixed(e2)) return [2 * e2, solver.high(e2)];
    }
    if (!solver.isFixed(s)) {
      const plus = start[best.index].plus;
      const wish = this.#wish.get(best.index);
      const value = (wish === void 0 ? this.objective?.easiest(best.index, solver.high(s) + plus) ?? solver.high(s) + plus : wish - encoding.base) - plus;
      if (value >= solver.high(s)) return [2 * s, solver.high(s)];
      if (value <= solver.low(s)) return [2 * s + 1, -solver.low(s)];
      const at = solver.atOrBefore(s, value);
      return at > solver.low(s) ? [2 * s, at] : [2 * s + 1, -Math.max(at, solver.low(s))];
    }
    const e = end[best.index].v;
    return [2 * e + 1, -solver.low(e)];
  }
  /** Who does what, and under which hold it waits, once all times are known. */
  #choices() {
    const { solver, hands, holds, pieces } = this.encoding;
    for (const list of pieces.values()) {
      const open = list.findLast(({ from: from2 }) => !solver.isFixed(from2.v));
      if (open && solver.isTrue(this.encoding.evenPieces)) return [2 * open.from.v, solver.high(open.from.v)];
    }
    for (const h of hands) {
      for (const o of h.options) if (o.does >= 0 && !solver.isTrue(o.does) && !solver.isFalse(o.does)) return [o.does, truth(o.does)];
    }
    for (const { literals, during } of holds.values()) {
      for (const l of during === void 0 ? literals : [during, ...literals])
        if (!solver.isTrue(l) && !solver.isFalse(l)) return [l, truth(l)];
    }
    return void 0;
  }
  #mostActive() {
    const { solver } = this.encoding;
    for (let v = solver.order.take(); v !== void 0; v = solver.order.take()) {
      if (!solver.isFixed(v)) return solver.phase[v] ? [2 * v, 1] : [2 * v + 1, 0];
    }
    return void 0;
  }
};
function cookOf(encoding, h) {
  return h.options.length === 1 ? h.options[0]?.cook : h.options.find((o) => encoding.solver.isTrue(o.does))?.cook;
}

// src/core/planner/network.ts
function gainingCycle(variables, lags) {
  const at = new Float64Array(variables);
  const by = new Int32Array(variables).fill(-1);
  for (let round = 0; round <= variables; round++) {
    let changed = false;
    for (let i = 0; i < lags.length; i++) {
      const lag = lags[i];
      const value = at[lag.from] + lag.lag;
      if (value > at[lag.to]) {
        at[lag.to] = value;
        by[lag.to] = i;
        changed = true;
      }
    }
    if (!changed) return void 0;
    if (round % 8 === 7 || round === variables) {
      const cycle = cycleAmong(by, lags);
      if (cycle) return cycle;
    }
  }
  return void 0;
}
function cycleAmong(by, lags) {
  const seen = new Int32Array(by.length);
  for (let root = 0; root < by.length; root++) {
    let v = root;
    while (seen[v] === 0 && by[v] !== -1) {
      seen[v] = root + 1;
      v = lags[by[v]].from;
    }
    if (seen[v] !== root + 1 || by[v] === -1) continue;
    const cycle = [];
    for (let u = v; ; ) {
      const lag = lags[by[u]];
      cycle.push(lag);
      u = lag.from;
      if (u === v) return cycle.reverse();
    }
  }
  return void 0;
}

// src/core/planner/verify/context.ts
function batchMinutes(step, plan) {
  return plannedLength(step.time, plan.planAt, step.k, step.grows);
}
var isDone = (ctx, ref) => ctx.events.get(ref)?.ended !== void 0;
var isRunning = (ctx, ref) => {
  const event = ctx.events.get(ref);
  return event !== void 0 && event.ended === void 0;
};
function workOf(step, planned) {
  return step.each || step.minPiece !== void 0 ? union(planned.pieces) : [[planned.start, planned.end]];
}
function contextOf(dish, plan, now, serveAt, { events, pins, heat }, breaks) {
  const methodOf = /* @__PURE__ */ new Map();
  const inForce = [];
  for (const component of dish.components) {
    if (component.onHand.length) {
      methodOf.set(component.id, "onHand");
      continue;
    }
    const id2 = plan.methods[component.id] ?? component.methods[0]?.id ?? "";
    methodOf.set(component.id, id2);
    if (id2 === "fallback") {
      if (!component.fallback || !plan.fallbacks.some((f) => f.component === component.id)) {
        breaks(
          "H1",
          [],
          now,
          serveAt,
          `"${component.name}" is to be replaced by a fallback, but ${component.fallback ? "the plan does not say from when" : "it has none"}.`
        );
      }
      continue;
    }
    const method2 = component.methods.find((m) => m.id === id2);
    if (method2) inForce.push(...method2.steps);
    else breaks("H1", [], now, serveAt, `"${component.name}" has no method "${id2}".`);
  }
  const byRef = new Map(inForce.map((s) => [s.ref, s]));
  const planned = new Map(plan.steps.map((s) => [s.step, s]));
  const makers = new Map(inForce.flatMap((s) => s.makes.map((o) => [o.ref, s])));
  const times = plan.steps.flatMap((s) => [s.start, s.end]);
  const from2 = Math.max(Math.min(now, ...times), serveAt - 5e6) - 2880;
  const to2 = Math.min(Math.max(serveAt, ...times), serveAt + 5e6) + 2880;
  const hours = (list) => intervalsOfHours(list, dish.zone, from2, to2);
  const cooks = dish.cooks.map((cook2) => {
    const away = hours(cook2.away);
    const awake = hours(cook2.awake);
    return { id: cook2.id, works: subtract(cook2.hours ? hours(cook2.hours) : awake, away), awake, home: subtract([[from2, to2]], away) };
  });
  return {
    dish,
    plan,
    now,
    serveAt,
    events,
    pins,
    heat,
    inForce,
    methodOf,
    cooks,
    hours,
    from: from2,
    to: to2,
    step: (ref) => byRef.get(ref),
    planned: (ref) => planned.get(ref),
    makerOf: (output2) => makers.get(output2),
    outputOf: (output2) => makers.get(output2)?.makes.find((o) => o.ref === output2),
    here: union(cooks.flatMap((c2) => intersect(c2.awake, c2.home))),
    someoneAwake: union(cooks.flatMap((c2) => c2.awake)),
    someoneHome: union(cooks.flatMap((c2) => c2.home))
  };
}
function componentMaking(ctx, output2) {
  return ctx.dish.components.find((c2) => output2.startsWith(`${c2.id}.`));
}

// src/core/planner/verify/hands.ts
function checkHands(ctx, breaks) {
  for (const step of ctx.inForce) {
    const planned = ctx.planned(step.ref);
    if (!planned || isDone(ctx, step.ref)) continue;
    checkAssigned(ctx, step, planned, breaks);
    checkSomebody(ctx, step, planned, breaks);
    checkRounds(ctx, step, planned, breaks);
  }
  for (const cook2 of ctx.cooks) {
    const spans = ctx.plan.steps.flatMap((s) => s.hands.filter((h) => h.cook === cook2.id).map((h) => ({ ...h, step: s.step }))).filter((h) => h.from < h.to).sort((a, b) => a.from - b.from);
    let last;
    for (const span2 of spans) {
      if (last && span2.from < last.to)
        breaks("H6", [last.step, span2.step], span2.from, Math.min(last.to, span2.to), `${cook2.id} has only one pair of hands.`);
      if (!last || span2.to > last.to) last = span2;
    }
  }
}
function handsIntervals(ctx, step, planned) {
  const one = batchMinutes(step, ctx.plan);
  const batches = step.each || step.minPiece !== void 0 ? planned.pieces.map(([a, b]) => [a, b]) : Array.from(
    { length: step.batches },
    (_, n) => [planned.start + n * one, n === step.batches - 1 ? planned.end : planned.start + (n + 1) * one]
  );
  const parts = batches.flatMap(
    ([a, b]) => step.attention === "hands" ? [[a, b]] : [
      [a, Math.min(b, a + step.handsStart)],
      [Math.max(a, b - step.handsEnd), b]
    ]
  );
  return parts.filter(([a, b]) => a < b);
}
function checkAssigned(ctx, step, planned, breaks) {
  for (const [from2, to2] of handsIntervals(ctx, step, planned)) {
    if (ctx.events.has(step.ref) && from2 < ctx.now) continue;
    const given = planned.hands.find((h) => h.from <= from2 && h.to >= to2);
    if (!given) breaks("H6", [step.ref], from2, to2, "These hands-on minutes are given to nobody.");
  }
  for (const { cook: id2, from: from2, to: to2 } of planned.hands) {
    if (ctx.events.has(step.ref) && from2 < ctx.now) continue;
    const cook2 = ctx.cooks.find((c2) => c2.id === id2);
    if (!cook2) breaks("H6", [step.ref], from2, to2, `The kitchen has no cook "${id2}".`);
    else if (step.cooks && !step.cooks.includes(id2)) breaks("H6", [step.ref], from2, to2, `${id2} may not do this step.`);
    else if (!covers(cook2.works, from2, to2)) breaks("H6", [step.ref], from2, to2, `It lies outside the hours of ${id2}.`);
  }
}
function checkSomebody(ctx, step, planned, breaks) {
  for (const [a, b] of workOf(step, planned)) {
    const from2 = ctx.events.has(step.ref) ? Math.max(a, ctx.now) : a;
    if (step.attention === "nearby" && !covers(ctx.here, from2, b))
      breaks("H7", [step.ref], from2, b, "It needs somebody awake and at home all the while.");
    if (step.attention === "unattended" && !step.sleepOk && !covers(ctx.someoneAwake, from2, b))
      breaks("H7", [step.ref], from2, b, "It may not run while everybody sleeps.");
    if (step.attention === "unattended" && !step.awayOk && !covers(ctx.someoneHome, from2, b))
      breaks("H7", [step.ref], from2, b, "It may not run while nobody is at home.");
  }
}
function nominalRounds(tend2, start, end) {
  const found = [];
  for (let offset = tend2.first; offset < end - start && (tend2.until === void 0 || offset <= tend2.until); offset += tend2.every) {
    if (offset > 0 || !tend2.fromEnd) found.push(tend2.fromEnd ? end - offset : start + offset);
  }
  return tend2.fromEnd ? found.reverse() : found;
}
function checkRounds(ctx, step, planned, breaks) {
  step.tends.forEach((tend2, index) => {
    const at = planned.rounds.filter((r) => r.tend === index).map((r) => r.at);
    const nominal = nominalRounds(tend2, planned.start, planned.end);
    const play = Math.floor(Math.max(tend2.every / 4, 5));
    const bad = (minute, why) => breaks("H8", [step.ref], minute, minute + 1, why);
    if (at.length !== nominal.length)
      return bad(planned.start, `Round "${tend2.what}" comes ${nominal.length} times, the plan has ${at.length}.`);
    at.forEach((minute, n) => {
      if (ctx.events.has(step.ref) && minute < ctx.now) return;
      const due = nominal[n];
      if (Math.abs(minute - due) > play)
        bad(minute, `It is ${Math.abs(minute - due)} min from where its rhythm puts it; ${play} are allowed.`);
      if (minute < planned.start || minute >= planned.end) bad(minute, "A round lies inside its step.");
      if (!covers(ctx.here, minute, minute + 1)) bad(minute, "Nobody is awake and at home.");
      const before = at[n - 1];
      if (before !== void 0 && (minute < before || minute - before < tend2.every / 2))
        bad(minute, `It comes ${minute - before} min after the round before, under half of ${tend2.every}.`);
    });
  });
  for (const round of planned.rounds) {
    if (!step.tends[round.tend]) breaks("H8", [step.ref], round.at, round.at + 1, `The step has no rhythm ${round.tend}.`);
  }
}

// src/core/planner/verify/equipment.ts
var TOLERANCE2 = 1e-6;
function checkEquipment2(ctx, breaks) {
  const held = /* @__PURE__ */ new Map();
  for (const step of ctx.inForce) {
    const planned = ctx.planned(step.ref);
    if (!planned) continue;
    step.uses.forEach((use2, index) => {
      if (STORES.includes(use2.what)) return;
      checkUse(ctx, step, planned, use2, index, breaks);
      for (const e of planned.equipment) {
        if (e.use !== index || HEATED.includes(use2.what)) continue;
        held.set(e.id, [...held.get(e.id) ?? [], { step: step.ref, from: e.from, to: e.to, size: e.count }]);
      }
    });
    for (const e of planned.equipment) if (!step.uses[e.use]) breaks("H9", [step.ref], e.from, e.to, `The step has no use ${e.use}.`);
  }
  for (const [id2, demands] of held) {
    const equipment2 = ctx.dish.equipment.find((e) => e.id === id2);
    if (equipment2) checkHeld(id2, demands, equipment2.count, equipment2.cleanTakes, breaks);
  }
  checkStores(ctx, breaks);
}
function neededSpans(ctx, step, planned, use2) {
  if (use2.until !== void 0) {
    const last = ctx.planned(use2.until);
    return [[planned.start, Math.max(planned.end, last?.end ?? planned.end)]];
  }
  if (use2.part === "hands") return handsIntervals(ctx, step, planned);
  if (!isWare(use2.what) && (step.each || step.minPiece !== void 0)) return [...planned.pieces];
  return isWare(use2.what) ? [[planned.start, planned.end]] : [...workOf(step, planned)];
}
function checkUse(ctx, step, planned, use2, index, breaks) {
  const entries = planned.equipment.filter((e) => e.use === index);
  if (use2.until !== void 0) {
    const last = ctx.planned(use2.until);
    if (last && last.end < planned.end)
      breaks("H9", [step.ref, use2.until], last.end, planned.end, `"${use2.until}" ends before the step that keeps its ${use2.what} for it.`);
  }
  if (!isDone(ctx, step.ref)) {
    for (const [from2, to2] of neededSpans(ctx, step, planned, use2)) {
      if (from2 >= to2) continue;
      const wanted2 = HEATED.includes(use2.what) ? 1 : use2.count;
      const given = entries.filter((e) => e.from <= from2 && e.to >= to2).reduce((sum, e) => sum + e.count, 0);
      if (given < wanted2) breaks("H9", [step.ref], from2, to2, `It needs ${wanted2} ${use2.what}; the plan gives it ${given}.`);
    }
  }
  for (const entry of entries) {
    const equipment2 = ctx.dish.equipment.find((e) => e.id === entry.id);
    if (!equipment2 || equipment2.kind !== use2.what) {
      breaks("H9", [step.ref], entry.from, entry.to, `"${entry.id}" is no ${use2.what} of this kitchen.`);
      continue;
    }
    if (isUnit(use2.what)) {
      if ((equipment2.litres ?? Number.POSITIVE_INFINITY) + TOLERANCE2 < use2.litres)
        breaks("H9", [step.ref], entry.from, entry.to, `"${entry.id}" holds ${equipment2.litres} L; ${use2.litres} are needed.`);
      if ((equipment2.pieces ?? Number.POSITIVE_INFINITY) < use2.pieces)
        breaks("H9", [step.ref], entry.from, entry.to, `"${entry.id}" takes ${equipment2.pieces} pieces; ${use2.pieces} are needed.`);
    }
    if (equipment2.available && !isDone(ctx, step.ref) && !covers(ctx.hours(equipment2.available), entry.from, entry.to)) {
      breaks("H9", [step.ref], entry.from, entry.to, `"${entry.id}" is not available all that time.`);
    }
  }
}
function checkHeld(id2, demands, count2, clean, breaks) {
  const widened = demands.map((d) => ({ ...d, to: d.to + clean, end: d.to })).sort((a, b) => a.from - b.from || a.end - b.end);
  const told = /* @__PURE__ */ new Set();
  for (const d of widened) {
    if (d.from >= d.end) continue;
    const others = widened.filter((o) => o !== d && o.from < o.end && o.from <= d.from && d.from < (o.step === d.step ? o.end : o.to));
    const sum = others.reduce((total, o) => total + o.size, d.size);
    const key = [d, ...others].map((o) => o.step).join(" ");
    if (sum > count2 && !told.has(key)) {
      told.add(key);
      const cleaning = others.some((o) => o.end <= d.from);
      breaks(
        "H9",
        [.../* @__PURE__ */ new Set([...others.map((o) => o.step), d.step])],
        d.from,
        d.end,
        `${sum} want "${id2}" at once, there ${count2 === 1 ? "is 1" : `are ${count2}`}${cleaning ? `; cleaning takes ${clean} min` : ""}.`
      );
    }
  }
}
function checkStores(ctx, breaks) {
  for (const place of STORES) {
    const stores = ctx.dish.equipment.filter((e) => e.kind === place);
    const space = stores.reduce((sum, e) => sum + (e.litres ?? Number.POSITIVE_INFINITY), 0);
    const demands = demandsOn(ctx, place).filter((d) => d.from < d.to && d.size > 0);
    if (stores.length === 0 ? demands.length > 0 : false) {
      const d = demands[0];
      breaks("H11", [d.step], d.from, d.to, `The kitchen has no ${place}.`);
      continue;
    }
    const told = /* @__PURE__ */ new Set();
    for (const minute of new Set(demands.map((d) => d.from))) {
      const inside = demands.filter((d) => d.from <= minute && minute < d.to);
      const litres = inside.reduce((sum, d) => sum + d.size, 0);
      const steps = [...new Set(inside.map((d) => d.step))];
      const key = steps.join(" ");
      if (litres > space + TOLERANCE2 && !told.has(key)) {
        told.add(key);
        breaks(
          "H11",
          steps,
          minute,
          Math.min(...inside.map((d) => d.to)),
          `${Number(litres.toPrecision(4))} L want to be in the ${place}; it has ${space}.`
        );
      }
    }
  }
}
function demandsOn(ctx, place) {
  const found = [];
  const spans = /* @__PURE__ */ new Map();
  const wait = (key, step, from2, to2, hold2) => {
    if (hold2.place !== place) return;
    const known = spans.get(key);
    if (known) known.to = Math.max(known.to, to2);
    else spans.set(key, { step, from: from2, to: to2, size: hold2.litres });
  };
  for (const step of ctx.inForce) {
    const planned = ctx.planned(step.ref);
    if (!planned) continue;
    for (const use2 of step.uses) {
      if (use2.what === place)
        for (const [from2, to2] of neededSpans(ctx, step, planned, use2)) found.push({ step: step.ref, from: from2, to: to2, size: use2.litres });
    }
    for (const link2 of step.links) {
      const other = ctx.planned(link2.step);
      if (other && link2.place === place)
        found.push({ step: step.ref, from: link2.from === "end" ? other.end : other.start, to: planned.start, size: link2.litres });
    }
    for (const take2 of step.takes) {
      const source = sourceOf(ctx, take2.from);
      if (!source || take2.during !== void 0 && planned.start <= source.at) continue;
      const entry = ctx.plan.holds.find((h) => h.output === take2.from && h.taker === step.ref);
      const index = entry?.hold ?? source.holds.findIndex((h) => planned.start - source.at >= h.min && (h.max === void 0 || planned.start - source.at <= h.max));
      const hold2 = source.holds[index];
      if (hold2) wait(`${take2.from} ${index}`, source.step ?? step.ref, source.at, planned.end, hold2);
    }
  }
  return [...found, ...spans.values()];
}
function sourceOf(ctx, output2) {
  const maker = ctx.makerOf(output2);
  const planned = maker && ctx.planned(maker.ref);
  if (maker && planned) return { at: planned.end, holds: ctx.outputOf(output2)?.holds ?? [], step: maker.ref };
  for (const component of ctx.dish.components) {
    const onHand2 = component.onHand.find((o) => o.ref === output2);
    if (onHand2) return { at: Math.max(onHand2.madeAt, ctx.from), holds: onHand2.holds, step: void 0 };
    const fallback2 = ctx.methodOf.get(component.id) === "fallback" ? ctx.plan.fallbacks.find((f) => f.component === component.id) : void 0;
    const like = fallback2 && component.methods.flatMap((m) => m.steps.flatMap((s) => s.makes)).find((o) => o.ref === output2);
    if (fallback2 && like) return { at: fallback2.readyAt, holds: like.holds, step: void 0 };
  }
  return void 0;
}

// src/core/planner/verify/heat.ts
var TOLERANCE3 = 1e-6;
var RESTS_AT_IDLE_MINUTES2 = 60;
function checkHeat(ctx, breaks) {
  const heatUps = [];
  for (const equipment2 of ctx.dish.equipment) {
    if (!HEATED.includes(equipment2.kind)) continue;
    const users = usersOf(ctx, equipment2);
    const settings = ctx.plan.settings.filter((s) => s.id === equipment2.id).sort((a, b) => a.from - b.from);
    checkRoom(equipment2, users, breaks);
    for (const user of users) if (!isDone(ctx, user.step.ref)) checkSuits(user, users, settings, equipment2, breaks);
    for (const [from2, to2] of checkChanges(ctx, equipment2, users, settings, breaks)) {
      const first = users.find((u) => u.from >= to2);
      heatUps.push({ from: from2, to: to2, for: first?.step.ref ?? equipment2.id });
    }
  }
  checkWindows(ctx, heatUps, breaks);
}
function usersOf(ctx, equipment2) {
  return ctx.inForce.flatMap((step) => {
    const planned = ctx.planned(step.ref);
    return step.uses.flatMap((use2, index) => {
      if (!planned || use2.what !== equipment2.kind) return [];
      return planned.equipment.filter((e) => e.use === index && e.id === equipment2.id).map((e) => ({ step, use: use2, from: e.from, to: e.to, size: equipment2.kind === "bath" ? use2.litres : use2.racks }));
    });
  }).filter((u) => u.from < u.to).sort((a, b) => a.from - b.from);
}
function checkRoom(equipment2, users, breaks) {
  const room = equipment2.kind === "bath" ? equipment2.litres ?? Number.POSITIVE_INFINITY : equipment2.racks;
  const told = /* @__PURE__ */ new Set();
  for (const user of users) {
    const inside = users.filter((u) => u.from <= user.from && user.from < u.to);
    const sum = inside.reduce((total, u) => total + u.size, 0);
    const steps = inside.map((u) => u.step.ref);
    if (sum > room + TOLERANCE3 && !told.has(steps.join(" "))) {
      told.add(steps.join(" "));
      breaks(
        "H10",
        steps,
        user.from,
        user.to,
        `${Number(sum.toPrecision(4))} ${equipment2.kind === "bath" ? "L" : "racks"} are wanted of "${equipment2.id}"; it has ${room}.`
      );
    }
  }
}
var suits = (use2, setting) => Math.abs(setting.tempC - use2.tempC) <= use2.toleranceC + TOLERANCE3 && (use2.mode === "any" || use2.mode === setting.mode);
function rampFrom(user, users) {
  if (!user.use.ramp) return void 0;
  return users.find((u) => u !== user && u.to === user.from && componentOf(u.step.ref) === componentOf(user.step.ref));
}
function changeMinutes(equipment2, fromC, toC) {
  return Math.ceil(Math.abs(toC - fromC) / (toC > fromC ? equipment2.heatCPerMin : equipment2.coolCPerMin) - TOLERANCE3);
}
function checkSuits(user, users, settings, equipment2, breaks) {
  const bad = (why) => breaks("H10", [user.step.ref], user.from, user.to, why);
  if (user.use.tempC - user.use.toleranceC > equipment2.maxC) return bad(`"${equipment2.id}" reaches ${equipment2.maxC} \xB0C.`);
  let from2 = user.from;
  if (rampFrom(user, users)) {
    const before = settings.findLast((s) => s.from < user.from && s.to >= user.from);
    const after = settings.find((s) => s.from <= user.from && s.to > user.from);
    if (before && after) {
      const change = changeMinutes(equipment2, before.tempC, after.tempC);
      from2 = Math.min(user.to, user.from + change);
      for (const other of users) {
        if (other === user || other.to <= user.from || other.from >= from2) continue;
        const [low, high] = [Math.min(before.tempC, after.tempC), Math.max(before.tempC, after.tempC)];
        if (low < other.use.tempC - other.use.toleranceC - TOLERANCE3 || high > other.use.tempC + other.use.toleranceC + TOLERANCE3) {
          breaks(
            "H10",
            [user.step.ref, other.step.ref],
            user.from,
            from2,
            `The setting changes from ${before.tempC} to ${after.tempC} \xB0C while "${other.step.ref}" is inside.`
          );
        }
      }
    }
  }
  const fitting = union(settings.filter((s) => suits(user.use, s)).map((s) => [s.from, s.to]));
  if (!covers(fitting, from2, user.to)) bad(`"${equipment2.id}" is not at ${user.use.tempC} \xB0C all that time.`);
}
function checkChanges(ctx, equipment2, users, settings, breaks) {
  const changes = [];
  settings.forEach((setting, i) => {
    const bad = (why) => breaks(
      "H10",
      [...new Set(users.filter((u) => u.from < setting.to && setting.from < u.to).map((u) => u.step.ref))],
      setting.from,
      setting.to,
      why
    );
    if (setting.tempC > equipment2.maxC) bad(`"${equipment2.id}" reaches ${equipment2.maxC} \xB0C, not ${setting.tempC}.`);
    if (setting.to <= setting.from) return bad("A setting must last.");
    const begun = users.some((u) => ctx.events.has(u.step.ref) && u.from <= ctx.now && u.from < setting.to && setting.from < u.to);
    const before = settings[i - 1];
    if (before && before.to > setting.from) return bad(`"${equipment2.id}" has two settings at once.`);
    if (users.some((u) => u.use.ramp && u.from === setting.from && rampFrom(u, users)) && before?.to === setting.from) return;
    const lastUse = Math.max(...users.filter((u) => u.to <= setting.from).map((u) => u.to), Number.NEGATIVE_INFINITY);
    const nextUse = Math.min(...users.filter((u) => u.from >= setting.from).map((u) => u.from), setting.to);
    const left = before ? { tempC: before.tempC, at: Math.max(lastUse, before.from) } : foundWarm(ctx, equipment2);
    const warm = left && nextUse - left.at <= RESTS_AT_IDLE_MINUTES2 ? left : void 0;
    const need = warm ? changeMinutes(equipment2, warm.tempC, setting.tempC) : Math.max(0, changeMinutes(equipment2, equipment2.idleC, Math.max(setting.tempC, equipment2.idleC)));
    const since = before ? before.to : Math.min(ctx.now, setting.from);
    const start = before ? before.to : ctx.now;
    if (!begun && setting.from - start < need) {
      bad(`"${equipment2.id}" needs ${need} min to come to ${setting.tempC} \xB0C and has ${Math.max(0, setting.from - start)}.`);
    }
    if (need > 0 && setting.from > since && !begun) changes.push([setting.from - need, setting.from]);
  });
  return changes;
}
function foundWarm(ctx, equipment2) {
  const on = ctx.heat.find((h) => h.id === equipment2.id && h.since <= ctx.now);
  if (on) return { tempC: Math.min(on.tempC, equipment2.maxC, equipment2.idleC + (ctx.now - on.since) * equipment2.heatCPerMin), at: ctx.now };
  let newest;
  for (const step of ctx.inForce) {
    const ended = ctx.events.get(step.ref)?.ended;
    for (const use2 of step.uses) {
      const fits = (e) => e.kind === use2.what && e.maxC >= use2.tempC - use2.toleranceC;
      if (ended === void 0 || ended > ctx.now || !fits(equipment2) || ctx.dish.equipment.find(fits) !== equipment2) continue;
      if (!newest || ended >= newest.at) newest = { tempC: use2.tempC, at: ended };
    }
  }
  return newest && ctx.now - newest.at <= RESTS_AT_IDLE_MINUTES2 ? newest : void 0;
}
function checkWindows(ctx, heatUps, breaks) {
  for (const window2 of ctx.dish.windows) {
    const closed = ctx.hours(window2.hours);
    const because = window2.why ? ` (${window2.why})` : "";
    for (const step of ctx.inForce) {
      const planned = ctx.planned(step.ref);
      if (!planned || isDone(ctx, step.ref) || window2.allow.has(step.ref)) continue;
      for (const [from2, to2, what] of forbiddenSpans(ctx, step, planned, window2)) {
        const a = ctx.events.has(step.ref) ? Math.max(from2, ctx.now) : from2;
        if (overlaps(closed, a, to2)) breaks("H12", [step.ref], a, to2, `${what} is not done then${because}.`);
      }
    }
    for (const heatUp of heatUps) {
      if (window2.allow.has(heatUp.for)) continue;
      const to2 = window2.forbid.has("heat") ? heatUp.to : window2.forbid.has("start-heat") ? heatUp.from + 1 : heatUp.from;
      if (overlaps(closed, heatUp.from, to2)) breaks("H12", [heatUp.for], heatUp.from, to2, `Heating up is not done then${because}.`);
    }
  }
}
function forbiddenSpans(ctx, step, planned, window2) {
  const found = [];
  const add = (spans, what) => {
    for (const [a, b] of spans) found.push([a, b, what]);
  };
  const all = window2.forbid.has("*");
  const tag = [...step.tags].find((t) => window2.forbid.has(t));
  if (tag) add(workOf(step, planned), `What is "${tag}"`);
  if (all || window2.forbid.has("hands")) {
    add(handsIntervals(ctx, step, planned), "Work by hand");
    add(
      planned.rounds.map((r) => [r.at, r.at + Math.max(1, step.tends[r.tend]?.takes ?? 1)]),
      "A round"
    );
  }
  if (all && step.attention === "nearby") add(workOf(step, planned), "Staying with it");
  for (const use2 of step.uses) {
    if (use2.what !== "burner" && !HEATED.includes(use2.what)) continue;
    const spans = neededSpans(ctx, step, planned, use2);
    if (window2.forbid.has("heat")) add(spans, "Heat");
    if (window2.forbid.has("start-heat") && !(ctx.events.has(step.ref) && planned.start < ctx.now))
      add(
        spans.map(([a]) => [a, a + 1]),
        "Lighting"
      );
  }
  return found;
}

// src/core/planner/verify/times.ts
function checkTimes2(ctx, breaks) {
  checkPresence(ctx, breaks);
  checkServing2(ctx, breaks);
  for (const step of ctx.inForce) {
    const planned = ctx.planned(step.ref);
    if (!planned) continue;
    checkLog(ctx, step, planned, breaks);
    if (!isDone(ctx, step.ref)) checkLength(ctx, step, planned, breaks);
    checkLinks(ctx, step, planned, breaks);
    checkTakes(ctx, step, planned, breaks);
    checkWithin(ctx, step, planned, breaks);
  }
  checkAmounts(ctx, breaks);
  checkPins(ctx, breaks);
}
function checkPresence(ctx, breaks) {
  const wanted2 = new Set(ctx.inForce.map((s) => s.ref));
  const seen = /* @__PURE__ */ new Set();
  for (const planned of ctx.plan.steps) {
    if (seen.has(planned.step)) breaks("H1", [planned.step], planned.start, planned.end, "This step stands in the plan twice.");
    else if (!wanted2.has(planned.step)) breaks("H1", [planned.step], planned.start, planned.end, "No method in force has this step.");
    seen.add(planned.step);
  }
  for (const ref of wanted2) if (!seen.has(ref)) breaks("H1", [ref], ctx.now, ctx.serveAt, "The plan leaves this step out.");
}
function checkServing2(ctx, breaks) {
  const ends = [{ step: ctx.dish.serve, at: ctx.serveAt }, ...ctx.dish.courses.map((c2) => ({ step: c2.serve, at: ctx.serveAt + c2.after }))];
  for (const { step, at } of ends) {
    const end = ctx.planned(step)?.end;
    if (end !== void 0 && end !== at && !isDone(ctx, step))
      breaks(
        "H1",
        [step],
        Math.min(end, at),
        Math.max(end, at),
        `Serving is due ${Math.abs(end - at)} min ${end > at ? "before" : "after"} this step ends.`
      );
  }
  const last = Math.max(...ends.map((e) => e.at));
  for (const planned of ctx.plan.steps)
    if (planned.end > last) breaks("H1", [planned.step], last, planned.end, "It ends after the last serving.");
}
function checkLength(ctx, step, planned, breaks) {
  const bad = (why) => breaks("H1", [step.ref], planned.start, planned.end, why);
  const one = batchMinutes(step, ctx.plan);
  const length = one * step.batches;
  const pieces = planned.pieces;
  const first = pieces[0];
  const last = pieces.at(-1);
  if (!first || !last || first[0] !== planned.start || last[1] !== planned.end)
    return bad("Its pieces do not run from its start to its end.");
  if (pieces.some(([a, b], i) => b < a || i > 0 && a < pieces[i - 1][1]))
    return bad("Its pieces overlap or run backwards.");
  const work = pieces.reduce((sum, [a, b]) => sum + b - a, 0);
  if (planned.minutes !== work) bad(`It says ${planned.minutes} min of work; its pieces make ${work}.`);
  if (isRunning(ctx, step.ref)) {
    const estimate = ctx.events.get(step.ref)?.estimate;
    if (estimate !== void 0 ? planned.end !== Math.max(estimate, ctx.now) : work > Math.max(length + step.stretch, ctx.now - planned.start))
      bad("A running step ends when it is now expected to.");
    return;
  }
  if (step.each) {
    if (pieces.length !== step.batches) bad(`It has ${step.batches} batches, the plan ${pieces.length}.`);
    for (const [a, b] of pieces) if (b - a < one || b - a > one + step.stretch) bad(`A batch takes ${one} min, not ${b - a}.`);
    return;
  }
  if (step.minPiece !== void 0) {
    if (work < length || work > length + step.stretch) bad(`It takes ${length} min, not ${work}.`);
    if (pieces.length > 1 && pieces.some(([a, b]) => b - a < step.minPiece))
      bad(`No piece may be shorter than ${step.minPiece} min.`);
    return;
  }
  if (pieces.length > 1) bad("It may not be put down.");
  const taken = planned.end - planned.start;
  if (taken < length || taken > length + step.stretch)
    bad(`It takes ${length} min${step.stretch ? ` (up to ${step.stretch} more)` : ""}, not ${taken}.`);
}
function checkLog(ctx, step, planned, breaks) {
  const event = ctx.events.get(step.ref);
  if (!event) {
    if (planned.start < ctx.now) breaks("H2", [step.ref], planned.start, ctx.now, "It starts before now.");
    return;
  }
  if (planned.start !== event.started || event.ended !== void 0 && planned.end !== event.ended) {
    breaks("H2", [step.ref], Math.min(planned.start, event.started), planned.end, "It does not stand where the log has it.");
  }
}
function window(hold2, wait) {
  if (wait < hold2.min) return `waits ${wait} min, at least ${hold2.min} are needed`;
  if (hold2.max !== void 0 && wait > hold2.max) return `waits ${wait} min, at most ${hold2.max} are allowed`;
  return void 0;
}
function checkLinks(ctx, step, planned, breaks) {
  if (ctx.events.has(step.ref)) return;
  for (const link2 of step.links) {
    const other = ctx.planned(link2.step);
    if (!other || !ctx.step(link2.step)) continue;
    const origin = link2.from === "end" ? other.end : other.start;
    const wrong = window(link2, planned.start - origin);
    if (wrong)
      breaks(
        "H3",
        [link2.step, step.ref],
        Math.min(origin, planned.start),
        Math.max(origin, planned.start),
        `After "${link2.step}" it ${wrong}.`
      );
  }
}
function readyAt(ctx, output2, batch) {
  const component = componentMaking(ctx, output2);
  const method2 = component && ctx.methodOf.get(component.id);
  if (component && method2 === "onHand") {
    const entry = component.onHand.find((o) => o.ref === output2);
    return entry && { at: entry.madeAt, holds: entry.holds, maker: void 0 };
  }
  const all = component?.methods.flatMap((m) => m.steps.flatMap((s) => s.makes)) ?? [];
  if (component && method2 === "fallback") {
    const entry = ctx.plan.fallbacks.find((f) => f.component === component.id);
    return entry && { at: entry.readyAt, holds: all.find((o) => o.ref === output2)?.holds ?? [], maker: void 0 };
  }
  const maker = ctx.makerOf(output2);
  const planned = maker && ctx.planned(maker.ref);
  if (!maker || !planned) return void 0;
  const holds = ctx.outputOf(output2)?.holds ?? [];
  if (batch === void 0) return { at: planned.end, holds, maker: planned };
  const last = batch === maker.batches - 1;
  const at = maker.each ? planned.pieces[batch]?.[1] : last ? planned.end : planned.start + (batch + 1) * batchMinutes(maker, ctx.plan);
  return { at: at ?? planned.end, holds, maker: planned };
}
function checkTakes(ctx, step, planned, breaks) {
  const started = ctx.events.has(step.ref);
  for (const take2 of step.takes) {
    const starts = take2.each ? planned.pieces.map(([a]) => a) : [planned.start];
    starts.forEach((start, batch) => {
      const ready = readyAt(ctx, take2.from, take2.each ? batch : void 0);
      if (!ready) {
        if (batch === 0 && !ctx.makerOf(take2.from)) breaks("H4", [step.ref], start, start, `Nothing in force makes "${take2.from}".`);
        return;
      }
      if (started) return;
      const names = [...ready.maker ? [ready.maker.step] : [], step.ref];
      const wait = start - ready.at;
      if (take2.during !== void 0 && ready.maker && wait <= 0) {
        const ran = start - ready.maker.start;
        if (ran < take2.during)
          breaks(
            "H4",
            names,
            ready.maker.start,
            start,
            `"${take2.from}" may be drawn ${take2.during} min after its step begins; it is drawn after ${ran}.`
          );
        return;
      }
      if (wait < 0) return breaks("H4", names, start, ready.at, `"${take2.from}" is taken ${-wait} min before it is ready.`);
      if (ready.holds.length === 0) return;
      const entry = ctx.plan.holds.find((h) => h.output === take2.from && h.taker === step.ref);
      if (entry === void 0) {
        if (!ready.holds.some((h) => !window(h, wait)))
          breaks("H4", names, ready.at, start, `"${take2.from}" waits ${wait} min, which none of its holds allows.`);
        return;
      }
      const hold2 = ready.holds[entry.hold];
      if (!hold2) return breaks("H4", names, ready.at, start, `"${take2.from}" has no hold ${entry.hold}.`);
      const wrong = window(hold2, wait);
      if (wrong) breaks("H4", names, ready.at, start, `"${take2.from}" (${hold2.place}) ${wrong}.`);
    });
  }
}
function checkWithin(ctx, step, planned, breaks) {
  const outer = step.within === void 0 || ctx.events.has(step.ref) ? void 0 : ctx.planned(step.within);
  if (outer && (planned.start < outer.start || planned.end > outer.end)) {
    breaks(
      "H4",
      [outer.step, step.ref],
      Math.min(outer.start, planned.start),
      Math.max(outer.end, planned.end),
      `It must run inside "${outer.step}".`
    );
  }
}
function checkAmounts(ctx, breaks) {
  for (const output2 of ctx.inForce.flatMap((s) => s.makes)) {
    const balance = balanceOf(ctx.dish, output2.ref, output2.quantity, ctx.inForce);
    if (isOverTaken(balance))
      breaks("H5", [...new Set(balance.takers.map((t) => t.step))], ctx.now, ctx.serveAt, `More is taken of "${output2.ref}" than is made.`);
  }
}
function checkPins(ctx, breaks) {
  for (const pin2 of ctx.pins) {
    const planned = ctx.planned(pin2.step);
    if (!planned || ctx.events.has(pin2.step)) continue;
    const bad = (why) => breaks("pin", [pin2.step], planned.start, planned.end, why);
    if (pin2.at !== void 0 && planned.start !== pin2.at) bad("The cook has fixed another start.");
    if (pin2.notBefore !== void 0 && planned.start < pin2.notBefore) bad("It starts before the cook's earliest.");
    if (pin2.notAfter !== void 0 && planned.start > pin2.notAfter) bad("It starts after the cook's latest.");
    if (pin2.cook !== void 0 && planned.hands.some((h) => h.cook !== pin2.cook)) bad("The cook has given it to somebody else.");
  }
}

// src/core/planner/verify/index.ts
function verifyPlan(dish, plan, options = {}) {
  const log = options.log ?? EMPTY_LOG;
  const now = options.now ?? Math.max(plan.now, dish.startNotBefore ?? Number.NEGATIVE_INFINITY);
  const broken = [];
  const breaks = (rule, steps, from2, to2, why) => {
    broken.push({ rule, steps, from: from2, to: to2, why });
  };
  const ctx = contextOf(dish, plan, now, options.serveAt ?? dish.serveAt, log, breaks);
  checkTimes2(ctx, breaks);
  checkHands(ctx, breaks);
  checkEquipment2(ctx, breaks);
  checkHeat(ctx, breaks);
  const past = (b) => b.rule !== "H2" && b.steps.length > 0 && b.steps.every((s) => isDone(ctx, s));
  return { broken: broken.filter((b) => !past(b)), ...priceOf(plan, dish, ctx.inForce, plan.style) };
}

// src/core/planner/index.ts
var QUICK_CONFLICTS = 60;
var LEARNERS_CONFLICTS = 1500;
var MOST_OTHERS = 4;
var WORK_A_ROUND = 1500;
var CONFLICTS_A_CHOICE = 3e3;
function planningNow(dish, options) {
  return options.now ?? dish.startNotBefore ?? (options.serveAt ?? dish.serveAt) - DEFAULT_LEAD_MINUTES;
}
function planDish(dish, options = {}) {
  const log = options.log ?? EMPTY_LOG;
  const choices = choicesOfMethods2(dish, options);
  const rounds2 = options.rounds ?? DEFAULT_ROUNDS;
  let first;
  let proved = choices.complete;
  for (const [at, methods] of choices.list.entries()) {
    const others = rounds2 > 0 && !options.previous ? choices.list.slice(at + 1) : [];
    let better;
    const planned = planWith(dish, methods, options, log, (plan) => {
      if (plan.style !== "shortest") better = weighMethods(dish, plan, others, options, log);
      return better === void 0 || better.methods === plan.methods;
    });
    if (planned.status === "feasible") {
      if (planned.plan.style === "shortest") return { status: "feasible", plan: shortestOfAll(dish, planned.plan, others, options, log) };
      const chosen = better && better.methods !== planned.plan.methods ? planWith(dish, better.methods, options, log) : planned;
      const plan = chosen.status === "feasible" ? chosen.plan : planned.plan;
      return {
        status: "feasible",
        plan: { ...plan, boundMinutes: Math.min(plan.boundMinutes, better?.boundMinutes ?? plan.boundMinutes) }
      };
    }
    first ??= planned;
    proved &&= planned.proved;
    if (options.stop?.()) break;
  }
  return (first && { ...first, proved }) ?? {
    status: "infeasible",
    proved: true,
    conflict: [{ rule: "H5", steps: [], text: "No choice of methods makes what the others take." }]
  };
}
function weighMethods(dish, start, others, options, log) {
  const single = others.filter((methods) => Object.keys(methods).filter((c2) => methods[c2] !== start.methods[c2]).length === 1);
  const own = single.length > 0 ? leastOf(dish, start.methods, options, log) : void 0;
  let best = start;
  let boundMinutes = start.boundMinutes;
  const hopes = single.flatMap((methods) => {
    const bound = options.stop?.() ? void 0 : leastOf(dish, methods, options, log);
    if (bound) boundMinutes = Math.min(boundMinutes, bound.leadMinutes);
    return bound && own && bound.regret < own.regret ? [{ methods, ...bound }] : [];
  });
  for (const { methods } of hopes.sort((a, b) => a.regret - b.regret).slice(0, MOST_OTHERS)) {
    if (options.stop?.()) break;
    const planned = planWith(dish, methods, { ...options, rounds: 0 }, log);
    if (planned.status === "feasible" && planned.plan.regret.total < best.regret.total) best = planned.plan;
  }
  return { methods: best.methods, boundMinutes };
}
function shortestOfAll(dish, start, others, options, log) {
  let best = start;
  let boundMinutes = start.boundMinutes;
  for (const methods of others) {
    const bound = leastOf(dish, methods, options, log);
    if (!bound) continue;
    const planned = bound.leadMinutes < best.leadMinutes && !options.stop?.() ? planWith(dish, methods, options, log) : void 0;
    boundMinutes = Math.min(boundMinutes, planned?.status === "feasible" ? planned.plan.boundMinutes : bound.leadMinutes);
    if (planned?.status === "feasible" && planned.plan.leadMinutes < best.leadMinutes) best = planned.plan;
  }
  return { ...best, boundMinutes };
}
function leastOf(dish, methods, options, log) {
  const serveAt = options.serveAt ?? dish.serveAt;
  const style = options.style ?? "late";
  const compiled = compile({ dish, now: planningNow(dish, options), serveAt, planAt: options.planAt ?? "cautious", methods, log });
  if (compiled.status === "impossible") return void 0;
  const { model } = compiled;
  if (gainingCycle(2 * model.activities.length, model.lags)) return void 0;
  const search = new Search(model, seededRandom(1));
  if (search.root()) return void 0;
  const leadMinutes = serveAt - search.latestBeginning();
  return {
    leadMinutes,
    regret: style === "shortest" ? leadMinutes : leadMinutes / 60 * WEIGHTS[style].S1 + lossOf(methods, dish, style)
  };
}
var lossOf = (methods, dish, style) => style === "shortest" ? 0 : lostQuality({ methods }, dish) * WEIGHTS[style].S5;
function planWith(dish, methods, options, log, onFirst) {
  const now = planningNow(dish, options);
  const serveAt = options.serveAt ?? dish.serveAt;
  const style = options.style ?? "late";
  const seed = options.seed ?? 1;
  const stop = options.stop ?? (() => false);
  const compiled = compile({ dish, now, serveAt, planAt: options.planAt ?? "cautious", methods, log });
  if (compiled.status === "impossible") return refused(compiled.because);
  const { model } = compiled;
  const over = model.inForce.flatMap((s) => s.makes).find((o) => isOverTaken(balanceOf(dish, o.ref, o.quantity, model.inForce)));
  if (over) return refused({ rule: "H5", steps: [over.ref], text: `With these methods more is taken of "${over.name}" than is made.` });
  const cycle = gainingCycle(2 * model.activities.length, model.lags);
  if (cycle) return { status: "infeasible", proved: true, conflict: cycle.map((l) => l.because) };
  const search = new Search(model, seededRandom(seed));
  const rootFailure = search.root();
  if (rootFailure?.status === "none") return explainRoot(model, rootFailure);
  const frame = { style, seed, boundMinutes: serveAt - search.latestBeginning() };
  const check = (plan2) => verifyPlan(dish, plan2, { now, serveAt, log }).broken;
  options.onProgress?.({ phase: "first", done: 0 });
  const rounds2 = options.rounds ?? DEFAULT_ROUNDS;
  const conflicts = options.conflicts ?? CONFLICTS_A_CHOICE;
  let learner;
  const learning = () => {
    learner ??= new Learner(model, seed, style);
    return { model, search, learner, frame, check, stop };
  };
  const found = search.run(Math.min(conflicts, QUICK_CONFLICTS), guideFrom(model, options.previous), () => false);
  let plan = found.status === "found" ? checked(search, model, frame, check) : void 0;
  if (!plan && !options.quick) {
    const first = firstByLearning({ ...learning(), stop: () => false }, Math.min(conflicts, LEARNERS_CONFLICTS));
    if (first === "refuted") return { ...explainSearch(model, asNone(found, search)), proved: true };
    plan = first;
  }
  if (!plan && conflicts > QUICK_CONFLICTS) {
    const again = search.run(conflicts, guideFrom(model, options.previous), stop);
    plan = again.status === "found" ? checked(search, model, frame, check) : void 0;
    if (!plan) return explainSearch(model, asNone(again, search));
  }
  if (!plan) return explainSearch(model, asNone(found, search));
  if (rounds2 === 0 || stop() || onFirst?.(plan) === false) return { status: "feasible", plan };
  if (options.previous) return { status: "feasible", plan: improve(plan, { model, search, options, frame, check, stop }) };
  const onBetter = (better, done) => options.onProgress?.({ phase: "improving", done, leadMinutes: better.leadMinutes, regret: better.regret.total });
  const bench = { ...learning(), work: rounds2 * WORK_A_ROUND, onBetter };
  if (style === "shortest") {
    const { plan: shortest, boundMinutes } = shortened(plan, bench);
    return { status: "feasible", plan: { ...shortest, boundMinutes: Math.max(frame.boundMinutes, boundMinutes) } };
  }
  const cheapest = cheapened(plan, bench);
  return { status: "feasible", plan: { ...cheapest, boundMinutes: Math.max(frame.boundMinutes, bench.learner.leadBound()) } };
}
function checked(search, model, frame, check) {
  const plan = extractPlan(model, search.engine, frame);
  return plan && check(plan).length === 0 ? plan : void 0;
}
function asNone(found, search) {
  return found.status === "none" ? found : { status: "none", proved: false, activity: search.engine.failed.activity, rule: "H8", conflicts: found.conflicts };
}
function refused(because, proved = true) {
  return { status: "infeasible", proved, conflict: [because] };
}

// tests/core/generate.ts
function randomDish(seed, shape) {
  const random = seededRandom(seed);
  const chance = (p) => random() < p;
  const whole = (from2, to2) => Math.floor(from2 + random() * (to2 - from2 + 1));
  const one = (list) => list[Math.floor(random() * list.length)];
  const steps = shape?.steps ?? whole(4, 40);
  const cooks = shape?.cooks ?? whole(1, 2);
  const tight = shape?.tight ?? random();
  const plain = shape?.plain ?? false;
  const count2 = Math.max(1, Math.round(steps / 6));
  const components = [];
  let left = steps - 1;
  for (let c2 = 0; c2 < count2; c2++) {
    const size = c2 === count2 - 1 ? left : Math.min(left, whole(2, 10));
    left -= size;
    if (size < 1) break;
    const makeSteps = (n) => Array.from({ length: n }, (_, s) => randomStep(s, n, c2));
    const methods = [{ id: "first", steps: makeSteps(size) }];
    if (chance(0.15)) methods.push({ id: "quick", quality: 0.8, steps: makeSteps(Math.max(1, Math.round(size / 2))) });
    components.push({
      id: `c${c2}`,
      name: `Component ${c2}`,
      kind: one(["dough", "stock", "braise", "sauce"]),
      ...chance(0.1) ? { factor: 1.5 } : {},
      methods
    });
    if (left <= 0) break;
  }
  const takes = components.map((_, c2) => ({ from: `c${c2}.out`, amount: { amount: 0.5, unit: "kg" } }));
  components.push({
    id: "plate",
    name: "Plate",
    kind: "assembly",
    methods: [{ id: "only", steps: [{ id: "put", name: "Put together", time: "15m", after: [], takes }] }]
  });
  return {
    format: "rondeau/1",
    dish: {
      id: `random-${seed}`,
      name: "Random",
      timezone: one(["Europe/Dublin", "America/New_York", "Asia/Kolkata"]),
      baseServes: 4,
      serves: one([4, 6]),
      serveAt: one(["2026-10-18T13:00", "2026-10-25T18:30", "2026-06-20T20:00"]),
      serve: "plate.put"
    },
    components,
    kitchen: {
      cooks: [
        {
          id: "ada",
          hours: [
            { days: "mon-fri", from: "18:30", to: "22:00" },
            { days: "sat-sun", from: "08:00", to: "22:00" }
          ],
          away: [{ days: "mon-fri", from: "08:15", to: "18:00" }]
        },
        {
          id: "ben",
          hours: [
            { days: "sat", from: "14:00", to: "19:00" },
            { days: "sun", from: "09:00", to: "20:00" }
          ]
        }
      ].slice(0, cooks),
      equipment: [
        { id: "oven", kind: "oven", racks: 2, maxC: 250 },
        { id: "hob", kind: "burner", count: 3 },
        { id: "bath", kind: "bath", litres: 12 },
        { id: "pot-1", kind: "pot", litres: 10 },
        { id: "pot-2", kind: "pot", litres: 5 },
        { id: "pot-3", kind: "pot", litres: 2 },
        { id: "fridge", kind: "fridge", litres: 40 },
        { id: "mixer", kind: "mixer", litres: 5, cleanTakes: "5m" },
        { id: "tray", kind: "tray", count: 3 }
      ],
      windows: [
        ...chance(0.5) ? [{ weekly: { days: "all", from: "22:00", to: "07:30" }, forbid: ["noisy"], why: "neighbours" }] : [],
        ...chance(0.15) ? [
          {
            weekly: { days: "fri", from: "20:00", to: "21:00" },
            forbid: [one(["hands", "*", "heat", "start-heat"])],
            why: "a quiet hour"
          }
        ] : []
      ]
    }
  };
  function randomStep(s, n, c2) {
    const step = { id: `s${s}`, name: `Step ${c2}.${s}` };
    const attention = one(["hands", "hands", "nearby", "unattended"]);
    const likely = attention === "hands" ? 5 * whole(1, 8) : 15 * whole(1, attention === "nearby" ? 12 : 30);
    step.attention = attention;
    step.time = chance(0.3) ? { min: `${Math.ceil(likely * 0.8)}m`, likely: `${likely}m`, max: `${Math.ceil(likely * 1.4)}m` } : `${likely}m`;
    if (chance(0.1)) step.grows = 0.5;
    if (attention !== "hands" && chance(0.4) && likely >= 15) step.handsStart = "5m";
    if (attention !== "hands" && chance(0.4) && likely >= 15) step.handsEnd = "5m";
    if (attention !== "hands" && chance(0.15) && !plain) step.stretch = `${30 * whole(1, 8)}m`;
    if (attention === "hands" && likely >= 20 && chance(0.15) && !plain) step.split = { minPiece: "10m" };
    else if (chance(0.08)) step.batches = whole(2, 3);
    if (attention === "nearby" && likely >= 60 && chance(0.4))
      step.tend = { every: `${15 * whole(1, 4)}m`, takes: "3m", what: "see to it", ...chance(0.2) ? { fromEnd: true } : {} };
    if (chance(0.1)) step.tags = ["noisy"];
    const uses = [];
    if (attention === "hands") {
      if (chance(0.25)) uses.push({ what: "mixer", litres: 2 });
    } else if (chance(0.5)) {
      const heat = one(["burner", "oven", "bath", "fridge"]);
      if (heat === "burner")
        uses.push({ what: "burner" }, { what: "pot", litres: whole(1, 5), ...s + 1 < n && chance(0.4) ? { until: `s${s + 1}` } : {} });
      if (heat === "oven")
        uses.push({
          what: "oven",
          tempC: 10 * whole(12, 23),
          toleranceC: one([5, 10, 15]),
          racks: 1,
          ...chance(0.3) ? { mode: one(["fan", "still"]) } : {}
        });
      if (heat === "bath") uses.push({ what: "bath", tempC: whole(58, 85), toleranceC: 2, litres: whole(2, 5) });
      if (heat === "fridge") uses.push({ what: "fridge", litres: whole(1, 4) });
    }
    if (chance(0.1)) uses.push({ what: "tray", count: whole(1, 2) });
    if (uses.length) step.uses = uses;
    if (s > 0 && chance(0.35)) {
      const min = chance(0.5) ? 15 * whole(0, 40) : 0;
      const max = chance(0.3 + 0.5 * tight) ? min + Math.round((240 + random() * 2880) * (1.2 - tight)) : void 0;
      step.after = [
        {
          step: `s${s - 1}`,
          min: `${min}m`,
          ...max !== void 0 ? { max: `${max}m` } : {},
          ...chance(0.4) ? { place: "fridge", litres: whole(1, 3) } : {}
        }
      ];
    }
    if (s > 1 && chance(0.15)) step.after = [`s${s - 1}`, `s${s - 2}`];
    if (s === n - 1) {
      step.makes = [{ id: "out", amount: { amount: 1, unit: "kg" }, ...chance(0.8) ? { holds: randomHolds() } : {} }];
      if (c2 > 0 && chance(0.4)) step.takes = [{ from: `c${whole(0, c2 - 1)}.out`, amount: { amount: 0.1, unit: "kg" } }];
    }
    return step;
  }
  function randomHolds() {
    const holds = [{ place: "counter", max: `${whole(1, 4)}h`, limit: "safety" }];
    if (chance(0.8)) {
      const min = chance(0.4) ? whole(2, 10) : 0;
      holds.push({
        place: "fridge",
        litres: whole(1, 4),
        ...min ? { min: `${min}h` } : {},
        best: [`${min + 2}h`, `${min + 20}h`],
        max: `${min + whole(24, 96)}h`,
        limit: "safety"
      });
    }
    return holds;
  }
}

// tests/core/generate-rich.ts
var kg = (amount) => ({ amount, unit: "kg" });
function richDish(seed, shape) {
  const random = seededRandom(seed + 17);
  const chance = (p) => random() < p;
  const whole = (from2, to2) => Math.floor(from2 + random() * (to2 - from2 + 1));
  const document = randomDish(seed, { steps: whole(6, 24), ...shape });
  const plate = document.components.at(-1);
  const put = plate.methods[0].steps[0];
  const add = (component) => document.components.splice(document.components.length - 1, 0, component);
  const onPlate = (from2, extra = {}) => put.takes.push({ from: from2, amount: kg(0.2), ...extra });
  if (chance(0.5)) {
    add({
      id: "larder",
      name: "From the larder",
      kind: "pickle",
      methods: [],
      onHand: [
        {
          output: "jar",
          amount: kg(2),
          madeAt: "2026-05-01T12:00",
          holds: [{ place: "cellar", litres: 1, min: "7d", max: "300d", limit: "quality" }]
        }
      ]
    });
    onPlate("larder.jar");
  }
  if (chance(0.6)) document.components[0].fallback = { name: "Bought", lead: "45m", quality: 0.5 };
  if (chance(0.6)) {
    const batches = whole(2, 3);
    const each = chance(0.7);
    add({
      id: "rolls",
      name: "Rolls",
      kind: "filling",
      methods: [
        {
          id: "only",
          steps: [
            {
              id: "shape",
              name: "Shape",
              time: "12m",
              batches,
              makes: [{ id: "raw", amount: kg(2), holds: [{ place: "counter", max: "3h", limit: "safety" }] }]
            },
            {
              id: "fry",
              name: "Fry",
              time: "15m",
              attention: chance(0.5) ? "hands" : "nearby",
              batches,
              ...chance(0.3) ? { tend: { every: "10m", takes: "2m", what: "turn" } } : {},
              uses: [{ what: "burner" }, { what: "pot", litres: 2 }],
              takes: [{ from: "rolls.raw", amount: kg(1), ...each ? { each: true } : {} }],
              makes: [
                {
                  id: "done",
                  amount: kg(2),
                  holds: [
                    { place: "counter", max: "6h", limit: "quality" },
                    { place: "freezer", litres: 3, max: "30d", limit: "quality" }
                  ]
                }
              ]
            }
          ]
        }
      ]
    });
    onPlate("rolls.done");
  }
  if (chance(0.6)) {
    add({
      id: "broth",
      name: "Broth",
      kind: "stock",
      methods: [
        {
          id: "only",
          steps: [
            {
              id: "simmer",
              name: "Simmer",
              attention: "nearby",
              time: { min: "3h", likely: "4h", max: "5h" },
              stretch: "1h",
              handsStart: "5m",
              tend: { every: "1h", takes: "3m", what: "skim" },
              uses: [{ what: "burner" }, { what: "pot", litres: 8, until: "strain" }],
              makes: [
                { id: "liquor", amount: kg(4), holds: [{ place: "fridge", litres: 3, best: ["2h", "1d"], max: "3d", limit: "safety" }] }
              ]
            },
            {
              id: "steam",
              name: "Steam over it",
              attention: "unattended",
              time: "40m",
              after: [],
              within: "simmer",
              makes: [{ id: "steamed", amount: kg(1) }]
            },
            { id: "strain", name: "Strain", time: "10m", after: ["simmer"] },
            {
              id: "glaze",
              name: "Glaze",
              attention: "nearby",
              time: "20m",
              after: [],
              uses: [{ what: "burner" }, { what: "pot", litres: 1 }],
              takes: [{ from: "broth.liquor", amount: kg(0.2), ...chance(0.7) ? { during: "2h" } : {} }],
              makes: [
                {
                  id: "glaze",
                  amount: kg(0.5),
                  holds: [
                    { place: "counter", max: "4h", limit: "safety" },
                    { place: "fridge", litres: 0.5, max: "4d", limit: "safety" }
                  ]
                }
              ]
            }
          ]
        }
      ]
    });
    onPlate("broth.steamed");
    onPlate("broth.glaze");
  }
  if (chance(0.5)) {
    add({
      id: "roast",
      name: "Roast",
      kind: "roast",
      methods: [
        {
          id: "only",
          steps: [
            { id: "sear", name: "Sear", attention: "nearby", time: "20m", uses: [{ what: "oven", tempC: 220, toleranceC: 10 }] },
            {
              id: "slow",
              name: "Slow",
              attention: "nearby",
              time: "2h",
              after: [{ step: "sear", max: "0m" }],
              uses: [{ what: "oven", tempC: 120, toleranceC: 10, ramp: true }],
              makes: [
                {
                  id: "joint",
                  amount: kg(2),
                  holds: [{ place: "counter", min: "20m", best: ["20m", "45m"], max: "90m", limit: "quality" }]
                }
              ]
            }
          ]
        }
      ]
    });
    onPlate("roast.joint");
  }
  if (chance(0.5)) {
    document.components.push({
      id: "pudding",
      name: "Pudding",
      kind: "sweet",
      course: "pudding",
      methods: [
        {
          id: "only",
          steps: [
            {
              id: "set",
              name: "Set",
              time: "15m",
              makes: [
                {
                  id: "cream",
                  amount: kg(1),
                  holds: [{ place: "fridge", litres: 2, min: "4h", best: ["8h", "1d"], max: "2d", limit: "safety" }]
                }
              ]
            },
            { id: "turn", name: "Turn out", time: "5m", after: [], takes: [{ from: "pudding.cream", amount: kg(1) }] }
          ]
        }
      ]
    });
    document.dish.courses = [{ name: "Pudding", serve: "pudding.turn", after: "45m" }];
  }
  const { equipment: equipment2, cooks } = document.kitchen;
  equipment2.push({ id: "freezer", kind: "freezer", litres: 10 }, { id: "cellar", kind: "cellar", litres: 30 });
  if (chance(0.3)) equipment2.push({ id: "oven-2", kind: "oven", racks: 1, maxC: 200 });
  if (chance(0.4)) {
    const day = document.dish.serveAt.slice(0, 10);
    equipment2.push({ id: "kettle", kind: "grill", racks: 1, maxC: 250, available: [{ from: `${day}T06:00`, to: `${day}T23:30` }] });
    add({
      id: "smoked",
      name: "Smoked",
      kind: "roast",
      methods: [
        {
          id: "only",
          steps: [
            {
              id: "smoke",
              name: "Smoke",
              attention: "nearby",
              time: "50m",
              handsEnd: "5m",
              uses: [
                { what: "grill", tempC: 110, toleranceC: 15 },
                { what: "tray", part: "hands" }
              ],
              makes: [{ id: "out", amount: kg(1), holds: [{ place: "counter", max: "2h", limit: "safety" }] }]
            }
          ]
        }
      ]
    });
    onPlate("smoked.out");
  }
  if (cooks.length > 1 && chance(0.4)) put.cooks = ["ada"];
  return document;
}

// ../../tmp/rich.ts
var [from, to, rounds] = [Number(process.argv[2]), Number(process.argv[3]), Number(process.argv[4] ?? 6)];
var styles = ["late", "ahead", "even", "shortest"];
var c = { feasible: 0, none: 0, gaveup: 0, broken: 0, above: 0, slow: 0, refused: 0, proved: 0 };
for (let s = from; s < to; s++) {
  const r0 = readDish(JSON.stringify(richDish(s)));
  if (r0.status === "refused") {
    c.refused++;
    if (c.refused < 4) console.log(s, r0.problems[0]);
    continue;
  }
  const dish = dishModel(r0.document);
  const t = performance.now();
  try {
    const r = planDish(dish, { rounds, style: styles[s % 4] });
    if (performance.now() - t > 3e3) {
      c.slow++;
      console.log("slow", s, (performance.now() - t).toFixed(0), r.status);
    }
    if (r.status === "infeasible") {
      if (r.proved) c.none++;
      else {
        c.gaveup++;
        console.log("gave up", s, r.conflict[0]?.text.slice(0, 160));
      }
      continue;
    }
    c.feasible++;
    if (s % 4 === 3 && r.plan.leadMinutes === r.plan.boundMinutes) c.proved++;
    const b = verifyPlan(dish, r.plan).broken;
    if (b.length) {
      c.broken++;
      console.log("broken", s, b[0].rule, b[0].why);
    }
    if (r.plan.boundMinutes > r.plan.leadMinutes) {
      c.above++;
      console.log("above", s);
    }
  } catch (e) {
    console.log("THROWS", s, e.stack?.slice(0, 400));
  }
}
console.log(JSON.stringify(c));

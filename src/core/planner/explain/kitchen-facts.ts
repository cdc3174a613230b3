// Facts of the kitchen and the hour: whose hands when, which things, quiet times, what the cook has fixed, now.
import { type Cook, type Dish, type Equipment, HEATED, STORES, type Window } from "../../dish/model";
import { lower } from "../../sentence";
import type { Hours } from "../../time/calendar";
import type { StepPin } from "../log";
import { type Draft, type Fact, type FactKind, FOREVER } from "./fact";
import { hoursText, momentText } from "./words";

const ALWAYS: readonly Hours[] = [{ days: "all", from: "00:00", to: "24:00" }];

export function onePairOf(cook: Cook): Fact {
  return {
    kind: "one-pair",
    rule: "H6",
    steps: [],
    about: cook.id,
    safety: false,
    text: `${cook.name} has one pair of hands.`,
    letGo: (d) => {
      const clones = Array.from({ length: 6 }, (_, i) => ({ ...(d.cooks.find((c) => c.id === cook.id) as Cook), id: `${cook.id} ${i}` }));
      d.cooks.push(...clones);
      for (const step of d.steps.values()) if (step.cooks?.includes(cook.id)) step.cooks = [...step.cooks, ...clones.map((c) => c.id)];
    },
  };
}

export function timesOf(cook: Cook): Fact[] {
  const set = (change: Partial<Cook>) => (d: Draft) => {
    for (const c of d.cooks) if (c.id === cook.id || c.id.startsWith(`${cook.id} `)) Object.assign(c, change);
  };
  const facts: Fact[] = [];
  const add = (kind: FactKind, text: string, change: Partial<Cook>) =>
    facts.push({ kind, rule: "H6", steps: [], about: cook.id, safety: false, text, letGo: set(change) });
  if (cook.hours) add("hours", `${cook.name} works ${hoursText(cook.hours)}.`, { hours: ALWAYS });
  add("awake", `${cook.name} is awake ${hoursText(cook.awake)}.`, cook.hours ? { awake: ALWAYS } : { awake: ALWAYS, hours: ALWAYS });
  if (cook.away.length) add("away", `${cook.name} is away ${hoursText(cook.away)}.`, { away: [] });
  return facts;
}

export function equipmentOf(equipment: Equipment): Fact[] {
  const heated = (HEATED as readonly string[]).includes(equipment.kind);
  const store = (STORES as readonly string[]).includes(equipment.kind);
  const size = equipment.litres === undefined ? "" : ` of ${equipment.litres} L`;
  const facts: Fact[] = [
    {
      kind: "equipment",
      rule: heated ? "H10" : store ? "H11" : "H9",
      steps: [],
      about: equipment.id,
      safety: false,
      text: store
        ? `The ${lower(equipment.name)} has ${equipment.litres ?? "unlimited"} L.`
        : heated
          ? `There is one ${lower(equipment.name)}${equipment.kind === "bath" ? size : ` with ${equipment.racks} rack${equipment.racks === 1 ? "" : "s"}`}, at one heat at a time.`
          : `There ${equipment.count === 1 ? "is one" : `are ${equipment.count}`} ${lower(equipment.name)}${size}.`,
      letGo: (d) => {
        if (store) for (const e of d.equipment) if (e.id === equipment.id) e.litres = undefined;
        if (heated) {
          const twin = d.equipment.find((e) => e.id === equipment.id) as Equipment;
          d.equipment.push(
            ...Array.from({ length: 6 }, (_, i) => ({ ...twin, id: `${equipment.id} ${i}`, racks: 50, litres: undefined, maxC: 600 })),
          );
        } else if (!store)
          for (const e of d.equipment)
            if (e.id === equipment.id) Object.assign(e, { count: Math.max(e.count, 40), litres: undefined, pieces: undefined });
      },
    },
  ];
  if (equipment.available) {
    facts.push({
      kind: "available",
      rule: "H9",
      steps: [],
      about: equipment.id,
      safety: false,
      text: `The ${lower(equipment.name)} is available ${hoursText(equipment.available)}.`,
      letGo: (d) => {
        for (const e of d.equipment) if (e.id === equipment.id || e.id.startsWith(`${equipment.id} `)) e.available = undefined;
      },
    });
  }
  return facts;
}

export function windowOf(window: Window): Fact {
  return {
    kind: "window",
    rule: "H12",
    steps: [],
    about: window.why,
    safety: false,
    text: `Nothing ${[...window.forbid].map((f) => (f === "*" ? "that needs anybody" : f)).join(", ")} ${hoursText(window.hours)}${window.why ? ` (${window.why})` : ""}.`,
    letGo: (d) => (d.windows = d.windows.filter((w) => w !== window)),
  };
}

export function pinOf(pin: StepPin, dish: Dish, nameOf: (ref: string) => string): Fact {
  const said = [
    pin.at !== undefined && `at ${momentText(dish, pin.at)}`,
    pin.notBefore !== undefined && `not before ${momentText(dish, pin.notBefore)}`,
    pin.notAfter !== undefined && `not after ${momentText(dish, pin.notAfter)}`,
    pin.cook !== undefined && `by ${dish.cooks.find((c) => c.id === pin.cook)?.name ?? pin.cook}`,
  ].filter(Boolean);
  return {
    kind: "pin",
    rule: "pin",
    steps: [pin.step],
    about: pin.step,
    safety: false,
    text: `You fixed "${nameOf(pin.step)}" ${said.join(", ")}.`,
    letGo: (d) => (d.pins = d.pins.filter((p) => p !== pin)),
  };
}

export function nowOf(dish: Dish, now: number): Fact {
  return {
    kind: "now",
    rule: "H2",
    steps: [],
    about: "",
    safety: false,
    text: `It is ${momentText(dish, now)}; nothing can start earlier.`,
    letGo: (d) => (d.now -= FOREVER),
  };
}

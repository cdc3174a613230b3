// Time between 5 and 60 °C, added up along each food's route through its steps and waits in the plan, raw and cooked, to the table.

import { withStep } from "../../dish/edit/places";
import { dangerZoneAccount } from "../../measures/heat/verdicts";
import { spokenDuration } from "../../time/duration";
import { cautioned, doublings, type Finding, type Mend } from "../finding";
import { type Item, isOf, likelyMinutes, type Part, type PartStep } from "../part";
import { DRY, isGrowing, isRawFlesh, killsGerms, type SafetyScene } from "../scene";
import { hangsCured } from "../states/hung";
import { cooledPart } from "./cooling";

type Leg = Parameters<typeof dangerZoneAccount>[0]["legs"][number];
const [ROOM, FRIDGE, CELLAR, HOT, FREEZER] = [21, 4, 12, 65, -18];
/** What was in the cold and out of it for some minutes of work is no warmer, and goes back before it is. */
const STILL_COLD_C = 12;
/** Above this nothing grows. */
const HOT_C = 60;
/** How fast what stands in a room comes to its temperature, min: a dish of a kilo or two. */
const SETTLES_MIN = 120;
/** Work in which food is meant to stand warm: things grow in it that keep others out, or make it rise. */
const MEANT_WARM = /\b(?:soak|cultur|ferment|sour|prove|proof|ris[ei]|ripen|set\b.*culture|yogh?urt|dehydrat|air-?dry)|^dr(?:y|ying)\b/i;
/** Whether food may be warm in a step: it ferments or rises, it is cured meat that hangs, or no ingredient so far has to be kept cold. */
function isMeant(part: Part, step: PartStep): boolean {
  return MEANT_WARM.test(step.name) || hangsCured(part, step) || isCultured(part) || needsNoCold(part, step);
}
/** Up to the end of a step no ingredient has to be kept cold, and nothing has been cooked. */
function needsNoCold(part: Part, step: PartStep | undefined): boolean {
  if (!step) return false;
  const at = part.steps.indexOf(step);
  const soFar = part.steps.slice(0, at + 1);
  if (soFar.some((s) => killsGerms(s) || (s.step.takes ?? []).length > 0)) return false;
  // Beans in water, prunes in brandy, a batter of flour and water: raw, and of plants alone.
  return !part.items.some((i) => i.enters <= at && NEEDS_COLD(i));
}
const NEEDS_COLD = (i: Item) => isRawFlesh(i) || isAnimal(i);
const isAnimal = isOf(
  "egg",
  "milk",
  "milk-raw",
  "cream",
  "cheese-fresh",
  "cheese-soft",
  "stock",
  "offal",
  "poultry-offal",
  "blood",
  "sausage",
  "bones",
  "fish-smoked",
  "cured-cooked",
);
/** Uncooked cream or milk in a component that is called cultured, kefir or yoghurt. */
const isCultured = (part: Part) =>
  /\bcultured?\b|\bkefir|\byogh?urt/i.test(part.component.name) &&
  part.items.some(isOf("milk", "cream", "milk-raw")) &&
  !part.steps.some(killsGerms);
/** What the account takes. */
const [MOST_LEGS, LONGEST_LEG_MIN] = [60, 20_000];
/** The most, and half of it for guests who need care and for food that only stands, min. */
const [MOST_MIN, CARE_MIN] = [240, 120];

interface Stay {
  readonly component: string;
  readonly what: string;
  readonly from: number;
  readonly to: number;
  readonly place: string;
  /** The step that stands there, or whose output waits there. */
  readonly step: string;
  readonly output?: string;
  /** The step that it waits for. */
  readonly toStep?: string;
  readonly cooks: boolean;
  readonly cools: boolean;
  readonly meant: boolean;
  /** A wait of which the dish says nothing, before a step in the fridge or freezer. */
  readonly onItsWayToTheCold?: boolean;
  /** A wait that the dish does not mention. */
  readonly unstated?: boolean;
}

/** A food's own steps and waits in the order of the plan, and then those of whatever takes it, to the table. */
function route(part: Part, scene: SafetyScene): readonly Stay[] {
  const { view, parts } = scene;
  if (!view) return inTurn(part);
  const stays: Stay[] = [];
  const seen = new Set<string>();
  let here: Part | undefined = part;
  let since = Number.NEGATIVE_INFINITY;
  while (here && !seen.has(here.component.id)) {
    const id: string = here.component.id;
    seen.add(id);
    const cooled = cooledPart(here)?.step.ref;
    for (const s of here.steps) {
      const p = s.planned;
      if (!p || p.end <= since) continue;
      stays.push({
        component: id,
        what: s.name,
        from: Math.max(p.start, since),
        to: p.end,
        place: placeOf(s, p.place),
        step: s.ref,
        cooks: killsGerms(s),
        cools: s.ref === cooled,
        meant: isMeant(here, s),
      });
    }
    // The last of it leaves for another component: the wait on the way, and that component from the step that takes it.
    const out = view.waits.filter((w) => w.component === id && !w.toStep.startsWith(`${id}.`)).sort((a, b) => b.to - a.to)[0];
    for (const w of view.waits.filter(
      (x) => x.component === id && x.to > since && !DRY.test(x.name) && (x === out || x.toStep.startsWith(`${id}.`)),
    ))
      stays.push({
        component: id,
        what: `waits as ${w.name.toLowerCase()}`,
        from: Math.max(w.from, since),
        to: w.to,
        place: w.place,
        step: w.fromStep,
        output: w.name,
        toStep: w.toStep,
        unstated: w.window === undefined,
        onItsWayToTheCold: w.window === undefined && standsCold(here.steps.find((s) => s.ref === w.toStep)),
        cooks: false,
        cools: false,
        meant: needsNoCold(
          here,
          here.steps.find((s) => s.ref === w.fromStep),
        ),
      });
    const next: string | undefined = out?.toStep.split(".")[0];
    since = out ? out.to : Number.POSITIVE_INFINITY;
    here = next === undefined ? undefined : parts.find((p) => p.component.id === next);
  }
  return stays.sort((a, b) => a.from - b.from);
}

/** Without a plan: the part's own steps one behind another, each as long as it is likely to take. */
function inTurn(part: Part): readonly Stay[] {
  const cooled = cooledPart(part)?.step.ref;
  let from = 0;
  return part.steps.map((s): Stay => {
    const to = from + likelyMinutes(s.step);
    const store = (s.step.uses ?? []).find((u) => u.what === "fridge" || u.what === "freezer" || u.what === "cellar")?.what ?? "counter";
    const stay = {
      component: part.component.id,
      what: s.name,
      from,
      to,
      place: placeOf(s, store),
      step: s.ref,
      cooks: killsGerms(s),
      cools: s.ref === cooled,
      meant: isMeant(part, s),
    };
    from = to;
    return stay;
  });
}

const standsCold = (s: PartStep | undefined) =>
  s !== undefined && (s.step.uses ?? []).some((u) => u.what === "fridge" || u.what === "freezer");

/** Where a step stands: as the plan has it, or as its words say it. */
const placeOf = (s: PartStep, planned: string): string =>
  /\bfridge\b|\brefrigerat|\bon ice\b|\bchill(?:ed|er|ing)?\b/i.test(s.words) ? "fridge" : /\bfreez/i.test(s.name) ? "freezer" : planned;

const around = (place: string) =>
  place === "fridge" ? FRIDGE : place === "freezer" ? FREEZER : place === "cellar" ? CELLAR : place === "hot" ? HOT : ROOM;

/** Food above this is still warm from cooking, °C. */
const NOT_HOT_C = 25;
/** The longest wait that nobody would put food away for, min. */
const PUT_AWAY_MIN = 60;

/** A leg, and the stay that it is of. */
type OwnLeg = Leg & { readonly stay: Stay };

/** From the fridge or the shop, where it is cold, to the table; and the waits in which it is put back into the fridge. */
function legsOf(stays: readonly Stay[]): { readonly legs: readonly OwnLeg[]; readonly putAway: readonly Stay[] } {
  let temp = FRIDGE;
  const legs: OwnLeg[] = [];
  const putAway: Stay[] = [];
  for (const stay of stays) {
    const minutes = stay.to - stay.from;
    if (minutes <= 0) continue;
    const leg = (length: number, fromC: number, toC: number, cookStep = false) =>
      legs.push({ stay, place: stay.what, minutes: Math.min(length, LONGEST_LEG_MIN), fromC, toC, cookStep });
    if (stay.cooks) {
      leg(minutes, 90, 90, true);
      temp = 90;
      continue;
    }
    // What sours or rises on purpose is meant to stand warm.
    if (stay.meant) {
      temp = ROOM;
      continue;
    }
    // What was chilled, and is to stand cold next, is put there at once where the dish says nothing of a wait between.
    if (stay.onItsWayToTheCold && temp <= STILL_COLD_C) continue;
    // The dish does not mention this wait and it is long: food that is not hot goes into the fridge meanwhile, and a Note says so.
    if (stay.unstated && !stay.meant && minutes > PUT_AWAY_MIN && temp <= NOT_HOT_C) {
      putAway.push(stay);
      temp = FRIDGE;
      continue;
    }
    const to = around(stay.place);
    if (stay.cools || to <= FRIDGE) {
      // How fast a pot cools is judged by the rule of cooling; what stands cold is out of the zone.
      temp = Math.min(to, FRIDGE);
      continue;
    }
    // A straight line would keep food lukewarm for the whole of a long wait: it is cut where it has settled.
    // What comes hot from the fire is out of the zone until it has cooled to 60 °C.
    const hot = temp > HOT_C && to < HOT_C ? Math.min(minutes, SETTLES_MIN * Math.log((temp - to) / (HOT_C - to))) : 0;
    if (hot > 0) {
      const then = to + (temp - to) * Math.exp(-hot / SETTLES_MIN);
      leg(hot, temp, then);
      temp = then;
    }
    const left = minutes - hot;
    const settling = Math.min(left, 3 * SETTLES_MIN);
    const end = settling < left ? to : to + (temp - to) * Math.exp(-left / SETTLES_MIN);
    leg(settling, temp, end);
    if (settling < left) leg(left - settling, to, to);
    temp = end;
  }
  return { legs: legs.slice(-MOST_LEGS), putAway };
}

const SOON = "30m";
/** A wait of which the dish says nothing, between two steps of one component: the second follows the first. */
function sooner(stay: Stay, first: PartStep, parts: readonly Part[]): Mend[] {
  const next = parts.flatMap((p) => p.steps).find((s) => s.ref === stay.toStep);
  if (!next || next.place.component !== first.place.component) return [];
  const id = first.step.id;
  return [
    {
      label: `“${next.name}” within half an hour of “${first.name}”`,
      apply: (d) =>
        withStep(d, next.place, (s) => ({
          ...s,
          after: [...(s.after ?? []).filter((a) => (typeof a === "string" ? a : a.step) !== id), { step: id, max: SOON }],
        })),
    },
  ];
}

/** What would take the longest stay out of the warm: a wait goes into the fridge, a step that only stands is cut short. */
function cooler(stay: Stay, { parts }: SafetyScene): Mend[] {
  const step = parts.flatMap((p) => p.steps).find((s) => s.ref === stay.step);
  if (!step) return [];
  if (stay.output === undefined)
    return step.step.attention === "unattended" && !stay.meant && !stay.cooks
      ? [{ label: `“${step.name}” for one hour at most`, apply: (d) => withStep(d, step.place, (s) => ({ ...s, time: "1h" })) }]
      : [];
  const made = step.step.makes?.find((o) => (o.name ?? o.id) === stay.output);
  const warm = made?.holds?.find((h) => h.place === stay.place);
  if (!made || (!warm && (made.holds?.length ?? 0) > 0)) return sooner(stay, step, parts);
  const soon = warm ? [] : sooner(stay, step, parts);
  if (soon.length > 0) return soon;
  const fridge = {
    place: "fridge" as const,
    litres: warm?.litres ?? 1,
    ...(warm?.min ? { min: warm.min } : {}),
    max: "2d",
    limit: "safety" as const,
  };
  return [
    {
      label: `It waits in the fridge, two days at most`,
      apply: (d) =>
        withStep(d, step.place, (s) => ({
          ...s,
          makes: (s.makes ?? []).map((o) =>
            o.id === made.id
              ? { ...o, holds: [...(o.holds ?? []).filter((h) => h.place !== stay.place && h.place !== "fridge"), fridge] }
              : o,
          ),
        })),
    },
  ];
}

/** A wait that only the plan makes: the cook is told to put the food into the fridge meanwhile. */
function putAwayNote(id: string, putAway: readonly Stay[]): Finding[] {
  const length = (stay: Stay) => stay.to - stay.from;
  const longest = putAway.filter((stay) => stay.component === id).sort((a, b) => length(b) - length(a))[0];
  if (!longest) return [];
  return [
    cautioned("cooked-then-warm", `between:${id}`, {
      component: id,
      severity: "note",
      basis: "planned",
      title: "Put it in the fridge while it waits",
      computed: `The plan has a wait of ${spokenDuration(Math.round(length(longest) / 5) * 5)} after “${longest.what.replace(/^waits as /, "")}”, and the dish does not say where.`,
      way: "in the fridge until the next step",
    }),
  ];
}

/** Nobody works on it and nothing heats it. */
function standsAlone({ parts }: SafetyScene, stay: Stay): boolean {
  const step = parts.flatMap((p) => p.steps).find((s) => s.ref === stay.step);
  return (
    (stay.output !== undefined && !stay.unstated) ||
    (stay.output === undefined && step !== undefined && step.step.attention === "unattended")
  );
}

export function dangerTime(scene: SafetyScene): Finding[] {
  const limit = (scene.document.dish.guests?.care ?? []).length > 0 ? CARE_MIN : MOST_MIN;
  return scene.parts.flatMap((part): Finding[] => {
    const { id, name, kind } = part.component;
    // What is soured on purpose is sour when it waits.
    if (!isGrowing(part) || (kind === "dairy" && part.steps.some((s) => MEANT_WARM.test(s.name)))) return [];
    const { legs, putAway } = legsOf(route(part, scene));
    const note = putAwayNote(id, putAway);
    if (legs.length === 0) return note;
    // Cooking begins the account anew, unless it comes after more than four hours: what has grown by then may outlast it.
    const account = dangerZoneAccount({ legs });
    const worst = account.rows.map((row, i) => ({ ...row, stay: legs[i]?.stay })).sort((a, b) => b.minutes - a.minutes)[0];
    // Four hours in all, and two for food that only stands.
    const stands = (worst?.stay && standsAlone(scene, worst.stay) ? worst.minutes : 0) > CARE_MIN;
    if (account.effectiveMin <= (stands ? CARE_MIN : limit)) return note;
    // Where it stands too long as part of another food, that one says it.
    if (worst?.stay?.component !== id && scene.parts.some((p) => p.component.id === worst?.stay?.component && isGrowing(p))) return note;
    const minutes = Math.round(account.effectiveMin / 5) * 5;
    return [
      ...note,
      cautioned("cooked-then-warm", id, {
        component: id,
        severity: account.effectiveMin > MOST_MIN ? "stop" : "warn",
        title: `${name} is too long between 5 and 60 °C`,
        ...(scene.view ? { basis: "planned" as const } : {}),
        known: doublings(minutes),
        computed: `${spokenDuration(minutes)} between 5 and 60 °C before serving, most of it in “${worst?.place ?? ""}” (${spokenDuration(Math.round(worst?.minutes ?? 0))}). ${limit === CARE_MIN ? "For guests who need care two hours at most." : "Two hours at most where it only stands, four in all."}`,
        mends: worst?.stay ? cooler(worst.stay, scene) : [],
      }),
    ];
  });
}

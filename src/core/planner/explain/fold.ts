// A conflict short enough for a cook: steps that follow at once are one stretch, a request for a place is shown next to what that place holds,
// what is said of one step is one sentence, and at most eight remain. Only the telling is folded; what was proved stays as it is.
import { componentOf, type Dish, STORES, type Step } from "../../dish/model";
import { type PlanAt, plannedLength } from "../../dish/planned-length";
import { lower } from "../../sentence";
import { spokenDuration } from "../../time/duration";
import type { Clashing } from "../plan";
import type { Fact } from "./fact";

/** So soon after one another, steps are told as one stretch. */
const AT_ONCE_MINUTES = 10;
/** Two steps are told as they are. */
const LEAST_CHAIN = 3;
export const MOST_FACTS = 8;
/** What is left out first where too many remain: the plain order of steps says least. */
const LEAST_TELLING: readonly string[] = ["take", "link-min", "awake", "equipment"];

/** @param inForce steps of the choice of methods that the conflict is about */
export function folded(facts: readonly Fact[], dish: Dish, inForce: readonly Step[], planAt: PlanAt): Clashing[] {
  const open = new Set(facts);
  const steps = new Map(inForce.map((s) => [s.ref, s]));
  const told: Clashing[] = [...stretches(open, steps, planAt), ...shares(open, dish, inForce), ...aboutSteps(open)];
  for (const fact of open) told.push(fact);
  // In the order in which the conflict has them.
  const place = (c: Clashing) => facts.findIndex((f) => f === c || (f.steps.length > 0 && f.steps.every((s) => c.steps.includes(s))));
  const sorted = told.sort((a, b) => (place(a) + 1 || 999) - (place(b) + 1 || 999));
  for (const kind of LEAST_TELLING) {
    for (let i = sorted.length - 1; i >= 0 && sorted.length > MOST_FACTS; i--) if (sorted[i]?.kind === kind) sorted.splice(i, 1);
  }
  if (sorted.length <= MOST_FACTS) return sorted;
  // What a cook or a thing cannot do is told by itself: no step stands for it.
  const rest: Clashing[] = [];
  for (let i = sorted.length - 1; i >= 0 && sorted.length > MOST_FACTS - 1; i--)
    if (sorted[i]?.steps.length) rest.unshift(...sorted.splice(i, 1));
  if (rest.length === 0) return sorted;
  const names = [
    ...new Set(
      rest
        .flatMap((c) => c.steps)
        .map((r) => steps.get(r)?.name)
        .filter((n) => n !== undefined),
    ),
  ];
  return [
    ...sorted,
    {
      rule: "H3",
      steps: rest.flatMap((c) => c.steps),
      kind: "more",
      text: `${listed(names)} ${names.length === 1 ? "is" : "are"} part of it too.`,
    },
  ];
}

const MOST_NAMED = 4;

/** @example listed(["Roast", "Rest"]) // "\"Roast\" and \"Rest\"" */
function listed(names: readonly string[]): string {
  const more = names.length - MOST_NAMED;
  const all = names.slice(0, MOST_NAMED).map((n) => `"${n}"`);
  if (more > 0) all.push(more === 1 ? "one more step" : `${more} more steps`);
  return all.length > 1 ? `${all.slice(0, -1).join(", ")} and ${all.at(-1)}` : (all[0] ?? "");
}

/** Steps that follow one another at once: "crust to jelly is 6 h in one go". Their lengths and links go into it. */
function stretches(open: Set<Fact>, steps: ReadonlyMap<string, Step>, planAt: PlanAt): Clashing[] {
  const next = new Map<string, Fact>();
  for (const fact of open) {
    if (fact.kind !== "link-max") continue;
    const [from = "", to = ""] = fact.steps;
    const link = steps.get(to)?.links.find((l) => l.step === from);
    if (link?.from === "end" && link.max !== undefined && link.max <= AT_ONCE_MINUTES) next.set(from, fact);
  }
  const found: Clashing[] = [];
  const begins = [...next.keys()].filter((ref) => ![...next.values()].some((f) => f.steps[1] === ref));
  for (const begin of begins) {
    const chain = [begin];
    for (let at = next.get(begin); at && chain.length < 50; at = next.get(at.steps[1] as string)) chain.push(at.steps[1] as string);
    if (chain.length < LEAST_CHAIN) continue;
    const length = chain.reduce((sum, ref) => {
      const step = steps.get(ref);
      return sum + (step ? plannedLength(step.time, planAt, step.k, step.grows) * step.batches : 0);
    }, 0);
    const [first, last] = [steps.get(chain[0] as string), steps.get(chain.at(-1) as string)];
    const safety = [...open].some((f) => f.safety && f.kind === "link-max" && f.steps.every((s) => chain.includes(s)));
    for (const fact of open) {
      const own = fact.steps.length > 0 && fact.steps.every((s) => chain.includes(s));
      if (own && ["length", "link-max", "link-min"].includes(fact.kind)) open.delete(fact);
    }
    found.push({
      rule: "H3",
      steps: chain,
      kind: "stretch",
      about: chain[0] as string,
      text: `"${first?.name}" to "${last?.name}" is ${spokenDuration(length)} without a break${safety ? ", for safety" : ""}.`,
    });
  }
  return found;
}

const litresText = (litres: number) => `${Number(litres.toPrecision(3))} L`;

/** What wants to be in a place, by component, and what the place holds: one sentence for each place of the conflict. */
function shares(open: Set<Fact>, dish: Dish, inForce: readonly Step[]): Clashing[] {
  return dish.equipment.flatMap((equipment): Clashing[] => {
    if (!(STORES as readonly string[]).includes(equipment.kind)) return [];
    const own = [...open].find((f) => f.kind === "equipment" && f.about === equipment.id);
    if (!own) return [];
    const named = new Set([...open].flatMap((f) => f.steps));
    const asks = new Map<string, number>();
    for (const step of inForce) {
      if (!named.has(step.ref)) continue;
      const litres = Math.max(
        0,
        ...step.uses.filter((u) => u.what === equipment.kind).map((u) => u.litres),
        ...step.makes.flatMap((o) => o.holds.filter((h) => h.place === equipment.kind).map((h) => h.litres)),
        ...step.links.filter((l) => l.place === equipment.kind).map((l) => l.litres),
      );
      const component = componentOf(step.ref);
      if (litres > 0) asks.set(component, Math.max(asks.get(component) ?? 0, litres));
    }
    if (asks.size === 0) return [];
    open.delete(own);
    for (const fact of open) if (fact.kind === "use" && fact.rule === "H11") open.delete(fact);
    const said = [...asks]
      .sort((a, b) => b[1] - a[1])
      .map(([id, litres]) => `${lower(dish.components.find((c) => c.id === id)?.name ?? id)} ${litresText(litres)}`);
    const places = dish.equipment.filter((e) => e.kind === equipment.kind).reduce((sum, e) => sum + (e.litres ?? 0), 0);
    const text = `Needed in the ${equipment.kind}: ${said.join(", ")}. The ${equipment.kind} has ${litresText(places)}.`;
    return [
      {
        rule: "H11",
        steps: inForce.filter((s) => named.has(s.ref) && asks.has(componentOf(s.ref))).map((s) => s.ref),
        kind: "equipment",
        about: equipment.id,
        text,
      },
    ];
  });
}

/** Length, hands, presence and rounds of one step in one sentence. */
function aboutSteps(open: Set<Fact>): Clashing[] {
  const kinds = ["length", "hands", "nearby", "rounds"];
  const byStep = new Map<string, Fact[]>();
  for (const fact of open) if (kinds.includes(fact.kind)) byStep.set(fact.about, [...(byStep.get(fact.about) ?? []), fact]);
  return [...byStep].flatMap(([ref, list]): Clashing[] => {
    const first = list[0];
    if (!first || list.length < 2) return [];
    for (const fact of list) open.delete(fact);
    const name = /^"[^"]*"/.exec(first.text)?.[0] ?? "";
    const parts = list.map((f) => f.text.slice(name.length).trim().replace(/\.$/, ""));
    return [{ rule: first.rule, steps: [ref], kind: first.kind, about: ref, text: `${name} ${parts.join(" and ")}.` }];
  });
}

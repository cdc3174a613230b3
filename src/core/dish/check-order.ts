// The order of a dish's steps: none waits for itself in a circle, none leads to nothing that is served.
import type { PlacedStep, Report } from "./check-report";
import type { Dish, Method, Step } from "./model";

/** Steps that must stand before this one, for one choice of methods. */
function prerequisites(step: Step, inForce: ReadonlyMap<string, Step>, makers: ReadonlyMap<string, Step>): Step[] {
  const found: (Step | undefined)[] = step.links.map((l) => inForce.get(l.step));
  found.push(...step.takes.map((t) => makers.get(t.from)));
  if (step.within !== undefined) found.push(inForce.get(step.within));
  return found.filter((s) => s !== undefined);
}

export function checkCycles(dish: Dish, steps: readonly PlacedStep[], report: Report): void {
  const paths = new Map(steps.map((p) => [p.step, p.path]));
  const told = new Set<string>();
  for (const methods of choicesOfMethods(dish, 64)) {
    const chosen = methods.flatMap((m) => m.steps);
    const inForce = new Map(chosen.map((s) => [s.ref, s]));
    const makers = new Map(chosen.flatMap((s) => s.makes.map((o) => [o.ref, s] as const)));
    const cycle = findCycle(chosen, (s) => prerequisites(s, inForce, makers));
    if (!cycle) continue;
    const key = cycle
      .map((s) => s.ref)
      .sort()
      .join(" ");
    if (told.has(key)) continue;
    told.add(key);
    report(
      paths.get(cycle[0] as Step) ?? "components",
      `These steps wait for one another in a circle: ${quotedChain(cycle)}. Remove one of the links ("after", "takes" or "within") between them.`,
    );
  }
}

const quotedChain = (cycle: readonly Step[]) => {
  const names = [...cycle].reverse().map((s) => s.ref);
  const shown = names.length > 8 ? [...names.slice(0, 7), "…"] : names;
  return `${shown.join(" → ")} → ${names[0]}`;
};

/** The preferred methods, then each other method alone, then combinations, up to `most` choices. Components on hand have none. */
function choicesOfMethods(dish: Dish, most: number): Method[][] {
  const made = dish.components.filter((c) => c.onHand.length === 0 && c.methods.length > 0);
  const first = made.map((c) => c.methods[0] as Method);
  const choices = [first];
  made.forEach((component, i) => {
    for (const method of component.methods.slice(1)) choices.push(first.map((m, j) => (i === j ? method : m)));
  });
  for (let at = 0; at < choices.length && choices.length < most; at++) {
    made.forEach((component, i) => {
      for (const method of component.methods.slice(1)) {
        const choice = (choices[at] as Method[]).map((m, j) => (i === j ? method : m));
        if (choices.length < most && !choices.some((c) => c.every((m, j) => m === choice[j]))) choices.push(choice);
      }
    });
  }
  return choices.slice(0, most);
}

/** A cycle along `before`, or undefined. Iterative depth-first search: files may chain thousands of steps. */
function findCycle(all: readonly Step[], before: (s: Step) => readonly Step[]): Step[] | undefined {
  const state = new Map<Step, "open" | "done">();
  for (const root of all) {
    if (state.has(root)) continue;
    const stack: { step: Step; rest: Step[] }[] = [{ step: root, rest: [...before(root)] }];
    state.set(root, "open");
    while (stack.length) {
      const top = stack.at(-1) as { step: Step; rest: Step[] };
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
  return undefined;
}

export function checkLooseSteps(dish: Dish, steps: readonly PlacedStep[], report: Report): void {
  const byRef = new Map<string, Step[]>();
  const makers = new Map<string, Step[]>();
  const add = (map: Map<string, Step[]>, key: string, step: Step) => map.set(key, [...(map.get(key) ?? []), step]);
  for (const { step } of steps) {
    add(byRef, step.ref, step);
    for (const output of step.makes) add(makers, output.ref, step);
  }
  const reached = new Set<Step>();
  const open = [dish.serve, ...dish.courses.map((c) => c.serve)].flatMap((ref) => byRef.get(ref) ?? []);
  for (const entry of dish.plate) open.push(...(makers.get(entry.from) ?? []));
  while (open.length) {
    const step = open.pop() as Step;
    if (reached.has(step)) continue;
    reached.add(step);
    for (const link of step.links) open.push(...(byRef.get(link.step) ?? []));
    for (const take of step.takes) open.push(...(makers.get(take.from) ?? []));
    if (step.within !== undefined) open.push(...(byRef.get(step.within) ?? []));
  }
  for (const { step, path, component } of steps) {
    if (!reached.has(step) && component.onHand.length === 0) {
      report(
        path,
        `"${step.ref}" leads to nothing that is served. It is planned all the same; if it should come before something, say so there with "after" or "takes".`,
        "warning",
      );
    }
  }
}

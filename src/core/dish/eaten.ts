// How much of what goes into a component comes to the table: the rest is left over, or goes with an output that nobody takes.
import { methodInForce } from "./method-in-force";
import type { DishComponent, DishFile } from "./schema";
import { scaledOutput } from "./units";
import { kOf } from "./weights";

type Method = DishComponent["methods"][number];
type Output = NonNullable<Method["steps"][number]["makes"]>[number];

interface Taker {
  readonly component: DishComponent;
  readonly step: number;
  /** Share of the output that it takes, 0 to 1. */
  readonly share: number;
}

/**
 * @param chosen ids or names of methods in force, by component
 * @returns for a component and the index of the step at which something enters: the share of it that is served, 0 to 1. 1 where nothing in the
 *   file takes an output of that component, and for the components that are served.
 */
export function servedShare(
  document: DishFile,
  chosen: Readonly<Record<string, string>> = {},
): (component: DishComponent, step: number) => number {
  const served = new Set([document.dish.serve, ...(document.dish.courses ?? []).map((c) => c.serve)].map((ref) => ref?.split(".")[0]));
  const methods = new Map(document.components.map((c) => [c, methodInForce(c, chosen)]));

  function takersOf(owner: DishComponent, output: Output): Taker[] {
    const made = scaledOutput(output, kOf(document, owner))?.value;
    return [...methods].flatMap(([component, method]) =>
      component === owner
        ? []
        : (method?.steps ?? []).flatMap((s, step): Taker[] =>
            (s.takes ?? [])
              .filter((t) => t.from === `${owner.id}.${output.id}`)
              .map((t) => {
                const taken = scaledOutput(t, kOf(document, component))?.value;
                return { component, step, share: made && taken !== undefined ? Math.min(1, taken / made) : 1 };
              }),
          ),
    );
  }

  const known = new Map<string, number>();
  function share(component: DishComponent, step: number): number {
    const key = `${component.id} ${step}`;
    const kept = known.get(key);
    if (kept !== undefined) return kept;
    // Where dishes go round in a circle, the check refuses them; here it only has to end.
    known.set(key, 1);
    const value = served.has(component.id) ? 1 : ofOutputs(component, step);
    known.set(key, value);
    return value;
  }
  function ofOutputs(component: DishComponent, step: number): number {
    const method = methods.get(component);
    const inside = new Set((method?.steps ?? []).flatMap((s) => (s.takes ?? []).map((t) => t.from)));
    const outputs = (method?.steps ?? [])
      .slice(step)
      .flatMap((s) => s.makes ?? [])
      .filter((o) => !inside.has(o.id) && !inside.has(`${component.id}.${o.id}`))
      .map((o) => ({ weight: scaledOutput(o, 1)?.value ?? 1, takers: takersOf(component, o) }));
    if (!outputs.some((o) => o.takers.length > 0)) return 1;
    const all = outputs.reduce((sum, o) => sum + o.weight, 0);
    const eaten = outputs.reduce(
      (sum, o) =>
        sum +
        o.weight *
          Math.min(
            1,
            o.takers.reduce((s, t) => s + t.share * share(t.component, t.step), 0),
          ),
      0,
    );
    return all > 0 ? eaten / all : 1;
  }
  return share;
}

// Choices of methods: which way each component is made. The preferred one first, then by what each loses in quality.
import type { Dish, Method } from "../dish/model";
import { EMPTY_LOG, type Log } from "./log";
import type { PlanOptions } from "./options";
import type { Plan } from "./plan";

/** Choices tried beyond the preferred one. */
const MOST_CHOICES = 24;

/** Methods of components that have been begun: they are finished as they were begun. */
function methodsBegun(dish: Dish, previous: Plan, log: Log): Record<string, string> {
  const begun = new Set([...log.events.keys()].map((ref) => ref.slice(0, ref.indexOf("."))));
  return Object.fromEntries(
    dish.components.filter((c) => begun.has(c.id) && previous.methods[c.id]).map((c) => [c.id, previous.methods[c.id] as string]),
  );
}

export interface Choices {
  readonly list: readonly Readonly<Record<string, string>>[];
  /** Every choice that the fixed methods leave is in the list. */
  readonly complete: boolean;
}

/** Methods by component, the preferred choice first; what the cook has fixed or begun stands in each of them. */
export function choicesOfMethods(dish: Dish, options: Pick<PlanOptions, "log" | "methods" | "previous">): Choices {
  const log = options.log ?? EMPTY_LOG;
  const fixed: Readonly<Record<string, string>> = {
    ...(options.previous ? methodsBegun(dish, options.previous, log) : {}),
    ...log.methods,
    ...options.methods,
  };
  const begun = (ref: string) => [...log.events.keys()].find((key) => key.startsWith(`${ref}.`));
  const open = dish.components
    .filter((c) => c.onHand.length === 0)
    .map((c) => {
      const event = begun(c.id);
      const methods = c.methods.filter(
        (m) => (fixed[c.id] === undefined || fixed[c.id] === m.id) && (event === undefined || m.steps.some((s) => s.ref === event)),
      );
      return { id: c.id, methods, fixed: fixed[c.id] };
    });
  const preferred: Record<string, string> = {};
  // What was planned stays planned as long as it can be; else the first method of the file is the one preferred.
  for (const c of open) {
    const planned = c.methods.find((m) => m.id === options.previous?.methods[c.id]);
    preferred[c.id] = c.fixed ?? planned?.id ?? c.methods[0]?.id ?? "";
  }
  const singles = open.flatMap((c) => {
    const kept = c.methods.find((m) => m.id === preferred[c.id]) ?? c.methods[0];
    return c.methods.filter((m) => m !== kept).map((m) => ({ id: c.id, method: m.id, loss: (kept?.quality ?? 1) - m.quality }));
  });
  const count = open.reduce((product, c) => product * Math.max(1, c.methods.length), 1);
  const pairs = singles.flatMap((a, i) => singles.slice(i + 1).flatMap((b) => (b.id === a.id ? [] : [[a, b]])));
  // Few choices are all tried; of many, those with one or two changes and the quickest way of everything.
  const quickest = open.flatMap((c) => (c.methods.length > 1 ? [{ id: c.id, method: quickestOf(c.methods).id, loss: 0 }] : []));
  const changes =
    count <= MOST_CHOICES ? everySet(open.map((c) => singles.filter((s) => s.id === c.id))) : [...singles.map((s) => [s]), ...pairs];
  const loss = (set: typeof singles) => set.reduce((sum, s) => sum + s.loss, 0);
  const sorted = changes.filter((set) => set.length > 0).sort((a, b) => loss(a) - loss(b) || a.length - b.length);
  const list = [[], ...sorted.slice(0, MOST_CHOICES), ...(count > MOST_CHOICES ? [quickest] : [])];
  return {
    list: list.map((set) => ({ ...preferred, ...Object.fromEntries(set.map((s) => [s.id, s.method])) })),
    complete: count <= MOST_CHOICES,
  };
}

/** The method with the least time in all, waiting included. */
function quickestOf(methods: readonly Method[]): Method {
  const length = (m: Method) =>
    m.steps.reduce((sum, s) => sum + s.time.likely + Math.max(0, ...s.makes.flatMap((o) => o.holds.map((h) => h.min))), 0);
  return methods.reduce((a, b) => (length(b) < length(a) ? b : a));
}

/** Every way of taking at most one of each list. */
function everySet<T>(lists: readonly (readonly T[])[]): T[][] {
  return lists.reduce<T[][]>((sets, list) => sets.flatMap((set) => [set, ...list.map((entry) => [...set, entry])]), [[]]);
}

// Labels for what is held: what it is, when it was made, until when it keeps and by which kind of limit, how it is warmed up, what it contains.
import type { DishFile } from "../dish/schema";
import { quantityText, scaledOutput } from "../dish/units";
import { kOf } from "../dish/weights";
import { allergenSheet } from "../foods/allergens";
import { keepingOf } from "../foods/holds";
import type { WallClock } from "../time/wall-clock";
import type { PlanView } from "../view/plan-view";

export interface Label {
  readonly key: string;
  readonly name: string;
  readonly component: string;
  readonly amount: string;
  readonly made: string;
  readonly place: string;
  /** "best Fri 10:00 to Sat 18:00"; empty where nothing says. */
  readonly best: string;
  /** The last hour at which it may be taken; empty where nothing limits it. */
  readonly until: string;
  /** safety: not a minute longer, or quality: it is not as good. */
  readonly limit: "safety" | "quality" | undefined;
  readonly for: string;
  readonly warmUp: string;
  readonly contains: readonly string[];
  readonly raw: boolean;
}

const WHERE: Readonly<Record<string, string>> = { fridge: "fridge", freezer: "freezer", cellar: "cellar", counter: "counter" };
/** What waits for less is in somebody's hands and needs no label. */
const LEAST_MIN = 120;
const A_WEEK_MIN = 6 * 1440;
/** What the table says of things that are not warmed up. */
const NOTHING = "none needed";

/** A label for each output that waits long enough to be taken for something else, in the order in which they are made. */
export function labelsOf(document: DishFile, view: PlanView, clock: WallClock): Label[] {
  const allergens = allergenSheet(document, Object.fromEntries(view.components.map((c) => [c.id, c.methodId])));
  // A weekday says which day it is for a week, and no longer.
  const when = (from: number, at: number) => (at - from < A_WEEK_MIN ? clock.dayTime(at) : clock.date(at));
  const labels = new Map<string, Label & { readonly at: number; readonly last: number }>();
  for (const w of view.waits) {
    const where = WHERE[w.place];
    if (!where || w.to - w.from < LEAST_MIN) continue;
    const component = document.components.find((c) => c.id === w.component);
    const output = component?.methods.flatMap((m) => m.steps.flatMap((s) => s.makes ?? [])).find((o) => (o.name ?? o.id) === w.name);
    if (!component || !output) continue;
    const key = `${w.component}.${output.id} ${w.place}`;
    const before = labels.get(key);
    // Taken in several goes it is one pot still: its label serves the last.
    if (before && before.last >= w.to) continue;
    const scaled = scaledOutput(output, kOf(document, component));
    const keeping = keepingOf(w.name, component.kind);
    const to = view.steps.find((s) => s.ref === w.toStep);
    labels.set(key, {
      key,
      name: w.name,
      component: component.name,
      amount: scaled ? quantityText(scaled) : "",
      made: clock.dayTime(w.from),
      place: where,
      best: w.window?.best ? `${when(w.from, w.from + w.window.best[0])} to ${when(w.from, w.from + w.window.best[1])}` : "",
      until: w.window?.max === undefined ? "" : when(w.from, w.from + w.window.max),
      limit: w.window?.max === undefined ? undefined : (w.window.limit ?? "quality"),
      for: to ? `${to.name}, ${clock.dayTime(to.start)}` : "",
      warmUp: keeping && keeping.warmUp !== NOTHING ? keeping.warmUp : "",
      contains: allergens.rows.filter((r) => r.brought.some((b) => b.component === component.id)).map((r) => r.allergen),
      raw: output.raw === true,
      at: w.from,
      last: w.to,
    });
  }
  return [...labels.values()].sort((a, b) => a.at - b.at).map(({ at: _, last: __, ...label }) => label);
}

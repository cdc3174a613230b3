// Labels for what is held: what it is, when it was made, until when it keeps and by which kind of limit, how it is warmed up, what it contains.
import type { DishFile } from "../dish/schema";
import { quantityText, scaledOutput } from "../dish/units";
import { kOf } from "../dish/weights";
import { keepingOf } from "../foods/holds";
import type { WallClock } from "../time/wall-clock";
import type { PlanView } from "../view/plan-view";
import { containsOf } from "./contains";

export interface Label {
  readonly key: string;
  readonly name: string;
  readonly component: string;
  readonly amount: string;
  readonly made: string;
  readonly place: string;
  /** From when on it may be used; empty where it may at once. */
  readonly ready: string;
  /** "best Fri 10:00 to Sat 18:00"; empty where nothing says. */
  readonly best: string;
  /** The last hour at which it may be taken; empty where nothing limits it. */
  readonly until: string;
  /** safety: not a minute longer, or quality: it is not as good. */
  readonly limit: "safety" | "quality" | undefined;
  readonly for: string;
  readonly dish: string;
  /** To read out, and to find it again: /i/CODE opens it. */
  readonly code: string;
  readonly warmUp: string;
  readonly contains: readonly string[];
  /** Nobody has said what is in it, so no allergen listed does not mean that there is none. */
  readonly contentsUnknown?: boolean;
  readonly raw: boolean;
}

export const LABEL_PLACE: Readonly<Record<string, string>> = { fridge: "fridge", freezer: "freezer", cellar: "cellar", counter: "counter" };
/** What stands on the counter for less is in somebody's hands and needs no label; what is put away has one, however soon it is wanted. */
const LEAST_ON_COUNTER_MIN = 30;
const A_WEEK_MIN = 6 * 1440;
/** What the table says of things that are not warmed up. */
const NOTHING = "none needed";

/** No letter that looks like another, no vowels, and none that reads like a unit behind a figure: a code is no word and no amount. */
const LETTERS = "23456789BDFHJKNPQRSTVWXZ";
const CODE_LENGTH = 5;

/**
 * Five letters for an output of a dish (FNV-1a, eight million of them): the same for every label that is ever printed of it.
 * @param output "component.output"
 */
export function labelCode(dish: string, output: string): string {
  let hash = 0x811c9dc5;
  for (const char of `${dish} ${output}`) hash = Math.imul(hash ^ (char.codePointAt(0) as number), 0x01000193) >>> 0;
  let code = "";
  for (let i = 0; i < CODE_LENGTH; i++) {
    code += LETTERS.charAt(hash % LETTERS.length);
    hash = Math.floor(hash / LETTERS.length);
  }
  return code;
}

/** A weekday says which day it is for a week, and no longer. */
export const labelTime = (clock: WallClock, from: number, at: number): string =>
  at - from < A_WEEK_MIN ? clock.dayTime(at) : clock.date(at);

/** A label for each output that waits long enough to be taken for something else, in the order in which they are made. */
export function labelsOf(document: DishFile, view: PlanView, clock: WallClock): Label[] {
  const contains = containsOf(document, Object.fromEntries(view.components.map((c) => [c.id, c.methodId])));
  const when = (from: number, at: number) => labelTime(clock, from, at);
  const labels = new Map<string, Label & { readonly at: number; readonly last: number }>();
  for (const w of view.waits) {
    const where = LABEL_PLACE[w.place];
    if (!where || w.to <= w.from || (w.place === "counter" && w.to - w.from < LEAST_ON_COUNTER_MIN)) continue;
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
      made: clock.dateTime(w.from),
      place: where,
      ready: w.window && w.window.min > 0 ? when(w.from, w.from + w.window.min) : "",
      best: w.window?.best ? `${when(w.from, w.from + w.window.best[0])} to ${when(w.from, w.from + w.window.best[1])}` : "",
      until: w.window?.max === undefined ? "" : when(w.from, w.from + w.window.max),
      limit: w.window?.max === undefined ? undefined : (w.window.limit ?? "quality"),
      for: to ? `${to.name}, ${clock.dayTime(to.start)}` : "",
      dish: document.dish.name,
      code: labelCode(document.dish.id, `${w.component}.${output.id}`),
      warmUp: keeping && keeping.warmUp !== NOTHING ? keeping.warmUp : "",
      contains: contains.get(`${w.component}.${output.id}`) ?? [],
      raw: output.raw === true,
      at: w.from,
      last: w.to,
    });
  }
  return [...labels.values()].sort((a, b) => a.at - b.at).map(({ at: _, last: __, ...label }) => label);
}

// The breakdown as a flow of material: raw goods run into components, what those make runs on into others and down to the table; what nobody
// takes runs out. Widths are weights. Where no weight is stated, what went in stands for what comes out, and it is said so.
import { balanceOf } from "../dish/balance";
import { mainOutput } from "../dish/edit/places";
import { methodInForce } from "../dish/method-in-force";
import { componentOf, type Dish, type Method, type Output, type Step } from "../dish/model";
import { dishModel } from "../dish/read-model";
import type { DishFile } from "../dish/schema";
import { comparable, type Quantity, quantityText } from "../dish/units";
import { kOf, rawWeight, type Weight, weightOf } from "../dish/weights";

export const PLATE = "plate";

export interface Pool {
  readonly id: string;
  readonly name: string;
  readonly kind: string;
  /** The method in force. */
  readonly method: string;
  readonly methods: number;
  /** What is bought for it. */
  readonly raw: Weight & { readonly count: number; readonly unweighed: number };
  readonly onHand: boolean;
  /** It holds the moment of serving, of the dish or of a course. */
  readonly serves: boolean;
}

export interface Stream {
  /** "component.output>component.step", or "…>unused". */
  readonly id: string;
  /** "component.output" */
  readonly output: string;
  readonly name: string;
  readonly from: string;
  /** A component, or undefined where it runs out unused. */
  readonly to: string | undefined;
  /** "component.step", "plate", or undefined. */
  readonly step: string | undefined;
  readonly stepName: string;
  readonly grams: number;
  readonly stated: boolean;
  /** As amounts are written: "1.2 kg"; "all of it" where nothing is said. */
  readonly amount: string;
  /** More is taken of this output than is made. */
  readonly short: boolean;
  /** It is not what the component is made for. */
  readonly byProduct: boolean;
}

export interface MaterialFlow {
  readonly pools: readonly Pool[];
  readonly streams: readonly Stream[];
}

/** Below this share of what is made a rest is no stream. */
const REST = 0.005;

/**
 * The flow of material of a dish.
 * @param chosen names or ids of methods in force, by component; the first method where it says nothing
 */
export function materialFlow(document: DishFile, chosen: Readonly<Record<string, string>> = {}): MaterialFlow {
  const dish = dishModel(document);
  const methodOf = new Map(dish.components.map((c) => [c.id, methodInForce(c, chosen)]));
  const inForce = dish.components.flatMap((c) => (c.onHand.length ? [] : (methodOf.get(c.id)?.steps ?? [])));
  const servings = new Set([dish.serve, ...dish.courses.map((c) => c.serve)].map(componentOf));
  const pools = document.components.map((c): Pool => {
    const method = methodOf.get(c.id);
    const file = c.methods.find((m) => m.id === method?.id);
    const raw = file && !c.onHand?.length ? rawWeight(file, kOf(document, c)) : { grams: 0, stated: true, unweighed: 0 };
    return {
      id: c.id,
      name: c.name,
      kind: c.kind,
      method: method?.id ?? "",
      methods: c.methods.length,
      raw: { ...raw, count: file?.ingredients?.length ?? 0 },
      onHand: (c.onHand?.length ?? 0) > 0,
      serves: servings.has(c.id),
    };
  });
  return { pools, streams: streamsOf(document, dish, pools, inForce, methodOf) };
}

function streamsOf(
  document: DishFile,
  dish: Dish,
  pools: readonly Pool[],
  inForce: readonly Step[],
  methodOf: ReadonlyMap<string, Method | undefined>,
): Stream[] {
  const made = new Map<string, Pick<Output, "ref" | "name" | "quantity">>();
  for (const c of dish.components) {
    for (const o of c.onHand) made.set(o.ref, { ref: o.ref, name: c.name, quantity: o.quantity });
    if (c.onHand.length === 0) for (const s of methodOf.get(c.id)?.steps ?? []) for (const o of s.makes) made.set(o.ref, o);
  }
  const weights = weighOutputs(dish, pools, inForce, made);
  const streams: Stream[] = [];
  for (const output of made.values()) {
    const from = componentOf(output.ref);
    const main = isMain(document, output.ref, methodOf);
    const balance = balanceOf(dish, output.ref, output.quantity, inForce);
    const outer = balance.takers.filter((t) => t.step === PLATE || componentOf(t.step) !== from);
    const inner = balance.takers.length - outer.length;
    const whole = weights.get(output.ref) ?? { grams: 0, stated: false };
    const short = balance.made !== undefined && balance.taken > balance.made.value * (1 + 1e-6) + 1e-6;
    const common = { output: output.ref, name: output.name, from, short, byProduct: !main };
    const sizeOf = (q: Quantity | undefined): { grams: number; stated: boolean } => {
      const part = share(q, output.quantity);
      if (part !== undefined && whole.grams > 0) return { grams: whole.grams * part, stated: whole.stated };
      const weight = q && weightOf(q, output.name);
      return weight ?? { grams: outer.length ? whole.grams / outer.length : whole.grams, stated: false };
    };
    for (const taker of outer) {
      const step = inForce.find((s) => s.ref === taker.step);
      streams.push({
        ...common,
        id: `${output.ref}>${taker.step}`,
        to: taker.step === PLATE ? componentOf(dish.serve) : componentOf(taker.step),
        step: taker.step,
        stepName: taker.step === PLATE ? "the plate" : (step?.name ?? taker.step),
        ...sizeOf(taker.quantity ?? (outer.length === 1 && inner === 0 ? output.quantity : undefined)),
        amount: taker.quantity
          ? quantityText(taker.quantity)
          : outer.length === 1 && inner === 0 && output.quantity
            ? `${quantityText(output.quantity)}, all of it`
            : "no amount",
      });
    }
    const rest = balance.made ? balance.made.value - balance.taken : 0;
    const isServed = pools.find((p) => p.id === from)?.serves;
    if (balance.takers.length === 0 ? !isServed : !balance.open && balance.made && rest > balance.made.value * REST) {
      const left = balance.takers.length === 0 ? output.quantity : balance.made && { ...balance.made, value: rest };
      streams.push({
        ...common,
        id: `${output.ref}>unused`,
        to: undefined,
        step: undefined,
        stepName: "",
        ...sizeOf(left),
        amount: left ? quantityText(left) : "all of it",
      });
    }
  }
  return streams;
}

/** The share that one quantity is of another; undefined where they cannot be compared. */
function share(part: Quantity | undefined, whole: Quantity | undefined): number | undefined {
  return part && whole && comparable(part, whole) && whole.value > 0 ? part.value / whole.value : undefined;
}

/** Whether an output is what its component is made for, in the method in force. */
function isMain(document: DishFile, ref: string, methodOf: ReadonlyMap<string, Method | undefined>): boolean {
  const component = document.components.find((c) => c.id === componentOf(ref));
  const method = component?.methods.find((m) => m.id === methodOf.get(component.id)?.id);
  const main = component && mainOutput(component, method);
  return !main || `${component.id}.${main.id}` === ref;
}

/** Grams of each output: stated, or calculated from what flows into its component, shared out evenly where that is not said either. */
function weighOutputs(
  dish: Dish,
  pools: readonly Pool[],
  inForce: readonly Step[],
  made: ReadonlyMap<string, Pick<Output, "ref" | "name" | "quantity">>,
): ReadonlyMap<string, Weight> {
  const weights = new Map<string, Weight>();
  for (const o of made.values()) {
    const weight = o.quantity && weightOf(o.quantity, o.name);
    if (weight) weights.set(o.ref, weight);
  }
  // Down the stream: as often as there are components, since each pass may settle one more.
  for (let pass = 0; pass < dish.components.length; pass++) {
    for (const pool of pools) {
      const own = [...made.values()].filter((o) => componentOf(o.ref) === pool.id);
      const open = own.filter((o) => !weights.has(o.ref));
      if (open.length === 0) continue;
      let flowing = pool.raw.grams;
      for (const step of inForce.filter((s) => componentOf(s.ref) === pool.id)) {
        for (const take of step.takes) {
          if (componentOf(take.from) === pool.id) continue;
          const source = made.get(take.from);
          const whole = weights.get(take.from)?.grams ?? 0;
          flowing += whole * (share(take.quantity, source?.quantity) ?? 1);
        }
      }
      const known = own.reduce((sum, o) => sum + (weights.get(o.ref)?.grams ?? 0), 0);
      const left = Math.max(0, flowing - known) / open.length;
      if (left > 0) for (const o of open) weights.set(o.ref, { grams: left, stated: false });
    }
  }
  return weights;
}

/** Grams as they are said: "1.2 kg", "about 350 g" where they are calculated. */
export function weightText({ grams, stated }: Weight): string {
  if (!(grams > 0)) return "weight not known";
  const text = quantityText({ dimension: "mass", value: grams >= 100 ? Math.round(grams / 5) * 5 : Math.round(grams) });
  return stated ? text : `about ${text}`;
}

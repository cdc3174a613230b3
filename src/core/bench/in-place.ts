// A panel inside a component: which ones serve it, and what its fields hold by what the dish says, at its number of guests.
import { COOLED_AS } from "../dish/cooled-as";
import { type DishIngredient, type DishMethod, type MethodPlace, mainOutput, methodOf } from "../dish/edit/places";
import { entersAt } from "../dish/enters";
import type { ComponentKind } from "../dish/kinds";
import { CURE_LIQUID, curedAs } from "../dish/meat";
import { scaledIngredient } from "../dish/scaled-ingredient";
import type { DishComponent, DishFile, DishStep } from "../dish/schema";
import { scaledOutput } from "../dish/units";
import { gramsNamed, gramsTakenOff, kOf, mLNamed, rawWeight, weightOf } from "../dish/weights";
import { isCured } from "../foods/groups";
import { understand } from "../foods/match";
import { minutesOf } from "../time/duration";
import { benchAnswer } from "./ask";
import { type Panel, startOf } from "./panel";
import { panelOf } from "./panels";
import { typedAs, type Units } from "./quantity";

/** By what a component is, the likeliest first. */
const BY_KIND: Readonly<Record<ComponentKind, readonly string[]>> = {
  dough: ["dough-percentages", "dough-rise", "dough-water", "dough-starter", "pieces"],
  stock: ["cooling", "top-ups", "stock-set", "reduction"],
  sauce: ["reduction", "thicken", "cooling", "reheat"],
  ferment: ["ferment"],
  pickle: ["pickle", "jars"],
  cure: ["dry-cure", "brine", "curing-salt", "injection", "soak-out"],
  braise: ["cooling", "heat-through", "reheat", "brine", "reduction", "slow-cooker"],
  roast: ["roast", "forecast", "brine", "dry-cure", "fuel"],
  dairy: ["cultured-dairy", "gelatin", "cooling"],
  filling: ["cooling", "yields", "thicken"],
  pasta: ["dough-percentages", "pieces"],
  grain: ["cooling", "reheat"],
  vegetable: ["yields", "heat-through", "cooling", "pickle"],
  garnish: ["yields", "fry"],
  sweet: ["sugar", "gelatin", "cooling", "tins"],
  batter: ["dough-percentages", "fry"],
  sausage: ["curing-salt", "yields", "cooling", "low-bath"],
  dry: ["drying", "weigh"],
  oil: ["fry", "cooling"],
  assembly: ["portions", "oven", "danger-time"],
  other: ["weigh", "tins"],
};

/** By what a step does. */
const BY_STEP: readonly (readonly [RegExp, readonly string[]])[] = [
  [/\b(?:cool|chill)/i, ["cooling"]],
  [/\b(?:thaw|defrost)/i, ["thaw"]],
  [/\b(?:reheat|warm)/i, ["reheat", "heat-through"]],
  [/\b(?:reduc|boil down)/i, ["reduction"]],
  [/\bsimmer/i, ["top-ups", "reduction"]],
  [/\bsmok/i, ["forecast", "fuel"]],
  [/\broast/i, ["roast", "forecast"]],
  [/\bfry/i, ["fry"]],
  [/\b(?:pro(?:of|v)|ris[ei]|bulk|ferment)/i, ["dough-rise", "ferment"]],
  [/\b(?:brine|cure|salt|rub)/i, ["brine", "dry-cure", "curing-salt"]],
  [/\bsoak/i, ["soak-out"]],
  [/\b(?:mix|knead)/i, ["dough-water"]],
  [/\bset\b|jelly|aspic/i, ["gelatin"]],
  [/\bbath\b|\bbag\b/i, ["low-bath"]],
  [/\bbake|oven/i, ["oven"]],
  [/\bpickle/i, ["pickle", "jars"]],
  [/\bsyrup|caramel|boil.* sugar/i, ["sugar"]],
  [/\bferment/i, ["ferment"]],
];

const known = (ids: readonly string[]): readonly Panel[] => [...new Set(ids)].flatMap((id) => panelOf(id) ?? []);

export const panelsFor = (kind: ComponentKind): readonly Panel[] => known(BY_KIND[kind]);
/** For a step: by its name, as far as its component has use of them or the name is plain. */
export const panelsForStep = (name: string): readonly Panel[] => known(BY_STEP.flatMap(([verb, ids]) => (verb.test(name) ? ids : [])));

const LIQUID = /water|stock|broth|wine|beer|cider|milk|cream|juice|vinegar|brine/i;
const BONES: readonly (readonly [RegExp, string])[] = [
  [/trotter/i, "pig_trotter"],
  [/pork skin|rind/i, "pork_skin"],
  [/chicken f(?:ee|oo)t/i, "chicken_feet"],
  [/chicken wing/i, "chicken_wings"],
  [/chicken|fowl|hen\b|duck|goose|turkey/i, "chicken_carcass"],
  [/veal/i, "veal_knuckle"],
  [/knuckle/i, "beef_knuckle"],
  [/oxtail/i, "oxtail"],
  [/fish|frames/i, "fish_frames"],
  [/pork/i, "pork_bones"],
  [/beef|bones/i, "beef_bones_lean"],
];

/** What a dish says of one component, at its number of guests. */
class Facts {
  readonly #k: number;
  readonly component: DishComponent | undefined;
  readonly method: DishMethod;
  readonly #ingredients: readonly DishIngredient[];

  constructor(
    readonly document: DishFile,
    readonly place: MethodPlace,
    readonly step: DishStep | undefined,
  ) {
    this.method = methodOf(document, place);
    this.component = document.components.find((c) => c.id === place.component);
    this.#k = this.component ? kOf(document, this.component) : 1;
    this.#ingredients = (this.method.ingredients ?? []).filter((i) => !i.leftOut);
  }

  /** Grams of the ingredients so named; 0 where there are none. */
  grams(name: RegExp, but?: RegExp): number {
    return gramsNamed(this.#ingredients, this.#k, name, but);
  }
  mL(name: RegExp): number {
    return mLNamed(this.#ingredients, this.#k, name);
  }
  /**
   * Grams of raw meat and fish with the fat that goes in, less what is taken off for something else before it is salted; stock is named after
   * meat and is none.
   */
  meat(): number {
    const meat = this.named(/./)
      .filter((i) => isCured(understand(i.name, i.food)))
      .reduce((sum, i) => sum + this.gramsOf(i), 0);
    const salt = this.named(/salt/i)[0];
    const before = salt ? entersAt(salt, this.method.steps) : 0;
    return Math.max(0, meat - gramsTakenOff(this.method, this.place.component, before, this.#k));
  }
  /** Yeast in % of the flour, as instant: fresh counts for a third of its weight. */
  yeast(flour: number): number | undefined {
    return share(this.grams(/yeast/i, /fresh/i) + this.grams(/fresh yeast/i) / 3, flour);
  }
  raw(): number {
    return rawWeight(this.method, this.#k).grams;
  }
  named(name: RegExp): readonly DishIngredient[] {
    return this.#ingredients.filter((i) => name.test(i.name));
  }
  gramsOf(i: DishIngredient): number {
    const q = scaledIngredient(i, this.#k);
    return (q && weightOf(q, i.name)?.grams) ?? 0;
  }
  /** What the component makes, in mL or g. */
  made(): { readonly mL?: number; readonly g?: number } {
    const output = this.component && mainOutput(this.component, this.method);
    const q = output && scaledOutput(output, this.#k);
    return q && q.dimension !== "count" ? { mL: q.value, g: q.value } : {};
  }
  /** The step that was asked from, or the first so named. */
  at(verb: RegExp): DishStep | undefined {
    return this.step ?? this.method.steps.find((s) => verb.test(s.name ?? s.id));
  }
  minutes(verb: RegExp): number | undefined {
    const time = this.at(verb)?.time;
    return time === undefined ? undefined : minutesOf(typeof time === "string" ? time : time.likely);
  }
  oven(verb: RegExp): number | undefined {
    return (this.at(verb)?.uses ?? this.method.steps.flatMap((s) => s.uses ?? [])).find((u) => ["oven", "grill", "bath"].includes(u.what))
      ?.tempC;
  }
  get guests(): number {
    return this.document.dish.serves;
  }
  get eaters(): Readonly<Record<string, number>> {
    return this.document.dish.guests?.eaters ?? { adult: this.guests };
  }
}

type Filled = Readonly<Record<string, number | string | undefined>>;
const share = (part: number, whole: number) => (part > 0 && whole > 0 ? (part / whole) * 100 : undefined);
const some = (n: number) => (n > 0 ? n : undefined);

const FILLS: Readonly<Record<string, (f: Facts) => Filled>> = {
  "dough-percentages": (f) => {
    const flour = f.grams(/flour|semolina/i);
    return {
      flour: some(flour),
      water: share(f.grams(/water|milk|buttermilk/i, /for the/i), flour),
      salt: share(f.grams(/salt/i), flour),
      yeast: f.yeast(flour),
      fat: share(f.grams(/butter|lard|\boil\b|fat\b/i, /buttermilk/i), flour) ?? 0,
      sugar: share(f.grams(/sugar|honey|malt/i), flour) ?? 0,
    };
  },
  "dough-water": (f) => ({ water: some(f.grams(/water|milk/i)) }),
  "dough-rise": (f) => {
    const flour = f.grams(/flour|semolina/i);
    return {
      mass: some(f.raw()),
      yeast: f.yeast(flour),
      salt: share(f.grams(/salt/i), flour),
      by: f.grams(/yeast/i) > 0 || f.named(/starter|levain/i).length === 0 ? "yeast" : "sourdough",
    };
  },
  "dough-starter": (f) => ({ target: f.made().g }),
  pieces: () => ({}),
  brine: (f) => ({ meat: some(f.meat()), water: some(f.grams(/water/i)) }),
  "dry-cure": (f) => {
    const meat = f.meat();
    return { meat: some(meat), salt: share(f.grams(/salt/i, /curing|petre/i), meat), sugar: share(f.grams(/sugar|honey/i), meat) ?? 0 };
  },
  "curing-salt": (f) => {
    const wet = f.grams(CURE_LIQUID);
    const words = `${f.component?.name ?? ""} ${f.component?.kind ?? ""} ${f.method.name ?? ""} ${f.named(/./).map((i) => i.name)}`;
    return { meat: some(f.meat()), liquid: some(wet), product: curedAs(words, wet > 0) };
  },
  injection: (f) => ({ meat: some(f.meat()) }),
  "soak-out": (f) => ({ meat: some(f.grams(/\bham\b|bacon|cured/i) || f.meat()) }),
  pickle: (f) => ({
    vinegar: some(f.mL(/vinegar/i)),
    water: f.mL(/vinegar/i) > 0 ? f.mL(/water/i) : undefined,
    produce: some(f.raw() - f.grams(LIQUID) - f.grams(/salt|sugar|honey|seed|peppercorn|spice|bay|mustard/i)),
  }),
  ferment: (f) => {
    const water = f.grams(/water/i);
    const veg = f.raw() - water - f.grams(/salt/i);
    return { veg: some(veg), water, salt: share(f.grams(/salt/i), veg + water), method: water > 0 ? "brineEquilibrium" : "dry" };
  },
  "cultured-dairy": (f) => ({ milk: some(f.grams(/milk|cream/i)) }),
  cooling: (f) => {
    const made = f.made();
    return { volume: some(made.mL ?? f.raw()), food: (f.component && COOLED_AS[f.component.kind]) ?? "thickSauce" };
  },
  reheat: (f) => ({ volume: some(f.made().mL ?? f.raw()) }),
  "heat-through": (f) => ({ oven: f.oven(/warm|heat|oven/i) }),
  roast: (f) => {
    const done = f.at(/roast/i)?.done;
    return { mass: some(f.meat()), oven: f.oven(/roast/i), target: done?.restToC ?? done?.probeC };
  },
  forecast: (f) => ({ mass: some(f.meat()), chamber: f.oven(/roast|smok/i), target: f.at(/roast|smok/i)?.done?.probeC, readings: "" }),
  oven: (f) => ({ set: f.oven(/bake|roast|oven/i) }),
  fry: (f) => ({ oil: some(f.grams(/\boil\b|lard|dripping/i)) }),
  "slow-cooker": (f) => ({ food: some(f.raw()) }),
  reduction: (f) => {
    const [start, to] = [f.mL(LIQUID), f.made().mL];
    return to !== undefined && to < start ? { start, to } : {};
  },
  "top-ups": (f) => ({ start: some(f.mL(/water/i)), hours: f.minutes(/simmer/i), solids: some(f.raw() - f.grams(/water/i)) }),
  thicken: (f) => ({ liquid: f.made().g }),
  gelatin: (f) => ({ liquid: f.made().g ?? some(f.grams(LIQUID)) }),
  "stock-set": (f) => {
    const bones = BONES.flatMap(([name, key]) => f.named(name).map((i) => ({ id: i.id, key, g: f.gramsOf(i) }))).filter(
      (b, i, all) => all.findIndex((x) => x.id === b.id) === i,
    );
    const [most, next] = bones.filter((b) => b.g > 0).sort((a, b) => b.g - a.g);
    return {
      kind: most?.key,
      g: most?.g,
      kind2: next?.key,
      g2: most ? (next?.g ?? 0) : undefined,
      hours: f.minutes(/simmer/i),
      final: f.made().mL,
    };
  },
  sugar: (f) => ({ sugar: some(f.grams(/sugar/i)), water: some(f.grams(/water/i)) }),
  portions: (f) => f.eaters,
  yields: (f) => ({ final: f.made().g }),
  drying: (f) => ({ start: some(f.raw()) }),
  alcohol: (f) => ({ volume: some(f.mL(/wine|beer|cider|brandy|sherry|port\b|madeira/i)), servings: f.guests }),
};

/**
 * What a panel's fields hold inside a component: what the dish says, where it says it and it lies in the field's range; the rest is the panel's own.
 * @param stepId the step that it was asked from
 */
export function filledFrom(document: DishFile, place: MethodPlace, panel: Panel, units: Units, stepId?: string): Record<string, string> {
  const step = methodOf(document, place).steps.find((s) => s.id === stepId);
  const filled = FILLS[panel.id]?.(new Facts(document, place, step)) ?? {};
  const typed = Object.fromEntries(
    panel.fields.flatMap((f): [string, string][] => {
      const value = filled[f.key];
      if (value === undefined) return [];
      if (f.of === "choice") return f.choices.some(([k]) => k === value) ? [[f.key, String(value)]] : [];
      if (f.of === "readings") return [[f.key, String(value)]];
      if (f.of === "yes" || typeof value !== "number") return [];
      return value >= f.low && value <= f.high ? [[f.key, typedAs(value, f.of, units)]] : [];
    }),
  );
  // A dish may say what a panel cannot calculate with: then that figure is the panel's own, so that it opens with an answer.
  for (let left = panel.fields.length; left > 0; left--) {
    const { answer } = benchAnswer({ panel: panel.id, typed: { ...startOf(panel, units), ...typed }, units });
    if (answer.ok) return typed;
    if (!Object.hasOwn(typed, answer.field)) return {};
    delete typed[answer.field];
  }
  return {};
}

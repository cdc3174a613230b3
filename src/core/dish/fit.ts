// Fit: whether what is made goes into what there is, at the guests wished for. Each finding says what is asked, what there is, and ways
// out that are changes of the dish: rounds computed from what one load holds, a bigger vessel borrowed, less of it.

import { kindWords } from "../entry/words-said";
import { PACKING } from "../measures/jars";
import type { Occupancy } from "../sheets/occupancy";
import { DEFAULT_KITCHEN } from "./default-kitchen";
import { componentOf, type Dish, dishModel, isUnit, STORES, type Step, type Use } from "./model";
import type { DishFile, DishStep, KitchenFile } from "./schema";
import { type Quantity, quantityText } from "./units";
import { kOf, scaledIngredient, volumeOf, weightOf } from "./weights";

/** How full a thing may be and still do its work. Household practice: a pot boils over above two thirds to three quarters, hot liquid climbs in a blender. */
export const FILL: Readonly<Record<string, number>> = {
  pot: 0.75,
  "slow-pot": 0.75,
  "pressure-pot": 0.66,
  blender: 0.5,
  mixer: 0.45,
  processor: 0.6,
  jar: 0.9,
  tin: 0.7,
  bowl: 0.6,
};

export interface Remedy {
  readonly kind: "batches" | "bigger" | "less" | "more";
  readonly text: string;
  /** The document with it. Worked out only when it is wanted: most are never pressed. */
  readonly apply: (document: DishFile) => DishFile;
}

export interface Fit {
  /** "component.step", or the place for a whole plan's stores. */
  readonly about: string;
  readonly component: string | undefined;
  readonly name: string;
  readonly what: string;
  /** "fits", "full" (above nine tenths), "over", "none" (the kitchen has no such thing). */
  readonly verdict: "fits" | "full" | "over" | "none";
  readonly said: string;
  /** What it was computed from. */
  readonly because: string;
  /** The contents were reckoned from what goes in, not written in the dish. */
  readonly reckoned: boolean;
  readonly remedies: readonly Remedy[];
}

interface Placed {
  readonly step: Step;
  readonly file: DishStep;
  readonly at: readonly [component: number, method: number, step: number];
}

/**
 * What of a dish fits and what does not.
 * @param occupancy of the plan in force, for the stores that several components share
 * @param chosen ids or names of methods in force
 */
export function fitOf(document: DishFile, chosen: Readonly<Record<string, string>> = {}, occupancy: readonly Occupancy[] = []): Fit[] {
  const dish = dishModel(document);
  const found: Fit[] = [];
  document.components.forEach((component, c) => {
    if (component.onHand?.length) return;
    const at = component.methods.findIndex((m) => m.id === chosen[component.id] || m.name === chosen[component.id]);
    const m = Math.max(0, at);
    const method = component.methods[m];
    const model = dish.components[c]?.methods[m];
    method?.steps.forEach((file, s) => {
      const step = model?.steps[s];
      if (step) found.push(...jarsFit(document, component, file, step));
      if (step) step.uses.forEach((use, u) => found.push(...useFit(document, dish, { step, file, at: [c, m, s] }, use, u)));
    });
  });
  for (const o of occupancy) {
    if (o.unit !== "L") continue;
    const [when, most] = o.levels.reduce((best, level) => (level[1] > best[1] ? level : best), [0, 0] as readonly [number, number]);
    if (most <= 0) continue;
    found.push({
      about: o.place,
      component: undefined,
      name: o.place,
      what: o.place,
      verdict: most > o.capacity ? "over" : most > 0.9 * o.capacity ? "full" : "fits",
      said: `at its fullest ${litres(most)} of ${litres(o.capacity)}`,
      because: `${o.tenants
        .filter((t) => t.from <= when && t.to > when)
        .map((t) => t.name.toLowerCase())
        .join(", ")} at the same time in the plan`,
      reckoned: false,
      remedies: [],
    });
  }
  return found.sort((a, b) => RANK[a.verdict] - RANK[b.verdict]);
}

const RANK = { none: 0, over: 1, full: 2, fits: 3 } as const;
const litres = (n: number) => `${Number(n.toPrecision(2))} L`;

function useFit(document: DishFile, dish: Dish, placed: Placed, use: Use, u: number): Fit[] {
  const { step } = placed;
  const alike = dish.equipment.filter((e) => e.kind === use.what);
  const common = { about: step.ref, component: componentOf(step.ref), name: step.name, what: kindWords(use.what) };
  if (alike.length === 0)
    return [
      {
        ...common,
        verdict: "none",
        said: `the kitchen has no ${kindWords(use.what)}`,
        because: "the list of equipment",
        reckoned: false,
        remedies: [borrow(use.what, undefined)],
      },
    ];
  if (use.what === "oven" || use.what === "grill")
    return racksFit(document, placed, use, u, Math.max(...alike.map((e) => e.racks)), common);
  const isStore = (STORES as readonly string[]).includes(use.what);
  if (!isUnit(use.what) && !isStore && use.what !== "bath")
    return countFit(
      document,
      placed,
      use,
      alike.reduce((n, e) => n + e.count, 0),
      common,
    );
  const largest = Math.max(0, ...alike.map((e) => e.litres ?? 0));
  if (use.pieces > 0) {
    const most = Math.max(0, ...alike.map((e) => e.pieces ?? 0));
    if (most > 0)
      return [
        sized(document, placed, u, {
          needs: use.pieces,
          has: most,
          unit: "pieces",
          common,
          because: "written on the step",
          reckoned: false,
        }),
      ];
  }
  if (largest === 0)
    return countFit(
      document,
      placed,
      use,
      alike.reduce((n, e) => n + e.count, 0),
      common,
    );
  if (use.litres > 0)
    return [
      sized(document, placed, u, {
        needs: use.litres,
        has: largest,
        unit: "L",
        common,
        because: `${litres(use.litres)} written on the step, at ${times(step.k)}`,
        reckoned: false,
      }),
    ];
  const contents = contentsLitres(document, dish, placed);
  const fill = FILL[use.what];
  const kind = document.components[placed.at[0]]?.kind;
  if (!contents || !fill || (use.what === "jar" && (kind === "pickle" || kind === "ferment"))) return [];
  const each = contents / step.batches / use.count;
  return [
    sized(document, placed, u, {
      needs: each / fill,
      has: largest,
      unit: "L",
      common,
      because: `about ${litres(each)} goes in${step.batches > 1 ? " at a time" : ""}${use.count > 1 ? ` each of ${use.count}` : ""}, and a ${kindWords(use.what)} is filled to ${Math.round(fill * 100)} % at most`,
      reckoned: true,
    }),
  ];
}

const times = (k: number) => (Math.abs(k - 1) < 1e-9 ? "the amounts of the file" : `${Number(k.toPrecision(3))} times the file's amounts`);

interface Sized {
  readonly needs: number;
  readonly has: number;
  readonly unit: "L" | "pieces";
  readonly common: Pick<Fit, "about" | "component" | "name" | "what">;
  readonly because: string;
  readonly reckoned: boolean;
}

function sized(document: DishFile, placed: Placed, u: number, { needs, has, unit, common, because, reckoned }: Sized): Fit {
  const said = unit === "L" ? `${litres(needs)} wanted, the largest holds ${litres(has)}` : `${needs} pieces wanted, room for ${has}`;
  const verdict = needs > has * (1 + 1e-9) ? "over" : needs > has * 0.9 ? "full" : "fits";
  const remedies =
    verdict === "over"
      ? [
          moreOfThem(document, placed, u, needs, has),
          inBatches(placed, u, needs, has, unit),
          borrow(placed.step.uses[u]?.what ?? "pot", unit === "L" ? needs : undefined),
          less(document, needs, has),
        ].filter((r) => r !== undefined)
      : [];
  return { ...common, verdict, said, because, reckoned, remedies };
}

/** Room for a component's contents, litres: what its steps up to this one put in, or what this one makes. */
function contentsLitres(document: DishFile, dish: Dish, { step, at: [c, m, s] }: Placed): number | undefined {
  const file = document.components[c];
  const method = file?.methods[m];
  if (!file || !method) return undefined;
  const volume = (q: Quantity | undefined, name: string) => (q ? (volumeOf(q, name) ?? 0) : 0);
  const k = kOf(document, file);
  let millilitres = 0;
  for (const i of method.ingredients ?? []) millilitres += volume(scaledIngredient(i, k), i.name);
  const model = dish.components[c]?.methods[m]?.steps ?? [];
  for (const before of model.slice(0, s + 1))
    for (const take of before.takes) {
      if (componentOf(take.from) === file.id) continue;
      millilitres += volume(take.quantity, take.from);
    }
  // What the step itself makes says more than all that has gone in so far.
  const made = step.makes.reduce((sum, o) => sum + volume(o.quantity, o.name), 0);
  const best = made > 0 ? made : millilitres;
  return best > 0 ? best / 1000 : undefined;
}

/** Counts and racks do not scale by themselves: with many more guests they are asked again. */
const SAME = 1.3;

function racksFit(document: DishFile, placed: Placed, use: Use, u: number, racks: number, common: Sized["common"]): Fit[] {
  const { step } = placed;
  const needs = step.batches === 1 && step.k > SAME ? Math.ceil(use.racks * step.k - 0.05) : use.racks;
  const because =
    needs > use.racks
      ? `${use.racks} written, and ${times(step.k)} is made: racks do not scale by themselves`
      : `${use.racks} written on the step`;
  if (needs <= racks) {
    if (needs === use.racks)
      return [{ ...common, verdict: "fits", said: `${needs} of ${racks} racks`, because, reckoned: false, remedies: [] }];
    return [
      {
        ...common,
        verdict: "full",
        said: `probably ${needs} of ${racks} racks`,
        because,
        reckoned: true,
        remedies: [withUse(placed, u, { racks: needs }, `Plan ${needs} racks`)],
      },
    ];
  }
  return [
    {
      ...common,
      verdict: "over",
      said: `${needs} racks wanted, the ${use.what} has ${racks}`,
      because,
      reckoned: needs > use.racks,
      remedies: [inBatches(placed, u, needs, racks, "racks"), less(document, needs, racks)].filter((r) => r !== undefined),
    },
  ];
}

function countFit(document: DishFile, placed: Placed, use: Use, has: number, common: Sized["common"]): Fit[] {
  const { step } = placed;
  const grows = !["burner", "mixer", "blender", "processor", "roller", "iron"].includes(use.what);
  const needs = grows && step.batches === 1 && step.k > SAME ? Math.ceil(use.count * step.k - 0.05) : use.count;
  if (needs <= use.count && needs <= has)
    return [{ ...common, verdict: "fits", said: `${needs} of ${has}`, because: "written on the step", reckoned: false, remedies: [] }];
  const because =
    needs > use.count ? `${use.count} written, and ${times(step.k)} is made: counts do not scale by themselves` : "written on the step";
  if (needs <= has)
    return [
      {
        ...common,
        verdict: "full",
        said: `probably ${needs}, of ${has}`,
        because,
        reckoned: true,
        remedies: [withUse(placed, placed.step.uses.indexOf(use), { count: needs }, `Plan ${needs}`)],
      },
    ];
  return [
    {
      ...common,
      verdict: "over",
      said: `${needs} wanted, the kitchen has ${has}`,
      because,
      reckoned: needs > use.count,
      remedies: [
        inBatches(placed, placed.step.uses.indexOf(use), needs, has, "racks"),
        borrow(use.what, undefined, needs - has),
        less(document, needs, has),
      ].filter((r) => r !== undefined),
    },
  ];
}

function withStepAt(document: DishFile, { at: [c, m, s] }: Placed, change: (step: DishStep) => DishStep): DishFile {
  return {
    ...document,
    components: document.components.map((component, i) =>
      i !== c
        ? component
        : {
            ...component,
            methods: component.methods.map((method, j) =>
              j !== m ? method : { ...method, steps: method.steps.map((step, l) => (l === s ? change(step) : step)) },
            ),
          },
    ),
  };
}

/** More jars or tins of the same size, where the kitchen has so many. */
function moreOfThem(document: DishFile, placed: Placed, u: number, needs: number, has: number): Remedy | undefined {
  const use = placed.step.uses[u];
  if (!use || !["jar", "tin", "tray", "bowl"].includes(use.what) || !(has > 0)) return undefined;
  const wanted = Math.ceil((needs * use.count) / has - 1e-9);
  const there = (document.kitchen?.equipment ?? DEFAULT_KITCHEN.equipment ?? [])
    .filter((e) => e.kind === use.what && (e.litres ?? 0) >= has)
    .reduce((n, e) => n + (e.count ?? 1), 0);
  return wanted <= there ? withUse(placed, u, { count: wanted }, `Take ${wanted} ${kindWords(use.what)}s`) : undefined;
}

function withUse(placed: Placed, u: number, more: object, text: string): Remedy {
  const apply = (document: DishFile) =>
    withStepAt(document, placed, (step) => ({ ...step, uses: step.uses?.map((use, i) => (i === u ? { ...use, ...more } : use)) }));
  return { kind: "more", text, apply };
}

/**
 * As many rounds as it takes for one load to fit, planned one after another. Where the step makes something countable or weighed, one
 * load's share of it is written down, so that other guests mean another number of rounds; else the number itself.
 */
function inBatches(placed: Placed, u: number, needs: number, has: number, unit: "L" | "pieces" | "racks"): Remedy | undefined {
  if (!(has > 0)) return undefined;
  const { step } = placed;
  const rounds = Math.ceil((needs * step.batches) / has - 1e-9);
  if (rounds < 2 || rounds > 40) return undefined;
  const output = step.makes.at(-1);
  const quantity = output?.quantity;
  const apply = (document: DishFile) =>
    withStepAt(document, placed, (file) => {
      const amount = file.makes?.at(-1)?.amount;
      const perBatch =
        quantity && amount
          ? { amount: roundUp(quantity.value / rounds / unitSize(amount, quantity, step.k)), unit: amount.unit }
          : undefined;
      return {
        ...file,
        batches: perBatch && output ? { perBatch, of: output.ref } : rounds,
        ...(unit === "L"
          ? {
              uses: file.uses?.map((use, i) =>
                i === u && use.litres !== undefined
                  ? { ...use, litres: Number(((needs * step.batches) / rounds).toPrecision(3)), fixed: true }
                  : use,
              ),
            }
          : {}),
      };
    });
  const each = quantity ? `, ${quantityText({ ...quantity, value: quantity.value / rounds })} each` : "";
  return { kind: "batches", text: `In ${rounds} rounds, one after another${each}`, apply };
}

/** What one unit of the file's amount is in the model's quantity, at the amounts of the file. */
const unitSize = (amount: { amount: number }, quantity: Quantity, k: number) =>
  amount.amount > 0 ? quantity.value / k / amount.amount : 1;
const roundUp = (n: number) => Number((Math.ceil(n * 1000 - 1e-6) / 1000).toPrecision(6));

function borrow(kind: string, needs: number | undefined, count = 1): Remedy {
  const size = needs === undefined ? undefined : Math.ceil(needs * 2) / 2;
  const apply = (document: DishFile): DishFile => {
    const kitchen: KitchenFile = document.kitchen ?? DEFAULT_KITCHEN;
    const equipment = kitchen.equipment ?? DEFAULT_KITCHEN.equipment ?? [];
    let id = `borrowed-${kind}`;
    for (let n = 2; equipment.some((e) => e.id === id); n++) id = `borrowed-${kind}-${n}`;
    const thing = { id, kind, name: `Borrowed ${kindWords(kind)}`, ...(size ? { litres: size } : {}), ...(count > 1 ? { count } : {}) };
    return { ...document, kitchen: { ...kitchen, equipment: [...equipment, thing] } };
  };
  const text = size ? `Borrow a ${kindWords(kind)} of ${size} L` : count > 1 ? `Borrow ${count} more` : `Borrow a ${kindWords(kind)}`;
  return { kind: "bigger", text, apply };
}

/** Fewer guests' worth of everything, so that it fits at once. */
function less(document: DishFile, needs: number, has: number): Remedy | undefined {
  const serves = Math.floor((document.dish.serves * has) / needs + 1e-9);
  if (!(serves >= 1) || serves >= document.dish.serves) return undefined;
  return {
    kind: "less",
    text: `Make the whole dish for ${serves}`,
    apply: (d) => ({ ...d, dish: { ...d.dish, serves } }),
  };
}

/** Poured into jars, not packed. */
const LIQUID = /\b(?:water|vinegar|brine|juice|wine|cider|oil|stock|syrup|liquor)\b/i;
/** How what is packed is cut, by words: the share of a jar's room that it fills. */
const CUT: readonly (readonly [RegExp, string])[] = [
  [/shred|kraut|cabbage/i, "shredded_pressed"],
  [/ring/i, "onion_rings"],
  [/slice|radish/i, "slices"],
  [/spear|baton|stick|bean/i, "sticks"],
  [/floret|cauliflower|broccoli/i, "florets"],
  [/egg/i, "eggs"],
  [/cherr|berr/i, "berries"],
  [/whole|small|onion|cucumber|gherkin/i, "whole_small"],
];
/** Room under the lid of a jar, share of its litres; and what is kept spare of the liquor, since a short one is the usual failure. */
const HEADSPACE = 0.1;
const SPARE = 1.1;

/** Jars for a pickle or ferment: how many its solids fill, and whether the liquor reaches over them. */
function jarsFit(document: DishFile, component: DishFile["components"][number], file: DishStep, step: Step): Fit[] {
  const use = step.uses.find((u) => u.what === "jar");
  if (!use || (component.kind !== "pickle" && component.kind !== "ferment")) return [];
  const method = component.methods.find((m) => m.steps.includes(file));
  const k = kOf(document, component);
  let solids = 0;
  let liquid = 0;
  for (const i of method?.ingredients ?? []) {
    const quantity = scaledIngredient(i, k);
    if (!quantity) continue;
    if (LIQUID.test(i.name)) liquid += volumeOf(quantity, i.name) ?? 0;
    else if (!/salt|sugar|spice|pepper|seed|mustard|turmeric|flour/i.test(i.name)) solids += weightOf(quantity, i.name)?.grams ?? 0;
  }
  if (solids < 50) return [];
  const words = `${component.name} ${method?.steps.map((s) => s.name).join(" ")} ${method?.ingredients?.map((i) => i.name).join(" ")}`;
  const packing = CUT.find(([pattern]) => pattern.test(words))?.[1] ?? "chunks";
  const share = PACKING[packing] ?? 0.55;
  // Grams to millilitres of solid: about 0.95 g each, as the jar calculation has it.
  const solidMl = solids / 0.95;
  const jar = (use.litres / Math.max(1, k) || 1) * 1000;
  const jars = Math.ceil(solidMl / share / (jar * (1 - HEADSPACE)) - 1e-9);
  const wanted = ((solidMl * (1 - share)) / share) * SPARE;
  const pressed = liquid === 0;
  const short = !pressed && liquid < wanted / SPARE;
  const enough = use.count * step.batches >= jars;
  const ml = (n: number) => quantityText({ dimension: "volume", value: Math.round(n / 10) * 10 });
  return [
    {
      about: step.ref,
      component: component.id,
      name: step.name,
      what: "jars and liquor",
      verdict: short ? "over" : enough && (pressed || liquid >= wanted) ? "fits" : "full",
      said: `${jars} ${jars === 1 ? "jar" : "jars"} of ${litres(jar / 1000)}${pressed ? ", under its own juice" : `; ${ml(wanted)} of liquor wanted with a tenth to spare, ${ml(liquid)} written`}`,
      because: `${quantityText({ dimension: "mass", value: Math.round(solids) })} of solids fill ${Math.round(share * 100)} % of a jar (${packing.replaceAll("_", " ")}), a tenth stays free under the lid`,
      reckoned: true,
      remedies: enough
        ? []
        : [
            withUse(
              { step, file, at: placeOf(document, component.id, file) },
              step.uses.indexOf(use),
              { count: jars },
              `Take ${jars} jars`,
            ),
          ],
    },
  ];
}

function placeOf(document: DishFile, id: string, file: DishStep): Placed["at"] {
  const c = document.components.findIndex((x) => x.id === id);
  const m = document.components[c]?.methods.findIndex((x) => x.steps.includes(file)) ?? 0;
  return [c, m, document.components[c]?.methods[m]?.steps.indexOf(file) ?? 0];
}

// Fit: whether what is made goes into what there is, at the guests wished for. Each finding says what is asked, what there is, and ways
// out that are changes of the dish: rounds computed from what one load holds, a bigger vessel borrowed, less of it.

import { kindWords } from "../../entry/words-said";
import { componentOf, type Dish, isUnit, STORES, type Use } from "../model";
import type { Occupancy } from "../occupied";
import { dishModel } from "../read-model";
import { scaledIngredient } from "../scaled-ingredient";
import type { DishFile } from "../schema";
import type { Quantity } from "../units";
import { kOf, volumeOf } from "../weights";
import { type Fit, litresText } from "./found";
import { jarsFit } from "./jars";
import { borrow, inBatches, less, moreOfThem, type Placed, withUse } from "./remedies";

export type { Fit } from "./found";
export type { Remedy } from "./remedies";

/** How full a thing may be and still do its work. Household practice: a pot boils over above two thirds to three quarters, hot liquid climbs in a blender. */
const FILL: Readonly<Record<string, number>> = {
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
      said: `at its fullest ${litresText(most)} of ${litresText(o.capacity)}`,
      because: `${o.tenants
        .filter((t) => t.from <= when && t.to > when)
        .map((t) => t.name.toLowerCase())
        .join(", ")} at the same time in the plan`,
      calculated: false,
      remedies: [],
    });
  }
  return found.sort((a, b) => RANK[a.verdict] - RANK[b.verdict]);
}

const RANK = { none: 0, over: 1, full: 2, fits: 3 } as const;
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
        calculated: false,
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
          calculated: false,
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
        because: `${litresText(use.litres)} written on the step, at ${times(step.k)}`,
        calculated: false,
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
      because: `about ${litresText(each)} go in${step.batches > 1 ? " at a time" : ""}${use.count > 1 ? ` each of ${use.count}` : ""}, and a ${kindWords(use.what)} is filled to ${Math.round(fill * 100)} % at most`,
      calculated: true,
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
  readonly calculated: boolean;
}

function sized(document: DishFile, placed: Placed, u: number, { needs, has, unit, common, because, calculated }: Sized): Fit {
  const said =
    unit === "L" ? `${litresText(needs)} needed; your largest holds ${litresText(has)}` : `${needs} pieces needed, room for ${has}`;
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
  return { ...common, verdict, said, because, calculated, remedies };
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

/** Counts and racks do not scale: with many more guests they are asked again. */
const SAME = 1.3;

function racksFit(document: DishFile, placed: Placed, use: Use, u: number, racks: number, common: Sized["common"]): Fit[] {
  const { step } = placed;
  const needs = step.batches === 1 && step.k > SAME ? Math.ceil(use.racks * step.k - 0.05) : use.racks;
  const because =
    needs > use.racks ? `${use.racks} written, and ${times(step.k)} is made: racks do not scale` : `${use.racks} written on the step`;
  if (needs <= racks) {
    if (needs === use.racks)
      return [{ ...common, verdict: "fits", said: `${needs} of ${racks} racks`, because, calculated: false, remedies: [] }];
    return [
      {
        ...common,
        verdict: "full",
        said: `probably ${needs} of ${racks} racks`,
        because,
        calculated: true,
        remedies: [withUse(placed, u, { racks: needs }, `Plan ${needs} racks`)],
      },
    ];
  }
  return [
    {
      ...common,
      verdict: "over",
      said: `${needs} racks needed; the ${use.what} has ${racks}`,
      because,
      calculated: needs > use.racks,
      remedies: [inBatches(placed, u, needs, racks, "racks"), less(document, needs, racks)].filter((r) => r !== undefined),
    },
  ];
}

function countFit(document: DishFile, placed: Placed, use: Use, has: number, common: Sized["common"]): Fit[] {
  const { step } = placed;
  const grows = !["burner", "mixer", "blender", "processor", "roller", "iron"].includes(use.what);
  const needs = grows && step.batches === 1 && step.k > SAME ? Math.ceil(use.count * step.k - 0.05) : use.count;
  if (needs <= use.count && needs <= has)
    return [{ ...common, verdict: "fits", said: `${needs} of ${has}`, because: "written on the step", calculated: false, remedies: [] }];
  const because = needs > use.count ? `${use.count} written, and ${times(step.k)} is made: counts do not scale` : "written on the step";
  if (needs <= has)
    return [
      {
        ...common,
        verdict: "full",
        said: `probably ${needs}, of ${has}`,
        because,
        calculated: true,
        remedies: [withUse(placed, placed.step.uses.indexOf(use), { count: needs }, `Plan ${needs}`)],
      },
    ];
  return [
    {
      ...common,
      verdict: "over",
      said: `${needs} needed; the kitchen has ${has}`,
      because,
      calculated: needs > use.count,
      remedies: [
        inBatches(placed, placed.step.uses.indexOf(use), needs, has, "racks"),
        borrow(use.what, undefined, needs - has),
        less(document, needs, has),
      ].filter((r) => r !== undefined),
    },
  ];
}

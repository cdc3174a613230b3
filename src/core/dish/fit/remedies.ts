// Ways out where something does not fit: more of the same, rounds of what one load holds, something borrowed, less of it.
import { kindWords } from "../../entry/words-said";
import { DEFAULT_KITCHEN } from "../default-kitchen";
import type { Step } from "../model";
import type { DishFile, DishStep, KitchenFile } from "../schema";
import { type Quantity, quantityText } from "../units";

export interface Remedy {
  readonly kind: "batches" | "bigger" | "less" | "more";
  readonly text: string;
  /** The document with it. Worked out only when it is wanted: most are never pressed. */
  readonly apply: (document: DishFile) => DishFile;
}

/** A step with the place in the document where it stands. */
export interface Placed {
  readonly step: Step;
  readonly file: DishStep;
  readonly at: readonly [component: number, method: number, step: number];
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
export function moreOfThem(document: DishFile, placed: Placed, u: number, needs: number, has: number): Remedy | undefined {
  const use = placed.step.uses[u];
  if (!use || !["jar", "tin", "tray", "bowl"].includes(use.what) || !(has > 0)) return undefined;
  const wanted = Math.ceil((needs * use.count) / has - 1e-9);
  const there = (document.kitchen?.equipment ?? DEFAULT_KITCHEN.equipment ?? [])
    .filter((e) => e.kind === use.what && (e.litres ?? 0) >= has)
    .reduce((n, e) => n + (e.count ?? 1), 0);
  return wanted <= there ? withUse(placed, u, { count: wanted }, `Take ${wanted} ${kindWords(use.what)}s`) : undefined;
}

export function withUse(placed: Placed, u: number, more: object, text: string): Remedy {
  const apply = (document: DishFile) =>
    withStepAt(document, placed, (step) => ({ ...step, uses: step.uses?.map((use, i) => (i === u ? { ...use, ...more } : use)) }));
  return { kind: "more", text, apply };
}

/**
 * As many rounds as it takes for one load to fit, planned one after another. Where the step makes something countable or weighed, one
 * load's share of it is written down, so that other guests mean another number of rounds; else the number itself.
 */
export function inBatches(placed: Placed, u: number, needs: number, has: number, unit: "L" | "pieces" | "racks"): Remedy | undefined {
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
  return { kind: "batches", text: `In ${rounds} batches, one after another${each}`, apply };
}

/** What one unit of the file's amount is in the model's quantity, at the amounts of the file. */
const unitSize = (amount: { amount: number }, quantity: Quantity, k: number) =>
  amount.amount > 0 ? quantity.value / k / amount.amount : 1;
const roundUp = (n: number) => Number((Math.ceil(n * 1000 - 1e-6) / 1000).toPrecision(6));

export function borrow(kind: string, needs: number | undefined, count = 1): Remedy {
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
export function less(document: DishFile, needs: number, has: number): Remedy | undefined {
  const serves = Math.floor((document.dish.serves * has) / needs + 1e-9);
  if (!(serves >= 1) || serves >= document.dish.serves) return undefined;
  return {
    kind: "less",
    text: `Make the whole dish for ${serves}`,
    apply: (d) => ({ ...d, dish: { ...d.dish, serves } }),
  };
}

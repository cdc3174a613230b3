// Jars for a pickle or a ferment: how many its solids fill, and whether the liquor reaches over them.
import { PACKING } from "../../measures/jars";
import type { Step } from "../model";
import { scaledIngredient } from "../scaled-ingredient";
import type { DishFile, DishStep } from "../schema";
import { quantityText } from "../units";
import { kOf, volumeOf, weightOf } from "../weights";
import { type Fit, litresText } from "./found";
import { type Placed, withUse } from "./remedies";

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

export function jarsFit(document: DishFile, component: DishFile["components"][number], file: DishStep, step: Step): Fit[] {
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
      what: "jars and liquid",
      verdict: short ? "over" : enough && (pressed || liquid >= wanted) ? "fits" : "full",
      said: `${jars} ${jars === 1 ? "jar" : "jars"} of ${litresText(jar / 1000)}${pressed ? ", under its own juice" : `; ${ml(wanted)} of liquid needed with a tenth to spare, ${ml(liquid)} written`}`,
      because: `${quantityText({ dimension: "mass", value: Math.round(solids) })} of solids fill ${Math.round(share * 100)} % of a jar (${packing.replaceAll("_", " ")}), a tenth stays free under the lid`,
      calculated: true,
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

// Pots and pans that can hurt: deep hot fat, pressure, hot liquid in a blender, a slow cooker that starts cold.
import { withStep } from "../../dish/edit/places";
import { cautioned, type Finding, type Mend } from "../finding";
import { gramsOf, isOf, likelyMinutes, mLOf, type PartStep } from "../part";
import { isRawFlesh, type SafetyScene } from "../scene";
import { heatOf } from "../states/process";

const noted = (step: PartStep, label: string, words: string): Mend => ({
  label,
  apply: (d) => withStep(d, step.place, (s) => ({ ...s, note: `${s.note ? `${s.note} ` : ""}${words}` })),
});

/** Fat enough to be a bath and not a smear, L. */
const DEEP_L = 0.6;
const HALF = 0.5;
/** Words by which a step notes the precautions of hot fat. */
export const CAREFUL = /half full|third full|lid (?:at|to) hand|\bwatched\b|thermometer/i;
export function hotFat({ parts, document }: SafetyScene): Finding[] {
  const pots = document.kitchen?.equipment?.filter((e) => e.kind === "pot").map((e) => e.litres ?? Number.POSITIVE_INFINITY);
  // A kitchen that says nothing of its pots may have any.
  const largestPot = pots ? Math.max(0, ...pots) : Number.POSITIVE_INFINITY;
  return parts.flatMap((part) =>
    part.steps.flatMap((step): Finding[] => {
      const heat = heatOf(step);
      if (!heat) return [];
      const litres =
        mLOf(part, isOf("oil")) / 1000 + gramsOf(part, (i) => isOf("fat")(i) && !/back ?fat|suet/i.test(i.ingredient.name)) / 900;
      const deep =
        heat.medium === "deep-fry" ||
        (litres >= DEEP_L && heat.medium !== "oven" && /\bfr(?:y|ied|ying)\b|\bhot (?:oil|fat)\b/i.test(step.words));
      const confit = /\bconfit\b|\bin (?:the |its |duck |goose )?(?:fat|lard)\b/i.test(step.words) && litres >= DEEP_L;
      if (!deep && !confit) return [];
      const pot = (step.step.uses ?? []).find((u) => u.what === "pot" || u.what === "pan" || /fryer/.test(u.what))?.litres;
      const over = pot !== undefined && litres > pot * HALF;
      const careful = CAREFUL.test(step.words) && !over;
      // In a closed oven below the smoke nothing flares; the pot is carried hot all the same.
      const gentle = confit && !deep && (heat.tempC ?? 120) <= 130;
      return [
        cautioned("hot-fat", step.ref, {
          component: part.component.id,
          step: step.ref,
          severity: careful || gentle ? "note" : "stop",
          ...(over ? { title: "A pan too full of hot fat" } : {}),
          computed: over
            ? `${litres.toFixed(1)} L of fat in a pot of ${pot} L: more than half full, it can boil over onto the flame.`
            : `${litres > 0.05 ? `${litres.toFixed(1)} L of hot fat` : "Hot fat"} in “${step.name}”.${careful ? " Its precautions are noted." : ""}`,
          mends: over
            ? largestPot < Math.ceil(litres * 2.2)
              ? []
              : [
                  {
                    label: `A pot of ${Math.ceil(litres * 2.2)} L`,
                    apply: (d) =>
                      withStep(d, step.place, (s) => ({
                        ...s,
                        note: `${s.note ? `${s.note} ` : ""}Pot at most half full, lid at hand, watched.`,
                        uses: (s.uses ?? []).map((u) =>
                          u.litres === pot && u.what === "pot" ? { ...u, litres: Math.ceil(litres * 2.2) } : u,
                        ),
                      })),
                  },
                ]
            : careful || gentle
              ? []
              : [
                  noted(
                    step,
                    "Note: pot at most half full, lid at hand, thermometer, never left",
                    "Pot at most half full, lid at hand, watched, thermometer in the oil.",
                  ),
                ],
        }),
      ];
    }),
  );
}

const FOAMS = isOf("pulse", "pulse-lectin", "grain", "rice", "pasta");
export function pressure({ parts, document }: SafetyScene): Finding[] {
  const cookers = document.kitchen?.equipment
    ?.filter((e) => e.kind.startsWith("pressure"))
    .map((e) => e.litres ?? Number.POSITIVE_INFINITY);
  const largest = cookers ? Math.max(0, ...cookers) : Number.POSITIVE_INFINITY;
  return parts.flatMap((part) =>
    part.steps.flatMap((step): Finding[] => {
      if (heatOf(step)?.medium !== "pressure") return [];
      const size = (step.step.uses ?? []).find((u) => u.what.startsWith("pressure"))?.litres;
      const litres = (gramsOf(part, (i) => !isOf("spice", "herb", "inedible")(i)) * (part.items.some(FOAMS) ? 1.15 : 1)) / 1000;
      const most = part.items.some(FOAMS) ? 1 / 2 : 2 / 3;
      const over = size !== undefined && litres > size * most;
      const noted_ = /vent|half full|third full|two thirds|let the pressure/i.test(step.words);
      return [
        cautioned("pressure-cooker", step.ref, {
          component: part.component.id,
          step: step.ref,
          severity: over ? "warn" : "note",
          ...(over ? { title: "The pressure cooker is too full" } : {}),
          computed: over
            ? `About ${litres.toFixed(1)} L in ${size} L: past ${most === 0.5 ? "half, the most for food that foams or swells" : "two thirds"}.`
            : `“${step.name}” works under pressure.${noted_ ? " Its precautions are noted." : ""}`,
          ...(over ? { way: `a larger cooker, or ${Math.ceil(litres / (size * most))} batches` } : {}),
          mends:
            over && largest >= Math.ceil(litres / most)
              ? [
                  {
                    label: `A cooker of ${Math.ceil(litres / most)} L`,
                    apply: (d) =>
                      withStep(d, step.place, (s) => ({
                        ...s,
                        uses: (s.uses ?? []).map((u) => (u.what.startsWith("pressure") ? { ...u, litres: Math.ceil(litres / most) } : u)),
                      })),
                  },
                ]
              : [],
        }),
      ];
    }),
  );
}

const BLENDS = /\b(?:blend|liquidi[sz]e|blitz|whizz|pur[eé]e)\b/i;
const SAFE_BLEND =
  /stick blender|hand blender|immersion blender|food mill|through a sieve|mouli|\bcool(?:ed)?\b|lukewarm|mortar|fork|in the pot|third full|small batches|in batches/i;
export function hotBlender({ parts }: SafetyScene): Finding[] {
  return parts.flatMap((part) =>
    part.steps.flatMap((step, i): Finding[] => {
      if (!BLENDS.test(step.name) || SAFE_BLEND.test(step.words)) return [];
      const before = part.steps.slice(0, i);
      const hot = before.findLastIndex((s) => {
        const heat = heatOf(s);
        return heat !== undefined && heat.medium !== "warm" && heat.medium !== "smoke" && heat.medium !== "oven" && heat.medium !== "grill";
      });
      const cooled = before
        .slice(hot + 1)
        .some((s) => /\b(?:cool|chill|rest|leave|cold|drain|peel|pick)/i.test(s.words) || likelyMinutes(s.step) >= 60);
      const saidHot = /\bhot\b|boiling|steaming/i.test(step.name);
      const wet = part.items.some(isOf("stock", "water", "milk", "cream", "wine")) || /soup|velout|sauce|bisque/i.test(part.component.name);
      if (!(saidHot || (hot >= 0 && !cooled && wet))) return [];
      return [
        cautioned("hot-liquid-blender", step.ref, {
          component: part.component.id,
          step: step.ref,
          computed: `“${step.name}” is done ${saidHot ? "while it is hot" : `straight after “${(before[hot] as PartStep).name}”`}: steam lifts the lid of a jug.`,
          mends: [noted(step, "With a stick blender in the pot", "With a stick blender in the pot.")],
        }),
      ];
    }),
  );
}

const FROZEN = /\bfrozen\b|from the freezer/i;
export function slowCookerStart({ parts }: SafetyScene): Finding[] {
  return parts.flatMap((part) =>
    part.steps.flatMap((step, i): Finding[] => {
      if (heatOf(step)?.medium !== "slow") return [];
      const frozen = part.items.find((item) => isRawFlesh(item) && item.food?.frozen);
      const thawed = part.steps.slice(0, i).some((s) => /thaw|defrost/i.test(s.name));
      const size = (step.step.uses ?? []).find((u) => /slow/.test(u.what))?.litres;
      const litres = gramsOf(part, (item) => !isOf("spice", "herb", "inedible")(item)) / 1000;
      const over = size !== undefined && litres > size * 0.8;
      const cold = FROZEN.test(step.words) || (frozen !== undefined && !thawed);
      if (!cold && !over) return [];
      return [
        cautioned("slow-pot-start", step.ref, {
          component: part.component.id,
          step: step.ref,
          computed: cold
            ? `${frozen?.ingredient.name ?? "The food"} is frozen: in “${step.name}” it stays between 5 and 60 °C for hours.`
            : `About ${litres.toFixed(1)} L in a cooker of ${size} L. So full, it takes too long to pass 60 °C.`,
          mends: cold ? thawFirst(step) : [],
        }),
      ];
    }),
  );
}
const thawFirst = (step: PartStep): Mend[] => [
  {
    label: "Thawed in the fridge before",
    apply: (d) =>
      withStep(d, step.place, (s) => ({
        ...s,
        name: (s.name ?? "").replace(/\b(?:the )?frozen\b/i, "the thawed"),
        note: `${s.note ? `${s.note} ` : ""}Thawed in the fridge for two days before.`,
      })),
  },
];

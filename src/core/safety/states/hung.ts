// A whole cut that was salted through and then hangs to dry: its salt and the water it loses keep germs away, and neither cold nor heat does.

import { ENGLISH } from "../../entry/lexicon/english";
import { fold } from "../../entry/lexicon/fold";
import { heatAt } from "../../entry/temperatures";
import { isCured } from "../../foods/groups";
import { gramsOf, isOf, likelyMinutes, type Part, type PartStep } from "../part";
import { does } from "./process";

/** Salt on the meat, %, from which a whole cut may hang; curers weigh 2.5 to 3 %. */
const LEAST_SALT_PCT = 2;
/** Warmest place to hang in, °C. */
const WARMEST_C = 18;
/** The salt needs its time to go in, min. */
const LEAST_CURE_MIN = 12 * 60;
const HANGS = /\b(?:hang|hangs|hung|hanging|air-?dr(?:y|ied)|dry|dries|dried|drying|mature[sd]?|age[sd]?|string up)\b/i;
const BURIES = /\b(?:bury|buried|pack(?:ed)?|cover(?:ed)?) (?:\p{L}+ ){0,3}(?:in|with) (?:the |coarse |sea )*salt\b/iu;

/** Whether a step hangs whole meat that a step before it cured, in a cool place. */
export function hangsCured(part: Part, step: PartStep): boolean {
  const at = part.steps.indexOf(step);
  if (!HANGS.test(step.name) || at < 1) return false;
  const meat = (i: Part["items"][number]) => isCured(i.food);
  const meatG = gramsOf(part, meat);
  const saltG = gramsOf(part, isOf("salt", "curing-salt"));
  if (part.items.some(isOf("mince", "poultry-mince", "sausage")) || part.steps.some(does.minces)) return false;
  const before = part.steps.slice(0, at);
  // Buried in it, what is counted takes up enough; else both have to be weighed.
  const enough = meatG > 0 ? saltG >= (meatG * LEAST_SALT_PCT) / 100 : saltG > 0 && before.some((s) => BURIES.test(s.name));
  return enough && before.some((s) => (does.cures(s) || BURIES.test(s.name)) && likelyMinutes(s.step) >= LEAST_CURE_MIN) && isCool(step);
}

function isCool(step: PartStep): boolean {
  if ((step.step.uses ?? []).some((u) => u.what === "cellar" || u.what === "fridge")) return true;
  if (/\b(?:cellar|larder|pantry|fridge|chamber|cool|cold)\b/i.test(step.words)) return true;
  const words = fold(step.words);
  for (const m of words.matchAll(/\d+/g)) {
    const heat = heatAt(words, m.index, ENGLISH);
    if (heat) return heat.value.celsius <= WARMEST_C;
  }
  return false;
}

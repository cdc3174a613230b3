// Small things of the hand: chillies, blades, oysters. Notes, said once.
import { cautioned, type Finding } from "../finding";
import { gramsOf, isOf } from "../part";
import type { SafetyScene } from "../scene";

const FIERY = /habanero|scotch bonnet|bird'?s?[- ]eye|naga|ghost|thai chill|reaper|cayenne chill|datil/i;
/** Chillies in an amount that burns hands, g. */
const MANY_G = 40;
export function hotChillies({ parts }: SafetyScene): Finding[] {
  return parts.flatMap((part) => {
    const chilli = part.items.find((i) => isOf("chilli")(i) && (FIERY.test(i.ingredient.name) || gramsOf(part, (x) => x === i) >= MANY_G));
    const step = chilli && part.steps[chilli.enters];
    return chilli && step
      ? [
          cautioned("hot-chillies", part.component.id, {
            component: part.component.id,
            step: step.ref,
            severity: "note",
            computed: `${chilli.ingredient.name} in ${part.component.name.toLowerCase()}: it stays on the fingers for hours.`,
          }),
        ]
      : [];
  });
}

const BLADES = /\b(?:mandolin|mandoline|microplane|fine grater|meat slicer|shuck|open the (?:oysters|clams))/i;
export function blades({ parts }: SafetyScene): Finding[] {
  return parts.flatMap((part) =>
    part.steps
      .filter((s) => BLADES.test(s.words))
      .map((step) =>
        cautioned("knife-mandolin", step.ref, {
          component: part.component.id,
          step: step.ref,
          severity: "note",
          computed: `“${step.name}” is done with a blade that can slip. Use a guard or a glove, and leave the last piece.`,
        }),
      ),
  );
}

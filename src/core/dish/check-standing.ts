// Food that nobody moves, and food of which nothing says how long it may stand: both are warned of, since a plan may then leave it for a night.
import type { PlacedStep, Report } from "./check-report";
import { beginsAlone, isTiedTo } from "./puts";

export function checkStanding(steps: readonly PlacedStep[], report: Report): void {
  for (const placed of steps) {
    if (placed.component.onHand.length) continue;
    const { step, path, component, methodIndex } = placed;
    const first = component.methods[methodIndex]?.steps[0] === step;
    if (!first && beginsAlone(step.file) && !isTiedTo(step.file))
      report(
        path,
        `"${step.name}" can start with nobody there. Write "puts": true, give hands at its start, or say how soon it follows ("max").`,
        "warning",
      );
    if (component.kind === "assembly") continue;
    // The link to the line before that nobody wrote: nothing says how long the food of that line may stand.
    for (const link of step.links) {
      if (link.written || link.max !== undefined) continue;
      const before = component.methods[methodIndex]?.steps.find((s) => s.ref === link.step);
      if (!before || step.takes.some((t) => before.makes.some((o) => o.ref === t.from))) continue;
      report(
        `${path}.after`,
        `It is not said how long the food may wait between "${before.name}" and "${step.name}", or where. Give the longest wait: [{"step": "${before.id}", "max": "2h", "limit": "quality"}].`,
        "warning",
      );
    }
  }
}

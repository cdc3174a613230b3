// @vitest-environment happy-dom
// "Not yet" and "Nearly" on the card of a step: an estimate that knows how long it has taken, said with its reason.
import { createElement } from "react";
import { describe, expect, test, vi } from "vitest";
import { remainingLength } from "../../src/core/dish/remaining-length";
import { RunningCard } from "../../src/ui/cook/StepCards";
import { hands, inDocument, screen, stand } from "../support/dom";
import { at, CLOCK, step } from "../support/plan-views";

inDocument();
const SPREAD = { min: 45, likely: 60, max: 90 };
const roast = step("a.roast", "10:00", "11:00", { attention: "unattended", cue: "brown", uncertain: [45, 60, 90], state: "running" });

describe("what is not done yet", () => {
  test.each([
    ["Not yet", "not-yet"],
    ["Nearly", "nearly"],
  ] as const)("%s moves its end by what is likely after so long, and says why", async (label, seen) => {
    const onPress = vi.fn();
    stand(
      createElement(RunningCard, {
        step: roast,
        component: "Roast",
        now: at("11:00"),
        clock: CLOCK,
        busy: false,
        findings: [],
        onKnown: () => {},
        onPress,
      }),
    );
    await hands().click(screen.getByRole("button", { name: `${label}: Roast` }));
    const left = remainingLength(SPREAD, 60, seen);
    expect(onPress).toHaveBeenCalledWith("estimate", left.likely);
    const said = screen.getByRole("status").textContent ?? "";
    expect(said).toContain("Not done after 1 h");
    expect(said).toContain(CLOCK.time(at("11:00") + left.likely));
    expect(said).toContain(`between ${CLOCK.time(at("11:00") + left.low)} and ${CLOCK.time(at("11:00") + left.high)}`);
  });
  test("past its longest length it says so, and gives no false band", async () => {
    const onPress = vi.fn();
    stand(
      createElement(RunningCard, {
        step: roast,
        component: "Roast",
        now: at("11:40"),
        clock: CLOCK,
        busy: false,
        findings: [],
        onKnown: () => {},
        onPress,
      }),
    );
    await hands().click(screen.getByRole("button", { name: "Not yet: Roast" }));
    expect(screen.getByRole("status").textContent).toContain("longer than it ever should take");
  });
  test("work by hand has no looks", () => {
    stand(
      createElement(RunningCard, {
        step: { ...roast, attention: "hands" },
        component: "Roast",
        now: at("11:00"),
        clock: CLOCK,
        busy: false,
        findings: [],
        onKnown: () => {},
        onPress: vi.fn(),
      }),
    );
    expect(screen.queryByRole("button", { name: /^Not yet/ })).toBeNull();
  });
});

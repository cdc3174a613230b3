// Patches: they land where their author meant, or not at all, and cannot be made to do anything else.
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { applyPatch, guarded, type PatchOperation, patchBetween } from "../../../src/core/dish/patch";
import { smallDish } from "../../support/small-dish";

const dish = () => smallDish();

describe("a patch", () => {
  test.each([
    ["the length of a list", { op: "replace", path: "/components/length", value: 1_000_000_000 }],
    ["a list by a name", { op: "add", path: "/components/first", value: {} }],
    ["a list by half a number", { op: "replace", path: "/components/1.5/name", value: "x" }],
    ["a list by a number with noughts", { op: "replace", path: "/components/00/name", value: "x" }],
    ["beyond the end", { op: "add", path: "/components/400000000", value: {} }],
    ["after the end, to be replaced", { op: "replace", path: "/components/-", value: {} }],
    ["a key of the language", { op: "add", path: "/__proto__/polluted", value: 1 }],
    ["inside a text", { op: "add", path: "/dish/name/x", value: 1 }],
    ["everything", { op: "replace", path: "", value: {} }],
    ["what is not there", { op: "remove", path: "/dish/nowhere" }],
    ["a path without a stroke", { op: "replace", path: "dish", value: 1 }],
    ["into itself", { op: "move", from: "/components", path: "/components/0/methods" }],
    ["very deep", { op: "add", path: `/dish${"/a".repeat(80)}`, value: 1 }],
  ] as [string, PatchOperation][])("is refused for %s, and leaves the document as it was", (_, operation) => {
    const before = dish();
    expect(() => applyPatch(before, [operation])).toThrow(/^patch: /);
    expect(before).toEqual(dish());
    expect(({} as Record<string, unknown>).polluted).toBeUndefined();
  });
  test("is bounded in what it does and in what comes of it", () => {
    const add: PatchOperation = { op: "add", path: "/dish/notes", value: "x".repeat(9_000_000) };
    expect(() => applyPatch(dish(), [add])).toThrow(/larger than its own file/);
    const many = Array.from({ length: 1_001 }, (): PatchOperation => ({ op: "replace", path: "/dish/name", value: "x" }));
    expect(() => applyPatch(dish(), many)).toThrow(/more than 1000/);
  });
});

describe("a guarded patch", () => {
  test("does the same to the document that was seen", () => {
    const before = dish();
    const after = smallDish((d) => {
      d.components[0].name = "Another";
      d.components[1].methods[0].steps.splice(0, 1);
      d.kitchen.cooks.push({ id: "ben" });
    });
    expect(applyPatch(before, guarded(before, patchBetween(before, after)))).toEqual(after);
  });
  test("does not land on another thing that has come to stand in its place", () => {
    const seen = dish();
    const operations = guarded(seen, [{ op: "replace", path: "/components/1/name", value: "Gravy" }]);
    const moved = dish();
    moved.components.unshift(structuredClone(moved.components[2]));
    expect(() => applyPatch(moved, operations)).toThrow(/something else is/);
    const apart = dish();
    apart.dish.name = "Changed elsewhere";
    expect(applyPatch(apart, operations).components[1].name).toBe("Gravy");
    const same = dish();
    same.components[1].name = "Jus";
    expect(() => applyPatch(same, operations)).toThrow(/something else is/);
  });
  test("of random changes: applied to what others changed it is done whole or not at all", () => {
    const change = fc.record({
      component: fc.nat(2),
      what: fc.constantFrom("name", "first step", "gone"),
      name: fc.string({ minLength: 1, maxLength: 8 }),
    });
    const done = (d: ReturnType<typeof dish>, c: { component: number; what: string; name: string }) => {
      const component = d.components[c.component];
      if (!component) return;
      if (c.what === "name") component.name = c.name;
      else if (c.what === "first step") component.methods[0].steps[0].name = c.name;
      else d.components.splice(c.component, 1);
    };
    fc.assert(
      fc.property(change, change, (mine, theirs) => {
        const seen = dish();
        const [wish, now] = [dish(), dish()];
        done(wish, mine);
        done(now, theirs);
        const before = structuredClone(now);
        const id = seen.components[mine.component]?.id;
        const operations = guarded(
          seen,
          mine.what === "gone" ? [{ op: "remove", path: `/components/${mine.component}` }] : patchBetween(seen, wish),
        );
        try {
          const merged = applyPatch(now, operations);
          const target = merged.components.find((c: { id: string }) => c.id === id);
          if (mine.what === "gone") expect(target).toBeUndefined();
          else if (mine.what === "name") expect(target?.name).toBe(mine.name);
          else expect(target?.methods[0].steps[0].name).toBe(mine.name);
        } catch (error) {
          expect((error as Error).message).toMatch(/^patch: /);
        }
        expect(now).toEqual(before);
      }),
      { numRuns: 200 },
    );
  });
});

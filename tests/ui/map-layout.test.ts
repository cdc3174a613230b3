// The breakdown map is laid out so that nothing hides anything: on the demo, and on random dishes.

import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { addComponent, newDish } from "../../src/core/dish/edit/components";
import { entryStep, join, outputOf } from "../../src/core/dish/edit/streams";
import { readDishValue } from "../../src/core/dish/read";
import type { DishFile } from "../../src/core/dish/schema";
import { materialFlow } from "../../src/core/sheets/material-flow";
import { layoutMap } from "../../src/ui/breakdown-map/layout";
import { deep } from "../support/deep";
import { DEMO, demoDocument } from "../support/dishes";

const box = (p: ReturnType<typeof layoutMap>["pools"][number]) => ({
  left: p.x - p.width / 2,
  right: p.x + p.width / 2,
  top: p.y - p.height / 2,
  bottom: p.y + p.height / 2,
});

function sound(document: DishFile) {
  const flow = materialFlow(document);
  const map = layoutMap(flow);
  const boxes = map.pools.map(box);
  boxes.forEach((a, i) => {
    for (const b of boxes.slice(i + 1)) expect(a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom).toBe(false);
    expect(a.left).toBeGreaterThanOrEqual(0);
    expect(a.right).toBeLessThanOrEqual(map.width);
    expect(a.bottom).toBeLessThanOrEqual(map.height);
  });
  const at = new Map(map.pools.map((p) => [p.pool.id, box(p)]));
  for (const s of map.streams) {
    const [x = 0, y = 0] = [...s.path.matchAll(/-?\d+(?:\.\d+)?/g)].map((m) => Number(m[0]));
    const from = at.get(s.stream.from)!;
    expect(Math.abs(y - from.bottom) % 33).toBeLessThan(0.2);
    expect(x).toBeGreaterThanOrEqual(from.left - 1);
    expect(x).toBeLessThanOrEqual(from.right + 1);
    if (s.stream.to === undefined) continue;
    // Water runs down.
    expect(s.end[1]).toBeGreaterThan(from.bottom);
    expect(s.end[1]).toBeCloseTo(at.get(s.stream.to)!.top, 3);
  }
  const labels = map.streams.flatMap((s) => (s.label ? [s.label] : []));
  for (const l of labels) for (const b of boxes) expect(l.x > b.left && l.x < b.right && l.y > b.top && l.y < b.bottom).toBe(false);
  expect(layoutMap(flow)).toEqual(map);
  return map;
}

describe.each(DEMO)("%s", (slug) => {
  const read = readDishValue(demoDocument(slug));
  if (read.status !== "read") throw new Error(slug);
  const map = sound(read.document);
  test("fits beside the editor, and most amounts stand on their streams", () => {
    expect(map.width).toBeLessThan(720);
    const running = map.streams.filter((s) => s.stream.to !== undefined);
    expect(running.filter((s) => s.label).length).toBeGreaterThanOrEqual(running.length * 0.8);
  });
  test("a stream is as wide as it is heavy", () => {
    const [a, b] = [...map.streams].filter((s) => s.stream.to !== undefined).sort((x, y) => y.stream.grams - x.stream.grams);
    expect(a!.width / b!.width).toBeCloseTo(a!.stream.grams / b!.stream.grams, 6);
  });
});

test("random dishes of up to nine components", () => {
  const base = newDish({ name: "Random", serves: 6, serveAt: "2026-12-06T13:00", timezone: "Europe/Dublin" });
  fc.assert(
    fc.property(
      fc.array(
        fc.record({ grams: fc.integer({ min: 1, max: 9000 }), into: fc.nat(20), by: fc.boolean(), words: fc.integer({ min: 1, max: 4 }) }),
        { minLength: 1, maxLength: 9 },
      ),
      (parts) => {
        let d = base;
        const ids: string[] = [];
        for (const [i, p] of parts.entries()) {
          const name = `${["Slow", "red", "roasted", "quince"].slice(0, p.words).join(" ")} ${i}`;
          const added = addComponent(d, {
            name,
            steps: ["cut 10m", `cook 1h, makes ${p.grams} g thing ${i}${p.by ? `, makes ${p.grams} g rest ${i}` : ""}`],
            ingredients: [`${p.grams} g stuff`],
          });
          d = added.document;
          ids.push(added.id);
          const target = ids[p.into % ids.length] as string;
          const output = outputOf(d, added.id);
          const step = entryStep(d, target);
          if (output && step && target !== added.id) {
            try {
              d = join(d, { from: output, to: step });
            } catch {
              // A circle is refused; the stream then runs to serving.
            }
          }
        }
        sound(d);
      },
    ),
    { numRuns: deep(12, 60) },
  );
});

// Lengths learned from what was timed: right bands for simulated cooks, little pulled by little, nothing by what was interrupted.
import { describe, expect, test } from "vitest";
import { seededRandom } from "../../../src/core/random";
import { isWorthTelling, learnedLengths, type Timed } from "../../../src/core/record/learned";

const said = (likely: number) => ({ min: likely * 0.8, likely, max: likely * 1.2 });
const timed = (step: string, likely: number, ...minutes: number[]): Timed[] =>
  minutes.map((m) => ({ step, kind: "hands", minutes: m, said: said(likely), interrupted: false }));
const of = (list: readonly Timed[], step: string) => {
  const found = learnedLengths(list).find((l) => l.step === step);
  if (!found) throw new Error(`nothing learned of ${step}`);
  return found;
};

describe("a step that takes longer than it says", () => {
  test("is planned longer with every timing, never past what was timed", () => {
    const likely = [1, 2, 5, 12].map((n) => of(timed("a.chop", 20, ...Array(n).fill(30)), "a.chop").next.likely);
    expect([...likely].sort((a, b) => a - b)).toEqual(likely);
    expect(likely[0]).toBeGreaterThan(20);
    expect(likely[3]).toBeLessThanOrEqual(30);
    expect(likely[3]).toBeGreaterThanOrEqual(25);
  });
  test("says what was timed", () => {
    const found = of(timed("a.chop", 17, 22, 31, 27), "a.chop");
    expect(found.timed).toEqual([22, 31, 27]);
    expect(found.next.min).toBeLessThan(27);
    expect(found.next.max).toBeGreaterThan(27);
    expect(isWorthTelling(found)).toBe(true);
  });
  test("pulls other steps of its kind a little, and more than those of another kind", () => {
    const slow = ["b", "c", "d", "e"].flatMap((s) => timed(`${s}.cut`, 100, 140, 160, 185));
    const alone = of(timed("a.chop", 100, 100), "a.chop").next.likely;
    const among = of([...slow, ...timed("a.chop", 100, 100)], "a.chop").next.likely;
    const apart = of([...slow, ...timed("a.chop", 100, 100).map((t) => ({ ...t, kind: "unattended" }))], "a.chop").next.likely;
    expect(among).toBeGreaterThan(alone);
    expect(apart).toBeLessThanOrEqual(among);
  });
});

describe("what is left out", () => {
  test("interrupted steps and things that happened are counted, and change nothing", () => {
    const plain = of(timed("a.chop", 20, 21, 19), "a.chop");
    const more = of([...timed("a.chop", 20, 21, 19, 95), { ...(timed("a.chop", 20, 40)[0] as Timed), interrupted: true }], "a.chop");
    expect(more.next).toEqual(plain.next);
    expect([plain.leftOut, more.leftOut]).toEqual([0, 2]);
  });
  test("a step that was only interrupted has nothing learned", () => {
    expect(learnedLengths(timed("a.chop", 20, 40).map((t) => ({ ...t, interrupted: true })))).toEqual([]);
  });
  test("what took as long as it says is not worth telling, however sure the dish was of it", () => {
    const exact = { min: 25, likely: 25, max: 25 };
    const told = (minutes: readonly number[], length = said(20)) =>
      learnedLengths(minutes.map((m) => ({ step: "a.chop", kind: "hands", minutes: m, said: length, interrupted: false }))).map(
        isWorthTelling,
      );
    expect(told([20])).toEqual([false]);
    expect(told([25, 26, 24], exact)).toEqual([false]);
    expect(told([36, 35], exact)).toEqual([true]);
    // Once far from what it says, though the middle has hardly moved.
    expect(told([20, 20, 20, 20, 31])).toEqual([true]);
  });
});

test("over 2,000 simulated cooks of every pace the band holds the next time eight times in ten", () => {
  const draw = seededRandom(71);
  const normal = () => Math.sqrt(-2 * Math.log(1 - draw())) * Math.cos(2 * Math.PI * draw());
  let [held, of_] = [0, 0];
  for (let cook = 0; cook < 2000; cook++) {
    const pace = Math.log(0.8 + 0.8 * draw());
    const noise = 0.1 + 0.16 * draw();
    const list: Timed[] = [];
    const truth = new Map<string, number>();
    for (let s = 0; s < 8; s++) {
      const kind = s < 5 ? "hands" : "unattended";
      const own = pace + 0.2 * normal();
      truth.set(`a.s${s}`, own);
      const n = 1 + Math.floor(draw() * 3);
      for (let i = 0; i < n; i++)
        list.push({ step: `a.s${s}`, kind, minutes: 100 * Math.exp(own + noise * normal()), said: said(100), interrupted: false });
    }
    for (const l of learnedLengths(list)) {
      const next = 100 * Math.exp((truth.get(l.step) as number) + noise * normal());
      of_++;
      if (next >= l.next.min && next <= l.next.max) held++;
    }
  }
  expect(held / of_).toBeGreaterThan(0.75);
  expect(held / of_).toBeLessThan(0.85);
});

// What a rehearsal's notes say of a plan with a weakness planted in it: they name it first, and a fix that is kept has made it rarer.
import { describe, expect, test } from "vitest";
import { dishModel } from "../../../src/core/dish/read-model";
import type { DishFile } from "../../../src/core/dish/schema";
import { EMPTY_LOG, logToFile, type Plan, planDish, planToFile } from "../../../src/core/planner";
import { followOnce, runSeed } from "../../../src/core/rehearse";
import { offsetsOf, WallClock } from "../../../src/core/time/wall-clock";
import type { RehearsedRun } from "../../../src/core/view/rehearsed-plan";
import { weakPoints } from "../../../src/core/view/weak-points";
import { RehearsalDesk } from "../../../src/workers/rehearsal-desk";
import type { Loose } from "../../support/dishes";
import { smallDish, stepOf } from "../../support/small-dish";

const NOW = "2026-10-15T08:00";
const RUNS = 24;

function planned(document: Loose): { dish: ReturnType<typeof dishModel>; plan: Plan; now: number } {
  const dish = dishModel(document as DishFile);
  const now = dish.zone.toMinute(NOW);
  const answer = planDish(dish, { now, planAt: "likely", rounds: 10 });
  if (answer.status !== "feasible") throw new Error(answer.conflict.map((c) => c.text).join(" "));
  return { dish, plan: answer.plan, now };
}

function notes(document: Loose, seed: number) {
  const { dish, plan, now } = planned(document);
  const runs = Array.from({ length: RUNS }, (_, i) => followOnce(document as DishFile, plan, { seed: runSeed(seed, i) }));
  return weakPoints(runs, new WallClock(offsetsOf(dish.zone, now, dish.serveAt)));
}

/** The sauce is done late on Saturday at the latest, and the stock that it takes may wait a whole day less a few minutes only. */
const shortHold = () =>
  smallDish((d) => {
    d.kitchen.cooks[0].hours = [{ days: "all", from: "08:00", to: "21:00" }];
    stepOf(d, "stock.simmer").time = "3h";
    stepOf(d, "stock.simmer").makes[0].holds = [{ place: "fridge", litres: 2, min: "11h45m", max: "12h", limit: "quality" }];
  });
/** Saturday has two hours of hands and two hours of work; nothing else may be done on another day. */
const shortOfHands = () =>
  smallDish((d) => {
    d.kitchen.cooks[0].hours = [
      { from: "2026-10-17T10:00", to: "2026-10-17T12:10" },
      { from: "2026-10-18T08:00", to: "2026-10-18T14:00" },
    ];
    stepOf(d, "stock.chop").time = { min: "110m", likely: "2h", max: "130m" };
    stepOf(d, "stock.simmer").attention = "unattended";
    stepOf(d, "stock.simmer").time = "3h";
  });
const fullFridge = () =>
  smallDish((d) => {
    stepOf(d, "stock.simmer").time = "3h";
    stepOf(d, "stock.simmer").makes[0].holds = [{ place: "fridge", litres: 29.5, min: "4h", max: "3d", limit: "safety" }];
    d.kitchen.equipment = [...d.kitchen.equipment.filter((e: Loose) => e.kind !== "fridge"), { id: "fridge", kind: "fridge", litres: 30 }];
  });

describe("the notes of rehearsals name a planted weakness first", () => {
  for (const seed of [1, 2, 3, 4]) {
    test(`a wait too short for it (${seed})`, () => {
      expect(notes(shortHold(), seed)[0]).toMatchObject({ kind: "wait", about: "stock.stock" });
    });
  }
  for (const seed of [5, 6, 7]) {
    test(`too few hands on Saturday (${seed})`, () => {
      const [first] = notes(shortOfHands(), seed);
      expect(first?.text).toMatch(/^Hands are short on Saturday/);
      expect(first?.share).toBeGreaterThan(0.5);
    });
  }
  for (const seed of [8, 9, 10]) {
    test(`a fridge that is nearly full (${seed})`, () => {
      expect(notes(fullFridge(), seed)[0]).toMatchObject({ kind: "place", about: "fridge", text: "The fridge is nearly full" });
    });
  }
  test("a plan with room everywhere has none of them", () => {
    const calm = smallDish((d) => {
      d.kitchen.cooks[0].hours = [{ days: "all", from: "08:00", to: "21:00" }];
      stepOf(d, "stock.simmer").time = "3h";
    });
    expect(notes(calm, 1).filter((w) => w.kind === "hands" || w.kind === "place" || w.kind === "late")).toEqual([]);
  });
});

describe("the desk", () => {
  const deskOf = (document: Loose) => {
    const { dish, plan, now } = planned(document);
    return new RehearsalDesk({ version: 1, document, now, log: logToFile(EMPTY_LOG, dish.zone), plan: planToFile(plan, dish.zone) });
  };
  test("tells of each run, and plays the same one again to the same minute", () => {
    const document = smallDish();
    const desk = deskOf(document);
    const told: RehearsedRun[] = [];
    const { runs } = desk.rehearse("forget=1/8", 6, (r) => told.push(r));
    expect(told).toEqual(runs);
    expect(new Set(runs.map((r) => r.lateMinutes)).size).toBeGreaterThan(1);
    const serveAt = dishModel(document as DishFile).serveAt;
    for (const { index, lateMinutes } of runs) {
      const replay = desk.replay("forget=1/8", index);
      expect(replay?.presses.at(-1)).toMatchObject({ kind: "ended", step: "plate.put", at: serveAt + (lateMinutes ?? 0) });
      expect(replay?.presses.map((p) => p.at)).toEqual(replay?.presses.map((p) => p.at).toSorted((a, b) => a - b));
      expect(replay?.plans[0]?.view.steps.length).toBeGreaterThan(3);
    }
  });
  test("plays what the thermometer of a roast read, and when it will be done by it", () => {
    const roasting = smallDish((d) => {
      const step = stepOf(d, "stock.simmer");
      Object.assign(step, { time: { min: "2h", likely: "3h", max: "4h" }, done: { probeC: 70 }, uses: [{ what: "oven", tempC: 150 }] });
    });
    const replay = deskOf(roasting).replay("probe", 1);
    const read = (replay?.presses ?? []).filter((p) => p.probe);
    expect(read.length).toBeGreaterThan(0);
    for (const { at, step, probe } of read) {
      expect(step).toBe("stock.simmer");
      expect(probe?.until).toBeGreaterThan(at);
      expect(probe?.coreC).toBeLessThan(71);
    }
    expect(
      deskOf(roasting)
        .replay("follow", 1)
        ?.presses.some((p) => p.probe),
    ).toBe(false);
  });
  test("the cook decides: what is begun late comes later, and where no plan is left it asks and goes on as chosen", () => {
    const document = smallDish();
    const desk = deskOf(document);
    const serveAt = dishModel(document as DishFile).serveAt;
    const none = { late: {}, ways: [] };
    const started = desk.replay("follow", 0, none)?.presses.filter((p) => p.kind === "started") ?? [];
    const [first, last] = [started[0], started.at(-1)];
    const begunAt = (step: string | undefined, late: number, ways: number[]) => {
      const replay = desk.replay("follow", 0, { late: { [step as string]: late }, ways });
      return { replay, at: replay?.presses.find((p) => p.kind === "started" && p.step === step)?.at };
    };
    expect(begunAt(first?.step, 15, []).at).toBe((first?.at ?? 0) + 15);
    // The serving itself an hour late: nothing but a later hour is left, and nobody takes it by itself.
    const { replay } = begunAt(last?.step, 60, []);
    expect(replay?.lateMinutes).toBeUndefined();
    expect(replay?.asked?.ways[0]).toMatchObject({ kind: "serve-later", lateMinutes: 60 });
    const goneOn = begunAt(last?.step, 60, [0]).replay;
    expect(goneOn?.asked).toBeUndefined();
    expect(goneOn?.presses.at(-1)?.at).toBe(serveAt + 60);
    expect(goneOn?.lateMinutes).toBe(60);
  });
  test("names the rounds that are missed by who forgets them, and none where nobody does", () => {
    const desk = deskOf(
      smallDish((d) => {
        stepOf(d, "stock.simmer").tend = { every: "15m", what: "skim" };
      }),
    );
    const rounds = (policy: string) => desk.rehearse(policy, 10, () => {}).weak.filter((w) => w.kind === "round");
    expect(rounds("rounds=1/8")).toMatchObject([{ what: "skim", text: expect.stringMatching(/^A round is missed: skim, in “/) }]);
    expect(rounds("follow")).toEqual([]);
  });
  test("finds a fix that makes the weak point rarer, and says by how much; a cool box for a full fridge", () => {
    const desk = deskOf(fullFridge());
    const { weak } = desk.rehearse("follow", RUNS, () => {});
    const tried: string[] = [];
    const fix = desk.fix("follow", RUNS, weak[0] as never, (text) => tried.push(text));
    expect(tried[0]).toBe("A cool box with ice, 10 L");
    expect(fix).toMatchObject({ status: "helps", text: "A cool box with ice, 10 L", share: { before: 1, after: 0 } });
  });
  test("a wait that only quality limits may be made longer, one for safety never", () => {
    const desk = (limit: string) => {
      const document = shortHold();
      stepOf(document, "stock.simmer").makes[0].holds[0].limit = limit;
      const one = deskOf(document);
      const { weak } = one.rehearse("follow", 10, () => {});
      const tried: string[] = [];
      one.fix("follow", 10, weak[0] as never, (text) => tried.push(text));
      return tried;
    };
    expect(desk("quality")[0]).toMatch(/^Let it wait up to 18 h/);
    expect(desk("safety").some((text) => text.startsWith("Let it wait"))).toBe(false);
  });
});

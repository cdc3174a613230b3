// A plan under way: what has begun is a fact, what it cannot keep is told as an exception and nothing else is, single steps are planned shorter
// inside their range, what has waited too long to be safe is made again.
import { readFileSync } from "node:fs";
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { applyPatch } from "../../../src/core/dish/patch";
import type { DishFile } from "../../../src/core/dish/schema";
import {
  EMPTY_LOG,
  type Log,
  LogFile,
  logFromFile,
  type Plan,
  type PlanException,
  planDish,
  planFromFile,
  planToFile,
  verifyPlan,
} from "../../../src/core/planner";
import { waysAround } from "../../../src/core/planner/ways-around";
import { dishOf } from "../../support/dishes";
import { smallDish, stepOf } from "../../support/small-dish";

const repro = (name: string) => JSON.parse(readFileSync(`tests/data/repro/${name}`, "utf8"));
const found = (planned: ReturnType<typeof planDish>): Plan => {
  if (planned.status !== "feasible") throw new Error(planned.conflict.map((c) => c.text).join(" "));
  return planned.plan;
};

/** A smoke that runs until late: it needs somebody awake, and what it makes is taken off at once. */
const smoke = () => ({
  format: "rondeau/1",
  dish: {
    id: "smoke",
    name: "Smoke",
    timezone: "Europe/Dublin",
    baseServes: 4,
    serves: 4,
    serveAt: "2026-06-21T18:00",
    startNotBefore: "2026-06-19T18:00",
    serve: "table.carve",
  },
  components: [
    {
      id: "legs",
      name: "Legs",
      kind: "roast",
      methods: [
        {
          id: "usual",
          steps: [
            { id: "light", name: "Light it", time: "30m" },
            {
              id: "smoke",
              name: "Smoke",
              time: { min: "3h", likely: "4h", max: "7h" },
              attention: "nearby",
              after: [{ step: "light", max: "10m" }],
              uses: [{ what: "grill", tempC: 110 }],
            },
            {
              id: "wrap",
              name: "Wrap",
              time: "15m",
              after: [{ step: "smoke", max: "10m" }],
              makes: [{ id: "wrapped", holds: [{ place: "fridge", max: "3d", limit: "safety" }] }],
            },
          ],
        },
      ],
    },
    {
      id: "salad",
      name: "Salad",
      kind: "vegetable",
      methods: [
        {
          id: "usual",
          steps: [
            { id: "cut", name: "Cut", time: "20m", makes: [{ id: "cut", holds: [{ place: "fridge", max: "1d", limit: "quality" }] }] },
          ],
        },
      ],
    },
    {
      id: "table",
      name: "Table",
      kind: "assembly",
      methods: [
        { id: "usual", steps: [{ id: "carve", name: "Carve", time: "20m", takes: [{ from: "legs.wrapped" }, { from: "salad.cut" }] }] },
      ],
    },
  ],
  kitchen: {
    cooks: [
      {
        id: "wren",
        name: "Wren",
        hours: [{ days: "all", from: "17:00", to: "22:30" }],
        awake: [{ days: "all", from: "07:00", to: "23:00" }],
      },
    ],
    equipment: [
      { id: "kettle", kind: "grill", racks: 2, maxC: 250 },
      { id: "fridge", kind: "fridge", litres: 40 },
    ],
  },
});

const smoked = dishOf(smoke());
const at = (text: string) => smoked.zone.toMinute(text);
/** The smoke was lit at 18:40 and takes until half past eleven: half an hour past bedtime, and the wrapping is an hour past hours. */
const late: Log = {
  ...EMPTY_LOG,
  events: new Map([
    ["legs.light", { step: "legs.light", started: at("2026-06-20T18:00"), ended: at("2026-06-20T18:35"), estimate: undefined }],
    ["legs.smoke", { step: "legs.smoke", started: at("2026-06-20T18:40"), ended: undefined, estimate: at("2026-06-20T23:30") }],
  ]),
};
const now = at("2026-06-20T22:00");

describe("exceptions", () => {
  const plan = found(planDish(smoked, { now, log: late, planAt: "likely" }));
  const said = (e: PlanException) =>
    `${e.rule} ${e.step ?? e.output} ${smoked.zone.toInstant(e.from).slice(11, 16)}–${smoked.zone.toInstant(e.to).slice(11, 16)}`;

  test("are what the smoke and what may not wait for it need, to the minute, and the verifier counts the same", () => {
    expect((plan.exceptions ?? []).map(said).sort()).toEqual(["H6 legs.wrap 23:30–23:45", "H7 legs.smoke 23:00–23:30"]);
    const verdict = verifyPlan(smoked, plan, { now, log: late });
    expect(verdict.broken).toEqual([]);
    expect(verdict.exceptions).toHaveLength(2);
  });
  test("go through a plan file and back", () => {
    expect(planFromFile(planToFile(plan, smoked.zone), smoked.zone).exceptions).toEqual(plan.exceptions);
  });
  const changed: [string, (list: PlanException[]) => PlanException[]][] = [
    ["one is left out", (list) => list.slice(1)],
    ["one lasts longer than is needed", ([e, ...rest]) => [{ ...(e as PlanException), to: (e as PlanException).to + 5 }, ...rest]],
    ["one is shorter", ([e, ...rest]) => [{ ...(e as PlanException), to: (e as PlanException).to - 1 }, ...rest]],
    [
      "one is for a step that has not begun",
      (list) => [...list, { rule: "H6", step: "table.carve", cook: "wren", from: now + 60, to: now + 90, text: "" }],
    ],
    ["one names another rule", (list) => list.map((e) => (e.rule === "H7" ? { ...e, rule: "H12" as const } : e))],
    ["one names another step", (list) => list.map((e) => ({ ...e, step: "legs.light" }))],
    ["one is needless", (list) => [...list, { rule: "H8", step: "legs.smoke", from: now, to: now + 1, text: "" }]],
  ];
  test.each(changed)("are refused where %s", (_, change) => {
    const broken = verifyPlan(smoked, { ...plan, exceptions: change([...(plan.exceptions ?? [])]) }, { now, log: late }).broken;
    expect(broken.length).toBeGreaterThan(0);
  });
  test("do not excuse what has not begun: the salad may not be moved out of hours with one", () => {
    const salad = plan.steps.find((s) => s.step === "salad.cut") as Plan["steps"][number];
    const by = at("2026-06-21T12:00") - salad.start;
    const moved: Plan = {
      ...plan,
      serveAt: plan.serveAt,
      steps: plan.steps.map((s) =>
        s.step === "salad.cut"
          ? {
              ...s,
              start: s.start + by,
              end: s.end + by,
              pieces: [[s.start + by, s.end + by]],
              hands: s.hands.map((h) => ({ ...h, from: h.from + by, to: h.to + by })),
            }
          : s,
      ),
    };
    const cut = moved.steps.find((s) => s.step === "salad.cut") as Plan["steps"][number];
    const exceptions = [
      ...(plan.exceptions ?? []),
      { rule: "H6" as const, step: "salad.cut", cook: "wren", from: cut.start, to: cut.end, text: "" },
    ];
    expect(verifyPlan(smoked, { ...moved, exceptions }, { now, log: late }).broken.map((b) => b.rule)).toContain("H6");
  });
  test("beside them stands what else could be done; what stands in the heat is never to be taken early", () => {
    const around = (document: DishFile, so: Plan) => waysAround(document, { now, log: late, planAt: "likely", previous: so }, so);
    expect(around(smoke() as DishFile, plan).map((w) => [w.text, w.spares.map((i) => plan.exceptions?.[i]?.rule)])).toEqual([
      ["Somebody else stays for “Smoke” until 23:30.", ["H7"]],
      ["Somebody else works from 23:30 to 23:45 for “Wrap”.", ["H6"]],
    ]);
    const cold = smoke();
    Object.assign(cold.components[0]?.methods[0]?.steps[1] ?? {}, { uses: [] });
    const drying = found(planDish(dishOf(cold), { now, log: late, planAt: "likely" }));
    expect(drying.exceptions?.length).toBeGreaterThan(0);
    const ways = around(cold as DishFile, drying);
    expect([ways[0]?.kind, ways[0]?.press, ways[0]?.plan.exceptions ?? []]).toEqual(["take-now", "legs.smoke", []]);
    expect(ways[0]?.text).toBe("Count “Smoke” as done: it has had 3 h 20, which is within its range.");
  });
  test("another cook of the house is asked by name, and what she takes on is a plan that holds", () => {
    const two = smoke() as DishFile;
    const cooks = [...(two.kitchen?.cooks ?? []), { id: "ada", name: "Ada" }];
    const document = { ...two, kitchen: { ...two.kitchen, cooks } } as DishFile;
    const dish = dishOf(document);
    const own = found(planDish(dish, { now, log: late, planAt: "likely" }));
    const ways = waysAround(document, { now, log: late, planAt: "likely", previous: own }, own);
    const ada = ways.find((w) => w.text.startsWith("Ada "));
    expect(ada?.text).toBe("Ada stays for “Smoke” until 23:30.");
    const changed = dishOf(applyPatch(document, ada?.change ?? []));
    expect(verifyPlan(changed, ada?.plan as Plan, { now, log: late }).broken).toEqual([]);
  });
  test("are not there where nothing needs them", () => {
    const early: Log = {
      ...late,
      events: new Map([...late.events].map(([ref, e]) => [ref, e.ended ? e : { ...e, estimate: at("2026-06-20T22:10") }])),
    };
    expect(found(planDish(smoked, { now, log: early, planAt: "likely" })).exceptions).toBeUndefined();
  });
});

describe("a running step", () => {
  const dish = dishOf(smallDish((d) => (stepOf(d, "stock.simmer").stretch = "40m")));
  const started = dish.zone.toMinute("2026-10-17T10:00");
  const estimate = started + 200;
  const log: Log = {
    ...EMPTY_LOG,
    events: new Map([
      ["stock.chop", { step: "stock.chop", started: started - 60, ended: started - 30, estimate: undefined }],
      ["stock.simmer", { step: "stock.simmer", started, ended: undefined, estimate }],
    ]),
  };
  test("may end at any minute from its estimate to its estimate and its stretch, and at no other", () => {
    const plan = found(planDish(dish, { now: started + 60, log, planAt: "likely" }));
    const ending = (end: number): Plan => ({
      ...plan,
      steps: plan.steps.map((s) => (s.step === "stock.simmer" ? { ...s, end, minutes: end - s.start, pieces: [[s.start, end]] } : s)),
    });
    const wrong = (end: number) =>
      verifyPlan(dish, ending(end), { now: started + 60, log }).broken.some((b) => b.rule === "H1" && b.steps[0] === "stock.simmer");
    fc.assert(
      fc.property(fc.integer({ min: -60, max: 120 }), (by) => {
        expect(wrong(estimate + by)).toBe(by < 0 || by > 40);
      }),
      { numRuns: 60 },
    );
  });
});

describe("a replacement that was got", () => {
  // A bought jar that has to stand a day before it is served; nothing of it can be pressed.
  const document = smallDish((d) => {
    Object.assign(d.components[0], { fallback: { name: "From the shop", lead: "30m", quality: 0.6, buy: [{ id: "jar", name: "Stock" }] } });
    stepOf(d, "stock.simmer").makes[0].holds = [{ place: "fridge", litres: 2, min: "20h", max: "3d", limit: "quality" }];
  });
  const dish = dishOf(document);
  const first = found(planDish(dish, { planAt: "likely", rounds: 4, methods: { stock: "fallback" } }));
  const later = first.steps.find((s) => s.step === "sauce.reduce")?.start as number;
  const begun: Log = {
    ...EMPTY_LOG,
    events: new Map([["sauce.reduce", { step: "sauce.reduce", started: later, ended: undefined, estimate: undefined }]]),
  };
  test("stays got at its time while the run goes on", () => {
    const plan = found(
      planDish(dish, { planAt: "likely", rounds: 4, now: later, log: begun, previous: first, methods: { stock: "fallback" } }),
    );
    expect(plan.fallbacks).toEqual(first.fallbacks);
    expect(verifyPlan(dish, plan, { now: later, log: begun }).broken).toEqual([]);
  });
  test("is kept where the plan so far cannot be kept", () => {
    // The sauce runs late: all that is left is placed anew.
    const event = { step: "sauce.reduce", started: later, ended: undefined, estimate: later + 75 };
    const log: Log = { ...EMPTY_LOG, events: new Map([["sauce.reduce", event]]) };
    const options = {
      planAt: "likely",
      rounds: 4,
      now: later + 60,
      log,
      serveAt: dish.serveAt + 30,
      previous: first,
      methods: { stock: "fallback" },
    } as const;
    const plan = found(planDish(dish, options));
    expect(plan.fallbacks).toEqual(first.fallbacks);
    expect(verifyPlan(dish, plan, { now: later + 60, serveAt: dish.serveAt + 30, log }).broken).toEqual([]);
  });
});

describe("the reproductions", () => {
  test("a lunch whose slaw is late goes on, and the verifier accepts its plan", () => {
    const dish = dishOf(repro("lunch.json"));
    const log = logFromFile(LogFile.parse(repro("lunch-late-slaw.log.json")), dish.zone);
    const when = dish.zone.toMinute("2026-10-17T22:00+01:00");
    const plan = found(planDish(dish, { planAt: "likely", now: when, log, rounds: 4 }));
    expect(verifyPlan(dish, plan, { now: when, log }).broken).toEqual([]);
    expect((plan.exceptions ?? []).every((e) => e.step === "slaw.ferment")).toBe(true);
  });
});

describe("lengths inside the range", () => {
  /** Serving 4 h 30 after now, where the usual lengths want more. */
  const tight = (least: string) =>
    dishOf(
      smallDish((d) => {
        stepOf(d, "stock.simmer").time = { min: least, likely: "3h", max: "5h" };
        d.kitchen.cooks[0].hours = [{ days: "all", from: "07:00", to: "22:00" }];
      }),
    );
  const lead = (dish: ReturnType<typeof dishOf>, planAt: "likely" | "longest") =>
    found(planDish(dish, { planAt, style: "shortest", rounds: 20 })).leadMinutes;
  test("are shortened where there is no plan otherwise, by no more than is needed, and say from what", () => {
    const dish = tight("1h");
    const soon = { now: dish.serveAt - lead(dish, "likely") + 30, planAt: "likely" as const };
    expect(planDish(dish, { ...soon, exact: true }).status).toBe("infeasible");
    const plan = found(planDish(dish, soon));
    const shorter = plan.steps.filter((s) => s.shortenedFrom !== undefined);
    expect(shorter.map((s) => s.step)).toEqual(["stock.simmer"]);
    expect(shorter[0]?.shortenedFrom).toBe(180);
    expect(shorter[0]?.minutes).toBeGreaterThanOrEqual(180 - 30 - 12);
    const verdict = verifyPlan(dish, plan, { now: soon.now });
    expect(verdict.broken).toEqual([]);
    expect(verdict.shortened).toEqual([{ step: "stock.simmer", minutes: shorter[0]?.minutes, from: 180 }]);
  });
  test("never below the least, and a wrong word about them is a breach", () => {
    const dish = tight("2h50m");
    expect(planDish(dish, { now: dish.serveAt - lead(dish, "likely") + 60, planAt: "likely" }).status).toBe("infeasible");
    const roomy = tight("1h");
    const soon = roomy.serveAt - lead(roomy, "likely") + 30;
    const plan = found(planDish(roomy, { now: soon, planAt: "likely" }));
    const lying = (from: number) => ({
      ...plan,
      steps: plan.steps.map((s) => (s.shortenedFrom === undefined ? s : { ...s, shortenedFrom: from })),
    });
    expect(verifyPlan(roomy, lying(179), { now: soon }).broken.map((b) => b.rule)).toContain("H1");
  });
});

describe("a safety wait that is over", () => {
  const dish = dishOf(
    smallDish((d) => {
      stepOf(d, "stock.simmer").makes[0].holds = [{ place: "counter", max: "2h", limit: "safety" }];
      d.kitchen.cooks[0].hours = [{ days: "all", from: "07:00", to: "22:00" }];
    }),
  );
  const ended = dish.serveAt - 20 * 60;
  const log: Log = {
    ...EMPTY_LOG,
    events: new Map([
      ["stock.chop", { step: "stock.chop", started: ended - 300, ended: ended - 240, estimate: undefined }],
      ["stock.simmer", { step: "stock.simmer", started: ended - 200, ended, estimate: undefined }],
    ]),
  };
  const when = ended + 5 * 60;
  test("is told as what must go, and made again; for nothing else is the log passed over", () => {
    const plan = found(planDish(dish, { now: when, log, planAt: "likely" }));
    expect(plan.gone).toEqual([{ output: "stock.hot", since: ended + 120 }].map((g) => ({ ...g, output: plan.gone?.[0]?.output })));
    expect(
      plan.steps
        .filter((s) => s.again)
        .map((s) => s.step)
        .sort(),
    ).toEqual(["stock.chop", "stock.simmer"]);
    expect(plan.steps.find((s) => s.step === "stock.simmer")?.start).toBeGreaterThanOrEqual(when);
    expect(verifyPlan(dish, plan, { now: when, log }).broken).toEqual([]);
    const more: Plan = { ...plan, steps: plan.steps.map((s) => (s.step === "plate.put" ? { ...s, again: true as const } : s)) };
    expect(verifyPlan(dish, more, { now: when, log }).broken.length).toBeGreaterThan(0);
  });
  test("is no exception: a plan that takes it all the same is broken", () => {
    const plan = found(planDish(dish, { now: when, log, planAt: "likely" }));
    const { gone: _, ...rest } = plan;
    const lying: Plan = {
      ...rest,
      steps: plan.steps
        .map((s) =>
          s.step === "stock.simmer"
            ? { ...s, start: ended - 200, end: ended, minutes: 200, pieces: [[ended - 200, ended] as const], hands: [] }
            : s,
        )
        .map(({ again: __, ...s }) => s),
    };
    expect(verifyPlan(dish, lying, { now: when, log }).broken.length).toBeGreaterThan(0);
  });
});

describe("a split step that was put down", () => {
  const dish = dishOf(
    smallDish((d) => {
      Object.assign(stepOf(d, "stock.chop"), { time: "2h", split: { minPiece: "20m" } });
      d.kitchen.cooks[0].hours = [{ days: "all", from: "07:00", to: "22:00" }];
    }),
  );
  const began = dish.zone.toMinute("2026-10-17T09:00");
  const log: Log = {
    ...EMPTY_LOG,
    events: new Map([
      ["stock.chop", { step: "stock.chop", started: began, ended: undefined, estimate: undefined, pieces: [[began, began + 45]] }],
    ]),
  };
  test("has its rest placed anew, and the verifier asks for just that rest", () => {
    const when = began + 90;
    const plan = found(planDish(dish, { now: when, log, planAt: "likely" }));
    const chop = plan.steps.find((s) => s.step === "stock.chop");
    expect(chop?.pieces[0]).toEqual([began, began + 45]);
    const rest = chop?.pieces.slice(1) ?? [];
    expect(rest.every(([a]) => a >= when)).toBe(true);
    expect(rest.reduce((sum, [a, b]) => sum + b - a, 0)).toBe(75);
    expect(verifyPlan(dish, plan, { now: when, log }).broken).toEqual([]);
    const shorter: Plan = {
      ...plan,
      steps: plan.steps.map((s) => (s.step === "stock.chop" ? { ...s, pieces: s.pieces.slice(0, 1), end: began + 45, minutes: 45 } : s)),
    };
    expect(verifyPlan(dish, shorter, { now: when, log }).broken.length).toBeGreaterThan(0);
  });
});

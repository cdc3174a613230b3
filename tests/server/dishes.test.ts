// Dishes through the server's own routes: what is refused keeps nothing and says all that is wrong; what is taken is kept whole and undone whole.
import { describe, expect, test } from "vitest";
import { GET as calendar } from "../../src/app/api/dishes/[dish]/calendar/route";
import { POST as change } from "../../src/app/api/dishes/[dish]/change/route";
import { POST as history } from "../../src/app/api/dishes/[dish]/history/route";
import { PUT as kitchen } from "../../src/app/api/dishes/[dish]/kitchen/route";
import { GET as markdown } from "../../src/app/api/dishes/[dish]/markdown/route";
import { POST as makePlan, GET as plan } from "../../src/app/api/dishes/[dish]/plan/route";
import { POST as repair } from "../../src/app/api/dishes/[dish]/repair/route";
import { GET as file, PATCH as serving } from "../../src/app/api/dishes/[dish]/route";
import { GET as scene } from "../../src/app/api/dishes/[dish]/scene/route";
import { POST as bringIn } from "../../src/app/api/dishes/route";
import { GET as fromLibrary } from "../../src/app/api/library/[id]/route";
import { readDish } from "../../src/core/dish/read";
import { writeDish } from "../../src/core/dish/write";
import { findDish, listDishes } from "../../src/db/queries/dishes";
import { insertPlan } from "../../src/db/queries/runs";
import { database } from "../../src/server/database";
import { demoText, dishOf, type Loose } from "../support/dishes";
import { call, planned, withServer } from "../support/server";
import { smallDish, stepOf } from "../support/small-dish";

const NOW = "2026-10-16T08:00:30Z";
const NOW_MINUTE = Math.floor(Date.parse(NOW) / 60_000);
withServer(NOW);

/** Brings a small dish in and gives its slug. */
async function small(id: string, alter: (dish: Loose) => void = () => {}): Promise<string> {
  const { status, said } = await call(
    bringIn,
    {},
    smallDish((d) => {
      d.dish.id = id;
      alter(d);
    }),
  );
  expect([status, said.problems]).toEqual([200, undefined]);
  return said.value.slug;
}
const stored = async (slug: string) => {
  const found = await findDish(await database(), slug);
  if (!found) throw new Error(`no dish ${slug}`);
  return found;
};
const document = async (slug: string): Promise<Loose> => (await call(file, { dish: slug })).said;
const rename = (to: string) => [{ op: "replace", path: "/dish/name", value: to }];

describe("a dish file", () => {
  test("is kept whole and given back as it came", async () => {
    const { said } = await call(bringIn, {}, demoText("spiced-duck"));
    const read = readDish(demoText("spiced-duck"));
    if (read.status === "refused") throw new Error("the duck is sound");
    expect(await document(said.value.slug)).toEqual(JSON.parse(writeDish(read.document)));
  });

  test("can be looked at first, and then nothing is kept", async () => {
    const before = (await listDishes(await database())).length;
    const { status, said } = await call(bringIn, {}, demoText("harvest-lunch"), "/?preview");
    expect(status).toBe(200);
    expect(said.value.components.length).toBeGreaterThan(7);
    expect(said.value.components[0]).toMatchObject({ steps: expect.any(Number), ways: expect.any(Number) });
    expect((await listDishes(await database())).length).toBe(before);
  });

  test.each([
    ["no JSON", "{", /not JSON/],
    ["another thing", JSON.stringify({ format: "something/1" }), /format|rondeau\/1/],
    ["a step that waits for none that is there", JSON.stringify(smallDish((d) => (stepOf(d, "stock.simmer").after = ["soak"]))), /soak/],
    ["a take of what nobody makes", JSON.stringify(smallDish((d) => (stepOf(d, "plate.put").takes[0].from = "sauce.foam"))), /foam/],
    [
      "a longest wait shorter than the least",
      JSON.stringify(smallDish((d) => (stepOf(d, "stock.simmer").makes[0].holds[0].min = "9d"))),
      /9d|least|longest|min/i,
    ],
    ["nesting without end", `${"[".repeat(70)}${"]".repeat(70)}`, /nested/],
  ])("with %s is refused in words, and nothing is kept", async (_, text, words) => {
    const before = (await listDishes(await database())).length;
    const { status, said } = await call(bringIn, {}, text);
    expect(status).toBe(422);
    expect(said.problems.map((p: Loose) => `${p.path} ${p.message}`).join("\n")).toMatch(words);
    expect((await listDishes(await database())).length).toBe(before);
  });

  test("larger than any dish is not even read", async () => {
    const { status, said } = await call(bringIn, {}, " ".repeat(8_000_001));
    expect(status).toBe(413);
    expect(said.message).toMatch(/8 MB/);
  });

  test("that is not there is missed by every route, in words", async () => {
    const nowhere = { dish: "no-such-dish" };
    for (const [route, body] of [
      [file, undefined],
      [markdown, undefined],
      [calendar, undefined],
      [scene, undefined],
      [plan, undefined],
      [makePlan, {}],
      [serving, { version: 1, serves: 3 }],
      [kitchen, { version: 1, kitchen: smallDish().kitchen, label: "x" }],
      [change, { version: 1, change: [], label: "x" }],
      [repair, { answer: "1", index: 0 }],
    ] as const) {
      const { status, said } = await call(route, nowhere, body);
      expect([status, said.message]).toEqual([404, "There is no such dish."]);
    }
    expect((await call(history, nowhere, { what: "latest", direction: "undo" })).said).toEqual({ change: null });
  });

  test("of the library comes as a file that reads", async () => {
    const { said } = await call(fromLibrary, { id: "no-such" });
    expect(said.message).toMatch(/no such component/);
    const found = await call(fromLibrary, { id: "braised-shin" });
    expect(found.status).toBe(200);
    expect(readDish(JSON.stringify(found.said)).status).toBe("read");
  });
});

describe("a change", () => {
  test("is kept as a new version; one made for an older version is told so and changes nothing", async () => {
    const slug = await small("changed");
    const first = await call(change, { dish: slug }, { version: 1, change: rename("Another name"), label: "a name" });
    expect(first).toMatchObject({ status: 200, said: { value: { label: "a name", version: 2 } } });
    const late = await call(change, { dish: slug }, { version: 1, change: rename("Too late"), label: "late" });
    expect(late.status).toBe(409);
    expect(late.said.message).toMatch(/Nothing of yours was lost/);
    expect((await document(slug)).dish.name).toBe("Another name");
  });

  test.each([
    ["takes away a step that others wait for", [{ op: "remove", path: "/components/0/methods/0/steps/0" }], 422],
    ["names a place that is not there", [{ op: "replace", path: "/components/9/name", value: "x" }], 422],
    ["makes a guest of nobody", [{ op: "replace", path: "/dish/serves", value: 0 }], 422],
    ["is no patch", [{ op: "wish", path: "/dish/name", value: "x" }], 422],
    ["reaches for what no dish has", [{ op: "add", path: "/__proto__/polluted", value: true }], 422],
  ])("that %s is refused whole", async (_, operations, status) => {
    const slug = await small("refused");
    const before = await document(slug);
    const got = await call(change, { dish: slug }, { version: 1, change: [...rename("half done"), ...operations], label: "x" });
    expect(got.status).toBe(status);
    expect(got.said.problems[0].message.length).toBeGreaterThan(8);
    expect(await document(slug)).toEqual(before);
    expect((await stored(slug)).version).toBe(1);
    expect(({} as Loose).polluted).toBeUndefined();
  });

  test("of dish and kitchen together is undone together and done again together", async () => {
    const slug = await small("both");
    const before = await document(slug);
    const operations = [
      ...rename("With a helper"),
      { op: "add", path: "/kitchen/cooks/-", value: { id: "ben", hours: [{ days: "all", from: "10:00", to: "12:00" }] } },
    ];
    expect(
      (
        await call(
          change,
          { dish: slug },
          { version: 1, kitchenVersion: (await stored(slug)).kitchenVersion, change: operations, label: "a helper." },
        )
      ).status,
    ).toBe(200);
    const after = await document(slug);
    expect(after.kitchen.cooks).toHaveLength(2);
    expect((await call(history, { dish: slug }, { what: "latest", direction: "undo" })).said.change).toBe("a helper");
    expect(await document(slug)).toEqual(before);
    expect((await call(history, { dish: slug }, { what: "latest", direction: "redo" })).said.change).toBe("a helper");
    expect(await document(slug)).toEqual(after);
    expect((await call(history, { dish: slug }, { what: "latest", direction: "redo" })).said.change).toBeNull();
  });

  test("after an undo forgets what was undone", async () => {
    const slug = await small("forget");
    await call(change, { dish: slug }, { version: 1, change: rename("One"), label: "one" });
    await call(history, { dish: slug }, { what: "latest", direction: "undo" });
    const { version } = await stored(slug);
    await call(change, { dish: slug }, { version, change: rename("Two"), label: "two" });
    expect((await call(history, { dish: slug }, { what: "latest", direction: "redo" })).said.change).toBeNull();
    expect((await document(slug)).dish.name).toBe("Two");
  });

  test("of guests and hour alone goes its short way, with the same checks", async () => {
    const slug = await small("guests");
    expect((await call(serving, { dish: slug }, { version: 1, serves: 7 })).status).toBe(200);
    expect((await document(slug)).dish).toMatchObject({ serves: 7, baseServes: 4 });
    expect((await call(serving, { dish: slug }, { version: 1, serves: 8 })).status).toBe(409);
    expect((await call(serving, { dish: slug }, { version: 2, serveAt: "next Sunday" })).status).toBe(422);
    expect((await call(serving, { dish: slug }, { version: 2, serveAt: "2026-10-18T19:30" })).status).toBe(200);
    expect((await document(slug)).dish).toMatchObject({ serves: 7, serveAt: "2026-10-18T19:30" });
  });

  test("that is not even JSON, or not of its form, is answered and not run", async () => {
    const slug = await small("form");
    expect((await call(change, { dish: slug }, "{")).status).toBe(400);
    const { status, said } = await call(change, { dish: slug }, { version: "one", change: [] });
    expect(status).toBe(422);
    expect(said.problems.map((p: Loose) => p.path)).toEqual(expect.arrayContaining(["version", "label"]));
  });
});

describe("a kitchen", () => {
  test("shared by two dishes changes for both, and is refused where one of them needs what goes", async () => {
    const [one, two] = [await small("house-one"), await small("house-two")];
    const found = await stored(one);
    expect((await stored(two)).kitchenId).toBe(found.kitchenId);
    const value = smallDish().kitchen;
    value.equipment.find((e: Loose) => e.id === "hob").count = 2;
    expect((await call(kitchen, { dish: one }, { version: found.kitchenVersion, kitchen: value, label: "two burners" })).status).toBe(200);
    expect((await document(two)).kitchen.equipment.find((e: Loose) => e.id === "hob").count).toBe(2);
    const late = await call(kitchen, { dish: two }, { version: found.kitchenVersion, kitchen: value, label: "again" });
    expect(late.status).toBe(409);
    const wrong = await call(
      kitchen,
      { dish: one },
      { version: found.kitchenVersion + 1, kitchen: { ...value, cooks: "nobody" }, label: "x" },
    );
    expect(wrong.status).toBe(422);
    expect((await call(history, { dish: one }, { what: "kitchen", direction: "undo" })).said.change).toBe("two burners");
    expect((await document(two)).kitchen.equipment.find((e: Loose) => e.id === "hob").count).toBe(4);
  });
});

describe("a plan", () => {
  test("is what other pages and programs are given, and its calendar is made of it", async () => {
    const slug = await small("given");
    expect((await call(plan, { dish: slug })).said.message).toBe("There is no plan yet.");
    expect((await call(calendar, { dish: slug })).status).toBe(404);
    const made = await planned(slug, NOW_MINUTE);
    expect((await call(plan, { dish: slug })).said).toEqual(JSON.parse(JSON.stringify(made)));
    const ics: string = (await call(calendar, { dish: slug })).said;
    expect(ics).toMatch(/^BEGIN:VCALENDAR\r\n/);
    for (const step of ["Chop the bones", "Put together"]) expect(ics).toContain(step);
    const seen = (await call(scene, { dish: slug })).said;
    expect(seen).toMatchObject({ version: 1, now: NOW_MINUTE });
    expect(seen.plan.steps).toEqual(made.steps.map((s: Loose) => expect.objectContaining({ step: s.step })));
  });

  test("made in a page comes with its change and is in force at once, if it holds", async () => {
    const slug = await small("drag");
    const made = await planned(slug, NOW_MINUTE);
    const got = await call(change, { dish: slug }, { version: 1, change: rename("Dragged"), label: "moved", plan: made });
    expect([got.status, got.said]).toMatchObject([200, { value: { label: "moved", version: 2 } }]);
    expect((await call(plan, { dish: slug })).said.steps).toEqual(made.steps);
  });

  test.each([
    ["is no plan", () => ({ format: "rondeau-plan/1" }), /./],
    [
      "names a step of another dish",
      (p: Loose) => ({ ...p, steps: [...p.steps, { ...p.steps[0], step: "soup.stir" }] }),
      /not a step of this dish/,
    ],
    [
      "begins the plate before its sauce",
      (p: Loose) => ({
        ...p,
        steps: p.steps.map((s: Loose) =>
          s.step === "sauce.reduce" ? { ...p.steps.find((x: Loose) => x.step === "plate.put"), step: s.step } : s,
        ),
      }),
      /does not work/,
    ],
    ["is made for a later hour", (p: Loose) => ({ ...p, now: "2026-10-17T08:00+01:00" }), /another time/],
  ])("that %s is refused with its change", async (_, spoil, words) => {
    const slug = await small("spoilt");
    const made = await planned(slug, NOW_MINUTE);
    const got = await call(change, { dish: slug }, { version: 1, change: rename("No"), label: "x", plan: spoil(made) });
    expect(got.status).toBe(422);
    expect(got.said.problems[0].message).toMatch(words);
    expect((await stored(slug)).version).toBe(1);
  });
});

describe("a repair", () => {
  async function impossible(slug: string) {
    const found = await stored(slug);
    const db = await database();
    await db.transaction((tx) =>
      insertPlan(tx, {
        dishId: found.id,
        dishVersion: found.version,
        kitchenVersion: found.kitchenVersion,
        runId: undefined,
        runSequence: 0,
        status: "infeasible",
        document: {
          status: "infeasible",
          proved: true,
          conflict: [],
          repairs: [
            {
              kind: "serve",
              text: "Serve an hour later.",
              leadMinutes: 600,
              change: [{ op: "replace", path: "/dish/serveAt", value: "2026-10-18T14:00" }],
            },
          ],
        },
        madeAt: new Date(),
      }),
    );
    const { said } = await call(scene, { dish: slug });
    expect(said.version).toBe(found.version);
    const { findNewestPlan } = await import("../../src/db/queries/runs");
    return String((await findNewestPlan(db, found.id))?.id);
  }

  test("is done by its number, undone like any change, and refused once the answer is old", async () => {
    const slug = await small("mended");
    const answer = await impossible(slug);
    expect((await call(repair, { dish: slug }, { answer, index: 3 })).status).toBe(409);
    expect((await call(repair, { dish: slug }, { answer: "999999", index: 0 })).status).toBe(409);
    expect((await call(repair, { dish: slug }, { answer, index: 0 })).said.value).toMatchObject({ label: "Serve an hour later" });
    expect((await document(slug)).dish.serveAt).toBe("2026-10-18T14:00");
    expect((await call(repair, { dish: slug }, { answer, index: 0 })).status).toBe(409);
    expect((await call(history, { dish: slug }, { what: "latest", direction: "undo" })).said.change).toBe("Serve an hour later");
    expect((await document(slug)).dish.serveAt).toBe("2026-10-18T13:00");
  });

  test("shown while more was looked for is done though more was found meanwhile", async () => {
    const slug = await small("more-found");
    const first = await impossible(slug);
    expect(await impossible(slug)).not.toBe(first);
    expect((await call(repair, { dish: slug }, { answer: first, index: 0 })).status).toBe(200);
    expect((await document(slug)).dish.serveAt).toBe("2026-10-18T14:00");
  });
});

test("Markdown is written at the guests wished for, with every component and step", async () => {
  const slug = await small("written", (d) => (d.dish.serves = 8));
  const { said } = await call(markdown, { dish: slug });
  for (const words of ["Stock", "Simmer", "Put together", "4 kg"]) expect(said).toContain(words);
  expect(dishOf(await document(slug)).components).toHaveLength(3);
});

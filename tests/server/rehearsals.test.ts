// Rehearsals are kept apart from the record, the newest twenty of a dish, and go with it.
import { describe, expect, test } from "vitest";
import { POST as keep, GET as last } from "../../src/app/api/dishes/[dish]/rehearsals/route";
import { GET as file, DELETE as removeDish } from "../../src/app/api/dishes/[dish]/route";
import { POST as bringIn } from "../../src/app/api/dishes/route";
import { database } from "../../src/server/database";
import { call, withServer } from "../support/server";
import { smallDish } from "../support/small-dish";

withServer("2026-10-16T08:00:00Z");

const bring = async (id: string): Promise<string> =>
  (
    await call(
      bringIn,
      {},
      smallDish((d) => (d.dish.id = id)),
    )
  ).said.value.slug;
const rehearsal = (lateMinutes?: number) => ({
  policy: "late=20m",
  runs: [{ index: 0, ...(lateMinutes === undefined ? {} : { lateMinutes }), spareMinutes: 4 }],
  weak: [{ kind: "hands", about: "20000", at: 29_000_000, text: "Hands are short on Saturday", share: 0.8 }],
});
const count = async () => ((await (await database()).query("select count(*)::int4 as n from rehearsal")) as { n: number }[])[0]?.n;

describe("a rehearsal", () => {
  test("is given back as it was kept, with the plan that was rehearsed", async () => {
    const dish = await bring("kept");
    expect((await call(last, { dish })).status).toBe(404);
    expect((await call(keep, { dish }, { planStamp: "p1", rehearsal: rehearsal(12) })).status).toBe(200);
    expect((await call(keep, { dish }, { planStamp: "p2", rehearsal: rehearsal() })).status).toBe(200);
    expect((await call(last, { dish })).said).toMatchObject({ planStamp: "p2", rehearsal: rehearsal() });
  });
  test("that is none is refused, and of a dish that is not there", async () => {
    const dish = await bring("refused");
    expect((await call(keep, { dish }, { planStamp: "p", rehearsal: { ...rehearsal(), runs: [] } })).status).toBe(422);
    expect((await call(keep, { dish }, { planStamp: "p", rehearsal: { ...rehearsal(), weak: [{ kind: "luck" }] } })).status).toBe(422);
    expect((await call(keep, { dish: "nowhere" }, { planStamp: "p", rehearsal: rehearsal() })).status).toBe(404);
    expect((await call(last, { dish })).status).toBe(404);
  });
  test("is one of twenty, and goes with its dish", async () => {
    const before = (await count()) ?? 0;
    const dish = await bring("twenty");
    for (let i = 0; i < 23; i++) await call(keep, { dish }, { planStamp: `p${i}`, rehearsal: rehearsal(i) });
    expect(await count()).toBe(before + 20);
    expect((await call(last, { dish })).said.rehearsal.runs[0].lateMinutes).toBe(22);
    const { name } = (await call(file, { dish })).said.dish;
    expect((await call(removeDish, { dish }, { name })).status).toBe(200);
    expect(await count()).toBe(before);
  });
});

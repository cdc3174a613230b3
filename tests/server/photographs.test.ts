// Photographs of a run: upright, smaller, without the place they were taken at; safe before they are answered, and gone with their dish.
import { readdirSync } from "node:fs";
import path from "node:path";
import sharp from "sharp";
import { beforeEach, describe, expect, test, vi } from "vitest";
import { POST as write } from "../../src/app/api/dishes/[dish]/entries/route";
import { POST as add } from "../../src/app/api/dishes/[dish]/photographs/route";
import { DELETE as remove } from "../../src/app/api/dishes/[dish]/route";
import { POST as startRun } from "../../src/app/api/dishes/[dish]/run/route";
import { POST as bringIn } from "../../src/app/api/dishes/route";
import { GET as show } from "../../src/app/api/photographs/[sum]/route";
import { photographsOf } from "../../src/core/record/entries";
import { dataDirectory } from "../../src/server/database";
import { loadEntries } from "../../src/server/entries";
import { tidyPhotographs } from "../../src/server/photographs";
import { call, withServer } from "../support/server";
import { smallDish } from "../support/small-dish";

withServer("2026-10-16T08:00:00Z");
let dish = "";
beforeEach(async () => {
  vi.spyOn(console, "error").mockImplementation(() => {});
  if (dish) return;
  dish = (
    await call(
      bringIn,
      {},
      smallDish((d) => (d.dish.id = "pictured")),
    )
  ).said.value.slug;
  await call(startRun, { dish });
});

/** A picture of a red and a blue half, as a phone keeps it: on its side, with a place. */
const sideways = (width = 3000, height = 1500) =>
  sharp({ create: { width, height, channels: 3, background: "#c02020" } })
    .composite([{ input: { create: { width: width / 2, height, channels: 3, background: "#2020c0" } }, left: 0, top: 0 }])
    .withExif({ IFD0: { Model: "Pocket camera" }, IFD3: { GPSLatitudeRef: "N", GPSLatitude: "53/1 20/1 0/1" } })
    .withMetadata({ orientation: 6 })
    .jpeg()
    .toBuffer();
const sent = (body: Uint8Array | string, query: Record<string, string> = {}, to = dish) =>
  add(
    new Request(`http://localhost/api/dishes/${to}/photographs?${new URLSearchParams({ key: crypto.randomUUID(), ...query })}`, {
      method: "POST",
      body: body as BodyInit,
    }),
    { params: Promise.resolve({ dish: to }) },
  );
const shown = (sum: string, query = "") =>
  show(new Request(`http://localhost/api/photographs/${sum}${query}`), { params: Promise.resolve({ sum }) });
const files = () => readdirSync(path.join(dataDirectory(), "photographs"));
const kept = async () => photographsOf((await loadEntries(dish)) ?? []);

describe("a photograph", () => {
  test("is turned upright, made smaller and stripped of its place, and stands in the record", async () => {
    expect((await sent(await sideways(), { step: "stock.simmer", text: "after an hour" })).status).toBe(200);
    const [picture] = await kept();
    expect(picture).toMatchObject({ width: 1024, height: 2048, step: "stock.simmer", text: "after an hour" });
    const response = await shown(picture?.sum ?? "");
    expect(response.headers.get("content-type")).toBe("image/jpeg");
    const bytes = Buffer.from(await response.arrayBuffer());
    const meta = await sharp(bytes).metadata();
    expect([meta.width, meta.height, meta.orientation, meta.exif]).toEqual([1024, 2048, undefined, undefined]);
    // On its side the blue half was left: upright it is on top.
    const { data } = await sharp(bytes).extract({ left: 500, top: 100, width: 1, height: 1 }).raw().toBuffer({ resolveWithObject: true });
    expect(data[2]).toBeGreaterThan(data[0] ?? 255);
    const small = await sharp(Buffer.from(await (await shown(picture?.sum ?? "", "?small")).arrayBuffer())).metadata();
    expect([small.width, small.height]).toEqual([240, 480]);
  });
  test("is not made larger than it is, and the same one again is one file", async () => {
    const before = files().length;
    const picture = await sideways(60, 40);
    await sent(picture);
    await sent(picture);
    expect((await kept()).slice(-2)).toMatchObject([
      { width: 40, height: 60 },
      { width: 40, height: 60 },
    ]);
    expect(files().length).toBe(before + 1);
  });
  test.each([
    ["text", "no picture at all"],
    ["nothing", ""],
    ["the first bytes of one", Buffer.from([0xff, 0xd8, 0xff, 0xe0, 0, 16])],
  ])("%s is refused with what to do, and nothing is kept", async (_, body) => {
    const before = [files(), await kept()];
    const answer = await sent(body);
    expect(answer.status).toBe(422);
    expect((await answer.json()).message).toMatch(/^(The picture cannot be read\. Save it as|There is no picture)/);
    expect([files(), await kept()]).toEqual(before);
  });
  test("of no dish, of a run that is not there, or written down without its picture is refused", async () => {
    expect((await sent(await sideways(60, 40), {}, "no-such")).status).toBe(404);
    expect((await sent(await sideways(60, 40), { run: crypto.randomUUID() })).status).toBe(404);
    const body = { kind: "photograph", sum: "0".repeat(64), width: 1, height: 1 };
    expect((await call(write, { dish }, { entries: [{ key: crypto.randomUUID(), body }] })).status).toBe(422);
    expect((await shown("0".repeat(64))).status).toBe(404);
    expect((await shown("../rondeau.json")).status).toBe(404);
  });
  test("says what it shows, as it was said last, and is found by that", async () => {
    const [picture] = await kept();
    const say = (text: string) =>
      call(write, { dish }, { entries: [{ key: crypto.randomUUID(), body: { kind: "caption", of: picture?.id, text } }] });
    const said = async () => (await kept()).find((p) => p.id === picture?.id)?.text;
    await say("the gelled crust");
    expect((await say("The jellied crust")).status).toBe(200);
    expect(await said()).toBe("The jellied crust");
    expect((await say("x".repeat(301))).status).toBe(422);
    await say("");
    expect(await said()).toBe("");
  });
  test("stays as long as an entry names it, taken out or not, and goes with its dish", async () => {
    const pictures = await kept();
    const body = { kind: "withdrawn", of: pictures[0]?.id };
    expect((await call(write, { dish }, { entries: [{ key: crypto.randomUUID(), body }] })).status).toBe(200);
    expect((await kept()).length).toBe(pictures.length - 1);
    await tidyPhotographs();
    expect(files()).toContain(`${pictures[0]?.sum}.jpg`);
    expect((await call(remove, { dish }, { name: "Small" })).status).toBe(200);
    await tidyPhotographs();
    expect(files()).toEqual([]);
  });
});

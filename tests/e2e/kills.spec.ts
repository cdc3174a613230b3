// The server is killed at random moments of a run while presses and notes come in, as a battery ends or a plug is pulled: what it has confirmed is
// there, each once; what it has not is sent again, as a page does, and is there once too.

import { seededRandom } from "../../src/core/random";
import { deep } from "../support/deep";
import { Server } from "./server";
import { expect, test } from "./test";

const START = "2026-11-25T19:00:00Z";
const KILLS = deep(4, 20);
const server = new Server(4402, START);
const slug = "harvest-lunch";
test.beforeAll(() => server.start());
test.afterAll(() => server.kill());

interface Sent {
  readonly key: string;
  readonly where: string;
  readonly body: unknown;
}

test(`killed at ${KILLS} random moments a run loses nothing that was confirmed, and has nothing twice`, async () => {
  test.setTimeout(90_000 + KILLS * 40_000);
  const random = seededRandom(11);
  await server.settled(slug);
  await server.acknowledge(slug);
  expect((await server.post(`/api/dishes/${slug}/run`, {})).ok).toBe(true);
  const plan = await server.plan(slug);
  const steps = [...plan.steps].sort((a, b) => Date.parse(a.start) - Date.parse(b.start));
  let now = Date.parse(steps[0].start);
  const confirmed = new Set<string>();
  let waiting: Sent[] = [];
  let n = 0;
  /** A press or a note, in the order of a run: a step is started, something is written down at it, it is ended. */
  const next = (): Sent => {
    const step = steps[Math.floor(n / 3) % steps.length].step;
    const kind = ["started", "note", "ended"][n++ % 3];
    const key = crypto.randomUUID();
    return kind === "note"
      ? { key, where: "entries", body: { entries: [{ key, body: { kind: "note", step, text: `note ${n}` } }] } }
      : { key, where: "events", body: { key, kind, step } };
  };
  /** Sends what waits, in its order, until the line breaks. @returns whether the server went away */
  const send = async (): Promise<boolean> => {
    while (waiting.length) {
      const [one] = waiting as [Sent];
      const answer = await server.post(`/api/dishes/${slug}/${one.where}`, one.body).catch(() => undefined);
      // An answer that is cut short is none.
      const said = await answer?.text().catch(() => undefined);
      if (!answer || said === undefined) return true;
      expect(answer.ok, said).toBe(true);
      confirmed.add(one.key);
      waiting = waiting.slice(1);
    }
    return false;
  };
  for (let kill = 0; kill < KILLS; kill++) {
    const death = new Promise((resolve) => setTimeout(resolve, 20 + random() * 900)).then(() => server.kill());
    for (let gone = false; !gone; ) {
      waiting.push(next());
      gone = await send();
    }
    await death;
    now += 60_000;
    await server.start(new Date(now).toISOString());
    await send();
    const archive = await (await fetch(`${server.url}/api/dishes/${slug}/archive`)).json();
    const keys: string[] = [...archive.run_event, ...archive.record_entry].map((row: { key: string }) => row.key);
    expect(new Set(keys).size, "nothing twice").toBe(keys.length);
    expect(keys.sort(), `all that was confirmed, after ${kill + 1} kills`).toEqual([...confirmed].sort());
  }
  expect(confirmed.size).toBeGreaterThan(KILLS);
});

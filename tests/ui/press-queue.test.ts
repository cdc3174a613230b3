// Presses on their way to the server: kept until they are on disk there, sent once, in order, whatever the line does.
import { afterEach, beforeEach, describe, expect, test, vi } from "vitest";
import { addPress, deliver, forgetPresses, type Press, waitingPresses } from "../../src/ui/cook/press-queue";

const press = (step: string, minutesAgo = 0): Press => ({
  key: crypto.randomUUID(),
  kind: "ended",
  step,
  inMinutes: 0,
  pressedAt: Date.now() - minutesAgo * 60_000,
});
let answers: (() => Response | Promise<Response>)[];
let sent: { key: string; step: string; inMinutes: number }[];

beforeEach(() => {
  const kept = new Map<string, string>();
  vi.stubGlobal("localStorage", { getItem: (k: string) => kept.get(k) ?? null, setItem: (k: string, v: string) => void kept.set(k, v) });
  answers = [];
  sent = [];
  vi.stubGlobal("fetch", async (_: string, init: { body: string }) => {
    sent.push(JSON.parse(init.body));
    const answer = answers.shift() ?? (() => Response.json({ outcome: "done", plan: "feasible" }));
    return answer();
  });
});
afterEach(() => vi.unstubAllGlobals());

describe("presses", () => {
  test("are sent oldest first and forgotten when taken", async () => {
    addPress("lunch", press("a.one"));
    addPress("lunch", press("a.two"));
    expect(await deliver("lunch")).toEqual({ status: "delivered", plan: "feasible" });
    expect(sent.map((s) => s.step)).toEqual(["a.one", "a.two"]);
    expect(waitingPresses("lunch")).toEqual([]);
  });
  test("wait while nobody answers, and are then sent with the time at which they were pressed", async () => {
    addPress("lunch", press("a.one", 12));
    answers.push(() => {
      throw new TypeError("no line");
    });
    expect((await deliver("lunch")).status).toBe("waiting");
    expect(waitingPresses("lunch")).toHaveLength(1);
    expect((await deliver("lunch")).status).toBe("delivered");
    expect(sent.at(-1)?.inMinutes).toBe(-12);
    expect(new Set(sent.map((s) => s.key)).size).toBe(1);
  });
  test("wait while the server is in trouble", async () => {
    addPress("lunch", press("a.one"));
    answers.push(() => new Response("", { status: 503 }));
    expect((await deliver("lunch")).status).toBe("waiting");
    expect(waitingPresses("lunch")).toHaveLength(1);
  });
  test("that the server refuses are dropped with its reason", async () => {
    addPress("lunch", press("a.none"));
    answers.push(() => Response.json({ message: "The dish has no such step." }, { status: 404 }));
    expect(await deliver("lunch")).toEqual({ status: "refused", message: "The dish has no such step." });
    expect(waitingPresses("lunch")).toEqual([]);
  });
  describe("withheld for an acknowledgement", () => {
    const withheld = () => Response.json({ message: "Read these before you start: hot fat.", findings: [{}] }, { status: 409 });
    test("are kept with all that follows of their step, while other steps pass by", async () => {
      for (const step of ["a.fry", "b.chop", "a.fry"]) addPress("lunch", press(step, 3));
      answers.push(withheld);
      expect(await deliver("lunch")).toEqual({ status: "withheld", message: expect.stringContaining("hot fat"), steps: ["a.fry"] });
      expect(sent.map((s) => s.step)).toEqual(["a.fry", "b.chop"]);
      expect(waitingPresses("lunch").map((p) => p.step)).toEqual(["a.fry", "a.fry"]);
      // Acknowledged meanwhile: both go, in order, at the minute at which they were pressed.
      expect((await deliver("lunch")).status).toBe("delivered");
      expect(sent.slice(2).map((s) => [s.step, s.inMinutes])).toEqual([
        ["a.fry", -3],
        ["a.fry", -3],
      ]);
      expect(waitingPresses("lunch")).toEqual([]);
    });
    test("are let go of when the cook says so, and no others", async () => {
      for (const step of ["a.fry", "b.chop"]) addPress("lunch", press(step));
      forgetPresses("lunch", ["a.fry"]);
      expect(waitingPresses("lunch").map((p) => p.step)).toEqual(["b.chop"]);
    });
    test("a 409 for another reason is a refusal", async () => {
      addPress("lunch", press("a.fry"));
      answers.push(() => Response.json({ message: "The run is not started, or it has ended." }, { status: 409 }));
      expect((await deliver("lunch")).status).toBe("refused");
      expect(waitingPresses("lunch")).toEqual([]);
    });
  });
  test("of two dishes do not mix, and a spoiled store is an empty one", async () => {
    addPress("lunch", press("a.one"));
    expect(waitingPresses("duck")).toEqual([]);
    localStorage.setItem("rondeau.presses.duck", "{");
    expect(waitingPresses("duck")).toEqual([]);
  });
});

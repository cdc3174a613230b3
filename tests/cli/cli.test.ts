// The command line as others call it: what stands on standard output, what on standard error, and the exit codes.
import { execFileSync, spawnSync } from "node:child_process";
import { existsSync, mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { fileURLToPath } from "node:url";
import { beforeAll, describe, expect, test } from "vitest";
import { runCommand } from "../../src/cli/run";
import { applyPatch } from "../../src/core/dish/patch";
import { DEMO, type Loose } from "../support/dishes";
import { smallDish } from "../support/small-dish";

const root = fileURLToPath(new URL("../..", import.meta.url));
const desk = mkdtempSync(path.join(tmpdir(), "rondeau-cli-"));
/** A command in this process, as the script gives it on: files of the desk by their names alone. */
const called = (args: readonly string[]) => {
  const said = { stdout: "", stderr: "" };
  const found = (word: string) => (/^[\w.-]+$/.test(word) && existsSync(path.join(desk, word)) ? path.join(desk, word) : word);
  const status = runCommand(args.map(found), { out: (t) => void (said.stdout += t), err: (t) => void (said.stderr += t) });
  return { ...said, status };
};
const run = (...args: string[]) => {
  const { stdout, stderr, status } = called(args);
  return { data: stdout ? (JSON.parse(stdout) as Loose) : undefined, stderr, status };
};
const file = (name: string, content: unknown): string => {
  writeFileSync(path.join(desk, name), typeof content === "string" ? content : JSON.stringify(content));
  return name;
};
const demo = (name: string) => path.join(root, "demo", `${name}.json`);

beforeAll(() => {
  execFileSync(path.join(root, "rondeau"), ["check", demo("spiced-duck")]);
});

describe("the three demo dishes", () => {
  test.each(DEMO)("%s checks clean, is planned, and its plan verifies", (name) => {
    expect(run("check", demo(name))).toMatchObject({ status: 0, data: { problems: [] } });
    const planned = run("plan", demo(name), "--plan-at", "cautious");
    expect(planned.status).toBe(0);
    expect(planned.data).toMatchObject({ format: "rondeau-plan/1", dish: name, style: "late", planAt: "cautious" });
    const verdict = run("verify", demo(name), file("plan.json", planned.data));
    expect(verdict).toMatchObject({ status: 0, data: { broken: [], leadMinutes: planned.data.leadMinutes, regret: planned.data.regret } });
  });
});

describe("plan", () => {
  const dish = file("small.json", smallDish());
  test("takes serving, now, style, seed, method and log", () => {
    const later = run(
      "plan",
      dish,
      "--serve",
      "2026-10-18T15:00",
      "--now",
      "2026-10-17T08:00",
      "--style",
      "shortest",
      "--seed",
      "7",
      "--method",
      "stock=slow",
    );
    expect(later.data).toMatchObject({ serveAt: "2026-10-18T15:00+01:00", now: "2026-10-17T08:00+01:00", style: "shortest", seed: 7 });
    const log = file("log.json", {
      format: "rondeau-log/1",
      events: [{ step: "stock.chop", started: "2026-10-17T08:10", ended: "2026-10-17T08:45" }],
    });
    const followed = run("plan", dish, "--now", "2026-10-17T09:00", "--log", log);
    expect(followed.data.steps.find((s: Loose) => s.step === "stock.chop")).toMatchObject({
      start: "2026-10-17T08:10+01:00",
      end: "2026-10-17T08:45+01:00",
    });
    expect(run("verify", dish, file("followed.json", followed.data), "--now", "2026-10-17T09:00", "--log", log).data.broken).toEqual([]);
  });
  test("gives the same bytes for the same call", () => {
    const bytes = () => execFileSync(path.join(root, "rondeau"), ["plan", demo("spiced-duck")]);
    expect(bytes().equals(bytes())).toBe(true);
  });
  test("says why there is none, with exit 3", () => {
    const none = run("plan", dish, "--now", "2026-10-18T11:00");
    expect(none.status).toBe(3);
    expect(none.data).toMatchObject({ format: "rondeau-plan/1", status: "infeasible" });
    expect(none.data.conflict.length).toBeGreaterThan(0);
  });
});

describe("verify", () => {
  test("names the rule that a spoiled plan breaks, with exit 1", () => {
    const plan = run("plan", demo("spiced-duck")).data;
    plan.steps = plan.steps.slice(1);
    const verdict = run("verify", demo("spiced-duck"), file("spoiled.json", plan));
    expect(verdict.status).toBe(1);
    expect(verdict.data.broken[0]).toMatchObject({ rule: "H1" });
    expect(Object.keys(verdict.data.broken[0]).sort()).toEqual(["from", "rule", "steps", "to", "why"]);
  });
});

describe("bad input is told on both channels, with exit 2", () => {
  const dish = file("good.json", smallDish());
  test.each<[string, string[], RegExp]>([
    ["no such file", ["check", "missing.json"], /missing\.json/],
    ["no JSON", ["check", file("bad.json", "{")], /JSON/],
    ["a broken dish", ["plan", file("broken.json", { format: "rondeau/1" })], /dish/],
    ["an unknown flag", ["plan", dish, "--fast", "1"], /--fast/],
    ["a flag without a value", ["plan", dish, "--seed"], /value/],
    ["a date that is none", ["plan", dish, "--now", "tomorrow"], /tomorrow/],
    ["a style that is none", ["plan", dish, "--style", "lazy"], /late/],
    ["an unknown method", ["plan", dish, "--method", "stock=instant"], /instant/],
    ["a plan that is none", ["verify", dish, file("noplan.json", { steps: 1 })], /./],
    [
      "a log of another dish",
      ["plan", dish, "--log", file("otherlog.json", { format: "rondeau-log/1", events: [{ step: "x.y", started: "2026-10-17T08:10" }] })],
      /x\.y/,
    ],
    [
      "a log of another kitchen",
      [
        "plan",
        dish,
        "--log",
        file("otheroven.json", { format: "rondeau-log/1", events: [], heat: [{ id: "kiln", tempC: 900, since: "2026-10-17T08:10" }] }),
      ],
      /kiln/,
    ],
    ["two dishes", ["check", dish, dish], /1 file/],
  ])("%s", (_, args, says) => {
    const { status, data, stderr } = run(...args);
    expect(status).toBe(2);
    expect(data.problems.length).toBeGreaterThan(0);
    expect(`${JSON.stringify(data)}${stderr}`).toMatch(says);
    expect(stderr).not.toMatch(/at .*\.(ts|mjs):\d+/);
  });
  test("a check that finds only warnings exits 0", () => {
    const loose = smallDish((d) => d.components[0].methods[0].steps.push({ id: "extra", time: "5m" }));
    const { status, data } = run("check", file("loose.json", loose));
    expect(status).toBe(0);
    expect(data.problems[0].severity).toBe("warning");
  });
  test("an unknown command names the known ones", () => {
    const { status, stderr } = spawnSync(process.execPath, [path.join(root, "dist/cli.mjs"), "cook"], { encoding: "utf8" });
    expect(status).toBe(2);
    expect(stderr).toMatch(/check, plan, verify, risk/);
  });
});

describe("risk", () => {
  test("prints the shares, the blame and the moments to decide, the same for the same seed", () => {
    const plan = file("risky.json", run("plan", demo("spiced-duck")).data);
    const risk = run("risk", demo("spiced-duck"), plan, "--runs", "2000", "--seed", "3");
    expect(risk.status).toBe(0);
    expect(risk.data).toMatchObject({ runs: 2000, seed: 3 });
    expect(risk.data.onTime).toBeGreaterThan(0);
    expect(risk.data.within30).toBeGreaterThanOrEqual(risk.data.onTime);
    expect(risk.data.components[0].p95).toMatch(/^2026-.*\+01:00$/);
    expect(run("risk", demo("spiced-duck"), plan, "--runs", "2000", "--seed", "3").data).toEqual(risk.data);
    expect(run("risk", demo("spiced-duck"), plan, "--runs", "0").status).toBe(2);
  });
});

describe("what leaves for others to read", () => {
  const text = (...args: string[]) => spawnSync(path.join(root, "rondeau"), args, { encoding: "utf8", cwd: desk });
  test("sheet, shop and ics print Markdown, CSV and iCalendar of a plan", () => {
    const planned = run("plan", demo("saturday-pastries"), "--seconds", "0");
    const plan = file("pastries.plan.json", planned.data);
    const begins: Record<string, RegExp> = {
      sheet: /^# .+\n\nServed /,
      shop: /^section,ingredient,amount,/,
      ics: /^BEGIN:VCALENDAR\r\nVERSION:2.0/,
    };
    for (const [command, begin] of Object.entries(begins)) {
      const { stdout, status } = text(command, demo("saturday-pastries"), plan);
      expect([command, status]).toEqual([command, 0]);
      expect(stdout).toMatch(begin);
    }
  });
  test("a plan of another dish is refused, with what it lacks", () => {
    const planned = run("plan", demo("saturday-pastries"), "--seconds", "0");
    const refused = run("ics", demo("spiced-duck"), file("other.plan.json", planned.data));
    expect(refused.status).toBe(2);
    expect(refused.data.problems[0].message).toMatch(/does not fit the dish/);
  });
});

describe("plan --sure", () => {
  test("tells how often the plan is on time, and will not be told how to take the lengths", () => {
    const sure = run("plan", demo("spiced-duck"), "--sure", "50", "--seconds", "1");
    expect(sure.status).toBe(0);
    expect(sure.stderr).toMatch(/within 15 min in \d+ of 100 runs, on time in \d+/);
    expect(run("plan", demo("spiced-duck"), "--sure", "50", "--plan-at", "likely")).toMatchObject({ status: 2 });
  });
});

describe("measure", () => {
  test("lists every calculation with its inputs", () => {
    const { data, status } = run("measure", "--list");
    expect(status).toBe(0);
    expect(data?.find((m: Loose) => m.name === "drySalt").inputs[0]).toEqual({
      name: "meatG",
      required: true,
      low: 1,
      high: 100_000,
      unit: "g",
    });
  });
  test("answers, and says what it left out", () => {
    const { data, status, stderr } = run("measure", "drySalt", '{"meatG":1800,"saltPct":2.5,"pepper":1}');
    expect([data, status]).toEqual([{ saltG: 45, sugarG: 0 }, 0]);
    expect(stderr).toContain("pepper");
  });
  test.each([
    ["drySalt", '{"meatG":1800}', 2, { error: "E_NOT_FINITE", field: "saltPct" }],
    ["drySalt", "salt", 2, { error: "E_PARSE" }],
    ["drySalt", "[1]", 2, { error: "E_NOT_FINITE" }],
    ["constructor", "{}", 2, { error: "E_UNKNOWN" }],
    ["nitritePpm", '{"product":"comminuted","cureG":3,"meatG":1000}', 4, { error: "E_NITRITE_LIMIT", field: "cureG" }],
    ["nitritePpm", '{"product":"dry","cureG":3,"meatG":1000,"cureStrengthPct":0.6}', 4, { error: "E_CURE_TYPE" }],
    ["vegetableSalt", '{"vegG":1000,"targetPct":1.2}', 4, { error: "E_SALT_TOO_LOW" }],
    ["cureTimeRule", '{"thicknessMm":40,"tempC":9}', 4, { error: "E_TOO_WARM", field: "tempC" }],
    ["cureTimeRule", '{"thicknessMm":40,"tempC":0}', 4, { error: "E_TOO_COLD", field: "tempC" }],
    ["pickleKeep", '{"equilibriumAcidPct":2,"pour":"hot","fridgeC":8}', 4, { error: "E_FRIDGE_WARM", field: "fridgeC" }],
    ["volumeToMass", '{"mL":5,"ingredient":"curing_salt_6_25"}', 4, { error: "E_WEIGH_ONLY" }],
  ])("%s %s ends in %i", (name, input, status, data) => {
    expect(run("measure", name, input)).toMatchObject({ status, data, stderr: expect.stringContaining("rondeau:") });
  });
});

describe("safety", () => {
  const overdosed = (): Loose => {
    const lunch = JSON.parse(readFileSync(demo("harvest-lunch"), "utf8"));
    lunch.components
      .find((c: Loose) => c.id === "pork")
      .methods[0].ingredients.find((i: Loose) => /nitrite/.test(i.name)).amount.amount = 32;
    return lunch;
  };
  test("says what it finds in a dish, with what was computed, the source and mends that apply", () => {
    const { data, status, stderr } = run("safety", demo("harvest-lunch"));
    expect({ status, stderr }).toEqual({ status: 0, stderr: "" });
    const cure = data.findings.find((f: Loose) => f.id === "curing-salt:pork");
    expect(cure).toMatchObject({
      severity: "note",
      basis: "allowed",
      component: "pork",
      where: expect.stringContaining("Cured pork"),
      source: expect.stringContaining("CFR"),
    });
    expect(cure.computed).toContain("125 ppm");
    expect(cure.foods).toContainEqual({
      ingredient: "Curing salt with 6.25 % sodium nitrite",
      food: expect.stringMatching(/^curing/),
      name: expect.any(String),
      class: "curing-salt",
      confidence: expect.any(Number),
    });
    expect(data.foods.length).toBeGreaterThan(40);
  });
  test("with a plan it looks at the hours as well", () => {
    const planned = run("plan", demo("spiced-duck"));
    const { data, status } = run("safety", demo("spiced-duck"), "--plan", file("duck-plan.json", planned.data));
    expect(status).toBe(0);
    expect(data.findings.map((f: Loose) => f.id)).toContain("hot-fat:duck.roast");
  });
  test("past a hard limit it ends with 4, says which, and the mend given brings it back", () => {
    const { data, status, stderr } = run("safety", file("over.json", overdosed()));
    expect(status).toBe(4);
    expect(stderr).toMatch(/Too much curing salt/);
    const [hard] = data.findings;
    expect(hard).toMatchObject({ hard: true, id: "curing-salt:pork" });
    const mended = applyPatch(overdosed(), hard.mends[0].change);
    expect(run("safety", file("mended.json", mended)).status).toBe(0);
  });
  test("the dish can still be checked and planned: nothing of it is lost, only nothing of it is begun", () => {
    expect(run("check", file("over.json", overdosed())).status).toBe(0);
  });
});

describe("rehearse", () => {
  test("prints shares, exceptions and moves, the same for the same seed, and what the fast form says", () => {
    const args = ["rehearse", demo("saturday-pastries"), "--runs", "4", "--seed", "3", "--plan-at", "cautious"];
    const { data, status, stderr } = run(...args);
    expect(status).toBe(0);
    expect(data).toMatchObject({ runs: 4, none: 0, movesPerRun: { p50: expect.any(Number), p90: expect.any(Number) } });
    for (const share of [data?.onTime, data?.within15, data?.within60, data?.predicted.onTime, data?.predicted.within15]) {
      expect(share).toBeGreaterThanOrEqual(0);
      expect(share).toBeLessThanOrEqual(1);
    }
    expect(stderr).toMatch(/re-plan took \d+ ms/);
    expect(run(...args).data).toEqual(data);
  });
  test("a policy that is none is refused with what there is", () => {
    const { status, data } = run("rehearse", demo("saturday-pastries"), "--policy", "dance");
    expect(status).toBe(2);
    expect(JSON.stringify(data)).toMatch(/late=20m/);
  });
});

describe("plan under way", () => {
  const log = (events: Loose[]) => file("log.json", { format: "rondeau-log/1", events });
  test("--near keeps to the plan that was followed, and verify prints what it cannot keep", () => {
    const first = run("plan", demo("spiced-duck"), "--plan-at", "likely");
    const plan = file("near.json", first.data);
    const [one] = first.data?.steps ?? [];
    const late = new Date(Date.parse(one.start) + 5 * 60_000).toISOString().slice(0, 16);
    const events = log([{ step: one.step, started: `${late}+00:00` }]);
    const again = run("plan", demo("spiced-duck"), "--near", plan, "--log", events, "--now", `${late}+00:00`);
    expect(again.status).toBe(0);
    const was = new Map(first.data?.steps.map((s: Loose) => [s.step, s.start]));
    const moved = again.data?.steps.filter((s: Loose) => was.get(s.step) !== s.start).length;
    expect(moved).toBeLessThan(first.data?.steps.length / 2);
    const verdict = run("verify", demo("spiced-duck"), file("again.json", again.data), "--log", events, "--now", `${late}+00:00`);
    expect(verdict).toMatchObject({ status: 0, data: { broken: [], exceptions: expect.any(Array), shortened: expect.any(Array) } });
  });
  test("--exact shortens nothing; without it a tight dish has a plan that says what it shortened", () => {
    const tight = smallDish((d) => {
      d.components[0].methods[0].steps[1].time = { min: "1h", likely: "4h", max: "6h" };
    });
    const name = file("tight.json", tight);
    const now = ["--now", "2026-10-18T09:00"];
    expect(run("plan", name, "--plan-at", "likely", "--exact", ...now).status).toBe(3);
    const bent = run("plan", name, "--plan-at", "likely", ...now);
    expect(bent.status).toBe(0);
    expect(bent.data?.steps.some((s: Loose) => s.shortenedFrom === 240 && s.minutes < 240)).toBe(true);
  });
});

describe("what a cook types and pastes", () => {
  const page = (name: string) => path.join(root, "tests/data/pages", name);
  const lastLine = (stderr: string) => JSON.parse(stderr.trim().split("\n").at(-1) ?? "") as Loose;
  test("both stand in the one command", () => {
    const script = (...args: string[]) =>
      execFileSync(path.join(root, "rondeau"), args, { encoding: "utf8", cwd: desk, stdio: ["ignore", "pipe", "ignore"] });
    expect(JSON.parse(script("read", "knead 10 min"))[0].minutes.likely).toBe(10);
    expect(JSON.parse(script("import", page("21-markdown.md"))).dish.name).toBe("Rye sourdough loaf");
  });
  test("read gives a line for each, with every key of the contract", () => {
    const { data, status } = run("read", "roast 1h30 until golden, oven 200C", "");
    expect(status).toBe(0);
    expect(data).toHaveLength(2);
    expect(data?.[0]).toMatchObject({
      name: "roast",
      minutes: { min: 90, likely: 90, max: 90 },
      heat: { by: "oven", tempC: 200, level: null, mode: null },
      place: null,
      equipment: [],
      rounds: [],
      batches: null,
      cue: "golden",
      probeC: null,
      attention: "nearby",
      makes: [],
      keeps: [],
      takes: [],
    });
    expect(data?.[1].name).toBe("");
  });
  test("read takes ingredients, a language, lines from standard input, and -- before a line that looks like a flag", () => {
    expect(run("read", "--ingredients", "--lang", "de", "1.500 g Mehl").data?.[0]).toMatchObject({
      name: "Mehl",
      amount: { amount: 1500, unit: "g" },
      also: [],
      range: null,
    });
    const piped = spawnSync(process.execPath, [path.join(root, "dist/cli.mjs"), "read", "-"], {
      encoding: "utf8",
      input: "knead 10 min\nrest 1 h\n",
    });
    expect((JSON.parse(piped.stdout) as Loose[]).map((r) => r.minutes.likely)).toEqual([10, 60]);
    expect(run("read", "--", "--lang").data?.[0].line).toBe("--lang");
    expect(run("read", "--nope", "x").status).toBe(2);
    expect(run("read", "--lang", "xx", "x").status).toBe(2);
    expect(run("read").status).toBe(2);
  });
  test("import gives a dish that checks, and the accounting as the last line of standard error", () => {
    const { data, stderr, status } = run("import", page("32-de.txt"), "--serves", "6", "--serve", "2026-12-20T19:00");
    expect(status).toBe(0);
    expect(data?.dish).toMatchObject({ baseServes: 4, serves: 6, serveAt: "2026-12-20T19:00" });
    expect(run("check", file("imported.json", data)).status).toBe(0);
    expect(lastLine(stderr)).toMatchObject({ kind: "text", lines: { unread: 0 } });
  });
  test.each([
    ["no recipe", "hello there"],
    ["nothing", ""],
    ["bytes", "\u0000\u0001�"],
  ])("%s: exit 2, and all of it unread", (_, text) => {
    const { stderr, status } = run("import", file("odd.txt", text));
    expect(status).toBe(2);
    const { items } = lastLine(stderr);
    expect(items.every((i: Loose) => i.state === "unread" || i.state === "note")).toBe(true);
  });
  test("a file that is not there: exit 2, told, and an accounting of nothing", () => {
    const { stderr, status } = run("import", "nowhere.txt");
    expect(status).toBe(2);
    expect(stderr).toContain("cannot be read");
    expect(lastLine(stderr).lines.total).toBe(0);
  });
});

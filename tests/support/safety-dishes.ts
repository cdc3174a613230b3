// Small dishes in everyday words, one block of lines each (tests/data/safety/): what a cook would type, made into dish files.
import { readFileSync } from "node:fs";
import type { Loose } from "./dishes";

export interface SmallCase {
  /** Caution that must be found; empty for a dish in which none may be. */
  readonly caution: string;
  readonly level: string;
  readonly name: string;
  readonly dish: Loose;
}

const slug = (text: string) =>
  text
    .toLowerCase()
    .normalize("NFD")
    .replaceAll(/[^a-z0-9]+/g, "-")
    .replaceAll(/^-+|-+$/g, "")
    .slice(0, 60);
const UNITS = new Set(["g", "kg", "ml", "mL", "L", "l"]);

/** "400 ml olive oil" or "24 garlic cloves". */
function ingredientOf(text: string, index: number): Loose {
  const [, number, unit, rest] = /^([\d.]+)\s+(\S+)\s*(.*)$/.exec(text.trim()) as RegExpExecArray;
  const isUnit = UNITS.has(unit as string) && rest !== "";
  const spelt = unit === "ml" ? "mL" : unit === "l" ? "L" : unit;
  return {
    id: `i${index}`,
    name: isUnit ? rest : `${unit} ${rest}`.trim(),
    amount: { amount: Number(number), unit: isUnit ? spelt : "piece" },
  };
}

/** "burner, pot 8", "oven 150", "bath 52", "slow-cooker". */
const usesOf = (text: string): Loose[] =>
  text
    .split(",")
    .map((t) => t.trim())
    .filter(Boolean)
    .map((t) => {
      const [what = "", size] = t.split(" ");
      if (what === "oven" || what === "grill") return { what, tempC: Number(size) };
      if (what === "bath") return { what, tempC: Number(size), litres: 5 };
      return size ? { what, litres: Number(size) } : { what };
    });

function stepOf(text: string, index: number): Loose {
  const [name = "", time = "10m", ...cells] = text.split("|").map((c) => c.trim());
  const step: Loose = { id: `s${index}`, name, time: time || "10m", attention: /\d+d|[5-9]h|\d\dh/.test(time) ? "unattended" : "hands" };
  if (step.attention === "unattended" && /overnight|night|cure|soak|fridge|brine|ferment|sleep/i.test(name)) step.sleepOk = true;
  if (index > 1) step.after = [`s${index - 1}`];
  for (const cell of cells.filter(Boolean)) {
    if (cell === "soon") step.after = [{ step: `s${index - 1}`, max: "30m" }];
    else if (cell === "boils") step.boils = true;
    else if (cell.startsWith("probe ")) step.done = { probeC: Number(cell.slice(6)) };
    else if (cell.startsWith("makes ")) {
      const [, made = "", holds = ""] = /^makes ([^:]+):\s*(.*)$/.exec(cell) as RegExpExecArray;
      step.makes = [
        {
          id: slug(made),
          name: made,
          holds: holds.split(",").map((h) => {
            const [place, max] = h.trim().split(" ");
            return { place, litres: 2, max, limit: "quality" };
          }),
        },
      ];
    } else step.uses = usesOf(cell);
  }
  if (/burner|grill|oven/.test(cells.join(" ")) && step.attention === "hands" && !/^\d+m$/.test(time)) step.attention = "nearby";
  return step;
}

/** One block of lines, as it stands in a file of tests/data/safety. */
export function caseOf(block: string): SmallCase {
  const lines = block.split("\n").filter((l) => l.trim() && !l.startsWith("#"));
  const [, head = ""] = /^==\s*(.*)$/.exec(lines[0] as string) as RegExpExecArray;
  const [expected = "", name = "", kind = "other"] = head.split("|").map((c) => c.trim());
  const [caution = "", level = ""] = expected.split(" ");
  const all = (key: string) => lines.filter((l) => l.startsWith(`${key}:`)).map((l) => l.slice(key.length + 1).trim());
  const list = (key: string) => all(key).flatMap((l) => l.split(/[;,]/).map((x) => x.trim()));
  const steps = all("do").map((l, i) => stepOf(l, i + 1));
  const last = steps.at(-1) as Loose;
  // What is made on the way is taken by the next step.
  for (const [i, step] of steps.entries()) {
    const before = steps[i - 1]?.makes?.[0];
    if (before) step.takes = [{ from: before.id }];
  }
  const final = last.makes?.[0] ?? { id: "done", name: "Done", holds: [{ place: "counter", litres: 2, max: "1h" }] };
  last.makes ??= [final];
  const guests: Loose = {};
  if (all("for").length) guests.care = list("for");
  if (all("avoid").length) guests.avoid = list("avoid");
  if (all("eaters").length) guests.eaters = Object.fromEntries(list("eaters").map((e) => [e.split(" ")[0], Number(e.split(" ")[1])]));
  return {
    caution,
    level,
    name,
    dish: {
      format: "rondeau/1",
      dish: {
        id: slug(name),
        name,
        timezone: "Europe/Dublin",
        baseServes: 6,
        serves: 6,
        serveAt: "2026-10-18T19:00",
        serve: "plate.put",
        ...(Object.keys(guests).length ? { guests } : {}),
      },
      kitchen: {
        cooks: [
          {
            id: "sam",
            name: "Sam",
            works: [{ days: "all", from: "07:00", to: "23:00" }],
            awake: [{ days: "all", from: "06:30", to: "23:30" }],
          },
        ],
        equipment: [
          { id: "b1", kind: "burner" },
          { id: "b2", kind: "burner" },
          { id: "oven", kind: "oven", minC: 30, maxC: 275, racks: 2 },
          { id: "grill", kind: "grill", maxC: 300, racks: 1 },
          { id: "bath", kind: "bath", maxC: 95, litres: 20 },
          { id: "pot", kind: "pot", litres: 12 },
          { id: "pot2", kind: "pot", litres: 3 },
          { id: "slow", kind: "slow-cooker", litres: 6 },
          { id: "pressure", kind: "pressure-cooker", litres: 6 },
          { id: "fridge", kind: "fridge", litres: 100 },
          { id: "freezer", kind: "freezer", litres: 60 },
          { id: "counter", kind: "counter", litres: 60 },
          { id: "cellar", kind: "cellar", litres: 60 },
        ],
      },
      components: [
        {
          id: "main",
          name,
          kind,
          methods: [
            {
              id: "only",
              ingredients: all("in")
                .flatMap((l) => l.split(";"))
                .filter((t) => t.trim())
                .map(ingredientOf),
              steps,
            },
          ],
        },
        {
          id: "plate",
          name: "To the table",
          kind: "assembly",
          methods: [
            {
              id: "only",
              steps: [{ id: "put", name: "Bring to the table", time: "5m", takes: [{ from: `main.${final.id}` }] }],
            },
          ],
        },
      ],
    },
  };
}

/** @param file a file of tests/data/safety */
export const casesOf = (file: string): SmallCase[] =>
  readFileSync(new URL(`../data/safety/${file}`, import.meta.url), "utf8")
    .split(/^(?==)/m)
    .filter((b) => b.startsWith("=="))
    .map(caseOf);

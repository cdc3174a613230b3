// What the commands share: reading files and flags, and refusing bad ones with a place and a remedy.
import { readFileSync, statSync } from "node:fs";
import type { z } from "zod";
import type { Dish } from "../core/dish/model";
import { type Problem, pathText, quoted } from "../core/dish/problem";
import { LIMITS, readDish, readJson } from "../core/dish/read";
import { dishModel } from "../core/dish/read-model";
import type { DishFile } from "../core/dish/schema";
import { type Log, LogFile, logFromFile, type Plan, PlanFile, planFromFile } from "../core/planner";
import { isInstant, type Zone } from "../core/time/zone";

/** Says a line beside the data. */
export type Tell = (line: string) => void;

export class BadInput extends Error {
  constructor(readonly problems: readonly Problem[]) {
    super(problems[0]?.message ?? "bad input");
  }
}

export const bad = (path: string, message: string) => new BadInput([{ path, message, severity: "error" }]);

export function readText(file: string): string {
  try {
    if (statSync(file).size > LIMITS.bytes) throw bad(file, `The file is larger than ${LIMITS.bytes / 1e6} MB.`);
    return readFileSync(file, "utf8");
  } catch (error) {
    if (error instanceof BadInput) throw error;
    throw bad(file, `The file cannot be read (${(error as NodeJS.ErrnoException).code ?? "unknown"}). Check its name.`);
  }
}

export function loadDish(file: string): { readonly dish: Dish; readonly document: DishFile; readonly warnings: readonly Problem[] } {
  const read = readDish(readText(file));
  if (read.status === "refused") throw new BadInput(read.problems);
  return { dish: dishModel(read.document), document: read.document, warnings: read.problems };
}

function loadFile<T>(file: string, schema: z.ZodType<T>): T {
  const json = readJson(readText(file));
  if (json.status === "refused") throw new BadInput(json.problems.map((p) => ({ ...p, path: file })));
  const parsed = schema.safeParse(json.value);
  if (parsed.success) return parsed.data;
  throw new BadInput(
    parsed.error.issues
      .slice(0, 50)
      .map((i) => ({ path: pathText(i.path), message: `${quoted(file)}: ${i.message}`, severity: "error" as const })),
  );
}

export function loadPlan(file: string, zone: Zone): Plan {
  return planFromFile(loadFile(file, PlanFile), zone);
}

export function loadLog(file: string, dish: Dish): Log {
  const log = logFromFile(loadFile(file, LogFile), dish.zone);
  const known = new Set(dish.components.flatMap((c) => c.methods.flatMap((m) => m.steps.map((s) => s.ref))));
  const unknown = [...log.events.keys(), ...log.pins.map((p) => p.step)].find((ref) => !known.has(ref));
  if (unknown !== undefined) throw bad(file, `The log names "${quoted(unknown)}", which is not a step of this dish.`);
  const oven = log.heat.find((h) => !dish.equipment.some((e) => e.id === h.id));
  if (oven) throw bad(file, `The log has "${quoted(oven.id)}" on, which is not in this kitchen.`);
  for (const e of log.events.values())
    if (e.ended !== undefined && e.ended < e.started) throw bad(file, `"${quoted(e.step)}" ends before it starts.`);
  return log;
}

interface Flags {
  readonly files: readonly string[];
  readonly values: ReadonlyMap<string, readonly string[]>;
  /** Flags without a value. */
  readonly switches: ReadonlySet<string>;
}

/** Splits arguments into files and `--flag value`; a flag that is not named is refused. */
export function readFlags(
  args: readonly string[],
  known: readonly string[],
  files: readonly string[],
  bare: readonly string[] = [],
): Flags {
  const values = new Map<string, string[]>();
  const found: string[] = [];
  const switches = new Set<string>();
  for (let i = 0; i < args.length; i++) {
    const arg = args[i] as string;
    if (!arg.startsWith("--")) {
      found.push(arg);
      continue;
    }
    if (bare.includes(arg)) {
      switches.add(arg);
      continue;
    }
    const [flag = "", inline] = arg.split(/=(.*)/s);
    if (!known.includes(flag)) throw bad(flag, `There is no flag "${quoted(flag)}". Known: ${[...known, ...bare].join(" ")}.`);
    const value = inline ?? args[++i];
    if (value === undefined) throw bad(flag, "This flag needs a value.");
    values.set(flag, [...(values.get(flag) ?? []), value]);
  }
  if (found.length !== files.length)
    throw bad("", `Give ${files.join(" and ")}: ${files.length} file${files.length > 1 ? "s" : ""}, not ${found.length}.`);
  return { files: found, values, switches };
}

export function instantFlag(flags: Flags, name: string, zone: Zone): number | undefined {
  const value = flags.values.get(name)?.at(-1);
  if (value === undefined) return undefined;
  if (!isInstant(value)) throw bad(name, `"${quoted(value)}" is not a date and time. Write one such as 2026-10-18T13:00.`);
  return zone.toMinute(value);
}

export function choiceFlag<T extends string>(flags: Flags, name: string, choices: readonly T[]): T | undefined {
  const value = flags.values.get(name)?.at(-1);
  if (value === undefined) return undefined;
  if (!(choices as readonly string[]).includes(value)) throw bad(name, `"${quoted(value)}" is not one of ${choices.join(", ")}.`);
  return value as T;
}

export function numberFlag(flags: Flags, name: string, least: number, most: number): number | undefined {
  const value = flags.values.get(name)?.at(-1);
  if (value === undefined) return undefined;
  const number = Number(value);
  if (value.trim() === "" || !(number >= least && number <= most))
    throw bad(name, `"${quoted(value)}" is not a number from ${least} to ${most}.`);
  return number;
}

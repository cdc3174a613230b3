// Reading a dish file: size, form, references. Every problem found is told at once; nothing is half-read.
// A file may be hostile: size and depth are bounded before anything is parsed, and odd keys never reach an object of ours.

import type { z } from "zod";
import { canBeKept } from "../plain-text";
import { checkDish } from "./check";
import { type Problem, pathText, quoted } from "./problem";
import { DishFile } from "./schema";
import { LONGEST_TEXT } from "./schema-values";

/** Largest file, in bytes (8 MB), deepest nesting, most steps. */
export const LIMITS = { bytes: 8_000_000, depth: 64, steps: 5_000, problems: 500 } as const;

export type ReadDish =
  | { readonly status: "read"; readonly document: DishFile; readonly problems: readonly Problem[] }
  | { readonly status: "refused"; readonly problems: readonly Problem[] };

/**
 * Reads the text of a dish file.
 *
 * @returns `read` with the document where there is no error (warnings may stand beside it), else `refused` with all problems
 */
export function readDish(source: string): ReadDish {
  const json = readJson(source);
  return json.status === "refused" ? json : readDishValue(json.value);
}

/** The same for a value that is already parsed (a form, a database row). */
export function readDishValue(value: unknown): ReadDish {
  const shape = shapeProblems(value);
  if (shape.length) return { status: "refused", problems: shape };
  const parsed = DishFile.safeParse(value);
  if (!parsed.success) return { status: "refused", problems: fromIssues(parsed.error.issues, value) };
  const problems = [...unknownFields(parsed.data), ...checkDish(parsed.data)].slice(0, LIMITS.problems);
  if (problems.some((p) => p.severity === "error")) return { status: "refused", problems };
  return { status: "read", document: parsed.data, problems };
}

/** Parses JSON within the limits of size and depth. */
export function readJson(
  source: string,
): { readonly status: "read"; readonly value: unknown } | { readonly status: "refused"; readonly problems: readonly Problem[] } {
  const refuse = (message: string) => ({ status: "refused" as const, problems: [{ path: "", message, severity: "error" as const }] });
  if (source.length > LIMITS.bytes || new TextEncoder().encode(source).length > LIMITS.bytes) {
    return refuse(`The file is larger than ${LIMITS.bytes / 1e6} MB. A dish is a few hundred kilobytes at most: is this the right file?`);
  }
  const deep = tooDeepAt(source);
  if (deep !== undefined) {
    return refuse(
      `The file is nested more than ${LIMITS.depth} levels deep (line ${deep}). A dish needs about ten: is this the right file?`,
    );
  }
  try {
    return { status: "read", value: JSON.parse(source.replace(/^\uFEFF/, "")) };
  } catch (error) {
    return refuse(
      `The file is not JSON: ${quoted(error instanceof Error ? error.message : "it cannot be read")}. Check the place named, or export the dish again.`,
    );
  }
}

/** Line of the first bracket that opens past the permitted depth, found without parsing. */
function tooDeepAt(source: string): number | undefined {
  let depth = 0;
  let line = 1;
  let inText = false;
  for (let i = 0; i < source.length; i++) {
    const c = source.charCodeAt(i);
    if (c === 10) line++;
    if (inText) {
      if (c === 92) i++;
      else if (c === 34) inText = false;
    } else if (c === 34) inText = true;
    else if (c === 123 || c === 91) {
      if (++depth > LIMITS.depth) return line;
    } else if (c === 125 || c === 93) depth--;
  }
  return undefined;
}

const FORBIDDEN_KEYS = new Set(["__proto__", "constructor", "prototype"]);

/** What must hold before a schema looks at the value: depth, sane keys, finite numbers, bounded texts, bounded number of steps. */
function shapeProblems(root: unknown): Problem[] {
  const problems: Problem[] = [];
  let steps = 0;
  const add = (path: readonly PropertyKey[], message: string) => {
    if (problems.length < LIMITS.problems) problems.push({ path: pathText(path), message, severity: "error" });
  };
  const walk = (value: unknown, path: readonly PropertyKey[]): void => {
    if (path.length > LIMITS.depth) return add(path.slice(0, 8), `Nested more than ${LIMITS.depth} levels deep.`);
    if (typeof value === "number" && !Number.isFinite(value)) return add(path, "Write a finite number.");
    if (typeof value === "string" && value.length > LONGEST_TEXT)
      return add(path, `Write at most ${LONGEST_TEXT} characters; there are ${value.length}.`);
    // Neither can be kept by the database, and no keyboard types them.
    if (typeof value === "string" && !canBeKept(value))
      return add(path, "A character in it is broken (NUL, or half of a pair). Type this text anew.");
    if (typeof value !== "object" || value === null) return;
    if (Array.isArray(value)) {
      if (path.at(-1) === "steps") steps += value.length;
      value.forEach((entry, i) => {
        walk(entry, [...path, i]);
      });
      return;
    }
    for (const key of Object.keys(value)) {
      if (FORBIDDEN_KEYS.has(key)) add([...path, key], `A field may not be called "${key}". Remove it.`);
      else walk((value as Record<string, unknown>)[key], [...path, key]);
    }
  };
  walk(root, []);
  if (steps > LIMITS.steps) {
    problems.unshift({
      path: "components",
      message: `There are ${steps} steps; at most ${LIMITS.steps} can be planned. Split the dish.`,
      severity: "error",
    });
  }
  return problems;
}

/** Zod's issues in the words of the format. A union tells the problem of the form that was meant. */
function fromIssues(issues: readonly z.core.$ZodIssue[], root: unknown, base: readonly PropertyKey[] = []): Problem[] {
  return issues.slice(0, LIMITS.problems).flatMap((issue) => {
    const path = [...base, ...issue.path];
    const at = valueAt(root, path);
    if (issue.code === "invalid_union") {
      const branches = issue.errors.filter((b) => b.length > 0);
      // The form meant is the one that does not already fail on the kind of value.
      const meant = branches.find((b) => !b.some((i) => i.path.length === 0 && i.code === "invalid_type")) ?? branches[0];
      if (meant && !branches.every((b) => b.some((i) => i.path.length === 0 && i.code === "invalid_type")))
        return fromIssues(meant, root, path);
      const first = branches[0]?.[0];
      return [
        {
          path: pathText(path),
          message: described(first?.message ?? "This has none of the forms that are allowed here.", at),
          severity: "error" as const,
        },
      ];
    }
    if (at === undefined && issue.code === "invalid_type") {
      return [{ path: pathText(path), message: `This field is missing. ${wanted(issue)}`.trim(), severity: "error" as const }];
    }
    return [
      {
        path: pathText(path),
        message: described(issue.code === "invalid_type" ? wanted(issue) : issue.message, at),
        severity: "error" as const,
      },
    ];
  });
}

function wanted(issue: z.core.$ZodIssue): string {
  if (issue.code !== "invalid_type") return issue.message;
  if (!issue.message.startsWith("Invalid input")) return issue.message;
  const words: Record<string, string> = {
    object: "Write an object in braces.",
    array: "Write a list in brackets.",
    string: "Write a text in quotes.",
    number: "Write a number.",
    boolean: "Write true or false.",
    int: "Write a whole number.",
    tuple: "Write a list of two values.",
  };
  return words[issue.expected] ?? issue.message;
}

function described(message: string, value: unknown): string {
  // A rule about several fields says all that there is to say; the braces round them are nobody's slip.
  if (value === undefined || (typeof value === "object" && value !== null && !message.startsWith("Write"))) return message;
  const shown =
    typeof value === "string"
      ? `"${quoted(value)}"`
      : Array.isArray(value)
        ? "a list"
        : typeof value === "object" && value
          ? "an object"
          : String(value);
  return `${message} Found ${shown}.`;
}

function valueAt(root: unknown, path: readonly PropertyKey[]): unknown {
  let at: unknown = root;
  for (const key of path) {
    if (typeof at !== "object" || at === null || !Object.hasOwn(at, key)) return undefined;
    at = (at as Record<PropertyKey, unknown>)[key];
  }
  return at;
}

/** Fields that this version does not know: kept, and told, since a slip of the pen looks just the same. */
function unknownFields(document: DishFile): Problem[] {
  const problems: Problem[] = [];
  const walk = (schema: unknown, value: unknown, path: readonly PropertyKey[]): void => {
    if (typeof value !== "object" || value === null) return;
    const type = inner(schema);
    if (type?.def.type === "array" && Array.isArray(value)) {
      for (let i = 0; i < value.length; i++) walk(type.def.element, value[i], [...path, i]);
    } else if (type?.def.type === "union") {
      const options = type.def.options?.map(inner).filter((o) => o?.def.type === (Array.isArray(value) ? "array" : "object")) ?? [];
      const fitting =
        options.find((o) => !o?.def.shape || Object.keys(o.def.shape).every((k) => k in value || isOptional(o.def.shape?.[k]))) ??
        options[0];
      if (fitting) walk(fitting, value, path);
    } else if (type?.def.type === "object" && !Array.isArray(value)) {
      const shape = type.def.shape ?? {};
      for (const key of Object.keys(value)) {
        if (Object.hasOwn(shape, key)) walk(shape[key], (value as Record<string, unknown>)[key], [...path, key]);
        else {
          const near = Object.keys(shape).find((k) => closeTo(k, key));
          problems.push({
            path: pathText([...path, key]),
            message: `This version does not know the field "${quoted(key)}"; it is kept and not used.${near ? ` Was "${near}" meant?` : ""}`,
            severity: "warning",
          });
        }
      }
    }
  };
  walk(DishFile, document, []);
  return problems;
}

interface SchemaNode {
  readonly def: {
    readonly type: string;
    readonly innerType?: unknown;
    readonly element?: unknown;
    readonly options?: readonly unknown[];
    readonly shape?: Record<string, unknown>;
  };
}

function inner(schema: unknown): SchemaNode | undefined {
  let node = schema as SchemaNode | undefined;
  while (node?.def.type === "optional") node = node.def.innerType as SchemaNode | undefined;
  return node;
}

function isOptional(schema: unknown): boolean {
  return (schema as SchemaNode | undefined)?.def.type === "optional";
}

/** Whether two names differ by case, or by one letter added, dropped, changed or swapped with its neighbour. */
function closeTo(a: string, b: string): boolean {
  if (a.toLowerCase() === b.toLowerCase()) return true;
  const [short, long] = a.length <= b.length ? [a, b] : [b, a];
  if (short.length < 4 || long.length - short.length > 1) return false;
  let i = 0;
  while (i < short.length && short[i] === long[i]) i++;
  const rest = (from: number, text: string) => text.slice(from);
  return (
    rest(i, short) === rest(i + 1, long) ||
    rest(i + 1, short) === rest(i + 1, long) ||
    (short[i] === long[i + 1] && short[i + 1] === long[i] && rest(i + 2, short) === rest(i + 2, long))
  );
}

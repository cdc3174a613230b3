// What was computed before, kept word by word (tests/data/records): whatever changes in it is seen, whether meant or not. RONDEAU_RECORD=1
// writes it anew; the difference is to be read like any other change before it is committed.
import { existsSync, mkdirSync, readFileSync, writeFileSync } from "node:fs";
import path from "node:path";
import { afterAll, expect } from "vitest";

const folder = path.join(import.meta.dirname, "../data/records");
const HEAD = "== ";

interface Records {
  /** Holds a text against what stands under its key. */
  check(key: string, text: string): void;
}

/** The records of a name, for one test file; keys of a line each. */
export function recordsOf(name: string): Records {
  const file = path.join(folder, `${name}.txt`);
  const writes = Boolean(process.env.RONDEAU_RECORD);
  const kept = new Map<string, string>();
  if (!writes && existsSync(file))
    for (const block of `\n${readFileSync(file, "utf8")}`.split(`\n${HEAD}`).slice(1)) {
      const end = block.indexOf("\n");
      kept.set(block.slice(0, end), block.slice(end + 1).trimEnd());
    }
  if (writes)
    afterAll(() => {
      mkdirSync(folder, { recursive: true });
      writeFileSync(file, [...kept].map(([key, text]) => `${HEAD}${key}\n${text}\n`).join(""));
    });
  return {
    check(key, text) {
      const [at, now] = [key.replaceAll(/\s+/g, " ").trim(), text.trimEnd()];
      if (writes && kept.has(at)) throw new Error(`Two records are called “${at}”.`);
      if (writes) kept.set(at, now);
      else expect(now, "it differs from tests/data/records; RONDEAU_RECORD=1 writes them anew").toBe(kept.get(at));
    },
  };
}

/** A value in one line, without what is empty in it. */
export const compact = (value: unknown): string =>
  JSON.stringify(value, (_, v) =>
    v === null || v === false || v === "" || (Array.isArray(v) && v.length === 0) || isEmpty(v) ? undefined : v,
  ) ?? "";

const isEmpty = (v: unknown) => typeof v === "object" && v !== null && !Array.isArray(v) && Object.keys(v).length === 0;

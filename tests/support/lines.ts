// The short forms of tests/data/lines, read; and a reading held against them field by field.
import { readFileSync } from "node:fs";
import type { IngredientLine } from "../../src/core/entry/ingredient-line";
import type { StepReading } from "../../src/core/entry/step/reading";

export interface WantedLine {
  readonly line: string;
  readonly want: Readonly<Record<string, string>>;
}

/** The lines of a file: text, a tab, what is right; `#` begins a remark. */
export function linesOf(file: string): WantedLine[] {
  return readFileSync(new URL(`../data/lines/${file}`, import.meta.url), "utf8")
    .split("\n")
    .filter((l) => l !== "" && !l.startsWith("#"))
    .map((l) => {
      const [line = "", wants = ""] = l.split("\t");
      return {
        line,
        want: Object.fromEntries(
          wants
            .split("|")
            .filter(Boolean)
            .map((w) => w.split(/=(.*)/s).slice(0, 2) as [string, string]),
        ),
      };
    });
}

export interface FieldResult {
  readonly field: string;
  readonly right: boolean;
  /** Whether the reading says itself that it is not sure of the field. */
  readonly doubted: boolean;
  readonly got: string;
  readonly want: string;
}

const ATTENTION = { h: "hands", n: "nearby", u: "unattended" } as const;
const near = (a: number, b: number) => Math.abs(a - b) <= 4;

/** Each field of a reading against what is right. A field that is not named must be empty; `*` takes anything. */
export function judgedStep(reading: StepReading, want: WantedLine["want"]): FieldResult[] {
  const results: FieldResult[] = [];
  const doubted = (field: string) => reading.doubts.some((d) => d.field === field);
  const judge = (field: string, key: string, got: string, right: (w: string) => boolean, empty: boolean) => {
    const w = want[key];
    if (w === "*") return;
    results.push({ field, right: w === undefined ? empty : right(w), doubted: doubted(field), got, want: w ?? "nothing" });
  };
  const { min, likely, max } = reading.minutes;
  judge(
    "minutes",
    "m",
    `${reading.said.minutes ? "" : "guess "}${min}/${likely}/${max}`,
    (w) => {
      if (w === "?") return !reading.said.minutes && doubted("minutes");
      if (!reading.said.minutes) return false;
      const parts = w.includes("/") ? w.split("/") : w.includes("-") ? [w.split("-")[0], "*", w.split("-")[1]] : [w, "*", w];
      return [min, likely, max].every((m, i) => parts[i] === "*" || Math.abs(m - Number(parts[i])) <= 1);
    },
    true,
  );
  const { heat } = reading;
  judge(
    "heat",
    "heat",
    heat ? `${heat.by}@${heat.tempC},${heat.level ?? ""},${heat.mode ?? ""}` : "-",
    (w) => {
      const [by = "", rest = ""] = w.split("@");
      const [temp = "", level = "", mode = ""] = rest.split(",");
      if (!heat) return false;
      const kinds = by.split("/");
      if (by !== "*" && !(by === "?" ? heat.by === null : kinds.includes(heat.by ?? ""))) return false;
      if (temp !== "" && temp !== "-" ? heat.tempC === null || !near(heat.tempC, Number(temp)) : heat.tempC !== null) return false;
      return (level === "" || heat.level === level) && (mode === "" ? heat.mode === null || by === "oven" : heat.mode === mode);
    },
    heat === null,
  );
  judge("place", "pl", reading.place ?? "-", (w) => reading.place === w, reading.place === null || doubted("place"));
  const things = reading.equipment
    .map((e) => `${e.count > 1 ? `${e.count}*` : ""}${e.what}${e.litres === null ? "" : `:${e.litres}`}`)
    .join(";");
  judge("equipment", "eq", things, (w) => things === w, things === "");
  const rounds = reading.rounds.map((r) => `${r.every}:${r.what}${r.takes === null ? "" : `:${r.takes}`}`).join(";");
  judge(
    "rounds",
    "r",
    rounds,
    (w) => (w.endsWith(":*") ? reading.rounds[0]?.every === Number(w.slice(0, -2)) : rounds.toLowerCase() === w.toLowerCase()),
    rounds === "",
  );
  judge(
    "batches",
    "b",
    String(reading.batches),
    (w) => (w === "?" ? reading.batches === null && doubted("batches") : reading.batches === Number(w)),
    reading.batches === null,
  );
  judge("cue", "cue", reading.cue ?? "-", (w) => reading.cue === w, reading.cue === null);
  judge(
    "probeC",
    "probe",
    String(reading.probeC),
    (w) => reading.probeC !== null && near(reading.probeC, Number(w)),
    reading.probeC === null,
  );
  judge("attention", "a", reading.attention, (w) => reading.attention === ATTENTION[w as "h"], true);
  const made = reading.makes.map((m) => `${m.amount ? `${m.amount.amount} ${m.amount.unit}` : "-"} ${m.name}`.trim()).join(";");
  judge(
    "makes",
    "mk",
    made,
    (w) => made === w || (reading.makes.length === 1 && made.startsWith(`${w} `) && reading.makes[0]?.name === reading.name),
    made === "",
  );
  const kept = reading.keeps.map((k) => `${k.place ?? "?"}:${k.min === null ? "" : `${k.min}-`}${k.max ?? ""}`).join(";");
  judge("keeps", "kp", kept, (w) => kept === w, kept === "");
  const taken = reading.takes.map((t) => `${t.amount ? `${t.amount.amount} ${t.amount.unit} ` : ""}${t.name}`).join(";");
  judge("takes", "tk", taken, (w) => taken === w, taken === "");
  if (want.n !== undefined) judge("name", "n", reading.name, (w) => reading.name === w, true);
  for (const field of (want.d ?? "").split(",").filter((d) => d !== "" && d !== "*"))
    results.push({ field: `doubt ${field}`, right: doubted(field), doubted: true, got: "no doubt", want: "a doubt" });
  return results;
}

/** Each field of an ingredient line against what is right. */
export function judgedIngredient(read: IngredientLine, want: WantedLine["want"]): FieldResult[] {
  const results: FieldResult[] = [];
  const judge = (field: string, key: string, got: string, right: (w: string) => boolean, empty: boolean) => {
    const w = want[key];
    if (w === "*") return;
    results.push({
      field,
      right: w === undefined ? empty : right(w),
      doubted: read.doubts.some((d) => d.field === field),
      got,
      want: w ?? "nothing",
    });
  };
  const said = (a: { amount: number; unit: string }) => `${Number(a.amount.toPrecision(5))} ${a.unit}`;
  const amount = read.amount ? said(read.amount) : "";
  judge("amount", "a", amount, (w) => amount === w, amount === "");
  judge("name", "n", read.name, (w) => read.name === w, want.f === "h");
  const range = read.amount?.range?.join("-") ?? "";
  judge("range", "range", range, (w) => range === w, range === "");
  const also = read.also.map(said).join(";");
  judge("also", "also", also, (w) => also === w, also === "");
  judge("note", "note", read.note ?? "", (w) => read.note === w, read.note === undefined);
  const flags = [read.asNeeded && "n", read.optional && "o", read.heading && "h"].filter(Boolean).join("");
  judge("flags", "f", flags, (w) => flags === w, flags === "");
  for (const field of (want.d ?? "").split(",").filter((d) => d !== "" && d !== "*"))
    results.push({
      field: `doubt ${field}`,
      right: read.doubts.some((d) => d.field === field),
      doubted: true,
      got: "no doubt",
      want: "a doubt",
    });
  return results;
}

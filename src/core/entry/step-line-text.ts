// A step written as one line, and a step changed by a line: what the line cannot say stays as it was.
import type { DishStep, Hold } from "../dish/schema";
import { minutesOf } from "../time/duration";
import { readStep } from "./step/read";
import { type LineContext, type LineStep, NO_CONTEXT } from "./step-draft";
import { readStepLine } from "./step-line";
import { kindWords } from "./words-said";

/**
 * A line that says of a step what a line can say; reading it gives that back.
 * @example writeStepLine({ id: "simmer", name: "Simmer", time: "3h", attention: "nearby" }) // "Simmer 3h, nearby"
 */
export function writeStepLine(step: DishStep, context: LineContext = NO_CONTEXT): string {
  const { time } = step;
  const length = lengthText(time);
  const clauses: string[] = [`${nameText(step.name ?? step.id)} ${length}`];
  const attention = step.attention ?? "hands";
  clauses.push({ hands: "by hand", nearby: "nearby", unattended: "alone" }[attention]);
  if (step.handsStart && attention !== "hands") clauses.push(`${step.handsStart} hands at the start`);
  if (step.handsEnd && attention !== "hands") clauses.push(`${step.handsEnd} hands at the end`);
  for (const use of step.uses ?? []) {
    const said = textOfUse(use, context);
    if (said) clauses.push(said);
  }
  for (const t of step.tend === undefined ? [] : Array.isArray(step.tend) ? step.tend : [step.tend]) {
    if (t.when || t.fromEnd) continue;
    const every = typeof t.every === "string" ? t.every : `${t.every.min}-${t.every.max}`;
    clauses.push(
      [plain(t.what ?? ""), `every ${every}`, t.takes && `for ${t.takes}`, t.first && `from ${t.first}`, t.until && `until ${t.until}`]
        .filter(Boolean)
        .join(" "),
    );
  }
  const { done } = step;
  if (done?.cue || done?.probeC !== undefined) {
    const cue = plain(done.cue ?? "");
    clauses.push(
      [
        "until",
        cue,
        done.probeC !== undefined && `${done.probeC}C in the middle`,
        done.restToC !== undefined && `resting to ${done.restToC}C`,
      ]
        .filter(Boolean)
        .join(" "),
    );
  }
  if (done?.checkEvery) clauses.push(`check ${done.checkFrom ? `from ${done.checkFrom} ` : ""}every ${done.checkEvery}`);
  else if (done?.checkFrom) clauses.push(`check from ${done.checkFrom}`);
  for (const [i, o] of (step.makes ?? []).entries()) {
    clauses.push(
      [
        "makes",
        o.amount && `${o.amount.amount} ${o.amount.unit === "piece" ? "" : o.amount.unit}`.trim(),
        plain(o.name ?? o.id),
        o.raw && "raw",
      ]
        .filter(Boolean)
        .join(" "),
    );
    if (i === 0) for (const hold of o.holds ?? []) clauses.push(`keeps ${holdText(hold)}`);
  }
  for (const t of step.takes ?? []) {
    const output = context.outputs.find((o) => o.ref === t.from);
    if (output && !t.during && !t.each)
      clauses.push(`takes ${t.amount ? `${t.amount.amount} ${t.amount.unit} ` : ""}${plain(output.name)}`);
  }
  if (typeof step.batches === "number" && step.batches > 1) clauses.push(`${step.batches} batches`);
  if (step.split) clauses.push(`may be put down in pieces of ${step.split.minPiece}`);
  if (step.sleepOk !== undefined) clauses.push(step.sleepOk ? "at night is fine".replace(" is fine", "") : "not at night");
  if (step.awayOk !== undefined) clauses.push(step.awayOk ? "while away" : "not while away");
  if (step.boils) clauses.push("boils");
  for (const tag of step.tags ?? []) if (tag === "noisy" || tag === "smell" || tag === "flame") clauses.push(tag);
  return clauses.join(", ");
}

/** "3h", "3h-4h"; where the likely length is not the middle, "8h-14h likely 10h". */
function lengthText(time: DishStep["time"]): string {
  if (typeof time === "string") return time;
  const [min, likely, max] = [time.min, time.likely, time.max].map(minutesOf) as [number, number, number];
  return Math.round((min + max) / 2) === likely ? `${time.min}-${time.max}` : `${time.min}-${time.max} likely ${time.likely}`;
}

/** A name that would be read as anything more than a name stands in quotation marks: “Rest overnight in the fridge”. */
function nameText(name: string): string {
  const clean = name.replace(/[“”"]/g, "'").replace(/\s+/g, " ").trim();
  return readStep(`${clean} 1h`).name === clean ? clean : `“${clean}”`;
}

/** What would end the part, or be read as a length or a figure, stands in quotation marks. */
function plain(text: string): string {
  const clean = text.replace(/[“”"]/g, "'").replace(/\s+/g, " ").trim();
  return /[,;:.()\d]|night|hour|minute|\b(?:in|on|at|over|every|until|for|and|or)\b/i.test(clean) ? `“${clean}”` : clean;
}
export function holdText(hold: Hold): string {
  return [
    hold.min && `at least ${hold.min}`,
    hold.best && `best ${hold.best[0]}-${hold.best[1]}`,
    hold.max && `up to ${hold.max}`,
    hold.place !== "none" && hold.place,
    hold.litres && `${hold.litres} L`,
    hold.limit === "safety" && "safety",
  ]
    .filter(Boolean)
    .join(" ");
}

function textOfUse(use: NonNullable<DishStep["uses"]>[number], context: LineContext): string | undefined {
  const until = use.until && context.steps.find((s) => s.ref === use.until || s.ref.endsWith(`.${use.until}`));
  if (use.until && !until) return undefined;
  return [
    use.count && `${use.count}`,
    use.litres && `${use.litres} L`,
    kindWords(use.what),
    use.pieces && `${use.pieces} pieces`,
    use.tempC !== undefined && `${use.tempC}C`,
    use.toleranceC !== undefined && `± ${use.toleranceC}`,
    use.mode && use.mode !== "any" && use.mode,
    use.racks !== undefined && use.racks !== 1 && `${use.racks} racks`,
    use.part === "hands" && "hands only",
    until && `until ${plain(until.name)}`,
  ]
    .filter(Boolean)
    .join(" ");
}

const FIELDS = [
  "name",
  "time",
  "attention",
  "handsStart",
  "handsEnd",
  "uses",
  "tend",
  "done",
  "makes",
  "takes",
  "after",
  "batches",
  "split",
  "sleepOk",
  "awayOk",
  "tags",
  "boils",
  "note",
] as const satisfies readonly (keyof LineStep)[];

/**
 * A step changed by a new line. A field changes only where the new line says another thing of it than the line that the step would
 * write: exact links, shares and cautions that no line can say are kept.
 */
export function changeByLine(step: DishStep, line: string, context: LineContext = NO_CONTEXT): DishStep {
  const before = readStepLine(writeStepLine(step, context), context).step;
  const after = readStepLine(line, context).step;
  const changed: Record<string, unknown> = { ...step };
  for (const field of FIELDS) {
    if (JSON.stringify(before[field]) === JSON.stringify(after[field])) continue;
    if (field === "note" && after.note && step.note) changed.note = `${step.note} ${after.note}`;
    else if (after[field] === undefined) {
      // What a step makes is taken by others: only its own field takes it out.
      if (field !== "note" && field !== "makes") delete changed[field];
    } else if (field === "makes") changed.makes = sameIds(step.makes, after.makes);
    else if (field === "uses") changed.uses = sameThings(step.uses, after.uses);
    else changed[field] = after[field];
  }
  return changed as DishStep;
}

/** A thing that is still used keeps what no line says of it. */
function sameThings(before: DishStep["uses"], after: LineStep["uses"]): LineStep["uses"] {
  const left = [...(before ?? [])];
  return after?.map((use) => {
    const at = left.findIndex((b) => b.what === use.what);
    const [old] = at >= 0 ? left.splice(at, 1) : [];
    return { ...(old?.fixed ? { fixed: true } : {}), ...(old?.ramp ? { ramp: true } : {}), ...use };
  });
}

/** Outputs keep their ids by their place, since others take them by id. */
function sameIds(before: DishStep["makes"], after: LineStep["makes"]): LineStep["makes"] {
  return after?.map((o, i) => {
    const old = before?.[i];
    return old ? { ...old, ...o, id: old.id } : o;
  });
}

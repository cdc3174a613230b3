// How long each panel of the Bench takes to answer: medians of twenty, with a field moved each time so that nothing is remembered.
import { answerOf, type FigureField, readValues, startOf } from "../src/core/bench/panel";
import { PANELS } from "../src/core/bench/panels";

const TURNS = 20;
const median = (list: readonly number[]) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)] as number;

const rows = PANELS.map((panel) => {
  const values = readValues(panel, startOf(panel, "metric"), "metric");
  const field = panel.fields.find((f): f is Extract<(typeof panel.fields)[number], FigureField> => "low" in f);
  const turn = (i: number) => {
    const start = field ? (values[field.key] as number) : 0;
    const moved = field ? { ...values, [field.key]: Math.min(field.high, start * (1 + i / 100)) } : values;
    const from = performance.now();
    const got = answerOf(panel, moved, "metric");
    const ms = performance.now() - from;
    if (!got.ok) throw new Error(`${panel.id}: ${got.message}`);
    return ms;
  };
  turn(0);
  const times = Array.from({ length: TURNS }, (_, i) => turn(i + 1));
  return { panel: panel.id, heavy: panel.heavy === true, medianMs: median(times), mostMs: Math.max(...times) };
});
for (const r of rows.sort((a, b) => b.medianMs - a.medianMs))
  console.log(
    `${r.panel.padEnd(20)} ${r.heavy ? "worker" : "page  "} ${r.medianMs.toFixed(1).padStart(7)} ms at the median, ${r.mostMs.toFixed(1)} at most`,
  );
const slow = rows.filter((r) => !r.heavy && r.medianMs > 16);
if (slow.length) {
  console.error(`calculated in the page, but longer than a frame: ${slow.map((r) => r.panel).join(", ")}`);
  process.exitCode = 1;
}

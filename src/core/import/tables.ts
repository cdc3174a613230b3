// Rows of tables written with bars ("| 250 g | nettle tops |"): what their columns hold, by their heads, and each row as the line that a cook would
// have written.
import { fold } from "../entry/lexicon/fold";
import type { SourceLine } from "./recipe";

type Column = "amount" | "unit" | "thing" | "step" | "length" | "heat" | "share" | "part" | "place" | "other";

/** What stands above a column, in five languages. */
const HEADS: readonly (readonly [Column, RegExp])[] = [
  ["part", /^(?:components?|parts?|for|section|teil|komponente|fur|partie|composant|pour|parte|componente|per|para)$/],
  ["place", /^(?:where|place|wo|ort|ou|lieu|dove|luogo|donde|lugar)$/],
  [
    "amount",
    /^(?:amounts?|quantit(?:y|ies)|qty|how much|weights?|grams?|menge|gewicht|quantites?|poids|quantita|peso|dosi|cantidad(?:es)?)$/,
  ],
  ["unit", /^(?:units?|einheit|unites?|unita|unidad(?:es)?)$/],
  [
    "thing",
    /^(?:what|ingredients?|denrees?|produits?|product[os]?|item|things?|zutat(?:en)?|was|quoi|ingredient[ei]|cosa|ingredientes?|que)$/,
  ],
  [
    "step",
    /^(?:steps?|method|tasks?|actions?|what to do|to do|do|job|instructions?|schritte?|arbeitsschritt|was tun|etapes?|quoi faire|passo|passaggi[o]?|cosa fare|pasos?|que hacer)$/,
  ],
  ["length", /^(?:times?|how long|durations?|mins?|minutes|takes|dauer|zeit|duree|temps|tempo|durata|tiempo|duracion)$/],
  ["heat", /^(?:heat|temp(?:erature)?|oven|temperatur|hitze|ofen|four|temperatura|forno|fuoco|horno|fuego)$/],
];
/** A column that is headed by the unit of its figures: "g", "ml". */
const UNIT_HEAD = /^(?:g|gr|kg|ml|cl|dl|l|oz|lb)$/;
const columnOf = (head: string): Column =>
  UNIT_HEAD.test(fold(head).trim()) ? "amount" : head.trim() === "%" ? "share" : namedColumn(head);
/** What the columns hold; one without a head beside amounts holds the things. */
function columnsOf(heads: readonly string[]): Column[] {
  const columns = heads.map(columnOf);
  const unnamed = heads.indexOf("");
  if (unnamed >= 0 && columns.includes("amount") && !columns.includes("thing")) columns[unnamed] = "thing";
  return columns;
}
const namedColumn = (head: string): Column => HEADS.find(([, is]) => is.test(fold(head).trim()))?.[0] ?? "other";

const SERVES_HEAD =
  /^\**(?:serves|servings|portions|for how many|yield|portionen|personen|personnes|couverts|porzioni|persone|raciones|personas)\**:?$/i;
const RULE = /^\s*\|?(?:\s*:?-{2,}:?\s*\|)+(?:\s*:?-{2,}:?\s*)?$/;
const isBarred = (line: SourceLine | undefined): line is SourceLine => line !== undefined && /^\s*\|.*\|\s*$/.test(line.text);
const TAB = /\t/;
const barsOf = (line: SourceLine | undefined): number => line?.text.match(/ \| /g)?.length ?? 0;
/** "Guinea fowl | kg | 1.6": no bars around it, and as many columns, at least three, as a line beside it. */
const isOpenRow = (lines: readonly SourceLine[], at: number): boolean =>
  barsOf(lines[at]) >= 2 && [at - 1, at + 1].some((n) => barsOf(lines[n]) === barsOf(lines[at]) && !isBarred(lines[n]));
/** Columns parted by tabs, as spreadsheets give them: at least three in this line or in the one beside it. */
const isTabRow = (lines: readonly SourceLine[], at: number): boolean =>
  TAB.test(lines[at]?.text ?? "") && [at - 1, at, at + 1].some((n) => (lines[n]?.text.split(TAB).length ?? 0) >= 3);
const isRow = (lines: readonly SourceLine[], at: number): boolean => isBarred(lines[at]) || isOpenRow(lines, at) || isTabRow(lines, at);
const cellsOf = (line: SourceLine): string[] =>
  TAB.test(line.text) && !/^\s*\|/.test(line.text) ? line.text.split(TAB).map((c) => c.trim()) : barredCells(line);
const barredCells = (line: SourceLine): string[] =>
  line.text
    .trim()
    .replace(/^\||\|$/g, "")
    .split("|")
    .map((c) => c.trim());

interface TableRow {
  readonly from: number;
  readonly to: number;
  /** What the row says, as a line. */
  readonly text: string;
  readonly cells: number;
  /** What the heads of its table say that it is; undefined where they do not. */
  readonly is: "head" | "ingredient" | "step" | "serves" | undefined;
  /** The part that it belongs to, where a column says so. */
  readonly part?: string;
}

/** "4 (about 900 g)" of "duck legs": what explains the amount stands behind the thing. */
function amountFirst(amount: string, thing: string): string {
  const [, figure = "", more = ""] = /^((?:[^,(]|,(?=\d))*)(.*)$/.exec(amount) ?? [];
  return `${figure.trim()} ${thing}${more.startsWith(",") ? more : ` ${more}`}`.trim();
}

/** Row `at` of the lines; undefined where it is none. */
export function tableRow(lines: readonly SourceLine[], at: number): TableRow | undefined {
  const line = lines[at];
  if (!line || !isRow(lines, at)) return undefined;
  const from = line.from + (line.text.length - line.text.trimStart().length);
  const own = cellsOf(line);
  const filled = own.filter(Boolean);
  // An amount that stands behind its thing is put before it.
  const figures = filled.filter((c) => /^[\d½¼¾⅓⅔]/u.test(c));
  const ordered = figures.length === 1 ? [...figures, ...filled.filter((c) => c !== figures[0])] : filled;
  const row = { from, to: from + line.text.trim().length, text: ordered.join(" "), cells: filled.length };
  let top = at;
  // Behind a blank line another table begins, unless it is one in bars.
  while (isRow(lines, top - 1) && (isBarred(lines[top]) || !lines[top]?.gap)) top--;
  const heads = cellsOf(lines[top] as SourceLine);
  const columns = columnsOf(heads);
  // "| Serves | 8 |", and "Serves" as the head of a column.
  const serves =
    own.length === 2 && SERVES_HEAD.test(own[0] ?? "") ? own[1] : at > top ? own[heads.findIndex((h) => SERVES_HEAD.test(h))] : "";
  if (serves && /\d/.test(serves)) return { ...row, text: `Serves ${serves}`, is: "serves" };
  // Without a rule below it a first line is a head only where all that stands in it is one; an open row that has none is no table.
  const headed = RULE.test(lines[top + 1]?.text ?? "") || columns.every((c) => c !== "other");
  if (!headed) return isBarred(line) ? { ...row, is: undefined } : undefined;
  const works = columns.includes("step") || (columns.includes("length") && !columns.includes("amount"));
  const kind = works ? "step" : columns.includes("amount") || columns.includes("thing") ? "ingredient" : undefined;
  if (at === top) return { ...row, is: kind && "head" };
  if (kind === undefined || columns.length < own.length) return { ...row, is: undefined };
  const cell = (...wanted: readonly Column[]) => own.filter((c, i) => c !== "" && wanted.includes(columns[i] as Column));
  // "750 g puff pastry (freezer)", "Slow-roast the legs, 3 h, 140 °C (Sat)": where and when stand behind.
  const others = [...cell("other"), ...(works ? [] : cell("place")), ...cell("share").map((c) => (/\d$/.test(c) ? `${c} %` : c))];
  const behind = others.length ? ` (${others.join(", ")})` : "";
  // A bare figure has the unit that stands above it.
  const amountIn = (c: string, i: number) =>
    c === "" || columns[i] !== "amount" ? [] : [UNIT_HEAD.test(fold(heads[i] ?? "")) && /\d$/.test(c) ? `${c} ${heads[i]}` : c];
  const text = works
    ? [...cell("step", "thing"), ...cell("length", "heat", "place")].join(", ")
    : amountFirst([...own.flatMap(amountIn), ...cell("unit")].join(" "), cell("thing").join(" "));
  const part = cell("part")[0];
  return text === "" ? { ...row, is: undefined } : { ...row, text: `${text}${behind}`, is: kind, ...(part ? { part } : {}) };
}

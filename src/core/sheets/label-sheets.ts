// Sheets of labels as they are sold: where each label lies on the page, and where a sheet goes on that was begun before.

export interface LabelSheet {
  readonly key: string;
  readonly name: string;
  /** All in millimetres. A roll has one label a page. */
  readonly page: readonly [width: number, height: number];
  readonly label: readonly [width: number, height: number];
  readonly columns: number;
  readonly rows: number;
  readonly margin: readonly [top: number, left: number];
  readonly gap: readonly [column: number, row: number];
}

const A4 = [210, 297] as const;
const LETTER = [215.9, 279.4] as const;

export const LABEL_SHEETS: readonly LabelSheet[] = [
  { key: "a4-3x8", name: "A4, 3 × 8 (70 × 37 mm)", page: A4, label: [70, 37], columns: 3, rows: 8, margin: [0.5, 0], gap: [0, 0] },
  {
    key: "a4-2x7",
    name: "A4, 2 × 7 (99.1 × 38.1 mm)",
    page: A4,
    label: [99.1, 38.1],
    columns: 2,
    rows: 7,
    margin: [15.15, 4.65],
    gap: [2.5, 0],
  },
  {
    key: "letter-3x10",
    name: "Letter, 3 × 10 (66.7 × 25.4 mm)",
    page: LETTER,
    label: [66.7, 25.4],
    columns: 3,
    rows: 10,
    margin: [12.7, 4.76],
    gap: [3.14, 0],
  },
  { key: "roll-62", name: "Single labels, 62 mm wide", page: [62, 46], label: [62, 46], columns: 1, rows: 1, margin: [0, 0], gap: [0, 0] },
];

interface PlacedLabel<T> {
  readonly item: T;
  /** Millimetres from the left and the top of its page. */
  readonly at: readonly [left: number, top: number];
}

/**
 * Labels on pages, row by row.
 * @param start place of the first label on the first page, from 1; places before it are used already
 * @returns pages in order; none without labels
 */
export function labelPages<T>(items: readonly T[], sheet: LabelSheet, start: number): PlacedLabel<T>[][] {
  const each = sheet.columns * sheet.rows;
  const first = Math.min(each, Math.max(1, Math.round(start) || 1)) - 1;
  const pages: PlacedLabel<T>[][] = [];
  for (const [i, item] of items.entries()) {
    const place = first + i;
    const [page, on] = [Math.floor(place / each), place % each];
    const [column, row] = [on % sheet.columns, Math.floor(on / sheet.columns)];
    pages[page] = pages[page] ?? [];
    pages[page].push({
      item,
      at: [sheet.margin[1] + column * (sheet.label[0] + sheet.gap[0]), sheet.margin[0] + row * (sheet.label[1] + sheet.gap[1])],
    });
  }
  return pages;
}

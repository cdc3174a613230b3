// Rows of a query a page at a time, by a cursor: each row is read once, however many stand before it.
import type { Queryable } from "../db";

const PAGE = 500;
let cursors = 0;

/** @param tx a transaction: a cursor lives in one */
export async function* pages<Row>(tx: Queryable, query: string): AsyncGenerator<Row[]> {
  cursors += 1;
  const cursor = `pages_${cursors}`;
  await tx.query(`declare ${cursor} no scroll cursor for ${query}`);
  for (;;) {
    const rows = (await tx.query(`fetch ${PAGE} from ${cursor}`)) as Row[];
    if (rows.length) yield rows;
    if (rows.length < PAGE) break;
  }
  await tx.query(`close ${cursor}`);
}

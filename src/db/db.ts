// The tiny face that all queries see, the same for every database that speaks PostgreSQL.

export type Param = string | number | boolean | bigint | null | Date | Uint8Array | readonly string[] | readonly number[];

export interface Queryable {
  /** Rows as the database gives them; parse them with Zod before they go any further. */
  query(text: string, params?: readonly Param[]): Promise<unknown[]>;
}

export interface Db extends Queryable {
  /** Runs `work` in a transaction. When this resolves, what was written survives a power cut. */
  transaction<T>(work: (tx: Queryable) => Promise<T>): Promise<T>;
  close(): Promise<void>;
}

// The tiny face that all queries see, the same for every database that speaks PostgreSQL.

export type Param = string | number | boolean | bigint | null | Date | Uint8Array | readonly string[] | readonly number[];

export interface Queryable {
  /** Rows as the database gives them; parse them with Zod before they go any further. */
  query(text: string, params?: readonly Param[]): Promise<unknown[]>;
}

export interface Db extends Queryable {
  /** Runs `work` in a transaction. When this resolves, what was written survives the process being killed. */
  transaction<T>(work: (tx: Queryable) => Promise<T>): Promise<T>;
  /** All of the database as one gzipped archive. */
  dump(): Promise<Uint8Array>;
  close(): Promise<void>;
}

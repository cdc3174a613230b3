// The usual cautions, by id: told where the step is. Local codes and trained people come first.
import table from "./cautions.json";

export interface Caution {
  readonly id: string;
  readonly title: string;
  readonly severity: string;
  readonly text: string;
  /** What clears it, in words. */
  readonly mend: string;
  readonly source: string;
}

const BY_ID: ReadonlyMap<string, Caution> = new Map(
  table.items.map((c) => [c.id, { id: c.id, title: c.title, severity: c.severity, text: c.text, mend: c.mend, source: c.source }]),
);

export const CAUTION_IDS: readonly string[] = [...BY_ID.keys()];

/** Undefined for an id that the table does not have. */
export const cautionOf = (id: string): Caution | undefined => BY_ID.get(id);
export const LOCAL_CODES_FIRST = "Local codes and the advice of your own health authority come before this note.";

// Problems of a file: where, what, and what would be right.

export interface Problem {
  /** "components[2].methods[0].steps[4].time"; "" for the whole file. */
  readonly path: string;
  readonly message: string;
  readonly severity: "error" | "warning";
}

/** A path of keys and indices as the format writes it. */
export function pathText(keys: readonly PropertyKey[]): string {
  let text = "";
  for (const key of keys) {
    if (typeof key === "number") text += `[${key}]`;
    else text += `${text ? "." : ""}${quoted(String(key))}`;
  }
  return text;
}

/** At most 80 characters of what a file says, fit for a message. */
export function quoted(value: string): string {
  const clean = value.replace(/\p{Cc}/gu, " ");
  return clean.length > 80 ? `${clean.slice(0, 77)}...` : clean;
}

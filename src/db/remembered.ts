// What is remembered of a database while it is open, so as not to read it again. Another database in its place knows nothing of it.

const all: Map<unknown, unknown>[] = [];

/** A map that is emptied when the database is closed. */
export function remembered<K, V>(): Map<K, V> {
  const map = new Map<K, V>();
  all.push(map as Map<unknown, unknown>);
  return map;
}

export function forgetRemembered(): void {
  for (const map of all) map.clear();
}

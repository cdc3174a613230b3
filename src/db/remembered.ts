// What is remembered of a database while it is open, so as not to read it again. Another database in its place knows nothing of it.

const all: Map<unknown, unknown>[] = [];

/** A map of at most so many: what was put in first goes first. */
class Remembered<K, V> extends Map<K, V> {
  constructor(readonly most: number) {
    super();
  }
  override set(key: K, value: V): this {
    if (!this.has(key) && this.size >= this.most) this.delete(this.keys().next().value as K);
    return super.set(key, value);
  }
}

/**
 * A map that is emptied when the database is closed.
 * @param most how many it holds
 */
export function remembered<K, V>(most: number): Map<K, V> {
  const map = new Remembered<K, V>(most);
  all.push(map as Map<unknown, unknown>);
  return map;
}

export function forgetRemembered(): void {
  for (const map of all) map.clear();
}

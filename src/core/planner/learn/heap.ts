// A binary heap of variables by their activity, highest first.
export class Heap {
  readonly #heap: number[] = [];
  readonly #at: number[] = [];
  readonly #activity: number[] = [];

  add(v: number): void {
    if ((this.#at[v] ?? -1) >= 0) return;
    this.#activity[v] ??= 0;
    this.#at[v] = this.#heap.length;
    this.#heap.push(v);
    this.#up(this.#heap.length - 1);
  }

  /** The variable of highest activity, taken out. */
  take(): number | undefined {
    const first = this.#heap[0];
    const last = this.#heap.pop();
    if (first === undefined || last === undefined) return undefined;
    this.#at[first] = -1;
    if (first !== last) {
      this.#heap[0] = last;
      this.#at[last] = 0;
      this.#down(0);
    }
    return first;
  }

  /** Raises an activity. True where all were scaled down by 1e-100 to keep them in range. */
  raise(v: number, by: number): boolean {
    this.#activity[v] = (this.#activity[v] ?? 0) + by;
    const at = this.#at[v] ?? -1;
    if (at >= 0) this.#up(at);
    if ((this.#activity[v] as number) < 1e100) return false;
    for (let i = 0; i < this.#activity.length; i++)
      if (this.#activity[i] !== undefined) this.#activity[i] = (this.#activity[i] as number) * 1e-100;
    return true;
  }

  #before(a: number, b: number): boolean {
    const x = this.#activity[a] as number;
    const y = this.#activity[b] as number;
    return x > y || (x === y && a < b);
  }

  #up(i: number): void {
    const v = this.#heap[i] as number;
    while (i > 0) {
      const parent = (i - 1) >> 1;
      const u = this.#heap[parent] as number;
      if (!this.#before(v, u)) break;
      this.#heap[i] = u;
      this.#at[u] = i;
      i = parent;
    }
    this.#heap[i] = v;
    this.#at[v] = i;
  }

  #down(i: number): void {
    const v = this.#heap[i] as number;
    for (;;) {
      let child = 2 * i + 1;
      if (child >= this.#heap.length) break;
      if (child + 1 < this.#heap.length && this.#before(this.#heap[child + 1] as number, this.#heap[child] as number)) child++;
      const u = this.#heap[child] as number;
      if (!this.#before(u, v)) break;
      this.#heap[i] = u;
      this.#at[u] = i;
      i = child;
    }
    this.#heap[i] = v;
    this.#at[v] = i;
  }
}

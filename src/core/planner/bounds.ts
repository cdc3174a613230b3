// Bounds and domains of starts and ends, undoable: the cells that everything else of the search changes, and the time lags that carry a
// change on. Domains are immutable interval lists, so going back costs what was changed and no more.
import { earliestAtOrAfter, type Intervals, latestAtOrBefore } from "../time/interval";
import type { Model } from "./model";

export class Bounds {
  readonly lower: Int32Array;
  readonly upper: Int32Array;
  /** Activity and rule of the last failure, for ordering and for telling why. */
  failed = { activity: 0, rule: "" };
  readonly #domains: Intervals[];
  readonly #out: { readonly to: number; readonly lag: number; readonly rule: string }[][];
  readonly #in: { readonly from: number; readonly lag: number; readonly rule: string }[][];
  readonly #trail: (() => void)[] = [];
  readonly #queue: number[] = [];
  readonly #queued: Uint8Array;

  constructor(readonly model: Model) {
    const n = model.activities.length;
    this.lower = new Int32Array(2 * n);
    this.upper = new Int32Array(2 * n);
    this.#queued = new Uint8Array(4 * n);
    this.#domains = model.activities.flatMap((a) => [a.starts, a.ends]);
    this.#out = Array.from({ length: 2 * n }, () => []);
    this.#in = Array.from({ length: 2 * n }, () => []);
    for (const { from, to, lag, because } of model.lags) {
      (this.#out[from] as { to: number; lag: number; rule: string }[]).push({ to, lag, rule: because.rule });
      (this.#in[to] as { from: number; lag: number; rule: string }[]).push({ from, lag, rule: because.rule });
    }
  }

  /** A point to come back to. */
  mark(): number {
    return this.#trail.length;
  }

  undoTo(mark: number): void {
    while (this.#trail.length > mark) (this.#trail.pop() as () => void)();
    this.#queue.length = 0;
    this.#queued.fill(0);
  }

  /** Sets an entry so that undoing puts the old one back. */
  setMap<K, V>(map: Map<K, V>, key: K, value: V): void {
    const old = map.get(key);
    const had = map.has(key);
    this.#trail.push(() => {
      if (had) map.set(key, old as V);
      else map.delete(key);
    });
    map.set(key, value);
  }

  /** Sets an entry of a list, undone likewise. */
  setList<V>(list: { [index: number]: V }, index: number, value: V): void {
    const old = list[index] as V;
    this.#trail.push(() => {
      list[index] = old;
    });
    list[index] = value;
  }

  /** Notes what failed, and why; always false. */
  fail(activity: number, rule: string): false {
    this.failed = { activity, rule };
    return false;
  }

  #push(bound: number): void {
    if (this.#queued[bound]) return;
    this.#queued[bound] = 1;
    this.#queue.push(bound);
  }

  /** x(v) ≥ value, snapped to the domain; false where that leaves it none. */
  raise(v: number, value: number, rule: string): boolean {
    if (value <= (this.lower[v] as number)) return true;
    const snapped = earliestAtOrAfter(this.#domains[v] as Intervals, value);
    if (snapped === undefined || snapped > (this.upper[v] as number)) return this.fail(v >> 1, rule);
    const old = this.lower[v] as number;
    this.#trail.push(() => {
      this.lower[v] = old;
    });
    this.lower[v] = snapped;
    this.#push(2 * v);
    return true;
  }

  /** x(v) ≤ value, snapped to the domain; false where that leaves it none. */
  lowerTo(v: number, value: number, rule: string): boolean {
    if (value >= (this.upper[v] as number)) return true;
    const snapped = latestAtOrBefore(this.#domains[v] as Intervals, value);
    if (snapped === undefined || snapped < (this.lower[v] as number)) return this.fail(v >> 1, rule);
    const old = this.upper[v] as number;
    this.#trail.push(() => {
      this.upper[v] = old;
    });
    this.upper[v] = snapped;
    this.#push(2 * v + 1);
    return true;
  }

  domain(v: number): Intervals {
    return this.#domains[v] as Intervals;
  }

  /** A smaller domain; false where nothing of it lies within the bounds. */
  narrow(v: number, domain: Intervals, rule: string): boolean {
    this.setList(this.#domains, v, domain);
    const low = earliestAtOrAfter(domain, this.lower[v] as number);
    const high = latestAtOrBefore(domain, this.upper[v] as number);
    if (low === undefined || high === undefined || low > high) return this.fail(v >> 1, rule);
    return this.raise(v, low, rule) && this.lowerTo(v, high, rule);
  }

  /** Time lags to a fixpoint. */
  propagate(): boolean {
    for (let at = 0; at < this.#queue.length; at++) {
      const bound = this.#queue[at] as number;
      this.#queued[bound] = 0;
      const v = bound >> 1;
      if (bound & 1) {
        for (const arc of this.#in[v] as { from: number; lag: number; rule: string }[])
          if (!this.lowerTo(arc.from, (this.upper[v] as number) - arc.lag, arc.rule)) return this.clear();
      } else {
        for (const arc of this.#out[v] as { to: number; lag: number; rule: string }[])
          if (!this.raise(arc.to, (this.lower[v] as number) + arc.lag, arc.rule)) return this.clear();
      }
      if (at > 4096) {
        this.#queue.splice(0, at + 1);
        at = -1;
      }
    }
    this.#queue.length = 0;
    return true;
  }

  protected clear(): false {
    this.#queue.length = 0;
    this.#queued.fill(0);
    return false;
  }

  /** Domains to bounds, and a first fixpoint. False where the network with its calendars has no solution. */
  root(): boolean {
    for (let v = 0; v < this.lower.length; v++) {
      const domain = this.#domains[v] as Intervals;
      const first = domain[0];
      const last = domain.at(-1);
      if (!first || !last) return this.fail(v >> 1, "calendar");
      this.lower[v] = first[0];
      this.upper[v] = last[1] - 1;
      this.#push(2 * v);
      this.#push(2 * v + 1);
    }
    return this.propagate();
  }
}

// The root network: time lags alone, without calendars or capacities.
// A cycle of lags that gains time can never be satisfied; its links, in order, are the conflict to tell.
// Method: longest paths by Bellman–Ford with predecessor graph; a cycle among predecessors is a gaining one.
// Source: Dechter, Meiri and Pearl, "Temporal constraint networks", Artificial Intelligence 49 (1991); Cherkassky and Goldberg 1999.
import type { TimeLag } from "./model";

/**
 * The lags of a gaining cycle, in order, or undefined where the network is consistent.
 * @param variables number of variables; lags name them from 0
 */
export function gainingCycle(variables: number, lags: readonly TimeLag[]): TimeLag[] | undefined {
  const at = new Float64Array(variables);
  const by = new Int32Array(variables).fill(-1);
  for (let round = 0; round <= variables; round++) {
    let changed = false;
    for (let i = 0; i < lags.length; i++) {
      const lag = lags[i] as TimeLag;
      const value = (at[lag.from] as number) + lag.lag;
      if (value > (at[lag.to] as number)) {
        at[lag.to] = value;
        by[lag.to] = i;
        changed = true;
      }
    }
    if (!changed) return undefined;
    if (round % 8 === 7 || round === variables) {
      const cycle = cycleAmong(by, lags);
      if (cycle) return cycle;
    }
  }
  return undefined;
}

/**
 * Length of the longest path of lags to a variable, in minutes: no plan whatever its calendars takes less from its first start to there.
 * Pre: no gaining cycle.
 */
export function longestPathTo(variable: number, variables: number, lags: readonly TimeLag[]): number {
  const at = new Float64Array(variables);
  for (let round = 0, changed = true; changed && round <= variables; round++) {
    changed = false;
    for (const { from, to, lag } of lags) {
      if ((at[from] as number) + lag <= (at[to] as number)) continue;
      at[to] = (at[from] as number) + lag;
      changed = true;
    }
  }
  return at[variable] as number;
}

function cycleAmong(by: Int32Array, lags: readonly TimeLag[]): TimeLag[] | undefined {
  const seen = new Int32Array(by.length);
  for (let root = 0; root < by.length; root++) {
    let v = root;
    while (seen[v] === 0 && by[v] !== -1) {
      seen[v] = root + 1;
      v = (lags[by[v] as number] as TimeLag).from;
    }
    if (seen[v] !== root + 1 || by[v] === -1) continue;
    const cycle: TimeLag[] = [];
    for (let u = v; ; ) {
      const lag = lags[by[u] as number] as TimeLag;
      cycle.push(lag);
      u = lag.from;
      if (u === v) return cycle.reverse();
    }
  }
  return undefined;
}

// One axis of time for the picture of the fridge and all rows under it: today and tomorrow wide, later days narrow.

const WIDE_MINUTES = 2 * 1440;
const WIDE_SHARE = 0.5;

/** @returns where a minute stands, 0 to 1; what lies outside stands at the edge. Pre: to > from */
export function larderAxis(from: number, to: number): (minute: number) => number {
  const wide = Math.min(WIDE_MINUTES, to - from);
  const share = to - from > WIDE_MINUTES ? WIDE_SHARE : 1;
  return (minute) => {
    const m = Math.min(to, Math.max(from, minute)) - from;
    return m <= wide ? (m / wide) * share : share + ((m - wide) / (to - from - wide)) * (1 - share);
  };
}

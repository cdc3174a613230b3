/** An object without the entries that are undefined: files leave out what is not said. */
export const withoutGaps = <T extends object>(entry: T): T =>
  Object.fromEntries(Object.entries(entry).filter(([, value]) => value !== undefined)) as T;

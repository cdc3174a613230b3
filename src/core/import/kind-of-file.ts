/** Whether a text is a file of our own format, to be read as such. A broken one counts: its faults are told as a dish's. */
export const isDishFile = (source: string): boolean => /^\s*\{/.test(source) && /"format"\s*:\s*"rondeau/.test(source.slice(0, 20_000));

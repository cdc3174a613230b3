/** A name as it stands inside a sentence: its first letter small, unless it is an abbreviation. */
export const lower = (name: string): string => (/^[A-Z][a-z]/.test(name) ? name.charAt(0).toLowerCase() + name.slice(1) : name);

// Durations as the dish file writes them: "45m", "1h30m", "3d", "36h". Elapsed time in whole minutes.
// A day is always 24 hours here; wall-clock days belong to zone.ts.

/** The longest duration a file may ask for, in minutes: 400 days. A longer one is a slip of the keyboard. */
export const LONGEST_DURATION_MINUTES = 400 * 1440;

const DURATION = /^(?:(\d{1,7})d)?(?:(\d{1,7})h)?(?:(\d{1,7})m)?$/;

/**
 * Minutes of a written duration, or undefined where the text is none.
 *
 * Parts stand in the order days, hours, minutes; each may be left out, not all; whole numbers only.
 * @returns whole minutes ≥ 0; the limit of 400 days is not checked here
 * @example parseDuration("1h30m") // 90
 */
export function parseDuration(text: string): number | undefined {
  const parts = DURATION.exec(text);
  if (!parts || text === "") return undefined;
  return Number(parts[1] ?? 0) * 1440 + Number(parts[2] ?? 0) * 60 + Number(parts[3] ?? 0);
}

/**
 * Minutes of a duration that is known to be well written (it has passed the schema).
 * @throws Error where it is not: a bug of ours, not of the file
 */
export function minutesOf(text: string): number {
  const minutes = parseDuration(text);
  if (minutes === undefined) throw new Error(`duration: "${text}" reached minutesOf without passing the schema`);
  return minutes;
}

/**
 * The shortest way to write so many minutes in the file format.
 * @param minutes whole, ≥ 0
 * @example durationText(90) // "1h30m"
 */
export function durationText(minutes: number): string {
  if (!(minutes >= 0) || !Number.isInteger(minutes)) throw new Error(`duration: ${minutes} is no whole number of minutes`);
  const days = Math.floor(minutes / 1440);
  const hours = Math.floor((minutes % 1440) / 60);
  const rest = minutes % 60;
  const text = (days ? `${days}d` : "") + (hours ? `${hours}h` : "") + (rest ? `${rest}m` : "");
  return text || "0m";
}

/** A duration as a cook says it: "35 min", "1 h 30", "2 days", "2 d 21 h". */
export function spokenDuration(minutes: number): string {
  const whole = Math.round(minutes);
  if (whole < 60) return `${whole} min`;
  if (whole < 1440) return whole % 60 ? `${Math.floor(whole / 60)} h ${String(whole % 60).padStart(2, "0")}` : `${whole / 60} h`;
  const days = Math.floor(whole / 1440);
  const hours = Math.round((whole % 1440) / 60);
  if (hours === 0) return days === 1 ? "1 day" : `${days} days`;
  return hours === 24 ? `${days + 1} days` : `${days} d ${hours} h`;
}

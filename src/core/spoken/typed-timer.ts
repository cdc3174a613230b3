// A timer as it is typed with wet hands: "4", "4 min, blanch", "blanch 4:30", "90 s", "1h10 rest".

interface TypedTimer {
  readonly seconds: number;
  /** Empty where nothing but a length was typed. */
  readonly name: string;
}

const LONGEST_SECONDS = 14 * 86_400;
const CLOCKED = /(?<![\d.,])(\d{1,3}):([0-5]\d)(?::([0-5]\d))?(?![\d:])/;
const SPOKEN =
  /(?<![\d.,\p{L}])(?:(\d+(?:[.,]\d+)?)\s*(?:hours?|hrs?|h)(?![\p{L}])\s*)?(?:(\d+(?:[.,]\d+)?)\s*(?:minutes?|mins?|min|m|')(?![\p{L}])\s*)?(?:(\d+)\s*(?:seconds?|secs?|sec|s|")(?![\p{L}]))?/iu;
const HOURS_AND = /(?<![\d.,\p{L}])(\d{1,3})\s*h\s*([0-5]?\d)(?![\d.,])\s*(?:minutes?|mins?|min|m)?(?![\d\p{L}])/iu;
const BARE = /^(\d{1,4})$|^(\d{1,4})(?=[\s,;]+\p{L})|(?<=\p{L}[\s,;]+)(\d{1,4})$/u;

const number = (text: string | undefined) => (text === undefined ? 0 : Number(text.replace(",", ".")));

/**
 * Reads a length and a name, in either order. A bare number means minutes; "4:30" is four and a half minutes, "1:10:00" an hour and ten.
 * @returns undefined where no length is there, or one of less than five seconds or more than fourteen days
 * @example readTimer("4 min, blanch") // { seconds: 240, name: "blanch" }
 */
export function readTimer(text: string): TypedTimer | undefined {
  const typed = text.trim();
  const found = lengthIn(typed);
  if (!found || found.seconds < 5 || found.seconds > LONGEST_SECONDS) return undefined;
  const name = `${typed.slice(0, found.from)} ${typed.slice(found.to)}`
    .replace(/^[\s,;:.–-]+|[\s,;:.–-]+$/g, "")
    .replace(/^(for|to)\s+|\s+(for|in)$/gi, "")
    .replace(/\s+/g, " ");
  return { seconds: Math.round(found.seconds), name: name.slice(0, 80) };
}

function lengthIn(text: string): { readonly seconds: number; readonly from: number; readonly to: number } | undefined {
  const at = (match: RegExpExecArray, seconds: number) => ({ seconds, from: match.index, to: match.index + match[0].length });
  const clocked = CLOCKED.exec(text);
  if (clocked) {
    const [, first, second, third] = clocked;
    return at(
      clocked,
      third === undefined ? number(first) * 60 + number(second) : number(first) * 3600 + number(second) * 60 + number(third),
    );
  }
  const hours = HOURS_AND.exec(text);
  if (hours) return at(hours, number(hours[1]) * 3600 + number(hours[2]) * 60);
  for (let from = 0; from < text.length; from++) {
    SPOKEN.lastIndex = 0;
    const match = SPOKEN.exec(text.slice(from));
    if (!match) break;
    if (match[0].trim() !== "") {
      const seconds = number(match[1]) * 3600 + number(match[2]) * 60 + number(match[3]);
      return { seconds, from: from + match.index, to: from + match.index + match[0].length };
    }
  }
  const bare = BARE.exec(text);
  return bare ? at(bare, number(bare[1] ?? bare[2] ?? bare[3]) * 60) : undefined;
}

/** How long a timer still runs, or how late it is: "4:05", "1:02:05", "−0:40". */
export function countdown(ms: number): string {
  const late = ms < 0;
  const whole = late ? Math.floor(-ms / 1000) : Math.ceil(ms / 1000);
  const [h, m, s] = [Math.floor(whole / 3600), Math.floor((whole % 3600) / 60), whole % 60];
  const two = (n: number) => String(n).padStart(2, "0");
  return `${late && whole > 0 ? "−" : ""}${h ? `${h}:${two(m)}` : m}:${two(s)}`;
}

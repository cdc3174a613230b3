// Portions: how many grown eaters a table is, and how much of a thing they need as it is bought.
// Sources: W. Gisslen 2018; J. Molt 2017; USDA Food Buying Guide. Schools: caterers plan raw weight by cut (the default here), dieticians
// cooked edible weight; never put yields on a portion, it is already as bought.
import { CalculationError, checked, row } from "./calculation-error";
import { ceilTo, oneOf, rounded } from "./rounding";
import table from "./tables/portions.json";

const APPETITE: Readonly<Record<string, number>> = table.APPETITE;
const COURSE: Readonly<Record<string, number>> = table.COURSE;
const PORTION: Readonly<Record<string, readonly number[]>> = table.PORTION;
const DOUGH_PIECE: Readonly<Record<string, readonly number[]>> = table.DOUGH_PIECE;

export const EATERS = Object.keys(APPETITE);
export const PORTION_CATEGORIES = Object.keys(PORTION);

/**
 * Guests as grown appetites: Σ count · appetite · courses · (1 + left over). Children count less, each course of several is smaller.
 * @param input guests: count 0–500 by toddler, child, teen, light, adult, hearty, senior; courses 1–8; leftoverPct 0–300
 * @returns heads, and equivalents (2 decimals)
 * @throws {CalculationError} E_RANGE without a guest or courses out of range, E_UNKNOWN for another kind of guest
 * @example guestEquivalents({ guests: { adult: 4, child: 2 } }) // { heads: 6, equivalents: 5.2 }
 */
export function guestEquivalents({
  guests,
  courses = 1,
  leftoverPct = 0,
}: {
  readonly guests: Readonly<Record<string, number>>;
  readonly courses?: number;
  readonly leftoverPct?: number;
}) {
  if (typeof guests !== "object" || guests === null)
    throw new CalculationError("guests", "E_NOT_FINITE", "guests: give counts by kind, such as { adult: 4 }.");
  const left = checked("leftoverPct", leftoverPct, 0, 300, "%");
  const share = COURSE[String(courses)];
  if (!Number.isInteger(courses) || share === undefined) throw new CalculationError("courses", "E_RANGE", "courses: give 1 to 8.");
  let heads = 0;
  let sum = 0;
  for (const [kind, count] of Object.entries(guests)) {
    const appetite = row(`guests.${kind}`, APPETITE, kind);
    const n = checked(`guests.${kind}`, count, 0, 500);
    heads += n;
    sum += n * appetite;
  }
  if (!(heads > 0)) throw new CalculationError("guests", "E_RANGE", "guests: there has to be at least one.");
  return { heads, equivalents: rounded(sum * share * (1 + left / 100), 2) };
}

/**
 * How much of a thing to buy for so many grown appetites. With several things of one kind on the table guests take a bit of everything:
 * each is then 1.15/options of what it would be alone.
 * @param input category as in the table; equivalents 0.1–2000; options 1–6
 * @returns total (rounded up to 5), low and high, in g or mL as bought
 * @throws {CalculationError} E_UNKNOWN, E_RANGE, E_NOT_FINITE
 * @example portionRaw({ category: "meat_bone_heavy", equivalents: 6 }).total // 2700
 */
export function portionRaw({
  category,
  equivalents,
  options = 1,
}: {
  readonly category: string;
  readonly equivalents: number;
  readonly options?: number;
}) {
  const [usual = 0, low = 0, high = 0] = row("category", PORTION, category);
  const eaters = checked("equivalents", equivalents, 0.1, 2000);
  const n = checked("options", options, 1, 6);
  const k = n === 1 ? 1 : 1.15 / n;
  return {
    total: ceilTo(usual * eaters * k, 5),
    low: rounded(low * eaters * k, 0),
    high: rounded(high * eaters * k, 0),
    unit: category.endsWith("_mL") ? "mL" : "g",
  };
}

/**
 * Dough for so many pieces, with what sticks to bowl and board.
 * @param input piece (a key) or pieceG 1–3000; count 1–10000; lossPct 0–15
 * @throws {CalculationError} E_ONE_OF, E_UNKNOWN, E_RANGE, E_NOT_FINITE
 * @example doughPiecePlan({ piece: "dumpling_wrapper", count: 60 }) // { pieceG: 9, doughG: 552 }
 */
export function doughPiecePlan({
  piece,
  pieceG,
  count,
  lossPct = 2,
}: {
  readonly piece?: string;
  readonly pieceG?: number;
  readonly count: number;
  readonly lossPct?: number;
}) {
  oneOf("pieceG piece", piece, pieceG);
  const g = piece === undefined ? checked("pieceG", pieceG, 1, 3000, "g") : (row("piece", DOUGH_PIECE, piece)[0] ?? 0);
  const n = checked("count", count, 1, 1e4);
  const loss = checked("lossPct", lossPct, 0, 15, "%");
  return { pieceG: g, doughG: Math.ceil((g * n) / (1 - loss / 100) - 1e-9) };
}

/**
 * How many pieces a dough gives, and how heavy they are if nothing is to be left.
 * @param input doughG 1–1e6; pieceG 1–3000
 * @throws {CalculationError} E_RANGE where not one piece fits, E_NOT_FINITE
 * @example piecesFromDough({ doughG: 1720, pieceG: 85 }) // { count: 20, evenPieceG: 86, leftoverG: 20 }
 */
export function piecesFromDough({ doughG, pieceG }: { readonly doughG: number; readonly pieceG: number }) {
  const dough = checked("doughG", doughG, 1, 1e6, "g");
  const each = checked("pieceG", pieceG, 1, 3000, "g");
  const count = Math.floor(dough / each + 1e-9);
  if (count < 1) throw new CalculationError("pieceG", "E_RANGE", `pieceG: ${each} g is more than the whole dough of ${dough} g.`);
  return { count, evenPieceG: rounded(dough / count, 1), leftoverG: rounded(dough - count * each, 1) };
}

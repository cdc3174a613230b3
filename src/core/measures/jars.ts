// Jars: what goes in when solids take their share. Packing fractions are household trials, give or take 0.07.
import { CalculationError, checked, row } from "./calculation-error";
import { ceilTo, rounded } from "./rounding";

/** Share of a jar's usable room that solids fill, by how they are cut. */
export const PACKING: Readonly<Record<string, number>> = {
  slices: 0.57,
  spears: 0.62,
  whole_small: 0.57,
  whole_large: 0.52,
  onion_rings: 0.48,
  shredded_pressed: 0.72,
  florets: 0.5,
  sticks: 0.62,
  berries: 0.58,
  cherries: 0.58,
  eggs: 0.6,
  chunks: 0.55,
};

/**
 * Liquid for jars of packed solids: headspace π/4·d²·h, the solids take their packing fraction of the rest.
 * @param input jar_mL 50–20000 to the brim; headspaceMm 5–60; mouthDiameterMm 20–300; packing a key; jars 1–200; sparePct 0–100 (10)
 * @returns headspace_mL, producePerJar_mL, liquidPerJar_mL (whole), liquidTotal_mL (rounded up to 10, the spare included)
 * @throws {CalculationError} E_RANGE also where the headspace is more than 60 % of the jar, E_UNKNOWN, E_NOT_FINITE
 * @example jarLiquid({ jar_mL: 1000, headspaceMm: 25, mouthDiameterMm: 85, packing: "spears" }).liquidPerJar_mL // 326
 */
export function jarLiquid({
  jar_mL,
  headspaceMm,
  mouthDiameterMm,
  packing,
  jars = 1,
  sparePct = 10,
}: {
  readonly jar_mL: number;
  readonly headspaceMm: number;
  readonly mouthDiameterMm: number;
  readonly packing: string;
  readonly jars?: number;
  readonly sparePct?: number;
}) {
  const jar = checked("jar_mL", jar_mL, 50, 20_000, "mL");
  const height = checked("headspaceMm", headspaceMm, 5, 60, "mm");
  const mouth = checked("mouthDiameterMm", mouthDiameterMm, 20, 300, "mm");
  const share = row("packing", PACKING, packing);
  const n = checked("jars", jars, 1, 200);
  const spare = checked("sparePct", sparePct, 0, 100, "%");
  const headspace = ((Math.PI / 4) * mouth ** 2 * height) / 1000;
  if (headspace > 0.6 * jar)
    throw new CalculationError(
      "headspaceMm",
      "E_RANGE",
      `headspaceMm: ${height} mm leaves ${Math.round(headspace)} mL of ${jar} mL empty. Fill the jar higher, or take a narrower one.`,
    );
  const usable = jar - headspace;
  return {
    headspace_mL: rounded(headspace, 0),
    producePerJar_mL: rounded(usable * share, 0),
    liquidPerJar_mL: rounded(usable * (1 - share), 0),
    liquidTotal_mL: ceilTo(usable * (1 - share) * n * (1 + spare / 100), 10),
  };
}

import { EditRefused } from "@/core/dish/edit/refused";
import { applyPatch, type PatchOperation } from "@/core/dish/patch";
import type { DishFile } from "@/core/dish/schema";
import { MENDED } from "@/words/safety";

/** A mend applied while the dish is edited: what was found may be of a moment ago. @throws EditRefused where it does not fit any more */
export function mended(document: DishFile, change: readonly PatchOperation[]): DishFile {
  try {
    return applyPatch(document, change);
  } catch {
    throw new EditRefused(MENDED.theDishHasChangedSince);
  }
}

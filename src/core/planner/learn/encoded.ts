// A whole model in the terms of the solver: its times and links (encode.ts), then its hands, equipment and waits.
import type { Model } from "../model";
import { Encoding } from "./encode";
import { encodeHeat, encodeUnits } from "./encode-equipment";
import { encodeHands } from "./encode-hands";
import { encodeHolds, encodeStores } from "./encode-waits";

export function encoded(model: Model): Encoding {
  const encoding = new Encoding(model);
  encodeHands(encoding);
  encodeUnits(encoding);
  encodeHeat(encoding);
  encodeHolds(encoding);
  encodeStores(encoding);
  encoding.solver.settle();
  return encoding;
}

// Where a step stands: "in the fridge", "on the counter", "somewhere cool".
import { saidAt } from "../patterns";
import type { Item } from "./scan";

const FROM = /^(?:from|of|off|aus|du|del|dal|dalla|de|hors|sortir)$/;

export const place: Item = (scan, at) => {
  const { folded, lexicon, found } = scan;
  const said = saidAt(lexicon.places, folded, at);
  if (!said) return undefined;
  const before = scan.wordBefore(at);
  // "Out of the fridge", "from the freezer": where it comes from.
  if (FROM.test(before) && !/^fuori|^hors/.test(folded.slice(at))) return undefined;
  if (
    /^(?:the|a|your|le|la|il|el|der|die|das)$/.test(before) &&
    FROM.test(scan.wordBefore(folded.slice(0, at).trimEnd().length - before.length))
  )
    return undefined;
  let end = said.end;
  // "Fridge 4 L": how much room it takes there.
  const litres = /^\s*(\d+(?:[.,]\d+)?)\s?l(?:itres?|iters?)?(?!\p{L})/u.exec(folded.slice(end));
  if (litres) {
    found.placeLitres = Number((litres[1] as string).replace(",", "."));
    end += litres[0].length;
  }
  found.places.push(said.value);
  scan.mark(at, end, "place");
  return end;
};

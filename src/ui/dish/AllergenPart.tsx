"use client";
import { setField } from "@/core/dish/edit/set";
import type { DishFile } from "@/core/dish/schema";
import { ALLERGEN_WORDS, AVOIDABLE, allergenSheet } from "@/core/foods/allergens";
import { LOCAL_CODES_FIRST } from "@/core/foods/cautions";
import { ALLERGEN_PART } from "@/words/recipe";
import { LineInput } from "./line-input";
import type { Edit } from "./use-editing";

const CARE = ["children", "pregnant", "elderly", "immunocompromised"] as const;
const words = (text: string) => [
  ...new Set(
    text
      .split(",")
      .map((w) => w.trim().toLowerCase())
      .filter(Boolean),
  ),
];

/** What guests avoid and who needs care; what each component brings. Nothing here ever says that a dish is free of something. */
export function AllergenPart({ document, chosen, edit }: { document: DishFile; chosen: Readonly<Record<string, string>>; edit: Edit }) {
  const sheet = allergenSheet(document, chosen);
  const { avoid = [], care = [] } = document.dish.guests ?? {};
  const put = (key: "avoid" | "care", value: readonly string[]) =>
    edit(key === "avoid" ? `avoided: ${value.join(", ") || "nothing"}` : `care: ${value.join(", ") || "nobody"}`, (d) =>
      setField(d, ["dish", "guests", key], value.length ? [...value] : undefined),
    );
  return (
    <div className="text-[14px]">
      <div className="grid gap-x-8 gap-y-2 sm:grid-cols-2">
        <div>
          <span className="text-[13px] text-quiet">{ALLERGEN_PART.guestsAvoidSeparateWithCommas}</span>
          <LineInput
            label={ALLERGEN_PART.whatGuestsAvoid}
            value={avoid.join(", ")}
            placeholder={ALLERGEN_PART.nutsMilk}
            onCommit={(text) => put("avoid", words(text))}
          />
          <p className="pt-1 text-[13px]">
            {AVOIDABLE.filter((a) => !avoid.includes(a)).map((a) => (
              <button key={a} type="button" className="link mr-2" onClick={() => put("avoid", [...avoid, a])}>
                {a}
              </button>
            ))}
          </p>
        </div>
        <fieldset>
          <legend className="text-[13px] text-quiet">{ALLERGEN_PART.guestsWhoNeedCare}</legend>
          {CARE.map((c) => (
            <label key={c} className="flex items-center gap-2">
              <input
                type="checkbox"
                className="accent-(--rim)"
                checked={care.includes(c)}
                onChange={(e) => put("care", e.target.checked ? [...care, c] : care.filter((x) => x !== c))}
              />
              {c === "pregnant"
                ? ALLERGEN_PART.pregnantGuests
                : c === "elderly"
                  ? ALLERGEN_PART.frailElderlyGuests
                  : c === "immunocompromised"
                    ? ALLERGEN_PART.guestsWithAWeakImmuneSystem
                    : c}
            </label>
          ))}
        </fieldset>
      </div>
      {sheet.clashes.length > 0 && (
        <ul className="mt-3 border-l-[4px] border-beet pl-3" aria-label={ALLERGEN_PART.clashes}>
          {sheet.clashes.map((c) => (
            <li key={c.avoided} className="py-0.5">
              <b className="font-semibold text-beet">
                {ALLERGEN_PART.aGuestAvoids} {c.avoided}
              </b>
              {ALLERGEN_PART.whichIsIn} {c.brought.map((b) => `${b.name} (${b.ingredients.join(", ")})`).join("; ")}
              {ALLERGEN_PART.leaveItOutReplaceIt}
            </li>
          ))}
        </ul>
      )}
      <table className="mt-3 w-full">
        <caption className="caps pb-0.5 text-left">{ALLERGEN_PART.allergensInThisDish}</caption>
        <tbody>
          {sheet.rows.map((r) => (
            <tr key={r.allergen} className="border-t border-rule align-baseline">
              <th scope="row" className="w-32 py-[3px] pr-3 text-left font-medium">
                {r.allergen}
              </th>
              <td>
                {r.brought.map((b, i) => (
                  <span key={b.component}>
                    {i > 0 ? "; " : ""}
                    {b.name}
                    <span className="text-quiet">
                      {" "}
                      ({b.ingredients.join(", ")}
                      {b.guessed ? ALLERGEN_PART.fromItsName : ""})
                    </span>
                  </span>
                ))}
              </td>
            </tr>
          ))}
          {sheet.rows.length === 0 && (
            <tr>
              <td>{ALLERGEN_PART.noneFoundInTheIngredients}</td>
            </tr>
          )}
        </tbody>
      </table>
      {sheet.unknown.length > 0 && (
        <p className="pt-2 text-saffron-ink">
          {ALLERGEN_PART.unknownSoCheckThePacket} {sheet.unknown.map((u) => `${u.ingredient} (${u.component})`).join(", ")}.
        </p>
      )}
      <p className="max-w-[72ch] pt-2 text-[13px] text-quiet">
        {ALLERGEN_PART.theFourteenOfRegulationEu}{" "}
        {Object.entries(ALLERGEN_WORDS)
          .filter(([k]) => k !== "wheat")
          .map(([, w]) => w)
          .join(", ")}
        {ALLERGEN_PART.foundByNameOnlyAn} {LOCAL_CODES_FIRST}
      </p>
    </div>
  );
}

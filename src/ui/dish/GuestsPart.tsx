"use client";
import { useState } from "react";
import { readFigure, typedAs } from "@/core/bench/quantity";
import { scaleToGuests } from "@/core/dish/edit/quantities";
import { setField } from "@/core/dish/edit/set";
import type { DishFile } from "@/core/dish/schema";
import { quantityText } from "@/core/dish/units";
import { CalculationError } from "@/core/measures/calculation-error";
import { EATERS, guestEquivalents, PORTION_CATEGORIES, portionRaw } from "@/core/measures/portions";
import { rawNeeded, YIELD_KEYS } from "@/core/measures/yields";
import { GUESTS_PART } from "@/words/recipe";
import { Choice } from "../shell/Choice";
import { useSpoken, useUnits } from "../shell/conventions";
import type { Edit } from "./use-editing";

const EATER_WORDS: Readonly<Record<string, string>> = {
  toddler: "toddlers",
  child: "children",
  teen: "teenagers",
  light: GUESTS_PART.lightEaters,
  adult: "adults",
  hearty: GUESTS_PART.heartyEaters,
  senior: GUESTS_PART.olderGuests,
};

const ON_PLATE = { key: "plate", label: GUESTS_PART.portions, of: "mass", usual: "g", low: 1, high: 5000 } as const;

/** Guests by appetite, what that comes to, and how much of a thing they need as it is bought. */
export function GuestsPart({ document, edit }: { document: DishFile; edit: Edit }) {
  const eaters: Readonly<Record<string, number>> = document.dish.guests?.eaters ?? { adult: document.dish.serves };
  const [courses, setCourses] = useState(1);
  const [category, setCategory] = useState("meat_bone_moderate");
  const units = useUnits();
  const [final, setFinal] = useState(() => typedAs(150, "mass", units));
  const [yields, setYields] = useState("cook_pork_shoulder_slow");
  const put = (kind: string, count: number) =>
    edit("guests", (d) => setField(d, ["dish", "guests", "eaters"], { ...eaters, [kind]: Math.max(0, count) }));
  const said = attempt(() => guestEquivalents({ guests: eaters, courses }));
  const eat = said.value?.equivalents ?? document.dish.serves;
  const portion = attempt(() => portionRaw({ category, equivalents: eat }));
  const raw = attempt(() => rawNeeded({ finalG: readFigure(ON_PLATE, final, units) * eat, yields: [yields] }));
  const spoken = useSpoken();
  const unit = (value: number, u: string) => spoken(quantityText({ dimension: u === "mL" ? "volume" : "mass", value }));
  return (
    <div className="text-[14px]">
      <div className="flex flex-wrap items-end gap-3">
        {EATERS.map((kind) => (
          <label key={kind} className="text-[13px] text-quiet">
            {EATER_WORDS[kind]}
            <input
              className="field clock mt-0.5 block w-20 text-ink"
              type="number"
              min={0}
              max={500}
              value={eaters[kind] ?? 0}
              onChange={(e) => put(kind, Number(e.target.value) || 0)}
            />
          </label>
        ))}
        <label className="text-[13px] text-quiet">
          {GUESTS_PART.courses}
          <input
            className="field clock mt-0.5 block w-16 text-ink"
            type="number"
            min={1}
            max={8}
            value={courses}
            onChange={(e) => setCourses(Math.min(8, Math.max(1, Number(e.target.value) || 1)))}
          />
        </label>
      </div>
      {said.value ? (
        <p className="pt-2">
          {said.value.heads} {GUESTS_PART.guestsEatAsMuchAs} <b className="font-semibold">{said.value.equivalents}</b> {GUESTS_PART.adults}
          {Math.abs(said.value.equivalents - document.dish.serves) > 0.01 ? (
            <>
              {GUESTS_PART.theDishIsMadeFor} {document.dish.serves}.{" "}
              <button
                type="button"
                className="act ml-1"
                onClick={() =>
                  edit(GUESTS_PART.forAppetites(said.value?.equivalents), (d) => scaleToGuests(d, said.value?.equivalents ?? d.dish.serves))
                }
              >
                {GUESTS_PART.makeItFor} {said.value.equivalents}
              </button>
            </>
          ) : (
            GUESTS_PART.forWhichTheDishIsMade
          )}
        </p>
      ) : (
        <p className="pt-2 text-saffron-ink">{GUESTS_PART.enterAtLeastOneGuest}</p>
      )}
      <details className="pt-2">
        <summary className="cursor-pointer">{GUESTS_PART.howMuchToBuy}</summary>
        <div className="grid gap-x-8 gap-y-2 pt-2 sm:grid-cols-2">
          <p>
            <Choice
              label={GUESTS_PART.food}
              className="text-[13.5px]"
              value={category}
              options={PORTION_CATEGORIES.map((c) => [c, c.replace(/_mL$/, "").replaceAll("_", " ")])}
              onChange={setCategory}
            />{" "}
            {portion.value && (
              <>
                <b className="font-semibold">{unit(portion.value.total, portion.value.unit)}</b> {GUESTS_PART.forIt} {eat}
                <span className="text-quiet">
                  , {unit(portion.value.low, portion.value.unit)} {GUESTS_PART.to} {unit(portion.value.high, portion.value.unit)}
                  {GUESTS_PART.rawWeightByCutAs}
                </span>
              </>
            )}
          </p>
          <p>
            <label>
              {GUESTS_PART.fromThePlateBackTo}{" "}
              <input
                className="field clock w-24 text-[13px]"
                value={final}
                onChange={(e) => setFinal(e.target.value)}
                aria-label={GUESTS_PART.portionOnEachPlate}
              />{" "}
              {GUESTS_PART.eachAfter}
            </label>{" "}
            <Choice
              label={GUESTS_PART.losses}
              className="text-[13.5px]"
              value={yields}
              options={YIELD_KEYS.map((k) => [k, k.replaceAll("_", " ")])}
              onChange={setYields}
            />{" "}
            {raw.value ? (
              <>
                <b className="font-semibold">{unit(raw.value.rawG, "g")}</b> {GUESTS_PART.bought}
                <span className="text-quiet">
                  {GUESTS_PART.factor} {raw.value.factor}
                  {GUESTS_PART.with5ToSpare}
                </span>
              </>
            ) : (
              <span className="text-saffron-ink">{raw.problem}</span>
            )}
          </p>
        </div>
      </details>
    </div>
  );
}

function attempt<T>(compute: () => T): { readonly value?: T; readonly problem?: string } {
  try {
    return { value: compute() };
  } catch (error) {
    if (error instanceof CalculationError) return { problem: error.message };
    throw error;
  }
}

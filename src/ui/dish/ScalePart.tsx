"use client";
import { useState } from "react";
import { mainOutput } from "@/core/dish/edit/places";
import { factorForOutput, factorForTin, limits, scaleComponent, scaleToGuests } from "@/core/dish/edit/quantities";
import { EditRefused } from "@/core/dish/edit/refused";
import { scaledIngredient } from "@/core/dish/scaled-ingredient";
import type { DishFile } from "@/core/dish/schema";
import { quantityOf, quantityText } from "@/core/dish/units";
import { kOf } from "@/core/dish/weights";
import { readAmount } from "@/core/entry/amounts";
import { CalculationError } from "@/core/measures/calculation-error";
import type { Pan } from "@/core/measures/scaling";
import { SCALE_PART } from "@/words/editor";
import { Choice } from "../shell/Choice";
import { Spoken, useSpoken } from "../shell/conventions";
import type { Edit } from "./use-editing";

/** One component scaled by what it should come to, by a tin, or by what there is of its ingredients. */
export function ScalePart({ document, edit, onProblem }: { document: DishFile; edit: Edit; onProblem: (text: string) => void }) {
  const spoken = useSpoken();
  const made = document.components.filter((c) => !c.onHand?.length && c.kind !== "assembly");
  const [id, setId] = useState(made[0]?.id ?? "");
  const component = made.find((c) => c.id === id) ?? made[0];
  const [wanted, setWanted] = useState("");
  const [from, setFrom] = useState("20");
  const [to, setTo] = useState("24");
  const [have, setHave] = useState<Readonly<Record<string, string>>>({});
  if (!component) return <p className="text-[14px] text-quiet">{SCALE_PART.thereIsNothingToScaleYet}</p>;
  const method = component.methods[0];
  const k = kOf(document, component);
  const output = mainOutput(component);
  const now = output?.amount && quantityOf(output.amount);
  const scaled = now && { ...now, value: now.value * (output.fixed ? 1 : k) };
  const apply = (label: string, by: () => number) => {
    try {
      const factor = by();
      edit(`${component.name}: ${label}`, (d) => scaleComponent(d, component.id, factor));
    } catch (error) {
      if (error instanceof EditRefused || error instanceof CalculationError) onProblem(error.message.replace(/^\w+(?:\.\w+)?: /, ""));
      else throw error;
    }
  };
  const stock = Object.entries(have).flatMap(([ingredient, text]) => {
    const read = readAmount(text);
    return read ? [{ ingredient, quantity: quantityOf(read) }] : [];
  });
  const found = method ? limits(document, { component: component.id, method: method.id }, stock) : [];
  const first = found[0];
  return (
    <div className="text-[14px]">
      <p className="flex flex-wrap items-center gap-2">
        <Choice
          label={SCALE_PART.whichComponent}
          className="text-[14px]"
          value={component.id}
          options={made.map((c) => [c.id, c.name])}
          onChange={(id) => {
            setId(id);
            setHave({});
          }}
        />
        <span>
          {scaled ? SCALE_PART.makesNow(spoken(quantityText(scaled))) : SCALE_PART.doesNotSayHowMuch}
          {Math.abs((component.factor ?? 1) - 1) > 1e-6
            ? SCALE_PART.timesWhatTheGuestsNeed(Number((component.factor ?? 1).toPrecision(3)))
            : ""}
          .
        </span>
        {Math.abs((component.factor ?? 1) - 1) > 1e-6 && (
          <button type="button" className="link" onClick={() => apply(SCALE_PART.asTheGuestsNeed, () => 1 / (component.factor ?? 1))}>
            {SCALE_PART.asTheGuestsNeed}
          </button>
        )}
      </p>
      <div className="grid gap-x-10 gap-y-3 pt-3 md:grid-cols-3">
        <form
          className="border-t border-rule pt-2"
          onSubmit={(e) => {
            e.preventDefault();
            const read = readAmount(wanted);
            if (!read) onProblem(SCALE_PART.writeHowMuchItShould);
            else
              apply(SCALE_PART.soMuchOfIt(wanted), () =>
                factorForOutput(document, `${component.id}.${output?.id ?? ""}`, quantityOf(read)),
              );
          }}
        >
          <label>
            {SCALE_PART.iWantThisAmount}
            <input
              className="field clock mt-0.5 block w-full text-[13px]"
              value={wanted}
              onChange={(e) => setWanted(e.target.value)}
              placeholder={scaled ? spoken(quantityText(scaled)) : SCALE_PART.amountExample}
            />
          </label>
          <button type="submit" className="act mt-2" disabled={!output?.amount || wanted.trim() === ""}>
            {SCALE_PART.scale}
          </button>
        </form>
        <form
          className="border-t border-rule pt-2"
          onSubmit={(e) => {
            e.preventDefault();
            const [a, b] = [panOf(from), panOf(to)];
            if (!a || !b) onProblem(SCALE_PART.writeATinByIts);
            else apply(SCALE_PART.toFillATinOfCm(to), () => factorForTin(a, b));
          }}
        >
          <span>{SCALE_PART.myTinCmAcrossOr33x23}</span>
          <div className="mt-0.5 flex items-center gap-2">
            <input
              className="field clock w-20 text-[13px]"
              aria-label={SCALE_PART.tinInTheRecipe}
              value={from}
              onChange={(e) => setFrom(e.target.value)}
            />
            <span className="text-quiet">{SCALE_PART.inTheRecipeMineIs}</span>
            <input
              className="field clock w-20 text-[13px]"
              aria-label={SCALE_PART.myTin}
              value={to}
              onChange={(e) => setTo(e.target.value)}
            />
          </div>
          <button type="submit" className="act mt-2">
            {SCALE_PART.scale}
          </button>
        </form>
        <div className="border-t border-rule pt-2">
          <span>{SCALE_PART.iHaveOnlyThisMuch}</span>
          <ul>
            {(method?.ingredients ?? [])
              .filter((i) => i.amount)
              .map((i) => {
                const need = scaledIngredient(i, k);
                return (
                  <li key={i.id} className="flex items-center gap-2 py-0.5 text-[13.5px]">
                    <input
                      className="field clock w-24 min-h-[28px]! text-[12.5px]"
                      aria-label={SCALE_PART.howMuchThereIs(i.name)}
                      value={have[i.id] ?? ""}
                      placeholder={need ? spoken(quantityText(need)) : ""}
                      onChange={(e) => setHave({ ...have, [i.id]: e.target.value })}
                    />
                    <Spoken>{i.name}</Spoken>
                  </li>
                );
              })}
          </ul>
          {first && (
            <div className="pt-1">
              <p>
                {first.name} {SCALE_PART.decides} {spoken(quantityText(first.have))} {SCALE_PART.ofIt} {spoken(quantityText(first.needed))},{" "}
                {Number((first.by * 100).toPrecision(3))} %.
              </p>
              <div className="flex flex-wrap gap-2 pt-1">
                <button
                  type="button"
                  className="act"
                  onClick={() => apply(SCALE_PART.whatAllows(first.name.toLowerCase()), () => first.by)}
                >
                  {SCALE_PART.onlyThisComponent}
                </button>
                <button
                  type="button"
                  className="act"
                  onClick={() =>
                    edit(SCALE_PART.theDishForWhatAllows(first.name.toLowerCase()), (d) =>
                      scaleToGuests(d, Number((d.dish.serves * first.by).toPrecision(4))),
                    )
                  }
                >
                  {SCALE_PART.theWholeDish}
                </button>
              </div>
            </div>
          )}
        </div>
      </div>
    </div>
  );
}

/** "24" is round, "33x23" is not; centimetres. */
function panOf(text: string): Pan | undefined {
  const sides = text.split(/[x×*]/i).map((s) => Number(s.replace(",", ".").replace(/cm/i, "").trim()) * 10);
  if (sides.some((s) => !(s > 0))) return undefined;
  if (sides.length === 1) return { shape: "round", diameterMm: sides[0] ?? 0 };
  return sides.length === 2 ? { shape: "rect", lengthMm: sides[0] ?? 0, widthMm: sides[1] ?? 0 } : undefined;
}

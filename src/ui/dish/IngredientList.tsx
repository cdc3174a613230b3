"use client";
import { Trash2 } from "lucide-react";
import { useRef, useState } from "react";
import { addIngredientLines, ingredientOf } from "@/core/dish/edit/components";
import { type DishIngredient, type MethodPlace, methodOf, withMethod } from "@/core/dish/edit/places";
import { EditRefused } from "@/core/dish/edit/refused";
import { leaveOutIngredient, putInstead, restoreIngredient, substitutesFor } from "@/core/dish/edit/substitutes";
import type { DishFile } from "@/core/dish/schema";
import { readIngredient } from "@/core/entry/ingredient-line";
import { shortNumber } from "@/core/entry/numbers";
import { amountWords } from "@/core/entry/words-said";
import { INGREDIENT_LIST } from "@/words/editor";
import { type Field, Fields } from "./fields";
import { ChooseFood, TakenFor } from "./IngredientFood";
import { LineInput } from "./line-input";
import type { Edit } from "./use-editing";

const FIELDS: readonly Field[] = [
  { key: "section", label: INGREDIENT_LIST.boughtAt, kind: "text", why: INGREDIENT_LIST.oneTripAShop },
  { key: "orderAhead", label: INGREDIENT_LIST.orderAhead, kind: "duration", why: INGREDIENT_LIST.theButcherNeedsIt },
  { key: "keeps", label: INGREDIENT_LIST.keepsOnceBought, kind: "duration", why: INGREDIENT_LIST.soThatItIsNot },
  { key: "scale", label: INGREDIENT_LIST.scalingExponent, kind: "number", why: INGREDIENT_LIST.exponentHint },
  { key: "allergens", label: INGREDIENT_LIST.allergens, kind: "words", why: INGREDIENT_LIST.comparedWithWhatGuestsAvoid },
  { key: "asNeeded", label: INGREDIENT_LIST.toTaste, kind: "yes", why: INGREDIENT_LIST.noAmountIsCounted },
  { key: "optional", label: INGREDIENT_LIST.optional, kind: "yes", why: INGREDIENT_LIST.markedOnTheShoppingList },
  { key: "note", label: INGREDIENT_LIST.note, kind: "text", why: INGREDIENT_LIST.howYouWantIt },
];

interface IngredientListProps {
  readonly document: DishFile;
  readonly place: MethodPlace;
  readonly edit: Edit;
  readonly onProblem: (text: string) => void;
}

/** What goes in, a line each, at the amounts of the file; what the cook cannot get, and what could replace it. */
export function IngredientList({ document, place, edit, onProblem }: IngredientListProps) {
  const method = methodOf(document, place);
  const [open, setOpen] = useState<string>();
  const [line, setLine] = useState("");
  const box = useRef<HTMLInputElement>(null);
  const add = () => {
    if (line.trim() === "") return;
    // Several pasted at once are several ingredients.
    if (edit(`ingredient: ${line.trim().slice(0, 50)}`, (d) => addIngredientLines(d, place, line.split(/\n|;/)))) setLine("");
    box.current?.focus();
  };
  const put = (i: DishIngredient, label: string, change: (i: DishIngredient) => DishIngredient | undefined) =>
    edit(`${i.name}: ${label}`, (d) =>
      withMethod(d, place, (m) => {
        const ingredients = (m.ingredients ?? []).flatMap((x) => (x.id === i.id ? (change(x) ?? []) : [x]));
        const { ingredients: _, ...rest } = m;
        return ingredients.length ? { ...rest, ingredients } : rest;
      }),
    );
  const serves = document.dish.baseServes;
  return (
    <div>
      <p className="text-[12.5px] text-quiet">
        {INGREDIENT_LIST.amountsFor} {shortNumber(serves)}
        {INGREDIENT_LIST.asTheFileHasThem}
        {document.dish.serves !== serves ? INGREDIENT_LIST.atGuestsTheyAreUnderAmounts(document.dish.serves) : ""}.
      </p>
      <ul>
        {(method.ingredients ?? []).map((i) => {
          const instead = substitutesFor(i);
          return (
            <li key={i.id} className="border-t border-rule py-1 first:border-t-0">
              <div className="flex items-center gap-2">
                <div className={`min-w-0 flex-1 ${i.leftOut ? "line-through opacity-60" : ""}`}>
                  <LineInput
                    label={INGREDIENT_LIST.ingredient(i.name)}
                    value={lineOf(i)}
                    onCommit={(text) =>
                      put(i, "changed", (x) => {
                        if (text === "") return undefined;
                        const read = readIngredient(text);
                        if (read.heading || read.name === "?") throw new EditRefused(INGREDIENT_LIST.writeAnAmountAndA);
                        const { amount: _, asNeeded: __, optional: ___, note: ____, ...rest } = x;
                        const { id: _____, ...made } = ingredientOf(read, []);
                        // What a line says again is taken from it; what only the fields say stays.
                        // Another name is another food.
                        if (read.name !== x.name) delete rest.food;
                        return { ...rest, ...(x.note && !made.note ? { note: x.note } : {}), ...made };
                      })
                    }
                    hint={(text) => {
                      const read = readIngredient(text);
                      return <span className={read.unclear ? "text-saffron-ink" : "text-quiet"}>{read.unclear ?? said(read)}</span>;
                    }}
                  />
                </div>
                <button
                  type="button"
                  className="link shrink-0 text-[13px]"
                  aria-expanded={open === i.id}
                  onClick={() => setOpen(open === i.id ? undefined : i.id)}
                >
                  {open === i.id ? "close" : instead.length ? INGREDIENT_LIST.cantGetThis : "more"}
                  <span className="sr-only">: {i.name}</span>
                </button>
                <button
                  type="button"
                  aria-label={INGREDIENT_LIST.remove(i.name)}
                  title={INGREDIENT_LIST.remove(i.name)}
                  className="inline-flex size-7 shrink-0 cursor-pointer items-center justify-center text-quiet hover:text-rim"
                  onClick={() => put(i, "removed", () => undefined)}
                >
                  <Trash2 size={15} />
                </button>
              </div>
              {!i.leftOut && <TakenFor ingredient={i} put={(label, change) => put(i, label, change)} onChoose={() => setOpen(i.id)} />}
              {(i.standsFor || i.leftOut) && (
                <p className="flex flex-wrap gap-x-3 text-[13px]">
                  <span className="text-saffron-ink">
                    {i.leftOut
                      ? INGREDIENT_LIST.leftOut
                      : INGREDIENT_LIST.insteadOf(
                          i.standsFor?.name,
                          i.standsFor?.quality !== undefined ? `, ${Math.round(i.standsFor.quality * 100)} % as good` : "",
                        )}{" "}
                    {i.standsFor ? i.note : ""}
                  </span>
                  <button
                    type="button"
                    className="link"
                    onClick={() => edit(INGREDIENT_LIST.again(i.standsFor?.name ?? i.name), (d) => restoreIngredient(d, place, i.id))}
                  >
                    {i.standsFor ? INGREDIENT_LIST.againNamed(i.standsFor.name) : INGREDIENT_LIST.putBack}
                  </button>
                </p>
              )}
              {open === i.id && (
                <div className="my-2 border-l-[3px] border-rule pl-4">
                  {instead.length > 0 && (
                    <fieldset>
                      <legend className="caps">{INGREDIENT_LIST.ifYouCantGetIt}</legend>
                      <ul className="text-[13.5px]">
                        {instead.map((s) => (
                          <li key={s.name} className="flex items-baseline justify-between gap-3 py-0.5">
                            <span>
                              <b className="font-semibold">{s.name}</b>
                              {s.amount ? `, ${amountWords(s.amount)}` : ""}, {Math.round(s.quality * 100)} {INGREDIENT_LIST.asGood}{" "}
                              <span className={s.caution ? "text-beet" : "text-quiet"}>{s.also}</span>
                            </span>
                            <button
                              type="button"
                              className="link shrink-0"
                              onClick={() =>
                                edit(INGREDIENT_LIST.insteadOfNamed(s.name, i.standsFor?.name ?? i.name), (d) =>
                                  putInstead(d, place, i.id, s),
                                )
                              }
                            >
                              {INGREDIENT_LIST.useThis}
                            </button>
                          </li>
                        ))}
                      </ul>
                    </fieldset>
                  )}
                  {!i.leftOut && (
                    <button
                      type="button"
                      className="link text-[13.5px]"
                      onClick={() => edit(INGREDIENT_LIST.leftOutNamed(i.name), (d) => leaveOutIngredient(d, place, i.id))}
                    >
                      {INGREDIENT_LIST.leaveItOut}
                    </button>
                  )}
                  <ChooseFood ingredient={i} steps={method.steps} put={(label, change) => put(i, label, change)} />
                  <div className="pt-2">
                    <Fields
                      fields={FIELDS}
                      value={i}
                      of={i.name}
                      onProblem={onProblem}
                      onChange={(key, value, label) =>
                        put(i, label.toLowerCase(), (x) => {
                          const { [key]: _, ...rest } = x;
                          return (value === undefined ? rest : { ...x, [key]: value }) as DishIngredient;
                        })
                      }
                    />
                  </div>
                </div>
              )}
            </li>
          );
        })}
      </ul>
      <div className="flex items-start gap-2 border-t border-rule pt-2">
        <div className="min-w-0 flex-1">
          <input
            ref={box}
            type="text"
            aria-label={INGREDIENT_LIST.addAnIngredient}
            value={line}
            onChange={(e) => setLine(e.target.value)}
            onKeyDown={(e) => e.key === "Enter" && add()}
            placeholder={INGREDIENT_LIST.example}
            spellCheck={false}
            autoComplete="off"
            className="field w-full text-[14px]"
          />
          <p className="text-[12.5px] text-quiet" aria-live="polite">
            {line.trim() === "" ? "" : (readIngredient(line).unclear ?? said(readIngredient(line)))}
          </p>
        </div>
        <button type="button" className="act" onClick={add} disabled={line.trim() === ""}>
          {INGREDIENT_LIST.add}
        </button>
      </div>
    </div>
  );
}

const lineOf = (i: DishIngredient): string =>
  [
    i.amount && amountWords(i.amount),
    i.name,
    i.note && !i.standsFor && `, ${i.note}`,
    i.asNeeded && !i.amount && !/to taste|as needed|for /.test(i.note ?? "") && INGREDIENT_LIST.asNeeded,
  ]
    .filter(Boolean)
    .join(" ")
    .replace(" ,", ",");

const said = (read: ReturnType<typeof readIngredient>): string =>
  [
    read.asNeeded ? INGREDIENT_LIST.toTasteInText : read.amount ? amountWords(read.amount) : "",
    INGREDIENT_LIST.ofIt(read.name),
    read.note && `(${read.note})`,
    read.optional && "optional",
  ]
    .filter(Boolean)
    .join(" ");

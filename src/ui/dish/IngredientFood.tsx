"use client";
import { useId, useState } from "react";
import type { DishIngredient } from "@/core/dish/edit/places";
import { foodsNamed, understand } from "@/core/foods/match";
import { FOODS, type Food } from "@/core/foods/table";
import { INGREDIENT_FOOD } from "@/words/editor";
import { foodClassWords } from "@/words/foods";
import { Choice } from "../shell/Choice";

type Put = (label: string, change: (i: DishIngredient) => DishIngredient) => void;

const withFood = (food: string | undefined) => (i: DishIngredient) => {
  const { food: _, ...rest } = i;
  return (food === undefined ? rest : { ...rest, food }) as DishIngredient;
};

/** What an ingredient was understood as, where its name leaves room for doubt or a danger hangs on it; put right with one press. */
export function TakenFor({ ingredient, put, onChoose }: { ingredient: DishIngredient; put: Put; onChoose: () => void }) {
  const food = understand(ingredient.name, ingredient.food);
  if (!food)
    return (
      <p className="text-[12.5px] text-saffron-ink">
        {INGREDIENT_FOOD.whichFoodIsThisThe}{" "}
        <button type="button" className="link" onClick={onChoose}>
          {INGREDIENT_FOOD.chooseFood}
          <span className="sr-only">: {ingredient.name}</span>
        </button>
      </p>
    );
  if (ingredient.food === undefined && food.confidence >= 0.8) return null;
  const others = foodsNamed(ingredient.name).filter((f) => f.food !== food.food);
  return (
    <p className="flex flex-wrap gap-x-3 text-[12.5px] text-quiet">
      <span>
        {INGREDIENT_FOOD.understoodAs} <b className="font-semibold">{food.phrase}</b> ({foodClassWords(food.class)})
      </span>
      {ingredient.food === undefined ? (
        others.slice(0, 2).map((o) => (
          <button
            key={o.food.id}
            type="button"
            className="link"
            onClick={() => put(INGREDIENT_FOOD.understoodAsPhrase(o.phrase), withFood(o.food.id))}
          >
            {INGREDIENT_FOOD.no} {o.phrase}
          </button>
        ))
      ) : (
        <button type="button" className="link" onClick={() => put(INGREDIENT_FOOD.readByItsName, withFood(undefined))}>
          {INGREDIENT_FOOD.readItsNameAgain}
        </button>
      )}
    </p>
  );
}

const SHOWN = 6;
/** Foods whose names begin with what is typed, and then those that hold it. */
function suggested(text: string): readonly (readonly [name: string, food: Food])[] {
  const wanted = text.trim().toLowerCase();
  if (wanted.length < 2) return [];
  const named = FOODS.flatMap((f) => f.names.map((n) => [n, f] as const));
  const begins = named.filter(([n]) => n.startsWith(wanted));
  const holds = named.filter(([n]) => !n.startsWith(wanted) && n.includes(wanted));
  return [...begins.sort((a, b) => a[0].length - b[0].length), ...holds].slice(0, SHOWN);
}

interface ChooseFoodProps {
  readonly ingredient: DishIngredient;
  readonly steps: readonly { readonly id: string; readonly name?: string | undefined }[];
  readonly put: Put;
}

/** Says which food an ingredient is, and at which step it comes in. */
export function ChooseFood({ ingredient, steps, put }: ChooseFoodProps) {
  const [text, setText] = useState("");
  const id = useId();
  const food = understand(ingredient.name, ingredient.food);
  const found = suggested(text);
  return (
    <div className="pt-2 text-[13.5px]">
      <div className="flex flex-wrap items-baseline gap-x-3">
        <label htmlFor={`${id}f`} className="text-quiet">
          {INGREDIENT_FOOD.thisFoodIs}
        </label>
        <input
          id={`${id}f`}
          type="text"
          className="field w-44"
          value={text}
          placeholder={food?.phrase ?? INGREDIENT_FOOD.suchAsGroundBeef}
          autoComplete="off"
          spellCheck={false}
          onChange={(e) => setText(e.target.value)}
        />
        <span className="text-quiet">{food ? foodClassWords(food.class) : INGREDIENT_FOOD.notKnown}</span>
      </div>
      {found.length > 0 && (
        <ul aria-label={INGREDIENT_FOOD.foodsByThatName} className="flex flex-wrap gap-x-4 py-0.5">
          {found.map(([name, f]) => (
            <li key={name}>
              <button
                type="button"
                className="link"
                onClick={() => {
                  put(INGREDIENT_FOOD.understoodAsFood(name), withFood(f.id));
                  setText("");
                }}
              >
                {name}
              </button>
            </li>
          ))}
        </ul>
      )}
      <div className="flex flex-wrap items-baseline gap-x-3 pt-1">
        <label htmlFor={`${id}s`} className="text-quiet">
          {INGREDIENT_FOOD.addedInStep}
        </label>
        <Choice
          id={`${id}s`}
          label={INGREDIENT_FOOD.addedInStep}
          value={ingredient.step ?? ""}
          none={INGREDIENT_FOOD.theFirstStepThatNamesIt}
          options={steps.map((s) => [s.id, s.name ?? s.id])}
          onChange={(step) =>
            put(step === "" ? INGREDIENT_FOOD.atTheStepThatNamesIt : INGREDIENT_FOOD.itsStep, (i) => {
              const { step: _, ...rest } = i;
              return (step === "" ? rest : { ...rest, step }) as DishIngredient;
            })
          }
        />
      </div>
    </div>
  );
}

"use client";
import { useMemo, useState } from "react";
import { CalculationError } from "@/core/measures/calculation-error";
import { compareCooling } from "@/core/measures/heat/compare-cooling";
import { FOOD } from "@/core/measures/heat/foods";
import { iceBathIce } from "@/core/measures/heat/ice";
import { typedFigure } from "@/core/measures/typed-figure";

/** Foods of the table that stand in pots, as a cook calls them. */
const FOODS: readonly (readonly [key: string, name: string])[] = [
  ["waterStock", "Stock or broth"],
  ["gelledStock", "Stock that sets"],
  ["thinSauce", "Thin sauce or soup"],
  ["thickSauce", "Thick sauce"],
  ["pulseStew", "Beans or stew"],
  ["milkCream", "Milk or cream"],
  ["mash", "Mash or purée"],
  ["cookedRice", "Cooked rice"],
];

const WAYS: Readonly<Record<string, string>> = {
  potCounterThenFridge: "On the counter to 60 °C, then the fridge",
  potFridgeAtOnce: "Into the fridge at once",
  coldWaterThenFridge: "A tub of tap water, then the fridge",
  iceBathStill: "Ice bath, left standing",
  iceBathStirred: "Ice bath, both stirred",
  iceAsRecipeWater: "A quarter of its water put in as ice, then the fridge",
  trays5cmFridge: "Trays 5 cm deep, open, still fridge",
  trays5cmFridgeFan: "Trays 5 cm deep, open, fridge with a fan",
  "trays2.5cmFridge": "Trays 2.5 cm deep, open, still fridge",
  "trays2.5cmFridgeFan": "Trays 2.5 cm deep, open, fridge with a fan",
};

const VERDICTS: Readonly<Record<string, string>> = {
  ok: "in time",
  fail1: "too slow to 21 °C",
  fail2: "too slow to 5 °C",
};

const START = { volume: "6 L", pot: "26 cm", hot: "95", fridge: "3.5" };
type Typed = typeof START;

/** Minutes as a cook says them, rounded up as far as they can be trusted. */
function said(minutes: number | null): string {
  if (minutes === null) return "never";
  if (minutes < 1) return "at once";
  if (minutes < 120) return `${Math.ceil(minutes / 5) * 5} min`;
  const quarters = Math.ceil(minutes / 15);
  const [hours, rest] = [Math.floor(quarters / 4), (quarters % 4) * 15];
  return rest ? `${hours} h ${rest}` : `${hours} h`;
}

function computed(typed: Typed, food: string, stirred: boolean) {
  try {
    const volumeL = typedFigure("How much", typed.volume, "L", 0.2, 40);
    const potDiameterCm = typedFigure("Pot", typed.pot, "cm", 5, 60);
    const startC = typedFigure("Hot", typed.hot, "C", 60, 100);
    const fridgeC = typedFigure("Fridge", typed.fridge, "C", 0, 10);
    const { rows } = compareCooling({ volumeL, food, potDiameterCm, startC, fridgeC, stirred });
    const { rho, cp } = FOOD[food] as (typeof FOOD)[string];
    const iceKg = iceBathIce({ massKg: (volumeL * rho) / 1000, cp, t0: startC, t1: 5 }).value * 1.15;
    return { rows, iceKg, fridgeC };
  } catch (error) {
    if (error instanceof CalculationError) return { wrong: error.message };
    throw error;
  }
}

/** Ten ways of cooling one pot, reckoned anew at every figure typed. */
export function CoolingBench() {
  const [typed, setTyped] = useState<Typed>(START);
  const [food, setFood] = useState("waterStock");
  const [stirred, setStirred] = useState(true);
  const got = useMemo(() => computed(typed, food, stirred), [typed, food, stirred]);
  const field = (key: keyof Typed, label: string, hint: string) => (
    <label className="block text-[14px]">
      {label}
      <input
        className="field clock mt-1 block w-full"
        value={typed[key]}
        onChange={(e) => setTyped({ ...typed, [key]: e.target.value })}
        aria-describedby={`cooling-${key}`}
      />
      <span id={`cooling-${key}`} className="text-[12.5px] text-quiet">
        {hint}
      </span>
    </label>
  );
  return (
    <div className="grid gap-8 md:grid-cols-[15rem_1fr]">
      <form className="flex flex-col gap-3" onSubmit={(e) => e.preventDefault()} aria-label="The pot">
        <label className="block text-[14px]">
          What it is
          <select className="field mt-1 block w-full" value={food} onChange={(e) => setFood(e.target.value)}>
            {FOODS.map(([key, name]) => (
              <option key={key} value={key}>
                {name}
              </option>
            ))}
          </select>
        </label>
        {field("volume", "How much", "litres; 5 qt or 3000 mL too")}
        {field("pot", "Pot, across", "cm; 10 in too")}
        {field("hot", "How hot it is now", "°C; 200F too")}
        {field("fridge", "The fridge, measured", "°C")}
        <label className="flex items-center gap-2 text-[14px]">
          <input type="checkbox" checked={stirred} onChange={(e) => setStirred(e.target.checked)} />I stir it now and then
        </label>
      </form>
      <section aria-label="Ways of cooling it" aria-live="polite" className="min-w-0">
        {"wrong" in got ? (
          <p role="alert" className="border-l-[3px] border-beet pl-3 text-[14px]">
            {got.wrong}
          </p>
        ) : (
          <Ways {...got} />
        )}
      </section>
    </div>
  );
}

type Rows = ReturnType<typeof compareCooling>["rows"];

function Ways({ rows, iceKg, fridgeC }: { readonly rows: Rows; readonly iceKg: number; readonly fridgeC: number }) {
  const inTime = rows.filter((r) => r.verdict === "ok");
  const best = [...inTime].sort((a, b) => (a.t5Min ?? 0) - (b.t5Min ?? 0))[0];
  return (
    <>
      <p className="mb-3 font-serif text-[19px]">
        {best
          ? `Quickest: ${(WAYS[best.method] ?? best.method).toLowerCase()}, ${said(best.t21Min)} to 21 °C and ${said(best.t5Min)} to 5 °C.`
          : "None of these is quick enough. Divide it into flatter trays, or stir it in ice."}
      </p>
      <table className="w-full text-[14px]">
        <caption className="sr-only">Ten ways of cooling this pot, from the end of cooking</caption>
        <thead>
          <tr className="text-left text-quiet">
            <th scope="col" className="py-1 pr-3 font-normal">
              Way
            </th>
            <th scope="col" className="py-1 pr-3 text-right font-normal">
              to 21 °C
            </th>
            <th scope="col" className="py-1 pr-3 text-right font-normal">
              to 5 °C
            </th>
            <th scope="col" className="py-1 font-normal">
              By the two stages
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map((r) => (
            <tr key={r.method} className="border-t border-rule">
              <th scope="row" className="py-1.5 pr-3 text-left font-normal">
                {WAYS[r.method] ?? r.method}
              </th>
              <td className="clock py-1.5 pr-3 text-right whitespace-nowrap">{said(r.t21Min)}</td>
              <td className="clock py-1.5 pr-3 text-right whitespace-nowrap">{said(r.t5Min)}</td>
              <td className={`py-1.5 ${r.verdict === "ok" ? "font-semibold text-leaf" : "text-beet"}`}>
                {VERDICTS[r.verdict] ?? r.verdict}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="mt-4 flex max-w-[44rem] flex-col gap-2 text-[14px]">
        <p>The ice bath takes about {iceKg.toFixed(1)} kg of ice. Tap water first, down to 30 °C or so, halves that.</p>
        {fridgeC >= 5 && (
          <p className="border-l-[3px] border-beet pl-3">
            A fridge at {fridgeC} °C never brings food to 5 °C. Set it colder before you count on it.
          </p>
        )}
        <p className="text-quiet">
          In time: from 57 to 21 °C within 2 hours, and to 5 °C within 6 in all, by the slowest point (FDA Food Code 2022, 3-501.14). These
          are estimates for planning; a thermometer in the middle of the pot decides, and local codes come first.
        </p>
        <details className="text-quiet">
          <summary className="cursor-pointer">How this is reckoned</summary>
          <p className="mt-1">
            What is thin or stirred has one temperature and loses it by its walls and, open, by steam. What is thick and stands still cools
            from its middle by conduction in one dimension, which leaves the ends out and errs on the slow side. Room 21 °C, tap 14 °C, ice
            bath 1 °C. Sources: Incropera 2007; Crank and Nicolson 1947; ASHRAE Refrigeration 2018.
          </p>
        </details>
      </div>
    </>
  );
}

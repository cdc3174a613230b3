"use client";
// Metric or United States measures, chosen once: a cookie, read by the server, so that no page shows the other one first.
import { useRouter } from "next/navigation";
import { createContext, type ReactNode, useContext } from "react";
import type { Units } from "@/core/bench/quantity";

const Chosen = createContext<Units>("metric");
export const UnitsGiven = ({ units, children }: { readonly units: Units; readonly children: ReactNode }) => (
  <Chosen.Provider value={units}>{children}</Chosen.Provider>
);
export const useUnits = (): Units => useContext(Chosen);

const CHOICES: readonly (readonly [Units, string])[] = [
  ["metric", "metric, °C"],
  ["us", "US, °F"],
];

export function UnitsChoice() {
  const units = useUnits();
  const router = useRouter();
  const choose = (value: Units) => {
    // biome-ignore lint/suspicious/noDocumentCookie: one cookie, read by the server so that no page flashes in the other units
    document.cookie = `units=${value}; path=/; max-age=31536000; samesite=strict`;
    router.refresh();
  };
  return (
    <fieldset className="flex items-center gap-3 text-[13.5px]">
      <legend className="sr-only">Units</legend>
      {CHOICES.map(([value, label]) => (
        <label key={value} className="flex cursor-pointer items-center gap-1.5">
          <input type="radio" name="units" className="accent-(--rim)" checked={units === value} onChange={() => choose(value)} />
          {label}
        </label>
      ))}
    </fieldset>
  );
}

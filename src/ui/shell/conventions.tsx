"use client";
// Units, clock, calendar and decimal mark, chosen once: a cookie, read by the server, so that no page shows the others first.
import { createContext, type ReactNode, useCallback, useContext } from "react";
import type { Units } from "@/core/bench/quantity";
import { type Conventions, METRIC_24 } from "@/core/spoken/conventions";
import { inConventions, inFigures } from "@/core/spoken/in-conventions";

const Chosen = createContext<Conventions>(METRIC_24);
export const ConventionsGiven = ({ value, children }: { readonly value: Conventions; readonly children: ReactNode }) => (
  <Chosen.Provider value={value}>{children}</Chosen.Provider>
);
export const useConventions = (): Conventions => useContext(Chosen);
export const useUnits = (): Units => useContext(Chosen).units;

/** Says a text of the core as this cook reads it. */
export function useSpoken(): (text: string) => string {
  const chosen = useConventions();
  return useCallback((text: string) => inConventions(text, chosen), [chosen]);
}

/** A text of the core as this cook reads it. */
export const Spoken = ({ children }: { readonly children: string }) => <>{inConventions(children, useConventions())}</>;

/** Says a sentence or figure of the Bench as this cook reads it. */
export function useFigures(): (text: string) => string {
  const chosen = useConventions();
  return useCallback((text: string) => inFigures(text, chosen), [chosen]);
}

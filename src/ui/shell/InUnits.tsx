"use client";
import { inUnits } from "@/core/bench/in-units";
import { useUnits } from "./units";

/** A text whose temperatures are those of the reader. */
export const InUnits = ({ children }: { readonly children: string }) => <>{inUnits(children, useUnits())}</>;

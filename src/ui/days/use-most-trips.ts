"use client";
// How many trips a list has: chosen here, kept for every device; as it was where the server refuses.
import { useState } from "react";
import { toast } from "sonner";
import { ask, reason } from "../shell/ask";

/** @param list the dish's short name, or "all". @param stored undefined: as many as keep everything fresh */
export function useMostTrips(list: string, stored: number | undefined) {
  const [most, setMost] = useState(stored);
  const choose = async (next: number | undefined) => {
    const before = most;
    setMost(next);
    const got = await ask("/api/trips", "POST", { list, most: next ?? null });
    if (got.ok) return;
    setMost(before);
    toast(reason(got));
  };
  return { most, choose };
}

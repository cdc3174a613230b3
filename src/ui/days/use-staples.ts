"use client";
// What this house always has: on no list, until it is put there again. Shown at once, and as it was where the server refuses.
import { useState } from "react";
import { toast } from "sonner";
import { ask, reason } from "../shell/ask";

export function useStaples(stored: readonly string[]) {
  const [staples, setStaples] = useState<ReadonlySet<string>>(new Set(stored));
  const setStaple = async (name: string, always: boolean) => {
    const before = staples;
    const after = new Set(before);
    if (always) after.add(name.toLowerCase());
    else after.delete(name.toLowerCase());
    setStaples(after);
    const got = await ask("/api/staples", "POST", { name, always });
    if (got.ok) return;
    setStaples(before);
    toast(reason(got));
  };
  return { isStaple: (name: string) => staples.has(name.toLowerCase()), setStaple };
}

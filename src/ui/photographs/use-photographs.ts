"use client";
// Photographs on their way to the record: one after the other, each safe before the next is sent.
import { useState } from "react";
import { PHOTOGRAPHS } from "@/words/photographs";
import { ask, reason } from "../shell/ask";

/**
 * @param run a run that is over; without it the one that is open
 * @param step at which they were taken
 */
export function usePhotographs(slug: string, { run, step }: { readonly run?: string; readonly step?: string }, onKept: () => void) {
  const [left, setLeft] = useState(0);
  const [trouble, setTrouble] = useState<string>();
  const add = async (files: readonly File[]) => {
    setTrouble(undefined);
    setLeft(files.length);
    for (const [i, file] of files.entries()) {
      const query = new URLSearchParams({ key: crypto.randomUUID(), ...(run ? { run } : {}), ...(step ? { step } : {}) });
      const answer = await ask(`/api/dishes/${slug}/photographs?${query}`, "POST", file);
      if (!answer.ok) {
        setTrouble(PHOTOGRAPHS.notKept(file.name, reason(answer)));
        break;
      }
      setLeft(files.length - i - 1);
    }
    setLeft(0);
    onKept();
  };
  return { add, left, trouble };
}

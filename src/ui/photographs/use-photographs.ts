"use client";
// Photographs on their way to the record: one after the other, each safe before the next is sent.
import { useState } from "react";
import { PHOTOGRAPHS } from "@/words/photographs";
import { ask, reason } from "../shell/ask";

/**
 * @param to the address that takes them
 * @param about what they are of, for the server
 */
export function usePhotographs(to: string, about: Readonly<Record<string, string>>, onKept: () => void) {
  const [left, setLeft] = useState(0);
  const [trouble, setTrouble] = useState<string>();
  const add = async (files: readonly File[]) => {
    setTrouble(undefined);
    setLeft(files.length);
    for (const [i, file] of files.entries()) {
      const query = new URLSearchParams({ key: crypto.randomUUID(), ...about });
      const answer = await ask(`${to}?${query}`, "POST", file);
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

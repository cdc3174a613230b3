// What was typed into the kitchen's form and is not saved yet is there again after leaving the page.
import { useEffect, useRef } from "react";
import type { UseFormReturn } from "react-hook-form";
import type { KitchenValues } from "./kitchen-form";

const key = (of: string) => `kitchen-draft ${of}`;

/** @param of the kitchen's version: a draft of an older one is no longer offered */
export function useKitchenDraft(form: UseFormReturn<KitchenValues>, of: string): { readonly drop: () => void; readonly close: () => void } {
  /** The version whose changes were saved: what the form still reports of it is no draft. */
  const closed = useRef<string>(undefined);
  useEffect(() => {
    if (closed.current !== of) closed.current = undefined;
    const kept = localStorage.getItem(key(of));
    if (kept) {
      try {
        form.reset(JSON.parse(kept) as KitchenValues, { keepDefaultValues: true });
      } catch {
        localStorage.removeItem(key(of));
      }
    }
    return form.subscribe({
      formState: { values: true, isDirty: true },
      callback: ({ values, isDirty }) => {
        if (isDirty && closed.current !== of) localStorage.setItem(key(of), JSON.stringify(values));
        else localStorage.removeItem(key(of));
      },
    });
  }, [form, of]);
  const drop = () => localStorage.removeItem(key(of));
  return {
    drop,
    close: () => {
      closed.current = of;
      drop();
    },
  };
}

// Whether the window is as narrow as a phone. Unknown until the page is there: until then styles alone decide.
import { useSyncExternalStore } from "react";

const PHONE = "(max-width: 767px)";

function subscribe(changed: () => void): () => void {
  const query = window.matchMedia?.(PHONE);
  query?.addEventListener("change", changed);
  return () => query?.removeEventListener("change", changed);
}

/** @returns undefined while the page comes from the server */
export const useNarrow = (): boolean | undefined =>
  useSyncExternalStore<boolean | undefined>(
    subscribe,
    () => window.matchMedia?.(PHONE).matches ?? false,
    () => undefined,
  );

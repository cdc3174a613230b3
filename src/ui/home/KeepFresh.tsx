"use client";
// Home tells what is now: it looks again every half minute, sooner while plans are being made, and not at all behind another window.
import { useRouter } from "next/navigation";
import { useEffect, useRef } from "react";

const USUAL_MS = 30_000;
const SOON_MS = 3_000;
const MOST_SOON = 20;

export function KeepFresh({ soon }: { readonly soon: boolean }) {
  const router = useRouter();
  const looks = useRef(0);
  useEffect(() => {
    const look = () => document.visibilityState === "visible" && router.refresh();
    // A dish that nobody plans is not waited for.
    const hurry = soon && looks.current < MOST_SOON;
    const timer = setInterval(
      () => {
        looks.current++;
        look();
      },
      hurry ? SOON_MS : USUAL_MS,
    );
    document.addEventListener("visibilitychange", look);
    return () => {
      clearInterval(timer);
      document.removeEventListener("visibilitychange", look);
    };
  });
  return null;
}

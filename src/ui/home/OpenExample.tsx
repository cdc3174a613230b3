"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { EMPTY_HOME } from "@/words/home";
import { ask, reason } from "../shell/ask";

/** Puts the example dishes into an empty house. */
export function OpenExample() {
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const [wrong, setWrong] = useState<string>();
  return (
    <>
      <button
        type="button"
        className="flex min-h-12 w-full cursor-pointer flex-wrap items-baseline gap-x-3 border-b border-rule py-2.5 text-left hover:bg-saffron-wash"
        disabled={busy}
        onClick={async () => {
          setBusy(true);
          const got = await ask("/api/example", "POST", {});
          if (got.ok) router.refresh();
          else {
            setBusy(false);
            setWrong(reason(got));
          }
        }}
      >
        <span className="font-serif text-[21px] font-semibold text-rim">{busy ? EMPTY_HOME.filling : EMPTY_HOME.example}</span>
        <span className="text-[14px] text-quiet">{EMPTY_HOME.exampleHint}</span>
      </button>
      {wrong && (
        <p role="alert" className="text-[14px] text-beet">
          {wrong}
        </p>
      )}
    </>
  );
}

"use client";
// Home says of backups only what is wrong with them.
import { useRouter } from "next/navigation";
import { useState } from "react";
import { HOME } from "@/words/home";
import { ask, reason } from "../shell/ask";

export function BackupNote({ none }: { readonly none: boolean }) {
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const [wrong, setWrong] = useState<string>();
  return (
    <p role="alert" className="mb-5 flex flex-wrap items-center gap-x-4 border-l-[3px] border-beet py-1 pl-3 text-[14.5px]">
      {none ? HOME.backupNone : HOME.backupOld}
      <button
        type="button"
        className="link min-h-9"
        disabled={busy}
        onClick={async () => {
          setBusy(true);
          const got = await ask("/api/backup", "POST", {});
          setBusy(false);
          setWrong(got.ok ? undefined : reason(got));
          router.refresh();
        }}
      >
        {HOME.backupNow}
      </button>
      {wrong && <span className="text-beet">{wrong}</span>}
    </p>
  );
}

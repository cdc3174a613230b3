"use client";
import { useRouter } from "next/navigation";
import { useId, useState } from "react";
import { useDropzone } from "react-dropzone";
import { toast } from "sonner";
import { type Conventions, mannerOf } from "@/core/spoken/conventions";
import { spokenInstant } from "@/core/time/wall-clock";
import { BACKUP, BACKUPS } from "@/words/backup";
import { type Answer, ask, reason } from "./ask";
import { ConfirmDialog } from "./ConfirmDialog";
import { useConventions } from "./conventions";

interface BackupsProps {
  readonly directory: string;
  readonly newest: { readonly name: string; readonly at: string } | undefined;
  readonly old: boolean;
  readonly second: { readonly directory: string } | "none" | undefined;
  readonly replaced: readonly string[];
}

/** An instant by this browser's clock, as its cook reads it. */
function saidBy(c: Conventions, at: string): string {
  const date = new Date(at);
  return spokenInstant(new Date(date.getTime() - date.getTimezoneOffset() * 60_000).toISOString(), mannerOf(c));
}

/** The moment in the name of what a restore has replaced; the name where it holds none. */
function replacedOf(name: string, saidOf: (at: string) => string): string {
  const [, day, hours, minutes] = /(\d{4}-\d\d-\d\d)T(\d\d)-(\d\d)/.exec(name) ?? [];
  return day ? saidOf(`${day}T${hours}:${minutes}:00Z`) : name;
}

/** When everything was last backed up, and what can be done about it. */
export function Backups({ directory, newest, old, second, replaced }: BackupsProps) {
  const router = useRouter();
  const conventions = useConventions();
  const saidOf = (at: string) => saidBy(conventions, at);
  const replacedAt = (name: string) => replacedOf(name, saidOf);
  const [busy, setBusy] = useState(false);
  const [wrong, setWrong] = useState<string>();
  const [place, setPlace] = useState("");
  const [chosen, setChosen] = useState<File>();
  const [unwanted, setUnwanted] = useState<string>();
  const chooser = useDropzone({
    accept: { "application/zip": [".zip"] },
    multiple: false,
    noDrag: true,
    onDrop: ([file]) => setChosen(file),
  });
  const label = useId();
  const send = async (work: () => Promise<Answer>, done: (answer: Answer) => void) => {
    setBusy(true);
    setWrong(undefined);
    const got = await work();
    setBusy(false);
    if (got.ok) done(got);
    else setWrong(reason(got));
    router.refresh();
  };
  const restore = async (backup: File): Promise<Answer> => {
    const response = await fetch("/api/backup/restore", { method: "POST", body: backup, headers: { "content-type": "application/zip" } });
    return { ok: response.ok, status: response.status, body: await response.json() };
  };
  return (
    <section aria-label={BACKUP.heading} className="text-[14px]">
      <h2 className="caps mb-1 font-sans font-normal">{BACKUP.heading}</h2>
      <div className="border-t border-rule pt-2">
        {old && (
          <p role="alert" className="mb-2 border-l-[3px] border-beet pl-3 font-medium">
            {BACKUP.old}
          </p>
        )}
        <p suppressHydrationWarning>{newest ? BACKUP.newest(saidOf(newest.at)) : BACKUP.none}</p>
        <p className="break-words text-quiet">{BACKUP.daily(directory)}</p>
        {second && second !== "none" && <p className="break-words text-quiet">{BACKUP.chosen(second.directory)}</p>}
        {replaced.map((name) => (
          <p key={name} className="text-quiet" suppressHydrationWarning>
            {BACKUP.kept(replacedAt(name))}{" "}
            <button type="button" className="link" disabled={busy} onClick={() => setUnwanted(name)}>
              {BACKUP.deleteKept}
            </button>
          </p>
        ))}
        <div className="flex flex-wrap gap-x-4 gap-y-2 py-3">
          <button
            type="button"
            className="act"
            disabled={busy}
            onClick={() =>
              void send(
                () => ask("/api/backup", "POST", {}),
                () => toast(BACKUP.made),
              )
            }
          >
            {BACKUP.now}
          </button>
          <a className="link self-center" href="/api/backup" download>
            {BACKUP.download}
          </a>
          <button type="button" className="link" disabled={busy} onClick={chooser.open}>
            {BACKUP.restore}
          </button>
          <input {...chooser.getInputProps({ "aria-label": BACKUP.restore })} />
        </div>
        {wrong && (
          <p role="alert" className="border-l-[3px] border-beet pl-3 text-beet">
            {wrong}
          </p>
        )}
        {newest && second === undefined && (
          <form
            className="border-t border-rule py-2"
            onSubmit={(event) => {
              event.preventDefault();
              void send(
                () => ask("/api/backup/place", "POST", { directory: place.trim() }),
                () => setPlace(""),
              );
            }}
          >
            <p>{BACKUP.sameDisk}</p>
            <label htmlFor={label} className="block pt-2 text-[13.5px]">
              {BACKUP.place}
            </label>
            <input
              id={label}
              value={place}
              placeholder={BACKUPS.mediaUsbRondeau}
              className="w-full rounded border border-rule bg-raised px-2 py-1.5"
              onChange={(event) => setPlace(event.target.value)}
            />
            <div className="flex flex-wrap gap-4 pt-2">
              <button type="submit" className="act" disabled={busy || !place.trim()}>
                {BACKUP.choose}
              </button>
              <button
                type="button"
                className="link"
                disabled={busy}
                onClick={() =>
                  void send(
                    () => ask("/api/backup/place", "POST", { none: true }),
                    () => {},
                  )
                }
              >
                {BACKUP.decline}
              </button>
            </div>
          </form>
        )}
      </div>
      <ConfirmDialog
        title={BACKUP.confirm(chosen?.name ?? "")}
        text={BACKUP.confirmText}
        cancel={BACKUP.cancel}
        open={chosen !== undefined}
        onClose={() => setChosen(undefined)}
        action={
          <button
            type="button"
            className="act"
            data-main
            onClick={() => {
              const backup = chosen;
              setChosen(undefined);
              if (backup)
                void send(
                  () => restore(backup).catch(() => ({ ok: false, status: 0, body: { message: BACKUPS.theKitchensServerDoesNotAnswer } })),
                  (got) => toast(BACKUP.restored(saidOf(String((got.body.value as { madeAt?: unknown })?.madeAt)))),
                );
            }}
          >
            {BACKUP.confirmDo}
          </button>
        }
      />
      <ConfirmDialog
        title={BACKUP.confirmDelete}
        text={BACKUP.confirmDeleteText(replacedAt(unwanted ?? ""))}
        cancel={BACKUP.cancel}
        open={unwanted !== undefined}
        onClose={() => setUnwanted(undefined)}
        action={
          <button
            type="button"
            className="act"
            data-main
            onClick={() => {
              const name = unwanted;
              setUnwanted(undefined);
              void send(
                () => ask("/api/backup/replaced", "DELETE", { name }),
                () => toast(BACKUP.deleted),
              );
            }}
          >
            {BACKUP.deleteKept}
          </button>
        }
      />
    </section>
  );
}

"use client";
import { useRouter } from "next/navigation";
import { AlertDialog } from "radix-ui";
import { useId, useState } from "react";
import { toast } from "sonner";
import { DELETE_DISH } from "@/words/delete-dish";
import { ask, reason } from "../shell/ask";

/** Deletes a dish on purpose: its name is typed first. */
export function DeleteDish({ slug, name }: { readonly slug: string; readonly name: string }) {
  const router = useRouter();
  const [typed, setTyped] = useState("");
  const [wrong, setWrong] = useState<string>();
  const [busy, setBusy] = useState(false);
  const label = useId();
  const remove = async () => {
    setBusy(true);
    const got = await ask(`/api/dishes/${slug}`, "DELETE", { name: typed });
    setBusy(false);
    if (!got.ok) return setWrong(reason(got));
    toast(DELETE_DISH.done(String((got.body.value as { archive?: unknown })?.archive)));
    router.push("/");
  };
  return (
    <AlertDialog.Root>
      <AlertDialog.Trigger asChild>
        <button type="button" className="link text-[14px]">
          {DELETE_DISH.open}
        </button>
      </AlertDialog.Trigger>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-40 bg-black/40" />
        <AlertDialog.Content className="-translate-x-1/2 fixed top-[20vh] left-1/2 z-50 w-[min(30rem,calc(100vw-2rem))] rounded border border-rim bg-raised p-5">
          <AlertDialog.Title className="break-words text-[20px]">{DELETE_DISH.title(name)}</AlertDialog.Title>
          <AlertDialog.Description className="py-2">{DELETE_DISH.text}</AlertDialog.Description>
          <label htmlFor={label} className="block text-[14px]">
            {DELETE_DISH.label}
          </label>
          <input
            id={label}
            value={typed}
            autoComplete="off"
            className="field mt-1 w-full"
            onChange={(event) => {
              setTyped(event.target.value);
              setWrong(undefined);
            }}
          />
          {wrong && (
            <p role="alert" className="pt-2 text-beet">
              {wrong}
            </p>
          )}
          <div className="flex gap-4 pt-4">
            <button type="button" className="act" disabled={busy || typed.trim() !== name.trim()} onClick={() => void remove()}>
              {DELETE_DISH.confirm}
            </button>
            <AlertDialog.Cancel asChild>
              <button type="button" className="act">
                {DELETE_DISH.cancel}
              </button>
            </AlertDialog.Cancel>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}

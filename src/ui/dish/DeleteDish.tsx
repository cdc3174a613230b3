"use client";
import { useRouter } from "next/navigation";
import { useId, useState } from "react";
import { toast } from "sonner";
import { DELETE_DISH } from "@/words/delete-dish";
import { ask, reason } from "../shell/ask";
import { ConfirmDialog } from "../shell/ConfirmDialog";

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
    <ConfirmDialog
      title={DELETE_DISH.title(name)}
      text={DELETE_DISH.text}
      cancel={DELETE_DISH.cancel}
      trigger={
        <button type="button" className="link text-[14px]">
          {DELETE_DISH.open}
        </button>
      }
      action={
        <button type="button" className="act" disabled={busy || typed.trim() !== name.trim()} onClick={() => void remove()}>
          {DELETE_DISH.confirm}
        </button>
      }
    >
      <label htmlFor={label} className="block text-[14px]">
        {DELETE_DISH.label}
      </label>
      <input
        id={label}
        value={typed}
        autoComplete="off"
        className="field mt-1 mb-3 w-full"
        onChange={(event) => {
          setTyped(event.target.value);
          setWrong(undefined);
        }}
      />
      {wrong && (
        <p role="alert" className="pb-3 text-beet">
          {wrong}
        </p>
      )}
    </ConfirmDialog>
  );
}

"use client";
import dynamic from "next/dynamic";
import { useRouter } from "next/navigation";
import { useCallback, useEffect, useRef, useState } from "react";
import { toast } from "sonner";
import { PALETTE } from "@/words/shell";
import { ask, reason } from "./ask";
import type { EarlyKeys } from "./PaletteDialog";
import { seenVersions } from "./seen-versions";

const load = () => import("./PaletteDialog");
const PaletteDialog = dynamic(load, { ssr: false });

/** Palettes of a dish or its kitchen that are on the page: beside one, that of the house is silent. */
let ofDishes = 0;

/** Everything by keyboard: Ctrl+K says what, `?` lists the keys, Ctrl+Z takes back. */
export function Palette({ slug }: { readonly slug?: string | undefined }) {
  const router = useRouter();
  const [open, setOpen] = useState<"palette" | "keys">();
  // The next key comes before the page has been drawn anew.
  const opened = useRef(open);
  const show = useCallback((next: "palette" | "keys" | undefined) => {
    opened.current = next;
    setOpen(next);
  }, []);
  /** What it shows is no part of the first load, but is there before it is asked for. */
  useEffect(() => {
    void load().catch(() => {});
  }, []);
  const early = useRef<EarlyKeys>({ typed: "", entered: false });

  /** Pressed again before the answer is there, the next one waits for it: each is for the versions that the one before left. */
  const turn = useRef<Promise<void>>(Promise.resolve());

  useEffect(() => {
    const history = async (direction: "undo" | "redo") => {
      if (slug === undefined) return;
      const what = window.location.pathname === "/kitchen" ? "kitchen" : "latest";
      const answer = await ask(`/api/dishes/${slug}/history`, "POST", { what, direction, ...seenVersions(slug) });
      if (!answer.ok) {
        toast(reason(answer));
        router.refresh();
        return;
      }
      const change = answer.body.change;
      toast(
        change
          ? `${direction === "undo" ? PALETTE.undone : PALETTE.redone}: ${change}`
          : direction === "undo"
            ? PALETTE.nothingToUndoHere
            : PALETTE.nothingToRedo,
      );
      if (change) router.refresh();
    };
    if (slug !== undefined) ofDishes++;
    const key = (event: KeyboardEvent) => {
      if (slug === undefined && ofDishes > 0) return;
      const typing =
        event.target instanceof HTMLElement && (event.target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(event.target.tagName));
      const command = event.ctrlKey || event.metaKey;
      if (command && event.key.toLowerCase() === "k") {
        event.preventDefault();
        early.current = { typed: "", entered: false };
        show(opened.current ? undefined : "palette");
      } else if (command && event.key.toLowerCase() === "z" && !typing) {
        event.preventDefault();
        const direction = event.shiftKey ? "redo" : "undo";
        turn.current = turn.current.then(() => history(direction));
      } else if (opened.current === "palette" && !typing && !command) {
        if (event.key === "Enter") early.current.entered = true;
        else if (event.key === "Escape") show(undefined);
        else if (event.key.length === 1) early.current.typed += event.key;
      } else if (!typing && !command && event.key === "?") show("keys");
      else if (!typing && !command && !event.altKey && slug !== undefined && /^[1-4]$/.test(event.key))
        router.push(`/d/${slug}/${["dish", "timetable", "days", "cook"][Number(event.key) - 1]}`);
      else if (!typing && !command && !event.altKey && event.key === "0") router.push("/");
    };
    window.addEventListener("keydown", key);
    return () => {
      if (slug !== undefined) ofDishes--;
      window.removeEventListener("keydown", key);
    };
  }, [router, slug, show]);

  return open && <PaletteDialog slug={slug} open={open} onOpen={show} early={early} />;
}

"use client";
// A dish while it is edited: shown as changed at once, sent to the server one change after another, each undone with Ctrl+Z.
// A change that the server refuses is taken back here and told; one that cannot be sent is tried again until it is.
import { useRouter } from "next/navigation";
import { useCallback, useEffect, useRef, useState } from "react";
import { missingKinds, withBorrowed } from "@/core/dish/edit/kitchen";
import { EditRefused } from "@/core/dish/edit/refused";
import { guarded, type PatchOperation, patchBetween } from "@/core/dish/patch";
import type { DishFile } from "@/core/dish/schema";
import { kindWords } from "@/core/entry/words-said";
import { USE_EDITING } from "@/words/editor";
import { ask, reason } from "../shell/ask";
import { seenVersions } from "../shell/seen-versions";

export interface EditProblem {
  readonly text: string;
  /** Something that would let the change through. */
  readonly mend?: { readonly label: string; readonly run: () => void };
}

export type Saving = "saved" | "saving" | "waiting";
export type Edit = (label: string, change: (document: DishFile) => DishFile) => boolean;

interface Editing {
  /** As edited here, ahead of the server by what is under way. */
  readonly document: DishFile;
  /** @returns false where the change cannot be made; `problem` says why */
  readonly edit: Edit;
  readonly problem: EditProblem | undefined;
  readonly clearProblem: () => void;
  readonly saving: Saving;
}

interface Sent {
  readonly label: string;
  readonly change: readonly PatchOperation[];
  readonly after: DishFile;
}

const RETRY_MS = 2_000;
/** A row of quick changes is followed by one look at the server. */
const SETTLE_MS = 250;

export function useEditing(slug: string, given: DishFile, version: number): Editing {
  const router = useRouter();
  const [document, setDocument] = useState(given);
  const [problem, setProblem] = useState<EditProblem>();
  const [saving, setSaving] = useState<Saving>("saved");
  const now = useRef(given);
  const confirmed = useRef({ document: given, version });
  const queue = useRef<Sent[]>([]);
  const busy = useRef(false);
  const settle = useRef<ReturnType<typeof setTimeout>>(undefined);
  /** Versions that our own changes have superseded, and the one of them that the server has named since. */
  const leftBehind = useRef(new Set<number>());
  const doubted = useRef<number>(undefined);

  const show = useCallback((next: DishFile) => {
    now.current = next;
    setDocument(next);
  }, []);

  // What the server has, whenever nothing of ours is under way: undo, another window, a change by another view.
  useEffect(() => {
    if (busy.current || queue.current.length > 0) return;
    // A look at the server that began before a change may arrive after it and would take the change off the screen;
    // undo brings an old version back as well. What the server says twice is so.
    if (leftBehind.current.has(version) && doubted.current !== version) {
      doubted.current = version;
      router.refresh();
      return;
    }
    doubted.current = undefined;
    confirmed.current = { document: given, version };
    show(given);
  }, [given, version, router, show]);

  const drain = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    setSaving("saving");
    for (let next = queue.current[0]; next; next = queue.current[0]) {
      const got = await ask(`/api/dishes/${slug}/change`, "POST", {
        ...seenVersions(slug),
        version: confirmed.current.version,
        // With what was seen of it: where somebody else has changed the same meanwhile, it is refused instead of landing on another thing.
        change: guarded(confirmed.current.document, next.change),
        label: next.label,
      });
      if (got.status === 0 || got.status >= 500) {
        setSaving("waiting");
        await new Promise((resolve) => setTimeout(resolve, RETRY_MS));
        continue;
      }
      if (!got.ok) {
        queue.current = [];
        show(confirmed.current.document);
        setProblem({ text: reason(got) });
        break;
      }
      setSaving("saving");
      const version = (got.body.value as { version: number }).version;
      if (version !== confirmed.current.version) leftBehind.current.add(confirmed.current.version);
      leftBehind.current.delete(version);
      doubted.current = undefined;
      confirmed.current = { document: next.after, version };
      queue.current = queue.current.slice(1);
    }
    busy.current = false;
    setSaving("saved");
    clearTimeout(settle.current);
    settle.current = setTimeout(() => router.refresh(), SETTLE_MS);
  }, [slug, router, show]);

  const edit = useCallback<Edit>(
    (label, change) => {
      let after: DishFile;
      try {
        after = change(now.current);
      } catch (error) {
        if (!(error instanceof EditRefused)) throw error;
        setProblem({ text: error.message });
        return false;
      }
      const missing = missingKinds(after);
      if (missing.length > 0) {
        const things = missing.map(kindWords).join(", ");
        setProblem({
          text: USE_EDITING.theKitchenHasNoNothing(things),
          mend: {
            label: USE_EDITING.borrowAndChangeIt(missing.length === 1 ? `a ${things}` : "them"),
            run: () => void edit(label, (d) => withBorrowed(change(d))),
          },
        });
        return false;
      }
      const operations = patchBetween(now.current, after);
      setProblem(undefined);
      if (operations.length === 0) return true;
      show(after);
      queue.current = [...queue.current, { label, change: operations, after }];
      void drain();
      return true;
    },
    [drain, show],
  );

  useEffect(() => () => clearTimeout(settle.current), []);
  // Whoever leaves while something is on its way is asked once more by the browser.
  useEffect(() => {
    if (saving === "saved") return;
    const stay = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener("beforeunload", stay);
    return () => window.removeEventListener("beforeunload", stay);
  }, [saving]);

  return { document, edit, problem, clearProblem: useCallback(() => setProblem(undefined), []), saving };
}

"use client";
import { AlertDialog } from "radix-ui";
import type { ReactNode } from "react";

interface ConfirmDialogProps {
  readonly title: string;
  readonly text: string;
  readonly cancel: string;
  /** The button that does it. */
  readonly action: ReactNode;
  /** What opens it; without one it is open as `open` says. */
  readonly trigger?: ReactNode;
  readonly open?: boolean;
  readonly onClose?: () => void;
  readonly children?: ReactNode;
}

/** Asked before something that cannot be undone by a key. */
export function ConfirmDialog({ title, text, cancel, action, trigger, open, onClose, children }: ConfirmDialogProps) {
  return (
    <AlertDialog.Root {...(open === undefined ? {} : { open })} onOpenChange={(next) => !next && onClose?.()}>
      {trigger && <AlertDialog.Trigger asChild>{trigger}</AlertDialog.Trigger>}
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-40 bg-black/40" />
        <AlertDialog.Content className="-translate-x-1/2 fixed top-[20vh] left-1/2 z-50 w-[min(30rem,calc(100vw-2rem))] rounded border border-rim bg-raised p-5">
          <AlertDialog.Title className="break-words text-[20px]">{title}</AlertDialog.Title>
          <AlertDialog.Description className="py-3">{text}</AlertDialog.Description>
          {children}
          <div className="flex gap-4 pt-1">
            {action}
            <AlertDialog.Cancel asChild>
              <button type="button" className="act">
                {cancel}
              </button>
            </AlertDialog.Cancel>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}

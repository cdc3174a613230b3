"use client";
// The button that takes photographs from files, and on a phone from its camera.
import { Camera } from "lucide-react";
import { PHOTOGRAPHS } from "@/words/photographs";
import { usePhotographs } from "./use-photographs";

interface AddPhotographsProps {
  /** The address that takes them. */
  readonly to: string;
  readonly about?: Readonly<Record<string, string>>;
  /** What the button is for, where several stand on a page. */
  readonly of?: string;
  readonly onKept: () => void;
}

export function AddPhotographs({ to, about = {}, of, onKept }: AddPhotographsProps) {
  const { add, left, trouble } = usePhotographs(to, about, onKept);
  return (
    <div>
      <label
        className={`act inline-flex min-h-[56px] cursor-pointer items-center gap-2 px-5 text-[17px] focus-within:outline-2 focus-within:outline-offset-2 ${left ? "opacity-60" : ""}`}
      >
        <Camera aria-hidden="true" className="size-5" />
        {left ? PHOTOGRAPHS.keeping(left) : PHOTOGRAPHS.add}
        <input
          className="sr-only"
          type="file"
          accept="image/*"
          multiple
          aria-label={of ? PHOTOGRAPHS.addNamed(of) : PHOTOGRAPHS.add}
          disabled={left > 0}
          onChange={(event) => {
            const files = [...(event.target.files ?? [])];
            event.target.value = "";
            if (files.length) void add(files);
          }}
        />
      </label>
      {trouble && (
        <p role="alert" className="mt-2 border-l-[3px] border-beet pl-3 text-[15px]">
          {trouble}
        </p>
      )}
    </div>
  );
}

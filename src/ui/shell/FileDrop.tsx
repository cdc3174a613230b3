"use client";
// A place to drop a file, or to press and choose one.
import { FileUp } from "lucide-react";
import { type Accept, useDropzone } from "react-dropzone";
import { FILE } from "@/words/fields";

interface FileDropProps {
  readonly label: string;
  readonly accept: Accept;
  readonly onFile: (file: File) => void;
  readonly onRefused?: (name: string) => void;
}

export function FileDrop({ label, accept, onFile, onRefused }: FileDropProps) {
  const { getRootProps, getInputProps, isDragActive } = useDropzone({
    accept,
    multiple: false,
    onDrop: ([file], refused) => {
      if (file) onFile(file);
      else if (refused[0]) onRefused?.(refused[0].file.name);
    },
  });
  return (
    <div
      {...getRootProps({ role: "button", "aria-label": `${label}: ${FILE.choose}` })}
      className={`flex min-h-14 cursor-pointer items-center gap-3 rounded-[5px] border-[1.5px] border-dashed px-3 py-2 text-[14px] ${isDragActive ? "border-saffron bg-saffron-wash" : "border-rim/60 hover:bg-saffron-wash"}`}
    >
      <input {...getInputProps({ "aria-label": label })} />
      <FileUp size={20} className="shrink-0 text-rim" aria-hidden="true" />
      <span>
        {isDragActive ? FILE.drop : FILE.choose}
        <span className="block text-[13px] text-quiet">{label}</span>
      </span>
    </div>
  );
}

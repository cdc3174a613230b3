import Link from "next/link";
import type { ReactNode } from "react";
import { AsideHead } from "@/ui/shell/AsideHead";
import { UnitsChoice } from "@/ui/shell/units";

export default function BenchLayout({ children }: { children: ReactNode }) {
  return (
    <main className="mx-auto max-w-[74rem] px-5 py-6 sm:px-6">
      <AsideHead>
        <Link href="/bench" className="font-serif text-[25px] font-semibold">
          Bench
        </Link>
        <span className="flex-1" />
        <UnitsChoice />
      </AsideHead>
      {children}
    </main>
  );
}

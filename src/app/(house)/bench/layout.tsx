import Link from "next/link";
import type { ReactNode } from "react";

export default function BenchLayout({ children }: { children: ReactNode }) {
  return (
    <>
      <p className="pb-2">
        <Link href="/bench" className="font-serif text-[30px] font-semibold leading-tight">
          Bench
        </Link>
      </p>
      {children}
    </>
  );
}

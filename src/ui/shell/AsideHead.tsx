import Link from "next/link";
import type { ReactNode } from "react";
import { Mark } from "./Mark";

/** The head of a page that belongs to no dish: the mark leads back to all of them. */
export function AsideHead({ children }: { readonly children: ReactNode }) {
  return (
    <div className="mb-4 flex flex-wrap items-center gap-3 border-b-[2.5px] border-rim pb-3">
      <Link href="/" aria-label="All dishes">
        <Mark size={34} />
      </Link>
      {children}
    </div>
  );
}

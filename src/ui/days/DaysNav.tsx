"use client";
import Link from "next/link";
import { usePathname } from "next/navigation";
import { DAYS_NAV } from "@/words/shopping";

const PLACES = [
  ["days", DAYS_NAV.days],
  ["shopping", DAYS_NAV.shopping],
  ["labels", DAYS_NAV.labels],
] as const;

/** The pages of Days: the list day by day, what to buy, what to write on the boxes. */
export function DaysNav({ slug }: { readonly slug: string }) {
  const here = usePathname().split("/")[3];
  return (
    <nav aria-label={DAYS_NAV.pages} className="flex flex-wrap gap-x-5 border-b border-rule px-5 py-2 text-[14px] sm:px-7" data-screen>
      {PLACES.map(([path, label]) => (
        <Link
          key={path}
          href={`/d/${slug}/${path}`}
          aria-current={here === path ? "page" : undefined}
          className={`inline-flex min-h-8 items-center ${here === path ? "font-semibold text-ink" : "text-rim hover:underline"}`}
        >
          {label}
        </Link>
      ))}
    </nav>
  );
}

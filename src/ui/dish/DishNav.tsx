"use client";
import Link from "next/link";
import { usePathname } from "next/navigation";

const PLACES = [
  ["", "Components"],
  ["/questions", "Open questions"],
  ["/amounts", "Amounts"],
  ["/written", "Full text"],
  ["/library", "Library"],
] as const;

/** The places of the Dish view. */
export function DishNav({ slug, questions }: { slug: string; questions: number }) {
  const here = usePathname().replace(`/d/${slug}/dish`, "");
  return (
    <nav aria-label="Recipe pages" className="flex flex-wrap gap-x-5 text-[14px]">
      {PLACES.map(([path, label]) => (
        <Link
          key={path}
          href={`/d/${slug}/dish${path}`}
          aria-current={here === path ? "page" : undefined}
          className={`inline-flex min-h-7 items-center gap-1 ${here === path ? "font-semibold text-ink" : "text-rim hover:underline"}`}
        >
          {label}
          {path === "/questions" && questions > 0 && <span className="clock text-[12px]"> {questions}</span>}
        </Link>
      ))}
    </nav>
  );
}

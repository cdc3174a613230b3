"use client";
import Link from "next/link";
import { usePathname } from "next/navigation";
import { DISH_NAV } from "@/words/recipe";

const PLACES = [
  ["", DISH_NAV.components],
  ["/questions", DISH_NAV.openQuestions],
  ["/amounts", DISH_NAV.amounts],
  ["/written", DISH_NAV.fullText],
  ["/library", DISH_NAV.library],
] as const;

/** The places of the Dish view. */
export function DishNav({ slug, questions }: { slug: string; questions: number }) {
  const here = usePathname().replace(`/d/${slug}/dish`, "");
  return (
    <nav aria-label={DISH_NAV.recipePages} className="flex flex-wrap gap-x-5 text-[14px]">
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

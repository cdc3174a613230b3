"use client";
// The pages of the house, on the rim of the pan: a line with the words standing on it, and a lug under the one that is open.
import Link from "next/link";
import { usePathname } from "next/navigation";
import { NAV } from "@/words/home";
import { HOUSE_NAV } from "@/words/shell";
import { Mark } from "./Mark";

const PAGES = [
  ["/", NAV.home],
  ["/larder", NAV.larder],
  ["/notebook", NAV.notebook],
  ["/kitchen", NAV.kitchen],
  ["/bench", NAV.bench],
  ["/settings", NAV.settings],
] as const;

/** Import and the like belong to Home. */
const pageOf = (path: string) =>
  (path.startsWith("/shopping") ? "/larder" : undefined) ?? PAGES.find(([at]) => at !== "/" && path.startsWith(at))?.[0] ?? "/";

export function HouseBar({ clock }: { readonly clock: string }) {
  const here = pageOf(usePathname());
  return (
    <header data-screen className="border-b-2 border-rim">
      <div className="mx-auto flex max-w-[82rem] items-end gap-8 px-5 pt-3 sm:px-7">
        <Link href="/" className="flex items-center gap-2.5 pb-2.5" aria-label={NAV.toHome}>
          <Mark size={30} />
          <span className="font-serif text-[21px] font-semibold leading-none">{HOUSE_NAV.rondeau}</span>
        </Link>
        <nav aria-label={NAV.house} className="flex gap-7 max-md:hidden">
          {PAGES.map(([path, label]) => (
            <Link
              key={path}
              href={path}
              aria-current={here === path ? "page" : undefined}
              className={`relative pb-2.5 ${here === path ? "font-semibold text-ink" : "text-quiet hover:text-ink"}`}
            >
              {label}
              {here === path && <Lug />}
            </Link>
          ))}
        </nav>
        <span className="ml-auto flex items-baseline gap-6 pb-2.5">
          <span className="text-[13px] text-quiet max-lg:hidden">
            {NAV.search} <kbd className="clock text-[12px]">{HOUSE_NAV.ctrlK}</kbd>
          </span>
          <span className="clock text-[14px]">{clock}</span>
        </span>
      </div>
    </header>
  );
}

/** Within the thumb's reach, on a phone. */
export function HouseFoot() {
  const here = pageOf(usePathname());
  return (
    <nav
      aria-label={NAV.house}
      data-screen
      className="fixed inset-x-0 bottom-0 z-30 flex border-t-2 border-rim bg-paper pb-[env(safe-area-inset-bottom)] md:hidden"
    >
      {PAGES.map(([path, label]) => (
        <Link
          key={path}
          href={path}
          aria-current={here === path ? "page" : undefined}
          className={`relative flex min-h-16 flex-1 items-center justify-center text-[13.5px] ${here === path ? "font-semibold text-ink" : "text-quiet"}`}
        >
          {here === path && <Lug above />}
          {label}
        </Link>
      ))}
    </nav>
  );
}

const Lug = ({ above = false }: { readonly above?: boolean }) => (
  <span
    aria-hidden="true"
    className={`absolute h-[9px] rounded-[4px] border-2 border-rim bg-paper ${above ? "-top-[6px] inset-x-[28%]" : "-inset-x-0.5 -bottom-[6px]"}`}
  />
);

import type { ReactNode } from "react";
import { WallClock } from "@/core/time/wall-clock";
import { readerOffsets } from "@/server/conventions";
import { HouseBar, HouseFoot } from "@/ui/shell/HouseNav";
import { Palette } from "@/ui/shell/Palette";

/** Around the pages that belong to no dish. */
export default async function HouseLayout({ children }: { children: ReactNode }) {
  const { offsets, now } = await readerOffsets();
  return (
    <>
      <a href="#main" className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-raised focus:p-2">
        Skip to the content
      </a>
      <HouseBar clock={new WallClock(offsets).dayTime(now)} />
      <main id="main" className="mx-auto max-w-[82rem] px-5 pt-5 pb-28 sm:px-7 md:pb-10">
        {children}
      </main>
      <HouseFoot />
      <Palette />
    </>
  );
}

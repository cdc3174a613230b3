import "server-only";
import { cookies, headers } from "next/headers";
import { cache } from "react";
import { type Conventions, conventionsOf, mannerOf, readConventions } from "../core/spoken/conventions";
import { type Offsets, offsetsOf } from "../core/time/wall-clock";
import { Zone } from "../core/time/zone";
import { nowMinute } from "./clock";

/** What this browser's cook has chosen, or else what is usual where the browser's language is spoken. Needs a request. */
export const readerConventions = cache(async (): Promise<Conventions> => {
  const chosen = (await cookies()).get("conventions")?.value;
  return (chosen && readConventions(chosen)) || conventionsOf((await headers()).get("accept-language") ?? "");
});

/** Where nothing says otherwise, the clock of this computer's place. */
export const houseZone = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone;

/** Wall clock of a zone, or of this machine, from now on. */
export async function readerOffsets(timezone = houseZone()): Promise<{ offsets: Offsets; now: number }> {
  const now = nowMinute();
  return { now, offsets: offsetsOf(new Zone(timezone), now - 1440, now + 14_400, 0, mannerOf(await readerConventions())) };
}

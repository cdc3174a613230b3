import "server-only";
// Under which address other devices reach this server: the one that the page was asked for.
import { headers } from "next/headers";

/** Without a slash at its end. */
export async function addressOf(): Promise<string> {
  const asked = await headers();
  return `${asked.get("x-forwarded-proto") ?? "http"}://${asked.get("host") ?? "localhost"}`;
}

import "@fontsource-variable/figtree";
import "@fontsource-variable/fraunces";
import "@fontsource-variable/spline-sans-mono";
import "./globals.css";
import type { Metadata } from "next";
import { cookies } from "next/headers";
import type { ReactNode } from "react";
import { Toaster } from "sonner";
import { readerConventions } from "@/server/conventions";
import { ConventionsGiven } from "@/ui/shell/conventions";

export const metadata: Metadata = {
  title: { default: "Rondeau", template: "%s · Rondeau" },
  description: "Plan one elaborate dish over several days, back from serving.",
};
export const dynamic = "force-dynamic";

export default async function RootLayout({ children }: { children: ReactNode }) {
  const kept = await cookies();
  const conventions = await readerConventions();
  const theme = kept.get("theme")?.value;
  return (
    <html lang="en" data-theme={theme === "dark" || theme === "light" ? theme : undefined}>
      <body data-clock={conventions.clock}>
        <ConventionsGiven value={conventions}>{children}</ConventionsGiven>
        <Toaster
          position="bottom-center"
          toastOptions={{ style: { background: "var(--raised)", color: "var(--ink)", border: "1px solid var(--rule)" } }}
        />
      </body>
    </html>
  );
}

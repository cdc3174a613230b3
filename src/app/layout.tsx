import "@fontsource-variable/figtree";
import "@fontsource-variable/fraunces";
import "@fontsource-variable/spline-sans-mono";
import "./globals.css";
import type { Metadata } from "next";
import { cookies } from "next/headers";
import type { ReactNode } from "react";
import { Toaster } from "sonner";
import { UnitsGiven } from "@/ui/shell/units";

export const metadata: Metadata = {
  title: { default: "Rondeau", template: "%s · Rondeau" },
  description: "Plan one elaborate dish over several days, back from serving.",
};
export const dynamic = "force-dynamic";

export default async function RootLayout({ children }: { children: ReactNode }) {
  const kept = await cookies();
  const theme = kept.get("theme")?.value;
  return (
    <html lang="en" data-theme={theme === "dark" || theme === "light" ? theme : undefined}>
      <body>
        <UnitsGiven units={kept.get("units")?.value === "us" ? "us" : "metric"}>{children}</UnitsGiven>
        <Toaster
          position="bottom-center"
          toastOptions={{ style: { background: "var(--raised)", color: "var(--ink)", border: "1px solid var(--rule)" } }}
        />
      </body>
    </html>
  );
}

import type { NextConfig } from "next";

const config: NextConfig = {
  serverExternalPackages: ["@electric-sql/pglite"],
  turbopack: { root: import.meta.dirname },
  poweredByHeader: false,
  reactStrictMode: true,
  // Without it a page that asks for its news while the line is down is left for the browser's own error page, and Cook with it.
  experimental: { useOffline: true },
};

export default config;

import type { NextConfig } from "next";

const config: NextConfig = {
  serverExternalPackages: ["@electric-sql/pglite"],
  turbopack: { root: import.meta.dirname },
  poweredByHeader: false,
  reactStrictMode: true,
};

export default config;

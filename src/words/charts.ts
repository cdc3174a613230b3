// Words that every chart shares.

export const CURVE_CHART = {
  showAsTable: "Show as table",
  to: (middle: string, said: string, said2: string) => `${middle} (${said} to ${said2})`,
} as const;

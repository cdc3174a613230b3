// Words that every chart shares.

export const CURVE_CHART = {
  showAsTable: "Show as table",
  to: (middle: string, amount: string, most: string) => `${middle} (${amount} to ${most})`,
} as const;

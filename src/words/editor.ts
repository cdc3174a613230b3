// Words of the Recipe page that help a new dish along.

export const EDITOR = {
  needs: "The plan still needs",
  likely: "Often goes with it",
  samples: "Start from sample lines",
  samplesHint: "then change them to yours",
} as const;

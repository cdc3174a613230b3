// Photographs of a run.

export const PHOTOGRAPHS = {
  title: "Photographs",
  lead: "They are kept with this run and in every backup. Where and with what they were taken is left out.",
  add: "Add photographs",
  addNamed: (of: string) => `Add photographs: ${of}`,
  keeping: (n: number) => (n === 1 ? "Saving the photograph" : `Saving ${n} photographs`),
  notKept: (name: string, why: string) => `“${name}” was not saved. ${why}`,
  /** What a picture shows, for whoever does not see it. */
  shown: (step: string | undefined, at: string) => (step ? `Photograph of ${step}, ${at}` : `Photograph, ${at}`),
  takeOut: "Take out",
  takeOutNamed: (of: string) => `Take out: ${of}`,
  takenOut: "The photograph is taken out of the run.",
} as const;

// Photographs of a run.

export const PHOTOGRAPHS = {
  title: "Photographs",
  lead: "Saved with this run and in every backup, without location or camera data.",
  add: "Add photographs",
  addNamed: (of: string) => `Add photographs: ${of}`,
  keeping: (n: number) => (n === 1 ? "Saving the photograph" : `Saving ${n} photographs`),
  notKept: (name: string, why: string) => `“${name}” was not saved. ${why}`,
  /** What a picture shows, for whoever does not see it. */
  shown: (step: string | undefined, at: string) => (step ? `Photograph of ${step}, ${at}` : `Photograph, ${at}`),
  caption: "Caption",
  captionOf: (of: string) => `Caption: ${of}`,
  captionSaved: "Caption saved.",
  takeOut: "Remove",
  takeOutNamed: (of: string) => `Remove: ${of}`,
  takenOut: "Photograph removed from this run.",
} as const;

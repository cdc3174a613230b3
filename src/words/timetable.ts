// Words of the Timetable: its side panel, and the chart on a phone.

export const UPRIGHT = {
  steps: "Steps in order of time",
  days: "Days",
  serving: "serving",
  rest: (length: string) => `${length} rest`,
  unfold: (length: string) => `${length} rest: show it`,
  waiting: (names: readonly string[]) =>
    `${names.slice(0, 4).join(", ")}${names.length > 4 ? ` and ${names.length - 4} more` : ""} ${names.length === 1 ? "waits" : "wait"}`,
} as const;

/** What each part of the side panel holds, in a line. */
export const SUMMARY = {
  onTime: (of100: number) => `${of100} of 100 on time`,
  notRehearsed: "not rehearsed yet",
  serve: (at: string) => `now ${at}`,
  reach: (at: string) => `no plan can start later than ${at}`,
  begun: "it has started",
  courses: (names: readonly string[]) => (names.length ? `with ${names.join(", ")}` : "only this dish"),
} as const;

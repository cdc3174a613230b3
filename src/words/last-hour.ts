// The last hour before serving: read at two metres, with full hands.

export const LAST_HOUR = {
  title: "Last hour",
  open: "The last hour",
  minutes: "min to serving",
  /** Where it is longer than two hours, the length says its units itself. */
  long: "to serving",
  late: "min late",
  now: "Now",
  until: (at: string, time: string) => `until ${at}, in ${time}`,
  from: (at: string, time: string) => `at ${at}, in ${time}`,
  overdue: (minutes: number) => `${minutes} min late`,
  done: "Done",
  start: "Start",
  more: "2 min more",
  named: (what: string, step: string) => `${what}: ${step}`,
  next: "Then",
  table: "Table",
  plates: "Each plate, in this order",
  all: (serves: number) => `all ${serves}`,
  serveBy: (name: string, at: string) => `${name}: serve it by ${at}.`,
  allDone: "Everything is done. Enjoy your meal.",
  cook: "Back to Cook",
  notRunning: "Start the run in Cook first.",
} as const;

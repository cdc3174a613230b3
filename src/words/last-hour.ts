// The last hour before serving: read at two metres, with full hands.

export const LAST_HOUR = {
  title: "Last hour",
  open: "The last hour",
  toTable: "min to serving",
  late: "min late",
  now: "Now",
  until: (at: string, minutes: number) => `until ${at}, in ${minutes} min`,
  from: (at: string, minutes: number) => `at ${at}, in ${minutes} min`,
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

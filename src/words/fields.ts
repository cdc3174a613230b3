// Words of the fields that every page uses: dates and times, files.

export const MOMENT = {
  example: "Sun 13:00",
  calendar: (field: string) => `${field}: open calendar`,
  day: "Choose a day",
  hint: "Or type it: Sun 1pm, 13.30, 6 Dec 18:00.",
  notUnderstood: (text: string) => `“${text.trim().slice(0, 30)}” is not a date or time. Type one such as Sun 1pm, 13.30 or 6 Dec 18:00.`,
  empty: "A date and time are needed here. Type one such as Sun 1pm.",
} as const;

export const FILE = {
  choose: "Choose a file, or drop it here",
  drop: "Drop it here",
  wrongKind: (name: string) => `${name} is not a file of that kind. Choose another one.`,
} as const;

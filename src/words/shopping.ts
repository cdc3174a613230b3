// Words of the Shopping page.

export const SHOPPING = {
  title: "Shopping",
  lead: (trips: number, things: number, fresh: boolean) =>
    `${things === 1 ? "One item" : `${things} items`} in ${trips === 1 ? "one trip" : `${trips} trips`}${fresh ? ", as few as keep everything fresh" : ""}.`,
  howMany: "How many trips",
  trips: (n: number) => (n === 1 ? "1 trip" : `${n} trips`),
  allFresh: "Everything stays fresh until you use it.",
  early: (name: string, wait: string, others: number) =>
    `${name} would be kept ${wait} too long${others === 0 ? "" : `, and so would ${others === 1 ? "one other item" : `${others} other items`}`}.`,
  earlyRow: (wait: string) => `kept ${wait} too long: buy later if you can`,
  nothing: "Nothing to buy for this plan.",
  orders: "Order ahead",
  orderBy: (at: string) => `order by ${at}`,
  trip: (at: string) => `Buy by ${at}`,
  past: "Should be bought by now",
  for: (names: string) => `for ${names}`,
  from: (at: string) => `not before ${at}`,
  left: (n: number) => (n === 0 ? "all bought" : `${n} left`),
  noSection: "Anything else",
  csv: "Download CSV",
  copy: "Copy as text",
  copyMarkdown: "Copy as Markdown",
  copied: "Copied",
  notCopied: "This browser does not let a page copy. Download the CSV instead.",
  needed: (amount: string) => `${amount} needed`,
  leftOver: (amount: string) => `${amount} left over`,
  inLarder: (what: string) => `${what} in the larder`,
  always: "Always have it",
  alwaysOf: (name: string) => `Always have ${name}`,
  staples: (n: number) => (n === 1 ? "One thing that you always have" : `${n} things that you always have`),
  notAlways: "Put it on lists again",
  notAlwaysOf: (name: string) => `Put ${name} on lists again`,
  all: "Shopping for all dishes",
  allLead: (dishes: string) => `For ${dishes}.`,
  nothingAll: "No dish has a plan to buy for.",
  hours: "Counted with shops open from 9 to 19 every day.",
  ticks: "Ticks are the same on every device.",
} as const;

/** The pages of Days. */
export const DAYS_NAV = { pages: "Days pages", days: "Day by day", shopping: "Shopping", labels: "Labels" } as const;

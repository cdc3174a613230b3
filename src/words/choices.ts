// The sentences of the choice between plans.
export const CHOICES = {
  title: "Choose a plan",
  help: "Starting earlier makes it more likely that you serve on time. Each plan was rehearsed.",
  none: (wish: number) =>
    `No plan was found that serves within 15 minutes in ${wish} of 100 rehearsals. Start earlier, use a quicker method, ask for help, or serve later; or choose one of these.`,
  starts: (when: string) => `Starts ${when}`,
  lengths: { likely: "usual lengths", cautious: "some time to spare", longest: "longest lengths" },
  of100: "of 100 within 15 min",
  late: (n: number) => (n === 0 ? "none later" : `${n} later`),
  inUse: "In use",
  use: "Use this",
  labelOfUse: (lead: string) => `Use the plan that starts ${lead} ahead`,
  label: (lead: number) => `Plan that starts ${Math.round(lead / 60)} h ahead`,
  done: "This plan is in use now. Ctrl+Z undoes it",
  picture: (n: number) => `${n} hands-on steps before serving`,
} as const;

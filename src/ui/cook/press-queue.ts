// Presses of the Cook view on their way to the log. A press is kept in the browser until the server has it on disk,
// so that a lost connection, a reload or a flat battery loses none. Each carries a key: sent twice it counts once.
import { PRESS_QUEUE } from "@/words/cook";
import { ask } from "../shell/ask";

export interface Press {
  readonly key: string;
  readonly kind: "started" | "ended" | "estimate" | "withdrawn" | "put-down" | "taken-up" | "skipped" | "void";
  readonly step: string;
  readonly inMinutes: number;
  /** Of a withdrawal: which entry of the log. */
  readonly of?: number | undefined;
  /** The cook who pressed. */
  readonly by?: string | undefined;
  /** The browser's clock when it was pressed: a late delivery still says when it happened. */
  readonly pressedAt: number;
}

const place = (slug: string) => `rondeau.presses.${slug}`;

export function waitingPresses(slug: string): Press[] {
  try {
    return JSON.parse(localStorage.getItem(place(slug)) ?? "[]");
  } catch {
    return [];
  }
}

function keep(slug: string, presses: readonly Press[]): void {
  localStorage.setItem(place(slug), JSON.stringify(presses));
}

export function addPress(slug: string, press: Press): void {
  keep(slug, [...waitingPresses(slug), press]);
}

type Delivery =
  /** `warning` is for whoever keeps the kitchen's computer: a clock that went back. */
  | { readonly status: "delivered"; readonly plan: string; readonly warning?: string }
  | { readonly status: "waiting" }
  | { readonly status: "refused"; readonly message: string }
  /** Something severe about these steps is not acknowledged: their presses are kept until it is, and keep their own minute. */
  | { readonly status: "withheld"; readonly message: string; readonly steps: readonly string[] };

const without = (slug: string, gone: (press: Press) => boolean) =>
  keep(
    slug,
    waitingPresses(slug).filter((p) => !gone(p)),
  );

/** Lets go of presses of some steps that the server would not take. */
export const forgetPresses = (slug: string, steps: readonly string[]): void => without(slug, (p) => steps.includes(p.step));

/**
 * Sends what waits, oldest first. A refusal by the server drops that press and says why; no answer leaves all waiting. What it withholds
 * for an acknowledgement waits with all later presses of its step, and those of other steps pass by.
 */
export async function deliver(slug: string): Promise<Delivery> {
  let plan = "";
  let withheld: string | undefined;
  let warning: string | undefined;
  const steps = new Set<string>();
  const next = () => waitingPresses(slug).find((p) => !steps.has(p.step));
  for (let press = next(); press; press = next()) {
    const late = Math.round((Date.now() - press.pressedAt) / 60_000);
    const answer = await ask(`/api/dishes/${slug}/events`, "POST", {
      key: press.key,
      kind: press.kind,
      step: press.step,
      inMinutes: press.inMinutes - late,
      of: press.of,
      by: press.by,
    });
    if (answer.status === 0 || answer.status >= 500) return { status: "waiting" };
    if (answer.status === 409 && Array.isArray(answer.body.findings)) {
      withheld ??= answer.body.message ?? PRESS_QUEUE.aDangerHasToBe;
      steps.add(press.step);
      continue;
    }
    const key = press.key;
    without(slug, (p) => p.key === key);
    if (!answer.ok) return { status: "refused", message: answer.body.message ?? PRESS_QUEUE.theServerDidNotTakeIt };
    plan = String(answer.body.plan ?? "");
    if (typeof answer.body.warning === "string") warning = answer.body.warning;
  }
  return withheld === undefined
    ? { status: "delivered", plan, ...(warning === undefined ? {} : { warning }) }
    : { status: "withheld", message: withheld, steps: [...steps] };
}

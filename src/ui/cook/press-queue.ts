// Presses of the Cook view on their way to the log. A press is kept in the browser until the server has it on disk,
// so that a lost connection, a reload or a flat battery loses none. Each carries a key: sent twice it counts once.
import { ask } from "../shell/ask";

export interface Press {
  readonly key: string;
  readonly kind: "started" | "ended" | "estimate" | "withdrawn";
  readonly step: string;
  readonly inMinutes: number;
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

export type Delivery =
  | { readonly status: "delivered"; readonly plan: string }
  | { readonly status: "waiting" }
  | { readonly status: "refused"; readonly message: string };

/** Sends what waits, oldest first. A refusal by the server drops that press and says why; no answer leaves all waiting. */
export async function deliver(slug: string): Promise<Delivery> {
  let plan = "";
  for (let press = waitingPresses(slug)[0]; press; press = waitingPresses(slug)[0]) {
    const late = Math.round((Date.now() - press.pressedAt) / 60_000);
    const answer = await ask(`/api/dishes/${slug}/events`, "POST", {
      key: press.key,
      kind: press.kind,
      step: press.step,
      inMinutes: press.inMinutes - late,
    });
    if (answer.status === 0 || answer.status >= 500) return { status: "waiting" };
    const key = press.key;
    keep(
      slug,
      waitingPresses(slug).filter((p) => p.key !== key),
    );
    if (!answer.ok) return { status: "refused", message: answer.body.message ?? "The server did not take it." };
    plan = String(answer.body.plan ?? "");
  }
  return { status: "delivered", plan };
}

// Speaking to the server from a page: JSON or a file out, JSON or a refusal back. A failed connection is told, not thrown about.
import { ASK } from "@/words/shell";
import type { Answer } from "./answer";
import { seeAnswer } from "./seen-versions";

export type { Answer } from "./answer";

export async function ask(path: string, method: string, body?: unknown): Promise<Answer> {
  try {
    const response = await fetch(path, {
      method,
      ...(body === undefined
        ? {}
        : body instanceof Blob
          ? { body }
          : { body: typeof body === "string" ? body : JSON.stringify(body), headers: { "content-type": "application/json" } }),
    });
    const text = await response.text();
    const answer: Answer = { ok: response.ok, status: response.status, body: text ? JSON.parse(text) : {} };
    seeAnswer(path, answer);
    return answer;
  } catch {
    return {
      ok: false,
      status: 0,
      body: { message: ASK.theKitchensServerDoesNot },
    };
  }
}

/** The first thing that a refusal says, in one sentence. */
export function reason(answer: Answer): string {
  const problem = answer.body.problems?.find((p) => p.severity === "error") ?? answer.body.problems?.[0];
  return problem ? `${problem.path ? `${problem.path}: ` : ""}${problem.message}` : (answer.body.message ?? ASK.itDidNotWorkAnd);
}

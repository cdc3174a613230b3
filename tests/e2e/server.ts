// A server of its own for each test file: its own directory, its own port, its own clock; it can be stopped and started again.
import { type ChildProcess, spawn } from "node:child_process";
import { cpSync, mkdtempSync, readdirSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { fileURLToPath } from "node:url";

const root = fileURLToPath(new URL("../..", import.meta.url));

export class Server {
  readonly directory = mkdtempSync(path.join(tmpdir(), "rondeau-e2e-"));
  readonly url: string;
  #process: ChildProcess | undefined;
  #said = "";
  /** What the server's clock was last set to, and when. */
  #clockSet = { to: 0, at: 0 };

  constructor(
    readonly port: number,
    readonly now: string,
    /** Share of the planner's usual work. */
    readonly effort = 0.2,
  ) {
    this.url = `http://127.0.0.1:${port}`;
  }

  async start(now = this.now): Promise<void> {
    this.#said = "";
    const { RONDEAU_E2E_PREPARED: prepared, RONDEAU_E2E_PREPARED_AT: at } = process.env;
    if (prepared && now === at && readdirSync(this.directory).length === 0) cpSync(prepared, this.directory, { recursive: true });
    const child = spawn(process.execPath, ["node_modules/next/dist/bin/next", "start", "-p", String(this.port), "-H", "127.0.0.1"], {
      cwd: root,
      env: {
        ...process.env,
        NODE_ENV: "production",
        RONDEAU_DATA_DIR: this.directory,
        RONDEAU_DEMO: "1",
        RONDEAU_CLOCK: "manual",
        // The pages are looked at here; how good plans are is for the planner's own tests.
        RONDEAU_PLANNING_EFFORT: String(this.effort),
        RONDEAU_NOW: now,
        NEXT_TELEMETRY_DISABLED: "1",
        NEXT_MANUAL_SIG_HANDLE: "true",
      },
    });
    for (const stream of [child.stdout, child.stderr]) stream?.on("data", (text: Buffer) => (this.#said += text));
    this.#process = child;
    for (let tries = 0; ; tries++) {
      if (child.exitCode !== null || tries > 600) throw new Error(`the server did not start: ${this.#said}`);
      const answers = await fetch(this.url).then(
        (r) => r.ok,
        () => false,
      );
      if (answers) {
        this.#clockSet = { to: Date.parse(now), at: Date.now() };
        return;
      }
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
  }

  /** Asks it to end, and waits until it has written all down. */
  async stop(): Promise<void> {
    await this.#end("SIGTERM");
  }

  /** Ends it at once, as a flat battery would. */
  async kill(): Promise<void> {
    await this.#end("SIGKILL");
  }

  async #end(signal: NodeJS.Signals): Promise<void> {
    const child = this.#process;
    if (!child || child.exitCode !== null || child.signalCode !== null) return;
    const gone = new Promise((resolve) => child.once("exit", resolve));
    child.kill(signal);
    await gone;
  }

  /** Starts a second one on the same directory and gives what it says before it ends. */
  second(): Promise<{ code: number | null; said: string }> {
    return new Promise((resolve) => {
      const child = spawn(process.execPath, ["node_modules/next/dist/bin/next", "start", "-p", String(this.port + 1), "-H", "127.0.0.1"], {
        cwd: root,
        env: { ...process.env, NODE_ENV: "production", RONDEAU_DATA_DIR: this.directory, NEXT_TELEMETRY_DISABLED: "1" },
      });
      let said = "";
      for (const stream of [child.stdout, child.stderr]) stream?.on("data", (text: Buffer) => (said += text));
      child.on("exit", (code) => resolve({ code, said }));
    });
  }

  /** Acknowledges every severe finding of a dish, as a cook does before a run. */
  async acknowledge(slug: string): Promise<void> {
    const { findings } = (await (await fetch(`${this.url}/api/dishes/${slug}/safety`)).json()) as {
      findings: readonly { id: string; print: string; severity: string }[];
    };
    const severe = findings.filter((f) => f.severity === "stop").map(({ id, print }) => ({ id, print }));
    if (severe.length === 0) return;
    const answer = await this.post(`/api/dishes/${slug}/safety`, { acknowledge: severe });
    if (!answer.ok) throw new Error(`not acknowledged: ${await answer.text()}`);
  }

  async post(where: string, body: unknown, headers: Record<string, string> = {}): Promise<Response> {
    return fetch(this.url + where, {
      method: "POST",
      headers: { "content-type": "application/json", ...headers },
      body: JSON.stringify(body),
    });
  }

  /** Sets the server's clock. */
  async clock(now: string): Promise<void> {
    const answer = await this.post("/api/clock", { now });
    if (!answer.ok) throw new Error(`clock: ${answer.status}`);
    this.#clockSet = { to: Date.parse(now), at: Date.now() };
  }

  /** Asks again and again for the same: a line that broke between two askings is no answer, and no fault. */
  #asked(where: string, method = "GET"): Promise<Response | undefined> {
    return fetch(this.url + where, { method }).catch(() => undefined);
  }

  /** The plan in force, once it is the planner's last word on what the dish says and what was pressed. */
  // biome-ignore lint/suspicious/noExplicitAny: a plan file as others read it
  async settled(slug: string): Promise<any> {
    for (let tries = 0; tries < 900; tries++) {
      const head = await this.#asked(`/api/dishes/${slug}/plan`, "HEAD");
      const answer = head?.headers.get("rondeau-plan") === "settled" ? await this.#asked(`/api/dishes/${slug}/plan`) : undefined;
      if (answer?.ok && answer.headers.get("rondeau-plan") === "settled") return answer.json();
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    throw new Error("the plan did not settle");
  }

  /** What the server's clock says, in milliseconds. */
  hour(): number {
    return this.#clockSet.to + Date.now() - this.#clockSet.at;
  }

  /** The plan in force, once it is made. */
  // biome-ignore lint/suspicious/noExplicitAny: a plan file as others read it
  async plan(slug: string): Promise<any> {
    for (let tries = 0; tries < 300; tries++) {
      const answer = await this.#asked(`/api/dishes/${slug}/plan`);
      if (answer?.ok) return answer.json();
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    throw new Error("no plan was made");
  }
}

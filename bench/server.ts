// A built server with the demo data on 127.0.0.1, in a directory of its own, for benches that ask it things.
import { spawn } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";

export const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** Resolves once the server answers, in a directory of its own. @param env beside the demo's own @throws where it does not answer within a minute */
export const demoServer = (port: number, env: Record<string, string> = {}) =>
  startDirectory(port, mkdtempSync(path.join(tmpdir(), "rondeau-bench-")), env);

/** The same over a directory that is there. */
export async function startDirectory(port: number, directory: string, env: Record<string, string> = {}) {
  const url = `http://127.0.0.1:${port}`;
  const server = spawn(process.execPath, ["node_modules/next/dist/bin/next", "start", "-p", String(port), "-H", "127.0.0.1"], {
    stdio: "ignore",
    env: { ...process.env, NODE_ENV: "production", RONDEAU_DATA_DIR: directory, RONDEAU_DEMO: "1", ...env },
  });
  const ended = new Promise<void>((resolve) => server.once("exit", () => resolve()));
  const stop = () => {
    server.kill("SIGTERM");
    rmSync(directory, { recursive: true, force: true });
  };
  /** Ends the server and leaves its directory. */
  const leave = async () => {
    server.kill("SIGTERM");
    await ended;
    return directory;
  };
  const post = (where: string, body: unknown) =>
    fetch(url + where, { method: "POST", headers: { "content-type": "application/json" }, body: JSON.stringify(body) });
  const answers = () =>
    fetch(url).then(
      (r) => r.ok,
      () => false,
    );
  for (let tries = 0; tries < 600; tries++) {
    if (await answers()) return { url, post, stop, leave, directory, pid: server.pid };
    await wait(100);
  }
  stop();
  throw new Error("the server does not answer");
}

type Post = Awaited<ReturnType<typeof demoServer>>["post"];

/** Plans a dish, acknowledges its dangers and starts its run. */
export async function startRun(url: string, post: Post, slug: string): Promise<void> {
  await post(`/api/dishes/${slug}/plan`, {}).then((r) => r.text());
  const { findings } = (await (await fetch(`${url}/api/dishes/${slug}/safety`)).json()) as {
    findings: { id: string; print: string; severity: string }[];
  };
  await post(`/api/dishes/${slug}/safety`, {
    acknowledge: findings.filter((f) => f.severity === "stop").map(({ id, print }) => ({ id, print })),
  });
  await post(`/api/dishes/${slug}/run`, {});
}

// rondeau device KIND [--url URL] [--id NAME] [--speed N] [--seconds N] [--seed N]: a simulated device that sends its lines to a running server,
// as a real one would. Exit 0 after so many seconds; 2 bad use; 1 where the server does not take them.
import { STAND_IN_KINDS, type StandInKind, standIn } from "../core/devices/stand-ins";

const say = (text: string) => process.stderr.write(`rondeau: ${text}\n`);
const [kind = "", ...args] = process.argv.slice(2);

function option(name: string, fallback: string): string {
  const at = args.indexOf(`--${name}`);
  return at < 0 ? fallback : (args[at + 1] ?? "");
}

const numberOf = (name: string, fallback: number, low: number, high: number): number => {
  const value = Number(option(name, String(fallback)));
  if (!Number.isFinite(value) || value < low || value > high) throw new RangeError(`--${name}: give a number from ${low} to ${high}.`);
  return value;
};

async function run(): Promise<void> {
  if (!(STAND_IN_KINDS as readonly string[]).includes(kind)) throw new RangeError(`Give one of ${STAND_IN_KINDS.join(", ")}.`);
  const url = option("url", process.env.RONDEAU_URL ?? "http://127.0.0.1:4700");
  const id = option("id", `${kind}-cli`);
  const speed = numberOf("speed", 1, 1, 3600);
  const seconds = numberOf("seconds", 86_400, 1, 7 * 86_400);
  const device = standIn(kind as StandInKind, numberOf("seed", Date.now() % 2 ** 31, 0, 2 ** 31));
  for (let second = 0; second < seconds; second++) {
    const line = { device: id, name: device.name, quantity: device.quantity, value: device.next(speed), at: new Date().toISOString() };
    const answer = await fetch(`${url}/api/devices`, { method: "POST", body: `${JSON.stringify(line)}\n` }).catch(() => undefined);
    // A server that is away for a moment is waited for: the device goes on measuring.
    if (answer && !answer.ok) throw new Error(`${url} does not take it: ${answer.status} ${await answer.text()}`);
    if (second === 0) say(answer ? `${id} sends to ${url}; Ctrl+C ends it` : `${url} does not answer; trying again every second`);
    if (second < seconds - 1) await new Promise((resolve) => setTimeout(resolve, 1000));
  }
}

run().catch((error: unknown) => {
  say(error instanceof Error ? error.message : String(error));
  process.exitCode = error instanceof RangeError ? 2 : 1;
});

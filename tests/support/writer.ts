// A process of its own that writes presses, dishes and kitchens without end and prints what is confirmed (tests/db/kill-writer.ts).
import { type ChildProcess, spawn } from "node:child_process";
import { fileURLToPath } from "node:url";
import { buildSync } from "esbuild";

const here = (file: string) => fileURLToPath(new URL(file, import.meta.url));
export const migrations = here("../../src/db/migrations");
export const template = here("../../dist/template");

export interface Writer {
  readonly process: ChildProcess;
  /** All lines so far: `press 12`, `dish import-7`, `kitchen 3`. */
  readonly said: () => string[];
  /** Resolves once the press of that number is confirmed; fails where the process ends before. */
  readonly pressed: (number: number) => Promise<void>;
}

/** @param name of the bundle, one for each file of tests */
export function bundledWriter(name: string): (directory: string) => Writer {
  // Beside node_modules, or the bundle would not find what it leaves outside.
  const outfile = here(`../../test-results/${name}.mjs`);
  buildSync({
    entryPoints: [here("../db/kill-writer.ts")],
    bundle: true,
    platform: "node",
    format: "esm",
    packages: "external",
    outfile,
    logLevel: "error",
  });
  return (directory) => {
    const child = spawn(process.execPath, [outfile, directory, migrations, template], { stdio: ["ignore", "pipe", "pipe"] });
    let [text, trouble] = ["", ""];
    child.stdout.on("data", (more: Buffer) => {
      text += more;
    });
    child.stderr.on("data", (more: Buffer) => {
      trouble += more;
    });
    const said = () => text.split("\n").slice(0, -1);
    const last = () =>
      Number(
        said()
          .findLast((line) => line.startsWith("press "))
          ?.slice(6) ?? 0,
      );
    const pressed = (number: number) =>
      new Promise<void>((resolve, reject) => {
        const look = () => {
          if (last() < number) return;
          child.stdout.off("data", look);
          resolve();
        };
        child.stdout.on("data", look);
        child.on("exit", () => reject(new Error(`the writer ended by itself: ${trouble.slice(0, 2000)}`)));
        look();
      });
    return { process: child, said, pressed };
  };
}

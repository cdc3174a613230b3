// One process owns a data directory. Two would silently corrupt it, so the second is refused before it opens anything.
// Method: a Linux abstract socket named after the directory: exclusive, and freed by the kernel when the owner dies.
// It sees processes of the same network namespace only: two containers must not share a directory.
import { createHash } from "node:crypto";
import { realpathSync } from "node:fs";
import { connect, createServer } from "node:net";

export class DirectoryInUse extends Error {
  constructor(
    message: string,
    /** Where the one that has it can be asked, if it is a kitchen that is open. */
    readonly url?: string,
  ) {
    super(message);
  }
}

/** Who has the name and does not answer is about to let go of it: asked again so often, ms apart. */
const [ASKED_AGAIN, EVERY_MS] = [10, 100];

/** Takes the lock; returns what gives it back. @throws DirectoryInUse naming the process that has it */
export function lockDirectory(directory: string, again = ASKED_AGAIN): Promise<() => void> {
  const name = `\0rondeau-${createHash("sha256").update(realpathSync(directory)).digest("hex").slice(0, 32)}`;
  return new Promise((resolve, reject) => {
    const server = createServer((socket) => {
      socket.on("error", () => {});
      socket.end([process.pid, process.env.RONDEAU_URL ?? ""].join(" ").trim());
    });
    server.once("error", (error: NodeJS.ErrnoException) => {
      if (error.code !== "EADDRINUSE") return reject(error);
      let owner = "";
      const socket = connect({ path: name });
      socket.setTimeout(500, () => socket.destroy());
      socket.on("data", (bytes) => {
        owner += bytes;
      });
      socket.on("error", () => {});
      socket.on("close", () => {
        const [process = "", url] = owner.split(" ");
        if (process === "" && again > 0) {
          setTimeout(() => lockDirectory(directory, again - 1).then(resolve, reject), EVERY_MS);
          return;
        }
        const which = process || "unknown";
        reject(
          new DirectoryInUse(
            `The data directory ${directory} is already open in process ${which}. Stop that one first, or set RONDEAU_DATA_DIR to another directory.`,
            url || undefined,
          ),
        );
      });
    });
    server.listen({ path: name }, () => {
      server.unref();
      resolve(() => server.close());
    });
  });
}

// The command line, without server or database: what is called becomes a command, and its answer goes to the streams of the process.
import { runCommand } from "./run";

process.exitCode = runCommand(process.argv.slice(2), {
  out: (text) => void process.stdout.write(text),
  err: (text) => void process.stderr.write(text),
});

// rondeau check | plan | verify | schema: the core on the command line, without server or database.
// Data on standard output, everything else on standard error. Exit 0; 1 a broken plan; 2 bad input; 3 no plan.
import { dishSchema } from "../core/dish/json-schema";
import { checkCommand } from "./check";
import { BadInput } from "./input";
import { planCommand } from "./plan";
import { verifyCommand } from "./verify";

const COMMANDS: Readonly<Record<string, (args: readonly string[]) => { readonly data: unknown; readonly exit: number }>> = {
  check: checkCommand,
  plan: planCommand,
  verify: verifyCommand,
  schema: () => ({ data: dishSchema(), exit: 0 }),
};

const [name = "", ...args] = process.argv.slice(2);
const command = Object.hasOwn(COMMANDS, name) ? COMMANDS[name] : undefined;
if (!command) {
  process.stderr.write(`rondeau: there is no command "${name.slice(0, 80)}". Use one of: ${Object.keys(COMMANDS).join(", ")}.\n`);
  process.exitCode = 2;
} else {
  try {
    const { data, exit } = command(args);
    process.stdout.write(`${JSON.stringify(data, null, 2)}\n`);
    process.exitCode = exit;
  } catch (error) {
    if (!(error instanceof BadInput)) throw error;
    process.stdout.write(`${JSON.stringify({ problems: error.problems }, null, 2)}\n`);
    for (const p of error.problems) process.stderr.write(`rondeau: ${p.path ? `${p.path}: ` : ""}${p.message}\n`);
    process.exitCode = 2;
  }
}

// rondeau check | plan | verify | risk | rehearse | reach | sheet | shop | read | ics | measure | safety | schema: the core on the command line, without server or database.
// Data on standard output, everything else on standard error. Exit 0; 1 a broken plan; 2 bad input; 3 no plan; 4 a hard stop.
import { dishSchema } from "../core/dish/json-schema";
import { checkCommand } from "./check";
import { BadInput } from "./input";
import { measureCommand } from "./measure";
import { planCommand } from "./plan";
import { reachCommand } from "./reach";
import { readCommand } from "./read";
import { rehearseCommand } from "./rehearse";
import { riskCommand } from "./risk";
import { safetyCommand } from "./safety";
import { icsCommand, sheetCommand, shopCommand } from "./sheets";
import { verifyCommand } from "./verify";

/** What a command prints: data as JSON, or a text as it stands. */
type Printed = { readonly exit: number } & ({ readonly data: unknown } | { readonly text: string });

const COMMANDS: Readonly<Record<string, (args: readonly string[]) => Printed>> = {
  check: checkCommand,
  plan: planCommand,
  verify: verifyCommand,
  risk: riskCommand,
  rehearse: rehearseCommand,
  reach: reachCommand,
  sheet: sheetCommand,
  shop: shopCommand,
  read: readCommand,
  ics: icsCommand,
  measure: measureCommand,
  safety: safetyCommand,
  schema: () => ({ data: dishSchema(), exit: 0 }),
};

const [name = "", ...args] = process.argv.slice(2);
const command = Object.hasOwn(COMMANDS, name) ? COMMANDS[name] : undefined;
if (!command) {
  process.stderr.write(`rondeau: there is no command "${name.slice(0, 80)}". Use one of: ${Object.keys(COMMANDS).join(", ")}.\n`);
  process.exitCode = 2;
} else {
  try {
    const printed = command(args);
    process.stdout.write("text" in printed ? printed.text : `${JSON.stringify(printed.data, null, 2)}\n`);
    process.exitCode = printed.exit;
  } catch (error) {
    if (!(error instanceof BadInput)) fault(error);
    else {
      process.stdout.write(`${JSON.stringify({ problems: error.problems }, null, 2)}\n`);
      for (const p of error.problems) process.stderr.write(`rondeau: ${p.path ? `${p.path}: ` : ""}${p.message}\n`);
      process.exitCode = 2;
    }
  }
}

/** A fault of the program itself: said in a line, not with a page of its source. */
function fault(error: unknown): void {
  const where = error instanceof Error ? (error.stack ?? "").split("\n").slice(1, 4).join("\n") : "";
  process.stderr.write(`rondeau: a fault of the program itself: ${error instanceof Error ? error.message : String(error)}\n${where}\n`);
  process.exitCode = 70;
}

// The commands: check | plan | verify | risk | rehearse | reach | sheet | shop | read | import | ics | measure | safety | schema.
// Data on standard output, everything else on standard error. Exit 0; 1 a broken plan; 2 bad input; 3 no plan; 4 a hard stop.
import { dishSchema } from "../core/dish/json-schema";
import { checkCommand } from "./check";
import { importCommand } from "./import";
import { BadInput, type Tell } from "./input";
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
type Printed = { readonly exit: number; readonly accounting?: unknown } & ({ readonly data: unknown } | { readonly text: string });

const COMMANDS: Readonly<Record<string, (args: readonly string[], tell: Tell) => Printed>> = {
  check: checkCommand,
  plan: planCommand,
  verify: verifyCommand,
  risk: riskCommand,
  rehearse: rehearseCommand,
  reach: reachCommand,
  sheet: sheetCommand,
  shop: shopCommand,
  read: readCommand,
  import: importCommand,
  ics: icsCommand,
  measure: measureCommand,
  safety: safetyCommand,
  schema: () => ({ data: dishSchema(), exit: 0 }),
};

/** The accounting of a file that could not be opened. */
const NOTHING_READ = { kind: "text", text: "", lines: { total: 0, read: 0, guessed: 0, unread: 0, notes: 0 }, items: [] };

/** Where a command prints to. */
interface Streams {
  readonly out: (text: string) => void;
  readonly err: (text: string) => void;
}

/**
 * Runs one command.
 * @param argv the command's name and what stands behind it
 * @returns the exit code
 */
export function runCommand([name = "", ...args]: readonly string[], { out, err }: Streams): number {
  const command = Object.hasOwn(COMMANDS, name) ? COMMANDS[name] : undefined;
  if (!command) {
    err(`rondeau: there is no command "${name.slice(0, 80)}". Use one of: ${Object.keys(COMMANDS).join(", ")}.\n`);
    return 2;
  }
  try {
    const printed = command(args, (line) => err(`rondeau: ${line}\n`));
    out("text" in printed ? printed.text : `${JSON.stringify(printed.data, null, 2)}\n`);
    // The last line of standard error: what became of every character of an imported file.
    if (printed.accounting !== undefined) err(`${JSON.stringify(printed.accounting)}\n`);
    return printed.exit;
  } catch (error) {
    if (!(error instanceof BadInput)) {
      err(`rondeau: a fault of the program itself: ${faultOf(error)}\n`);
      return 70;
    }
    out(`${JSON.stringify({ problems: error.problems }, null, 2)}\n`);
    for (const p of error.problems) err(`rondeau: ${p.path ? `${p.path}: ` : ""}${p.message}\n`);
    if (name === "import") err(`${JSON.stringify(NOTHING_READ)}\n`);
    return 2;
  }
}

/** A fault of the program itself: said in a line and three places, not with a page of its source. */
function faultOf(error: unknown): string {
  if (!(error instanceof Error)) return `${String(error)}\n`;
  return `${error.message}\n${(error.stack ?? "").split("\n").slice(1, 4).join("\n")}`;
}

// The process that kill.test.ts kills: writes presses without end and prints the number of each once it is confirmed.
import { openDatabase } from "../../src/db/open";
import { findDish, insertDish, insertKitchen } from "../../src/db/queries/dishes";
import { insertRun, insertRunEvent, listRunEvents } from "../../src/db/queries/runs";
import { smallDish } from "../support/small-dish";

const [directory = "", migrations = ""] = process.argv.slice(2);
const db = await openDatabase({ directory, migrations });
if (!(await findDish(db, "killed"))) {
  const { kitchen, ...document } = smallDish();
  await db.transaction(async (tx) => insertDish(tx, "killed", "Killed", document, await insertKitchen(tx, "Home", kitchen)));
}
const dish = await findDish(db, "killed");
const run = await db.transaction((tx) => insertRun(tx, dish?.id ?? "", new Date()));
for (let n = (await listRunEvents(db, run.id)).length + 1; ; n++) {
  await db.transaction((tx) =>
    insertRunEvent(tx, run.id, { key: crypto.randomUUID(), kind: "estimate", step: "stock.chop", at: new Date() }),
  );
  process.stdout.write(`${n}\n`);
}

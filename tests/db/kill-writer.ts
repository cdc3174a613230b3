// The process that kill.test.ts kills: writes presses without end and prints the number of each once it is confirmed.

import { backupTo } from "../../src/db/backup/keep";
import { openDatabase } from "../../src/db/open";
import { findDish, insertDish, insertKitchen, updateDocument } from "../../src/db/queries/dishes";
import { insertRun, insertRunEvent, listRunEvents } from "../../src/db/queries/runs";
import { smallDish } from "../support/small-dish";

const [directory = "", migrations = "", template] = process.argv.slice(2);
const db = await openDatabase({ directory, migrations, template });
if (!(await findDish(db, "killed"))) {
  const { kitchen, ...document } = smallDish();
  await db.transaction(async (tx) => insertDish(tx, "killed", "Killed", document, await insertKitchen(tx, "Home", kitchen)));
}
const dish = await findDish(db, "killed");
const run = await db.transaction((tx) => insertRun(tx, dish?.id ?? "", new Date()));
const say = (line: string) => process.stdout.write(`${line}\n`);
const { kitchen: home } = smallDish();
/** A backup is always being written meanwhile. */
const backups = async () => {
  for (;;) {
    await backupTo(db, directory, `${directory}/backups/rondeau-2026-01-01.zip`, new Date());
    await new Promise((resolve) => setTimeout(resolve, 5));
  }
};
void backups();
for (let n = (await listRunEvents(db, run.id)).length + 1; ; n++) {
  await db.transaction((tx) =>
    insertRunEvent(tx, run.id, { key: crypto.randomUUID(), kind: "estimate", step: "stock.chop", at: new Date() }),
  );
  say(`press ${n}`);
  if (n % 7 === 0) {
    const { kitchen: _, ...document } = smallDish((d) => (d.dish.name = `Import ${n}`));
    const slug = await db.transaction(async (tx) => insertDish(tx, `import-${n}`, `Import ${n}`, document, dish?.kitchenId ?? ""));
    say(`dish ${slug}`);
  }
  if (n % 5 === 0) {
    const now = await findDish(db, "killed");
    const changed = { ...home, cooks: [{ ...home.cooks[0], name: `Cook ${n}` }] };
    const version = await db.transaction((tx) =>
      updateDocument(tx, "kitchen", dish?.kitchenId ?? "", now?.kitchenVersion ?? 0, changed, `cook ${n}`),
    );
    say(`kitchen ${version}`);
  }
}

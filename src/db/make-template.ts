// Makes the template that new data directories start from: a migrated, empty database, dumped once at build time.
import { mkdirSync, writeFileSync } from "node:fs";
import path from "node:path";
import { openDatabase } from "./open";

const root = process.cwd();
const db = await openDatabase({ directory: "memory", migrations: path.join(root, "src/db/migrations") });
mkdirSync(path.join(root, "dist"), { recursive: true });
writeFileSync(path.join(root, "dist/template.tar.gz"), await db.dump());
await db.close();

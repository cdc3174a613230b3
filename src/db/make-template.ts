// Makes the template that new data directories start from: a migrated, empty cluster, made once at build time and copied.
import { cpSync, mkdirSync, mkdtempSync, rmSync } from "node:fs";
import path from "node:path";
import { openDatabase } from "./open";

const root = process.cwd();
mkdirSync(path.join(root, "dist"), { recursive: true });
const made = mkdtempSync(path.join(root, "dist/making-"));
const db = await openDatabase({ directory: made, migrations: path.join(root, "src/db/migrations") });
await db.close();
rmSync(path.join(root, "dist/template"), { recursive: true, force: true });
cpSync(path.join(made, "pg"), path.join(root, "dist/template"), { recursive: true });
rmSync(made, { recursive: true, force: true });

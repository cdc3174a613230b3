// The dish format as JSON Schema (draft 2020-12), for editors and other programs. It says the form; check.ts says the rest.
import { z } from "zod";
import { DishFile } from "./schema";

/** The text of schema/rondeau-1.schema.json. */
export function schemaText(): string {
  const schema = z.toJSONSchema(DishFile, { target: "draft-2020-12", io: "input", unrepresentable: "any" });
  return `${JSON.stringify({ ...schema, title: "Rondeau dish, version 1" }, null, 1)}\n`;
}

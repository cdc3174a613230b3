// The dish format as JSON Schema (draft 2020-12), for editors and other programs. It says the form; check.ts says the rest.
import { z } from "zod";
import { DishFile } from "./schema";

export function dishSchema(): object {
  const schema = z.toJSONSchema(DishFile, { target: "draft-2020-12", io: "input", unrepresentable: "any" });
  return { ...schema, title: "Rondeau dish, version 1" };
}

/** The text of schema/rondeau-1.schema.json: what `rondeau schema` prints. */
export const schemaText = (): string => `${JSON.stringify(dishSchema(), null, 2)}\n`;

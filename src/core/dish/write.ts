// Writing a dish file: fields in the order of the schema, links as objects, two spaces, one newline at the end.
// Writing what was read from a written file gives the same bytes.
import type { DishFile } from "./schema";

/** The text of a dish file. */
export function writeDish(document: DishFile): string {
  const components = document.components.map((component) => ({
    ...component,
    methods: component.methods.map((method) => ({
      ...method,
      steps: method.steps.map((step) =>
        step.after ? { ...step, after: step.after.map((l) => (typeof l === "string" ? { step: l } : l)) } : step,
      ),
    })),
  }));
  return `${JSON.stringify({ ...document, components }, null, 2)}\n`;
}

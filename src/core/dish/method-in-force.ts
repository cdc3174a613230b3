// Which of its ways a component is made by.

/** Ids or names of methods, by component. */
type ChosenMethods = Readonly<Record<string, string>>;

/** The method that is chosen by id or name, of a component of the file or of the model; its first where nothing is said. */
export function methodInForce<M extends { readonly id: string; readonly name?: string | undefined }>(
  component: { readonly id: string; readonly methods: readonly M[] },
  chosen: ChosenMethods,
): M | undefined {
  const wish = Object.hasOwn(chosen, component.id) ? chosen[component.id] : undefined;
  return component.methods.find((m) => m.id === wish || m.name === wish) ?? component.methods[0];
}

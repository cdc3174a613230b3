// @vitest-environment happy-dom
// What an ingredient was taken for stands beside it where there is doubt, and is put right with one press; the step at which it comes in.
import { describe, expect, test, vi } from "vitest";
import type { Loose } from "../support/dishes";
import { choose, hands, inDocument, keeping, screen, stand } from "../support/dom";
import { smallDish } from "../support/small-dish";
import { sound, workbench } from "../support/workbench";

inDocument();
async function open(name: string, more: Loose = {}) {
  const document = sound(
    smallDish((d) => {
      d.components[0].methods[0].ingredients = [{ id: "it", name, amount: { amount: 1, unit: "kg" }, ...more }];
    }),
  );
  const kept = keeping(document);
  stand(workbench(document, { component: "stock" }));
  return { kept, now: () => (kept.document as Loose).components[0].methods[0].ingredients[0] };
}
const saved = (kept: ReturnType<typeof keeping>, n = 1) => vi.waitFor(() => expect(kept.labels).toHaveLength(n));

describe("an ingredient", () => {
  test("whose name is plain says nothing of what it was taken for", async () => {
    await open("Minced beef");
    expect(screen.queryByText(/taken for/)).toBeNull();
    expect(screen.queryByText(/Which food is this/)).toBeNull();
  });

  test("that nobody knows asks which food it is, and keeps the answer", async () => {
    const { kept, now } = await open("Grandfather's special");
    expect(screen.getByText(/Which food is this/).textContent).toContain("do not know it");
    const user = hands();
    await user.click(screen.getByRole("button", { name: /^Choose food/ }));
    await user.type(screen.getByRole("textbox", { name: "This food is" }), "ground be");
    await user.click(screen.getByRole("button", { name: "ground beef" }));
    await saved(kept);
    expect(now().food).toBe("beef.mince");
    expect(screen.queryByText(/Which food is this/)).toBeNull();
    await user.click(screen.getByRole("button", { name: "read its name again" }));
    await saved(kept, 2);
    expect(now().food).toBeUndefined();
  });

  test("comes in at the step that the cook names", async () => {
    const { kept, now } = await open("Bones");
    const user = hands();
    await user.click(screen.getByRole("button", { name: /(?:more|Can't get this).*Bones/ }));
    await choose(screen.getByRole("combobox", { name: "Added in step" }), "Simmer");
    await saved(kept);
    expect(now().step).toBe("simmer");
  });

  test("that gets another name is read anew", async () => {
    const { kept, now } = await open("Grandfather's special", { food: "beef.mince" });
    const user = hands();
    const line = screen.getByRole("textbox", { name: /^Ingredient Grandfather/ });
    await user.clear(line);
    await user.type(line, "1 kg carrots{Enter}");
    await saved(kept);
    expect(now()).toMatchObject({ name: "carrots" });
    expect(now().food).toBeUndefined();
  });
});

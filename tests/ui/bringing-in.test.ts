// @vitest-environment happy-dom
// Dishes brought in and components taken from the library: looked at before they are kept, refused with all that is wrong, nothing lost.

import { readFileSync } from "node:fs";
import path from "node:path";
import { within } from "@testing-library/react";
import { createElement } from "react";
import { describe, expect, test, vi } from "vitest";
import { libraryEntry } from "../../src/core/dish/edit/library";
import { dishPreview } from "../../src/core/dish/preview";
import { readDish, readDishValue } from "../../src/core/dish/read";
import type { DishFile } from "../../src/core/dish/schema";
import { LibraryView } from "../../src/ui/dish/LibraryView";
import { ImportPreview } from "../../src/ui/import/ImportPreview";
import { KitchenForm } from "../../src/ui/kitchen/KitchenForm";
import { ImportDish } from "../../src/ui/shell/ImportDish";
import { demoText } from "../support/dishes";
import { choose, hands, inDocument, keeping, screen, serverThat, stand } from "../support/dom";
import { smallDish } from "../support/small-dish";

inDocument();
const sound = (value: unknown): DishFile => {
  const read = readDishValue(value);
  if (read.status === "refused") throw new Error(read.problems[0]?.message);
  return read.document;
};
const paste = async (text: string) => {
  const box = screen.getByRole("textbox", { name: /paste text/ });
  box.focus();
  await hands().paste(text);
};

describe("a dish file", () => {
  const server = () =>
    serverThat(({ path: where, body }) => {
      const read = readDishValue(body);
      if (read.status === "refused") return { status: 422, body: { problems: read.problems } };
      return where.includes("preview")
        ? { status: 200, body: { value: dishPreview(read.document, read.problems) } }
        : { status: 200, body: { value: { slug: "spiced-duck" } } };
    });
  test("is looked at first, and kept only when one says so", async () => {
    const { sent } = server();
    const { router } = stand(createElement(ImportDish));
    await paste(demoText("spiced-duck"));
    await hands().click(screen.getByRole("button", { name: "Check and import" }));
    const holds = await screen.findByRole("region", { name: "Contents" });
    expect(holds.textContent).toContain("Nothing is saved yet.");
    expect(within(holds).getAllByRole("listitem").length).toBeGreaterThan(3);
    expect(sent.map((s) => s.path)).toEqual(["/api/dishes?preview"]);
    await hands().click(screen.getByRole("button", { name: "Import" }));
    await vi.waitFor(() => expect(router.pushed).toEqual(["/d/spiced-duck/dish"]));
    expect(sessionStorage.getItem("rondeau.import")).toBeFalsy();
  });
  test("with faults stays in the box, with every fault and its place", async () => {
    server();
    stand(createElement(ImportDish));
    const broken = JSON.stringify(
      smallDish((d) => {
        d.dish.serves = 0;
        d.components[0].methods[0].steps[1].after = ["nothing"];
      }),
    );
    await paste(broken);
    await hands().click(screen.getByRole("button", { name: "Check and import" }));
    const alert = await screen.findByRole("alert");
    expect(alert.textContent).toMatch(/Nothing was saved/);
    expect(alert.textContent).toContain("serves");
    expect(screen.getByRole<HTMLTextAreaElement>("textbox", { name: /paste text/ }).value).toBe(broken);
  });
  test("any other text goes by way of its preview, and what was typed is still there on the way back", async () => {
    serverThat(() => undefined);
    const { router } = stand(createElement(ImportDish));
    await paste("Pea soup\nServes 4\n500 g peas\nBoil the peas.");
    await hands().click(screen.getByRole("button", { name: "Check and import" }));
    expect(router.pushed).toEqual(["/import"]);
    stand(createElement(ImportDish));
    expect(screen.getAllByRole<HTMLTextAreaElement>("textbox", { name: /paste text/ })[1]?.value).toContain("500 g peas");
  });
});

describe("a recipe as it was copied", () => {
  const draft =
    "Pea soup\nServes 4\n\nIngredients\n500 g dried peas\n1 onion\n2 l water\n\nMethod\nSoak the peas overnight.\nBoil the peas for 90 minutes with the onion.\nBlend until smooth.";
  const open = () => {
    stand(createElement(ImportDish));
    return paste(draft).then(() => {
      document.body.innerHTML = "";
      return stand(createElement(ImportPreview, { when: "2026-10-18T13:00", timezone: "Europe/Dublin", kitchen: undefined }));
    });
  };
  test("is read line by line, put right before it is kept, and kept as a dish", async () => {
    const { sent } = serverThat(() => ({ status: 200, body: { value: { slug: "pea-soup" } } }));
    const { router } = await open();
    const values = screen
      .getAllByRole<HTMLInputElement>("textbox")
      .map((b) => b.value)
      .join("\n");
    for (const words of ["Pea soup", "500 g dried peas", "Soak the peas overnight."]) expect(values).toContain(words);
    await hands().click(screen.getByRole("button", { name: /^Import/ }));
    await vi.waitFor(() => expect(router.pushed).toEqual(["/d/pea-soup/dish/questions"]));
    const kept = sound(sent.at(-1)?.body);
    expect(kept.components.flatMap((c) => c.methods.flatMap((m) => (m.ingredients ?? []).map((i) => i.name)))).toEqual(
      expect.arrayContaining(["dried peas", "onion", "water"]),
    );
    expect(kept.components.flatMap((c) => c.methods.flatMap((m) => m.steps)).length).toBeGreaterThanOrEqual(3);
  });
});

describe("the library", () => {
  const files = ["braised-shin", "chicken-stock", "country-loaf"].map((name) => {
    const read = readDish(readFileSync(path.resolve("library", `${name}.json`), "utf8"));
    if (read.status === "refused") throw new Error(name);
    return read.document;
  });
  const open = () => {
    const document = sound(smallDish());
    const kept = keeping(document);
    return { kept, ...stand(createElement(LibraryView, { slug: "small", version: 1, document, entries: files.map(libraryEntry) })) };
  };
  const shown = () => [...document.querySelectorAll("[data-entry]")].map((e) => e.getAttribute("data-entry"));
  test("is searched by a word and narrowed by what one has of time", async () => {
    open();
    expect(shown()).toHaveLength(3);
    await hands().type(screen.getByRole("searchbox", { name: "Search" }), "chicken");
    expect(shown()).toEqual(["chicken-stock"]);
    await hands().clear(screen.getByRole("searchbox", { name: "Search" }));
    await choose(screen.getByRole("combobox", { name: "Kind" }), /dough/);
    expect(shown()).toEqual(["country-loaf"]);
    await hands().type(screen.getByRole("searchbox", { name: "Search" }), "trout");
    expect(screen.getByText(/Nothing found/)).toBeTruthy();
  });
  test("says of each way how long it takes and how much of that by hand", () => {
    open();
    for (const e of document.querySelectorAll("[data-entry]")) expect(e.textContent).toMatch(/: .*(?:min|h|d).* by hand/);
  });
});

describe("the kitchen", () => {
  const open = (answer = { status: 200, body: {} as object }) => {
    const server = serverThat(() => answer);
    const { kitchen } = sound(smallDish());
    if (!kitchen) throw new Error("no kitchen");
    return { ...server, ...stand(createElement(KitchenForm, { slug: "small", version: 4, kitchen })) };
  };
  const save = () => hands().click(screen.getByRole("button", { name: /^Save kitchen/ }));
  test("a helper comes in with hours of their own, and is kept with the version that was seen", async () => {
    const { sent } = open();
    await hands().click(screen.getByRole("button", { name: "Add helper" }));
    await save();
    await vi.waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({ path: "/api/dishes/small/kitchen", method: "PUT", body: { version: 4 } });
    expect(sent[0]?.body.kitchen.cooks).toHaveLength(2);
    expect(sent[0]?.body.kitchen.cooks[1]).toMatchObject({ name: "Helper", hours: [{ days: "sat", from: "14:00", to: "18:00" }] });
    // What the form does not show is kept as it was.
    expect(sent[0]?.body.kitchen.equipment.find((e: { id: string }) => e.id === "oven")).toMatchObject({ maxC: 250, racks: 2 });
  });
  test("a refusal is told and what was typed stays", async () => {
    open({ status: 409, body: { message: "It was changed somewhere else meanwhile." } });
    const cook = screen.getAllByRole<HTMLInputElement>("textbox", { name: "Cook" })[0] as HTMLInputElement;
    await hands().clear(cook);
    await hands().type(cook, "Ada of the hill");
    await save();
    expect((await screen.findByRole("alert")).textContent).toContain("changed somewhere else");
    expect(cook.value).toBe("Ada of the hill");
  });
});

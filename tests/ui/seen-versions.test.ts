// Which versions a page makes its changes and undos for.
import { describe, expect, test, vi } from "vitest";
import { ask } from "../../src/ui/shell/ask";
import { seeAnswer, seenVersions, seePage } from "../../src/ui/shell/seen-versions";

const at = (version: number, kitchenVersion = 1) => ({ version, kitchenVersion });
const done = (version: number) => ({ ok: true, status: 200, body: { value: at(version) } });

describe("the versions that a page has seen", () => {
  test("are those of its last change, though an older look at the server comes in after it", () => {
    seePage("lunch", at(5));
    seeAnswer("/api/dishes/lunch/change", done(6));
    seePage("lunch", at(5));
    expect(seenVersions("lunch")).toEqual(at(6));
    seePage("lunch", at(7));
    expect(seenVersions("lunch")).toEqual(at(7));
  });
  test("go back with undos, one after another", () => {
    seePage("duck", at(8));
    seeAnswer("/api/dishes/duck/change", { ok: true, status: 200, body: { change: "x", versions: at(7) } });
    seePage("duck", at(8));
    seeAnswer("/api/dishes/duck/change", { ok: true, status: 200, body: { change: "y", versions: at(6) } });
    seePage("duck", at(7));
    expect(seenVersions("duck")).toEqual(at(6));
    seeAnswer("/api/dishes/duck/change", { ok: true, status: 200, body: { change: "y", versions: at(7) } });
    expect(seenVersions("duck")).toEqual(at(7));
  });
  test("are those of any change that the page asked for, whatever asked; a press changes none", async () => {
    seePage("tart", at(2));
    const answers: Record<string, unknown> = {
      "/api/dishes/tart/kitchen": { value: 2, versions: at(2, 2) },
      "/api/dishes/tart": { value: 3, versions: at(3, 2) },
      "/api/dishes/tart/events": { value: at(9, 9) },
    };
    vi.stubGlobal("fetch", async (path: string) => Response.json(answers[path]));
    await ask("/api/dishes/tart/kitchen", "PUT", {});
    expect(seenVersions("tart")).toEqual(at(2, 2));
    await ask("/api/dishes/tart", "PATCH", {});
    await ask("/api/dishes/tart/events", "POST", {});
    expect(seenVersions("tart")).toEqual(at(3, 2));
    vi.unstubAllGlobals();
  });
  test("are none after a refusal, until the page has looked anew", () => {
    seePage("pie", at(3));
    seeAnswer("/api/dishes/pie/change", { ok: false, status: 409, body: { message: "changed" } });
    expect(seenVersions("pie")).toEqual({});
    seePage("pie", at(4));
    expect(seenVersions("pie")).toEqual(at(4));
  });
});

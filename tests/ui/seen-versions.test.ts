// Which versions a page makes its changes and undos for.
import { describe, expect, test } from "vitest";
import { seeAnswer, seenVersions, seePage } from "../../src/ui/shell/seen-versions";

const at = (version: number, kitchenVersion = 1) => ({ version, kitchenVersion });
const done = (version: number) => ({ ok: true, status: 200, body: { value: at(version) } });

describe("the versions that a page has seen", () => {
  test("are those of its last change, though an older look at the server comes in after it", () => {
    seePage("lunch", at(5));
    seeAnswer("lunch", done(6));
    seePage("lunch", at(5));
    expect(seenVersions("lunch")).toEqual(at(6));
    seePage("lunch", at(7));
    expect(seenVersions("lunch")).toEqual(at(7));
  });
  test("go back with undos, one after another", () => {
    seePage("duck", at(8));
    seeAnswer("duck", { ok: true, status: 200, body: { change: "x", versions: at(7) } });
    seePage("duck", at(8));
    seeAnswer("duck", { ok: true, status: 200, body: { change: "y", versions: at(6) } });
    seePage("duck", at(7));
    expect(seenVersions("duck")).toEqual(at(6));
    seeAnswer("duck", { ok: true, status: 200, body: { change: "y", versions: at(7) } });
    expect(seenVersions("duck")).toEqual(at(7));
  });
  test("are none after a refusal, until the page has looked anew", () => {
    seePage("pie", at(3));
    seeAnswer("pie", { ok: false, status: 409, body: { message: "changed" } });
    expect(seenVersions("pie")).toEqual({});
    seePage("pie", at(4));
    expect(seenVersions("pie")).toEqual(at(4));
  });
});

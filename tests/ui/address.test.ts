// @vitest-environment happy-dom
// What the address says of what is seen, while pages that were asked for before still come in.
import { act, renderHook } from "@testing-library/react";
import { describe, expect, test } from "vitest";
import { useAddress } from "../../src/ui/shell/use-address";

const at = () => window.location.pathname + window.location.search;
const browserGoesTo = (to: string) => window.history.replaceState(null, "", to);

function seen(from: string) {
  browserGoesTo(from);
  const hook = renderHook(({ came }) => useAddress(came), { initialProps: { came: 0 } });
  let came = 0;
  return {
    put: (to: string) => act(() => hook.result.current(to)),
    /** A page comes in and brings an address with it. */
    arrives: (address: string) => {
      browserGoesTo(address);
      hook.rerender({ came: ++came });
    },
  };
}

describe("the address", () => {
  test("stays what the cook last looked at, though a page asked for before comes in after", () => {
    const page = seen("/d/lunch/timetable");
    page.put("/d/lunch/timetable?zoom=last");
    page.put("/d/lunch/timetable?c=pie&zoom=last");
    page.arrives("/d/lunch/timetable");
    expect(at()).toBe("/d/lunch/timetable?c=pie&zoom=last");
    page.arrives("/d/lunch/timetable?zoom=last");
    expect(at()).toBe("/d/lunch/timetable?c=pie&zoom=last");
  });
  test("goes where the cook goes on to", () => {
    const page = seen("/d/lunch/timetable");
    page.put("/d/lunch/timetable?zoom=last");
    page.arrives("/d/lunch/timetable?c=slaw");
    expect(at()).toBe("/d/lunch/timetable?c=slaw");
  });
});

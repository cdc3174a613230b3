// @vitest-environment happy-dom
// The field for a date and time: typed in many ways, picked from a calendar, refused with an example.
import { createElement, type ReactNode, useState } from "react";
import { describe, expect, test, vi } from "vitest";
import { type Conventions, METRIC_24, US_12 } from "../../src/core/spoken/conventions";
import { ConventionsGiven } from "../../src/ui/shell/conventions";
import { MomentField } from "../../src/ui/shell/MomentField";
import { TimeOfDayField } from "../../src/ui/shell/TimeOfDayField";
import { hands, inDocument, screen, stand } from "../support/dom";

inDocument();
/** The children are given as such, not as a property. */
const Reader = ConventionsGiven as (props: { value: Conventions; children?: ReactNode }) => ReactNode;
const YEAR = new Date().getFullYear() + 1;
/** Next year in June, whatever year it is: what is typed keeps the year that stands in the field. */
const BASE = `${YEAR}-06-15T13:00`;

function Holder({ told, live, base = BASE }: { told: (v: string) => void; live?: boolean; base?: string }) {
  const [value, setValue] = useState(base);
  return createElement(MomentField, {
    label: "Serve at",
    value,
    ...(live ? { live } : {}),
    onChange: (v: string) => {
      setValue(v);
      told(v);
    },
  });
}
const open = (conventions = METRIC_24, more: { live?: boolean; base?: string } = {}) => {
  const told = vi.fn();
  stand(createElement(Reader, { value: conventions }, createElement(Holder, { told, ...more })));
  return { told, field: screen.getByRole<HTMLInputElement>("textbox", { name: "Serve at" }) };
};
async function type(field: HTMLElement, text: string) {
  const user = hands();
  await user.clear(field);
  await user.type(field, `${text}{Enter}`);
}

describe("a date and time", () => {
  test.each([
    ["18", "18:00"],
    ["18:30", "18:30"],
    ["18.30", "18:30"],
    ["6.30pm", "18:30"],
    ["6pm", "18:00"],
    ["noon", "12:00"],
  ])("%s changes the time of day", async (text, time) => {
    const { told, field } = open();
    await type(field, text);
    expect(told).toHaveBeenLastCalledWith(`${YEAR}-06-15T${time}`);
    expect(field.value).toMatch(new RegExp(`^\\w{3} 15 Jun ${YEAR}, ${time}$`));
  });
  test.each([
    [`20 Jun ${YEAR} 19:00`, `${YEAR}-06-20T19:00`],
    [`20/6/${YEAR} 7pm`, `${YEAR}-06-20T19:00`],
    [`June 20 ${YEAR}, 19:00`, `${YEAR}-06-20T19:00`],
    [`${YEAR}-06-20T19:00`, `${YEAR}-06-20T19:00`],
  ])("%s changes the day as well", async (text, wanted) => {
    const { told, field } = open();
    await type(field, text);
    expect(told).toHaveBeenLastCalledWith(wanted);
  });
  test("what is not understood stays, with an example, and changes nothing", async () => {
    const { told, field } = open();
    await type(field, "after church");
    expect(told).not.toHaveBeenCalled();
    expect(field.value).toBe("after church");
    expect(field.getAttribute("aria-invalid")).toBe("true");
    expect(screen.getByRole("alert").textContent).toContain("Type one such as Sun 1pm");
    await hands().type(field, "{Escape}");
    expect(field.value).toContain(", 13:00");
  });
  test("of twelve hours and month first is shown so", () => {
    expect(open(US_12).field.value).toMatch(new RegExp(`^\\w{3}, Jun 15 ${YEAR}, 1:00 pm$`));
  });
  test("a form that is sent by a button hears every key that makes sense", async () => {
    const { told, field } = open(METRIC_24, { live: true });
    const user = hands();
    await user.clear(field);
    await user.type(field, "19:45");
    expect(told).toHaveBeenLastCalledWith(`${YEAR}-06-15T19:45`);
    await user.keyboard("{Escape}");
    expect(told).toHaveBeenLastCalledWith(BASE);
    expect(field.value).toContain(", 13:00");
  });
  test("a day is picked from the calendar by its button, and the time of day stays", async () => {
    const { told } = open();
    const user = hands();
    await user.click(screen.getByRole("button", { name: "Serve at: open calendar" }));
    await user.click(await screen.findByRole("button", { name: /June 20(th)?, / }));
    expect(told).toHaveBeenLastCalledWith(`${YEAR}-06-20T13:00`);
  });
});

describe("a time of day", () => {
  test("is typed as a cook says it and kept as the file writes it", async () => {
    const told = vi.fn();
    stand(createElement(Reader, { value: US_12 }, createElement(TimeOfDayField, { label: "from", value: "19:30", onChange: told })));
    const field = screen.getByRole<HTMLInputElement>("textbox", { name: "from" });
    expect(field.value).toBe("7:30 pm");
    await type(field, "8.15pm");
    expect(told).toHaveBeenLastCalledWith("20:15");
  });
});

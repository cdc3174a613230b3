// A dish as Markdown: to be read by people and kept beside other notes. Everything that the dish says in words stands in it.

import type { Step } from "../dish/model";
import { dishModel } from "../dish/read-model";
import type { DishFile } from "../dish/schema";
import { quantityText } from "../dish/units";
import { cautionOf, LOCAL_CODES_FIRST } from "../foods/cautions";
import { onOneLine } from "../plain-text";
import { spokenDuration } from "../time/duration";
import { ingredientRows, outputRows } from "./breakdown";

/** Characters that would be taken for markup at the places where texts stand. */
const escaped = (text: string) =>
  onOneLine(text)
    .replace(/([\\`*_[\]<>#|])/g, "\\$1")
    .replace(/\s+/g, " ")
    .trim();

/** The dish at the guests wished for, with every method. */
export function dishMarkdown(document: DishFile): string {
  const dish = dishModel(document);
  const lines: string[] = [
    `# ${escaped(document.dish.name)}`,
    "",
    `For ${document.dish.serves}, served ${document.dish.serveAt.replace("T", " ").slice(0, 16)} (${document.dish.timezone}).`,
    "",
  ];
  if (document.dish.note) lines.push(escaped(document.dish.note), "");
  const { guests } = document.dish;
  if (guests?.avoid?.length) lines.push(`Guests avoid: ${guests.avoid.map(escaped).join(", ")}.`, "");
  if (guests?.care?.length) lines.push(`Care for: ${guests.care.map(escaped).join(", ")}.`, "");
  const inForce = dish.components.flatMap((c) => c.methods[0]?.steps ?? []);
  for (const component of dish.components) {
    const file = document.components.find((c) => c.id === component.id);
    lines.push(`## ${escaped(component.name)}`, "", `*${component.kind}*`, "");
    if (file?.note) lines.push(escaped(file.note), "");
    for (const method of component.methods) {
      const methodFile = file?.methods.find((m) => m.id === method.id);
      if (component.methods.length > 1)
        lines.push(`### ${escaped(method.name)}${method.quality < 1 ? ` (${Math.round(method.quality * 100)} % as good)` : ""}`, "");
      if (methodFile?.note) lines.push(escaped(methodFile.note), "");
      const rows = ingredientRows(document, component.id, method.id);
      if (rows.length) {
        for (const r of rows) lines.push(`- ${r.amount ? `${r.amount} ` : ""}${escaped(r.name)}${r.note ? ` (${escaped(r.note)})` : ""}`);
        lines.push("");
      }
      method.steps.forEach((step, i) => {
        lines.push(`${i + 1}. ${stepText(step)}`);
      });
      lines.push("");
      for (const o of outputRows(dish, method.steps, inForce)) {
        const takers = o.takers.map((t) => `${t.amount ? `${t.amount} ` : ""}for ${escaped(t.component)}`).join(", ");
        const holds = o.holds
          .map(
            (h) =>
              `${h.place === "none" ? "" : `${h.place} `}${h.max === undefined ? "as long as you like" : `${spokenDuration(h.max)} at most`}${h.limit === "safety" ? " (safety)" : ""}`,
          )
          .join("; ");
        lines.push(
          `Makes ${o.amount ? `${o.amount} of ` : ""}${escaped(o.name)}.${takers ? ` Used: ${takers}.` : ""}${holds ? ` Keeps: ${holds}.` : ""}`,
        );
      }
      lines.push("");
    }
    for (const o of file?.onHand ?? []) lines.push(`On hand: ${escaped(o.output)}, made ${o.madeAt.replace("T", " ").slice(0, 16)}.`, "");
    if (component.fallback)
      lines.push(
        `If it fails: ${escaped(component.fallback.name)}, ready ${spokenDuration(component.fallback.lead)} after you decide.`,
        "",
      );
  }
  return `${lines
    .join("\n")
    .replace(/\n{3,}/g, "\n\n")
    .trim()}\n`;
}

function stepText(step: Step): string {
  const { time, file } = step;
  const length = time.min === time.max ? spokenDuration(time.likely) : `${spokenDuration(time.min)} to ${spokenDuration(time.max)}`;
  const attention = step.attention === "hands" ? "by hand" : step.attention === "nearby" ? "nearby" : "unattended";
  const parts = [`**${escaped(step.name)}**: ${length}${step.batches > 1 ? ` × ${step.batches}` : ""}, ${attention}.`];
  for (const u of step.uses) {
    if (u.what === "burner") continue;
    parts.push(
      `${u.what}${u.tempC && ["oven", "bath", "grill"].includes(u.what) ? ` ${u.tempC} °C` : ""}${u.litres ? ` ${Number(u.litres.toPrecision(2))} L` : ""}.`,
    );
  }
  for (const t of step.takes) parts.push(`Takes ${t.quantity ? `${quantityText(t.quantity)} of ` : ""}${escaped(t.from)}.`);
  for (const t of step.tends) parts.push(`Every ${spokenDuration(t.every)}: ${escaped(t.what)}.`);
  if (file.done?.cue)
    parts.push(`Until ${escaped(file.done.cue)}${file.done.probeC === undefined ? "" : `, ${file.done.probeC} °C in the middle`}.`);
  else if (file.done?.probeC !== undefined) parts.push(`Until ${file.done.probeC} °C in the middle.`);
  for (const l of step.links) if (l.max !== undefined) parts.push(l.max === 0 ? "At once." : `Within ${spokenDuration(l.max)}.`);
  if (file.note) parts.push(escaped(file.note));
  for (const id of file.danger ?? []) {
    const caution = cautionOf(id);
    if (caution) parts.push(`Caution: ${escaped(caution.text)} ${LOCAL_CODES_FIRST}`);
  }
  return parts.join(" ");
}

import { z } from "zod";
import { changeKitchen } from "@/server/dishes";
import { answer, readBody } from "@/server/http";

const Change = z.object({ version: z.number().int(), kitchen: z.unknown(), label: z.string().max(200) });

export async function PUT(request: Request, { params }: { params: Promise<{ dish: string }> }) {
  const body = await readBody(request, Change);
  return body.ok
    ? answer(await changeKitchen((await params).dish, body.value.version, body.value.kitchen, body.value.label))
    : body.response;
}

import { z } from "zod";
import { changeKitchen } from "@/server/dishes";
import { answer, readBody } from "@/server/http";
import { route } from "@/server/route";

const Change = z.object({ version: z.number().int(), kitchen: z.unknown(), label: z.string().max(200) });

async function put(request: Request, { params }: { params: Promise<{ dish: string }> }) {
  const body = await readBody(request, Change);
  return body.ok
    ? answer(await changeKitchen((await params).dish, body.value.version, body.value.kitchen, body.value.label))
    : body.response;
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ PUT: put });

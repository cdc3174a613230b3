import { importDish } from "@/server/dishes";
import { answer, bodyText, TooLarge } from "@/server/http";

export async function POST(request: Request) {
  try {
    return answer(await importDish(await bodyText(request)));
  } catch (error) {
    if (error instanceof TooLarge)
      return Response.json({ message: "The file is larger than 8 MB: is this the right file?" }, { status: 413 });
    throw error;
  }
}

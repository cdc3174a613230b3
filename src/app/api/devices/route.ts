import { readDeviceLines } from "@/core/devices/line";
import { listDevices, takeReadings } from "@/server/devices";
import { bodyText, TooLarge } from "@/server/http";
import { route } from "@/server/route";

/** Every device that was heard of lately, with what it read last. */
const get = () => Response.json({ devices: listDevices() });

/** Takes readings, one JSON object a line (docs/devices.md). Lines that are wrong are told and do not spoil the others. */
async function post(request: Request) {
  try {
    const { readings, problems } = readDeviceLines(await bodyText(request));
    const taken = await takeReadings(readings);
    return Response.json({ taken, problems }, { status: readings.length === 0 && problems.length > 0 ? 422 : 200 });
  } catch (error) {
    if (error instanceof TooLarge) return Response.json({ message: "That is too large. Send fewer lines at once." }, { status: 413 });
    throw error;
  }
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ GET: get, POST: post });

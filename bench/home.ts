// How long Home takes with none, one, three, forty and four hundred dishes: the server's answer, and the next stretch of the list.
//   ./rondeau bench home [repeats]
import { readFileSync } from "node:fs";
import { demoServer } from "./server";

const repeats = Number(process.argv[2] ?? 9);
const median = (all: number[]) => all.sort((a, b) => a - b)[Math.floor(all.length / 2)] ?? 0;

async function timed(url: string): Promise<{ ms: number; bytes: number }> {
  const times: number[] = [];
  let bytes = 0;
  for (let n = 0; n < repeats; n++) {
    const from = performance.now();
    bytes = (await (await fetch(url)).text()).length;
    times.push(performance.now() - from);
  }
  return { ms: median(times), bytes };
}

const { url, post, stop } = await demoServer(4391, { RONDEAU_DEMO: "0" });
try {
  const dish = JSON.parse(readFileSync("demo/saturday-pastries.json", "utf8"));
  const floor = await timed(`${url}/settings`);
  console.log(`a page without dishes: ${floor.ms.toFixed(0)} ms`);
  let there = 0;
  for (const wanted of [0, 1, 3, 40, 400]) {
    for (; there < wanted; there++) {
      const day = new Date(Date.now() + (2 + there) * 86_400_000).toISOString().slice(0, 10);
      const answer = await post("/api/dishes", {
        ...dish,
        dish: { ...dish.dish, id: `dish-${there}`, name: `Dish ${there}`, serveAt: `${day}T11:30` },
      });
      if (!answer.ok) throw new Error(await answer.text());
      // The nearest are planned, as they are in a kitchen in use.
      if (there < 8) await (await post(`/api/dishes/dish-${there}/plan`, {})).text();
    }
    const home = await timed(url);
    const next = await timed(`${url}/api/home?part=ahead&from=8`);
    console.log(
      `${String(wanted).padStart(3)} dishes: Home ${home.ms.toFixed(0)} ms, ${(home.bytes / 1000).toFixed(0)} kB; the next stretch ${next.ms.toFixed(0)} ms`,
    );
  }
} finally {
  stop();
}

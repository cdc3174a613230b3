// rondeau check DISH: all problems of a dish file.
import { readDish } from "../core/dish/read";
import { readFlags, readText } from "./input";

export function checkCommand(args: readonly string[]) {
  const [file = ""] = readFlags(args, [], ["DISH"]).files;
  const { problems } = readDish(readText(file));
  return { data: { problems }, exit: problems.some((p) => p.severity === "error") ? 2 : 0 };
}

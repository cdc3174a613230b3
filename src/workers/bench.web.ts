// The Bench in a web worker: what takes more than a frame to calculate.
import { expose } from "comlink";
import { benchAnswer } from "@/core/bench/ask";

const shell = { answer: benchAnswer };
export type BenchShell = typeof shell;

expose(shell);

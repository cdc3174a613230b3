// The desk in a web worker: a thin shell, spoken to through Comlink.
import { expose } from "comlink";
import { PlanDesk } from "./plan-desk";
import { RehearsalDesk } from "./rehearsal-desk";

let desk: PlanDesk | undefined;
let rehearsal: RehearsalDesk | undefined;

const open = (): PlanDesk => {
  if (!desk) throw new Error("plan worker: asked before it was given a scene");
  return desk;
};

const stage = (): RehearsalDesk => {
  if (!rehearsal) throw new Error("plan worker: asked before it was given a scene");
  return rehearsal;
};

const shell = {
  open: (scene: unknown): void => {
    desk = new PlanDesk(scene);
    rehearsal = new RehearsalDesk(scene);
  },
  drag: (...args: Parameters<PlanDesk["drag"]>) => open().drag(...args),
  settle: (...args: Parameters<PlanDesk["settle"]>) => open().settle(...args),
  try: (...args: Parameters<PlanDesk["try"]>) => open().try(...args),
  way: (...args: Parameters<PlanDesk["way"]>) => open().way(...args),
  lighten: (...args: Parameters<PlanDesk["lighten"]>) => open().lighten(...args),
  reach: () => open().reach(),
  sure: (...args: Parameters<PlanDesk["sure"]>) => open().sure(...args),
  join: (...args: Parameters<PlanDesk["join"]>) => open().join(...args),
  rehearse: (...args: Parameters<RehearsalDesk["rehearse"]>) => stage().rehearse(...args),
  replay: (...args: Parameters<RehearsalDesk["replay"]>) => stage().replay(...args),
  fix: (...args: Parameters<RehearsalDesk["fix"]>) => stage().fix(...args),
  without: (...args: Parameters<PlanDesk["without"]>) => open().without(...args),
};
export type PlanShell = typeof shell;

expose(shell);

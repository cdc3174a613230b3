import { setRuns } from "./deep";

setRuns();
